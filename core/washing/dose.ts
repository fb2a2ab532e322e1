/** Detergent dose: the pack's table by hardness, soil and load, or an estimate when the pack has none. */
import { afterSoak } from './soak.ts';
import { clamp, guardedCeil, interpolate } from '../units/numbers.ts';
import type { Product, ProductForm } from '../model/household.ts';
import type { Soil } from '../model/orders.ts';

/** Columns of a pack table; soil none doses as light, hazardous as heavy. */
export const soilColumn: Record<Soil, number> = { none: 0, light: 0, normal: 1, heavy: 2, hazardous: 2 };
/** Hardness (mmol/l) the pack rows soft, medium, hard stand for. */
const rowHardness = [0.75, 2, 3.25] as const;
const fixedShare = 0.35;

/** Dose from a pack table [hardness][soil]; bilinear, scaled to the load, at most 1.2 × the largest pack value. */
export function doseFromTable(
  table: readonly (readonly number[])[],
  hardnessMmolPerL: number,
  soil: number,
  loadKg: number,
  referenceKg: number,
  fixed = fixedShare,
  concentration = 1,
): number {
  const rows = table.map((row) => interpolate(clamp(soil, 0, 2), [0, 1, 2], row));
  const d = interpolate(hardnessMmolPerL, rowHardness, rows);
  const largest = Math.max(...table.flat());
  return Math.min(d * (fixed + (1 - fixed) * clamp(loadKg / referenceKg, 0.25, 1.5)), 1.2 * largest) / concentration;
}

const defaultDose = { liquid: 60, liquid_2x: 30, powder: 75, powder_compact: 50, wool_liquid: 40 } as const;
export type DefaultDoseForm = keyof typeof defaultDose;

/** Estimated dose (ml or g) when the pack has no table. */
export function defaultDoseAmount(
  form: DefaultDoseForm,
  hardnessMmolPerL: number,
  soil: number,
  loadKg: number,
): number {
  const hardness = clamp(0.75 + 0.2 * (hardnessMmolPerL - 0.75), 0.65, 1.45);
  return (
    defaultDose[form] *
    hardness *
    interpolate(clamp(soil, 0, 2), [0, 1, 2], [0.7, 1, 1.35]) *
    (0.35 + 0.65 * clamp(loadKg / 4.5, 0.25, 1.5))
  );
}

/** Pods or tablets for a load when the pack says nothing: one, two, at most three. */
export function podCount(loadKg: number, hardnessMmolPerL: number, heavySoil: boolean): number {
  const hard = hardnessMmolPerL > 3.25;
  if (loadKg > 9 && (heavySoil || hard)) return 3;
  return loadKg > 6 || heavySoil || hard ? 2 : 1;
}

const handPerLitre = { normal_liquid: 4, delicate_liquid: 3, no_rinse: 1.25, powder_g: 6, baby_shampoo: 2 } as const;
export type HandDoseKind = keyof typeof handPerLitre;
const handSoil = [0.7, 1, 1.5] as const;
export const handDose = (perLitre: number, litres: number, soil: number): number =>
  perLitre * litres * interpolate(soil, [0, 1, 2], handSoil);
export const handDoseByKind = (kind: HandDoseKind, litres: number, soil: number): number =>
  handDose(handPerLitre[kind], litres, soil);

const countedForms: readonly ProductForm[] = ['pod', 'tablet', 'sheet'];
const isWhole = (p: Product): boolean =>
  countedForms.includes(p.form) || (p.dose !== null && !['ml', 'g'].includes(p.dose.unit));

/** Factor of the undershoot rule on lightly soiled loads. */
const undershootFactor = 0.75;
/** The share of a pack dose that a load asks for: a fixed part and one that grows with the load. */
export const doseShare = (loadKg: number, referenceKg: number): number =>
  fixedShare + (1 - fixedShare) * clamp(loadKg / referenceKg, 0.25, 1.5);

/**
 * Amount for a machine load as a function of its kg, in the product's own unit, for one hardness (mmol/l), soil column and dosing rule.
 * Counted forms come whole, never cut.
 */
