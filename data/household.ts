/** The household: rules, water, machines, drying places and cupboard. */
import { and, asc, eq } from 'drizzle-orm';
import type { HouseholdDocument } from '../formats/hamper-schema.ts';
import type { Transaction } from './client.ts';
import { equipment, households, products, programmes, washers, type EquipmentKind } from './schema.ts';

export type ProductDocument = NonNullable<HouseholdDocument['products']>[number];
export type WasherDocument = NonNullable<HouseholdDocument['washers']>[number];
export type ProgrammeDocument = WasherDocument['programmes'][number];
export interface HouseholdView {
  name: string;
  timeZone: string;
  document: HouseholdDocument;
  /** Washing nets; the open format does not know them. */ nets: { all: number; withoutMetal: number };
  poisonCentre: string | null;
  /** Children live here or visit. */ children: boolean;
}

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
    document: {
      rules: row.rules,
      daysToNextWash: row.daysToNextWash,
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

export async function createHousehold(tx: Transaction, householdId: string, view: HouseholdView): Promise<void> {
  const d = view.document;
  await tx.insert(households).values({
    householdId,
    name: view.name,
    timeZone: view.timeZone,
    rules: d.rules ?? {},
    daysToNextWash: d.daysToNextWash ?? 3,
    water: d.water ?? {},
    tariff: d.tariff ?? {},
    room: d.room ?? {},
    nets: view.nets.all,
    netsWithoutMetal: view.nets.withoutMetal,
    poisonCentre: view.poisonCentre,
    children: view.children,
  });
  for (const [position, w] of (d.washers ?? []).entries()) {
    await tx.insert(washers).values({
      householdId,
      id: w.id,
      position,
      name: w.name ?? w.id,
      loading: w.loading ?? 'front',
      drumRadiusM: w.drumRadiusM ?? null,
      drumVolumeL: w.drumVolumeL ?? null,
      pricePerRun: w.pricePerRun ?? 0,
    });
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
    await tx.insert(products).values({ householdId, position, ...productRow(p) });
}

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
const productRow = (p: ProductDocument) => ({
  id: p.id,
  name: p.name ?? p.id,
  class: p.class,
  form: p.form,
  dose: p.dose ?? null,
  remaining: p.remaining ?? null,
  pricePerUnit: p.pricePerUnit ?? null,
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

export async function saveProduct(tx: Transaction, householdId: string, p: ProductDocument): Promise<void> {
  const row = productRow(p);
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
