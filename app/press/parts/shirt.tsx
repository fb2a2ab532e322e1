/** A shirt, with the part under the iron in ink. */
import type { ShirtStep } from '@core/pressing/queue.ts';
import { styled } from 'styled-components';

/** Parts of the drawing, and the steps that press them. Seen from the front; the back is the body, the yoke lies over the shoulders. */
const parts: readonly { path: string; steps: readonly ShirtStep[] }[] = [
  { path: 'M36 14 Q50 26 64 14 L80 22 L76 30 Q50 36 24 30 L20 22 Z', steps: ['yoke'] },
  { path: 'M40 8 Q50 16 60 8 L64 15 Q50 26 36 15 Z', steps: ['collar', 'touch-up'] },
  { path: 'M20 22 L24 30 L24 44 L13 74 L4 70 Z', steps: ['sleeves', 'sleeve-seams'] },
  { path: 'M80 22 L76 30 L76 44 L87 74 L96 70 Z', steps: ['sleeves', 'sleeve-seams'] },
  { path: 'M4 70 L13 74 L11 84 L1 80 Z', steps: ['cuffs', 'touch-up'] },
  { path: 'M96 70 L87 74 L89 84 L99 80 Z', steps: ['cuffs', 'touch-up'] },
  { path: 'M24 30 Q36 34 47 34.5 L47 98 L24 96 Z', steps: ['fronts', 'back'] },
  { path: 'M76 30 Q64 34 53 34.5 L53 98 L76 96 Z', steps: ['fronts', 'back'] },
  { path: 'M47 34 L53 34 L53 98 L47 98 Z', steps: ['band', 'back'] },
];
const Drawing = styled.svg`
  width: 9rem;
  height: 9rem;
  path {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 1;
    stroke-linejoin: round;
  }
  path[data-on='true'] {
    fill: var(--woad);
  }
  path.hook {
    fill: none;
    stroke-width: 2.5;
  }
`;
export function ShirtDrawing({ step }: { step: ShirtStep }) {
  return (
    <Drawing viewBox="-2 -6 104 108" role="img" aria-label={`Where to press: ${step.replace('-', ' ')}`}>
      {step === 'hang' && <path className="hook" d="M50 6 Q50 -2 54 -4 M24 24 Q50 2 76 24" />}
      {parts.map((p) => (
        <path key={p.path} d={p.path} data-on={p.steps.includes(step)} />
      ))}
    </Drawing>
  );
}
