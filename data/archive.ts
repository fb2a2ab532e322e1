/**
 * A household out of the database and into it again. What belongs to this machine alone stays here: devices and calendar addresses (their secrets
 * are), forms under way, forecasts of the weather. Numbers the database counts up are counted from one, so that the same household is the same text.
 */
import { asc, getTableColumns, sql, type Column } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import * as v from 'valibot';
import { ArchiveWriter, archiveVersion, rowLine, type Archive, type Row } from '../formats/archive.ts';
import { readHamperValue } from '../formats/hamper.ts';
import { roundSchema } from '../formats/play-schema.ts';
import { maxProblems, type Problem } from '../formats/problem.ts';
import type { Transaction } from './client.ts';
import { garmentDocument, type Piece } from './garments.ts';
import { readHousehold } from './household.ts';
import { isUuid } from './ids.ts';
import { photoQuotaBytes } from './photos.ts';
import {
  basketEntries,
  bookValues,
  cleanerVisits,
  dayPromises,
  dayWishes,
  decisions,
  dryerRuns,
  dryingChecks,
  equipment,
  eventKinds,
  events,
  findings,
  freshenings,
  garments,
  householdChanges,
  households,
  imports,
  loads,
  loadStatuses,
  photos,
  plans,
  practiceRounds,
  products,
  programmes,
  roomAirs,
  soaks,
  treatments,
  upkeeps,
  washers,
  wetPieces,
  wishes,
} from './schema.ts';

interface KeptTable {
  name: string;
  table: PgTable;
  /** The column the database counts up. */
  counted?: string;
  /** Written apart, or reckoned by the database. */
  left?: readonly string[];
  /** Rows read at a time, where a row is large. */
  step?: number;
}
/** In the order in which they can be put back. */
const kept: readonly KeptTable[] = [
  { name: 'household', table: households },
  { name: 'washer', table: washers },
  { name: 'programme', table: programmes },
  { name: 'equipment', table: equipment },
  { name: 'product', table: products },
  { name: 'garment', table: garments, counted: 'position' },
  { name: 'basket_entry', table: basketEntries },
  { name: 'plan', table: plans, step: 20 },
  { name: 'load', table: loads, step: 200 },
  { name: 'decision', table: decisions, counted: 'id' },
  { name: 'finding', table: findings },
  { name: 'event', table: events, counted: 'id', left: ['strikes'] },
  { name: 'treatment', table: treatments, step: 200 },
  { name: 'soak', table: soaks },
  { name: 'upkeep', table: upkeeps },
  { name: 'wet_piece', table: wetPieces },
  { name: 'drying_check', table: dryingChecks, counted: 'id' },
  { name: 'dryer_run', table: dryerRuns },
  { name: 'room_air', table: roomAirs },
  { name: 'freshening', table: freshenings },
  { name: 'cleaner_visit', table: cleanerVisits },
  { name: 'day_wish', table: dayWishes },
  { name: 'day_promise', table: dayPromises },
  { name: 'household_change', table: householdChanges, counted: 'id' },
  { name: 'import', table: imports },
  { name: 'photo', table: photos, left: ['picture', 'thumb'] },
  { name: 'wish', table: wishes },
  { name: 'book_value', table: bookValues },
  { name: 'practice_round', table: practiceRounds },
];
const usualStep = 2_000;

const keyColumns = (t: KeptTable): Column[] => {
  const columns = getTableColumns(t.table);
  const counted = t.counted ? columns[t.counted] : undefined;
  if (counted) return [counted];
  return Object.entries(columns).flatMap(([key, c]) => (key !== 'householdId' && partOfKey(t.name, key) ? [c] : []));
};
/** What tells the rows of a table apart within a household. */
const keys: Readonly<Record<string, readonly string[]>> = {
  programme: ['washerId', 'id'],
  equipment: ['kind', 'id'],
  basket_entry: ['garmentId'],
  finding: ['loadId', 'look'],
  wet_piece: ['garmentId'],
  book_value: ['lesson'],
};
const partOfKey = (table: string, key: string): boolean => (keys[table] ?? ['id']).includes(key);

