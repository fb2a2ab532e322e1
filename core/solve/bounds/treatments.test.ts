/** Treatments by cloth, against the price of every set written out. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Household, Product } from '../../model/household.ts';
import { basketOf, type Basket } from '../../price/basket.ts';
import { featuresOf } from '../../price/features.ts';
import { helpersFor, productFor } from '../../price/product-choice.ts';
import { anyHousehold, garment, household, washLabel } from '../../testing/arbitrary.ts';
import { mark } from '../../testing/mark.ts';
import { product } from '../../testing/product.ts';
import { mixedBasket, namedBasket, subsets } from '../../testing/sets.ts';
import { clothOf, Treatments } from './treatments.ts';

const clothsOf = (b: Basket): number[] => b.pieces.map((x) => clothOf(x));
const mixed = (cloths: readonly number[], set: readonly number[]): number =>
  set.reduce((bits, i) => bits | (cloths[i] as number), 0);
/** What the price of a set says of its treatment. */
const priced = (b: Basket, index: number, set: readonly number[]): { product: Product; bright: boolean } | null => {
  const s = b.settings[index];
  const f = featuresOf(b, set);
  const product = s ? productFor(b, f, s, index) : null;
  if (!s || !product) return null;
  return { product, bright: s.method === 'machine' && helpersFor(b, f, s, product).bright };
};

describe('L16: the treatments of a setting', () => {
  const cases = fc.tuple(mixedBasket, anyHousehold, fc.nat(200));
  test('cloth alone tells what the price chooses, and no larger set comes to what reach leaves out', () =>
    fc.assert(
      fc.property(cases, ([gs, home, at]) => {
        const b = namedBasket(gs, home);
        const index = at % b.settings.length;
        const cloths = clothsOf(b);
        const treatments = new Treatments(b, index, cloths);
        for (const set of subsets(gs.length)) {
          const real = priced(b, index, set);
          const bit = treatments.of(mixed(cloths, set));
          if (real === null) expect(bit).toBe(0);
          else expect(treatments.list[31 - Math.clz32(bit)]).toEqual(real);
          for (const i of set) expect(treatments.reach(cloths[i] as number) & bit).toBe(bit);
          const [, ...without] = set;
          if (without.length > 0) expect(treatments.reach(mixed(cloths, without)) & bit).toBe(bit);
        }
      }),
      { numRuns: 150 },
    ));
  test('every set that is treated so meets every condition of its treatment', () =>
    fc.assert(
      fc.property(cases, ([gs, home, at]) => {
        const b = namedBasket(gs, home);
        const cloths = clothsOf(b);
        const treatments = new Treatments(b, at % b.settings.length, cloths);
        treatments.list.forEach((_, x) => {
          const may = [...new Set(cloths)].filter((cloth) => treatments.reach(cloth) & (1 << x));
          const conditions = treatments.conditions(1 << x, may);
          for (const set of subsets(gs.length))
            if (treatments.of(mixed(cloths, set)) === 1 << x)
              for (const met of conditions) expect(set.some((i) => met(cloths[i] as number))).toBe(true);
        });
      }),
      { numRuns: 150 },
    ));

  const cupboard = [
    product({ id: 'colour' }),
    product({ id: 'dark', class: 'dark' }),
    product({ id: 'oxygen', class: 'oxygen-bleach', form: 'powder' }),
    product({ id: 'powder', class: 'universal', form: 'powder' }),
  ];
  const black = garment('black', { colours: [{ hex: '#111114', role: 'ground' }], washCount: 30 });
  const white = garment('white', {
    colours: [{ hex: '#f7f7f4', role: 'ground' }],
    dye: 'undyed',
    label: washLabel(60, 'normal', { bleach: 'any' }),
    stains: [mark('tea')],
  });
  const red = garment('red', { colours: [{ hex: '#e0a49c', role: 'ground' }] });
  const at40 = (b: Basket): number =>
    b.settings.findIndex((s) => s.method === 'machine' && s.programme.family === 'cotton' && s.temperatureC === 40);
  const treatmentsOf = (home: Household, gs: readonly Parameters<typeof basketOf>[0][number][]) => {
    const b = basketOf(gs, home);
    const cloths = clothsOf(b);
    return { treatments: new Treatments(b, at40(b), cloths), cloths };
  };
  const named = ({ treatments }: { treatments: Treatments }): string[] =>
    treatments.list.map((t) => t.product.id).sort();

  test('black by itself asks for the dark detergent; beside red, mixes of both decide', () => {
    const home = { ...household, products: cupboard };
    expect(named(treatmentsOf(home, [black]))).toEqual(['dark']);
    expect(named(treatmentsOf(home, [red]))).toEqual(['colour']);
    const { treatments, cloths } = treatmentsOf(home, [red, black]);
    const dark = treatments.of(cloths[1] as number);
    expect(treatments.of(cloths[0] as number)).not.toBe(dark);
    expect(treatments.reach(cloths[0] as number) & dark).toBe(treatments.of(mixed(cloths, [0, 1])) === dark ? dark : 0);
  });
  test('a machine that refuses powder gives none', () => {
    const washers = household.washers.map((w) => ({ ...w, refusesForms: ['powder' as const] }));
    const home = { ...household, products: cupboard, washers };
    expect(named(treatmentsOf(home, [white]))).not.toContain('powder');
    expect(named(treatmentsOf({ ...home, washers: household.washers }, [white]))).toContain('powder');
  });
  test('where there is no such setting nothing suits', () => {
    const b = basketOf([red], household);
    expect(new Treatments(b, -1, clothsOf(b)).list).toEqual([]);
    expect(new Treatments(b, b.settings.length, clothsOf(b)).list).toEqual([]);
  });
});
