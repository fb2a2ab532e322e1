import { describe, expect, test } from '@jest/globals';
import { colourFacts } from '../colour/colour.ts';
import { weightPresets } from '../cost/weights.ts';
import { garment, only } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import type { Garment } from '../model/garment.ts';
import {
  cleaningEffect,
  cleaningNeed,
  heatNeed,
  powderWear,
  wearFactor,
  wearUnitsOfWash,
  waitUrgency,
} from './demand.ts';

const w = weightPresets.balanced;
describe('the worked settings: need, effect, deficit and wear', () => {
  const tee = garment('tee', { soil: 'light', colours: [{ hex: '#9aa7b8', role: 'ground' }] });
  const mid = wearFactor(tee, colourFacts(tee.colours), false);
  test.each([
    ['light T-shirt at 20 °C', 20, 0.45, 0.05, 0.21, 0.56],
    ['the same at 30 °C', 30, 0.79, 0, 0, 0.79],
    ['the same at 60 °C', 60, 0.99, 0, 0, 2.23],
  ])('%s', (_, c, effect, deficit, cost, wear) => {
    expect(cleaningNeed(tee)).toBeCloseTo(0.5, 9);
    const e = cleaningEffect(c, 'normal', 149, 'colour');
    expect(e).toBeCloseTo(effect, 2);
    const d = Math.max(0, 0.5 - e);
    expect(d).toBeCloseTo(deficit, 2);
    expect(Math.abs(d * w.lambdaClean - cost)).toBeLessThan(0.011);
    expect(wearUnitsOfWash(c, 'normal', 149, mid)).toBeCloseTo(wear, 2);
  });
  test('normal soil in the quick programme', () => {
    expect(cleaningNeed(garment('t', { soil: 'normal' }))).toBeCloseTo(0.65, 9);
    expect(cleaningEffect(30, 'normal', 34, 'colour')).toBeCloseTo(0.59, 2);
    expect(wearUnitsOfWash(30, 'normal', 34, 1)).toBeCloseTo(0.38, 2);
  });
  test('sweaty white underwear', () => {
    const briefs = garment('b', {
      kind: 'briefs',
      activity: 'sweaty',
      colours: [{ hex: '#f7f7f4', role: 'ground' }],
      valueEur: 8,
    });
    expect(cleaningNeed(briefs)).toBe(1);
    expect(cleaningEffect(40, 'normal', 149, 'universal')).toBeCloseTo(0.94, 2);
    expect(cleaningEffect(60, 'normal', 149, 'universal')).toBeCloseTo(1.04, 2);
    expect(wearUnitsOfWash(40, 'normal', 149, 1) * w.lambdaGentle * 8).toBeCloseTo(0.09, 2);
  });
  test('a towel wears half as fast', () => {
    const towel = garment('t', { kind: 'bath_towel', traits: new Set(['terry'] as const), valueEur: 15 });
    expect(cleaningNeed(towel)).toBeCloseTo(0.95, 9);
    expect(cleaningEffect(40, 'normal', 149, 'colour')).toBeCloseTo(0.89, 2);
    expect(
      wearUnitsOfWash(40, 'normal', 149, wearFactor(towel, colourFacts([{ hex: '#9aa7b8', role: 'ground' }]), false)),
    ).toBeCloseTo(0.56, 2);
  });
  test('a light wool jumper in the wool programme', () => {
    const jumper = garment('j', {
      kind: 'jumper_fine',
      parts: only('wool'),
      soil: 'light',
      nextToSkin: false,
      valueEur: 60,
      colours: [{ hex: '#9aa7b8', role: 'ground' }],
    });
    expect(cleaningNeed(jumper)).toBeCloseTo(0.4, 9);
    expect(cleaningEffect(30, 'very-mild', 41, 'wool-silk')).toBeCloseTo(0.38, 2);
    expect(wearUnitsOfWash(30, 'very-mild', 41, wearFactor(jumper, colourFacts(jumper.colours), false))).toBeCloseTo(
      0.5,
      2,
    );
  });
});

