/** Visits to a professional: the slip, sent, back, what it cost. */
import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { cleanerVisits, type CleanerPiece } from './schema.ts';

export type CleanerVisit = Omit<typeof cleanerVisits.$inferSelect, 'householdId'>;

export async function writeSlip(
  tx: Transaction,
  householdId: string,
  pieces: readonly CleanerPiece[],
  at: Date,
): Promise<string> {
  const [row] = await tx
    .insert(cleanerVisits)
    .values({ householdId, writtenAt: at, pieces: [...pieces] })
    .returning({ id: cleanerVisits.id });
  if (!row) throw new Error('the slip was not stored');
  return row.id;
}
export const listVisits = (tx: Transaction): Promise<CleanerVisit[]> =>
  tx.select().from(cleanerVisits).orderBy(desc(cleanerVisits.writtenAt)).limit(200);
export async function findVisit(tx: Transaction, id: string): Promise<CleanerVisit | null> {
  if (!isUuid(id)) return null;
  const [row] = await tx.select().from(cleanerVisits).where(eq(cleanerVisits.id, id));
  return row ?? null;
}
/** `still` = how far the visit must be for the change to be made; false when somebody was faster. */
export async function changeVisit(
  tx: Transaction,
  id: string,
  still: 'written' | 'away' | 'back',
  change: Partial<Omit<CleanerVisit, 'id' | 'writtenAt'>>,
): Promise<boolean> {
  const { sentAt, returnedAt } = cleanerVisits;
  const guard = {
    written: and(isNull(sentAt), isNull(returnedAt)),
    away: and(isNotNull(sentAt), isNull(returnedAt)),
    back: isNotNull(returnedAt),
  }[still];
  const done = await tx
    .update(cleanerVisits)
    .set(change)
    .where(and(eq(cleanerVisits.id, id), guard))
    .returning({ id: cleanerVisits.id });
  return done.length === 1;
}
/** A slip that was not sent is thrown away. */
export async function dropSlip(tx: Transaction, id: string): Promise<boolean> {
  const done = await tx
    .delete(cleanerVisits)
    .where(and(eq(cleanerVisits.id, id), isNull(cleanerVisits.sentAt)))
    .returning({ id: cleanerVisits.id });
  return done.length === 1;
}
export async function piecesAtCleaner(tx: Transaction): Promise<Set<string>> {
  const { rows } = await tx.execute<{ id: string }>(sql`
    select p->>'garment' as id from ${cleanerVisits} v, jsonb_array_elements(v.pieces) p
    where v.sent_at is not null and v.returned_at is null`);
  return new Set(rows.map((r) => r.id));
}
