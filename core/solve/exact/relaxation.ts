/** The linear relaxation of the division over all possible loads, by column generation: a restricted master problem over the loads known so far, asked for more by its duals. */
import type { Instance } from '../instance.ts';
import { piecesOf, type Pricer } from '../instance.ts';
import { artificialCost, RestrictedMaster } from '../simplex.ts';
import type { ColumnFinder, Findings } from './column-finder.ts';
import type { PooledLoad } from './listed-loads.ts';

/** Worths of the items, and the bound that they prove. */
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
  private readonly inst: Instance;
  private readonly pricer: Pricer;
  private readonly master: RestrictedMaster;
  private readonly known = new Set<string>();
  centre: Centre;
  /** Told of every load met. */
  onLoad: (items: readonly number[], cost: number) => void = () => undefined;

  /** `begin` = the loads of a division, among the known ones. */
  constructor(
    inst: Instance,
    pricer: Pricer,
    known: Iterable<PooledLoad>,
    begin: readonly (readonly number[])[],
    centre: Centre,
  ) {
    this.inst = inst;
    this.pricer = pricer;
    this.centre = centre;
    this.master = new RestrictedMaster(
      inst.items.map(() => 1),
      artificialCost,
    );
    inst.items.forEach(({ waitCost }, i) => {
      if (waitCost < Infinity) this.master.add({ rows: [i], cost: waitCost });
    });
    const indexOf = new Map<string, number>();
    for (const { items, cost } of known) indexOf.set(items.join(','), this.add(items, cost) ?? -1);
    this.master.begin(begin.flatMap((items) => indexOf.get(items.join(',')) ?? []));
  }
  /** Its index in the master; null for one that is known. */
  private add(items: readonly number[], cost: number): number | null {
    const key = items.join(',');
    if (this.known.has(key)) return null;
    this.known.add(key);
    return this.master.add({ rows: items, cost });
  }
  /** What duals would prove if no load were worth more than it costs; no bound yet. */
  private valueOf(duals: Float64Array): number {
    return this.inst.items.reduce((t, { waitCost }, i) => t + Math.min(duals[i] as number, waitCost), 0);
  }

  /** Ask until it is settled, proves `enough`, the effort is spent, or `told` answers true. `cost` = of the best division. */
  settle(
    finder: ColumnFinder,
    effort: RelaxationEffort,
    { cost, enough }: { cost: number; enough: number },
    told: (lowerBound: number) => boolean,
  ): void {
    // A division that is better than the best has at most so many loads: each costs something.
    const mostLoads = Math.min(this.inst.items.length, Math.floor(cost / finder.leastCost()));
    // L4 (a) of docs/solver.md.
    const boundOf = (duals: Float64Array, { leastReduced }: Findings): number =>
      this.valueOf(duals) - mostLoads * Math.max(0, -leastReduced);
    let visited = 0;
    for (let round = 0; round < effort.rounds && visited < effort.visited && this.centre.bound < enough; round++) {
      const duals = this.master.optimise();
      if (told(this.centre.bound)) break;
      const between = duals.map((d, i) => 0.5 * d + 0.5 * (this.centre.worth[i] as number));
      let [added, done] = [false, false];
      for (const worth of round % straightEvery < straightEvery - 1 ? [between, duals] : [duals]) {
        const found = finder.find(worth, effort.nodesPerMode);
        visited += found.visited;
        const bound = boundOf(worth, found);
        if (bound > this.centre.bound) this.centre = { worth, bound };
        for (const c of found.columns) {
          // Found at one setting; another may wash the same set for less.
          const cheapest = Math.min(c.cost, this.pricer.cost(piecesOf(this.inst.items, c.items)));
          if (this.add(c.items, cheapest) !== null) added = true;
          this.onLoad(c.items, cheapest);
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
