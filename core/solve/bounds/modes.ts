/**
 * The modes of washing that a load of a group may be in, each with what it costs at least and what every item adds at least: the separable lower
 * bounds on which the search for columns and the share bound rest.
 */
import { loadConstants } from '../../cost/weights.ts';
import { detergentClasses, type DetergentClass, type Product } from '../../model/household.ts';
import { effectOf } from '../../model/rule-effects.ts';
import { bathCare, bathCareOrder } from '../../washing/basin.ts';
import { afterSoakDose, doseUnitOf, machineDose } from '../../washing/dose.ts';
import { runKwh, runWaterL } from '../../washing/energy.ts';
import type { PieceNumbers } from '../../price/basket.ts';
import { duty, quality } from '../../price/bits.ts';
import { cleaningEffect, oxygenBleachBonusFromC, wearUnitsOfWash } from '../../piece/demand.ts';
import { featuresOf } from '../../price/features.ts';
import { handStepMinutes } from '../../price/hand-bath.ts';
import type { Supposed } from '../../price/price.ts';
import { chlorineAt, possibleProducts, productFor as productOf, productMoney } from '../../price/product-choice.ts';
import { coldDeficit, strangersIn } from '../../price/company-price.ts';
import { judgement } from '../../cost/judgement.ts';
import { isPowdered } from '../../washing/products.ts';
import { fillFractionFor, type Setting } from '../../price/settings.ts';
import type { Instance } from '../instance.ts';

/** One supposed way of washing: a setting, a product, a soil to dose for, the programme's own family or not. */
export interface Mode {
  index: number;
  supposed: Supposed;
  /** What a load in this mode costs at least, whatever is in it. */
  base: number;
  /** Summed over a set and added to `base`, a lower bound of its cost; Infinity where an item may not take part. */
  leastCost: Float64Array;
  /** What an item adds at least to any set it joins: dose and water may be paid for already, wear and missing cleanliness never are. */
  leastAdded: Float64Array;
  /** Share of the drum or basin an item fills, by the measure (mass or volume) that fills up first. */
  room: Float64Array;
  /** The same by the other measure; null where there is but one. A load fits only if it fits by both, and so by every mix of them. */
  otherRoom: Float64Array | null;
  /** Room by volume beside something that is no down: alone, down fills a drum further. Null where that tells nothing. */
  mixedRoom: Float64Array | null;
  /** What the mode supposes becomes real only with certain items: bit r of an item tells that it serves condition r; a load needs all bits of `conditions`. */
  serves: Uint8Array;
  conditions: number;
}

const clothKey = (x: PieceNumbers): number => x.needs * 256 + x.permitted;
/** How a load can stand to its programme: who may be in it, and who must be. */
interface Admission {
  strangers: boolean;
  may: (x: PieceNumbers) => boolean;
  must: ((x: PieceNumbers) => boolean) | null;
}
const anyone = (): boolean => true;
/** By hand nobody is a stranger; in a machine a load has strangers or none, and a wool load needs a piece of wool. */
function admissions(s: Setting): Admission[] {
  if (s.method === 'hand') return [{ strangers: false, may: anyone, must: null }];
  const { family } = s.programme;
  if (family === 'wool') return [{ strangers: false, may: anyone, must: (x) => (x.duties & duty.wool) !== 0 }];
  const stranger = (x: PieceNumbers): boolean => strangersIn(x, family) > 0;
  return [
    { strangers: false, may: (x) => !stranger(x), must: null },
    { strangers: true, may: anyone, must: stranger },
  ];
}
type Rooms = Pick<Mode, 'room' | 'otherRoom' | 'mixedRoom'>;
/** Which cloths a load with a product can hold, and which of them alone ask for it (null = mixes of others can get it too). */
interface ProductCloths {
  allowed: ReadonlySet<number>;
  required: ReadonlySet<number> | null;
}
/** Items that bring the same numbers and bear the same settings: real linen repeats. */
function firstAlike({ basket: b, items }: Instance): Int32Array {
  const seen = new Map<string, number>();
  return Int32Array.from(items, ({ pieces }, i) => {
    const key = JSON.stringify(
      pieces.map((p) => [b.pieces[p], ...b.allowedBits.subarray(p * b.settingWords, (p + 1) * b.settingWords)]),
    );
    const first = seen.get(key) ?? i;
    seen.set(key, first);
    return first;
  });
}
/** More different cloths than this are not tried in every mix. */
const mostCloths = 10;
/** Every mix of the duties that a choice of product asks for. */
const dutyMixes = Array.from(
  { length: 16 },
  (_, k) =>
    (k & 1 ? duty.dark : 0) | (k & 2 ? duty.noPowder : 0) | (k & 4 ? duty.noPod : 0) | (k & 8 ? duty.noBleach : 0),
);
/** A pack dose at nothing, on the line through its rising part, as a share of the least dose (0.35 of 0.35 + 0.65 × 0.25). */
const doseLineAtNothing = 0.35 / 0.5125;
/** Shortest hand steps without soak and rinse, and the longest soak and move, minutes. */
const handLeastMin =
  handStepMinutes.fill + handStepMinutes.move + handStepMinutes.drain + handStepMinutes.press + handStepMinutes.roll;
