/** What figures are drawn from: readings, measures, marks, drying and rule prices, as they were written. */
import { and, asc, desc, eq, gt, gte, isNotNull, sql } from 'drizzle-orm';
import type { RunOfHistory } from '../core/history/runs.ts';
import { outcomeShares } from '../core/learn/stains.ts';
import type { Transaction } from './client.ts';
import { stands } from './events.ts';
import type { PastLoad } from './loads.ts';
import { dryingChecks, events, garments, plans, treatments } from './schema.ts';

/** A finished load as core's history takes it. */
export const asRun = (l: PastLoad): RunOfHistory & { temperatureC: number; programme: string | null } => ({
  atMs: l.finishedAt.getTime(),
  pieces: l.run.pieces,
  massKg: l.run.massKg,
  fill: l.run.fill,
  durationMin: l.run.durationMin,
  attendedMin: l.run.attendedMin,
  waterL: l.run.waterL,
  energyKwh: l.run.energyKwh,
  money: l.run.money,
  pricePerKwh: l.run.pricePerKwh,
  measuredMin: l.measured?.minutes ?? null,
  measuredKwh: l.measured?.kwh ?? null,
  byHand: l.run.washer === null,
  temperatureC: l.run.temperatureC,
  programme: l.run.programme,
});

export interface GradeRow {
  at: Date;
  grade: number;
  kind: 'spot' | 'part' | 'catcher';
  garmentId: string;
  name: string;
}
/** Readings in water, oldest first. */
export async function readGrades(tx: Transaction, since: Date): Promise<GradeRow[]> {
  const rows = await tx
    .select({ at: events.at, data: events.data, garmentId: events.garmentId, name: garments.name })
    .from(events)
    .innerJoin(garments, and(eq(garments.id, events.garmentId), eq(garments.householdId, events.householdId)))
    .where(and(sql`${events.kind} in ('tested', 'read')`, gte(events.at, since), stands()))
    .orderBy(asc(events.at), asc(events.id));
  return rows.flatMap(({ data, ...r }) =>
    data.test && (data.test.agent ?? 'water') === 'water'
      ? [{ ...r, grade: data.test.grade, kind: data.test.kind }]
      : [],
  );
}

export interface MarkRow {
  at: Date;
  odds: number;
  outcome: number;
  stain: string;
  garmentId: string;
  agents: string[];
}
/** Marks treated to an end: what was foretold, with which agents, and what became of them. */
export async function readMarks(tx: Transaction, since: Date): Promise<MarkRow[]> {
  const rows = await tx
    .select({
      at: treatments.closedAt,
      outcome: treatments.outcome,
      procedure: treatments.procedure,
      garmentId: treatments.garmentId,
    })
    .from(treatments)
    .where(and(isNotNull(treatments.closedAt), gt(treatments.closedAt, since)))
    .orderBy(asc(treatments.closedAt));
  return rows.flatMap((r) => {
    const outcome = r.outcome === null ? undefined : outcomeShares[r.outcome];
    if (outcome === undefined || !r.at) return [];
    const agents = r.procedure.steps.filter((s) => s.kind === 'treat').map((s) => String(s.what));
    return [
      {
        at: r.at,
        odds: r.procedure.odds,
        outcome,
        stain: r.procedure.stain.kind,
        garmentId: r.garmentId,
        agents: [...new Set(agents)],
      },
    ];
  });
}

export const readDrying = (
  tx: Transaction,
  since: Date,
): Promise<{ at: Date; place: string; hours: number; modelHours: number; found: string; name: string }[]> =>
  tx
    .select({
      at: dryingChecks.at,
      place: dryingChecks.place,
      hours: dryingChecks.hours,
      modelHours: dryingChecks.modelHours,
      found: dryingChecks.found,
      name: garments.name,
    })
    .from(dryingChecks)
    .innerJoin(
      garments,
      and(eq(garments.id, dryingChecks.garmentId), eq(garments.householdId, dryingChecks.householdId)),
    )
    .where(gte(dryingChecks.at, since))
    .orderBy(asc(dryingChecks.at));

/** What other options of the house rules would have saved, plan by plan. */
export async function readRulePrices(
  tx: Transaction,
  since: Date,
): Promise<{ at: Date; rule: string; words: string; saves: number }[]> {
  const rows = await tx
    .select({ at: plans.createdAt, insights: plans.insights })
    .from(plans)
    .where(and(gte(plans.createdAt, since), isNotNull(plans.insights)))
    .orderBy(desc(plans.createdAt));
  return rows.flatMap(({ at, insights }) =>
    (insights?.rules ?? []).map(({ rule, words, saves }) => ({ at, rule, words, saves })),
  );
}
