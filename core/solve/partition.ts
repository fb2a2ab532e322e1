/**
 * The best division that loads met so far make up: a set-partition program, handed to an integer-programming library by whoever has one. Loads that
 * no better division can hold are left out beforehand.
 */
import type { Division } from './instance.ts';
import type { Generation } from './bounds/generation.ts';

/** Choose how often each load is washed, so that of every kind as many as there are of it are washed or wait, at least cost. */
export interface PartitionProgram {
  /** How many there are of each kind, and what one of it costs to put off; Infinity = must be washed. */
  counts: readonly number[];
  waitCosts: readonly number[];
  loads: readonly { kinds: readonly number[]; cost: number }[];
}
/** How often each load; null where none was found within the library's limits. */
export type PartitionSolver = (program: PartitionProgram) => readonly number[] | null;

/** So many loads for each kind are handed over, the cheapest above their worth. */
const loadsPerKind = 10;

/** L9 of docs/solver.md. A division better than `best`, made up of the loads that generation met; null where there is none. */
export function betterPartition(generation: Generation, best: Division, solver: PartitionSolver): Division | null {
  const open = best.cost - generation.worthBound;
  const loads = [...generation.loads.values()]
    .map((load) => ({ ...load, reduced: generation.reducedCost(load) }))
    .filter((load) => load.reduced < open)
    .sort((x, y) => x.reduced - y.reduced)
    .slice(0, loadsPerKind * generation.counts.length);
  const { counts, waitCosts } = generation;
  const times = solver({ counts, waitCosts, loads });
  if (!times) return null;
  const left = [...counts];
  const chosen = loads.flatMap((load, x) => Array.from({ length: times[x] ?? 0 }, () => load.kinds));
  const sets = generation.sharedOut(chosen);
  for (const kind of chosen.flat()) left[kind] = (left[kind] as number) - 1;
  if (left.some((x, k) => x < 0 || (x > 0 && waitCosts[k] === Infinity))) return null;
  const division = generation.divisionOf(sets);
  return division.cost < best.cost - leastBetter ? division : null;
}
const leastBetter = 1e-7;
