/** Plans and their loads: planned, running, finished. Every change of state is conditional, so that of two tabs one wins. */
import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import type { HamperDocument } from '../formats/hamper.ts';
import type { PlanDocument, PlannedLoadDocument } from '../formats/plan.ts';
import type { Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { loads, plans, type LoadFindings, type PlanInsights } from './schema.ts';

export interface LoadView {
  id: string;
  number: number;
  status: (typeof loads.$inferSelect)['status'];
  ticked: string[];
  startedAt: Date | null;
  endsAt: Date | null;
  finishedAt: Date | null;
  findings: LoadFindings | null;
  doseTaken: boolean;
  planId: string;
  hamper: HamperDocument;
  plan: PlanDocument;
  load: PlannedLoadDocument;
}
export interface PlanView {
  id: string;
  createdAt: Date;
  hamper: HamperDocument;
  result: PlanDocument;
  insights: PlanInsights | null;
  loads: { id: string; number: number; status: LoadView['status']; endsAt: Date | null }[];
}

/** Store a plan with its loads; returns the plan's id. */
export async function storePlan(
  tx: Transaction,
  householdId: string,
  hamper: HamperDocument,
  result: PlanDocument,
  createdAt = new Date(),
): Promise<string> {
  const [plan] = await tx.insert(plans).values({ householdId, hamper, result, createdAt }).returning({ id: plans.id });
  if (!plan) throw new Error('the plan was not stored');
  if (result.loads.length > 0)
    await tx.insert(loads).values(result.loads.map((_, number) => ({ householdId, planId: plan.id, number })));
  return plan.id;
}

/** The newest plan's id, without its documents; null = nothing was sorted yet. */
export async function newestPlanId(tx: Transaction): Promise<string | null> {
  const [plan] = await tx.select({ id: plans.id }).from(plans).orderBy(desc(plans.createdAt)).limit(1);
  return plan?.id ?? null;
}
export async function newestPlan(tx: Transaction): Promise<PlanView | null> {
  const [plan] = await tx.select().from(plans).orderBy(desc(plans.createdAt)).limit(1);
  if (!plan) return null;
  const rows = await tx
    .select({ id: loads.id, number: loads.number, status: loads.status, endsAt: loads.endsAt })
    .from(loads)
    .where(eq(loads.planId, plan.id))
    .orderBy(loads.number);
  return {
    id: plan.id,
    createdAt: plan.createdAt,
    hamper: plan.hamper,
    result: plan.result,
    insights: plan.insights,
    loads: rows,
  };
}

export async function findPlan(
  tx: Transaction,
  id: string,
): Promise<Pick<PlanView, 'hamper' | 'result' | 'insights'> | null> {
  if (!isUuid(id)) return null;
  const [plan] = await tx
    .select({ hamper: plans.hamper, result: plans.result, insights: plans.insights })
    .from(plans)
    .where(eq(plans.id, id));
  return plan ?? null;
}

function toView(row: { load: typeof loads.$inferSelect; plan: typeof plans.$inferSelect }): LoadView[] {
  const planned = row.plan.result.loads[row.load.number];
  return planned ? [{ ...row.load, hamper: row.plan.hamper, plan: row.plan.result, load: planned }] : [];
}
const joined = (tx: Transaction) =>
  tx.select({ load: loads, plan: plans }).from(loads).innerJoin(plans, eq(plans.id, loads.planId));

export async function findLoad(tx: Transaction, id: string): Promise<LoadView | null> {
  if (!isUuid(id)) return null;
  const rows = await joined(tx).where(eq(loads.id, id));
  return rows.flatMap(toView)[0] ?? null;
}
export async function runningLoads(tx: Transaction): Promise<LoadView[]> {
  return (await joined(tx).where(eq(loads.status, 'running')).orderBy(loads.endsAt)).flatMap(toView);
}
/** Pieces that are in a running load, with that load: without the documents of their plans. */
export async function piecesInLoads(tx: Transaction): Promise<{ garmentId: string; loadId: string }[]> {
  const rows = await tx
    .select({
      loadId: loads.id,
      garments: sql<string[] | null>`${plans.result}->'loads'->${loads.number}->'garments'`,
    })
    .from(loads)
    .innerJoin(plans, eq(plans.id, loads.planId))
    .where(eq(loads.status, 'running'));
  return rows.flatMap(({ loadId, garments }) => (garments ?? []).map((garmentId) => ({ garmentId, loadId })));
}
export async function finishedLoads(tx: Transaction, limit: number): Promise<LoadView[]> {
  return (await joined(tx).where(eq(loads.status, 'finished')).orderBy(desc(loads.finishedAt)).limit(limit)).flatMap(
    toView,
  );
}

/** Tick or untick a preparation step; only while the load has not finished. */
export async function setTicked(tx: Transaction, id: string, step: string, done: boolean): Promise<void> {
  const ticked = done
    ? sql`array_append(array_remove(${loads.ticked}, ${step}), ${step})`
    : sql`array_remove(${loads.ticked}, ${step})`;
  await tx
    .update(loads)
    .set({ ticked })
    .where(and(eq(loads.id, id), inArray(loads.status, ['planned', 'running'])));
}
/** planned → running; false when somebody was faster. */
export async function markStarted(tx: Transaction, id: string, startedAt: Date, endsAt: Date): Promise<boolean> {
  return (
    (
      await tx
        .update(loads)
        .set({ status: 'running', startedAt, endsAt, doseTaken: true })
        .where(and(eq(loads.id, id), eq(loads.status, 'planned')))
        .returning({ id: loads.id })
    ).length === 1
  );
}
/** running → finished; false when somebody was faster. */
export async function markFinished(
  tx: Transaction,
  id: string,
  finishedAt: Date,
  findings: LoadFindings,
): Promise<boolean> {
  return (
    (
      await tx
        .update(loads)
        .set({ status: 'finished', finishedAt, findings })
        .where(and(eq(loads.id, id), eq(loads.status, 'running')))
        .returning({ id: loads.id })
    ).length === 1
  );
}
/** What was seen afterwards. */
export async function changeFindings(tx: Transaction, id: string, findings: LoadFindings): Promise<void> {
  await tx
    .update(loads)
    .set({ findings })
    .where(and(eq(loads.id, id), eq(loads.status, 'finished')));
}
/** running → planned, when it was started by mistake. */
export async function markNotStarted(tx: Transaction, id: string): Promise<boolean> {
  return (
    (
      await tx
        .update(loads)
        .set({ status: 'planned', startedAt: null, endsAt: null })
        .where(and(eq(loads.id, id), eq(loads.status, 'running')))
        .returning({ id: loads.id })
    ).length === 1
  );
}

export async function storeInsights(tx: Transaction, planId: string, insights: PlanInsights): Promise<void> {
  await tx.update(plans).set({ insights }).where(eq(plans.id, planId));
}
