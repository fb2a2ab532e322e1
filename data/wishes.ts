/** Things seen in a shop and kept in mind. */
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { GarmentDocument } from '../formats/hamper-schema.ts';
import type { Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { wishes, type wishEnds } from './schema.ts';

export type WishRow = Omit<typeof wishes.$inferSelect, 'householdId'>;
const mostOpen = 100;

export const openWishes = (tx: Transaction): Promise<WishRow[]> =>
  tx.select().from(wishes).where(isNull(wishes.ending)).orderBy(asc(wishes.at), asc(wishes.id));
export async function findWish(tx: Transaction, id: string): Promise<WishRow | null> {
  if (!isUuid(id)) return null;
  const [row] = await tx.select().from(wishes).where(eq(wishes.id, id));
  return row ?? null;
}
/** false = there are a hundred already. */
export async function addWish(
  tx: Transaction,
  householdId: string,
  wish: { at: Date; garment: GarmentDocument; price: number | null; owner: string; wearsPerYear: number },
): Promise<boolean> {
  if ((await openWishes(tx)).length >= mostOpen) return false;
  await tx.insert(wishes).values({ householdId, ...wish });
  return true;
}
/** false = it was bought or left already. */
export async function endWish(
  tx: Transaction,
  id: string,
  ending: (typeof wishEnds)[number],
  at: Date,
): Promise<boolean> {
  if (!isUuid(id)) return false;
  const ended = await tx
    .update(wishes)
    .set({ ending, endedAt: at })
    .where(and(eq(wishes.id, id), isNull(wishes.ending)))
    .returning({ id: wishes.id });
  return ended.length === 1;
}
