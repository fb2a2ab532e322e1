/** What colours, tests and washes say of a piece, each condition on both sides. */
import { describe, expect, test } from '@jest/globals';
import type { Colour, ColourTest, Garment } from '../model/garment.ts';
import { garment } from '../testing/arbitrary.ts';
import { colourHistory } from './bleed.ts';
import { colourFacts } from './colour.ts';
import { standingOf } from './fastness-test.ts';
import { shelfColour } from './shelf.ts';

const red = '#a3222f';
const navy = '#232f4e';
const white = '#f7f7f4';
const paleBlue = '#c3cbd8';
const midBlue = '#6f86a8';
const ground = (hex: string): Colour => ({ hex, role: 'ground' });
const trim = (hex: string): Colour => ({ hex, role: 'trim' });

type Reading = readonly [ColourTest['kind'], number];
const history = (readings: readonly Reading[], washCount: number, change: Partial<Garment> = {}) =>
  colourHistory({
    colours: [ground(red)],
    dye: 'direct',
    washCount,
    tests: readings.map(([kind, grade], i) => ({
      kind,
      agent: 'water',
      grade,
      at: `2026-04-${String(i + 1).padStart(2, '0')}T10:00:00Z`,
    })),
    ...change,
  });

describe('trust beside other colours', () => {
  test.each<[string, Reading[], washes: number, earned: boolean]>([
    ['never tested, washed often', [], 9, false],
    ['one clear reading, washed twice', [['catcher', 5]], 2, false],
    ['one clear reading, washed three times', [['catcher', 4]], 3, true],
    [
      'two clear catchers of a new piece',
      [
        ['catcher', 5],
        ['catcher', 4],
      ],
      0,
      true,
    ],
    [
      'two catchers, the second a trace short of clear',
      [
        ['catcher', 5],
        ['catcher', 3.5],
      ],
      0,
      false,
    ],
    [
      'two catchers, the first a trace short of clear',
      [
        ['catcher', 3.5],
        ['catcher', 5],
      ],
      0,
      false,
    ],
    [
      'a trace before two clear catchers',
      [
        ['catcher', 3.5],
        ['catcher', 5],
        ['catcher', 5],
      ],
      0,
      true,
    ],
    [
      'two clear spots of a new piece are no catchers',
      [
        ['spot', 5],
        ['spot', 5],
      ],
      0,
      false,
    ],
    [
      'a spot between two clear catchers',
      [
        ['catcher', 5],
        ['spot', 5],
        ['catcher', 5],
      ],
      0,
      true,
    ],
    [
      'a trace after clear catchers',
      [
        ['catcher', 5],
        ['catcher', 5],
        ['spot', 3],
      ],
      9,
      false,
    ],
    [
      'strong after clear catchers',
      [
        ['catcher', 5],
        ['catcher', 5],
        ['spot', 2],
      ],
      9,
      false,
    ],
    [
      'strong, then clear once',
      [
        ['spot', 2],
        ['catcher', 5],
      ],
      9,
      false,
    ],
    [
      'strong, then clear twice',
      [
        ['spot', 2],
        ['catcher', 5],
        ['catcher', 5],
      ],
      9,
      true,
    ],
  ])('%s', (_, readings, washes, earned) => expect(history(readings, washes).earned).toBe(earned));
  test('whites ask for the last five clear; what was before them is forgiven', () => {
    const clear = (n: number): Reading[] => Array.from({ length: n }, () => ['catcher', 5]);
    expect(history(clear(4), 9).earnedForWhite).toBe(false);
    expect(history(clear(5), 9).earnedForWhite).toBe(true);
    expect(history([['catcher', 3], ...clear(5)], 9).earnedForWhite).toBe(true);
    expect(history([...clear(5), ['catcher', 3]], 9).earnedForWhite).toBe(false);
    expect(history([...clear(5), ['catcher', 3]], 9).clearReadings).toBe(5);
  });
  test('a piece is untested until it was tested once or washed three times', () => {
    expect([history([], 2).untested, history([], 3).untested, history([['spot', 2]], 0).untested]).toEqual([
      true,
      false,
      false,
    ]);
  });
});

