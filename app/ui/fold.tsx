/**
 * The fold: every piece is drawn the same way everywhere, as a folded cloth seen from its edge: round at the fold, cut at the other side,
 * in its ground colour, with a texture for its construction and its print or trim as a band.
 */
import type { CSSProperties, ReactNode } from 'react';
import { css, styled } from 'styled-components';

export type Texture = 'woven' | 'knit' | 'chunky' | 'terry' | 'lace' | 'pile' | 'denim' | 'plain';
export interface ClothView {
  hex: string;
  bands: readonly string[];
  texture: Texture;
  bulk: number;
}

/** Ink that reads on a cloth colour (WCAG relative luminance). */
export function inkOn(hex: string): string {
  const channel = (at: number): number => {
    const c = parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  const luminance = 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5);
  return luminance > 0.19 ? '#141a2e' : '#fdfbf6';
}

// prettier-ignore
const weave: Record<Texture, { size: [number, number]; mark: ReactNode } | null> = {
  plain: null,
  woven: { size: [4, 4], mark: <path d="M0 1h4M1 0v4" strokeWidth=".5" opacity=".26" /> },
  knit: { size: [6, 5], mark: <path d="M0 1l3 3l3-3" strokeWidth=".8" opacity=".3" /> },
  chunky: { size: [12, 10], mark: <path d="M0 1l6 6l6-6" strokeWidth="1.7" opacity=".3" /> },
  terry: { size: [5, 5], mark: <path d="M1 2.2a.9.9 0 0 1 1.6 0M3.4 4.6a.9.9 0 0 1 1.6 0" strokeWidth=".8" opacity=".42" /> },
  pile: { size: [4, 7], mark: <path d="M1 0v7M3 0v7" strokeWidth="1" opacity=".22" /> },
  denim: { size: [5, 5], mark: <path d="M-1 6L6-1M-1 1L1-1M4 6L6 4" strokeWidth=".8" opacity=".34" /> },
  lace: { size: [9, 9], mark: <path d="M4.5 1.6a2.9 2.9 0 1 1 0 5.8a2.9 2.9 0 1 1 0-5.8M0 0h.1M9 9h.1" strokeWidth=".9" opacity=".42" /> },
};

/** The patterns, once per page. */
export function ClothPatterns() {
  return (
    <svg width="0" height="0" style={{ position: 'absolute' }} aria-hidden="true" focusable="false">
      <defs>
        {(Object.keys(weave) as Texture[]).map((id) => {
          const w = weave[id];
          return (
            w && (
              <pattern
                key={id}
                id={`cloth-${id}`}
                width={w.size[0]}
                height={w.size[1]}
                patternUnits="userSpaceOnUse"
                stroke="currentColor"
                fill="none"
                strokeLinecap="round"
              >
                {w.mark}
              </pattern>
            )
          );
        })}
      </defs>
    </svg>
  );
}

const cloth = css`
  position: relative;
  display: flex;
  align-items: center;
  color: var(--cloth-ink);
  background: var(--cloth);
  overflow: hidden;
  isolation: isolate;
  flex: none;
  print-color-adjust: exact;
  -webkit-print-color-adjust: exact;
  box-shadow: inset 0 0 0 1px var(--cloth-edge);
  > svg {
    position: absolute;
    inset: 0;
    z-index: -2;
  }
`;
const FoldBox = styled.span<{ $height: number; $banded: boolean }>`
  ${cloth} width: 100%;
  min-height: ${(p) => p.$height}px;
  padding: 0 ${(p) => (p.$banded ? '1.9rem' : '0.6rem')} 0 1rem;
  border-radius: ${(p) => Math.min(22, p.$height / 2)}px 2px 2px ${(p) => Math.min(22, p.$height / 2)}px;
  /* the cut edges of the layers at the open side */
  clip-path: polygon(
    0 0,
    calc(100% - 5px) 0,
    calc(100% - 5px) 32%,
    100% 32%,
    100% 66%,
    calc(100% - 3px) 66%,
    calc(100% - 3px) 100%,
    0 100%
  );
`;
/** Inner layers: lines that turn round at the fold. */
const Turn = styled.span<{ $inset: number }>`
  position: absolute;
  z-index: -1;
  left: ${(p) => 3 + p.$inset * 2.2}px;
  right: -4px;
  top: ${(p) => 22 + p.$inset * 14}%;
  bottom: ${(p) => 22 + p.$inset * 14}%;
  border: 1px solid currentcolor;
  border-right: 0;
  border-radius: 99px 0 0 99px;
  opacity: 0.22;
  pointer-events: none;
`;
const Band = styled.span`
  position: absolute;
  z-index: -1;
  top: 0;
  bottom: 0;
  width: 6px;
  box-shadow: 0 0 0 0.5px var(--cloth-edge);
  print-color-adjust: exact;
  -webkit-print-color-adjust: exact;
`;
/** A halo in the cloth's own colour keeps the name readable on a texture. */
const Name = styled.span<{ $lines: number }>`
  font-weight: 590;
  font-size: 0.86rem;
  line-height: 1.2;
  min-width: 0;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: ${(p) => p.$lines};
  overflow: hidden;
  overflow-wrap: anywhere;
  text-shadow:
    0 0 2px var(--cloth),
    0 0 3px var(--cloth),
    0 0 4px var(--cloth),
    0 0 5px var(--cloth),
    0 0 6px var(--cloth);
`;
const SwatchBox = styled.span<{ $size: number }>`
  ${cloth} display: inline-flex;
  width: ${(p) => p.$size * 1.55}px;
  height: ${(p) => p.$size}px;
  border-radius: ${(p) => p.$size / 2}px 2px 2px ${(p) => p.$size / 2}px;
  vertical-align: middle;
  clip-path: polygon(0 0, 94% 0, 94% 34%, 100% 34%, 100% 68%, 97% 68%, 97% 100%, 0 100%);
`;

