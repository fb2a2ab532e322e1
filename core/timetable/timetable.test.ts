import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyHousehold, everydayGarment, garment, household } from '../testing/arbitrary.ts';
import { brokenRules } from '../testing/timetable-rules.ts';
import type { Household, HouseTimes } from '../model/household.ts';
import type { Garment } from '../model/garment.ts';
import { planBasket } from '../plan/plan.ts';
import { timetableOf, type TimetableRequest } from './timetable.ts';

const now = '2026-05-09T08:00:00+02:00';
function requestOf(garments: readonly Garment[], house: Household, change: Partial<TimetableRequest> = {}): TimetableRequest {
  const plan = planBasket({ household: house, garments, now });
  return { household: house, garments, now, loads: plan.loads, planned: plan.garments, planWarnings: plan.warnings, ...change };
}
const at = (ms: number): string => new Date(ms + 2 * 3_600_000).toISOString().slice(5, 16).replace('T', ' ');

const anyTimes: fc.Arbitrary<HouseTimes> = fc.record({
  quietHours: fc.constantFrom([], [[22, 7]] as const, [[21.5, 6], [13, 15]] as const),
  away: fc.constantFrom([], [{ fromMs: Date.parse('2026-05-09T12:00:00+02:00'), toMs: Date.parse('2026-05-09T14:00:00+02:00') }]),
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
      { numRuns: 150 },
    ));
});
describe('one machine', () => {
  const tees = ['a', 'b', 'c'].map((id) => garment(id));
  test('a load by itself: hands, run, hands, line, cupboard', () => {
    const t = timetableOf(requestOf(tees, household));
    expect(t.tasks.map((x) => `${at(x.startMs)} ${x.id}`)).toEqual([]);
  });
});
