/**
 * L5 and L8 of docs/solver.md. The loads that are worth most above their cost, by branch and bound over what may be in one. A part of the search
 * leaves out what harms only together (uses side by side, grey, soil, dye) and is a knapsack. Where the set that fills it best would harm more
 * than the part charges, or does not fit, it is divided on the worst of that: without the item that does it, or with it held (L13) and charged to
 * everyone. What a part lets in and charges does not depend on the worths, so that the parts are kept from one question to the next.
 */
import TinyQueue from 'tinyqueue';
import { bleedLimits } from '../../colour/bleed.ts';
import { judgement, useBit, usePriceOf } from '../../cost/judgement.ts';
import { uses } from '../../garment/kinds.ts';
import { quality } from '../../price/bits.ts';
import { fullGreyKg } from '../../price/company-price.ts';
import { dyeDamage } from '../../price/dye-view.ts';
import { easyIronShirts, type Basket, type PieceNumbers } from '../../price/basket.ts';
import type { Setting } from '../../price/settings.ts';
import type { Instance } from '../instance.ts';
import { Knapsack, type Offer } from './knapsack.ts';
import type { Mode, Modes } from './modes.ts';
import { companiesOf } from './walls.ts';

/**
 * A set with what it costs at least: each item as often as it is in the set. The cost grows as the search learns more of it; it is Infinity once the
 * set is known to be none.
 */
export interface Answer {
  readonly items: readonly number[];
  cost: number;
}
export interface Answers {
  sets: Answer[];
  /** No load anywhere is worth more above its cost than this, EUR. */
  over: number;
  /** Items of the parts looked at, those of whole fillings weighted. */
  visited: number;
}
/** How much may be spent on a question: parts divided, sets wanted, and from what worth above its cost, EUR, a load is of interest. */
export interface Question {
  divisions: number;
  sets: number;
  least: number;
  /** What any load at all is worth, EUR: the dual of their number. */
  perLoad?: number;
}

/** A mode, or what any mode of a setting costs at least: then with the modes it stands for. */
interface Way extends Pick<
  Mode,
  'index' | 'base' | 'leastCost' | 'room' | 'otherRoom' | 'mixedRoom' | 'serves' | 'conditions'
> {
  setting: Setting;
  caught: boolean;
  modes: Way[];
}
/** What harms by its mass: at least so much of it is in the set, and at most so much, kg. */
interface Dose {
  low: number;
  high: number;
}
/** What is known to be in every set of a part, whose harm is charged to all. */
interface Known {
  /** Bits of the uses. */
  uses: number;
  /** Grey, soil, then each dye group. */
  doses: readonly Dose[];
  /** Of each dye group: how strong its strongest giver is at least, and which item that is (−1 = none known). */
  strength: Float64Array;
  giver: Int32Array;
  /** The same of the second strongest, which tints the strongest. */
  second: Float64Array;
  /** How full the drum is: any way, nearly empty, or more than that. */
  filled: 'any' | 'little' | 'more';
}
/** A part of the search: loads in one way of washing, of some items, with something known of them. */
interface Part {
  way: Way;
  company: number;
  known: Known;
  /** Conditions of the way that nothing held serves: something of the loads does. */
  unmet: number;
  /** Items of which one is in every load, and what each costs at least with the harm that is known. */
  held: readonly number[];
  heldCosts: readonly number[];
  /** Items that may be in besides, how many of each, and what one costs at least. */
  items: Int16Array;
  most: Int16Array;
  costs: Float64Array;
  order: Int16Array;
  /** What any load of the part costs at least. */
  base: number;
  /** Most that a load of the part can be worth above its cost, with the worths asked last; rough where prices of masses can lower it. */
  value: number;
  rough: boolean;
  /** Sets that were found in it. */
  answers: Answer[];
}
interface Choice {
  harm: number;
  parts: () => Part[];
}

/** Harm smaller than this, EUR, is not worth a division. */
const smallHarm = 0.03;
/** Below this the modes of a setting are told apart before what they harm. */
const outlineHarm = 0.6;
/** A filling that is none of the way counts like harm of so much. */
const unrealHarm = 1;
/** Masses nearer than this, kg, are not told apart. */
const leastDoseKg = 0.02;
/** More companies than this are taken as one. */
const mostCompanies = 600;
/** Steps in which the price of a mass is halved in. */
const priceSteps = 7;
/** Differences of mass, kg, and of room that rounding may make. */
const hairKg = 1e-9;
const hairRoom = 1e-9;
const hairTint = 1e-9;
/** A stronger giver speaks for its group from this ratio on. */
const clearlyStronger = 1.1;
/** What an item of a whole filling counts among those looked at: it takes so much longer than in a divided one. */
const wholeWeight = 15;
/** A hair more is given back than rounding could hide. */
const giveBackMore = 1e-9;
/** Shares of the second measure of room. */
const mixes = [0, 0.25, 0.5, 0.75, 1];
const openDose: Dose = { low: 0, high: Infinity };
/** Places among the doses; dye groups follow. */
const grey = 0;
const soil = 1;
const firstDye = 2;

