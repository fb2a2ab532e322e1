/** The household: rules, water, machines, drying places and cupboard. */
import { and, asc, desc, eq, lte, sql } from 'drizzle-orm';
import type { HouseholdDocument } from '../formats/hamper-schema.ts';
import type { Transaction } from './client.ts';
import {
  equipment,
  householdChanges,
  households,
  products,
  programmes,
  washers,
  type DoseMeasure,
  type EquipmentKind,
  type HouseholdView,
  type OptionNames,
} from './schema.ts';

export type ProductDocument = NonNullable<HouseholdDocument['products']>[number];
export type WasherDocument = NonNullable<HouseholdDocument['washers']>[number];
export type ProgrammeDocument = WasherDocument['programmes'][number];
export type { HouseholdView } from './schema.ts';

/** The household as the hamper document keeps it; null when there is none yet. */
export async function readHousehold(tx: Transaction): Promise<HouseholdView | null> {
  const [row] = await tx.select().from(households);
  if (!row) return null;
  const washerRows = await tx.select().from(washers).orderBy(asc(washers.position));
  const programmeRows = await tx.select().from(programmes).orderBy(asc(programmes.position));
  const equipmentRows = await tx.select().from(equipment).orderBy(asc(equipment.position));
  const productRows = await tx.select().from(products).orderBy(asc(products.position));
  const bodies = (kind: EquipmentKind): never[] =>
    equipmentRows.filter((e) => e.kind === kind).map((e) => e.body) as never[];
  return {
    name: row.name,
    timeZone: row.timeZone,
    nets: { all: row.nets, withoutMetal: row.netsWithoutMetal },
    poisonCentre: row.poisonCentre,
    children: row.children,
    people: row.peopleNames,
    units: row.units,
    measures: Object.fromEntries(
      productRows.flatMap((p) =>
        p.measureName && p.measureHolds ? [[p.id, { name: p.measureName, holds: p.measureHolds }]] : [],
      ),
    ),
    optionNames: Object.fromEntries(
      washerRows.flatMap((w) => (Object.keys(w.optionNames).length > 0 ? [[w.id, w.optionNames]] : [])),
    ),
    document: {
      rules: row.rules,
      daysToNextWash: row.daysToNextWash,
      times: row.times,
      water: row.water,
      tariff: row.tariff,
      room: row.room,
      washers: washerRows.map((w) => ({
        id: w.id,
        name: w.name,
        loading: w.loading,
        drumRadiusM: w.drumRadiusM,
        drumVolumeL: w.drumVolumeL,
        pricePerRun: w.pricePerRun,
        refusesForms: w.refusesForms,
        bleachDispenser: w.bleachDispenser,
        programmes: programmeRows
          .filter((p) => p.washerId === w.id)
          .map((p) => ({
            id: p.id,
            name: p.name,
            family: p.family,
            action: p.action,
            temperaturesC: p.temperaturesC,
            spinsRpm: p.spinsRpm,
            maxLoadKg: p.maxLoadKg,
            durationMin: p.durationMin,
            waterL: p.waterL,
            energyKwhAt: p.energyKwhAt,
          })),
      })),
      dryers: bodies('dryer'),
      dryingPlaces: bodies('drying-place'),
      basins: bodies('basin'),
      products: productRows.map((p) => ({
        id: p.id,
        name: p.name,
        class: p.class,
        form: p.form,
        dose: p.dose,
        remaining: p.remaining,
        pricePerUnit: p.pricePerUnit,
      })),
    },
  };
}

/** What of a household stands in its own row; the rest has rows of its own. */
const generalOf = (view: HouseholdView) => ({
  name: view.name,
  timeZone: view.timeZone,
  rules: view.document.rules ?? {},
  daysToNextWash: view.document.daysToNextWash ?? 3,
  water: view.document.water ?? {},
  tariff: view.document.tariff ?? {},
  room: view.document.room ?? {},
  times: view.document.times ?? {},
  units: view.units,
  nets: view.nets.all,
  netsWithoutMetal: view.nets.withoutMetal,
  poisonCentre: view.poisonCentre,
  children: view.children,
  peopleNames: view.people ?? [],
});
export async function createHousehold(tx: Transaction, householdId: string, view: HouseholdView): Promise<void> {
  const d = view.document;
  await tx.insert(households).values({ householdId, ...generalOf(view) });
  await putThings(tx, householdId, d, view.measures, view.optionNames);
}

