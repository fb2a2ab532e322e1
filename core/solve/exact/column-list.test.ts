import { describe, expect, test } from '@jest/globals';
import { garment, household } from '../../testing/arbitrary.ts';
import { basketOf } from '../../price/basket.ts';
import { ColumnList, seenFrom } from './column-list.ts';
import { makeInstance } from '../instance.ts';
import { RestrictedMaster } from '../simplex.ts';

const b = basketOf(
  ['a', 'b', 'c', 'd'].map((id) => garment(id)),
  household,
);
const whole = makeInstance(
  b,
  [0, 1, 2, 3].map((p) => ({ pieces: [p], waitCost: 5 })),
);
const branch = makeInstance(
  b,
  [
    { pieces: [0, 1], waitCost: Infinity },
    { pieces: [2], waitCost: 5 },
    { pieces: [3], waitCost: 5 },
  ],
  [[1, 2]],
);
const groups = [[0, 1], [2], [3]];
const groupOf = [0, 0, 1, 2];

describe('a list of loads', () => {
  test('as a branch sees them: groups whole, forbidden pairs apart', () => {
    expect(seenFrom(branch, groups, groupOf, [0, 1, 2])).toEqual([0, 1]);
    expect(seenFrom(branch, groups, groupOf, [0, 2])).toBeNull();
    expect(seenFrom(branch, groups, groupOf, [2, 3])).toBeNull();
    expect(seenFrom(branch, groups, groupOf, [3])).toEqual([2]);
  });
  test('hands over what pays, the best first, and says what none can beat', () => {
    const list = new ColumnList([
      { items: [0, 1], cost: 3 },
      { items: [2], cost: 2 },
      { items: [0, 1, 2, 3], cost: 9 },
    ]);
    const worths = { worth: Float64Array.from([2, 2, 2.5, 3]), perLoad: 0 };
    const found = list.find(worths);
    expect(found.columns.map((c) => [c.items, c.reduced])).toEqual([
      [[0, 1], -1],
      [[2], -0.5],
      [[0, 1, 2, 3], -0.5],
    ]);
    expect([found.leastReduced, found.exact]).toEqual([-1, true]);
    expect(list.find({ ...worths, perLoad: -1 }).columns).toEqual([]);
    expect(list.nearest(worths, 1)).toEqual([{ items: [0, 1], cost: 3 }]);
  });
  test('branches hold fewer: pairs together, apart, and what costs too much above its worth', () => {
    const list = new ColumnList([
      { items: [0, 1], cost: 3 },
      { items: [1, 2], cost: 2 },
      { items: [0, 1, 2], cost: 4 },
      { items: [3], cost: 1 },
    ]);
    const all = { worth: new Float64Array(4), perLoad: -10 };
    const kept = (of: ColumnList): (readonly number[])[] => of.nearest(all, 9).map((c) => c.items);
    expect(kept(list.together([1, 2]))).toEqual([[3], [1, 2], [0, 1, 2]]);
    expect(kept(list.apart([1, 2]))).toEqual([[3], [0, 1]]);
    const worths = { worth: Float64Array.from([1, 1, 0.5, 0.25]), perLoad: 0.25 };
    expect(kept(list.within(worths, 0.75))).toEqual([[3], [1, 2], [0, 1]]);
    expect(kept(list.within(worths, 0.74))).toEqual([[3], [1, 2]]);
    expect(list.within(worths, 0.24).size).toBe(0);
  });
  test('the whole group is seen as it is', () =>
    expect(seenFrom(whole, [[0], [1], [2], [3]], [0, 1, 2, 3], [3, 1])).toEqual([1, 3]));
});

describe('a good start of the master', () => {
  test('loads that partition the rows are taken up at once, and change nothing of the answer', () => {
    const fill = (m: RestrictedMaster): number[] => [
      m.add({ rows: [0, 1], cost: 3 }),
      m.add({ rows: [2, 3], cost: 3 }),
      m.add({ rows: [0, 2], cost: 1 }),
      m.add({ rows: [1, 3], cost: 1 }),
      m.add({ rows: [0, 1, 2, 3], cost: 4 }),
    ];
    const cold = new RestrictedMaster([1, 1, 1, 1], 100);
    fill(cold);
    const warm = new RestrictedMaster([1, 1, 1, 1], 100);
    const [first, second] = fill(warm);
    warm.begin([first as number, second as number]);
    expect(
      warm
        .solution()
        .filter((x) => x.share > 0.5)
        .map((x) => x.index)
        .sort((x, y) => x - y),
    ).toEqual([first, second]);
    const sum = (pi: Float64Array): number => pi.reduce((s, x) => s + x, 0);
    expect(sum(warm.optimise())).toBeCloseTo(2, 5);
    expect(sum(cold.optimise())).toBeCloseTo(2, 5);
  });
});
