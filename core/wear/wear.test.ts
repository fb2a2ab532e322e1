/** Wear units: how much of a wash one wear asks for, and when the next is due. */
import { describe, expect, test } from '@jest/globals';
import { garmentKinds } from '../garment/kinds.ts';
import {
  dueness,
  nextToSkinByKind,
  rotationPieces,
  unitsAfterAiring,
  wearsAllowed,
  wearsBetween,
  wearUnits,
  wearUnitsSinceWash,
} from './wear.ts';

describe('wear units', () => {
  test('what is worn once is worn once, whatever was done in it', () => {
    expect(wearUnits(1, 2, 'rest')).toBe(1);
    expect(wearUnits(1, 12, 'sweaty')).toBe(1);
    expect(wearUnits(6, 1, 'sport')).toBe(1);
    // Just above one it is counted by the day.
    expect(wearUnits(1.25, 8, 'normal', 22)).toBeCloseTo(0.8, 9);
  });
  test('eight hours of a usual day are one wear; hours, sweat, warmth and layers change it', () => {
    const usual = wearUnits(5, 8, 'normal', 22);
    expect(usual).toBeCloseTo(0.2, 9);
    expect(wearUnits(5, 4, 'normal', 22)).toBeCloseTo(0.1, 9);
    expect(wearUnits(5, 8, 'sweaty', 22)).toBeCloseTo(0.2 / 0.6, 9);
    expect(wearUnits(5, 8, 'rest', 22)).toBeCloseTo(0.2 / 1.4, 9);
    expect(wearUnits(5, 8, 'light', 22)).toBeCloseTo(0.2 / 1.2, 9);
    expect(wearUnits(5, 8, 'normal', 32)).toBeCloseTo(0.2 / 0.6, 9);
    // Cold days do not stretch it, and heat at most doubles it.
    expect(wearUnits(5, 8, 'normal', 5)).toBeCloseTo(0.2, 9);
    expect(wearUnits(5, 8, 'normal', 60)).toBeCloseTo(0.4, 9);
    expect(wearUnits(5, 8, 'normal', 22, 'over_base')).toBeCloseTo(0.2 / 1.6, 9);
    expect(wearUnits(5, 8, 'normal', 22, 'bare_skin')).toBeCloseTo(0.2 / 0.6, 9);
  });
  test('a few minutes count a little, a long day half as much again at most', () => {
    expect(wearUnits(4, 0.1, 'normal', 22)).toBeCloseTo(0.15 / 4, 9);
    expect(wearUnits(4, 1.2, 'normal', 22)).toBeCloseTo(0.15 / 4, 9);
    expect(wearUnits(4, 12, 'normal', 22)).toBeCloseTo(1.5 / 4, 9);
    expect(wearUnits(4, 24, 'normal', 22)).toBeCloseTo(1.5 / 4, 9);
  });
  test('since the last wash', () => {
    expect(wearUnitsSinceWash(null, 9, 'sweaty')).toBe(0);
    expect(wearUnitsSinceWash(1, 2, 'normal')).toBe(2);
    expect(wearUnitsSinceWash(4, 4, 'normal')).toBeCloseTo(4 * wearUnits(4, 8, 'normal'), 9);
  });
  test('due from one unit, soon from three quarters', () => {
    expect([0, 0.7499, 0.75, 0.999, 1 - 1e-9, 1, 3].map(dueness)).toEqual([
      'fresh',
      'fresh',
      'soon',
      'soon',
      'due',
      'due',
      'due',
    ]);
  });
  test('jumpers by their fibre; some kinds have no count', () => {
    expect(wearsAllowed('jumper_mid', true)).toBeGreaterThan(wearsAllowed('jumper_mid', false) ?? 0);
    expect(wearsAllowed('curtain_panel', false)).toBeNull();
    expect(wearsAllowed('briefs', false)).toBe(1);
  });
  test('next to the skin by kind', () => {
    expect((['tshirt', 'bra', 'bath_towel', 'dress_light'] as const).map(nextToSkinByKind)).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect((['coat', 'jeans', 'jumper_mid', 'curtain_panel'] as const).map(nextToSkinByKind)).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });
});

describe('wear', () => {
  test('a wool jumper bears ten wears, a cotton one five; socks one', () =>
    expect([
      wearsAllowed('jumper_mid', true),
      wearsAllowed('jumper_mid', false),
      wearsAllowed('sock_crew_pair', false),
    ]).toEqual([10, 5, 1]));
  test('eight usual hours are one share; sweat, heat and hours cost more', () => {
    expect(wearUnits(10)).toBeCloseTo(0.1, 9);
    expect(wearUnits(10, 8, 'sweaty')).toBeCloseTo(0.1 / 0.6, 9);
    expect(wearUnits(10, 4)).toBeCloseTo(0.05, 9);
    expect(wearUnits(10, 8, 'normal', 30)).toBeGreaterThan(0.1);
    expect(wearUnits(1, 1, 'rest')).toBe(1);
  });
  test('units follow the wears, and kinds without a count have none', () => {
    for (const kind of garmentKinds) {
      const units = wearUnitsSinceWash(wearsAllowed(kind, false), 3, 'normal');
      if (wearsAllowed(kind, false) === null) expect(units).toBe(0);
      else expect(units).toBeGreaterThan(0);
    }
  });
  test.each([
    [1, 'due'],
    [0.8, 'soon'],
    [0.75, 'soon'],
    [0.5, 'fresh'],
  ] as const)('%p units is %s', (u, word) => expect(dueness(u)).toBe(word));
  test('airing gives back some of the last wear only; wool most', () => {
    expect(unitsAfterAiring(0.8, 0, 'wool', 24)).toBe(0.8);
    expect(unitsAfterAiring(0.8, 0.2, 'wool', 12)).toBeLessThan(unitsAfterAiring(0.8, 0.2, 'cotton', 12));
    expect(wearsBetween(0.1, 'wool', true)).toBeGreaterThan(wearsBetween(0.1, 'wool', false));
  });
  test('seven days between washes, two in the drying, one a day, one wear each: nine', () =>
    expect(rotationPieces(7, 2, 1, 1)).toBe(9));
});
