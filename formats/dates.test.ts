import { describe, expect, test } from '@jest/globals';
import { dayOf, eveningOf, isDay, isoInZone, weekdayOf } from './dates.ts';

describe.each(['Asia/Tokyo', 'Europe/Amsterdam', 'America/Los_Angeles'])('in %s', (zone) => {
  test.each(['2026-05-09', '2026-03-29', '2026-10-25', '2026-03-08', '2026-11-01', '2028-02-29'])(
    'the day %s is the same day after any number of saves',
    (day) => {
      let saved = day;
      for (let i = 0; i < 3; i++) saved = dayOf(new Date(eveningOf(saved, zone)), zone);
      expect(saved).toBe(day);
    },
  );
});
test('the evening follows the change of clocks', () => {
  expect(eveningOf('2026-03-28', 'Europe/Amsterdam')).toBe('2026-03-28T17:00:00.000Z');
  expect(eveningOf('2026-03-29', 'Europe/Amsterdam')).toBe('2026-03-29T16:00:00.000Z');
  expect(eveningOf('2026-05-09', 'Asia/Tokyo')).toBe('2026-05-09T09:00:00.000Z');
});
test('days that do not exist are none', () => {
  expect(['2026-02-30', '2026-13-01', '2026-2-3', 'today', ''].map(isDay)).toEqual([false, false, false, false, false]);
  expect(isDay('2028-02-29')).toBe(true);
});
test('a moment carries the offset of its zone', () => {
  const at = new Date('2026-11-01T09:30:15.250Z');
  expect(isoInZone(at, 'Europe/Amsterdam')).toBe('2026-11-01T10:30:15+01:00');
  expect(isoInZone(at, 'America/Los_Angeles')).toBe('2026-11-01T01:30:15-08:00');
  expect(isoInZone(at, 'UTC')).toBe('2026-11-01T09:30:15+00:00');
});

test('the day of the week is that of the zone', () => {
  const at = new Date('2026-11-28T23:30:00Z'); // a Saturday in London
  expect([weekdayOf(at, 'Europe/London'), weekdayOf(at, 'Asia/Tokyo'), weekdayOf(at, 'Pacific/Honolulu')]).toEqual([
    6, 0, 6,
  ]);
});
