/** Columns that are all known: the loads that a better division could still use, written out. */
import type { ColumnSource, Findings, FoundColumn } from './column-finder.ts';
import type { Instance } from '../instance.ts';

export interface PooledLoad {
  items: readonly number[];
  cost: number;
}
/** Columns handed over at once. */
const atOnce = 40;
const start = -1e-7;

/** The loads as a branch sees them, whose items are groups of the whole; null for one that splits what must stay together or joins what must be apart. */
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

export class ColumnList implements ColumnSource {
  private readonly columns: readonly PooledLoad[];
  constructor(columns: readonly PooledLoad[]) {
    this.columns = columns;
  }
  /** The same list in a branch. */
  within(inst: Instance, groups: readonly (readonly number[])[], groupOf: readonly number[]): ColumnList {
    return new ColumnList(
      this.columns.flatMap(({ items, cost }) => {
        const set = seenFrom(inst, groups, groupOf, items);
        return set ? [{ items: set, cost }] : [];
      }),
    );
  }
  find(worth: Float64Array, perLoad: number): Findings {
    const found: FoundColumn[] = [];
    for (const { items, cost } of this.columns) {
      let reduced = cost - perLoad;
      for (const i of items) reduced -= worth[i] as number;
      if (reduced < start) found.push({ items: [...items], cost, reduced });
    }
    found.sort((x, y) => x.reduced - y.reduced);
    return { columns: found.slice(0, atOnce), leastReduced: found[0]?.reduced ?? 0, exact: true, visited: 0 };
  }
}
