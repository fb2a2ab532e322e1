/**
 * Column generation over kinds of items: the linear relaxation of the division over all loads that the oracle can think of. Its duals, mended, are
 * worths that no load exceeds, and bound every division from below; the real loads met on the way are handed on for a better division.
 */
import { piecesOf, type Division, type Instance, type Pricer } from '../instance.ts';
import { oneOfEach } from '../kinds.ts';
import type { KnownLoads } from '../partition.ts';
import { RestrictedMaster } from '../exact/simplex.ts';
import { shareWorth, solitaryWorth } from './dual-bounds.ts';
import type { Modes } from './modes.ts';
import { Oracle } from './oracle.ts';

export interface GenerationEffort {
  rounds: number;
  /** Parts of the oracle divided in a round, and sets wanted of it. */
  divisions: number;
  sets: number;
  /** Items of the parts that the oracle looks at, in all: a larger basket gets fewer rounds, not a longer wait. */
  visited: number;
}
/** A load of so many items of each kind (its kinds listed as often as they are in it), at its real price. */
export interface KindLoad {
  kinds: number[];
  cost: number;
}

/** How far the worths asked about lie from the duals towards the best worths so far; and after rounds that bring nothing new. */
const smoothing = [0.7, 0.3, 0] as const;
/** Loads worth less than this above their cost, EUR, change little. */
const leastOver = 1e-3;
/** The bound has settled when so many rounds raise it by less than this share. */
const settledAfter = 10;
const settledShare = 5e-4;
/** Above every sensible price of covering one item. */
const artificialCost = 1e5;
/** A number of loads nearer to a whole one is not branched on. */
const leastFraction = 0.02;

export class Generation {
  private readonly inst: Instance;
  private readonly kinds: readonly (readonly number[])[];
  private readonly kindOf: Int32Array;
  /** How many items of each kind there are, and what one costs to put off. */
  readonly counts: readonly number[];
  readonly waitCosts: readonly number[];
  private readonly pricer: Pricer;
  private readonly oracle: Oracle;
  /** Every load of the relaxation, real or as the oracle charged it, by its kinds and what it costs. */
  private readonly columns = new Map<string, KindLoad>();
  /** Loads that can really be washed, by their kinds. */
  readonly loads = new Map<string, KindLoad>();
  private worth: Float64Array;
  private visited = 0;
  lowerBound: number;

