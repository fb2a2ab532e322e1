/** Loads that are all known: those that a better division could still use, written out. Branches hold fewer and fewer of them. */
import type { Findings, FoundColumn } from './column-finder.ts';
import type { Instance } from '../instance.ts';

/** Items of the whole. */
export interface PooledLoad {
  items: readonly number[];
  cost: number;
}
/** What each item of the whole is worth, and any load at all. */
export interface Worths {
  worth: Float64Array;
  perLoad: number;
}
/** Columns handed over at once. */
const atOnce = 40;
const start = -1e-7;

/** The load as a branch sees it, whose items are groups of the whole; null for one that splits what must stay together or joins what must be apart. */
export function seenFrom(
  inst: Instance,
  groups: readonly (readonly number[])[],
  groupOf: readonly number[],
  items: readonly number[],
): number[] | null {
  const m = inst.items.length;
  const set = [...new Set(items.map((i) => groupOf[i] as number))].sort((a, b) => a - b);
  let whole = 0;
  for (const g of set) whole += (groups[g] as readonly number[]).length;
  if (whole !== items.length) return null;
  for (const a of set) for (const b of set) if (inst.apart[a * m + b]) return null;
  return set;
}

function reducedCost({ items, cost }: PooledLoad, { worth, perLoad }: Worths): number {
  let reduced = cost - perLoad;
  for (let k = 0; k < items.length; k++) reduced -= worth[items[k] as number] as number;
  return reduced;
}

export class ColumnList {
  private readonly columns: readonly PooledLoad[];
  constructor(columns: readonly PooledLoad[]) {
    this.columns = columns;
  }
  get size(): number {
    return this.columns.length;
  }
  /** Without the loads that hold one of the pair and not the other. */
  together([a, b]: readonly [number, number]): ColumnList {
    return new ColumnList(this.columns.filter(({ items }) => items.includes(a) === items.includes(b)));
  }
  /** Without the loads that hold both. */
  apart([a, b]: readonly [number, number]): ColumnList {
    return new ColumnList(this.columns.filter(({ items }) => !items.includes(a) || !items.includes(b)));
  }
  /** L9 of docs/solver.md. Without the loads of a reduced cost above this. */
  within(worths: Worths, reduced: number): ColumnList {
    return new ColumnList(this.columns.filter((column) => reducedCost(column, worths) <= reduced));
  }
  /** The loads of the least reduced cost. */
  nearest(worths: Worths, count: number): PooledLoad[] {
    return this.columns
      .map((column) => ({ column, reduced: reducedCost(column, worths) }))
      .sort((x, y) => x.reduced - y.reduced)
      .slice(0, count)
      .map(({ column }) => column);
  }
  /** The loads that are worth more than they cost, the best of them, and what none can beat. */
  find(worths: Worths): Findings {
    const found: FoundColumn[] = [];
    for (const column of this.columns) {
      const reduced = reducedCost(column, worths);
      if (reduced < start) found.push({ items: [...column.items], cost: column.cost, reduced });
    }
    found.sort((x, y) => x.reduced - y.reduced);
    return {
      columns: found.slice(0, atOnce),
      leastReduced: found[0]?.reduced ?? 0,
      exact: true,
      mayLookLonger: false,
      visited: 0,
    };
  }
}
