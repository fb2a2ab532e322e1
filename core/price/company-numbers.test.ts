/** What a piece brings to its company and what company costs it, each condition on both sides. */
import { describe, expect, test } from '@jest/globals';
import type { Garment } from '../model/garment.ts';
import type { Household, HouseRules, Product } from '../model/household.ts';
import { garment, household, only, plainRules, washLabel } from '../testing/arbitrary.ts';
import { basketOf } from './basket.ts';

const powder: Product = { ...(household.products[0] as Product), id: 'powder', class: 'universal', form: 'powder' };
const home = (rules: Partial<HouseRules> = {}, change: Partial<Household> = {}): Household => ({
  ...household,
  rules: { ...plainRules, ...rules },
  ...change,
});
const numbers = (change: Partial<Garment>, h: Household = household) => basketOf([garment('g', change)], h).pieces[0]!;
const white = { colours: [{ hex: '#f7f7f4', role: 'ground' as const }], dye: 'undyed' as const };
const navy = { colours: [{ hex: '#232f4e', role: 'ground' as const }], dye: 'reactive' as const };
const pale = { colours: [{ hex: '#c3cbd8', role: 'ground' as const }], dye: 'reactive' as const };
const hotLabel = washLabel(60);

describe('heat', () => {
  const towel = { kind: 'bath_towel', ...white, label: hotLabel } as const;
  const upTo = (mostC: number): Household => {
    const [washer] = household.washers;
    const programmes = washer!.programmes.map((p) => ({
      ...p,
      temperaturesC: p.temperaturesC.filter((c) => c <= mostC),
    }));
    return home({}, { washers: [{ ...washer!, programmes }] });
  };
  test('counts where the rule asks for it and some programme reaches 60 °C', () => {
    expect(numbers(towel).heat).toBeGreaterThan(0);
    expect(numbers(towel, home({ linenHeat: 'warm' })).heat).toBe(0);
    expect(numbers(towel, upTo(60)).heat).toBe(numbers(towel).heat);
    expect(numbers(towel, upTo(59)).heat).toBe(0);
  });
  test('by the piece, and not at all for what wants no heat', () => {
    expect(numbers({ ...towel, count: 3 }).heat).toBeCloseTo(3 * numbers(towel).heat, 9);
    expect(numbers({ ...white, label: hotLabel }).heat).toBe(0);
  });
});

describe('greying', () => {
  const shirt = { kind: 'dress_shirt', valueEur: 40, label: hotLabel } as const;
  test('white loses a tenth of its value at a full dose, pale cloth a third of that, darks nothing', () => {
    expect(numbers({ ...shirt, ...white }).greyEur).toBeCloseTo(4, 9);
    expect(numbers({ ...shirt, ...pale }).greyEur).toBeCloseTo(4 * 0.35, 9);
    expect(numbers({ ...shirt, ...navy }).greyEur).toBe(0);
  });
  test('linen minds half as much; of several like pieces two count; a gentle house minds twice', () => {
    expect(numbers({ kind: 'tea_towel', valueEur: 40, ...white }).greyEur).toBeCloseTo(2, 9);
    expect([1, 2, 3].map((count) => numbers({ ...shirt, ...white, count }).greyEur)).toEqual([4, 8, 8]);
    expect(numbers({ ...shirt, ...white }, home({ priority: 'gentle' })).greyEur).toBeCloseTo(8, 9);
  });
  test('darks give it with all their mass, after ten washes less; white gives none', () => {
    const mass = (change: Partial<Garment>): number => numbers({ weighedDryMassG: 500, ...change }).greyKg;
    expect(mass({ ...white, washCount: 0 })).toBe(0);
    expect(mass({ ...navy, washCount: 0 })).toBeCloseTo(0.5, 9);
    expect(mass({ ...navy, washCount: 200 })).toBeCloseTo(0.375, 9);
  });
});

describe('soil that wanders', () => {
  test('heavily soiled clothes give it and take none; what is lightly soiled takes it and gives none', () => {
    const at = (soil: Garment['soil']) => {
      const { soilKg, soilEur } = numbers({ soil, weighedDryMassG: 400, ...navy });
      return [soilKg, soilEur > 0];
    };
    expect(at('light')).toEqual([0, true]);
    expect(at('normal')).toEqual([0, true]);
    expect(at('heavy')).toEqual([0.4, false]);
  });
  test('towels give none however dirty; they, and pale cloth, mind it more', () => {
    expect(numbers({ kind: 'bath_towel', soil: 'heavy', ...navy }).soilKg).toBe(0);
    expect(numbers({ kind: 'bath_towel', soil: 'normal', ...navy }).soilEur).toBeCloseTo(0.4, 9);
    expect(numbers({ soil: 'normal', ...pale }).soilEur).toBeCloseTo(0.4, 9);
    expect(numbers({ soil: 'normal', ...navy }).soilEur).toBeCloseTo(0.4 * 0.4, 9);
  });
});

describe('the bleach of a universal detergent', () => {
  const tee = { ...white, label: washLabel(60, 'normal', { bleach: 'any' }), traits: new Set<never>() };
  const stocked = (change: Partial<Product> = {}, rules: Partial<HouseRules> = {}): Household =>
    home(rules, { products: [...household.products, { ...powder, ...change }] });
  test('is missed by whites where the cupboard has some', () => {
    expect(numbers(tee, stocked()).bleachLostEur).toBeCloseTo(0.5, 9);
    expect(numbers(tee).bleachLostEur).toBe(0); // a universal liquid has none
    expect(numbers(tee, stocked({ remaining: 0 })).bleachLostEur).toBe(0);
    expect(numbers(tee, stocked({ form: 'tablet' })).bleachLostEur).toBeCloseTo(0.5, 9);
    expect(numbers(tee, stocked({ form: 'liquid' })).bleachLostEur).toBe(0);
  });
  test('not by colours nor by wool, and as much as the house minds cleanliness', () => {
    expect(numbers({ ...tee, ...navy }, stocked()).bleachLostEur).toBe(0);
    expect(numbers({ ...tee, kind: 'jumper_mid', parts: only('wool') }, stocked()).bleachLostEur).toBe(0);
    expect(numbers(tee, stocked({}, { priority: 'thrifty' })).bleachLostEur).toBeCloseTo((0.5 * 2.5) / 4, 9);
    expect([1, 2, 3].map((count) => numbers({ ...tee, count }, stocked()).bleachLostEur)).toEqual([0.5, 1, 1]);
  });
});
