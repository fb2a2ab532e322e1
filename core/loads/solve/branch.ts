/**
 * Branch and price: the linear relaxation of the division over all possible loads, solved by column generation, gives a lower bound; branching on
 * the number of loads and on pairs together or apart closes what is left of the gap. Counts, never clocks, limit it.
 */
import { ColumnList, seenFrom, type PooledLoad } from './column-list.ts';
import { ColumnFinder, type ColumnSource } from './columns.ts';
import { ascending, makeInstance, piecesOf, type Division, type Instance, type Item, type Pricer } from './instance.ts';
import { Master } from './master.ts';

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
  /** Look at every soil and family by itself; exact, but more modes. */
  fine: boolean;
}
export interface Bounded { division: Division; lowerBound: number; optimal: boolean }

const proven = 1e-6;
const artificialCost = 1e5;
/** A relaxation this near to its end, EUR, is as good as there. */
const nearEnough = 0.02;
/** Visited sets per mode of the first looks for columns. */
const firstLook = 60;
const secondLook = 480;
/** Visited sets per mode when asking which modes a better division could use. */
const narrowLook = 1000;
/** Share of the cost that may be open for it to be worth a try. */
const mostOpen = 0.02;

interface Node {
  together: readonly (readonly [number, number])[];
  apart: readonly (readonly [number, number])[];
  minLoads: number;
  maxLoads: number;
  bound: number;
}
/** Duals of a relaxation solved to its end, and the bound they prove: a load whose reduced cost is above the gap is in no better division of the branch. */
interface Settled { columns: ColumnSource; duals: Float64Array; perLoad: number; bound: number }
interface Relaxed { lowerBound: number; settled: Settled | null; loads: { set: number[]; share: number }[]; waiting: number[]; integral: boolean; cost: number; inst: Instance; groups: number[][] }

/** Items of the node: pairs that must stay together become one. */
function nodeInstance(inst: Instance, node: Node): { inst: Instance; groups: number[][] } {
  const parent = inst.items.map((_, i) => i);
  const root = (i: number): number => (parent[i] === i ? i : root(parent[i] as number));
  for (const [a, b] of node.together) parent[Math.max(root(a), root(b))] = Math.min(root(a), root(b));
  const groups: number[][] = [];
  const groupOf = inst.items.map((_, i) => {
    const r = root(i);
    const at = groups.findIndex((g) => g.includes(r));
    if (at >= 0) { (groups[at] as number[]).push(i); return at; }
    return groups.push([i]) - 1;
  });
  const items = groups.map((g): Item => (g.length === 1 ? (inst.items[g[0] as number] as Item) : { pieces: piecesOf(inst.items, g), waitCost: Infinity }));
  const n = inst.items.length;
  const apart: [number, number][] = node.apart.map(([a, b]) => [groupOf[a] as number, groupOf[b] as number]);
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) if (inst.apart[i * n + j] && groupOf[i] !== groupOf[j]) apart.push([groupOf[i] as number, groupOf[j] as number]);
  return { inst: makeInstance(inst.basket, items, apart), groups };
}

export class BranchAndPrice {
  private readonly root: Instance;
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
  /** Progress for whoever watches: share of the gap closed so far is theirs to work out. */
  onBound: ((lowerBound: number, cost: number) => void) | null = null;

  constructor(root: Instance, pricer: Pricer, start: Division, pool: Iterable<PooledLoad>, effort: BranchEffort) {
    this.root = root;
    this.pricer = pricer;
    this.best = start;
    this.effort = effort;
    for (const load of pool) this.remember(load);
  }
  private remember(load: PooledLoad): void {
    const items = ascending(load.items);
    this.pool.set(items.join(','), { items, cost: load.cost });
  }

  private sourceFor(source: ColumnFinder | ColumnList, inst: Instance, groups: readonly (readonly number[])[], groupOf: readonly number[]): ColumnSource {
    if (inst === this.root) return source;
    return source instanceof ColumnList ? source.within(inst, groups, groupOf) : new ColumnFinder(inst, this.effort.fine, { finder: source, groups });
  }

