/**
 * Work that goes on behind the pages, as its household keeps it: ordered, begun by one of the servers, how far it is, stopped, done.
 *
 * Whoever works at it shows a sign of life every second. Work without one is ordered anew, and whoever had it finds at their next sign that it
 * is no longer theirs: of two at most one stores anything.
 */
import { and, desc, eq, inArray, lt, sql } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { desk } from './desk.ts';
import { works, type workKinds, type workStates } from './schema.ts';

export type WorkKind = (typeof workKinds)[number];
export type WorkState = (typeof workStates)[number];
export interface Work {
  id: string;
  kind: WorkKind;
  subject: string;
  state: WorkState;
  /** How much it is: pieces. */
  size: number;
  progress: Record<string, unknown> | null;
  problem: string | null;
  createdAt: Date;
}
const shown = {
  id: works.id,
  kind: works.kind,
  subject: works.subject,
  state: works.state,
  size: works.size,
  progress: works.progress,
  problem: works.problem,
  createdAt: works.createdAt,
};
const underWay = inArray(works.state, ['queued', 'active']);
/** What is over is kept so long, for whoever still waits for it. */
const keptMs = 2 * 86_400_000;

/** Order work; what is under way of its kind and subject is stopped. Answers its id, which opens the household to whoever works at it. */
export async function orderWork(
  tx: Transaction,
  householdId: string,
  work: { kind: WorkKind; subject?: string; size?: number; input: Record<string, unknown> },
  now: Date,
): Promise<string> {
  const { kind, subject = '', size = 0, input } = work;
  await stopWork(tx, kind, subject, now);
  await tx.delete(works).where(lt(works.endedAt, new Date(now.getTime() - keptMs)));
  const [row] = await tx
    .insert(works)
    .values({ householdId, kind, subject, size, input, createdAt: now, dueAt: now })
    .returning({ id: works.id });
  if (!row) throw new Error('the work was not stored');
  return row.id;
}
export async function stopWork(tx: Transaction, kind: WorkKind, subject: string, now: Date): Promise<void> {
  await tx
    .update(works)
    .set({ state: 'stopped', endedAt: now })
    .where(and(eq(works.kind, kind), eq(works.subject, subject), underWay));
}
/** Stop whatever is under way of a kind. */
export async function stopAll(tx: Transaction, kind: WorkKind, now: Date): Promise<void> {
  await tx
    .update(works)
    .set({ state: 'stopped', endedAt: now })
    .where(and(eq(works.kind, kind), underWay));
}
export async function workUnderWay(tx: Transaction, kind: WorkKind, subject = ''): Promise<Work | null> {
  const [row] = await tx
    .select(shown)
    .from(works)
    .where(and(eq(works.kind, kind), eq(works.subject, subject), underWay));
  return row ?? null;
}
export async function findWork(tx: Transaction, id: string): Promise<Work | null> {
  const [row] = await tx.select(shown).from(works).where(eq(works.id, id));
  return row ?? null;
}
/** What was ordered. */
export async function inputOf(tx: Transaction, id: string): Promise<Record<string, unknown> | null> {
  const [row] = await tx.select({ input: works.input }).from(works).where(eq(works.id, id));
  return row?.input ?? null;
}
/** What came of the newest work of a kind and subject that is done. */
export async function newestResult(tx: Transaction, kind: WorkKind, subject: string): Promise<Done | null> {
  const [row] = await tx
    .select({ input: works.input, result: works.result })
    .from(works)
    .where(and(eq(works.kind, kind), eq(works.subject, subject), eq(works.state, 'done')))
    .orderBy(desc(works.createdAt))
    .limit(1);
  return row ?? null;
}
export interface Done {
  input: Record<string, unknown>;
  result: unknown;
}

export interface Begun {
  id: string;
  kind: WorkKind;
  subject: string;
  input: Record<string, unknown>;
  /** Which try this is: only the newest may store what it found. */
  tries: number;
}
/** Begin: null = somebody else has it, or it was stopped. */
export async function beginWork(tx: Transaction, id: string, now: Date): Promise<Begun | null> {
  const [row] = await tx
    .update(works)
    .set({ state: 'active', beatAt: now, tries: sql`${works.tries} + 1` })
    .where(and(eq(works.id, id), eq(works.state, 'queued')))
    .returning({ id: works.id, kind: works.kind, subject: works.subject, input: works.input, tries: works.tries });
  return row ?? null;
}
const mine = (w: Begun) => and(eq(works.id, w.id), eq(works.state, 'active'), eq(works.tries, w.tries));
const one = (rows: unknown[]): boolean => rows.length === 1;
/** A sign of life, and how far it is. Answers whether the best so far is enough; null when it was stopped or taken over meanwhile. */
export async function beat(
  tx: Transaction,
  w: Begun,
  progress: Record<string, unknown> | null,
  now: Date,
): Promise<{ enough: boolean } | null> {
  const [row] = await tx
    .update(works)
    .set({ beatAt: now, ...(progress ? { progress } : {}) })
    .where(mine(w))
    .returning({ enough: works.enough });
  return row ?? null;
}
/** Whether it is still theirs who work at it. */
export const isUnderWay = async (tx: Transaction, w: Begun): Promise<boolean> =>
  one(await tx.select({ id: works.id }).from(works).where(mine(w)));
/** The best so far is enough. */
export async function askEnough(tx: Transaction, kind: WorkKind, subject = ''): Promise<void> {
  await tx
    .update(works)
    .set({ enough: true })
    .where(and(eq(works.kind, kind), eq(works.subject, subject), underWay));
}
/** It is done, if it still is theirs who did it: what came of it is stored in the same transaction. */
export async function finishWork(tx: Transaction, w: Begun, result: unknown, now: Date): Promise<boolean> {
  const done = one(
    await tx.update(works).set({ state: 'done', result, endedAt: now }).where(mine(w)).returning({ id: works.id }),
  );
  // Of what is done, one result of its kind and subject is kept.
  if (done)
    await tx
      .delete(works)
      .where(
        and(eq(works.kind, w.kind), eq(works.subject, w.subject), eq(works.state, 'done'), sql`${works.id} <> ${w.id}`),
      );
  return done;
}
export const failWork = async (tx: Transaction, w: Begun, problem: string, now: Date): Promise<void> => {
  await tx.update(works).set({ state: 'failed', problem, endedAt: now }).where(mine(w));
};
/** Put it back: another server begins it anew. */
export const returnWork = async (tx: Transaction, w: Begun): Promise<void> => {
  await tx.update(works).set({ state: 'queued' }).where(mine(w));
};

export interface Orphan {
  householdId: string;
  workId: string;
  kind: WorkKind;
}
/** Work that shows no sign of life, put back for whoever comes; each is answered to one server only. */
export async function takeUpWork(): Promise<Orphan[]> {
  const { rows } = await desk().execute<{ household: string; work: string; kind: WorkKind }>(
    sql`select household, work, kind from take_up_work()`,
  );
  return rows.map((r) => ({ householdId: r.household, workId: r.work, kind: r.kind }));
}
export interface DueReminder {
  householdId: string;
  loadId: string;
  /** The load, as people call it. */
  load: string;
}
/** Machines that have ended and were not called out yet; each is answered once, whoever asks. */
export async function takeReminders(): Promise<DueReminder[]> {
  const { rows } = await desk().execute<{ household: string; load: string; number: number }>(
    sql`select household, load, number from take_reminders()`,
  );
  return rows.map((r) => ({ householdId: r.household, loadId: r.load, load: `Load ${r.number + 1}` }));
}
