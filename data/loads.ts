/** Plans and their loads: planned, running, finished. Every change of state is conditional, so that of two tabs one wins. */
import { and, desc, eq, gt, gte, inArray, lt, ne, sql } from 'drizzle-orm';
import { runMoney } from '../core/cost/run-money.ts';
import type { Household } from '../core/model/household.ts';
import { householdOf, type HamperDocument } from '../formats/hamper.ts';
import type { PlanDocument, PlannedLoadDocument } from '../formats/plan.ts';
import type { Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { loads, plans, type MeasuredLoad, type PlanInsights, type RunFacts } from './schema.ts';
import type { Findings } from '../core/run/findings.ts';
import type { HandWalk } from '../core/run/hand-walk.ts';
import type { Trouble } from '../core/run/trouble.ts';
import type { WalkState } from '../core/run/walk-state.ts';

export interface LoadView {
  id: string;
  number: number;
  status: (typeof loads.$inferSelect)['status'];
  ticked: string[];
  startedAt: Date | null;
  endsAt: Date | null;
  finishedAt: Date | null;
  findings: Findings | null;
  doseTaken: boolean;
  /** Put in after the start, besides what the plan named; part of the load's garments. */
  added: string[];
  walk: HandWalk | null;
  walkState: WalkState | null;
  trouble: Trouble | null;
  measured: MeasuredLoad | null;
  /** Of a plan beside the day's plan. */
  aside: boolean;
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

function runFacts(load: PlannedLoadDocument, household: Household): RunFacts {
  const { washer, programme, detergent, additives, temperatureC, fill } = load;
  const attended = load.procedure.reduce((t, s) => t + (s.attended ? s.minutes : 0), 0);
  return {
    washer,
    programme,
    product: detergent?.product ?? null,
    temperatureC,
    fill,
    pieces: [...load.garments],
    massKg: load.massKg,
    durationMin: load.durationMin,
    attendedMin: attended,
    waterL: load.waterL,
    energyKwh: load.energyKwh,
    money: runMoney(household, load),
    pricePerKwh: household.tariff.electricityPerKwh,
    doses: [...(detergent ? [detergent] : []), ...additives].map((d) => ({
      product: d.product,
      class: d.class,
      amount: d.amount,
      unit: d.unit,
    })),
  };
}

/** Store a plan with its loads; returns the plan's id. `aside` = beside the day's plan, which stays the newest. */
export async function storePlan(
  tx: Transaction,
  householdId: string,
  hamper: HamperDocument,
  result: PlanDocument,
  createdAt = new Date(),
  aside = false,
): Promise<string> {
  const [plan] = await tx
    .insert(plans)
    .values({ householdId, hamper, result, createdAt, aside })
    .returning({ id: plans.id });
  if (!plan) throw new Error('the plan was not stored');
  const household = householdOf(hamper.household);
  if (result.loads.length > 0)
    await tx
      .insert(loads)
      .values(result.loads.map((l, number) => ({ householdId, planId: plan.id, number, run: runFacts(l, household) })));
  return plan.id;
}

/** The newest plan's id, without its documents; null = nothing was sorted yet. */
export async function newestPlanId(tx: Transaction): Promise<string | null> {
  const [plan] = await tx
    .select({ id: plans.id })
    .from(plans)
    .where(eq(plans.aside, false))
    .orderBy(desc(plans.createdAt), desc(plans.id))
    .limit(1);
  return plan?.id ?? null;
}
/** Whether another plan is newer, or a load of this one has begun: then it is not replaced by a better one. */
export async function isOvertaken(tx: Transaction, planId: string): Promise<boolean> {
  if ((await newestPlanId(tx)) !== planId) return true;
  const begun = await tx
    .select({ id: loads.id })
    .from(loads)
    .where(and(eq(loads.planId, planId), ne(loads.status, 'planned')))
    .limit(1);
  return begun.length > 0;
}
export async function newestPlan(tx: Transaction): Promise<PlanView | null> {
  const [plan] = await tx
    .select()
    .from(plans)
    .where(eq(plans.aside, false))
    .orderBy(desc(plans.createdAt), desc(plans.id))
    .limit(1);
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
  if (!planned) return [];
  const load = { ...planned, garments: [...planned.garments, ...row.load.added] };
  return [{ ...row.load, hamper: row.plan.hamper, plan: row.plan.result, aside: row.plan.aside, load }];
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
      added: loads.added,
      garments: sql<string[] | null>`${plans.result}->'loads'->${loads.number}->'garments'`,
    })
    .from(loads)
    .innerJoin(plans, eq(plans.id, loads.planId))
    .where(eq(loads.status, 'running'));
  return rows.flatMap(({ loadId, garments, added }) =>
    [...(garments ?? []), ...added].map((garmentId) => ({ garmentId, loadId })),
  );
}
export interface PastLoad {
  id: string;
  run: RunFacts;
  measured: MeasuredLoad | null;
  startedAt: Date | null;
  finishedAt: Date;
}
/** Finished loads, newest first, without the documents of their plans. */
export async function pastLoads(
  tx: Transaction,
  which: { from?: Date | null; before?: Date | null; ids?: readonly string[]; limit?: number },
): Promise<PastLoad[]> {
  const rows = await tx
    .select({
      id: loads.id,
      run: loads.run,
      measured: loads.measured,
      added: loads.added,
      startedAt: loads.startedAt,
      finishedAt: loads.finishedAt,
    })
    .from(loads)
    .where(
      and(
        eq(loads.status, 'finished'),
        which.from ? gte(loads.finishedAt, which.from) : undefined,
        which.before ? lt(loads.finishedAt, which.before) : undefined,
        which.ids ? inArray(loads.id, [...which.ids]) : undefined,
      ),
    )
    .orderBy(desc(loads.finishedAt))
    .limit(which.limit ?? 100_000);
  return rows.flatMap(({ added, finishedAt, ...l }) =>
    finishedAt ? [{ ...l, finishedAt, run: { ...l.run, pieces: [...l.run.pieces, ...added] } }] : [],
  );
}

