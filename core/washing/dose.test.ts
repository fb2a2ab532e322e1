/** Doses: the pack's table, the estimate without one, pods, hand baths, and the load after a soak. */
import { describe, expect, test } from '@jest/globals';
import type { Product } from '../model/household.ts';
import {
  afterSoakDose,
  doseFromTable,
  doseShare,
  handBathDose,
  handDosePerLitre,
  machineDose,
  overdoseRinses,
  podCount,
} from './dose.ts';
import { product } from '../testing/product.ts';

/** Rows soft, medium, hard; columns light, normal, heavy; for 4 kg. */
const pack = (change: Partial<NonNullable<Product['dose']>> = {}): Product['dose'] => ({
  unit: 'ml',
  perLoadKg: 4,
  table: [
    [30, 45, 60],
    [40, 55, 75],
    [50, 70, 95],
  ],
  handPerLitre: null,
  ...change,
});
/** The same at every hardness. */
const rows = (...columns: number[]): number[][] => [columns, columns, columns];
const dose = (change: Partial<Product>, kg: number, soil = 1, hardness = 2, undershoot = false): number =>
  machineDose(product(change), hardness, soil, undershoot)(kg);

describe('the pack’s table', () => {
  test('a fixed 35 % and a share that grows with the load, from a quarter to one and a half of it', () => {
    expect([0.5, 1, 4, 6, 9].map((kg) => Math.round(1e6 * doseShare(kg, 4)) / 1e6)).toEqual([
      0.5125, 0.5125, 1, 1.325, 1.325,
    ]);
    expect(dose({ dose: pack() }, 4)).toBeCloseTo(55, 9);
    expect(dose({ dose: pack() }, 2)).toBeCloseTo(55 * 0.675, 9);
    expect(dose({ dose: pack() }, 4, 2)).toBeCloseTo(75, 9);
    expect(dose({ dose: pack() }, 4, 0, 0.75)).toBeCloseTo(30, 9);
    expect(dose({ dose: pack() }, 4, 1, 2.625)).toBeCloseTo(62.5, 9);
  });
  test('never more than 1.2 times the largest number of the pack', () => {
    expect(dose({ dose: pack() }, 6, 2, 3.25)).toBeCloseTo(114, 9); // 95 × 1.325 = 125.9
    expect(dose({ dose: pack() }, 6, 1, 3.25)).toBeCloseTo(70 * 1.325, 9);
    expect(doseFromTable(pack()!.table, 3.25, 2, 6, 4)).toBeCloseTo(114, 9);
    expect(doseFromTable(pack()!.table, 2, 1, 4, 4, 0.35, 2)).toBeCloseTo(27.5, 9);
  });
  test('the undershoot rule takes a quarter off light soil, and off nothing else', () => {
    expect(dose({ dose: pack() }, 4, 0, 2, true)).toBeCloseTo(30, 9);
    expect(dose({ dose: pack() }, 4, 0)).toBeCloseTo(40, 9);
    expect(dose({ dose: pack() }, 4, 1, 2, true)).toBeCloseTo(55, 9);
  });
  test('what is counted comes whole, one at least: tablets and whatever the pack counts', () => {
    const tablets = pack({ unit: 'tablet', table: rows(1, 1, 2) });
    expect(dose({ form: 'tablet', dose: tablets }, 4, 2)).toBe(2);
    expect(dose({ form: 'tablet', dose: tablets }, 1, 2)).toBe(2); // 1.025
    expect(dose({ form: 'tablet', dose: tablets }, 1, 1)).toBe(1);
    expect(dose({ form: 'powder', dose: pack({ unit: 'scoop' as never, table: rows(0.2, 0.2, 0.2) }) }, 1)).toBe(1);
    expect(dose({ form: 'liquid', dose: pack({ table: rows(0.2, 0.2, 0.2) }) }, 4)).toBeCloseTo(0.2, 9);
  });
  test('a pack with an empty table is a pack without one', () =>
    expect(dose({ dose: pack({ table: [] }) }, 4.5)).toBe(dose({}, 4.5)));
});

