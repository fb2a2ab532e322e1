/** Which pieces may run at which setting, and how fast and full a set runs there. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { anyGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { basketOf } from './basket.ts';
import { featuresOf } from './features.ts';
import { profileOf } from '../piece/profile.ts';
import {
  bestSpin,
  enumerateSettings,
  fillOfSet,
  refusal,
  type Refusal,
  spinOfSet,
  type MachineSetting,
  type Setting,
} from './settings.ts';

const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const profile = (change: Partial<Garment>) => profileOf(garment('g', change), household.rules);
const all = enumerateSettings(household);
const machine = (programme: string, temperatureC: number, from: readonly Setting[] = all): MachineSetting =>
  from.find(
    (s): s is MachineSetting =>
      s.method === 'machine' && s.programme.id === programme && s.temperatureC === temperatureC,
  )!;
const tub = all.find((s) => s.method === 'hand' && s.temperatureC === 30)!;
const wool: Partial<Garment> = {
  kind: 'jumper_mid',
  parts: only('wool'),
  traits: traits('jersey-knit'),
  label: washLabel(30, 'very-mild'),
};

describe('the settings of a household', () => {
  test('every programme at every temperature, then every basin at three', () => {
    expect(all.filter((s) => s.method === 'machine')).toHaveLength(5 + 4 + 2 + 2 + 2);
    expect(all.filter((s) => s.method === 'hand').map((s) => s.temperatureC)).toEqual([20, 30, 40]);
  });
  test('rinsing washes nothing; a bath is no hotter than the tap', () => {
    const only30: Household = {
      ...household,
      water: { ...household.water, hotC: 35 },
      washers: [
        { ...household.washers[0]!, programmes: [{ ...household.washers[0]!.programmes[0]!, family: 'rinse-spin' }] },
      ],
    };
    expect(enumerateSettings(only30).map((s) => [s.method, s.temperatureC])).toEqual([
      ['hand', 20],
      ['hand', 30],
    ]);
  });
  test('loose dye is in the bath for two fifths of the programme, a quarter of an hour by hand', () => {
    expect(machine('cottons', 40).bleedMinutes).toBeCloseTo(0.4 * 149, 9);
    expect(tub.bleedMinutes).toBe(15);
  });
});

describe('who may run where', () => {
  test.each<[string, Partial<Garment>, Setting, Refusal | null]>([
    ['a T-shirt at its label’s 40 °C', {}, machine('cottons', 40), null],
    ['not at 60', {}, machine('cottons', 60), 'temperature'],
    ['wool in its own programme', wool, machine('wool', 30), null],
    ['not among cottons', wool, machine('cottons', 30), 'action'],
    [
      'by hand means by hand where the hand programme is not allowed',
      { parts: only('angora'), kind: 'jumper_mid', label: null },
      machine('hand', 20),
      'by-hand-only',
    ],
    ['and the tub takes it', { parts: only('angora'), kind: 'jumper_mid', label: null }, tub, null],
    ['suede nowhere', { parts: only('suede'), kind: 'other', weighedDryMassG: 300, label: null }, tub, 'no-water'],
    [
      'a king-size cover is heavier than delicates take',
      { kind: 'duvet_cover_double', weighedDryMassG: 2600 },
      machine('delicates', 30),
      'mass',
    ],
    [
      'lace wants a hand-wash, wool or silk programme',
      { traits: traits('lace') },
      machine('delicates', 30),
      'hand-programmes-only',
    ],
  ])('%s', (_, change, setting, expected) => expect(refusal(profile(change), setting)).toBe(expected));
  test('a centre agitator is too rough for wool, silk, fragile and lined pieces, not for cotton', () => {
    const rough = enumerateSettings({ ...household, washers: [{ ...household.washers[0]!, loading: 'top-agitator' }] });
    expect(refusal(profile(wool), machine('wool', 30, rough))).toBe('agitator');
    expect(
      refusal(profile({ traits: traits('lined'), label: washLabel(30, 'mild') }), machine('delicates', 30, rough)),
    ).toBe('agitator');
    expect(refusal(profile({}), machine('cottons', 40, rough))).toBeNull();
  });
  test('a refusal is never lifted by a hotter or rougher setting of the same programme', () =>
    fc.assert(
      fc.property(anyGarment, (g) => {
        const p = profileOf(g, household.rules);
        for (const id of ['cottons', 'easy', 'delicates', 'wool', 'hand']) {
          const line = all
            .filter((s): s is MachineSetting => s.method === 'machine' && s.programme.id === id)
            .map((s) => refusal(p, s) === null);
          expect(line).toEqual([...line].sort((x, y) => Number(y) - Number(x)));
        }
      }),
      { numRuns: 300 },
    ));
});

describe('spin', () => {
  const spin = (gs: Partial<Garment>[], s: MachineSetting) => bestSpin(gs.map(profile), s);
  test('the highest offered within the tightest piece', () => {
    expect(spin([{ kind: 'bath_towel', traits: traits('terry'), label: washLabel(60) }], machine('cottons', 40))).toBe(
      1400,
    );
    expect(
      spin([{ kind: 'bath_towel', traits: traits('terry'), label: washLabel(60) }, {}], machine('cottons', 40)),
    ).toBe(800);
    expect(spin([{ parts: only('viscose'), label: washLabel(30, 'mild') }], machine('easy', 30))).toBe(600);
  });
  test('wool spins as its own programme does, slower in any other', () => {
    expect(spin([wool], machine('wool', 30))).toBe(800);
    expect(spin([wool], machine('delicates', 30))).toBe(400);
  });
  test('pleats take the lowest; robust cotton runs at what there is where the machine has nothing slow', () => {
    expect(
      spin(
        [{ traits: traits('pleated'), parts: only('polyester'), label: washLabel(30, 'mild') }],
        machine('easy', 30),
      ),
    ).toBe(0);
    const fast = enumerateSettings({
      ...household,
      washers: [
        { ...household.washers[0]!, programmes: [{ ...household.washers[0]!.programmes[0]!, spinsRpm: [1000, 1200] }] },
      ],
    });
    expect(spin([{ kind: 'jeans', traits: traits('denim'), label: washLabel(40) }], machine('cottons', 30, fast))).toBe(
      1000,
    );
    expect(
      spin([{ kind: 'jeans', traits: traits('denim'), label: washLabel(40) }, {}], machine('cottons', 30, fast)),
    ).toBe(1000);
    expect(spin([{}, { parts: only('viscose'), label: washLabel(30) }], machine('cottons', 30, fast))).toBeNull();
  });
  test('found from the numbers of a set it is the same', () =>
    fc.assert(
      fc.property(fc.array(anyGarment, { minLength: 1, maxLength: 5 }), (gs) => {
        const b = basketOf(
          gs.map((g, i) => ({ ...g, id: `g${i}` })),
          household,
        );
        const f = featuresOf(
          b,
          gs.map((_, i) => i),
        );
        for (const s of all)
          if (s.method === 'machine' && b.profiles.every((p) => p.values.wet !== 'none'))
            expect(spinOfSet(s, f, new Map())).toBe(bestSpin(b.profiles, s));
      }),
      { numRuns: 150 },
    ));
});

describe('fill', () => {
  const fill = (masses: number[], s: Setting, change: Partial<Garment> = {}) => {
    const b = basketOf(
      masses.map((weighedDryMassG, i) => garment(`g${i}`, { weighedDryMassG, ...change })),
      household,
    );
    return fillOfSet(
      s,
      featuresOf(
        b,
        masses.map((_, i) => i),
      ),
    );
  };
  test('by mass where cloth is dense: 4 kg of 8', () =>
    expect(
      fill([1000, 1000, 1000, 1000], machine('cottons', 40), { kind: 'jeans', traits: traits('denim') }),
    ).toBeCloseTo(0.5, 1));
  test('a full drum is a full drum, and one more piece is more', () => {
    expect(fill([1000, 1000], machine('wool', 30), { kind: 'jeans' })).toBeGreaterThanOrEqual(1);
    expect(fill([500, 500, 500], tub)).toBeGreaterThan(fill([500, 500], tub));
  });
  test('wool asks for more water in the tub than cotton of the same mass', () =>
    expect(fill([600], tub, wool)).toBeGreaterThan(fill([600], tub)));
});
