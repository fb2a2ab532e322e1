/** How much a piece really shrinks against what its cloth is expected to, and what is left of it, place by place. */
import { isMostlyWool } from '../fibre/blend.ts';
import type { MeasurePlace } from '../garment/measures.ts';
import type { Programme } from '../model/household.ts';
import { agitationOf } from '../shrinkage/agitation.ts';
import { shrinkClassOf } from '../shrinkage/classes.ts';
import { shrinkClasses, totalShrinkPercent, type WashEvent } from '../shrinkage/shrinkage.ts';
import type { Garment } from '../model/garment.ts';
import { clamp, sum } from '../units/numbers.ts';

/** Along the cloth, or across it. */
export const dimensionOf = (place: MeasurePlace): 'length' | 'width' =>
  place === 'chest' || place === 'waist' || place === 'thigh' || place === 'knee' || place === 'leg-opening'
    ? 'width'
    : 'length';

export interface ShrinkSeen {
  place: MeasurePlace;
  /** Per cent lost between the first measure and the newest; negative = grown. */
  lostPercent: number;
  /** What the washes between them were expected to take. */
  expectedPercent: number;
}
/** As much as so many per cent the book is believed: the hand that measures is half a centimetre out. */
const bookPercent = 2;
const mostShare = 2;

/**
 * Share of the expected shrinkage that this piece shows; null where nothing was expected yet.
 * @example learntShrinkShare([{ place: 'inseam', lostPercent: 1, expectedPercent: 4 }]) // 0.5
 */
export function learntShrinkShare(seen: readonly ShrinkSeen[]): number | null {
  const expected = sum(seen.map((s) => s.expectedPercent));
  if (expected < 1) return null;
  const lost = sum(seen.map((s) => Math.max(0, s.lostPercent)));
  return clamp((bookPercent + lost) / (bookPercent + expected), 0, mostShare);
}

/** Where nobody wrote a wash down: as cool and as long as most are (estimates). */
const usualWash = { temperatureC: 30, minutes: 30 } as const;
const mostTimes = 20;
/**
 * A wash of the past as shrinkage feels it; what nobody wrote down is taken as gentle as the piece asks.
 * @example pastWashEvent(jeans, { temperatureC: 40, programme: null, times: 1 }).agitation // 'synthetics'
 */
export const pastWashEvent = (
  g: Garment,
  wash: { temperatureC: number | null; programme: Programme | null; times: number },
): WashEvent => ({
  temperatureC: wash.temperatureC ?? usualWash.temperatureC,
  agitation: wash.programme ? agitationOf(wash.programme) : isMostlyWool(g.parts) ? 'wool-programme' : 'synthetics',
  drying: 'line',
  minutes: usualWash.minutes,
  times: Math.min(mostTimes, wash.times),
  insideOut: false,
});

/** What the washes of a piece were expected to take of a place, per cent. */
export const expectedShrinkPercent = (g: Garment, place: MeasurePlace, washes: readonly WashEvent[]): number =>
  totalShrinkPercent(shrinkClassOf(g), dimensionOf(place), washes);

/** What further gentle washes may still take of a place, per cent: the limit of the cloth as this piece shows it, less what is gone. */
export function shrinkLeftPercent(g: Garment, place: MeasurePlace, lostPercent: number, share: number): number {
  const most = shrinkClasses[shrinkClassOf(g)][dimensionOf(place)] * share;
  return Math.max(0, most - Math.max(0, lostPercent));
}