/** Rows in order, some at a time. */
async function* rowsOf(tx: Transaction, t: KeptTable): AsyncGenerator<Row[]> {
  const step = t.step ?? usualStep;
  const left = new Set(['householdId', ...(t.left ?? [])]);
  const columns = Object.fromEntries(Object.entries(getTableColumns(t.table)).filter(([key]) => !left.has(key)));
  const order = keyColumns(t);
  for (let at = 0; ; at += step) {
    const rows = (await tx
      .select(columns)
      .from(t.table)
      .orderBy(...order.map((c) => asc(c)))
      .limit(step)
      .offset(at)) as Row[];
    if (rows.length > 0) yield rows;
    if (rows.length < step) return;
  }
}

/** Numbers that were counted up, from one; events name one another by them. */
function renumbered(
  t: KeptTable,
  row: Row,
  numbers: Map<number, number>,
  eventNumbers: ReadonlyMap<number, number>,
): Row {
  if (t.name === 'import') return { ...row, events: eventsBy(row.events, eventNumbers) };
  if (!t.counted) return row;
  const number = numbers.size + 1;
  numbers.set(Number(row[t.counted]), number);
  const next: Row = { ...row, [t.counted]: number };
  if (t.name === 'event') next.data = pointing(row.data as Row, numbers);
  return next;
}
const eventsBy = (ids: unknown, numbers: ReadonlyMap<number, number>): number[] =>
  (Array.isArray(ids) ? ids : []).flatMap((id) => numbers.get(Number(id)) ?? []);
function pointing(data: Row, numbers: ReadonlyMap<number, number>): Row {
  const next = { ...data };
  for (const key of ['struck', 'corrects'])
    if (typeof next[key] === 'number') {
      const to = numbers.get(next[key]);
      if (to === undefined) delete next[key];
      else next[key] = to;
    }
  return next;
}

/** The whole household as the bytes of a zip. */
export async function writeArchive(tx: Transaction): Promise<Uint8Array | null> {
  const home = await readHousehold(tx);
  if (!home) return null;
  const writer = new ArchiveWriter();
  const counts: Record<string, number> = {};
  let eventNumbers: ReadonlyMap<number, number> = new Map();
  for (const t of kept) {
    const numbers = new Map<number, number>();
    let count = 0;
    const lines = async function* (): AsyncGenerator<string> {
      for await (const rows of rowsOf(tx, t)) {
        count += rows.length;
        yield rows.map((row) => rowLine(renumbered(t, row, numbers, eventNumbers))).join('');
      }
    };
    await writer.text(`tables/${t.name}.jsonl`, lines());
    counts[t.name] = count;
    if (t.name === 'event') eventNumbers = numbers;
  }
  const ids = await tx.select({ id: photos.id }).from(photos).orderBy(asc(photos.id));
  for (const { id } of ids) {
    const [row] = await tx
      .select({ picture: photos.picture, thumb: photos.thumb })
      .from(photos)
      .where(sql`${photos.id} = ${id}`);
    if (!row) continue;
    writer.bytes(`pictures/${id}.webp`, row.picture);
    writer.bytes(`pictures/${id}.small.webp`, row.thumb);
  }
  await writer.text('manifest.json', [
    `${JSON.stringify({ format: 'neat-fold/archive', version: archiveVersion, name: home.name, tables: counts, pictures: ids.length }, null, 2)}\n`,
  ]);
  return writer.end();
}

// — reading —

const object = v.record(v.string(), v.unknown());
const eventSchema = v.object({
  kind: v.picklist(eventKinds, 'must be a kind of event'),
  data: v.looseObject({
    count: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1))),
    test: v.optional(
      v.looseObject({
        kind: v.picklist(['spot', 'part', 'catcher']),
        grade: v.pipe(v.number(), v.minValue(1), v.maxValue(5)),
      }),
    ),
    temperatureC: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(100))),
    measure: v.optional(v.looseObject({ place: v.string(), cm: v.pipe(v.number(), v.minValue(0)) })),
    note: v.optional(v.string()),
    struck: v.optional(v.pipe(v.number(), v.integer())),
    corrects: v.optional(v.pipe(v.number(), v.integer())),
  }),
});
const planSchema = v.object({
  hamper: v.looseObject({ household: object, garments: v.array(v.looseObject({ id: v.string() })) }),
  result: v.looseObject({
    loads: v.array(v.looseObject({ garments: v.array(v.string()), procedure: v.array(object) })),
    garments: v.array(v.looseObject({ id: v.string(), outcome: v.string() })),
  }),
});
const loadSchema = v.object({
  status: v.picklist(loadStatuses, 'must be planned, running or finished'),
  run: v.looseObject({ pieces: v.array(v.string()), doses: v.array(object) }),
});
/** What is asked of the rows of a table beyond the types of their columns. */
const shapes: Readonly<Record<string, v.GenericSchema>> = {
  event: eventSchema,
  plan: planSchema,
  load: loadSchema,
  practice_round: roundSchema,
};

