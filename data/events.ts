/** What happened: append-only. */
import { and, desc, eq, isNull, sql, type SQL } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { events, type EventData, type EventKind } from './schema.ts';

export interface NewEvent {
  garmentId: string;
  kind: EventKind;
  at: Date;
  data?: EventData;
  loadId?: string | null;
}
/** Who does it, in the words of the log: the household's own people until they have accounts. */
export const atHome = 'home';

/** Where an event is written, and who does it. */
export interface Writer {
  tx: Transaction;
  householdId: string;
  actor: string;
}
/** Write events and answer their ids. */
export async function insertEvents({ tx, householdId, actor }: Writer, list: readonly NewEvent[]): Promise<number[]> {
  if (list.length === 0) return [];
  const rows = await tx
    .insert(events)
    .values(
      list.map((e) => ({
        householdId,
        garmentId: e.garmentId,
        kind: e.kind,
        at: e.at,
        data: e.data ?? {},
        loadId: e.loadId ?? null,
        actor,
      })),
    )
    .returning({ id: events.id });
  return rows.map((r) => r.id);
}
export async function appendEvents(writer: Writer, list: readonly NewEvent[]): Promise<void> {
  await insertEvents(writer, list);
}

/**
 * Whether an event counts: nobody took it back, or the taking back was itself taken back. To be put where events are read that something is
 * derived from.
 */
export const stands = (): SQL<boolean> => sql<boolean>`event.id <> all (array(
  select x.strikes from event x where x.strikes is not null
    and x.id <> all (array(select y.strikes from event y where y.strikes is not null))))`;

/** History of one piece, newest first. */
export const garmentHistory = (tx: Transaction, garmentId: string, limit = 60) =>
  tx
    .select({
      id: events.id,
      at: events.at,
      kind: events.kind,
      data: events.data,
      loadId: events.loadId,
      struck: sql<boolean>`not ${stands()}`,
    })
    .from(events)
    .where(and(eq(events.garmentId, garmentId), isNull(events.strikes)))
    .orderBy(desc(events.at), desc(events.id))
    .limit(limit);
