/** L9 of docs/solver.md. All loads that a better division could use, written out, and the best division into them. */
import type { Division } from '../instance.ts';
import type { ColumnFinder } from './column-finder.ts';
import { ListProgram } from './list-program.ts';
import { ListedLoads } from './listed-loads.ts';
import type { Centre } from './relaxation.ts';

export interface WrittenEffort {
  /** Loads that are written out at most, and sets visited for it. */
  columns: number;
  visited: number;
  /** Branches looked at for the best division into them. */
  branches: number;
}
/** A division, and what none costs less than. */
export interface Bounded {
  division: Division;
  lowerBound: number;
}
/** Costs nearer than this, EUR, are the same. */
const hair = 1e-6;

/** The best division and its bound, by worths that no load exceeds, or what they were where the loads are too many. `told` answers true when it is enough. */
export function bestAmongWritten(
  finder: ColumnFinder,
  { worth, bound }: Centre,
  best: Division,
  { branches, ...most }: WrittenEffort,
  told: (lowerBound: number, cost: number) => boolean,
): Bounded {
  const loads = finder.allWithin(worth, best.cost - bound + hair, most);
  if (!loads) return { division: best, lowerBound: bound };
  const { inst } = finder;
  const program = new ListProgram(new ListedLoads(loads, inst.items.length), inst, best);
  program.onBound = (lowerBound, cost) => told(Math.max(bound, lowerBound), cost);
  const { division, lowerBound } = program.run(branches, worth, bound);
  return { division, lowerBound: Math.max(bound, lowerBound) };
}
