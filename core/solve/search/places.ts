/**
 * Divisions as the search changes them: what each load costs, where an item would cost least, and the moves of single items. Loads are never changed in
 * place, so that a division is copied by its list. In a large group places are priced at a glance first, at the load's present setting.
 */
import type { PieceNumbers } from '../../price/basket.ts';
import { featuresOf, gather, noFeatures, type Features } from '../../price/features.ts';
import { costAtSetting } from '../../price/price.ts';
import { emptyDrumAtMost, type Modes } from '../bounds/modes.ts';
import { classesOf, type Classes, type Instance, type Item, type Pricer } from '../instance.ts';
import { both, joined, type Hashes } from '../price-table.ts';

/** Costs nearer than this, EUR, are the same. */
export const least = 1e-7;
/** A drum packed by a confirmed decision, and a hair. */
const mostFill = 1.2 + 1e-9;
const waitHere = -2;
export const newLoad = -1;

/** Above this size only the most promising places of an item are priced in full, and so many of them. */
const exactUpTo = 140;
const promising = 3;

/** What is known of a load beside its items: cost, hashes, mass, the settings all its items bear; for quick looks its best setting and its features. */
export interface Load {
  items: number[];
  cost: number;
  hashes: Hashes;
  massKg: number;
  bits: Int32Array;
  /** Bits of the classes of items that clash with some item of it. */
  shut: Int32Array;
  setting: number;
  features: Features | null;
  /** A later load has a higher number. */ number: number;
}
export interface State {
  loads: Load[];
  waiting: Set<number>;
  cost: number;
}
export interface Place {
  delta: number;
  place: number;
}
const empty: Load = {
  items: [],
  cost: 0,
  hashes: { key: 0, check: 0 },
  massKg: 0,
  bits: new Int32Array(0),
  shut: new Int32Array(0),
  setting: -1,
  features: null,
  number: 0,
};

