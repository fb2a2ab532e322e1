/** The oracle against every set written out: what it says no load exceeds, none does; and worths it has mended, no load exceeds either. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyHousehold, garment, household, only } from '../../testing/arbitrary.ts';
import { mark } from '../../testing/mark.ts';
import { excess, instanceOf, mixedBasket, namedBasket, subsets, washable } from '../../testing/sets.ts';
import { piecesOf, Pricer, type Instance } from '../instance.ts';
import { Generation } from './generation.ts';
import { Knapsack } from './knapsack.ts';
import { Modes } from './modes.ts';
import { Oracle } from './oracle.ts';
import { companiesOf } from './walls.ts';
import { divideBySubsets } from '../exact/subsets.ts';
import { KindLoads } from '../kinds.ts';

const worths = fc.array(fc.double({ min: 0, max: 9, noNaN: true }), { minLength: 7, maxLength: 7 });
const efforts = fc.constantFrom(
  { divisions: 400, sets: 50, least: 1e-6 },
  { divisions: 2, sets: 50, least: 1e-6 },
  { divisions: 0, sets: 3, least: 0.1 },
);
const one = (inst: Instance): number[] => inst.items.map(() => 1);

describe('L5, L8, L11: what no load is worth above its cost', () => {
  test('is at least what the best of all subsets is worth, however soon the search is left', () =>
    fc.assert(
      fc.property(mixedBasket, anyHousehold, worths, efforts, (gs, home, us, effort) => {
        const inst = instanceOf(namedBasket(gs, home));
        const worth = Float64Array.from(gs, (_, i) => us[i] as number);
        const { over } = new Oracle(Modes.of(inst), one(inst)).ask(worth, effort);
        expect(over).toBeGreaterThanOrEqual(excess(inst, worth) - 1e-7);
      }),
      { numRuns: 150 },
    ));
  test('asked long enough it ends with a set that is worth what it says, or with none of interest', () =>
    fc.assert(
      fc.property(mixedBasket, anyHousehold, worths, fc.integer({ min: 1, max: 4 }), (gs, home, us, most) => {
        const inst = instanceOf(namedBasket(gs, home));
        const worth = Float64Array.from(gs, (_, i) => us[i] as number);
        const least = 0.05;
        const oracle = new Oracle(
          Modes.of(inst),
          one(inst).map((n) => n * most),
        );
        const { over, sets } = oracle.ask(worth, { divisions: 1e6, sets: 1e6, least });
        expect(sets.length > 0 || over <= least).toBe(true);
        const best = Math.max(
          least,
          ...sets.map(({ items, cost }) => items.reduce((t, i) => t + (worth[i] as number), 0) - cost),
        );
        expect(over).toBeGreaterThanOrEqual(best - 1e-9);
        // Harm of a few cents of each kind is not told apart.
        expect(over).toBeLessThanOrEqual(best + 0.2);
      }),
      { numRuns: 150 },
    ));
  const questions = fc.array(fc.tuple(worths, fc.boolean()), {
    minLength: 2,
    maxLength: 5,
  });
  test('asked again with other worths, the parts kept from before still hold every load, looked at again or not', () =>
    fc.assert(
      fc.property(mixedBasket, anyHousehold, questions, (gs, home, asked) => {
        const inst = instanceOf(namedBasket(gs, home));
        const oracle = new Oracle(Modes.of(inst), one(inst));
        for (const [us, mend] of asked) {
          const worth = Float64Array.from(gs, (_, i) => us[i] as number);
          const { over, sets } = oracle.ask(worth, { divisions: 30, sets: 20, least: 1e-6 });
          expect(over).toBeGreaterThanOrEqual(excess(inst, worth) - 1e-7);
          if (mend) {
            const mended = oracle.mended();
            expect(excess(inst, mended)).toBeLessThanOrEqual(1e-7);
          }
          oracle.refine(sets);
        }
      }),
      { numRuns: 120 },
    ));
  test('telling the parts of answers apart ends; what is in no part any more is no load', () =>
    fc.assert(
      fc.property(mixedBasket, anyHousehold, worths, (gs, home, us) => {
        const inst = instanceOf(namedBasket(gs, home));
        const oracle = new Oracle(Modes.of(inst), one(inst));
        const worth = Float64Array.from(gs, (_, i) => us[i] as number);
        const { sets } = oracle.ask(worth, { divisions: 5, sets: 10, least: 1e-6 });
        let times = 0;
        while (oracle.refine(sets) > 0) expect(times++).toBeLessThan(400);
        for (const { part, items, cost } of sets) {
          expect(part === null).toBe(cost === Infinity);
          expect(part?.held.every((i) => items.includes(i)) ?? true).toBe(true);
        }
      }),
      { numRuns: 80 },
    ));
  const red = (id: string) =>
    garment(id, { colours: [{ hex: '#a3222f', role: 'ground' }], dye: 'direct', washCount: 0 });
  const white = garment('w', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' });
  test.each([
    ['a nearly empty drum', [garment('a'), garment('b'), garment('c', { kind: 'bath_towel' })], [4, 4, 4]],
    [
      'soil that wanders',
      [garment('a', { soil: 'heavy' }), garment('b', { soil: 'heavy' }), garment('c', { soil: 'light' })],
      [6, 6, 3],
    ],
    ['dye on a giver from another', [red('a'), red('b'), red('c')], [5, 5, 5]],
    ['dye on white', [red('a'), white], [6, 6]],
    ['an extra rinse', [garment('a', { stains: [mark('fuel-diesel')] }), garment('b')], [5, 5]],
    ['cloth that asks for another product', [garment('a', { parts: only('silk') }), garment('b')], [7, 7]],
    ['bulk beside what suffers', [garment('a', { kind: 'bath_towel' }), garment('b', { parts: only('silk') })], [9, 9]],
  ] as const)('is what the best load is worth, where the search may go to its end: %s', (_, gs, us) => {
    // By hand the water of a bath is told apart by no part.
    const inst = instanceOf(namedBasket([...gs], { ...household, basins: [] }));
    const worth = Float64Array.from(us);
    const { over } = new Oracle(Modes.of(inst), one(inst)).ask(worth, { divisions: 2_000, sets: 1, least: 1e-6 });
    expect(over).toBeGreaterThanOrEqual(excess(inst, worth) - 1e-9);
    // What is left: harm below 3 cents that is not told apart, and the straight line under the dose.
    expect(over - excess(inst, worth)).toBeLessThan(0.1);
  });
});

describe('L4: worths mended', () => {
  test('no load is worth more than it costs, and none gains by being mended', () =>
    fc.assert(
      fc.property(mixedBasket, anyHousehold, worths, efforts, (gs, home, us, effort) => {
        const inst = instanceOf(namedBasket(gs, home));
        const oracle = new Oracle(Modes.of(inst), one(inst));
        const worth = Float64Array.from(gs, (_, i) => us[i] as number);
        oracle.ask(worth, effort);
        const mended = oracle.mended();
        expect(excess(inst, mended)).toBeLessThanOrEqual(1e-7);
        mended.forEach((u, i) => expect(u).toBeLessThanOrEqual((worth[i] as number) + 1e-12));
      }),
      { numRuns: 150 },
    ));
});

describe('column generation over kinds', () => {
  const repeated = fc.array(fc.tuple(washable, fc.integer({ min: 1, max: 3 })), {
    minLength: 1,
    maxLength: 3,
  });
  test('its bound is never above the best division, and its loads cost what they cost', () =>
    fc.assert(
      fc.property(repeated, anyHousehold, (kinds, home) => {
        const inst = instanceOf(
          namedBasket(
            kinds.flatMap(([g, n]) => Array.from({ length: n }, () => g)),
            home,
          ),
        );
        const pricer = new Pricer(inst.basket);
        const best = divideBySubsets(inst, pricer);
        const known = new KindLoads(inst, pricer);
        const generation = new Generation(Modes.of(inst), known);
        generation.take([], best);
        const told: number[] = [];
        generation.run({ rounds: 12, divisions: 200, sets: 30, visited: 5_000_000 }, best.cost, (bound) => {
          told.push(bound);
          return false;
        });
        expect(generation.lowerBound).toBeLessThanOrEqual(best.cost + 1e-7);
        expect(told).toEqual([...told].sort((x, y) => x - y));
        for (const load of known.met.values()) {
          const [items = []] = known.sharedOut([load.kinds]);
          expect(pricer.cost(piecesOf(inst.items, items))).toBeCloseTo(load.cost, 9);
          const worths = load.kinds.reduce((t, k) => t + (generation.worth[k] as number), 0);
          expect(load.cost).toBeGreaterThanOrEqual(worths - 1e-6);
        }
      }),
      { numRuns: 80 },
    ));
});

describe('L10: companies', () => {
  const lines = fc.array(fc.boolean(), { minLength: 28, maxLength: 28 });
  test('every set in which nobody clashes lies within one, and none holds a clash', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8 }), lines, (n, clashes) => {
        const inst = instanceOf(namedBasket(Array.from({ length: n }, (_, i) => garment(`g${i}`))));
        let x = 0;
        for (let i = 0; i < n; i++)
          for (let j = i + 1; j < n; j++) {
            const apart = clashes[x++] ? 1 : 0;
            inst.apart[i * n + j] = apart;
            inst.apart[j * n + i] = apart;
          }
        const companies = companiesOf(inst, 600);
        const clash = (set: readonly number[]): boolean => set.some((i) => set.some((j) => inst.apart[i * n + j]));
        for (const company of companies)
          expect(clash(inst.items.flatMap((_, i) => (company[i] ? [i] : [])))).toBe(false);
        for (const set of subsets(n)) if (!clash(set)) expect(companies.some((c) => set.every((i) => c[i]))).toBe(true);
      }),
      { numRuns: 100 },
    ));
  test('too many of them are taken as one', () => {
    const inst = instanceOf(namedBasket([garment('a'), garment('b')]));
    inst.apart.set([0, 1, 1, 0]);
    expect(companiesOf(inst, 2)).toHaveLength(2);
    expect(companiesOf(inst, 1)).toEqual([Uint8Array.from([1, 1])]);
  });
});

describe('the knapsack', () => {
  const offers = fc.array(
    fc.tuple(
      fc.double({ min: -1, max: 5, noNaN: true }),
      fc.double({ min: 0.01, max: 0.9, noNaN: true }),
      fc.integer({ min: 1, max: 3 }),
    ),
    { minLength: 1, maxLength: 6 },
  );
  test('neither divided nor whole it is below the best filling by enumeration; divided is above whole', () =>
    fc.assert(
      fc.property(offers, fc.constantFrom(1, 0.7315, 0.25, 0), (list, left) => {
        const room = Float64Array.from(list, ([, r]) => r);
        const offer = {
          items: Int16Array.from(list, (_, k) => k),
          most: Int16Array.from(list, ([, , n]) => n),
          gains: Float64Array.from(list, ([g]) => g),
          count: list.length,
          order: new Int16Array(list.length),
        };
        let best = 0;
        const fill = (k: number, free: number, gain: number): void => {
          best = Math.max(best, gain);
          if (k === list.length) return;
          const [g, r, n] = list[k] as [number, number, number];
          for (let c = 0; c <= n && c * r <= free; c++) fill(k + 1, free - c * r, gain + c * g);
        };
        fill(0, left, 0);
        const knapsack = new Knapsack(list.length, 1);
        const divided = knapsack.divided(offer, room, left);
        const whole = knapsack.whole(offer, room, left);
        expect(divided).toBeGreaterThanOrEqual(best - 1e-9);
        expect(whole).toBeGreaterThanOrEqual(best - 1e-9);
        const counted = list.reduce((t, [g], k) => t + g * (knapsack.counts[k] as number), 0);
        expect(counted).toBeCloseTo(whole, 9);
      }),
      { numRuns: 300 },
    ));
});
