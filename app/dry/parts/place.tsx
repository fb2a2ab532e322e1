/** A drying place to scale: bars with what is folded over them, hangers on a rail, knits lying flat; pieces are picked up, the place takes them. */
import { useRef, type ReactNode } from 'react';
import { useDrag, useDrop } from 'react-aria';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Hung } from '../../ui/fold.tsx';
import { Laid } from '../../ui/drawing/drawing.tsx';
import { Quiet } from '../../ui/page.tsx';
import type { HungView, PlaceView } from '../dry-view.server.ts';

export const hungType = 'application/x-neat-fold-hung';
export interface RackHandlers {
  /** Where touching a piece leads. */
  hrefOf: (piece: string) => string;
  onDrop: (piece: string, place: string, position: 'bars' | 'flat' | 'hanger' | 'line') => void;
}

const Panel = styled.section`
  display: grid;
  gap: 0.5rem;
  align-content: start;
  h2 {
    font-size: 1.15rem;
  }
`;
const barGapPx = 30;
const Bars = styled.div<{ $over: boolean }>`
  position: relative;
  margin: 0.4rem 0 0.4rem;
  border-left: 5px solid var(--shelf);
  border-right: 5px solid var(--shelf);
  border-radius: 3px;
  background: ${(p) => (p.$over ? 'var(--wash)' : 'transparent')};
  > i {
    position: absolute;
    left: 0;
    right: 0;
    height: 4px;
    border-radius: 2px;
    background: var(--structure);
    opacity: 0.75;
  }
  ${media.print} {
    print-color-adjust: exact;
  }
`;
const Piece = styled(Link)<{ $wished: boolean }>`
  position: absolute;
  min-height: 24px;
  text-decoration: none;
  &[aria-current='true'] {
    outline: 3px solid var(--woad);
    outline-offset: 1px;
    z-index: 2;
  }
  > span {
    opacity: ${(p) => (p.$wished ? 0.62 : 1)};
    ${(p) => (p.$wished ? 'outline: 1.5px dashed var(--ink); outline-offset: -2px;' : '')}
  }
`;
const Lying = styled.ul<{ $over: boolean }>`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.7rem;
  padding: 0.6rem;
  min-height: 4rem;
  border: 1px solid var(--hairline);
  border-radius: 3px 12px 3px 12px;
  background: ${(p) => (p.$over ? 'var(--wash)' : 'var(--paper)')};
  a {
    display: grid;
    justify-items: center;
    width: 6.4rem;
    text-decoration: none;
    text-align: center;
    font-size: 0.84rem;
    line-height: 1.2;
    padding: 0.3rem;
  }
  a[aria-current='true'] {
    outline: 3px solid var(--woad);
    border-radius: 4px;
  }
  .cloth {
    display: block;
    width: 4.4rem;
    height: 4.6rem;
  }
  small {
    color: var(--ink-soft);
  }
`;
const Rail = styled(Lying)`
  border-width: 4px 0 0;
  border-color: var(--structure);
  border-radius: 0;
  background: ${(p) => (p.$over ? 'var(--wash)' : 'transparent')};
  padding-top: 0.3rem;
`;

const words = (p: HungView): string =>
  [
    `${p.name}${p.count > 1 ? `, ${p.count} pieces` : ''}`,
    p.wished ? 'not hung up yet' : p.ready === '' ? '' : `dry about ${p.ready}`,
  ]
    .filter(Boolean)
    .join(': ');

function usePiece(p: HungView) {
  return useDrag({
    hasDragButton: true, // touching and the keyboard choose the piece; the panel then offers every place
    getItems: () => [{ [hungType]: p.id, 'text/plain': p.name }],
  });
}
function OnBar({
  piece,
  spot,
  place,
  href,
  chosen,
}: {
  piece: HungView;
  spot: HungView['spots'][number];
  place: PlaceView;
  href: string;
  chosen: boolean;
}) {
  const { dragProps, isDragging } = usePiece(piece);
  return (
    <Piece
      to={href}
      preventScrollReset
      aria-label={words(piece)}
      aria-current={chosen ? 'true' : undefined}
      title={words(piece)}
      $wished={piece.wished}
      {...dragProps}
      style={{
        left: `${(100 * spot.atM) / place.barLengthM}%`,
        width: `calc(${(100 * spot.widthM) / place.barLengthM}% - 4px)`,
        top: spot.bar * barGapPx,
        height: spot.bars * barGapPx - 4,
        opacity: isDragging ? 0.35 : 1,
      }}
    >
      <Hung cloth={piece.cloth} name={piece.name} tucks={spot.bars - 1} />
    </Piece>
  );
}
function Laying({ piece, href, chosen, todo }: { piece: HungView; href: string; chosen: boolean; todo: string }) {
  const { dragProps } = usePiece(piece);
  return (
    <li>
      <Link to={href} preventScrollReset aria-current={chosen ? 'true' : undefined} {...dragProps}>
        <span className="cloth" style={{ opacity: piece.wished ? 0.62 : 1 }}>
          <Laid cloth={piece.cloth} id={piece.drawing} />
        </span>
        {piece.name}
        {piece.count > 1 && ` ×${piece.count}`}
        <small>{piece.wished ? todo : piece.ready}</small>
      </Link>
    </li>
  );
}