const handMostMin = 15 + handStepMinutes.move;

/** What a load saves at most by being fuller, EUR, in estimates by what items add at least: a nearly empty drum has its price. */
export const emptyDrumAtMost = 0.05;

export class Modes {
  readonly inst: Instance;
  /** A load is full at 1, packed by a confirmed decision at 1.2; the hair above is the price's own tolerance. */
  readonly full: number;
  readonly list: readonly Mode[];
  private readonly rooms: Map<number, Rooms>;
  /** The first item that no mode tells from each item. */
  private readonly firstAlike: Int32Array;
  private readonly cloths = new Map<string, Map<Product, ProductCloths> | null>();
  private constructor(inst: Instance, rooms: Map<number, Rooms>, list: (modes: Modes) => Mode[]) {
    this.inst = inst;
    this.full = (inst.basket.pieces.some((p) => (p.duties & duty.overfill) !== 0) ? 1.2 : 1) + 1e-9;
    this.rooms = rooms;
    this.firstAlike = firstAlike(inst);
    this.list = list(this);
  }
  static of(inst: Instance): Modes {
    return new Modes(inst, new Map(), (modes) => modes.build());
  }
  /** What an item adds at least to any set it joins at a setting: [item × settings + setting]; Infinity where it may not take part. */
  leastAddedAt(): Float64Array {
    const settings = this.inst.basket.settings.length;
    const added = new Float64Array(this.inst.items.length * settings).fill(Infinity);
    for (const m of this.list)
      m.leastAdded.forEach((cost, i) => {
        const at = i * settings + m.index;
        added[at] = Math.min(added[at] as number, cost);
      });
    return added;
  }
  /** The same modes for a branch in which the items of each group have become one. */
  merged(inst: Instance, groups: readonly (readonly number[])[]): Modes {
    const merge = (xs: Float64Array): Float64Array =>
      Float64Array.from(groups, (g) => g.reduce((t, i) => t + (xs[i] as number), 0));
    const rooms = new Map(
      [...this.rooms].map(
        ([k, r]) =>
          [
            k,
            {
              room: merge(r.room),
              otherRoom: r.otherRoom && merge(r.otherRoom),
              mixedRoom: r.mixedRoom && merge(r.mixedRoom),
            },
          ] as const,
      ),
    );
    return new Modes(inst, rooms, () =>
      this.list.map((m) => ({
        ...m,
        leastCost: merge(m.leastCost),
        leastAdded: merge(m.leastAdded),
        ...(rooms.get(m.index) as Rooms),
        serves: Uint8Array.from(groups, (g) => g.reduce((bits, i) => bits | (m.serves[i] as number), 0)),
      })),
    );
  }
  private build(): Mode[] {
    const { basket: b, items } = this.inst;
    const soils = [
      ...new Set(items.map((item) => Math.max(...item.pieces.map((p) => b.pieces[p]?.soilColumn ?? 0)))),
    ].sort();
    const brights = items.some((item) => item.pieces.some((p) => ((b.pieces[p]?.duties ?? 0) & duty.brighten) !== 0))
      ? [false, true]
      : [false];
    const catchers = b.catcher ? [false, true] : [false];
    return b.settings.flatMap((setting, index) => {
      if (!items.some((item) => this.may(item.pieces, index))) return [];
      const products = possibleProducts(b, index);
      const cloths = this.clothsByProduct(index, products);
      return products.flatMap((product) => {
        const held = cloths?.get(product);
        if (cloths && !held) return [];
        const admitted = admissions(setting);
        return soils.flatMap((soilColumn) =>
          admitted.flatMap((k) =>
            brights.flatMap((bright) =>
              catchers.flatMap(
                (caught) =>
                  this.modeOf(
                    index,
                    { product, soilColumn, strangers: k.strangers, bright, caught },
                    held ?? null,
                    k,
                  ) ?? [],
              ),
            ),
          ),
        );
      });
    });
  }
  private may(pieces: readonly number[], k: number): boolean {
    const { basket: b } = this.inst;
    for (const p of pieces) if (!((b.allowedBits[p * b.settingWords + (k >> 5)] ?? 0) & (1 << (k & 31)))) return false;
    return true;
  }

