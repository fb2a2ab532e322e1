/**
 * Column generation over kinds of items: the linear relaxation of the division over all loads that the oracle can think of. Its duals, mended, are
 * worths that no load exceeds, and bound every division from below; the real loads met on the way are handed on for a better division.
 */
import type { Division } from '../instance.ts';
import { oneOfEach, type KindLoads } from '../kinds.ts';
import { artificialCost, leastOver, RestrictedMaster } from '../simplex.ts';
import { shareWorth, solitaryWorth } from './dual-bounds.ts';
import type { Modes } from './modes.ts';
import { Oracle } from './oracle.ts';
import type { Answer } from './part.ts';

export interface GenerationEffort {
  rounds: number;
  /** Parts of the oracle divided in a round, and sets wanted of it. */
  divisions: number;
  sets: number;
  /** Items of the parts that the oracle looks at, in all: a larger basket gets fewer rounds, not a longer wait. */
  visited: number;
}
/** A load of the relaxation, and what it costs there by now. */
interface Column {
  kinds: readonly number[];
  now: () => number;
  /** What the oracle answered, and what it really costs; null for a load that stands for itself. */
  charged: { answer: Answer; real: number } | null;
}

/** Worths of the kinds, and the bound that they prove. */
interface Centre {
  worth: Float64Array;
  bound: number;
}

/** How far the worths asked about lie from the duals towards the best worths so far; and after rounds that bring nothing new. */
const smoothing = [0.85, 0.3, 0] as const;
/** The relaxation over the loads met, above which no bound of it goes, is reached to within this share. */
const nearShare = 1e-3;
/** The bound has settled when so many rounds raise it by less than this share. */
const settledAfter = 10;
const settledShare = 5e-4;
/** Loads in use are told apart so many times before the oracle is asked, from this share on, while they lack more than this of their cost, EUR. */
const mostRefined = 10;
const leastUsed = 0.05;
const refinedLack = 0.02;

export class Generation {
  readonly known: KindLoads;
  private readonly oracle: Oracle;
  /** Every load of the relaxation: those that can be washed, and those that the oracle charges too little, at what it charges by now. */
  private readonly columns: Column[] = [];
  /** The real ones among them, by their kinds. */
  private readonly real = new Set<string>();
  worth: Float64Array;
  lowerBound: number;

  constructor(modes: Modes, known: KindLoads) {
    this.known = known;
    const { kinds, counts } = known;
    const ways = modes.merged(
      oneOfEach(modes.inst, kinds),
      kinds.map(([i = 0]) => [i]),
    );
    this.oracle = new Oracle(
      ways,
      counts.map((count, k) => (known.clash(k, k) ? 1 : count)),
    );
    const alone = solitaryWorth(modes, shareWorth(modes));
    this.worth = Float64Array.from(kinds, (kind) => Math.min(...kind.map((i) => alone[i] as number)));
    this.lowerBound = this.valueOf(this.worth);
    kinds.forEach((_, k) => this.addReal([k]));
  }
  /** L3 of docs/solver.md: what worths bound a division by. */
  private valueOf(worth: Float64Array): number {
    const { counts, waitCosts } = this.known;
    return worth.reduce((t, u, k) => t + (counts[k] as number) * Math.min(u, waitCosts[k] as number), 0);
  }
  private addReal(kinds: readonly number[]): number | null {
    const load = this.known.meet(kinds);
    const key = kinds.join(',');
    if (load && !this.real.has(key)) {
      this.real.add(key);
      this.columns.push({ kinds, now: () => load.cost, charged: null });
    }
    return load && load.cost;
  }
  /** Take in loads met elsewhere, by their kinds; `begin` is the division to start from. */
  take(loads: Iterable<readonly number[]>, begin: Division): void {
    const first = begin.loads.map((items) => this.known.kindsOf(items));
    for (const kinds of [...loads, ...first]) this.addReal(kinds);
    this.begin = first.map((kinds) => kinds.join(','));
  }
  private begin: readonly string[] = [];

