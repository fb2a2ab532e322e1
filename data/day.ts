/** The wash day as it is stored: its loads, what people said of its hours, what they were promised, and who may read it as a calendar. */
import { createHash, randomBytes } from 'node:crypto';
import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { PromisedTask } from '../core/timetable/moved.ts';
import type { DayAim } from '../core/timetable/timetable.ts';
import { database, type Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { newestPlanId, type LoadView } from './loads.ts';
import { calendarFeeds, dayPromises, dayWishes, loads, plans, treatments, wetPieces } from './schema.ts';

/** A load of the day, without the documents of its plan. */
export interface DayLoadRow {
  id: string;
  planId: string;
  number: number;
  status: LoadView['status'];
  added: string[];
  startedAt: Date | null;
  endsAt: Date | null;
  finishedAt: Date | null;
  measured: LoadView['measured'];
  walked: boolean;
  /** Of the plan that is the day's. */
  ofThePlan: boolean;
}
export type DayPlan = Pick<typeof plans.$inferSelect, 'id' | 'createdAt' | 'hamper' | 'result'>;

/** The loads of the newest plan, what runs or is planned beside it, and what has pieces between water and cupboard; with their plans, once each. */
export async function loadsOfDay(
  tx: Transaction,
): Promise<{ newest: string | null; loads: DayLoadRow[]; plans: Map<string, DayPlan> }> {
  const newest = await newestPlanId(tx);
  const wet = tx.select({ id: wetPieces.loadId }).from(wetPieces);
  const rows = await tx
    .select({
      id: loads.id,
      planId: loads.planId,
      number: loads.number,
      status: loads.status,
      added: loads.added,
      startedAt: loads.startedAt,
      endsAt: loads.endsAt,
      finishedAt: loads.finishedAt,
      measured: loads.measured,
      walked: sql<boolean>`${loads.walk} is not null`,
      aside: plans.aside,
    })
    .from(loads)
    .innerJoin(plans, eq(plans.id, loads.planId))
    .where(
      or(
        newest === null ? undefined : eq(loads.planId, newest),
        eq(loads.status, 'running'),
        and(eq(loads.status, 'planned'), eq(plans.aside, true)),
        and(eq(loads.status, 'finished'), inArray(loads.id, wet)),
      ),
    )
    .orderBy(asc(plans.createdAt), asc(loads.number));
  const ids = [...new Set([...rows.map((r) => r.planId), ...(newest ? [newest] : [])])];
  const documents =
    ids.length === 0
      ? []
      : await tx
          .select({ id: plans.id, createdAt: plans.createdAt, hamper: plans.hamper, result: plans.result })
          .from(plans)
          .where(inArray(plans.id, ids));
  return {
    newest,
    loads: rows.map(({ aside: _aside, ...r }) => ({ ...r, ofThePlan: r.planId === newest })),
    plans: new Map(documents.map((p) => [p.id, p])),
  };
}
/** When the marks of a piece were treated since a moment, the last of them. */
export async function treatedSince(tx: Transaction, since: Date): Promise<Map<string, Date>> {
  const rows = await tx
    .select({ garmentId: treatments.garmentId, closedAt: treatments.closedAt })
    .from(treatments)
    .where(and(isNotNull(treatments.closedAt), gt(treatments.closedAt, since)))
    .orderBy(asc(treatments.closedAt));
  return new Map(rows.flatMap((r) => (r.closedAt ? [[r.garmentId, r.closedAt] as const] : [])));
}

export type DayWish = Omit<typeof dayWishes.$inferSelect, 'householdId'>;
export const wishesOf = (tx: Transaction): Promise<DayWish[]> =>
  tx.select().from(dayWishes).orderBy(asc(dayWishes.saidAt), asc(dayWishes.id));
/** More than anybody says of a day. */
const mostWishes = 60;
/** Of a load, and of a task, the last word of its kind counts. False = too much was said. */
export async function addWish(tx: Transaction, householdId: string, wish: Omit<DayWish, 'id'>): Promise<boolean> {
  if (wish.kind !== 'out')
    await tx
      .delete(dayWishes)
      .where(
        and(
          eq(dayWishes.kind, wish.kind),
          wish.loadId === null ? isNull(dayWishes.loadId) : eq(dayWishes.loadId, wish.loadId),
          wish.task === null ? isNull(dayWishes.task) : eq(dayWishes.task, wish.task),
        ),
      );
  const said = await tx.select({ id: dayWishes.id }).from(dayWishes);
  if (said.length >= mostWishes) return false;
  await tx.insert(dayWishes).values({ householdId, ...wish });
  return true;
}
export async function dropWish(tx: Transaction, id: string): Promise<boolean> {
  if (!isUuid(id)) return false;
  return (await tx.delete(dayWishes).where(eq(dayWishes.id, id)).returning({ id: dayWishes.id })).length === 1;
}

export interface DayPromise {
  aim: DayAim;
  at: Date;
  tasks: PromisedTask[];
}
export async function promiseOfDay(tx: Transaction): Promise<DayPromise | null> {
  const [row] = await tx
    .select({ aim: dayPromises.aim, at: dayPromises.at, tasks: dayPromises.tasks })
    .from(dayPromises);
  return row ?? null;
}
export const keepPromise = async (tx: Transaction, householdId: string, promise: DayPromise): Promise<void> => {
  await tx
    .insert(dayPromises)
    .values({ householdId, ...promise })
    .onConflictDoUpdate({ target: dayPromises.householdId, set: promise });
};

export type CalendarFeed = Pick<typeof calendarFeeds.$inferSelect, 'id' | 'name' | 'createdAt' | 'lastReadAt'>;
export const digestOfFeed = (token: string): string => createHash('sha256').update(token).digest('hex');
/** An address nobody guesses: 32 random bytes, told once. */
export async function addFeed(tx: Transaction, householdId: string, name: string, at: Date): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await tx.insert(calendarFeeds).values({ householdId, name, tokenDigest: digestOfFeed(token), createdAt: at });
  return token;
}
export const feedsOf = (tx: Transaction): Promise<CalendarFeed[]> =>
  tx
    .select({
      id: calendarFeeds.id,
      name: calendarFeeds.name,
      createdAt: calendarFeeds.createdAt,
      lastReadAt: calendarFeeds.lastReadAt,
    })
    .from(calendarFeeds)
    .where(isNull(calendarFeeds.revokedAt))
    .orderBy(desc(calendarFeeds.createdAt));
/** The address opens nothing any more. */
export async function revokeFeed(tx: Transaction, id: string, at: Date): Promise<boolean> {
  if (!isUuid(id)) return false;
  const done = await tx
    .update(calendarFeeds)
    .set({ revokedAt: at })
    .where(and(eq(calendarFeeds.id, id), isNull(calendarFeeds.revokedAt)))
    .returning({ id: calendarFeeds.id });
  return done.length === 1;
}
/** Whose calendar an address opens; null = nobody's. */
export async function feedHome(token: string): Promise<{ householdId: string; feedId: string } | null> {
  const { rows } = await database().execute<{ household: string; feed: string }>(
    sql`select household, feed from calendar_home(${digestOfFeed(token)})`,
  );
  const [row] = rows;
  return row ? { householdId: row.household, feedId: row.feed } : null;
}
export const noteFeedRead = async (tx: Transaction, id: string, at: Date): Promise<void> => {
  await tx.update(calendarFeeds).set({ lastReadAt: at }).where(eq(calendarFeeds.id, id));
};
