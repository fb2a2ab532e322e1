/** Which products of the cupboard a load gets, how much, and what they cost: detergent by cloth and setting; bleach, vinegar and softener by the rules of the house. */
import { loadConstants } from '../cost/weights.ts';
import type { DetergentClass, Product } from '../model/household.ts';
import type { RuleEffects } from '../model/rule-effects.ts';
import type { Dose } from '../model/plan.ts';
import { clamp } from '../units/numbers.ts';
import { doseUnitOf, machineDose } from '../washing/dose.ts';
import {
  chooseProduct,
  clothNeeds,
  helperOfClass,
  isPowdered,
  sharedClasses,
  type ProductSituation,
} from '../washing/products.ts';
import { classesOfMask, type Basket } from './basket.ts';
import { duty, quality } from './bits.ts';
import { oxygenBleachBonusFromC } from '../piece/demand.ts';
import { every, hasDuty, type Features } from './features.ts';
import type { Setting } from './settings.ts';

export const productMoney = (p: Product, amount: number, unit: string): number =>
  amount *
  (p.pricePerUnit ??
    (unit === 'ml' || unit === 'g'
      ? loadConstants.detergentPerMlOrG
      : unit === 'sheet'
        ? loadConstants.detergentPerSheet
        : loadConstants.detergentPerPiece));

/** Classes the whole set permits, best compromise first; in a house that uses baths again the no-rinse product comes first by hand. */
function classesFor(b: Basket, f: Features, s: Setting): DetergentClass[] {
  const classes = sharedClasses(
    clothNeeds.filter((_, i) => f.needs & (1 << i)),
    new Set(classesOfMask(f.permitted)),
  );
  return s.method === 'hand' && b.household.rules.reuseBath && classes.includes('no-rinse-wool')
    ? ['no-rinse-wool', ...classes.filter((c) => c !== 'no-rinse-wool')]
    : classes;
}

/** A label forbids a detergent that bleaches; the rule avoids it while another is there. */
const bleachInDetergent = (
  { whites }: RuleEffects,
  forbidden: boolean,
  whitened: boolean,
): ProductSituation['bleach'] => (forbidden ? 'never' : whitened || !whites.oxygen ? 'last' : 'allowed');

/** Chlorine bleach that a setting may be given: house rule, a dispenser, warmth, and a product with a dose. */
export function chlorineAt(b: Basket, s: Setting): Product | null {
  if (!b.effects.whites.chlorine || s.method !== 'machine' || !s.washer.bleachDispenser) return null;
  if (s.temperatureC < oxygenBleachBonusFromC) return null;
  const chlorine = helperOfClass(b.household.products, 'chlorine-bleach');
  return chlorine?.dose && chlorine.dose.table.length > 0 ? chlorine : null;
}
/** Whites with something to brighten, each of which bears chlorine. */
const whitens = (b: Basket, f: Features, s: Setting): boolean =>
  hasDuty(f, duty.brighten) && every(f, quality.white) && every(f, quality.chlorine) && chlorineAt(b, s) !== null;

/**
 * The product of the cupboard for a set at a setting; remembered by cloth, permission and duties. What gets chlorine bleach gets no detergent with
 * oxygen bleach while another is there: the two undo each other.
 */
export function productFor(
  b: Basket,
  f: Features,
  s: Setting,
  index: number,
  whitened = whitens(b, f, s),
): Product | null {
  const duties =
    (whitened ? 16 : 0) +
    (hasDuty(f, duty.dark) ? 1 : 0) +
    (hasDuty(f, duty.noPowder) ? 2 : 0) +
    (hasDuty(f, duty.noPod) ? 4 : 0) +
    (hasDuty(f, duty.noBleach) ? 8 : 0);
  const key = (f.needs * 256 + (f.permitted & 255)) * 32 + duties;
  const memo = b.numbers[index]?.products;
  const known = memo?.get(key);
  if (known !== undefined) return known;
  const product = chooseProduct(b.household.products, classesFor(b, f, s), {
    method: s.method,
    temperatureC: s.temperatureC,
    washer: s.method === 'machine' ? s.washer : null,
    hasDark: hasDuty(f, duty.dark),
    noPowder: hasDuty(f, duty.noPowder),
    noPod: hasDuty(f, duty.noPod),
    bleach: bleachInDetergent(b.effects, hasDuty(f, duty.noBleach), whitened),
    hardnessMmolPerL: b.household.water.hardnessMmolPerL,
  });
  memo?.set(key, product);
  return product;
}

export function doseFor(b: Basket, p: Product, soil: number): (massKg: number) => number {
  const known = b.doses.get(p) ?? [];
  const dose = known[soil];
  if (dose) return dose;
  const fresh = machineDose(p, b.household.water.hardnessMmolPerL, soil, b.effects.dosing.undershoot);
  known[soil] = fresh;
  b.doses.set(p, known);
  return fresh;
}

/** Vinegar in the softener place, at most; softener when the pack says nothing. */
const vinegarMl = 60;
const softenerMl = 35;
export const noHelpers = { doses: [] as Dose[], money: 0, bright: false };

/** Bleach, vinegar or softener by the rules of the house; machine loads only. */
export function helpersFor(
  b: Basket,
  f: Features,
  s: Extract<Setting, { method: 'machine' }>,
  detergent: Product,
): { doses: Dose[]; money: number; bright: boolean } {
  const { products } = b.household;
  const whitesToBrighten =
    every(f, quality.white) && hasDuty(f, duty.brighten) && s.temperatureC >= oxygenBleachBonusFromC;
  const { helper } = b.effects.softening;
  if (!whitesToBrighten && helper === null) return noHelpers;
  const doses: Dose[] = [];
  let money = 0;
  let bright = false;
  const add = (p: Product, amount: number, compartment: Dose['compartment']): void => {
    doses.push({ product: p.id, class: p.class, amount, unit: doseUnitOf(p), compartment });
    money += productMoney(p, amount, doseUnitOf(p));
  };
  const chlorine = whitens(b, f, s) && !isPowdered(detergent) ? chlorineAt(b, s) : null;
  if (chlorine) {
    add(chlorine, doseFor(b, chlorine, f.soilColumn)(f.massKg), 'main');
    bright = true;
  } else if (b.effects.whites.oxygen && whitesToBrighten && !hasDuty(f, duty.noOxygen) && !isPowdered(detergent)) {
    const oxygen = helperOfClass(products, 'oxygen-bleach');
    if (oxygen) {
      add(oxygen, doseFor(b, oxygen, f.soilColumn)(f.massKg), 'main');
      bright = true;
    }
  }
  const bleached = doses.some((d) => d.class === 'chlorine-bleach');
  // Drawer and drum count as one bath: no acid in a load that gets a bleach.
  if (helper === 'vinegar' && !bleached && !bright && !hasDuty(f, duty.waterproof)) {
    const vinegar = helperOfClass(products, 'vinegar');
    if (vinegar) add(vinegar, vinegarMl * clamp(f.massKg / s.programme.maxLoadKg, 0.5, 1), 'softener');
  }
  if (helper === 'softener' && !bleached && !hasDuty(f, duty.noSoftener)) {
    const softener = helperOfClass(products, 'softener');
    if (softener)
      add(
        softener,
        softener.dose && softener.dose.table.length > 0 ? doseFor(b, softener, f.soilColumn)(f.massKg) : softenerMl,
        'softener',
      );
  }
  return { doses, money, bright };
}
