/** Energy, water and money of a run: what the machine states, between and beyond it; tariff windows minute by minute. */
import { describe, expect, test } from '@jest/globals';
import {
  energyShareAt,
  modelWaterL,
  runKwh,
  runWaterL,
  statedFullLoadKwh,
  tariffMoney,
  type MachineRun,
} from './energy.ts';

describe('stated energy', () => {
  const stated = new Map([
    [60, 1.2],
    [30, 0.4],
    [40, 0.6],
  ]);
  test('at a stated temperature its own figure, between two the line between them', () => {
    expect([30, 40, 60].map((c) => statedFullLoadKwh(stated, c, 12))).toEqual([0.4, 0.6, 1.2]);
    expect(statedFullLoadKwh(stated, 50, 12)).toBeCloseTo(0.9, 9);
    expect(statedFullLoadKwh(stated, 35, 12)).toBeCloseTo(0.5, 9);
  });
  test('beyond them by the share of the heat; water as warm as the tap costs nothing to heat', () => {
    expect(statedFullLoadKwh(stated, 20, 12)).toBeCloseTo((0.4 * 8) / 18, 9);
    expect(statedFullLoadKwh(stated, 90, 12)).toBeCloseTo((1.2 * 78) / 48, 9);
    expect(statedFullLoadKwh(stated, 10, 12)).toBe(0);
    expect(statedFullLoadKwh(new Map([[12, 0.2]]), 20, 12)).toBe(0.2);
    expect(statedFullLoadKwh(new Map([[20, 0.3]]), 30, 20)).toBe(0.3);
    expect(statedFullLoadKwh(new Map(), 30, 12)).toBeNull();
  });
});

describe('one run', () => {
  const run: MachineRun = {
    row: 'cotton',
    fullKwh: 1,
    fullWaterL: 50,
    temperatureC: 40,
    spinRpm: 1400,
    massKg: 4,
    fill: 0.5,
    coldC: 12,
    extraRinse: false,
  };
  test('55 % of the energy and 60 % of the water run through an empty drum', () => {
    expect([0, 0.5, 1].map(energyShareAt)).toEqual([0.55, 0.775, 1]);
    expect(runKwh(run)).toBeCloseTo(0.775, 9);
    expect(runWaterL(run)).toBeCloseTo(40, 9);
  });
  test('an extra rinse is one rinse of its programme more; the model counts it so, too', () => {
    expect(runWaterL({ ...run, extraRinse: true }) - runWaterL(run)).toBeCloseTo(5 + 1.6 * 4, 9);
    expect(modelWaterL('cotton', 4, 1) - modelWaterL('cotton', 4)).toBeCloseTo(5 + 1.6 * 4, 9);
    expect(runWaterL({ ...run, fullWaterL: null })).toBeCloseTo(4 + 2.3 * 4 + 2 * (5 + 1.6 * 4), 9);
  });
  test('without a figure the model speaks: heat of bath, cloth and tub, and the motor', () => {
    const heat = (1.06 * (4.186 * 13.2 + 1.4 * 4 + 6) * 28) / 3600;
    expect(runKwh({ ...run, fullKwh: null })).toBeCloseTo(heat + 0.1 + 0.048 + 0.05, 9);
    expect(runKwh({ ...run, fullKwh: null, temperatureC: 10, spinRpm: 0 })).toBeCloseTo(0.148, 9);
  });
});

describe('the tariff', () => {
  /** Cheap from midnight to six. */
  const night = [[0, 360, 0.1]] as const;
  const cost = (
    startMin: number,
    durationMin: number,
    windows: readonly (readonly [number, number, number])[] = night,
  ) => tariffMoney(0.7, 0.3, startMin, durationMin, windows, 0.3);
  test('within a window, outside it, and across its ends: the heat falls into the first 35 %', () => {
    expect(cost(0, 100)).toBeCloseTo(0.1, 9);
    expect(cost(360, 100)).toBeCloseTo(0.3, 9);
    // From 23:30: the heat (35 min) 30 min dear and 5 cheap; the motor 30 dear and 70 cheap.
    expect(cost(1410, 100)).toBeCloseTo(0.7 * ((30 / 35) * 0.3 + (5 / 35) * 0.1) + 0.3 * (0.3 * 0.3 + 0.7 * 0.1), 9);
    // From 5:30: the other way about.
    expect(cost(330, 100)).toBeCloseTo(0.7 * ((30 / 35) * 0.1 + (5 / 35) * 0.3) + 0.3 * (0.3 * 0.1 + 0.7 * 0.3), 9);
  });
  test('a window over midnight; one of no length is none; the first that fits counts', () => {
    const over = [[1320, 360, 0.1]] as const;
    expect([1320, 1400, 0, 260].map((t) => cost(t, 100, over))).toEqual(
      Array.from({ length: 4 }, () => expect.closeTo(0.1, 9) as unknown),
    );
    expect([360, 1220].map((t) => cost(t, 100, over))).toEqual(
      Array.from({ length: 2 }, () => expect.closeTo(0.3, 9) as unknown),
    );
    expect(cost(600, 100, [[600, 600, 0.1]])).toBeCloseTo(0.3, 9);
    expect(
      cost(0, 100, [
        [0, 360, 0.2],
        [0, 360, 0.1],
      ]),
    ).toBeCloseTo(0.2, 9);
  });
  test('minutes are whole: half a minute counts as one, and there is always one', () => {
    expect(cost(0, 0)).toBeCloseTo(0.1, 9);
    expect(cost(359, 1.4)).toBeCloseTo(0.1, 9);
    expect(cost(359, 1.5)).toBeCloseTo(0.7 * 0.1 + 0.3 * 0.2, 9);
    // 10 minutes: 4 of heat (3.5 rounded), the last of them dear.
    expect(cost(357, 10)).toBeCloseTo(0.7 * (0.75 * 0.1 + 0.25 * 0.3) + 0.3 * (0.3 * 0.1 + 0.7 * 0.3), 9);
  });
});
