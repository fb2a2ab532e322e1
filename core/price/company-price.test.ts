/** Prices and walls of company, on both sides of each threshold. */
import { describe, expect, test } from '@jest/globals';
import { useBit, usePrice, usePriceOf } from '../cost/judgement.ts';
import { uses, type Use } from '../garment/kinds.ts';
import type { Garment } from '../model/garment.ts';
import { profileOf } from '../piece/profile.ts';
import { garment, household } from '../testing/arbitrary.ts';
import { pairConflict } from './compatibility.ts';
import { coldDeficit, emptyDrumPrice, greyingOf, resoilingOf } from './company-price.ts';
import { enumerateSettings } from './settings.ts';

const settings = enumerateSettings(household);
const machine = settings.find((s) => s.method === 'machine' && s.programme.maxLoadKg === 8);
const hand = settings.find((s) => s.method === 'hand');
if (!machine || !hand) throw new Error('The household has both ways of washing.');
const mask = (...list: Use[]): number => list.reduce((bits, u) => bits | useBit(u), 0);

describe('prices', () => {
  test('the pair of two uses costs the same in either order, and nothing with itself', () => {
    for (const a of uses)
      for (const b of uses) expect([a, b, usePrice(a, b)]).toEqual([a, b, a === b ? 0 : usePrice(b, a)]);
  });
  test.each<[number, number, number, number]>([
    [mask('body', 'clothes'), 40, 0.8, 1],
    [mask('body', 'towel'), 59, 0.4, 2.5],
    [mask('body', 'towel'), 60, 0.4, 0.3],
    [mask('body', 'towel'), 60, 0.75, 1.25],
    [mask('body', 'towel'), 60, 1, 2.5],
    [mask('body', 'bed'), 60, 0.3, 2],
    [mask('kitchen', 'workshop'), 40, 0.5, 0],
    [mask('body', 'towel', 'clothes'), 40, 0.5, 5.5],
  ])('uses %i at %i °C, %f full: %f', (list, celsius, fill, price) =>
    expect(usePriceOf(list, celsius, fill)).toBeCloseTo(price, 9),
  );
  test('linen misses its heat below 60 and more below 40', () => {
    expect([60, 59, 40, 39].map(coldDeficit)).toEqual([0, 0.12, 0.12, 0.2]);
  });
  test('greying grows to 7 % of the drum, by hand to 100 g, and no further', () => {
    const at = (greyKg: number, s = machine) => greyingOf({ greyEur: 2, greyKg }, s);
    expect([0, 0.28, 0.56, 3].map((kg) => at(kg))).toEqual([0, 1, 2, 2]);
    expect([0.05, 0.1, 0.2].map((kg) => at(kg, hand))).toEqual([1, 2, 2]);
  });
  test('soil is given in full from 300 g', () => {
    expect([0, 0.15, 0.3, 0.9].map((soilKg) => resoilingOf({ soilEur: 0.4, soilKg }))).toEqual([0, 0.2, 0.4, 0.4]);
  });
  test('a drum is nearly empty below 0.35, a basin never', () => {
    expect(emptyDrumPrice(machine, 0)).toBe(1);
    expect(emptyDrumPrice(machine, 0.175)).toBeCloseTo(0.5, 9);
    expect(emptyDrumPrice(machine, 0.35)).toBe(0);
    expect(emptyDrumPrice(hand, 0.01)).toBe(0);
  });
});

describe('walls', () => {
  const wall = (a: Partial<Garment>, b: Partial<Garment>, rules = {}) => {
    const house = { ...household.rules, ...rules };
    return (
      pairConflict(profileOf(garment('a', a), house), profileOf(garment('b', b), house), house)?.constraint ?? null
    );
  };
  const white: Partial<Garment> = { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' };
  const black = (washCount: number): Partial<Garment> => ({ colours: [{ hex: '#1d1e21', role: 'ground' }], washCount });
  test('a dark is trusted beside white from 15 washes', () => {
    expect([14, 15].map((n) => wall(white, black(n)))).toEqual(['H3', null]);
  });
  test('H11: kitchen beside underwear and floor cloths, unless the house has it otherwise', () => {
    const kitchen: Partial<Garment> = { use: 'kitchen' };
    expect(wall(kitchen, { use: 'body' })).toBe('H11');
    expect(wall(kitchen, { use: 'floor' })).toBe('H11');
    expect(wall(kitchen, { use: 'towel' })).toBeNull();
    expect(wall(kitchen, { use: 'body' }, { kitchenLinen: 'any' })).toBeNull();
  });
  test('H11: floor cloths and baby things', () => {
    for (const use of ['body', 'baby', 'bed'] as const) expect(wall({ use: 'floor' }, { use })).toBe('H11');
    expect(wall({ use: 'baby' }, { use: 'clothes', soil: 'heavy' })).not.toBeNull();
    expect(wall({ use: 'baby' }, { use: 'clothes', soil: 'normal' })).toBeNull();
  });
});
