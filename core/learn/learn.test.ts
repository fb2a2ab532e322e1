/** What a household teaches: numbers by hand, limits on both sides, and seeded histories with a known truth to which the estimates converge. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { trustOf } from '../colour/trust.ts';
import { wearsAllowedOf, wearUnitsOf } from '../piece/verdict.ts';
import { profileOf } from '../piece/profile.ts';
import { hoursAt } from '../rack/hang.ts';
import { procedureFor } from '../stain/procedure.ts';
import { garment, household } from '../testing/arbitrary.ts';
import { learntDose } from './dose.ts';
import { learntSlowness, type DryingCheck } from './drying.ts';
import { learntDye } from './dye.ts';
import { isLearnt, lessonKey, nothingLearnt, type Lesson } from './lesson.ts';
import { asFullLoadKwh, bookFullKwh, isBelievable, learntFullKwh, learntMinutes } from './programme.ts';
import { learntShrinkShare, shrinkLeftPercent } from './shrinkage.ts';
import { byAgent, learntStainPoints, mainFibre, stainPointsOf } from './stains.ts';
import { learntWears } from './wears.ts';

/** Numbers in [0, 1) that look random and are the same every time. */
function seeded(seed: number): () => number {
  let s = seed;
  return () => {
    s = (s * 1_664_525 + 1_013_904_223) % 4_294_967_296;
    return s / 4_294_967_296;
  };
}
const seeds = [1, 7, 42, 1234, 99_991];

describe('runs', () => {
  test('one run teaches nothing, two their middle, one odd run of five nothing', () => {
    expect(learntMinutes([90], 65)).toBeNull();
    expect(learntMinutes([92, 88], 65)).toBe(90);
    expect(learntMinutes([91, 90, 140, 89, 90], 65)).toBe(90);
  });
  test('the five newest count; a run of another kind is left out on both sides', () => {
    expect(learntMinutes([70, 70, 70, 70, 70, 100, 100], 65)).toBe(70);
    expect([25, 26, 162, 163].map((m) => isBelievable(m, 65))).toEqual([false, true, true, false]);
    expect(learntMinutes([25, 26], 65)).toBeNull();
    expect(learntMinutes([26, 26], 65)).toBe(26);
  });
  test('kWh become those of a full load', () => {
    expect(asFullLoadKwh(0.55, 0)).toBeCloseTo(1, 9);
    expect(learntFullKwh([1, asFullLoadKwh(0.55, 0)])).toBe(1);
    expect(learntFullKwh([0.6])).toBeNull();
  });
  test('the book: what the panel states, else the model', () => {
    const p = { family: 'cotton' as const, maxLoadKg: 8, energyKwhAt: new Map([[40, 0.82]]) };
    expect(bookFullKwh(p, 40, 12)).toBe(0.82);
    expect(bookFullKwh({ ...p, energyKwhAt: new Map() }, 60, 12)).toBeGreaterThan(1);
  });
  test.each(seeds)(
    'a machine that takes 90 min (seed %i) is known after a dozen runs, whatever the panel says',
    (seed) => {
      const random = seeded(seed);
      const runs = Array.from({ length: 12 }, () => (random() < 0.1 ? 240 : 90 + 8 * (random() - 0.5)));
      expect(Math.abs((learntMinutes(runs, 120) ?? 0) - 90)).toBeLessThanOrEqual(4);
    },
  );
});

describe('doses', () => {
  const at = '2026-05-01T10:00:00Z';
  const shares = (...seen: ('residue' | 'not-clean')[]) =>
    learntDose(seen.map((s) => ({ at, seen: s }))).map((d) => d.share);
  test('after residue 85 %, then 72, never below 70; back to the pack when it did not clean', () =>
    expect(shares('residue', 'residue', 'residue', 'not-clean', 'residue')).toEqual([0.85, 0.72, 0.7, 1, 0.85]));
  test('never over the pack, never under 70 %', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom('residue' as const, 'not-clean' as const)), (seen) => {
        for (const share of shares(...seen)) {
          expect(share).toBeGreaterThanOrEqual(0.7);
          expect(share).toBeLessThanOrEqual(1);
        }
      }),
    ));
});

