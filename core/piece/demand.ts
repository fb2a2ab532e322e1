/**
 * What pulls against the envelope: soil and hygiene ask for temperature, action, time and chemistry (Sinner's circle); every wash wears
 * the cloth; waiting costs. All scales are engineering estimates, open to calibration.
 */
import type { ColourFacts } from '../colour/colour.ts';
import { hasSignificant, isWool, mainParts, significantFibres } from '../fibre/blend.ts';
import type { FibreId } from '../fibre/fibres.ts';
import { kindFacts, type Use } from '../garment/kinds.ts';
import type { Garment } from '../model/garment.ts';
import type { DetergentClass } from '../model/household.ts';
import type { Action, Soil } from '../model/orders.ts';
import { stainFacts, stainWashes } from '../stain/stains.ts';
import { interpolate } from '../units/numbers.ts';

export const needBySoil: Record<Soil, number> = { none: 0.2, light: 0.4, normal: 0.55, heavy: 0.75, hazardous: 0.9 };
const bodyNeed = { skin: 0.1, body: 0.35, linen: 0.4, sweaty: 0.15 } as const;

/** Cleaning need N on 0–1: soil, body contact, sweat, stains, hygiene. */
export function cleaningNeed(g: Garment): number {
  if (g.hygiene) return 1;
  const group = kindFacts(g.kind).wearGroup;
  const linen = kindFacts(g.kind).physicalFibre === 'terry' || group === 'sheet' || group === 'tea_towel';
  const body =
    group === 'underwear' ||
    group === 'socks' ||
    group === 'sportswear' ||
    kindFacts(g.kind).use === 'baby' ||
    (group === 'shirt' && g.stains.some((s) => s.kind === 'collar-cuff'));
  const contact = linen ? bodyNeed.linen : body ? bodyNeed.body : g.nextToSkin ? bodyNeed.skin : 0;
  const stain = Math.max(0, ...g.stains.map((s) => stainWashes[stainFacts(s.kind).wash].leastNeed ?? 0));
  return Math.min(1, Math.max(needBySoil[g.soil] + contact + (g.activity === 'sweaty' ? bodyNeed.sweaty : 0), stain));
}

const temperatureEffect = { c: [20, 30, 40, 60, 90], e: [0.45, 0.8, 0.9, 1, 1.08] } as const;
const actionEffect: Record<Action, number> = { normal: 1, mild: 0.9, 'very-mild': 0.7, hand: 0.6, none: 0 };
const detergentEffect: Record<DetergentClass, number> = {
  universal: 1,
  colour: 0.95,
  dark: 0.93,
  delicate: 0.88,
  'wool-silk': 0.85,
  'no-rinse-wool': 0.8,
  soap: 0.8,
  'own-soap': 0.8,
};
const oxygenBleachBonus = 0.05;
export const oxygenBleachBonusFromC = 30;

/** Cleaning effect E of a setting; minutes = programme duration, by hand soaking and moving. */
export function cleaningEffect(
  temperatureC: number,
  action: Action,
  minutes: number,
  detergent: DetergentClass,
  oxygenBleach = false,
): number {
  const t = interpolate(temperatureC, temperatureEffect.c, temperatureEffect.e);
  const d = Math.min(1.05, (minutes / 120) ** 0.2);
  return (
    t *
    actionEffect[action] *
    d *
    (detergentEffect[detergent] + (oxygenBleach && temperatureC >= oxygenBleachBonusFromC ? oxygenBleachBonus : 0))
  );
}

const actionWear: Record<Action, number> = { normal: 1, mild: 0.65, 'very-mild': 0.4, hand: 0.3, none: 0 };
const fibreWear = { robust: 1, household: 0.5, regenerated: 1.5, silk: 2.5, wool: 3, fine: 2 } as const;
const regenerated: readonly FibreId[] = ['viscose', 'modal', 'lyocell', 'acetate', 'triacetate', 'cupro'];

function clothWear(g: Garment): number {
  const factors: number[] = [];
  if (hasSignificant(g.parts, isWool)) factors.push(fibreWear.wool);
  if (hasSignificant(g.parts, (f) => f === 'silk')) factors.push(fibreWear.silk);
  if (
    hasSignificant(g.parts, (f) => f === 'down-fill' || f === 'coated') ||
    [...g.traits].some((t) => t === 'lace' || t === 'sequins' || t === 'waterproof' || t === 'membrane')
  )
    factors.push(fibreWear.fine);
  const elastic = mainParts(g.parts).some((p) => p.fibres.some((f) => f.fibre === 'elastane' && f.percent >= 10));
  if (elastic || mainParts(g.parts).some((p) => significantFibres(p.fibres).some((s) => regenerated.includes(s.fibre))))
    factors.push(fibreWear.regenerated);
  if (factors.length > 0) return Math.max(...factors);
  const household = kindFacts(g.kind).physicalFibre === 'terry' || kindFacts(g.kind).wearGroup === 'sheet';
  return household ? fibreWear.household : fibreWear.robust;
}

/** Cloth and colour part of the wear: f · k. */
export function wearFactor(g: Garment, colour: ColourFacts, insideOut: boolean): number {
  const deep = ['dark', 'black', 'bright'].includes(colour.class);
  return clothWear(g) * (deep ? (insideOut ? 0.9 : 1.3) : 1);
}

/** Universal powder and tablets are alkaline and bleach: harder on cloth, harder still on colour. */
export const powderWear = (coloured: boolean): number => (coloured ? 1.3 : 1.1);

/** Wear units of one wash; 1 = robust white cotton, 40 °C, normal, two hours. */
export const wearUnitsOfWash = (temperatureC: number, action: Action, minutes: number, factor: number): number =>
  2 ** ((temperatureC - 40) / 20) * actionWear[action] * Math.sqrt(minutes / 120) * factor;

const urgencyBySoil: Record<Soil, number> = { none: 0, light: 0.05, normal: 0.2, heavy: 0.5, hazardous: 0.5 };

/** An overdue piece waits dearer: by its wear units beyond one, three times at most. */
const mostOverdue = 3;

/** Urgency of a piece that waits: soil, yellowing next to the skin, sweat, open stain (0–1 together); more when it is overdue by its wear units. */
export function waitUrgency(g: Garment, colour: ColourFacts, wearUnits = 0): number {
  const pale = (colour.class === 'white' || colour.class === 'light') && g.nextToSkin;
  const atOnce =
    urgencyBySoil[g.soil] + (pale ? 0.2 : 0) + (g.activity === 'sweaty' ? 0.3 : 0) + (g.stains.length > 0 ? 0.3 : 0);
  // Wet out of the soak: it turns musty.
  if (g.soaked) return mostOverdue;
  return Math.min(1, atOnce) * Math.min(mostOverdue, 1 + Math.max(0, wearUnits - 1));
}

const heatUses: readonly Use[] = ['kitchen', 'towel', 'bed', 'body', 'baby'];
/** Grease and germs stay in linen below this, °C. */
export const linenHeatC = 60;
/**
 * How much a wash below 60 °C leaves undone in a piece, 0–1: linen and underwear that bear 60 °C, half of it for nightwear; a white undyed piece that is
 * heavily soiled counts, too. `bearsC` = its own envelope.
 */
export function heatNeed(g: Garment, bearsC: number, colour: ColourFacts): number {
  if (bearsC < linenHeatC) return 0;
  const boiled = g.dye === 'undyed' && colour.class === 'white' && g.soil === 'heavy';
  if (!heatUses.includes(g.use) && !boiled) return 0;
  return kindFacts(g.kind).wearGroup === 'pyjama' && g.use === 'body' ? 0.5 : 1;
}
