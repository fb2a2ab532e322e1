/** What an integer-programming library is shown, and what is made of its answer. */
import { describe, expect, test } from '@jest/globals';
import { betterPartition, type KnownLoads } from './partition.ts';

const pair = { kinds: [0, 1], cost: 5 };
const known: KnownLoads = {
  counts: [2, 1],
  waitCosts: [Infinity, 3],
  loads: [{ kinds: [0], cost: 4 }, { kinds: [0, 0], cost: 6 }, pair],
  worth: Float64Array.from([3, 2]),
  bound: 8,
  best: [[0, 0]],
};

describe('the loads shown', () => {
  test('are those nearer to their worth than the open gap, and always those of the best division', () => {
    let shown: readonly { kinds: readonly number[] }[] = [];
    // Above their worth: 1, 0 and 0; the gap is half a euro, or none.
    betterPartition(known, 8.5, ({ loads }) => {
      shown = loads;
      return null;
    });
    expect(shown.map((load) => load.kinds)).toEqual([
      [0, 0],
      [0, 1],
    ]);
    betterPartition(known, 8, ({ loads }) => {
      shown = loads;
      return null;
    });
    expect(shown.map((load) => load.kinds)).toEqual([[0, 0]]);
  });
  test('are ten for each kind, the cheapest above their worth, beside the best division', () => {
    const many = Array.from({ length: 100 }, () => ({ kinds: [1], cost: 0 }));
    let shown: readonly { kinds: readonly number[] }[] = [];
    betterPartition({ ...known, loads: [...many, { kinds: [0, 0], cost: 5_000 }], bound: -1e3 }, 1e3, ({ loads }) => {
      shown = loads;
      return null;
    });
    expect(shown.at(-1)?.kinds).toEqual([0, 0]);
    expect(shown).toHaveLength(20 + 1);
  });
});

describe('the answer', () => {
  test('is each load as often as it is washed; what may wait may be left out', () => {
    expect(betterPartition(known, 10, ({ loads }) => loads.map((l) => (l.cost === 6 ? 1 : 0)))).toEqual([[0, 0]]);
    expect(betterPartition(known, 10, ({ loads }) => loads.map((l) => (l.kinds.length === 1 ? 2 : 0)))).toEqual([
      [0],
      [0],
    ]);
  });
  test('is none where something is washed too often, or left out that may not wait', () => {
    expect(betterPartition(known, 10, ({ loads }) => loads.map(() => 1))).toBeNull();
    expect(betterPartition(known, 10, ({ loads }) => loads.map((l) => (l === pair ? 1 : 0)))).toBeNull();
    expect(betterPartition(known, 10, () => null)).toBeNull();
  });
});
