import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { calendarOf, fixedClock } from './calendar.ts';
import { clearFrom, clearUpTo, gapsOf, joined, meets, overlapMin, withStretch, withTurn } from './spans.ts';

const list = [
  { from: 10, to: 20 },
  { from: 30, to: 40 },
];
describe('stretches', () => {
  test('the first clear moment, on both sides of an edge', () => {
    expect(clearFrom(list, 0, 10)).toBe(0);
    expect(clearFrom(list, 0, 11)).toBe(40);
    expect(clearFrom(list, 15, 10)).toBe(20);
    expect(clearFrom(list, 15, 10.5)).toBe(40);
  });
  test('the last clear moment, and none before the least', () => {
    expect(clearUpTo(list, 35, 10, 0)).toBe(20);
    expect(clearUpTo(list, 35, 11, 0)).toBe(-Infinity);
    expect(clearUpTo(list, 100, 10, 0)).toBe(100);
    expect(clearUpTo(list, 25, 10, 0)).toBe(20);
    expect(clearUpTo(list, 25, 10, 21)).toBe(-Infinity);
  });
  test('any list: what is found is clear, and nothing sooner is', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(100), fc.integer({ min: 1, max: 20 })), { maxLength: 8 }),
        fc.nat(120),
        fc.integer({ min: 1, max: 30 }),
        (raw, t, minutes) => {
          const spans = joined(raw.map(([from, length]) => ({ from, to: from + length })));
          const at = clearFrom(spans, t, minutes);
          expect(meets(spans, at, at + minutes)).toBe(false);
          for (let s = t; s < at; s++) expect(meets(spans, s, s + minutes)).toBe(true);
          const last = clearUpTo(spans, t, minutes, -1000);
          if (last > -Infinity) {
            expect(meets(spans, last, last + minutes)).toBe(false);
            for (let s = last + 1; s <= t; s++) expect(meets(spans, s, s + minutes)).toBe(true);
          }
          const open = gapsOf(spans, 0, 200).reduce((m, g) => m + g.to - g.from, 0);
          expect(open + overlapMin(spans, 0, 200)).toBe(200);
        },
      ),
    ));
  test('work less than ten minutes apart is one turn', () => {
    const one = withTurn([], 0, 5);
    expect(withTurn(one, 14.9, 16)).toEqual([{ from: 0, to: 16 }]);
    expect(withTurn(one, 15, 16)).toHaveLength(2);
    expect(withTurn(withTurn(one, 20, 25), 10, 12)).toEqual([{ from: 0, to: 25 }]);
    expect(withStretch(list, 22, 25)).toEqual([list[0], { from: 22, to: 25 }, list[1]]);
  });
});

describe('the hours of a household', () => {
  const now = '2026-05-09T08:00:00+02:00';
  const times = { quietHours: [[22, 7]] as const, away: [], slots: [], people: 2 };
  const household = {
    times,
    washers: [],
    tariff: {
      currency: 'EUR',
      electricityPerKwh: 0.3,
      waterPerM3: 4,
      cheapHours: [[0, 6.5]] as const,
      cheapPerKwh: 0.2,
    },
  };
  const calendar = (change: Partial<typeof times> = {}, out: Parameters<typeof calendarOf>[0]['out'] = []) =>
    calendarOf({
      household: { ...household, times: { ...times, ...change } },
      nowMs: Date.parse(now),
      clock: fixedClock(now),
      out,
    });
  const hour = (h: number) => (h - 8) * 60;
  test('a clock of a fixed offset', () => {
    expect(new Date(fixedClock(now)(0, 22)).toISOString()).toBe('2026-05-09T20:00:00.000Z');
    expect(new Date(fixedClock('2026-05-09T01:30:00-05:00')(1, 7.5)).toISOString()).toBe('2026-05-10T12:30:00.000Z');
    expect(new Date(fixedClock('2026-05-09T01:30:00Z')(0, 0)).toISOString()).toBe('2026-05-09T00:00:00.000Z');
  });
  test('quiet hours over midnight, every night; equal hours are none', () => {
    const { quiet } = calendar();
    expect(clearFrom(quiet, hour(21.5), 30)).toBe(hour(21.5));
    expect(clearFrom(quiet, hour(21.5), 31)).toBe(hour(31));
    expect(clearFrom(quiet, hour(48), 1)).toBe(hour(55));
    const none: readonly (readonly [number, number])[] = [[9, 9]];
    expect(
      calendarOf({
        household: { ...household, times: { ...times, quietHours: none } },
        nowMs: Date.parse(now),
        clock: fixedClock(now),
      }).quiet,
    ).toEqual([]);
  });
  test('who is out is out alone; nothing hangs outdoors at night; current is cheap till half past six', () => {
    const out = [{ person: 2, fromMs: Date.parse(now), toMs: Date.parse(now) + 3_600_000 }];
    const c = calendar({}, out);
    expect(c.people.map((p) => clearFrom(p, 0, 30))).toEqual([0, 60]);
    expect(clearFrom(c.indoorsOnly, hour(12), 7 * 60)).toBe(hour(12));
    expect(clearFrom(c.indoorsOnly, hour(12), 7 * 60 + 1)).toBe(hour(31));
    expect(overlapMin(c.cheap, hour(24), hour(48))).toBe(390);
  });
});
