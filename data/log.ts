/** The log as it is read: by filter, page by page, with what was taken back marked. */
import { and, asc, count, desc, eq, gte, inArray, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { appendEvents, stands, type Writer } from './events.ts';
import { isUuid } from './ids.ts';
import { events, garments, type EventData, type EventKind } from './schema.ts';

export interface LogFilter {
  /** Part of the name of a piece. */
  q: string;
  kinds: readonly EventKind[];
  owner: string;
  piece: string;
  load: string;
  /** From this moment on, and before that one. */
  from: Date | null;
  to: Date | null;
}
export const everything: LogFilter = { q: '', kinds: [], owner: '', piece: '', load: '', from: null, to: null };
export interface LogRow {
  id: number;
  at: Date;
  kind: EventKind;
  data: EventData;
  loadId: string | null;
  actor: string;
  garmentId: string;
  name: string;
  owner: string;
  colours: (typeof garments.$inferSelect)['colours'];
  traits: (typeof garments.$inferSelect)['traits'];
  garmentKind: (typeof garments.$inferSelect)['kind'];
  /** Taken back: it counts no more. */
  struck: boolean;
}

/** What the log shows of a piece. A wardrobe is short where a log is long: it is read first, and never joined. */
type Named = Pick<LogRow, 'name' | 'owner' | 'colours' | 'traits' | 'garmentKind'>;
async function namedPieces(tx: Transaction): Promise<Map<string, Named>> {
  const rows = await tx
    .select({
      id: garments.id,
      name: garments.name,
      owner: garments.owner,
      colours: garments.colours,
      traits: garments.traits,
      garmentKind: garments.kind,
    })
    .from(garments);
  return new Map(rows.map(({ id, ...row }) => [id, row]));
}
const columns = {
  id: events.id,
  at: events.at,
  kind: events.kind,
  data: events.data,
  loadId: events.loadId,
  actor: events.actor,
  garmentId: events.garmentId,
  struck: sql<boolean>`not ${stands()}`,
};
const withNames = (rows: readonly Omit<LogRow, keyof Named>[], pieces: ReadonlyMap<string, Named>): LogRow[] =>
  rows.flatMap((row) => {
    const piece = pieces.get(row.garmentId);
    return piece ? [{ ...row, ...piece }] : [];
  });

/** Takings back are no entries of their own: what they took back is shown as such. */
function matching(f: LogFilter, pieces: ReadonlyMap<string, Named>): SQL | undefined {
  const q = f.q.toLowerCase();
  const asked = [...pieces].filter(
    ([id, p]) =>
      (f.piece === '' || id === f.piece) && (f.owner === '' || p.owner === f.owner) && p.name.toLowerCase().includes(q),
  );
  const ids = asked.map(([id]) => id);
  return and(
    isNull(events.strikes),
    asked.length === pieces.size ? undefined : ids.length > 0 ? inArray(events.garmentId, ids) : sql`false`,
    f.kinds.length > 0 ? inArray(events.kind, [...f.kinds]) : undefined,
    f.load === '' ? undefined : isUuid(f.load) ? eq(events.loadId, f.load) : sql`false`,
    f.from ? gte(events.at, f.from) : undefined,
    f.to ? lt(events.at, f.to) : undefined,
  );
}

/** The newest entries before a cursor (an event and its moment), at most `limit`. */
export async function logPage(
  tx: Transaction,
  filter: LogFilter,
  before: { at: Date; id: number } | null,
  limit: number,
): Promise<LogRow[]> {
  const pieces = await namedPieces(tx);
  const rows = await tx
    .select(columns)
    .from(events)
    .where(
      and(
        matching(filter, pieces),
        before ? or(lt(events.at, before.at), and(eq(events.at, before.at), lt(events.id, before.id))) : undefined,
      ),
    )
    .orderBy(desc(events.at), desc(events.id))
    .limit(limit);
  return withNames(rows, pieces);
}

/** A table with so many entries has at least so many. */
export const mostCounted = 20_000;
export const logSorts = ['at', 'kind', 'name', 'owner'] as const;
export type LogSort = (typeof logSorts)[number];
/** One page of the table, and how many entries there are in all. */
export async function logTable(
  tx: Transaction,
  filter: LogFilter,
  { sort, up, page, size }: { sort: LogSort; up: boolean; page: number; size: number },
): Promise<{ rows: LogRow[]; total: number }> {
  const pieces = await namedPieces(tx);
  const where = matching(filter, pieces);
  const way = up ? asc : desc;
  if (sort === 'name' || sort === 'owner') return byPiece(tx, pieces, where, { sort, up, page, size });
  // Beyond so many nobody turns pages: counting on would take longer than reading.
  const some = tx
    .select({ one: sql`1`.as('one') })
    .from(events)
    .where(where)
    .limit(mostCounted)
    .as('some');
  const [total] = await tx.select({ n: count() }).from(some);
  // The rows of the page are found by their index alone, then read.
  const found = await tx
    .select({ id: events.id })
    .from(events)
    .where(where)
    .orderBy(...(sort === 'kind' ? [way(events.kind)] : []), way(events.at), way(events.id))
    .limit(size)
    .offset(page * size);
  const rows = await rowsByIds(
    tx,
    found.map((r) => r.id),
  );
  return { rows: withNames(rows, pieces), total: total?.n ?? 0 };
}
async function rowsByIds(tx: Transaction, ids: readonly number[]): Promise<Omit<LogRow, keyof Named>[]> {
  if (ids.length === 0) return [];
  const rows = new Map(
    (
      await tx
        .select(columns)
        .from(events)
        .where(inArray(events.id, [...ids]))
    ).map((r) => [r.id, r]),
  );
  return ids.flatMap((id) => rows.get(id) ?? []);
}
/** Sorted by what stands with the piece: counted piece by piece, and only the pieces of the page are read. */
async function byPiece(
  tx: Transaction,
  pieces: ReadonlyMap<string, Named>,
  where: SQL | undefined,
  { sort, up, page, size }: { sort: 'name' | 'owner'; up: boolean; page: number; size: number },
): Promise<{ rows: LogRow[]; total: number }> {
  const counts = await tx
    .select({ garmentId: events.garmentId, n: count() })
    .from(events)
    .where(where)
    .groupBy(events.garmentId);
  const key = (id: string): string => {
    const p = pieces.get(id);
    return `${sort === 'owner' ? `${p?.owner ?? ''}\u0001` : ''}${p?.name ?? ''}\u0001${id}`;
  };
  const order = [...counts].sort((a, b) => (up ? 1 : -1) * key(a.garmentId).localeCompare(key(b.garmentId), 'en'));
  const ids: number[] = [];
  let passed = 0;
  for (const { garmentId, n } of order) {
    const skip = Math.max(0, page * size - passed);
    passed += n;
    if (skip >= n || ids.length >= size) continue;
    const found = await tx
      .select({ id: events.id })
      .from(events)
      .where(and(where, eq(events.garmentId, garmentId)))
      .orderBy(desc(events.at), desc(events.id))
      .limit(size - ids.length)
      .offset(skip);
    ids.push(...found.map((r) => r.id));
  }
  return { rows: withNames(await rowsByIds(tx, ids), pieces), total: passed };
}

export async function findEntry(tx: Transaction, id: number): Promise<LogRow | null> {
  if (!Number.isSafeInteger(id)) return null;
  const rows = await tx
    .select(columns)
    .from(events)
    .where(and(eq(events.id, id), isNull(events.strikes)));
  return withNames(rows, await namedPieces(tx))[0] ?? null;
}

/** What was written last, in one go, and can be taken back: entries, or a correction. */
export interface LastEntry {
  newest: number;
  rows: (Pick<LogRow, 'id' | 'kind' | 'data' | 'garmentId' | 'name'> & { strikes: number | null })[];
}
export async function lastEntry(tx: Transaction): Promise<LastEntry | null> {
  const [newest] = await tx
    .select({ id: events.id, at: events.at, actor: events.actor, data: events.data, strikes: events.strikes })
    .from(events)
    .orderBy(desc(events.id))
    .limit(1);
  // Taken back once, it is not taken back again; whoever wants it after all writes it anew.
  if (!newest || newest.data.undo) return null;
  const corrected = newest.data.corrects ?? newest.strikes;
  const together =
    corrected === null
      ? and(eq(events.at, newest.at), eq(events.actor, newest.actor), isNull(events.loadId))
      : or(eq(events.strikes, corrected), sql`(${events.data}->>'corrects')::bigint = ${corrected}`);
  const rows = await tx
    .select({
      id: events.id,
      kind: events.kind,
      data: events.data,
      garmentId: events.garmentId,
      name: garments.name,
      strikes: events.strikes,
      counts: stands(),
    })
    .from(events)
    .innerJoin(garments, and(eq(garments.id, events.garmentId), eq(garments.householdId, events.householdId)))
    .where(together)
    .orderBy(asc(events.id));
  // What a load wrote is undone at the load.
  const open = rows.filter((r) => r.counts);
  return open.some((r) => r.id === newest.id) ? { newest: newest.id, rows: open } : null;
}
/** Take the last entry back, if it still is the last one. */
export async function takeBackLast(writer: Writer, newest: number, at: Date): Promise<boolean> {
  const last = await lastEntry(writer.tx);
  if (last?.newest !== newest) return false;
  await appendEvents(
    writer,
    last.rows.map((r) => ({ garmentId: r.garmentId, kind: 'noted' as const, at, data: { struck: r.id, undo: true } })),
  );
  return true;
}
/** Entries that came together and go together; those taken back already are left alone. */
export async function strikeAll(writer: Writer, ids: readonly number[], at: Date): Promise<void> {
  const perStep = 1_000;
  for (let k = 0; k < ids.length; k += perStep) {
    const rows = await writer.tx
      .select({ id: events.id, garmentId: events.garmentId })
      .from(events)
      .where(and(inArray(events.id, ids.slice(k, k + perStep)), stands()));
    await appendEvents(
      writer,
      rows.map((r) => ({ garmentId: r.garmentId, kind: 'noted' as const, at, data: { struck: r.id } })),
    );
  }
}
/** An entry was a mistake: it counts no more. `instead` = what really happened; null = nothing did. False when it was taken back already. */
export async function correctEntry(
  writer: Writer,
  entry: Pick<LogRow, 'id' | 'garmentId' | 'kind' | 'loadId'>,
  instead: { at: Date; data: EventData } | null,
  at: Date,
): Promise<boolean> {
  const now = await findEntry(writer.tx, entry.id);
  if (!now || now.struck) return false;
  await appendEvents(writer, [
    { garmentId: entry.garmentId, kind: 'noted', at, data: { struck: entry.id } },
    ...(instead
      ? [
          {
            garmentId: entry.garmentId,
            kind: entry.kind,
            at: instead.at,
            loadId: entry.loadId,
            data: { ...instead.data, corrects: entry.id },
          },
        ]
      : []),
  ]);
  return true;
}

/** What the log says of each piece, in sums. */
export interface PieceSums {
  garmentId: string;
  wears: number;
  washes: number;
  marks: number;
  lastAt: Date | null;
}
export async function sumsByPiece(tx: Transaction, since: Date | null): Promise<PieceSums[]> {
  const n = sql`coalesce((${events.data}->>'count')::int, 1)`;
  const rows = await tx
    .select({
      garmentId: events.garmentId,
      wears: sql<string>`coalesce(sum(${n}) filter (where ${events.kind} = 'worn'), 0)`,
      washes: sql<string>`coalesce(sum(${n}) filter (where ${events.kind} = 'washed'), 0)`,
      marks: sql<string>`count(*) filter (where ${events.kind} = 'stained')`,
      lastAt: sql<string | null>`max(${events.at})`,
    })
    .from(events)
    .where(and(stands(), isNull(events.strikes), since ? gte(events.at, since) : undefined))
    .groupBy(events.garmentId);
  return rows.map((r) => ({
    garmentId: r.garmentId,
    wears: Number(r.wears),
    washes: Number(r.washes),
    marks: Number(r.marks),
    lastAt: r.lastAt === null ? null : new Date(r.lastAt),
  }));
}
