/**
 * The linear relaxation of one branch: its items (pairs that must stay together become one), the restricted master problem over the loads known so far,
 * and what its duals and solution tell.
 */
import { ascending, makeInstance, piecesOf, type Instance, type Item } from '../instance.ts';
import { ColumnList, seenFrom, type PooledLoad, type Worths } from './column-list.ts';
import { ColumnFinder, type ColumnSource, type Findings } from './column-finder.ts';
import { RestrictedMaster } from '../simplex.ts';

/** A branch of the tree: decisions about pairs and about the number of loads, and the bound that its parent proves for it. */
export interface Node {
  together: readonly (readonly [number, number])[];
  apart: readonly (readonly [number, number])[];
  minLoads: number;
  maxLoads: number;
  bound: number;
  /** Duals that prove a bound of the branch: where its own are looked for from. */
  centre: Centre;
}
/** Worths, and the bound that they prove. */
export interface Centre extends Worths {
  bound: number;
}
/** Duals of a relaxation solved to its end, and the bound they prove: a load whose reduced cost is above the gap is in no better division of the branch. */
export interface Settled {
  columns: ColumnSource;
  duals: Float64Array;
  perLoad: number;
  bound: number;
}
/** What a relaxation came to: loads with their shares, items that wait, in items of the branch. */
export interface Relaxed {
  lowerBound: number;
  /** The duals that prove most. */
  centre: Centre;
  settled: Settled | null;
  covered: boolean;
  loads: { set: number[]; share: number }[];
  waiting: number[];
  integral: boolean;
}

/** Above every sensible price of covering one item. */
const artificialCost = 1e3;

/** Items of the branch, each a group of the whole's. */
function branchInstance(root: Instance, node: Node): { inst: Instance; groups: number[][] } {
  if (node.together.length === 0 && node.apart.length === 0)
    return { inst: root, groups: root.items.map((_, i) => [i]) };
  const parent = root.items.map((_, i) => i);
  const top = (i: number): number => (parent[i] === i ? i : top(parent[i] as number));
  for (const [a, b] of node.together) parent[Math.max(top(a), top(b))] = Math.min(top(a), top(b));
  const groups: number[][] = [];
  const groupOf = root.items.map((_, i) => {
    const r = top(i);
    const at = groups.findIndex((g) => g.includes(r));
    if (at >= 0) {
      (groups[at] as number[]).push(i);
      return at;
    }
    return groups.push([i]) - 1;
  });
  const items = groups.map((g): Item =>
    g.length === 1 ? (root.items[g[0] as number] as Item) : { pieces: piecesOf(root.items, g), waitCost: Infinity },
  );
  const n = root.items.length;
  const apart: [number, number][] = node.apart.map(([a, b]) => [groupOf[a] as number, groupOf[b] as number]);
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++)
      if (root.apart[i * n + j] && groupOf[i] !== groupOf[j]) apart.push([groupOf[i] as number, groupOf[j] as number]);
  return { inst: makeInstance(root.basket, items, apart), groups };
}

export class Relaxation {
  readonly node: Node;
  readonly inst: Instance;
  readonly groups: readonly (readonly number[])[];
  private readonly groupOf: number[];
  private readonly isWhole: boolean;
  private readonly master: RestrictedMaster;
  private readonly kinds: ('artificial' | 'wait' | 'wash' | 'slack')[];
  private readonly rightSides: readonly number[];
  /** Index of each load in the master, by its items. */
  private readonly known = new Map<string, number>();
  /** The row that counts loads; none where their number is open. */
  private readonly countRow: number | null;