  /** The relaxation of a branch, within `near` of its end; null where it holds no division better than the best. */
  private relax(node: Node, source: ColumnFinder | ColumnList, near = nearEnough): Relaxed | null {
    const { inst, groups } = node.together.length === 0 && node.apart.length === 0 ? { inst: this.root, groups: this.root.items.map((_, i) => [i]) } : nodeInstance(this.root, node);
    const m = inst.items.length;
    const counted = node.minLoads > 0 || node.maxLoads < Infinity;
    const countRow = m;
    const rightSides = [...inst.items.map(() => 1), ...(counted ? [node.minLoads > 0 ? node.minLoads : node.maxLoads] : [])];
    const master = new Master(rightSides, artificialCost);
    const kinds: ('artificial' | 'wait' | 'wash' | 'slack')[] = rightSides.map(() => 'artificial');
    inst.items.forEach((item, i) => { if (item.waitCost < Infinity) { master.add({ rows: [i], cost: item.waitCost }); kinds.push('wait'); } });
    if (counted) { master.add(node.minLoads > 0 ? { rows: [], cost: 0, minusRow: countRow } : { rows: [countRow], cost: 0 }); kinds.push('slack'); }
    const groupOf = new Array<number>(this.root.items.length).fill(0);
    groups.forEach((g, k) => { for (const i of g) groupOf[i] = k; });
    const inMaster = new Map<string, number>();
    const addWash = (set: readonly number[], cost: number): void => {
      const key = set.join(',');
      if (inMaster.has(key)) return;
      inMaster.set(key, master.size);
      master.add({ rows: counted ? [...set, countRow] : set, cost });
      kinds.push('wash');
    };
    for (const { items, cost } of this.pool.values()) {
      const set = seenFrom(inst, groups, groupOf, items);
      if (set) addWash(set, cost);
    }
    master.begin(this.best.loads.flatMap((load) => inMaster.get(seenFrom(inst, groups, groupOf, load)?.join(',') ?? '') ?? []));
    const columns = this.sourceFor(source, inst, groups, groupOf);
    let lowerBound = node.bound;
    let centre: Float64Array | null = null;
    let centreBound = -Infinity;
    let settled: Settled | null = null;
    let nodesPerMode = this.warm ? this.effort.nodesPerMode : firstLook;
    for (let round = 0; round < this.effort.rounds && this.visited < this.effort.visited; round++) {
      const duals = master.optimise();
      const trial: Float64Array = centre === null || round % 8 === 7 ? duals : Float64Array.from(duals, (d, i) => 0.5 * d + 0.5 * ((centre as Float64Array)[i] ?? 0));
      let done = false;
      for (const pi of trial === duals ? [duals] : [trial, duals]) {
        const perLoad = counted ? (pi[countRow] as number) : 0;
        const found = columns.find(pi, perLoad, nodesPerMode);
        this.visited += found.visited;
        let sum = 0;
        for (let i = 0; i < m; i++) sum += Math.min(pi[i] as number, inst.items[i]?.waitCost ?? Infinity);
        // A slack must not be worth having: the count's dual has the sign its row asks for.
        const countOk = !counted || (node.minLoads > 0 ? perLoad >= -1e-9 : perLoad <= 1e-9);
        const most = node.maxLoads < Infinity ? node.maxLoads : Math.min(m, this.mostLoads);
        const bound = countOk ? sum + (counted ? perLoad * (rightSides[countRow] as number) : 0) + most * Math.min(0, found.leastReduced) : -Infinity;
        if (bound > lowerBound) lowerBound = bound;
        if (countOk && found.exact && sum + (counted ? perLoad * (rightSides[countRow] as number) : 0) - bound < Math.max(near, proven / 2)) settled = { columns, duals: pi, perLoad, bound };
        if (settled && settled.duals === pi && columns instanceof ColumnFinder) done = true;
        if (bound > centreBound) { centreBound = bound; centre = pi; }
        let added = 0;
        for (const c of found.columns) {
          const before = inMaster.size;
          // Found at one setting; another may wash the same set for less.
          const cost = Math.min(c.cost, this.pricer.cost(piecesOf(inst.items, c.items)));
          addWash(c.items, cost);
          added += inMaster.size - before;
          this.remember({ items: c.items.flatMap((g) => groups[g] as number[]), cost });
        }
        if (added > 0 || done) break;
        if (pi !== duals) continue;
        // Nothing found with a quick look: look longer, until the search is exact or its limit is reached.
        if (found.exact || nodesPerMode >= this.effort.nodesPerMode) {
          done = true;
        }
        else nodesPerMode = nodesPerMode === firstLook ? secondLook : this.effort.nodesPerMode;
      }
      if (done || lowerBound >= this.best.cost - proven) break;
    }
    const solution = master.solution();
    if (solution.some(({ index }) => kinds[index] === 'artificial' && index < rightSides.length)) {
      // Covered only artificially: nothing feasible here, unless the rounds ran out.
      if (lowerBound >= this.best.cost - proven || solution.some(({ index, share }) => kinds[index] === 'artificial' && share > 1e-4)) {
        return lowerBound > this.best.cost ? null : { lowerBound, settled, loads: [], waiting: [], integral: false, cost: Infinity, inst, groups };
      }
    }
    const loads = solution.flatMap(({ column, index, share }) => (kinds[index] === 'wash' ? [{ set: column.rows.filter((r) => r < m), share }] : []));
    const waiting = solution.flatMap(({ column, index, share }) => (kinds[index] === 'wait' && share > 0.999 ? [column.rows[0] as number] : []));
    const integral = solution.every(({ share, index }) => kinds[index] === 'slack' || share > 0.999);
    return { lowerBound, settled, loads, waiting, integral, cost: solution.reduce((s, { column, share }) => s + column.cost * Math.round(share), 0), inst, groups };
  }

  private adopt(r: Relaxed): void {
    const back = (set: readonly number[]): number[] => ascending(set.flatMap((g) => r.groups[g] as number[]));
    const loads = r.loads.map(({ set }) => back(set));
    const waiting = back(r.waiting);
    const cost = loads.reduce((c, l) => c + this.pricer.cost(piecesOf(this.root.items, l)), 0) + waiting.reduce((c, i) => c + (this.root.items[i]?.waitCost ?? Infinity), 0);
    const covered = [...loads.flat(), ...waiting].length === this.root.items.length;
    if (covered && cost < this.best.cost - 1e-9) this.best = { loads, waiting, cost };
  }

