/**
 * The restricted master problem of column generation, by the revised primal simplex method: min c·x with every row
 * covered exactly once, x ≥ 0. The basis is kept as an explicit inverse; right-hand sides are shifted a hair apart so
 * that it does not cycle on the many ties of set partitioning.
 */
const zero = 1e-9;
/** Pivots after which the duals are computed afresh: kept up to date from pivot to pivot, they drift by rounding. */
const refreshAfter = 40;

/** Above every sensible price of covering one row, EUR. */
export const artificialCost = 1e5;
/** Columns worth less than this above their cost, EUR, change little. */
export const leastOver = 1e-3;

/** Coefficient 1 in `rows`, −1 in `minusRow`. */
export interface Column {
  rows: readonly number[];
  cost: number;
  minusRow?: number;
}

/** Columns, and rows of columns, that a fresh master has room for. */
const firstPlaces = 1_024;
/** A longer list that begins with all of a shorter one. */
function longer<List extends Float64Array | Int32Array | Uint8Array>(list: List, fresh: List): List {
  fresh.set(list);
  return fresh;
}

export class RestrictedMaster {
  readonly rows: number;
  private readonly columns: Column[] = [];
  /** The same in lists of numbers, which every step goes through: costs, rows one after another, and where those of each column begin. */
  private costs = new Float64Array(firstPlaces);
  private rowsOf = new Int32Array(firstPlaces);
  private starts = new Int32Array(firstPlaces);
  private minusRows = new Int32Array(firstPlaces);
  private inBasis = new Uint8Array(firstPlaces);
  private readonly basis: number[] = [];
  private readonly inverse: Float64Array;
  private readonly level: Float64Array;
  private readonly direction: Float64Array;
  private readonly pi: Float64Array;
  /** Places of what is not zero in the row of a pivot. */
  private readonly filled: Int32Array;
  /** `artificialCost` is above every sensible price of covering one row. */
  constructor(rightSides: readonly number[], artificialCost: number) {
    const rows = rightSides.length;
    this.rows = rows;
    this.inverse = new Float64Array(rows * rows);
    this.level = new Float64Array(rows);
    this.direction = new Float64Array(rows);
    this.pi = new Float64Array(rows);
    this.filled = new Int32Array(rows);
    for (let i = 0; i < rows; i++) {
      this.basis.push(this.add({ rows: [i], cost: artificialCost }));
      this.inBasis[i] = 1;
      this.inverse[i * rows + i] = 1;
      this.level[i] = (rightSides[i] ?? 1) + (((i * 7919 + 13) % 997) / 997) * 1e-6;
    }
  }
  /** Index of the new column. */
  add(column: Column): number {
    const index = this.columns.push(column) - 1;
    const start = this.starts[index] as number;
    const end = start + column.rows.length;
    if (index + 2 > this.costs.length) {
      this.costs = longer(this.costs, new Float64Array(2 * index + 2));
      this.starts = longer(this.starts, new Int32Array(2 * index + 2));
      this.minusRows = longer(this.minusRows, new Int32Array(2 * index + 2));
      this.inBasis = longer(this.inBasis, new Uint8Array(2 * index + 2));
    }
    if (end > this.rowsOf.length) this.rowsOf = longer(this.rowsOf, new Int32Array(2 * end));
    this.rowsOf.set(column.rows, start);
    this.starts[index + 1] = end;
    this.costs[index] = column.cost;
    this.minusRows[index] = column.minusRow ?? -1;
    return index;
  }
  /** A column costs something else from the next optimisation on. */
  reprice(index: number, cost: number): void {
    if (this.costs[index] === cost) return;
    this.costs[index] = cost;
    this.columns[index] = { ...(this.columns[index] as Column), cost };
  }
  get size(): number {
    return this.columns.length;
  }
  column(index: number): Column | undefined {
    return this.columns[index];
  }
  /** Bring columns into use before the first optimisation, as far as they go together: a good start saves most of the steps. */
  begin(indices: readonly number[]): void {
    for (const index of indices) {
      if (this.inBasis[index]) continue;
      this.directionOf(index);
      const leaving = this.leaving();
      if (leaving >= 0 && !indices.includes(this.basis[leaving] as number))
        this.pivot(leaving, index, (this.level[leaving] as number) / (this.direction[leaving] as number));
    }
  }
  /** The row whose column is used up first when the one of the direction comes in; −1 = none is. */
  private leaving(): number {
    const { rows: m, direction, level, basis } = this;
    let leaving = -1;
    let ratio = Infinity;
    for (let i = 0; i < m; i++) {
      const d = direction[i] as number;
      if (d <= zero) continue;
      const q = (level[i] as number) / d;
      const tie = q < ratio + 1e-12 && leaving >= 0 && (basis[i] as number) < (basis[leaving] as number);
      if (q < ratio - 1e-12 || tie) {
        ratio = q;
        leaving = i;
      }
    }
    return leaving;
  }