export class Oracle {
  private readonly inst: Instance;
  private readonly b: Basket;
  private readonly knapsack: Knapsack;
  /** How many of each item there are. */
  private readonly most: readonly number[];
  private readonly bring: PieceNumbers[][];
  /** What each item brings of what harms by its mass: grey, soil, then each dye group. */
  private readonly dosesKg: readonly Float64Array[];
  /** Room that shirts take of the few that come out smooth; null where nobody asks for that. */
  private readonly shirtRoom: Float64Array | null;
  private readonly offer: Offer;
  private readonly measures = new Map<Float64Array, Float64Array[]>();
  private readonly widest = new Map<Float64Array, Float64Array>();
  /** Every load is in one of these. */
  private parts: Part[] = [];
  private worth: Float64Array;
  private least = 0;
  private perLoad = 0;
  private visited = 0;
  /** Room by which the last value was found, and what the prices of masses give back. */
  private refund = 0;

  /** `most` = how many of each item there are. */
  constructor(modes: Modes, most: readonly number[]) {
    this.inst = modes.inst;
    this.b = this.inst.basket;
    const n = this.inst.items.length;
    const sum = (of: (p: PieceNumbers) => number): Float64Array =>
      Float64Array.from(this.bring, (pieces) => pieces.reduce((t, p) => t + of(p), 0));
    this.bring = this.inst.items.map((item) => item.pieces.map((p) => this.b.pieces[p] as PieceNumbers));
    const donorKg = (g: number): Float64Array =>
      Float64Array.from(this.inst.items, (item) =>
        item.pieces.reduce((kg, p) => kg + (this.b.dyeGroup[p] === g ? (this.b.donorKg[p] as number) : 0), 0),
      );
    this.dosesKg = [
      sum((x) => x.greyKg),
      sum((x) => x.soilKg),
      ...Array.from({ length: this.b.dyeGroups }, (_, g) => donorKg(g)),
    ];
    this.shirtRoom = this.b.effects.shirtAim.easyIron ? sum((x) => (x.isShirt / easyIronShirts) * modes.full) : null;
    this.worth = new Float64Array(n);
    this.offer = {
      items: new Int16Array(n),
      most: new Int16Array(n),
      gains: new Float64Array(n),
      count: 0,
      order: new Int16Array(n),
    };
    this.knapsack = new Knapsack(n, modes.full);
    this.most = most;
    const nothing: Known = {
      uses: 0,
      doses: this.dosesKg.map(() => openDose),
      strength: new Float64Array(this.b.dyeGroups),
      giver: new Int32Array(this.b.dyeGroups).fill(-1),
      second: new Float64Array(this.b.dyeGroups),
      filled: 'any',
    };
    const everyone = Array.from({ length: n }, (_, i) => i);
    companiesOf(this.inst, mostCompanies).forEach((company, c) => {
      const held = everyone.filter((i) => company[i]);
      for (const way of this.outlines(modes)) this.parts.push(this.partOf(way, c, nothing, held));
    });
  }
  /** One way per setting, that costs at least as little as each of its modes. */
  private outlines(modes: Modes): Way[] {
    const known = new Map<number, Way>();
    for (const m of modes.list) {
      const setting = this.b.settings[m.index] as Setting;
      const { index, base, leastCost, room, otherRoom, mixedRoom, supposed, serves, conditions } = m;
      const mode: Way = {
        index,
        base,
        leastCost,
        room,
        otherRoom,
        mixedRoom,
        serves,
        conditions,
        setting,
        caught: supposed.caught,
        modes: [],
      };
      const outline = known.get(m.index);
      if (!outline) {
        known.set(m.index, {
          ...mode,
          leastCost: m.leastCost.slice(),
          caught: this.b.catcher !== null,
          conditions: 0,
          modes: [mode],
        });
        continue;
      }
      outline.base = Math.min(outline.base, m.base);
      outline.modes.push(mode);
      for (let i = 0; i < m.leastCost.length; i++)
        outline.leastCost[i] = Math.min(outline.leastCost[i] as number, m.leastCost[i] as number);
    }
    return [...known.values()];
  }

