/** The simplex of the restricted master problem: known values, and random instances against a linear-programming library. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import loadHighs from 'highs';
import { RestrictedMaster, type Column } from './simplex.ts';

describe('known values', () => {
  test('a relaxation with a known value: three pairs of three items cost 1 each, so 1.5 in all', () => {
    const m = new RestrictedMaster([1, 1, 1], 100);
    for (const rows of [
      [0, 1],
      [1, 2],
      [0, 2],
    ])
      m.add({ rows, cost: 1 });
    const duals = m.optimise();
    expect(duals.reduce((s, x) => s + x, 0)).toBeCloseTo(1.5, 6);
    expect(m.solution().map((x) => Math.round(x.share * 100) / 100)).toEqual([0.5, 0.5, 0.5]);
  });
  test('the worked example of docs/solver.md: 7.5 relaxed, 9 in the branch with at least two loads', () => {
    const sets = [[0], [1], [2], [0, 1], [0, 2], [1, 2]];
    const cost = (set: number[]): number => (set.length === 1 ? 4 : 5);
    const relaxed = new RestrictedMaster([1, 1, 1], 100);
    for (const rows of sets) relaxed.add({ rows, cost: cost(rows) });
    expect([...relaxed.optimise()].map((x) => Math.round(x * 1000) / 1000)).toEqual([2.5, 2.5, 2.5]);
    const branch = new RestrictedMaster([1, 1, 1, 2], 100);
    for (const rows of sets) branch.add({ rows: [...rows, 3], cost: cost(rows) });
    branch.add({ rows: [], cost: 0, minusRow: 3 });
    const duals = branch.optimise();
    expect((duals[0] ?? 0) + (duals[1] ?? 0) + (duals[2] ?? 0) + 2 * (duals[3] ?? 0)).toBeCloseTo(9, 5);
  });
  test('a count row with its surplus', () => {
    const m = new RestrictedMaster([1, 1, 2], 100); // two items, at least two loads
    m.add({ rows: [0, 1, 2], cost: 1 });
    m.add({ rows: [0, 2], cost: 3 });
    m.add({ rows: [1, 2], cost: 3 });
    m.add({ rows: [], cost: 0, minusRow: 2 });
    const duals = m.optimise();
    expect((duals[0] ?? 0) + (duals[1] ?? 0) + 2 * (duals[2] ?? 0)).toBeCloseTo(6, 5);
  });
  test('a column that costs something else is taken for that from then on', () => {
    const m = new RestrictedMaster([1, 1], 100);
    const both = m.add({ rows: [0, 1], cost: 1 });
    m.add({ rows: [0], cost: 2 });
    m.add({ rows: [1], cost: 2 });
    const sum = (duals: Float64Array): number => duals.reduce((t, x) => t + x, 0);
    expect(sum(m.optimise())).toBeCloseTo(1, 5);
    m.reprice(both, 7);
    expect(sum(m.optimise())).toBeCloseTo(4, 5);
    m.reprice(both, 3);
    expect(sum(m.optimise())).toBeCloseTo(3, 5);
  });
});

const highs = await loadHighs();
const artificialCost = 1_000;
/** The same programme in the LP format: min c·x, every row covered exactly `right` times, artificial columns dear. */
function byLibrary(right: readonly number[], columns: readonly Column[]): number {
  const all = [...right.map((_, i): Column => ({ rows: [i], cost: artificialCost })), ...columns];
  const name = (k: number): string => `x${k}`;
  const rows = right.map((r, i) => {
    const terms = all.flatMap((c, k) => [
      ...(c.rows.includes(i) ? [`+ ${name(k)}`] : []),
      ...(c.minusRow === i ? [`- ${name(k)}`] : []),
    ]);
    return ` r${i}: ${terms.join(' ')} = ${r}`;
  });
  const text = [
    'Minimize',
    ` obj: ${all.map((c, k) => `+ ${c.cost} ${name(k)}`).join(' ')}`,
    'Subject To',
    ...rows,
    'End',
  ].join('\n');
  const solved = highs.solve(text);
  if (solved.Status !== 'Optimal') throw new Error(solved.Status);
  return solved.ObjectiveValue;
}

