/** The benches in the database: one treatment per mark, changes of state that name where they come from, and what the log derives. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { beginBench, report } from '@core/stain/bench.ts';
import { planSoak } from '@core/stain/bulk-soak.ts';
import { procedureFor } from '@core/stain/procedure.ts';
import { garmentOf, readHamperValue } from '@formats/hamper.ts';
import { usualUnits } from '@core/units/choices.ts';
import { basketState, emptyState, putInBasket } from './basket.ts';
import { closeDatabase, inHousehold } from './client.ts';
import { appendEvents, garmentHistory } from './events.ts';
import { addGarment, findPiece, garmentDocument, setTestFirstRisk, type GarmentInput } from './garments.ts';
import { createHousehold, readHousehold, saveGeneral } from './household.ts';
import { say } from '@core/message/message.ts';
import { treatments, type MarkedStain } from './schema.ts';
import {
  addSoak,
  closedTreatments,
  closeTreatment,
  endSoak,
  findSoak,
  findTreatment,
  markStirred,
  moveTreatment,
  openSoaks,
  openTreatment,
  openTreatments,
  startClock,
} from './treatments.ts';

const here = '6f0b1a5e-0000-4000-8000-00000000001a';
const next = '6f0b1a5e-0000-4000-8000-00000000001b';
const now = new Date('2026-05-09T06:00:00Z');
const later = (minutes: number): Date => new Date(now.getTime() + minutes * 60_000);
const shirt: GarmentInput = {
  name: 'Shirt',
  owner: '',
  kind: 'tshirt',
  size: 'M',
  heightCm: null,
  parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
  traits: ['detachable'],
  colours: [{ hex: '#f7f7f4', role: 'ground' }],
  dye: 'undyed',
  label: { wash: { by: 'machine', maxC: 60, action: 'normal' }, bleach: 'oxygen' },
  dryMassG: 180,
  use: null,
  count: 1,
  set: null,
  valueEur: 15,
};
const wine: MarkedStain = {
  id: 's1',
  kind: 'red-wine',
  ageHours: 2,
  heatSet: false,
  heat: 'none',
  place: 'front',
  tried: [],
  sizeCm: 3,
  failedRounds: 0,
  notedAt: now.toISOString(),
};
const w = {
  cupboard: new Set(['det-colour-liquid', 'oxy-percarbonate'] as const),
  hardness: 2,
  chlorine: false,
  learnt: [],
};

beforeAll(async () => {
  for (const id of [here, next])
    await inHousehold(id, async (tx) => {
      if (await readHousehold(tx)) return;
      await createHousehold(tx, id, {
        name: id,
        timeZone: 'UTC',
        document: {},
        nets: { all: 4, withoutMetal: 2 },
        units: usualUnits,
        measures: {},
        poisonCentre: null,
        children: false,
      });
      await addGarment(tx, id, 'shirt', shirt);
    });
  await inHousehold(here, (tx) => putInBasket(tx, here, 'shirt', { ...emptyState, stains: [wine] }));
});
afterAll(closeDatabase);

const piece = () => inHousehold(here, async (tx) => (await findPiece(tx, 'shirt'))!);
const begin = () =>
  inHousehold(here, async (tx) => {
    const g = garmentOf(garmentDocument((await findPiece(tx, 'shirt'))!, now));
    const procedure = procedureFor(g, g.stains[0]!, w);
    return openTreatment(tx, here, { garmentId: 'shirt', stainId: 's1', procedure, state: beginBench(procedure) });
  });

describe('a treatment', () => {
  test('a mark is treated once at a time; the other household sees none of it', async () => {
    expect(await begin()).toBe(true);
    expect(await begin()).toBe(false);
    const [t] = await inHousehold(here, openTreatments);
    expect(t!.procedure.steps.length).toBeGreaterThan(2);
    expect(await inHousehold(next, openTreatments)).toEqual([]);
    expect(await inHousehold(next, (tx) => findTreatment(tx, t!.id))).toBeNull();
    expect(await inHousehold(next, (tx) => closeTreatment(tx, t!.id, now, 'gone'))).toBe(false);
    expect(await inHousehold(here, (tx) => findTreatment(tx, 'not-an-id'))).toBeNull();
  });
  test('the clock starts once; moving on stops it; only from the state it is in', async () => {
    const [t] = await inHousehold(here, openTreatments);
    expect(await inHousehold(here, (tx) => startClock(tx, t!.id, now, later(5)))).toBe(true);
    expect(await inHousehold(here, (tx) => startClock(tx, t!.id, now, later(9)))).toBe(false);
    const on = report(t!.procedure, t!.state, 'passed');
    expect(await inHousehold(here, (tx) => moveTreatment(tx, t!.id, t!.state, on))).toBe(true);
    expect(await inHousehold(here, (tx) => moveTreatment(tx, t!.id, t!.state, on))).toBe(false);
    const moved = (await inHousehold(here, (tx) => findTreatment(tx, t!.id)))!;
    expect(moved.state).toEqual(on);
    expect(moved.clockEndsAt).toBeNull();
  });
  test('an end is kept as a state too', async () => {
    const [t] = await inHousehold(here, openTreatments);
    const ended = { ...t!.state, end: { kind: 'judge' as const } };
    expect(await inHousehold(here, (tx) => moveTreatment(tx, t!.id, t!.state, ended))).toBe(true);
    expect(await inHousehold(here, (tx) => moveTreatment(tx, t!.id, t!.state, ended))).toBe(false);
    expect(await inHousehold(here, (tx) => moveTreatment(tx, t!.id, ended, t!.state))).toBe(true);
  });
  test('closed once, with its outcome; then the mark may be treated again', async () => {
    const [t] = await inHousehold(here, openTreatments);
    expect(await inHousehold(here, (tx) => closeTreatment(tx, t!.id, later(60), 'lighter'))).toBe(true);
    expect(await inHousehold(here, (tx) => closeTreatment(tx, t!.id, later(61), 'gone'))).toBe(false);
    expect((await inHousehold(here, (tx) => closedTreatments(tx, 5))).map((x) => x.outcome)).toEqual(['lighter']);
    expect(await begin()).toBe(true);
  });
});

describe('a treatment from before its reasons were codes', () => {
  test('reads as one of today, with its words as they were written', async () => {
    const before = {
      stain: { ...wine, heat: 'none', tried: [] },
      score: 77,
      odds: 0.77,
      band: { id: 'likely', from: 65, text: 'Good chance; may need a second round.' },
      steps: [
        {
          from: 1,
          agent: 'water',
          tool: null,
          what: 'water',
          kind: 'treat',
          dose: '1–2 l',
          action: 'flush-back',
          temperatureC: 20,
          minutes: 2,
          mostMinutes: 5,
          repeats: 1,
          rinses: 1,
          check: 'transfer',
          when: 'always',
          gate: null,
          mayBeSkipped: false,
          airs: false,
          wet: true,
          how: 'Plain tap water, 1–2 l: tap water through the back.',
          because: ['cold first: warmth sets protein'],
        },
      ],
      stop: 'stop-pro',
      stopText: 'Its dye runs strongly in water. Stop here.',
      dropped: [{ from: 2, agent: 'vinegar-white', because: 'White vinegar is not in the cupboard', missing: true }],
      rounds: 3,
      roundsLeft: 3,
      handling: 'inside out',
      needsFume: false,
    };
    const state = {
      step: 1,
      done: 0,
      end: { kind: 'stop', stop: 'stop-pro', text: 'Its dye runs strongly. Stop here.' },
    };
    await inHousehold(here, (tx) =>
      tx.insert(treatments).values({
        householdId: here,
        garmentId: 'shirt',
        stainId: 'old',
        procedure: before as never,
        state: state as never,
      }),
    );
    const t = (await inHousehold(here, openTreatments)).find((x) => x.stainId === 'old')!;
    expect(t.procedure).toMatchObject({ band: 'likely', handling: [], stop: 'stop-pro' });
    expect(t.procedure.steps[0]!.because).toEqual([say('stop.told', { told: 'cold first: warmth sets protein' })]);
    expect(t.procedure.steps[0]).not.toHaveProperty('how');
    expect(t.procedure.dropped[0]!.because).toEqual(say('stop.told', { told: 'White vinegar is not in the cupboard' }));
    expect(t.procedure.stopBecause).toEqual(say('stop.told', { told: 'Its dye runs strongly in water. Stop here.' }));
    expect(t.state.end).toEqual({
      kind: 'stop',
      stop: 'stop-pro',
      because: say('stop.told', { told: 'Its dye runs strongly. Stop here.' }),
    });
    expect(await inHousehold(here, (tx) => closeTreatment(tx, t.id, now, 'stopped'))).toBe(true);
  });
});

describe('a soak', () => {
  test('begins, is stirred, ends once', async () => {
    const g = garmentOf(garmentDocument(await piece(), now));
    const tub = planSoak([{ ...g, stains: [] }], { maxLoadKg: 7 }).tubs[0]!;
    await inHousehold(here, (tx) => addSoak(tx, here, tub, now));
    const [s] = await inHousehold(here, openSoaks);
    expect(s!.pieces).toEqual(['shirt']);
    await inHousehold(here, (tx) => markStirred(tx, s!.id));
    expect((await inHousehold(here, (tx) => findSoak(tx, s!.id)))!.stirs).toBe(1);
    expect(await inHousehold(next, (tx) => endSoak(tx, s!.id, later(240)))).toBe(false);
    expect(await inHousehold(here, (tx) => endSoak(tx, s!.id, later(240)))).toBe(true);
    expect(await inHousehold(here, (tx) => endSoak(tx, s!.id, later(241)))).toBe(false);
    expect(await inHousehold(here, openSoaks)).toEqual([]);
  });
});

describe('what the log tells of a piece', () => {
  test('marks grow older from when they were noted', async () => {
    const p = await piece();
    expect(garmentDocument(p, now).stains![0]!.ageHours).toBe(2);
    expect(garmentDocument(p, later(90)).stains![0]!.ageHours).toBe(3.5);
    expect(garmentDocument(p, now).stains![0]).not.toHaveProperty('notedAt');
    expect((await inHousehold(here, (tx) => basketState(tx, 'shirt')))!.stains[0]!.notedAt).toBe(now.toISOString());
  });
  test('tests name their agent, measures stand by place, what came off is remembered until it is back', async () => {
    await inHousehold(here, (tx) =>
      appendEvents({ tx, householdId: here, actor: 'home' }, [
        { garmentId: 'shirt', kind: 'tested', at: now, data: { test: { kind: 'spot', grade: 5 } } },
        {
          garmentId: 'shirt',
          kind: 'tested',
          at: later(1),
          data: { test: { kind: 'spot', grade: 3, agent: 'isopropyl-alcohol' } },
        },
        { garmentId: 'shirt', kind: 'measured', at: later(2), data: { measure: { place: 'chest', cm: 50.5 } } },
        { garmentId: 'shirt', kind: 'noted', at: later(3), data: { detached: 'belt, in the bowl' } },
        { garmentId: 'shirt', kind: 'worn', at: new Date(), data: { count: 2 } },
        { garmentId: 'shirt', kind: 'aired', at: later(4) },
      ]),
    );
    const { state } = await piece();
    expect(state.tests.map((t) => [t.agent, t.grade])).toEqual([
      [undefined, 5],
      ['isopropyl-alcohol', 3],
    ]);
    expect(state.measures).toEqual([{ place: 'chest', cm: 50.5, at: later(2).toISOString() }]);
    expect(state.detached).toBe('belt, in the bowl');
    expect(state.recentWears).toBe(2);
    expect(state.lastCaredAt).toEqual(later(4));
    const document = garmentDocument(await piece(), now);
    expect(document.measures).toEqual(state.measures);
    await inHousehold(here, (tx) =>
      appendEvents({ tx, householdId: here, actor: 'home' }, [
        { garmentId: 'shirt', kind: 'noted', at: later(5), data: { refitted: true } },
      ]),
    );
    expect((await piece()).state.detached).toBeNull();
  });
  test('a test with a weaker mix counts against its agent and never for it; a name that is none counts for nothing', async () => {
    const before = (await piece()).state.tests.length;
    const tested = (agent: string, grade: number) => ({
      garmentId: 'shirt',
      kind: 'tested' as const,
      at: later(6),
      data: { test: { kind: 'spot' as const, grade, agent } },
    });
    await inHousehold(here, (tx) =>
      appendEvents({ tx, householdId: here, actor: 'home' }, [
        tested('peroxide-1', 4.5),
        tested('peroxide-1', 3),
        tested('no-such-agent', 5),
      ]),
    );
    const { state } = await piece();
    expect(state.tests.slice(before)).toEqual([
      { kind: 'spot', agent: 'peroxide-3', grade: 3, at: later(6).toISOString() },
    ]);
    expect(state.readings.slice(-3).map((r) => r.agent)).toEqual(['peroxide-1', 'peroxide-1', 'no-such-agent']);
    // The document of the piece stays one that can be planned.
    const document = {
      format: 'neat-fold/hamper',
      version: 1,
      now: now.toISOString(),
      household: {},
      garments: [garmentDocument(await piece(), now)],
    };
    expect(readHamperValue(document).ok).toBe(true);
  });
  test('a reading that was struck out counts no more, and stays in the history', async () => {
    const { readings } = (await piece()).state;
    const wrong = readings.find((r) => r.agent === 'isopropyl-alcohol')!;
    await inHousehold(here, (tx) =>
      appendEvents({ tx, householdId: here, actor: 'home' }, [
        { garmentId: 'shirt', kind: 'noted', at: later(7), data: { struck: wrong.eventId, note: 'wrong piece' } },
      ]),
    );
    const { state } = await piece();
    expect(state.tests.some((t) => t.agent === 'isopropyl-alcohol')).toBe(false);
    expect(state.readings.length).toBe(readings.length - 1);
    expect(
      await inHousehold(here, (tx) => garmentHistory(tx, 'shirt').then((h) => h.some((e) => e.id === wrong.eventId))),
    ).toBe(true);
  });
  test('what asks to be mended stays until it is, and the newest note counts', async () => {
    await inHousehold(here, (tx) =>
      appendEvents({ tx, householdId: here, actor: 'home' }, [
        { garmentId: 'shirt', kind: 'noted', at: later(60), data: { mend: 'hem open' } },
        { garmentId: 'shirt', kind: 'noted', at: later(61), data: { note: 'pills' } },
      ]),
    );
    expect((await piece()).state.mend).toBe('hem open');
    await inHousehold(here, (tx) =>
      appendEvents({ tx, householdId: here, actor: 'home' }, [
        { garmentId: 'shirt', kind: 'noted', at: later(62), data: { mend: 'button loose' } },
      ]),
    );
    expect((await piece()).state.mend).toBe('button loose');
    await inHousehold(here, (tx) =>
      appendEvents({ tx, householdId: here, actor: 'home' }, [
        { garmentId: 'shirt', kind: 'mended', at: later(63), data: { note: 'button loose' } },
      ]),
    );
    expect((await piece()).state.mend).toBeNull();
  });
  test('an accepted risk opens the test-first way, and can be taken back', async () => {
    expect(garmentDocument(await piece()).allowTestFirst).toBe(false);
    await inHousehold(here, (tx) => setTestFirstRisk(tx, 'shirt', 'It may shrink.'));
    expect(garmentDocument(await piece()).allowTestFirst).toBe(true);
    await inHousehold(here, (tx) => setTestFirstRisk(tx, 'shirt', null));
    expect(garmentDocument(await piece()).allowTestFirst).toBe(false);
  });
  test('nets, the poison centre and whether children are about belong to the household', async () => {
    await inHousehold(here, (tx) =>
      saveGeneral(tx, { nets: 7, netsWithoutMetal: 3, poisonCentre: '555 0100', children: true }),
    );
    expect(await inHousehold(here, readHousehold)).toMatchObject({
      nets: { all: 7, withoutMetal: 3 },
      units: usualUnits,
      measures: {},
      poisonCentre: '555 0100',
      children: true,
    });
    expect(await inHousehold(next, readHousehold)).toMatchObject({
      nets: { all: 4, withoutMetal: 2 },
      units: usualUnits,
      measures: {},
      poisonCentre: null,
      children: false,
    });
  });
});
