/**
 * The modes of washing that a load of a group may be in, each with what it costs at least and what every item adds at least: the separable lower
 * bounds on which the search for columns and the share bound rest.
 */
import { loadConstants } from '../../cost/weights.ts';
import { detergentClasses, type DetergentClass, type Product } from '../../model/household.ts';
import { bathCare, bathCareOrder } from '../../washing/basin.ts';
import { afterSoakDose, doseUnitOf } from '../../washing/dose.ts';
import { runKwh, runWaterL } from '../../washing/energy.ts';
import type { Basket, PieceNumbers } from '../../price/basket.ts';
import { duty, quality } from '../../price/bits.ts';
import { cleaningEffect, wearUnitsOfWash } from '../../piece/demand.ts';
import { handStepMinutes } from '../../price/hand-bath.ts';
import type { Supposed } from '../../price/price.ts';
import { chlorineAt, doseFor, productMoney } from '../../price/product-choice.ts';
import { coldDeficit, strangersIn } from '../../price/company-price.ts';
import { judgement } from '../../cost/judgement.ts';
import { helperOfClass, isPowdered, isRinsedAgain } from '../../washing/products.ts';
import { fillFractionFor, type Setting } from '../../price/settings.ts';
import type { Instance } from '../instance.ts';
import { bitOf, clothOf, Treatments } from './treatments.ts';

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
  serves: Uint16Array;
  conditions: number;
  /** The treatments of its setting, and which one is supposed, as a bit. */
  treatments: Treatments;
  treatment: number;
  /** What an extra rinse costs at least, EUR, once and per kg; nothing where every load has it. */
  rinse: { once: number; perKg: number };
}

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
/** A treatment of a setting: which cloths may be in its loads, and which must be, each as a test of cloth. */
interface Treated extends Pick<Mode, 'treatments' | 'treatment'> {
  may: ReadonlySet<number>;
  must: readonly ((cloth: number) => boolean)[];
}
/** So many conditions of a mode are told apart at most. */
export const mostConditions = 16;
type Rooms = Pick<Mode, 'room' | 'otherRoom' | 'mixedRoom'>;
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
/** A pack dose at nothing, on the line through its rising part, as a share of the least dose (0.35 of 0.35 + 0.65 × 0.25). */
const doseLineAtNothing = 0.35 / 0.5125;
/** Shortest hand steps without soak and rinse, and the longest soak and move, minutes. */
const handLeastMin =
  handStepMinutes.fill + handStepMinutes.move + handStepMinutes.drain + handStepMinutes.press + handStepMinutes.roll;
const handMostMin = 15 + handStepMinutes.move;

/** What a load saves at most by being fuller, EUR, in estimates by what items add at least: a nearly empty drum has its price. */
export const emptyDrumAtMost = 0.05;

/** A straight line under what a dose costs by the mass of a load, EUR. */
interface DoseLine {
  atNothing: number;
  perKg: number;
}
const noLine: DoseLine = { atNothing: 0, perKg: 0 };
const noRinse = { once: 0, perKg: 0 };
/** The dose is flat for small loads, rises, and is capped; `soaked` = some load gets what is left after a soak. */
function doseLine(b: Basket, p: Product, soilColumn: number, maxLoadKg: number, soaked: boolean): DoseLine {
  const whole = doseFor(b, p, soilColumn);
  const unit = doseUnitOf(p);
  const money = (kg: number): number => productMoney(p, soaked ? afterSoakDose(whole(kg), unit) : whole(kg), unit);
  if (!['ml', 'g'].includes(unit)) return { atNothing: money(0), perKg: 0 };
  const atNothing = money(0) * doseLineAtNothing;
  const slopes = [0.25, 0.5, 0.75, 1].map((x) => (money(x * maxLoadKg) - atNothing) / (x * maxLoadKg));
  return { atNothing, perKg: Math.max(0, Math.min(...slopes)) };
}

