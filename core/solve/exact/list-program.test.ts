/** The best division into loads of a list against every division tried out, and its rule of three. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { garment, household } from '../../testing/arbitrary.ts';
import { basketOf } from '../../price/basket.ts';
import { makeInstance, type Division, type Instance } from '../instance.ts';
import { ListedLoads, type PooledLoad } from './listed-loads.ts';
import { ListProgram } from './list-program.ts';
import { brokenTriples, holdsTwo } from './triples.ts';

const n = 6;
const basket = basketOf(
  Array.from({ length: n }, (_, i) => garment(`g${i}`)),
  household,
);
const instanceOf = (waitCosts: readonly number[]): Instance =>
  makeInstance(
    basket,
    waitCosts.map((waitCost, p) => ({ pieces: [p], waitCost })),
  );
const loadsOf = (costs: readonly (number | null)[]): PooledLoad[] =>
  costs.flatMap((cost, k) =>
    cost === null ? [] : [{ items: Array.from({ length: n }, (_, i) => i).filter((i) => ((k + 1) >> i) & 1), cost }],
  );
/** Least cost of all divisions into some of the loads, by trying each load for the first item that is left. */
function least(loads: readonly PooledLoad[], waitCosts: readonly number[], done = 0): number {
  const first = Array.from({ length: n }, (_, i) => i).find((i) => !((done >> i) & 1));
  if (first === undefined) return 0;
  let best = (waitCosts[first] as number) + least(loads, waitCosts, done | (1 << first));
  for (const { items, cost } of loads) {
    if (items[0] !== first && !items.includes(first)) continue;
    if (items.some((i) => (done >> i) & 1)) continue;
    best = Math.min(
      best,
      cost +
        least(
          loads,
          waitCosts,
          items.reduce((bits, i) => bits | (1 << i), done),
        ),
    );
  }
  return best;
}
const waitingAll = ({ items }: Instance): Division => ({
  loads: [],
  waiting: items.map((_, i) => i),
  cost: items.reduce((t, { waitCost }) => t + waitCost, 0),
});
const nothing = new Float64Array(n);

describe('the best division into loads of a list', () => {
  const price = fc.double({ min: 0.5, max: 4, noNaN: true });
  const costs = fc.array(fc.option(price, { freq: 2 }), { minLength: 2 ** n - 1, maxLength: 2 ** n - 1 });
  const waits = fc.array(fc.double({ min: 0.5, max: 3, noNaN: true }), { minLength: n, maxLength: n });
  test('is the best of all divisions, and proven', () =>
    fc.assert(
      fc.property(costs, waits, (prices, waitCosts) => {
        const inst = instanceOf(waitCosts);
        const loads = loadsOf(prices);
        const program = new ListProgram(new ListedLoads(loads, n), inst, waitingAll(inst));
        const { division, lowerBound } = program.run(1_000, nothing, 0);
        const optimum = least(loads, waitCosts);
        expect(division.cost).toBeCloseTo(optimum, 6);
        expect(lowerBound).toBeCloseTo(optimum, 5);
        expect([...division.loads.flat(), ...division.waiting].sort((x, y) => x - y)).toEqual([0, 1, 2, 3, 4, 5]);
        const washed = division.loads.reduce(
          (t, items) => t + Math.min(...loads.filter((load) => load.items.join() === items.join()).map((x) => x.cost)),
          0,
        );
        expect(division.waiting.reduce((t, i) => t + (waitCosts[i] as number), washed)).toBeCloseTo(division.cost, 9);
      }),
      { numRuns: 150 },
    ));
  test('also where pairs cost the same and nothing may wait', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom(null, 2, 2.5, 3), { minLength: 63, maxLength: 63 }), (prices) => {
        const waitCosts = Array.from({ length: n }, () => Infinity);
        const loads = loadsOf(prices);
        const optimum = least(loads, waitCosts);
        const inst = instanceOf(waitCosts);
        const start = { ...waitingAll(inst), cost: 100 };
        const { division, lowerBound } = new ListProgram(new ListedLoads(loads, n), inst, start).run(1_000, nothing, 0);
        expect(division.cost).toBeCloseTo(Math.min(optimum, 100), 6);
        expect(lowerBound).toBeCloseTo(Math.min(optimum, 100), 5);
      }),
      { numRuns: 100 },
    ));
  test('left early, its bound is still below the best; told, it stops', () =>
    fc.assert(
      fc.property(costs, waits, (prices, waitCosts) => {
        const inst = instanceOf(waitCosts);
        const loads = loadsOf(prices);
        const optimum = least(loads, waitCosts);
        const program = new ListProgram(new ListedLoads(loads, n), inst, waitingAll(inst));
        let told = 0;
        program.onBound = (lowerBound, cost) => {
          told++;
          expect(lowerBound).toBeLessThanOrEqual(optimum + 1e-6);
          expect(cost).toBeGreaterThanOrEqual(optimum - 1e-9);
          return true;
        };
        const { lowerBound } = program.run(1_000, nothing, 0);
        expect(told).toBe(1);
        expect(lowerBound).toBeLessThanOrEqual(optimum + 1e-6);
        const none = new ListProgram(new ListedLoads(loads, n), inst, waitingAll(inst)).run(0, nothing, 0);
        expect(none.lowerBound).toBe(0);
      }),
      { numRuns: 40 },
    ));
});

describe('L18: of three items, one load holds two or more', () => {
  const pairs = [
    { items: [0, 1], cost: 2 },
    { items: [1, 2], cost: 2 },
    { items: [0, 2], cost: 2 },
  ];
  test('half of each pair of three breaks the rule; a division never does', () => {
    const list = new ListedLoads(pairs, n);
    const halves = [0, 1, 2].map((load) => ({ load, share: 0.5 }));
    expect(brokenTriples(list, halves, n, 9)).toEqual([[0, 1, 2]]);
    expect(brokenTriples(list, halves, n, 0)).toEqual([]);
    expect(brokenTriples(list, [{ load: 0, share: 1 }], n, 9)).toEqual([]);
    expect([0, 1, 2].map((load) => holdsTwo(list, load, [0, 1, 2]))).toEqual([1, 1, 1]);
    expect([0, 1, 2].map((load) => holdsTwo(list, load, [0, 1, 3]))).toEqual([1, 0, 0]);
  });
  test('with it the first branch is enough where halves would do', () => {
    // Every pair for 2, each of three by itself for 1.5: halves cost 3, the best division 3.5.
    const loads = [...pairs, ...[0, 1, 2].map((i) => ({ items: [i], cost: 1.5 }))];
    const waitCosts = [Infinity, Infinity, Infinity, 0, 0, 0];
    const inst = instanceOf(waitCosts);
    const start = { loads: [[0], [1], [2]], waiting: [3, 4, 5], cost: 4.5 };
    const { division, lowerBound } = new ListProgram(new ListedLoads(loads, n), inst, start).run(1, nothing, 0);
    expect(division.cost).toBeCloseTo(3.5, 9);
    expect(lowerBound).toBeCloseTo(3.5, 5);
  });
  test('loads as bits hold what they hold, beyond one word too', () => {
    const list = new ListedLoads([{ items: [3, 31, 32, 64], cost: 7 }], 70);
    expect([3, 30, 31, 32, 33, 64, 69].map((i) => list.holds(0, i))).toEqual([1, 0, 1, 1, 0, 1, 0]);
    expect(list.itemsOf(0)).toEqual([3, 31, 32, 64]);
    expect(
      list.reducedCost(
        0,
        Float64Array.from({ length: 70 }, (_, i) => i / 100),
      ),
    ).toBeCloseTo(5.7, 9);
  });
});
