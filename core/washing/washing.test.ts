/** Water, energy, dose and room of a load: hand-worked numbers, and what must hold for any numbers. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  drumRows,
  fillClass,
  filledFromHeight,
  freeHeightMm,
  programmeMaxKg,
  cleaningFactor,
  type DrumRow,
} from './drum.ts';
import {
  basinCoolingC,
  bathCount,
  hotWaterKwh,
  hotWaterL,
  hoursToTemperature,
  residueMgPerL,
  reusedConcentration,
  rinsesNeeded,
  usableVolumeL,
} from './basin.ts';
import {
  capMl,
  defaultDoseAmount,
  doseFromTable,
  doseUnitOf,
  handBathDose,
  handDosePerLitre,
  machineDose,
  podCount,
} from './dose.ts';
import { modelKwh, modelWaterL, runKwh, runWaterL, statedFullLoadKwh, tariffMoney, waterRows } from './energy.ts';
import { product } from '../testing/product.ts';

const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const table = [
  [30, 45, 60],
  [40, 55, 75],
  [50, 70, 95],
];

describe('basin', () => {
  test('usable volume keeps five centimetres free; by volume alone three quarters', () => {
    expect(
      usableVolumeL({ id: 'b', name: 'b', form: { shape: 'rectangular', lengthCm: 45, widthCm: 32, depthCm: 18 } }),
    ).toBeCloseTo(18.72, 9);
    expect(usableVolumeL({ id: 'b', name: 'b', form: { shape: 'round', diameterCm: 40, depthCm: 25 } })).toBeCloseTo(
      25.1327,
      3,
    );
    expect(usableVolumeL({ id: 'b', name: 'b', form: { shape: 'volume', volumeL: 12 } })).toBe(9);
    expect(usableVolumeL({ id: 'b', name: 'b', form: { shape: 'round', diameterCm: 40, depthCm: 4 } })).toBe(0);
  });
  test('a tapered tub with equal rims is a round one', () =>
    fc.assert(
      fc.property(d(10, 60), d(6, 40), (w, h) => {
        const tapered = usableVolumeL({
          id: 'b',
          name: 'b',
          form: { shape: 'tapered', topDiameterCm: w, bottomDiameterCm: w, depthCm: h },
        });
        expect(tapered).toBeCloseTo(
          usableVolumeL({ id: 'b', name: 'b', form: { shape: 'round', diameterCm: w, depthCm: h } }),
          9,
        );
      }),
    ));
  test('the rinses needed are just enough', () =>
    fc.assert(
      fc.property(d(60, 5000), d(20, 60), d(0.2, 5), d(5, 40), (c0, target, carry, rinse) => {
        const n = rinsesNeeded(c0, target, carry, rinse);
        expect(residueMgPerL(c0, carry, rinse, n)).toBeLessThanOrEqual(target * (1 + 1e-6));
        expect(residueMgPerL(c0, carry, rinse, n - 1)).toBeGreaterThan(target * (1 - 1e-6));
      }),
    ));
  test('clean water needs no rinse', () => expect(rinsesNeeded(40, 50, 1, 10)).toBe(0));
  test('mixing taps keeps the heat: hot and cold together have the target temperature', () =>
    fc.assert(
      fc.property(d(1, 40), d(15, 54), d(1, 14), (litres, target, cold) => {
        const hot = hotWaterL(litres, target, 55, cold);
        if (!hot.ok) throw new Error(hot.reason);
        expect((hot.value * 55 + (litres - hot.value) * cold) / litres).toBeCloseTo(target, 9);
      }),
    ));
  test('a hot tap no warmer than the cold one is told', () => expect(hotWaterL(10, 30, 12, 12).ok).toBe(false));
  test('a litre warmed by 43 K takes 0.05 kWh', () => expect(hotWaterKwh(1, 55, 12)).toBeCloseTo(0.04999, 4));
  test('cooling and its inverse agree', () =>
    fc.assert(
      fc.property(d(30, 60), d(15, 24), d(1, 5), d(0.05, 8), (start, room, tau, hours) => {
        const back = hoursToTemperature(start, room, tau, basinCoolingC(start, room, tau, hours));
        expect(back.ok && back.value).toBeCloseTo(hours, 6);
      }),
    ));
  test('a bath never falls below the room', () => expect(hoursToTemperature(40, 20, 2, 18).ok).toBe(false));
  test('baths are whole, and more cloth never needs fewer', () =>
    fc.assert(
      fc.property(d(0.1, 5), d(0, 3), d(4, 20), (kg, more, litres) => {
        expect(bathCount(kg + more, litres, 'wool')).toBeGreaterThanOrEqual(bathCount(kg, litres, 'wool'));
        expect(bathCount(kg, litres, 'wool')).toBeGreaterThanOrEqual(bathCount(kg, litres, 'normal'));
      }),
    ));
  test('a bath used again is weaker each time and never negative', () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(d(0, 3), d(0, 3)), { maxLength: 6 }), (batches) => {
        const after = reusedConcentration(
          4,
          15,
          batches.map(([a, b]) => [a, b] as const),
        );
        expect(after).toBeGreaterThanOrEqual(0);
        expect(
          reusedConcentration(4, 15, [...batches.map(([a, b]) => [a, b] as const), [0.5, 1] as const]),
        ).toBeLessThanOrEqual(after);
      }),
    ));
});

describe('drum', () => {
  test('the programme takes a share of the rated load, wool at most its cap', () => {
    for (const row of Object.keys(drumRows) as DrumRow[]) {
      expect(programmeMaxKg(row, 8)).toBeLessThanOrEqual(8);
      expect(programmeMaxKg(row, 16)).toBeGreaterThanOrEqual(programmeMaxKg(row, 8));
    }
  });
  test('height above the load and filled share are inverse', () =>
    fc.assert(
      fc.property(d(0.02, 0.98), (filled) =>
        expect(filledFromHeight(freeHeightMm(filled, 480), 480)).toBeCloseTo(filled, 6),
      ),
    ));
  test('half full, the load stands half high', () => expect(freeHeightMm(0.5, 480)).toBeCloseTo(240, 6));
  test.each([
    [0.49, 'under'],
    [0.5, 'good'],
    [0.9, 'good'],
    [0.95, 'full'],
    [1, 'full'],
    [1.1, 'over'],
    [1.2, 'over'],
    [1.21, 'refuse'],
  ] as const)('fill %p is %s', (fill, cls) => expect(fillClass(fill)).toBe(cls));
  test('an overfull drum cleans worse', () => {
    expect(cleaningFactor(0.9)).toBe(1);
    expect(cleaningFactor(1.05)).toBeCloseTo(0.9, 9);
    expect(cleaningFactor(2)).toBe(0.5);
  });
});

describe('dose', () => {
  test("the pack is read between its rows: hardness 2, normal soil, the table's load", () =>
    expect(doseFromTable(table, 2, 1, 4.5, 4.5)).toBeCloseTo(55, 9));
  test('half way between soft and medium', () => expect(doseFromTable(table, 1.375, 1, 4.5, 4.5)).toBeCloseTo(50, 9));
  test('a small load keeps a fixed share', () =>
    expect(doseFromTable(table, 2, 1, 1.125, 4.5)).toBeCloseTo(55 * (0.35 + 0.65 * 0.25), 9));
  test('never above 1.2 × the largest pack value, whatever is asked', () =>
    fc.assert(
      fc.property(d(0, 20), d(0, 5), d(0.1, 20), (hard, soil, kg) =>
        expect(doseFromTable(table, hard, soil, kg, 4.5)).toBeLessThanOrEqual(1.2 * 95 + 1e-9),
      ),
    ));
  test('harder water, more soil and more cloth never ask for less', () =>
    fc.assert(
      fc.property(d(0, 6), d(0, 2), d(0.2, 8), d(0, 1), (hard, soil, kg, more) => {
        const base = doseFromTable(table, hard, soil, kg, 4.5);
        for (const dose of [
          doseFromTable(table, hard + more, soil, kg, 4.5),
          doseFromTable(table, hard, Math.min(2, soil + more), kg, 4.5),
          doseFromTable(table, hard, soil, kg + more, 4.5),
        ])
          expect(dose).toBeGreaterThanOrEqual(base - 1e-9);
        expect(defaultDoseAmount('liquid', hard + more, soil, kg + more)).toBeGreaterThanOrEqual(
          defaultDoseAmount('liquid', hard, soil, kg) - 1e-9,
        );
      }),
    ));
  test.each([
    [4, 2, false, 1],
    [7, 2, false, 2],
    [4, 2, true, 2],
    [4, 3.5, false, 2],
    [9.5, 2, true, 3],
    [9.5, 2, false, 2],
  ] as const)('pods for %p kg, %p mmol/l, heavy %p: %p', (kg, hard, heavy, n) =>
    expect(podCount(kg, hard, heavy)).toBe(n),
  );
  test('counted forms come whole, at least one', () =>
    fc.assert(
      fc.property(d(0.2, 10), (kg) => {
        const amount = machineDose(
          product({
            form: 'tablet',
            dose: {
              unit: 'tablet',
              perLoadKg: 4.5,
              table: [
                [0.4, 1, 2],
                [0.4, 1, 2],
                [0.5, 1.5, 2],
              ],
              handPerLitre: null,
            },
          }),
          2,
          0,
          false,
        )(kg);
        expect(Number.isInteger(amount) && amount >= 1).toBe(true);
      }),
    ));
  test('undershooting takes a quarter off lightly soiled loads only', () => {
    const p = product({ dose: { unit: 'ml', perLoadKg: 4.5, table, handPerLitre: 2 } });
    expect(machineDose(p, 2, 0, true)(4.5) / machineDose(p, 2, 0, false)(4.5)).toBeCloseTo(0.75, 9);
    expect(machineDose(p, 2, 1, true)(4.5)).toBe(machineDose(p, 2, 1, false)(4.5));
    expect(handBathDose(2, 10, 0, true)).toBeCloseTo(2 * 10 * 0.7 * 0.75, 9);
  });
  test('by hand: the pack first, 0 and counted forms not at all', () => {
    expect(handDosePerLitre(product({ dose: { unit: 'ml', perLoadKg: 4.5, table, handPerLitre: 2 } }))).toBe(2);
    expect(handDosePerLitre(product({ dose: { unit: 'ml', perLoadKg: 4.5, table, handPerLitre: 0 } }))).toBeNull();
    expect(handDosePerLitre(product({ form: 'pod' }))).toBeNull();
    expect(handDosePerLitre(product({ class: 'no-rinse-wool' }))).toBe(1.25);
    expect(doseUnitOf(product({ form: 'sheet' }))).toBe('sheet');
  });
  test('a cap with straight walls is a cylinder', () =>
    expect(capMl(20, 20, 40, 30)).toBeCloseTo((Math.PI * 400 * 30) / 1000, 9));
});

describe('water and energy', () => {
  test('cottons, 4 kg: 13.2 l in the wash, 11.4 l in each of two rinses', () =>
    expect(modelWaterL('cotton', 4)).toBeCloseTo(13.2 + 2 * 11.4, 9));
  test('warmer, heavier, faster: never less', () =>
    fc.assert(
      fc.property(fc.constantFrom(...waterRows), d(0.2, 8), d(12, 80), d(0, 1200), (row, kg, c, rpm) => {
        const base = modelKwh(row, kg, c, 12, rpm);
        for (const more of [
          modelKwh(row, kg + 0.5, c, 12, rpm),
          modelKwh(row, kg, c + 5, 12, rpm),
          modelKwh(row, kg, c, 12, rpm + 200),
        ])
          expect(more).toBeGreaterThan(base);
      }),
    ));
  test('inlet water warmer than the programme needs no heat', () =>
    expect(modelKwh('cotton', 4, 20, 25, 0)).toBeCloseTo(0.148, 9));
  test('stated figures: exact at the points, linear between, by heat beyond', () => {
    const stated = new Map([
      [60, 1],
      [40, 0.6],
    ]);
    expect(statedFullLoadKwh(stated, 40, 12)).toBe(0.6);
    expect(statedFullLoadKwh(stated, 50, 12)).toBeCloseTo(0.8, 9);
    expect(statedFullLoadKwh(stated, 26, 12)).toBeCloseTo(0.3, 9);
    expect(statedFullLoadKwh(stated, 90, 12)).toBeCloseTo(78 / 48, 9);
    expect(statedFullLoadKwh(new Map(), 40, 12)).toBeNull();
  });
  test('a stated run at half fill takes 0.775 of its energy and 0.8 of its water', () => {
    const run = {
      row: 'cotton' as const,
      fullKwh: 1,
      fullWaterL: 60,
      temperatureC: 60,
      spinRpm: 1200,
      massKg: 4,
      fill: 0.5,
      coldC: 12,
      extraRinse: false,
    };
    expect(runKwh(run)).toBeCloseTo(0.775, 9);
    expect(runWaterL(run)).toBeCloseTo(48, 9);
    expect(runWaterL({ ...run, extraRinse: true }) - runWaterL(run)).toBeCloseTo(5 + 1.6 * 4, 9);
  });
  test('one price all day is energy times price; a cheap window over everything is the cheap price', () =>
    fc.assert(
      fc.property(
        d(0, 2),
        d(0, 1),
        fc.integer({ min: 0, max: 1439 }),
        fc.integer({ min: 10, max: 240 }),
        (heat, motor, start, minutes) => {
          expect(tariffMoney(heat, motor, start, minutes, [], 0.3)).toBeCloseTo((heat + motor) * 0.3, 9);
          expect(tariffMoney(heat, motor, start, minutes, [[0, 1440, 0.2]], 0.3)).toBeCloseTo((heat + motor) * 0.2, 9);
        },
      ),
    ));
});