describe('water', () => {
  test.each<[string, Reading[], closed: boolean]>([
    ['a trace closes nothing', [['spot', 2.5]], false],
    ['strong closes it', [['spot', 2]], true],
    [
      'a part test of a trace opens it',
      [
        ['spot', 2],
        ['part', 2.5],
      ],
      false,
    ],
    [
      'a strong part test does not',
      [
        ['spot', 2],
        ['part', 2],
      ],
      true,
    ],
    [
      'another spot of a trace does not',
      [
        ['spot', 2],
        ['spot', 3],
      ],
      true,
    ],
    [
      'a part test from before does not',
      [
        ['part', 3],
        ['spot', 2],
      ],
      true,
    ],
    [
      'two clear readings do',
      [
        ['spot', 2],
        ['spot', 4],
        ['spot', 4],
      ],
      false,
    ],
  ])('%s', (_, readings, closed) => expect(history(readings, 5).noWater).toBe(closed));
  test('undyed cloth that gives colour is treated as what gives colour', () => {
    const undyed = (grade: number): Garment =>
      garment('g', {
        dye: 'undyed',
        tests: [{ kind: 'spot', agent: 'water', grade, at: '2026-04-01T10:00:00Z' }],
      });
    expect([5, 3, 2].map((grade) => standingOf(undyed(grade)))).toEqual(['bears-water', 'known-bleeder', 'no-water']);
  });
});

describe('strong colours', () => {
  const strong = (change: Partial<Garment>): boolean => history([], 0, change).strongColour;
  test('dark, black, bright or red, whatever the dye; undyed cloth never', () => {
    for (const hex of [navy, '#1d1e21', '#b9cf3a', red]) {
      expect(strong({ colours: [ground(hex)], dye: 'reactive' })).toBe(true);
      expect(strong({ colours: [ground(hex)], dye: 'undyed' })).toBe(false);
    }
    for (const hex of [paleBlue, midBlue, white])
      expect(strong({ colours: [ground(hex)], dye: 'reactive' })).toBe(false);
  });
  test('indigo and natural dyes also where they are pale', () => {
    for (const hex of [paleBlue, midBlue]) {
      expect(strong({ colours: [ground(hex)], dye: 'indigo' })).toBe(true);
      expect(strong({ colours: [ground(hex)], dye: 'natural' })).toBe(true);
    }
  });
  test('a dark trim on white', () =>
    expect(strong({ colours: [ground(white), trim(navy)], dye: 'reactive' })).toBe(true));
});

describe('a piece of several colours', () => {
  test('the lightest ground is how it receives, in whatever order they were told; a trim is no ground', () => {
    const [a, b] = [colourFacts([ground(navy), ground(white)]), colourFacts([ground(white), ground(navy)])];
    expect([a.class, b.class]).toEqual(['white', 'white']);
    expect(a.ground).toEqual(b.ground);
    expect(colourFacts([ground(navy), trim(white)]).class).toBe('dark');
    expect(colourFacts([trim(white), ground(navy)]).class).toBe('dark');
  });
  test('the strongest colour is the one farthest from white, with its share', () => {
    const trimmed = colourFacts([ground(white), trim(navy)]);
    expect([trimmed.strongestClass, trimmed.strongestShare]).toEqual(['dark', 0.2]);
    const plain = colourFacts([ground(navy), trim(white)]);
    expect([plain.strongestClass, plain.strongestShare]).toEqual(['dark', 1]);
    expect(colourFacts([trim(white), ground(navy)]).strongestShare).toBe(1);
  });
  test('of no colour it is white and whole', () => {
    const none = colourFacts([]);
    expect([none.class, none.strongestClass, none.strongestShare, none.red, none.contrast]).toEqual([
      'white',
      'white',
      1,
      false,
      false,
    ]);
  });
  test('red wherever it is', () => {
    expect(colourFacts([ground(white), trim(red)]).red).toBe(true);
    expect(colourFacts([ground(red), trim(white)]).red).toBe(true);
    expect(colourFacts([ground(white), trim(navy)]).red).toBe(false);
  });
  test.each<[string, Colour[], boolean]>([
    ['navy on white', [ground(white), trim(navy)], true],
    ['navy on pale', [ground(paleBlue), trim(navy)], true],
    ['navy on a middle blue', [ground(midBlue), trim(navy)], false],
    ['bright on white', [ground(white), trim('#b9cf3a')], true],
    ['a middle red on white', [ground(white), trim('#d8473b')], true],
    ['a middle blue on white', [ground(white), trim(midBlue)], false],
    ['pale on white', [ground(white), trim(paleBlue)], false],
    ['stripes of two grounds', [ground(white), ground(navy)], false],
    ['white alone', [ground(white)], false],
  ])('contrast: %s', (_, colours, contrast) => expect(colourFacts(colours).contrast).toBe(contrast));
  test('greys have no hue on a shelf', () =>
    expect(['#f7f7f4', '#c8c8c8', '#777777', '#444444', '#101010'].map(shelfColour)).toEqual([
      'white',
      'pale',
      'grey',
      'grey',
      'black',
    ]));
});
