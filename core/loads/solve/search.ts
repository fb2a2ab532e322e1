/**
 * Large-neighbourhood search over divisions: build, improve by small moves, then take a few loads apart and put them together again,
 * keeping what is cheaper. Deterministic: a fixed seed and a count of rounds, never a clock.
 */
import type { PieceNumbers } from '../basket.ts';
import { featuresOf, gather, noFeatures, type Features } from '../features.ts';
import { costAtSetting } from '../price.ts';
import { ascending, fits, seededBits, type Division, type Hashes, type Instance, type Pricer } from './instance.ts';

const least = 1e-7;
/** About how much of a search goes into the first division. */
const buildShare = 0.3;
/** A drum packed by a confirmed decision, and a hair. */
const mostFill = 1.2 + 1e-9;
const waitHere = -2;
const newLoad = -1;

/** Above this size only the most promising places of an item are priced in full, and so many of them. */
const exactUpTo = 140;
const promising = 3;

/** What is known of a load beside its items: cost, hashes, mass, the settings all its items bear; for quick looks its best setting and its features. */
interface Load { items: number[]; cost: number; hashes: Hashes; massKg: number; bits: Int32Array; setting: number; features: Features | null; /** Loads are never changed in place: a later one has a higher number. */ number: number }
interface State { loads: Load[]; waiting: Set<number>; cost: number }
const empty: Load = { items: [], cost: 0, hashes: { key: 0, check: 0 }, massKg: 0, bits: new Int32Array(0), setting: -1, features: null, number: 0 };

export interface SearchEffort {
  /** Ruin-and-recreate rounds. */
  rounds: number;
  /** Try exchanging items between two loads; quadratic in the size of loads. */
  swaps: boolean;
}