  /** The loads worth most above their cost; parts are divided, the most promising first, until a load of the best part is real or the effort is spent. */
  ask(worth: Float64Array, { divisions, sets: wanted, least, perLoad = 0 }: Question): Answers {
    this.worth = worth;
    this.perLoad = perLoad;
    this.least = least;
    this.visited = 0;
    const kept: Part[] = [];
    const open: Part[] = [];
    for (const part of this.parts) {
      part.value = this.valueOf(part);
      (part.value > least ? open : kept).push(part);
    }
    const queue = new TinyQueue<Part>(open, (x, y) => y.value - x.value);
    const sets: Answer[] = [];
    let over = least;
    let divided = 0;
    let settled = false;
    const seen = new Map<string, number>();
    for (let part = queue.pop(); part; part = queue.pop()) {
      if (part.rough) {
        part.value = this.valueWithDoses(part);
        (part.value > least ? queue : kept).push(part);
        continue;
      }
      if (!settled) over = part.value;
      if (divided >= divisions || sets.length >= wanted / 2) {
        queue.push(part);
        break;
      }
      const next = this.divide(part);
      if (next === null) {
        kept.push(part);
        continue;
      }
      if ('cost' in next) {
        settled = true;
        kept.push(part);
        const key = `${part.way.index} ${part.company}`;
        const alike = seen.get(key) ?? 0;
        seen.set(key, alike + 1);
        if (alike < 3) {
          sets.push(next);
          part.answers.push(next);
        }
        continue;
      }
      divided++;
      this.handOn(part, next);
      for (const child of next) {
        if (child.base === Infinity) continue;
        child.value = Math.min(part.value, this.valueOf(child));
        if (child.value > least) queue.push(child);
        else kept.push(child);
      }
    }
    sets.push(...this.quickSets(queue, wanted));
    this.parts = [...kept, ...queue.data];
    return { sets, over, visited: this.visited };
  }
  /** What any load costs at least, a hair less. */
  get leastBase(): number {
    return this.parts.reduce((least, part) => Math.min(least, part.base), Infinity) - giveBackMore;
  }
  /**
   * L4 of docs/solver.md. Worths that no load exceeds, near the given ones: where a part's loads could be worth more than they cost, the items that gain
   * in it give back the share that makes up for it. Giving back makes no other part worse, so that one round over the parts is enough.
   */
  mended(worth: Float64Array, perLoad = 0): Float64Array {
    this.worth = worth.slice();
    this.perLoad = perLoad;
    this.least = 0;
    const broken = this.parts.filter((part) => (part.value = this.valueOf(part)) > 0).sort((x, y) => y.value - x.value);
    for (const part of broken) {
      if (this.valueOf(part) <= 0 || this.valueWithDoses(part) <= 0) continue;
      const over = this.wholeValue(part).value;
      if (over <= 0) continue;
      const { held, heldCosts } = part;
      const gainOf = (i: number, x: number): number => (this.worth[i] as number) - (heldCosts[x] as number);
      const owed = held.reduce((t, i, x) => t + Math.max(0, -gainOf(i, x)), part.base - perLoad);
      const share = over / (owed + over) + giveBackMore;
      this.gainsOf(part);
      held.forEach((i, x) => {
        const gain = gainOf(i, x);
        if (gain > 0 && !part.items.includes(i)) this.worth[i] = (this.worth[i] as number) - share * gain;
      });
      const { gains, items, count } = this.offer;
      for (let k = 0; k < count; k++) {
        const i = items[k] as number;
        if ((gains[k] as number) > 0) this.worth[i] = (this.worth[i] as number) - share * (gains[k] as number);
      }
    }
    return this.worth;
  }
  /** Where the effort was spent before: one set for each setting and company, by following the better part. */
  private quickSets(queue: TinyQueue<Part>, wanted: number): Answer[] {
    const seen = new Set<string>();
    const sets: Answer[] = [];
    for (const part of [...queue.data].sort((x, y) => y.value - x.value)) {
      if (sets.length >= wanted) break;
      const key = `${part.way.index} ${part.company}`;
      if (seen.has(key)) continue;
      seen.add(key);
      const found = this.follow(part);
      if (!found) continue;
      sets.push(found);
      part.answers.push(found);
    }
    return sets;
  }
  /** The sets found in a part that has been divided: each costs what the parts that it lies in charge it at least. */
  private handOn({ answers }: Part, parts: readonly Part[]): void {
    for (const answer of answers) {
      answer.cost = Infinity;
      let into: Part | null = null;
      for (const part of parts) {
        const cost = this.chargeOf(part, answer.items);
        if (cost < answer.cost) [answer.cost, into] = [cost, part];
      }
      into?.answers.push(answer);
    }
  }
  /** What a part charges a set; Infinity for one that is not in it. */
  private chargeOf(part: Part, set: readonly number[]): number {
    const { held, heldCosts, items, most, costs, known, base, way } = part;
    if (base === Infinity) return Infinity;
    const left = new Map<number, number>();
    for (const i of set) left.set(i, (left.get(i) ?? 0) + 1);
    let cost = base;
    held.forEach((i, x) => {
      const n = left.get(i) ?? 0;
      cost = n === 0 ? Infinity : cost + (heldCosts[x] as number);
      left.set(i, n - 1);
    });
    for (const [i, n] of left) {
      if (n === 0) continue;
      const k = items.indexOf(i);
      if (k < 0 || n > (most[k] as number)) return Infinity;
      cost += n * (costs[k] as number);
    }
    if (set.reduce((bits, i) => bits & ~(way.serves[i] as number), part.unmet) !== 0) return Infinity;
    const total = (of: Float64Array): number => set.reduce((t, i) => t + (of[i] as number), 0);
    if (known.doses.some((d, k) => d.high < Infinity && total(this.dosesKg[k] as Float64Array) > d.high + hairKg))
      return Infinity;
    if (way.setting.method !== 'machine') return cost;
    const { most: emptyPrice, belowFill } = judgement.emptyDrum;
    if (known.filled === 'little') return total(way.room) > belowFill + hairRoom ? Infinity : cost;
    const missing = Math.max(0, belowFill - total(this.widestOf(way)));
    return known.filled === 'any' ? cost + (emptyPrice * missing) / belowFill : missing > hairRoom ? Infinity : cost;
  }
  private follow(from: Part): Answer | null {
    for (let part: Part | null = from; part;) {
      const next: Answer | Part[] | null = this.divide(part);
      if (next === null || 'cost' in next) return next;
      part = null;
      let most = this.least;
      for (const child of next) {
        child.value = Math.min(from.value, this.valueOf(child));
        if (child.value <= most) continue;
        most = child.value;
        part = child;
      }
    }
    return null;
  }

