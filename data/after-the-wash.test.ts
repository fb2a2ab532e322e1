/** From the drum to the shelf in the database: wet pieces, their places, dryers, freshening, the cleaner; each once, and in its own household. */
import { readSlowness } from './lessons.ts';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { sql } from 'drizzle-orm';
import { readHamperValue } from '@formats/hamper.ts';
import { planHamper } from '@formats/plan.ts';
import { usualProgrammes } from '@core/setup/usual-programmes.ts';
import { usualUnits } from '@core/units/choices.ts';
import { emptyState, putInBasket, takeFromBasket } from './basket.ts';
import { changeVisit, dropSlip, findVisit, listVisits, piecesAtCleaner, writeSlip } from './cleaner.ts';
import { closeDatabase, inHousehold, lookInHousehold, type Transaction } from './client.ts';
import { appendEvents } from './events.ts';
import { beginFreshening, endFreshening, fresheningOf, stepFreshening } from './freshenings.ts';
import { addGarment, setRetired } from './garments.ts';
import { currentHamper } from './hamper.ts';
import { createHousehold, forgetHousehold, readHousehold, type HouseholdView } from './household.ts';
import { findLoad, markFinished, markStarted, storePlan } from './loads.ts';
import { foretell, hangAll, moveTo, outdoorsBy, readRack, takenOut } from './rack.ts';
import { stageCounts } from './stages.ts';
import { upkeepCounts } from './upkeep.ts';
import {
  airNow,
  changeWet,
  endDryer,
  keepCheck,
  keepWeather,
  listWet,
  putAway,
  putWet,
  runningDryers,
  setAir,
  startDryer,
  weatherFrom,
} from './wet.ts';

const mine = '6f0b1a5e-0000-4000-8000-0000000000d1';
const theirs = '6f0b1a5e-0000-4000-8000-0000000000d2';
const now = new Date('2026-05-09T08:00:00Z');
const hours = (h: number): Date => new Date(now.getTime() + h * 3_600_000);
const view: HouseholdView = {
  name: 'Rack',
  timeZone: 'Europe/Amsterdam',
  nets: { all: 2, withoutMetal: 1 },
  poisonCentre: null,
  children: false,
  units: usualUnits,
  measures: {},
  document: {
    rules: { waiting: 'none' },
    washers: [{ id: 'm', name: 'Machine', programmes: usualProgrammes('front', 7) }],
    dryers: [{ id: 'd', name: 'Dryer', type: 'heat-pump', maxLoadKg: 7, lowTemperature: true }],
    dryingPlaces: [
      { id: 'rack', name: 'Rack', bars: 10, barLengthM: 0.9, flatM2: 0, hangers: 2, outdoors: false, sun: false },
      { id: 'line', name: 'Line', bars: 2, barLengthM: 3, flatM2: 0, hangers: 0, outdoors: true, sun: false },
    ],
    products: [
      {
        id: 'c',
        name: 'Colour liquid',
        class: 'colour',
        form: 'liquid',
        remaining: 900,
        dose: {
          unit: 'ml',
          perLoadKg: 4.5,
          table: {
            soft: { light: 35, normal: 50, heavy: 75 },
            medium: { light: 50, normal: 65, heavy: 90 },
            hard: { light: 65, normal: 80, heavy: 105 },
          },
        },
      },
    ],
  },
};
const at = <T>(work: (tx: Transaction) => Promise<T>, household = mine): Promise<T> => inHousehold(household, work);
const ids = ['a', 'b', 'c'];

beforeAll(async () => {
  for (const id of [mine, theirs])
    await at(async (tx) => {
      if (await readHousehold(tx)) await forgetHousehold(tx);
      await createHousehold(tx, id, view);
    }, id);
  await at(async (tx) => {
    for (const id of ids) {
      await addGarment(tx, mine, id, {
        name: `Tee ${id}`,
        owner: '',
        kind: 'tshirt',
        size: 'M',
        heightCm: null,
        parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
        traits: ['jersey-knit'],
        colours: [{ hex: '#4d6b8a', role: 'ground' }],
        dye: 'reactive',
        label: null,
        dryMassG: 160,
        use: null,
        count: 1,
        set: null,
        valueEur: 15,
      });
      await putInBasket(tx, mine, id, {
        ...emptyState,
        soil: 'normal',
        stains: id === 'c' ? [{ id: 's1', kind: 'coffee', place: 'hem', ageHours: 5 }] : [],
      });
    }
  });
});
afterAll(async () => {
  for (const id of [mine, theirs]) await at(forgetHousehold, id);
  await closeDatabase();
});

let loadId = '';
/** A load with all three, out of the machine half an hour after it ended. */
async function wash(): Promise<void> {
  const read = readHamperValue(await at((tx) => currentHamper(tx, now)));
  if (!read.ok) throw new Error('must be readable');
  const plan = planHamper(read.value); // outside: a transaction that stands idle is ended
  await at(async (tx) => {
    await storePlan(tx, mine, read.value.document, plan, now);
    const { rows } = await tx.execute<{ id: string }>(sql`select id from load order by number limit 1`);
    loadId = rows[0]!.id;
    await markStarted(tx, loadId, { startedAt: hours(-2), endsAt: hours(-0.5) });
    await markFinished(tx, loadId, now, { catcher: 'none', stains: 'none', size: 'not-looked' });
    const load = (await findLoad(tx, loadId))!;
    await takeFromBasket(tx, load.load.garments);
    await takenOut(tx, mine, load, now);
  });
}

