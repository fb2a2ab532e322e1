/** The linear relaxation of the division over all possible loads, by column generation: a restricted master problem over the loads known so far, asked for more by its duals. */
import type { KindLoad, KindLoads } from '../kinds.ts';
import { artificialCost, RestrictedMaster } from '../simplex.ts';
import type { ColumnFinder, Findings } from './column-finder.ts';

/** Worths of the kinds, and the bound that they prove. */
export interface Centre {
  worth: Float64Array;
  bound: number;
}
export interface RelaxationEffort {
  rounds: number;
  /** Visited sets in one mode of washing at most, and in all. */
  nodesPerMode: number;
  visited: number;
}

/** A relaxation this near to its end, EUR, is as good as there. */
const nearEnough = 0.02;
/** Every so many rounds the duals are asked about as they are, else half way to the worths that prove most: so the search swings less. */
const straightEvery = 8;

export class Relaxation {
  private readonly known: KindLoads;
  private readonly master: RestrictedMaster;
  private readonly indexOf = new Map<KindLoad, number>();
  centre: Centre;

  /** Over the loads known; `begin` = those of a division. */
  constructor(known: KindLoads, begin: Iterable<KindLoad>, centre: Centre) {
    this.known = known;
    this.centre = centre;
    this.master = new RestrictedMaster(known.counts, artificialCost);
    known.waitCosts.forEach((cost, k) => {
      if (cost < Infinity) this.master.add({ rows: [k], cost });
    });
    for (const load of known.met.values()) this.add(load);
    this.master.begin([...begin].flatMap((load) => this.indexOf.get(load) ?? []));
  }
  /** True for one that is not there yet. */
  private add(load: KindLoad): boolean {
    if (this.indexOf.has(load)) return false;
    this.indexOf.set(load, this.master.add({ rows: load.kinds, cost: load.cost }));
    return true;
  }
  /** What duals would prove if no load were worth more than it costs; no bound yet. */
  private valueOf(duals: Float64Array): number {
    const { counts, waitCosts } = this.known;
    return counts.reduce((t, n, k) => t + n * Math.min(duals[k] as number, waitCosts[k] as number), 0);
  }

  /** Ask until it is settled, proves `enough`, the effort is spent, or `told` answers true. `cost` = of the best division. What is found is met. */
  settle(
    finder: ColumnFinder,
    effort: RelaxationEffort,
    { cost, enough }: { cost: number; enough: number },
    told: (lowerBound: number) => boolean,
  ): void {
    // A division that is better than the best has at most so many loads: each costs something.
    const mostLoads = Math.min(this.known.inst.items.length, Math.floor(cost / finder.leastCost()));
    // L4 (a) of docs/solver.md.
    const boundOf = (duals: Float64Array, { leastReduced }: Findings): number =>
      this.valueOf(duals) - mostLoads * Math.max(0, -leastReduced);
    let visited = 0;
    for (let round = 0; round < effort.rounds && visited < effort.visited && this.centre.bound < enough; round++) {
      const duals = this.master.optimise();
      if (told(this.centre.bound)) break;
      const between = duals.map((d, k) => 0.5 * d + 0.5 * (this.centre.worth[k] as number));
      let [added, done] = [false, false];
      for (const worth of round % straightEvery < straightEvery - 1 ? [between, duals] : [duals]) {
        const found = finder.find(this.known.worthOfItems(worth), effort.nodesPerMode);
        visited += found.visited;
        const bound = boundOf(worth, found);
        if (bound > this.centre.bound) this.centre = { worth, bound };
        for (const { items } of found.columns) {
          // Found at one setting; another may wash the same set for less.
          const load = this.known.meet(this.known.kindsOf(items));
          if (load && this.add(load)) added = true;
        }
        done = found.exact && this.valueOf(duals) - bound < nearEnough;
        // Nothing found: where a longer look may find something, it is looked longer there.
        done ||= !added && worth === duals && !found.mayLookLonger;
        if (added || done) break;
      }
      if (done) break;
    }
  }
}