describe('without a table', () => {
  test('liquid 60 ml, powder 75 g, wool and delicates 40 ml for 4.5 kg of normal soil in soft water', () => {
    const soft = (change: Partial<Product>) => dose(change, 4.5, 1, 0.75);
    expect(soft({})).toBeCloseTo(45, 9);
    expect(soft({ form: 'powder' })).toBeCloseTo(56.25, 9);
    for (const c of ['wool-silk', 'no-rinse-wool', 'delicate']) expect(soft({ class: c })).toBeCloseTo(30, 9);
    expect(soft({ class: 'universal', form: 'powder' })).toBeCloseTo(56.25, 9);
  });
  test('light, normal and heavy soil; the undershoot rule here, too', () => {
    const at = (soil: number, undershoot = false) => dose({}, 4.5, soil, 0.75, undershoot) / 45;
    expect([at(0), at(1), at(2)].map((x) => Math.round(x * 1000))).toEqual([700, 1000, 1350]);
    expect(at(0, true)).toBeCloseTo(0.525, 9);
  });
  test('pods: a second above 6 kg, in heavy soil, or above 3.25 mmol/l; a third above 9 kg with one of those', () => {
    expect([6, 6.01].map((kg) => podCount(kg, 2, false))).toEqual([1, 2]);
    expect([3.25, 3.26].map((h) => podCount(5, h, false))).toEqual([1, 2]);
    expect([9, 9.01].map((kg) => podCount(kg, 2, true))).toEqual([2, 3]);
    expect([9, 9.01].map((kg) => podCount(kg, 3.3, false))).toEqual([2, 3]);
    expect(podCount(12, 2, false)).toBe(2);
    expect(dose({ form: 'pod' }, 5)).toBe(1);
    expect(dose({ form: 'pod' }, 5, 2)).toBe(2);
    expect(dose({ form: 'tablet' }, 7)).toBe(2);
    expect(dose({ form: 'sheet' }, 12, 2, 5)).toBe(1);
  });
});

describe('by hand, and after a soak', () => {
  test('per litre: what the pack says, else by its sort; what is counted or says 0 is none', () => {
    const perLitre = (change: Partial<Product>) => handDosePerLitre(product(change));
    expect(perLitre({})).toBe(4);
    expect(perLitre({ form: 'powder' })).toBe(6);
    expect(perLitre({ class: 'delicate' })).toBe(3);
    expect(perLitre({ class: 'wool-silk' })).toBe(3);
    expect(perLitre({ class: 'no-rinse-wool' })).toBe(1.25);
    expect(perLitre({ dose: pack({ handPerLitre: 2.5 }) })).toBe(2.5);
    expect(perLitre({ dose: pack({ handPerLitre: 0 }) })).toBeNull();
    for (const form of ['pod', 'tablet', 'sheet'] as const) expect(perLitre({ form })).toBeNull();
  });
  test('a bath of five litres: 14, 20 and 30 ml; a quarter less where light soil is undershot', () => {
    expect([0, 1, 2].map((soil) => handBathDose(4, 5, soil, false))).toEqual([14, 20, 30]);
    expect([0, 1, 2].map((soil) => handBathDose(4, 5, soil, true))).toEqual([10.5, 20, 30]);
  });
  test('half the dose after a soak; what is counted stays whole, one at least', () => {
    expect([afterSoakDose(50, 'ml'), afterSoakDose(50, 'g')]).toEqual([25, 25]);
    expect([1, 2, 3].map((n) => afterSoakDose(n, 'tablet'))).toEqual([1, 1, 2]);
  });
  test('an overdose up to 1.15 times asks for no further rinse; twice the dose for one', () => {
    expect([1, 1.15, 1.16].map((x) => overdoseRinses(x, 3, 2, 15))).toEqual([0, 0, 1]);
    expect(overdoseRinses(12.25, 3, 2, 15)).toBe(2); // (6 + 15) / 6 = 3.5 a rinse
    expect(overdoseRinses(12.26, 3, 2, 15)).toBe(3);
  });
});
