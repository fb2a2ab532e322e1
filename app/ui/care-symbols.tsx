/** The symbols of ISO 3758, drawn plainly by ourselves; words always stand beside them. */
import type { ReactNode } from 'react';
import { styled } from 'styled-components';

const Svg = styled.svg`
  width: 2.4rem;
  height: 2rem;
  stroke: currentcolor;
  fill: none;
  stroke-width: 2;
  stroke-linejoin: round;
  stroke-linecap: round;
  flex: none;
  text {
    fill: currentcolor;
    stroke: none;
    font:
      700 12px 'Atkinson Hyperlegible Next Variable',
      sans-serif;
    text-anchor: middle;
  }
  circle.dot {
    fill: currentcolor;
    stroke: none;
  }
`;
const cross = <path d="M6 4l28 26M34 4L6 30" />;
const tub = <path d="M4 9l4 20h24l4-20M4 11q4 4 8 0t8 0 8 0 8 0" />;
const bars = (n: number): ReactNode => (
  <>
    {n > 0 && <path d="M10 32h20" />}
    {n > 1 && <path d="M10 35.5h20" />}
  </>
);
const dots = (n: number, y: number): ReactNode =>
  Array.from({ length: n }, (_, i) => (
    <circle key={i} className="dot" cx={20 + (i - (n - 1) / 2) * 7} cy={y} r={2.3} />
  ));
const iron = <path d="M5 27h30l-3-12q-1-5-6-5H13M5 27q1-9 10-9h17" />;
const dryer = (
  <>
    <rect x={7} y={4} width={26} height={26} />
    <circle cx={20} cy={17} r={10} />
  </>
);

export type SymbolPart = 'wash' | 'bleach' | 'tumble' | 'iron' | 'dry' | 'dryClean';

function drawing(part: SymbolPart, value: string): ReactNode {
  switch (part) {
    case 'wash': {
      const [by, c, action] = value.split(' ');
      if (by === 'none')
        return (
          <>
            {tub}
            {cross}
          </>
        );
      if (by === 'hand')
        return (
          <>
            {tub}
            <path d="M14 22l5-9 2 5 7-2" />
          </>
        );
      return (
        <>
          {tub}
          <text x={20} y={25}>
            {c}
          </text>
          {bars(action === 'very-mild' ? 2 : action === 'mild' ? 1 : 0)}
        </>
      );
    }
    case 'bleach':
      return (
        <>
          <path d="M20 5L35 30H5Z" />
          {value === 'oxygen' && <path d="M16 30l8-14M23 30l5-8" />}
          {value === 'none' && cross}
        </>
      );
    case 'tumble':
      return (
        <>
          {dryer}
          {value === 'none' ? cross : dots(value === 'low' ? 1 : 2, 17)}
        </>
      );
    case 'iron':
      return (
        <>
          {iron}
          {value === 'none' ? cross : dots(value === 'high' ? 3 : value === 'medium' ? 2 : 1, 23)}
        </>
      );
    case 'dry':
      return (
        <>
          <rect x={7} y={4} width={26} height={26} />
          {value === 'flat' ? <path d="M12 17h16" /> : <path d="M20 9v16" />}
        </>
      );
    case 'dryClean':
      return (
        <>
          <circle cx={20} cy={17} r={13} />
          {value === 'none' ? (
            cross
          ) : (
            <text x={20} y={21}>
              {value === 'any' ? 'A' : value.charAt(0)}
            </text>
          )}
          {value.endsWith('mild') && bars(1)}
        </>
      );
  }
}
export const CareSymbol = ({ part, value }: { part: SymbolPart; value: string }) => (
  <Svg viewBox="0 0 40 37" aria-hidden="true" data-symbol={`${part}/${value}`}>
    {drawing(part, value)}
  </Svg>
);

const Row = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1.4rem;
  li {
    display: flex;
    align-items: center;
    gap: 0.5rem;
  }
`;
/** A label as a row of symbols, each with its words. */
export const LabelRow = ({ symbols }: { symbols: readonly { part: SymbolPart; value: string; words: string }[] }) => (
  <Row>
    {symbols.map((s) => (
      <li key={s.part}>
        <CareSymbol part={s.part} value={s.value} />
        <span>{s.words}</span>
      </li>
    ))}
  </Row>
);
