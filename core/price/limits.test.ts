/** Limits of a load, on both sides: how full a drum may be, how many shirts come out smooth, and who gives chlorine. */
import { describe, expect, test } from '@jest/globals';
import type { Household, Product } from '../model/household.ts';
import { garment, household, washLabel } from '../testing/arbitrary.ts';
import { basketOf, noWaivers } from './basket.ts';
import { priceLoad } from './price.ts';
import { chlorineAt } from './product-choice.ts';

const overfilled = { ...noWaivers, overfill: new Set([0, 1]) };
/** Two sheets so heavy that they fill the drum of eight kilograms to this share. */
const filledTo = (share: number, waivers = noWaivers) => {
  const sheets = ['a', 'b'].map((id) => garment(id, { kind: 'sheet_double', weighedDryMassG: share * 4_000 }));
  const washers = household.washers.map((w) => ({ ...w, drumVolumeL: 200 })); // mass alone fills it
  return priceLoad(basketOf(sheets, { ...household, washers }, waivers), [0, 1]);
};
const aiming = (shirtAim: Household['rules']['shirtAim']): Household => ({
  ...household,
  rules: { ...household.rules, shirtAim },
});
const shirts = (count: number, home: Household) => {
  const list = Array.from({ length: count }, (_, i) =>
    garment(`shirt${i}`, { kind: 'dress_shirt', label: washLabel(40) }),
  );
  return priceLoad(
    basketOf(list, home),
    list.map((_, i) => i),
  );
};

describe('a drum', () => {
  test('is full at its stated load; a confirmed decision packs it to a fifth more', () => {
    expect(filledTo(1).feasible).toBe(true);
    expect(filledTo(1.01)).toMatchObject({ feasible: false, violations: ['H2'] });
    expect(filledTo(1.2, overfilled).feasible).toBe(true);
    expect(filledTo(1.21, overfilled)).toMatchObject({ feasible: false, violations: ['H2'] });
  });
  test('irons easily up to three shirts, where the house aims at that', () => {
    expect([3, 4].map((n) => shirts(n, aiming('easy-iron')).feasible)).toEqual([true, false]);
    expect(shirts(4, aiming('normal')).feasible).toBe(true);
  });
});

describe('chlorine bleach', () => {
  const row = [60, 80, 100] as const;
  const bottle: Product = {
    ...(household.products[0] as Product),
    id: 'chlorine',
    class: 'chlorine-bleach',
    dose: { unit: 'ml', perLoadKg: 5, handPerLitre: null, table: [row, row, row] },
  };
  const home = (whites: Household['rules']['whites'], bleachDispenser = true): Household => ({
    ...household,
    rules: { ...household.rules, whites },
    washers: household.washers.map((w) => ({ ...w, bleachDispenser })),
    products: [...household.products, bottle],
  });
  const given = (h: Household): Set<number> => {
    const b = basketOf([garment('tee')], h);
    return new Set(b.settings.filter((s) => chlorineAt(b, s) !== null).map((s) => s.temperatureC));
  };
  test('only where the rule of the house offers it, from a dispenser, from thirty degrees', () => {
    expect([...given(home('chlorine'))].sort((x, y) => x - y)).toEqual([30, 40, 60, 90]);
    for (const rule of ['oxygen', 'colour-safe'] as const) expect(given(home(rule)).size).toBe(0);
    expect(given(home('chlorine', false)).size).toBe(0);
  });
});
