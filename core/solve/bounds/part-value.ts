/**
 * What the loads of a part are worth above their cost at most, at given worths: a knapsack, with prices for what may be in only up to a mass, for room in
 * a drum that would be nearly empty, and for what must be in (L11, L14, L15 of docs/solver.md).
 */
import { judgement } from '../../cost/judgement.ts';
import { Knapsack, type Offer } from './knapsack.ts';
import type { Dose, Part } from './part.ts';
import { hairRoom, type Parts } from './parts.ts';

/** Steps in which the price of a mass is halved in. */
const priceSteps = 7;
/** What an item of a whole filling counts among those looked at: it takes so much longer than in a divided one. */
const wholeWeight = 15;

export class PartValue {
  private readonly parts: Parts;
  private readonly knapsack: Knapsack;
  readonly offer: Offer;
  worth: Float64Array;
  /** Those last asked about. */
  private asked: Float64Array;
  /** Values up to this, EUR, are of no interest. */
  least = 0;
  /** Items of the parts looked at, those of whole fillings weighted. */
  visited = 0;
  /** What the prices of masses and of room give back. */
  private refund = 0;

  constructor(parts: Parts) {
    const n = parts.inst.items.length;
    this.parts = parts;
    this.worth = new Float64Array(n);
    this.asked = this.worth;
    this.offer = {
      items: new Int16Array(n),
      most: new Int16Array(n),
      gains: new Float64Array(n),
      count: 0,
      order: new Int16Array(n),
    };
    this.knapsack = new Knapsack(n, parts.full);
  }
  /** What a part costs beyond what its held items are worth. */
  private baseOf({ base, held, heldCosts }: Part): number {
    return held.reduce((t, i, x) => t + (heldCosts[x] as number) - (this.worth[i] as number), base);
  }
  /** How full the drum would be at most by the last divided filling; more than full where a nearly empty one costs nothing. */
  private filledBy(part: Part): number {
    const { way, known, items, held } = part;
    if (way.setting.method !== 'machine' || known.filled === 'little') return Infinity;
    const room = this.parts.widestOf(way);
    let filled = held.reduce((t, i) => t + (room[i] as number), 0);
    for (let k = 0; k < items.length; k++) {
      const n = this.knapsack.part[k] as number;
      if (n > 0) filled += n * (room[items[k] as number] as number);
    }
    return filled;
  }
  /** What must be in a load, and is not held, costs something where nothing of it is wanted. */
  private penaltyOf({ unmet, way, items, untreated, cloth }: Part): number {
    let penalty = 0;
    if (untreated) {
      // Something has to join that changes the treatment of what is held.
      penalty = Infinity;
      for (let k = 0; k < items.length && penalty > 0; k++)
        if ((this.parts.cloths[items[k] as number] as number) & ~cloth)
          penalty = Math.min(penalty, Math.max(0, -(this.offer.gains[k] as number)));
    }
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
  gainsOf({ items, most, costs, order }: Part): number {
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
  /** Mend a copy of the worths asked about. */
  mend(): void {
    this.worth = this.asked.slice();
    this.least = 0;
  }
  /** L17 of docs/solver.md. The worths from now on; every region grows by what they let a load of it be worth more at most. */
  ask(worth: Float64Array): void {
    const { offer, knapsack } = this;
    for (const region of this.parts.regions.values()) {
      const { room, items, most, order } = region;
      offer.items = items;
      offer.most = most;
      offer.order = order;
      offer.count = items.length;
      for (let k = 0; k < items.length; k++) {
        const i = items[k] as number;
        offer.gains[k] = Math.max(0, (worth[i] as number) - (this.asked[i] as number));
      }
      region.grown += knapsack.divided(offer, room, this.parts.full);
    }
    this.asked = worth;
    this.worth = worth;
  }
  /** What a part is worth at most by what was known of it when it was last looked at. */
  atMost({ value, grown, region }: Part): number {
    return value + region.grown - grown;
  }
  /** Look at a part; a load of it is worth no more than `most` by what is known from elsewhere. */
  look(part: Part, most = Infinity): number {
    part.value = Math.min(most, this.valueOf(part));
    part.grown = part.region.grown;
    return part.value;
  }
  valueOf(part: Part): number {
    const wanted = this.gainsOf(part) - this.baseOf(part);
    if (wanted <= this.least) return wanted;
    this.visited += part.items.length;
    part.rough = part.known.doses.some((d) => d.high < Infinity);
    const free = this.parts.freeOf(part, part.way.room);
    if (free < -hairRoom) return -Infinity;
    const value = this.knapsack.divided(this.offer, part.way.room, free) - this.baseOf(part);
    if (value <= this.least) return value;
    part.rough ||= this.filledBy(part) < judgement.emptyDrum.belowFill;
    return value - this.penaltyOf(part);
  }
  /** The same with prices of what may be in it only up to a mass: asked only of the parts that come to the front. */
  valueWithDoses(part: Part): number {
    this.gainsOf(part);
    part.rough = false;
    this.knapsack.divided(this.offer, part.way.room, this.parts.freeOf(part, part.way.room));
    return Math.min(part.value, this.priceDoses(part, part.way.room) - this.penaltyOf(part) - this.baseOf(part));
  }
  /** L11 of docs/solver.md. What may be in a set only up to a mass gets a price per kg, taken off the gains and given back for the mass allowed. */
  private priceDoses(part: Part, room: Float64Array): number {
    const { known, items } = part;
    const stop = this.least + this.baseOf(part);
    const { offer, knapsack } = this;
    const { gains, count } = offer;
    const free = this.parts.freeOf(part, room);
    this.refund = 0;
    this.priceEmptiness(part, room, free);
    let value = Infinity;
    for (let k = 0; k < known.doses.length; k++) {
      const dose = known.doses[k] as Dose;
      if (dose.high === Infinity) continue;
      const high = dose.high - this.parts.heldKg(part.held, k);
      const plain = gains.slice(0, count);
      const kgOf = this.parts.dosesKg[k] as Float64Array;
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
    const widest = this.parts.widestOf(part.way);
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
  /** What the whole set that fills a part best is worth above its cost there, by the measure of room that lets least in. */
  wholeValue(part: Part): { value: number; set: number[] } {
    const { knapsack, offer } = this;
    const { way, items } = part;
    this.gainsOf(part);
    let room = way.room;
    let least = Infinity;
    for (const measure of this.parts.roomsOf(part)) {
      const free = this.parts.freeOf(part, measure);
      if (free < -hairRoom) return { value: -Infinity, set: [] };
      const value = knapsack.divided(offer, measure, free);
      if (value < least) [least, room] = [value, measure];
    }
    this.priceDoses(part, room);
    const penalty = this.penaltyOf(part);
    this.visited += wholeWeight * offer.count;
    const whole = knapsack.whole(offer, room, Math.max(0, this.parts.freeOf(part, room))) + this.refund;
    const set = [...part.held];
    for (let k = 0; k < items.length; k++)
      for (let c = 0; c < (knapsack.counts[k] as number); c++) set.push(items[k] as number);
    return { value: Math.min(whole - penalty, least) - this.baseOf(part), set };
  }
}
