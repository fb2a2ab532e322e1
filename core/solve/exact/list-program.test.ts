/** The best division into loads of a list against every division tried out, and its rule on halves. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { brokenRules, countOf, undecided, type Kind, type Limit } from './limits.ts';
import { ListedLoads, type PooledLoad } from './listed-loads.ts';
import { ListProgram, type KindDivision } from './list-program.ts';
import type { Counted } from './list-relaxation.ts';

const listOf = (loads: readonly PooledLoad[], kinds: number): ListedLoads => new ListedLoads(loads, kinds);
/** Least cost of all divisions of what is left, by trying each load for the first kind of which something is left. */
function least(loads: readonly PooledLoad[], waitCosts: readonly number[], left: readonly number[]): number {
  const first = left.findIndex((n) => n > 0);
  if (first < 0) return 0;
  const without = (kinds: readonly number[]): number[] =>
    left.map((n, k) => n - kinds.filter((kind) => kind === k).length);
  let best = (waitCosts[first] as number) + least(loads, waitCosts, without([first]));
  for (const { kinds, cost } of loads) {
    const rest = without(kinds);
    if (kinds.includes(first) && rest.every((n) => n >= 0)) best = Math.min(best, cost + least(loads, waitCosts, rest));
  }
  return best;
}
const waitingAll = ({ counts, waitCosts }: Counted): KindDivision => ({
  loads: [],
  cost: counts.reduce((t, n, k) => t + n * (waitCosts[k] as number), 0),
});
/** What a division really costs. */
const costOf = ({ loads }: KindDivision, all: readonly PooledLoad[], { counts, waitCosts }: Counted): number => {
  const left = counts.map((n, k) => n - loads.flat().filter((kind) => kind === k).length);
  expect(Math.min(...left)).toBeGreaterThanOrEqual(0);
  return (
    loads.reduce(
      (t, kinds) => t + Math.min(...all.filter((l) => l.kinds.join() === kinds.join()).map((l) => l.cost)),
      0,
    ) + left.reduce((t, n, k) => t + (n === 0 ? 0 : n * (waitCosts[k] as number)), 0)
  );
};
const price = fc.double({ min: 0.5, max: 4, noNaN: true });

describe('the best division into loads of a list', () => {
  const n = 6;
  const sets = Array.from({ length: 2 ** n - 1 }, (_, k) =>
    Array.from({ length: n }, (__, i) => i).filter((i) => ((k + 1) >> i) & 1),
  );
  const costs = fc.array(fc.option(price, { freq: 2 }), { minLength: sets.length, maxLength: sets.length });
  const loadsOf = (prices: readonly (number | null)[]): PooledLoad[] =>
    prices.flatMap((cost, x) => (cost === null ? [] : [{ kinds: sets[x] as number[], cost }]));
  const singly = Array.from({ length: n }, () => 1);
  const waits = fc.array(fc.double({ min: 0.5, max: 3, noNaN: true }), { minLength: n, maxLength: n });
  const check = (loads: readonly PooledLoad[], counted: Counted, start = waitingAll(counted)): void => {
    const program = new ListProgram(listOf(loads, counted.counts.length), counted, start);
    const { division, lowerBound } = program.run(
      { branches: 2_000, looks: 1e6 },
      new Float64Array(counted.counts.length),
      0,
    );
    const optimum = Math.min(start.cost, least(loads, counted.waitCosts, counted.counts));
    expect(division.cost).toBeCloseTo(optimum, 6);
    expect(lowerBound).toBeCloseTo(optimum, 5);
    if (division !== start) expect(costOf(division, loads, counted)).toBeCloseTo(division.cost, 9);
  };

  test('is the best of all divisions, and proven', () =>
    fc.assert(
      fc.property(costs, waits, (prices, waitCosts) => check(loadsOf(prices), { counts: singly, waitCosts })),
      { numRuns: 150 },
    ));
  test('also where many cost the same and nothing may wait', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom(null, 2, 2.5, 3), { minLength: 63, maxLength: 63 }), (prices) => {
        const waitCosts = singly.map(() => Infinity);
        check(loadsOf(prices), { counts: singly, waitCosts }, { loads: [], cost: 100 });
      }),
      { numRuns: 100 },
    ));
  test('also of kinds of which there are several', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 1, maxLength: 4 }), price), {
          minLength: 3,
          maxLength: 25,
          selector: ([kinds]) => [...kinds].sort().join(),
        }),
        fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 4, maxLength: 4 }),
        fc.array(fc.double({ min: 0.5, max: 3, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (drawn, counts, waitCosts) =>
          check(
            drawn.map(([kinds, cost]) => ({ kinds: [...kinds].sort(), cost })),
            { counts, waitCosts },
          ),
      ),
      { numRuns: 200 },
    ));
  test('left early, its bound is still below the best; told, it stops', () =>
    fc.assert(
      fc.property(costs, waits, (prices, waitCosts) => {
        const counted = { counts: singly, waitCosts };
        const loads = loadsOf(prices);
        const optimum = least(loads, waitCosts, singly);
        const program = new ListProgram(listOf(loads, n), counted, waitingAll(counted));
        let told = 0;
        program.onBound = (lowerBound, cost) => {
          told++;
          expect(lowerBound).toBeLessThanOrEqual(optimum + 1e-6);
          expect(cost).toBeGreaterThanOrEqual(optimum - 1e-9);
          return true;
        };
        const { lowerBound } = program.run({ branches: 1_000, looks: 1e6 }, new Float64Array(n), 0);
        expect(told).toBe(1);
        expect(lowerBound).toBeLessThanOrEqual(optimum + 1e-6);
        const none = new ListProgram(listOf(loads, n), counted, waitingAll(counted)).run(
          { branches: 0, looks: 1e6 },
          new Float64Array(n),
          0,
        );
        expect(none.lowerBound).toBe(0);
        const few = new ListProgram(listOf(loads, n), counted, waitingAll(counted));
        expect(few.run({ branches: 9, looks: -1 }, new Float64Array(n), 0).lowerBound).toBe(0);
      }),
      { numRuns: 40 },
    ));
});

