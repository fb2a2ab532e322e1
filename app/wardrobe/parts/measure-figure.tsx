/** A piece laid flat with its measure lines, before and now. */
import { styled } from 'styled-components';
import type { OutlineKind } from '../../ui/outline.tsx';

export interface MeasureLine {
  place: string;
  name: string;
  text: string;
  changed: boolean;
}
const lines: Partial<Record<OutlineKind, Record<string, readonly [number, number, number, number]>>> = {
  top: { 'body-length': [44, 12, 44, 96], chest: [26, 42, 74, 42], sleeve: [78, 16, 95, 50] },
  dress: {
    'body-length': [44, 10, 44, 97],
    chest: [29, 30, 71, 30],
    sleeve: [78, 16, 90, 34],
    waist: [31, 44, 69, 44],
  },
  trousers: {
    waist: [28, 5, 72, 5],
    'front-rise': [50, 5, 50, 34],
    thigh: [25, 38, 48, 38],
    knee: [23, 62, 46, 62],
    'leg-opening': [20, 95, 44, 95],
    inseam: [52, 36, 58, 95],
  },
  flat: { 'body-length': [50, 9, 50, 93], chest: [5, 50, 95, 50] },
  small: { 'body-length': [50, 6, 50, 96] },
};
const Figure = styled.figure`
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  svg {
    width: min(18rem, 100%);
    height: auto;
    overflow: visible;
  }
  path {
    fill: var(--paper);
    stroke: var(--structure);
    stroke-width: 0.8;
  }
  line {
    stroke: var(--woad);
    stroke-width: 1;
    stroke-dasharray: 2.4 1.4;
  }
  line.changed {
    stroke: var(--madder);
    stroke-width: 1.6;
    stroke-dasharray: none;
  }
  text {
    font-size: 4.2px;
    fill: var(--ink);
    font-weight: 650;
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 1.2px;
  }
  figcaption {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
`;

export function MeasureFigure({
  kind,
  path,
  measures,
  caption,
}: {
  kind: OutlineKind;
  path: string;
  measures: readonly MeasureLine[];
  caption: string;
}) {
  return (
    <Figure>
      <svg
        viewBox="-2 -2 104 104"
        role="img"
        aria-label={`A piece laid flat with its measure lines. ${measures
          .filter((m) => m.text !== '')
          .map((m) => `${m.name} ${m.text}`)
          .join('; ')}`}
      >
        <path d={path} />
        {measures.map((m) => {
          const l = lines[kind]?.[m.place];
          return (
            l && (
              <g key={m.place}>
                <line x1={l[0]} y1={l[1]} x2={l[2]} y2={l[3]} className={m.changed ? 'changed' : ''} />
                <text x={(l[0] + l[2]) / 2 + 1.5} y={(l[1] + l[3]) / 2 - 1.5}>
                  {m.text}
                </text>
              </g>
            )
          );
        })}
      </svg>
      <figcaption>{caption}</figcaption>
    </Figure>
  );
}
