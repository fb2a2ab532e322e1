/**
 * Large-neighbourhood search over divisions: build, improve by small moves, then gather loads that pay by way of washing, and take a few loads apart and
 * put them together again, keeping what is cheaper. Deterministic: a fixed seed and a count of rounds, never a clock.
 */
import { seededBits } from '../../units/random.ts';
import { ascending, fits, type Division, type Instance, type Pricer } from '../instance.ts';
import { kindsOf } from '../kinds.ts';
import { emptyDrumAtMost, type Modes } from '../bounds/modes.ts';
import { least, newLoad, Places, type Load, type State } from './places.ts';
import { Regroup, type Proposal } from './regroup.ts';

/** Whoever watches hears of it after so many items. */
const toldEvery = 50;
const mostImprovements = 2_000;
/** About how much of a search goes into the first division. */
const buildShare = 0.3;
/** Of a small group every so many rounds gather a load; of a large one all do, as long as there are proposals. */
const gatherEvery = 4;
/** Proposals tried on one division, and how much dearer, EUR, one may be before its items find better places. */
const mostProposals = 24;
const promisingRise = 3;

/** The most promising exchanges of a pair of loads that are priced in full. */
const exchangesPerPair = 12;
/** Loads never change in place, so that a pair of their numbers tells two sets for good. */
const pairOf = (a: Load, c: Load): number => Math.min(a.number, c.number) * 0x100_0000 + Math.max(a.number, c.number);
/** An item that leaves its load, and what the rest costs. */
interface Leave {
  item: number;
  rest: Load;
  cost: number;
}

export interface SearchEffort {
  /** Ruin-and-recreate rounds. */
  rounds: number;
  /** Try exchanging items between two loads; quadratic in the size of loads. */
  swaps: boolean;
}

export class Search {
  private readonly inst: Instance;
  private readonly places: Places;
  private readonly regroup: Regroup;
  private readonly next: () => number;
  /** The newest load when an item of a kind, in a load or waiting, last found no better place. */
  private readonly tried = new Map<number, number>();
  /** Pairs of loads that are no better as one. */
  private readonly unmerged = new Set<number>();
  /** Pairs of loads, by their numbers, between which no exchange pays. */
  private readonly swapped = new Set<number>();
  /** Kind of each item: exchanging two of one kind changes nothing. */
  private readonly alike: Int32Array;
  /** Receives the loads of every improved division: the column pool of the exact method. */
  onLoad: ((items: readonly number[]) => void) | null = null;
  /** Told now and then how far the search is (0–1) and what the best division costs; answers true when that is enough. */
  onRound: ((share: number, cost: number) => boolean) | null = null;
  private enough = false;
  constructor(modes: Modes, pricer: Pricer, seed = 7) {
    this.inst = modes.inst;
    this.places = new Places(modes, pricer);
    this.regroup = new Regroup(modes, this.places);
    this.next = seededBits(seed);
    this.alike = new Int32Array(this.inst.items.length);
    kindsOf(this.inst).forEach((kind, k) => {
      for (const i of kind) this.alike[i] = k;
    });
  }
  /** How far the search is (0–1). */
  private share = 0;
  private told(share: number, cost: number): void {
    this.share = share;
    this.enough ||= this.onRound?.(share, cost) === true;
  }
  private report(s: State): void {
    if (this.onLoad) for (const l of s.loads) this.onLoad(l.items);
  }

  private build(order: readonly number[]): State {
    const s: State = { loads: [], waiting: new Set(), cost: 0 };
    order.forEach((item, k) => {
      this.places.put(s, item, this.places.bestPlace(s, item, -1));
      if (k % toldEvery === toldEvery - 1) this.told((buildShare * k) / order.length, Infinity);
    });
    return s;
  }

