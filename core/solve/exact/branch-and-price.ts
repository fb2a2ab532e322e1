/**
 * Branch and price: the linear relaxation of the division over all possible loads, solved by column generation, gives a lower bound; branching on
 * the number of loads and on pairs together or apart closes what is left of the gap. Where the gap is small, every load that a better division could
 * use is written out, and the rest of the branch is decided over that list. Counts, never clocks, limit it.
 */
import TinyQueue from 'tinyqueue';
import { ColumnList, type PooledLoad } from './column-list.ts';
import { ColumnFinder } from './column-finder.ts';
import { ascending, piecesOf, type Division, type Instance, type Pricer } from '../instance.ts';
import { Generation, type GenerationEffort } from '../bounds/generation.ts';
import { KindLoads } from '../kinds.ts';
import type { Modes } from '../bounds/modes.ts';
import { Relaxation, type Centre, type Node, type Relaxed, type Settled } from './relaxation.ts';
import { shareWorth, solitaryWorth, sumOf } from '../bounds/dual-bounds.ts';

export interface BranchEffort {
  /** Nodes of the tree, and rounds of column generation in each. */
  nodes: number;
  /** Nodes of a first tree over the loads known so far, and of a tree over loads that are written out. */
  poolNodes: number;
  listNodes: number;
  /** Loads that are written out at most, and sets visited for it. */
  written: { columns: number; visited: number };
  rounds: number;
  /** Visited sets: in one mode of washing at most, and in all before the search settles for a gap. */
  nodesPerMode: number;
  visited: number;
}
/** A branch to be looked at, and where its loads come from. */
interface Branch {
  node: Node;
  source: ColumnFinder | ColumnList;
}
export interface Bounded {
  division: Division;
  lowerBound: number;
  optimal: boolean;
}

const proven = 1e-6;
/** Groups of more items get their first worths from column generation over parts. */
const worthsFirstFrom = 45;
const generationEffort: GenerationEffort = { rounds: 40, divisions: 400, sets: 100, visited: 8_000_000 };
/** A relaxation this near to its end, EUR, is as good as there. */
const nearEnough = 0.02;
/** Visited sets per mode of a first look for columns. */
const firstLook = 480;
/** Visited sets per mode when asking which modes a better division could use. */
const narrowLook = 1000;
/** Loads of a list that a relaxation begins with. */
const startingColumns = 150;
/** Share of the cost that may be open for it to be worth writing the loads out. */
const mostOpen = 0.02;
/** They were too many: with so much less open it is tried again. */
const triedAgainBelow = 0.9;

