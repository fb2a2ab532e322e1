/** Rounds of practice. They stand beside everything else: nothing here reads or writes the wardrobe, the basket, the log or what was learnt. */
import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Play } from '../core/practice/play.ts';
import { emptyPlay } from '../core/practice/play.ts';
import type { Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { practiceRounds, type PracticeScores } from './schema.ts';

export type PracticeRound = Omit<typeof practiceRounds.$inferSelect, 'householdId'>;
/** A household keeps so many; the oldest give way. */
const mostRounds = 400;

export async function findRound(tx: Transaction, id: string): Promise<PracticeRound | null> {
  if (!isUuid(id)) return null;
  const [row] = await tx.select().from(practiceRounds).where(eq(practiceRounds.id, id));
  return row ?? null;
}
/** The same for a change: nobody else changes it meanwhile. */
export async function holdRound(tx: Transaction, id: string): Promise<PracticeRound | null> {
  if (!isUuid(id)) return null;
  const [row] = await tx.select().from(practiceRounds).where(eq(practiceRounds.id, id)).for('update');
  return row ?? null;
}
export async function openRound(tx: Transaction, basket: string, person: string): Promise<PracticeRound | null> {
  const [row] = await tx
    .select()
    .from(practiceRounds)
    .where(and(eq(practiceRounds.basket, basket), eq(practiceRounds.person, person), isNull(practiceRounds.endedAt)))
    .orderBy(desc(practiceRounds.startedAt))
    .limit(1);
  return row ?? null;
}
/** Ended rounds, the newest first. */
export const endedRounds = (tx: Transaction, person: string, most = 200): Promise<PracticeRound[]> =>
  tx
    .select()
    .from(practiceRounds)
    .where(and(eq(practiceRounds.person, person), isNotNull(practiceRounds.endedAt)))
    .orderBy(desc(practiceRounds.endedAt))
    .limit(most);
export const openRounds = (tx: Transaction, person: string): Promise<PracticeRound[]> =>
  tx
    .select()
    .from(practiceRounds)
    .where(and(eq(practiceRounds.person, person), isNull(practiceRounds.endedAt)))
    .orderBy(desc(practiceRounds.startedAt));
/** Begin a round; of the same basket only the newest of a person stays open. */
export async function beginRound(
  tx: Transaction,
  householdId: string,
  round: { basket: string; person: string; luck: number; at: Date; play?: Play },
): Promise<string> {
  const { basket, person, luck, at, play = emptyPlay } = round;
  await tx
    .delete(practiceRounds)
    .where(and(eq(practiceRounds.basket, basket), eq(practiceRounds.person, person), isNull(practiceRounds.endedAt)));
  const [row] = await tx
    .insert(practiceRounds)
    .values({ householdId, basket, person, luck, play, startedAt: at })
    .returning({ id: practiceRounds.id });
  await tx.execute(sql`
    delete from practice_round where id in
      (select id from practice_round order by started_at desc, id offset ${mostRounds})`);
  return row?.id ?? '';
}
/** false = it was washed meanwhile. */
export async function keepPlay(tx: Transaction, id: string, change: { play?: Play; hints?: number }): Promise<boolean> {
  const kept = await tx
    .update(practiceRounds)
    .set(change)
    .where(and(eq(practiceRounds.id, id), isNull(practiceRounds.endedAt)))
    .returning({ id: practiceRounds.id });
  return kept.length === 1;
}
/** false = it was washed already. */
export async function endRound(tx: Transaction, id: string, at: Date, scores: PracticeScores): Promise<boolean> {
  const ended = await tx
    .update(practiceRounds)
    .set({ endedAt: at, scores })
    .where(and(eq(practiceRounds.id, id), isNull(practiceRounds.endedAt)))
    .returning({ id: practiceRounds.id });
  return ended.length === 1;
}
