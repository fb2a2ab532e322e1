/** Pieces, and their state today as the events tell it. */
import { and, asc, eq, inArray, isNotNull, isNull, ne, sql } from 'drizzle-orm';
import { agentTested } from '../core/chemistry/agents.ts';
import { testPassed } from '../core/chemistry/cloth.ts';
import type { Parting } from '../core/piece/state.ts';
import { isSize, type Measure } from '../core/garment/measures.ts';
import type { GarmentDocument } from '../formats/hamper-schema.ts';
import type { Transaction } from './client.ts';
import { stands } from './events.ts';
import { basketEntries, events, garments, type BasketState, type MarkedStain, wetPieces } from './schema.ts';

export type GarmentRow = typeof garments.$inferSelect;
export type GarmentInput = Pick<
  GarmentRow,
  | 'name'
  | 'owner'
  | 'kind'
  | 'size'
  | 'heightCm'
  | 'parts'
  | 'traits'
  | 'colours'
  | 'dye'
  | 'label'
  | 'dryMassG'
  | 'valueEur'
  | 'use'
  | 'count'
  | 'set'
>;

/** What the events say: washes ever, wears since the last wash, tests and catcher readings. */
export interface DerivedState {
  washCount: number;
  wearsSinceWash: number;
  lastWashedAt: Date | null;
  lastWornAt: Date | null;
  /** Fed, brushed, aired or cleaned. */ lastCaredAt: Date | null;
  /** In the last four weeks. */ recentWears: number;
  measures: Measure[];
  /** What was taken off and is not back yet. */ detached: string | null;
  /** What asks to be mended before it is washed. */ mend: string | null;
  tests: NonNullable<GarmentDocument['tests']>;
  /** Every reading that was not struck out, oldest first, as it was made. */
  readings: Reading[];
}
export interface Reading {
  eventId: number;
  at: Date;
  kind: 'spot' | 'part' | 'catcher';
  /** An agent or a preparation. */
  agent: string;
  grade: number;
}
export interface Piece {
  row: GarmentRow;
  state: DerivedState;
  basket: BasketState | null;
  /** What its owner and its measures have taught; missing = nothing, or nobody asked. */
  learnt?: NonNullable<GarmentDocument['learnt']>;
}

const never: DerivedState = {
  washCount: 0,
  wearsSinceWash: 0,
  lastWashedAt: null,
  lastWornAt: null,
  lastCaredAt: null,
  recentWears: 0,
  measures: [],
  detached: null,
  mend: null,
  tests: [],
  readings: [],
};

