import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyHousehold, everydayGarment, garment, household as anyHome, only, washLabel } from '../testing/arbitrary.ts';
import { brokenRules } from '../testing/timetable-rules.ts';
import type { Household, HouseTimes } from '../model/household.ts';
import type { Garment } from '../model/garment.ts';
import { planBasket } from '../plan/plan.ts';
import type { TaskProgress, Timetable } from '../model/timetable.ts';
import { calendarOf, fixedClock } from './calendar.ts';
import { emptyDay, tryAt, type Day, type Frame } from './day.ts';
import { promisedStarts, promiseOf, whatMoved } from './moved.ts';
import { moneyOfBlock, search, type Scored } from './search.ts';
import { dayAims, timetableOf, weightsOf, type DayAim, type TimetableRequest } from './timetable.ts';
import { workOf, type Block } from './work.ts';
import { wrapUp } from './wrap.ts';

/** Nothing waits for a fuller load here. */
const household: Household = { ...anyHome, rules: { ...anyHome.rules, waiting: 'none' } };
const now = '2026-05-09T08:00:00+02:00';
function requestOf(
  garments: readonly Garment[],
  house: Household,
  change: Partial<TimetableRequest> = {},
): TimetableRequest {
  const plan = planBasket({ household: house, garments, now });
  return {
    household: house,
    garments,
    now,
    loads: plan.loads,
    planned: plan.garments,
    planWarnings: plan.warnings,
    ...change,
  };
}
const at = (ms: number): string => new Date(ms + 2 * 3_600_000).toISOString().slice(5, 16).replace('T', ' ');

const anyTimes: fc.Arbitrary<HouseTimes> = fc.record({
  quietHours: fc.constantFrom(
    [],
    [[22, 7]] as const,
    [
      [21.5, 6],
      [13, 15],
    ] as const,
    // A minute and a half a day: nothing fits, and nothing is left out for it.
    [[0, 23.98]] as const,
  ),
  away: fc.constantFrom(
    [],
    [{ fromMs: Date.parse('2026-05-09T12:00:00+02:00'), toMs: Date.parse('2026-05-09T14:00:00+02:00') }],
  ),
  slots: fc.constantFrom<HouseTimes['slots']>(
    [],
    [
      { washer: 'w1', fromMs: Date.parse('2026-05-09T17:00:00+02:00'), toMs: Date.parse('2026-05-09T21:00:00+02:00') },
      { washer: 'w1', fromMs: Date.parse('2026-05-10T09:00:00+02:00'), toMs: Date.parse('2026-05-10T19:00:00+02:00') },
    ],
  ),
  people: fc.integer({ min: 1, max: 3 }),
});
const outdoors = { id: 'line', name: 'Line', bars: 4, barLengthM: 3, flatM2: 0, hangers: 0, outdoors: true, sun: true };

describe('every timetable keeps the rules of its document', () => {
  test('over households, baskets, hours and dates', () =>
    fc.assert(
      fc.property(
        anyHousehold,
        anyTimes,
        fc.array(everydayGarment, { minLength: 0, maxLength: 9 }),
        fc.array(fc.constantFrom(null, 12, 30, 60), { minLength: 9, maxLength: 9 }),
        fc.boolean(),
        (house, times, list, dates, line) => {
          const pieces = list.map((g, i) => ({
            ...g,
            id: `g${i}`,
            name: `Piece ${i}`,
            neededBy: dates[i] ? new Date(Date.parse(now) + (dates[i] ?? 0) * 3_600_000).toISOString() : null,
          }));
          const home = { ...house, times, dryingPlaces: line ? [...house.dryingPlaces, outdoors] : house.dryingPlaces };
          const request = requestOf(pieces, home, { placements: 120 });
          expect(brokenRules(timetableOf(request), request)).toEqual([]);
        },
      ),
      { numRuns: 40 },
    ));
});

/** Up to so many pieces, some of them needed within hours or a day. */
const datedPieces = (most: number): fc.Arbitrary<Garment[]> =>
  fc.array(fc.tuple(everydayGarment, fc.constantFrom(null, 4, 9, 24)), { minLength: 1, maxLength: most }).map((list) =>
    list.map(([g, hours], i) => ({
      ...g,
      id: `g${i}`,
      name: `Piece ${i}`,
      neededBy: hours === null ? null : new Date(Date.parse(now) + hours * 3_600_000).toISOString(),
    })),
  );

