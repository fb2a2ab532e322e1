/**
 * The price of one load. Every set of pieces has a best setting and a cost, independent of all other loads, so that a
 * plan is the sum of its loads and of what waits. One function prices a set at a setting; asked for details it also
 * tells how the load would run.
 */
import { judgement } from '../cost/judgement.ts';
import { loadConstants } from '../cost/weights.ts';
import { detergentClasses, type DetergentClass, type Product } from '../model/household.ts';
import type { Violation } from '../model/constraints.ts';
import type { Dose } from '../model/plan.ts';
import { hotWaterKwh } from '../washing/basin.ts';
import { afterSoakDose, doseUnitOf, handBathDose, handDosePerLitre } from '../washing/dose.ts';
import { modelKwh, runKwh, runWaterL } from '../washing/energy.ts';
import { conflictOf, easyIronShirts, type Basket, type SettingNumbers } from './basket.ts';
import { duty, quality } from './bits.ts';
import {
  coldDeficit,
  companyPrice,
  dividedSetsPrice,
  emptyDrumPrice,
  greyingOf,
  resoilingOf,
  strangersIn,
} from './company-price.ts';
import { mixesKitchen } from './compatibility.ts';
import { cleaningEffect, wearUnitsOfWash } from '../piece/demand.ts';
import { isPowdered, isRinsedAgain } from '../washing/products.ts';
import { dyeView, weighDyes, worstTransfer, type DyeScratch } from './dye-view.ts';
import { every, featuresOf, hasDuty, type Features } from './features.ts';
import { handBath, handDuration, type HandBath } from './hand-bath.ts';
import { doseFor, helpersFor, noHelpers, productFor, productMoney } from './product-choice.ts';
import { fillOfSet, spinOfSet, type Setting } from './settings.ts';
import { donorShares, type Transfer } from './transfer.ts';

export interface PricedLoad {
  feasible: true;
  pieces: readonly number[];
  setting: Setting;
  settingIndex: number;
  cost: number;
  /** The part of the cost that does not belong to single pieces. */
  loadCost: number;
  massKg: number;
  fill: number;
  spinRpm: number;
  product: Product;
  doseAmount: number;
  doseUnit: string;
  catcher: Product | null;
  /** Catcher, bleach, vinegar or softener. */
  helpers: readonly Dose[];
  worstTransfer: Transfer | null;
  energyKwh: number;
  waterL: number;
  money: number;
  durationMin: number;
  attendedMin: number;
  extraRinse: boolean;
  deficits: readonly number[];
  /** What the drum costs for being nearly empty; no part of what waiting costs. */
  emptyDrum: number;
  /** What the company costs, EUR, the uses that lie side by side, and the strangers in the programme. */
  company: { greying: number; resoiling: number; uses: number; dividedSets: number; strangers: number };
  bath: HandBath | null;
}
export interface UnpricedLoad {
  feasible: false;
  pieces: readonly number[];
  violations: readonly Violation[];
}
export type LoadPrice = PricedLoad | UnpricedLoad;

/** From the worst to the least bad. */
const violationOrder: readonly Violation[] = [
  'H4',
  'H5',
  'H11',
  'H6',
  'H7',
  'H10',
  'H3',
  'H2',
  'no-suitable-product',
  'H1',
  'no-suitable-programme',
];
/** A refused setting is a negative number that tells the broken constraint. */
const broken = (v: Violation): number => -1 - violationOrder.indexOf(v);

/** A full drum; a confirmed decision may pack it to 1.2. */
const fillLimit = (f: Features): number => (hasDuty(f, duty.overfill) ? 1.2 : 1) + 1e-9;
/**
 * A rule that only a setting breaks: bulk beside delicates in a drum, kitchen linen beside underwear or floor cloths
 * below 60 °C, no wool in a wool programme.
 */
function brokenByCompany(b: Basket, f: Features, s: Setting): Violation | null {
  if (s.method === 'machine') {
    if (hasDuty(f, duty.bulk) && hasDuty(f, duty.bulkSuffers)) return 'H7';
    if (s.programme.family === 'wool' && !hasDuty(f, duty.wool)) return 'H1';
  }
  const tooCool = s.temperatureC < b.effects.kitchenLinen.apartBelowC;
  return tooCool && mixesKitchen(f.uses) ? 'H11' : null;
}

/**
 * A way of pricing that a bound supposes: this product, dosed for this soil, with strangers in the programme or not;
 * whites brightened or not; with a catcher or without.
 */
