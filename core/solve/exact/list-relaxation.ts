/** The linear relaxation of one branch over loads of a list: every item washed once or put off, no triple broken that it knows (L18 of docs/solver.md). */
import type { Instance } from '../instance.ts';
import { artificialCost, RestrictedMaster } from '../simplex.ts';
import type { ListedLoads } from './listed-loads.ts';
import { holdsTwo, type ListedUse, type Triple } from './triples.ts';

/** What loads are measured by: worth of each item, price of each triple (0 or less), and of any load at all. */
export interface Prices {
  worth: Float64Array;
  triples: Float64Array;
  perLoad: number;
}
/** The loads that a better division in the branch may hold, and what is decided. */
export interface Branch {
  loads: Int32Array;
  /** Of each item, the first of those that it stays together with; 1 where it may wait by itself. */
  heads: Int32Array;
  mayWait: Uint8Array;
  minLoads: number;
  maxLoads: number;
  triples: readonly Triple[];
  /** Where the branch it comes from ended: its prices and its bound; loads that its relaxation may begin with, and are left out where they do not fit. */
  prices: Prices;
  begin: readonly number[];
  bound: number;
}
/** What a relaxation came to. */
export interface Relaxed {
  used: ListedUse[];
  waiting: { item: number; share: number }[];
  /** Only whole loads are washed. */
  integral: boolean;
  prices: Prices;
  /** What each load of the branch costs above its worth by these prices. */
  reduced: Float64Array;
  bound: number;
}

/** Loads worth so much more than they cost are taken in, so many at a time; so many of the nearest begin. */
const start = -1e-7;
const atOnce = 60;
const begun = 150;
/** So many loads, the nearest, are looked through again and again before all are. */
const near = 3_000;
/** Nearer than this to a whole number, a share or a sum of shares is one. */
export const nearlyWhole = 1e-3;

/** The least number that at least so many of these do not exceed. */
const smallest = (numbers: Float64Array, count: number): number =>
  numbers.slice().sort()[Math.min(count, numbers.length) - 1] ?? Infinity;

export class ListRelaxation {
  private readonly list: ListedLoads;
  private readonly inst: Instance;
  private readonly branch: Branch;
  private readonly master: RestrictedMaster;
  /** Rows: items that stand for those they stay together with, triples, the number of loads where it is limited. */
  private readonly rows: readonly number[];
  private readonly rowOf: Int32Array;
  private readonly countRow: number | null;
  /** What columns of the master are. */
  private readonly slacks = new Set<number>();
  private readonly waits = new Map<number, number>();
  private readonly washes = new Map<number, number>();
  private readonly isIn: Uint8Array;

  constructor(list: ListedLoads, inst: Instance, branch: Branch) {
    this.list = list;
    this.inst = inst;
    this.branch = branch;
    const { heads, triples, minLoads, mayWait } = branch;
    this.rows = [...heads.keys()].filter((i) => heads[i] === i);
    this.rowOf = new Int32Array(inst.items.length).fill(-1);
    this.rows.forEach((i, row) => (this.rowOf[i] = row));
    const afterTriples = this.rows.length + triples.length;
    this.countRow = this.limit < Infinity ? afterTriples : null;
    const ones = Array.from({ length: afterTriples }, () => 1);
    this.master = new RestrictedMaster(this.countRow === null ? ones : [...ones, this.limit], artificialCost);
    triples.forEach((_, t) => this.slacks.add(this.master.add({ rows: [this.rows.length + t], cost: 0 })));
    if (this.countRow !== null)
      this.slacks.add(
        this.master.add(
          minLoads > 0 ? { rows: [], cost: 0, minusRow: this.countRow } : { rows: [this.countRow], cost: 0 },
        ),
      );
    this.rows.forEach((i, row) => {
      if (mayWait[i]) this.waits.set(this.master.add({ rows: [row], cost: this.waitCost(i) }), i);
    });
    this.isIn = new Uint8Array(list.size);
  }
  /** The number of loads that there have to be at least or at most; Infinity where it is open. */
  private get limit(): number {
    const { minLoads, maxLoads } = this.branch;
    return minLoads > 0 ? minLoads : maxLoads;
  }
  private waitCost(item: number): number {
    return this.inst.items[item]?.waitCost ?? Infinity;
  }
  /** Index in the master. */
  private add(load: number): number {
    const { list, rowOf, rows, countRow } = this;
    const covered = list.itemsOf(load).flatMap((i) => ((rowOf[i] as number) < 0 ? [] : [rowOf[i] as number]));
    this.branch.triples.forEach((triple, t) => {
      if (holdsTwo(list, load, triple)) covered.push(rows.length + t);
    });
    if (countRow !== null) covered.push(countRow);
    const index = this.master.add({ rows: covered, cost: list.costs[load] as number });
    this.washes.set(index, load);
    this.isIn[load] = 1;
    return index;
  }
  private reducedCost(load: number, { worth, triples: prices, perLoad }: Prices): number {
    const { triples } = this.branch;
    let reduced = this.list.reducedCost(load, worth) - perLoad;
    for (let t = 0; t < triples.length; t++) {
      const price = prices[t] as number;
      if (price < 0 && holdsTwo(this.list, load, triples[t] as Triple)) reduced -= price;
    }
    return reduced;
  }

