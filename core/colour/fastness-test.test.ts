import { describe, expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import type { ColourTest } from '../model/garment.ts';
import fc from 'fast-check';
import { garmentEnvelope } from '../envelope/garment-envelope.ts';
import { anyGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { readCloths } from './cloth-reading.ts';
import { agentTest, fastnessPlan, standingOf } from './fastness-test.ts';

const spot = (agent: string, grade = 4.5): ColourTest => ({ kind: 'spot', agent, grade, at: '2026-05-01T08:00:00Z' });
const red = garment('red', { colours: [{ hex: '#be1e2d', role: 'ground' }], dye: 'unknown', washCount: 0, tests: [] });

describe('which tests a piece needs', () => {
  test('an untested red: water twice and detergent once; clear ones count', () => {
    const plan = fastnessPlan(red);
    expect(plan.reason).toEqual(say('test.red'));
    expect(plan.tests.map((t) => [t.agent, t.needed, t.done])).toEqual([
      ['water', 2, 0],
      ['det-colour-liquid', 1, 0],
    ]);
    const half = fastnessPlan({ ...red, tests: [spot('water'), spot('water', 3)] });
    expect(half.tests[0]!.done).toBe(1);
    expect(fastnessPlan({ ...red, tests: [spot('water'), spot('water'), spot('det-colour-liquid')] }).complete).toBe(
      true,
    );
  });
  test('why a test is asked for, first reason first', () => {
    const told = (change: Parameters<typeof garment>[1]) => fastnessPlan(garment('g', change)).reason?.code ?? null;
    const fresh = { washCount: 0, tests: [], dye: 'unknown' } as const;
    const ground = (hex: string) => [{ hex, role: 'ground' as const }];
    expect(told({ ...fresh, colours: ground('#be1e2d') })).toBe('test.red');
    // A red with one clear reading wants another until its third wash.
    const once = { ...fresh, colours: ground('#be1e2d'), tests: [spot('water')] };
    expect(told(once)).toBe('test.red-once');
    expect(told({ ...once, washCount: 2 })).toBe('test.red-once');
    expect(told({ ...once, washCount: 3 })).toBeNull();
    expect(told({ ...once, tests: [spot('water'), spot('water')] })).toBeNull();
    expect(told({ ...once, tests: [spot('water'), spot('water', 3)] })).toBe('test.bled');
    expect(told({ ...fresh, colours: ground('#15151a') })).toBe('test.strong-colour');
    expect(told({ ...fresh, colours: ground('#15151a'), tests: [spot('water')] })).toBeNull();
    const printed = (hex: string) => [...ground('#f7f7f4'), { hex, role: 'print' as const }];
    expect(told({ ...fresh, colours: printed('#1d1e21') })).toBe('test.contrast');
    expect(told({ ...fresh, colours: printed('#e4e9ee') })).toBeNull();
    const pale = { ...fresh, colours: ground('#cfe0d8') };
    expect(told({ ...pale, label: null })).toBe('test.no-label');
    expect(told(pale)).toBeNull();
    expect(told({ ...pale, label: null, tests: [spot('water')] })).toBeNull();
  });
  test('only clear readings of the very kind and agent count', () => {
    const done = (...tests: ColourTest[]) => fastnessPlan({ ...red, tests }).tests.map((t) => t.done);
    expect(done(spot('water', 4))).toEqual(done(spot('water', 5)));
    expect(done(spot('det-colour-liquid'))).toEqual([0, 1]);
    expect(done({ ...spot('water'), kind: 'part' })).toEqual([0, 0]);
    expect(done(spot('acetone'))).toEqual([0, 0]);
  });
  test('wool is tested with its own detergent; what comes off is washed by itself', () => {
    const plan = fastnessPlan({ ...red, parts: only('wool'), traits: new Set(['detachable']) });
    expect(plan.tests.map((t) => `${t.kind} ${t.agent}`)).toEqual(['spot water', 'spot det-wool-silk', 'part water']);
    expect(plan.where).toEqual(say('test.where-detachable'));
  });
  test('white needs none; an old green neither; a bleeder wants two clear ones', () => {
    expect(fastnessPlan(garment('w', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' }))).toMatchObject({
      reason: null,
      tests: [],
      complete: true,
    });
    expect(fastnessPlan(garment('g', { washCount: 10 })).reason).toBeNull();
    expect(
      fastnessPlan(
        garment('b', { washCount: 10, tests: [{ kind: 'catcher', agent: 'water', grade: 3, at: '2026-04-01' }] }),
      ),
    ).toMatchObject({ complete: false, reason: say('test.bled') });
  });
  test('undyed cloth is tried in water where an heirloom or its label asks for it: no piece waits for a test that cannot be made', () => {
    const apron = garment('apron', {
      colours: [{ hex: '#faf8f2', role: 'ground' }],
      dye: 'undyed',
      traits: new Set(['lace', 'heirloom']),
      tests: [],
    });
    const rules = household.rules;
    const plan = fastnessPlan(apron);
    expect(plan.reason).toEqual(say('test.heirloom'));
    expect(plan.tests.map((t) => [t.agent, t.needed])).toEqual([['water', 1]]);
    expect(garmentEnvelope(apron, rules).closure?.kind).toBe('test-first');
    const tried = { ...apron, tests: [spot('water', 5)] };
    expect(fastnessPlan(tried)).toMatchObject({ complete: true, reason: null });
    expect(garmentEnvelope(tried, rules).closure).toBeNull();
    const blouse = garment('blouse', {
      colours: [{ hex: '#faf8f2', role: 'ground' }],
      dye: 'undyed',
      parts: only('silk'),
      label: { ...washLabel(30), wash: { by: 'none' } },
      allowTestFirst: true,
      tests: [],
    });
    expect(fastnessPlan(blouse).tests).toHaveLength(1);
    expect(garmentEnvelope(blouse, { ...rules, dryCleanOnly: 'test-first' }).closure?.kind).toBe('test-first');
    expect(
      garmentEnvelope({ ...blouse, tests: [spot('water', 5)] }, { ...rules, dryCleanOnly: 'test-first' }).closure,
    ).toBeNull();
  });
});

describe('where a piece stands', () => {
  const white = garment('w', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed', tests: [] });
  const caught = (grade: number): ColourTest => ({
    kind: 'catcher',
    agent: 'water',
    grade,
    at: '2026-05-01T08:00:00Z',
  });
  test.each([
    ['white, untried', white, 'untried'],
    ['white, tried in water', { ...white, tests: [spot('water', 5)] }, 'bears-water'],
    ['a red that was never tested', red, 'untested'],
    ['a red, clear once', { ...red, tests: [spot('water')] }, 'clear-once'],
    ['a red that bled strongly', { ...red, tests: [spot('water', 1)] }, 'no-water'],
    ['a blue seen by the catcher', garment('b', { washCount: 10, tests: [caught(3)] }), 'known-bleeder'],
    ['an old green, clear', garment('g', { washCount: 10, tests: [spot('water'), spot('water', 5)] }), 'trusted'],
  ] as const)('%s: %3$s', (_, g, standing) => expect(standingOf(g)).toBe(standing));
  test('the newest reading of an agent counts', () => {
    const at = (day: number, grade: number): ColourTest => ({
      ...spot('oxy-percarbonate', grade),
      at: `2026-05-0${day}`,
    });
    const of = (tests: ColourTest[]) => agentTest({ ...red, tests }, 'oxy-percarbonate').done;
    expect([of([]), of([at(1, 4.5)]), of([at(1, 4.5), at(2, 2)]), of([at(2, 4.5), at(1, 2)])]).toEqual([0, 1, 0, 1]);
    expect(agentTest({ ...red, tests: [at(1, 4.5)] }, 'vinegar-white').done).toBe(0);
  });
});

test('whoever must be tested first is offered a test that is still to be made', () =>
  fc.assert(
    fc.property(anyGarment, fc.boolean(), (g, obey) => {
      const closure = garmentEnvelope(g, { ...household.rules, dryCleanOnly: obey ? 'obey' : 'test-first' }).closure;
      if (closure?.kind === 'test-first') expect(fastnessPlan(g).tests.some((t) => t.done < t.needed)).toBe(true);
    }),
    { numRuns: 4000 },
  ));

describe('a photograph of two cloths', () => {
  const picture = (left: number[], right: number[], noise = 0) => {
    const width = 40;
    const height = 20;
    const data = new Uint8ClampedArray(width * height * 4);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const rgb = x < width / 2 ? left : right;
        const edge = x === 0 || x === width - 1 || y === 0 || x === width / 2;
        for (let c = 0; c < 3; c++)
          data[(y * width + x) * 4 + c] = edge
            ? 20
            : (rgb[c] ?? 0) + (noise ? ((x * 7 + y * 13 + c) % (2 * noise)) - noise : 0);
        data[(y * width + x) * 4 + 3] = 255;
      }
    return { width, height, data };
  };
  test('the same cloth twice is grade 5, in any light and with some noise', () => {
    for (const light of [
      [245, 245, 242],
      [200, 190, 170],
      [150, 152, 160],
    ])
      expect(readCloths(picture(light, light, 3))).toMatchObject({ ok: true, reading: { grade: 5 } });
  });
  test('a pink cloth: ΔE 9 and grade 3.5, whatever the light', () => {
    const plain = readCloths(picture([245, 245, 245], [236, 222, 226]));
    if (!plain.ok) throw new Error('readable');
    expect(plain.reading.grade).toBe(3.5);
    expect(plain.reading.deltaE).toBeGreaterThan(7);
    const dim = readCloths(picture([196, 196, 196], [236 * 0.8, 222 * 0.8, 226 * 0.8]));
    expect(dim).toMatchObject({ ok: true, reading: { grade: 3.5 } });
  });
  test('strong colour is a low grade', () => {
    const strong = readCloths(picture([245, 245, 245], [190, 60, 70]));
    expect(strong.ok && strong.reading.grade).toBeLessThan(2);
  });
  test('without a white reference there is no verdict', () => {
    expect(readCloths(picture([40, 40, 40], [40, 40, 40]))).toEqual({ ok: false, problem: 'too-dark' });
    expect(readCloths(picture([240, 150, 140], [240, 150, 140]))).toEqual({ ok: false, problem: 'not-white' });
    expect(readCloths({ width: 4, height: 2, data: new Uint8ClampedArray(32) })).toEqual({
      ok: false,
      problem: 'empty',
    });
  });
});
