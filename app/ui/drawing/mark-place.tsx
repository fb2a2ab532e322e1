/**
 * Where a mark is: tap the very place on the front or the back of the drawing, or take it from the list, which is all
 * that is needed without a pointer or without JavaScript.
 */
import { useState, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import { Select, LabelText, Stack } from '../fields.tsx';
import type { ClothView } from '../fold.tsx';
import { Drawing } from './drawing.tsx';
import { drawingFacts, nearestZone, type DrawingId, type Side, type Spot } from './drawings.ts';

const Box = styled.div`
  display: grid;
  gap: 0.9rem;
  .sides {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 1rem;
    align-items: start;
  }
  figure {
    display: grid;
    gap: 0.35rem;
    cursor: crosshair;
    touch-action: manipulation;
  }
  figcaption {
    color: var(--ink-soft);
    font-size: 0.88rem;
    text-align: center;
  }
`;
const Pin = styled.g`
  circle {
    fill: none;
    stroke: var(--paper);
    stroke-width: 2.4;
  }
  circle + circle {
    stroke: var(--madder);
    stroke-width: 1.3;
  }
  circle + circle + circle {
    fill: var(--madder);
    stroke: none;
  }
`;
/** A mark on a drawing. */
export function MarkPin({ x, y }: { x: number; y: number }) {
  return (
    <Pin>
      <circle cx={x} cy={y} r={4.4} />
      <circle cx={x} cy={y} r={4.4} />
      <circle cx={x} cy={y} r={1.4} />
    </Pin>
  );
}

const sides: readonly [Side, string][] = [
  ['front', 'Front'],
  ['back', 'Back'],
];
const round = (n: number): number => Math.round(n * 10) / 10;
/** A point of the screen in the drawing's own measure. */
function spotAt(event: PointerEvent<SVGSVGElement>, id: DrawingId, side: Side): Spot {
  const box = event.currentTarget.getBoundingClientRect();
  return {
    side,
    x: round((100 * (event.clientX - box.left)) / box.width),
    y: round((drawingFacts(id).height * (event.clientY - box.top)) / box.height),
  };
}

/** The fields of a form: `name` = the named place, `side`, `x` and `y` = the very point when one was tapped. */
export function MarkPlace({
  id,
  cloth,
  name,
  defaultValue,
}: {
  id: DrawingId;
  cloth: ClothView;
  name: string;
  defaultValue: string;
}) {
  const { zones } = drawingFacts(id);
  const [place, setPlace] = useState(defaultValue);
  const [tapped, setTapped] = useState<Spot | null>(null);
  const named = zones.find((z) => z.name === place);
  const spot = tapped ?? named ?? null;
  return (
    <Box>
      <div className="sides">
        {sides.map(([side, words]) => (
          <figure key={side}>
            <Drawing
              id={id}
              side={side}
              cloth={cloth}
              onPointerUp={(event) => {
                const at = spotAt(event, id, side);
                setTapped(at);
                setPlace(nearestZone(id, at).name);
              }}
            >
              {spot?.side === side && <MarkPin x={spot.x} y={spot.y} />}
            </Drawing>
            <figcaption>{words}</figcaption>
          </figure>
        ))}
      </div>
      <Stack>
        <LabelText htmlFor="mark-place">Where is it? Tap the place, or choose</LabelText>
        <Select
          id="mark-place"
          name={name}
          value={place}
          onChange={(event) => {
            setPlace(event.currentTarget.value);
            setTapped(null);
          }}
        >
          <option value="">Not said</option>
          {sides.map(([side, words]) => (
            <optgroup key={side} label={words}>
              {zones
                .filter((z) => z.side === side)
                .map((z) => (
                  <option key={z.name} value={z.name}>
                    {z.name}
                  </option>
                ))}
            </optgroup>
          ))}
        </Select>
      </Stack>
      {tapped && (
        <>
          <input type="hidden" name="side" value={tapped.side} />
          <input type="hidden" name="x" value={tapped.x} />
          <input type="hidden" name="y" value={tapped.y} />
        </>
      )}
    </Box>
  );
}
