/** Helpers every formula stands on: guards, both sides of edges, and what must hold for any numbers. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromKept, toKept } from './choices.ts';
import { convertHardness, hardnessClass, hardnessUnits, stripHardness } from './hardness.ts';
import { clamp, guardedCeil, interpolate, mean, median, midMean, mixture, roundTo, sum } from './numbers.ts';
import { oddsAbove } from './odds.ts';
import { seeded, seededBits } from './random.ts';

const number = fc.double({ min: -1e6, max: 1e6, noNaN: true });

describe('numbers', () => {
  test('clamp keeps what is inside and stops at both ends', () =>
    expect([-1, 0, 0.5, 1, 2].map((x) => clamp(x, 0, 1))).toEqual([0, 0, 0.5, 1, 1]));
  test('between two points a line, beyond them the ends', () => {
    const at = (x: number) => interpolate(x, [0, 10, 30], [1, 2, 6]);
    expect([-5, 0, 5, 10, 20, 30, 40].map(at)).toEqual([1, 1, 1.5, 2, 4, 6, 6]);
    expect(interpolate(3, [], [])).toBe(0);
  });
  test('a ceiling that binary rounding does not lift', () => {
    expect(guardedCeil(0.1 + 0.2 - 0.3)).toBe(0);
    expect(guardedCeil(3 + 1e-10)).toBe(3);
    expect(guardedCeil(3.001)).toBe(4);
    expect(Object.is(guardedCeil(-0.5), 0)).toBe(true);
  });
  test('half is rounded up, also where binary falls short of it', () => {
    expect([roundTo(2.5, 0), roundTo(1.005, 2), roundTo(-0.4, 0), roundTo(12.344, 2)]).toEqual([3, 1.01, 0, 12.34]);
  });
  test('sum, mean, median and the middle half; of nothing 0', () => {
    const odd = [9, 1, 4];
    const eight = [100, 1, 2, 3, 4, 5, 6, -50];
    expect([sum(odd), mean(odd), median(odd)]).toEqual([14, 14 / 3, 4]);
    expect([median([1, 2, 3, 10]), midMean(eight)]).toEqual([2.5, 3.5]);
    expect([sum([]), mean([]), median([]), midMean([])]).toEqual([0, 0, 0, 0]);
    expect(odd).toEqual([9, 1, 4]);
  });
  test('a mixture is the weighted mean, whatever its shares sum to', () => {
    const shares = new Map([
      ['a', 1],
      ['b', 3],
    ]);
    expect(mixture(shares, (k) => (k === 'a' ? 10 : 2))).toBe(4);
    expect(mixture(new Map<string, number>(), () => 7)).toBe(0);
  });
});

describe('units', () => {
  test('numbers worked by hand', () => {
    expect(fromKept('temperature', 'F', 40)).toBeCloseTo(104, 9);
    expect(toKept('temperature', 'F', 32)).toBeCloseTo(0, 9);
    expect(toKept('length', 'in', 10)).toBeCloseTo(25.4, 9);
    expect(toKept('mass', 'lb', 2)).toBeCloseTo(0.907, 3);
    expect(fromKept('volume', 'tbsp', 29.573_529_562_5)).toBeCloseTo(2, 9);
    expect(fromKept('mass', 'kg', 3)).toBe(3);
  });
  test('there and back is where one was', () =>
    fc.assert(
      fc.property(number, (x) => {
        for (const [q, u] of [
          ['temperature', 'F'],
          ['mass', 'lb'],
          ['volume', 'floz'],
          ['length', 'in'],
        ] as const)
          expect(toKept(q, u as never, fromKept(q, u as never, x))).toBeCloseTo(x, 6);
      }),
    ));
});

describe('hardness', () => {
  test('a degree is what its definition says', () => {
    const mmol = (value: number, unit: (typeof hardnessUnits)[number]): number => {
      const r = convertHardness(value, unit, 'mmol');
      return r.ok ? r.value : NaN;
    };
    expect(mmol(14, 'dH')).toBeCloseTo(2.49655, 4);
    expect(mmol(250, 'ppm')).toBeCloseTo(2.4978, 4);
    expect(mmol(10.00869, 'fH')).toBeCloseTo(1, 9);
    expect(convertHardness(-0.1, 'dH', 'mmol').ok).toBe(false);
    expect(convertHardness(NaN, 'dH', 'mmol').ok).toBe(false);
    expect(convertHardness(0, 'dH', 'mmol')).toEqual({ ok: true, value: 0 });
  });
  test('soft below 1.5 mmol/l, medium up to 2.5, hard above', () =>
    expect([0, 1.499, 1.5, 2.5, 2.501].map(hardnessClass)).toEqual(['soft', 'soft', 'medium', 'medium', 'hard']));
  test('each field of a strip that turned is harder water', () =>
    expect(([0, 1, 2, 3, 4] as const).map(stripHardness)).toEqual([0.4, 1, 1.9, 3.1, 4.3]));
});

describe('odds', () => {
  test('a prediction at its limit is as likely above as below; one standard deviation is 84 %', () => {
    expect(oddsAbove(1, 1)).toBeCloseTo(0.5, 6);
    expect(oddsAbove(Math.exp(0.3), 1)).toBeCloseTo(0.8413, 4);
    expect(oddsAbove(Math.exp(-0.3), 1)).toBeCloseTo(0.1587, 4);
    expect(oddsAbove(Math.exp(0.5), 1, 0.5)).toBeCloseTo(0.8413, 4);
  });
  test('what is not foretold cannot pass, and no limit is always passed', () => {
    expect([oddsAbove(0, 1), oddsAbove(-1, 1), oddsAbove(1, 0)]).toEqual([0, 0, 1]);
    expect(oddsAbove(0, 0)).toBe(0);
  });
  test('more is likelier, and odds stay between 0 and 1', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        (a, limit) => {
          const odds = oddsAbove(a, limit);
          expect(odds).toBeGreaterThanOrEqual(0);
          expect(odds).toBeLessThanOrEqual(1);
          expect(oddsAbove(a * 1.1, limit)).toBeGreaterThanOrEqual(odds);
        },
      ),
    ));
});

describe('random numbers', () => {
  test('a seed gives the same numbers everywhere', () => {
    const next = seeded(7);
    expect([next(), next(), next()]).toEqual([0.011704753153026104, 0.06195825757458806, 0.97690763277933]);
    expect(seededBits(7)()).toBe(Math.round(0.011704753153026104 * 2 ** 32));
  });
  test('they fill [0, 1) evenly', () => {
    const next = seeded(1);
    const xs = Array.from({ length: 20_000 }, next);
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...xs)).toBeLessThan(1);
    for (let tenth = 0; tenth < 10; tenth++)
      expect(Math.abs(xs.filter((x) => Math.floor(x * 10) === tenth).length - 2_000)).toBeLessThan(150);
  });
});
