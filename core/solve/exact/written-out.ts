/** L9 of docs/solver.md. All loads that a better division could use, written out, and the best division into them. */
import { divisionOf, type Division, type Pricer } from '../instance.ts';
import type { KindLoads } from '../kinds.ts';
import type { ColumnFinder } from './column-finder.ts';
import { ListProgram, type ListEffort } from './list-program.ts';
import { ListedLoads } from './listed-loads.ts';
import type { Centre } from './relaxation.ts';

export interface WrittenEffort {
  /** Loads that are written out at most, and sets visited for it. */
  columns: number;
  visited: number;
  /** For the best division into them. */
  list: ListEffort;
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
  known: KindLoads,
  pricer: Pricer,
  { worth, bound }: Centre,
  best: Division,
  { list, ...most }: WrittenEffort,
  told: (lowerBound: number, cost: number) => boolean,
): Bounded {
  const found = finder.allWithin(known.worthOfItems(worth), best.cost - bound + hair, most, () =>
    told(bound, best.cost),
  );
  if (!found) return { division: best, lowerBound: bound };
  const loads = found.map(({ items, cost }) => ({ kinds: known.kindsOf(items), cost }));
  const ofKinds = { loads: best.loads.map((items) => known.kindsOf(items)), cost: best.cost };
  const program = new ListProgram(new ListedLoads(loads, known.kinds.length), known, ofKinds);
  program.onBound = (lowerBound, cost) => told(Math.max(bound, lowerBound), cost);
  const { division, lowerBound } = program.run(list, worth, bound);
  return {
    division: division === ofKinds ? best : divisionOf(known.inst, pricer, known.sharedOut(division.loads)),
    lowerBound: Math.max(bound, lowerBound),
  };
}
