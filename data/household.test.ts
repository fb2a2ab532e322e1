import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { sql } from 'drizzle-orm';
import { readHamperValue } from '@formats/hamper.ts';
import { planHamper } from '@formats/plan.ts';
import { usualUnits } from '@core/units/choices.ts';
import { emptyState, putInBasket } from './basket.ts';
import { closeDatabase, database, inHousehold } from './client.ts';
import { demoHouseholdId } from './demo/id.ts';
import { demoWardrobe } from './demo/wardrobe.ts';
import { appendEvents } from './events.ts';
import { addGarment, changeGarment, findPiece, garmentDocument, listPieces, type GarmentInput } from './garments.ts';
import { isoInZone } from '@formats/dates.ts';
import { currentHamper } from './hamper.ts';
import { createHousehold, readHousehold, takeFromCupboard } from './household.ts';
import { findLoad, markFinished, markStarted, newestPlan, runningLoads, storePlan } from './loads.ts';
import { garments, events } from './schema.ts';
import { loadDemo } from './seed.ts';

const now = new Date('2026-05-09T06:00:00Z');
const other = '6f0b1a5e-0000-4000-8000-000000000002';
const sock: GarmentInput = {
  name: 'Sock',
  owner: '',
  kind: 'sock_crew_pair',
  size: 'M',
  heightCm: null,
  parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
  traits: [],
  colours: [{ hex: '#ffffff', role: 'ground' }],
  dye: 'undyed',
  label: null,
  dryMassG: null,
  use: null,
  count: 1,
  set: null,
  valueEur: 5,
};
const demo = <T>(work: Parameters<typeof inHousehold<T>>[1]) => inHousehold(demoHouseholdId, work);

beforeAll(async () => {
  await loadDemo(now);
  await inHousehold(other, async (tx) => {
    if (!(await readHousehold(tx)))
      await createHousehold(tx, other, {
        name: 'Next door',
        timeZone: 'UTC',
        document: {},
        nets: { all: 4, withoutMetal: 2 },
        units: usualUnits,
        measures: {},
        poisonCentre: null,
        children: false,
      });
  });
});
afterAll(closeDatabase);

describe('the demo household', () => {
  test('is big, whole and loaded once', async () => {
    expect(demoWardrobe.length).toBeGreaterThanOrEqual(60);
    expect(new Set(demoWardrobe.map((p) => p.id)).size).toBe(demoWardrobe.length);
    expect(await loadDemo(now)).toBe(false);
    const home = await demo(readHousehold);
    expect(home?.document.washers?.[0]?.programmes.length).toBeGreaterThanOrEqual(10);
  });
  test('every piece and the household make a valid document with a plan of several loads', async () => {
    const hamper = await demo((tx) => currentHamper(tx, now));
    const read = readHamperValue(hamper);
    expect(read.ok ? [] : read.problems).toEqual([]);
    const all = await demo(listPieces);
    const whole = readHamperValue({ ...hamper, garments: all.map((p) => garmentDocument(p)) });
    expect(whole.ok ? [] : whole.problems).toEqual([]);
    if (!read.ok) return;
    const plan = planHamper(read.value);
    expect(hamper?.garments.length).toBeGreaterThanOrEqual(18);
    expect(plan.loads.length).toBeGreaterThanOrEqual(3);
  });
  test('washes and wears follow from the events', async () => {
    const jeans = await demo((tx) => findPiece(tx, 'juna-jeans'));
    expect(jeans?.state).toMatchObject({ washCount: 18, wearsSinceWash: 5 });
    expect(jeans?.state.tests.map((t) => t.grade)).toEqual([5, 4.5]);
    await demo((tx) =>
      appendEvents({ tx, householdId: demoHouseholdId, actor: 'home' }, [
        { garmentId: 'juna-jeans', kind: 'worn', at: now },
        { garmentId: 'juna-jeans', kind: 'washed', at: new Date(now.getTime() + 1000) },
      ]),
    );
    expect((await demo((tx) => findPiece(tx, 'juna-jeans')))?.state).toMatchObject({
      washCount: 19,
      wearsSinceWash: 0,
    });
  });
});