describe('wears', () => {
  test('the middle of the newest stretches; three are too few', () => {
    expect(learntWears(4, [6, 7, 6])).toBeNull();
    expect(learntWears(4, [6, 7, 6, 5])).toBe(6);
    expect(learntWears(1.5, [1, 2, 1, 2])).toBe(1.5);
  });
  test('half to double the usual number, and nothing for what is worn once', () => {
    expect(learntWears(8, [1, 1, 1, 1])).toBe(4);
    expect(learntWears(8, [30, 30, 30, 30])).toBe(16);
    expect(learntWears(1, [3, 3, 3, 3])).toBeNull();
  });
  test.each(seeds)('somebody who wears jeans twelve times (seed %i)', (seed) => {
    const random = seeded(seed);
    const learnt = learntWears(
      8,
      Array.from({ length: 12 }, () => 11 + Math.floor(3 * random())),
    );
    expect(Math.abs((learnt ?? 0) - 12)).toBeLessThanOrEqual(1);
  });
  test('the verdict takes the habit; underwear is worn once whatever the habit', () => {
    const jeans = garment('jeans', { kind: 'jeans', wearsSinceWash: 8 });
    expect(wearUnitsOf(jeans)).toBeCloseTo(1, 9);
    expect(wearUnitsOf({ ...jeans, learntWears: 12 })).toBeCloseTo(8 / 12, 9);
    expect(wearsAllowedOf({ ...garment('b', { kind: 'briefs' }), learntWears: 5 })).toBe(1);
  });
});

describe('marks', () => {
  test('book weight four: two of two gone at odds of 0.6 add 13.3 points', () => {
    expect(learntStainPoints([{ odds: 0.6, outcome: 1 }])).toBeNull();
    expect(learntStainPoints(Array.from({ length: 2 }, () => ({ odds: 0.6, outcome: 1 })))).toBeCloseTo(13.33, 2);
  });
  test('twenty points at most, either way', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ odds: fc.double({ min: 0.02, max: 0.98, noNaN: true }), outcome: fc.constantFrom(0, 0.5, 1) }),
          {
            minLength: 2,
            maxLength: 60,
          },
        ),
        (list) => expect(Math.abs(learntStainPoints(list) ?? 0)).toBeLessThanOrEqual(20),
      ),
    ));
  test.each(seeds)('marks that come out four times in five, foretold as three in five (seed %i)', (seed) => {
    const random = seeded(seed);
    const list = Array.from({ length: 200 }, () => ({ odds: 0.65, outcome: random() < 0.8 ? 1 : 0 }));
    expect(Math.abs((learntStainPoints(list) ?? 0) - 15)).toBeLessThan(8);
  });
  test('the next procedure has other odds, and the same stops', () => {
    const g = garment('tee', {
      stains: [
        {
          id: 's',
          kind: 'coffee',
          ageHours: 2,
          heatSet: false,
          heat: null,
          tried: [],
          place: '',
          sizeCm: 2,
          failedRounds: 0,
        },
      ],
    });
    const place = { cupboard: new Set(['det-colour-liquid'] as const), hardness: 2, chlorine: false };
    const learnt = [{ stain: 'coffee' as const, fibre: mainFibre(g.parts), points: -12 }];
    const book = procedureFor(g, g.stains[0]!, { ...place, learnt: [] });
    const here = procedureFor(g, g.stains[0]!, { ...place, learnt });
    expect(here.score).toBe(book.score - 12);
    expect(stainPointsOf(learnt, 'tea', g.parts)).toBe(0);
  });
});

test('by agent: one mark counts for each of its agents, once', () =>
  expect(
    byAgent([
      { agents: ['oxy', 'oxy', 'soap'], outcome: 1 },
      { agents: ['oxy'], outcome: 0.5 },
    ]),
  ).toEqual([
    { agent: 'oxy', marks: 2, came: 1.5 },
    { agent: 'soap', marks: 1, came: 1 },
  ]));

