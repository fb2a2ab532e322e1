/**
 * The restricted master problem of column generation: min c·x with every row covered exactly once, x ≥ 0. A revised simplex with an explicit
 * inverse; right-hand sides are shifted a hair apart so that it does not cycle on the many ties of set partitioning.
 */
const zero = 1e-9;

/** Coefficient 1 in `rows`, −1 in `minusRow`. */
export interface Column { rows: readonly number[]; cost: number; minusRow?: number }

export class Master {
  readonly rows: number;
  private readonly columns: Column[] = [];
  private readonly basis: number[] = [];
  private readonly inverse: Float64Array;
  private readonly level: Float64Array;
  private readonly inBasis = new Set<number>();
  /** `artificialCost` is above every sensible price of covering one row. */
  constructor(rightSides: readonly number[], artificialCost: number) {
    const rows = rightSides.length;
    this.rows = rows;
    this.inverse = new Float64Array(rows * rows);
    this.level = new Float64Array(rows);
    for (let i = 0; i < rows; i++) {
      this.columns.push({ rows: [i], cost: artificialCost });
      this.basis.push(i);
      this.inBasis.add(i);
      this.inverse[i * rows + i] = 1;
      this.level[i] = (rightSides[i] ?? 1) + (((i * 7919 + 13) % 997) / 997) * 1e-6;
    }
  }
  add(column: Column): void {
    this.columns.push(column);
  }
  get size(): number {
    return this.columns.length;
  }
  column(index: number): Column | undefined {
    return this.columns[index];
  }

  duals(): Float64Array {
    const m = this.rows;
    const pi = new Float64Array(m);
    for (let i = 0; i < m; i++) {
      const c = this.columns[this.basis[i] as number]?.cost ?? 0;
      if (c === 0) continue;
      for (let j = 0; j < m; j++) pi[j] = (pi[j] as number) + c * (this.inverse[i * m + j] as number);
    }
    return pi;
  }
  /** Optimise over the columns so far; returns the duals. */
  optimise(): Float64Array {
    const m = this.rows;
    for (let step = 0; step < 20_000; step++) {
      const pi = this.duals();
      let entering = -1;
      let most = -1e-8;
      for (let k = 0; k < this.columns.length; k++) {
        if (this.inBasis.has(k)) continue;
        const c = this.columns[k] as Column;
        let reduced = c.cost;
        for (const r of c.rows) reduced -= pi[r] as number;
        if (c.minusRow !== undefined) reduced += pi[c.minusRow] as number;
        if (reduced < most) { most = reduced; entering = k; }
      }
      if (entering < 0) return pi;
      const direction = new Float64Array(m);
      const { rows, minusRow } = this.columns[entering] as Column;
      for (const r of rows) for (let i = 0; i < m; i++) direction[i] = (direction[i] as number) + (this.inverse[i * m + r] as number);
      if (minusRow !== undefined) for (let i = 0; i < m; i++) direction[i] = (direction[i] as number) - (this.inverse[i * m + minusRow] as number);
      let leaving = -1;
      let ratio = Infinity;
      for (let i = 0; i < m; i++) {
        const d = direction[i] as number;
        if (d > zero) {
          const q = (this.level[i] as number) / d;
          if (q < ratio - 1e-12 || (q < ratio + 1e-12 && leaving >= 0 && (this.basis[i] as number) < (this.basis[leaving] as number))) { ratio = q; leaving = i; }
        }
      }
      if (leaving < 0) return pi; // unbounded cannot happen: every column covers a row
      this.pivot(leaving, entering, direction, ratio);
    }
    return this.duals();
  }
  private pivot(leaving: number, entering: number, direction: Float64Array, ratio: number): void {
    const m = this.rows;
    const d = direction[leaving] as number;
    for (let j = 0; j < m; j++) this.inverse[leaving * m + j] = (this.inverse[leaving * m + j] as number) / d;
    for (let i = 0; i < m; i++) {
      const f = direction[i] as number;
      if (i === leaving || f === 0) continue;
      for (let j = 0; j < m; j++) this.inverse[i * m + j] = (this.inverse[i * m + j] as number) - f * (this.inverse[leaving * m + j] as number);
      this.level[i] = Math.max(0, (this.level[i] as number) - f * ratio);
    }
    this.level[leaving] = ratio;
    this.inBasis.delete(this.basis[leaving] as number);
    this.inBasis.add(entering);
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