const dateOf = (text: string | null): Date | null => (text === null ? null : new Date(text));
async function deriveStates(tx: Transaction, ids: readonly string[] | null): Promise<Map<string, DerivedState>> {
  const scope = ids === null ? undefined : inArray(events.garmentId, [...ids]);
  // One pass over the events, without a join: a plan of the database that is bad for a new household cannot make it slow.
  const past = tx.$with('past').as(
    tx
      .select({
        garmentId: events.garmentId,
        kind: events.kind,
        at: events.at,
        times: sql<number>`coalesce((${events.data}->>'count')::int, 1)`.as('times'),
        lastWashAt: sql<
          string | null
        >`max(${events.at}) filter (where ${events.kind} in ('washed', 'cleaned')) over (partition by ${events.garmentId})`.as(
          'last_wash_at',
        ),
      })
      .from(events)
      .where(and(scope, stands())),
  );
  const counts = await tx
    .with(past)
    .select({
      garmentId: past.garmentId,
      washes: sql<string>`sum(case when ${past.kind} = 'washed' then ${past.times} else 0 end)`,
      wears: sql<string>`sum(case when ${past.kind} = 'worn' and (${past.lastWashAt} is null or ${past.at} > ${past.lastWashAt}) then ${past.times} else 0 end)`,
      lastWashedAt: sql<string | null>`max(${past.lastWashAt})`,
      lastWornAt: sql<string | null>`max(${past.at}) filter (where ${past.kind} = 'worn')`,
      lastCaredAt: sql<string | null>`max(${past.at}) filter (where ${past.kind} in ('aired', 'cleaned', 'mended'))`,
      recentWears: sql<string>`coalesce(sum(${past.times}) filter (where ${past.kind} = 'worn' and ${past.at} > now() - interval '28 days'), 0)`,
    })
    .from(past)
    .groupBy(past.garmentId);
  const tests = await tx
    .select({ id: events.id, garmentId: events.garmentId, at: events.at, data: events.data })
    .from(events)
    .where(
      sql`${events.kind} in ('tested', 'read') and ${events.data} ? 'test' and ${stands()} ${scope ? sql`and ${scope}` : sql``}`,
    )
    .orderBy(asc(events.at), asc(events.id));
  const out = new Map<string, DerivedState>();
  for (const c of counts)
    out.set(c.garmentId, {
      washCount: Number(c.washes),
      wearsSinceWash: Number(c.wears),
      lastWashedAt: dateOf(c.lastWashedAt),
      lastWornAt: dateOf(c.lastWornAt),
      lastCaredAt: dateOf(c.lastCaredAt),
      recentWears: Number(c.recentWears),
      measures: [],
      detached: null,
      mend: null,
      tests: [],
      readings: [],
    });
  const others = await tx
    .select({ garmentId: events.garmentId, at: events.at, kind: events.kind, data: events.data })
    .from(events)
    .where(
      sql`(${events.kind} = 'mended' or ${events.data} ?| array['measure', 'detached', 'refitted', 'mend']) and ${stands()} ${scope ? sql`and ${scope}` : sql``}`,
    )
    .orderBy(asc(events.at), asc(events.id));
  for (const { garmentId, at, kind, data } of others) {
    const state = out.get(garmentId);
    if (!state) continue;
    if (data.measure) state.measures.push({ ...data.measure, at: at.toISOString() });
    if (data.detached) state.detached = data.detached;
    if (data.refitted) state.detached = null;
    if (data.mend) state.mend = data.mend;
    if (kind === 'mended') state.mend = null;
  }
  for (const { id, garmentId, at, data } of tests) {
    const state = out.get(garmentId);
    if (!state || !data.test) continue;
    const { kind, grade, agent = 'water' } = data.test;
    state.readings.push({ eventId: id, at, kind, agent, grade });
    const tested = agentTested(agent, testPassed(grade));
    if (tested)
      state.tests.push({ kind, ...(tested === 'water' ? {} : { agent: tested }), grade, at: at.toISOString() });
  }
  return out;
}

/** The pieces of the wardrobe with today's state, in the order they joined; those that left it only when they are asked for. */
export async function listPieces(tx: Transaction, which: 'here' | 'gone' = 'here'): Promise<Piece[]> {
  const rows = await tx
    .select()
    .from(garments)
    .where(which === 'here' ? isNull(garments.retiredAt) : isNotNull(garments.retiredAt))
    .orderBy(asc(garments.position));
  const states = await deriveStates(tx, null);
  const entries = await tx.select().from(basketEntries);
  const basket = new Map(entries.map((e) => [e.garmentId, e.state]));
  return rows.map((row) => ({ row, state: states.get(row.id) ?? never, basket: basket.get(row.id) ?? null }));
}

/** Every piece that is here or was, without its past: for names, colours and kinds of a long log. */
export async function barePieces(tx: Transaction): Promise<Piece[]> {
  const rows = await tx.select().from(garments).orderBy(asc(garments.position));
  return rows.map((row) => ({ row, state: never, basket: null }));
}

export async function findPiece(tx: Transaction, id: string): Promise<Piece | null> {
  const [row] = await tx.select().from(garments).where(eq(garments.id, id));
  if (!row) return null;
  const [entry] = await tx.select().from(basketEntries).where(eq(basketEntries.garmentId, id));
  return { row, state: (await deriveStates(tx, [id])).get(id) ?? never, basket: entry?.state ?? null };
}

