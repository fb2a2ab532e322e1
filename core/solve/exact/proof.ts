/**
 * The best division of a group, proven: the linear relaxation over all possible loads gives a lower bound; what is open between it and the best division known
 * tells which loads a better one could use, all of them are written out, and the best division into them is looked for. Counts, never clocks, limit it.
 */
import { ascending, piecesOf, type Division, type Instance, type Pricer } from '../instance.ts';
import { Generation, type GenerationEffort } from '../bounds/generation.ts';
import { KindLoads } from '../kinds.ts';
import type { Modes } from '../bounds/modes.ts';
import { shareWorth, solitaryWorth, sumOf } from '../bounds/dual-bounds.ts';
import { ColumnFinder } from './column-finder.ts';
import type { PooledLoad } from './listed-loads.ts';
import { Relaxation, type Centre, type RelaxationEffort } from './relaxation.ts';
import { bestAmongWritten, type Bounded, type WrittenEffort } from './written-out.ts';

export interface ProofEffort {
  relaxation: RelaxationEffort;
  written: WrittenEffort;
}
/** A better division of loads met and others like them, if there is one. */
export type Rounder = (met: Iterable<readonly number[]>, best: Division) => Division;

const proven = 1e-6;
/** Groups of more items get their first worths from column generation over parts. */
const worthsFirstFrom = 45;
const generationEffort: GenerationEffort = { rounds: 40, divisions: 400, sets: 100, visited: 8_000_000 };
/** With so small a share of the cost open the loads are written out, without the relaxation over all loads, or what is left of it. */
const littleOpen = 0.01;
/** Visited sets per mode of a first look for columns. */
const firstLook = 480;

export class Proof {
  private readonly inst: Instance;
  private readonly modes: Modes;
  private readonly pricer: Pricer;
  private readonly effort: ProofEffort;
  private readonly finder: ColumnFinder;
  /** Every load found so far, by its items. */
  private readonly pool = new Map<string, PooledLoad>();
  private best: Division;
  private centre: Centre;
  private enough = false;
  /** Told the bound and the best cost as they move; answers true when that is enough. */
  onBound: ((lowerBound: number, cost: number) => boolean) | null = null;

  constructor(modes: Modes, pricer: Pricer, start: Division, pool: Iterable<PooledLoad>, effort: ProofEffort) {
    this.inst = modes.inst;
    this.modes = modes;
    this.pricer = pricer;
    this.best = start;
    this.effort = effort;
    this.finder = new ColumnFinder(modes, firstLook);
    const worth = solitaryWorth(modes, shareWorth(modes));
    this.centre = { worth, bound: sumOf(worth) };
    for (const load of pool) this.remember(load.items, load.cost);
    // Every item by itself: no dual is above what that costs.
    for (const items of [...this.inst.items.keys()].map((i) => [i]).concat(start.loads)) {
      const cost = pricer.cost(piecesOf(this.inst.items, items));
      if (cost < Infinity) this.remember(items, cost);
    }
  }
  private remember(set: readonly number[], cost: number): void {
    const items = ascending(set);
    this.pool.set(items.join(','), { items, cost });
  }
  /** The loads met, told by their items. */
  met(): Iterable<readonly number[]> {
    return [...this.pool.values()].map(({ items }) => items);
  }
  private get open(): number {
    return this.best.cost - this.centre.bound;
  }
  private get isDone(): boolean {
    return this.enough || this.open < proven;
  }
  private told(lowerBound: number): boolean {
    this.enough ||= this.onBound?.(lowerBound, this.best.cost) === true;
    return this.enough;
  }

  /** Prove it, with a better division by rounding whenever more loads are known. */
  run(round: Rounder): Bounded {
    if (this.inst.items.length > worthsFirstFrom) {
      this.worthsFirst();
      if (!this.isDone) this.best = round(this.met(), this.best);
    }
    if (!this.isDone && this.open > littleOpen * this.best.cost) {
      this.relax();
      if (!this.isDone) this.best = round(this.met(), this.best);
    }
    if (this.isDone) return { division: this.best, lowerBound: this.centre.bound };
    return bestAmongWritten(this.finder, this.centre, this.best, this.effort.written, (lowerBound, cost) => {
      this.enough ||= this.onBound?.(lowerBound, cost) === true;
      return this.enough;
    });
  }
  /** The worths of column generation over parts prove more than those of L7; the loads that it meets are known from then on. */
  private worthsFirst(): void {
    const known = new KindLoads(this.inst, this.pricer);
    const generation = new Generation(this.modes, known);
    generation.take(this.met(), this.best);
    const { worth: ofKinds, bound } = generation.run(generationEffort, this.best.cost, (lowerBound) =>
      this.told(lowerBound),
    );
    for (const { kinds, cost } of known.met.values())
      for (const items of known.sharedOut([kinds])) this.remember(items, cost);
    if (bound > this.centre.bound) this.centre = { worth: known.worthOfItems(ofKinds), bound };
  }
  private relax(): void {
    const relaxation = new Relaxation(this.inst, this.pricer, this.pool.values(), this.best.loads, this.centre);
    relaxation.onLoad = (items, cost) => this.remember(items, cost);
    const enough = (1 - littleOpen) * this.best.cost;
    relaxation.settle(this.finder, this.effort.relaxation, { cost: this.best.cost, enough }, (lowerBound) =>
      this.told(lowerBound),
    );
    this.centre = relaxation.centre;
    this.told(this.centre.bound);
  }
}