  /**
   * Which cloth (needs and permitted classes) a load with each product can hold: the house rule of choosing a product by the whole load's cloth
   * keeps, say, a universal powder to whites. Found by trying every mix of the cloths at hand; null when there are too many.
   */
  private clothsByProduct(index: number, products: readonly Product[]): Map<Product, ProductCloths> | null {
    const { basket: b } = this.inst;
    const s = b.settings[index];
    if (!s) return null;
    // Settings that offer the same products in the same situation choose alike.
    const key = `${s.method === 'hand' ? 'hand' : s.washer.id}/${s.temperatureC <= 20 ? 20 : s.temperatureC <= 30 ? 30 : 40}/${chlorineAt(b, s) ? 'chlorine' : ''}/${products.map((p) => p.id).join(',')}`;
    const known = this.cloths.get(key);
    if (known !== undefined) return known;
    const list = this.clothList();
    if (list.length > mostCloths) {
      this.cloths.set(key, null);
      return null;
    }
    const masks = new Map<Product, number[]>();
    for (let mask = 1; mask < 1 << list.length; mask++) {
      const members = list.filter((_, k) => mask & (1 << k));
      const f = featuresOf(
        b,
        members.map(([, p]) => p),
      );
      for (const duties of dutyMixes)
        for (const whitened of chlorineAt(b, s) ? [false, true] : [false]) {
          const product = productOf(b, { ...f, duties: f.duties | duties }, s, index, whitened);
          if (product) masks.set(product, [...(masks.get(product) ?? []), mask]);
        }
    }
    const out = new Map(
      [...masks].map(([product, all]): [Product, ProductCloths] => {
        const may = all.reduce((x, mask) => x | mask, 0);
        // Cloths that get the product by themselves; unless a mix without them can get it too, a load needs one of them.
        const asking = all.reduce((x, mask) => ((mask & (mask - 1)) === 0 ? x | mask : x), 0);
        const cloths = (bits: number): ReadonlySet<number> =>
          new Set(list.flatMap(([cloth], k) => (bits & (1 << k) ? [cloth] : [])));
        return [
          product,
          {
            allowed: cloths(may),
            required: all.every((mask) => mask & asking) ? cloths(asking) : null,
          },
        ];
      }),
    );
    this.cloths.set(key, out);
    return out;
  }
  private clothList(): [cloth: number, piece: number][] {
    const { basket: b, items } = this.inst;
    const cloths = new Map<number, number>();
    for (const item of items)
      for (const p of item.pieces) {
        const x = b.pieces[p];
        if (x) cloths.set(clothKey(x), p);
      }
    return [...cloths];
  }