  /** Raise the bound until it settles, the effort is spent, or `told` answers true. Returns the worths that prove most. */
  run(effort: GenerationEffort, cost: number, told: (lowerBound: number, share: number) => boolean): Centre {
    const master = new Master(this);
    const begin: Centre = { worth: this.worth, bound: this.lowerBound };
    let centre = begin;
    let idle = 0;
    let visited = 0;
    let settled = { bound: begin.bound, round: 0 };
    for (let round = 0; round < effort.rounds && centre.bound < cost; round++) {
      const duals = this.refined(master);
      const relaxed = this.valueOf(duals);
      if (relaxed - centre.bound < nearShare * Math.abs(relaxed)) break;
      const back = smoothing[Math.min(idle, smoothing.length - 1)] as number;
      const asked = duals.map((dual, k) => (1 - back) * dual + back * (centre.worth[k] as number));
      const answers = this.oracle.ask(asked, { divisions: effort.divisions, sets: effort.sets, least: leastOver });
      visited += answers.visited;
      const worth = this.oracle.mended();
      const reached = this.valueOf(worth);
      if (reached > centre.bound) centre = { worth, bound: Math.min(reached, cost) };
      idle = this.takeIn(answers.sets, duals) === 0 ? idle + 1 : 0;
      if (centre.bound > settled.bound + settledShare * Math.abs(centre.bound))
        settled = { bound: centre.bound, round };
      [this.worth, this.lowerBound] = [centre.worth, centre.bound];
      if (told(centre.bound, (round + 1) / effort.rounds) || visited > effort.visited) break;
      // Far from the worths that it begins with, many rounds pass before the bound rises at all.
      const risen = centre !== begin;
      if (idle > smoothing.length || (answers.over <= leastOver && back === 0)) break;
      if (risen && round - settled.round >= settledAfter) break;
    }
    return centre;
  }
  /** Answers become loads of the relaxation; returns how many of them gain something there. */
  private takeIn(sets: readonly Answer[], duals: Float64Array): number {
    let gaining = 0;
    for (const answer of sets) {
      const kinds = [...answer.items].sort((x, y) => x - y);
      const real = this.addReal(kinds);
      if (kinds.reduce((t, k) => t + (duals[k] as number), 0) - answer.cost > leastOver) gaining++;
      // A load that cannot be washed so, or costs more, stands in the relaxation for what the oracle charges.
      if (real === null || real > answer.cost)
        this.columns.push({ kinds, now: () => answer.cost, charged: { answer, real: real ?? Infinity } });
    }
    return gaining;
  }
  /** The relaxation, once the loads in use are charged what the oracle can tell of them. */
  private refined(master: Master): Float64Array {
    for (let time = 0; ; time++) {
      const optimum = master.optimise();
      if (time === mostRefined) return optimum;
      const lacking = master
        .used()
        .flatMap(({ charged }) =>
          charged && charged.answer.cost < charged.real - refinedLack ? [charged.answer] : [],
        );
      if (this.oracle.refine(lacking) === 0) return optimum;
    }
  }
  /** What a master takes over. */
  get relaxed(): { columns: readonly Column[]; begin: readonly string[] } {
    return { columns: this.columns, begin: this.begin };
  }
}

/** The restricted master problem; it takes over what the generation has met since it was asked last. */
class Master {
  private readonly generation: Generation;
  private readonly master: RestrictedMaster;
  /** Of each load of the generation, its index here. */
  private readonly indices: number[] = [];
  private readonly indexed = new Map<number, number>();
  private begun = false;
  constructor(generation: Generation) {
    this.generation = generation;
    const { counts, waitCosts } = generation.known;
    this.master = new RestrictedMaster(counts, artificialCost);
    waitCosts.forEach((cost, k) => {
      if (cost < Infinity) this.master.add({ rows: [k], cost });
    });
    this.takeOver();
  }
  /** What the generation has met since, and what the loads it knew cost by now. */
  private takeOver(): void {
    const { columns, begin } = this.generation.relaxed;
    const first = new Map<string, number>();
    columns.forEach(({ kinds, now }, x) => {
      const cost = Math.min(now(), artificialCost);
      if (x < this.indices.length) return this.master.reprice(this.indices[x] as number, cost);
      const index = this.master.add({ rows: kinds, cost });
      this.indexed.set(index, this.indices.length);
      this.indices.push(index);
      const key = kinds.join(',');
      if (!first.has(key)) first.set(key, index);
    });
    if (!this.begun) this.master.begin(begin.flatMap((key) => first.get(key) ?? []));
    this.begun = true;
  }
  /** Duals of the kinds. */
  optimise(): Float64Array {
    this.takeOver();
    return this.master.optimise();
  }
  /** The loads in use. */
  used(): Column[] {
    const columns = this.generation.relaxed.columns;
    return this.master.solution().flatMap(({ index, share }) => {
      const at = this.indexed.get(index);
      return at === undefined || share < leastUsed ? [] : [columns[at] as Column];
    });
  }
}