describe('L18: halves of three kinds, rounded down, and threes of items', () => {
  const pairs = [
    { kinds: [0, 1], cost: 2 },
    { kinds: [1, 2], cost: 2 },
    { kinds: [0, 2], cost: 2 },
  ];
  const singles = [0, 1, 2].map((k) => ({ kinds: [k], cost: 1.5 }));
  const nobody = { waitCosts: [Infinity, Infinity, Infinity] };
  test('half of each pair of three breaks the rule; a division never does', () => {
    const list = listOf(pairs, 3);
    const halves = [0, 1, 2].map((load) => ({ load, share: 0.5 }));
    const rule: Limit = { sense: 'most', side: 1, halves: [0, 1, 2] };
    expect(brokenRules(list, halves, [1, 1, 1], 9)).toEqual([rule]);
    expect(brokenRules(list, halves, [1, 1, 1], 0)).toEqual([]);
    expect(brokenRules(list, [{ load: 0, share: 1 }], [1, 1, 1], 9)).toEqual([]);
    expect([0, 1, 2].map((load) => countOf(list, load, rule))).toEqual([1, 1, 1]);
  });
  test('of an even number nothing is rounded; of one kind the rule holds by itself', () => {
    const list = listOf(
      [
        { kinds: [0, 0], cost: 2 },
        { kinds: [0, 0, 0, 1], cost: 2 },
      ],
      2,
    );
    const rule: Limit = { sense: 'most', side: 1, halves: [0] };
    expect([0, 1].map((load) => countOf(list, load, rule))).toEqual([1, 1]);
    const three = { kind: 0, count: 3 };
    const alike: Limit = { sense: 'most', side: 1, threes: [three, three, three] };
    expect(brokenRules(list, [{ load: 0, share: 1.5 }], [3, 2], 9)).toEqual([rule, alike]);
    expect(brokenRules(list, [{ load: 0, share: 1.5 }], [4, 2], 9)).toEqual([]);
  });
  test('threes that hold two are counted as if the items were told apart', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 0, max: 4 })), {
          minLength: 3,
          maxLength: 3,
        }),
        fc.constantFrom([0, 1, 2] as const, [0, 0, 1] as const, [0, 1, 1] as const, [1, 1, 1] as const),
        (drawn, named) => {
          const counts = drawn.map(([count]) => count);
          const times = drawn.map(([count, held]) => Math.min(count, held));
          const kinds = times.flatMap((n, k) => Array.from({ length: n }, () => k));
          const three = named.map((kind) => ({ kind, count: counts[kind] as number }));
          const limit: Limit = { sense: 'most', side: 0, threes: three as [Kind, Kind, Kind] };
          const items = counts.flatMap((n, kind) =>
            Array.from({ length: n }, (_, x) => ({ kind, held: x < (times[kind] as number) })),
          );
          let held = 0;
          items.forEach((a, x) =>
            items.slice(x + 1).forEach((b, y) =>
              items.slice(x + y + 2).forEach((c) => {
                const isOne = [a, b, c].map(({ kind }) => kind).join() === named.join();
                if (isOne && [a, b, c].filter((item) => item.held).length >= 2) held++;
              }),
            ),
          );
          expect(countOf(listOf([{ kinds, cost: 1 }], 3), 0, limit)).toBe(held);
        },
      ),
      { numRuns: 300 },
    ));
  test('twins break the rule on threes where halves of an even number do not', () => {
    // Two of one kind, one each of two others; three loads half.
    const list = listOf(
      [
        { kinds: [0, 1], cost: 2 },
        { kinds: [0, 2], cost: 2 },
        { kinds: [1, 2], cost: 2 },
      ],
      3,
    );
    const used = [
      { load: 0, share: 0.6 },
      { load: 1, share: 0.6 },
      { load: 2, share: 0.6 },
    ];
    const counted = (count: number) => ({ kind: 0, count });
    const [rule, ...others] = brokenRules(list, used, [2, 1, 1], 9);
    expect(rule).toEqual({
      sense: 'most',
      side: 2,
      threes: [counted(2), { kind: 1, count: 1 }, { kind: 2, count: 1 }],
    });
    expect([others, [0, 1, 2].map((load) => countOf(list, load, rule as Limit))]).toEqual([[], [1, 1, 2]]);
  });
  test('with it the first branch is enough where halves would do', () => {
    // Every pair for 2, each of three by itself for 1.5: halves cost 3, the best division 3.5.
    const counted = { counts: [1, 1, 1], ...nobody };
    const start = { loads: [[0], [1], [2]], cost: 4.5 };
    const program = new ListProgram(listOf([...pairs, ...singles], 3), counted, start);
    const { division, lowerBound } = program.run({ branches: 1, looks: 1e6 }, new Float64Array(3), 0);
    expect([division.cost, division.loads.length]).toEqual([3.5, 2]);
    expect(lowerBound).toBeCloseTo(3.5, 5);
  });
});

