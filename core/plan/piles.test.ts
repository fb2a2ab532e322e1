/** Piles: loads that run alike are one; doses and drying are those of most of it. */
import { describe, expect, test } from '@jest/globals';
import { companyOf } from '../board/company.ts';
import { yearOfOwning } from '../board/ownership.ts';
import { garment, household } from '../testing/arbitrary.ts';
import { pilesOf } from './piles.ts';

const load = (garments: string[], change: object = {}) => ({
  method: 'machine' as const,
  washer: 'w',
  programme: 'cottons',
  basin: null,
  garments,
  massKg: garments.length * 0.2,
  temperatureC: 40,
  spinRpm: 1000,
  action: 'normal',
  extraRinse: false,
  detergent: { product: 'c', class: 'colour' as const, amount: 60, unit: 'ml' as const, compartment: 'main' as const },
  additives: [],
  durationMin: 149,
  ...change,
});
const piece = (id: string, method = 'bars', iron: string | null = null) => ({
  id,
  dry: { method },
  press: iron ? { iron } : null,
});

describe('piles', () => {
  test('alike loads are one pile, with the dose of the middle one; the largest first', () => {
    const piles = pilesOf(
      [
        load(['a']),
        load(['b', 'c', 'd'], {
          detergent: { product: 'c', class: 'colour', amount: 80, unit: 'ml', compartment: 'main' },
        }),
        load(['e'], { temperatureC: 60 }),
      ],
      [piece('a', 'hanger', 'high'), piece('b'), piece('c'), piece('d', 'bars', 'high'), piece('e')],
    );
    expect(piles.map((p) => [p.temperatureC, p.loads, p.garments.length])).toEqual([
      [40, 2, 4],
      [60, 1, 1],
    ]);
    expect(piles[0]).toMatchObject({ dose: { product: 'c', amount: 70, unit: 'ml' }, dry: 'bars', iron: 'high' });
    expect(piles[1]).toMatchObject({ iron: null });
  });
  test('spin, product, rinse and helpers tell piles apart', () => {
    const helper = {
      product: 'catch',
      class: 'colour-catcher' as const,
      amount: 1,
      unit: 'sheet' as const,
      compartment: 'drum' as const,
    };
    const loads = [
      load(['a']),
      load(['b'], { spinRpm: 800 }),
      load(['c'], { extraRinse: true }),
      load(['d'], { additives: [helper] }),
      load(['e'], { detergent: null }),
    ];
    expect(pilesOf(loads, [])).toHaveLength(5);
  });
});

describe('before buying', () => {
  const white = garment('white', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' });
  const dark = garment('dark', { colours: [{ hex: '#22252e', role: 'ground' }], dye: 'reactive', washCount: 30 });
  test('a dark tee goes with the darks; a new red finds no company among whites', () => {
    const navy = { ...dark, id: 'navy', washCount: 0, tests: [] };
    const red = garment('red', {
      colours: [{ hex: '#b01024', role: 'ground' }],
      dye: 'direct',
      washCount: 0,
      tests: [],
    });
    expect(companyOf({ ...white, id: 'new' }, [[dark], [white]], household).joins).toBe(1);
    const found = companyOf(red, [[white]], household);
    expect(found).toMatchObject({ joins: null, extra: null });
    expect(found.alone).toBeGreaterThan(0);
    expect(companyOf(navy, [[white]], household).joins).toBeNull();
  });
  test('joining never costs more than going alone', () => {
    const c = companyOf({ ...white, id: 'new' }, [[white]], household);
    expect(c.extra!).toBeLessThan(c.alone!);
  });
  test('a hundred washes are its life: 20 a year make five years', () => {
    expect(yearOfOwning({ cleansPerYear: 20, perYear: 6 }, 50, 40)).toEqual({ years: 5, perYear: 16, perWear: 0.4 });
    expect(yearOfOwning({ cleansPerYear: 2, perYear: 0 }, 50, 10).years).toBe(10);
    expect(yearOfOwning({ cleansPerYear: 400, perYear: 0 }, 50, 10).years).toBe(1);
    expect(yearOfOwning({ cleansPerYear: null, perYear: null }, 50, 0).perWear).toBe(5);
  });
});