describe('the rack', () => {
  test('out of the drum they are wet, with the water of their spin and half an hour of the shut drum', async () => {
    await wash();
    const wet = await at(listWet);
    expect(wet.map((w) => w.garmentId)).toEqual(ids);
    for (const w of wet) {
      expect(w.moisture).toBeGreaterThan(0.4);
      expect(w.moisture).toBeLessThan(0.8);
      expect(w.musty).toBeCloseTo(0.5 / 10, 2);
      expect(w.hungAt).toBeNull();
    }
    expect(await at(stageCounts)).toMatchObject({ drying: 3, dry: 0 });
    expect(await at(stageCounts, theirs)).toMatchObject({ drying: 0, dry: 0 });
  });
  test('each has a place proposed beside the others; a mark keeps its piece from heat', async () => {
    const rack = (await at((tx) => readRack(tx, now)))!;
    expect(rack.drying.map((p) => p.placement.place)).toEqual(['rack', 'rack', 'rack']);
    expect(rack.drying.map((p) => p.marked)).toEqual([false, false, true]);
    const taken = rack.drying.flatMap((p) => p.placement.spots.map((s) => `${s.bar} ${s.atM}`));
    expect(new Set(taken).size).toBe(taken.length);
  });
  test('hung, they have hours of their own, which a window shortens', async () => {
    expect(await at((tx) => hangAll(tx, now, ids))).toBe(3);
    expect(await at((tx) => hangAll(tx, now, ids))).toBe(0);
    const before = (await at(listWet)).map((w) => w.expectedAt!.getTime());
    for (const t of before) expect(t).toBeGreaterThan(now.getTime());
    await at((tx) => setAir(tx, mine, 'window', now));
    expect(await at((tx) => airNow(tx, hours(23)))).toBe('window');
    expect(await at((tx) => airNow(tx, hours(24)))).toBe('as-it-is');
    await at((tx) => foretell(tx, now));
    (await at(listWet)).forEach((w, i) => expect(w.expectedAt!.getTime()).toBeLessThan(before[i]!));
  });
  test('moved, what has dried so far is kept; a bar that is taken, a place that is none and a piece that is none are told', async () => {
    const later = hours(2);
    expect(await at((tx) => moveTo(tx, later, 'a', { place: 'line', position: 'line' }))).toBe('moved');
    const a = (await at(listWet)).find((w) => w.garmentId === 'a')!;
    expect([a.place, a.position, a.hungAt?.getTime()]).toEqual(['line', 'line', later.getTime()]);
    expect(a.moisture).toBeLessThan(0.6);
    const b = (await at(listWet)).find((w) => w.garmentId === 'b')!;
    const taken = b.spots[0]!.bar;
    expect(await at((tx) => moveTo(tx, later, 'c', { place: 'rack', position: 'bars', bar: taken }))).toBe('no-room');
    expect(await at((tx) => moveTo(tx, later, 'c', { place: 'loft', position: 'bars' }))).toBe('not-there');
    expect(await at((tx) => moveTo(tx, later, 'z', { place: 'rack', position: 'bars' }))).toBe('not-here');
    expect(await at((tx) => moveTo(tx, later, 'c', { place: 'line', position: 'flat' }))).not.toBe('moved');
  });
  test('dry is dry once; in the basket again, or worn, it hangs no more', async () => {
    expect(await at((tx) => changeWet(tx, 'a', { dryAt: hours(8) }, 'wet'))).toBe(true);
    expect(await at((tx) => changeWet(tx, 'a', { dryAt: hours(9) }, 'wet'))).toBe(false);
    expect(await at(stageCounts)).toMatchObject({ drying: 2, dry: 1 });
    await at((tx) =>
      appendEvents({ tx, householdId: mine, actor: 'home' }, [{ garmentId: 'b', kind: 'worn', at: hours(9) }]),
    );
    await at((tx) => putInBasket(tx, mine, 'c', emptyState));
    expect((await at(listWet)).map((w) => w.garmentId)).toEqual(['a']);
    expect(await at((tx) => putAway(tx, ['a', 'z']))).toEqual(['a']);
    expect(await at((tx) => putAway(tx, ['a']))).toEqual([]);
  });
  test('given away, it is off the line', async () => {
    await at((tx) => putWet(tx, mine, [{ garmentId: 'b', loadId, outAt: hours(10), moisture: 0.5, musty: 0 }]));
    expect((await at(listWet)).map((w) => w.garmentId)).toEqual(['b']);
    await at((tx) => setRetired(tx, 'b', 'given-away', hours(11)));
    expect(await at(listWet)).toEqual([]);
    await at((tx) => setRetired(tx, 'b', null, hours(12)));
  });
  test('a place learns from what was found there, and only in its own household', async () => {
    const check = { place: 'rack', garmentId: 'a', found: 'damp' as const, hours: 12, modelHours: 8, at: now };
    await at((tx) => keepCheck(tx, mine, check));
    const slowness = async (home?: string) =>
      at(async (tx) => readSlowness(tx, (await readHousehold(tx))!.document), home);
    expect((await slowness()).get('rack')).toBeCloseTo(1.15, 9);
    expect((await slowness(theirs)).size).toBe(0);
  });
});

