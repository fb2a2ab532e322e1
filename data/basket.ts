/** The basket: which pieces are dirty, and how. */
import { eq, inArray } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { basketEntries, type BasketState } from './schema.ts';

export const emptyState: BasketState = {
  soil: 'normal',
  activity: 'normal',
  odour: false,
  hygiene: false,
  neededBy: null,
  stains: [],
};

export async function putInBasket(
  tx: Transaction,
  householdId: string,
  garmentId: string,
  state: BasketState,
): Promise<void> {
  await tx
    .insert(basketEntries)
    .values({ householdId, garmentId, state })
    .onConflictDoUpdate({ target: [basketEntries.householdId, basketEntries.garmentId], set: { state } });
}
/** Into the basket as worn; what lies there already stays as it is marked. */
export async function joinBasket(tx: Transaction, householdId: string, garmentId: string): Promise<void> {
  await tx.insert(basketEntries).values({ householdId, garmentId, state: emptyState }).onConflictDoNothing();
}
export async function takeFromBasket(tx: Transaction, garmentIds: readonly string[]): Promise<void> {
  if (garmentIds.length > 0) await tx.delete(basketEntries).where(inArray(basketEntries.garmentId, [...garmentIds]));
}
export async function basketState(tx: Transaction, garmentId: string): Promise<BasketState | null> {
  const [entry] = await tx.select().from(basketEntries).where(eq(basketEntries.garmentId, garmentId));
  return entry?.state ?? null;
}