const clothStyle = (c: ClothView): CSSProperties =>
  ({ '--cloth': c.hex, '--cloth-ink': inkOn(c.hex) }) as CSSProperties;
function Surface({ cloth: c, bandAt }: { cloth: ClothView; bandAt: number }) {
  return (
    <>
      {c.texture !== 'plain' && (
        <svg width="100%" height="100%" aria-hidden="true">
          <rect width="100%" height="100%" fill={`url(#cloth-${c.texture})`} />
        </svg>
      )}
      {c.bands.slice(0, 2).map((hex, i) => (
        <Band key={hex} style={{ background: hex, right: bandAt + i * 9 }} />
      ))}
    </>
  );
}

/** Height in px that stands for a piece's bulk (litres in the drum), so that stacks compare. */
export const foldHeight = (bulkL: number): number => Math.round(Math.max(30, Math.min(58, 24 + bulkL * 5.5)));

/** Height of a line of a name, px. */
const linePx = 17;

export function Fold({ cloth: c, name, height }: { cloth: ClothView; name: ReactNode; height?: number }) {
  const h = height ?? foldHeight(c.bulk);
  return (
    <FoldBox $height={h} $banded={c.bands.length > 0} style={clothStyle(c)}>
      <Surface cloth={c} bandAt={13} />
      <Turn $inset={0} />
      {h > 38 && <Turn $inset={1} />}
      <Name $lines={Math.max(1, Math.floor(h / linePx))}>{name}</Name>
    </FoldBox>
  );
}

const HungBox = styled.span`
  ${cloth} width: 100%;
  height: 100%;
  align-items: flex-start;
  padding: 0.15rem 0.45rem;
  border-radius: 7px 7px 2px 2px;
`;
/** A piece over a bar: round where it is folded over, cut below. */
export function Hung({ cloth: c, name, tucks = 0 }: { cloth: ClothView; name: ReactNode; tucks?: number }) {
  return (
    <HungBox style={clothStyle(c)}>
      <Surface cloth={c} bandAt={6} />
      {Array.from({ length: tucks }, (_, i) => (
        <Tuck key={i} style={{ top: `${(100 * (i + 1)) / (tucks + 1)}%` }} />
      ))}
      <Name $lines={tucks + 1}>{name}</Name>
    </HungBox>
  );
}
/** Where it goes over the next bar. */
const Tuck = styled.i`
  position: absolute;
  z-index: -1;
  left: 0;
  right: 0;
  border-top: 1.5px solid currentcolor;
  opacity: 0.35;
`;
/** The small form that stands wherever a piece is named. */
export function Swatch({ cloth: c, size = 22 }: { cloth: ClothView; size?: number }) {
  return (
    <SwatchBox $size={size} style={clothStyle(c)} aria-hidden="true">
      <Surface cloth={c} bandAt={5} />
      <Turn $inset={0} />
    </SwatchBox>
  );
}
