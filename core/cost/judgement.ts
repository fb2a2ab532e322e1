/**
 * What a careful launderer adds to the arithmetic, in EUR: company that does no harm but is not nice, greying, soil that wanders, linen that wants heat,
 * sets that are divided, a drum that is nearly empty, a wish put off. Estimates, tuned as one set; what they reach stands in `docs/model.md`.
 */
import { uses, type Use } from '../garment/kinds.ts';

// prettier-ignore
export const judgement = {
  /** Extra cleaning deficit of a piece that wants 60 °C, at 40 °C and below. */
  heat: { at40: 0.12, below40: 0.2 },
  /** Pale cloth among darker, times the weight of dye damage: share of its value at a full dose; by class and by use; the dose is full from this share of the drum, or these kg by hand. */
  greying: { shareOfValue: 0.1, light: 0.35, linen: 0.5, fullDrumShare: 0.07, fullByHandKg: 0.1, mostCounted: 2 },
  /** A white or undyed pale piece without the universal detergent it bears; brightness counts as cleanliness does, so this goes with λclean. */
  bleachLost: 0.5,
  /** Soil of heavily soiled clothes on what is cleaner: a piece, by what it is; full from this mass of givers. */
  resoiling: { perPiece: 0.4, robust: 0.4, fullFromKg: 0.3 },
  /** A set divided over loads, per further load. */
  setDivided: 0.6,
  /** A machine load below this fill costs up to so much more. */
  emptyDrum: { most: 1, belowFill: 0.35 },
  /** A piece of another family in a general programme. */
  stranger: 0.15,
  /** A piece that waits though it was put into the basket. */
  askedFor: 1.5,
} as const;

/** Dearer company of two uses in one load; the order of a pair does not matter. */
// prettier-ignore
const pairs: readonly (readonly [Use, Use, number])[] = [
  ['kitchen', 'workshop', 0], ['kitchen', 'towel', 0.3], ['towel', 'bed', 0.3],
  ['body', 'clothes', 1], ['kitchen', 'baby', 1], ['towel', 'baby', 1], ['bed', 'baby', 1],
  ['kitchen', 'bed', 2], ['towel', 'clothes', 2], ['bed', 'clothes', 2], ['baby', 'clothes', 2], ['workshop', 'clothes', 2],
  ['body', 'towel', 2.5], ['body', 'bed', 2],
  ['kitchen', 'clothes', 3], ['body', 'baby', 3], ['workshop', 'body', 3], ['workshop', 'towel', 3], ['workshop', 'bed', 3],
];
const otherPair = 2;
export const usePrice = (a: Use, b: Use): number =>
  a === b ? 0 : (pairs.find(([x, y]) => (x === a && y === b) || (x === b && y === a))?.[2] ?? otherPair);

/** From 60 °C these are one pile while the drum is at most half full, underwear beside bed linen excepted. */
const hotPile: readonly Use[] = ['body', 'towel', 'bed', 'baby'];
export const hotPileFromC = 60;
const leastHotPair = 0.3;
const inHotPile = (a: Use, b: Use): boolean =>
  hotPile.includes(a) && hotPile.includes(b) && !(a === 'body' && b === 'bed') && !(a === 'bed' && b === 'body');

export const useBit = (use: Use): number => 1 << uses.indexOf(use);
const usesOf = (mask: number): Use[] => uses.filter((u) => mask & useBit(u));

/** What the company of the uses in a set costs: at any temperature, and the pairs that heat makes one pile. */
export interface UsePrices {
  standing: number;
  hotPairs: number;
  hotCount: number;
}
/** Prices of every set of uses, by its mask. */
export const usePrices: readonly UsePrices[] = Array.from({ length: 1 << uses.length }, (_, mask) => {
  const out = { standing: 0, hotPairs: 0, hotCount: 0 };
  usesOf(mask).forEach((a, i, all) =>
    all.slice(i + 1).forEach((b) => {
      if (inHotPile(a, b)) {
        out.hotPairs += usePrice(a, b);
        out.hotCount += 1;
      } else out.standing += usePrice(a, b);
    }),
  );
  return out;
});

/**
 * Use price of a load, EUR: `mask` = its uses, `fill` 0–1. It never falls when a piece is added.
 * @example usePriceOf(useBit('body') | useBit('clothes'), 40, 0.8) // 1
 */
export function usePriceOf(mask: number, temperatureC: number, fill: number): number {
  const p = usePrices[mask];
  if (!p) return 0;
  if (temperatureC < hotPileFromC || p.hotCount === 0) return p.standing + p.hotPairs;
  const share = Math.min(1, Math.max(0, 2 * fill - 1));
  return p.standing + Math.max(p.hotPairs * share, leastHotPair * p.hotCount);
}
