/** Drying: what must hold for any air, cloth and place, and hand-worked numbers. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  barsFor,
  convection,
  dryingState,
  dryingTimeHours,
  equilibriumMoisture,
  evaporation,
  gapFactor,
  layouts,
  saturationPa,
  tumbleRun,
  tumblers,
  type DryingLayout,
} from './drying.ts';
import { coolingWaitMin, dampHours, moistureAfter, mustyIndex, vapourKgPerM3 } from './moisture.ts';
import { barMetres, flatNeedM2, gapBetweenMm, hangerCount, rackFit } from './rack.ts';

const cotton = new Map([['cotton', 1]] as const);
const polyester = new Map([['polyester', 1]] as const);
const air = { temperatureC: 20, humidity: 0.5, airSpeedMPerS: 0.1, gapMm: 150 };
const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const hours = (
  over: Partial<typeof air> = {},
  x0 = 0.6,
  layout: DryingLayout = 'bar1',
  fibre: ReadonlyMap<'cotton' | 'polyester', number> = cotton,
): number => {
  const r = dryingTimeHours('tshirt', fibre, x0, layout, { ...air, ...over });
  return r.ok ? r.value : Infinity;
};

describe('air', () => {
  test('saturation pressure at 20 °C is 2.33 kPa, at 0 °C 611 Pa', () => {
    expect(saturationPa(20)).toBeCloseTo(2333, -1);
    expect(saturationPa(0)).toBeCloseTo(611.2, 6);
  });
  test('a room at 20 °C and half humidity holds 8.6 g/m³', () =>
    expect(vapourKgPerM3(20, 0.5) * 1000).toBeCloseTo(8.62, 1));
  test('a wet surface is cooler than still air, and no cooler than its dew allows', () =>
    fc.assert(
      fc.property(d(5, 35), d(0.1, 0.9), d(0, 3), (c, rh, speed) => {
        const e = evaporation(c, rh, speed);
        expect(e.kgPerM2S).toBeGreaterThan(0);
        expect(e.surfaceC).toBeLessThan(c);
        expect(saturationPa(e.surfaceC)).toBeGreaterThan(rh * saturationPa(c) * 0.9);
      }),
    ));
  test('still air keeps the least convection', () => {
    expect(convection(0)).toBe(3.1);
    expect(convection(1)).toBeCloseTo(8.3, 9);
  });
  test('a neighbour pressed close leaves 35 %', () => {
    expect(gapFactor(0)).toBeCloseTo(0.35, 9);
    expect(gapFactor(1000)).toBeCloseTo(1, 6);
  });
});

describe('drying time', () => {
  test('drier, warmer, windier, roomier air never takes longer', () =>
    fc.assert(
      fc.property(d(8, 30), d(0.3, 0.8), d(0, 2), d(20, 150), (temperatureC, humidity, airSpeedMPerS, gapMm) => {
        const base = hours({ temperatureC, humidity, airSpeedMPerS, gapMm });
        expect(hours({ temperatureC, humidity: humidity - 0.1, airSpeedMPerS, gapMm })).toBeLessThanOrEqual(
          base + 1e-9,
        );
        expect(hours({ temperatureC: temperatureC + 3, humidity, airSpeedMPerS, gapMm })).toBeLessThanOrEqual(
          base + 1e-9,
        );
        expect(hours({ temperatureC, humidity, airSpeedMPerS: airSpeedMPerS + 0.5, gapMm })).toBeLessThanOrEqual(
          base + 1e-9,
        );
        expect(hours({ temperatureC, humidity, airSpeedMPerS, gapMm: gapMm + 50 })).toBeLessThanOrEqual(base + 1e-9);
      }),
    ));
  test('wetter takes longer; dry takes no time', () => {
    expect(hours({}, 0.9)).toBeGreaterThan(hours({}, 0.5));
    expect(hours({}, 0.05)).toBe(0);
  });
  test('polyester is dry before cotton', () => expect(hours({}, 0.5, 'bar1', polyester)).toBeLessThan(hours({}, 0.5)));
  test('over three bars is faster than over one, a heap slowest', () => {
    expect(hours({}, 0.6, 'bar3')).toBeLessThan(hours({}, 0.6, 'bar1'));
    for (const layout of Object.keys(layouts) as DryingLayout[])
      if (layout !== 'in_drum') expect(hours({}, 0.6, layout)).toBeLessThanOrEqual(hours({}, 0.6, 'heap'));
  });
  test('frost and fog: it will not dry', () => {
    expect(dryingTimeHours('tshirt', cotton, 0.6, 'line', { ...air, temperatureC: -1 }).ok).toBe(false);
    expect(dryingTimeHours('tshirt', cotton, 0.6, 'line', { ...air, humidity: 0.95 }).ok).toBe(false);
  });
  test('turning what lies on something saves the part it lay on', () =>
    expect(
      dryingState('jumper_mid', cotton, 'flat_towel', { ...air, turned: false }).slow /
        dryingState('jumper_mid', cotton, 'flat_towel', { ...air, turned: true }).slow,
    ).toBeCloseTo(1.35, 9));
  test('moisture after the drying time is two points above what the air leaves', () =>
    expect(moistureAfter('tshirt', cotton, 0.6, hours(), 'bar1', air)).toBeCloseTo(
      equilibriumMoisture(cotton, 0.5) + 0.02,
      6,
    ));
  test("moisture falls all the way and never under the air's own", () =>
    fc.assert(
      fc.property(d(0, 30), d(0, 5), (h, more) => {
        const now = moistureAfter('tshirt', cotton, 0.7, h, 'bar1', air);
        const later = moistureAfter('tshirt', cotton, 0.7, h + more, 'bar1', air);
        expect(later).toBeLessThanOrEqual(now + 1e-12);
        expect(later).toBeGreaterThanOrEqual(equilibriumMoisture(cotton, 0.5) - 1e-9);
      }),
    ));
  test('ironing damp comes before dry', () => {
    const damp = dampHours('tshirt', cotton, 0.6, 'bar1', air);
    expect(damp).not.toBeNull();
    expect(damp!).toBeLessThan(hours());
  });
  test('longer damp and warmer is mustier', () => {
    expect(mustyIndex(12, 20, 'rack', cotton)).toBeGreaterThan(mustyIndex(6, 20, 'rack', cotton));
    expect(mustyIndex(12, 26, 'rack', cotton)).toBeGreaterThan(mustyIndex(12, 20, 'rack', cotton));
  });
  test('cloth as warm as the room waits for nothing', () => expect(coolingWaitMin(20)).toBeCloseTo(0, 9));
});

describe('tumble dryer', () => {
  test('five kilograms at 60 % moisture: 2.6 kg of water, 1.06 kWh by heat pump', () => {
    const run = tumbleRun('heat-pump', 5, 0.6);
    expect(run.waterKg).toBeCloseTo(2.6, 9);
    expect(run.energyKwh).toBeCloseTo(0.12 + 0.36 * 2.6, 9);
  });
  test('a heat pump takes the least energy and not the least time', () => {
    for (const type of Object.keys(tumblers) as (keyof typeof tumblers)[])
      expect(tumbleRun(type, 4, 0.6).energyKwh).toBeGreaterThanOrEqual(tumbleRun('heat-pump', 4, 0.6).energyKwh);
    expect(tumbleRun('heat-pump', 4, 0.6).minutes).toBeGreaterThan(tumbleRun('vented', 4, 0.6).minutes);
  });
  test('low temperature takes longer', () =>
    expect(tumbleRun('condenser', 3, 0.6, 8, true).minutes).toBeGreaterThan(tumbleRun('condenser', 3, 0.6).minutes));
});

describe('rack', () => {
  test('bars by dry mass', () => expect([299, 300, 599, 600].map(barsFor)).toEqual([1, 2, 2, 3]));
  test('never more than hang there; of one kind a longer rack takes no fewer, a narrow pitch no more', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 4 }),
        fc.integer({ min: 2, max: 20 }),
        d(0.6, 1.5),
        (tees, jumpers, bars, length) => {
          expect(
            rackFit(bars, length, 60, [
              ['tshirt', tees],
              ['jumper_mid', jumpers],
            ]),
          ).toBeLessThanOrEqual(tees + jumpers);
          // Of mixed kinds a longer rack may take fewer pieces: a wide one that now fits has the first choice.
          for (const items of [[['tshirt', tees]], [['jumper_mid', jumpers]]] as const) {
            const placed = rackFit(bars, length, 60, items);
            expect(rackFit(bars, length + 0.5, 60, items)).toBeGreaterThanOrEqual(placed);
            expect(rackFit(bars, length, 40, items)).toBeLessThanOrEqual(placed);
          }
        },
      ),
    ));
  test('metres, flat area, hangers, gaps', () => {
    expect(barMetres([['tshirt', 2]])).toBeCloseTo(2 * 0.55, 9);
    expect(flatNeedM2([['tshirt', 2]])).toBeCloseTo(1.1, 9);
    expect([hangerCount(0.6), hangerCount(0.6, true)]).toEqual([10, 6]);
    expect(gapBetweenMm(70, 6, 4)).toBe(50);
  });
});
