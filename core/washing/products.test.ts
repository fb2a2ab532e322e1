/** Which detergent suits which cloth, and which pack of the cupboard is taken. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Product } from '../model/household.ts';
import { household } from '../testing/arbitrary.ts';
import {
  chooseProduct,
  clothNeeds,
  detergentPreference,
  helperOfClass,
  isPowdered,
  sharedClasses,
} from './products.ts';
import { product } from '../testing/product.ts';

describe('products', () => {
  const p = (id: string, change: Partial<Product> = {}): Product => product({ id, name: id, ...change });
  const machine = {
    method: 'machine' as const,
    temperatureC: 40,
    washer: null,
    hasDark: false,
    noPowder: false,
    noPod: false,
    bleach: 'allowed' as const,
    hardnessMmolPerL: 2,
  };
  test('shared classes are permitted by every need, and more needs never add one', () =>
    fc.assert(
      fc.property(fc.subarray([...clothNeeds], { minLength: 1 }), fc.constantFrom(...clothNeeds), (needs, extra) => {
        const all = new Set(detergentPreference.white.concat(detergentPreference['raw-indigo']));
        const shared = sharedClasses(needs, all);
        for (const c of shared) for (const n of needs) expect(detergentPreference[n]).toContain(c);
        for (const c of sharedClasses([...needs, extra], all)) expect(shared).toContain(c);
      }),
    ));
  test('white and coloured together take the colour detergent', () =>
    expect(sharedClasses(['white', 'coloured'], new Set(['universal', 'colour', 'delicate']))[0]).toBe('colour'));
  test('wool takes only wool detergent; with raw indigo still', () => {
    expect(sharedClasses(['wool-silk', 'coloured'], new Set(['universal', 'colour', 'wool-silk']))).toEqual([
      'wool-silk',
    ]);
    expect(sharedClasses(['wool-silk', 'waterproof'], new Set(['wool-silk', 'delicate']))).toEqual([]);
  });
  test('an empty pack, a cold powder, a refused pod, hard-water soap: passed over', () => {
    expect(chooseProduct([p('a', { remaining: 0 }), p('b')], ['colour'], machine)?.id).toBe('b');
    expect(chooseProduct([p('a', { form: 'powder' })], ['colour'], { ...machine, temperatureC: 20 })).toBeNull();
    expect(
      chooseProduct([p('a', { form: 'powder' }), p('b')], ['colour'], { ...machine, temperatureC: 30, hasDark: true })
        ?.id,
    ).toBe('b');
    expect(chooseProduct([p('a', { form: 'pod' })], ['colour'], { ...machine, noPod: true })).toBeNull();
    expect(
      chooseProduct([p('a', { class: 'own-soap', form: 'bar' })], ['own-soap'], {
        ...machine,
        method: 'hand',
        hardnessMmolPerL: 3,
      }),
    ).toBeNull();
    expect(chooseProduct([p('a', { form: 'pod' })], ['colour'], { ...machine, method: 'hand' })).toBeNull();
  });
  test('the better class first, whatever its place in the cupboard', () =>
    expect(chooseProduct([p('a', { class: 'delicate' }), p('z')], ['colour', 'delicate'], machine)?.id).toBe('z'));
  test('a helper that is used up is not there', () => {
    expect(helperOfClass([p('v', { class: 'vinegar', remaining: 0 })], 'vinegar')).toBeNull();
    expect(helperOfClass([p('v', { class: 'vinegar' })], 'vinegar')?.id).toBe('v');
  });
  test('powder and tablets dissolve above 20 °C; on dark cloth powder waits for more than 30 while a liquid is there', () => {
    const taken = (product: Product, temperatureC: number, hasDark: boolean, more: Product[] = []) =>
      chooseProduct([product, ...more], ['universal'], { ...machine, temperatureC, hasDark })?.id ?? null;
    const powder = p('a', { class: 'universal', form: 'powder' });
    const tablet = p('a', { class: 'universal', form: 'tablet' });
    const liquid = p('b', { class: 'universal' });
    expect([20, 20.5].map((c) => taken(powder, c, false))).toEqual([null, 'a']);
    expect([20, 20.5].map((c) => taken(tablet, c, false))).toEqual([null, 'a']);
    expect([30, 30.5].map((c) => taken(powder, c, true, [liquid]))).toEqual(['b', 'a']);
    expect(taken(powder, 30, true)).toBe('a');
    expect(taken(powder, 30, true, [{ ...liquid, remaining: 0 }])).toBe('a');
    expect(taken(powder, 30, false, [liquid])).toBe('a');
    expect(taken(tablet, 30, true, [liquid])).toBe('a');
    expect(chooseProduct([powder], ['universal'], { ...machine, noPowder: true })).toBeNull();
    expect(chooseProduct([tablet], ['universal'], { ...machine, noPowder: true })).toBeNull();
    expect(chooseProduct([liquid], ['universal'], { ...machine, noPowder: true })?.id).toBe('b');
  });
  test('what bleaches is never taken, or only for want of another', () => {
    const powder = p('a', { class: 'universal', form: 'powder' });
    const plain = p('b', { class: 'universal' });
    const of = (bleach: 'never' | 'last' | 'allowed', ...cupboard: Product[]) =>
      chooseProduct(cupboard, ['universal'], { ...machine, bleach })?.id ?? null;
    expect([of('never', powder), of('never', powder, plain)]).toEqual([null, 'b']);
    expect([of('last', powder), of('last', powder, plain)]).toEqual(['a', 'b']);
    expect([of('allowed', powder), of('allowed', powder, plain)]).toEqual(['a', 'a']);
  });
  test('powder and tablets of universal detergent carry bleach, nothing else does', () => {
    const forms = ['powder', 'tablet', 'liquid', 'pod'] as const;
    expect(forms.map((form) => isPowdered(p('a', { class: 'universal', form })))).toEqual([true, true, false, false]);
    expect(forms.map((form) => isPowdered(p('a', { class: 'colour', form })))).toEqual([false, false, false, false]);
  });
  test('home-made soap below 2 mmol/l; bars by hand alone; refused forms, but only by their machine', () => {
    const soap = p('s', { class: 'own-soap' });
    const soft = (hardnessMmolPerL: number) => chooseProduct([soap], ['own-soap'], { ...machine, hardnessMmolPerL });
    expect([soft(1.99)?.id, soft(2)]).toEqual(['s', null]);
    const bar = p('b', { class: 'soap', form: 'bar' });
    expect(chooseProduct([bar], ['soap'], machine)).toBeNull();
    expect(chooseProduct([bar], ['soap'], { ...machine, method: 'hand' })?.id).toBe('b');
    const fussy = { ...household.washers[0]!, refusesForms: ['pod'] as const };
    const pod = p('p', { form: 'pod' });
    expect(chooseProduct([pod], ['colour'], { ...machine, washer: fussy })).toBeNull();
    expect(chooseProduct([pod], ['colour'], { ...machine, washer: { ...fussy, refusesForms: [] } })?.id).toBe('p');
    expect(chooseProduct([pod], ['colour'], { ...machine, noPod: true })).toBeNull();
    expect(chooseProduct([p('l')], ['colour'], { ...machine, noPod: true })?.id).toBe('l');
  });
  test('of two packs of a class the first by its id; a class without a fit gives way to the next', () => {
    expect(chooseProduct([p('b'), p('a')], ['colour'], machine)?.id).toBe('a');
    expect(chooseProduct([p('a'), p('b')], ['colour'], machine)?.id).toBe('a');
    expect(
      chooseProduct([p('a', { remaining: 0 }), p('d', { class: 'delicate' })], ['colour', 'delicate'], machine)?.id,
    ).toBe('d');
    expect(chooseProduct([], ['colour'], machine)).toBeNull();
  });
  test('shared classes: the smallest worst place, then the smallest sum, then the order of the table', () => {
    const all = new Set(detergentPreference.white);
    expect(sharedClasses(['white', 'soft'], all).slice(0, 3)).toEqual(['colour', 'delicate', 'wool-silk']);
    expect(sharedClasses(['dark'], new Set(['colour', 'dark']))).toEqual(['dark', 'colour']);
    expect(sharedClasses(['coloured', 'dark'], new Set(['colour', 'dark']))).toEqual(['colour', 'dark']);
    expect(sharedClasses(['wool-silk', 'down', 'unknown'], all)).toEqual(['wool-silk', 'no-rinse-wool']);
    expect(sharedClasses(['waterproof'], new Set(['colour']))).toEqual([]);
  });
  test('a helper is found by its class alone', () =>
    expect(
      helperOfClass([p('o', { class: 'oxygen-bleach' }), p('v', { class: 'vinegar', remaining: 3 })], 'vinegar')?.id,
    ).toBe('v'));
});