  /** What an item costs at least in the loads of a way, with the harm that is known. */
  private costOf(way: Way, known: Known, i: number): number {
    const least = way.leastCost[i] as number;
    if (least === Infinity) return Infinity;
    const greyShare = Math.min(1, (known.doses[grey] as Dose).low / fullGreyKg(way.setting));
    const soilShare = Math.min(1, (known.doses[soil] as Dose).low / judgement.resoiling.fullFromKg);
    let cost = least + (known.strength.some((x) => x > 0) ? this.dyeHarm(way, known, i) : 0);
    if (known.filled === 'little' && way.setting.method === 'machine')
      cost -= (judgement.emptyDrum.most / judgement.emptyDrum.belowFill) * (this.widestOf(way)[i] as number);
    if (greyShare > 0 || soilShare > 0)
      for (const x of this.bring[i] as PieceNumbers[]) cost += x.greyEur * greyShare + x.soilEur * soilShare;
    return cost;
  }
  private partOf(way: Way, company: number, known: Known, may: Iterable<number>, held: readonly number[] = []): Part {
    const items: number[] = [];
    const most: number[] = [];
    const costs: number[] = [];
    const heldCosts = held.map((i) => this.costOf(way, known, i));
    // What may come to so much in all leaves so much beside what is held.
    const left = known.doses.map(({ high }, k) => high - this.heldKg(held, k));
    const nothing = heldCosts.includes(Infinity) || left.some((kg) => kg < -hairKg);
    for (const i of nothing ? [] : may) {
      const more = held.reduce((n, h) => (h === i ? n - 1 : n), this.most[i] as number);
      if (more === 0) continue;
      if (left.some((kg, k) => (this.dosesKg[k]?.[i] ?? 0) > kg + hairKg)) continue;
      const cost = this.costOf(way, known, i);
      if (cost === Infinity) continue;
      items.push(i);
      most.push(more);
      costs.push(cost);
    }
    let unmet = way.conditions;
    for (const i of held) unmet &= ~(way.serves[i] as number);
    let meetable = 0;
    if (unmet !== 0) for (const i of items) meetable |= way.serves[i] as number;
    const empty = nothing || (unmet & ~meetable) !== 0;
    const drum = known.filled === 'little' && way.setting.method === 'machine' ? judgement.emptyDrum.most : 0;
    return {
      way,
      company,
      known,
      unmet,
      held,
      heldCosts,
      items: Int16Array.from(items),
      most: Int16Array.from(most),
      costs: Float64Array.from(costs),
      order: new Int16Array(items.length),
      base: empty ? Infinity : way.base + usePriceOf(known.uses, way.setting.temperatureC, 0) + drum,
      value: Infinity,
      rough: false,
      answers: [],
    };
  }
  /** What the dyes known to be in a set do to an item at least, EUR in the price. */
  private dyeHarm(
    way: Way,
    { strength, giver, second, doses }: Pick<Known, 'strength' | 'giver' | 'second' | 'doses'>,
    item: number,
  ): number {
    const { b } = this;
    let harm = 0;
    for (const r of this.inst.items[item]?.pieces ?? []) {
      let most = 0;
      for (let g = 0; g < strength.length; g++) {
        const loose = (giver[g] === item ? second[g] : strength[g]) as number;
        if (loose === 0) continue;
        const share = Math.sqrt(Math.min(1, (doses[firstDye + g] as Dose).low / bleedLimits.referenceLoadKg));
        const uptake = b.uptake[b.dyeOfGroup[g] as number] as Float64Array;
        most = Math.max(most, loose * share * (uptake[r] as number));
      }
      // What would show asks for a catcher: without one it is none of the loads of the way.
      if (!way.caught && b.catcher && most >= bleedLimits.white + hairTint) return Infinity;
      if (way.caught && !b.isWhite[r]) most *= bleedLimits.catcherFactor;
      if (most > 0) harm += dyeDamage(b, r, most);
    }
    return harm * b.weights.dyeDamage;
  }

