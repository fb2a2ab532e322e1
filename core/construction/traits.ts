/**
 * Construction and features: each trait tightens the envelope or adds a step. A limit marked `yields` is a default that a stated label value replaces.
 * Why each limit holds is said in `words/`, by trait and parameter.
 */
import type { CareFlag, DryPosition, EnvelopeParameter, EnvelopeValues } from '../envelope/envelope.ts';
import type { DetergentClass } from '../model/household.ts';

export type TraitLimit = {
  [K in EnvelopeParameter]: { parameter: K; limit: EnvelopeValues[K]; yields?: boolean };
}[EnvelopeParameter];
export interface TraitFacts {
  limits?: readonly TraitLimit[];
  flags?: readonly CareFlag[];
  /** Sets the delicate programme family. */
  fragile?: boolean;
  /** Closes water at home. */
  noImmersion?: boolean;
  lint?: 'giver' | 'collector';
}

const limit = (l: TraitLimit): TraitLimit => l;
const positions = (...list: DryPosition[]): ReadonlySet<DryPosition> => new Set(list);
const detergents = (...list: DetergentClass[]): ReadonlySet<DetergentClass> => new Set(list);
const noTumble = limit({ parameter: 'tumble', limit: 'none' });
const noTumbleUnlessStated = limit({ parameter: 'tumble', limit: 'none', yields: true });
const lowTumble = limit({ parameter: 'tumble', limit: 'low' });
const mild = limit({ parameter: 'maxAction', limit: 'mild' });
const veryMild = limit({ parameter: 'maxAction', limit: 'very-mild' });
const spin = (rpm: number): TraitLimit[] => [
  limit({ parameter: 'maxSpinRpm', limit: rpm }),
  limit({ parameter: 'woolSpinRpm', limit: rpm }),
];
const noSoftener = limit({ parameter: 'softener', limit: false });
const noChlorine = limit({ parameter: 'bleach', limit: 'oxygen' });
const noBleach = limit({ parameter: 'bleach', limit: 'none' });
const flat = limit({ parameter: 'dryPositions', limit: positions('flat') });
const delicatesOnly = limit({ parameter: 'detergents', limit: detergents('delicate') });

const heavyKnit: TraitFacts = {
  fragile: true,
  flags: ['net', 'measure', 'no-agitator'],
  limits: [veryMild, flat],
};
const net: TraitFacts = {
  fragile: true,
  flags: ['net-no-metal', 'hand-programmes-only', 'no-agitator'],
  limits: [veryMild, ...spin(400), noTumble],
};
const decorated: TraitFacts = {
  fragile: true,
  flags: ['net', 'inside-out', 'hand-programmes-only', 'no-agitator'],
  limits: [veryMild, ...spin(400), noTumble, limit({ parameter: 'iron', limit: 'none' })],
};
const printed: TraitFacts = {
  flags: ['inside-out'],
  limits: [
    limit({ parameter: 'maxTemperatureC', limit: 40, yields: true }),
    noTumbleUnlessStated,
    limit({ parameter: 'ironInsideOut', limit: true }),
  ],
};
const pressedPleats: TraitFacts = {
  fragile: true,
  flags: ['lowest-spin'],
  limits: spin(400),
};
const wadded: TraitFacts = { flags: ['reshape'], limits: spin(800) };

// prettier-ignore
export const traits = {
  woven:             {},
  'jersey-knit':     { flags: ['inside-out'] },
  'chunky-knit':     heavyKnit,
  'hand-knit':       heavyKnit,
  velvet:            { noImmersion: true, limits: [noTumble] },
  velveteen:         { noImmersion: true, limits: [noTumble] },
  corduroy:          { lint: 'collector', flags: ['inside-out'], limits: [mild] },
  pile:              { flags: ['inside-out'] },
  fleece:            { lint: 'giver', flags: ['inside-out'], limits: [noSoftener, lowTumble] },
  lace:              { ...net, lint: 'collector' },
  mesh:              net,
  tulle:             net,
  terry:             { limits: [noSoftener] },
  'denim-raw':       { flags: ['measure', 'buttons-closed', 'inside-out'], limits: [limit({ parameter: 'company', limit: 'like-colours' }), noTumble] },
  denim:             { flags: ['inside-out'], limits: [noTumbleUnlessStated] },
  structured:        { noImmersion: true },
  glued:             { noImmersion: true },
  layered:           { fragile: true, limits: [flat] },
  lined:             { flags: ['inside-out', 'no-agitator'] },
  quilted:           wadded,
  padded:            wadded,
  down:              { flags: ['dryer-balls', 'reshape'], limits: [lowTumble, noBleach] },
  crinkle:           pressedPleats,
  pleated:           pressedPleats,
  print:             printed,
  'transfer-print':  printed,
  flock:             printed,
  sequins:           decorated,
  beads:             decorated,
  embroidery:        { flags: ['inside-out', 'net'] },
  applique:          { flags: ['inside-out', 'net'] },
  elastic:           { limits: [noTumbleUnlessStated, noChlorine] },
  underwire:         { fragile: true, flags: ['net', 'reshape'], limits: [veryMild, ...spin(600), noTumble] },
  'moulded-cups':    { fragile: true, flags: ['net', 'reshape'], limits: [veryMild, ...spin(600), noTumble] },
  hooks:             { flags: ['hooks-closed', 'net'] },
  zip:               { flags: ['zip-closed'] },
  'hard-buckle':     {},
  studs:             {},
  buttons:           {},
  drawstring:        { flags: ['tie-drawstring'] },
  detachable:        { flags: ['detach'] },
  wicking:           { flags: ['wash-soon', 'inside-out'], limits: [noSoftener] },
  waterproof:        { flags: ['no-powder', 'extra-rinse'], limits: [noSoftener, lowTumble, delicatesOnly] },
  membrane:          { flags: ['no-powder', 'extra-rinse'], limits: [noSoftener, lowTumble, ...spin(600), delicatesOnly] },
  'flame-resistant': { limits: [noSoftener, noChlorine] },
  'rubber-backed':   { limits: [noTumble, limit({ parameter: 'maxTemperatureC', limit: 40 })] },
  heirloom:          { flags: ['test-first', 'photo'] },
} as const satisfies Record<string, TraitFacts>;

export type TraitId = keyof typeof traits;
export const traitIds = Object.keys(traits) as TraitId[];
/** @example traitFacts('lace').fragile // true */
export const traitFacts = (id: TraitId): TraitFacts => traits[id];
