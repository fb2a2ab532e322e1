/** The bound on what candidates can still add, against every subset written out. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Company } from './company.ts';
import type { Mode } from './modes.ts';
import { PackingBound } from './packing-bound.ts';

const n = 8;
const numbers = (min: number, max: number) =>
  fc.array(fc.double({ min, max, noNaN: true }), { minLength: n, maxLength: n });
const anyCase = fc.record({
  gains: numbers(-0.5, 1.5),
  room: numbers(0.02, 0.6),
  harm: numbers(0, 0.05),
  pairs: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 10 }),
  soft: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1), fc.double({ min: 0, max: 0.8, noNaN: true })), {
    maxLength: 10,
  }),
  serves: fc.array(fc.nat(3), { minLength: n, maxLength: n }),
  unmet: fc.nat(3),
  free: fc.double({ min: 0.2, max: 1, noNaN: true }),
  price: fc.double({ min: 0, max: 4, noNaN: true }),
});
type Case = typeof anyCase extends fc.Arbitrary<infer T> ? T : never;

function companyOf({ pairs, soft }: Case): Company {
  const damage = new Float64Array(n * n);
  const exclusive = new Int32Array(n);
  for (const [i, j, d] of soft) if (i !== j) damage[i * n + j] = d;
  for (const [i, j] of pairs)
    if (i !== j) {
      damage[i * n + j] = Infinity;
      exclusive[i] = (exclusive[i] as number) | (1 << j);
      exclusive[j] = (exclusive[j] as number) | (1 << i);
    }
  return { exclusive, damage };
}
/** Most that a subset of the candidates from `from` on really adds: gains, less the worst damage each receiver takes beyond what it was charged already. */
function bestSubset(c: Case, { exclusive, damage }: Company, from: number): number {
  let best = -Infinity;
  for (let mask = 0; mask < 1 << n; mask++) {
    const set = Array.from({ length: n }, (_, i) => i).filter((i) => i >= from && mask & (1 << i));
    if (set.length !== Array.from({ length: n }, (_, i) => i).filter((i) => mask & (1 << i)).length) continue;
    if (set.some((i) => (exclusive[i] as number) & mask)) continue;
    if (set.reduce((s, i) => s + (c.room[i] as number), 0) > c.free) continue;
    if (c.unmet & ~set.reduce((bits, i) => bits | (c.serves[i] as number), 0)) continue;
    const worth = set.reduce((s, i) => s + (c.gains[i] as number), 0);
    const harmed = set.reduce(
      (s, r) =>
        s + Math.max(0, ...set.map((g) => (g === r ? 0 : (damage[g * n + r] as number) - (c.harm[r] as number)))),
      0,
    );
    best = Math.max(best, worth - harmed);
  }
  return best;
}
const boundOf = (
  c: Case,
  company: Company,
  price: number,
  out: Float64Array = new Float64Array(n + 1),
  tighten = false,
): Float64Array => {
  const prospects = {
    candidates: Int16Array.from({ length: n }, (_, i) => i),
    count: n,
    gains: Float64Array.from(c.gains),
    harm: Float64Array.from(c.harm),
  };
  new PackingBound(n).bound(
    out,
    prospects,
    company,
    { serves: Uint16Array.from(c.serves) } as Mode,
    Float64Array.from(c.room),
    { price, free: c.free, unmet: c.unmet },
    tighten,
  );
  return out;
};

describe('L8: the packing bound', () => {
  test('is never below the best subset, from every candidate on and at any price of room', () =>
    fc.assert(
      fc.property(anyCase, (c) => {
        const company = companyOf(c);
        const bound = boundOf(c, company, c.price);
        for (let from = 0; from <= n; from++)
          expect(bound[from]).toBeGreaterThanOrEqual(bestSubset(c, company, from) - 1e-9);
      }),
      { numRuns: 150 },
    ));
  test('the least over several prices is a bound as well, and no looser', () =>
    fc.assert(
      fc.property(anyCase, (c) => {
        const company = companyOf(c);
        const both = boundOf(c, company, 0, boundOf(c, company, c.price), true);
        const one = boundOf(c, company, c.price);
        for (let from = 0; from <= n; from++) {
          expect(both[from]).toBeLessThanOrEqual(one[from] as number);
          expect(both[from]).toBeGreaterThanOrEqual(bestSubset(c, company, from) - 1e-9);
        }
      }),
      { numRuns: 100 },
    ));
  test('worked: of two that exclude each other only the better counts; a condition nobody can meet leaves nothing', () => {
    const c: Case = {
      gains: [1, 0.6, 0.5, 0, 0, 0, 0, 0],
      room: new Array<number>(n).fill(0.1),
      harm: new Array<number>(n).fill(0),
      pairs: [[0, 1]],
      soft: [],
      serves: [1, 0, 0, 0, 0, 0, 0, 0],
      unmet: 0,
      free: 1,
      price: 0,
    };
    expect(boundOf(c, companyOf(c), 0)[0]).toBeCloseTo(1.5, 12);
    expect(boundOf({ ...c, unmet: 1 }, companyOf(c), 0)[0]).toBeCloseTo(1.5, 12);
    expect(boundOf({ ...c, unmet: 1 }, companyOf(c), 0)[1]).toBe(-Infinity);
    expect(boundOf({ ...c, unmet: 2 }, companyOf(c), 0)[0]).toBe(-Infinity);
  });
  test('worked: damage between two that may share is charged once, up to its size', () => {
    const c: Case = {
      gains: [1, 0.6, 0, 0, 0, 0, 0, 0],
      room: new Array<number>(n).fill(0.1),
      harm: new Array<number>(n).fill(0),
      pairs: [],
      soft: [[0, 1, 0.25]],
      serves: new Array<number>(n).fill(0),
      unmet: 0,
      free: 1,
      price: 0,
    };
    expect(boundOf(c, companyOf(c), 0)[0]).toBeCloseTo(1.35, 12);
    expect(boundOf({ ...c, harm: c.harm.map((x, i) => (i === 1 ? 0.2 : x)) }, companyOf(c), 0)[0]).toBeCloseTo(
      1.55,
      12,
    );
  });
  test('worked: at the price at which room is just full, divisible items fill it', () => {
    const c: Case = {
      gains: [1, 0.8, 0.3, 0, 0, 0, 0, 0],
      room: [0.5, 0.5, 0.3, 1, 1, 1, 1, 1],
      harm: new Array<number>(n).fill(0),
      pairs: [],
      soft: [],
      serves: new Array<number>(n).fill(0),
      unmet: 0,
      free: 0.8,
      price: 0,
    };
    // 1 whole and 0.3/0.5 of the second: 1 + 0.48.
    expect(boundOf(c, companyOf(c), 1.6)[0]).toBeCloseTo(1.48, 12);
  });
});