  /** Of one kind of dose, what the held items bring, kg. */
  private heldKg(held: readonly number[], k: number): number {
    return held.reduce((kg, i) => kg + (this.dosesKg[k]?.[i] ?? 0), 0);
  }
  /** What a part costs beyond what its held items are worth. */
  private baseOf({ base, held, heldCosts }: Part): number {
    return held.reduce((t, i, x) => t + (heldCosts[x] as number) - (this.worth[i] as number), base - this.perLoad);
  }
  /** Room that held items leave by a measure. */
  private freeOf({ held, known }: Part, room: Float64Array): number {
    const little = known.filled === 'little' && room !== this.shirtRoom;
    const full = little ? judgement.emptyDrum.belowFill + hairRoom : this.knapsack.full;
    return held.reduce((free, i) => free - (room[i] as number), full);
  }
  /** The most room that items take by any measure. */
  private widestOf({ room, otherRoom, mixedRoom }: Way): Float64Array {
    const known = this.widest.get(room);
    if (known) return known;
    const fresh = room.map((r, i) => Math.max(r, otherRoom?.[i] ?? 0, mixedRoom?.[i] ?? 0));
    this.widest.set(room, fresh);
    return fresh;
  }
  /** How full the drum would be at most by the last divided filling; more than full where a nearly empty one costs nothing. */
  private filledBy(part: Part): number {
    const { way, known, items, held } = part;
    if (way.setting.method !== 'machine' || known.filled === 'little') return Infinity;
    const room = this.widestOf(way);
    let filled = held.reduce((t, i) => t + (room[i] as number), 0);
    for (let k = 0; k < items.length; k++) {
      const n = this.knapsack.part[k] as number;
      if (n > 0) filled += n * (room[items[k] as number] as number);
    }
    return filled;
  }
  /** What must be in a load, and is not held, costs something where nothing of it is wanted. */
  private penaltyOf({ unmet, way, items }: Part): number {
    let penalty = 0;
    for (let bit = 1; bit <= unmet; bit <<= 1) {
      if (!(unmet & bit)) continue;
      let least = Infinity;
      for (let k = 0; k < items.length && least > 0; k++)
        if ((way.serves[items[k] as number] as number) & bit)
          least = Math.min(least, Math.max(0, -(this.offer.gains[k] as number)));
      penalty = Math.max(penalty, least);
    }
    return penalty;
  }
  /** What the items of a part are worth above what they cost there. Returns their sum. */
  private gainsOf({ items, most, costs, order }: Part): number {
    const { offer, worth } = this;
    offer.items = items;
    offer.most = most;
    offer.order = order;
    offer.count = items.length;
    let wanted = 0;
    for (let k = 0; k < items.length; k++) {
      const gain = (worth[items[k] as number] as number) - (costs[k] as number);
      offer.gains[k] = gain;
      if (gain > 0) wanted += gain * (most[k] as number);
    }
    return wanted;
  }
  private valueOf(part: Part): number {
    const wanted = this.gainsOf(part) - this.baseOf(part);
    if (wanted <= this.least) return wanted;
    this.visited += part.items.length;
    part.rough = part.known.doses.some((d) => d.high < Infinity);
    const free = this.freeOf(part, part.way.room);
    if (free < -hairRoom) return -Infinity;
    const value = this.knapsack.divided(this.offer, part.way.room, free) - this.baseOf(part);
    if (value <= this.least) return value;
    part.rough ||= this.filledBy(part) < judgement.emptyDrum.belowFill;
    return value - this.penaltyOf(part);
  }
  /** The same with prices of what may be in it only up to a mass: asked only of the parts that come to the front. */
  private valueWithDoses(part: Part): number {
    this.gainsOf(part);
    part.rough = false;
    this.knapsack.divided(this.offer, part.way.room, this.freeOf(part, part.way.room));
    return Math.min(part.value, this.priceDoses(part, part.way.room) - this.penaltyOf(part) - this.baseOf(part));
  }
  /** L11 of docs/solver.md. What may be in a set only up to a mass gets a price per kg, taken off the gains and given back for the mass allowed. */
  private priceDoses(part: Part, room: Float64Array): number {
    const { known, items } = part;
    const stop = this.least + this.baseOf(part);
    const { offer, knapsack } = this;
    const { gains, count } = offer;
    const free = this.freeOf(part, room);
    this.refund = 0;
    this.priceEmptiness(part, room, free);
    let value = Infinity;
    for (let k = 0; k < known.doses.length; k++) {
      const dose = known.doses[k] as Dose;
      if (dose.high === Infinity) continue;
      const high = dose.high - this.heldKg(part.held, k);
      const plain = gains.slice(0, count);
      const kgOf = this.dosesKg[k] as Float64Array;
      const kg = Float64Array.from(items, (i) => kgOf[i] as number);
      let low = 0;
      let top = 0;
      let best = { value: Infinity, price: 0 };
      for (let step = 0; step < priceSteps; step++) {
        const price = step === 0 ? 0 : (low + top) / 2;
        let held = 0;
        for (let x = 0; x < count; x++) gains[x] = (plain[x] as number) - price * (kg[x] as number);
        const found = knapsack.divided(offer, room, free) + price * high;
        if (found < best.value) best = { value: found, price };
        if (best.value + this.refund <= stop) break;
        for (let x = 0; x < count; x++) held += (kg[x] as number) * (knapsack.part[x] as number);
        if (held <= high) {
          if (step === 0) break;
          top = price;
          continue;
        }
        low = price;
        if (step === 0)
          for (let x = 0; x < count; x++)
            if ((kg[x] as number) > 0) top = Math.max(top, (plain[x] as number) / (kg[x] as number));
      }
      for (let x = 0; x < count; x++) gains[x] = (plain[x] as number) - best.price * (kg[x] as number);
      value = best.value + this.refund;
      this.refund += best.price * high;
    }
    return value === Infinity ? knapsack.divided(offer, room, free) + this.refund : value;
  }
  /** A nearly empty drum costs something: what fills it is worth so much more, and so much is taken off for what is missing (any price lets every load in). */
  private priceEmptiness(part: Part, room: Float64Array, free: number): void {
    const { offer, knapsack } = this;
    const { gains, count, items } = offer;
    const { most, belowFill } = judgement.emptyDrum;
    knapsack.divided(offer, room, free);
    if (this.filledBy(part) >= belowFill) return;
    const widest = this.widestOf(part.way);
    const missing = part.held.reduce((t, i) => t - (widest[i] as number), belowFill);
    const plain = gains.slice(0, count);
    let low = 0;
    let top = most / belowFill;
    let best = { value: Infinity, price: 0 };
    for (let step = 0; step < priceSteps; step++) {
      const price = step === 0 ? top : (low + top) / 2;
      for (let x = 0; x < count; x++) gains[x] = (plain[x] as number) + price * (widest[items[x] as number] as number);
      const value = knapsack.divided(offer, room, free) - price * missing;
      if (value < best.value) best = { value, price };
      if (this.filledBy(part) < belowFill) {
        if (step === 0) {
          if (part.known.filled === 'any') break;
          low = top;
          top *= 8;
          continue;
        }
        low = price;
      } else top = price;
    }
    for (let x = 0; x < count; x++)
      gains[x] = (plain[x] as number) + best.price * (widest[items[x] as number] as number);
    this.refund -= best.price * missing;
  }
  /** Mass, volume and mixes of them, and how many shirts come out smooth: a load fits only if it fits by each. */
  private roomsOf({ way: { room, otherRoom, mixedRoom }, held }: Part): readonly Float64Array[] {
    // Beside a held piece that is no down, down takes the room of any cloth.
    const mixed = mixedRoom && held.some((i) => !this.isDown(i)) ? mixedRoom : null;
    const known = this.measures.get(mixed ?? room);
    if (known) return known;
    const half = (x: Float64Array, y: Float64Array): Float64Array => x.map((r, i) => (r + (y[i] as number)) / 2);
    const plain = otherRoom
      ? mixes.map((share) => room.map((x, i) => (1 - share) * x + share * (otherRoom[i] as number)))
      : [room];
    const beside = mixed && otherRoom ? [mixed, half(mixed, room), half(mixed, otherRoom)] : [];
    const fresh = [...plain, ...beside, ...(this.shirtRoom ? [this.shirtRoom] : [])];
    this.measures.set(mixed ?? room, fresh);
    return fresh;
  }

