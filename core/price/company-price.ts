/**
 * What the company in a load costs beyond washing: uses side by side, greying, soil that wanders, strangers in a programme, linen that wanted heat,
 * bleach that was missed, sets divided, a drum nearly empty. From the sums of `Features`, so that a set is priced in a few steps.
 */
import { judgement, usePriceOf } from '../cost/judgement.ts';
import type { ProgrammeFamily } from '../model/household.ts';
import { linenHeatC } from '../piece/demand.ts';
import type { Basket } from './basket.ts';
import type { Features } from './features.ts';
import type { Setting } from './settings.ts';

const warmC = 40;
/** Extra cleaning deficit per unit of heat need, below 60 °C. */
export const coldDeficit = (temperatureC: number): number =>
  temperatureC >= linenHeatC ? 0 : temperatureC >= warmC ? judgement.heat.at40 : judgement.heat.below40;

/** Pieces of another family in a general programme; special programmes take none. */
export function strangersIn(f: Strangers, family: ProgrammeFamily): number {
  switch (family) {
    case 'cotton':
    case 'hygiene':
      return f.strangerInCotton;
    case 'synthetics':
      return f.strangerInSynthetics;
    case 'delicate':
      return f.strangerInDelicate;
    case 'quick':
      return f.strangerInQuick;
    case 'wool':
    case 'hand-wash':
    case 'silk':
    case 'shirts':
    case 'denim':
    case 'sports':
    case 'rinse-spin':
      return 0;
  }
}
type Strangers = Pick<Features, 'strangerInCotton' | 'strangerInSynthetics' | 'strangerInDelicate' | 'strangerInQuick'>;

/** Mass of darker pieces from which pale ones grey in full, kg. */
export const fullGreyKg = (s: Setting): number =>
  s.method === 'hand' ? judgement.greying.fullByHandKg : judgement.greying.fullDrumShare * s.programme.maxLoadKg;

/** Greying of the pale pieces of a set, EUR. */
export const greyingOf = (f: Pick<Features, 'greyEur' | 'greyKg'>, s: Setting): number =>
  f.greyEur * Math.min(1, f.greyKg / fullGreyKg(s));
/** Soil of the heavily soiled on the rest of a set, EUR. */
export const resoilingOf = (f: Pick<Features, 'soilEur' | 'soilKg'>): number =>
  f.soilEur * Math.min(1, f.soilKg / judgement.resoiling.fullFromKg);

/** What the darker and dirtier pieces of a set do to one more piece at least, EUR, when it joins them. */
export const companyHarm = (
  f: Pick<Features, 'greyKg' | 'soilKg'>,
  joining: Pick<Features, 'greyEur' | 'soilEur'>,
  s: Setting,
): number =>
  joining.greyEur * Math.min(1, f.greyKg / fullGreyKg(s)) +
  joining.soilEur * Math.min(1, f.soilKg / judgement.resoiling.fullFromKg);

/** What never falls when a piece is added, EUR: greying, soil, uses side by side. */
export const companyPrice = (f: Features, s: Setting, fill: number): number =>
  greyingOf(f, s) + resoilingOf(f) + usePriceOf(f.uses, s.temperatureC, fill);

/** What a drum costs for being nearly empty, EUR; it falls as a load grows. */
export const emptyDrumPrice = (s: Setting, fill: number): number => {
  const { most, belowFill } = judgement.emptyDrum;
  return s.method === 'machine' ? (most * Math.max(0, belowFill - fill)) / belowFill : 0;
};

/** What a load pays for the sets it holds a part of, EUR: each divided set costs so much per further load. */
export function dividedSetsPrice(b: Basket, pieces: readonly number[]): number {
  if (b.setSizes.length === 0) return 0;
  const { setOf, setSizes, setHeld: held } = b;
  for (const i of pieces) {
    const set = setOf[i] as number;
    if (set >= 0) held[set] = (held[set] as number) + 1;
  }
  let price = 0;
  for (const i of pieces) {
    const set = setOf[i] as number;
    if (set < 0 || held[set] === 0) continue;
    price += judgement.setDivided * (1 - (held[set] as number) / (setSizes[set] as number));
    held[set] = 0;
  }
  return price;
}
