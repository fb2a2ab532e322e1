/** A piece drawn flat: one side of it, in its own cloth or as a plain outline; marks and lines are laid on as children. */
import type { ReactNode, SVGProps } from 'react';
import { styled } from 'styled-components';
import { inkOn, type ClothView } from '../fold.tsx';
import { drawingFacts, type DrawingId, type Side } from './drawings.ts';

const Sheet = styled.svg`
  display: block;
  width: 100%;
  height: auto;
  overflow: visible;
  .contour {
    fill: var(--drawn, var(--paper));
    stroke: var(--structure);
    stroke-width: 0.9;
    stroke-linejoin: round;
  }
  .seams {
    fill: none;
    stroke: var(--drawn-ink, var(--structure));
    stroke-width: 0.7;
    stroke-linecap: round;
    opacity: 0.75;
  }
  .seams.once {
    stroke-width: 0.9;
  }
`;
/** The left half is the right one, seen in the glass. */
const mirror = 'translate(100 0) scale(-1 1)';

function Halves({ d, className }: { d: string; className: string }) {
  return d === '' ? null : (
    <>
      <path d={d} className={className} />
      <path d={d} className={className} transform={mirror} />
    </>
  );
}
/** `cloth` null = on plain paper. */
export function Drawing({
  id,
  side = 'front',
  cloth = null,
  label,
  scale = 1,
  ghost = false,
  children,
  ...rest
}: {
  id: DrawingId;
  side?: Side;
  cloth?: ClothView | null;
  /** What it shows; without one it is an ornament. */
  label?: string;
  /** Its size as a share of the drawing, about the middle of its upper edge. */
  scale?: number;
  /** The full size stands behind it, dashed. */
  ghost?: boolean;
  children?: ReactNode;
} & Omit<SVGProps<SVGSVGElement>, 'id' | 'ref'>) {
  const d = drawingFacts(id);
  return (
    <Sheet
      viewBox={`0 0 100 ${d.height}`}
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
      {...rest}
      style={{
        ...(cloth ? { '--drawn': cloth.hex, '--drawn-ink': inkOn(cloth.hex) } : {}),
        ...rest.style,
      }}
    >
      {ghost && <Halves d={d.half} className="was" />}
      <g {...(scale === 1 ? {} : { transform: `translate(${50 - 50 * scale} 0) scale(${scale})` })}>
        <Halves d={d.half} className="contour" />
        {cloth && cloth.texture !== 'plain' && (
          <g style={{ color: inkOn(cloth.hex) }} fill={`url(#cloth-${cloth.texture})`} opacity={0.6}>
            <path d={d.half} />
            <path d={d.half} transform={mirror} />
          </g>
        )}
        <Halves d={d[side]} className="seams" />
        {side === 'front' && d.once !== '' && <path d={d.once} className="seams once" />}
      </g>
      {children}
    </Sheet>
  );
}

/** A piece as it lies on a drying place: stretched into the room it takes. */
export function Laid({ cloth, id }: { cloth: ClothView; id: DrawingId }) {
  return (
    <Drawing id={id} cloth={cloth} preserveAspectRatio="none" width="100%" height="100%" style={{ height: '100%' }} />
  );
}