  constructor(modes: Modes, pricer: Pricer, kinds: readonly (readonly number[])[]) {
    this.inst = modes.inst;
    this.kinds = kinds;
    this.pricer = pricer;
    this.counts = kinds.map((kind) => kind.length);
    this.waitCosts = kinds.map(([i = 0]) => this.inst.items[i]?.waitCost ?? Infinity);
    this.kindOf = new Int32Array(this.inst.items.length);
    kinds.forEach((kind, k) => {
      for (const i of kind) this.kindOf[i] = k;
    });
    const one = oneOfEach(this.inst, kinds);
    const n = this.inst.items.length;
    const several = kinds.map(([i = 0, j]) => (j !== undefined && this.inst.apart[i * n + j] ? 1 : Infinity));
    const ways = modes.merged(
      one,
      kinds.map(([i = 0]) => [i]),
    );
    this.oracle = new Oracle(
      ways,
      this.counts.map((count, k) => Math.min(count, several[k] as number)),
    );
    const alone = solitaryWorth(modes, shareWorth(modes));
    this.worth = Float64Array.from(kinds, (kind) => Math.min(...kind.map((i) => alone[i] as number)));
    this.lowerBound = this.valueOf(this.worth);
    kinds.forEach((_, k) => this.addReal([k]));
  }
  /** L3 of docs/solver.md: what worths bound a division by. */
  private valueOf(worth: Float64Array): number {
    return worth.reduce((t, u, k) => t + (this.counts[k] as number) * Math.min(u, this.waitCosts[k] as number), 0);
  }
  /** Items for loads told by kinds, the first free of each: any others would cost the same. */
  sharedOut(loads: readonly (readonly number[])[]): number[][] {
    const taken = new Int32Array(this.kinds.length);
    return loads.map((kinds) =>
      kinds.map((k) => {
        const at = taken[k] as number;
        taken[k] = at + 1;
        return this.kinds[k]?.[at] ?? -1;
      }),
    );
  }
  private itemsOf(kinds: readonly number[]): number[] {
    return this.sharedOut([kinds])[0] ?? [];
  }
  /** The loads met, with the worths of the whole and the bound that these prove by themselves, without branches. */
  known(): KnownLoads {
    const { counts, waitCosts, worth } = this;
    return { counts, waitCosts, loads: [...this.loads.values()], worth, bound: this.valueOf(worth) };
  }
  private addReal(kinds: number[]): number | null {
    const cost = this.pricer.cost(piecesOf(this.inst.items, this.itemsOf(kinds)));
    if (cost === Infinity) return null;
    const key = kinds.join(',');
    if (!this.loads.has(key)) {
      this.loads.set(key, { kinds, cost });
      this.columns.set(key, { kinds, cost });
    }
    return cost;
  }
  /** Take in loads met elsewhere, as items; `begin` is the division to start from. */
  take(loads: Iterable<readonly number[]>, begin: Division): void {
    const kindsOf = (items: readonly number[]): number[] =>
      items.map((i) => this.kindOf[i] as number).sort((x, y) => x - y);
    for (const items of [...loads, ...begin.loads]) this.addReal(kindsOf(items));
    this.begin = begin.loads.map((items) => kindsOf(items).join(','));
  }
  private begin: readonly string[] = [];

  /**
   * L12 of docs/solver.md. Raise the bound until it settles, the effort is spent, or `told` answers true; then once more for fewer loads than the
   * relaxation has, and for more: a division has either.
   */
  run(effort: GenerationEffort, cost: number, told: (lowerBound: number, share: number) => boolean): void {
    const share = 1 / 3;
    const root = this.settle(new Master(this, null), effort, cost, this.worth, (bound, part) => {
      this.lowerBound = Math.max(this.lowerBound, bound);
      return told(this.lowerBound, part * share);
    });
    this.worth = root.worth;
    if (root.stopped || this.lowerBound >= cost || this.visited > effort.visited) return;
    const whole = Math.floor(root.loads + 1e-4);
    if (root.loads - whole < leastFraction) return;
    let least = cost;
    for (const [x, limit] of [{ most: whole }, { least: whole + 1 }].entries()) {
      const branch = this.settle(new Master(this, limit), effort, cost, root.worth, (_, part) =>
        told(this.lowerBound, share * (1 + x + part)),
      );
      if (branch.stopped || this.visited > effort.visited) return;
      least = Math.min(least, branch.bound);
    }
    this.lowerBound = Math.max(this.lowerBound, least);
    told(this.lowerBound, 1);
  }
  private settle(
    master: Master,
    effort: GenerationEffort,
    cost: number,
    from: Float64Array,
    told: (bound: number, share: number) => boolean,
  ): { bound: number; worth: Float64Array; loads: number; stopped: boolean } {
    let idle = 0;
    let worth = from;
    let bound = -Infinity;
    let settled = { bound, round: 0 };
    let stopped = false;
    for (let round = 0; round < effort.rounds && !stopped && bound < cost; round++) {
      const { duals, perLoad } = master.optimise(this.oracle.leastBase);
      const back = smoothing[Math.min(idle, smoothing.length - 1)] as number;
      const asked = Float64Array.from(duals, (d, k) => (1 - back) * d + back * (worth[k] as number));
      const { sets, over, visited } = this.oracle.ask(asked, {
        divisions: effort.divisions,
        sets: effort.sets,
        least: leastOver,
        perLoad,
      });
      this.visited += visited;
      const mended = this.oracle.mended(asked, perLoad);
      const reached = this.valueOf(mended) + master.worthOfNumber(perLoad);
      if (reached > bound) {
        bound = Math.min(reached, cost);
        worth = mended;
      }
      let added = 0;
      for (const { items, cost: charged } of sets) {
        const kinds = items.sort((x, y) => x - y);
        const real = this.addReal(kinds);
        if (kinds.reduce((t, k) => t + (duals[k] as number), perLoad) - charged > leastOver) added++;
        // A load that cannot be washed so, or costs more, still stands in the relaxation as the oracle charged it.
        if (real === null || real > charged)
          this.columns.set(`${kinds.join(',')}/${charged.toFixed(6)}`, { kinds, cost: charged });
      }
      idle = added === 0 ? idle + 1 : 0;
      if (bound > settled.bound + settledShare * Math.abs(bound)) settled = { bound, round };
      stopped = told(bound, (round + 1) / effort.rounds);
      if (this.visited > effort.visited) break;
      if (idle > smoothing.length || (over <= leastOver && back === 0) || round - settled.round >= settledAfter) break;
    }
    return { bound, worth, loads: master.loads(), stopped };
  }
  /** What a master takes over. */
  get relaxed(): { columns: ReadonlyMap<string, KindLoad>; begin: readonly string[] } {
    return { columns: this.columns, begin: this.begin };
  }
}

