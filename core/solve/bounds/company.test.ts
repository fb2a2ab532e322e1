/** What dyes do to those who could still join a load, against the price of the whole load. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { everydayGarment, garment, household } from '../../testing/arbitrary.ts';
import { basketOf, type Basket } from '../../price/basket.ts';
import { duty } from '../../price/bits.ts';
import { dyeView } from '../../price/dye-view.ts';
import { featuresOf } from '../../price/features.ts';
import { donorShares } from '../../price/transfer.ts';
import { companyAt, Tint, wordsFor } from './company.ts';
import { makeInstance, type Instance } from '../instance.ts';

const home = {
  ...household,
  products: [
    ...household.products,
    {
      id: 'catchers',
      name: 'catchers',
      class: 'colour-catcher' as const,
      form: 'sheet' as const,
      dose: null,
      remaining: null,
      pricePerUnit: null,
    },
  ],
};
const instanceOf = (list: Parameters<typeof basketOf>[0], at = household): Instance => {
  const b = basketOf(
    list.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
    at,
  );
  return makeInstance(
    b,
    list.map((_, i) => ({ pieces: [i], waitCost: 1 })),
  );
};
const damageOf = (
  b: Basket,
  pieces: readonly number[],
  setting: number,
  caught: boolean | null,
): { damage: number; allowed: boolean; due: boolean } => {
  const v = dyeView(b, pieces, featuresOf(b, pieces), setting, donorShares(b, pieces), false, caught);
  return { damage: v.damage * b.weights.dyeDamage, allowed: v.allowed, due: v.due };
};
const tintOf = (b: Basket, set: readonly number[], setting: number, caught: boolean): Tint =>
  set.reduce((tint, p) => {
    const next = new Tint(b);
    next.grow(tint, [p], setting, caught);
    return next;
  }, new Tint(b));
const setting40 = 2;

describe('company at a setting', () => {
  const list = fc.array(everydayGarment, { minLength: 5, maxLength: 6 });
  test('pairs that exclude each other are refused in every load that holds them, with a catcher and without', () =>
    fc.assert(
      fc.property(list, fc.boolean(), (gs, caught) => {
        const inst = instanceOf(gs, home);
        const { exclusive } = companyAt(inst, setting40, caught);
        const all = gs.map((_, i) => i);
        for (let i = 0; i < gs.length; i++)
          for (let j = i + 1; j < gs.length; j++) {
            if (!((exclusive[i * wordsFor(gs.length)] as number) & (1 << j)) || inst.basket.clash[i * gs.length + j])
              continue;
            const bulk = [duty.bulk, duty.bulkSuffers].every((bit) =>
              [i, j].some((p) => inst.basket.pieces[p]!.duties & bit),
            );
            expect(bulk || !damageOf(inst.basket, [i, j], setting40, caught).allowed).toBe(true);
            expect(bulk || !damageOf(inst.basket, all, setting40, caught).allowed).toBe(true);
          }
      }),
      { numRuns: 60 },
    ));
  test('what a set does to a newcomer is charged at least, never more than the whole load pays', () =>
    fc.assert(
      fc.property(list, fc.boolean(), (gs, caught) => {
        const { basket: b } = instanceOf(gs, home);
        const set = gs.slice(0, -1).map((_, i) => i);
        const newcomer = gs.length - 1;
        const before = damageOf(b, set, setting40, caught);
        const after = damageOf(b, [...set, newcomer], setting40, caught);
        if (!before.allowed || !after.allowed) return;
        expect(before.damage + tintOf(b, set, setting40, caught).damageTo([newcomer])).toBeLessThanOrEqual(
          after.damage + 1e-9,
        );
      }),
      { numRuns: 120 },
    ));
  test('what further dye does to the set is charged at least, never more than the whole load pays', () =>
    fc.assert(
      fc.property(list, (gs) => {
        const { basket: b } = instanceOf(gs);
        const set = gs.slice(0, 3).map((_, i) => i);
        const newcomers = gs.slice(3).map((_, i) => i + 3);
        const before = damageOf(b, set, setting40, false);
        const after = damageOf(b, [...set, ...newcomers], setting40, false);
        if (!before.allowed || !after.allowed) return;
        const tint = tintOf(b, set, setting40, false);
        const rates = new Float64Array(b.dyeGroups);
        tint.ratesOn(set, rates);
        const wantedKg = new Float64Array(b.dyeGroups);
        for (const p of newcomers) {
          const g = b.dyeGroup[p] as number;
          if (g >= 0) wantedKg[g] = (wantedKg[g] as number) + (b.donorKg[p] as number);
        }
        const given = rates.reduce(
          (sum, rate, g) => sum + rate * tint.countedShare(g, wantedKg[g] as number) * (wantedKg[g] as number),
          0,
        );
        expect(before.damage + given + tint.damageTo(newcomers)).toBeLessThanOrEqual(after.damage + 1e-9);
      }),
      { numRuns: 150 },
    ));
  test('worked: damage goes in a straight line with the donor mass, up to 2 kg', () => {
    const red = (id: string) =>
      garment(id, { colours: [{ hex: '#a3222f', role: 'ground' }], dye: 'direct', washCount: 3, weighedDryMassG: 500 });
    const light = garment('w', {
      colours: [{ hex: '#d9c7a4', role: 'ground' }],
      dye: 'undyed',
      weighedDryMassG: 200,
      valueEur: 40,
    });
    const { basket: b } = instanceOf([red('r1'), red('r2'), light]);
    const one = tintOf(b, [0], 0, false).damageTo([2]);
    const two = tintOf(b, [0, 1], 0, false).damageTo([2]);
    expect(one).toBeGreaterThan(0);
    expect(two / one).toBeCloseTo(2, 9);
    const rates = new Float64Array(b.dyeGroups);
    tintOf(b, [0, 2], 0, false).ratesOn([0, 2], rates);
    expect((rates[b.dyeGroup[0] as number] as number) * 0.5).toBeCloseTo(one, 9);
    expect(tintOf(b, [0], 0, false).countedShare(b.dyeGroup[0] as number, 3)).toBeCloseTo(0.5, 9);
  });
});
