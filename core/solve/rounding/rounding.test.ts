/** The relaxation over real loads and its rounding, against every set written out and on a basket too large for that. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyHousehold, everydayGarment } from '../../testing/arbitrary.ts';
import { instanceOf, namedBasket, subsets, washable } from '../../testing/sets.ts';
import { Modes } from '../bounds/modes.ts';
import { divideBySubsets } from '../exact/subsets.ts';
import { divisionOf, piecesOf, Pricer, type Division, type Instance } from '../instance.ts';
import { KindLoads } from '../kinds.ts';
import { Search } from '../search/search.ts';
import { Neighbours, reducedCost } from './neighbours.ts';
import { RealRelaxation } from './real-relaxation.ts';
import { Rounding } from './rounding.ts';

/** Up to three kinds of pieces, each up to three times. */
const repeated = fc
  .array(fc.tuple(washable, fc.integer({ min: 1, max: 3 })), { minLength: 1, maxLength: 3 })
  .map((kinds) => kinds.flatMap(([g, n]) => Array.from({ length: n }, () => g)));
/** Each item by itself, or put off where it cannot be washed. */
const oneByOne = (inst: Instance, pricer: Pricer): Division =>
  divisionOf(
    inst,
    pricer,
    inst.items.flatMap(({ pieces }, i) => (pricer.cost(pieces) < Infinity ? [[i]] : [])),
  );
const untouched = (division: Division): Division => division;
const whole = (division: Division): number[] => [...division.loads.flat(), ...division.waiting].sort((x, y) => x - y);
const all = (inst: Instance): number[] => inst.items.map((_, i) => i);

describe('neighbours of a load', () => {
  test('cost what they cost, pay at the worths, differ by one item, and want no more than is left', () =>
    fc.assert(
      fc.property(
        repeated,
        anyHousehold,
        fc.array(fc.double({ min: 0, max: 9, noNaN: true }), { minLength: 3, maxLength: 3 }),
        (gs, home, us) => {
          const inst = instanceOf(namedBasket(gs, home));
          const pricer = new Pricer(inst.basket);
          const known = new KindLoads(inst, pricer);
          const neighbours = new Neighbours(Modes.of(inst), known);
          const worth = Float64Array.from(known.kinds, (_, k) => us[k] as number);
          const left = known.counts.map((n) => Math.max(1, n - 1));
          for (const set of subsets(inst.items.length)) {
            const load = known.meet(known.kindsOf(set));
            const fits = (kinds: readonly number[]): boolean =>
              left.every((n, k) => kinds.filter((x) => x === k).length <= n);
            if (!load || !fits(load.kinds)) continue;
            for (const found of neighbours.around(load, left, worth)) {
              const [items = []] = known.sharedOut([found.kinds]);
              expect(found.cost).toBeCloseTo(pricer.cost(piecesOf(inst.items, items)), 9);
              expect(reducedCost(found, worth)).toBeLessThan(-1e-3);
              expect(fits(found.kinds)).toBe(true);
              const moved = known.kinds.map(
                (_, k) => found.kinds.filter((x) => x === k).length - load.kinds.filter((x) => x === k).length,
              );
              expect(moved.filter((x) => x > 0).reduce((t, x) => t + x, 0)).toBeLessThanOrEqual(1);
              expect(moved.filter((x) => x < 0).reduce((t, x) => t - x, 0)).toBeLessThanOrEqual(1);
            }
          }
        },
      ),
      { numRuns: 60 },
    ));
});

describe('the relaxation over real loads', () => {
  test('of all loads it is no more than the best division, and covers every kind as often as there are of it', () =>
    fc.assert(
      fc.property(repeated, anyHousehold, (gs, home) => {
        const inst = instanceOf(namedBasket(gs, home));
        const pricer = new Pricer(inst.basket);
        const known = new KindLoads(inst, pricer);
        for (const set of subsets(inst.items.length)) known.meet(known.kindsOf(set));
        const relaxation = new RealRelaxation(known, new Neighbours(Modes.of(inst), known));
        const loads = [...known.met.values()];
        const { used, value, worth } = relaxation.settle(known.counts, loads, 0, []);
        const best = divideBySubsets(inst, pricer);
        expect(value).toBeLessThanOrEqual(best.cost + 1e-4);
        for (const load of loads) expect(reducedCost(load, worth)).toBeGreaterThanOrEqual(-1e-6);
        known.counts.forEach((n, k) => {
          const covered = used.reduce((t, { load, share }) => t + share * load.kinds.filter((x) => x === k).length, 0);
          expect(covered).toBeLessThanOrEqual(n + 1e-3);
          if (known.waitCosts[k] === Infinity) expect(covered).toBeGreaterThanOrEqual(n - 1e-3);
        });
      }),
      { numRuns: 60 },
    ));
  test('asks for more loads only where that makes it cheaper', () =>
    fc.assert(
      fc.property(repeated, (gs) => {
        const inst = instanceOf(namedBasket(gs));
        const known = new KindLoads(inst, new Pricer(inst.basket));
        known.kinds.forEach((_, k) => known.meet([k]));
        const relaxation = new RealRelaxation(known, new Neighbours(Modes.of(inst), known));
        const first = [...known.met.values()];
        const alone = relaxation.settle(known.counts, [...first], 0, []).value;
        const loads = [...first];
        const settled = relaxation.settle(known.counts, loads, 20, []);
        expect(settled.value).toBeLessThanOrEqual(alone + 1e-4);
        expect(loads.length).toBeGreaterThanOrEqual(first.length);
      }),
      { numRuns: 40 },
    ));
});

