/** Finished loads: how they ran, what they took, what was seen. */
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Swatch } from '../../ui/fold.tsx';
import { Rows } from '../../ui/page.tsx';
import type { LoadRowView } from '../log-view.server.ts';

const LoadRows = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: 7rem minmax(0, 1fr) auto;
    gap: 0.4rem 1rem;
    padding: 0.6rem 0;
    align-items: center;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  .seen {
    color: var(--madder);
  }
  .folds {
    display: flex;
    gap: 3px;
    flex-wrap: wrap;
    justify-content: flex-end;
    max-width: 18rem;
  }
  ${media.phone} {
    li {
      grid-template-columns: 1fr;
    }
    .folds {
      justify-content: flex-start;
    }
  }
`;
export const Loads = ({ rows }: { rows: readonly LoadRowView[] }) => (
  <LoadRows>
    {rows.map((l) => (
      <li key={l.id}>
        <span>
          {l.day}
          <small>{l.time}</small>
        </span>
        <span>
          <Link to={`/loads/${l.id}`}>{l.title}</Link>
          <small>{l.text}</small>
          {l.ran && <small>{l.ran}</small>}
          {l.bad && <small className="seen">{l.bad}</small>}
        </span>
        <span className="folds">
          {l.pieces.map((p) => (
            <Link key={p.id} to={`/pieces/${p.id}`} aria-label={p.name}>
              <Swatch cloth={p.cloth} />
            </Link>
          ))}
        </span>
      </li>
    ))}
  </LoadRows>
);
