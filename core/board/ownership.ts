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

/** Washes a piece stands until it is worn out, and the years nothing outlives a wardrobe by (estimates). */
const washesOfALife = 100;
const mostYears = 10;

export interface OwnedYear {
  /** How long it lasts at this pace. */
  years: number;
  /** Its price spread over them, and its care. */
  perYear: number;
  perWear: number;
}
/**
 * What a piece costs in a year of its life: its price spread over the years its washes leave it, and its care.
 * @example yearOfOwning({ cleansPerYear: 20, perYear: 6 }, 50, 40) // { years: 5, perYear: 16, perWear: 0.4 }
 */
export function yearOfOwning(
  care: Pick<CareOfYear, 'cleansPerYear' | 'perYear'>,
  price: number,
  wearsPerYear: number,
): OwnedYear {
  const years = Math.min(mostYears, Math.max(1, washesOfALife / Math.max(1, care.cleansPerYear ?? 1)));
  const perYear = price / years + (care.perYear ?? 0);
  return { years, perYear, perWear: wearsPerYear > 0 ? perYear / wearsPerYear : perYear };
}