describe('what is undecided', () => {
  const list = listOf(
    [
      { kinds: [0, 1], cost: 2 },
      { kinds: [0, 0, 2], cost: 2 },
      { kinds: [1, 2], cost: 2 },
    ],
    3,
  );
  test('how many loads there are, then how many hold a pair, then how many so many of a kind', () => {
    const use = (...shares: number[]) => shares.map((share, load) => ({ load, share }));
    expect(undecided(list, use(0.5, 0.5, 0.5), 1e-3)).toEqual({ holding: [], count: 1.5 });
    const pair = undecided(list, use(0.5, 0.25, 0.25), 1e-3);
    expect(pair).toEqual({
      holding: [
        { kind: 0, times: 1 },
        { kind: 1, times: 1 },
      ],
      count: 0.5,
    });
    const same = listOf(
      [
        { kinds: [0, 0], cost: 1 },
        { kinds: [0], cost: 1 },
      ],
      1,
    );
    expect(undecided(same, use(0.5, 0.5), 1e-3)).toEqual({ holding: [{ kind: 0, times: 2 }], count: 0.5 });
    expect(undecided(list, use(1, 2, 0), 1e-3)).toBeNull();
  });
  test('loads in numbers hold what they hold', () => {
    expect([0, 1, 2].map((kind) => list.timesOf(1, kind))).toEqual([2, 0, 1]);
    expect(list.kindsOf(1)).toEqual([0, 0, 2]);
    expect(list.reducedCost(1, Float64Array.from([0.5, 9, 0.25]))).toBeCloseTo(0.75, 9);
  });
});
