/** Loads on their way: one wins, nothing is counted twice; what runs teach; devices and care of the machines behind the household's wall. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { sql } from 'drizzle-orm';
import { beginWalk } from '@core/run/walk-state.ts';
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { planHamper, type PlanDocument } from '@formats/plan.ts';
import { usualProgrammes } from '@core/setup/usual-programmes.ts';
import { usualUnits } from '@core/units/choices.ts';
import { emptyState, putInBasket, takeFromBasket } from './basket.ts';
import { closeDatabase, inHousehold, lookInHousehold, type Transaction } from './client.ts';
import {
  addDevice,
  deviceHome,
  digestOfToken,
  keepSamples,
  listDevices,
  newestSample,
  revokeDevice,
} from './devices.ts';
import { findingsOf, keepFinding, type Finding } from './findings.ts';
import { appendEvents } from './events.ts';
import { addGarment, findPiece } from './garments.ts';
import { currentHamper } from './hamper.ts';
import { createHousehold, forgetHousehold, readHousehold, type HouseholdView } from './household.ts';
import { lessonKey } from '../core/learn/lesson.ts';
import { asLearnt, inForce } from './learnt.ts';
import { readRunLessons, setBelieved } from './lessons.ts';
import {
  changeRunning,
  dropAside,
  findLoad,
  markFinished,
  markNotStarted,
  markStarted,
  isOvertaken,
  newestPlanId,
  piecesInLoads,
  plannedAside,
  storePlan,
} from './loads.ts';
import { loads } from './schema.ts';
import { beginUpkeep, endUpkeep, noteUpkeep, upkeepCounts, upkeepUnderWay } from './upkeep.ts';
import { takenOut } from './rack.ts';
import { changeWet } from './wet.ts';
import { stateOf, whereabouts } from './whereabouts.ts';

const now = new Date('2026-05-09T10:00:00Z');
const mine = '6f0b1a5e-0000-4000-8000-0000000000b1';
const theirs = '6f0b1a5e-0000-4000-8000-0000000000b2';
const minutes = (n: number): Date => new Date(now.getTime() + n * 60_000);
const view: HouseholdView = {
  name: 'Runs',
  timeZone: 'UTC',
  nets: { all: 2, withoutMetal: 1 },
  poisonCentre: null,
  children: false,
  units: usualUnits,
  measures: {},
  document: {
    rules: { waiting: 'none' },
    washers: [{ id: 'w', name: 'Washer', programmes: usualProgrammes('front', 7) }],
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
const writer = (tx: Transaction, householdId = mine) => ({ tx, householdId, actor: 'home' });

async function planOf(tx: Transaction): Promise<{ hamper: HamperDocument; plan: PlanDocument }> {
  const hamper = (await currentHamper(tx, now))!;
  const read = readHamperValue(hamper);
  if (!read.ok) throw new Error('must be readable');
  return { hamper, plan: planHamper(read.value) };
}
/** A stored plan with one machine load; its id. */
async function newLoad(aside = false, createdAt = now): Promise<string> {
  return at(async (tx) => {
    const { hamper, plan } = await planOf(tx);
    const planId = await storePlan(tx, mine, hamper, plan, createdAt, aside);
    const { rows } = await tx.execute<{ id: string }>(
      sql`select id from load where plan_id = ${planId} order by number limit 1`,
    );
    return rows[0]!.id;
  });
}
const start = (tx: Transaction, id: string) => markStarted(tx, id, { startedAt: now, endsAt: minutes(88) });

beforeAll(async () => {
  for (const id of [mine, theirs])
    await at(async (tx) => {
      if (await readHousehold(tx)) await forgetHousehold(tx);
      await createHousehold(tx, id, { ...view, name: id === mine ? 'Runs' : 'Next door' });
    }, id);
  await at(async (tx) => {
    for (const id of ['a', 'b', 'c']) {
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
      await putInBasket(tx, mine, id, { ...emptyState, soil: 'normal' });
    }
  });
});
afterAll(async () => {
  for (const id of [mine, theirs]) await at(forgetHousehold, id);
  await closeDatabase();
});

