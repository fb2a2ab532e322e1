/**
 * The best division that loads met so far make up: a set-partition program, handed to an integer-programming library by whoever has one. Loads that
 * no better division can hold are left out beforehand.
 */
/** Choose how often each load is washed, so that of every kind as many as there are of it are washed or wait, at least cost. */
export interface PartitionProgram {
  /** How many there are of each kind, and what one of it costs to put off; Infinity = must be washed. */
  counts: readonly number[];
  waitCosts: readonly number[];
  loads: readonly { kinds: readonly number[]; cost: number }[];
}
/** How often each load; null where none was found within the library's limits. */
export type PartitionSolver = (program: PartitionProgram) => readonly number[] | null;

/** Loads met, and worths of the kinds with the bound that they prove. */
export interface KnownLoads extends PartitionProgram {
  worth: Float64Array;
  bound: number;
  /** The loads of the best division known. */
  best: readonly (readonly number[])[];
}

/** So many loads for each kind are handed over, the cheapest above their worth. */
const loadsPerKind = 10;

/** L9 of docs/solver.md. The loads, by their kinds, of a division of the loads met that may be better than one of `cost`; null where there is none. */
export function betterPartition(
  { counts, waitCosts, loads: all, best, worth, bound }: KnownLoads,
  cost: number,
  solver: PartitionSolver,
): (readonly number[])[] | null {
  const isBest = new Set(best.map((kinds) => kinds.join(',')));
  const loads = all
    .map((load) => ({ ...load, reduced: load.kinds.reduce((t, k) => t - (worth[k] as number), load.cost) }))
    // With the loads of the best division, so that the program always has an answer.
    .map((load) => ({ ...load, kept: isBest.has(load.kinds.join(',')) }))
    .filter((load) => load.kept || load.reduced < cost - bound)
    .sort((x, y) => x.reduced - y.reduced)
    .filter((load, x) => load.kept || x < loadsPerKind * counts.length);
  const times = solver({ counts, waitCosts, loads });
  if (!times) return null;
  const left = [...counts];
  const chosen = loads.flatMap((load, x) => Array.from({ length: times[x] ?? 0 }, () => load.kinds));
  for (const kind of chosen.flat()) left[kind] = (left[kind] as number) - 1;
  return left.some((x, k) => x < 0 || (x > 0 && waitCosts[k] === Infinity)) ? null : chosen;
}