export class Places {
  readonly inst: Instance;
  readonly pricer: Pricer;
  private readonly classes: Classes;
  /** A large group: glances before prices. */
  readonly quick: boolean;
  /** Number of the newest load. */
  made = 0;
  private readonly itemHashes: readonly Hashes[];
  private readonly itemBits: Int32Array;
  private readonly itemMassKg: Float64Array;
  private readonly mostKg: Float64Array;
  /** What an item adds at least at a setting: [item × settings + setting]. */
  private readonly ownTerms: Float64Array;
  private readonly scratch = noFeatures();
  private readonly glances = new Map<number, { check: number; cost: number }>();
  constructor(modes: Modes, pricer: Pricer) {
    const { inst } = modes;
    this.inst = inst;
    this.classes = classesOf(inst);
    this.ownTerms = modes.leastAddedAt();
    this.pricer = pricer;
    this.quick = inst.items.length > exactUpTo;
    this.itemHashes = inst.items.map((item) => pricer.hashes(item.pieces));
    const { basket: b } = inst;
    const words = b.settingWords;
    this.itemBits = Int32Array.from({ length: inst.items.length * words }, (_, x) =>
      (inst.items[Math.floor(x / words)]?.pieces ?? []).reduce(
        (bits, p) => bits & (b.allowedBits[p * words + (x % words)] ?? 0),
        -1,
      ),
    );
    this.itemMassKg = Float64Array.from(inst.items, (item) =>
      item.pieces.reduce((m, p) => m + (b.pieces[p]?.massKg ?? 0), 0),
    );
    this.mostKg = Float64Array.from(b.settings, (setting) =>
      setting.method === 'machine' ? setting.programme.maxLoadKg * mostFill : Infinity,
    );
  }
  private piecesOf(load: readonly number[]): number[] {
    const pieces: number[] = [];
    for (const i of load) for (const p of (this.inst.items[i] as Item).pieces) pieces.push(p);
    return pieces;
  }
  /** No item of the load clashes with it. */
  fits(load: Load, item: number): boolean {
    const c = this.classes.classOf[item] as number;
    return !((load.shut[c >> 5] as number) & (1 << (c & 31)));
  }
  /** No two of these clash. */
  fitTogether(a: Load, c: Load): boolean {
    for (const item of c.items) if (!this.fits(a, item)) return false;
    return true;
  }
  private shutBy(items: readonly number[]): Int32Array {
    const { classOf, words, shuts } = this.classes;
    const shut = new Int32Array(words);
    for (const i of items)
      for (let w = 0; w < words; w++)
        shut[w] = (shut[w] as number) | (shuts[(classOf[i] as number) * words + w] as number);
    return shut;
  }
  private bearing(items: readonly number[]): Int32Array {
    const words = this.inst.basket.settingWords;
    const bits = new Int32Array(words).fill(-1);
    for (const i of items)
      for (let w = 0; w < words; w++) bits[w] = (bits[w] as number) & (this.itemBits[i * words + w] as number);
    return bits;
  }
  private hashesOf(load: readonly number[]): Hashes {
    return joined(load.map((i) => this.itemHashes[i] as Hashes));
  }
  loadCost(load: readonly number[]): number {
    const { key, check } = this.hashesOf(load);
    return this.pricer.costOf(key, check, () => this.piecesOf(load));
  }
  /** Some setting bears the load and the item, and its drum takes their mass. */
  mayJoin(load: Load, item: number): boolean {
    const { settingWords: words } = this.inst.basket;
    const massKg = load.massKg + (this.itemMassKg[item] as number);
    for (let w = 0; w < words; w++) {
      let bits = (load.bits[w] as number) & (this.itemBits[item * words + w] as number);
      while (bits !== 0) {
        const index = w * 32 + 31 - Math.clz32(bits & -bits);
        if (massKg <= (this.mostKg[index] as number)) return true;
        bits &= bits - 1;
      }
    }
    return false;
  }
  /** Some setting bears both and takes their mass. */
  mayMerge(a: Load, c: Load): boolean {
    const massKg = a.massKg + c.massKg;
    return a.bits.some((word, w) => {
      for (let bits = word & (c.bits[w] as number); bits !== 0; bits &= bits - 1)
        if (massKg <= (this.mostKg[w * 32 + 31 - Math.clz32(bits & -bits)] as number)) return true;
      return false;
    });
  }
  /** What an item adds at least to a load, at the settings that bear both; Infinity where none does. */
  leastRise(load: Load, item: number): number {
    const { settingWords: words, settings } = this.inst.basket;
    let rise = Infinity;
    for (let w = 0; w < words; w++)
      for (
        let bits = (load.bits[w] as number) & (this.itemBits[item * words + w] as number);
        bits !== 0;
        bits &= bits - 1
      ) {
        const index = w * 32 + 31 - Math.clz32(bits & -bits);
        rise = Math.min(rise, this.ownTerms[item * settings.length + index] as number);
      }
    return rise;
  }
  /** A load without an item, for a look at what may come in its place. */
  partOf(load: Load, rest: number[]): Load {
    return {
      ...load,
      items: rest,
      hashes: this.hashesOf(rest),
      massKg: rest.reduce((m, i) => m + (this.itemMassKg[i] as number), 0),
      bits: this.bearing(rest),
      shut: this.shutBy(rest),
    };
  }
  /** Cost of a load with one item more. */
  costWith(load: Load, item: number): number {
    const { key, check } = both(load.hashes, this.itemHashes[item] as Hashes);
    return this.pricer.costOf(key, check, () => this.piecesOf([...load.items, item]));
  }
  /** The same at a glance: as known, or at the setting that is best without the item. */
  private glance(load: Load, item: number): number {
    const { key, check } = both(load.hashes, this.itemHashes[item] as Hashes);
    const known = this.pricer.knownCost(key, check);
    if (known !== undefined) return known;
    const { settingWords: words, pieces } = this.inst.basket;
    const { setting, features } = load;
    if (!features || !((this.itemBits[item * words + (setting >> 5)] as number) & (1 << (setting & 31))))
      return Infinity;
    const seen = this.glances.get(key);
    if (seen?.check === check) return seen.cost;
    let f = features;
    for (const p of this.inst.items[item]?.pieces ?? []) {
      gather(this.scratch, f, pieces[p] as PieceNumbers);
      f = this.scratch;
    }
    const cost = costAtSetting(this.inst.basket, this.piecesOf([...load.items, item]), f, setting);
    this.glances.set(key, { check, cost });
    return cost;
  }
  waitCost(item: number): number {
    return this.inst.items[item]?.waitCost ?? Infinity;
  }