describe('a load that runs', () => {
  test('what changes while it runs changes only while it runs', async () => {
    const id = await newLoad();
    expect(await at((tx) => changeRunning(tx, id, { trouble: 'error' }))).toBe(false);
    await at((tx) => start(tx, id));
    expect(await at((tx) => changeRunning(tx, id, { trouble: 'error' }))).toBe(true);
    expect((await at((tx) => findLoad(tx, id)))!.trouble).toBe('error');
    await at((tx) => markFinished(tx, id, minutes(90), { catcher: 'none', stains: 'none', size: 'not-looked' }));
    expect(await at((tx) => changeRunning(tx, id, { trouble: 'opened' }))).toBe(false);
  });
  test('of two screens that step on from the same state one wins', async () => {
    const id = await newLoad();
    const walkState = beginWalk();
    await at((tx) => markStarted(tx, id, { startedAt: now, endsAt: minutes(30), walk: null, walkState }));
    const step = (seen: number) =>
      at((tx) => changeRunning(tx, id, { walkState: { ...walkState, at: 1, seen: seen + 1 } }, { seen }));
    expect((await Promise.all([step(0), step(0)])).filter(Boolean)).toHaveLength(1);
    expect(await step(1)).toBe(true);
    await at((tx) => markNotStarted(tx, id));
    expect((await at((tx) => findLoad(tx, id)))!).toMatchObject({ status: 'planned', walkState: null, added: [] });
  });
  test('run again from the beginning takes a new dose; put back by mistake does not', async () => {
    const id = await newLoad();
    await at((tx) => start(tx, id));
    await at((tx) => markNotStarted(tx, id));
    expect((await at((tx) => findLoad(tx, id)))!.doseTaken).toBe(true);
    await at((tx) => start(tx, id));
    await at((tx) => markNotStarted(tx, id, true));
    expect((await at((tx) => findLoad(tx, id)))!.doseTaken).toBe(false);
  });
  test('what was put in afterwards is in the drum, is washed with it, and is wet with it', async () => {
    const id = await newLoad();
    await at((tx) => start(tx, id));
    await at((tx) => changeRunning(tx, id, { added: ['late'] }));
    expect((await at(piecesInLoads)).filter((p) => p.loadId === id).map((p) => p.garmentId)).toContain('late');
    expect((await at((tx) => findLoad(tx, id)))!.load.garments).toContain('late');
    await at((tx) => markFinished(tx, id, now, { catcher: 'none', stains: 'none', size: 'not-looked' }));
    const load = (await at((tx) => findLoad(tx, id)))!;
    await at((tx) => takenOut(tx, mine, load, now));
    // Out of the basket it is wet, then hangs, then is to be felt; worn, nobody asks any more.
    const piece = { ...(await at((tx) => findPiece(tx, 'a')))!, basket: null };
    await at((tx) => takeFromBasket(tx, ['a', 'b', 'late']));
    expect((await at((tx) => whereabouts(tx))).afterWash.get('a')).toMatchObject({ hung: false, dry: false });
    const state = async (time: Date) => stateOf(piece, await at((tx) => whereabouts(tx)), time);
    expect(await state(now)).toBe('wet');
    await at((tx) => changeWet(tx, 'a', { hungAt: now, expectedAt: minutes(300), place: 'rack' }));
    expect(await state(minutes(299))).toBe('drying');
    expect(await state(minutes(300))).toBe('to-feel');
    await at((tx) => appendEvents(writer(tx), [{ garmentId: 'b', kind: 'worn', at: minutes(95) }]));
    expect((await at((tx) => whereabouts(tx))).afterWash.has('b')).toBe(false);
  });
  test('a load beside the plan leaves the plan of the day the newest', async () => {
    await newLoad();
    const newest = await at(newestPlanId);
    const id = await newLoad(true, minutes(60));
    expect(await at(newestPlanId)).toBe(newest);
    expect((await at(plannedAside)).map((l) => l.id)).toContain(id);
    const load = (await at((tx) => findLoad(tx, id)))!;
    expect(load.aside).toBe(true);
    await at((tx) => start(tx, id));
    expect(await at((tx) => dropAside(tx, load))).toBe(false);
    await at((tx) => markNotStarted(tx, id));
    expect(await at((tx) => dropAside(tx, load))).toBe(true);
    expect(await at(plannedAside)).toHaveLength(0);
  });
  test('a first plan gives way to a better one until a load of it has begun, or another is newer', async () => {
    const later = new Date(now.getTime() + 3_600_000);
    const planOfLoad = async (id: string): Promise<string> => (await at((tx) => findLoad(tx, id)))!.planId;
    const first = await newLoad(false, later);
    const plan = await planOfLoad(first);
    expect(await at((tx) => isOvertaken(tx, plan))).toBe(false);
    await at((tx) => start(tx, first));
    expect(await at((tx) => isOvertaken(tx, plan))).toBe(true);
    await at((tx) => markNotStarted(tx, first));
    expect(await at((tx) => isOvertaken(tx, plan))).toBe(false);
    await newLoad(true, new Date(later.getTime() + 1_000));
    expect(await at((tx) => isOvertaken(tx, plan))).toBe(false);
    await newLoad(false, new Date(later.getTime() + 2_000));
    expect(await at((tx) => isOvertaken(tx, plan))).toBe(true);
  });
});

