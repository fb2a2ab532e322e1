/** Spin, soak, wear counts, products and the iron: known values and order. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { physicalFibres, type PhysicalFibreId } from './fibre/physical.ts';
import { physicalShares, significantFibres } from './fibre/blend.ts';
import { garmentKinds } from './garment/kinds.ts';
import type { Product } from './model/household.ts';
import { ironClassC, plateChangeMin, plateLimitC, plateWaitMin, sprayMl } from './pressing/ironing.ts';
import {
  dueness,
  rotationPieces,
  unitsAfterAiring,
  wearsAllowed,
  wearsBetween,
  wearUnits,
  wearUnitsSinceWash,
} from './wear/wear.ts';
import { chooseProduct, clothNeeds, detergentPreference, helperOfClass, sharedClasses } from './washing/products.ts';
import {
  coolingSoak,
  halfLifeH,
  oxygenExposure,
  oxygenLeft,
  soakDoseG,
  stirCount,
  usefulHours,
} from './washing/soak.ts';
import {
  moistureAfterSpin,
  moistureAfterTowelRolls,
  rpmForMoisture,
  spinClass,
  spinG,
  spinWithin,
} from './washing/spin.ts';

const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const fibres = Object.keys(physicalFibres) as PhysicalFibreId[];
const anyFibre = fc.constantFrom(...fibres).map((f) => new Map([[f, 1]]));
const cotton = new Map<PhysicalFibreId, number>([['cotton', 1]]);

describe('spin', () => {
  test('1,400 rpm in a 24 cm drum is 526 g; twice the speed four times the pull', () => {
    expect(spinG(1400)).toBeCloseTo(526.0, 0);
    expect(spinG(1200) / spinG(600)).toBeCloseTo(4, 9);
  });
  test("a label's speed means the reference drum: a smaller one may turn faster", () => {
    expect(spinWithin(800, 0.2, 750)).toBe(true);
    expect(spinWithin(800, 0.3, 750)).toBe(false);
    expect(spinWithin(0, 0.3, 0)).toBe(true);
  });
  test('faster never leaves more water, and never less than the fibre holds', () =>
    fc.assert(
      fc.property(anyFibre, d(300, 1300), (fibre, rpm) => {
        const x = moistureAfterSpin(fibre, rpm);
        expect(moistureAfterSpin(fibre, rpm + 100)).toBeLessThanOrEqual(x + 1e-12);
        expect(x).toBeGreaterThanOrEqual(physicalFibres[[...fibre.keys()][0] as PhysicalFibreId].spinFloor - 1e-12);
        expect(x).toBeLessThanOrEqual(moistureAfterSpin(fibre, 0) + 1e-12);
      }),
    ));
  test('a short spin is between dripping and settled', () =>
    fc.assert(
      fc.property(anyFibre, d(5, 400), (fibre, seconds) => {
        const short = moistureAfterSpin(fibre, 800, 0.24, seconds);
        expect(short).toBeGreaterThanOrEqual(moistureAfterSpin(fibre, 800) - 1e-12);
        expect(short).toBeLessThanOrEqual(moistureAfterSpin(fibre, 0) + 1e-12);
      }),
    ));
  test('the speed for a moisture leaves that moisture', () =>
    fc.assert(
      fc.property(d(400, 1400), (rpm) => {
        const back = rpmForMoisture(cotton, moistureAfterSpin(cotton, rpm));
        if (moistureAfterSpin(cotton, rpm) > physicalFibres.cotton.spinFloor) expect(back).toBeCloseTo(rpm, 4);
      }),
    ));
  test('no speed reaches bone dry; dripping needs none', () => {
    expect(rpmForMoisture(cotton, 0.01)).toBeNull();
    expect(rpmForMoisture(cotton, 5)).toBe(0);
  });
  test.each([
    [0.44, 'A'],
    [0.45, 'B'],
    [0.62, 'C'],
    [0.71, 'D'],
    [0.95, 'G'],
  ] as const)('moisture %p is class %s', (x, cls) => expect(spinClass(x)).toBe(cls));
  test('towels take less each time, and standing on them takes more', () => {
    const after = (rolls: number, press: 'hands' | 'standing' = 'hands'): number =>
      moistureAfterTowelRolls(cotton, 1, 300, 500, rolls, press);
    expect(1 - after(1)).toBeGreaterThan(after(1) - after(2));
    expect(after(1, 'standing')).toBeLessThan(after(1));
  });
});

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

describe('wear', () => {
  test('a wool jumper bears ten wears, a cotton one five; socks one', () =>
    expect([
      wearsAllowed('jumper_mid', true),
      wearsAllowed('jumper_mid', false),
      wearsAllowed('sock_crew_pair', false),
    ]).toEqual([10, 5, 1]));
  test('eight usual hours are one share; sweat, heat and hours cost more', () => {
    expect(wearUnits(10)).toBeCloseTo(0.1, 9);
    expect(wearUnits(10, 8, 'sweaty')).toBeCloseTo(0.1 / 0.6, 9);
    expect(wearUnits(10, 4)).toBeCloseTo(0.05, 9);
    expect(wearUnits(10, 8, 'normal', 30)).toBeGreaterThan(0.1);
    expect(wearUnits(1, 1, 'rest')).toBe(1);
  });
  test('units follow the wears, and kinds without a count have none', () => {
    for (const kind of garmentKinds) {
      const units = wearUnitsSinceWash(wearsAllowed(kind, false), 3, 'normal');
      if (wearsAllowed(kind, false) === null) expect(units).toBe(0);
      else expect(units).toBeGreaterThan(0);
    }
  });
  test.each([
    [1, 'due'],
    [0.8, 'soon'],
    [0.75, 'soon'],
    [0.5, 'fresh'],
  ] as const)('%p units is %s', (u, word) => expect(dueness(u)).toBe(word));
  test('airing gives back some of the last wear only; wool most', () => {
    expect(unitsAfterAiring(0.8, 0, 'wool', 24)).toBe(0.8);
    expect(unitsAfterAiring(0.8, 0.2, 'wool', 12)).toBeLessThan(unitsAfterAiring(0.8, 0.2, 'cotton', 12));
    expect(wearsBetween(0.1, 'wool', true)).toBeGreaterThan(wearsBetween(0.1, 'wool', false));
  });
  test('seven days between washes, two in the drying, one a day, one wear each: nine', () =>
    expect(rotationPieces(7, 2, 1, 1)).toBe(9));
});

describe('products', () => {
  const p = (id: string, change: Partial<Product> = {}): Product => ({
    id,
    name: id,
    class: 'colour',
    form: 'liquid',
    dose: null,
    remaining: null,
    pricePerUnit: null,
    ...change,
  });
  const machine = {
    method: 'machine' as const,
    temperatureC: 40,
    washer: null,
    hasDark: false,
    noPowder: false,
    noPod: false,
    bleach: 'allowed' as const,
    hardnessMmolPerL: 2,
  };
  test('shared classes are permitted by every need, and more needs never add one', () =>
    fc.assert(
      fc.property(fc.subarray([...clothNeeds], { minLength: 1 }), fc.constantFrom(...clothNeeds), (needs, extra) => {
        const all = new Set(detergentPreference.white.concat(detergentPreference['raw-indigo']));
        const shared = sharedClasses(needs, all);
        for (const c of shared) for (const n of needs) expect(detergentPreference[n]).toContain(c);
        for (const c of sharedClasses([...needs, extra], all)) expect(shared).toContain(c);
      }),
    ));
  test('white and coloured together take the colour detergent', () =>
    expect(sharedClasses(['white', 'coloured'], new Set(['universal', 'colour', 'delicate']))[0]).toBe('colour'));
  test('wool takes only wool detergent; with raw indigo still', () => {
    expect(sharedClasses(['wool-silk', 'coloured'], new Set(['universal', 'colour', 'wool-silk']))).toEqual([
      'wool-silk',
    ]);
    expect(sharedClasses(['wool-silk', 'waterproof'], new Set(['wool-silk', 'delicate']))).toEqual([]);
  });
  test('an empty pack, a cold powder, a refused pod, hard-water soap: passed over', () => {
    expect(chooseProduct([p('a', { remaining: 0 }), p('b')], ['colour'], machine)?.id).toBe('b');
    expect(chooseProduct([p('a', { form: 'powder' })], ['colour'], { ...machine, temperatureC: 20 })).toBeNull();
    expect(
      chooseProduct([p('a', { form: 'powder' }), p('b')], ['colour'], { ...machine, temperatureC: 30, hasDark: true })
        ?.id,
    ).toBe('b');
    expect(chooseProduct([p('a', { form: 'pod' })], ['colour'], { ...machine, noPod: true })).toBeNull();
    expect(
      chooseProduct([p('a', { class: 'own-soap', form: 'bar' })], ['own-soap'], {
        ...machine,
        method: 'hand',
        hardnessMmolPerL: 3,
      }),
    ).toBeNull();
    expect(chooseProduct([p('a', { form: 'pod' })], ['colour'], { ...machine, method: 'hand' })).toBeNull();
  });
  test('the better class first, whatever its place in the cupboard', () =>
    expect(chooseProduct([p('a', { class: 'delicate' }), p('z')], ['colour', 'delicate'], machine)?.id).toBe('z'));
  test('a helper that is used up is not there', () => {
    expect(helperOfClass([p('v', { class: 'vinegar', remaining: 0 })], 'vinegar')).toBeNull();
    expect(helperOfClass([p('v', { class: 'vinegar' })], 'vinegar')?.id).toBe('v');
  });
});

describe('iron and blends', () => {
  test('a blend is pressed for its most tender fibre', () =>
    expect(
      plateLimitC(
        new Map([
          ['cotton', 0.6],
          ['polyester', 0.4],
        ]),
      ),
    ).toBeLessThanOrEqual(plateLimitC(cotton)));
  test('heating is quick, cooling slow: from cool to hot costs less waiting than back', () => {
    expect(plateChangeMin(20, 110)).toBeCloseTo(1, 9);
    expect(plateWaitMin([ironClassC.low, ironClassC.medium, ironClassC.high])!).toBeLessThan(
      plateWaitMin([ironClassC.high, ironClassC.medium, ironClassC.low])!,
    );
    expect(plateChangeMin(110, 20)).toBeNull();
  });
  test('spray up to iron-damp, nothing on damp cloth', () => {
    expect(sprayMl(200, cotton, 0.05)).toBeCloseTo(20, 9);
    expect(sprayMl(200, cotton, 0.3)).toBe(0);
  });
  test('wool counts from 5 %, cotton from 20 %, and something always counts', () => {
    expect(
      significantFibres([
        { fibre: 'cotton', percent: 94 },
        { fibre: 'wool', percent: 6 },
      ]).map((f) => f.fibre),
    ).toEqual(['cotton', 'wool']);
    expect(
      significantFibres([
        { fibre: 'polyester', percent: 85 },
        { fibre: 'cotton', percent: 15 },
      ]).map((f) => f.fibre),
    ).toEqual(['polyester']);
    expect(
      significantFibres([
        { fibre: 'cotton', percent: 0 },
        { fibre: 'wool', percent: 1 },
      ]).map((f) => f.fibre),
    ).toEqual(['wool']);
  });
  test('a jacket dries as its filling does', () =>
    expect(
      physicalShares([
        { role: 'shell', fibres: [{ fibre: 'polyamide', percent: 100 }] },
        { role: 'filling', fibres: [{ fibre: 'down-fill', percent: 100 }] },
      ]),
    ).toEqual(new Map([['down', 1]])));
});