  private refreshDuals(): void {
    const { rows: m, pi, inverse } = this;
    pi.fill(0);
    for (let i = 0; i < m; i++) {
      const c = this.costs[this.basis[i] as number] as number;
      if (c !== 0) for (let j = 0; j < m; j++) pi[j] = (pi[j] as number) + c * (inverse[i * m + j] as number);
    }
  }
  private reducedCost(index: number): number {
    const { pi, starts, rowsOf } = this;
    const end = starts[index + 1] as number;
    let reduced = this.costs[index] as number;
    for (let k = starts[index] as number; k < end; k++) reduced -= pi[rowsOf[k] as number] as number;
    const minusRow = this.minusRows[index] as number;
    return minusRow < 0 ? reduced : reduced + (pi[minusRow] as number);
  }
  private directionOf(index: number): void {
    const { rows: m, direction, inverse } = this;
    const { rows, minusRow } = this.columns[index] as Column;
    for (let i = 0; i < m; i++) {
      let d = 0;
      for (let k = 0; k < rows.length; k++) d += inverse[i * m + (rows[k] as number)] as number;
      direction[i] = minusRow === undefined ? d : d - (inverse[i * m + minusRow] as number);
    }
  }
  /** Optimise over the columns so far; returns the duals. */
  optimise(): Float64Array {
    const { rows: m, direction, level } = this;
    for (let step = 0; step < 20_000; step++) {
      if (step % refreshAfter === 0) this.refreshDuals();
      let entering = -1;
      let most = -1e-8;
      for (let k = 0; k < this.columns.length; k++) {
        if (this.inBasis[k]) continue;
        const reduced = this.reducedCost(k);
        if (reduced < most) {
          most = reduced;
          entering = k;
        }
      }
      if (entering < 0) {
        if (step % refreshAfter === 0) break;
        step += refreshAfter - 1 - (step % refreshAfter); // look once more with fresh duals
        continue;
      }
      this.directionOf(entering);
      const leaving = this.leaving();
      if (leaving < 0) break; // unbounded cannot happen: every column covers a row
      this.pivot(leaving, entering, (level[leaving] as number) / (direction[leaving] as number));
      for (let j = 0; j < m; j++)
        this.pi[j] = (this.pi[j] as number) + most * (this.inverse[leaving * m + j] as number);
    }
    return this.pi.slice();
  }
  private pivot(leaving: number, entering: number, ratio: number): void {
    const { rows: m, inverse, direction, level } = this;
    const { filled } = this;
    const d = direction[leaving] as number;
    const from = leaving * m;
    let count = 0;
    for (let j = 0; j < m; j++) {
      const x = inverse[from + j] as number;
      if (x === 0) continue;
      inverse[from + j] = x / d;
      filled[count++] = j;
    }
    for (let i = 0; i < m; i++) {
      const f = direction[i] as number;
      if (i === leaving || f === 0) continue;
      const to = i * m;
      for (let k = 0; k < count; k++) {
        const j = filled[k] as number;
        inverse[to + j] = (inverse[to + j] as number) - f * (inverse[from + j] as number);
      }
      level[i] = Math.max(0, (level[i] as number) - f * ratio);
    }
    level[leaving] = ratio;
    this.inBasis[this.basis[leaving] as number] = 0;
    this.inBasis[entering] = 1;
    this.basis[leaving] = entering;
  }
  /** Columns in use with their shares. */
  solution(): { column: Column; index: number; share: number }[] {
    return this.basis.flatMap((index, i) => {
      const share = this.level[i] as number;
      const column = this.columns[index];
      return column && share > 1e-5 ? [{ column, index, share }] : [];
    });
  }
}
