/** What a piece costs to keep: its washes in a year at this household, or its bills at the cleaner's. For the moment before buying. */
import { loadConstants } from '../cost/weights.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { wearsAllowedOf } from '../piece/verdict.ts';
import { basketOf } from '../price/basket.ts';
import { pricesBySetting, shareOfUsualLoad } from '../price/price.ts';
import { loadFacts, type LoadFacts } from '../plan/plan.ts';

export interface CareOfYear {
  /** null when the kind is judged by soil, not by wears. */
  cleansPerYear: number | null;
  perClean: number;
  perYear: number | null;
  by: 'home' | 'professional' | 'none';
  /** How one piece would run, in the cheapest way it bears. */
  setting: LoadFacts | null;
}

const weeks = 52;

/** `wearsPerWeek` of 8 hours. A piece that no water may touch pays the cleaner; one that nothing here can wash pays too. */
export function careOfYear(garment: Garment, household: Household, wearsPerWeek: number): CareOfYear {
  const b = basketOf([garment], household);
  const profile = b.profiles[0];
  const allowed = wearsAllowedOf(garment);
  const cleansPerYear = allowed === null ? null : (weeks * wearsPerWeek) / allowed;
  const [best] = pricesBySetting(b, [0]);
  if (!best || profile?.closure) {
    const perClean = loadConstants.professionalEur;
    return {
      cleansPerYear,
      perClean,
      perYear: cleansPerYear === null ? null : cleansPerYear * perClean,
      by: profile?.closure?.kind === 'hide' ? 'none' : 'professional',
      setting: null,
    };
  }
  const perClean = shareOfUsualLoad(b, 0);
  return {
    cleansPerYear,
    perClean,
    perYear: cleansPerYear === null ? null : cleansPerYear * perClean,
    by: 'home',
    setting: loadFacts(best),
  };
}