  /** The pair whose shared load is most undecided. */
  private undecidedPair(r: Relaxed): [number, number] | null {
    const m = r.inst.items.length;
    const shared = new Float64Array(m * m);
    for (const { set, share } of r.loads) for (const a of set) for (const b of set) if (a < b) shared[a * m + b] = (shared[a * m + b] as number) + share;
    let pick: [number, number] | null = null;
    let most = 1e-4;
    for (let a = 0; a < m; a++) for (let b = a + 1; b < m; b++) {
      const s = shared[a * m + b] as number;
      const undecided = Math.min(s, 1 - s);
      if (undecided > most + 1e-9) { most = undecided; pick = [a, b]; }
    }
    return pick && [(r.groups[pick[0]] as number[])[0] as number, (r.groups[pick[1]] as number[])[0] as number];
  }

  run(): Bounded {
    const finder = new ColumnFinder(this.root, this.effort.fine);
    this.mostLoads = Math.floor(this.best.cost / finder.leastCost());
    const root: Node = { together: [], apart: [], minLoads: 0, maxLoads: Infinity, bound: finder.shareWorth().reduce((t, x) => t + x, 0) };
    const first = this.relax(root, finder);
    if (!first) return this.bounded(this.best.cost);
    if (first.integral) this.adopt(first);
    this.onBound?.(first.lowerBound, this.best.cost);
    this.warm = true;
    if (first.settled && this.best.cost - first.lowerBound > proven) {
      // The loads known so far often hold a better division; the nearer the best is to the bound, the fewer loads a better one could use.
      this.tree(new ColumnList([...this.pool.values()]), { ...root, bound: -Infinity }, this.effort.poolNodes);
      this.visited += finder.keepWithin(first.settled.duals, this.best.cost - first.settled.bound + proven, narrowLook);
    }
    return this.bounded(this.best.cost - first.lowerBound <= proven ? first.lowerBound : this.tree(finder, { ...root, bound: first.lowerBound }, this.effort.nodes));
  }
  private bounded(bound: number): Bounded {
    const lowerBound = Math.min(this.best.cost, bound);
    return { division: this.best, lowerBound, optimal: this.best.cost - lowerBound <= proven };
  }

  /** Every load that a better division of the branch could use; null when they are too many, or already written out. */
  private writtenOut({ settled, groups }: Relaxed): ColumnList | null {
    if (!settled || !(settled.columns instanceof ColumnFinder)) return null;
    const gap = this.best.cost - settled.bound;
    if (gap > mostOpen * this.best.cost) return null;
    const all = settled.columns.allWithin(settled.duals, settled.perLoad, gap + proven, this.effort.written);
    return all && new ColumnList(all.map(({ items, cost }) => ({ items: ascending(items.flatMap((g) => groups[g] as number[])), cost })));
  }

  /** Search the tree below a node with the columns of a source; returns the bound that it proves for them. */
  private tree(source: ColumnFinder | ColumnList, root: Node, nodes: number): number {
    const open: Node[] = [root];
    let closedBound = Infinity;
    for (let looked = 0; open.length > 0 && looked < nodes && this.visited < this.effort.visited; looked++) {
      open.sort((x, y) => x.bound - y.bound);
      const node = open.shift() as Node;
      if (node.bound >= this.best.cost - proven) { closedBound = Math.min(closedBound, node.bound); continue; }
      const r = this.relax(node, source);
      if (!r) continue;
      const bound = Math.max(node.bound, r.lowerBound);
      if (r.integral) this.adopt(r);
      if (root.bound > -Infinity) this.onBound?.(Math.min(bound, closedBound, ...open.map((x) => x.bound)), this.best.cost);
      if (bound >= this.best.cost - proven) { closedBound = Math.min(closedBound, bound); continue; }
      const list = this.writtenOut(r);
      if (list) {
        closedBound = Math.min(closedBound, this.tree(list, { ...node, bound }, this.effort.nodes));
        continue;
      }
      const count = r.loads.reduce((s, l) => s + l.share, 0);
      const floor = Math.floor(count + 1e-4);
      const pair = this.undecidedPair(r);
      if (count - floor > 1e-3 && node.minLoads === 0 && node.maxLoads === Infinity) {
        open.push({ ...node, maxLoads: floor, bound }, { ...node, minLoads: floor + 1, bound });
      } else if (pair) {
        open.push({ ...node, together: [...node.together, pair], bound }, { ...node, apart: [...node.apart, pair], bound });
      } else {
        // Whole, but stopped a hair before its end: go there.
        const last = this.relax({ ...node, bound }, source, 0);
        if (last?.integral) this.adopt(last);
        closedBound = Math.min(closedBound, last ? Math.max(bound, last.lowerBound) : Infinity);
      }
    }
    return Math.min(closedBound, ...open.map((x) => x.bound));
  }
}
