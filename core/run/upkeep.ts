/** Care of the machines: what is due by runs, by days and by the hardness of the water. Intervals are engineering estimates; the maker's manual wins. */
import type { Household, Product, Programme, Washer } from '../model/household.ts';

interface UpkeepFacts {
  of: 'washer' | 'dryer';
  /** Due after so many runs, and after so many days if there was any run; null = not counted so. */
  everyRuns: number | null;
  everyDays: number | null;
  /** Done as a run of its own, empty. */
  run: boolean;
}
export const upkeepFacts = {
  'hot-run': { of: 'washer', everyRuns: 20, everyDays: null, run: true },
  seal: { of: 'washer', everyRuns: 10, everyDays: 21, run: false },
  drawer: { of: 'washer', everyRuns: 20, everyDays: 42, run: false },
  filter: { of: 'washer', everyRuns: 60, everyDays: 120, run: false },
  descale: { of: 'washer', everyRuns: null, everyDays: null, run: true },
  'lint-filter': { of: 'dryer', everyRuns: 1, everyDays: null, run: false },
  duct: { of: 'dryer', everyRuns: null, everyDays: 365, run: false },
} as const satisfies Record<string, UpkeepFacts>;
export type UpkeepTask = keyof typeof upkeepFacts;
export const upkeepTasks = Object.keys(upkeepFacts) as UpkeepTask[];

/** From here on a run is hot enough to clean the machine, °C. */
export const hotFromC = 60;
/** Millimoles per litre times runs until a scale remover is due; below the least hardness none is. */
const scaleRuns = 240;
const leastScalingMmolPerL = 1.5;
/** @example descaleEveryRuns(3) // 80 */
export const descaleEveryRuns = (hardnessMmolPerL: number): number | null =>
  hardnessMmolPerL < leastScalingMmolPerL ? null : Math.round(scaleRuns / hardnessMmolPerL);

export interface UpkeepCount {
  /** Runs since it was done last, or since there are records. */
  runs: number;
  /** Days since it was done; null = nobody noted it yet. */
  days: number | null;
}
export interface UpkeepDue {
  task: UpkeepTask;
  runs: number;
  everyRuns: number | null;
  days: number | null;
  everyDays: number | null;
  /** 1 = due; more = overdue. */
  share: number;
  state: 'fine' | 'soon' | 'due' | 'overdue';
}
const soonFrom = 0.8;
const overdueFrom = 1.5;
const day = 86_400_000;

/** What is due at a machine, the most pressing first. */
export function upkeepDue(
  of: 'washer' | 'dryer',
  counts: Readonly<Partial<Record<UpkeepTask, UpkeepCount>>>,
  hardnessMmolPerL: number,
): UpkeepDue[] {
  return upkeepTasks
    .filter((t) => upkeepFacts[t].of === of)
    .flatMap((task): UpkeepDue[] => {
      const facts = upkeepFacts[task];
      const everyRuns = task === 'descale' ? descaleEveryRuns(hardnessMmolPerL) : facts.everyRuns;
      const { everyDays } = facts;
      if (everyRuns === null && everyDays === null) return [];
      const { runs, days } = counts[task] ?? { runs: 0, days: null };
      const share = Math.max(
        everyRuns === null ? 0 : runs / everyRuns,
        everyDays === null || days === null || runs === 0 ? 0 : days / everyDays,
      );
      const state = share >= overdueFrom ? 'overdue' : share >= 1 ? 'due' : share >= soonFrom ? 'soon' : 'fine';
      return [{ task, runs, everyRuns, days, everyDays, share, state }];
    })
    .sort((a, b) => b.share - a.share);
}
export const daysBetween = (from: Date, to: Date): number => Math.max(0, (to.getTime() - from.getTime()) / day);

export interface UpkeepRun {
  programme: Programme;
  temperatureC: number;
  minutes: number;
  /** What goes in besides water; null = nothing, or what the maker names. */
  product: Product | null;
}
const cleaningClasses = ['universal', 'oxygen-bleach'] as const;
const scaleClass = 'citric-acid';
/** How a maintenance run is run on a washer: empty, its hottest programme; null = nothing here is hot enough. */
export function upkeepRun(washer: Washer, task: UpkeepTask, household: Household): UpkeepRun | null {
  if (!upkeepFacts[task].run) return null;
  const hottest = washer.programmes
    .filter((p) => !['wool', 'silk', 'hand-wash', 'delicate', 'rinse-spin'].includes(p.family))
    .map((programme) => ({ programme, temperatureC: Math.max(...programme.temperaturesC) }))
    .sort((a, b) => b.temperatureC - a.temperatureC || a.programme.durationMin - b.programme.durationMin)[0];
  if (!hottest || hottest.temperatureC < hotFromC) return null;
  const { products } = household;
  const product =
    task === 'descale'
      ? (products.find((p) => p.class === scaleClass) ?? null)
      : (products.find((p) => p.form === 'powder' && (cleaningClasses as readonly string[]).includes(p.class)) ?? null);
  return { ...hottest, minutes: hottest.programme.durationMin, product };
}
