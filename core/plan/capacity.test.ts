/** Hours there are and hours needed, on both sides of their limit. */
import { describe, expect, test } from '@jest/globals';
import { textOf } from '@words/text.ts';
import { garment, household } from '../testing/arbitrary.ts';
import type { Household } from '../model/household.ts';
import { planBasket } from './plan.ts';
import { openMinutes } from './capacity.ts';

const now = '2026-05-09T08:00:00+02:00';
const towels = (count: number) =>
  Array.from({ length: count }, (_, i) => ({
    ...garment(`g${i}`, { kind: 'bath_towel', soil: 'normal' }),
    id: `g${i}`,
  }));
const plan = (home: Household, count: number) => planBasket({ household: home, garments: towels(count), now });
const warning = (home: Household, count: number, code: string) =>
  plan(home, count).warnings.find((w) => w.code === code);
const washer = household.washers[0]!;

describe('hours until the next wash day', () => {
  test('a machine may run whenever nothing shuts it, and not in quiet hours', () => {
    const free = { ...household, daysToNextWash: 2, times: { ...household.times, quietHours: [], slots: [] } };
    expect(openMinutes(free, now).get(washer.id)).toBe(2 * 24 * 60);
    const quiet = { ...free, times: { ...free.times, quietHours: [[22, 6]] as [number, number][] } };
    expect(openMinutes(quiet, now).get(washer.id)).toBe(2 * 16 * 60);
  });
  test('a shared machine only in its slots', () => {
    const at = Date.parse(now);
    const slot = { washer: washer.id, fromMs: at + 3_600_000, toMs: at + 3 * 3_600_000 };
    const shared = { ...household, daysToNextWash: 2, times: { ...household.times, quietHours: [], slots: [slot] } };
    expect(openMinutes(shared, now).get(washer.id)).toBe(120);
  });
  test('loads that no longer fit in are told, with how many do and what the rest takes', () => {
    const at = Date.parse(now);
    const slots = (hours: number) => [{ washer: washer.id, fromMs: at, toMs: at + hours * 3_600_000 }];
    const home = (hours: number): Household => ({
      ...household,
      daysToNextWash: 7,
      times: { ...household.times, quietHours: [], slots: slots(hours) },
    });
    const { loads } = plan(home(100), 40);
    const minutes = loads.reduce((t, l) => t + l.durationMin, 0);
    expect(loads.length).toBeGreaterThan(1);
    expect(warning(home(minutes / 60), 40, 'machine-hours')).toBeUndefined();
    const late = warning(home(minutes / 60 - 0.1), 40, 'machine-hours');
    expect(late?.garments).toHaveLength(loads.at(-1)!.garments.length);
    expect(textOf(late!.message)).toContain(
      `The first ${loads.length - 1 === 1 ? 'load fits' : `${loads.length - 1} loads fit`} in`,
    );
    expect(textOf(late!.message)).toContain('a laundry room with several machines helps');
  });
  test('what hangs on few bars needs its days, and says so', () => {
    const rack = { ...household.dryingPlaces[0]!, bars: 6 };
    const home = (daysToNextWash: number): Household => ({
      ...household,
      daysToNextWash,
      dryers: [],
      dryingPlaces: [rack],
    });
    expect(warning(home(60), 40, 'rack-hours')).toBeUndefined();
    expect(textOf(warning(home(2), 40, 'rack-hours')!.message)).toContain('the next wash day is in 2 days');
  });
});
