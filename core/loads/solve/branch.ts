/**
 * Branch and price: the linear relaxation of the division over all possible loads, solved by column generation, gives a lower bound; branching on
 * the number of loads and on pairs together or apart closes what is left of the gap. Counts, never clocks, limit it.
 */
import { ColumnFinder } from './columns.ts';
import { ascending, makeInstance, piecesOf, type Division, type Instance, type Item, type Pricer } from './instance.ts';
import { Master } from './master.ts';

export interface BranchEffort {
  /** Nodes of the tree, and rounds of column generation in each. */
  nodes: number;
  rounds: number;
  /** Visited sets: in one mode of washing at most, and in all before the search settles for a gap. */
  nodesPerMode: number;
  visited: number;
  /** Look at every soil and family by itself; exact, but more modes. */
  fine: boolean;
}
export interface Bounded { division: Division; lowerBound: number; optimal: boolean }
export interface PooledLoad { items: readonly number[]; cost: number }

const proven = 1e-6;
const artificialCost = 1e5;
/** Visited sets per mode of the first, quick looks for columns. */
const firstLook = 60;

interface Node {
  together: readonly (readonly [number, number])[];
  apart: readonly (readonly [number, number])[];
  minLoads: number;
  maxLoads: number;
  bound: number;
}
interface Relaxed { lowerBound: number; loads: { set: number[]; share: number }[]; waiting: number[]; integral: boolean; cost: number; inst: Instance; groups: number[][] }

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
  private finder: ColumnFinder | null = null;
  private visited = 0;
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

  private relax(node: Node): Relaxed | null {
    const { inst, groups } = node.together.length === 0 && node.apart.length === 0 ? { inst: this.root, groups: this.root.items.map((_, i) => [i]) } : nodeInstance(this.root, node);
    const m = inst.items.length;
    const counted = node.minLoads > 0 || node.maxLoads < Infinity;
    const countRow = m;
    const rightSides = [...inst.items.map(() => 1), ...(counted ? [node.minLoads > 0 ? node.minLoads : node.maxLoads] : [])];
    const master = new Master(rightSides, artificialCost);
    const kinds: ('artificial' | 'wait' | 'wash' | 'slack')[] = rightSides.map(() => 'artificial');
    inst.items.forEach((item, i) => { if (item.waitCost < Infinity) { master.add({ rows: [i], cost: item.waitCost }); kinds.push('wait'); } });
    if (counted) { master.add(node.minLoads > 0 ? { rows: [], cost: 0, minusRow: countRow } : { rows: [countRow], cost: 0 }); kinds.push('slack'); }
    const groupOf = new Map(groups.flatMap((g, k) => g.map((i) => [i, k] as const)));
    const inMaster = new Set<string>();
    const addWash = (set: readonly number[], cost: number): void => {
      const key = set.join(',');
      if (inMaster.has(key)) return;
      inMaster.add(key);
      master.add({ rows: counted ? [...set, countRow] : set, cost });
      kinds.push('wash');
    };
    for (const { items, cost } of this.pool.values()) {
      const set = ascending([...new Set(items.map((i) => groupOf.get(i) as number))]);
      if (set.reduce((s, g) => s + (groups[g] as number[]).length, 0) !== items.length) continue; // splits what must stay together
      if (set.some((a) => set.some((b) => inst.apart[a * m + b]))) continue;
      addWash(set, cost);
    }
    this.finder ??= new ColumnFinder(this.root, this.effort.fine);
    const finder = inst === this.root ? this.finder : new ColumnFinder(inst, this.effort.fine, { finder: this.finder, groups });
    let lowerBound = finder.shareWorth().reduce((t, x) => t + x, 0);
    let centre: Float64Array | null = null;
    let centreBound = -Infinity;
    let nodesPerMode = firstLook;
    for (let round = 0; round < this.effort.rounds && this.visited < this.effort.visited; round++) {
      const duals = master.optimise();
      const trial: Float64Array = centre === null || round % 8 === 7 ? duals : Float64Array.from(duals, (d, i) => 0.5 * d + 0.5 * ((centre as Float64Array)[i] ?? 0));
      let done = false;
      for (const pi of trial === duals ? [duals] : [trial, duals]) {
        const perLoad = counted ? (pi[countRow] as number) : 0;
        const found = finder.find(pi, perLoad, { nodesPerMode });
        this.visited += found.visited;
        let sum = 0;
        for (let i = 0; i < m; i++) sum += Math.min(pi[i] as number, inst.items[i]?.waitCost ?? Infinity);
        // A slack must not be worth having: the count's dual has the sign its row asks for.
        const countOk = !counted || (node.minLoads > 0 ? perLoad >= -1e-9 : perLoad <= 1e-9);
        const most = node.maxLoads < Infinity ? node.maxLoads : Math.min(m, this.mostLoads());
        const bound = countOk ? sum + (counted ? perLoad * (rightSides[countRow] as number) : 0) + most * Math.min(0, found.leastReduced) : -Infinity;
        if (bound > lowerBound) lowerBound = bound;
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
        if (added > 0) break;
        if (pi !== duals) continue;
        // Nothing found with a quick look: look longer, until the search is exact or its limit is reached.
        if (found.exact || nodesPerMode >= this.effort.nodesPerMode) done = true;
        else nodesPerMode = Math.min(this.effort.nodesPerMode, nodesPerMode * 8);
      }
      if (done || lowerBound >= this.best.cost - proven) break;
    }
    const solution = master.solution();
    if (solution.some(({ index }) => kinds[index] === 'artificial' && index < rightSides.length)) {
      // Covered only artificially: nothing feasible here, unless the rounds ran out.
      if (lowerBound >= this.best.cost - proven || solution.some(({ index, share }) => kinds[index] === 'artificial' && share > 1e-4)) {
        return lowerBound > this.best.cost ? null : { lowerBound, loads: [], waiting: [], integral: false, cost: Infinity, inst, groups };
      }
    }
    const loads = solution.flatMap(({ column, index, share }) => (kinds[index] === 'wash' ? [{ set: column.rows.filter((r) => r < m), share }] : []));
    const waiting = solution.flatMap(({ column, index, share }) => (kinds[index] === 'wait' && share > 0.999 ? [column.rows[0] as number] : []));
    const integral = solution.every(({ share, index }) => kinds[index] === 'slack' || share > 0.999);
    return { lowerBound, loads, waiting, integral, cost: solution.reduce((s, { column, share }) => s + column.cost * Math.round(share), 0), inst, groups };
  }

  private mostLoads(): number {
    let cheapest = Infinity;
    for (const { cost } of this.pool.values()) cheapest = Math.min(cheapest, cost);
    return Math.floor(this.best.cost / Math.max(0.2, cheapest)) + 1;
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
    const open: Node[] = [{ together: [], apart: [], minLoads: 0, maxLoads: Infinity, bound: -Infinity }];
    let closedBound = Infinity;
    for (let visited = 0; open.length > 0 && visited < this.effort.nodes && this.visited < this.effort.visited; visited++) {
      open.sort((x, y) => x.bound - y.bound);
      const node = open.shift() as Node;
      if (node.bound >= this.best.cost - proven) { closedBound = Math.min(closedBound, node.bound); continue; }
      const r = this.relax(node);
      if (!r) continue;
      const bound = Math.max(node.bound, r.lowerBound);
      if (r.integral) this.adopt(r);
      this.onBound?.(Math.min(bound, closedBound, ...open.map((x) => x.bound)), this.best.cost);
      if (bound >= this.best.cost - proven) { closedBound = Math.min(closedBound, bound); continue; }
      const count = r.loads.reduce((s, l) => s + l.share, 0);
      const whole = Math.floor(count + 1e-4);
      const pair = this.undecidedPair(r);
      if (count - whole > 1e-3 && node.minLoads === 0 && node.maxLoads === Infinity) {
        open.push({ ...node, maxLoads: whole, bound }, { ...node, minLoads: whole + 1, bound });
      } else if (pair) {
        open.push({ ...node, together: [...node.together, pair], bound }, { ...node, apart: [...node.apart, pair], bound });
      } else if (r.integral && r.lowerBound > -Infinity && Math.abs(r.cost - r.lowerBound) < proven) closedBound = Math.min(closedBound, bound);
      else closedBound = Math.min(closedBound, bound); // its bound stands, it could not be divided further
    }
    const lowerBound = Math.min(this.best.cost, closedBound, ...open.map((x) => x.bound));
    return { division: this.best, lowerBound, optimal: this.best.cost - lowerBound <= proven };
  }
}
