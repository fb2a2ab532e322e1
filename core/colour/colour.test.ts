/** Colours, their classes, the bleed model and the grey scales: known values, and what must hold for any. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { ColourTest } from '../model/garment.ts';
import { bleedScore, catcherHelps, colourHistory, stainDeltaE, testVerdict, transferDeltaE } from './bleed.ts';
import {
  chroma,
  colourClass,
  colourFacts,
  deltaE,
  hueDegrees,
  labOf,
  ownColour,
  redFlag,
  tintedHex,
} from './colour.ts';
import { bleedingDyes, dyes, dyeUptake } from './dye.ts';
import { changeGrade, fadeDeltaE, halfGrade, shareVerdict, stainingGrade, stainingRating } from './grading.ts';

const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyHex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const anyDye = fc.constantFrom(...bleedingDyes);
const cotton = new Map([['cotton', 1]] as const);
const polyester = new Map([['polyester', 1]] as const);
const ground = (hex: string) => [{ hex, role: 'ground' as const }];

describe('colours', () => {
  test('CIELAB of white, black and a mid grey', () => {
    expect(labOf('#ffffff').lightness).toBeCloseTo(100, 3);
    expect(labOf('#000000').lightness).toBeCloseTo(0, 3);
    expect(labOf('#777777').lightness).toBeCloseTo(50.03, 1);
    expect(chroma(labOf('#777777'))).toBeLessThan(0.05);
  });
  test.each([
    ['#f7f7f4', 'white'],
    ['#d9c7a4', 'light'],
    ['#1d1e21', 'black'],
    ['#232f4e', 'dark'],
    ['#b9cf3a', 'bright'],
    ['#a3222f', 'dark'],
    ['#8b8d94', 'mid'],
  ] as const)('%s is %s', (hex, cls) => expect(colourClass(labOf(hex))).toBe(cls));
  test('every colour has a class, and hue is an angle', () =>
    fc.assert(
      fc.property(anyHex, (hex) => {
        const lab = labOf(hex);
        expect(['white', 'light', 'mid', 'bright', 'dark', 'black']).toContain(colourClass(lab));
        expect(hueDegrees(lab) >= 0 && hueDegrees(lab) < 360).toBe(true);
      }),
    ));
  test('difference is a distance', () =>
    fc.assert(
      fc.property(anyHex, anyHex, anyHex, (a, b, c) => {
        const [p, q, r] = [labOf(a), labOf(b), labOf(c)];
        expect(deltaE(p, p)).toBe(0);
        expect(deltaE(p, q)).toBeCloseTo(deltaE(q, p), 12);
        expect(deltaE(p, r)).toBeLessThanOrEqual(deltaE(p, q) + deltaE(q, r) + 1e-9);
      }),
    ));
  test('own colour goes both ways', () =>
    fc.assert(
      fc.property(anyHex, anyHex, (a, b) => {
        const [p, q] = [colourFacts(ground(a)), colourFacts(ground(b))];
        expect(ownColour(p, p)).toBe(true);
        expect(ownColour(p, q)).toBe(ownColour(q, p));
      }),
    ));
  test('red is flagged, berry too; green and grey are not', () => {
    expect([redFlag(labOf('#be1e2d')), redFlag(labOf('#2f6f6b')), redFlag(labOf('#8b8d94'))]).toEqual([
      true,
      false,
      false,
    ]);
  });
  test('a dark print on white is a contrast and gives with a fifth of its piece', () => {
    const f = colourFacts([...ground('#f7f7f4'), { hex: '#232f4e', role: 'print' }]);
    expect([f.class, f.contrast, f.strongestClass, f.strongestShare]).toEqual(['white', true, 'dark', 0.2]);
  });
  test('a tint of ΔE x is x away, to the nearest colour a screen has', () =>
    fc.assert(
      fc.property(d(1, 20), (dE) =>
        expect(deltaE(labOf('#f7f7f4'), labOf(tintedHex('#f7f7f4', '#be1e2d', dE)))).toBeCloseTo(dE, 0),
      ),
    ));
});

describe('loose dye', () => {
  test('hotter, longer, darker gives more; every wash takes some away; always 0 to 100', () =>
    fc.assert(
      fc.property(
        anyDye,
        d(5, 90),
        fc.integer({ min: 0, max: 40 }),
        d(20, 60),
        d(5, 120),
        (dye, lightness, washes, c, min) => {
          const base = bleedScore(dye, lightness, washes, c, min);
          expect(base >= 0 && base <= 100).toBe(true);
          expect(bleedScore(dye, lightness, washes, c + 10, min)).toBeGreaterThanOrEqual(base);
          expect(bleedScore(dye, lightness, washes, c, min + 10)).toBeGreaterThanOrEqual(base);
          expect(bleedScore(dye, lightness - 5, washes, c, min)).toBeGreaterThanOrEqual(base);
          expect(bleedScore(dye, lightness, washes + 1, c, min)).toBeLessThanOrEqual(base);
        },
      ),
    ));
  test('fifteen degrees double the loose amount', () => {
    const z = (c: number): number => -Math.log(1 - bleedScore('reactive', 40, 2, c, 40) / 100);
    expect(z(45) / z(30)).toBeCloseTo(2, 9);
  });
  test('acid dye bleeds less in a sour bath and more in an alkaline one', () => {
    const at = (pH: number): number => bleedScore('acid', 30, 0, 30, 40, pH);
    expect(at(5)).toBeLessThan(at(8));
    expect(at(10)).toBeGreaterThan(at(8));
  });
  test('half a donor gives 1/√2; a dark receiver shows 15 %', () => {
    expect(stainDeltaE(50, 'direct', cotton, 95, 1, 2) / stainDeltaE(50, 'direct', cotton, 95, 2, 2)).toBeCloseTo(
      Math.SQRT1_2,
      9,
    );
    expect(stainDeltaE(50, 'direct', cotton, 20, 2, 2) / stainDeltaE(50, 'direct', cotton, 95, 2, 2)).toBeCloseTo(
      0.15,
      9,
    );
  });
  test('direct dye goes to cotton, hardly to polyester', () => {
    expect(dyeUptake('direct', 'cotton')).toBeGreaterThan(dyeUptake('direct', 'polyester'));
    expect(stainDeltaE(50, 'direct', polyester, 95, 2, 2)).toBeLessThan(stainDeltaE(50, 'direct', cotton, 95, 2, 2));
  });
  test('what is not dyed gives nothing', () => {
    const white = colourHistory({ colours: ground('#f7f7f4'), dye: 'undyed', washCount: 0, tests: [] });
    expect(transferDeltaE(white, 0, white, cotton, { temperatureC: 60, minutes: 60, donorKg: 1 })).toBe(0);
  });
});

describe('what tests say', () => {
  const history = (grades: readonly number[], washCount = 5, kind: ColourTest['kind'] = 'catcher') =>
    colourHistory({
      colours: ground('#a3222f'),
      dye: 'direct',
      washCount,
      tests: grades.map((grade, i) => ({
        kind,
        agent: 'water',
        grade,
        at: `2026-04-${String(i + 1).padStart(2, '0')}T10:00:00Z`,
      })),
    });
  test.each([
    [5, 'clear'],
    [4, 'clear'],
    [3.5, 'trace'],
    [2.5, 'trace'],
    [2, 'strong'],
    [1, 'strong'],
  ] as const)('grade %p is %s', (grade, verdict) => expect(testVerdict(grade)).toBe(verdict));
  test('new and untested; washed often enough it is not', () => {
    expect(history([], 0).untested).toBe(true);
    expect(history([], 3).untested).toBe(false);
  });
  test('two clear catchers earn trust with colours, five clear readings with whites', () => {
    expect([
      history([5]).earnedForWhite,
      history([4, 5], 0).earned,
      history([5, 5, 5, 5]).earnedForWhite,
      history([5, 5, 5, 5, 5]).earnedForWhite,
      history([5, 5, 5, 5, 3, 5]).earnedForWhite,
    ]).toEqual([false, true, false, true, false]);
  });
  test('a trace makes a known bleeder, until two clear readings follow', () => {
    expect([history([3]).knownBleeder, history([3, 5]).knownBleeder, history([3, 5, 5]).knownBleeder]).toEqual([
      true,
      true,
      false,
    ]);
    expect(history([3]).earned).toBe(false);
  });
  test('strong in water closes water, until a part test is no worse than a trace', () => {
    expect(history([2]).noWater).toBe(true);
    const after = colourHistory({
      colours: ground('#a3222f'),
      dye: 'direct',
      washCount: 5,
      tests: [
        { kind: 'spot', agent: 'water', grade: 2, at: '2026-04-01T10:00:00Z' },
        { kind: 'part', agent: 'water', grade: 3, at: '2026-04-02T10:00:00Z' },
      ],
    });
    expect(after.noWater).toBe(false);
  });
  test('the order they were written down in does not matter', () => {
    const tests: ColourTest[] = [
      { kind: 'spot', agent: 'water', grade: 3, at: '2026-04-01T10:00:00Z' },
      { kind: 'catcher', agent: 'water', grade: 5, at: '2026-04-02T10:00:00Z' },
    ];
    const of = (list: ColourTest[]) =>
      colourHistory({ colours: ground('#a3222f'), dye: 'direct', washCount: 5, tests: list });
    expect(of([...tests].reverse())).toEqual(of(tests));
  });
  test('a catcher does not save white, nor tame an untested red', () => {
    const white = colourHistory({ colours: ground('#f7f7f4'), dye: 'undyed', washCount: 9, tests: [] });
    const sand = colourHistory({ colours: ground('#d9c7a4'), dye: 'reactive', washCount: 9, tests: [] });
    expect([
      catcherHelps(history([5]), false, white),
      catcherHelps(history([5]), false, sand),
      catcherHelps(history([], 0), false, sand),
      catcherHelps(history([5]), true, sand),
    ]).toEqual([false, true, false, false]);
  });
});

describe('grades and fading', () => {
  test.each([
    [0, 5],
    [2.2, 4.5],
    [4.3, 4],
    [8.5, 3],
    [16.9, 2],
    [40, 1],
  ] as const)('staining ΔE %p is grade %p', (dE, grade) => expect(stainingGrade(dE)).toBe(grade));
  test.each([
    [0, 5],
    [1.7, 4],
    [3.4, 3],
    [6.8, 2],
    [20, 1],
  ] as const)('change ΔE %p is grade %p', (dE, grade) => expect(changeGrade(dE)).toBe(grade));
  test('clean is 5; dirtier never rates better; always 1 to 5 in halves', () =>
    fc.assert(
      fc.property(d(0, 60), d(0, 20), (fall, more) => {
        const clean = labOf('#f7f7f4');
        const after = (x: number) => ({ ...clean, lightness: clean.lightness - x });
        expect(stainingRating(clean, clean)).toBe(5);
        expect(stainingRating(clean, after(fall + more))).toBeLessThanOrEqual(
          stainingRating(clean, after(fall)) + 0.12,
        ); // the two branches of the standard meet at 4 within a tenth
        expect((halfGrade(clean, after(fall)) * 2) % 1).toBe(0);
      }),
    ));
  test.each([
    [2.19, 'together'],
    [2.2, 'catcher'],
    [4.29, 'catcher'],
    [4.3, 'separate'],
  ] as const)('ΔE %p: %s', (dE, verdict) => expect(shareVerdict(dE)).toBe(verdict));
  test("fading grows with every wash and never passes the dye's limit; inside out it is slower", () =>
    fc.assert(
      fc.property(
        anyDye,
        fc.integer({ min: 1, max: 60 }),
        fc.constantFrom(20, 30, 40, 60),
        (dye, times, temperatureC) => {
          const wash = {
            temperatureC,
            agitation: 'cotton' as const,
            drying: 'line' as const,
            minutes: 60,
            times,
            insideOut: false,
          };
          const faded = fadeDeltaE(dye, [wash]);
          expect(fadeDeltaE(dye, [wash, wash])).toBeGreaterThanOrEqual(faded);
          expect(faded).toBeLessThanOrEqual(dyes[dye].fadeLimit);
          expect(fadeDeltaE(dye, [{ ...wash, insideOut: true }])).toBeLessThanOrEqual(faded);
        },
      ),
    ));
});
