/** The linear relaxation of one branch over loads of a list: every item washed once or put off, within the limits that it knows. */
import { artificialCost, RestrictedMaster } from '../simplex.ts';
import { countOf, type Limit, type ListedUse } from './limits.ts';
import type { ListedLoads } from './listed-loads.ts';

/** How many items of each kind there are, and what one costs to put off. */
export interface Counted {
  counts: readonly number[];
  waitCosts: readonly number[];
}
/** What loads are measured by: worth of an item of each kind, and the price of each limit (0 or less of a most, 0 or more of a least). */
export interface Prices {
  worth: Float64Array;
  limits: Float64Array;
}
/** The loads that a better division in the branch may hold, and its limits. */
export interface Branch {
  loads: Int32Array;
  limits: readonly Limit[];
  /** Where the branch it comes from ended: its prices and its bound; loads that its relaxation may begin with, and are left out where they do not fit. */
  prices: Prices;
  begin: readonly number[];
  bound: number;
}
/** What a relaxation came to. */
export interface Relaxed {
  used: ListedUse[];
  /** Every load is washed a whole number of times. */
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
  private readonly counted: Counted;
  private readonly branch: Branch;
  private readonly master: RestrictedMaster;
  /** What columns of the master are. */
  private readonly slacks: number[];
  private readonly waits: ReadonlySet<number>;
  private readonly washes = new Map<number, number>();
  private readonly isIn: Uint8Array;

  constructor(list: ListedLoads, counted: Counted, branch: Branch) {
    this.list = list;
    this.counted = counted;
    this.branch = branch;
    const { counts, waitCosts } = counted;
    // A row for each kind, then one for each limit.
    this.master = new RestrictedMaster([...counts, ...branch.limits.map(({ side }) => side)], artificialCost);
    this.slacks = branch.limits.map(({ sense }, x) => {
      const row = counts.length + x;
      return this.master.add(sense === 'most' ? { rows: [row], cost: 0 } : { rows: [], cost: 0, minusRow: row });
    });
    this.waits = new Set(
      waitCosts.flatMap((cost, k) => (cost < Infinity ? [this.master.add({ rows: [k], cost })] : [])),
    );
    this.isIn = new Uint8Array(list.size);
  }
  /** Index in the master. */
  private add(load: number): number {
    const { list } = this;
    const rows = list.kindsOf(load);
    this.branch.limits.forEach((limit, x) => {
      const row = this.counted.counts.length + x;
      for (let times = countOf(list, load, limit); times > 0; times--) rows.push(row);
    });
    const index = this.master.add({ rows, cost: list.costs[load] as number });
    this.washes.set(index, load);
    this.isIn[load] = 1;
    return index;
  }

  /** The relaxation over all loads of the branch. */
  settle(): Relaxed {
    const { master, isIn } = this;
    const { loads, begin, prices: before } = this.branch;
    const reduced = new Float64Array(loads.length);
    const places = Array.from(loads.keys());
    this.measure(places, reduced, before);
    const isAllowed = new Uint8Array(this.list.size);
    for (const load of loads) isAllowed[load] = 1;
    const inUse = begin.flatMap((load) => (isAllowed[load] && !isIn[load] ? [this.add(load)] : []));
    const [first, close] = [smallest(reduced, begun), smallest(reduced, near)];
    loads.forEach((load, x) => {
      if ((reduced[x] as number) <= first && !isIn[load]) this.add(load);
    });
    master.begin([...this.slacks, ...inUse]);
    let looked = places.filter((x) => (reduced[x] as number) <= close);
    for (;;) {
      const prices = this.prices(master.optimise());
      if (this.takeIn(this.measure(looked, reduced, prices, start), reduced)) continue;
      if (!this.takeIn(this.measure(places, reduced, prices), reduced)) return this.result(prices, reduced);
      const closer = smallest(reduced, near);
      looked = places.filter((x) => (reduced[x] as number) <= closer);
    }
  }
  /**
   * What the loads at these places cost above their worth, and those of them that are worth more than they cost and not taken in. Where a load costs no less than
   * `enough` without the prices of limits that only add, those are left out.
   */
  private measure(
    places: readonly number[],
    reduced: Float64Array,
    { worth, limits: prices }: Prices,
    enough = Infinity,
  ): number[] {
    const { list, isIn } = this;
    const { loads, limits } = this.branch;
    const mostOff = prices.reduce((t, price) => t + Math.max(0, price), 0);
    const better: number[] = [];
    for (const x of places) {
      const load = loads[x] as number;
      let above = list.reducedCost(load, worth);
      if (above - mostOff < enough)
        for (let l = 0; l < limits.length; l++) {
          const price = prices[l] as number;
          if (price !== 0) above -= price * countOf(list, load, limits[l] as Limit);
        }
      reduced[x] = above;
      if (above < start && !isIn[load]) better.push(x);
    }
    return better;
  }
  /** The best of the loads at these places; answers whether there is any. */
  private takeIn(better: number[], reduced: Float64Array): boolean {
    better.sort((x, y) => (reduced[x] as number) - (reduced[y] as number));
    for (const x of better.slice(0, atOnce)) this.add(this.branch.loads[x] as number);
    return better.length > 0;
  }
  /** Duals with the signs that their rows ask for, none above what an item costs to put off. */
  private prices(duals: Float64Array): Prices {
    const { waitCosts } = this.counted;
    return {
      worth: duals.slice(0, waitCosts.length).map((dual, k) => Math.min(dual, waitCosts[k] as number)),
      limits: Float64Array.from(this.branch.limits, ({ sense }, x) => {
        const dual = duals[waitCosts.length + x] as number;
        return sense === 'most' ? Math.min(0, dual) : Math.max(0, dual);
      }),
    };
  }
  private result(prices: Prices, reduced: Float64Array): Relaxed {
    const { counts } = this.counted;
    const used: ListedUse[] = [];
    let integral = true;
    for (const { index, share } of this.master.solution()) {
      const load = this.washes.get(index);
      // Right-hand sides are shifted a hair apart.
      if (share < nearlyWhole || (load === undefined && !this.waits.has(index))) continue;
      if (load !== undefined) used.push({ load, share });
      if (Math.abs(share - Math.round(share)) > nearlyWhole) integral = false;
    }
    // L3, L12 and L18, with what rounding leaves of L4 (a).
    let value = 0;
    for (const [k, count] of counts.entries()) value += count * (prices.worth[k] as number);
    for (const [x, { side }] of this.branch.limits.entries()) value += side * (prices.limits[x] as number);
    const mostLoads = counts.reduce((t, n) => t + n, 0);
    const least = reduced.reduce((t, x) => Math.min(t, x), 0);
    return { used, integral, prices, reduced, bound: value + mostLoads * least };
  }
}
