/** The search for columns and its bounds against every subset written out. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyGarment, anyHousehold, everydayGarment, household } from '../../testing/arbitrary.ts';
import { basketOf } from '../../price/basket.ts';
import { deferralCost } from '../../price/price.ts';
import { profileOf } from '../../piece/profile.ts';
import { ColumnFinder } from './column-finder.ts';
import { Modes } from '../bounds/modes.ts';
import { KindLoads, kindsOf } from '../kinds.ts';
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
const leastReduced = (inst: Instance, pricer: Pricer, worth: Float64Array): number =>
  Math.min(
    0,
    ...subsets(inst.items.length).map(
      (set) => pricer.cost(piecesOf(inst.items, set)) - set.reduce((s, i) => s + (worth[i] as number), 0),
    ),
  );

/** Some of the pieces twice or three times. */
const repeated = fc
  .array(fc.tuple(washable, fc.integer({ min: 1, max: 3 })), { minLength: 1, maxLength: 4 })
  .map((kinds) => kinds.flatMap(([g, n]) => Array.from({ length: n }, () => g)).slice(0, 7))
  .filter((gs) => gs.length > 1);

describe('columns', () => {
  test('the best one found is the best of all subsets, when the search was exact', () =>
    fc.assert(
      fc.property(list, worths, anyHousehold, (gs, ws, home) => {
        const { inst, pricer } = instanceOf(gs, home);
        const worth = Float64Array.from(gs, (_, i) => ws[i] as number);
        const found = new ColumnFinder(Modes.of(inst), kindsOf(inst)).find(worth, 1e6);
        const least = leastReduced(inst, pricer, worth);
        expect(found.exact).toBe(true);
        expect(found.leastReduced).toBeCloseTo(least, 6);
        for (const c of found.columns)
          expect(c.cost).toBeGreaterThanOrEqual(pricer.cost(piecesOf(inst.items, c.items)) - 1e-9);
      }),
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
          const found = new ColumnFinder(Modes.of(inst), kindsOf(inst)).find(worth, 1e6);
          expect(found.exact).toBe(true);
          expect(found.leastReduced).toBeCloseTo(leastReduced(inst, pricer, worth), 6);
        },
      ),
      { numRuns: 120 },
    ));
  test('cut off early, its bound is still below the best', () =>
    fc.assert(
      fc.property(list, worths, fc.integer({ min: 1, max: 20 }), (gs, ws, nodesPerMode) => {
        const { inst, pricer } = instanceOf(gs);
        const worth = Float64Array.from(gs, (_, i) => ws[i] as number);
        const found = new ColumnFinder(Modes.of(inst), kindsOf(inst)).find(worth, nodesPerMode);
        expect(found.leastReduced).toBeLessThanOrEqual(leastReduced(inst, pricer, worth) + 1e-6);
      }),
      { numRuns: 120 },
    ));
  test('L9: all loads below a reduced cost, at what they cost, or none where they are too many', () =>
    fc.assert(
      fc.property(
        repeated,
        worths,
        fc.double({ min: -1, max: 3, noNaN: true }),
        anyHousehold,
        (gs, ws, limit, home) => {
          const { inst, pricer } = instanceOf(gs, home);
          const worth = new KindLoads(inst, pricer).worthOfItems(Float64Array.from(ws));
          const known = new KindLoads(inst, pricer);
          const byKinds = new Map<string, number>();
          for (const items of subsets(inst.items.length)) {
            const cost = pricer.cost(piecesOf(inst.items, items));
            if (cost - items.reduce((t, i) => t + (worth[i] as number), 0) < limit)
              byKinds.set(known.kindsOf(items).join(), cost);
          }
          const all = [...byKinds].map(([key, cost]) => ({ key, cost }));
          const finder = new ColumnFinder(Modes.of(inst), kindsOf(inst));
          const found = finder.allWithin(worth, limit, { columns: 1_000, visited: 1e6 }) ?? [];
          const costs = new Map(found.map(({ items, cost }) => [known.kindsOf(items).join(), cost]));
          expect(costs.size).toBe(found.length);
          expect([...costs.keys()].sort()).toEqual(all.map(({ key }) => key).sort());
          for (const { key, cost } of all) expect(costs.get(key)).toBeCloseTo(cost, 9);
          if (all.length > 1) {
            expect(finder.allWithin(worth, limit, { columns: all.length - 1, visited: 1e6 })).toBeNull();
            expect(finder.allWithin(worth, limit, { columns: 1_000, visited: 1 })).toBeNull();
            expect(finder.allWithin(worth, limit, { columns: 1_000, visited: 4_097 }, () => true)).toBeNull();
            expect(finder.allWithin(worth, limit, { columns: 1_000, visited: 4_097 }, () => false)).not.toBeNull();
          }
        },
      ),
      { numRuns: 80 },
    ));
});