test('a plan warns of the very dates its timetable misses', () =>
  fc.assert(
    fc.property(anyTimes, datedPieces(5), (times, pieces) => {
      const house = { ...household, times };
      const plan = planBasket({ household: house, garments: pieces, now });
      const warned = plan.warnings.flatMap((w) =>
        w.message.code === 'warn.date-short' || w.message.code === 'warn.date-order' ? w.garments : [],
      );
      const { late } = timetableOf({
        household: house,
        garments: pieces,
        now,
        loads: plan.loads,
        planned: plan.garments,
      });
      expect([...warned].sort()).toEqual(late.map((l) => l.garment).sort());
    }),
    { numRuns: 15 },
  ));

test('a glance at the dates keeps the rules, and misses at least those that a search misses', () =>
  fc.assert(
    fc.property(anyTimes, datedPieces(6), (times, pieces) => {
      const request = requestOf(pieces, { ...household, times });
      const glanced = timetableOf({ ...request, dates: 'glance' });
      expect(brokenRules(glanced, request)).toEqual([]);
      expect(glanced.late.length).toBeGreaterThanOrEqual(timetableOf({ ...request, dates: 'search' }).late.length);
    }),
    { numRuns: 30 },
  ));

/** What has happened of a timetable by a moment, everything as it was planned. */
const happenedBy = (t: Timetable, ms: number): TaskProgress[] =>
  t.tasks.flatMap((x) =>
    x.startMs < ms ? [{ task: x.id, startedMs: x.startMs, endedMs: x.endMs <= ms ? x.endMs : null }] : [],
  );

describe('planned again from now', () => {
  test('what was done keeps its hours, what runs goes on, the rest comes from now on and keeps the rules', () =>
    fc.assert(
      fc.property(
        anyTimes,
        fc.array(everydayGarment, { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 0, max: 90 }),
        fc.boolean(),
        (times, list, afterMin, lateMin, tumbles) => {
          const pieces = list.map((g, i) => ({ ...g, id: `g${i}`, name: `Piece ${i}` }));
          const dryer = { id: 'd', name: 'Dryer', type: 'condenser' as const, maxLoadKg: 7, lowTemperature: true };
          const dries = tumbles
            ? { dryers: [dryer], rules: { ...household.rules, tumble: 'when-allowed' as const } }
            : {};
          const home = { ...household, ...dries, times: { ...times, slots: [] } };
          const request = requestOf(pieces, home, { placements: 60 });
          const first = timetableOf(request);
          const seenMs = Date.parse(now) + afterMin * 60_000;
          const nowMs = seenMs + lateMin * 60_000;
          const progress = happenedBy(first, seenMs);
          const again = { ...request, now: new Date(nowMs).toISOString(), clock: fixedClock(now), progress };
          const second = timetableOf(again);
          expect(brokenRules(second, again)).toEqual([]);
          for (const p of progress) {
            const task = second.tasks.find((x) => x.id === p.task);
            expect(task?.startMs).toBe(p.startedMs);
            if (p.endedMs !== null) expect(task?.endMs).toBe(p.endedMs);
            else expect(task?.endMs).toBeGreaterThanOrEqual(nowMs);
          }
          expect(second.tasks.length).toBeGreaterThanOrEqual(first.tasks.filter((x) => x.kind !== 'flip').length);
        },
      ),
      { numRuns: 50 },
    ));
  test('nothing that went as planned moves anything', () => {
    const request = requestOf(mixed, household);
    const first = timetableOf(request);
    const nowMs = Date.parse(now) + 200 * 60_000;
    const second = timetableOf({
      ...request,
      now: new Date(nowMs).toISOString(),
      clock: fixedClock(now),
      progress: happenedBy(first, nowMs),
      prefer: first.tasks.filter((x) => x.kind === 'load').map((x) => x.load ?? ''),
    });
    const hours = (t: Timetable) => t.tasks.filter((x) => x.kind === 'wash').map((x) => [x.id, x.startMs, x.endMs]);
    expect(hours(second)).toEqual(hours(first));
    expect(second.finishMs).toBe(first.finishMs);
  });
  test('a run that takes twenty minutes longer moves what follows by as much', () => {
    const request = requestOf(mixed, household);
    const first = timetableOf(request);
    const [one, two] = first.tasks.filter((x) => x.kind === 'wash');
    if (!one || !two) throw new Error('two loads were planned');
    const nowMs = one.endMs + 20 * 60_000;
    const progress = happenedBy(first, one.endMs).map((p) => (p.task === one.id ? { ...p, endedMs: nowMs } : p));
    const second = timetableOf({ ...request, now: new Date(nowMs).toISOString(), clock: fixedClock(now), progress });
    const moved = second.tasks.find((x) => x.id === two.id);
    expect((moved?.startMs ?? 0) - two.startMs).toBe(20 * 60_000);
    expect(second.tasks.find((x) => x.id === `${one.load}.take-out`)?.startMs).toBe(nowMs);
  });
});