/** Items 0 … n−1, the last row counts loads; columns of one to five items. */
const instance = fc.integer({ min: 2, max: 14 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    leastLoads: fc.integer({ min: 1, max: 3 }),
    sets: fc.array(
      fc.record({
        items: fc.uniqueArray(fc.integer({ min: 0, max: n - 1 }), { minLength: 1, maxLength: 5 }),
        cost: fc.integer({ min: 1, max: 400 }).map((c) => c / 10),
      }),
      { minLength: 1, maxLength: 40 },
    ),
  }),
);

describe('random instances', () => {
  test('objective, duals and shares agree with the library', () =>
    fc.assert(
      fc.property(instance, ({ n, leastLoads, sets }) => {
        const right = [...Array.from({ length: n }, () => 1), leastLoads];
        const columns: Column[] = [
          ...sets.map(({ items, cost }) => ({ rows: [...items.sort((a, b) => a - b), n], cost })),
          { rows: [], cost: 0, minusRow: n }, // loads beyond the least
        ];
        const master = new RestrictedMaster(right, artificialCost);
        for (const c of columns) master.add(c);
        const duals = master.optimise();
        const expected = byLibrary(right, columns);
        const dualValue = right.reduce((s, r, i) => s + r * (duals[i] ?? 0), 0);
        expect(Math.abs(dualValue - expected)).toBeLessThan(1e-4 * Math.max(1, expected));
        // Dual feasible: no column costs less than its rows are worth.
        for (const { rows, cost, minusRow } of columns) {
          const worth =
            rows.reduce((s, r) => s + (duals[r] ?? 0), 0) - (minusRow === undefined ? 0 : (duals[minusRow] ?? 0));
          expect(worth).toBeLessThanOrEqual(cost + 1e-6);
        }
        // Primal feasible: every row is covered as often as it asks.
        const covered = Array.from({ length: n + 1 }, () => 0);
        for (const { column, share } of master.solution()) {
          for (const r of column.rows) covered[r] = (covered[r] ?? 0) + share;
          if (column.minusRow !== undefined) covered[column.minusRow] = (covered[column.minusRow] ?? 0) - share;
        }
        covered.forEach((c, i) => expect(c).toBeCloseTo(right[i] ?? 0, 3));
      }),
      { numRuns: 300 },
    ));
  test('begun with columns that share rows, and rows asked for several times, it ends where a cold start does', () =>
    fc.assert(
      fc.property(
        instance,
        fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 14, maxLength: 14 }),
        ({ n, sets }, counts) => {
          const right = counts.slice(0, n);
          const columns = sets.map(({ items, cost }): Column => ({ rows: items, cost }));
          const value = (begin: number): number => {
            const master = new RestrictedMaster(right, artificialCost);
            const indices = columns.map((c) => master.add(c));
            master.begin(indices.slice(0, begin));
            const duals = master.optimise();
            return right.reduce((s, r, i) => s + r * (duals[i] ?? 0), 0);
          };
          const cold = value(0);
          expect(Math.abs(cold - byLibrary(right, columns))).toBeLessThan(1e-4 * Math.max(1, cold));
          expect(Math.abs(value(sets.length) - cold)).toBeLessThan(1e-4 * Math.max(1, cold));
        },
      ),
      { numRuns: 200 },
    ));
  test('columns that come later only lower the price, and a warm start ends where a cold one does', () =>
    fc.assert(
      fc.property(instance, instance, (first, second) => {
        const n = first.n;
        const right = [...Array.from({ length: n }, () => 1), first.leastLoads];
        const toColumn = ({ items, cost }: { items: number[]; cost: number }): Column => ({
          rows: [...new Set(items.map((i) => i % n))].sort((a, b) => a - b).concat(n),
          cost,
        });
        const early = [...first.sets.map(toColumn), { rows: [], cost: 0, minusRow: n }];
        const late = second.sets.map(toColumn);
        const value = (duals: Float64Array): number => right.reduce((s, r, i) => s + r * (duals[i] ?? 0), 0);
        const warm = new RestrictedMaster(right, artificialCost);
        for (const c of early) warm.add(c);
        const before = value(warm.optimise());
        for (const c of late) warm.add(c);
        const after = value(warm.optimise());
        const cold = new RestrictedMaster(right, artificialCost);
        for (const c of [...early, ...late]) cold.add(c);
        expect(after).toBeLessThanOrEqual(before + 1e-6);
        expect(Math.abs(after - value(cold.optimise()))).toBeLessThan(1e-4 * Math.max(1, before));
      }),
      { numRuns: 200 },
    ));
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
