/** The board: pieces from the basket to loads, and to what is not a wash. Dragged, tapped or by the keyboard. */
import { useRef } from 'react';
import { useDrag, useDrop } from 'react-aria';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { StageProps } from '../round.tsx';
import { media } from '../../theme/tokens.ts';
import { Button, TextButton } from '../../ui/button.tsx';
import { Fold, foldHeight, type ClothView } from '../../ui/fold.tsx';
import { Quiet } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';

const pieceType = 'application/x-neat-fold-practice';
interface Ref {
  id: string;
  name: string;
  cloth: ClothView;
}

/** So high a stack is full, px; the folds share it as they share the drum. */
const fullPx = 150;
const leastFoldPx = 18;
const naturalPx = (p: Ref): number => foldHeight(p.cloth.bulk) * 0.75;
function heightsOf(pieces: readonly Ref[], fill: number | null): number[] {
  const all = pieces.reduce((t, p) => t + naturalPx(p), 0);
  return pieces.map((p) =>
    fill === null ? naturalPx(p) : Math.max(leastFoldPx, (naturalPx(p) / all) * fill * fullPx),
  );
}

function Piece({ piece, height, props }: { piece: Ref; height: number; props: StageProps }) {
  const chosen = props.view.chosen === piece.id;
  const { dragProps, isDragging } = useDrag({
    hasDragButton: true, // touching and the keyboard choose the piece instead: the panel then offers every place
    getItems: () => [{ [pieceType]: piece.id, 'text/plain': piece.name }],
    onDragStart: () => props.onPick(piece.id),
    onDragEnd: () => props.onPick(null),
  });
  return (
    <Link
      to={chosen ? '?at=sort' : `?at=sort&piece=${piece.id}`}
      preventScrollReset
      aria-current={chosen ? 'true' : undefined}
      aria-label={`Move ${piece.name}`}
      {...dragProps}
      style={{ opacity: isDragging ? 0.35 : 1, cursor: 'grab' }}
    >
      <Fold cloth={piece.cloth} name={piece.name} height={height} />
    </Link>
  );
}

const Stack = styled.section<{ $over: boolean; $low: boolean; $load: boolean }>`
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 2px;
  min-height: ${(p) => (p.$load ? `${fullPx + 92}px` : p.$low ? '4.2rem' : '9rem')};
  padding: 0.4rem 0.6rem 0.3rem;
  border-bottom: 6px solid var(--shelf);
  background: ${(p) => (p.$over ? 'var(--wash)' : 'transparent')};
  border-radius: 4px 14px 0 0;
  header {
    margin-bottom: auto;
    padding-bottom: 0.4rem;
  }
  h2 {
    font-size: ${(p) => (p.$low ? '0.98rem' : '1.05rem')};
    ${(p) => p.$low && 'font-family: inherit; font-weight: 600; color: var(--ink-soft);'}
  }
  header span {
    display: block;
  }
  .full {
    position: absolute;
    left: 0;
    right: 0;
    bottom: ${fullPx}px;
    border-top: 1.5px dashed var(--structure);
    color: var(--structure);
    font-size: 0.75rem;
    line-height: 1;
    text-align: right;
    padding-top: 2px;
    pointer-events: none;
  }
  > a {
    display: block;
    text-decoration: none;
  }
  > a[aria-current='true'] {
    outline: 3px solid var(--woad);
    outline-offset: 1px;
    border-radius: 12px 3px 3px 12px;
  }
  ${media.phone} {
    min-height: 4rem;
    .full {
      display: none;
    }
    > a {
      min-height: 44px;
      display: grid;
      align-content: center;
    }
  }
`;
function Place({
  target,
  title,
  note,
  pieces,
  props,
  low = false,
  fill = null,
}: {
  target: string;
  title: string;
  note: string;
  pieces: readonly Ref[];
  props: StageProps;
  /** A lesser place: small while nothing is there. */
  low?: boolean;
  /** Share of the drum, where it is a load. */
  fill?: number | null;
}) {
  const heights = heightsOf(pieces, fill);
  const ref = useRef<HTMLElement | null>(null);
  const { dropProps, isDropTarget } = useDrop({
    ref,
    getDropOperation: (types) => (types.has(pieceType) ? 'move' : 'cancel'),
    onDrop: (event) => {
      const [item] = event.items;
      if (item?.kind === 'text' && item.types.has(pieceType))
        void item.getText(pieceType).then((piece) => props.onDrop(piece, target));
    },
  });
  return (
    <Stack
      ref={(e) => {
        ref.current = e;
      }}
      {...dropProps}
      $over={isDropTarget}
      $low={low}
      $load={fill !== null}
      aria-label={title}
    >
      <header>
        <h2>{title}</h2>
        {note && <Quiet>{note}</Quiet>}
      </header>
      {fill !== null && (
        <div className="full" aria-hidden="true">
          full
        </div>
      )}
      {pieces.map((p, i) => (
        <Piece key={p.id} piece={p} height={heights[i] ?? leastFoldPx} props={props} />
      ))}
    </Stack>
  );
}