test('hotter cleans more and wears more; dark cloth inside out wears less', () => {
  for (const [a, b] of [
    [20, 30],
    [30, 40],
    [40, 60],
    [60, 90],
  ] as const) {
    expect(cleaningEffect(b, 'mild', 60, 'colour')).toBeGreaterThan(cleaningEffect(a, 'mild', 60, 'colour'));
    expect(wearUnitsOfWash(b, 'mild', 60, 1)).toBeGreaterThan(wearUnitsOfWash(a, 'mild', 60, 1));
  }
  const black = garment('b', { colours: [{ hex: '#1d1e21', role: 'ground' }] });
  expect(wearFactor(black, colourFacts(black.colours), true)).toBeCloseTo(0.9);
  expect(wearFactor(black, colourFacts(black.colours), false)).toBeCloseTo(1.3);
});
test('hygiene asks for everything; waiting is urgent for what is sweaty, stained and pale', () => {
  expect(cleaningNeed(garment('h', { hygiene: true, soil: 'none' }))).toBe(1);
  expect(
    waitUrgency(garment('u', { soil: 'none', nextToSkin: false }), colourFacts([{ hex: '#232f4e', role: 'ground' }])),
  ).toBe(0);
  expect(
    waitUrgency(
      garment('u', { soil: 'normal', activity: 'sweaty' }),
      colourFacts([{ hex: '#f7f7f4', role: 'ground' }]),
    ),
  ).toBeCloseTo(0.7);
});

describe('what the drum does', () => {
  const actions = ['normal', 'mild', 'very-mild', 'hand', 'none'] as const;
  test('wears cloth the less the gentler it is, and doubles with every 20 K', () => {
    expect(actions.map((a) => wearUnitsOfWash(40, a, 120, 1))).toEqual([1, 0.65, 0.4, 0.3, 0]);
    expect([20, 60].map((c) => wearUnitsOfWash(c, 'normal', 120, 1))).toEqual([0.5, 2]);
    expect([30, 480].map((min) => wearUnitsOfWash(40, 'normal', min, 1))).toEqual([0.5, 2]);
    expect([1.1, 1.3]).toEqual([powderWear(false), powderWear(true)]);
  });
  test('cleans the less the gentler it is', () =>
    expect(actions.map((a) => cleaningEffect(60, a, 120, 'universal'))).toEqual([1, 0.9, 0.7, 0.6, 0]));
  test('cleans by temperature, detergent and, from 30 °C, oxygen bleach', () => {
    const effect = (c: number, d: Parameters<typeof cleaningEffect>[3], oxygen = false): number =>
      cleaningEffect(c, 'normal', 120, d, oxygen);
    expect([20, 30, 40, 60, 90].map((c) => effect(c, 'universal'))).toEqual([0.45, 0.8, 0.9, 1, 1.08]);
    expect((['colour', 'dark', 'delicate', 'wool-silk', 'soap'] as const).map((d) => effect(60, d))).toEqual([
      0.95, 0.93, 0.88, 0.85, 0.8,
    ]);
    expect(effect(30, 'colour', true)).toBeCloseTo(0.8 * (0.95 + 0.05), 9);
    expect(effect(29, 'colour', true)).toBeCloseTo(effect(29, 'colour'), 9);
  });
  test('longer than about two hours and a half cleans no better', () => {
    expect(cleaningEffect(60, 'normal', 154, 'universal')).toBe(1.05);
    expect(cleaningEffect(60, 'normal', 300, 'universal')).toBe(1.05);
    expect(cleaningEffect(60, 'normal', 150, 'universal')).toBeLessThan(1.05);
  });
});

