/** Before buying: whether a piece would find company in the loads a household has, or need one of its own. */
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { basketOf } from '../price/basket.ts';
import { priceLoad } from '../price/price.ts';

export interface Company {
  /** The load it joins for least; null = it is washed alone, or not at all. */
  joins: number | null;
  /** What it adds there, and what it costs alone, EUR of the plan; null = it cannot be washed so. */
  extra: number | null;
  alone: number | null;
}

/**
 * `loads` = the pieces of each load as the household washes them.
 * @example companyOf(redDress, [whites, darks], household) // { joins: null, extra: null, alone: 1.8 }
 */
export function companyOf(piece: Garment, loads: readonly (readonly Garment[])[], household: Household): Company {
  const priceOf = (set: readonly Garment[]): number | null => {
    const b = basketOf(set, household);
    const price = priceLoad(
      b,
      set.map((_, i) => i),
    );
    return price.feasible ? price.cost : null;
  };
  const alone = priceOf([piece]);
  let joins: number | null = null;
  let extra: number | null = null;
  for (const [k, load] of loads.entries()) {
    const together = priceOf([...load, piece]);
    const before = together === null ? null : priceOf(load);
    if (together === null || before === null) continue;
    const more = together - before;
    if (extra === null || more < extra) [joins, extra] = [k, more];
  }
  const better = extra !== null && (alone === null || extra < alone);
  return { joins: better ? joins : null, extra: better ? extra : null, alone };
}