export class Modes {
  readonly inst: Instance;
  /** A load is full at 1, packed by a confirmed decision at 1.2; the hair above is the price's own tolerance. */
  readonly full: number;
  readonly list: readonly Mode[];
  private readonly rooms: Map<number, Rooms>;
  /** The first item that no mode tells from each item. */
  private readonly firstAlike: Int32Array;
  /** The cloth of each item. */
  readonly cloths: Int32Array;
  private constructor(inst: Instance, rooms: Map<number, Rooms>, list: (modes: Modes) => Mode[]) {
    this.inst = inst;
    this.full = (inst.basket.pieces.some((p) => (p.duties & duty.overfill) !== 0) ? 1.2 : 1) + 1e-9;
    this.rooms = rooms;
    this.firstAlike = firstAlike(inst);
    this.cloths = Int32Array.from(inst.items, ({ pieces }) =>
      pieces.reduce((cloth, p) => cloth | clothOf(inst.basket.pieces[p] as PieceNumbers), 0),
    );
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
        serves: Uint16Array.from(groups, (g) => g.reduce((bits, i) => bits | (m.serves[i] as number), 0)),
      })),
    );
  }
  private build(): Mode[] {
    const { basket: b, items } = this.inst;
    const soils = [
      ...new Set(items.map((item) => Math.max(...item.pieces.map((p) => b.pieces[p]?.soilColumn ?? 0)))),
    ].sort();
    const catchers = b.catcher ? [false, true] : [false];
    return b.settings.flatMap((setting, index) => {
      const cloths = [
        ...new Set(items.flatMap((item, i) => (this.may(item.pieces, index) ? [this.cloths[i] as number] : []))),
      ];
      if (cloths.length === 0) return [];
      const treatments = new Treatments(b, index, cloths);
      const admitted = admissions(setting);
      return treatments.list.flatMap(({ product, bright }, x) => {
        const treated = this.treated(treatments, bitOf(x), cloths);
        return soils.flatMap((soilColumn) =>
          admitted.flatMap((k) =>
            catchers.flatMap(
              (caught) =>
                this.modeOf(index, { product, soilColumn, strangers: k.strangers, bright, caught }, treated, k) ?? [],
            ),
          ),
        );
      });
    });
  }
  /** Which cloths may be in a load that is treated so, and which must. */
  private treated(treatments: Treatments, treatment: number, cloths: readonly number[]): Treated {
    const may = cloths.filter((cloth) => treatments.reach(cloth) & treatment);
    return { treatments, treatment, may: new Set(may), must: treatments.conditions(treatment, may) };
  }
  private may(pieces: readonly number[], k: number): boolean {
    const { basket: b } = this.inst;
    for (const p of pieces) if (!((b.allowedBits[p * b.settingWords + (k >> 5)] ?? 0) & (1 << (k & 31)))) return false;
    return true;
  }

  private modeOf(index: number, supposed: Supposed, treated: Treated, admission: Admission): Mode | null {
    const { basket: b, items } = this.inst;
    const s = b.settings[index];
    const n = b.numbers[index];
    if (!s || !n) return null;
    const { household, weights: w } = b;
    const { product } = supposed;
    const classIndex = detergentClasses.indexOf(product.class as DetergentClass);
    const machine = s.method === 'machine';
    const { room, otherRoom, mixedRoom } = this.roomAt(index);
    let base = supposed.strangers ? w.otherFamily : 0;
    let perRoom = 0;
    let perKg = 0;
    let perPiece = 0;
    let effect: number;
    let wearPerFactor: number;
    let rinse = noRinse;
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
      // A load of soaked pieces alone gets half.
      const soaked = b.pieces.some((x) => (x.qualities & quality.soaked) !== 0);
      const detergent = doseLine(b, product, supposed.soilColumn, maxLoadKg, soaked);
      const bleach = supposed.bright ? this.bleachLine(s, supposed.soilColumn, maxLoadKg) : noLine;
      const rinsed = (massKg: number): number =>
        ((runWaterL({ ...run(massKg, 0), extraRinse: true }) - runWaterL(run(massKg, 0))) / 1000) *
        household.tariff.waterPerM3 *
        w.resources;
      rinse = { once: rinsed(0), perKg: rinsed(1) - rinsed(0) };
      base +=
        w.resources *
          (money(0, 0) +
            (s.washer.pricePerRun > 0 ? s.washer.pricePerRun : loadConstants.washerWearPerRun) +
            detergent.atNothing +
            bleach.atNothing) +
        w.attendedMinute * loadConstants.machineAttendedMin +
        w.elapsedMinute * s.programme.durationMin;
      // Stated figures grow with the fill, modelled ones with the mass.
      perRoom = w.resources * (money(0, 1) - money(0, 0));
      perKg =
        w.resources *
        ((stated.fullKwh > 0 && stated.fullL > 0 ? 0 : (money(maxLoadKg, 0) - money(0, 0)) / maxLoadKg) +
          detergent.perKg +
          bleach.perKg);
      if (isRinsedAgain(product)) {
        base += rinse.once;
        perKg += rinse.perKg;
        rinse = noRinse;
      }
      effect = (supposed.bright ? n.brightEffect : n.effect)[classIndex] ?? 0;
      wearPerFactor = n.wearPerFactor;
    } else {
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
      let cost = this.may(item.pieces, index) && treated.may.has(this.cloths[i] as number) ? 0 : Infinity;
      for (const p of item.pieces) {
        const x = b.pieces[p];
        if (
          !x ||
          x.soilColumn > supposed.soilColumn ||
          (b.catcher && !supposed.caught && x.duties & duty.catcher) ||
          !admission.may(x)
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
      ...treated.must.map((must) => (x: PieceNumbers) => must(clothOf(x))),
    ];
    conditions.splice(mostConditions);
    const serves = new Uint16Array(items.length);
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
          treatments: treated.treatments,
          treatment: treated.treatment,
          rinse,
        }
      : null;
  }

  /** What a bleach costs at least: which one it is depends on the load. */
  private bleachLine(s: Extract<Setting, { method: 'machine' }>, soilColumn: number, maxLoadKg: number): DoseLine {
    const { basket: b } = this.inst;
    const lines = [chlorineAt(b, s), helperOfClass(b.household.products, 'oxygen-bleach')].flatMap((bleach) =>
      bleach ? [doseLine(b, bleach, soilColumn, maxLoadKg, false)] : [],
    );
    const least = (of: (line: DoseLine) => number): number => Math.min(...lines.map(of));
    return lines.length === 0 ? noLine : { atNothing: least((x) => x.atNothing), perKg: least((x) => x.perKg) };
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