describe('rounding', () => {
  test('never ends dearer than it began, washes or puts off every item once, and finds most small optima even from loads of one piece', () => {
    let same = 0;
    let baskets = 0;
    fc.assert(
      fc.property(repeated, (gs) => {
        const inst = instanceOf(namedBasket(gs));
        const pricer = new Pricer(inst.basket);
        const first = oneByOne(inst, pricer);
        const rounding = new Rounding(Modes.of(inst), pricer, new KindLoads(inst, pricer), untouched, first);
        rounding.run({ dives: 3, mends: 4 }, () => false);
        const { best } = rounding;
        const optimum = divideBySubsets(inst, pricer).cost;
        expect(best.cost).toBeLessThanOrEqual(first.cost + 1e-9);
        expect(best.cost).toBeGreaterThanOrEqual(optimum - 1e-9);
        expect(best.cost).toBeCloseTo(divisionOf(inst, pricer, best.loads).cost, 9);
        expect(whole(best)).toEqual(all(inst));
        baskets++;
        if (best.cost < optimum + 1e-6) same++;
      }),
      { numRuns: 40, seed: 3 },
    );
    expect(same / baskets).toBeGreaterThan(0.7);
  });

  const inst = instanceOf(namedBasket(fc.sample(everydayGarment, { numRuns: 80, seed: 5 })));
  const modes = Modes.of(inst);
  const pricer = new Pricer(inst.basket);
  const search = new Search(modes, pricer);
  const met: number[][] = [];
  search.onLoad = (items) => met.push([...items]);
  const first = search.start();
  const fresh = (): Rounding => {
    const known = new KindLoads(inst, pricer);
    for (const items of met) known.meet(known.kindsOf(items));
    return new Rounding(modes, pricer, known, (division, swaps) => search.polish(division, swaps), first);
  };
  test('makes a first division of 80 pieces cheaper, by the same basket always to the same one', () => {
    const [one, two] = [fresh(), fresh()];
    one.run({ dives: 2, mends: 3 }, () => false);
    two.run({ dives: 2, mends: 3 }, () => false);
    expect(one.best.cost).toBeLessThan(first.cost - 2);
    expect(two.best).toEqual(one.best);
    expect(whole(one.best)).toEqual(all(inst));
  });
  test('mends alone make it cheaper, too; after those in vain it ends by itself', () => {
    const rounding = fresh();
    let mends = 0;
    rounding.run({ dives: 0, mends: 10_000 }, () => {
      mends++;
      return false;
    });
    expect(rounding.best.cost).toBeLessThan(first.cost - 1);
    expect(rounding.best.cost).toBeCloseTo(divisionOf(inst, pricer, rounding.best.loads).cost, 9);
    expect(whole(rounding.best)).toEqual(all(inst));
    expect(mends).toBeGreaterThan(12);
    expect(mends).toBeLessThan(1_000);
  });
  test('stopped at once, it leaves the division as it was', () => {
    const stopped = fresh();
    stopped.run({ dives: 2, mends: 3 }, () => true);
    expect(stopped.best).toBe(first);
  });
  test('shows a library no loads but those that a better division may hold, and takes none that is no better', () => {
    const rounding = fresh();
    rounding.run({ dives: 1, mends: 0 }, () => false);
    const before = rounding.best;
    let shown = 0;
    rounding.partition(({ loads, counts }) => {
      shown = loads.length;
      expect(loads.every(({ kinds }) => kinds.every((k) => (counts[k] as number) > 0))).toBe(true);
      return null;
    });
    expect(shown).toBeGreaterThanOrEqual(before.loads.length);
    expect(rounding.best).toBe(before);
  });
});
