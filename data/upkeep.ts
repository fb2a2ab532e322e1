/** Care of the machines: what was done when, and how many runs there were since. */
import { and, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import { daysBetween, hotFromC, upkeepTasks, type UpkeepCount, type UpkeepTask } from '../core/run/upkeep.ts';
import type { Transaction } from './client.ts';
import type { Writer } from './events.ts';
import { isUuid } from './ids.ts';
import { dryerRuns, loads, upkeeps } from './schema.ts';

export type Upkeep = Pick<typeof upkeeps.$inferSelect, 'id' | 'machine' | 'task' | 'startedAt' | 'endsAt' | 'doneAt'>;
const columns = {
  id: upkeeps.id,
  machine: upkeeps.machine,
  task: upkeeps.task,
  startedAt: upkeeps.startedAt,
  endsAt: upkeeps.endsAt,
  doneAt: upkeeps.doneAt,
};
/** Finished runs of washers and dryers: when, how hot the water was. */
async function machineRuns(tx: Transaction): Promise<{ machine: string; at: Date; celsius: number }[]> {
  const rows = await tx
    .select({ run: loads.run, at: loads.finishedAt })
    .from(loads)
    .where(eq(loads.status, 'finished'));
  const dried = await tx
    .select({ machine: dryerRuns.dryer, at: dryerRuns.endedAt })
    .from(dryerRuns)
    .where(isNotNull(dryerRuns.endedAt));
  return [
    ...rows.flatMap(({ run, at }) =>
      run.washer && at ? [{ machine: run.washer, at, celsius: run.temperatureC }] : [],
    ),
    ...dried.flatMap(({ machine, at }) => (at ? [{ machine, at, celsius: 0 }] : [])),
  ];
}
const newestOf = (dates: readonly Date[]): Date | null =>
  dates.reduce<Date | null>((a, b) => (a && a > b ? a : b), null);

export type UpkeepCounts = Partial<Record<UpkeepTask, UpkeepCount>>;
/** Runs and days since each task was done, by machine. A hot load is as good as a hot run. */
export async function upkeepCounts(
  tx: Transaction,
  machines: readonly string[],
  now: Date,
): Promise<Map<string, UpkeepCounts>> {
  const runs = await machineRuns(tx);
  const done = await tx.select(columns).from(upkeeps).where(isNotNull(upkeeps.doneAt));
  return new Map(
    machines.map((machine) => {
      const own = runs.filter((r) => r.machine === machine);
      const counts: UpkeepCounts = {};
      for (const task of upkeepTasks) {
        const dates = done.filter((d) => d.machine === machine && d.task === task).flatMap((d) => d.doneAt ?? []);
        if (task === 'hot-run') dates.push(...own.filter((r) => r.celsius >= hotFromC).map((r) => r.at));
        const last = newestOf(dates);
        counts[task] = {
          runs: own.filter((r) => last === null || r.at > last).length,
          days: last && daysBetween(last, now),
        };
      }
      return [machine, counts];
    }),
  );
}
/** Runs of care that are under way. */
export const upkeepUnderWay = (tx: Transaction): Promise<Upkeep[]> =>
  tx.select(columns).from(upkeeps).where(isNull(upkeeps.doneAt)).orderBy(desc(upkeeps.startedAt));
/** Begin a run of care; false when one is under way on that machine. */
export async function beginUpkeep(
  { tx, householdId, actor }: Writer,
  run: { machine: string; task: UpkeepTask; startedAt: Date; endsAt: Date },
): Promise<boolean> {
  const begun = await tx
    .insert(upkeeps)
    .values({ householdId, actor, ...run })
    .onConflictDoNothing()
    .returning({ id: upkeeps.id });
  return begun.length === 1;
}
export async function noteUpkeep(
  { tx, householdId, actor }: Writer,
  machine: string,
  task: UpkeepTask,
  at: Date,
): Promise<void> {
  await tx.insert(upkeeps).values({ householdId, actor, machine, task, startedAt: at, doneAt: at });
}
/** A run of care is over, or was not run at all; false when it was ended elsewhere. */
export async function endUpkeep(tx: Transaction, id: string, doneAt: Date | null): Promise<boolean> {
  if (!isUuid(id)) return false;
  const open = and(eq(upkeeps.id, id), isNull(upkeeps.doneAt));
  const ended = doneAt
    ? await tx.update(upkeeps).set({ doneAt }).where(open).returning({ id: upkeeps.id })
    : await tx.delete(upkeeps).where(open).returning({ id: upkeeps.id });
  return ended.length === 1;
}