export interface Supposed {
  product: Product;
  soilColumn: number;
  strangers: boolean;
  bright: boolean;
  caught: boolean;
}
const strangersAt = (s: Setting, f: Features): number =>
  s.method === 'machine' ? strangersIn(f, s.programme.family) : 0;
/** Whether a set at a setting is really washed as supposed, but for the catcher. */
export const isAsSupposed = (b: Basket, f: Features, index: number, m: Supposed): boolean => {
  const s = b.settings[index];
  if (s?.method === 'machine' && helpersFor(b, f, s, m.product).bright !== m.bright) return false;
  return (
    s !== undefined &&
    f.soilColumn === m.soilColumn &&
    productFor(b, f, s, index) === m.product &&
    strangersAt(s, f) > 0 === m.strangers &&
    brokenByCompany(b, f, s) === null
  );
};

/**
 * What a supposed pricing tells beside its cost, written into an object of the caller (one for millions of calls):
 * what the set's harm (dye, greying, soil, uses side by side), and its whole cost, come to at least in every larger
 * set that is washed as supposed, EUR, and whether a catcher is due. A larger set may spin slower (less energy) or
 * lose its vinegar or softener; a hand bath may lose its soak, so that nothing is claimed of it.
 */
export interface SupersetBounds {
  harmAtLeast: number;
  costAtLeast: number;
  catcherDue: boolean;
}
export const noSupersetBounds = (): SupersetBounds => ({ harmAtLeast: 0, costAtLeast: -Infinity, catcherDue: false });

/** Missing cleanliness of an entry, of all its pieces. */
const pieceDeficit = (b: Basket, i: number, effect: number): number => {
  const p = b.pieces[i];
  return p ? Math.max(0, p.need - effect) * p.pieces : 0;
};
/** The same of every piece in a machine run, worked out when first asked for; a hand bath's minutes depend on its load. */
function deficitsOf(b: Basket, n: SettingNumbers, detergentClass: number, bright: boolean): Float64Array {
  const at = detergentClass * 2 + (bright ? 1 : 0);
  const known = n.deficits[at];
  if (known) return known;
  const effect = (bright ? n.brightEffect : n.effect)[detergentClass] ?? 0;
  const fresh = Float64Array.from(b.pieces, (_, i) => pieceDeficit(b, i, effect));
  n.deficits[at] = fresh;
  return fresh;
}

const catcherMoney = (catcher: Product): number => productMoney(catcher, 1, doseUnitOf(catcher));
/** Whether a catcher is due by the dyes of a set looked at last. */
const catcherDue = (b: Basket, f: Features, dyes: DyeScratch): boolean =>
  b.catcher !== null && (hasDuty(f, duty.catcher) || dyes.passesWhite);
/** Whether a catcher goes in: where one is due, and below that where it saves more damage than it costs. */
function catcherPays(b: Basket, dyes: DyeScratch, due: boolean): boolean {
  const { catcher, weights: w } = b;
  if (due || catcher === null) return due;
  return w.dyeDamage * dyes.damageCaught + w.resources * catcherMoney(catcher) < w.dyeDamage * dyes.damage;
}

/** A set of pieces, and what is found once for all settings it is priced at. */
export interface PricedSet {
  pieces: readonly number[];
  features: Features;
  /** Root of the donor share by dye group. */
  shares: Float64Array;
  /** What the sets it holds a part of cost, EUR. */
  dividedSets: number;
}
const setOf = (
  b: Basket,
  pieces: readonly number[],
  features: Features,
  shares = donorShares(b, pieces, b.dyeScratch.shares),
): PricedSet => ({ pieces, features, shares, dividedSets: dividedSetsPrice(b, pieces) });

