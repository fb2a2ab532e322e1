/** Small baskets whose every set is written out: what bounds are held against. */
import fc from 'fast-check';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { profileOf } from '../piece/profile.ts';
import { basketOf, type Basket } from '../price/basket.ts';
import { deferralCost } from '../price/price.ts';
import { makeInstance, piecesOf, Pricer, type Instance } from '../solve/instance.ts';
import { anyGarment, everydayGarment, household } from './arbitrary.ts';

/** A basket of garments under names of their own. */
export const namedBasket = (gs: readonly Garment[], home: Household = household): Basket =>
  basketOf(
    gs.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
    home,
  );
/** Each piece an item of its own that may wait. */
export const instanceOf = (b: Basket): Instance =>
  makeInstance(
    b,
    b.pieces.map((_, i) => ({ pieces: [i], waitCost: deferralCost(b, i) })),
  );
/** Every set of n items but the empty one. */
export const subsets = (n: number): number[][] =>
  Array.from({ length: 2 ** n - 1 }, (_, k) =>
    Array.from({ length: n }, (__, i) => i).filter((i) => ((k + 1) >> i) & 1),
  );
/** How much the set that is worth most is worth above its real cost; at most 0 for valid worths. */
export function excess(inst: Instance, worth: Float64Array): number {
  const pricer = new Pricer(inst.basket);
  return Math.max(
    ...subsets(inst.items.length).map(
      (set) => set.reduce((s, i) => s + (worth[i] as number), 0) - pricer.cost(piecesOf(inst.items, set)),
    ),
  );
}
const closed = anyGarment.filter((g) => profileOf(g, household.rules).closure === null);
/** Garments that water may touch, by themselves and as a basket. */
export const washable = fc.oneof(closed, everydayGarment);
export const mixedBasket = fc.array(washable, { minLength: 2, maxLength: 7 });
