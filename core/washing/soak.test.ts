/** The oxygen soak: how it fades, what it does, how much goes in. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { coolingSoak, halfLifeH, oxygenExposure, oxygenLeft, soakDoseG, stirCount, usefulHours } from './soak.ts';

const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('oxygen soak', () => {
  test('at 20 °C half is left after ten hours; 12.5 K warmer after five', () => {
    expect(oxygenLeft(20, 10)).toBeCloseTo(0.5, 9);
    expect(halfLifeH(32.5)).toBeCloseTo(5, 9);
  });
  test('useful until a tenth is left', () => expect(oxygenLeft(30, usefulHours(30))).toBeCloseTo(0.1, 9));
  test('ten litres, normal soil: 80 g', () => expect(soakDoseG(10, 1)).toBe(80));
  test('exposure grows and is bounded by what was put in', () =>
    fc.assert(
      fc.property(d(1, 20), d(15, 60), d(0.1, 12), (g, c, h) => {
        expect(oxygenExposure(g, c, h + 1)).toBeGreaterThanOrEqual(oxygenExposure(g, c, h));
        expect(oxygenExposure(g, c, h)).toBeLessThanOrEqual(
          (g * 2 ** ((c - 40) / 10) * halfLifeH(c)) / Math.LN2 + 1e-9,
        );
      }),
    ));
  test('a bath as cool as its room is the bath at constant temperature', () => {
    const soak = coolingSoak(8, 20, 20, 2, 6);
    expect(soak.leftGPerL).toBeCloseTo(8 * oxygenLeft(20, 6), 6);
    expect(soak.exposure).toBeCloseTo(oxygenExposure(8, 20, 6), 3);
  });
  test('stirring every 30 minutes for two hours is four times', () => expect(stirCount(2, 30)).toBe(4));
});
