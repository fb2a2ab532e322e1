/**
 * Large-neighbourhood search over divisions: build, improve by small moves, then take a few loads apart and put them together again,
 * keeping what is cheaper. Deterministic: a fixed seed and a count of rounds, never a clock.
 */
import { ascending, fits, seededBits, type Division, type Hashes, type Instance, type Pricer } from './instance.ts';

const least = 1e-7;
/** About how much of a search goes into the first division. */
const buildShare = 0.3;
/** A drum packed by a confirmed decision, and a hair. */
const mostFill = 1.2 + 1e-9;
const waitHere = -2;
const newLoad = -1;

/** Beside the loads stand their costs, hashes, masses and the settings that all their items bear. */
interface State { loads: number[][]; costs: number[]; hashes: Hashes[]; massKg: number[]; bits: Int32Array[]; waiting: Set<number>; cost: number }

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
  /** Receives the loads of every improved division: the column pool of the exact method. */
  onLoad: ((items: readonly number[], cost: number) => void) | null = null;
  /** Told now and then how far the search is (0–1) and what the best division costs. */
  onRound: ((share: number, cost: number) => void) | null = null;
  constructor(inst: Instance, pricer: Pricer, seed = 7) {
    this.inst = inst;
    this.pricer = pricer;
    this.next = seededBits(seed);
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
  private mayJoin(s: State, k: number, item: number): boolean {
    const { settingWords: words } = this.inst.basket;
    const load = s.bits[k] as Int32Array;
    const massKg = (s.massKg[k] as number) + (this.itemMassKg[item] as number);
    for (let w = 0; w < words; w++) {
      let bits = (load[w] as number) & (this.itemBits[item * words + w] as number);
      while (bits !== 0) {
        const index = w * 32 + 31 - Math.clz32(bits & -bits);
        if (massKg <= (this.mostKg[index] as number)) return true;
        bits &= bits - 1;
      }
    }
    return false;
  }
  /** Cost of a load of the state with one item more. */
  private costWith(s: State, k: number, item: number): number {
    if (!this.mayJoin(s, k, item)) return Infinity;
    const load = s.hashes[k] as Hashes;
    const more = this.itemHashes[item] as Hashes;
    return this.pricer.costOf(load.key + more.key, (load.check ^ more.check) >>> 0, () => this.piecesOf([...(s.loads[k] as number[]), item]));
  }
  private waitCost(item: number): number {
    return this.inst.items[item]?.waitCost ?? Infinity;
  }

  /** Where an item costs least: a load's index, a new load, or waiting. */
  private bestPlace(s: State, item: number, skip: number): { delta: number; place: number } {
    let delta = this.waitCost(item);
    let place = waitHere;
    const alone = this.loadCost([item]);
    if (alone < delta) { delta = alone; place = newLoad; }
    for (let k = 0; k < s.loads.length; k++) {
      const load = s.loads[k] as number[];
      if (k === skip || load.length === 0 || !fits(this.inst, load, item)) continue;
      const d = this.costWith(s, k, item) - (s.costs[k] as number);
      if (d < delta - least) { delta = d; place = k; }
    }
    return { delta, place };
  }
  private put(s: State, item: number, { delta, place }: { delta: number; place: number }): void {
    if (place === waitHere) s.waiting.add(item);
    else if (place === newLoad) {
      this.setLoad(s, s.loads.length, [item], delta);
    } else this.setLoad(s, place, [...(s.loads[place] as number[]), item], (s.costs[place] as number) + delta);
    s.cost += delta;
  }
  private takeOut(s: State, item: number): void {
    if (s.waiting.delete(item)) {
      s.cost -= this.waitCost(item);
      return;
    }
    const k = s.loads.findIndex((l) => l.includes(item));
    const load = s.loads[k];
    if (!load) return;
    const rest = load.filter((x) => x !== item);
    const cost = rest.length === 0 ? 0 : this.loadCost(rest);
    s.cost += cost - (s.costs[k] as number);
    this.setLoad(s, k, rest, cost);
  }
  private setLoad(s: State, k: number, load: number[], cost: number): void {
    s.loads[k] = load;
    s.costs[k] = cost;
    s.hashes[k] = this.hashesOf(load);
    s.massKg[k] = load.reduce((m, i) => m + (this.itemMassKg[i] as number), 0);
    const words = this.inst.basket.settingWords;
    s.bits[k] = Int32Array.from({ length: words }, (_, w) => load.reduce((bits, i) => bits & (this.itemBits[i * words + w] as number), -1));
  }
  private dropLoad(s: State, k: number): void {
    for (const column of [s.loads, s.costs, s.hashes, s.massKg, s.bits]) column.splice(k, 1);
  }
  private tidy(s: State): void {
    const keep = s.loads.map((l) => l.length > 0);
    s.costs = s.costs.filter((_, k) => keep[k]);
    s.hashes = s.hashes.filter((_, k) => keep[k]);
    s.massKg = s.massKg.filter((_, k) => keep[k]);
    s.bits = s.bits.filter((_, k) => keep[k]);
    s.loads = s.loads.filter((_, k) => keep[k]);
  }
  private copy(s: State): State {
    return { loads: s.loads.map((l) => [...l]), costs: [...s.costs], hashes: [...s.hashes], massKg: [...s.massKg], bits: [...s.bits], waiting: new Set(s.waiting), cost: s.cost };
  }

  private report(s: State): void {
    if (this.onLoad) s.loads.forEach((l, k) => this.onLoad?.(l, s.costs[k] as number));
  }

  private build(order: readonly number[]): State {
    const s: State = { loads: [], costs: [], hashes: [], massKg: [], bits: [], waiting: new Set(), cost: 0 };
    order.forEach((item, k) => {
      this.put(s, item, this.bestPlace(s, item, -1));
      if (k % 50 === 49) this.onRound?.((buildShare * k) / order.length, s.cost);
    });
    return s;
  }

  private relocate(s: State, item: number): boolean {
    const from = s.loads.findIndex((l) => l.includes(item));
    const load = from >= 0 ? (s.loads[from] as number[]) : null;
    const rest = load ? load.filter((x) => x !== item) : [];
    const restCost = rest.length > 0 ? this.loadCost(rest) : 0;
    const saved = load ? (s.costs[from] as number) - restCost : this.waitCost(item);
    if (restCost === Infinity) return false;
    const best = this.bestPlace(s, item, from);
    if (!(best.delta < saved - least) || (load?.length === 1 && best.place === newLoad)) return false;
    this.takeOut(s, item);
    this.put(s, item, best);
    return true;
  }
  private mergeOrDissolve(s: State): boolean {
    for (let i = 0; i < s.loads.length; i++) {
      const a = s.loads[i] as number[];
      const apart = a.reduce((c, x) => c + this.waitCost(x), 0) - (s.costs[i] as number);
      if (apart < -least) {
        a.forEach((x) => s.waiting.add(x));
        this.dropLoad(s, i);
        s.cost += apart;
        return true;
      }
      for (let j = i + 1; j < s.loads.length; j++) {
        const c = s.loads[j] as number[];
        if (!c.every((x) => fits(this.inst, a, x))) continue;
        const joined = this.loadCost([...a, ...c]);
        const delta = joined - (s.costs[i] as number) - (s.costs[j] as number);
        if (delta < -least) {
          this.setLoad(s, i, [...a, ...c], joined);
          this.dropLoad(s, j);
          s.cost += delta;
          return true;
        }
      }
    }
    return false;
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
        this.setLoad(s, s.loads.length, load, cost);
        s.cost += delta;
        return true;
      }
    }
    return false;
  }
  private swap(s: State): boolean {
    for (let i = 0; i < s.loads.length; i++) for (let j = i + 1; j < s.loads.length; j++) {
      const a = s.loads[i] as number[];
      const c = s.loads[j] as number[];
      const now = (s.costs[i] as number) + (s.costs[j] as number);
      for (const p of a) for (const q of c) {
        const a0 = a.filter((x) => x !== p);
        const c0 = c.filter((x) => x !== q);
        if (!fits(this.inst, a0, q) || !fits(this.inst, c0, p)) continue;
        const costA = this.loadCost([...a0, q]);
        if (!(costA < now)) continue;
        const costC = this.loadCost([...c0, p]);
        if (costA + costC < now - least) {
          this.setLoad(s, i, [...a0, q], costA);
          this.setLoad(s, j, [...c0, p], costC);
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
      const load = s.loads[this.next() % s.loads.length] ?? [];
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
      // A little worse is kept now and then, so that the search leaves a valley.
      if (trial.cost < current.cost - least || trial.cost < champion.cost + 0.15) current = trial;
      else if (round % 40 === 39) current = this.copy(champion);
    }
    this.improve(champion, all, effort.swaps);
    this.report(champion);
    return { loads: champion.loads.map(ascending), waiting: ascending([...champion.waiting]), cost: this.exactCost(champion) };
  }
  /** Summed afresh: the running sum drifts by rounding. */
  private exactCost(s: State): number {
    return s.loads.reduce((c, l) => c + this.loadCost(l), 0) + [...s.waiting].reduce((c, x) => c + this.waitCost(x), 0);
  }
}
