/** Drying of a whole plan: dryers by load, places by the room they have, hours by moisture and air. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { Household, HouseRules } from '../model/household.ts';
import type { DryPlan } from '../model/plan.ts';
import { tumbleRun } from '../drying/drying.ts';
import { moistureAtEnd } from '../piece/care-steps.ts';
import { profileOf, type Profile } from '../piece/profile.ts';
import { anyGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { dryingPlan, type WetLoad } from './drying.ts';

const profile = (change: Partial<Garment>, rules: Partial<HouseRules> = {}) =>
  profileOf(garment('g', change), { ...household.rules, ...rules });
const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string) => [{ hex, role: 'ground' as const }];
const may = '2026-05-09T08:00:00+02:00';
const november = '2026-11-09T08:00:00+01:00';
const machine = (spinRpm: number) => ({ method: 'machine' as const, spinRpm, drumRadiusM: 0.24 });
const wet = (pieces: readonly Profile[], spinRpm = 800): WetLoad => ({ ...machine(spinRpm), pieces });
function dryOne(p: Profile, home: Household, spinRpm: number, now = may): DryPlan {
  const plan = dryingPlan(home, now, [wet([p], spinRpm)]).plans.get(p.garment.id);
  if (!plan) throw new Error('Every wet piece has a place or none, but a plan.');
  return plan;
}
const dry = (change: Partial<Garment>, home: Partial<Household> = {}, rules: Partial<HouseRules> = {}, spinRpm = 800) =>
  dryOne(profile(change, rules), { ...household, ...home, rules: { ...household.rules, ...rules } }, spinRpm);
const balcony = {
  id: 'balcony',
  name: 'Balcony',
  bars: 6,
  barLengthM: 2.4,
  flatM2: 0,
  hangers: 6,
  outdoors: true,
  sun: true,
};
const dryer = { id: 'dryer', name: 'Dryer', type: 'heat-pump' as const, maxLoadKg: 7, lowTemperature: true };

describe('drying', () => {
  test('T-shirts hang over two bars, or lie flat where the house says so for heavy ones', () => {
    expect(dry({})).toMatchObject({ method: 'bars', place: 'rack', bars: 2 });
    expect(dry({}, {}, { tshirtDrying: 'flat' }).method).toBe('flat');
  });
  test('shirts hang on hangers, knitted wool lies flat away from heat, woven silk hangs in the shade', () => {
    expect(dry({ kind: 'dress_shirt', traits: traits('woven', 'buttons'), label: washLabel(40, 'mild') }).method).toBe(
      'hanger',
    );
    expect(
      dry({
        kind: 'jumper_mid',
        parts: only('wool'),
        traits: traits('jersey-knit'),
        label: washLabel(30, 'very-mild'),
      }),
    ).toMatchObject({ method: 'flat', awayFromHeat: true, shade: true });
    expect(
      dry({ kind: 'silk_blouse', parts: only('silk'), traits: traits('woven'), label: washLabel(30, 'very-mild') }),
    ).toMatchObject({ method: 'hanger', shade: true });
  });
  test('white goes to the sun, black into the shade: the place follows', () => {
    const places = { dryingPlaces: [...household.dryingPlaces, balcony] };
    expect(dry({ colours: ground('#f7f7f4'), dye: 'undyed' }, places)).toMatchObject({
      place: 'balcony',
      shade: false,
    });
    expect(dry({ colours: ground('#1d1e21') }, places)).toMatchObject({ place: 'rack', shade: true });
  });
  test('without a place that suits it, none is named', () =>
    expect(
      dry({ kind: 'jumper_mid', parts: only('wool'), traits: traits('jersey-knit') }, { dryingPlaces: [balcony] })
        .place,
    ).toBeNull());
  test('a dryer needs the label, the house and the kind', () => {
    const home = { dryers: [dryer] };
    const towel = {
      kind: 'bath_towel' as const,
      traits: traits('terry'),
      label: washLabel(60, 'normal', { tumble: 'normal' }),
    };
    expect(dry(towel, home).method).toBe('bars');
    expect(dry(towel, home, { tumble: 'towels' })).toMatchObject({ method: 'tumble-normal', place: 'dryer', bars: 0 });
    expect(
      dry({ label: washLabel(40, 'normal', { tumble: 'low' }), traits: traits('woven') }, home, { tumble: 'towels' })
        .method,
    ).toBe('bars');
    expect(
      dry({ label: washLabel(40, 'normal', { tumble: 'low' }), traits: traits('woven') }, home, {
        tumble: 'when-allowed',
      }).method,
    ).toBe('tumble-low');
    expect(
      dry(
        {
          kind: 'jumper_mid',
          parts: only('wool'),
          traits: traits('jersey-knit'),
          label: washLabel(30, 'very-mild', { tumble: 'normal' }),
        },
        home,
        { tumble: 'when-allowed' },
      ).method,
    ).toBe('flat');
    expect(
      dry(
        {
          ...towel,
          stains: [
            {
              id: 's',
              kind: 'coffee',
              ageHours: 30,
              heatSet: false,
              place: '',
              sizeCm: 3,
              failedRounds: 0,
              heat: null,
              tried: [],
            },
          ],
        },
        home,
        { tumble: 'when-allowed' },
      ).method,
    ).toBe('bars');
  });
  test('what leaves the spin wetter dries longer; a towel roll stands in for the spin of a hand wash', () => {
    const tee = profile({});
    expect(moistureAtEnd(tee, machine(1400))).toBeLessThan(moistureAtEnd(tee, machine(800)));
    expect(moistureAtEnd(tee, machine(800))).toBeLessThan(moistureAtEnd(tee, machine(400)));
    expect(moistureAtEnd(tee, machine(0))).toBeGreaterThan(moistureAtEnd(tee, machine(800)));
    expect(dry({}, {}, {}, 1400).hours).toBeLessThan(dry({}, {}, {}, 600).hours);
  });
  test('hours are finite, bars belong to bars, flips to flat', () =>
    fc.assert(
      fc.property(
        anyGarment,
        fc.constantFrom(0, 400, 800, 1400),
        fc.constantFrom('never' as const, 'towels' as const, 'when-allowed' as const),
        (g, spinRpm, tumble) => {
          const home = { ...household, dryers: [dryer], rules: { ...household.rules, tumble } };
          const p = dryOne(profileOf(g, home.rules), home, spinRpm);
          expect(p.hours).toBeGreaterThanOrEqual(0);
          expect(p.hours).toBeLessThan(Infinity);
          expect(p.bars > 0).toBe(p.method === 'bars');
          if (p.flips > 0) expect(p.method).toBe('flat');
          if (p.method.startsWith('tumble')) expect([tumble, p.place]).not.toContain('never');
        },
      ),
      { numRuns: 300 },
    ));
});

describe('for a whole plan', () => {
  const many = (n: number, change: Partial<Garment>, rules: Partial<HouseRules> = {}) =>
    Array.from({ length: n }, (_, i) => profileOf(garment(`g${i}`, change), { ...household.rules, ...rules }));
  const tumbling = {
    ...household,
    dryers: [{ ...dryer, maxLoadKg: 2 }],
    rules: { ...household.rules, tumble: 'towels' as const },
  };
  const towel: Partial<Garment> = {
    kind: 'bath_towel',
    traits: traits('terry'),
    weighedDryMassG: 500,
    label: washLabel(60, 'normal', { tumble: 'normal' }),
  };
  const methods = (plans: ReadonlyMap<string, DryPlan>) => [...plans.values()].map((p) => p.method);

  test('the dryer takes what it holds, to the gram; the rest hangs and is named', () => {
    const four = dryingPlan(tumbling, may, [wet(many(4, towel, tumbling.rules), 1400)]);
    expect(methods(four.plans)).toEqual(Array(4).fill('tumble-normal'));
    expect(four.warnings).toEqual([]);
    const five = dryingPlan(tumbling, may, [wet(many(5, towel, tumbling.rules), 1400)]);
    expect(methods(five.plans).filter((m) => m === 'tumble-normal')).toHaveLength(4);
    expect(five.warnings).toMatchObject([{ code: 'overfilled', garments: ['g4'] }]);
    expect(five.warnings[0]?.message.params).toMatchObject({ massKg: 2.5, capacityKg: 2 });
  });
  test('the hours of the dryer are those of the load; two loads are two runs', () => {
    const hours = (n: number) =>
      dryingPlan(tumbling, may, [wet(many(n, towel, tumbling.rules), 1400)]).plans.get('g0')?.hours ?? 0;
    expect(hours(4)).toBeGreaterThan(hours(2) * 1.1);
    const [a, b, c, d] = many(4, towel, tumbling.rules) as [Profile, Profile, Profile, Profile];
    const two = dryingPlan(tumbling, may, [wet([a, b], 1400), wet([c, d], 1400)]);
    expect(two.plans.get('g2')?.hours).toBe(hours(2));
  });
  test('the hours are those of its moisture and its heat', () => {
    const dryer = tumbling.dryers[0]!;
    const two = many(2, towel, tumbling.rules);
    const run = (change: Partial<Garment>, rpm: number) => {
      const pieces = many(2, { ...towel, ...change }, tumbling.rules);
      return dryingPlan(tumbling, may, [wet(pieces, rpm)]).plans.get('g0');
    };
    const x0 = moistureAtEnd(two[0]!, machine(1400));
    const plain = run({}, 1400);
    expect(plain).toMatchObject({ method: 'tumble-normal', shade: false, awayFromHeat: false, flips: 0, bars: 0 });
    expect(plain?.hours).toBeCloseTo(tumbleRun(dryer.type, 1, x0, dryer.maxLoadKg, false).minutes / 60, 9);
    const gentle = run({ label: washLabel(60, 'normal', { tumble: 'low' }) }, 1400);
    expect(gentle?.method).toBe('tumble-low');
    expect(gentle?.hours).toBeCloseTo(tumbleRun(dryer.type, 1, x0, dryer.maxLoadKg, true).minutes / 60, 9);
    expect(run({}, 800)?.hours).toBeGreaterThan(plain?.hours ?? Infinity);
  });
  test('five jumpers do not lie on one square metre: what finds no room is said, and lies nowhere', () => {
    const jumper: Partial<Garment> = { kind: 'jumper_mid', parts: only('wool'), traits: traits('jersey-knit') };
    const { plans, warnings } = dryingPlan(household, may, [wet(many(5, jumper), 400)]);
    const flat = [...plans.values()].filter((p) => p.method === 'flat' && p.place === 'rack').length;
    const { kind } = garment('g', jumper);
    expect(kind).toBe('jumper_mid');
    expect(flat).toBeLessThan(5);
    expect(flat).toBeGreaterThan(0);
    const nowhere = [...plans].flatMap(([id, p]) => (p.place === null ? [id] : []));
    expect(warnings.filter((w) => w.code === 'rack-full').flatMap((w) => w.garments)).toEqual(nowhere);
  });
  test('a full place sends the next piece on; bars are shared along their length', () => {
    const small = { ...household.dryingPlaces[0], id: 'small', bars: 2, barLengthM: 0.9, flatM2: 0, hangers: 0 };
    const home = { ...household, dryingPlaces: [small, { ...small, id: 'second' }] } as Household;
    const tees = dryingPlan(home, may, [wet(many(3, {}), 800)]);
    expect([...tees.plans.values()].map((p) => p.place)).toEqual(['small', 'second', null]);
    const briefs = dryingPlan(home, may, [wet(many(3, { kind: 'briefs', count: 1 }), 800)]);
    expect(new Set([...briefs.plans.values()].map((p) => p.place))).toEqual(new Set(['small']));
  });
  test('an entry of six asks for six times the room', () => {
    const bars = (count: number) =>
      dryingPlan(household, may, [
        wet([profile({ kind: 'hand_towel', traits: traits('terry'), count })], 1200),
      ]).plans.get('g')?.bars ?? 0;
    expect(bars(6)).toBeGreaterThanOrEqual(3 * bars(1));
  });
  test('no spin in the drum leaves it dripping; a hand wash is pressed and rolled', () => {
    const tee = profile({});
    const hand = moistureAtEnd(tee, { method: 'hand', spinRpm: 0, drumRadiusM: 0 });
    expect(moistureAtEnd(tee, machine(0))).toBeGreaterThan(hand);
    expect(moistureAtEnd(tee, machine(0))).toBeGreaterThan(moistureAtEnd(tee, machine(200)));
  });
  test('a November balcony dries slowly: white linen stays in then, and goes out in May; what needs over twelve hours never does', () => {
    const home = { ...household, dryingPlaces: [...household.dryingPlaces, balcony] };
    const white = profile({ colours: ground('#f7f7f4'), dye: 'undyed' });
    expect(dryOne(white, home, 800, may).place).toBe('balcony');
    expect(dryOne(white, home, 800, november).place).toBe('rack');
    const outside = { ...household, dryingPlaces: [balcony] };
    expect(dryOne(white, outside, 800, november).hours).toBeGreaterThan(1.8 * dryOne(white, outside, 800, may).hours);
    const heavy = profile({ kind: 'sweatshirt', colours: ground('#f7f7f4'), dye: 'undyed' });
    expect(dryOne(heavy, outside, 800, may).place).toBe('balcony');
    expect(dryOne(heavy, outside, 800, may).hours).toBeLessThanOrEqual(12);
    expect(dryOne(heavy, outside, 800, november).place).toBeNull();
  });
  test('fuel dries outdoors or nowhere at home', () => {
    const overall: Partial<Garment> = { kind: 'work_overall', soil: 'hazardous' };
    const fuel = profile({
      ...overall,
      stains: [
        {
          id: 's',
          kind: 'fuel-diesel',
          ageHours: 2,
          heatSet: false,
          place: '',
          tried: [],
          sizeCm: 3,
          failedRounds: 0,
          heat: null,
        },
      ],
    });
    const home = { ...household, dryingPlaces: [...household.dryingPlaces, { ...balcony, sun: false }] };
    if (fuel.contamination !== 'fuel') throw new Error('The mark is not a fuel.');
    expect(dryOne(fuel, home, 800).place).toBe('balcony');
    expect(dryOne(fuel, household, 800).place).toBeNull();
  });
});
