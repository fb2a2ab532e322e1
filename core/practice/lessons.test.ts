import { describe, expect, test } from '@jest/globals';
import { profileOf } from '../piece/profile.ts';
import { garment, only, plainRules } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import { lessonIds, lessonOfDay } from './lessons.ts';

const piece = (id: string, change: Parameters<typeof garment>[1] = {}) => profileOf(garment(id, change), plainRules);
const wool = piece('jumper', { kind: 'jumper_mid', parts: only('wool') });
const tee = piece('tee');

describe('the lesson of a day', () => {
  test('speaks of what is there; another day, another lesson; the same day, the same', () => {
    const days = Array.from({ length: 10 }, (_, day) => lessonOfDay([tee, wool], day)!.id);
    expect(new Set(days).size).toBeGreaterThan(1);
    expect(days).toContain('wool-felts');
    expect(days).not.toContain('silk-enzymes');
    expect(lessonOfDay([tee, wool], 3)).toEqual(lessonOfDay([tee, wool], 3));
    expect(lessonOfDay([wool], 0)!.pieces).toEqual(['jumper']);
  });
  test('an unsure skill comes first, from below 60', () => {
    const only60 = Array.from(
      { length: 6 },
      (_, d) => lessonOfDay([tee, wool], d, { fibres: 59, loads: 90, drying: 90 })!.skill,
    );
    expect(new Set(only60)).toEqual(new Set(['fibres']));
    const all = Array.from({ length: 6 }, (_, d) => lessonOfDay([tee, wool], d, { fibres: 60, loads: 90 })!.skill);
    expect(new Set(all).size).toBeGreaterThan(1);
  });
  test('fuel is the lesson of any day', () => {
    const fuelled = piece('overall', {
      stains: [mark('fuel-diesel', { ageHours: 3 })],
    });
    for (let day = 0; day < 5; day++) expect(lessonOfDay([tee, fuelled], day)!.id).toBe('fuel-outdoors');
  });
  test('no piece, no lesson', () => {
    expect(lessonOfDay([], 7)).toBeNull();
    expect(lessonIds.length).toBe(15);
  });
});
