/** Colour of cloth: sRGB swatches to CIELAB (D65) and the classes that sorting uses. */
import { formatHex, modeLab65, modeRgb, parseHex, useMode as defineMode } from 'culori/fn';
import type { Colour } from '../model/garment.ts';

const toLab = defineMode(modeLab65);
const toRgb = defineMode(modeRgb);

export interface Lab {
  lightness: number;
  a: number;
  b: number;
}
export type ColourClass = 'white' | 'light' | 'mid' | 'bright' | 'dark' | 'black';

/** CIELAB of `#rrggbb`. */
export function labOf(hex: string): Lab {
  const rgb = parseHex(hex);
  const lab = toLab(rgb);
  return { lightness: lab?.l ?? 50, a: lab?.a ?? 0, b: lab?.b ?? 0 };
}

export const chroma = (lab: Lab): number => Math.hypot(lab.a, lab.b);
/** Hue angle in degrees, 0–360. Neutrals (chroma ≤ 5) have no hue for a match. */
export const hueDegrees = (lab: Lab): number => ((Math.atan2(lab.b, lab.a) * 180) / Math.PI + 360) % 360;
export const isNeutral = (lab: Lab): boolean => chroma(lab) <= 5;
/** CIE 1976 colour difference. */
export const deltaE = (p: Lab, q: Lab): number => Math.hypot(p.lightness - q.lightness, p.a - q.a, p.b - q.b);

/** Colour class by lightness and chroma (engineering thresholds). */
export function colourClass(lab: Lab): ColourClass {
  const c = chroma(lab);
  if (lab.lightness >= 90 && c <= 8) return 'white';
  if (lab.lightness >= 70 && c <= 40) return 'light';
  if (lab.lightness < 25 && c <= 12) return 'black';
  if (lab.lightness < 45) return 'dark';
  if (c > 40 && lab.lightness >= 70) return 'bright';
  return 'mid';
}

/** Strong reds and oranges below L 75: the usual suspects for loose dye. */
export function redFlag(lab: Lab): boolean {
  const h = hueDegrees(lab);
  return chroma(lab) > 35 && (h <= 50 || h >= 340) && lab.lightness < 75;
}

export interface ColourFacts {
  /** Lightest ground: how the piece receives and sorts. */
  ground: Lab;
  class: ColourClass;
  /** Strongest colour of the piece (largest distance from white), and how much of the piece it covers. */
  strongest: Lab;
  strongestClass: ColourClass;
  strongestShare: number;
  red: boolean;
  /** A dark or strong print or trim on a light ground. */
  contrast: boolean;
}

const white: Lab = { lightness: 100, a: 0, b: 0 };
/** A print or trim gives with this share of its piece. */
const decorationShare = 0.2;

export function colourFacts(colours: readonly Colour[]): ColourFacts {
  const labs = colours.map((c) => ({ role: c.role, lab: labOf(c.hex) }));
  const grounds = labs.filter((c) => c.role === 'ground');
  const ground = grounds.reduce(
    (best, c) => (c.lab.lightness > best.lightness ? c.lab : best),
    grounds[0]?.lab ?? white,
  );
  const strongest = labs.reduce(
    (best, c) => (deltaE(c.lab, white) > deltaE(best.lab, white) ? c : best),
    labs[0] ?? { role: 'ground' as const, lab: white },
  );
  const groundClass = colourClass(ground);
  const lightGround = groundClass === 'white' || groundClass === 'light';
  const strongestClass = colourClass(strongest.lab);
  return {
    ground,
    class: groundClass,
    strongest: strongest.lab,
    strongestClass,
    strongestShare: strongest.role === 'ground' ? 1 : decorationShare,
    red: labs.some((c) => redFlag(c.lab)),
    contrast:
      lightGround &&
      labs.some(
        (c) => c.role !== 'ground' && (['dark', 'black', 'bright'].includes(colourClass(c.lab)) || redFlag(c.lab)),
      ),
  };
}

/** Red, pink or brick: hue 340–50°, chroma over 20. */
export const isReddish = (lab: Lab): boolean => {
  const h = hueDegrees(lab);
  return chroma(lab) > 20 && (h <= 50 || h >= 340);
};
const veryDarkUpTo = 30;

/**
 * Its own colour: same class and hue within 30°, or both very dark (L ≤ 30) unless only one of them is red. A piece is judged by its strongest colour: a
 * white shirt with a navy collar is no white one before it is tested.
 */
export function ownColour(p: ColourFacts, q: ColourFacts): boolean {
  const [a, b] = [p.strongest, q.strongest];
  if (a.lightness <= veryDarkUpTo && b.lightness <= veryDarkUpTo) return isReddish(a) === isReddish(b);
  if (p.strongestClass !== q.strongestClass) return false;
  const [na, nb] = [isNeutral(a), isNeutral(b)];
  if (na || nb) return na && nb;
  const d = Math.abs(hueDegrees(a) - hueDegrees(b));
  return Math.min(d, 360 - d) <= 30;
}

/** A colour moved towards another by a CIELAB difference: what a tinted cloth would look like. Not past the other. */
export function tintedHex(hex: string, towards: string, dE: number): string {
  const from = labOf(hex);
  const to = labOf(towards);
  const distance = deltaE(from, to);
  if (distance === 0 || dE <= 0) return hex;
  const t = Math.min(1, dE / distance);
  const mix = (a: number, b: number): number => a + (b - a) * t;
  return (
    formatHex(
      toRgb({ mode: 'lab65', l: mix(from.lightness, to.lightness), a: mix(from.a, to.a), b: mix(from.b, to.b) }),
    ) ?? hex
  );
}

/**
 * A colour made lighter or darker by so many L* of CIELAB, its hue kept; it pales as far as a screen needs to show it.
 * @example shaded('#2e5fa3', -22) // a dark blue
 */
export function shaded(hex: string, lightness: number): string {
  const lab = toLab(parseHex(hex));
  if (!lab) return hex;
  const l = Math.min(97, Math.max(6, lab.l + lightness));
  const shows = (x: number): boolean => x >= -0.002 && x <= 1.002;
  let rgb = toRgb({ ...lab, l });
  for (let share = 0.95; share > 0 && ![rgb.r, rgb.g, rgb.b].every(shows); share -= 0.05)
    rgb = toRgb({ ...lab, l, a: lab.a * share, b: lab.b * share });
  const unit = (x: number): number => Math.min(1, Math.max(0, x));
  return formatHex({ ...rgb, r: unit(rgb.r), g: unit(rgb.g), b: unit(rgb.b) });
}
