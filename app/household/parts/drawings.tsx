/** Small drawings of drying places and tubs, to scale. */
import { styled } from 'styled-components';

const Figure = styled.figure`
  display: grid;
  gap: 0.3rem;
  justify-items: center;
  width: min(19rem, 100%);
  svg {
    width: 100%;
    height: auto;
    stroke: var(--ink);
    fill: none;
    stroke-width: 1.5;
  }
  .cloth {
    fill: var(--wash);
  }
  .water {
    fill: var(--woad-ground);
    stroke: none;
  }
  .free {
    stroke: var(--madder);
    stroke-dasharray: 5 4;
  }
  text {
    fill: var(--ink-soft);
    stroke: none;
    font-size: 11px;
  }
  figcaption {
    font-size: 0.88rem;
    color: var(--ink-soft);
    text-align: center;
  }
`;

export interface PlaceMeasures {
  bars: number;
  /** Centimetres. */ barLength: number;
  flatM2: number;
  hangers: number;
  outdoors: boolean;
  sun: boolean;
}
const width = 300;
/** Bars as lines of their length, the flat area as a square of its size, hangers on their rail: one scale for all. */
export function PlaceDrawing({ place: p }: { place: PlaceMeasures }) {
  const bars = Math.min(40, Math.max(0, Math.round(p.bars)));
  const hangers = Math.min(40, Math.max(0, Math.round(p.hangers)));
  const flatSide = Math.sqrt(Math.max(0, p.flatM2)) * 100;
  const wide = Math.max(60, p.barLength, flatSide, hangers * 5);
  const scale = (width - 20) / (wide + (flatSide > 0 && bars > 0 ? flatSide + 10 : 0));
  const barsHeight = bars * Math.max(3, Math.min(7, 90 / Math.max(1, bars)));
  const step = bars > 0 ? barsHeight / bars : 0;
  const height = Math.max(40, 24 + (hangers > 0 ? 26 : 0) + Math.max(barsHeight, flatSide * scale));
  const top = hangers > 0 ? 36 : 12;
  return (
    <Figure>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${bars} bars, ${p.flatM2} m² flat, ${hangers} hangers`}
      >
        {hangers > 0 && (
          <g>
            <path d={`M10 8H${width - 10}`} />
            {Array.from({ length: hangers }, (_, k) => {
              const x = 16 + (k * (width - 32)) / Math.max(1, hangers - 1 || 1);
              return <path key={k} d={`M${x} 8v5l-6 7h12l-6-7`} strokeWidth="1" />;
            })}
          </g>
        )}
        {Array.from({ length: bars }, (_, k) => (
          <path key={k} d={`M10 ${top + k * step}h${Math.max(1, p.barLength * scale)}`} />
        ))}
        {flatSide > 0 && (
          <rect
            className="cloth"
            x={bars > 0 ? 20 + p.barLength * scale : 10}
            y={top}
            width={Math.max(2, flatSide * scale)}
            height={Math.max(2, flatSide * scale)}
          />
        )}
      </svg>
      <figcaption>
        {Math.round(bars * p.barLength) / 100} m of bar, {p.flatM2} m² flat, {hangers} hangers
        {p.outdoors ? ', outdoors' : ''}
        {p.sun ? ', in the sun' : ''}
      </figcaption>
    </Figure>
  );
}

/** A tub cut through: wide at the rim, wide at the bottom, the water with the room kept free below the rim. */
export function BasinDrawing({
  topCm,
  bottomCm,
  depthCm,
  freeCm,
  litres,
}: {
  topCm: number;
  bottomCm: number;
  depthCm: number;
  freeCm: number;
  litres: number;
}) {
  const scale = Math.min((width - 60) / topCm, 130 / depthCm);
  const [t, b, d] = [topCm * scale, bottomCm * scale, depthCm * scale];
  const free = Math.min(d, freeCm * scale);
  const middle = width / 2;
  const atWater = t + ((b - t) * free) / d;
  const height = d + 34;
  return (
    <Figure>
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`A tub of ${litres} usable litres`}>
        <path
          className="water"
          d={`M${middle - atWater / 2} ${10 + free}H${middle + atWater / 2}L${middle + b / 2} ${10 + d}H${middle - b / 2}Z`}
        />
        <path d={`M${middle - t / 2} 10L${middle - b / 2} ${10 + d}H${middle + b / 2}L${middle + t / 2} 10`} />
        <path className="free" d={`M${middle - atWater / 2} ${10 + free}H${middle + atWater / 2}`} />
        <text x={middle} y={10 + free - 3} textAnchor="middle">
          {freeCm} cm stay free
        </text>
        <text x={middle} y={height - 8} textAnchor="middle">
          {topCm} cm wide, {depthCm} cm deep
        </text>
      </svg>
      <figcaption>{litres} l to wash in</figcaption>
    </Figure>
  );
}