/** The restricted master problem of one branch; it takes over what the generation has met since it was asked last. */
class Master {
  private readonly generation: Generation;
  private readonly limit: { least?: number; most?: number } | null;
  private readonly master: RestrictedMaster;
  private readonly kinds: number;
  private readonly isLoad = new Set<number>();
  private taken = 0;
  constructor(generation: Generation, limit: { least?: number; most?: number } | null) {
    this.generation = generation;
    this.limit = limit;
    const { counts, waitCosts } = generation;
    this.kinds = counts.length;
    const number = limit && (limit.least ?? limit.most ?? 0);
    this.master = new RestrictedMaster(number === null ? counts : [...counts, number], artificialCost);
    waitCosts.forEach((cost, k) => {
      if (cost < Infinity) this.master.add({ rows: [k], cost });
    });
    if (limit)
      this.master.add(
        limit.least === undefined ? { rows: [this.kinds], cost: 0 } : { rows: [], cost: 0, minusRow: this.kinds },
      );
    this.takeOver();
  }
  private takeOver(): void {
    const { columns, begin } = this.generation.relaxed;
    const first = new Map<string, number>();
    let at = 0;
    for (const [key, { kinds, cost }] of columns) {
      if (at++ < this.taken) continue;
      const index = this.master.add({ rows: this.limit ? [...kinds, this.kinds] : kinds, cost });
      this.isLoad.add(index);
      first.set(key, index);
    }
    if (this.taken === 0) this.master.begin(begin.flatMap((key) => first.get(key) ?? []));
    this.taken = columns.size;
  }
  /** Duals of the kinds, and of the number of loads, that with the sign its row asks for and below what any load costs. */
  optimise(leastBase: number): { duals: Float64Array; perLoad: number } {
    this.takeOver();
    const pi = this.master.optimise();
    const number = this.limit ? (pi[this.kinds] as number) : 0;
    const perLoad = this.limit?.least === undefined ? Math.min(0, number) : Math.min(Math.max(0, number), leastBase);
    return { duals: pi.subarray(0, this.kinds), perLoad };
  }
  worthOfNumber(perLoad: number): number {
    return this.limit ? perLoad * (this.limit.least ?? this.limit.most ?? 0) : 0;
  }
  /** How many loads the relaxation has. */
  loads(): number {
    return this.master.solution().reduce((t, { index, share }) => t + (this.isLoad.has(index) ? share : 0), 0);
  }
}
