/** What history says: weeks, shares, costs, stock, marks, and the savings worth a sentence. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { hardlyFilled, insightOfWeek, insightsOf, type InsightInput } from './insight.ts';
import { careMoney, realMoney, weeksOf, type RunOfHistory } from './runs.ts';
import { oddsBands, stockOf, worthOf } from './worth.ts';

const dayMs = 86_400_000;
const run = (change: Partial<RunOfHistory> = {}): RunOfHistory => ({
  atMs: 0,
  pieces: ['a', 'b'],
  massKg: 3,
  fill: 0.5,
  durationMin: 120,
  attendedMin: 15,
  waterL: 50,
  energyKwh: 0.8,
  money: 0.9,
  pricePerKwh: 0.3,
  measuredMin: null,
  measuredKwh: null,
  byHand: false,
  ...change,
});
const weekOf = (ms: number): string => String(1000 + Math.floor(ms / (7 * dayMs)));
const after = (week: string): string => String(Number(week) + 1);

describe('weeks', () => {
  test('measured where it was, planned where it was not; empty weeks stand between', () => {
    const weeks = weeksOf(
      [run({ measuredKwh: 1, measuredMin: 130 }), run(), run({ atMs: 15 * dayMs, waterL: 40 })],
      weekOf,
      after,
    );
    expect(weeks.map((w) => [w.week, w.loads])).toEqual([
      ['1000', 2],
      ['1001', 0],
      ['1002', 1],
    ]);
    expect(weeks[0]).toMatchObject({ waterL: 100, measured: 1, plannedMin: 240, runMin: 250, handsMin: 30 });
    expect(weeks[0]!.kwh).toBeCloseTo(1.8, 9);
    expect(weeks[0]!.plannedKwh).toBeCloseTo(1.6, 9);
    expect(weeks[0]!.money).toBeCloseTo(1.8 + 0.2 * 0.3, 9);
  });
  test('nothing is no week', () => expect(weeksOf([], weekOf, after)).toEqual([]));
  test('no week loses a load', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 200 })), (days) => {
        const weeks = weeksOf(
          days.map((d) => run({ atMs: d * dayMs })),
          weekOf,
          after,
        );
        expect(weeks.reduce((n, w) => n + w.loads, 0)).toBe(days.length);
      }),
    ));
});

describe('what a piece costs', () => {
  test('its share of its loads by weight, with the energy they really drew', () => {
    const shares = careMoney([run({ money: 1, measuredKwh: 1.8 })], (id) => (id === 'a' ? 0.3 : 0.1));
    expect(realMoney(run({ money: 1, measuredKwh: 1.8 }))).toBeCloseTo(1.3, 9);
    expect(shares.get('a')).toBeCloseTo((1.3 * 3) / 4, 9);
    expect(shares.get('b')).toBeCloseTo(1.3 / 4, 9);
  });
  test('all shares together are the money of the loads', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.05, max: 5, noNaN: true }), { minLength: 1, maxLength: 8 }), (masses) => {
        const pieces = masses.map((_, k) => String(k));
        const shares = careMoney([run({ pieces, money: 2 })], (id) => masses[Number(id)] ?? 0);
        expect([...shares.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(2, 6);
      }),
    ));
  test('by the wear and by the year; never worn has no price a wear', () => {
    expect(worthOf({ id: 'a', value: 40, wears: 20, care: 2, careDays: 182.5 })).toEqual({
      id: 'a',
      perWear: 2.1,
      carePerYear: 4,
    });
    expect(worthOf({ id: 'a', value: 40, wears: 0, care: 0, careDays: 365 }).perWear).toBeNull();
    // A day of history is no year.
    expect(worthOf({ id: 'a', value: 1, wears: 1, care: 1, careDays: 1 }).carePerYear).toBeCloseTo(365 / 28, 9);
  });
  test('the bottle: 560 ml in eight weeks and 200 left are 20 days', () => {
    expect(stockOf({ used: 560, days: 56, left: 200 })).toEqual({ usedPerDay: 10, days: 20 });
    expect(stockOf({ used: 0, days: 56, left: 200 }).days).toBeNull();
    expect(stockOf({ used: 10, days: 56, left: null }).days).toBeNull();
  });
});

describe('marks', () => {
  test('by what was foretold; the ends belong to one band each', () => {
    const bands = oddsBands(
      [
        { odds: 0.39, outcome: 0 },
        { odds: 0.4, outcome: 1 },
        { odds: 0.6, outcome: 0.5 },
        { odds: 1, outcome: 1 },
      ],
      [0, 0.4, 0.65],
    );
    expect(bands.map((b) => b.marks)).toEqual([1, 2, 1]);
    expect(bands[1]).toMatchObject({ foretold: 0.5, came: 0.75 });
    expect(bands[0]!.came).toBe(0);
  });
});

describe('the sentence of the week', () => {
  const nothing: InsightInput = { days: 91, runs: [], rules: [], neverWorn: [], rotations: [], doses: [] };
  const machine = (fill: number, change: Partial<InsightInput['runs'][number]> = {}): InsightInput['runs'][number] => ({
    ...run({ fill, money: 1 }),
    temperatureC: 40,
    programme: 'cottons',
    demanded60: false,
    ...change,
  });
  test('nothing is said of nothing', () => {
    expect(insightsOf(nothing)).toEqual([]);
    expect(insightOfWeek([], 7)).toBeNull();
  });
  test('four drums of 0.3 need two at four fifths: two fewer, 8.02 a year', () => {
    const [fill] = insightsOf({ ...nothing, runs: [0.3, 0.3, 0.3, 0.3, 0.9].map((f) => machine(f)) });
    expect(fill).toMatchObject({ is: 'fill', loads: 5, below: 4, fewer: 2, perLoad: 1 });
    expect(fill!.perYear).toBeCloseTo((2 * 365) / 91, 6);
  });
  test('drums from the limit on are full enough, and different programmes are not one load', () => {
    expect(insightsOf({ ...nothing, runs: [machine(hardlyFilled), machine(hardlyFilled)] })).toEqual([]);
    expect(insightsOf({ ...nothing, runs: [machine(0.3), machine(0.3, { programme: 'wool' })] })).toEqual([]);
  });
  test('heat that nothing asked for: 20 of 48 K', () => {
    const hot = machine(0.9, { temperatureC: 60, energyKwh: 1.2 });
    const input = { ...nothing, runs: Array.from({ length: 12 }, () => hot) };
    const [warmer] = insightsOf(input);
    expect(warmer).toMatchObject({ is: 'warmer', loads: 12 });
    expect(warmer!.perYear).toBeCloseTo((12 * 1.2 * (20 / 48) * 0.3 * 365) / 91, 6);
    expect(insightsOf({ ...nothing, runs: input.runs.map((r) => ({ ...r, demanded60: true })) })).toEqual([]);
  });
  test('rules are added up over plans; what saves most comes first', () => {
    const insights = insightsOf({
      ...nothing,
      rules: [
        { rule: 'wool', option: 'by hand', saves: 0.4 },
        { rule: 'wool', option: 'by hand', saves: 0.6 },
        { rule: 'denim', option: 'label', saves: 2 },
      ],
    });
    expect(insights.map((i) => i.is === 'rule' && [i.rule, i.plans, i.saved])).toEqual([
      ['denim', 1, 2],
      ['wool', 2, 1],
    ]);
  });
  test('a rotation counts where loads were hurried for it, a dose where it is smaller', () => {
    const rotation = { group: 'socks', owner: 'A', owned: 5, needed: 7, hurried: 4 };
    const [r] = insightsOf({ ...nothing, runs: [machine(0.9)], rotations: [rotation] });
    expect(r).toMatchObject({ is: 'rotation', hurried: 4, perLoad: 1 });
    expect(insightsOf({ ...nothing, runs: [machine(0.9)], rotations: [{ ...rotation, hurried: 0 }] })).toEqual([]);
    const [d] = insightsOf({ ...nothing, doses: [{ product: 'p', share: 0.8, used: 1600, price: 0.004 }] });
    expect(d!.perYear).toBeCloseTo((1600 * 0.25 * 0.004 * 365) / 91, 6);
  });
  test('the three that save most take turns, week by week', () => {
    const insights = insightsOf({
      ...nothing,
      rules: [9, 8, 7, 6].map((saves, k) => ({ rule: `r${k}`, option: 'x', saves })),
    });
    const told = [0, 1, 2, 3].map((w) => insightOfWeek(insights, w));
    expect(told.map((i) => i?.is === 'rule' && i.rule)).toEqual(['r0', 'r1', 'r2', 'r0']);
  });
});
