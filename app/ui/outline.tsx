/** A piece's outline to say where a mark is: zones are radio buttons laid over a plain drawing, so that it works by touch, keyboard and without JavaScript. */
import { styled } from 'styled-components';

export type OutlineKind = 'top' | 'trousers' | 'dress' | 'small' | 'flat';
interface Zone {
  name: string;
  x: number;
  y: number;
}
const zone = (name: string, x: number, y: number): Zone => ({ name, x, y });
export const outlineZones: Record<OutlineKind, readonly Zone[]> = {
  top: [
    zone('collar', 50, 8),
    zone('left underarm', 20, 33),
    zone('right underarm', 80, 33),
    zone('left sleeve', 14, 56),
    zone('right sleeve', 86, 56),
    zone('chest', 50, 33),
    zone('front', 50, 60),
    zone('hem', 50, 88),
    zone('back', 86, 88),
  ],
  trousers: [
    zone('waist', 50, 7),
    zone('front', 50, 22),
    zone('left thigh', 32, 42),
    zone('right thigh', 68, 42),
    zone('left knee', 31, 62),
    zone('right knee', 69, 62),
    zone('hem', 50, 92),
    zone('seat', 90, 22),
    zone('back', 90, 50),
  ],
  dress: [
    zone('collar', 50, 7),
    zone('left sleeve', 14, 26),
    zone('right sleeve', 86, 26),
    zone('chest', 50, 24),
    zone('waist', 50, 42),
    zone('lap', 50, 62),
    zone('hem', 50, 90),
    zone('back', 90, 62),
  ],
  small: [zone('front', 50, 28), zone('middle', 50, 54), zone('edge', 50, 86), zone('back', 90, 54)],
  flat: [
    zone('middle', 50, 50),
    zone('left edge', 10, 50),
    zone('right edge', 90, 50),
    zone('corner', 86, 12),
    zone('lower edge', 50, 90),
  ],
};
export const outlinePaths: Record<OutlineKind, string> = {
  top: 'M38 8 Q50 18 62 8 L80 14 L97 50 L84 56 L76 36 L76 96 L24 96 L24 36 L16 56 L3 50 L20 14 Z',
  trousers: 'M28 3 L72 3 L80 97 L56 97 L50 34 L44 97 L20 97 Z',
  dress: 'M38 6 Q50 14 62 6 L80 14 L92 34 L82 40 L72 28 L70 42 L86 97 L14 97 L30 42 L28 28 L18 40 L8 34 L20 14 Z',
  small: 'M34 5 L66 5 Q72 50 70 76 Q66 97 50 97 Q34 97 30 76 Q28 50 34 5 Z',
  flat: 'M4 8 L96 8 L96 94 L4 94 Z',
};

const Box = styled.fieldset`
  legend {
    font-weight: 600;
    font-size: 0.92rem;
    margin-bottom: 0.3rem;
  }
  > div {
    position: relative;
    width: min(24rem, 100%);
    aspect-ratio: 1.05;
  }
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  path {
    fill: var(--paper);
    stroke: var(--structure);
    stroke-width: 0.7;
    stroke-linejoin: round;
    stroke-dasharray: 1.6 1;
  }
  label {
    position: absolute;
    transform: translate(-50%, -50%);
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    padding: 0 0.6rem;
    border: 1.5px solid var(--hairline);
    border-radius: 12px 4px 12px 4px;
    background: var(--linen);
    font-size: 0.85rem;
    cursor: pointer;
    white-space: nowrap;
  }
  input {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    margin: 0;
    opacity: 0;
    cursor: pointer;
  }
  label:has(input:checked) {
    background: var(--wash);
    border-color: var(--ink);
    font-weight: 650;
  }
  label:has(input:focus-visible) {
    outline: 3px solid var(--woad);
    outline-offset: 2px;
  }
`;
export function Outline({ kind, name, defaultValue }: { kind: OutlineKind; name: string; defaultValue: string }) {
  return (
    <Box>
      <legend>Where is it?</legend>
      <div>
        <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
          <path d={outlinePaths[kind]} vectorEffect="non-scaling-stroke" />
        </svg>
        {outlineZones[kind].map((z) => (
          <label
            key={z.name}
            style={{ left: `${Math.min(86, Math.max(14, z.x))}%`, top: `${Math.min(94, Math.max(6, z.y))}%` }}
          >
            <input type="radio" name={name} value={z.name} defaultChecked={z.name === defaultValue} />
            {z.name}
          </label>
        ))}
      </div>
    </Box>
  );
}
