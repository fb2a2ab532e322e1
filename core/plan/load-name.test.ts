/** Names of loads: what is in them and how they are washed. */
import { describe, expect, test } from '@jest/globals';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import { profileOf } from '../piece/profile.ts';
import { garment, household, only } from '../testing/arbitrary.ts';
import { titleOf } from '@words/text.ts';
import { loadName } from './load-name.ts';

const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string) => [{ hex, role: 'ground' as const }];
const white = { colours: ground('#f7f7f4'), dye: 'undyed' as const };
const named = (changes: readonly Partial<Garment>[], celsius = 60, method: 'machine' | 'hand' = 'machine'): string =>
  titleOf(
    loadName(
      changes.map((c, i) => profileOf(garment(`g${i}`, c), household.rules)),
      { celsius, method },
    ),
  );
const towel: Partial<Garment> = { kind: 'bath_towel', traits: traits('terry'), use: 'towel' };
const sheet: Partial<Garment> = { kind: 'sheet_single', traits: traits('woven'), use: 'bed' };
const jumper: Partial<Garment> = { kind: 'jumper_mid', parts: only('wool'), traits: traits('jersey-knit') };

describe('the name of a load', () => {
  test.each<[string, string]>([
    [
      'White towels, 60',
      named([
        { ...towel, ...white },
        { ...towel, ...white },
      ]),
    ],
    [
      'White towels and bed linen, 60',
      named([
        { ...towel, ...white, count: 6 },
        { ...sheet, ...white },
      ]),
    ],
    [
      'White linen, 60',
      named([
        { ...towel, ...white, count: 2 },
        { ...sheet, ...white },
        { kind: 'briefs', use: 'body', count: 20, ...white },
      ]),
    ],
    ['Dark clothes, 30', named([{ colours: ground('#1d1e21') }, { colours: ground('#232326') }], 30)],
    [
      'Coloured wool, 20 by hand',
      named(
        [
          { ...jumper, colours: ground('#e0605a') },
          { ...jumper, colours: ground('#4fae8b') },
        ],
        20,
        'hand',
      ),
    ],
    ['Clothes, 40', named([{ ...white }, { colours: ground('#2f6f6b') }], 40)],
  ])('%s', (expected, name) => expect(name).toBe(expected));
  test('one piece is its own name', () => {
    expect(named([{ name: 'Sash' }], 20, 'hand')).toBe('Sash, alone');
    expect(named([{ name: 'Five towels', count: 5 }])).toBe('Five towels, 60');
  });
  test('the heavier is named first; fifteen hundredths are enough to be named', () => {
    const light = { ...towel, ...white, weighedDryMassG: 200 };
    const heavy = { ...sheet, ...white, weighedDryMassG: 800 };
    expect(named([light, heavy])).toBe('White bed linen and towels, 60');
    expect(named([heavy, light])).toBe('White bed linen and towels, 60');
    const share = (g: number) =>
      named([
        { ...heavy, weighedDryMassG: 1000 - g },
        { ...light, weighedDryMassG: g },
      ]);
    expect([share(150), share(149)]).toEqual(['White bed linen and towels, 60', 'White bed linen, 60']);
  });
  test('what is little of the load is not named', () => {
    expect(
      named([
        { ...sheet, ...white, count: 8, weighedDryMassG: 4000 },
        { kind: 'face_cloth', use: 'towel', ...white },
      ]),
    ).toBe('White bed linen, 60');
  });
});