  constructor(root: Instance, node: Node, pool: Iterable<PooledLoad>, begin: readonly (readonly number[])[]) {
    this.node = node;
    const { inst, groups } = branchInstance(root, node);
    this.inst = inst;
    this.groups = groups;
    this.isWhole = inst === root;
    this.groupOf = new Array<number>(root.items.length).fill(0);
    groups.forEach((g, k) => {
      for (const i of g) this.groupOf[i] = k;
    });
    const counted = node.minLoads > 0 || node.maxLoads < Infinity;
    this.countRow = counted ? inst.items.length : null;
    this.rightSides = [
      ...inst.items.map(() => 1),
      ...(counted ? [node.minLoads > 0 ? node.minLoads : node.maxLoads] : []),
    ];
    this.master = new RestrictedMaster(this.rightSides, artificialCost);
    this.kinds = this.rightSides.map(() => 'artificial');
    inst.items.forEach((item, i) => {
      if (item.waitCost < Infinity) {
        this.master.add({ rows: [i], cost: item.waitCost });
        this.kinds.push('wait');
      }
    });
    if (this.countRow !== null) {
      this.master.add(
        node.minLoads > 0 ? { rows: [], cost: 0, minusRow: this.countRow } : { rows: [this.countRow], cost: 0 },
      );
      this.kinds.push('slack');
    }
    for (const { items, cost } of pool) {
      const set = seenFrom(inst, groups, this.groupOf, items);
      if (set) this.add(set, cost);
    }
    this.master.begin(
      begin.flatMap((load) => this.known.get(seenFrom(inst, groups, this.groupOf, load)?.join(',') ?? '') ?? []),
    );
  }
  /** True for a load that was not there yet. */
  add(set: readonly number[], cost: number): boolean {
    const key = set.join(',');
    if (this.known.has(key)) return false;
    this.known.set(key, this.master.size);
    this.master.add({ rows: this.countRow === null ? set : [...set, this.countRow], cost });
    this.kinds.push('wash');
    return true;
  }
  /** The source as this branch sees it. */
  columnsOf(source: ColumnFinder | ColumnList): ColumnSource {
    if (source instanceof ColumnList) return { find: (duals) => this.findIn(source, duals) };
    return this.isWhole ? source : source.within(this.inst, this.groups);
  }
  private findIn(list: ColumnList, duals: Float64Array): Findings {
    const found = list.find(this.worthsOf(duals));
    const columns = found.columns.flatMap((c) => {
      const items = seenFrom(this.inst, this.groups, this.groupOf, c.items);
      return items ? [{ ...c, items }] : [];
    });
    return { ...found, columns };
  }
  optimise(): Float64Array {
    return this.master.optimise();
  }
  /** The branch's centre as duals of its rows: items that have become one are worth their sum. */
  centre(): { duals: Float64Array; bound: number } {
    const { worth, perLoad, bound } = this.node.centre;
    const duals = new Float64Array(this.rightSides.length);
    this.groups.forEach((g, k) => {
      for (const i of g) duals[k] = (duals[k] as number) + (worth[i] as number);
    });
    if (this.countRow !== null) duals[this.countRow] = perLoad;
    return { duals, bound };
  }
  /** Duals of its rows as worths of the whole's items: one item of each group carries what the group is worth. */
  worthsOf(duals: Float64Array): Worths {
    const worth = new Float64Array(this.groupOf.length);
    this.groups.forEach(([first], k) => {
      worth[first as number] = duals[k] as number;
    });
    return { worth, perLoad: this.perLoad(duals) };
  }
  /** Dual of the number of loads. */
  perLoad(pi: Float64Array): number {
    return this.countRow === null ? 0 : (pi[this.countRow] as number);
  }
  /** What duals would prove if no load were worth more than it costs; no bound yet. */
  valueOf(pi: Float64Array): number {
    const { node, inst } = this;
    const perLoad = this.perLoad(pi);
    // A slack must not be worth having: the count's dual has the sign its row asks for.
    if (this.countRow !== null && (node.minLoads > 0 ? perLoad < -1e-9 : perLoad > 1e-9)) return -Infinity;
    let value = this.countRow === null ? 0 : perLoad * (this.rightSides[this.countRow] as number);
    inst.items.forEach((item, i) => {
      value += Math.min(pi[i] as number, item.waitCost);
    });
    return value;
  }
  /** L4 of docs/solver.md. The bound that duals prove when no load has a reduced cost below what was found. */
  boundOf(pi: Float64Array, found: Findings, mostLoads: number): number {
    const loads = Math.min(this.node.maxLoads, this.inst.items.length, mostLoads);
    return this.valueOf(pi) - loads * Math.max(0, -found.leastReduced);
  }
  /** What the master came to. Where some item is covered only artificially the branch holds nothing, or its loads are not known yet: no loads then. */
  result(lowerBound: number, centre: Centre, settled: Settled | null): Relaxed {
    const { kinds, inst } = this;
    const m = inst.items.length;
    const solution = this.master.solution();
    if (solution.some(({ index, share }) => kinds[index] === 'artificial' && share > 1e-4))
      return { lowerBound, centre, settled, covered: false, loads: [], waiting: [], integral: false };
    const loads = solution.flatMap(({ column, index, share }) =>
      kinds[index] === 'wash' ? [{ set: column.rows.filter((r) => r < m), share }] : [],
    );
    const waiting = solution.flatMap(({ column, index, share }) =>
      kinds[index] === 'wait' && share > 0.999 ? [column.rows[0] as number] : [],
    );
    return {
      lowerBound,
      centre,
      settled,
      covered: true,
      loads,
      waiting,
      integral: solution.every(({ share, index }) => kinds[index] === 'slack' || share > 0.999),
    };
  }

  /** The pair whose shared load is most undecided, in items of the whole. */
  undecidedPair({ loads }: Relaxed): [number, number] | null {
    const m = this.inst.items.length;
    const shared = new Float64Array(m * m);
    for (const { set, share } of loads)
      for (const a of set) for (const b of set) if (a < b) shared[a * m + b] = (shared[a * m + b] as number) + share;
    let pick: [number, number] | null = null;
    let most = 1e-4;
    for (let a = 0; a < m; a++)
      for (let b = a + 1; b < m; b++) {
        const s = shared[a * m + b] as number;
        const undecided = Math.min(s, 1 - s);
        if (undecided > most + 1e-9) {
          most = undecided;
          pick = [a, b];
        }
      }
    return pick && [this.groups[pick[0]]?.[0] as number, this.groups[pick[1]]?.[0] as number];
  }
  /** Items of the whole. */
  wholeOf(set: readonly number[]): number[] {
    return ascending(set.flatMap((g) => this.groups[g] as readonly number[]));
  }
}