/** Cost of a set at a setting, or a negative code of the constraint it breaks. `detail` receives the whole load. */
function costAt(
  b: Basket,
  { pieces, features: f, shares, dividedSets }: PricedSet,
  index: number,
  detail: ((load: PricedLoad) => void) | null,
  supposed: Supposed | null = null,
  cutoff = Infinity,
  bounds: SupersetBounds | null = null,
): number {
  const s = b.settings[index];
  const n = b.numbers[index];
  if (!s || !n) return broken('no-suitable-programme');
  const { household, weights: w } = b;
  const fill = fillOfSet(s, f);
  if (fill > fillLimit(f)) return broken('H2');
  if (b.effects.shirtAim.easyIron && f.shirts > easyIronShirts) return broken('H2');
  // A supposed set may still gain the wool that its programme asks for.
  const against = brokenByCompany(b, f, s);
  if (against !== null && !(supposed && against === 'H1')) return broken(against);
  const spinRpm = s.method === 'machine' ? spinOfSet(s, f, n.spins) : 0;
  if (spinRpm === null) return broken('H1');
  const product = supposed?.product ?? productFor(b, f, s, index);
  if (!product) return broken('no-suitable-product');
  const soil = supposed?.soilColumn ?? f.soilColumn;
  const detergent = product.class as DetergentClass;
  const classIndex = detergentClasses.indexOf(detergent);
  const powder = isPowdered(product);
  const extraRinse = s.method === 'machine' && (hasDuty(f, duty.extraRinse) || isRinsedAgain(product));
  const helpers = s.method === 'machine' ? helpersFor(b, f, s, product) : noHelpers;
  const bright = supposed ? supposed.bright : helpers.bright;
  const doseUnit = doseUnitOf(product);
  const soaked = every(f, quality.soaked);
  let bath: HandBath | null = null;
  let doseAmount: number;
  let energyKwh: number;
  let waterL: number;
  let durationMin: number;
  let attendedMin: number;
  let effect: number;
  let wearPerFactor: number;
  let runMoney = 0;
  if (s.method === 'machine') {
    doseAmount = doseFor(b, product, soil)(f.massKg);
    const run = {
      row: n.waterRow,
      fullKwh: n.fullKwh,
      fullWaterL: s.programme.waterL,
      temperatureC: s.temperatureC,
      spinRpm,
      massKg: f.massKg,
      fill,
      coldC: household.water.coldC,
      extraRinse,
    };
    energyKwh = runKwh(run);
    waterL = runWaterL(run);
    durationMin = s.programme.durationMin;
    attendedMin = loadConstants.machineAttendedMin;
    effect = (bright ? n.brightEffect : n.effect)[classIndex] ?? 0;
    wearPerFactor = n.wearPerFactor;
    runMoney = s.washer.pricePerRun > 0 ? s.washer.pricePerRun : loadConstants.washerWearPerRun;
  } else {
    const perLitre = handDosePerLitre(product) ?? 0;
    bath = handBath(b, s, f, perLitre, product.class === 'no-rinse-wool');
    doseAmount = handBathDose(perLitre, bath.litres, soil, b.effects.dosing.undershoot);
    energyKwh = hotWaterKwh(bath.hotL * (1 + bath.rinses), household.water.hotC, household.water.coldC);
    waterL = bath.litres * (1 + bath.rinses);
    durationMin = handDuration(bath);
    attendedMin = loadConstants.handAttendedMin + loadConstants.handExtraPieceMin * (f.pieces - 1);
    const minutes = bath.soakMin + bath.moveMin;
    effect = cleaningEffect(s.temperatureC, 'hand', minutes, detergent);
    wearPerFactor = wearUnitsOfWash(s.temperatureC, 'hand', minutes, 1);
  }
  if (soaked) doseAmount = afterSoakDose(doseAmount, doseUnit);
  const products = productMoney(product, doseAmount, doseUnit) + helpers.money;
  const plain =
    energyKwh * household.tariff.electricityPerKwh + (waterL / 1000) * household.tariff.waterPerM3 + products;
  const strangers = strangersAt(s, f);
  const fixed =
    w.attendedMinute * attendedMin +
    w.elapsedMinute * durationMin +
    ((supposed ? supposed.strangers : strangers > 0) ? w.otherFamily : 0);
  let deficit = f.heat * coldDeficit(s.temperatureC);
  if (s.method === 'machine') {
    const deficits = deficitsOf(b, n, classIndex, bright);
    for (const i of pieces) deficit += deficits[i] as number;
  } else for (const i of pieces) deficit += pieceDeficit(b, i, effect);
  const bleached = powder || bright;
  const pieceCost =
    w.lambdaClean * deficit +
    w.lambdaGentle * wearPerFactor * (powder ? f.powderWearEur : f.wearEur) +
    judgement.stranger * strangers +
    (bleached ? 0 : f.bleachLostEur);
  const company = companyPrice(f, s, fill);
  const emptyDrum = emptyDrumPrice(s, fill);
  // Dye can only add to this, so a set that is already too dear is not looked at for it.
  const beside = company + emptyDrum + dividedSets;
  if (w.resources * (plain + runMoney) + fixed + pieceCost + beside >= cutoff) return Infinity;
  const dyes = weighDyes(b, pieces, index, shares);
  const due = catcherDue(b, f, dyes);
  // Supposed without a catcher, a load is none where one is due.
  if (due && supposed?.caught === false) return broken('H3');
  const catcher = (supposed ? supposed.caught : catcherPays(b, dyes, due)) ? b.catcher : null;
  if (!(catcher ? dyes.allowedCaught : dyes.allowed)) return broken('H3');
  const resources = plain + (catcher ? catcherMoney(catcher) : 0);
  const loadCost = w.resources * (resources + runMoney) + fixed;
  const dyeCost = w.dyeDamage * (catcher ? dyes.damageCaught : dyes.damage);
  const cost = loadCost + pieceCost + dyeCost + beside;
  if (bounds) {
    bounds.harmAtLeast = dyeCost + company;
    bounds.catcherDue = due;
    const spinKwh =
      n.fullKwh === null ? energyKwh - modelKwh(n.waterRow, f.massKg, s.temperatureC, household.water.coldC, 0) : 0;
    bounds.costAtLeast =
      s.method === 'hand'
        ? -Infinity
        : cost - emptyDrum - dividedSets - w.resources * (helpers.money + spinKwh * household.tariff.electricityPerKwh);
  }
  if (detail) {
    const catcherDose: Dose[] = catcher
      ? [
          {
            product: catcher.id,
            class: catcher.class,
            amount: 1,
            unit: doseUnitOf(catcher),
            compartment: s.method === 'hand' ? 'basin' : 'drum',
          },
        ]
      : [];
    detail({
      feasible: true,
      pieces,
      setting: s,
      settingIndex: index,
      cost,
      loadCost,
      massKg: f.massKg,
      fill,
      spinRpm,
      product,
      doseAmount,
      doseUnit,
      catcher,
      helpers: [...catcherDose, ...helpers.doses],
      worstTransfer: worstTransfer(b, pieces, index, shares, catcher !== null),
      energyKwh,
      waterL,
      money: resources + (s.method === 'machine' ? s.washer.pricePerRun : 0),
      durationMin,
      attendedMin,
      extraRinse,
      deficits: pieces.map((i) => Math.max(0, (b.pieces[i]?.need ?? 0) - effect)),
      emptyDrum,
      company: { greying: greyingOf(f, s), resoiling: resoilingOf(f), uses: f.uses, dividedSets, strangers },
      bath,
    });
  }
  return cost;
}

