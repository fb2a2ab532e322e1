/** The search for columns and its bounds against every subset written out. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyGarment, anyHousehold, everydayGarment, household } from '../../testing/arbitrary.ts';
import { basketOf } from '../../price/basket.ts';
import { deferralCost } from '../../price/price.ts';
import { profileOf } from '../../piece/profile.ts';
import { ColumnFinder } from './column-finder.ts';
import { Modes } from '../bounds/modes.ts';
import { makeInstance, piecesOf, Pricer, type Instance } from '../instance.ts';

const washable = anyGarment.filter((g) => profileOf(g, household.rules).closure === null);
function instanceOf(list: Parameters<typeof basketOf>[0], home = household): { inst: Instance; pricer: Pricer } {
  const b = basketOf(
    list.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
    home,
  );
  return {
    inst: makeInstance(
      b,
      list.map((_, i) => ({ pieces: [i], waitCost: deferralCost(b, i) })),
    ),
    pricer: new Pricer(b),
  };
}
const subsets = (n: number): number[][] =>
  Array.from({ length: 2 ** n - 1 }, (_, k) =>
    Array.from({ length: n }, (__, i) => i).filter((i) => ((k + 1) >> i) & 1),
  );
const list = fc.array(washable, { minLength: 2, maxLength: 7 });
/** What an item is worth, EUR: around the price of a share of a load. */
const worths = fc.array(fc.double({ min: 0, max: 3, noNaN: true }), { minLength: 7, maxLength: 7 });
const leastReduced = (inst: Instance, pricer: Pricer, worth: Float64Array, perLoad: number): number =>
  Math.min(
    0,
    ...subsets(inst.items.length).map(
      (set) => pricer.cost(piecesOf(inst.items, set)) - perLoad - set.reduce((s, i) => s + (worth[i] as number), 0),
    ),
  );

describe('columns', () => {
  test('the best one found is the best of all subsets, when the search was exact', () =>
    fc.assert(
      fc.property(
        list,
        worths,
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        anyHousehold,
        (gs, ws, perLoad, home) => {
          const { inst, pricer } = instanceOf(gs, home);
          const worth = Float64Array.from(gs, (_, i) => ws[i] as number);
          const found = new ColumnFinder(Modes.of(inst)).find(worth, perLoad, 1e6);
          const least = leastReduced(inst, pricer, worth, perLoad);
          expect(found.exact).toBe(true);
          expect(found.leastReduced).toBeCloseTo(least, 6);
          for (const c of found.columns)
            expect(c.cost).toBeGreaterThanOrEqual(pricer.cost(piecesOf(inst.items, c.items)) - 1e-9);
        },
      ),
      { numRuns: 200 },
    ));
  test('so it is where dyes, drums and products entangle the cost most', () =>
    fc.assert(
      fc.property(
        fc.array(everydayGarment, { minLength: 5, maxLength: 9 }),
        fc.array(fc.double({ min: 0.2, max: 2.5, noNaN: true }), { minLength: 9, maxLength: 9 }),
        anyHousehold,
        (gs, ws, home) => {
          const { inst, pricer } = instanceOf(gs, home);
          const worth = Float64Array.from(gs, (_, i) => ws[i] as number);
          const found = new ColumnFinder(Modes.of(inst)).find(worth, 0, 1e6);
          expect(found.exact).toBe(true);
          expect(found.leastReduced).toBeCloseTo(leastReduced(inst, pricer, worth, 0), 6);
        },
      ),
      { numRuns: 120 },
    ));
  test('cut off early, its bound is still below the best', () =>
    fc.assert(
      fc.property(list, worths, fc.integer({ min: 1, max: 20 }), (gs, ws, nodesPerMode) => {
        const { inst, pricer } = instanceOf(gs);
        const worth = Float64Array.from(gs, (_, i) => ws[i] as number);
        const found = new ColumnFinder(Modes.of(inst)).find(worth, 0, nodesPerMode);
        expect(found.leastReduced).toBeLessThanOrEqual(leastReduced(inst, pricer, worth, 0) + 1e-6);
      }),
      { numRuns: 120 },
    ));
  test('items that became one in a branch are priced as one', () =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 4, maxLength: 6 }), worths, (gs, ws) => {
        const { inst } = instanceOf(gs);
        const groups = [[0, 1], ...gs.slice(2).map((_, i) => [i + 2])];
        const merged = makeInstance(
          inst.basket,
          groups.map((g) => ({ pieces: g, waitCost: Infinity })),
        );
        const worth = Float64Array.from(groups, (_, i) => ws[i] as number);
        const effort = 1e6;
        const derived = new ColumnFinder(Modes.of(inst)).within(merged, groups).find(worth, 0, effort);
        expect(derived.leastReduced).toBeCloseTo(leastReduced(merged, new Pricer(inst.basket), worth, 0), 6);
      }),
      { numRuns: 30 },
    ));
});