  private modeOf(index: number, supposed: Supposed, held: ProductCloths | null, admission: Admission): Mode | null {
    const { basket: b, items } = this.inst;
    const s = b.settings[index];
    const n = b.numbers[index];
    if (!s || !n) return null;
    const { household, weights: w } = b;
    const { product } = supposed;
    const classIndex = detergentClasses.indexOf(product.class as DetergentClass);
    const unit = doseUnitOf(product);
    const undershoot = effectOf(household.rules, 'dosing').undershoot;
    const machine = s.method === 'machine';
    const { room, otherRoom, mixedRoom } = this.roomAt(index);
    let base = supposed.strangers ? w.otherFamily : 0;
    let perRoom = 0;
    let perKg = 0;
    let perPiece = 0;
    let effect: number;
    let wearPerFactor: number;
    if (machine) {
      const { maxLoadKg } = s.programme;
      const stated = { fullKwh: n.fullKwh ?? 0, fullL: s.programme.waterL ?? 0 };
      const run = (massKg: number, fill: number) => ({
        row: n.waterRow,
        fullKwh: n.fullKwh,
        fullWaterL: s.programme.waterL,
        temperatureC: s.temperatureC,
        spinRpm: 0,
        massKg,
        fill,
        coldC: household.water.coldC,
        extraRinse: false,
      });
      const money = (massKg: number, fill: number): number =>
        runKwh(run(massKg, fill)) * household.tariff.electricityPerKwh +
        (runWaterL(run(massKg, fill)) / 1000) * household.tariff.waterPerM3;
      // A straight line under the dose, which is flat for small loads, rises, and is capped.
      const whole = machineDose(product, household.water.hardnessMmolPerL, supposed.soilColumn, undershoot);
      // A load of soaked pieces alone gets half.
      const soaked = b.pieces.some((x) => (x.qualities & quality.soaked) !== 0);
      const dose = soaked ? (kg: number): number => afterSoakDose(whole(kg), unit) : whole;
      const counted = !['ml', 'g'].includes(unit);
      const atNothing = productMoney(product, dose(0), unit) * (counted ? 1 : doseLineAtNothing);
      const slope = Math.max(
        0,
        Math.min(
          ...[0.25, 0.5, 0.75, 1].map(
            (x) => (productMoney(product, dose(x * maxLoadKg), unit) - atNothing) / (x * maxLoadKg),
          ),
        ),
      );
      base +=
        w.resources *
          (money(0, 0) +
            (s.washer.pricePerRun > 0 ? s.washer.pricePerRun : loadConstants.washerWearPerRun) +
            atNothing) +
        w.attendedMinute * loadConstants.machineAttendedMin +
        w.elapsedMinute * s.programme.durationMin;
      // Stated figures grow with the fill, modelled ones with the mass.
      perRoom = w.resources * (money(0, 1) - money(0, 0));
      perKg =
        w.resources *
        ((stated.fullKwh > 0 && stated.fullL > 0 ? 0 : (money(maxLoadKg, 0) - money(0, 0)) / maxLoadKg) +
          (counted ? 0 : slope));
      if (
        supposed.bright &&
        (!effectOf(household.rules, 'whites').oxygen || s.temperatureC < oxygenBleachBonusFromC || isPowdered(product))
      )
        return null;
      effect = (supposed.bright ? n.brightEffect : n.effect)[classIndex] ?? 0;
      wearPerFactor = n.wearPerFactor;
    } else {
      if (supposed.bright || supposed.strangers) return null;
      base +=
        w.attendedMinute * (loadConstants.handAttendedMin - loadConstants.handExtraPieceMin) +
        w.elapsedMinute * handLeastMin;
      perPiece = w.attendedMinute * loadConstants.handExtraPieceMin;
      effect = cleaningEffect(s.temperatureC, 'hand', handMostMin, product.class as DetergentClass);
      wearPerFactor = wearUnitsOfWash(s.temperatureC, 'hand', handStepMinutes.move, 1);
    }
    if (supposed.caught && b.catcher) base += w.resources * productMoney(b.catcher, 1, doseUnitOf(b.catcher));
    const leastCost = new Float64Array(items.length);
    const leastAdded = new Float64Array(items.length);
    items.forEach((item, i) => {
      const known = this.firstAlike[i] as number;
      if (known < i) {
        leastCost[i] = leastCost[known] as number;
        leastAdded[i] = leastAdded[known] as number;
        return;
      }
      let shared = perRoom * (room[i] as number);
      let cost = this.may(item.pieces, index) ? 0 : Infinity;
      for (const p of item.pieces) {
        const x = b.pieces[p];
        if (
          !x ||
          !(x.permitted & (1 << classIndex)) ||
          (held && !held.allowed.has(clothKey(x))) ||
          x.soilColumn > supposed.soilColumn ||
          (supposed.bright && !(x.qualities & quality.white)) ||
          (b.catcher && !supposed.caught && x.duties & duty.catcher) ||
          !admission.may(x) ||
          (isPowdered(product) && x.duties & duty.noBleach)
        ) {
          cost = Infinity;
          break;
        }
        cost +=
          w.lambdaClean * (Math.max(0, x.need - effect) * x.pieces + x.heat * coldDeficit(s.temperatureC)) +
          w.lambdaGentle * wearPerFactor * (isPowdered(product) ? x.powderWearEur : x.wearEur) +
          perPiece * x.pieces +
          (machine ? judgement.stranger * strangersIn(x, s.programme.family) : 0) +
          (isPowdered(product) || supposed.bright ? 0 : x.bleachLostEur);
        shared += perKg * x.massKg;
      }
      leastCost[i] = cost + shared;
      leastAdded[i] = cost;
    });
    const conditions: ((x: PieceNumbers) => boolean)[] = [
      (x) => x.soilColumn === supposed.soilColumn,
      ...(admission.must ? [admission.must] : []),
      ...(held?.required ? [(x: PieceNumbers) => held.required?.has(clothKey(x)) ?? true] : []),
      ...(supposed.bright ? [(x: PieceNumbers) => (x.duties & duty.brighten) !== 0] : []),
    ];
    const serves = new Uint8Array(items.length);
    items.forEach((item, i) => {
      const known = this.firstAlike[i] as number;
      if (known < i) serves[i] = serves[known] as number;
      else if ((leastCost[i] as number) < Infinity)
        serves[i] = conditions.reduce(
          (bits, holds, r) =>
            item.pieces.some((p) => {
              const x = b.pieces[p];
              return x !== undefined && holds(x);
            })
              ? bits | (1 << r)
              : bits,
          0,
        );
    });
    return conditions.every((_, r) => serves.some((bits) => bits & (1 << r))) && leastCost.some((c) => c < Infinity)
      ? {
          index,
          supposed,
          base,
          leastCost,
          leastAdded,
          room,
          otherRoom,
          mixedRoom,
          serves,
          conditions: (1 << conditions.length) - 1,
        }
      : null;
  }

