/** One row a piece: its cloth, its name, and the reason told of it. */
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Explained } from '../../ui/explained.tsx';
import { Swatch, type ClothView } from '../../ui/fold.tsx';
import { Rows } from '../../ui/page.tsx';

const List = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 11rem) minmax(0, 1fr);
    gap: 0.3rem 0.7rem;
    padding: 0.5rem 0;
    align-items: center;
    font-size: 0.93rem;
  }
  ${media.phone} {
    li {
      grid-template-columns: auto 1fr;
    }
    li p {
      grid-column: 2;
    }
  }
  p {
    color: var(--ink-soft);
  }
`;

interface NamedPiece {
  id: string;
  name: string;
  cloth: ClothView;
}
/** `link` = where the name leads and what it says; missing = to the piece. */
export const PieceReasons = <Piece extends NamedPiece>({
  rows,
  link = (p) => [`/pieces/${p.id}`, p.name],
}: {
  rows: readonly { piece: Piece; text: string }[];
  link?: (piece: Piece) => readonly [to: string, words: string];
}) => (
  <List>
    {rows.map(({ piece, text }) => {
      const [to, words] = link(piece);
      return (
        <li key={piece.id}>
          <Swatch cloth={piece.cloth} />
          <span>
            <Link to={to}>{words}</Link>
          </span>
          <p>
            <Explained>{text}</Explained>
          </p>
        </li>
      );
    })}
  </List>
);
