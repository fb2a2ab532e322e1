/**
 * The best division of a group, proven: the linear relaxation over all possible loads gives a lower bound; what is open between it and the best division known
 * tells which loads a better one could use, all of them are written out, and the best division into them is looked for. Counts, never clocks, limit it.
 */
import type { Division, Pricer } from '../instance.ts';
import { Generation, type GenerationEffort } from '../bounds/generation.ts';
import type { KindLoads } from '../kinds.ts';
import type { Modes } from '../bounds/modes.ts';
import { shareWorth, solitaryWorth } from '../bounds/dual-bounds.ts';
import { ColumnFinder } from './column-finder.ts';
import { Relaxation, type Centre, type RelaxationEffort } from './relaxation.ts';
import { bestAmongWritten, type Bounded, type WrittenEffort } from './written-out.ts';

export interface ProofEffort {
  relaxation: RelaxationEffort;
  written: WrittenEffort;
}

const proven = 1e-6;
/** Groups of more items get their first worths from column generation over parts. */
const worthsFirstFrom = 45;
const generationEffort: GenerationEffort = { rounds: 40, divisions: 400, sets: 100, visited: 8_000_000 };
/** With so small a share of the cost open the loads are written out, without the relaxation over all loads, or what is left of it. */
const littleOpen = 0.01;
/** Visited sets per mode of a first look for columns. */
const firstLook = 480;

export class Proof {
  private readonly modes: Modes;
  private readonly pricer: Pricer;
  private readonly known: KindLoads;
  private readonly effort: ProofEffort;
  private readonly finder: ColumnFinder;
  private best: Division;
  private centre: Centre;
  private enough = false;
  /** Told the bound and the best cost as they move; answers true when that is enough. */
  onBound: ((lowerBound: number, cost: number) => boolean) | null = null;

  /** `known` = the loads met so far; it meets those that are found. */
  constructor(modes: Modes, pricer: Pricer, known: KindLoads, start: Division, effort: ProofEffort) {
    this.modes = modes;
    this.pricer = pricer;
    this.known = known;
    this.best = start;
    this.effort = effort;
    this.finder = new ColumnFinder(modes, known.kinds, firstLook);
    const alone = solitaryWorth(modes, shareWorth(modes));
    const worth = Float64Array.from(known.kinds, (kind) => Math.min(...kind.map((i) => alone[i] as number)));
    this.centre = { worth, bound: worth.reduce((t, u, k) => t + u * (known.counts[k] as number), 0) };
    // Every item by itself: no dual is above what that costs.
    known.kinds.forEach((_, k) => known.meet([k]));
    for (const items of start.loads) known.meet(known.kindsOf(items));
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

  /** Prove it; `round` is asked for a better division whenever more loads are known. */
  run(round: (best: Division) => Division): Bounded {
    if (this.known.inst.items.length > worthsFirstFrom) {
      this.worthsFirst();
      if (!this.isDone) this.best = round(this.best);
    }
    if (!this.isDone && this.open > littleOpen * this.best.cost) {
      this.relax();
      if (!this.isDone) this.best = round(this.best);
    }
    if (this.isDone) return { division: this.best, lowerBound: this.centre.bound };
    const { finder, known, pricer, centre, best, effort } = this;
    return bestAmongWritten(finder, known, pricer, centre, best, effort.written, (lowerBound, cost) => {
      this.enough ||= this.onBound?.(lowerBound, cost) === true;
      return this.enough;
    });
  }
  /** The worths of column generation over parts prove more than those of L7; the loads that it meets are known from then on. */
  private worthsFirst(): void {
    const generation = new Generation(this.modes, this.known);
    const met = [...this.known.met.values()].map(({ kinds }) => kinds);
    generation.take(met, this.best);
    const found = generation.run(generationEffort, this.best.cost, (lowerBound) => this.told(lowerBound));
    if (found.bound > this.centre.bound) this.centre = found;
  }
  private relax(): void {
    const { known } = this;
    const begin = this.best.loads.flatMap((items) => known.meet(known.kindsOf(items)) ?? []);
    const relaxation = new Relaxation(known, begin, this.centre);
    const enough = (1 - littleOpen) * this.best.cost;
    relaxation.settle(this.finder, this.effort.relaxation, { cost: this.best.cost, enough }, (lowerBound) =>
      this.told(lowerBound),
    );
    this.centre = relaxation.centre;
    this.told(this.centre.bound);
  }
}