const allowedAt = (b: Basket, pieces: readonly number[], index: number): boolean => {
  for (const i of pieces) if (!b.allowed[i]?.[index]) return false;
  return true;
};
export const conflictFree = (b: Basket, pieces: readonly number[]): boolean => {
  const n = b.profiles.length;
  for (let x = 0; x < pieces.length; x++)
    for (let y = x + 1; y < pieces.length; y++)
      if (b.clash[(pieces[x] as number) * n + (pieces[y] as number)]) return false;
  return true;
};

/** Only the number: cost of the cheapest setting and that setting, or Infinity. Not remembered. */
export function cheapest(b: Basket, pieces: readonly number[]): { cost: number; setting: number } {
  const best = { cost: Infinity, setting: -1 };
  if (!conflictFree(b, pieces)) return best;
  const set = setOf(b, pieces, featuresOf(b, pieces));
  for (let word = 0; word < b.settingWords; word++) {
    let bits = -1;
    for (const i of pieces) bits &= b.allowedBits[i * b.settingWords + word] ?? 0;
    while (bits !== 0) {
      const bit = 31 - Math.clz32(bits & -bits);
      bits &= bits - 1;
      const index = word * 32 + bit;
      const cost = costAt(b, set, index, null, null, best.cost);
      if (cost >= 0 && cost < best.cost - tie) {
        best.cost = cost;
        best.setting = index;
      }
    }
  }
  return best;
}
/** Costs nearer than this are a tie, decided by the order of the household. */
const tie = 1e-9;

/**
 * Cost of a set at one setting as supposed, EUR; Infinity when refused, and then `bounds` is left as it was. The
 * caller has checked that every piece may run there and that no two conflict.
 */
export function supposedCost(
  b: Basket,
  pieces: readonly number[],
  f: Features,
  shares: Float64Array,
  index: number,
  m: Supposed,
  bounds: SupersetBounds,
): number {
  const cost = costAt(b, setOf(b, pieces, f, shares), index, null, m, Infinity, bounds);
  return cost < 0 ? Infinity : cost;
}
/**
 * Cost of a set at one setting; Infinity when refused. The caller has checked that every piece may run there and that
 * no two conflict.
 */
export function costAtSetting(b: Basket, pieces: readonly number[], f: Features, index: number): number {
  const cost = costAt(b, setOf(b, pieces, f), index, null);
  return cost < 0 ? Infinity : cost;
}
/** The whole load of a set at one setting; null when the setting is refused. */
export function loadAt(b: Basket, pieces: readonly number[], index: number): PricedLoad | null {
  if (!allowedAt(b, pieces, index) || !conflictFree(b, pieces)) return null;
  let load: PricedLoad | null = null;
  costAt(b, setOf(b, pieces, featuresOf(b, pieces)), index, (l) => {
    load = l;
  });
  return load;
}

