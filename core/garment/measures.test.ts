import { describe, expect, test } from '@jest/globals';
import { netNeed } from '../piece/nets.ts';
import { placeWords } from '@words/en/garment.ts';
import { measurePlaces, placesOf, roundMeasure, sizeChanges, type Measure } from './measures.ts';

describe('measures', () => {
  test('each kind by its own places', () => {
    expect(placesOf('jumper_mid')).toEqual(['body-length', 'chest', 'sleeve']);
    expect(placesOf('jeans')).toEqual(['waist', 'front-rise', 'thigh', 'knee', 'leg-opening', 'inseam']);
    expect(placesOf('shorts')).not.toContain('knee');
    expect(placesOf('skirt_light')).toEqual(['waist', 'body-length']);
    for (const p of measurePlaces) expect(placeWords[p].how).not.toBe('');
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
