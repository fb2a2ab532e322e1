/** Is it dry? Thick places last, hot cloth feels drier than it is, and a kitchen scale knows better. */
import { equilibriumMoisture } from '../drying/drying.ts';
import type { TraitId } from '../construction/traits.ts';
import { kindFacts } from '../garment/kinds.ts';
import type { Profile } from '../piece/profile.ts';

/** Where a piece is damp longest, in the order of feeling. */
export const thickPlaces = [
  'waistband',
  'pockets',
  'seams',
  'collar-cuffs',
  'underarms',
  'cups',
  'hems',
  'middle',
  'fold',
  'toes',
] as const;
export type ThickPlace = (typeof thickPlaces)[number];

export function thickPlacesOf(p: Profile): ThickPlace[] {
  const k = kindFacts(p.garment.kind);
  const has = (...ids: readonly TraitId[]): boolean => ids.some((id) => p.garment.traits.has(id));
  const found = new Set<ThickPlace>();
  if (k.outline === 'trousers') found.add('waistband');
  if (k.flags.has('pockets')) found.add('pockets');
  if (k.outline === 'top' || k.outline === 'dress') found.add('seams').add('underarms');
  if (k.wearGroup === 'shirt' || k.wearGroup === 'blouse') found.add('collar-cuffs');
  if (has('moulded-cups', 'padded') || k.wearGroup === 'bra') found.add('cups');
  if (k.outline === 'flat') found.add('hems').add('fold');
  if (has('down', 'padded', 'quilted')) found.add('middle');
  if (k.flags.has('small') && k.wearGroup === 'socks') found.add('toes');
  if (found.size === 0) found.add('middle');
  return thickPlaces.filter((x) => found.has(x));
}

/** Felt damp, a thick place still holds so much more than dry cloth, kg/kg. */
const dampHolds = 0.08;
/** What a piece that was felt damp holds at least, whatever the estimate says. */
export const feltDampMoisture = (p: Profile, humidity: number, estimate: number): number =>
  Math.max(estimate, equilibriumMoisture(p.fibre, humidity) + dampHolds);

/** Packed away it may hold so much more than the air gives it, kg/kg. */
const packedAbove = 0.02;
const airTarget = 0.02;
/** Two weighings this far apart that differ by less than this say: it loses no more. */
export const weighAgainMin = 45;
const steadyShare = 0.005;

export type ScaleVerdict =
  | { verdict: 'dry' | 'damp'; moisture: number }
  /** The dry mass is only an estimate: a second weighing tells. */
  | { verdict: 'weigh-again'; moisture: number };

/**
 * What a scale says. `massG` of all pieces of the entry as they lie on it; `before` = the last weighing, if there was one.
 * @example scaleVerdict(tee, 300, 0.5, null) // { verdict: 'damp', moisture: 0.86 }
 */
export function scaleVerdict(
  p: Profile,
  massG: number,
  humidity: number,
  before: { massG: number; minutesAgo: number } | null,
): ScaleVerdict {
  const dryG = p.massKg * 1000;
  const moisture = massG / dryG - 1;
  const dryAt = equilibriumMoisture(p.fibre, humidity) + airTarget + packedAbove;
  if (before && before.minutesAgo >= weighAgainMin && before.massG - massG <= steadyShare * before.massG)
    return { verdict: 'dry', moisture: Math.max(0, moisture) };
  if (p.garment.weighedDryMassG !== null)
    return { verdict: moisture <= dryAt ? 'dry' : 'damp', moisture: Math.max(0, moisture) };
  // Far wetter than any error of the estimate.
  if (moisture > dryAt + estimateError) return { verdict: 'damp', moisture };
  return { verdict: 'weigh-again', moisture: Math.max(0, moisture) };
}
/** Estimated masses are within so much of the truth. */
const estimateError = 0.25;