export class Search {
  private readonly inst: Instance;
  private readonly pricer: Pricer;
  private readonly next: () => number;
  private readonly itemHashes: readonly Hashes[];
  private readonly itemBits: Int32Array;
  private readonly itemMassKg: Float64Array;
  private readonly mostKg: Float64Array;
  private readonly quick: boolean;
  private readonly scratch = noFeatures();
  private made = 0;
  /** The newest load when each item last found no better place. */
  private readonly tried: Float64Array;
  private readonly glances = new Map<number, { check: number; cost: number }>();
  /** Receives the loads of every improved division: the column pool of the exact method. */
  onLoad: ((items: readonly number[], cost: number) => void) | null = null;
  /** Told now and then how far the search is (0–1) and what the best division costs. */
  onRound: ((share: number, cost: number) => void) | null = null;
  constructor(inst: Instance, pricer: Pricer, seed = 7) {
    this.inst = inst;
    this.pricer = pricer;
    this.next = seededBits(seed);
    this.tried = new Float64Array(inst.items.length);
    this.quick = inst.items.length > exactUpTo;
    this.itemHashes = inst.items.map((item) => pricer.hashes(item.pieces));
    const { basket: b } = inst;
    const words = b.settingWords;
    this.itemBits = Int32Array.from({ length: inst.items.length * words }, (_, x) => (inst.items[Math.floor(x / words)]?.pieces ?? []).reduce((bits, p) => bits & (b.allowedBits[p * words + (x % words)] ?? 0), -1));
    this.itemMassKg = Float64Array.from(inst.items, (item) => item.pieces.reduce((m, p) => m + (b.pieces[p]?.massKg ?? 0), 0));
    this.mostKg = Float64Array.from(b.settings, (setting) => (setting.method === 'machine' ? setting.programme.maxLoadKg * mostFill : Infinity));
  }
  private piecesOf(load: readonly number[]): number[] {
    return load.flatMap((i) => this.inst.items[i]?.pieces ?? []);
  }
  private hashesOf(load: readonly number[]): Hashes {
    let key = 0;
    let check = 0;
    for (const i of load) { const h = this.itemHashes[i] as Hashes; key += h.key; check = (check ^ h.check) >>> 0; }
    return { key, check };
  }
  private loadCost(load: readonly number[]): number {
    const { key, check } = this.hashesOf(load);
    return this.pricer.costOf(key, check, () => this.piecesOf(load));
  }
  /** Some setting bears the load and the item, and its drum takes their mass. */
  private mayJoin(load: Load, item: number): boolean {
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
  /** Cost of a load with one item more. */
  private costWith(load: Load, item: number): number {
    const more = this.itemHashes[item] as Hashes;
    return this.pricer.costOf(load.hashes.key + more.key, (load.hashes.check ^ more.check) >>> 0, () => this.piecesOf([...load.items, item]));
  }
  /** The same at a glance: as known, or at the setting that is best without the item. */
  private glance(load: Load, item: number): number {
    const more = this.itemHashes[item] as Hashes;
    const key = load.hashes.key + more.key;
    const check = (load.hashes.check ^ more.check) >>> 0;
    const known = this.pricer.knownCost(key, check);
    if (known !== undefined) return known;
    const { settingWords: words, pieces } = this.inst.basket;
    const { setting, features } = load;
    if (!features || !((this.itemBits[item * words + (setting >> 5)] as number) & (1 << (setting & 31)))) return Infinity;
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
  private waitCost(item: number): number {
    return this.inst.items[item]?.waitCost ?? Infinity;
  }

  /** Where an item costs least: a load's index, a new load, or waiting. */
  private bestPlace(s: State, item: number, skip: number, after = 0): { delta: number; place: number } {
    let delta = this.waitCost(item);
    let place = waitHere;
    const alone = this.loadCost([item]);
    if (alone < delta) { delta = alone; place = newLoad; }
    for (const k of this.places(s, item, skip, after)) {
      const load = s.loads[k] as Load;
      const d = this.costWith(load, item) - load.cost;
      if (d < delta - least) { delta = d; place = k; }
    }
    return { delta, place };
  }
  /** Loads worth pricing with an item: all that may take it, or the best at a glance. */
  private places(s: State, item: number, skip: number, after: number): number[] {
    const may = s.loads.flatMap((load, k) => (k !== skip && load.number > after && load.items.length > 0 && fits(this.inst, load.items, item) && this.mayJoin(load, item) ? [k] : []));
    if (!this.quick) return may;
    return may.map((k) => ({ k, rise: this.glance(s.loads[k] as Load, item) - (s.loads[k] as Load).cost })).filter((x) => x.rise < Infinity).sort((x, y) => x.rise - y.rise || x.k - y.k).slice(0, promising).map((x) => x.k);
  }
  private put(s: State, item: number, { delta, place }: { delta: number; place: number }): void {
    if (place === waitHere) s.waiting.add(item);
    else if (place === newLoad) s.loads.push(this.loadOf([item], delta));
    else {
      const load = s.loads[place] as Load;
      s.loads[place] = this.loadOf([...load.items, item], load.cost + delta);
    }
    s.cost += delta;
  }
  private takeOut(s: State, item: number): void {
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
  private loadOf(items: number[], cost: number): Load {
    if (items.length === 0) return empty;
    const words = this.inst.basket.settingWords;
    const pieces = this.quick ? this.piecesOf(items) : [];
    return {
      items, cost, hashes: this.hashesOf(items), massKg: items.reduce((m, i) => m + (this.itemMassKg[i] as number), 0),
      bits: Int32Array.from({ length: words }, (_, w) => items.reduce((bits, i) => bits & (this.itemBits[i * words + w] as number), -1)),
      setting: this.quick ? this.pricer.price(pieces).setting : -1, features: this.quick ? featuresOf(this.inst.basket, pieces) : null, number: ++this.made,
    };
  }
  private tidy(s: State): void {
    s.loads = s.loads.filter((l) => l.items.length > 0);
  }
  /** Loads are never changed in place. */
  private copy(s: State): State {
    return { loads: [...s.loads], waiting: new Set(s.waiting), cost: s.cost };
  }

  private report(s: State): void {
    if (this.onLoad) for (const l of s.loads) this.onLoad(l.items, l.cost);
  }

  private build(order: readonly number[]): State {
    const s: State = { loads: [], waiting: new Set(), cost: 0 };
    order.forEach((item, k) => {
      this.put(s, item, this.bestPlace(s, item, -1));
      if (k % 50 === 49) this.onRound?.((buildShare * k) / order.length, s.cost);
    });
    return s;
  }

  private relocate(s: State, item: number): boolean {
    const from = s.loads.findIndex((l) => l.items.includes(item));
    const load = from >= 0 ? (s.loads[from] as Load) : null;
    const rest = load ? load.items.filter((x) => x !== item) : [];
    const restCost = rest.length > 0 ? this.loadCost(rest) : 0;
    const saved = load ? load.cost - restCost : this.waitCost(item);
    if (restCost === Infinity) return false;
    // Where neither its own load nor another has changed since it last found no better place, it finds none now.
    const tried = this.tried[item] as number;
    const best = this.bestPlace(s, item, from, (load?.number ?? 0) > tried ? 0 : tried);
    if (!(best.delta < saved - least) || (load?.items.length === 1 && best.place === newLoad)) {
      this.tried[item] = this.made;
      return false;
    }
    this.takeOut(s, item);
    this.put(s, item, best);
    return true;
  }
  private mergeOrDissolve(s: State): boolean {
    for (let i = 0; i < s.loads.length; i++) {
      const a = s.loads[i] as Load;
      const apart = a.items.reduce((c, x) => c + this.waitCost(x), 0) - a.cost;
      if (apart < -least) {
        a.items.forEach((x) => s.waiting.add(x));
        s.loads.splice(i, 1);
        s.cost += apart;
        return true;
      }
      for (let j = i + 1; j < s.loads.length; j++) {
        const c = s.loads[j] as Load;
        if (!this.mayMerge(a, c) || !c.items.every((x) => fits(this.inst, a.items, x))) continue;
        const both = [...a.items, ...c.items];
        const joined = this.loadCost(both);
        const delta = joined - a.cost - c.cost;
        if (delta < -least) {
          s.loads[i] = this.loadOf(both, joined);
          s.loads.splice(j, 1);
          s.cost += delta;
          return true;
        }
      }
    }
    return false;
  }
  /** Some setting bears both and takes their mass. */
  private mayMerge(a: Load, c: Load): boolean {
    const massKg = a.massKg + c.massKg;
    return a.bits.some((word, w) => {
      for (let bits = word & (c.bits[w] as number); bits !== 0; bits &= bits - 1) if (massKg <= (this.mostKg[w * 32 + 31 - Math.clz32(bits & -bits)] as number)) return true;
      return false;
    });
  }
  /** Start a load from what waits, when the whole step pays. */
  private wake(s: State): boolean {
    const waiting = ascending([...s.waiting]);
    for (const first of waiting) {
      let load = [first];
      let cost = this.loadCost(load);
      if (cost === Infinity) continue;
      for (const item of waiting) {
        if (item === first || !fits(this.inst, load, item)) continue;
        const grown = this.loadCost([...load, item]);
        if (grown - cost < this.waitCost(item)) { load = [...load, item]; cost = grown; }
      }
      const delta = cost - load.reduce((c, x) => c + this.waitCost(x), 0);
      if (delta < -least) {
        load.forEach((x) => s.waiting.delete(x));
        s.loads.push(this.loadOf(load, cost));
        s.cost += delta;
        return true;
      }
    }
    return false;
  }
  private swap(s: State): boolean {
    for (let i = 0; i < s.loads.length; i++) for (let j = i + 1; j < s.loads.length; j++) {
      const a = s.loads[i] as Load;
      const c = s.loads[j] as Load;
      const now = a.cost + c.cost;
      for (const p of a.items) for (const q of c.items) {
        const a0 = a.items.filter((x) => x !== p);
        const c0 = c.items.filter((x) => x !== q);
        if (!fits(this.inst, a0, q) || !fits(this.inst, c0, p)) continue;
        const costA = this.loadCost([...a0, q]);
        if (!(costA < now)) continue;
        const costC = this.loadCost([...c0, p]);
        if (costA + costC < now - least) {
          s.loads[i] = this.loadOf([...a0, q], costA);
          s.loads[j] = this.loadOf([...c0, p], costC);
          s.cost += costA + costC - now;
          return true;
        }
      }
    }
    return false;
  }
  private improve(s: State, items: readonly number[], swaps: boolean): void {
    for (let round = 0; round < 100; round++) {
      let moved = false;
      for (const item of items) moved = this.relocate(s, item) || moved;
      this.tidy(s);
      if (moved || this.mergeOrDissolve(s) || this.wake(s)) continue;
      if (!swaps || !this.swap(s)) return;
    }
  }

  /** Items that make up the neighbourhood of a round: those of two or three loads, and some that wait. */
  private ruin(s: State): number[] {
    const out: number[] = [];
    const loads = Math.min(s.loads.length, 2 + (this.next() % 2));
    for (let k = 0; k < loads; k++) {
      const load = s.loads[this.next() % s.loads.length]?.items ?? [];
      const share = this.next() % 3;
      for (const x of load) if (!out.includes(x) && (share > 0 || this.next() % 2 === 0)) out.push(x);
    }
    for (const x of s.waiting) if (this.next() % 4 === 0) out.push(x);
    return out;
  }

  run(effort: SearchEffort): Division {
    const { items, basket } = this.inst;
    const all = items.map((_, i) => i);
    const first = (i: number) => basket.profiles[items[i]?.pieces[0] ?? 0];
    const by = (f: (i: number) => number): number[] => [...all].sort((x, y) => f(x) - f(y) || x - y);
    const families = ['wool', 'delicate', 'synthetics', 'cotton'];
    const orders = [
      by((i) => families.indexOf(first(i)?.family ?? 'cotton') * 1000 + (first(i)?.values.maxTemperatureC ?? 0)),
      by((i) => first(i)?.history.colour.ground.lightness ?? 0),
      by((i) => -(first(i)?.massKg ?? 0)),
    ];
    let best: State | null = null;
    for (const order of orders.slice(0, items.length > 150 ? 1 : 2)) {
      this.tried.fill(0);
      const s = this.build(order);
      this.improve(s, all, false);
      this.report(s);
      if (!best || s.cost < best.cost - least) best = s;
    }
    let current = best ?? this.build(all);
    let champion = this.copy(current);
    for (let round = 0; round < effort.rounds; round++) {
      this.onRound?.(buildShare + ((1 - buildShare) * (round + 1)) / (effort.rounds + 1), champion.cost);
      const trial = this.copy(current);
      const out = this.ruin(trial);
      for (const x of out) this.takeOut(trial, x);
      this.tidy(trial);
      for (let k = out.length - 1; k > 0; k--) {
        const r = this.next() % (k + 1);
        [out[k], out[r]] = [out[r] as number, out[k] as number];
      }
      for (const x of out) this.put(trial, x, this.bestPlace(trial, x, -1));
      if (trial.cost < current.cost + 0.4) this.improve(trial, out, false);
      this.report(trial);
      if (trial.cost < champion.cost - least) champion = this.copy(trial);
      for (const x of out) this.tried[x] = 0;
      // A little worse is kept now and then, so that the search leaves a valley.
      if (trial.cost < current.cost - least || trial.cost < champion.cost + 0.15) current = trial;
      else if (round % 40 === 39) current = this.copy(champion);
    }
    this.tried.fill(0);
    this.improve(champion, all, effort.swaps);
    this.report(champion);
    return { loads: champion.loads.map((l) => ascending(l.items)), waiting: ascending([...champion.waiting]), cost: this.exactCost(champion) };
  }
  /** Summed afresh: the running sum drifts by rounding. */
  private exactCost(s: State): number {
    return s.loads.reduce((c, l) => c + this.loadCost(l.items), 0) + [...s.waiting].reduce((c, x) => c + this.waitCost(x), 0);
  }
}