describe('weather', () => {
  test('a new forecast replaces the old hour; what is long past goes', async () => {
    const hour = (h: number, rainMm: number) => ({
      at: hours(h),
      temperatureC: 15,
      humidity: 0.6,
      windMPerS: 2,
      rainMm,
    });
    await at((tx) => keepWeather(tx, mine, [hour(0, 0), hour(1, 0), hour(-9, 0)], now));
    await at((tx) => keepWeather(tx, mine, [hour(1, 2)], now));
    const told = await at((tx) => weatherFrom(tx, now));
    expect(told.map((w) => w.rainMm)).toEqual([0, 2]);
    const out = outdoorsBy(told, 'Europe/Amsterdam');
    expect(out(now.getTime())).toEqual({ temperatureC: 15, humidity: 0.6, airSpeedMPerS: 2, wet: false });
    expect(out(hours(1).getTime()).wet).toBe(true);
    // Nobody foretold it: a usual May day, and dew by night.
    expect(out(hours(5).getTime())).toMatchObject({ temperatureC: 15, wet: false });
    expect(out(hours(16).getTime()).wet).toBe(true);
  });
});

describe('dryers', () => {
  const run = { dryer: 'd', pieces: ['a'], low: true, kwh: 0.4, startedAt: now, endsAt: hours(1) };
  test('one load in a drum; it ends once', async () => {
    expect(await at((tx) => startDryer(tx, mine, run))).toBe(true);
    expect(await at((tx) => startDryer(tx, mine, run))).toBe(false);
    const [running] = await at(runningDryers);
    expect((await at((tx) => endDryer(tx, running!.id, now)))?.pieces).toEqual(['a']);
    expect(await at((tx) => endDryer(tx, running!.id, now))).toBeNull();
    expect((await at((tx) => upkeepCounts(tx, ['d'], now))).get('d')?.['lint-filter']?.runs).toBe(1);
    expect(await at((tx) => startDryer(tx, mine, run))).toBe(true);
  });
});

describe('freshening', () => {
  test('begun once, each step once, ended once', async () => {
    const begin = () => at((tx) => beginFreshening(tx, mine, 'a', 'air', now));
    expect([await begin(), await begin()]).toEqual([true, false]);
    const step = () => at((tx) => stepFreshening(tx, 'a', 'hang-in-air', hours(8)));
    expect([await step(), await step()]).toEqual([true, false]);
    expect(await at((tx) => fresheningOf(tx, 'a'))).toMatchObject({ done: ['hang-in-air'], clockEndsAt: hours(8) });
    const end = () => at((tx) => endFreshening(tx, 'a', 'fresh', hours(9)));
    expect([await end(), await end()]).toEqual([true, false]);
    expect(await at((tx) => fresheningOf(tx, 'a'))).toBeNull();
    expect(await begin()).toBe(true);
  });
});

describe('the cleaner', () => {
  const piece = { garment: 'a', marks: [], say: '', keeps: '', answers: {} };
  test('written, sent, back: each once, in that order; sent slips are not thrown away', async () => {
    const id = await at((tx) => writeSlip(tx, mine, [piece], now));
    expect(await at((tx) => changeVisit(tx, id, 'away', { returnedAt: now }))).toBe(false);
    expect((await at(piecesAtCleaner)).size).toBe(0);
    expect(await at((tx) => changeVisit(tx, id, 'written', { sentAt: now }))).toBe(true);
    expect(await at((tx) => changeVisit(tx, id, 'written', { sentAt: now }))).toBe(false);
    expect([...(await at(piecesAtCleaner))]).toEqual(['a']);
    expect(await at((tx) => dropSlip(tx, id))).toBe(false);
    expect(await at((tx) => changeVisit(tx, id, 'away', { returnedAt: hours(48), price: 18 }))).toBe(true);
    expect(await at((tx) => changeVisit(tx, id, 'away', { returnedAt: hours(48) }))).toBe(false);
    expect((await at(piecesAtCleaner)).size).toBe(0);
    expect((await at((tx) => findVisit(tx, id)))?.price).toBe(18);
  });
  test('a slip that was not sent is thrown away; another household sees none; an id that is none finds none', async () => {
    const id = await at((tx) => writeSlip(tx, mine, [piece], now));
    expect(await lookInHousehold(theirs, (tx) => findVisit(tx, id))).toBeNull();
    expect(await at((tx) => dropSlip(tx, id), theirs)).toBe(false);
    expect(await at((tx) => dropSlip(tx, id))).toBe(true);
    expect(await at((tx) => findVisit(tx, 'nothing'))).toBeNull();
    expect((await at(listVisits)).length).toBe(1);
  });
});
