/**
 * Branch and price: the linear relaxation of the division over all possible loads, solved by column generation, gives a lower bound; branching on
 * the number of loads and on pairs together or apart closes what is left of the gap. Where the gap is small, every load that a better division could
 * use is written out, and the rest of the branch is decided over that list. Counts, never clocks, limit it.
 */
import { ColumnList, type PooledLoad } from './column-list.ts';
import { ColumnFinder } from './column-finder.ts';
import { ascending, piecesOf, type Division, type Instance, type Pricer } from '../instance.ts';
import { Generation, type GenerationEffort } from '../bounds/generation.ts';
import { kindsOf } from '../kinds.ts';
import type { Modes } from '../bounds/modes.ts';
import { Relaxation, type Node, type Relaxed, type Settled } from './relaxation.ts';
import { shareWorth, solitaryWorth, sumOf } from '../bounds/dual-bounds.ts';

export interface BranchEffort {
  /** Nodes of the tree, and rounds of column generation in each. */
  nodes: number;
  /** Nodes of a first tree over the loads known so far. */
  poolNodes: number;
  /** Loads that are written out at most, and sets visited for it. */
  written: { columns: number; visited: number };
  rounds: number;
  /** Visited sets: in one mode of washing at most, and in all before the search settles for a gap. */
  nodesPerMode: number;
  visited: number;
}
export interface Bounded {
  division: Division;
  lowerBound: number;
  optimal: boolean;
}

const proven = 1e-6;
/** Where the relaxation is left before its end. */
const unsettledEffort: GenerationEffort = { rounds: 40, divisions: 400, sets: 100, visited: 8_000_000 };
/** A relaxation this near to its end, EUR, is as good as there. */
const nearEnough = 0.02;
/** Visited sets per mode of the first looks for columns. */
const looks = [60, 480] as const;
/** Visited sets per mode when asking which modes a better division could use. */
const narrowLook = 1000;
/** Share of the cost that may be open for it to be worth writing the loads out. */
const mostOpen = 0.02;

export class BranchAndPrice {
  private readonly root: Instance;
  private readonly modes: Modes;
  private readonly pricer: Pricer;
  private readonly effort: BranchEffort;
  /** Every load found so far, by its items. */
  private readonly pool = new Map<string, PooledLoad>();
  private best: Division;
  private visited = 0;
  /** Loads that a division better than the best can have at most: each costs something. */
  private mostLoads = Infinity;
  /** The first relaxation is through: the loads that matter are mostly known. */
  private warm = false;
  /** Progress for whoever watches: share of the gap closed so far is theirs to work out; they answer true when it is enough. */
  onBound: ((lowerBound: number, cost: number) => boolean) | null = null;
  private enough = false;
  /** Bound of the whole so far. */
  private proved = 0;
  private told(lowerBound: number): void {
    this.proved = Math.max(this.proved, lowerBound);
    this.enough ||= this.onBound?.(this.proved, this.best.cost) === true;
  }

  constructor(modes: Modes, pricer: Pricer, start: Division, pool: Iterable<PooledLoad>, effort: BranchEffort) {
    this.root = modes.inst;
    this.modes = modes;
    this.pricer = pricer;
    this.best = start;
    this.effort = effort;
    for (const load of pool) this.remember(load.items, load.cost);
  }
  private remember(set: readonly number[], cost: number): void {
    const items = ascending(set);
    this.pool.set(items.join(','), { items, cost });
  }

  /** The relaxation of a branch, solved to within `near` of its end, as far as the effort goes. */
  private relax(
    node: Node,
    source: ColumnFinder | ColumnList,
    near = nearEnough,
  ): { relaxation: Relaxation; found: Relaxed } {
    const relaxation = new Relaxation(this.root, node, this.pool.values(), this.best.loads);
    const columns = relaxation.columnsOf(source);
    const sets: readonly number[] = this.warm ? [this.effort.nodesPerMode] : [...looks, this.effort.nodesPerMode];
    let look = 0;
    let lowerBound = node.bound;
    let settled: Settled | null = null;
    let centre: { duals: Float64Array; bound: number } | null = null;
    let done = false;
    for (
      let round = 0;
      round < this.effort.rounds &&
      !this.enough &&
      this.visited < this.effort.visited &&
      !done &&
      lowerBound < this.best.cost - proven;
      round++
    ) {
      const duals = relaxation.optimise();
      this.told(this.proved);
      // Between the duals and those of the best bound so far, the search swings less.
      const between: Float64Array | null =
        centre && round % 8 !== 7
          ? Float64Array.from(duals, (d, i) => 0.5 * d + 0.5 * ((centre as { duals: Float64Array }).duals[i] ?? 0))
          : null;
      let added = false;
      for (const pi of between ? [between, duals] : [duals]) {
        const found = columns.find(pi, relaxation.perLoad(pi), sets[look] as number);
        this.visited += found.visited;
        const { bound, short } = relaxation.boundOf(pi, found, this.mostLoads);
        lowerBound = Math.max(lowerBound, bound);
        if (!centre || bound > centre.bound) centre = { duals: pi, bound };
        for (const c of found.columns) {
          // Found at one setting; another may wash the same set for less.
          const cost = Math.min(c.cost, this.pricer.cost(piecesOf(relaxation.inst.items, c.items)));
          if (relaxation.add(c.items, cost)) added = true;
          this.remember(relaxation.wholeOf(c.items), cost);
        }
        if (found.exact && short < Math.max(near, proven / 2)) {
          settled = { columns, duals: pi, perLoad: relaxation.perLoad(pi), bound };
          done = columns instanceof ColumnFinder;
        }
        if (added || done) break;
        if (pi !== duals) continue;
        // Nothing found with a quick look: look longer, until the search is exact or its limit is reached.
        if (found.exact || look === sets.length - 1) done = true;
        else look++;
      }
    }
    return { relaxation, found: relaxation.result(lowerBound, settled) };
  }
  private adopt(relaxation: Relaxation, found: Relaxed): void {
    if (!found.integral) return;
    const loads = found.loads.map(({ set }) => relaxation.wholeOf(set));
    const waiting = relaxation.wholeOf(found.waiting);
    const cost =
      loads.reduce((c, l) => c + this.pricer.cost(piecesOf(this.root.items, l)), 0) +
      waiting.reduce((c, i) => c + (this.root.items[i]?.waitCost ?? Infinity), 0);
    if ([...loads.flat(), ...waiting].length === this.root.items.length && cost < this.best.cost - 1e-9)
      this.best = { loads, waiting, cost };
  }
  private closed(bound: number): boolean {
    return bound >= this.best.cost - proven;
  }

