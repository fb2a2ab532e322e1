import { describe, expect, test } from '@jest/globals';
import { netNeed } from '../piece/nets.ts';
import { placeWords } from '@words/en/garment.ts';
import { allPlaces, legTwist, placesOf, roundMeasure, sizeChanges, type Measure } from './measures.ts';

describe('measures', () => {
  test('each kind by its own places', () => {
    expect(placesOf('jumper_mid')).toEqual(['body-length', 'chest', 'sleeve']);
    expect(placesOf('jeans')).toEqual([
      'waist',
      'front-rise',
      'thigh',
      'knee-point',
      'knee',
      'leg-opening',
      'inseam',
      'leg-twist',
    ]);
    expect(placesOf('shorts')).not.toContain('knee');
    expect(placesOf('skirt_light')).toEqual(['waist', 'body-length']);
    for (const p of allPlaces) expect(placeWords[p].how).not.toBe('');
  });
  const at = (day: number): string => `2026-05-0${day}T08:00:00Z`;
  test('first against newest, and how far it may be stretched back', () => {
    const list: Measure[] = [
      { place: 'body-length', cm: 66, at: at(1) },
      { place: 'body-length', cm: 63, at: at(3) },
      { place: 'chest', cm: 50, at: at(1) },
      { place: 'chest', cm: 50.5, at: at(3) },
      { place: 'sleeve', cm: 60, at: at(1) },
    ];
    const [length, chest, ...rest] = sizeChanges([...list].reverse(), 'knit');
    expect(length).toMatchObject({
      place: 'body-length',
      beforeCm: 66,
      nowCm: 63,
      advice: { is: 'stretch-back', toCm: 66 },
    });
    expect(length!.lostPercent).toBeCloseTo(4.545, 2);
    expect(chest).toMatchObject({ place: 'chest', advice: { is: 'push-back', toCm: 50 } });
    expect(chest!.lostPercent).toBeLessThan(0);
    expect(rest).toEqual([]);
    // A woven piece gives less; raw denim is meant to shrink.
    const inseam = (from: number, to: number): Measure[] => [
      { place: 'inseam', cm: from, at: at(1) },
      { place: 'inseam', cm: to, at: at(2) },
    ];
    const woven = sizeChanges(inseam(80, 76), 'woven')[0]?.advice;
    expect(woven).toMatchObject({ is: 'stretch-back' });
    expect(woven && 'toCm' in woven ? woven.toCm : 0).toBeCloseTo(77.52, 6);
    expect(sizeChanges(inseam(80, 76), 'raw-denim')[0]?.advice).toEqual({ is: 'meant-to-shrink' });
    expect(sizeChanges(inseam(80, 81), 'raw-denim')[0]?.advice).toEqual({ is: 'given-with-wear' });
    // Under one per cent is the hand that measures.
    expect(sizeChanges(inseam(100, 99.01), 'woven')[0]?.advice).toEqual({ is: 'none' });
    expect(sizeChanges(inseam(100, 99), 'woven')[0]?.advice).toMatchObject({ is: 'stretch-back' });
    expect(sizeChanges(inseam(100, 101), 'knit')[0]?.advice).toEqual({ is: 'push-back', toCm: 100 });
  });
  test('knees are compared only at the same point of the leg', () => {
    const knees: Measure[] = [
      { place: 'knee-point', cm: 33, at: at(1) },
      { place: 'knee', cm: 21, at: at(1) },
      { place: 'knee-point', cm: 33, at: at(2) },
      { place: 'knee', cm: 20, at: at(2) },
    ];
    expect(sizeChanges(knees, 'woven').map((c) => [c.place, c.nowCm])).toEqual([['knee', 20]]);
    const moved: Measure[] = [
      ...knees,
      { place: 'knee-point', cm: 38, at: at(3) },
      { place: 'knee', cm: 19, at: at(3) },
    ];
    expect(sizeChanges(moved, 'woven')).toEqual([]);
    expect(sizeChanges([...moved, { place: 'knee', cm: 18, at: at(4) }], 'woven')).toMatchObject([
      { place: 'knee', beforeCm: 19, nowCm: 18 },
    ]);
  });
  test('the twist of a leg is told in centimetres, from one on', () => {
    const twist = (...cms: number[]): Measure[] => cms.map((cm, i) => ({ place: 'leg-twist', cm, at: at(i + 1) }));
    expect(legTwist(twist(0))).toBeNull();
    expect(legTwist(twist(0, 0.9))).toEqual({ beforeCm: 0, nowCm: 0.9, turned: false });
    expect(legTwist(twist(0.5, 1, 1.5))).toEqual({ beforeCm: 0.5, nowCm: 1.5, turned: true });
    // It is no size: nothing is lost by it.
    expect(sizeChanges(twist(1, 3), 'woven')).toEqual([]);
  });
  test('half centimetres and quarter inches', () => {
    expect(roundMeasure(66.3, false)).toBe(66.5);
    expect(roundMeasure(66, true)).toBe(26);
  });
});

describe('nets', () => {
  const small = (n: number, withoutMetal = false) => Array.from({ length: n }, () => ({ massKg: 0.06, withoutMetal }));
  test('four small pieces share one; a jumper has its own', () => {
    expect(netNeed(small(4), 4, 2)).toEqual({ nets: 1, withoutMetal: 0, missing: 0, missingWithoutMetal: 0 });
    expect(netNeed([...small(5), { massKg: 0.38, withoutMetal: false }], 4, 2).nets).toBe(2);
  });
  test('what is missing is told by kind', () => {
    expect(netNeed([...small(9), ...small(5, true)], 4, 1)).toEqual({
      nets: 5,
      withoutMetal: 2,
      missing: 0,
      missingWithoutMetal: 1,
    });
    expect(netNeed(small(20), 3, 1)).toMatchObject({ nets: 5, missing: 2, missingWithoutMetal: 0 });
    expect(netNeed([], 0, 0)).toMatchObject({ nets: 0, missing: 0 });
  });
});