/** Machines, places, basins and the cupboard, in their order. */
async function putThings(
  tx: Transaction,
  householdId: string,
  d: HouseholdDocument,
  measures: HouseholdView['measures'],
  optionNames: HouseholdView['optionNames'] = {},
): Promise<void> {
  for (const [position, w] of (d.washers ?? []).entries()) {
    await tx.insert(washers).values({ householdId, position, ...washerRow(w), optionNames: optionNames[w.id] ?? {} });
    if (w.programmes.length > 0)
      await tx
        .insert(programmes)
        .values(w.programmes.map((p, i) => ({ householdId, washerId: w.id, position: i, ...programmeRow(p) })));
  }
  const things: [EquipmentKind, readonly { id: string }[]][] = [
    ['dryer', d.dryers ?? []],
    ['drying-place', d.dryingPlaces ?? []],
    ['basin', d.basins ?? []],
  ];
  for (const [kind, list] of things)
    for (const [position, body] of list.entries())
      await tx.insert(equipment).values({ householdId, kind, id: body.id, position, body: { ...body } });
  for (const [position, p] of (d.products ?? []).entries())
    await tx.insert(products).values({ householdId, position, ...productRow(p, measures[p.id] ?? null) });
}

const washerRow = (w: Omit<WasherDocument, 'programmes'>) => ({
  id: w.id,
  name: w.name ?? w.id,
  loading: w.loading ?? ('front' as const),
  drumRadiusM: w.drumRadiusM ?? null,
  drumVolumeL: w.drumVolumeL ?? null,
  pricePerRun: w.pricePerRun ?? 0,
  refusesForms: w.refusesForms ?? [],
  bleachDispenser: w.bleachDispenser ?? false,
});
const programmeRow = (p: ProgrammeDocument) => ({
  id: p.id,
  name: p.name ?? p.id,
  family: p.family,
  action: p.action,
  temperaturesC: p.temperaturesC,
  spinsRpm: p.spinsRpm,
  maxLoadKg: p.maxLoadKg,
  durationMin: p.durationMin,
  waterL: p.waterL ?? null,
  energyKwhAt: p.energyKwhAt ?? null,
});
const productRow = (p: ProductDocument, measure: DoseMeasure | null) => ({
  id: p.id,
  name: p.name ?? p.id,
  class: p.class,
  form: p.form,
  dose: p.dose ?? null,
  remaining: p.remaining ?? null,
  pricePerUnit: p.pricePerUnit ?? null,
  measureName: measure?.name ?? null,
  measureHolds: measure?.holds ?? null,
});

export async function saveGeneral(
  tx: Transaction,
  patch: Partial<
    Pick<
      typeof households.$inferInsert,
      | 'name'
      | 'rules'
      | 'daysToNextWash'
      | 'water'
      | 'tariff'
      | 'room'
      | 'nets'
      | 'netsWithoutMetal'
      | 'poisonCentre'
      | 'children'
      | 'times'
      | 'units'
      | 'peopleNames'
      | 'timeZone'
    >
  >,
): Promise<void> {
  await tx.update(households).set(patch);
}

/** Change or add a programme of a washer; false when there is no such washer. */
export async function saveProgramme(
  tx: Transaction,
  householdId: string,
  washerId: string,
  p: ProgrammeDocument,
): Promise<boolean> {
  const [washer] = await tx.select({ id: washers.id }).from(washers).where(eq(washers.id, washerId));
  if (!washer) return false;
  const row = programmeRow(p);
  const existing = await tx.select({ id: programmes.id }).from(programmes).where(eq(programmes.washerId, washerId));
  await tx
    .insert(programmes)
    .values({ householdId, washerId, position: existing.length, ...row })
    .onConflictDoUpdate({ target: [programmes.householdId, programmes.washerId, programmes.id], set: row });
  return true;
}
export async function removeProgramme(tx: Transaction, washerId: string, programmeId: string): Promise<void> {
  await tx.delete(programmes).where(and(eq(programmes.washerId, washerId), eq(programmes.id, programmeId)));
}

export async function saveProduct(
  tx: Transaction,
  householdId: string,
  p: ProductDocument,
  measure: DoseMeasure | null,
): Promise<void> {
  const row = productRow(p, measure);
  const existing = await tx.select({ id: products.id }).from(products);
  await tx
    .insert(products)
    .values({ householdId, position: existing.length, ...row })
    .onConflictDoUpdate({ target: [products.householdId, products.id], set: row });
}
export async function removeProduct(tx: Transaction, productId: string): Promise<void> {
  await tx.delete(products).where(eq(products.id, productId));
}
/** Take a dose out of the cupboard; never below empty. Unknown amounts stay unknown. */
export async function takeFromCupboard(tx: Transaction, productId: string, amount: number): Promise<void> {
  const [p] = await tx
    .select({ remaining: products.remaining })
    .from(products)
    .where(eq(products.id, productId))
    .for('update');
  if (p?.remaining != null)
    await tx
      .update(products)
      .set({ remaining: Math.max(0, p.remaining - amount) })
      .where(eq(products.id, productId));
}

