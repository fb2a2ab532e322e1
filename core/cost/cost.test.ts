/** What company costs, by the uses of a load, and what a run costs in money: each limit on both sides. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { uses, type Use } from '../garment/kinds.ts';
import { household } from '../testing/arbitrary.ts';
import { useBit, usePrice, usePriceOf } from './judgement.ts';
import { runMoney } from './run-money.ts';
import { weightKeys, weightPresets, weightsFor } from './weights.ts';

const maskOf = (...list: Use[]): number => list.reduce((m, u) => m | useBit(u), 0);
const use = fc.constantFrom(...uses);

describe('company of uses', () => {
  test.each([
    ['kitchen', 'kitchen', 0],
    ['kitchen', 'workshop', 0],
    ['kitchen', 'towel', 0.3],
    ['towel', 'bed', 0.3],
    ['body', 'clothes', 1],
    ['kitchen', 'clothes', 3],
    ['body', 'bed', 2],
    ['body', 'towel', 2.5],
    ['sick', 'clothes', 2], // none of the named pairs
  ] as const)('%s with %s: %d', (a, b, price) => {
    expect(usePrice(a, b)).toBe(price);
    expect(usePrice(b, a)).toBe(price);
  });
  test('a load of several uses pays every pair', () => {
    expect(usePriceOf(maskOf('clothes'), 40, 1)).toBe(0);
    expect(usePriceOf(maskOf('clothes', 'kitchen', 'workshop'), 40, 1)).toBe(3 + 2 + 0);
  });
  test('from 60 °C underwear, towels and bed linen are nearly one pile while the drum is half full', () => {
    const pile = maskOf('body', 'towel');
    expect(usePriceOf(pile, 59, 0.4)).toBe(2.5);
    expect(usePriceOf(pile, 60, 0.4)).toBeCloseTo(0.3, 9);
    expect(usePriceOf(pile, 60, 0.5)).toBeCloseTo(0.3, 9);
    expect(usePriceOf(pile, 60, 0.75)).toBeCloseTo(1.25, 9);
    expect(usePriceOf(pile, 60, 1)).toBe(2.5);
    expect(usePriceOf(pile, 60, 1.2)).toBe(2.5);
  });
  test('underwear beside bed linen is none of that pile, clothes neither', () => {
    expect(usePriceOf(maskOf('body', 'bed'), 60, 0.2)).toBe(2);
    expect(usePriceOf(maskOf('body', 'clothes'), 60, 0.2)).toBe(1);
    expect(usePriceOf(maskOf('body', 'towel', 'bed'), 60, 0.2)).toBeCloseTo(2 + 0.3 + 0.3, 9);
  });
  test('one more use, or a fuller drum, never makes it cheaper', () =>
    fc.assert(
      fc.property(
        fc.array(use),
        use,
        fc.constantFrom(40, 60),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (list, more, c, fill) => {
          const mask = maskOf(...list);
          expect(usePriceOf(mask | useBit(more), c, fill)).toBeGreaterThanOrEqual(usePriceOf(mask, c, fill) - 1e-9);
          expect(usePriceOf(mask, c, Math.min(1, fill + 0.1))).toBeGreaterThanOrEqual(usePriceOf(mask, c, fill) - 1e-9);
        },
      ),
    ));
});

describe('money of a run', () => {
  const tariff = { ...household.tariff, electricityPerKwh: 0.3, waterPerM3: 4.6 };
  const washer = { ...household.washers[0]!, id: 'coins', pricePerRun: 2.5 };
  const home = { tariff, products: household.products, washers: [washer] };
  const run = { washer: 'coins', energyKwh: 1.5, waterL: 50, detergent: null, additives: [] };
  test('current, water and coins', () => {
    expect(runMoney(home, run)).toBeCloseTo(0.45 + 0.23 + 2.5, 9);
    expect(runMoney(home, { ...run, washer: 'another' })).toBeCloseTo(0.68, 9);
  });
  test('products count, additives among them; a product that is gone costs nothing', () => {
    const [product] = household.products;
    const dose = { product: product!.id, amount: 50, unit: 'ml' as const };
    const one = runMoney(home, { ...run, detergent: dose as never }) - runMoney(home, run);
    expect(one).toBeGreaterThan(0);
    expect(
      runMoney(home, { ...run, detergent: dose as never, additives: [dose] as never }) - runMoney(home, run),
    ).toBeCloseTo(2 * one, 9);
    expect(runMoney(home, { ...run, additives: [{ ...dose, product: 'gone' }] as never })).toBe(runMoney(home, run));
  });
});

describe('weights', () => {
  test('a house rule changes single numbers and no others', () => {
    expect(weightsFor('balanced', {})).toEqual(weightPresets.balanced);
    expect(weightsFor('gentle', { lambdaClean: 9 })).toEqual({ ...weightPresets.gentle, lambdaClean: 9 });
  });
  test('each priority is the one it says', () => {
    const by = (key: (typeof weightKeys)[number]) =>
      (Object.keys(weightPresets) as (keyof typeof weightPresets)[]).reduce((a, b) =>
        weightPresets[b][key] > weightPresets[a][key] ? b : a,
      );
    expect([by('lambdaGentle'), by('dyeDamage'), by('resources'), by('attendedMinute'), by('elapsedMinute')]).toEqual([
      'gentle',
      'gentle',
      'thrifty',
      'quick',
      'quick',
    ]);
  });
});
