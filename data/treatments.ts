/** Stains under treatment and tubs in soak. A change of state is conditional on the state it was made from: of two screens one wins. */
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import type { BenchState } from '../core/stain/bench.ts';
import type { SoakPlan } from '../core/stain/bulk-soak.ts';
import type { Procedure } from '../core/stain/treatment.ts';
import type { Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { readBenchState, readProcedure } from './stored-procedure.ts';
import { soaks, treatments, type TreatmentOutcome } from './schema.ts';

export type Treatment = typeof treatments.$inferSelect;
export type Soak = typeof soaks.$inferSelect;

const current = (t: Treatment): Treatment => ({
  ...t,
  procedure: readProcedure(t.procedure),
  state: readBenchState(t.state),
});
export const openTreatments = async (tx: Transaction): Promise<Treatment[]> =>
  (
    await tx.select().from(treatments).where(isNull(treatments.closedAt)).orderBy(treatments.openedAt, treatments.id)
  ).map(current);
export const closedTreatments = async (tx: Transaction, limit: number): Promise<Treatment[]> =>
  (
    await tx
      .select()
      .from(treatments)
      .where(sql`${treatments.closedAt} is not null`)
      .orderBy(desc(treatments.closedAt))
      .limit(limit)
  ).map(current);
export async function findTreatment(tx: Transaction, id: string): Promise<Treatment | null> {
  if (!isUuid(id)) return null;
  const [row] = await tx.select().from(treatments).where(eq(treatments.id, id));
  return row ? current(row) : null;
}
/** Begin, unless the mark is under treatment already. */
export async function openTreatment(
  tx: Transaction,
  householdId: string,
  t: { garmentId: string; stainId: string; procedure: Procedure; state: BenchState },
): Promise<boolean> {
  const [same] = await tx
    .select({ id: treatments.id })
    .from(treatments)
    .where(and(eq(treatments.garmentId, t.garmentId), eq(treatments.stainId, t.stainId), isNull(treatments.closedAt)));
  if (same) return false;
  await tx.insert(treatments).values({ householdId, ...t });
  return true;
}
export async function startClock(tx: Transaction, id: string, startedAt: Date, endsAt: Date): Promise<boolean> {
  return (
    (
      await tx
        .update(treatments)
        .set({ clockStartedAt: startedAt, clockEndsAt: endsAt })
        .where(and(eq(treatments.id, id), isNull(treatments.closedAt), isNull(treatments.clockEndsAt)))
        .returning({ id: treatments.id })
    ).length === 1
  );
}
const sameState = (from: BenchState) =>
  sql`${treatments.state}->>'step' = ${String(from.step)} and ${treatments.state}->>'done' = ${String(from.done)} and ${treatments.state}->'end' = ${from.end === null ? 'null' : JSON.stringify(from.end)}::jsonb`;
export async function moveTreatment(tx: Transaction, id: string, from: BenchState, to: BenchState): Promise<boolean> {
  return (
    (
      await tx
        .update(treatments)
        .set({ state: to, clockStartedAt: null, clockEndsAt: null })
        .where(and(eq(treatments.id, id), isNull(treatments.closedAt), sameState(from)))
        .returning({ id: treatments.id })
    ).length === 1
  );
}
export async function closeTreatment(
  tx: Transaction,
  id: string,
  at: Date,
  outcome: TreatmentOutcome,
): Promise<boolean> {
  return (
    (
      await tx
        .update(treatments)
        .set({ closedAt: at, outcome, clockStartedAt: null, clockEndsAt: null })
        .where(and(eq(treatments.id, id), isNull(treatments.closedAt)))
        .returning({ id: treatments.id })
    ).length === 1
  );
}

export const openSoaks = (tx: Transaction): Promise<Soak[]> =>
  tx.select().from(soaks).where(isNull(soaks.endedAt)).orderBy(soaks.createdAt);
/** Pieces that soak in a tub, with that tub. */
export async function piecesInSoaks(tx: Transaction): Promise<{ garmentId: string; soakId: string }[]> {
  const rows = await tx.select({ id: soaks.id, pieces: soaks.pieces }).from(soaks).where(isNull(soaks.endedAt));
  return rows.flatMap(({ id, pieces }) => pieces.map((garmentId) => ({ garmentId, soakId: id })));
}
export async function addSoak(tx: Transaction, householdId: string, plan: SoakPlan, startedAt: Date): Promise<void> {
  await tx.insert(soaks).values({ householdId, pieces: plan.pieces.map((p) => p.id), plan, startedAt });
}
export async function findSoak(tx: Transaction, id: string): Promise<Soak | null> {
  if (!isUuid(id)) return null;
  const [row] = await tx.select().from(soaks).where(eq(soaks.id, id));
  return row ?? null;
}
export async function markStirred(tx: Transaction, id: string): Promise<void> {
  await tx
    .update(soaks)
    .set({ stirs: sql`${soaks.stirs} + 1` })
    .where(and(eq(soaks.id, id), isNull(soaks.endedAt)));
}
export async function endSoak(tx: Transaction, id: string, at: Date): Promise<boolean> {
  return (
    (
      await tx
        .update(soaks)
        .set({ endedAt: at })
        .where(and(eq(soaks.id, id), isNull(soaks.endedAt)))
        .returning({ id: soaks.id })
    ).length === 1
  );
}