  /** Where an item costs least: a load's index, a new load, or waiting. */
  bestPlace(s: State, item: number, skip: number, after = 0): Place {
    let delta = this.waitCost(item);
    let place = waitHere;
    const alone = this.loadCost([item]);
    if (alone < delta) {
      delta = alone;
      place = newLoad;
    }
    for (const k of this.places(s, item, skip, after)) {
      const load = s.loads[k] as Load;
      const d = this.costWith(load, item) - load.cost;
      if (d < delta - least) {
        delta = d;
        place = k;
      }
    }
    return { delta, place };
  }
  /** Loads worth pricing with an item: all that may take it, or the best at a glance. */
  private places(s: State, item: number, skip: number, after: number): number[] {
    const may: number[] = [];
    for (let k = 0; k < s.loads.length; k++) {
      const load = s.loads[k] as Load;
      if (k === skip || load.number <= after || load.items.length === 0) continue;
      if (this.fits(load, item) && this.mayJoin(load, item)) may.push(k);
    }
    if (!this.quick) return may;
    // What it adds at least orders the loads that are worth a glance.
    const rises = may
      .map((k) => ({ k, rise: this.leastRise(s.loads[k] as Load, item) }))
      .sort((x, y) => x.rise - y.rise || x.k - y.k);
    const best: { k: number; rise: number }[] = [];
    for (const { k, rise: least } of rises) {
      const worst = best[promising - 1]?.rise ?? Infinity;
      if (least >= worst + emptyDrumAtMost) break;
      const rise = this.glance(s.loads[k] as Load, item) - (s.loads[k] as Load).cost;
      if (rise === Infinity) continue;
      best.push({ k, rise });
      best.sort((x, y) => x.rise - y.rise || x.k - y.k);
      if (best.length > promising) best.pop();
    }
    return best.map((x) => x.k);
  }
  put(s: State, item: number, { delta, place }: Place): void {
    if (place === waitHere) s.waiting.add(item);
    else if (place === newLoad) s.loads.push(this.loadOf([item], delta));
    else {
      const load = s.loads[place] as Load;
      s.loads[place] = this.loadOf([...load.items, item], load.cost + delta);
    }
    s.cost += delta;
  }
  takeOut(s: State, item: number): void {
    if (s.waiting.delete(item)) {
      s.cost -= this.waitCost(item);
      return;
    }
    const k = s.loads.findIndex((l) => l.items.includes(item));
    const load = s.loads[k];
    if (!load) return;
    const rest = load.items.filter((x) => x !== item);
    const cost = rest.length === 0 ? 0 : this.loadCost(rest);
    s.cost += cost - load.cost;
    s.loads[k] = this.loadOf(rest, cost);
  }
  /** Make a load, its items taken from where they are; returns the items that may now want another place. */
  impose(s: State, load: Load): number[] {
    const taken = new Set(load.items);
    const touched = [...load.items];
    s.cost += load.cost;
    s.loads = s.loads.map((l) => {
      const rest = l.items.filter((x) => !taken.has(x));
      if (rest.length === l.items.length) return l;
      touched.push(...rest);
      const cost = rest.length > 0 ? this.loadCost(rest) : 0;
      s.cost += cost - l.cost;
      return this.loadOf(rest, cost);
    });
    for (const i of load.items) if (s.waiting.delete(i)) s.cost -= this.waitCost(i);
    s.loads.push(load);
    this.tidy(s);
    return touched;
  }
  loadOf(items: number[], cost: number): Load {
    if (items.length === 0) return empty;
    const pieces = this.quick ? this.piecesOf(items) : [];
    return {
      items,
      cost,
      hashes: this.hashesOf(items),
      massKg: items.reduce((m, i) => m + (this.itemMassKg[i] as number), 0),
      bits: this.bearing(items),
      shut: this.shutBy(items),
      setting: this.quick ? this.pricer.price(pieces).setting : -1,
      features: this.quick ? featuresOf(this.inst.basket, pieces) : null,
      number: ++this.made,
    };
  }
  tidy(s: State): void {
    s.loads = s.loads.filter((l) => l.items.length > 0);
  }
  /** Loads are never changed in place. */
  copy(s: State): State {
    return { loads: [...s.loads], waiting: new Set(s.waiting), cost: s.cost };
  }
}
