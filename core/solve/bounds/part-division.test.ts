/** Dividing parts of the oracle's search: whatever set fills a part best, it is an answer or can be told apart, and no set is lost by that. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyHousehold } from '../../testing/arbitrary.ts';
import { instanceOf, mixedBasket, namedBasket } from '../../testing/sets.ts';
import { Modes } from './modes.ts';
import type { Dose, Part } from './part.ts';
import { PartDivision } from './part-division.ts';
import { Parts } from './parts.ts';

/** A set of the items that a part lets in, beside what it holds: so many of each, in turn. */
const setOf = (part: Part, numbers: readonly number[]): number[] => [
  ...part.held,
  ...[...part.items].flatMap((item, k) =>
    Array.from({ length: Math.min(part.most[k] as number, (numbers[k % numbers.length] as number) % 3) }, () => item),
  ),
];
/** Known to be none, or too full with what is held, a part has no loads. */
const holdsLoads = (parts: Parts, part: Part): boolean =>
  part.base < Infinity && parts.roomsOf(part).every((room) => parts.freeOf(part, room) >= 0);
/** Which part is looked at next, and a set of it. */
const steps = fc.array(fc.tuple(fc.nat(), fc.array(fc.nat({ max: 5 }), { minLength: 1, maxLength: 7 }), fc.nat()), {
  minLength: 1,
  maxLength: 12,
});
const worths = fc.array(fc.double({ min: 0, max: 9, noNaN: true }), { minLength: 7, maxLength: 7 });

/** The loads of a part with at most half of what a set brings of something that harms by its mass; the same part where it brings none. */
function halfDosed(parts: Parts, part: Part, set: readonly number[], k: number): Part {
  const kgOf = parts.dosesKg[k] as Float64Array;
  const kg = set.reduce((t, i) => t + (kgOf[i] as number), 0);
  const dose = part.known.doses[k] as Dose;
  return kg > 0 && dose.low <= kg / 2
    ? parts.with(part, { doses: part.known.doses.with(k, { ...dose, high: kg / 2 }) })
    : part;
}

test('a set that is none of a part can be told apart in it, by parts that lose no set of it', () =>
  fc.assert(
    fc.property(
      mixedBasket,
      anyHousehold,
      worths,
      fc.integer({ min: 1, max: 3 }),
      steps,
      (gs, home, us, most, walk) => {
        const inst = instanceOf(namedBasket(gs, home));
        const modes = Modes.of(inst);
        const parts = new Parts(
          modes,
          inst.items.map(() => most),
        );
        const division = new PartDivision(parts);
        const worth = Float64Array.from(gs, (_, i) => us[i] as number);
        let open = parts.all(modes).filter((part) => holdsLoads(parts, part));
        for (const [which, numbers, limited] of walk) {
          const next = open[which % open.length];
          if (!next) return;
          const part = halfDosed(parts, next, setOf(next, numbers), limited % parts.dosesKg.length);
          if (!holdsLoads(parts, part)) continue;
          const set = setOf(part, numbers);
          const cost = parts.chargeOf(part, set);
          const choice = division.choose(part, set, worth);
          if (set.length > 0 && cost === Infinity) expect(choice).not.toBeNull();
          const children = choice?.parts() ?? parts.byModes(part);
          if (cost < Infinity && choice && choice.harm < Infinity)
            expect(children.some((child) => parts.chargeOf(child, set) < Infinity)).toBe(true);
          const left = children.filter((child) => holdsLoads(parts, child));
          if (left.length > 0) open = left;
        }
      },
    ),
    { numRuns: 400 },
  ));
