/** A piece laid flat with its measure lines, before and now. */
import { styled } from 'styled-components';
import { Drawing } from '../../ui/drawing/drawing.tsx';
import { drawingFacts, type DrawingId } from '../../ui/drawing/drawings.ts';

export interface MeasureLine {
  place: string;
  name: string;
  text: string;
  changed: boolean;
}
const Figure = styled.figure`
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  svg {
    width: min(18rem, 100%);
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
    font-size: 5px;
    fill: var(--ink);
    font-weight: 650;
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 1.4px;
  }
  figcaption {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
`;

export function MeasureFigure({
  drawing,
  measures,
  caption,
}: {
  drawing: DrawingId;
  measures: readonly MeasureLine[];
  caption: string;
}) {
  const { lines } = drawingFacts(drawing);
  const told = measures.filter((m) => m.text !== '').map((m) => `${m.name} ${m.text}`);
  return (
    <Figure>
      <Drawing id={drawing} label={`A piece laid flat with its measure lines. ${told.join('; ')}`}>
        {measures.map((m) => {
          const line = lines[m.place];
          if (!line) return null;
          const [x1, y1, x2, y2, textX, textY] = line;
          return (
            <g key={m.place}>
              <line x1={x1} y1={y1} x2={x2} y2={y2} className={m.changed ? 'changed' : ''} />
              <text x={textX} y={textY}>
                {m.text}
              </text>
            </g>
          );
        })}
      </Drawing>
      <figcaption>{caption}</figcaption>
    </Figure>
  );
}