  private relocate(s: State, item: number): boolean {
    const from = s.loads.findIndex((l) => l.items.includes(item));
    const load = from >= 0 ? (s.loads[from] as Load) : null;
    const rest = load ? load.items.filter((x) => x !== item) : [];
    const restCost = rest.length > 0 ? this.places.loadCost(rest) : 0;
    const saved = load ? load.cost - restCost : this.places.waitCost(item);
    if (restCost === Infinity) return false;
    // Where no load is new since it, or one alike in the same load, last found no better place, it finds none now.
    const where = (load?.number ?? 0) * this.inst.items.length + (this.alike[item] as number);
    const best = this.places.bestPlace(s, item, from, this.tried.get(where) ?? 0);
    if (!(best.delta < saved - least) || (load?.items.length === 1 && best.place === newLoad)) {
      this.tried.set(where, this.places.made);
      return false;
    }
    this.places.takeOut(s, item);
    this.places.put(s, item, best);
    return true;
  }
  private mergeOrDissolve(s: State): boolean {
    for (let i = 0; i < s.loads.length; i++) {
      const a = s.loads[i] as Load;
      const apart = a.items.reduce((c, x) => c + this.places.waitCost(x), 0) - a.cost;
      if (apart < -least) {
        a.items.forEach((x) => s.waiting.add(x));
        s.loads.splice(i, 1);
        s.cost += apart;
        return true;
      }
      for (let j = i + 1; j < s.loads.length; j++) {
        const c = s.loads[j] as Load;
        const pair = pairOf(a, c);
        if (this.unmerged.has(pair)) continue;
        this.unmerged.add(pair);
        if (!this.places.mayMerge(a, c) || !this.places.fitTogether(a, c)) continue;
        const both = [...a.items, ...c.items];
        const joined = this.places.loadCost(both);
        const delta = joined - a.cost - c.cost;
        if (delta < -least) {
          s.loads[i] = this.places.loadOf(both, joined);
          s.loads.splice(j, 1);
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
      let cost = this.places.loadCost(load);
      if (cost === Infinity) continue;
      for (const item of waiting) {
        if (item === first || !fits(this.inst, load, item)) continue;
        const grown = this.places.loadCost([...load, item]);
        if (grown - cost < this.places.waitCost(item)) {
          load = [...load, item];
          cost = grown;
        }
      }
      const delta = cost - load.reduce((c, x) => c + this.places.waitCost(x), 0);
      if (delta < -least) {
        load.forEach((x) => s.waiting.delete(x));
        s.loads.push(this.places.loadOf(load, cost));
        s.cost += delta;
        return true;
      }
    }
    return false;
  }
  /** Exchange two items of two loads. A pair of loads in which no exchange pays is not looked at again until one of them changes. */
  private swap(s: State): boolean {
    for (let i = 0; i < s.loads.length; i++)
      for (let j = i + 1; j < s.loads.length; j++) {
        if (this.enough) return false;
        const a = s.loads[i] as Load;
        const c = s.loads[j] as Load;
        const pair = pairOf(a, c);
        if (this.swapped.has(pair)) continue;
        const found = this.swapBetween(a, c);
        if (!found) {
          this.swapped.add(pair);
          continue;
        }
        s.cost += found[0].cost + found[1].cost - a.cost - c.cost;
        [s.loads[i], s.loads[j]] = found;
        return true;
      }
    return false;
  }
  /** The first exchange between two loads that pays, the most promising tried first: what an item's leaving saves and what it adds at least elsewhere are known before both loads are priced. */
  private swapBetween(a: Load, c: Load): [Load, Load] | null {
    const { places } = this;
    const now = a.cost + c.cost;
    const leaves = (load: Load): Leave[] =>
      this.different(load.items).map((item) => {
        const rest = load.items.filter((x) => x !== item);
        return { item, rest: places.partOf(load, rest), cost: places.loadCost(rest) };
      });
    const fromC = leaves(c);
    const open: { out: Leave; back: Leave; sum: number }[] = [];
    for (const out of leaves(a))
      for (const back of fromC) {
        if (this.alike[out.item] === this.alike[back.item]) continue;
        const sum =
          out.cost + back.cost + places.leastRise(out.rest, back.item) + places.leastRise(back.rest, out.item);
        if (sum - emptyDrumAtMost < now && places.fits(out.rest, back.item) && places.fits(back.rest, out.item))
          open.push({ out, back, sum });
      }
    open.sort((x, y) => x.sum - y.sum);
    for (const { out, back } of open.slice(0, exchangesPerPair)) {
      if (!places.mayJoin(out.rest, back.item) || !places.mayJoin(back.rest, out.item)) continue;
      const costA = places.costWith(out.rest, back.item);
      if (!(costA + back.cost < now)) continue;
      const costC = places.costWith(back.rest, out.item);
      if (costA + costC < now - least)
        return [
          places.loadOf([...out.rest.items, back.item], costA),
          places.loadOf([...back.rest.items, out.item], costC),
        ];
    }
    return null;
  }
  /** The first of each kind. */
  private different(items: readonly number[]): number[] {
    const kinds = new Set<number>();
    return items.filter((i) => kinds.size < kinds.add(this.alike[i] as number).size);
  }
  private improve(s: State, items: readonly number[], swaps: boolean): void {
    for (let round = 0; round < mostImprovements && !this.enough; round++) {
      let moved = false;
      for (const [k, item] of items.entries()) {
        if (k % toldEvery === toldEvery - 1) this.told(this.share, Infinity);
        if (this.enough) return;
        moved = this.relocate(s, item) || moved;
      }
      this.places.tidy(s);
      if (moved || this.mergeOrDissolve(s) || this.wake(s)) continue;
      if (!swaps || !this.swap(s)) return;
    }
  }

  /** Wash a new load from pieces of several, the first that pays as it is. */
  private gatherWhatPays(s: State): boolean {
    for (const proposal of this.regroup.proposals(s).slice(0, mostProposals)) {
      const trial = this.places.copy(s);
      this.places.impose(trial, this.regroup.gather(proposal));
      if (!(trial.cost < s.cost - least)) continue;
      Object.assign(s, trial);
      this.tried.clear();
      return true;
    }
    return false;
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

  private built: State | null = null;
  private first: State | null = null;
  /** A first division: built, improved by small moves, and with the loads gathered that pay. In a large group nothing is gathered yet: somebody waits for it. */
  start(): Division {
    if (!this.places.quick) return this.divisionOf((this.first ??= this.begin()));
    if (!this.built) {
      this.built = this.build(this.orders()[0] as number[]);
      this.improve(
        this.built,
        this.inst.items.map((_, i) => i),
        false,
      );
    }
    this.report(this.built);
    return this.divisionOf(this.built);
  }
  /** Orders in which a division is built. */
  private orders(): number[][] {
    const { items, basket } = this.inst;
    const all = items.map((_, i) => i);
    const first = (i: number) => basket.profiles[items[i]?.pieces[0] ?? 0];
    const by = (f: (i: number) => number): number[] => [...all].sort((x, y) => f(x) - f(y) || x - y);
    const families = ['wool', 'delicate', 'synthetics', 'cotton'];
    return [
      by((i) => families.indexOf(first(i)?.family ?? 'cotton') * 1000 + (first(i)?.values.maxTemperatureC ?? 0)),
      by((i) => first(i)?.history.colour.ground.lightness ?? 0),
    ];
  }
  private begin(): State {
    const all = this.inst.items.map((_, i) => i);
    const { quick } = this.places;
    let best: State | null = null;
    for (const [k, order] of this.orders().entries()) {
      if (quick && k > 0) break;
      this.tried.clear();
      const s = k === 0 && this.built ? this.places.copy(this.built) : this.build(order);
      this.improve(s, all, false);
      for (let k = 0; k < mostProposals && this.gatherWhatPays(s); k++) this.improve(s, all, false);
      this.report(s);
      if (!best || s.cost < best.cost - least) best = s;
    }
    return best ?? this.build(all);
  }

  /** The best that is found from the first division on: rounds of taking apart, and what is best of them improved once more. */
  run(effort: SearchEffort): Division {
    this.first ??= this.begin();
    return this.divisionOf(this.wander(this.first, effort));
  }
  private wander(first: State, { rounds, swaps }: SearchEffort): State {
    const all = this.inst.items.map((_, i) => i);
    let current = first;
    let champion = this.places.copy(current);
    let proposals: { of: State | null; list: Proposal[] } = { of: null, list: [] };
    for (let round = 0; round < rounds && !this.enough; round++) {
      this.told(buildShare + ((1 - buildShare) * (round + 1)) / (rounds + 1), champion.cost);
      const trial = this.places.copy(current);
      if (this.places.quick || round % gatherEvery === 0) {
        if (proposals.of !== current)
          proposals = { of: current, list: this.regroup.proposals(current).slice(0, mostProposals) };
        const proposal = proposals.list.shift();
        if (proposal) {
          const touched = this.places.impose(trial, this.regroup.gather(proposal));
          if (trial.cost < current.cost + promisingRise) this.improve(trial, touched, false);
          this.report(trial);
          if (trial.cost < current.cost - least) current = trial;
          if (trial.cost < champion.cost - least) champion = this.places.copy(trial);
          continue;
        }
      }
      const out = this.ruin(trial);
      for (const x of out) this.places.takeOut(trial, x);
      this.places.tidy(trial);
      for (let k = out.length - 1; k > 0; k--) {
        const r = this.next() % (k + 1);
        [out[k], out[r]] = [out[r] as number, out[k] as number];
      }
      for (const x of out) this.places.put(trial, x, this.places.bestPlace(trial, x, -1));
      if (trial.cost < current.cost + 0.4) this.improve(trial, out, false);
      this.report(trial);
      if (trial.cost < champion.cost - least) champion = this.places.copy(trial);
      // A little worse is kept now and then, so that the search leaves a valley.
      if (trial.cost < current.cost - least || trial.cost < champion.cost + 0.15) current = trial;
      else if (round % 40 === 39) current = this.places.copy(champion);
    }
    this.tried.clear();
    this.improve(champion, all, swaps);
    this.report(champion);
    return champion;
  }
  private divisionOf(s: State): Division {
    return {
      loads: s.loads.map((l) => ascending(l.items)),
      waiting: ascending([...s.waiting]),
      cost: this.exactCost(s),
    };
  }
  /** A division found elsewhere, improved by small moves, with exchanges between loads or without. */
  polish(division: Division, swaps: boolean): Division {
    const s: State = {
      loads: division.loads.map((items) => this.places.loadOf(items, this.places.loadCost(items))),
      waiting: new Set(division.waiting),
      cost: division.cost,
    };
    this.tried.clear();
    this.improve(
      s,
      this.inst.items.map((_, i) => i),
      swaps,
    );
    return this.divisionOf(s);
  }
  /** Summed afresh: the running sum drifts by rounding. */
  private exactCost(s: State): number {
    return (
      s.loads.reduce((c, l) => c + this.places.loadCost(l.items), 0) +
      [...s.waiting].reduce((c, x) => c + this.places.waitCost(x), 0)
    );
  }
}