describe('what a piece asks for', () => {
  const need = (change: Partial<Garment>): number =>
    cleaningNeed(garment('g', { soil: 'none', nextToSkin: false, ...change }));
  test.each<[string, Partial<Garment>, number]>([
    ['clothes off the skin', {}, 0.2],
    ['clothes on the skin', { nextToSkin: true }, 0.3],
    ['underwear', { kind: 'briefs' }, 0.55],
    ['socks', { kind: 'sock_ankle_pair' }, 0.55],
    ['sportswear', { kind: 'sport_tee' }, 0.55],
    ['a baby’s body', { kind: 'baby_bodysuit' }, 0.55],
    ['towels', { kind: 'bath_towel' }, 0.6],
    ['sheets', { kind: 'sheet_double' }, 0.6],
    ['tea towels', { kind: 'tea_towel' }, 0.6],
    ['a shirt', { kind: 'dress_shirt' }, 0.2],
    ['a shirt with a ring round its collar', { kind: 'dress_shirt', stains: [mark('collar-cuff')] }, 0.75],
    ['a skirt with the same mark', { kind: 'skirt_light', stains: [mark('collar-cuff')] }, 0.75],
    ['a sweaty day', { activity: 'sweaty' }, 0.35],
  ])('need of %s', (_, change, asked) => expect(need(change)).toBeCloseTo(asked, 9));
  test('soil by its degree, at most everything', () => {
    const by = (['none', 'light', 'normal', 'heavy', 'hazardous'] as const).map((soil) => need({ soil }));
    expect(by).toEqual([0.2, 0.4, 0.55, 0.75, 0.9]);
    expect(need({ soil: 'hazardous', kind: 'briefs', activity: 'sweaty' })).toBe(1);
  });

  const wear = (change: Partial<Garment>): number => {
    const g = garment('g', { colours: [{ hex: '#f7f7f4', role: 'ground' }], ...change });
    return wearFactor(g, colourFacts(g.colours), false);
  };
  test.each<[string, Partial<Garment>, number]>([
    ['cotton', {}, 1],
    ['terry', { kind: 'bath_towel' }, 0.5],
    ['sheets', { kind: 'sheet_double' }, 0.5],
    ['viscose', { parts: only('viscose') }, 1.5],
    ['silk', { parts: only('silk') }, 2.5],
    ['wool', { parts: only('wool') }, 3],
    ['wool and silk: the more tender', { parts: only('wool', 50, 'silk') }, 3],
    ['a membrane', { parts: only('polyester'), traits: new Set(['membrane'] as const) }, 2],
    ['lace', { traits: new Set(['lace'] as const) }, 2],
    ['a tenth of elastane', { parts: only('cotton', 90, 'elastane') }, 1.5],
    ['a little less of it', { parts: only('cotton', 91, 'elastane') }, 1],
  ])('wear of %s', (_, change, factor) => expect(wear(change)).toBe(factor));

  const white = colourFacts([{ hex: '#f7f7f4', role: 'ground' }]);
  const navy = colourFacts([{ hex: '#232f4e', role: 'ground' }]);
  const urgency = (change: Partial<Garment>, colour = navy, wearUnits = 0): number =>
    waitUrgency(garment('g', { soil: 'none', nextToSkin: false, ...change }), colour, wearUnits);
  test('waiting: soil, sweat, an open mark, pale cloth on the skin, and everything out of the soak', () => {
    expect((['light', 'normal', 'heavy', 'hazardous'] as const).map((soil) => urgency({ soil }))).toEqual([
      0.05, 0.2, 0.5, 0.5,
    ]);
    expect(urgency({ activity: 'sweaty' })).toBeCloseTo(0.3, 9);
    expect(urgency({ stains: [mark('coffee')] })).toBeCloseTo(0.3, 9);
    expect([urgency({ nextToSkin: true }, white), urgency({ nextToSkin: true }), urgency({}, white)]).toEqual([
      0.2, 0, 0,
    ]);
    expect(urgency({ soil: 'heavy', activity: 'sweaty', stains: [mark('coffee')] })).toBe(1);
    expect(urgency({ soaked: true })).toBe(3);
  });
  test('overdue pieces wait dearer, three times at most', () =>
    expect([0, 1, 1.5, 3, 9].map((units) => urgency({ soil: 'normal' }, navy, units))).toEqual([
      0.2,
      0.2,
      expect.closeTo(0.3, 9),
      expect.closeTo(0.6, 9),
      expect.closeTo(0.6, 9),
    ]));
  test('heat: linen and underwear that bear 60 °C, half for nightwear, and heavily soiled undyed whites', () => {
    const heat = (change: Partial<Garment>, bearsC = 60, colour = white): number =>
      heatNeed(garment('g', { soil: 'normal', ...change }), bearsC, colour);
    expect([heat({ kind: 'bath_towel' }), heat({ kind: 'bath_towel' }, 59)]).toEqual([1, 0]);
    expect([heat({ kind: 'briefs' }), heat({ kind: 'pyjama_set' })]).toEqual([1, 0.5]);
    expect(heat({})).toBe(0);
    expect(heat({ dye: 'undyed', soil: 'heavy' })).toBe(1);
    expect(heat({ dye: 'undyed', soil: 'normal' })).toBe(0);
    expect(heat({ dye: 'reactive', soil: 'heavy' })).toBe(0);
    expect(heat({ dye: 'undyed', soil: 'heavy' }, 60, navy)).toBe(0);
  });
});
