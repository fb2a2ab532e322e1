import { expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import fc from 'fast-check';
import { anyGarment, plainRules } from '../testing/arbitrary.ts';
import { actionOrder, bleachOrder, companyOrder, ironOrder, tumbleOrder, wetOrder } from '../model/orders.ts';
import {
  bindingBounds,
  bound,
  envelopeOf,
  envelopeParameters,
  lattices,
  meet,
  permissive,
  sameValues,
  type EnvelopeValues,
} from './envelope.ts';
import { garmentEnvelope } from './garment-envelope.ts';

const envelope = anyGarment.map((g) => garmentEnvelope(g, plainRules).envelope);

/** True when a is nowhere more permissive than b. */
function nowhereLooser(a: EnvelopeValues, b: EnvelopeValues): boolean {
  const order = <T extends string>(all: readonly T[], x: T, y: T): boolean => all.indexOf(x) >= all.indexOf(y);
  return (
    order(wetOrder, a.wet, b.wet) &&
    a.maxTemperatureC <= b.maxTemperatureC &&
    order(actionOrder, a.maxAction, b.maxAction) &&
    a.maxSpinRpm <= b.maxSpinRpm &&
    a.woolSpinRpm <= b.woolSpinRpm &&
    [...a.detergents].every((d) => b.detergents.has(d)) &&
    order(bleachOrder, a.bleach, b.bleach) &&
    (!a.softener || b.softener) &&
    order(tumbleOrder, a.tumble, b.tumble) &&
    [...a.dryPositions].every((d) => b.dryPositions.has(d)) &&
    (a.shade || !b.shade) &&
    (a.awayFromHeat || !b.awayFromHeat) &&
    order(ironOrder, a.iron, b.iron) &&
    (!a.steam || b.steam) &&
    (a.pressCloth || !b.pressCloth) &&
    (a.ironInsideOut || !b.ironInsideOut) &&
    order(companyOrder, a.company, b.company) &&
    [...b.flags].every((f) => a.flags.has(f))
  );
}

test('meet is commutative', () =>
  fc.assert(fc.property(envelope, envelope, (a, b) => sameValues(meet(a, b).values, meet(b, a).values))));
test('meet is associative', () =>
  fc.assert(
    fc.property(envelope, envelope, envelope, (a, b, c) =>
      sameValues(meet(meet(a, b), c).values, meet(a, meet(b, c)).values),
    ),
  ));
test('meet is idempotent', () => fc.assert(fc.property(envelope, (a) => sameValues(meet(a, a).values, a.values))));
test('adding a piece never relaxes anything', () =>
  fc.assert(
    fc.property(
      envelope,
      envelope,
      (a, b) => nowhereLooser(meet(a, b).values, a.values) && nowhereLooser(meet(a, b).values, b.values),
    ),
  ));
test('the empty envelope is the most permissive', () =>
  fc.assert(
    fc.property(
      envelope,
      (a) => nowhereLooser(a.values, permissive()) && sameValues(meet(a, envelopeOf([])).values, a.values),
    ),
  ));
test('every tightened parameter names a binding bound with a reason', () =>
  fc.assert(
    fc.property(envelope, (e) => {
      for (const p of envelopeParameters) {
        const equal = (lattices[p].equal as (x: unknown, y: unknown) => boolean)(e.values[p], lattices[p].top);
        if (!equal && bindingBounds(e, p).length === 0) return false;
      }
      return true;
    }),
  ));

test('the strictest value wins and is named', () => {
  const e = envelopeOf([
    bound('maxTemperatureC', 60, 'fibre', say('fibre.elastane-temperature')),
    bound('maxTemperatureC', 30, 'label', say('label.max-temperature', { celsius: 30 })),
    bound('maxAction', 'mild', 'label', say('label.action', { action: 'mild' })),
  ]);
  expect(e.values.maxTemperatureC).toBe(30);
  expect(bindingBounds(e, 'maxTemperatureC').map((b) => b.reason)).toEqual([
    say('label.max-temperature', { celsius: 30 }),
  ]);
  expect(e.values.maxAction).toBe('mild');
});
test('detergents meet by intersection, and both bounds explain an empty set', () => {
  const e = envelopeOf([
    bound('detergents', new Set(['wool-silk']), 'fibre', say('fibre.detergent', { need: 'wool-silk' })),
    bound(
      'detergents',
      new Set(['delicate']),
      'construction',
      say('trait.limit', { trait: 'membrane', parameter: 'detergents' }),
    ),
  ]);
  expect(e.values.detergents.size).toBe(0);
  expect(bindingBounds(e, 'detergents')).toHaveLength(2);
});