describe('a promised day', () => {
  test('looked at again, it is the same day: also where the rack is too small for all', () =>
    fc.assert(
      fc.property(
        anyTimes,
        fc.array(everydayGarment, { minLength: 2, maxLength: 9 }),
        fc.constantFrom(...dayAims),
        (times, list, aim) => {
          const pieces = list.map((g, i) => ({ ...g, id: `g${i}`, name: `Piece ${i}` }));
          const [rack] = household.dryingPlaces;
          if (!rack) throw new Error('there is a rack');
          // What hangs from yesterday leaves little room until noon.
          const hanging = [
            {
              use: { kind: 'place' as const, id: rack.id, bars: rack.bars - 3, hangers: rack.hangers - 1, flatM2: 0 },
              untilMs: Date.parse(now) + 4 * 3_600_000,
              item: null,
            },
          ];
          const home = { ...household, times: { ...times, slots: [] } };
          const request = requestOf(pieces, home, { placements: 60, aim, hanging });
          const first = timetableOf(request);
          const promise = promiseOf(first);
          const again = timetableOf({ ...request, keep: promisedStarts(promise) });
          expect(whatMoved(promise, again, new Set())).toMatchObject({ because: [], moves: [] });
        },
      ),
      { numRuns: 40 },
    ));
});

const towel = (id: string) =>
  garment(id, {
    kind: 'bath_towel',
    use: 'towel',
    label: washLabel(60),
    colours: [{ hex: '#f7f7f4', role: 'ground' }],
  });
const wool = (id: string) => garment(id, { kind: 'hat_knit', parts: only('wool'), label: washLabel(30, 'very-mild') });
const mixed = [towel('t1'), towel('t2'), garment('a'), garment('b'), wool('w')];
const washes = (t: Timetable) => t.tasks.filter((x) => x.kind === 'wash');