describe('what was seen', () => {
  const finding = (loadId: string, answer: string, kind: Finding['kind'] = 'residue'): Finding => ({
    loadId,
    look: kind,
    kind,
    answer,
    pieces: ['a'],
    note: '',
    at: minutes(100),
  });
  test('a question is answered once', async () => {
    const id = await newLoad();
    const answers = await Promise.all(['none', 'left'].map((a) => at((tx) => keepFinding(writer(tx), finding(id, a)))));
    expect(answers.filter(Boolean)).toHaveLength(1);
    expect((await at((tx) => findingsOf(tx, [id]))).get(id)).toHaveLength(1);
  });
  test('another household sees nothing of it, and answers nothing of it', async () => {
    const id = await newLoad();
    await at((tx) => keepFinding(writer(tx), finding(id, 'left')));
    expect((await at((tx) => findingsOf(tx, [id]), theirs)).size).toBe(0);
    await expect(at((tx) => keepFinding(writer(tx, theirs), finding(id, 'left', 'smell')), theirs)).rejects.toThrow();
  });
  test('two real runs and a residue: the next hamper has the times and the dose of this house', async () => {
    const ids: string[] = [];
    for (const ran of [100, 104]) {
      const id = await newLoad();
      ids.push(id);
      await at(async (tx) => {
        await start(tx, id);
        await changeRunning(tx, id, {
          measured: { endedAt: minutes(ran).toISOString(), minutes: ran, kwh: 0.5, by: 'meter' },
        });
        await markFinished(tx, id, minutes(ran), { catcher: 'none', stains: 'none', size: 'not-looked' });
      });
    }
    const { load } = (await at((tx) => findLoad(tx, ids[0]!)))!;
    const panel = view.document.washers![0]!.programmes.find((p) => p.id === load.programme)!;
    await at((tx) => keepFinding(writer(tx), finding(ids[1]!, 'left')));
    const document = (await at(readHousehold))!.document;
    const lessons = await at((tx) => readRunLessons(tx, document, minutes(200)));
    const taught = inForce(lessons, 'programme').find((l) => l.subject.programme === load.programme)!;
    expect(taught).toMatchObject({ learnt: 102, book: panel.durationMin, needed: 2 });
    expect(taught.evidence.map((e) => [e.value, e.counts])).toEqual([
      [104, true],
      [100, true],
    ]);
    expect(inForce(lessons, 'dose').map((l) => [l.subject.product, l.learnt])).toEqual([['c', 0.85]]);
    const hamper = (await at((tx) => currentHamper(tx, minutes(200))))!;
    const programme = hamper.household.washers![0]!.programmes.find((p) => p.id === load.programme)!;
    expect(programme.durationMin).toBe(102);
    expect(programme.energyKwhAt![String(load.temperatureC)]).toBeCloseTo(0.5 / (0.55 + 0.45 * load.fill), 2);
    expect(hamper.household.products![0]!.dose!.table!.medium.normal).toBeCloseTo(55.25, 6);
    // What the household wrote down stays as it is.
    expect(document.washers![0]!.programmes.find((p) => p.id === load.programme)!.durationMin).toBe(panel.durationMin);
    expect(document.products![0]!.dose!.table!.medium.normal).toBe(65);
  });
  test('nothing learnt changes nothing', () =>
    expect(asLearnt(view.document, { all: [], off: new Set() })).toEqual(view.document));
  test('switched off, the panel holds; switched on again, the runs', async () => {
    const document = (await at(readHousehold))!.document;
    const { all } = await at((tx) => readRunLessons(tx, document, minutes(200)));
    const key = lessonKey(all.find((l) => l.subject.is === 'dose')!.subject);
    const dose = async () =>
      (await at((tx) => currentHamper(tx, minutes(200))))!.household.products![0]!.dose!.table!.medium.normal;
    await at((tx) => setBelieved(tx, mine, key, false, minutes(200)));
    expect(await dose()).toBe(65);
    await at((tx) => setBelieved(tx, mine, key, true, minutes(201)));
    expect(await dose()).toBeCloseTo(55.25, 6);
  });
});