/** Loads that came out since a moment, newest first. */
export async function finishedSince(tx: Transaction, since: Date): Promise<LoadView[]> {
  return (
    await joined(tx)
      .where(and(eq(loads.status, 'finished'), gt(loads.finishedAt, since)))
      .orderBy(desc(loads.finishedAt))
  ).flatMap(toView);
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
export async function markStarted(
  tx: Transaction,
  id: string,
  {
    startedAt,
    endsAt,
    walk,
    walkState,
  }: Pick<typeof loads.$inferInsert, 'walk' | 'walkState'> & {
    startedAt: Date;
    endsAt: Date;
  },
): Promise<boolean> {
  return (
    (
      await tx
        .update(loads)
        .set({ status: 'running', startedAt, endsAt, doseTaken: true, walk, walkState, trouble: null, measured: null })
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
  findings: Findings,
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
export async function changeFindings(tx: Transaction, id: string, findings: Findings): Promise<void> {
  await tx
    .update(loads)
    .set({ findings })
    .where(and(eq(loads.id, id), eq(loads.status, 'finished')));
}
/** running → planned: started by mistake, or to be run again from the beginning (`newDose` = what was in the water is gone). */
export async function markNotStarted(tx: Transaction, id: string, newDose = false): Promise<boolean> {
  return (
    (
      await tx
        .update(loads)
        .set({
          status: 'planned',
          ...(newDose ? { doseTaken: false } : {}),
          startedAt: null,
          endsAt: null,
          walk: null,
          walkState: null,
          trouble: null,
          measured: null,
          added: [],
        })
        .where(and(eq(loads.id, id), eq(loads.status, 'running')))
        .returning({ id: loads.id })
    ).length === 1
  );
}

/** What changes while a load runs. */
type RunningChange = Partial<
  Pick<typeof loads.$inferInsert, 'endsAt' | 'trouble' | 'measured' | 'added' | 'walk' | 'walkState'>
>;
/** Change a running load; `from` = the step its walk was at, so that of two screens one goes on. False when it is not so any more. */
export async function changeRunning(
  tx: Transaction,
  id: string,
  change: RunningChange,
  from?: { seen: number },
): Promise<boolean> {
  const still = from ? sql`(${loads.walkState}->>'seen')::int = ${from.seen}` : undefined;
  return (
    (
      await tx
        .update(loads)
        .set(change)
        .where(and(eq(loads.id, id), eq(loads.status, 'running'), still))
        .returning({ id: loads.id })
    ).length === 1
  );
}
/** Loads planned beside the day's plan that nobody has started yet. */
export async function plannedAside(tx: Transaction): Promise<LoadView[]> {
  return (
    await joined(tx)
      .where(and(eq(loads.status, 'planned'), eq(plans.aside, true)))
      .orderBy(desc(plans.createdAt), desc(plans.id))
  ).flatMap(toView);
}
/** A load beside the plan is not wanted after all; false when it runs already. */
export async function dropAside(tx: Transaction, load: Pick<LoadView, 'id' | 'planId'>): Promise<boolean> {
  const gone = await tx
    .delete(loads)
    .where(and(eq(loads.id, load.id), eq(loads.status, 'planned')))
    .returning({ id: loads.id });
  return gone.length === 1;
}

export async function storeInsights(tx: Transaction, planId: string, insights: PlanInsights): Promise<void> {
  await tx.update(plans).set({ insights }).where(eq(plans.id, planId));
}
