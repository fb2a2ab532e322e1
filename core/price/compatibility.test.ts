/** Which two pieces never share a load, rule by rule, and in either order. */
import { describe, expect, test } from '@jest/globals';
import { textOf } from '@words/text.ts';
import fc from 'fast-check';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { HouseRules } from '../model/household.ts';
import { anyGarment, garment, only, plainRules, washLabel } from '../testing/arbitrary.ts';
import { pairConflict } from './compatibility.ts';
import { profileOf } from '../piece/profile.ts';

const conflict = (a: Garment, b: Garment, rules: HouseRules = plainRules) =>
  pairConflict(profileOf(a, rules), profileOf(b, rules), rules);
const broken = (a: Garment, b: Garment, rules: HouseRules = plainRules): string | null =>
  conflict(a, b, rules)?.constraint ?? null;
const traits = (...t: TraitId[]): Pick<Garment, 'traits'> => ({ traits: new Set(t) });
const colour = (hex: string): Pick<Garment, 'colours'> => ({ colours: [{ hex, role: 'ground' }] });
const old = { washCount: 20 } as const;
const green = garment('green', { ...colour('#5f9e86'), ...old });
const white = garment('white', { ...colour('#f7f7f4'), dye: 'undyed' });
const black = garment('black', { ...colour('#17181b'), dye: 'sulphur', ...old });
const wool = garment('wool', { kind: 'jumper_mid', parts: only('wool'), label: washLabel(30, 'very-mild'), ...old });

describe('pairs that stay apart', () => {
  test('plain pieces may share', () => expect(broken(green, black)).toBeNull());
  test('H4: fuel and illness only with their like', () => {
    const fuel = garment('fuel', { soil: 'hazardous' });
    const ill = garment('ill', { hygiene: true });
    expect([broken(fuel, green), broken(ill, green), broken(fuel, ill)]).toEqual(['H4', 'H4', 'H4']);
    expect(broken(ill, garment('ill2', { hygiene: true }))).toBeNull();
  });
  test('H5: an untested red only with red; a known bleeder with its depth; wash-separately with nobody', () => {
    const red = garment('red', { ...colour('#be1e2d'), washCount: 0 });
    expect(broken(red, green)).toBe('H5');
    expect(broken(red, garment('red2', { ...colour('#b02030'), ...old }))).toBeNull();
    const bleeder = garment('bleeder', {
      ...colour('#17181b'),
      tests: [{ kind: 'catcher', agent: 'water', grade: 3, at: '2026-01-01' }],
    });
    expect(broken(bleeder, black)).toBeNull();
    expect(broken(bleeder, green)).toBe('H5');
    expect(broken(garment('sep', { label: washLabel(40, 'normal', { phrases: ['wash-separately'] }) }), green)).toBe(
      'H5',
    );
  });
  test('H6: wool detergent and a membrane’s delicate one have nothing in common', () =>
    expect(broken(wool, garment('shell', { ...traits('membrane'), parts: only('polyamide') }))).toMatch(/H6|H10/));
  test('H7: studs and zips on fragile cloth, lint on what collects it', () => {
    const lace = garment('lace', { ...traits('lace'), ...old });
    expect(broken(garment('studs', { ...traits('studs'), ...old }), lace)).toBe('H7');
    expect(broken(garment('zip', { ...traits('zip'), ...old }), lace)).toBe('H7');
    expect(broken(garment('zip', { ...traits('zip'), ...old }), green)).toBeNull();
    expect(broken({ ...wool, ...traits('zip'), id: 'cardigan' }, wool)).toBe('H7');
    const fleece = garment('fleece', { ...traits('fleece'), parts: only('polyester'), ...old });
    expect(broken(fleece, garment('cord', { ...traits('corduroy'), ...old }))).toBe('H7');
    expect(
      broken(
        fleece,
        garment('fleece2', { ...traits('fleece'), parts: only('polyester'), ...colour('#17181b'), ...old }),
      ),
    ).toBeNull();
    expect(
      broken(
        garment('newtowel', {
          kind: 'bath_towel',
          ...traits('terry'),
          ...colour('#f7f7f4'),
          dye: 'undyed',
          washCount: 1,
        }),
        garment('darksynthetic', { ...colour('#17181b'), parts: only('polyester'), ...old }),
      ),
    ).toBe('H7');
  });
  test('H10: piles by school, wool by itself', () => {
    const rules = (change: Partial<HouseRules>): HouseRules => ({ ...plainRules, ...change });
    expect(broken(white, green, rules({ colourPiles: 'two' }))).toBe('H10');
    expect(broken(green, black, rules({ colourPiles: 'two' }))).toBeNull();
    expect(broken(green, black, rules({ colourPiles: 'three' }))).toBe('H10');
    expect(
      broken(white, garment('cream', { ...colour('#e8dcc0'), ...old }), rules({ colourPiles: 'black-white-colour' })),
    ).toBe('H10');
    const silk = garment('silk', { parts: only('silk'), label: washLabel(30, 'very-mild'), ...old });
    expect(broken(wool, silk)).toBeNull();
    expect(broken(wool, silk, rules({ woolCompany: 'alone' }))).toBe('H10');
    expect(broken(wool, green)).toMatch(/H6|H10/);
  });
  test('the same in either order, with words that name a piece; a piece agrees with itself unless it washes alone', () =>
    fc.assert(
      fc.property(anyGarment, anyGarment, (a, b) => {
        const x = { ...a, id: 'a', name: 'Aye' };
        const y = { ...b, id: 'b', name: 'Bee' };
        expect(broken(x, y)).toBe(broken(y, x));
        const c = conflict(x, y);
        if (c) expect(textOf(c.message())).toMatch(/Aye|Bee|pieces go in different piles/);
        if (
          profileOf(x, plainRules).values.company !== 'alone' &&
          profileOf(x, plainRules).values.detergents.size > 0 &&
          conflict(x, x)?.constraint !== 'H7' &&
          !profileOf(x, plainRules).rawIndigo
        )
          expect(broken(x, x)).toBeNull();
      }),
      { numRuns: 150 },
    ));
});