/** A value as its column takes it; undefined = it does not. */
function valueFor(column: Column, value: unknown): unknown {
  if (value === null || value === undefined) return column.notNull && !column.hasDefault ? undefined : null;
  switch (column.dataType) {
    case 'date': {
      const at = typeof value === 'string' ? new Date(value) : null;
      return at && !Number.isNaN(at.getTime()) ? at : undefined;
    }
    case 'number':
      return typeof value === 'number' && Number.isFinite(value) ? value : undefined;
    case 'boolean':
      return typeof value === 'boolean' ? value : undefined;
    case 'array':
      return Array.isArray(value) ? value : undefined;
    case 'json':
      return value;
    default:
      if (typeof value !== 'string' || value.includes('\u0000')) return undefined;
      return column.getSQLType() === 'uuid' && !isUuid(value) ? undefined : value;
  }
}

const rowsBetweenPauses = 500;
/** The rows of an archive as they go into the tables of a household, or what is wrong with them. */
export async function checkArchive(archive: Archive): Promise<{ rows: Map<string, Row[]>; problems: Problem[] }> {
  const problems: Problem[] = [];
  const wrong = (path: string, message: string): void => {
    if (problems.length < maxProblems) problems.push({ path, message });
  };
  const rows = new Map<string, Row[]>();
  for (const t of kept) {
    const left = new Set(['householdId', ...(t.left ?? [])]);
    const columns = Object.entries(getTableColumns(t.table)).filter(([key]) => !left.has(key));
    const shape = shapes[t.name];
    const list: Row[] = [];
    for (const [k, given] of (archive.tables.get(t.name) ?? []).entries()) {
      // Others are answered meanwhile.
      if (k % rowsBetweenPauses === 0) await new Promise((resolve) => setTimeout(resolve, 0));
      const at = `tables/${t.name}.jsonl, line ${k + 1}`;
      const row: Row = {};
      for (const [key, column] of columns) {
        const value = valueFor(column, given[key]);
        if (value === undefined) wrong(at, `${key} is missing or of another type`);
        else if (value !== null || !column.hasDefault) row[key] = value;
      }
      const checked = shape ? v.safeParse(shape, given, { abortPipeEarly: true }) : null;
      if (checked && !checked.success) {
        const [issue] = checked.issues;
        wrong(at, `${v.getDotPath(issue) ?? ''} ${issue.message}`.trim());
      }
      list.push(row);
    }
    rows.set(t.name, list);
  }
  if ((rows.get('household') ?? []).length !== 1) wrong('tables/household.jsonl', 'must hold exactly one row');
  const pictures = rows.get('photo') ?? [];
  for (const p of pictures)
    if (!archive.pictures.has(String(p.id)) || !archive.pictures.has(`${String(p.id)}.small`))
      wrong(`pictures/${String(p.id)}.webp`, 'is missing');
  const bytes = [...archive.pictures.values()].reduce((n, b) => n + b.length, 0);
  if (bytes > photoQuotaBytes) wrong('pictures', `are larger than ${photoQuotaBytes / 1e6} MB together`);
  if (problems.length === 0) problems.push(...hamperProblems(rows));
  return { rows, problems };
}

