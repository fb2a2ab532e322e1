/** What a piece costs: each time it is worn, and each year. */

export interface Owned {
  id: string;
  /** What it cost to buy, or is worth. */
  value: number;
  /** Ever. */
  wears: number;
  /** Spent on its care, and over how many days that is known. */
  care: number;
  careDays: number;
}
export interface Worth {
  id: string;
  /** If it were never worn again; null = never worn. */
  perWear: number | null;
  carePerYear: number;
}
const yearDays = 365;
/** Shorter than this nothing is said of a year. */
const leastDays = 28;

/** @example worthOf({ id: 'a', value: 40, wears: 20, care: 2, careDays: 182.5 }) // { perWear: 2.1, carePerYear: 4 } */
export const worthOf = (o: Owned): Worth => ({
  id: o.id,
  perWear: o.wears > 0 ? (o.value + o.care) / o.wears : null,
  carePerYear: (o.care * yearDays) / Math.max(leastDays, o.careDays),
});

export interface Stock {
  usedPerDay: number;
  /** Days until the bottle is empty; null = nothing is used of it, or nobody knows what is left. */
  days: number | null;
}
/** @example stockOf({ used: 560, days: 56, left: 200 }).days // 20 */
export function stockOf({ used, days, left }: { used: number; days: number; left: number | null }): Stock {
  const usedPerDay = days > 0 ? used / days : 0;
  return { usedPerDay, days: left === null || usedPerDay <= 0 ? null : left / usedPerDay };
}

/** What was foretold of marks, in the bands the bench speaks in, and what became of them. */
export interface OddsBand {
  from: number;
  to: number;
  marks: number;
  /** Mean of what was foretold and of what happened, 0–1; null = no marks. */
  foretold: number | null;
  came: number | null;
}
export function oddsBands(
  marks: readonly { odds: number; outcome: number }[],
  /** Lower ends, rising, 0–1. */
  from: readonly number[],
): OddsBand[] {
  return from.map((low, k) => {
    const high = from[k + 1] ?? 1;
    const here = marks.filter((m) => m.odds >= low && (m.odds < high || (high === 1 && m.odds <= 1)));
    const mean = (of: (m: { odds: number; outcome: number }) => number): number | null =>
      here.length === 0 ? null : here.reduce((t, m) => t + of(m), 0) / here.length;
    return { from: low, to: high, marks: here.length, foretold: mean((m) => m.odds), came: mean((m) => m.outcome) };
  });
}
