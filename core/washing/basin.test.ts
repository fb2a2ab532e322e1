/** Basins and baths: geometry worked by hand, dilution and cooling on both sides of their limits. */
import { describe, expect, test } from '@jest/globals';
import type { Basin } from '../model/household.ts';
import type { PhysicalFibreId } from '../fibre/physical.ts';
import {
  basinCoolingC,
  basinTauH,
  bathCount,
  bathWater,
  displacementL,
  fillHeightCm,
  hotWaterL,
  hoursToTemperature,
  reusedConcentration,
  rinsesNeeded,
  safeFillL,
  usableVolumeL,
} from './basin.ts';

const basin = (form: Basin['form']): Basin => ({ id: 'b', name: 'b', form });
const cotton = new Map<PhysicalFibreId, number>([['cotton', 1]]);

describe('how much a basin holds', () => {
  const bucket = basin({ shape: 'tapered', topDiameterCm: 30, bottomDiameterCm: 20, depthCm: 25 });
  test('a bucket that opens from 20 to 30 cm: 20 of its 25 cm, 9.9 litres', () => {
    // Radii 10 and 14 at 20 cm: π/3 · 20 · (100 + 140 + 196) = 9132 cm³
    expect(usableVolumeL(bucket)).toBeCloseTo(9.1316, 3);
  });
  test('how high the water stands, for every shape; by its volume alone nobody knows', () => {
    expect(fillHeightCm(basin({ shape: 'volume', volumeL: 12 }), 6)).toBeNull();
    expect(fillHeightCm(basin({ shape: 'rectangular', lengthCm: 40, widthCm: 30, depthCm: 20 }), 12)).toBeCloseTo(
      10,
      9,
    );
    expect(fillHeightCm(basin({ shape: 'round', diameterCm: 40, depthCm: 25 }), Math.PI)).toBeCloseTo(2.5, 9);
    const straight = basin({ shape: 'tapered', topDiameterCm: 40, bottomDiameterCm: 40, depthCm: 25 });
    expect(fillHeightCm(straight, Math.PI)).toBeCloseTo(2.5, 9);
    expect(fillHeightCm(bucket, usableVolumeL(bucket))).toBeCloseTo(20, 9);
  });
  test('a kilogram of woven cotton pushes up 0.96 l: its fibres and the air it holds', () => {
    expect(displacementL(1, cotton, 'woven')).toBeCloseTo(1 / 1.54 + 0.3, 2);
    expect(displacementL(2, cotton, 'terry')).toBeCloseTo(2 * (1 / 1.54 + 0.8), 2);
    expect(safeFillL(10, 1, cotton, 'woven')).toBeCloseTo(10 - displacementL(1, cotton, 'woven'), 9);
    expect(safeFillL(0.5, 1, cotton, 'woven')).toBe(0);
  });
  test('baths: 12 l a kilogram for everyday cloth, 25 for silk, 8 for a soak; one at least', () => {
    expect([1, 1.01].map((kg) => bathCount(kg, 12, 'normal'))).toEqual([1, 2]);
    expect([0.48, 0.49].map((kg) => bathCount(kg, 12, 'silk'))).toEqual([1, 2]);
    expect([1.5, 1.51].map((kg) => bathCount(kg, 12, 'soak'))).toEqual([1, 2]);
    expect(bathCount(0, 12, 'normal')).toBe(1);
  });
});

describe('water from two taps', () => {
  test('ten litres of 30 °C from 55 and 12: 4.2 and 5.8', () => {
    expect(bathWater(10, 30, 55, 12)).toEqual({ hotL: 4.2, coldL: 5.8 });
    expect(bathWater(10, 60, 55, 12)).toEqual({ hotL: 10, coldL: 0 });
    expect(bathWater(10, 8, 55, 12)).toEqual({ hotL: 0, coldL: 10 });
    expect(bathWater(10, 30, 12, 12)).toEqual({ hotL: 0, coldL: 10 });
  });
  test('a hot tap that is no warmer mixes nothing', () => {
    expect(hotWaterL(10, 30, 12, 12).ok).toBe(false);
    expect(hotWaterL(10, 12.05, 12.1, 12)).toEqual({ ok: true, value: expect.closeTo(5, 6) as unknown });
  });
});

describe('rinsing, cooling, using again', () => {
  test('rinses: none when it is clean enough, just enough otherwise', () => {
    expect([50, 51].map((c) => rinsesNeeded(c, 50, 1, 9))).toEqual([0, 1]);
    expect(rinsesNeeded(40, 50, 1, 9)).toBe(0);
    expect([500, 501].map((c) => rinsesNeeded(c, 50, 1, 9))).toEqual([1, 2]);
  });
  test('ten litres lose 63 % of their warmth in the hours of their surface', () => {
    const tau = basinTauH(10, 0.1, 0.2);
    expect(tau).toBeCloseTo(41_860 / (2.2 + 1.4) / 3600, 9);
    expect(basinCoolingC(40, 20, tau, tau)).toBeCloseTo(20 + 20 / Math.E, 9);
  });
  test('the hour of a temperature: at once, later, or never', () => {
    const at = (start: number, room: number, target: number) => hoursToTemperature(start, room, 2, target);
    expect(at(40, 20, 40)).toEqual({ ok: true, value: 0 });
    expect(at(40, 20, 41)).toEqual({ ok: true, value: 0 });
    expect(at(10, 20, 9)).toEqual({ ok: true, value: 0 });
    expect(at(40, 20, 30)).toEqual({ ok: true, value: expect.closeTo(2 * Math.LN2, 9) as unknown });
    expect(at(10, 20, 15)).toEqual({ ok: true, value: expect.closeTo(2 * Math.LN2, 9) as unknown });
    for (const target of [20, 19]) expect(at(40, 20, target).ok).toBe(false);
    for (const target of [20, 21]) expect(at(10, 20, target).ok).toBe(false);
    expect(at(20, 20, 20)).toEqual({ ok: true, value: 0 });
    expect(at(20, 20, 25).ok).toBe(false);
  });
  test('a bath used again thins out by what the cloth carries and what it takes up', () => {
    expect(reusedConcentration(100, 10, [])).toBe(100);
    // 0.5 kg carries 1 l of 10 out (0.9), and takes 15 % of 20 g/kg … of 10 l (0.85)
    expect(reusedConcentration(100, 10, [[0.5, 2]])).toBeCloseTo(100 * 0.9 * 0.85, 9);
    expect(
      reusedConcentration(100, 10, [
        [0.5, 2],
        [0.5, 2],
      ]),
    ).toBeCloseTo(100 * (0.9 * 0.85) ** 2, 9);
    expect(reusedConcentration(100, 10, [[6, 2]])).toBe(0);
  });
});
