/** Worths of items against every set written out: no load costs less than what its items are worth. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyHousehold, garment, only } from '../../testing/arbitrary.ts';
import { excess, instanceOf, mixedBasket, namedBasket } from '../../testing/sets.ts';
import { duty } from '../../price/bits.ts';
import { deferralCost } from '../../price/price.ts';
import { Pricer, type Instance } from '../instance.ts';
import { Modes } from './modes.ts';
import { shareWorth, solitaryWorth } from './dual-bounds.ts';

/** How much a set, or a piece against its waiting, is worth too much. */
const tooMuch = (inst: Instance, worth: Float64Array): number =>
  Math.max(excess(inst, worth), ...inst.items.map((item, i) => (worth[i] as number) - item.waitCost));

describe('L3, L6, L7: worths that no load can beat', () => {
  test('a share of the room, and what few companions leave of a load', () =>
    fc.assert(
      fc.property(mixedBasket, anyHousehold, (gs, home) => {
        const inst = instanceOf(namedBasket(gs, home));
        const modes = Modes.of(inst);
        const shares = shareWorth(modes);
        const raised = solitaryWorth(modes, shares);
        expect(tooMuch(inst, shares)).toBeLessThanOrEqual(1e-9);
        expect(tooMuch(inst, raised)).toBeLessThanOrEqual(1e-9);
        shares.forEach((x, i) => expect(raised[i]).toBeGreaterThanOrEqual(x));
      }),
      { numRuns: 120 },
    ));
  test('a drum packed to 1.2 by a confirmed decision is shared by more', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom(300, 900, 1500, 2400), { minLength: 3, maxLength: 7 }), (masses) => {
        const b = namedBasket(
          masses.map((weighedDryMassG) => garment('x', { weighedDryMassG, kind: 'bath_towel', soil: 'normal' })),
        );
        const inst = instanceOf({ ...b, pieces: b.pieces.map((p) => ({ ...p, duties: p.duties | duty.overfill })) });
        const modes = Modes.of(inst);
        expect(tooMuch(inst, solitaryWorth(modes, shareWorth(modes)))).toBeLessThanOrEqual(1e-9);
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
    const b = namedBasket([red, white, white]);
    const inst = instanceOf(b);
    const modes = Modes.of(inst);
    const shares = shareWorth(modes);
    const raised = solitaryWorth(modes, shares);
    expect(raised[0]).toBeGreaterThan((shares[0] as number) + 0.5);
    expect(raised[0]).toBeCloseTo(Math.min(deferralCost(b, 0), new Pricer(b).cost([0])), 1);
  });
});