  /** Fill is the larger of mass and volume; over all items that may take part, the one that fills up first bounds a load best. */
  private roomAt(index: number): Rooms {
    const known = this.rooms.get(index);
    if (known) return known;
    const { basket: b, items } = this.inst;
    const s = b.settings[index];
    const share = (of: (p: PieceNumbers) => number): Float64Array =>
      Float64Array.from(items, (item) =>
        this.may(item.pieces, index)
          ? item.pieces.reduce((t, p) => {
              const x = b.pieces[p];
              return t + (x ? of(x) : 0);
            }, 0)
          : 0,
      );
    let rooms: Rooms;
    if (s?.method === 'machine') {
      const byMass = share((x) => x.massKg / s.programme.maxLoadKg);
      const byVolume = share(
        (x) => x.volumeL / s.washer.drumVolumeL / fillFractionFor(s, (x.qualities & quality.down) !== 0),
      );
      const total = (xs: Float64Array): number => xs.reduce((a, x) => a + x, 0);
      const mixed = share((x) => x.volumeL / s.washer.drumVolumeL / fillFractionFor(s, false));
      rooms = {
        ...(total(byVolume) > total(byMass)
          ? { room: byVolume, otherRoom: byMass }
          : { room: byMass, otherRoom: byVolume }),
        mixedRoom: total(mixed) > total(byVolume) ? mixed : null,
      };
    } else
      // A bath is for its most delicate piece: each takes at least the water that it asks for itself.
      rooms = {
        room: share((x) =>
          s ? (bathCare[bathCareOrder[x.bathRank] ?? 'normal'].liquorLPerKg * x.massKg + x.displacedL) / s.usableL : 0,
        ),
        otherRoom: null,
        mixedRoom: null,
      };
    this.rooms.set(index, rooms);
    return rooms;
  }
}
