/** Putting away, freshening, the cleaner: which steps a piece gets. */
import { describe, expect, test } from '@jest/globals';
import {
  isReturnAnswer,
  pastVisits,
  returnAnswers,
  returnLooks,
  returnLooksOf,
  returnRemedy,
} from '../cleaner/visit.ts';
import { endsInBasket, freshenTask, freshenWayFor, freshenWays } from '../freshen/task.ts';
import type { Garment } from '../model/garment.ts';
import { profileOf, type Profile } from '../piece/profile.ts';
import { garment, only, plainRules } from '../testing/arbitrary.ts';
import { awayStepsOf } from './away.ts';

const profile = (change: Partial<Garment>): Profile => profileOf(garment('g', change), plainRules);
const plain = { detached: false, mend: false, hot: false, children: false };
const jumper = profile({ kind: 'jumper_mid', parts: only('wool'), traits: new Set() });

describe('putting away', () => {
  test('a knit is shaved flat and folded, never hung; wool asks for moths', () => {
    const steps = awayStepsOf(jumper, plain);
    expect(steps).toEqual(expect.arrayContaining(['shave-pills', 'fold', 'moths']));
    expect(steps).not.toContain('hang');
    const withChildren = awayStepsOf(jumper, { ...plain, children: true });
    expect(withChildren).toContain('moths-children');
    expect(withChildren).not.toContain('moths');
  });
  test('what came off goes back on and what is torn is mended, before it is folded; hot cloth cools first', () => {
    const steps = awayStepsOf(profile({}), { ...plain, detached: true, mend: true, hot: true });
    expect(steps.slice(0, 4)).toEqual(['cool-first', 'refit', 'mend', 'fold']);
    expect(awayStepsOf(profile({ colours: [{ hex: '#ffffff', role: 'ground' }] }), plain)).toEqual(['fold']);
  });
  test('a shirt hangs, a coat hangs covered, deep colours lie dark', () => {
    const shirt = profile({ kind: 'dress_shirt', traits: new Set(['woven']) });
    expect(awayStepsOf(shirt, plain)).toContain('hang');
    expect(awayStepsOf(profile({ kind: 'coat', traits: new Set(['woven']) }), plain)).toContain('hang-covered');
    expect(awayStepsOf(profile({ colours: [{ hex: '#101010', role: 'ground' }] }), plain)).toContain('dark');
  });
});

describe('freshening', () => {
  test('a night of air lies flat for wool knits and hangs for the rest; every way ends', () => {
    expect(freshenTask(jumper, 'air').clock).toEqual({ step: 'lay-in-air', minutes: 480 });
    expect(freshenTask(profile({}), 'air').clock?.step).toBe('hang-in-air');
    for (const way of freshenWays) expect(['smell', 'rest']).toContain(freshenTask(jumper, way).steps.at(-1));
  });
  test('the advice of the shelf leads to a way of its own; washing and resting to none', () => {
    expect(
      (['air', 'steam', 'brush', 'spot-clean', 'wash', 'rest'] as const).map((a) => freshenWayFor(jumper, a)),
    ).toEqual(['air', 'steam', 'brush', 'spot', null, null]);
    const suede = profile({ kind: 'other', parts: only('suede'), traits: new Set() });
    expect(freshenWayFor(suede, 'care')).toBe('brush-suede');
    expect(freshenWayFor(profile({ kind: 'leather_jacket', parts: only('leather'), traits: new Set() }), 'care')).toBe(
      'feed',
    );
  });
  test('only what still smells is washed', () => {
    expect(['fresh', 'better', 'still-smells'].map((e) => endsInBasket(e as 'fresh'))).toEqual([false, false, true]);
  });
});

describe('the cleaner', () => {
  test('asks of marks, size and parts only where there were any', () => {
    expect(returnLooksOf({ marks: 0, measured: false, parts: false })).toEqual(['colour', 'smell']);
    expect(returnLooksOf({ marks: 1, measured: true, parts: true })).toEqual([...returnLooks]);
  });
  test('a good answer asks for nothing, a bad one for something', () => {
    for (const look of returnLooks) {
      expect(returnRemedy(look, returnAnswers[look][0])).toBeNull();
      for (const bad of returnAnswers[look].slice(1)) expect(returnRemedy(look, bad)).not.toBeNull();
    }
    expect(returnRemedy('smell', 'solvent')).toBe('air-it');
    expect(isReturnAnswer('size', 'solvent')).toBe(false);
  });
  test('next time: what it costs, and how often it was worth it', () => {
    expect(pastVisits([])).toBeNull();
    expect(
      pastVisits([
        { cost: 18, worthIt: true },
        { cost: 12, worthIt: false },
        { cost: 15, worthIt: null },
      ]),
    ).toEqual({ visits: 3, meanCost: 15, worth: 1, judged: 2 });
  });
});
