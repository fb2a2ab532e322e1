/** Worths of items against every set written out: no load costs less than what its items are worth. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyGarment, anyHousehold, everydayGarment, garment, household, only } from '../../testing/arbitrary.ts';
import type { Garment } from '../../model/garment.ts';
import type { Household } from '../../model/household.ts';
import { basketOf, type Basket } from '../../price/basket.ts';
import { duty } from '../../price/bits.ts';
import { deferralCost } from '../../price/price.ts';
import { profileOf } from '../../piece/profile.ts';
import { makeInstance, piecesOf, Pricer, type Instance } from '../instance.ts';
import { Modes } from './modes.ts';
import { shareWorth, solitaryWorth } from './dual-bounds.ts';

const instanceOf = (b: Basket): Instance =>
  makeInstance(
    b,
    b.pieces.map((_, i) => ({ pieces: [i], waitCost: deferralCost(b, i) })),
  );
const basket = (gs: readonly Garment[], home: Household = household): Basket =>
  basketOf(
    gs.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
    home,
  );
const subsets = (n: number): number[][] =>
  Array.from({ length: 2 ** n - 1 }, (_, k) =>
    Array.from({ length: n }, (__, i) => i).filter((i) => ((k + 1) >> i) & 1),
  );
/** How much the dearest-worth set is worth above its cost; at most 0 for valid worths. */
function excess(inst: Instance, worth: Float64Array): number {
  const pricer = new Pricer(inst.basket);
  return Math.max(
    ...subsets(inst.items.length).map(
      (set) => set.reduce((s, i) => s + (worth[i] as number), 0) - pricer.cost(piecesOf(inst.items, set)),
    ),
    ...inst.items.map((item, i) => (worth[i] as number) - item.waitCost),
  );
}
const washable = anyGarment.filter((g) => profileOf(g, household.rules).closure === null);
const mixed = fc.array(fc.oneof(washable, everydayGarment), { minLength: 2, maxLength: 7 });
describe('L3, L6, L7: worths that no load can beat', () => {
  test('a share of the room, and what few companions leave of a load', () =>
    fc.assert(
      fc.property(mixed, anyHousehold, (gs, home) => {
        const inst = instanceOf(basket(gs, home));
        const modes = Modes.of(inst);
        const shares = shareWorth(modes);
        const raised = solitaryWorth(modes, shares);
        expect(excess(inst, shares)).toBeLessThanOrEqual(1e-9);
        expect(excess(inst, raised)).toBeLessThanOrEqual(1e-9);
        shares.forEach((x, i) => expect(raised[i]).toBeGreaterThanOrEqual(x));
      }),
      { numRuns: 120 },
    ));
  test('a drum packed to 1.2 by a confirmed decision is shared by more', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom(300, 900, 1500, 2400), { minLength: 3, maxLength: 7 }), (masses) => {
        const b = basket(
          masses.map((weighedDryMassG) => garment('x', { weighedDryMassG, kind: 'bath_towel', soil: 'normal' })),
        );
        const inst = instanceOf({ ...b, pieces: b.pieces.map((p) => ({ ...p, duties: p.duties | duty.overfill })) });
        const modes = Modes.of(inst);
        expect(excess(inst, solitaryWorth(modes, shareWorth(modes)))).toBeLessThanOrEqual(1e-9);
      }),
      { numRuns: 40 },
    ));
  test('a piece that shares with nobody is worth a whole load, or its waiting', () => {
    const red = garment('red', {
      colours: [{ hex: '#a3222f', role: 'ground' }],
      dye: 'unknown',
      washCount: 0,
      soil: 'heavy',
    });
    const white = garment('white', {
      colours: [{ hex: '#f7f7f4', role: 'ground' }],
      dye: 'undyed',
      parts: only('cotton'),
      soil: 'heavy',
    });
    const b = basket([red, white, white]);
    const inst = instanceOf(b);
    const modes = Modes.of(inst);
    const shares = shareWorth(modes);
    const raised = solitaryWorth(modes, shares);
    expect(raised[0]).toBeGreaterThan((shares[0] as number) + 0.5);
    expect(raised[0]).toBeCloseTo(Math.min(deferralCost(b, 0), new Pricer(b).cost([0])), 1);
  });
});
