/**
 * The care envelope: everything known about a piece contributes bounds; the envelope is their meet (the strictest value of each
 * parameter), and keeps for each parameter the bounds that bind, so that a screen can say why and because of which piece.
 * Meet is commutative, associative and idempotent; adding a bound never relaxes anything.
 */
import {
  actionOrder,
  bleachOrder,
  companyOrder,
  ironOrder,
  stricter,
  tumbleOrder,
  wetOrder,
  type Action,
  type Bleach,
  type Company,
  type Iron,
  type Tumble,
  type Wet,
} from '../model/orders.ts';
import type { Message } from '../message/message.ts';
import { detergentClasses, type DetergentClass } from '../model/household.ts';

export type BoundSource =
  | 'label'
  | 'assumed'
  | 'fibre'
  | 'construction'
  | 'trim'
  | 'colour'
  | 'test'
  | 'stain'
  | 'hygiene'
  | 'rule'
  | 'washer'
  | 'product';

export const dryPositions = ['line', 'bars', 'hanger', 'flat'] as const;
export type DryPosition = (typeof dryPositions)[number];

/** Things to do or watch; they only add up. */
export type CareFlag =
  | 'inside-out'
  | 'net'
  | 'net-no-metal'
  | 'measure'
  | 'photo'
  | 'keep-control'
  | 'buttons-open'
  | 'buttons-closed'
  | 'zip-closed'
  | 'hooks-closed'
  | 'tie-drawstring'
  | 'detach'
  | 'brush-out'
  | 'mend'
  | 'test-first'
  | 'catcher'
  | 'hand-programmes-only'
  | 'no-agitator'
  | 'no-powder'
  | 'no-bleach-detergent'
  | 'no-pod'
  | 'extra-rinse'
  | 'no-soak'
  | 'reshape'
  | 'lowest-spin'
  | 'dryer-balls'
  | 'wash-soon';

export interface EnvelopeValues {
  wet: Wet;
  maxTemperatureC: number;
  maxAction: Action;
  /** On a drum of radius 0.24 m, outside a wool programme. */
  maxSpinRpm: number;
  /** The same inside a true wool programme. */
  woolSpinRpm: number;
  detergents: ReadonlySet<DetergentClass>;
  bleach: Bleach;
  softener: boolean;
  tumble: Tumble;
  dryPositions: ReadonlySet<DryPosition>;
  shade: boolean;
  awayFromHeat: boolean;
  iron: Iron;
  steam: boolean;
  pressCloth: boolean;
  ironInsideOut: boolean;
  company: Company;
  flags: ReadonlySet<CareFlag>;
}
export type EnvelopeParameter = keyof EnvelopeValues;

export type Bound = {
  [K in EnvelopeParameter]: { parameter: K; limit: EnvelopeValues[K]; source: BoundSource; reason: Message };
}[EnvelopeParameter];

interface Lattice<T> {
  top: T;
  meet: (a: T, b: T) => T;
  equal: (a: T, b: T) => boolean;
}

const ordered = <T extends string>(order: readonly T[]): Lattice<T> => ({
  top: order[0] as T,
  meet: (a, b) => stricter(order, a, b),
  equal: (a, b) => a === b,
});
const numeric = (top: number): Lattice<number> => ({ top, meet: (a, b) => Math.min(a, b), equal: (a, b) => a === b });
const permission: Lattice<boolean> = { top: true, meet: (a, b) => a && b, equal: (a, b) => a === b };
const duty: Lattice<boolean> = { top: false, meet: (a, b) => a || b, equal: (a, b) => a === b };
const sameSet = <T>(a: ReadonlySet<T>, b: ReadonlySet<T>): boolean =>
  a.size === b.size && [...a].every((x) => b.has(x));
const choice = <T extends string>(all: readonly T[]): Lattice<ReadonlySet<T>> => ({
  top: new Set(all),
  meet: (a, b) => new Set([...a].filter((x) => b.has(x)).sort((x, y) => all.indexOf(x) - all.indexOf(y))),
  equal: sameSet,
});
const additions: Lattice<ReadonlySet<CareFlag>> = {
  top: new Set(),
  meet: (a, b) => new Set([...a, ...b].sort()),
  equal: sameSet,
};

/** One lattice per parameter, from permissive (top) to strict. */
// prettier-ignore
export const lattices: { [K in EnvelopeParameter]: Lattice<EnvelopeValues[K]> } = {
  wet: ordered(wetOrder), maxTemperatureC: numeric(95), maxAction: ordered(actionOrder), maxSpinRpm: numeric(2000), woolSpinRpm: numeric(2000),
  detergents: choice(detergentClasses), bleach: ordered(bleachOrder), softener: permission, tumble: ordered(tumbleOrder),
  dryPositions: choice(dryPositions), shade: duty, awayFromHeat: duty, iron: ordered(ironOrder), steam: permission, pressCloth: duty,
  ironInsideOut: duty, company: ordered(companyOrder), flags: additions,
};
export const envelopeParameters = Object.keys(lattices) as EnvelopeParameter[];

export interface Envelope {
  values: EnvelopeValues;
  /** Every bound that went in, in the order it came. */
  bounds: readonly Bound[];
}

const latticeOf = <K extends EnvelopeParameter>(parameter: K): Lattice<EnvelopeValues[K]> => lattices[parameter];
function setMeet<K extends EnvelopeParameter>(values: EnvelopeValues, parameter: K, limit: EnvelopeValues[K]): void {
  values[parameter] = latticeOf(parameter).meet(values[parameter], limit);
}

export const permissive = (): EnvelopeValues =>
  Object.fromEntries(envelopeParameters.map((p) => [p, lattices[p].top])) as unknown as EnvelopeValues;

/** The envelope of a list of bounds; no bounds give the most permissive envelope. */
export function envelopeOf(bounds: readonly Bound[]): Envelope {
  const values = permissive();
  for (const bound of bounds) setMeet(values, bound.parameter, bound.limit);
  return { values, bounds };
}

/** Meet of values alone; the strictest of each parameter. */
export function meetValues(a: EnvelopeValues, b: EnvelopeValues): EnvelopeValues {
  const values = { ...a };
  for (const p of envelopeParameters) setMeet(values, p, b[p]);
  return values;
}

export const meet = (a: Envelope, b: Envelope): Envelope => ({
  values: meetValues(a.values, b.values),
  bounds: [...a.bounds, ...b.bounds],
});

export const sameValues = (a: EnvelopeValues, b: EnvelopeValues): boolean =>
  envelopeParameters.every((p) => (lattices[p] as Lattice<unknown>).equal(a[p], b[p]));

/**
 * The bounds that bind a parameter: those whose own limit is the envelope's value. When the value comes only from several bounds together
 * (a set intersection), every bound that tightens it from the top is returned.
 */
export function bindingBounds(envelope: Envelope, parameter: EnvelopeParameter): Bound[] {
  const lattice = lattices[parameter] as Lattice<unknown>;
  const value = envelope.values[parameter];
  const own = envelope.bounds.filter((b) => b.parameter === parameter && !lattice.equal(b.limit, lattice.top));
  const exact = own.filter((b) => lattice.equal(b.limit, value));
  return exact.length > 0 ? exact : own;
}

/** Make a bound; the type checker pairs parameter and limit. */
export const bound = <K extends EnvelopeParameter>(
  parameter: K,
  limit: EnvelopeValues[K],
  source: BoundSource,
  reason: Message,
): Bound => ({ parameter, limit, source, reason }) as Bound;
export const flag = (id: CareFlag, source: BoundSource, reason: Message): Bound =>
  bound('flags', new Set([id]), source, reason);