/** Every feasible price of a set, one per setting, cheapest first; ties by the order of the household. */
export const pricesBySetting = (b: Basket, pieces: readonly number[]): PricedLoad[] =>
  b.settings.flatMap((_, i) => loadAt(b, pieces, i) ?? []).sort((x, y) => x.cost - y.cost);

/**
 * Best price of a set taken as one load, or which constraints its least bad setting breaks. `pieces` are ascending
 * indices.
 */
export function priceLoad(b: Basket, pieces: readonly number[]): LoadPrice {
  const key = pieces.join(',');
  const known = b.cache.get(key);
  if (known) return known;
  const { setting } = cheapest(b, pieces);
  const price = (setting >= 0 ? loadAt(b, pieces, setting) : null) ?? unpriced(b, pieces);
  b.cache.set(key, price);
  return price;
}

/** Everything a set breaks at a setting that each of its pieces bears. */
function violationsAt(
  b: Basket,
  pieces: readonly number[],
  f: Features,
  shares: Float64Array,
  index: number,
): Violation[] {
  const s = b.settings[index];
  const n = b.numbers[index];
  if (!s || !n) return ['no-suitable-programme'];
  const out: Violation[] = [];
  if (!dyeView(b, pieces, f, index, shares, false).allowed) out.push('H3');
  if (fillOfSet(s, f) > fillLimit(f) || (b.effects.shirtAim.easyIron && f.shirts > easyIronShirts)) out.push('H2');
  if (!productFor(b, f, s, index)) out.push('no-suitable-product');
  if (s.method === 'machine' && spinOfSet(s, f, n.spins) === null) out.push('H1');
  const against = brokenByCompany(b, f, s);
  if (against !== null && !out.includes(against)) out.push(against);
  return out;
}

function unpriced(b: Basket, pieces: readonly number[]): UnpricedLoad {
  const standing = new Set<Violation>();
  for (const i of pieces)
    for (const j of pieces) {
      const c = i < j ? conflictOf(b, i, j) : null;
      if (c) standing.add(c.constraint);
    }
  if (standing.size > 0) return { feasible: false, pieces, violations: violationOrder.filter((v) => standing.has(v)) };
  const f = featuresOf(b, pieces);
  const shares = donorShares(b, pieces);
  const badness = (vs: readonly Violation[]): number =>
    vs.length * 100 - Math.max(...vs.map((v) => violationOrder.indexOf(v)));
  let least: Violation[] | null = null;
  b.settings.forEach((_, i) => {
    if (!allowedAt(b, pieces, i)) return;
    const vs = violationsAt(b, pieces, f, shares, i);
    if (least === null || badness(vs) < badness(least)) least = vs;
  });
  if (least !== null) return { feasible: false, pieces, violations: least };
  const eachSomewhere = pieces.every((p) => b.allowed[p]?.some(Boolean));
  return { feasible: false, pieces, violations: [eachSomewhere ? 'H1' : 'no-suitable-programme'] };
}

/** Largest dry mass a setting takes, for the share of a later load. */
const capacityKg = (load: PricedLoad): number =>
  load.setting.method === 'machine' ? load.setting.programme.maxLoadKg : load.massKg / load.fill;

/**
 * Cost of putting a piece off to the next wash day: its own terms, its share of a usual load then, the days of
 * waiting, and that it was asked for. A drum nearly empty and a set divided are no part of it.
 */
export function deferralCost(b: Basket, piece: number): number {
  const p = b.profiles[piece];
  if (!p) return 0;
  const perPiece = b.household.daysToNextWash * b.weights.waitingPerDay * p.urgency + judgement.askedFor;
  return shareOfUsualLoad(b, piece) + perPiece * p.pieces;
}
/**
 * What washing a piece costs in a load filled as usual, EUR: its own terms and its share of the rest; 0 where no
 * setting fits.
 */
export function shareOfUsualLoad(b: Basket, piece: number): number {
  const massKg = b.profiles[piece]?.massKg ?? 0;
  let least = Infinity;
  for (const load of pricesBySetting(b, [piece])) {
    const own = load.cost - load.loadCost - load.emptyDrum - load.company.dividedSets;
    least = Math.min(least, own + (load.loadCost * massKg) / (loadConstants.typicalFill * capacityKg(load)));
  }
  return Number.isFinite(least) ? least : 0;
}