  /** The relaxation over all loads of the branch. */
  settle(): Relaxed {
    const { master, isIn } = this;
    const { loads, begin, prices: before } = this.branch;
    const reduced = Float64Array.from(loads, (load) => this.reducedCost(load, before));
    const isAllowed = new Uint8Array(this.list.size);
    for (const load of loads) isAllowed[load] = 1;
    const inUse = begin.flatMap((load) => (isAllowed[load] && !isIn[load] ? [this.add(load)] : []));
    const [first, close] = [smallest(reduced, begun), smallest(reduced, near)];
    loads.forEach((load, x) => {
      if ((reduced[x] as number) <= first && !isIn[load]) this.add(load);
    });
    master.begin([...this.slacks, ...inUse]);
    const places = Array.from(loads.keys());
    let looked = places.filter((x) => (reduced[x] as number) <= close);
    for (;;) {
      const prices = this.prices(master.optimise());
      if (this.takeIn(looked, reduced, prices) > 0) continue;
      const more = this.takeIn(places, reduced, prices);
      if (more === 0) return this.result(prices, reduced);
      const closer = smallest(reduced, near);
      looked = places.filter((x) => (reduced[x] as number) <= closer);
    }
  }
  /** The loads at these places that are worth more than they cost, the best of them; returns how many. */
  private takeIn(places: readonly number[], reduced: Float64Array, prices: Prices): number {
    const { loads } = this.branch;
    const better: number[] = [];
    for (const x of places) {
      const load = loads[x] as number;
      const above = this.reducedCost(load, prices);
      reduced[x] = above;
      if (above < start && !this.isIn[load]) better.push(x);
    }
    better.sort((x, y) => (reduced[x] as number) - (reduced[y] as number));
    for (const x of better.slice(0, atOnce)) this.add(loads[x] as number);
    return better.length;
  }
  /** Duals with the signs that their rows ask for, none above what an item costs to put off. */
  private prices(duals: Float64Array): Prices {
    const { rows, countRow } = this;
    const { mayWait, triples, minLoads } = this.branch;
    const worth = new Float64Array(this.inst.items.length);
    rows.forEach((i, row) => {
      worth[i] = mayWait[i] ? Math.min(duals[row] as number, this.waitCost(i)) : (duals[row] as number);
    });
    const perLoad = countRow === null ? 0 : (duals[countRow] as number);
    return {
      worth,
      triples: duals.slice(rows.length, rows.length + triples.length).map((price) => Math.min(0, price)),
      perLoad: minLoads > 0 ? Math.max(0, perLoad) : Math.min(0, perLoad),
    };
  }
  private result(prices: Prices, reduced: Float64Array): Relaxed {
    const used: ListedUse[] = [];
    const waiting: Relaxed['waiting'] = [];
    let integral = true;
    for (const { index, share } of this.master.solution()) {
      // Right-hand sides are shifted a hair apart.
      if (share < nearlyWhole || this.slacks.has(index)) continue;
      const load = this.washes.get(index);
      const item = this.waits.get(index);
      if (load !== undefined) used.push({ load, share });
      if (item !== undefined) waiting.push({ item, share });
      if (share < 1 - nearlyWhole) integral = false;
    }
    // L12 and L18, with what rounding leaves of L4 (a).
    const counted = this.countRow === null ? 0 : prices.perLoad * this.limit;
    const value = [...prices.worth, ...prices.triples].reduce((t, x) => t + x, counted);
    const most = Math.min(this.branch.maxLoads, this.rows.length);
    const least = reduced.reduce((t, x) => Math.min(t, x), 0);
    return { used, waiting, integral, prices, reduced, bound: value + most * least };
  }
}