export function machineDose(
  p: Product,
  hardnessMmolPerL: number,
  soil: number,
  undershoot: boolean,
): (loadKg: number) => number {
  const light = undershoot && soil === 0 ? undershootFactor : 1;
  if (p.dose && p.dose.table.length > 0) {
    const { table, perLoadKg } = p.dose;
    const full = interpolate(
      hardnessMmolPerL,
      rowHardness,
      table.map((row) => interpolate(soil, [0, 1, 2], row)),
    );
    const most = 1.2 * Math.max(...table.flat());
    const amount = (loadKg: number): number => Math.min(full * doseShare(loadKg, perLoadKg), most);
    return isWhole(p) ? (loadKg) => Math.max(1, guardedCeil(amount(loadKg))) : (loadKg) => amount(loadKg) * light;
  }
  if (p.form === 'pod' || p.form === 'tablet') return (loadKg) => podCount(loadKg, hardnessMmolPerL, soil === 2);
  if (p.form === 'sheet') return () => 1;
  const form =
    p.class === 'wool-silk' || p.class === 'no-rinse-wool' || p.class === 'delicate'
      ? 'wool_liquid'
      : p.form === 'liquid'
        ? 'liquid'
        : 'powder';
  return (loadKg) => defaultDoseAmount(form, hardnessMmolPerL, soil, loadKg) * light;
}
/** Dose of a hand bath; light soil alone may be undershot. */
export const handBathDose = (perLitre: number, litres: number, soil: number, undershoot: boolean): number =>
  handDose(perLitre, litres, soil) * (undershoot && soil === 0 ? undershootFactor : 1);

/** The dose of a load of soaked pieces alone; counted forms come whole. */
export const afterSoakDose = (amount: number, unit: string): number =>
  ['ml', 'g'].includes(unit) ? amount * afterSoak.doseShare : Math.max(1, guardedCeil(amount * afterSoak.doseShare));

/** Dose per litre of a hand bath; null when the product is not for hand washing (pods, tablets, 0 on the pack). */
export function handDosePerLitre(p: Product): number | null {
  if (p.form === 'pod' || p.form === 'tablet' || p.form === 'sheet') return null;
  const stated = p.dose?.handPerLitre;
  if (stated === 0) return null;
  if (stated !== null && stated !== undefined) return stated;
  if (p.class === 'no-rinse-wool') return handPerLitre.no_rinse;
  if (p.class === 'delicate' || p.class === 'wool-silk') return handPerLitre.delicate_liquid;
  return p.form === 'powder' ? handPerLitre.powder_g : handPerLitre.normal_liquid;
}

export const doseUnitOf = (p: Product): string =>
  p.dose?.unit ?? { liquid: 'ml', powder: 'g', tablet: 'tablet', pod: 'pod', bar: 'piece', sheet: 'sheet' }[p.form];

/** Millilitres of kitchen and laundry measures. */
export const measuresMl = {
  tsp: 5,
  tbsp: 15,
  tsp_us: 4.92892,
  tbsp_us: 14.78676,
  tbsp_au: 20,
  cup: 250,
  cup_us: 236.5882,
  floz_us: 29.57353,
  floz_uk: 28.41306,
  drop: 0.05,
} as const;
/** ml in a tapered cap filled to `heightMm`; radii at bottom and rim. */
export function capMl(bottomMm: number, rimMm: number, capHeightMm: number, heightMm: number): number {
  const r = bottomMm + ((rimMm - bottomMm) * heightMm) / capHeightMm;
  return ((Math.PI / 3) * heightMm * (bottomMm ** 2 + bottomMm * r + r ** 2)) / 1000;
}
/** Error of the half-way habit, per cent. */
export const halfMarkPercent = (least: number, most: number, due: number): number =>
  (100 * ((least + most) / 2 - due)) / due;
/** Extra rinses after a dose of `overdose` times what was due. */
export function overdoseRinses(overdose: number, massKg: number, carryMoisture: number, rinseL: number): number {
  if (overdose <= 1.15) return 0;
  const carried = massKg * carryMoisture;
  return guardedCeil(Math.log(overdose) / Math.log((carried + rinseL) / carried));
}