  /** The whole set that fills a part best: an answer, or the parts into which its harm divides it; null where no whole set is worth it. */
  private divide(part: Part): Answer | Part[] | null {
    const { way, items } = part;
    const { value, set } = this.wholeValue(part);
    part.value = Math.min(part.value, value);
    if (part.value <= this.least) return null;
    const choice = this.choose(part, set);
    if (choice && (way.modes.length === 0 || choice.harm > outlineHarm)) return choice.parts();
    if (way.modes.length > 0)
      return way.modes.map((mode) => this.partOf(mode, part.company, part.known, items, part.held));
    const cost = this.chargeOf(part, set);
    return cost < Infinity ? { items: set, cost } : null;
  }
  /** What the whole set that fills a part best is worth above its cost there, by the measure of room that lets least in. */
  private wholeValue(part: Part): { value: number; set: number[] } {
    const { knapsack, offer } = this;
    const { way, items } = part;
    this.gainsOf(part);
    let room = way.room;
    let least = Infinity;
    for (const measure of this.roomsOf(part)) {
      const free = this.freeOf(part, measure);
      if (free < -hairRoom) return { value: -Infinity, set: [] };
      const value = knapsack.divided(offer, measure, free);
      if (value < least) [least, room] = [value, measure];
    }
    this.priceDoses(part, room);
    const penalty = this.penaltyOf(part);
    this.visited += wholeWeight * offer.count;
    const whole = knapsack.whole(offer, room, Math.max(0, this.freeOf(part, room))) + this.refund;
    const set = [...part.held];
    for (let k = 0; k < items.length; k++)
      for (let c = 0; c < (knapsack.counts[k] as number); c++) set.push(items[k] as number);
    return { value: Math.min(whole - penalty, least) - this.baseOf(part), set };
  }
  /** The same part with something more known, or with some items shut out. */
  private with({ way, company, known, items, held }: Part, more: Partial<Known>): Part {
    return this.partOf(way, company, { ...known, ...more }, items, held);
  }
  /** Where a held item is shut out, no load is left. */
  private without(part: Part, shut: (item: number) => boolean, more: Partial<Known> = {}): Part {
    const left = this.with({ ...part, items: part.items.filter((i) => !shut(i)) }, more);
    return part.held.some(shut) ? { ...left, base: Infinity } : left;
  }
  /** The loads of a part that hold an item: what it brings is known from then on. */
  private holding(part: Part, item: number): Part {
    const { known, way } = part;
    const held = [...part.held, item];
    const strength = known.strength.slice();
    const giver = known.giver.slice();
    const second = known.second.slice();
    for (const p of this.inst.items[item]?.pieces ?? []) {
      const g = this.b.dyeGroup[p] as number;
      const score = this.b.giverScore[p]?.[way.index] ?? 0;
      if (g < 0) continue;
      if (score > (strength[g] as number)) {
        second[g] = strength[g] as number;
        [strength[g], giver[g]] = [score, item];
      } else if (score > (second[g] as number)) second[g] = score;
    }
    return this.partOf(
      way,
      part.company,
      {
        ...known,
        uses: known.uses | this.usesOf(item),
        doses: known.doses.map((d, k) => ({ ...d, low: Math.max(d.low, this.heldKg(held, k)) })),
        strength,
        giver,
        second,
      },
      part.items,
      held,
    );
  }
  /** The loads with one (more) of an item, and those without. */
  private told(part: Part, item: number): Part[] {
    return [this.holding(part, item), this.with({ ...part, items: part.items.filter((i) => i !== item) }, {})];
  }

