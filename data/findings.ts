/** What was seen of the loads: one answer to one question. Of two that answer the first wins. */
import { and, gt, inArray } from 'drizzle-orm';
import type { LookKind } from '../core/run/inspection.ts';
import type { Transaction } from './client.ts';
import type { Writer } from './events.ts';
import { findings } from './schema.ts';

export interface Finding {
  loadId: string;
  look: string;
  kind: LookKind;
  answer: string;
  pieces: string[];
  note: string;
  at: Date;
}
/** Keep an answer; false when the question was answered already. */
export async function keepFinding({ tx, householdId, actor }: Writer, finding: Finding): Promise<boolean> {
  const kept = await tx
    .insert(findings)
    .values({ householdId, actor, ...finding })
    .onConflictDoNothing()
    .returning({ look: findings.look });
  return kept.length === 1;
}
const columns = {
  loadId: findings.loadId,
  look: findings.look,
  kind: findings.kind,
  answer: findings.answer,
  pieces: findings.pieces,
  note: findings.note,
  at: findings.at,
};
export async function findingsOf(tx: Transaction, loadIds: readonly string[]): Promise<Map<string, Finding[]>> {
  const out = new Map<string, Finding[]>();
  if (loadIds.length === 0) return out;
  const rows = await tx
    .select(columns)
    .from(findings)
    .where(inArray(findings.loadId, [...loadIds]))
    .orderBy(findings.at);
  for (const row of rows) out.set(row.loadId, [...(out.get(row.loadId) ?? []), row]);
  return out;
}
/** Answers of one kind since a day, oldest first. */
export const findingsSince = (tx: Transaction, kinds: readonly LookKind[], since: Date): Promise<Finding[]> =>
  tx
    .select(columns)
    .from(findings)
    .where(and(inArray(findings.kind, [...kinds]), gt(findings.at, since)))
    .orderBy(findings.at);