describe('dyes', () => {
  test('three readings at least; expected one and a half, ran three times: 1.43', () => {
    const reading = (ran: boolean) => ({ odds: 0.5, ran });
    expect(learntDye([reading(true), reading(true)])).toBeNull();
    expect(learntDye([reading(true), reading(true), reading(true)])).toBeCloseTo(5 / 3.5, 9);
    expect(learntDye(Array.from({ length: 400 }, () => reading(false)))).toBe(0.5);
  });
  test('it moves the odds before the first reading', () => {
    const red = {
      ...garment('red', { colours: [{ hex: '#a01020', role: 'ground' }], dye: 'reactive', washCount: 2, tests: [] }),
    };
    expect(trustOf(red, new Map([['reactive', 1.5]])).prior).toBeGreaterThan(trustOf(red).prior);
    expect(trustOf(red, new Map([['reactive', 0.6]])).prior).toBeLessThan(trustOf(red).prior);
  });
});

describe('sizes', () => {
  test('half of what was foretold, the book counting for two per cent', () => {
    expect(learntShrinkShare([{ place: 'inseam', lostPercent: 1, expectedPercent: 4 }])).toBeCloseTo(0.5, 9);
    expect(learntShrinkShare([{ place: 'inseam', lostPercent: 1, expectedPercent: 0.9 }])).toBeNull();
    expect(learntShrinkShare([{ place: 'inseam', lostPercent: 90, expectedPercent: 4 }])).toBe(2);
  });
  test('what is left is never less than nothing', () => {
    const raw = garment('raw', { kind: 'jeans', traits: new Set(['denim-raw', 'woven']) });
    expect(shrinkLeftPercent(raw, 'inseam', 2, 1)).toBeCloseTo(8, 9);
    expect(shrinkLeftPercent(raw, 'waist', 2, 0.5)).toBeCloseTo(0.5, 9);
    expect(shrinkLeftPercent(raw, 'inseam', 12, 1)).toBe(0);
  });
});

describe('places', () => {
  test.each(seeds)('a corner that takes a third longer (seed %i) is known after thirty looks', (seed) => {
    const random = seeded(seed);
    const checks = Array.from({ length: 30 }, (): DryingCheck => {
      const modelHours = 6 + 6 * random();
      return { found: 'weighed', modelHours, hours: modelHours * (1.33 + 0.2 * (random() - 0.5)) };
    });
    expect(Math.abs(learntSlowness(checks) - 1.33)).toBeLessThan(0.08);
  });
  test('the plan takes the hours of the place', () => {
    const p = profileOf(garment('tee'), household.rules);
    const rack = household.dryingPlaces[0]!;
    const outdoors = { temperatureC: 15, humidity: 0.6, airSpeedMPerS: 1, wet: false };
    const hours = (slowness: number) =>
      hoursAt(p, 0.6, 'bars', rack, {
        household: { ...household, learnt: { ...nothingLearnt, slowness: new Map([['rack', slowness]]) } },
        outdoors,
      })!;
    expect(hours(1.25) / hours(1)).toBeCloseTo(1.25, 9);
  });
});

describe('a lesson', () => {
  const lesson = (learnt: number | null, book = 100): Lesson => ({
    subject: { is: 'programme', washer: 'w', programme: 'p' },
    book,
    learnt,
    needed: 2,
    evidence: [],
  });
  test('counts from three per cent on, points from one', () => {
    expect([null, 100, 102.9, 103, 97].map((x) => isLearnt(lesson(x)))).toEqual([false, false, false, true, true]);
    const stain: Lesson = { ...lesson(0.9, 0), subject: { is: 'stain', stain: 'tea', fibre: 'cotton' } };
    expect(isLearnt(stain)).toBe(false);
    expect(isLearnt({ ...stain, learnt: -1 })).toBe(true);
  });
  test('keys are their own', () => {
    const keys = [
      lessonKey({ is: 'wears', owner: 'A', group: 'jumper', wool: true }),
      lessonKey({ is: 'wears', owner: 'A', group: 'jumper', wool: false }),
      lessonKey({ is: 'energy', washer: 'w', programme: 'p', temperatureC: 40 }),
      lessonKey({ is: 'programme', washer: 'w', programme: 'p' }),
    ];
    expect(new Set(keys).size).toBe(4);
  });
});