describe('hours', () => {
  test('a load by itself: hands, run, hands, line, cupboard', () => {
    const request = requestOf([garment('a'), garment('b')], household);
    const t = timetableOf(request);
    const minutes = request.loads[0]?.durationMin ?? 0;
    expect(
      t.tasks.slice(0, 4).map((x) => [x.id, (x.startMs - t.fromMs) / 60_000, (x.endMs - t.fromMs) / 60_000]),
    ).toEqual([
      ['L1.load', 0, 10],
      ['L1.wash', 10, 10 + minutes],
      ['L1.take-out', 10 + minutes, 12 + minutes],
      ['L1.hang', 12 + minutes, 14 + minutes],
    ]);
    expect(t.figures).toMatchObject({ handsMin: 16, interruptions: 3 });
    // Two pieces are dry at once, and put away one after the other: the bound knows of one.
    expect(t.figures.makespanMin).toBe(t.figures.lowerBoundMin + 1);
  });
  test('nothing to wash takes no time', () => {
    const t = timetableOf(requestOf([], household));
    expect(t).toMatchObject({ tasks: [], finishMs: null, ready: [], late: [] });
    expect(t.figures).toEqual({ makespanMin: 0, lowerBoundMin: 0, handsMin: 0, interruptions: 0, energyMoney: 0 });
  });
  test('quiet hours: a drum has stopped and is empty when they begin', () => {
    const home = { ...household, times: { ...household.times, quietHours: [[10, 16]] as const } };
    const t = timetableOf(requestOf([towel('t')], home));
    // 08:00 and two and a half hours would end in them: it waits until 16:00.
    expect(washes(t).map((x) => at(x.startMs))).toEqual(['05-09 16:10']);
    const short = timetableOf(
      requestOf([towel('t')], { ...home, times: { ...home.times, quietHours: [[10.75, 16]] } }),
    );
    expect(washes(short).map((x) => at(x.startMs))).toEqual(['05-09 08:10']);
  });
  test('out at noon: no wash ends while nobody is there', () => {
    const away = [{ fromMs: Date.parse('2026-05-09T09:00:00+02:00'), toMs: Date.parse('2026-05-09T12:00:00+02:00') }];
    const t = timetableOf(requestOf([towel('t')], { ...household, times: { ...household.times, away } }));
    const out = t.tasks.find((x) => x.kind === 'take-out');
    expect(out && out.startMs >= (away[0]?.toMs ?? 0)).toBe(true);
    // One of two flatmates is at home: it need not wait.
    const two = timetableOf({
      ...requestOf([towel('t')], { ...household, times: { ...household.times, people: 2 } }),
      out: [{ person: 1, fromMs: away[0]?.fromMs ?? 0, toMs: away[0]?.toMs ?? 0 }],
    });
    expect(two.tasks.find((x) => x.kind === 'take-out')?.person).toBe(2);
    expect(washes(two)[0]?.startMs).toBe(t.fromMs + 10 * 60_000);
  });
  test('a shared machine runs in a slot whole, and a load no slot holds is said', () => {
    const slot = (from: string, to: string) => ({
      washer: 'w1',
      fromMs: Date.parse(`2026-05-09T${from}:00+02:00`),
      toMs: Date.parse(`2026-05-09T${to}:00+02:00`),
    });
    const booked = (...slots: HouseTimes['slots']) =>
      timetableOf(requestOf([towel('t')], { ...household, basins: [], times: { ...household.times, slots } }));
    const run = booked(slot('09:00', '10:00'), slot('17:00', '19:29'));
    expect(washes(run).map((x) => at(x.startMs))).toEqual(['05-09 17:00']);
    const none = booked(slot('09:00', '10:00'), slot('17:00', '19:28'));
    expect(none.warnings.map((w) => w.code)).toContain('no-hours');
  });
  test('cheap hours draw the machine where money is all, and not where the day is to end', () => {
    const tariff = { ...household.tariff, electricityPerKwh: 0.6, cheapHours: [[9, 16]] as const, cheapPerKwh: 0.1 };
    const request = requestOf([towel('t')], { ...household, tariff });
    const [kwh = 0] = request.loads.map((l) => l.energyKwh);
    const usual = timetableOf(request);
    const cheap = timetableOf({ ...request, aim: 'cheapest' });
    expect([usual, cheap].map((t) => washes(t).map((x) => at(x.startMs)))).toEqual([['05-09 08:10'], ['05-09 09:00']]);
    expect(cheap.figures.energyMoney).toBeCloseTo(0.1 * kwh, 9);
    // Fifty of the minutes run before nine.
    const minutes = request.loads[0]?.durationMin ?? 1;
    expect(usual.figures.energyMoney).toBeCloseTo(kwh * (0.6 * (50 / minutes) + 0.1 * (1 - 50 / minutes)), 9);
  });
  test('a date puts its load first', () => {
    const first = (neededBy: string | null) => {
      const pieces = [{ ...towel('t1'), neededBy }, towel('t2'), wool('w')];
      return washes(timetableOf(requestOf(pieces, { ...household, basins: [] })))[0]?.garments.includes('t1');
    };
    const hurried = [{ ...towel('t1'), neededBy: now }, towel('t2')];
    const alone = timetableOf(requestOf(hurried, household)).ready.find((r) => r.garment === 't1')?.atMs ?? 0;
    expect(first(null)).toBe(false);
    expect(first(new Date(alone + 5 * 60_000).toISOString())).toBe(true);
  });
  test('hours given in vain: earliest, fewest turns and cheapest are no worse at what they aim at', () => {
    const request = requestOf(mixed, {
      ...household,
      tariff: { ...household.tariff, cheapHours: [[20, 24]] as const },
    });
    const of = (aim: DayAim) => timetableOf({ ...request, aim }).figures;
    const [usual, earliest, fewest, cheapest] = dayAims.map(of);
    for (const other of [usual, fewest, cheapest]) {
      expect(earliest?.makespanMin ?? 0).toBeLessThanOrEqual((other?.makespanMin ?? 0) + 1e-6);
    }
    for (const other of [usual, earliest, cheapest])
      expect(fewest?.interruptions ?? 0).toBeLessThanOrEqual(other?.interruptions ?? 0);
    for (const other of [usual, earliest, fewest])
      expect(cheapest?.energyMoney ?? 0).toBeLessThanOrEqual((other?.energyMoney ?? 0) + 1e-9);
  });
  test('what hangs beside it makes a piece dry later, never sooner than the plan says', () => {
    const dryMin = (t: Timetable, id: string) => {
      const x = t.tasks.find((y) => y.kind === 'dry' && y.garments[0] === id);
      return x ? (x.endMs - x.startMs) / 60_000 : 0;
    };
    const alone = timetableOf(requestOf([garment('a')], household));
    const many = timetableOf(
      requestOf([garment('a'), ...['b', 'c', 'd', 'e', 'f', 'g'].map((id) => garment(id))], household),
    );
    expect(dryMin(many, 'a')).toBeGreaterThan(1.3 * dryMin(alone, 'a'));
  });
});

