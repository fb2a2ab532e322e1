/** Pieces taken in from a file or a table: what would change, storing it, and taking it back. */
import { randomUUID } from 'node:crypto';
import { desc, eq } from 'drizzle-orm';
import type { GarmentDocument } from '../formats/hamper-schema.ts';
import { emptyState, putInBasket } from './basket.ts';
import type { Transaction } from './client.ts';
import { appendEvents, type NewEvent, type Writer } from './events.ts';
import {
  addGarment,
  changeGarment,
  findPiece,
  forgetGarment,
  listPieces,
  setTestFirstRisk,
  type GarmentInput,
  type GarmentRow,
} from './garments.ts';
import { isUuid } from './ids.ts';
import { strikeAll } from './log.ts';
import { storeLog, type LogImport } from './log-document.ts';
import { imports } from './schema.ts';

const fieldsOfPiece = [
  'name',
  'owner',
  'kind',
  'size',
  'heightCm',
  'parts',
  'traits',
  'colours',
  'dye',
  'label',
  'dryMassG',
  'valueEur',
  'use',
  'count',
  'set',
] as const satisfies readonly (keyof GarmentInput)[];

/** Field by field in one order, so that two pieces of the same facts are the same text. */
function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical);
  if (value === null || typeof value !== 'object') return value ?? null;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, x]) => x !== null && x !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, x]) => [k, canonical(x)]),
  );
}
const same = (a: unknown, b: unknown): boolean => JSON.stringify(canonical(a)) === JSON.stringify(canonical(b));

const inputOf = (row: GarmentRow): GarmentInput =>
  Object.fromEntries(fieldsOfPiece.map((k) => [k, row[k]])) as unknown as GarmentInput;

/**
 * A document as the row it becomes. What the document does not say stays as it was (`before`), or is at its usual value: a table knows neither
 * owner nor filling.
 */
function rowOf(g: GarmentDocument, before: GarmentRow | null): GarmentInput {
  const kept = before?.parts.filter((p) => !g.parts.some((x) => x.role === p.role)) ?? [];
  return {
    name: g.name,
    owner: before?.owner ?? '',
    kind: g.kind,
    size: g.size ?? before?.size ?? 'M',
    heightCm: g.heightCm === undefined ? (before?.heightCm ?? null) : g.heightCm,
    parts: [...g.parts, ...kept],
    traits:
      g.construction || g.features
        ? [...new Set([...(g.construction ?? []), ...(g.features ?? [])])]
        : (before?.traits ?? []),
    colours: g.colours,
    dye: g.dye ?? before?.dye ?? 'unknown',
    label:
      g.label === undefined
        ? (before?.label ?? null)
        : g.label && before?.label
          ? { ...before.label, ...g.label }
          : g.label,
    dryMassG: g.dryMassG === undefined ? (before?.dryMassG ?? null) : g.dryMassG,
    valueEur: g.valueEur ?? before?.valueEur ?? 20,
    use: g.use === undefined ? (before?.use ?? null) : g.use,
    count: g.count ?? before?.count ?? 1,
    set: g.set === undefined ? (before?.set ?? null) : g.set,
  };
}

export interface ImportPreview {
  added: { id: string; name: string }[];
  changed: { id: string; name: string; fields: string[] }[];
  same: number;
}
const byId = async (tx: Transaction): Promise<Map<string, GarmentRow>> =>
  new Map([...(await listPieces(tx)), ...(await listPieces(tx, 'gone'))].map((p) => [p.row.id, p.row]));

/** What storing these pieces would do; nothing is stored. */
export async function previewImport(tx: Transaction, garments: readonly GarmentDocument[]): Promise<ImportPreview> {
  const known = await byId(tx);
  const preview: ImportPreview = { added: [], changed: [], same: 0 };
  for (const g of garments) {
    const before = known.get(g.id);
    if (!before) {
      preview.added.push({ id: g.id, name: g.name });
      continue;
    }
    const after = rowOf(g, before);
    const fields = fieldsOfPiece.filter((k) => !same(before[k], after[k]));
    if (fields.length === 0) preview.same++;
    else preview.changed.push({ id: g.id, name: g.name, fields });
  }
  return preview;
}