  run(): Bounded {
    const finder = new ColumnFinder(this.modes);
    this.mostLoads = Math.floor(this.best.cost / finder.leastCost());
    const worth = solitaryWorth(this.modes, shareWorth(this.modes));
    this.proved = sumOf(worth);
    const root: Node = { together: [], apart: [], minLoads: 0, maxLoads: Infinity, bound: sumOf(worth) };
    const { relaxation, found: first } = this.relax(root, finder);
    this.adopt(relaxation, first);
    if (!first.settled && !this.closed(first.lowerBound)) {
      // Left before its end: worths that no load exceeds still bound it.
      const generation = new Generation(this.modes, this.pricer, kindsOf(this.root));
      generation.take(
        [...this.pool.values()].map((load) => load.items),
        this.best,
      );
      generation.run(unsettledEffort, this.best.cost, () => false);
      first.lowerBound = Math.max(first.lowerBound, generation.lowerBound);
    }
    this.told(first.lowerBound);
    this.warm = true;
    if (first.settled && !this.closed(first.lowerBound)) {
      // The loads known so far often hold a better division; the nearer the best is to the bound, the fewer loads a better one could use.
      this.tree(new ColumnList([...this.pool.values()]), { ...root, bound: -Infinity }, this.effort.poolNodes, false);
      this.visited += finder.keepWithin(first.settled.duals, this.best.cost - first.settled.bound + proven, narrowLook);
    }
    const lowerBound = Math.min(
      this.best.cost,
      this.closed(first.lowerBound)
        ? first.lowerBound
        : this.tree(finder, { ...root, bound: first.lowerBound }, this.effort.nodes, true),
    );
    return { division: this.best, lowerBound, optimal: this.closed(lowerBound) };
  }

  /** Every load that a better division of the branch could use; null when they are too many, or already written out. */
  private writtenOut(relaxation: Relaxation, { settled }: Relaxed): ColumnList | null {
    if (!settled || !(settled.columns instanceof ColumnFinder)) return null;
    const gap = this.best.cost - settled.bound;
    if (gap > mostOpen * this.best.cost) return null;
    const all = settled.columns.allWithin(settled.duals, settled.perLoad, gap + proven, this.effort.written);
    return all && new ColumnList(all.map(({ items, cost }) => ({ items: relaxation.wholeOf(items), cost })));
  }

  /** Search the tree below a node with the columns of a source; returns the bound that it proves for them. */
  private tree(source: ColumnFinder | ColumnList, root: Node, nodes: number, told: boolean): number {
    const open: Node[] = [root];
    let closedBound = Infinity;
    for (
      let looked = 0;
      open.length > 0 && looked < nodes && this.visited < this.effort.visited && !this.enough;
      looked++
    ) {
      open.sort((x, y) => x.bound - y.bound);
      const node = open.shift() as Node;
      if (this.closed(node.bound)) {
        closedBound = Math.min(closedBound, node.bound);
        continue;
      }
      const { relaxation, found } = this.relax(node, source);
      const bound = Math.max(node.bound, found.lowerBound);
      this.adopt(relaxation, found);
      if (told) this.told(Math.min(bound, closedBound, ...open.map((x) => x.bound)));
      if (this.closed(bound)) {
        closedBound = Math.min(closedBound, bound);
        continue;
      }
      const list = this.writtenOut(relaxation, found);
      if (list) {
        closedBound = Math.min(closedBound, this.tree(list, { ...node, bound }, this.effort.nodes, false));
        continue;
      }
      const count = found.loads.reduce((s, l) => s + l.share, 0);
      const floor = Math.floor(count + 1e-4);
      const pair = relaxation.undecidedPair(found);
      if (count - floor > 1e-3 && node.minLoads === 0 && node.maxLoads === Infinity) {
        open.push({ ...node, maxLoads: floor, bound }, { ...node, minLoads: floor + 1, bound });
      } else if (pair) {
        open.push(
          { ...node, together: [...node.together, pair], bound },
          { ...node, apart: [...node.apart, pair], bound },
        );
      } else {
        // Whole, but stopped a hair before its end: go there. What is not covered even then is bounded, never left out.
        const { relaxation: same, found: last } = this.relax({ ...node, bound }, source, 0);
        this.adopt(same, last);
        closedBound = Math.min(closedBound, Math.max(bound, last.lowerBound));
      }
    }
    return Math.min(closedBound, ...open.map((x) => x.bound));
  }
}