describe('few loads: no other hours are better', () => {
  /** Every order and every start on a grid of five minutes, finished as the timetable finishes a day. */
  function everyStart(request: TimetableRequest, untilMin: number): Scored {
    const nowMs = Date.parse(now);
    const calendar = calendarOf({ household: request.household, nowMs, clock: fixedClock(now) });
    const blocks = workOf(request, nowMs);
    const frame: Frame = {
      calendar,
      household: request.household,
      dryMin: new Map(),
      happened: new Map(),
      notBefore: new Map(),
      roomy: new Set(request.household.dryingPlaces.map((d) => d.id)),
      hangsAlready: [],
    };
    const weights = weightsOf('usual', 'balanced');
    const prices = { usualPerKwh: 0.3, cheapPerKwh: 0.3 };
    let best = Infinity;
    const put = (day: Day, rest: readonly Block[]): void => {
      if (rest.length === 0) {
        const w = wrapUp(day, frame, weights);
        best = Math.min(
          best,
          w.finish +
            weights.interruptionMin * w.day.turns.length +
            weights.perMoney * day.blocks.reduce((m, b) => m + moneyOfBlock(b, frame, prices), 0),
        );
        return;
      }
      for (const b of rest)
        for (let start = 0; start <= untilMin; start += 5) {
          const attempt = tryAt(day, b, start, frame, true);
          if (attempt.ok)
            put(
              attempt.day,
              rest.filter((x) => x !== b),
            );
        }
    };
    put(emptyDay(calendar), blocks);
    const found = search({ blocks, frame, weights, prices });
    return { ...found, cost: found.cost - best };
  }
  const times: readonly Partial<HouseTimes>[] = [
    {},
    { quietHours: [[12, 14]] },
    { away: [{ fromMs: Date.parse('2026-05-09T09:30:00+02:00'), toMs: Date.parse('2026-05-09T11:00:00+02:00') }] },
    { people: 2, quietHours: [[20, 7]] },
  ];
  test.each(times)('two machine loads, %j', (t) => {
    const home = { ...household, basins: [], times: { ...household.times, ...t } };
    const request = requestOf([towel('t1'), wool('w')], home);
    expect(request.loads).toHaveLength(2);
    expect(everyStart(request, 420).cost).toBeLessThanOrEqual(1e-6);
  });
  test('a machine and a tub', () => {
    const request = requestOf([towel('t1'), wool('w')], { ...household, rules: { ...household.rules, wool: 'hand' } });
    expect(request.loads.map((l) => l.method).sort()).toEqual(['hand', 'machine']);
    expect(everyStart(request, 420).cost).toBeLessThanOrEqual(1e-6);
  });
});