const minute = 60_000;
/** What a document says of a piece's past and of today, as events; `now` is the document's. */
function historyOf(g: GarmentDocument, now: Date): NewEvent[] {
  const before = (minutes: number): Date => new Date(now.getTime() - minutes * minute);
  const events: NewEvent[] = [];
  if (g.washCount)
    events.push({
      garmentId: g.id,
      kind: 'washed',
      at: before(2),
      data: { count: g.washCount, note: 'before Neat Fold' },
    });
  const wears = Math.round(g.wearsSinceWash ?? 0);
  if (wears > 0)
    events.push({ garmentId: g.id, kind: 'worn', at: before(1), data: wears === 1 ? {} : { count: wears } });
  for (const t of g.tests ?? [])
    events.push({
      garmentId: g.id,
      kind: t.kind === 'catcher' ? 'read' : 'tested',
      at: new Date(t.at),
      data: { test: { kind: t.kind, grade: t.grade, ...(t.agent ? { agent: t.agent } : {}) } },
    });
  for (const m of g.measures ?? [])
    events.push({
      garmentId: g.id,
      kind: 'measured',
      at: m.at ? new Date(m.at) : now,
      data: { measure: { place: m.place, cm: m.cm } },
    });
  return events;
}

/** A document as a piece that is new here. */
export const inputOfDocument = (g: GarmentDocument): GarmentInput => rowOf(g, null);

/** A piece that was not here, with its past and, when it is dirty, in the basket. */
async function takeIn(writer: Writer, g: GarmentDocument, now: Date, withState: boolean): Promise<void> {
  const { tx, householdId } = writer;
  await addGarment(tx, householdId, g.id, rowOf(g, null));
  if (g.allowTestFirst) await setTestFirstRisk(tx, g.id, 'as the document says');
  await appendEvents(writer, historyOf(g, now));
  if (withState && g.include !== false)
    await putInBasket(tx, householdId, g.id, {
      ...emptyState,
      soil: g.soil ?? 'normal',
      activity: g.worn?.activity ?? 'normal',
      odour: g.odour ?? false,
      hygiene: g.hygiene ?? false,
      neededBy: g.neededBy ?? null,
      stains: (g.stains ?? []).map((s) => ({ ...s, notedAt: now.toISOString() })),
    });
}

export interface Import {
  garments: readonly GarmentDocument[];
  /** Where it comes from, in words. */
  note: string;
  /** The moment the document speaks of. */
  now: Date;
  /** Whether it knows what is dirty today: a hamper does, a table does not. */
  withState: boolean;
}
/** Store a document's pieces; what was there before is kept, so that it can be taken back. Returns the import's id. */
export async function storeImport(writer: Writer, { garments, note, now, withState }: Import): Promise<string> {
  const { tx, householdId } = writer;
  const known = await byId(tx);
  const before: { id: string; garment: Record<string, unknown> | null }[] = [];
  for (const g of garments) {
    const row = known.get(g.id);
    if (!row) {
      before.push({ id: g.id, garment: null });
      await takeIn(writer, g, now, withState);
      continue;
    }
    const after = rowOf(g, row);
    if (same(inputOf(row), after)) continue;
    before.push({ id: g.id, garment: { ...inputOf(row) } });
    await changeGarment(tx, g.id, after);
  }
  const id = randomUUID();
  await tx.insert(imports).values({ householdId, id, note, before });
  return id;
}

/** Store entries of a log; they can be taken back together. */
export async function storeLogImport(writer: Writer, list: LogImport['events'], note: string): Promise<void> {
  const ids = await storeLog(writer, list);
  await writer.tx
    .insert(imports)
    .values({ householdId: writer.householdId, id: randomUUID(), note, before: [], events: ids });
}

const keptImports = 10;
/** What was taken in, newest first. */
export async function recentImports(
  tx: Transaction,
): Promise<{ id: string; at: Date; note: string; added: number; changed: number; entries: number }[]> {
  const rows = await tx.select().from(imports).orderBy(desc(imports.at)).limit(keptImports);
  return rows.map((r) => ({
    id: r.id,
    at: r.at,
    note: r.note,
    added: r.before.filter((b) => b.garment === null).length,
    changed: r.before.filter((b) => b.garment !== null).length,
    entries: r.events.length,
  }));
}
/** Take an import back: what it added is forgotten, what it changed is as before. False when there is no such import. */
export async function takeBackImport(writer: Writer, importId: string, now: Date): Promise<boolean> {
  const { tx } = writer;
  if (!isUuid(importId)) return false;
  const [row] = await tx.select().from(imports).where(eq(imports.id, importId));
  if (!row) return false;
  for (const { id, garment } of row.before) {
    if (!(await findPiece(tx, id))) continue;
    if (garment === null) await forgetGarment(tx, id);
    else await changeGarment(tx, id, garment as unknown as GarmentInput);
  }
  if (row.events.length > 0) await strikeAll(writer, row.events, now);
  await tx.delete(imports).where(eq(imports.id, importId));
  return true;
}
