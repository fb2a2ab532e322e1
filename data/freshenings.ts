/** Pieces that are freshened without water: what was begun, which steps are done, how it ended. */
import { and, eq, isNull, sql } from 'drizzle-orm';
import type { FreshenEnd, FreshenStep, FreshenWay } from '../core/freshen/task.ts';
import type { Transaction } from './client.ts';
import { freshenings } from './schema.ts';

export type Freshening = Omit<typeof freshenings.$inferSelect, 'householdId'>;
const underWay = isNull(freshenings.endedAt);

export async function fresheningOf(tx: Transaction, garmentId: string): Promise<Freshening | null> {
  const [row] = await tx
    .select()
    .from(freshenings)
    .where(and(eq(freshenings.garmentId, garmentId), underWay));
  return row ?? null;
}
/** false = it is under way already. */
export async function beginFreshening(
  tx: Transaction,
  householdId: string,
  garmentId: string,
  way: FreshenWay,
  at: Date,
): Promise<boolean> {
  const made = await tx
    .insert(freshenings)
    .values({ householdId, garmentId, way, startedAt: at })
    .onConflictDoNothing()
    .returning({ id: freshenings.id });
  return made.length === 1;
}
/** A step is done; the one with a clock starts it. */
export async function stepFreshening(
  tx: Transaction,
  garmentId: string,
  step: FreshenStep,
  clockEndsAt: Date | null,
): Promise<boolean> {
  const done = await tx
    .update(freshenings)
    .set({ done: sql`array_append(done, ${step})`, ...(clockEndsAt ? { clockEndsAt } : {}) })
    .where(and(eq(freshenings.garmentId, garmentId), underWay, sql`not ${step} = any(done)`))
    .returning({ id: freshenings.id });
  return done.length === 1;
}
/** null as `ending` = it was broken off. */
export async function endFreshening(
  tx: Transaction,
  garmentId: string,
  ending: FreshenEnd | null,
  at: Date,
): Promise<boolean> {
  const done = await tx
    .update(freshenings)
    .set({ endedAt: at, ending })
    .where(and(eq(freshenings.garmentId, garmentId), underWay))
    .returning({ id: freshenings.id });
  return done.length === 1;
}
