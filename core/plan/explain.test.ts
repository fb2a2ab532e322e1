/** Why a load is set as it is, and what to watch in it: each reason names its piece. */
import { describe, expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import { textOf } from '@words/text.ts';
import fc from 'fast-check';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { Household, HouseRules } from '../model/household.ts';
import { anyGarment, everydayGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { basketOf, type Basket } from '../price/basket.ts';
import { bindingsOf } from './explain.ts';
import { loadWarnings, pieceWarnings } from './warnings.ts';
import { loadAt, priceLoad, type PricedLoad } from '../price/price.ts';

const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string) => [{ hex, role: 'ground' as const }];
const home = (rules: Partial<HouseRules> = {}): Household => ({
  ...household,
  rules: { ...household.rules, ...rules },
});
function at(gs: Garment[], programme: string, temperatureC: number, h = home()): { b: Basket; load: PricedLoad } {
  const b = basketOf(gs, h);
  const index = b.settings.findIndex(
    (s) => s.method === 'machine' && s.programme.id === programme && s.temperatureC === temperatureC,
  );
  return {
    b,
    load: loadAt(
      b,
      gs.map((_, i) => i),
      index,
    )!,
  };
}
const bindings = (gs: Garment[], programme: string, temperatureC: number, rules: Partial<HouseRules> = {}) => {
  const h = home(rules);
  const { b, load } = at(gs, programme, temperatureC, h);
  return new Map(bindingsOf(load, b.profiles, h.rules).map((x) => [x.parameter, x]));
};
const codes = (gs: Garment[], programme: string, temperatureC: number) => {
  const { b, load } = at(gs, programme, temperatureC);
  return new Map(loadWarnings(b, load, b.profiles).map((w) => [w.code, w]));
};
const stain = (kind: 'coffee' | 'fuel-diesel') => ({
  id: 's',
  kind,
  ageHours: 30,
  heatSet: false,
  place: '',
  sizeCm: 3,
  failedRounds: 0,
  heat: null,
  tried: [],
});

const towel = garment('towel', {
  kind: 'bath_towel',
  traits: traits('terry'),
  label: washLabel(60),
  colours: ground('#d9c7a4'),
  dye: 'vat',
});
const skirt = garment('skirt', {
  kind: 'skirt_light',
  parts: only('viscose', 60, 'polyester'),
  traits: traits('woven'),
  label: washLabel(30, 'mild'),
  colours: ground('#8b8d94'),
});

describe('what binds a load', () => {
  test('the piece that sets the temperature is named, with what the load could do without it', () => {
    const t = bindings([towel, garment('tee', { washCount: 30 })], 'cottons', 40).get('temperatureC')!;
    expect(t).toMatchObject({ limit: 40, garment: 'tee', source: 'label', without: 60 });
  });
  test('where a cooler wash is enough, no piece is blamed', () =>
    expect(bindings([towel], 'cottons', 30).get('temperatureC')).toMatchObject({
      limit: 30,
      garment: null,
      source: 'rule',
      without: null,
    }));
  test('spin: the slowest piece, or the programme that spins no faster', () => {
    expect(bindings([towel, garment('tee', { washCount: 30 })], 'cottons', 40).get('spinRpm')).toMatchObject({
      limit: 800,
      garment: 'tee',
      without: 1400,
    });
    expect(bindings([towel], 'easy', 40).get('spinRpm')).toMatchObject({
      limit: 1000,
      garment: null,
      source: 'washer',
    });
  });
  test('movement is told only where something is gentler than normal', () => {
    expect(bindings([skirt, garment('tee')], 'easy', 30).get('action')).toMatchObject({
      limit: 'mild',
      garment: 'skirt',
      without: 'normal',
    });
    expect(bindings([towel], 'cottons', 40).has('action')).toBe(false);
  });
  test('the dryer: the house rule, or the piece that bears none', () => {
    expect(bindings([towel], 'cottons', 40).get('tumble')).toMatchObject({
      limit: 'none',
      garment: null,
      source: 'rule',
    });
    expect(
      bindings([towel, { ...skirt, label: washLabel(30, 'mild', { tumble: 'none' }) }], 'easy', 30, {
        tumble: 'when-allowed',
      }).get('tumble'),
    ).toMatchObject({ garment: 'skirt', limit: 'none', without: 'low' });
  });
  test('a binding without its piece is never tighter than with it', () =>
    fc.assert(
      fc.property(fc.array(everydayGarment, { minLength: 2, maxLength: 5 }), (gs) => {
        const b = basketOf(
          gs.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
          household,
        );
        const price = priceLoad(
          b,
          gs.map((_, i) => i),
        );
        if (!price.feasible) return;
        for (const x of bindingsOf(price, b.profiles, household.rules)) {
          expect(x.garment === null || b.profiles.some((p) => p.garment.id === x.garment)).toBe(true);
          expect(textOf(x.reason).length).toBeGreaterThan(3);
          if (x.parameter === 'temperatureC' && typeof x.without === 'number')
            expect(x.without).toBeGreaterThan(price.setting.temperatureC);
          if (x.parameter === 'spinRpm' && typeof x.without === 'number')
            expect(x.without).toBeGreaterThan(price.spinRpm);
        }
      }),
      { numRuns: 150 },
    ));
});

describe('what to watch in a load', () => {
  test('an untested red, a known bleeder, a zip, wool in a machine', () => {
    expect(
      codes([garment('red', { colours: ground('#a3222f'), dye: 'unknown', washCount: 0 })], 'cottons', 30).get(
        'dye-untested',
      )?.garments,
    ).toEqual(['red']);
    expect(
      codes(
        [garment('b', { tests: [{ kind: 'catcher', agent: 'water', grade: 3, at: '2026-04-01T10:00:00Z' }] })],
        'cottons',
        30,
      ).get('dye-bleeds')?.message.code,
    ).toBe('warn.dye-bled-before');
    expect(
      codes(
        [
          garment('hoodie', { kind: 'hoodie', weighedDryMassG: 650, traits: traits('zip') }),
          garment('tee', { traits: traits('jersey-knit') }),
        ],
        'cottons',
        40,
      ).get('hard-parts')?.garments,
    ).toEqual(['hoodie']);
    expect(
      codes(
        [
          garment('w', {
            kind: 'jumper_mid',
            parts: only('wool'),
            traits: traits('jersey-knit'),
            label: null,
          }),
        ],
        'wool',
        30,
      ).has('felting'),
    ).toBe(true);
    const tried = garment('tried', { kind: 'jumper_mid', parts: only('wool'), label: washLabel(30, 'very-mild') });
    expect(codes([tried], 'wool', 30).has('felting')).toBe(false);
  });
  test('a mark forbids heat; fuel is a danger, not a caution', () => {
    expect(codes([garment('c', { stains: [stain('coffee')] })], 'cottons', 30).get('stain-before-heat')?.severity).toBe(
      'caution',
    );
    expect(codes([garment('f', { stains: [stain('fuel-diesel')] })], 'cottons', 30).get('fuel-fire')).toMatchObject({
      severity: 'danger',
      garments: ['f'],
    });
  });
  test('hygiene below 60 °C says what it does not do', () => {
    expect(
      codes([garment('h', { hygiene: true, label: washLabel(40) })], 'cottons', 40).get('hygiene')?.message,
    ).toEqual(say('warn.hygiene-cool', { celsius: 40, because: say('label.max-temperature', { celsius: 40 }) }));
    const unclean = codes(
      [
        garment('dirty', { soil: 'heavy', odour: true, activity: 'sweaty', nextToSkin: true, label: washLabel(60) }),
        garment('cool', { label: washLabel(30) }),
      ],
      'delicates',
      30,
    ).get('cleaning-deficit');
    expect(unclean?.garments).toEqual(['dirty']);
    expect(unclean?.message.params).toMatchObject({ because: say('binding.company', { other: 'cool', celsius: 30 }) });
    expect(codes([garment('h', { hygiene: true, label: washLabel(60) })], 'cottons', 60).get('hygiene')?.severity).toBe(
      'info',
    );
  });
  test('a single T-shirt underfills; a half-empty bottle runs out', () => {
    expect(codes([garment('t')], 'cottons', 40).get('underfilled')?.message.code).toBe('warn.underfilled');
    const few = { ...household, products: household.products.map((p) => ({ ...p, remaining: 5 })) };
    const { b, load } = at([garment('t')], 'cottons', 40, few);
    expect(loadWarnings(b, load, b.profiles).find((w) => w.code === 'product-runs-out')?.message.params).toMatchObject({
      left: 5,
      unit: 'ml',
    });
  });
  test('a missing label, a silent one, a contradictory one', () => {
    const warned = pieceWarnings(
      basketOf(
        [
          garment('none', { label: null }),
          garment('silent', { label: { ...washLabel(40), wash: null } }),
          garment('hot-wool', { parts: only('wool'), label: washLabel(60) }),
          garment('out', { label: null, include: false }),
        ],
        household,
      ).profiles,
    );
    expect(warned.map((w) => [w.code, w.garments])).toEqual([
      ['label-missing', ['none']],
      ['assumed', ['silent']],
      ['label-conflict', ['hot-wool']],
    ]);
  });
  test('every warning names pieces of its load and says something', () =>
    fc.assert(
      fc.property(fc.array(anyGarment, { minLength: 1, maxLength: 4 }), (gs) => {
        const b = basketOf(
          gs.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
          household,
        );
        const price = priceLoad(
          b,
          gs.map((_, i) => i),
        );
        if (!price.feasible) return;
        for (const w of loadWarnings(b, price, b.profiles)) {
          expect(w.garments.length).toBeGreaterThan(0);
          for (const id of w.garments) expect(b.profiles.map((p) => p.garment.id)).toContain(id);
          expect(textOf(w.message)).not.toMatch(/undefined|NaN|null/);
        }
      }),
      { numRuns: 200 },
    ));
});
