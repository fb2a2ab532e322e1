/** What came out of the water and is not back in the cupboard: one row a piece, and what its places have taught. */
import { and, asc, eq, gte, inArray, isNull, lt, sql } from 'drizzle-orm';
import type { DryingCheck } from '../core/learn/drying.ts';
import type { AirChoice } from '../core/rack/forecast.ts';
import type { Transaction } from './client.ts';
import { basketEntries, dryerRuns, dryingChecks, events, roomAirs, weatherHours, wetPieces } from './schema.ts';

export type WetRow = Omit<typeof wetPieces.$inferSelect, 'householdId'>;

/** Out of the water now; what was still listed from an earlier wash begins anew. */
export async function putWet(
  tx: Transaction,
  householdId: string,
  list: readonly Pick<WetRow, 'garmentId' | 'loadId' | 'outAt' | 'moisture' | 'musty'>[],
): Promise<void> {
  await putAway(
    tx,
    list.map((w) => w.garmentId),
  );
  if (list.length > 0) await tx.insert(wetPieces).values(list.map((w) => ({ householdId, ...w, moistureAt: w.outAt })));
}
/** All that is wet, drying, or waits for the iron or the cupboard; what lies in the basket again or was worn since is not. */
export const listWet = (tx: Transaction): Promise<WetRow[]> =>
  tx
    .select()
    .from(wetPieces)
    .where(
      sql`not exists (select 1 from ${basketEntries} b where b.garment_id = ${wetPieces.garmentId})
        and not exists (select 1 from ${events} e where e.garment_id = ${wetPieces.garmentId} and e.kind = 'worn' and e.at > ${wetPieces.outAt})`,
    )
    .orderBy(asc(wetPieces.outAt), asc(wetPieces.garmentId));

/** What is not felt dry yet. */
export const wetNow = async (tx: Transaction): Promise<Set<string>> =>
  new Set((await listWet(tx)).filter((w) => w.dryAt === null).map((w) => w.garmentId));

type Change = Partial<Omit<WetRow, 'garmentId' | 'loadId' | 'outAt'>>;
/** `still` = what must hold of the row for the change to be made: the answer is false when somebody was faster. */
export async function changeWet(
  tx: Transaction,
  garmentId: string,
  change: Change,
  still: 'wet' | 'dry' | 'any' = 'any',
): Promise<boolean> {
  const guard =
    still === 'wet' ? isNull(wetPieces.dryAt) : still === 'dry' ? sql`${wetPieces.dryAt} is not null` : undefined;
  const done = await tx
    .update(wetPieces)
    .set(change)
    .where(and(eq(wetPieces.garmentId, garmentId), guard))
    .returning({ id: wetPieces.garmentId });
  return done.length === 1;
}
/** In the cupboard, or on the way into water again. Answers which were there. */
export async function putAway(tx: Transaction, garmentIds: readonly string[]): Promise<string[]> {
  if (garmentIds.length === 0) return [];
  const gone = await tx
    .delete(wetPieces)
    .where(inArray(wetPieces.garmentId, [...garmentIds]))
    .returning({ id: wetPieces.garmentId });
  return gone.map((g) => g.id);
}

export type PlaceCheck = DryingCheck & { place: string; garmentId: string; at: Date };
export const keepCheck = async (tx: Transaction, householdId: string, check: PlaceCheck): Promise<void> => {
  await tx.insert(dryingChecks).values({ householdId, ...check });
};
export type DryerRunRow = Omit<typeof dryerRuns.$inferSelect, 'householdId'>;
export const runningDryers = (tx: Transaction): Promise<DryerRunRow[]> =>
  tx.select().from(dryerRuns).where(isNull(dryerRuns.endedAt)).orderBy(asc(dryerRuns.startedAt));
/** false = something is in that drum. */
export async function startDryer(
  tx: Transaction,
  householdId: string,
  run: Omit<DryerRunRow, 'id' | 'endedAt'>,
): Promise<boolean> {
  const [row] = await tx
    .insert(dryerRuns)
    .values({ householdId, ...run })
    .onConflictDoNothing()
    .returning({ id: dryerRuns.id });
  return row !== undefined;
}
/** null = it was taken out already. */
export async function endDryer(tx: Transaction, id: string, at: Date): Promise<DryerRunRow | null> {
  const [row] = await tx
    .update(dryerRuns)
    .set({ endedAt: at })
    .where(and(eq(dryerRuns.id, id), isNull(dryerRuns.endedAt)))
    .returning();
  return row ?? null;
}

/** A window that somebody opened is shut again by the next day. */
const airHoldsMs = 24 * 3_600_000;
export async function airNow(tx: Transaction, now: Date): Promise<AirChoice> {
  const [row] = await tx.select({ choice: roomAirs.choice, since: roomAirs.since }).from(roomAirs);
  return row && now.getTime() - row.since.getTime() < airHoldsMs ? row.choice : 'as-it-is';
}
export const setAir = async (tx: Transaction, householdId: string, choice: AirChoice, since: Date): Promise<void> => {
  await tx
    .insert(roomAirs)
    .values({ householdId, choice, since })
    .onConflictDoUpdate({ target: roomAirs.householdId, set: { choice, since } });
};

export type WeatherHour = Omit<typeof weatherHours.$inferSelect, 'householdId'>;
const keptWeatherMs = 6 * 3_600_000;
/** What a service foretells replaces what it had foretold for the same hours. */
export async function keepWeather(
  tx: Transaction,
  householdId: string,
  list: readonly WeatherHour[],
  now: Date,
): Promise<void> {
  await tx.delete(weatherHours).where(lt(weatherHours.at, new Date(now.getTime() - keptWeatherMs)));
  for (const w of list)
    await tx
      .insert(weatherHours)
      .values({ householdId, ...w })
      .onConflictDoUpdate({ target: [weatherHours.householdId, weatherHours.at], set: w });
}
export const weatherFrom = (tx: Transaction, from: Date): Promise<WeatherHour[]> =>
  tx
    .select()
    .from(weatherHours)
    .where(gte(weatherHours.at, new Date(from.getTime() - 3_600_000)))
    .orderBy(asc(weatherHours.at));