export async function addGarment(tx: Transaction, householdId: string, id: string, input: GarmentInput): Promise<void> {
  await tx.insert(garments).values({ householdId, id, ...input });
}
/** A piece leaves the wardrobe, or comes back (`because` null); its history stays. It is taken out of the basket, and off the line. */
export async function setRetired(tx: Transaction, id: string, because: Parting | null, at: Date): Promise<void> {
  if (because) {
    await tx.delete(basketEntries).where(eq(basketEntries.garmentId, id));
    await tx.delete(wetPieces).where(eq(wetPieces.garmentId, id));
  }
  await tx
    .update(garments)
    .set({ retiredAt: because ? at : null, retiredBecause: because, updatedAt: at })
    .where(eq(garments.id, id));
}
/** Forget a piece for good, with its history. */
export async function forgetGarment(tx: Transaction, id: string): Promise<void> {
  await tx.execute(sql`select forget_garment(${id})`);
}
/** Who the pieces belong to, in the order they were first named. */
export async function peopleOf(tx: Transaction): Promise<string[]> {
  const rows = await tx
    .select({ owner: garments.owner, first: sql<number>`min(${garments.position})` })
    .from(garments)
    .where(ne(garments.owner, ''))
    .groupBy(garments.owner)
    .orderBy(sql`min(${garments.position})`);
  return rows.map((r) => r.owner);
}
/** The owner's accepted risk in words; null = the label is obeyed. */
export async function setTestFirstRisk(tx: Transaction, id: string, risk: string | null): Promise<void> {
  await tx.update(garments).set({ testFirstRisk: risk, updatedAt: new Date() }).where(eq(garments.id, id));
}
export async function changeGarment(tx: Transaction, id: string, input: GarmentInput): Promise<boolean> {
  const changed = await tx
    .update(garments)
    .set({ ...input, updatedAt: new Date() })
    .where(eq(garments.id, id))
    .returning({ id: garments.id });
  return changed.length > 0;
}

/** The mark as it is now: older by the time since it was noted, in tenths of an hour. */
function stainDocument(
  { notedAt, spot: _spot, ...stain }: MarkedStain,
  now: Date,
): NonNullable<GarmentDocument['stains']>[number] {
  if (!notedAt || stain.ageHours === null || stain.ageHours === undefined) return stain;
  return {
    ...stain,
    ageHours: Math.round((stain.ageHours + Math.max(0, now.getTime() - Date.parse(notedAt)) / 3_600_000) * 10) / 10,
  };
}

/** A piece as the hamper document keeps it; what nobody said stays at the format's defaults. */
export function garmentDocument({ row, state, basket, learnt }: Piece, now: Date = new Date()): GarmentDocument {
  return {
    id: row.id,
    name: row.name,
    kind: row.kind,
    parts: row.parts,
    construction: [],
    features: row.traits,
    colours: row.colours,
    dye: row.dye,
    label: row.label ?? null,
    dryMassG: row.dryMassG,
    size: row.size,
    heightCm: row.heightCm,
    washCount: state.washCount,
    wearsSinceWash: state.wearsSinceWash,
    tests: state.tests,
    measures: state.measures.filter(isSize),
    valueEur: row.valueEur,
    odour: basket?.odour ?? false,
    worn: { activity: basket?.activity ?? 'normal' },
    soil: basket?.soil ?? 'none',
    hygiene: basket?.hygiene ?? false,
    stains: (basket?.stains ?? []).map((s) => stainDocument(s, now)),
    ...(basket?.soaked ? { soaked: true } : {}),
    allowTestFirst: row.testFirstRisk !== null,
    neededBy: basket?.neededBy ?? null,
    include: true,
    use: row.use,
    count: row.count,
    set: row.set,
    ...(learnt ? { learnt } : {}),
  };
}
