/** The board's shelves: a load as a stack of folds whose height is how full the drum is; folds are picked up, shelves take them. */
import { useRef, useState } from 'react';
import { useDrag, useDrop } from 'react-aria';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import type { MoveWords, Verdict } from '../move-words.ts';
import type { PieceRef } from '../../wash/load-view.server.ts';
import type { SortLoad } from '../sort-view.server.ts';
import { Fold, foldHeight, Swatch } from '../../ui/fold.tsx';
import { LimitMarks } from './limit-marks.tsx';
import { Quiet } from '../../ui/page.tsx';

/** The kind of data a picked-up piece carries. */
export const pieceType = 'application/x-neat-fold-piece';

export interface BoardHandlers {
  dragging: string | null;
  onPick: (piece: string | null) => void;
  /** What the piece in the air would mean here; asked once per shelf it is over. */
  onOver: (target: string) => Promise<MoveWords | null>;
  onDrop: (piece: string, target: string) => void;
}

const mostInRow = 5;
/** Seven loads stand four and three, not five and two: the wider the shelf, the more of a name can be read. */
const columnsFor = (n: number): number => Math.max(2, Math.ceil(n / Math.ceil(n / mostInRow)));

export const Shelves = styled.ol<{ $n: number }>`
  display: grid;
  grid-template-columns: repeat(${(p) => columnsFor(p.$n)}, minmax(9.5rem, 18rem));
  gap: 1.25rem;
  align-items: stretch;
  ${media.tablet} {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  ${media.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const ShelfBox = styled.li<{ $open: boolean; $done: boolean; $over: boolean }>`
  position: relative;
  display: grid;
  grid-template-rows: auto 1fr auto;
  grid-template-columns: minmax(0, 1fr);
  min-width: 0;
  padding: 0.6rem 0.7rem 0.4rem;
  border-radius: 4px 14px 0 0;
  background: ${(p) => (p.$over ? 'var(--wash)' : p.$open ? 'var(--paper)' : 'transparent')};
  border: 1px solid ${(p) => (p.$open || p.$over ? 'var(--hairline)' : 'transparent')};
  border-bottom: 0;
  opacity: ${(p) => (p.$done ? 0.85 : 1)};
  height: 100%;
  h2 {
    font-size: 1.02rem;
    letter-spacing: -0.005em;
    line-height: 1.25;
    min-height: 2.5em;
    display: flex;
    align-items: flex-end;
  }
  h2 a {
    text-decoration: none;
    min-height: 1.5rem;
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
  }
  h2 a:hover {
    text-decoration: underline;
  }
  .set {
    display: flex;
    gap: 0.9rem;
    align-items: baseline;
    margin-top: 0.15rem;
    b {
      font-size: 1.75rem;
      font-weight: 720;
      letter-spacing: -0.02em;
    }
    strong {
      font-size: 1.15rem;
      font-weight: 620;
    }
    i {
      font-style: normal;
      font-size: 0.8rem;
      color: var(--ink-soft);
      margin-left: 0.15rem;
    }
  }
  footer {
    display: flex;
    justify-content: space-between;
    flex-wrap: wrap;
    gap: 0 0.6rem;
    font-size: 0.85rem;
    color: var(--ink-soft);
    padding-top: 0.35rem;
    border-top: 6px solid var(--shelf);
  }
  ${media.phone} {
    > div:first-child {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 0 0.8rem;
      align-items: end;
    }
    h2 {
      min-height: 0;
    }
    .set {
      grid-area: 1 / 2 / span 2 / 2;
    }
  }
