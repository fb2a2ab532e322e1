/** The tub seen from the side: how high the water stands, and how far the cloth pushes it up. */
import { styled } from 'styled-components';

const Drawing = styled.svg`
  width: min(100%, 20rem);
  height: auto;
  .water {
    fill: var(--woad-ground);
  }
  .pushed {
    fill: var(--woad-ground);
    opacity: 0.55;
  }
  path,
  line {
    stroke: var(--ink);
    stroke-width: 2.5;
    fill: none;
    stroke-linecap: round;
  }
  .line {
    stroke: var(--woad);
    stroke-dasharray: 6 5;
  }
  text {
    font:
      680 14px 'Atkinson Hyperlegible Next Variable',
      sans-serif;
    fill: var(--ink);
  }
`;
export interface TubProps {
  tub: { waterL: number; usableL: number; fillCm: number | null; depthCm: number | null; displacedL: number };
  withCloth: boolean;
}
export function Tub({ tub, withCloth }: TubProps) {
  // The usable volume ends below the brim; 84 % of the drawn height stand for it.
  const usable = 0.84 * 110;
  const share = (litres: number): number => Math.min(1, litres / Math.max(tub.usableL, 0.001)) * usable;
  const water = share(tub.waterL);
  const pushed = withCloth ? share(tub.waterL + tub.displacedL) - water : 0;
  const floor = 126;
  return (
    <Drawing
      viewBox="0 0 320 140"
      role="img"
      aria-label={`Water: ${Math.round(tub.waterL)} litres${tub.fillCm === null ? '' : `, ${Math.round(tub.fillCm)} cm high`}`}
    >
      <clipPath id="tub-inside">
        <path d="M22 16 L38 126 H206 L222 16 Z" />
      </clipPath>
      <g clipPath="url(#tub-inside)">
        <rect className="water" x="0" y={floor - water} width="250" height={water} />
        <rect className="pushed" x="0" y={floor - water - pushed} width="250" height={pushed} />
        <line className="line" x1="0" x2="250" y1={floor - water - pushed} y2={floor - water - pushed} />
      </g>
      <path d="M14 12h8L38 126H206L222 12h8" />
      <text x="236" y={floor - water - pushed + 5}>
        {tub.fillCm === null || withCloth
          ? `${Math.round(tub.waterL)} l`
          : `${Math.round(tub.fillCm)} cm, ${Math.round(tub.waterL)} l`}
      </text>
    </Drawing>
  );
}
