/** The cheapest setting of a set: no dearer than any that its pieces bear, and none where two of them clash. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyGarment, anyHousehold } from '../testing/arbitrary.ts';
import { basketOf } from './basket.ts';
import { cheapest, conflictFree, loadAt } from './price.ts';

const baskets = fc.tuple(fc.array(anyGarment, { minLength: 1, maxLength: 3 }), anyHousehold);

test('is the least of all settings, the first of those that cost the same', () =>
  fc.assert(
    fc.property(baskets, ([list, household]) => {
      const b = basketOf(
        list.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
        household,
      );
      const pieces = list.map((_, i) => i);
      const found = cheapest(b, pieces);
      const clash = pieces.some((i) => pieces.some((j) => b.clash[i * list.length + j] === 1));
      expect(conflictFree(b, pieces)).toBe(!clash);
      if (clash) {
        expect(found).toEqual({ cost: Infinity, setting: -1 });
        return;
      }
      const costs = b.settings.map((_, index) => {
        if (!pieces.every((i) => b.allowed[i]?.[index])) return Infinity;
        return loadAt(b, pieces, index)?.cost ?? Infinity;
      });
      const least = Math.min(...costs);
      if (least === Infinity) expect(found.setting).toBe(-1);
      else {
        expect(found.cost).toBeCloseTo(least, 7);
        expect(costs[found.setting]).toBeCloseTo(least, 7);
        // Two machines alike count once, by the first; beyond that a later setting wins only where it is cheaper.
        expect(costs.findIndex((c) => c < least + 1e-9)).toBeLessThanOrEqual(found.setting);
      }
    }),
    { numRuns: 200 },
  ));