const Board = styled.div`
  display: grid;
  grid-template-columns: minmax(12rem, 16rem) minmax(0, 1fr);
  gap: 1.5rem 2rem;
  align-items: start;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Loads = styled.div<{ $min?: string }>`
  display: grid;
  gap: 1.2rem;
  grid-template-columns: repeat(auto-fill, minmax(min(${(p) => p.$min ?? '12.5rem'}, 100%), 1fr));
  align-items: stretch;
`;
const Panel = styled(PostForm)`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.6rem;
  align-items: center;
  padding: 0.8rem 1rem;
  margin-bottom: 1rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  position: sticky;
  top: 0.5rem;
  z-index: 4;
  strong {
    flex: 1 1 12rem;
  }
`;
/** Every place the chosen piece can go. */
function Ways({ props }: { props: StageProps }) {
  const { view } = props;
  const piece = view.pieces.find((p) => p.id === view.chosen);
  if (!piece) return null;
  const inLoad = view.loads.find((l) => l.pieces.some((p) => p.id === piece.id));
  const aside = view.asides.find((a) => a.pieces.some((p) => p.id === piece.id));
  return (
    <Panel preventScrollReset aria-label={`Where does ${piece.name} go?`}>
      <input type="hidden" name="intent" value="put" />
      <input type="hidden" name="at" value="sort" />
      <input type="hidden" name="piece" value={piece.id} />
      <strong>{piece.name} goes to …</strong>
      {view.loads.map(
        (l) =>
          l !== inLoad && (
            <Button key={l.id} type="submit" name="target" value={`load:${l.id}`} $quiet>
              {l.title}
            </Button>
          ),
      )}
      <Button type="submit" name="target" value="new" $quiet>
        A new load
      </Button>
      {view.asides.map(
        (a) =>
          a !== aside && (
            <TextButton key={a.id} type="submit" name="target" value={`aside:${a.id}`}>
              {a.name}
            </TextButton>
          ),
      )}
      {(inLoad ?? aside) && (
        <TextButton type="submit" name="target" value="basket">
          Back into the basket
        </TextButton>
      )}
    </Panel>
  );
}

export function SortStage(props: StageProps) {
  const { view } = props;
  return (
    <>
      <Ways props={props} />
      {!view.chosen && (
        <p style={{ marginBottom: '0.8rem' }}>
          <Quiet>Drag a piece to where it goes, or tap it to choose.</Quiet>
        </p>
      )}
      <Board>
        <Place
          target="basket"
          title="The basket"
          note={view.inBasket.length === 0 ? 'empty' : `${view.inBasket.length} left`}
          pieces={view.inBasket}
          props={props}
        />
        <div style={{ display: 'grid', gap: '1.5rem' }}>
          <Loads>
            {view.loads.map((l) => (
              <Place
                key={l.id}
                target={`load:${l.id}`}
                title={l.title}
                note={`${l.massKg} · ${l.setting}`}
                pieces={l.pieces}
                props={props}
                fill={l.fill}
              />
            ))}
            <Place target="new" title="A new load" note="" pieces={[]} props={props} />
          </Loads>
          <Loads $min="8rem">
            {view.asides.map((a) => (
              <Place key={a.id} target={`aside:${a.id}`} title={a.name} note="" pieces={a.pieces} props={props} low />
            ))}
          </Loads>
        </div>
      </Board>
    </>
  );
}