describe('devices', () => {
  test('a token opens its own household, as a digest is kept of it, until it is put out', async () => {
    const { id, token } = await at((tx) => addDevice(tx, mine, { name: 'Plug', kind: 'meter', washerId: 'w' }));
    expect(await deviceHome(token)).toEqual({ householdId: mine, deviceId: id });
    const { rows } = await at((tx) => tx.execute<{ token_digest: string }>(sql`select token_digest from device`));
    expect(rows[0]!.token_digest).toBe(digestOfToken(token));
    expect(JSON.stringify(rows)).not.toContain(token);
    expect(await deviceHome(`${token}x`)).toBeNull();
    expect(await at(listDevices, theirs)).toHaveLength(0);
    expect(await at((tx) => revokeDevice(tx, id, now), theirs)).toBe(false);
    expect(await at((tx) => revokeDevice(tx, id, now))).toBe(true);
    expect(await deviceHome(token)).toBeNull();
    expect(await at((tx) => revokeDevice(tx, id, now))).toBe(false);
  });
  test('samples go after two days', async () => {
    const { id } = await at((tx) => addDevice(tx, mine, { name: 'Plug', kind: 'meter', washerId: 'w' }));
    const sample = (when: Date, counterS: number) => ({
      at: when,
      counterS,
      watts: 5,
      phase: null,
      remainingMin: null,
      error: null,
      temperatureC: null,
      humidity: null,
    });
    const later = new Date(now.getTime() + 2 * 86_400_000);
    await at((tx) => keepSamples(tx, mine, id, [sample(now, 1), sample(minutes(1), 61)], now));
    await at((tx) =>
      keepSamples(tx, mine, id, [sample(minutes(2 * 1440 + 2), 172_921)], new Date(later.getTime() + 30_000)),
    );
    const { rows } = await at((tx) =>
      tx.execute<{ n: number }>(sql`select count(*)::int as n from device_sample where device_id = ${id}`),
    );
    expect(rows[0]!.n).toBe(2);
    expect((await at((tx) => newestSample(tx, id)))!.counterS).toBe(172_921);
  });
});

describe('care of the machines', () => {
  const counts = async (when = minutes(300)) =>
    (await lookInHousehold(mine, (tx) => upkeepCounts(tx, ['w'], when))).get('w')!;
  test('runs count since it was done; a hot load is as good as a hot run', async () => {
    const before = (await counts()).seal!.runs;
    expect(before).toBeGreaterThan(0);
    expect((await counts()).seal!.days).toBeNull();
    await at((tx) => noteUpkeep(writer(tx), 'w', 'seal', minutes(200)));
    expect((await counts()).seal!.runs).toBe(0);
    expect((await counts(minutes(200 + 1440))).seal!.days).toBeCloseTo(1, 6);
    expect((await counts())['hot-run']!.runs).toBe(before);
    const id = await newLoad();
    await at(async (tx) => {
      await tx.execute(sql`update load set run = jsonb_set(run, '{temperatureC}', '60') where id = ${id}`);
      await start(tx, id);
      await tx
        .update(loads)
        .set({ status: 'finished', finishedAt: minutes(250) })
        .where(sql`${loads.id} = ${id}`);
    });
    expect((await counts())['hot-run']!.runs).toBe(0);
    expect((await counts()).seal!.runs).toBe(1);
  });
  test('one run at a time on a machine; it is ended once, or was not run', async () => {
    const begin = () =>
      at((tx) => beginUpkeep(writer(tx), { machine: 'w', task: 'hot-run', startedAt: now, endsAt: minutes(149) }));
    expect((await Promise.all([begin(), begin()])).filter(Boolean)).toHaveLength(1);
    const [open] = await at(upkeepUnderWay);
    expect(await at((tx) => endUpkeep(tx, open!.id, minutes(150)), theirs)).toBe(false);
    const ends = await Promise.all([1, 2].map(() => at((tx) => endUpkeep(tx, open!.id, minutes(150)))));
    expect(ends.filter(Boolean)).toHaveLength(1);
    await begin();
    const [again] = await at(upkeepUnderWay);
    expect(await at((tx) => endUpkeep(tx, again!.id, null))).toBe(true);
    expect(await at(upkeepUnderWay)).toHaveLength(0);
    expect(await at((tx) => endUpkeep(tx, 'no-id', null))).toBe(false);
  });
});
