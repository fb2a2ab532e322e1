/** Phones and other computers of the home network: the code that lets one in, those that were let in, and throwing one out. */
import { createHash, randomBytes, randomInt } from 'node:crypto';
import { and, desc, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import { database, type Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { pairing } from './pairing.ts';
import { pairings, pockets } from './schema.ts';

const digestOf = (text: string): string => createHash('sha256').update(text).digest('hex');

/** A new code; the one before is good no more. */
export async function newPairing(tx: Transaction, householdId: string, now: Date): Promise<string> {
  const code = String(randomInt(10 ** pairing.digits)).padStart(pairing.digits, '0');
  const row = {
    codeDigest: digestOf(code),
    expiresAt: new Date(now.getTime() + pairing.minutes * 60_000),
    usedAt: null,
    wrong: 0,
  };
  await tx
    .insert(pairings)
    .values({ householdId, ...row })
    .onConflictDoUpdate({ target: pairings.householdId, set: row });
  return code;
}
/** Whether a code is still good. */
export async function pairingOpen(tx: Transaction, now: Date): Promise<boolean> {
  const rows = await tx
    .select({ at: pairings.expiresAt })
    .from(pairings)
    .where(and(isNull(pairings.usedAt), gt(pairings.expiresAt, now), lt(pairings.wrong, pairing.wrongGuesses)));
  return rows.length > 0;
}
/** Let a device in by its code; its secret is told once. null = the code is not good. */
export async function pair(code: string, name: string): Promise<string | null> {
  const token = randomBytes(32).toString('base64url');
  const { rows } = await database().execute<{ home: string | null }>(
    sql`select pair_pocket(${digestOf(code)}, ${name}, ${digestOf(token)}) as home`,
  );
  return rows[0]?.home ? token : null;
}

export type Pocket = Pick<typeof pockets.$inferSelect, 'id' | 'name' | 'pairedAt' | 'lastSeenAt'>;
export const listPockets = (tx: Transaction): Promise<Pocket[]> =>
  tx
    .select({ id: pockets.id, name: pockets.name, pairedAt: pockets.pairedAt, lastSeenAt: pockets.lastSeenAt })
    .from(pockets)
    .where(isNull(pockets.revokedAt))
    .orderBy(desc(pockets.pairedAt));
/** Thrown out: its secret opens nothing from this moment. */
export async function throwOut(tx: Transaction, id: string, now: Date): Promise<boolean> {
  if (!isUuid(id)) return false;
  const done = await tx
    .update(pockets)
    .set({ revokedAt: now })
    .where(and(eq(pockets.id, id), isNull(pockets.revokedAt)))
    .returning({ id: pockets.id });
  return done.length === 1;
}
/** Whose a device's secret is, by its digest; that it was seen is written down once an hour. */
export async function pocketHome(digest: string): Promise<{ householdId: string; pocketId: string } | null> {
  const { rows } = await database().execute<{ household: string; pocket: string }>(
    sql`select household, pocket from pocket_home(${digest})`,
  );
  const [row] = rows;
  return row ? { householdId: row.household, pocketId: row.pocket } : null;
}