  /** The worst of a set's harm that its part has not charged, and the two parts that tell it apart. */
  private choose(part: Part, set: readonly number[]): Choice | null {
    let worst: Choice | null = null;
    for (const choice of [
      this.sideBySide(part, set),
      this.soiled(part, set),
      this.greyed(part, set),
      this.dyed(part, set),
      this.overfull(part, set),
      this.unreal(part, set),
      this.nearlyEmpty(part, set),
    ])
      if (choice && choice.harm > smallHarm && choice.harm > (worst?.harm ?? 0)) worst = choice;
    return worst;
  }
  /** A filling in which the way of washing would be another. */
  private unreal(part: Part, set: readonly number[]): Choice | null {
    const { way, unmet, items } = part;
    const missing = set.reduce((bits, i) => bits & ~(way.serves[i] as number), unmet);
    if (missing === 0) return null;
    let most = -Infinity;
    let item = -1;
    items.forEach((i, k) => {
      const gain = (this.worth[i] as number) - (part.costs[k] as number);
      if ((way.serves[i] as number) & missing && gain > most) [most, item] = [gain, i];
    });
    return { harm: unrealHarm, parts: () => this.told(part, item) };
  }
  /** A drum that is nearly empty, or not. */
  private nearlyEmpty(part: Part, set: readonly number[]): Choice | null {
    const { way, known } = part;
    if (known.filled !== 'any' || way.setting.method !== 'machine') return null;
    const { most, belowFill } = judgement.emptyDrum;
    const widest = this.widestOf(way);
    const filled = set.reduce((t, i) => t + (widest[i] as number), 0);
    return {
      harm: most * (1 - filled / belowFill),
      parts: () => [this.with(part, { filled: 'little' }), this.with(part, { filled: 'more' })],
    };
  }
  /** A filling that is none by another measure of room: told apart by what takes most of that. */
  private overfull(part: Part, set: readonly number[]): Choice | null {
    const over = (measure: Float64Array, among: readonly number[]): Choice | null => {
      const total = set.reduce((t, i) => t + (measure[i] as number), 0);
      const item = total > this.knapsack.full + hairRoom ? this.largest(part, among, measure) : null;
      if (item === null) return null;
      const gain = set.reduce((t, i) => t + (this.worth[i] as number), 0);
      return { harm: gain * (1 - this.knapsack.full / total), parts: () => this.told(part, item) };
    };
    for (const measure of this.roomsOf(part)) {
      const choice = over(measure, set);
      if (choice) return choice;
    }
    const { mixedRoom } = part.way;
    return (
      mixedRoom &&
      over(
        mixedRoom,
        set.filter((i) => !this.isDown(i)),
      )
    );
  }
  private isDown(item: number): boolean {
    return (this.bring[item] as PieceNumbers[]).every((x) => (x.qualities & quality.down) !== 0);
  }
  /** The item of a set, not yet held, that has most of something. */
  private largest({ held }: Part, set: readonly number[], of: Float64Array): number | null {
    let most: number | null = null;
    for (const i of set)
      if (!held.includes(i) && (of[i] as number) > (most === null ? 0 : (of[most] as number))) most = i;
    return most;
  }
  private usesOf(i: number): number {
    return (this.bring[i] as PieceNumbers[]).reduce((mask, x) => mask | x.uses, 0);
  }
  private sideBySide(part: Part, set: readonly number[]): Choice | null {
    const { known, way } = part;
    const priceOf = (mask: number): number => usePriceOf(mask, way.setting.temperatureC, 0);
    const mask = set.reduce((m, i) => m | this.usesOf(i), known.uses);
    const now = priceOf(known.uses);
    const harm = priceOf(mask) - now;
    if (harm <= smallHarm) return null;
    const worthOf = (bit: number): number =>
      set.reduce((t, i) => t + (this.usesOf(i) & bit ? (this.worth[i] as number) : 0), 0);
    const weight = (bit: number): number =>
      known.uses === 0 ? worthOf(bit) : Math.min(worthOf(bit), priceOf(known.uses | bit) - now);
    const missing = uses.map(useBit).filter((bit) => mask & bit && !(known.uses & bit));
    const use = missing.reduce((x, y) => (weight(y) > weight(x) ? y : x));
    return {
      harm,
      parts: () => [
        this.with(part, { uses: known.uses | use }),
        this.without(part, (i) => (this.usesOf(i) & use) !== 0),
      ],
    };
  }
  private sumOver(set: readonly number[], of: (x: PieceNumbers) => number): number {
    let total = 0;
    for (const i of set) for (const x of this.bring[i] as PieceNumbers[]) total += of(x);
    return total;
  }
  /** The least that any giver of a part brings. */
  private leastOf({ items }: Part, kg: Float64Array): number {
    return items.reduce((least, i) => ((kg[i] as number) > 0 ? Math.min(least, kg[i] as number) : least), Infinity);
  }
  private soiled(part: Part, set: readonly number[]): Choice | null {
    return this.spread(part, set, soil, judgement.resoiling.fullFromKg, (x) => x.soilEur);
  }
  private greyed(part: Part, set: readonly number[]): Choice | null {
    return this.spread(part, set, grey, fullGreyKg(part.way.setting), (x) => x.greyEur);
  }
  /** What harms all of a set by its mass, up to a full one. */
  private spread(
    part: Part,
    set: readonly number[],
    k: number,
    full: number,
    harmOf: (x: PieceNumbers) => number,
  ): Choice | null {
    const kgOf = this.dosesKg[k] as Float64Array;
    const kg = Math.min(
      full,
      set.reduce((t, i) => t + (kgOf[i] as number), 0),
    );
    const { low } = part.known.doses[k] as Dose;
    const harm = (this.sumOver(set, harmOf) * (kg - Math.min(full, low))) / full;
    if (harm <= smallHarm) return null;
    return low > 0 ? this.dosed(part, k, set, kg, harm) : this.none(part, k, this.leastOf(part, kgOf), harm);
  }
  /** With some of what harms by its mass, or with none. */
  private none(part: Part, k: number, low: number, harm: number): Choice {
    const dose = part.known.doses[k] as Dose;
    const kg = this.dosesKg[k] as Float64Array;
    return {
      harm,
      parts: () => [
        this.with(part, { doses: part.known.doses.with(k, { ...dose, low }) }),
        this.without(part, (i) => (kg[i] as number) > 0),
      ],
    };
  }
  /** With more than half-way to a mass, or with at most that; what its price lets in beyond its measure is told apart by the largest giver. */
  private dosed(part: Part, k: number, set: readonly number[], kg: number, harm: number): Choice | null {
    const { doses } = part.known;
    const dose = doses[k] as Dose;
    if (kg > dose.high) {
      const item = this.largest(part, set, this.dosesKg[k] as Float64Array);
      return item === null ? null : { harm, parts: () => this.told(part, item) };
    }
    if (kg - dose.low < leastDoseKg) return null;
    const middle = (dose.low + kg) / 2;
    const kgOf = this.dosesKg[k] as Float64Array;
    return {
      harm,
      parts: () => [
        this.with(part, { doses: doses.with(k, { ...dose, low: middle }) }),
        this.without(part, (i) => (kgOf[i] as number) > middle, { doses: doses.with(k, { ...dose, high: middle }) }),
      ],
    };
  }
  private dyed(part: Part, set: readonly number[]): Choice | null {
    const { b } = this;
    const { way, known } = part;
    const groups = b.dyeGroups;
    const kg = new Float64Array(groups);
    const strength = new Float64Array(groups);
    const giver = new Int32Array(groups).fill(-1);
    const second = new Float64Array(groups);
    const secondGiver = new Int32Array(groups).fill(-1);
    for (const i of set)
      for (const p of this.inst.items[i]?.pieces ?? []) {
        const g = b.dyeGroup[p] as number;
        if (g < 0) continue;
        kg[g] = (kg[g] as number) + (b.donorKg[p] as number);
        const score = b.giverScore[p]?.[way.index] ?? 0;
        if (score > (strength[g] as number)) {
          [second[g], secondGiver[g]] = [strength[g] as number, giver[g] as number];
          [strength[g], giver[g]] = [score, i];
        } else if (score > (second[g] as number)) [second[g], secondGiver[g]] = [score, i];
      }
    const real = {
      strength,
      giver,
      second,
      doses: [openDose, openDose, ...Array.from(kg, (low) => ({ low, high: Infinity }))],
    };
    let harm = 0;
    const by = new Float64Array(groups);
    for (const i of set) {
      const more = this.dyeHarm(way, real, i) - this.dyeHarm(way, known, i);
      if (more <= 0) continue;
      harm += more;
      const receiver = this.inst.items[i]?.pieces[0] ?? 0;
      for (let g = 0; g < groups; g++) {
        const tint =
          ((giver[g] === i ? second[g] : strength[g]) as number) *
          (b.uptake[b.dyeOfGroup[g] as number]?.[receiver] ?? 0);
        by[g] = (by[g] as number) + tint * tint * Math.min(1, (kg[g] as number) / bleedLimits.referenceLoadKg);
      }
    }
    if (harm <= smallHarm) return null;
    const g = by.reduce((x, v, k) => (v > (by[x] as number) ? k : x), 0);
    const i = giver[g] as number;
    if (i < 0) return null;
    if ((strength[g] as number) > (known.strength[g] as number) * clearlyStronger && !part.held.includes(i))
      return { harm, parts: () => this.told(part, i) };
    const j = secondGiver[g] as number;
    const times = (items: readonly number[]): number => items.reduce((n, x) => (x === j ? n + 1 : n), 0);
    if (
      j >= 0 &&
      (second[g] as number) > (known.second[g] as number) * clearlyStronger &&
      times(part.held) < times(set)
    )
      return { harm, parts: () => this.told(part, j) };
    return this.dosed(part, firstDye + g, set, Math.min(kg[g] as number, bleedLimits.referenceLoadKg), harm);
  }
}