const next = (positions: { position: number }[]): number => Math.max(-1, ...positions.map((p) => p.position)) + 1;

/** Change a washer, or add one with its programmes. */
export async function saveWasher(tx: Transaction, householdId: string, w: WasherDocument): Promise<void> {
  const row = washerRow(w);
  const [known] = await tx.select({ id: washers.id }).from(washers).where(eq(washers.id, w.id));
  if (known) {
    await tx.update(washers).set(row).where(eq(washers.id, w.id));
    return;
  }
  const all = await tx.select({ position: washers.position }).from(washers);
  await tx.insert(washers).values({ householdId, position: next(all), ...row });
  for (const p of w.programmes) await saveProgramme(tx, householdId, w.id, p);
}
/** What the machine's buttons for its options are called. */
export async function saveOptionNames(tx: Transaction, washerId: string, optionNames: OptionNames): Promise<void> {
  await tx.update(washers).set({ optionNames }).where(eq(washers.id, washerId));
}
export async function removeWasher(tx: Transaction, washerId: string): Promise<void> {
  await tx.delete(washers).where(eq(washers.id, washerId));
}

export type ThingDocument = { id: string } & Record<string, unknown>;
/** Change or add a dryer, a drying place or a basin. */
export async function saveThing(
  tx: Transaction,
  householdId: string,
  kind: EquipmentKind,
  body: ThingDocument,
): Promise<void> {
  const all = await tx.select({ position: equipment.position }).from(equipment).where(eq(equipment.kind, kind));
  await tx
    .insert(equipment)
    .values({ householdId, kind, id: body.id, position: next(all), body })
    .onConflictDoUpdate({ target: [equipment.householdId, equipment.kind, equipment.id], set: { body } });
}
export async function removeThing(tx: Transaction, kind: EquipmentKind, id: string): Promise<void> {
  await tx.delete(equipment).where(and(eq(equipment.kind, kind), eq(equipment.id, id)));
}

const keptChanges = 20;
/** Remember what the household is before it is changed: `note` says what is about to change, `subject` which thing. */
export async function rememberHousehold(
  tx: Transaction,
  householdId: string,
  change: { note: string; subject?: string; at: Date },
): Promise<void> {
  const before = await readHousehold(tx);
  if (!before) return;
  await tx.insert(householdChanges).values({ householdId, ...change, before });
  const old = await tx
    .select({ id: householdChanges.id })
    .from(householdChanges)
    .orderBy(desc(householdChanges.id))
    .offset(keptChanges)
    .limit(1);
  if (old[0]) await tx.delete(householdChanges).where(lte(householdChanges.id, old[0].id));
}
/** The newest change that can be taken back. */
export async function newestChange(tx: Transaction): Promise<{ id: number; at: Date; note: string } | null> {
  const [row] = await tx
    .select({ id: householdChanges.id, at: householdChanges.at, note: householdChanges.note })
    .from(householdChanges)
    .orderBy(desc(householdChanges.id))
    .limit(1);
  return row ?? null;
}
/**
 * Take the newest change back, if it still is the newest. What was used from the cupboard since then stays used.
 * Returns false when another change came after it.
 */
export async function takeBackChange(tx: Transaction, householdId: string, changeId: number): Promise<boolean> {
  const [row] = await tx.select().from(householdChanges).orderBy(desc(householdChanges.id)).limit(1);
  if (row?.id !== changeId) return false;
  const now = await readHousehold(tx);
  const left = new Map((now?.document.products ?? []).map((p) => [p.id, p.remaining]));
  const { before } = row;
  const document: HouseholdDocument = {
    ...before.document,
    products: (before.document.products ?? []).map((p) => {
      const remaining = left.get(p.id);
      const used = typeof p.remaining === 'number' && typeof remaining === 'number' && remaining < p.remaining;
      return used && p.id !== row.subject ? { ...p, remaining } : p;
    }),
  };
  await tx.delete(washers);
  await tx.delete(equipment);
  await tx.delete(products);
  await saveGeneral(tx, generalOf({ ...before, document }));
  await putThings(tx, householdId, document, before.measures, before.optionNames);
  await tx.delete(householdChanges).where(eq(householdChanges.id, changeId));
  return true;
}

/** The households of this machine, oldest first. */
export async function householdsHere(tx: Transaction): Promise<{ id: string; name: string }[]> {
  const { rows } = await tx.execute<{ id: string; name: string }>(sql`select id, name from households_here()`);
  return rows;
}
/** Forget this household for good, with everything in it. */
export async function forgetHousehold(tx: Transaction): Promise<void> {
  await tx.execute(sql`select forget_household()`);
}