function useTaker(place: string, position: 'bars' | 'flat' | 'hanger', handlers: RackHandlers) {
  const ref = useRef<HTMLElement | null>(null);
  const { dropProps, isDropTarget } = useDrop({
    ref,
    getDropOperation: (types) => (types.has(hungType) ? 'move' : 'cancel'),
    onDrop: (event) => {
      const [item] = event.items;
      if (item?.kind === 'text' && item.types.has(hungType))
        void item.getText(hungType).then((piece) => handlers.onDrop(piece, place, position));
    },
  });
  return { ref, dropProps, over: isDropTarget };
}
interface ZoneProps {
  place: PlaceView;
  handlers: RackHandlers;
  children: ReactNode;
}
function BarsZone({ place, handlers, bars, children }: ZoneProps & { bars: number }) {
  const { ref, dropProps, over } = useTaker(place.id, 'bars', handlers);
  return (
    <Bars
      role="group"
      aria-label={`Bars, ${place.name}`}
      ref={(e) => {
        ref.current = e;
      }}
      {...dropProps}
      $over={over}
      style={{ height: bars * barGapPx }}
    >
      {children}
    </Bars>
  );
}
const zoneWords = { hanger: 'On hangers', flat: 'Flat, on dry towels' } as const;
function ListZone({ place, handlers, position, children }: ZoneProps & { position: keyof typeof zoneWords }) {
  const { ref, dropProps, over } = useTaker(place.id, position, handlers);
  const Box = position === 'flat' ? Lying : Rail;
  return (
    <Box
      aria-label={`${zoneWords[position]}, ${place.name}`}
      ref={(e) => {
        ref.current = e;
      }}
      {...dropProps}
      $over={over}
    >
      {children}
    </Box>
  );
}

/** Bars nobody uses are shown up to here, so that a big rack does not fill the screen with nothing. */
const shownFree = 2;
export function PlacePanel({
  place,
  chosen,
  handlers,
}: {
  place: PlaceView;
  chosen: string | null;
  handlers: RackHandlers;
}) {
  const lowest = Math.max(0, ...place.onBars.flatMap((p) => p.spots.map((s) => s.bar + s.bars)));
  const shown = Math.min(place.bars, Math.max(lowest + shownFree, 3));
  return (
    <Panel aria-labelledby={`place-${place.id}`}>
      <h2 id={`place-${place.id}`}>
        {place.name} <Quiet>{place.fill}</Quiet>
      </h2>
      {place.bars > 0 && (
        <>
          <BarsZone place={place} handlers={handlers} bars={shown}>
            {Array.from({ length: shown }, (_, i) => (
              <i key={i} style={{ top: i * barGapPx }} />
            ))}
            {place.onBars.flatMap((p) =>
              p.spots.map((s, i) => (
                <OnBar
                  key={`${p.id} ${i}`}
                  piece={p}
                  spot={s}
                  place={place}
                  href={handlers.hrefOf(p.id)}
                  chosen={p.id === chosen}
                />
              )),
            )}
          </BarsZone>
          {shown < place.bars && <Quiet>{place.bars - shown} more bars are free.</Quiet>}
        </>
      )}
      {place.hangers.count > 0 && (
        <ListZone place={place} handlers={handlers} position="hanger">
          {place.hangers.pieces.map((p) => (
            <Laying key={p.id} piece={p} href={handlers.hrefOf(p.id)} chosen={p.id === chosen} todo="to be hung here" />
          ))}
          {place.hangers.pieces.length === 0 && (
            <li>
              <Quiet>{place.hangers.count} hangers are free.</Quiet>
            </li>
          )}
        </ListZone>
      )}
      {place.flat.m2 > 0 && (
        <ListZone place={place} handlers={handlers} position="flat">
          {place.flat.pieces.map((p) => (
            <Laying key={p.id} piece={p} href={handlers.hrefOf(p.id)} chosen={p.id === chosen} todo="to be laid here" />
          ))}
          {place.flat.pieces.length === 0 && (
            <li>
              <Quiet>Room to lie flat: {place.flat.m2.toFixed(1)} m².</Quiet>
            </li>
          )}
        </ListZone>
      )}
    </Panel>
  );
}