describe('households are walled off', () => {
  test('another household sees none of our rows and cannot write them', async () => {
    expect(await inHousehold(other, listPieces)).toEqual([]);
    expect(await inHousehold(other, (tx) => changeGarment(tx, 'juna-jeans', sock))).toBe(false);
    await expect(inHousehold(other, (tx) => addGarment(tx, demoHouseholdId, 'smuggled', sock))).rejects.toThrow();
    await expect(
      inHousehold(other, (tx) => putInBasket(tx, demoHouseholdId, 'juna-jeans', emptyState)),
    ).rejects.toThrow();
  });
  test('without a household nothing is seen', async () => expect(await database().select().from(garments)).toEqual([]));
  test('the application cannot switch the walls off', async () =>
    expect(database().execute(sql`alter table garment disable row level security`)).rejects.toThrow());
  test('history is append-only', async () => {
    await expect(demo((tx) => tx.delete(events))).rejects.toThrow();
    await expect(demo((tx) => tx.update(events).set({ kind: 'noted' }))).rejects.toThrow();
  });
});

describe('loads', () => {
  const plan = async () => {
    const hamper = await demo((tx) => currentHamper(tx, now));
    const read = readHamperValue(hamper);
    if (!hamper || !read.ok) throw new Error('must be readable');
    const made = planHamper(read.value); // outside: a transaction that stands idle is ended
    await demo((tx) => storePlan(tx, demoHouseholdId, hamper, made));
    return (await demo(newestPlan))!;
  };
  test('a stored plan keeps its bytes', async () => {
    const stored = await plan();
    const read = readHamperValue(stored.hamper);
    if (!read.ok) throw new Error('must be readable');
    expect(JSON.stringify(stored.result)).toBe(JSON.stringify(planHamper(read.value)));
  });
  test('of two starts and two finishes one wins', async () => {
    const id = (await plan()).loads[0]!.id;
    const ends = new Date(now.getTime() + 60_000);
    const starts = await Promise.all([
      demo((tx) => markStarted(tx, id, { startedAt: now, endsAt: ends })),
      demo((tx) => markStarted(tx, id, { startedAt: now, endsAt: ends })),
    ]);
    expect(starts.filter(Boolean)).toHaveLength(1);
    expect((await demo(runningLoads)).map((l) => l.id)).toContain(id);
    const finishes = await Promise.all(
      [1, 2].map(() =>
        demo((tx) => markFinished(tx, id, ends, { catcher: 'none', stains: 'none', size: 'not-looked' })),
      ),
    );
    expect(finishes.filter(Boolean)).toHaveLength(1);
    expect((await demo((tx) => findLoad(tx, id)))?.status).toBe('finished');
  });
  test('an id that is none finds nothing', async () =>
    expect(await demo((tx) => findLoad(tx, "x' or 1=1"))).toBeNull());
  test('pieces in a running load are left out of the next basket', async () => {
    const stored = await plan();
    const load = stored.loads.find((l) => l.status === 'planned')!;
    await demo((tx) => markStarted(tx, load.id, { startedAt: now, endsAt: now }));
    const ids = (await demo((tx) => currentHamper(tx, now)))!.garments.map((g) => g.id);
    for (const g of stored.result.loads[load.number]!.garments) expect(ids).not.toContain(g);
  });
  test('the cupboard never goes below empty', async () => {
    await demo((tx) => takeFromCupboard(tx, 'no-rinse', 20));
    expect((await demo(readHousehold))?.document.products?.find((p) => p.id === 'no-rinse')?.remaining).toBe(130);
    await demo((tx) => takeFromCupboard(tx, 'no-rinse', 9999));
    expect((await demo(readHousehold))?.document.products?.find((p) => p.id === 'no-rinse')?.remaining).toBe(0);
  });
});

test('a time in a zone carries its offset, summer and winter', () => {
  expect(isoInZone(new Date('2026-05-09T06:00:00Z'), 'Europe/Amsterdam')).toBe('2026-05-09T08:00:00+02:00');
  expect(isoInZone(new Date('2026-12-31T23:30:00Z'), 'Europe/Amsterdam')).toBe('2027-01-01T00:30:00+01:00');
  expect(isoInZone(new Date('2026-05-09T06:00:00Z'), 'UTC')).toBe('2026-05-09T06:00:00+00:00');
});
