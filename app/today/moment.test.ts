import { describe, expect, test } from '@jest/globals';
import { nextMoment } from './moment.ts';

const now = new Date('2026-11-28T13:20:00+01:00');
const at = (text: string, moment = now) => nextMoment(text, moment, 'Europe/Amsterdam')?.toISOString() ?? null;

describe('clock times as they are typed', () => {
  test.each([
    ['18', '2026-11-28T17:00:00.000Z'],
    ['18:30', '2026-11-28T17:30:00.000Z'],
    ['18.05', '2026-11-28T17:05:00.000Z'],
    ['6 pm', '2026-11-28T17:00:00.000Z'],
    ['12 am', '2026-11-28T23:00:00.000Z'],
    ['24', '2026-11-28T23:00:00.000Z'],
    ['13:21', '2026-11-28T12:21:00.000Z'],
    // What has passed today is tomorrow's.
    ['13:20', '2026-11-29T12:20:00.000Z'],
    ['7', '2026-11-29T06:00:00.000Z'],
    ['tomorrow 18:00', '2026-11-29T17:00:00.000Z'],
  ])('%s', (text, moment) => expect(at(text)).toBe(moment));
  test.each(['', 'noonish', '25', '18:60', '24:01', '13 pm', '0 am', '18:3', '1e3', 'tomorrow'])(
    '“%s” is none',
    (text) => expect(at(text)).toBeNull(),
  );
  test('across a change of clocks', () => {
    // Clocks go forward in the night to 29 March 2026: seven o'clock is an hour nearer.
    expect(at('7', new Date('2026-03-28T22:00:00+01:00'))).toBe('2026-03-29T05:00:00.000Z');
  });
});
