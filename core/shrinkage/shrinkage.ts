/** Shrinkage: relaxation of every cloth, felting of wool, both in sequence (engineering estimates; exponential relaxation). */

/** Per cent length and width that relax at most, share kept per wash, felting factor, and how far it may be stretched back. */
export const shrinkClasses = {
  'cotton-jersey-raw': { length: 8, width: 5, keep: 0.4, felting: 0, stretch: 5 },
  'cotton-jersey-preshrunk': { length: 3, width: 2, keep: 0.4, felting: 0, stretch: 5 },
  'cotton-woven-raw': { length: 6, width: 3, keep: 0.35, felting: 0, stretch: 2 },
  'cotton-woven-sanforized': { length: 1.5, width: 1, keep: 0.35, felting: 0, stretch: 2 },
  'denim-raw': { length: 10, width: 5, keep: 0.3, felting: 0, stretch: 3 },
  'denim-sanforized': { length: 2.5, width: 1.5, keep: 0.35, felting: 0, stretch: 3 },
  terry: { length: 8, width: 4, keep: 0.45, felting: 0, stretch: 3 },
  linen: { length: 5, width: 3, keep: 0.4, felting: 0, stretch: 2 },
  'viscose-woven': { length: 6, width: 4, keep: 0.45, felting: 0, stretch: 2 },
  'viscose-knit': { length: 7, width: 5, keep: 0.45, felting: 0, stretch: 3 },
  'wool-knit': { length: 4, width: 3, keep: 0.45, felting: 0.35, stretch: 5 },
  'wool-superwash': { length: 3, width: 2, keep: 0.45, felting: 0.03, stretch: 5 },
  'cashmere-knit': { length: 4, width: 3, keep: 0.45, felting: 0.4, stretch: 5 },
  'mohair-alpaca-knit': { length: 3, width: 3, keep: 0.45, felting: 0.25, stretch: 5 },
  'wool-woven': { length: 3, width: 2, keep: 0.45, felting: 0.12, stretch: 2 },
  'silk-woven': { length: 3, width: 2, keep: 0.4, felting: 0, stretch: 2 },
  polyester: { length: 0.8, width: 0.5, keep: 0.5, felting: 0, stretch: 1 },
  nylon: { length: 1, width: 0.8, keep: 0.5, felting: 0, stretch: 1 },
  'acrylic-knit': { length: 2, width: 1.5, keep: 0.45, felting: 0, stretch: 3 },
  polycotton: { length: 2, width: 1.5, keep: 0.4, felting: 0, stretch: 3 },
} as const satisfies Record<string, { length: number; width: number; keep: number; felting: number; stretch: number }>;
export type ShrinkClass = keyof typeof shrinkClasses;

/** Movement of a wash, as felting and fading feel it. */
export const agitationShare = {
  soak: 0.01,
  'wool-programme': 0.04,
  'hand-wash': 0.06,
  delicate: 0.25,
  synthetics: 0.6,
  cotton: 1,
} as const;
export type Agitation = keyof typeof agitationShare;
const dryingFactor = { flat: 0.85, line: 0.85, 'tumble-low': 1, 'tumble-hot': 1.2 } as const;
export type DryingHeat = keyof typeof dryingFactor;
const feltingByHeat: Record<DryingHeat, number> = { flat: 0, line: 0, 'tumble-low': 0.5, 'tumble-hot': 1 };

export interface WashEvent {
  temperatureC: number;
  agitation: Agitation;
  drying: DryingHeat;
  minutes: number;
  times: number;
  insideOut: boolean;
}
const repeated = (washes: readonly WashEvent[]): WashEvent[] =>
  washes.flatMap((w) => Array.from({ length: w.times }, () => w));

/** Per cent lost between two measures of the same place; negative = grown. */
export const shrinkPercent = (before: number, after: number): number => (100 * (before - after)) / before;

/** Accumulated relaxation, per cent. No wash reduces it. */
export function relaxationPercent(
  cls: ShrinkClass,
  dimension: 'length' | 'width',
  washes: readonly WashEvent[],
): number {
  const c = shrinkClasses[cls];
  return repeated(washes).reduce(
    (u, w) =>
      u + (1 - c.keep) * Math.max(0, c[dimension] * (0.55 + 0.0075 * w.temperatureC) * dryingFactor[w.drying] - u),
    0,
  );
}
/** Accumulated felting, per cent: heat × movement × time, at most 35. */
export function feltingPercent(cls: ShrinkClass, washes: readonly WashEvent[]): number {
  const { felting } = shrinkClasses[cls];
  const sum = repeated(washes).reduce(
    (f, w) =>
      f +
      (felting * agitationShare[w.agitation] * 2 ** ((w.temperatureC - 40) / 10) * w.minutes) / 30 +
      felting * feltingByHeat[w.drying],
    0,
  );
  return 35 * (1 - Math.exp(-sum));
}
export const totalShrinkPercent = (
  cls: ShrinkClass,
  dimension: 'length' | 'width',
  washes: readonly WashEvent[],
): number =>
  100 * (1 - (1 - relaxationPercent(cls, dimension, washes) / 100) * (1 - feltingPercent(cls, washes) / 100));
/** How far a damp piece may be stretched back: not past the measure before, nor past the limit of its construction. */
export const stretchTarget = (before: number, after: number, stretchPercent: number): number =>
  Math.min(before, after * (1 + stretchPercent / 100));