export class BranchAndPrice {
  private readonly root: Instance;
  private readonly modes: Modes;
  private readonly pricer: Pricer;
  private readonly effort: BranchEffort;
  /** Every load found so far, by its items. */
  private readonly pool = new Map<string, PooledLoad>();
  private best: Division;
  private visited = 0;
  /** With more than this open, EUR, the loads that matter were too many to be written out. */
  private tooOpen = Infinity;
  /** Loads that a division better than the best can have at most: each costs something. */
  private mostLoads = Infinity;
  /** Progress for whoever watches: share of the gap closed so far is theirs to work out; they answer true when it is enough. */
  onBound: ((lowerBound: number, cost: number) => boolean) | null = null;
  private enough = false;
  /** Worths of the whole, and the bound that they prove. */
  private centre: Centre = { worth: new Float64Array(0), perLoad: 0, bound: -Infinity };
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
    // Every item by itself: no dual is above what that costs.
    this.root.items.forEach((item, i) => {
      const cost = pricer.cost(item.pieces);
      if (cost < Infinity) this.remember([i], cost);
    });
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
    const known =
      source instanceof ColumnList
        ? [...this.bestLoads(), ...source.nearest(node.centre, startingColumns)]
        : this.pool.values();
    const relaxation = new Relaxation(this.root, node, known, this.best.loads);
    const columns = relaxation.columnsOf(source);
    let lowerBound = node.bound;
    let settled: Settled | null = null;
    let centre = relaxation.centre();
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
      const value = relaxation.valueOf(duals);
      // Between the duals and those of the best bound so far, the search swings less.
      const between: Float64Array | null =
        round % 8 !== 7 ? duals.map((d, i) => 0.5 * d + 0.5 * (centre.duals[i] as number)) : null;
      let added = false;
      for (const pi of between ? [between, duals] : [duals]) {
        const found = columns.find(pi, relaxation.perLoad(pi), this.effort.nodesPerMode);
        this.visited += found.visited;
        const bound = relaxation.boundOf(pi, found, this.mostLoads);
        lowerBound = Math.max(lowerBound, bound);
        if (bound > centre.bound) centre = { duals: pi, bound };
        for (const c of found.columns) {
          // Found at one setting; another may wash the same set for less.
          const cost = Math.min(c.cost, this.pricer.cost(piecesOf(relaxation.inst.items, c.items)));
          if (relaxation.add(c.items, cost)) added = true;
          this.remember(relaxation.wholeOf(c.items), cost);
        }
        if (found.exact && value > -Infinity && value - bound < Math.max(near, proven / 2)) {
          settled = { columns, duals: pi, perLoad: relaxation.perLoad(pi), bound };
          done = columns instanceof ColumnFinder;
        }
        if (added || done) break;
        // Nothing found: where a longer look may find something, it is looked longer there.
        if (pi === duals && !found.mayLookLonger) done = true;
      }
    }
    return {
      relaxation,
      found: relaxation.result(lowerBound, { ...relaxation.worthsOf(centre.duals), bound: centre.bound }, settled),
    };
  }
  private bestLoads(): PooledLoad[] {
    return this.best.loads.map((items) => ({ items, cost: this.pricer.cost(piecesOf(this.root.items, items)) }));
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
  /** The loads met, told by their items. */
  met(): Iterable<readonly number[]> {
    return [...this.pool.values()].map(({ items }) => items);
  }
  private closed(bound: number): boolean {
    return bound >= this.best.cost - proven;
  }

  run(): Bounded {
    const finder = new ColumnFinder(this.modes, firstLook);
    this.mostLoads = Math.floor(this.best.cost / finder.leastCost());
    const worth = solitaryWorth(this.modes, shareWorth(this.modes));
    this.proved = sumOf(worth);
    this.centre = { worth, perLoad: 0, bound: this.proved };
    const root: Node = {
      together: [],
      apart: [],
      minLoads: 0,
      maxLoads: Infinity,
      bound: this.proved,
      centre: this.centre,
    };
    if (this.root.items.length > worthsFirstFrom) this.worthsFirst(root);
    const { relaxation, found: first } = this.relax(root, finder);
    this.adopt(relaxation, first);
    this.centre = first.centre;
    this.told(first.lowerBound);
    if (first.settled && !this.closed(first.lowerBound)) {
      // The loads known so far often hold a better division; the nearer the best is to the bound, the fewer loads a better one could use.
      this.tree(
        new ColumnList([...this.pool.values()]),
        { ...root, bound: -Infinity, centre: first.centre },
        this.effort.poolNodes,
        false,
      );
      this.visited += finder.keepWithin(first.settled.duals, this.best.cost - first.settled.bound + proven, narrowLook);
    }
    const lowerBound = Math.min(
      this.best.cost,
      this.closed(first.lowerBound)
        ? first.lowerBound
        : this.tree(finder, { ...root, bound: first.lowerBound, centre: first.centre }, this.effort.nodes, true),
    );
    return { division: this.best, lowerBound, optimal: this.closed(lowerBound) };
  }

  /** The worths of column generation over parts, a bound by themselves, are a better centre than those of L7; the loads it meets are known from then on. */
  private worthsFirst(node: Node): void {
    const known = new KindLoads(this.root, this.pricer);
    const generation = new Generation(this.modes, known);
    generation.take(
      [...this.pool.values()].map((load) => load.items),
      this.best,
    );
    const { worth: ofKinds, bound } = generation.run(generationEffort, this.best.cost, (lowerBound) => {
      this.told(lowerBound);
      return this.enough;
    });
    for (const { kinds, cost } of known.met.values())
      for (const items of known.sharedOut([kinds])) this.remember(items, cost);
    const worth = new Float64Array(this.root.items.length);
    known.kinds.forEach((kind, k) => {
      for (const i of kind) worth[i] = ofKinds[k] as number;
    });
    this.centre = { worth, perLoad: 0, bound };
    this.proved = Math.max(this.proved, bound);
    node.centre = this.centre;
    node.bound = this.proved;
  }

  /** Every load that a better division of the branch could use; null when they are too many, or already written out. */
  private writtenOut(relaxation: Relaxation, { settled }: Relaxed): ColumnList | null {
    if (!settled || !(settled.columns instanceof ColumnFinder)) return null;
    const gap = this.best.cost - settled.bound;
    if (gap > Math.min(mostOpen * this.best.cost, this.tooOpen)) return null;
    const { columns, visited } = settled.columns.allWithin(
      settled.duals,
      settled.perLoad,
      gap + proven,
      this.effort.written,
    );
    this.visited += visited;
    if (!columns) this.tooOpen = triedAgainBelow * gap;
    return columns && new ColumnList(columns.map(({ items, cost }) => ({ items: relaxation.wholeOf(items), cost })));
  }

  /** Search the tree below a node with the columns of a source; returns the bound that it proves for them. */
  private tree(root: ColumnFinder | ColumnList, top: Node, nodes: number, told: boolean): number {
    const open = new TinyQueue<Branch>([{ node: top, source: root }], (x, y) => x.node.bound - y.node.bound);
    let closedBound = Infinity;
    for (
      let looked = 0;
      open.length > 0 && looked < nodes && this.visited < this.effort.visited && !this.enough;
      looked++
    ) {
      const { node, source } = open.pop() as Branch;
      if (this.closed(node.bound)) {
        closedBound = Math.min(closedBound, node.bound);
        continue;
      }
      const { relaxation, found } = this.relax(node, source);
      const bound = Math.max(node.bound, found.lowerBound);
      this.adopt(relaxation, found);
      if (told) this.told(Math.min(bound, closedBound, open.peek()?.node.bound ?? Infinity));
      if (this.closed(bound)) {
        closedBound = Math.min(closedBound, bound);
        continue;
      }
      const list = this.writtenOut(relaxation, found);
      if (list) {
        const below = this.tree(list, { ...node, bound, centre: found.centre }, this.effort.listNodes, false);
        closedBound = Math.min(closedBound, below);
        continue;
      }
      const branches = this.branches(relaxation, found, { ...node, bound, centre: found.centre }, source);
      if (branches.length === 0) {
        // Whole, but stopped a hair before its end: go there. What is not covered even then is bounded, never left out.
        const { relaxation: same, found: last } = this.relax({ ...node, bound }, source, 0);
        this.adopt(same, last);
        closedBound = Math.min(closedBound, Math.max(bound, last.lowerBound));
      }
      for (const branch of branches) open.push(branch);
    }
    return Math.min(closedBound, open.peek()?.node.bound ?? Infinity);
  }
  /** Fewer loads or more, then a pair together or apart; none where nothing is undecided. */
  private branches(
    relaxation: Relaxation,
    found: Relaxed,
    node: Node,
    source: ColumnFinder | ColumnList,
  ): readonly Branch[] {
    const list =
      source instanceof ColumnList ? source.within(node.centre, this.best.cost - node.centre.bound + proven) : null;
    const count = found.loads.reduce((s, l) => s + l.share, 0);
    const floor = Math.floor(count + 1e-4);
    if (count - floor > 1e-3 && node.minLoads === 0 && node.maxLoads === Infinity)
      return [
        { node: { ...node, maxLoads: floor }, source: list ?? source },
        { node: { ...node, minLoads: floor + 1 }, source: list ?? source },
      ];
    const pair = relaxation.undecidedPair(found);
    if (!pair) return [];
    return [
      { node: { ...node, together: [...node.together, pair] }, source: list?.together(pair) ?? source },
      { node: { ...node, apart: [...node.apart, pair] }, source: list?.apart(pair) ?? source },
    ];
  }
}