/** Pieces, machines and products are looked at as their document would be. */
function hamperProblems(rows: ReadonlyMap<string, Row[]>): Problem[] {
  const of = (name: string): Row[] => rows.get(name) ?? [];
  const [home] = of('household');
  const garmentRows = of('garment');
  const never = { washCount: 0, wearsSinceWash: 0, tests: [], measures: [] };
  const document = {
    format: 'neat-fold/hamper',
    version: 1,
    now: '2026-01-01T00:00:00Z',
    household: {
      rules: home?.rules,
      daysToNextWash: home?.daysToNextWash,
      times: home?.times,
      water: home?.water,
      tariff: home?.tariff,
      room: home?.room,
      washers: of('washer').map((w) => ({
        ...pick(w, [
          'id',
          'name',
          'loading',
          'drumRadiusM',
          'drumVolumeL',
          'pricePerRun',
          'refusesForms',
          'bleachDispenser',
        ]),
        programmes: of('programme')
          .filter((p) => p.washerId === w.id)
          .map((p) =>
            pick(p, [
              'id',
              'name',
              'family',
              'action',
              'temperaturesC',
              'spinsRpm',
              'maxLoadKg',
              'durationMin',
              'waterL',
              'energyKwhAt',
            ]),
          ),
      })),
      dryers: of('equipment').flatMap((e) => (e.kind === 'dryer' ? [e.body] : [])),
      dryingPlaces: of('equipment').flatMap((e) => (e.kind === 'drying-place' ? [e.body] : [])),
      basins: of('equipment').flatMap((e) => (e.kind === 'basin' ? [e.body] : [])),
      products: of('product').map((p) => pick(p, ['id', 'name', 'class', 'form', 'dose', 'remaining', 'pricePerUnit'])),
    },
    garments: garmentRows.map((row) => {
      const basket = of('basket_entry').find((b) => b.garmentId === row.id)?.state ?? null;
      return garmentDocument({ row, state: never, basket } as unknown as Piece);
    }),
  };
  const read = readHamperValue(document);
  return read.ok ? [] : read.problems.map((p) => ({ ...p, path: placeOf(p.path, garmentRows) }));
}
const placeOf = (path: string, pieces: readonly Row[]): string => {
  const k = /^garments\[(\d+)\]/.exec(path)?.[1];
  return k === undefined
    ? path
    : `tables/garment.jsonl, line ${Number(k) + 1} (${String(pieces[Number(k)]?.id)}): ${path}`;
};
const pick = (row: Row, names: readonly string[]): Row =>
  Object.fromEntries(names.filter((n) => row[n] !== undefined).map((n) => [n, row[n]]));

const perInsert = 500;
/** Put the checked rows of an archive into this household, which must be empty. */
export async function storeArchive(
  tx: Transaction,
  householdId: string,
  archive: Archive,
  rows: ReadonlyMap<string, Row[]>,
): Promise<void> {
  let eventNumbers: ReadonlyMap<number, number> = new Map();
  for (const t of kept) {
    const list = rows.get(t.name) ?? [];
    const numbers = await freshNumbers(tx, t, list);
    if (t.name === 'event') eventNumbers = numbers;
    const ready = list.map((row): Row => {
      const next: Row = { ...row, householdId };
      if (t.counted) next[t.counted] = numbers.get(Number(row[t.counted]));
      if (t.name === 'event') next.data = pointing(row.data as Row, numbers);
      if (t.name === 'import') next.events = eventsBy(row.events, eventNumbers);
      if (t.name === 'photo') {
        next.picture = Buffer.from(archive.pictures.get(String(row.id)) ?? []);
        next.thumb = Buffer.from(archive.pictures.get(`${String(row.id)}.small`) ?? []);
      }
      return next;
    });
    const step = t.name === 'photo' ? 10 : t.step ? Math.min(t.step, perInsert) : perInsert;
    for (let at = 0; at < ready.length; at += step) await tx.insert(t.table).values(ready.slice(at, at + step));
  }
}
/** Numbers of our own for those of the archive, in the same order. */
async function freshNumbers(tx: Transaction, t: KeptTable, rows: readonly Row[]): Promise<Map<number, number>> {
  if (!t.counted || rows.length === 0) return new Map();
  const { rows: fresh } = await tx.execute<{ n: string }>(
    sql`select nextval(pg_get_serial_sequence(${t.name}, ${t.counted})) as n from generate_series(1, ${rows.length})`,
  );
  const free = fresh.map((r) => Number(r.n)).sort((a, b) => a - b);
  const old = rows.map((r) => Number(r[t.counted ?? ''])).sort((a, b) => a - b);
  return new Map(old.map((n, k) => [n, free[k] ?? 0]));
}
/** What is in an archive, in numbers. */
export const archiveContents = (archive: Archive) => ({
  name: archive.manifest.name,
  pieces: archive.tables.get('garment')?.length ?? 0,
  events: archive.tables.get('event')?.length ?? 0,
  loads: archive.tables.get('load')?.length ?? 0,
  pictures: archive.tables.get('photo')?.length ?? 0,
  wishes: archive.tables.get('wish')?.length ?? 0,
});
