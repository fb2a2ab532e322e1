import { describe, expect, test } from '@jest/globals';
import type { Garment } from '../model/garment.ts';
import { profileOf } from '../piece/profile.ts';
import { garment, only, plainRules } from '../testing/arbitrary.ts';
import { endsInBasket, freshenTask, freshenWayFor, freshenWays } from './task.ts';

const profile = (change: Partial<Garment>) => profileOf(garment('g', change), plainRules);
const jumper = profile({ kind: 'jumper_mid', parts: only('wool'), traits: new Set(['jersey-knit']) });
const woolTrousers = profile({ kind: 'wool_trousers', parts: only('wool'), traits: new Set(['woven']) });
const tee = profile({});

describe('freshening', () => {
  test('knitted wool airs lying, everything else hanging, for a night', () => {
    expect(freshenTask(jumper, 'air').clock).toEqual({ step: 'lay-in-air', minutes: 480 });
    expect(freshenTask(woolTrousers, 'air').clock).toEqual({ step: 'hang-in-air', minutes: 480 });
    expect(freshenTask(tee, 'air').clock).toEqual({ step: 'hang-in-air', minutes: 480 });
    expect(freshenTask(jumper, 'spot').steps).toEqual(['spot-bench', 'lay-in-air', 'smell']);
  });
  test('steam rests an hour, leather cream half a day; brushing takes as long as the hands take', () => {
    expect(freshenTask(tee, 'steam').clock).toEqual({ step: 'steam-hang', minutes: 60 });
    expect(freshenTask(tee, 'feed').clock).toEqual({ step: 'feed-wait', minutes: 720 });
    for (const way of ['brush', 'spot', 'brush-suede'] as const) expect(freshenTask(tee, way).clock).toBeNull();
  });
  test('every way has a step for its clock, and no step twice', () => {
    for (const p of [jumper, tee])
      for (const way of freshenWays) {
        const { steps, clock } = freshenTask(p, way);
        expect(new Set(steps).size).toBe(steps.length);
        if (clock) expect(steps).toContain(clock.step);
      }
  });
  test('mud dries before any brush comes near it', () => {
    for (const way of ['brush', 'brush-suede'] as const) {
      const { steps } = freshenTask(tee, way);
      expect(steps.indexOf('let-mud-dry')).toBeLessThan(steps.findIndex((s) => s.startsWith('brush')));
    }
  });
});

describe('the way for a piece', () => {
  test.each([
    ['air', 'air'],
    ['steam', 'steam'],
    ['brush', 'brush'],
    ['spot-clean', 'spot'],
    ['wash', null],
    ['rest', null],
    ['one-more', null],
  ] as const)('advice %s: %s', (advice, way) => expect(freshenWayFor(tee, advice)).toBe(way));
  test('care is brushing for suede, feeding for leather, brushing for what is tailored, else air', () => {
    const hide = (fibre: 'suede' | 'leather') => profile({ kind: 'leather_jacket', parts: only(fibre) });
    expect(freshenWayFor(hide('suede'), 'care')).toBe('brush-suede');
    expect(freshenWayFor(hide('leather'), 'care')).toBe('feed');
    expect(freshenWayFor(profile({ traits: new Set(['structured']) }), 'care')).toBe('brush');
    expect(freshenWayFor(tee, 'care')).toBe('air');
  });
  test('only what still smells is washed', () =>
    expect((['fresh', 'better', 'still-smells'] as const).map(endsInBasket)).toEqual([false, false, true]));
});