`;
const Well = styled.div<{ $full: number }>`
  position: relative;
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
  gap: 2px;
  min-height: ${(p) => p.$full + 26}px;
  padding-top: 26px;
  margin-top: 0.4rem;
  .full {
    position: absolute;
    left: -3px;
    right: -3px;
    bottom: ${(p) => p.$full}px;
    border-top: 1.5px dashed var(--structure);
    font-size: 0.75rem;
    color: var(--structure);
    text-align: right;
    line-height: 1;
    span {
      position: relative;
      top: -1rem;
    }
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
    min-height: 0;
    padding-top: 0;
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
/** A load that is not open, on a phone: the stack as thin as cloth, with its figures, opened by a tap. */
const Thin = styled(Link)`
  display: none;
  ${media.phone} {
    display: grid;
    gap: 2px;
    min-height: 44px;
    margin-top: 0.5rem;
    align-content: end;
  }
  i {
    display: block;
    height: 7px;
    border-radius: 4px 1px 1px 4px;
    box-shadow: inset 0 0 0 1px var(--cloth-edge);
    print-color-adjust: exact;
  }
`;
/** The folds with their names; on a phone only of the load that is open. */
const Folds = styled.div<{ $open: boolean }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  ${media.phone} {
    display: ${(p) => (p.$open ? 'grid' : 'none')};
  }
`;
const verdictColour: Record<Verdict, string> = {
  cheaper: 'var(--woad)',
  same: 'var(--ink-soft)',
  dearer: 'var(--ink)',
  risk: 'var(--weld)',
  refused: 'var(--madder)',
};
const Note = styled.p<{ $verdict: Verdict }>`
  position: absolute;
  left: 0.6rem;
  right: 0.6rem;
  top: 5.6rem;
  z-index: 3;
  background: var(--paper);
  border: 1.5px solid ${(p) => verdictColour[p.$verdict]};
  color: ${(p) => verdictColour[p.$verdict]};
  border-radius: 3px 12px 3px 12px;
  padding: 0.4rem 0.6rem;
  font-size: 0.86rem;
  line-height: 1.3;
  pointer-events: none;
  b {
    display: block;
    font-size: 1.05rem;
  }
`;

/** A piece that can be picked up; touching it chooses it, which is also the way by keyboard. */
export function Draggable({
  piece,
  href,
  chosen,
  height,
  handlers,
  small,
}: {
  piece: PieceRef;
  href: string;
  chosen: boolean;
  height?: number;
  handlers: BoardHandlers;
  small?: boolean;
}) {
  const { dragProps, isDragging } = useDrag({
    hasDragButton: true, // touching and the keyboard choose the piece instead: the panel then offers every place
    getItems: () => [{ [pieceType]: piece.id, 'text/plain': piece.name }],
    onDragStart: () => handlers.onPick(piece.id),
    onDragEnd: () => handlers.onPick(null),
  });
  return (
    <Link
      to={href}
      title={piece.name}
      preventScrollReset
      aria-current={chosen ? 'true' : undefined}
      aria-label={`Move ${piece.name}`}
      {...dragProps}
      style={{ opacity: isDragging ? 0.35 : 1, cursor: 'grab' }}
    >
      {small ? (
        <Swatch cloth={piece.cloth} />
      ) : (
        <Fold cloth={piece.cloth} name={piece.name} {...(height === undefined ? {} : { height })} />
      )}
    </Link>
  );
}

function useShelf(target: string, handlers: BoardHandlers, enabled: boolean) {
  const ref = useRef<HTMLElement | null>(null);
  const [words, setWords] = useState<MoveWords | null>(null);
  const { dropProps, isDropTarget } = useDrop({
    ref,
    getDropOperation: (types) => (enabled && types.has(pieceType) ? 'move' : 'cancel'),
    onDropEnter: () => {
      setWords(null);
      void handlers.onOver(target).then(setWords);
    },
    onDropExit: () => setWords(null),
    onDrop: (event) => {
      setWords(null);
      const [item] = event.items;
      if (item?.kind === 'text' && item.types.has(pieceType))
        void item.getText(pieceType).then((piece) => handlers.onDrop(piece, target));
    },
  });
  return { ref, dropProps, over: isDropTarget, words: isDropTarget ? words : null };
}

const leastFold = 17;
const gap = 2;
const total = (hs: readonly number[]): number => hs.reduce((a, h) => a + h + gap, 0);
/** One height means full for every shelf, so that stacks compare: tall enough that no stack must be squeezed below a readable fold. */
export function commonFull(loads: readonly SortLoad[]): number {
  return Math.min(
    380,
    Math.max(
      230,
      ...loads
        .filter((l) => l.facts.card.fill > 0.25)
        .map((l) => (l.facts.card.pieces.length * (leastFold + gap)) / Math.min(1, l.facts.card.fill)),
    ),
  );
}
/** Folds are as thick as their share of the stack; the stack is as high as the drum is full. */
function heights({ facts }: SortLoad, full: number): number[] {
  const natural = facts.card.pieces.map((p) => foldHeight(p.cloth.bulk) * 0.8);
  const factor = (facts.card.fill * full - gap * natural.length) / (total(natural) - gap * natural.length);
  return natural.map((h) => Math.max(leastFold, h * factor));
}

export function LoadShelf({
  load,
  open,
  index,
  full,
  chosen,
  handlers,
}: {
  load: SortLoad;
  open: boolean;
  index: number;
  full: number;
  chosen: string | null;
  handlers: BoardHandlers;
}) {
  const { card } = load.facts;
  const tall = heights(load, full);
  const planned = load.status === 'planned';
  const { ref, dropProps, over, words } = useShelf(
    `load:${index}`,
    handlers,
    planned && !card.pieces.some((p) => p.id === handlers.dragging),
  );
  return (
    <ShelfBox
      ref={(e) => {
        ref.current = e;
      }}
      {...dropProps}
      $open={open}
      $done={!planned}
      $over={over}
    >
      <div>
        <h2>
          <Link
            to={`/sort?load=${index + 1}`}
            title={card.title}
            preventScrollReset
            aria-current={open ? 'true' : undefined}
          >
            {card.title}
          </Link>
        </h2>
        <Quiet>
          {card.programme ?? 'By hand'}, {card.machine}
          {load.status === 'running' ? ' · running' : load.status === 'finished' ? ' · finished' : ''}
        </Quiet>
        <p className="set">
          <b>
            {card.temperature.value}
            <i>{card.temperature.unit}</i>
          </b>
          <strong>
            {card.spin}
            <i>{card.spinUnit}</i>
          </strong>
        </p>
      </div>
      {words && (
        <Note $verdict={words.verdict}>
          <b>{words.price}</b>
          {words.text}
          <LimitMarks limits={words.limits} />
        </Note>
      )}
      {!open && (
        <Thin to={`/sort?load=${index + 1}`} preventScrollReset aria-label={`Open ${card.title}, load ${index + 1}`}>
          {card.pieces.map((p) => (
            <i key={p.id} style={{ background: p.cloth.hex }} />
          ))}
        </Thin>
      )}
      <Folds $open={open}>
        <Well $full={full}>
          <div className="full" aria-hidden="true">
            <span>full</span>
          </div>
          {card.pieces.map((p, i) =>
            planned ? (
              <Draggable
                key={p.id}
                piece={p}
                href={`/sort?load=${index + 1}&piece=${p.id}`}
                chosen={chosen === p.id}
                height={tall[i] ?? 26}
                handlers={handlers}
              />
            ) : (
              <Link key={p.id} to={`/pieces/${p.id}`} title={p.name}>
                <Fold cloth={p.cloth} name={p.name} height={tall[i] ?? 26} />
              </Link>
            ),
          )}
        </Well>
      </Folds>
      <footer>
        <span>{card.fillText}</span>
        <span>{card.dose}</span>
        <span>{card.duration}</span>
      </footer>
    </ShelfBox>
  );
}

const Place = styled.div<{ $over: boolean }>`
  position: relative;
  margin-top: 0.8rem;
  min-height: 3.4rem;
  display: grid;
  place-items: center;
  text-align: center;
  padding: 0.4rem 0.6rem;
  border: 1.5px dashed var(--shelf);
  border-radius: 4px 14px 4px 14px;
  color: var(--ink-soft);
  font-size: 0.9rem;
  background: ${(p) => (p.$over ? 'var(--wash)' : 'transparent')};
  b {
    color: var(--ink);
  }
`;
/** A place without a stack: a load of its own, the basin, or the next wash day. */
export function DropPlace({
  target,
  label,
  handlers,
}: {
  target: 'own' | 'hand' | 'wait';
  label: string;
  handlers: BoardHandlers;
}) {
  const { ref, dropProps, over, words } = useShelf(target, handlers, true);
  return (
    <Place
      ref={(e) => {
        ref.current = e;
      }}
      {...dropProps}
      $over={over}
      aria-hidden="true"
    >
      {words ? (
        <span>
          <b>{words.price}</b> {words.text}
        </span>
      ) : (
        label
      )}
    </Place>
  );
}
