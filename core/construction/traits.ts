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
  name: string;
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

const heavyKnit = (name: string): TraitFacts => ({
  name,
  fragile: true,
  flags: ['net', 'measure', 'no-agitator'],
  limits: [veryMild, flat],
});
const net = (name: string): TraitFacts => ({
  name,
  fragile: true,
  flags: ['net-no-metal', 'hand-programmes-only', 'no-agitator'],
  limits: [veryMild, ...spin(400), noTumble],
});
const decorated = (name: string): TraitFacts => ({
  name,
  fragile: true,
  flags: ['net', 'inside-out', 'hand-programmes-only', 'no-agitator'],
  limits: [veryMild, ...spin(400), noTumble, limit({ parameter: 'iron', limit: 'none' })],
});
const printed = (name: string): TraitFacts => ({
  name,
  flags: ['inside-out'],
  limits: [
    limit({ parameter: 'maxTemperatureC', limit: 40, yields: true }),
    noTumbleUnlessStated,
    limit({ parameter: 'ironInsideOut', limit: true }),
  ],
});
const pressedPleats = (name: string): TraitFacts => ({
  name,
  fragile: true,
  flags: ['lowest-spin'],
  limits: spin(400),
});
const wadded = (name: string): TraitFacts => ({ name, flags: ['reshape'], limits: spin(800) });

// prettier-ignore
export const traits = {
  woven:             { name: 'woven' },
  'jersey-knit':     { name: 'jersey knit', flags: ['inside-out'] },
  'chunky-knit':     heavyKnit('chunky knit'),
  'hand-knit':       heavyKnit('hand knit'),
  velvet:            { name: 'velvet', noImmersion: true, limits: [noTumble] },
  velveteen:         { name: 'velveteen', noImmersion: true, limits: [noTumble] },
  corduroy:          { name: 'corduroy', lint: 'collector', flags: ['inside-out'], limits: [mild] },
  pile:              { name: 'pile', flags: ['inside-out'] },
  fleece:            { name: 'fleece', lint: 'giver', flags: ['inside-out'], limits: [noSoftener, lowTumble] },
  lace:              { ...net('lace'), lint: 'collector' },
  mesh:              net('mesh'),
  tulle:             net('tulle'),
  terry:             { name: 'terry', limits: [noSoftener] },
  'denim-raw':       { name: 'raw denim', flags: ['measure', 'buttons-closed', 'inside-out'], limits: [limit({ parameter: 'company', limit: 'like-colours' }), noTumble] },
  denim:             { name: 'denim', flags: ['inside-out'], limits: [noTumbleUnlessStated] },
  structured:        { name: 'structured', noImmersion: true },
  glued:             { name: 'glued', noImmersion: true },
  layered:           { name: 'layered', fragile: true, limits: [flat] },
  lined:             { name: 'lined', flags: ['inside-out', 'no-agitator'] },
  quilted:           wadded('quilted'),
  padded:            wadded('padded'),
  down:              { name: 'down filled', flags: ['dryer-balls', 'reshape'], limits: [lowTumble, noBleach] },
  crinkle:           pressedPleats('crinkle'),
  pleated:           pressedPleats('pleated'),
  print:             printed('print'),
  'transfer-print':  printed('transfer print'),
  flock:             printed('flock print'),
  sequins:           decorated('sequins'),
  beads:             decorated('beads'),
  embroidery:        { name: 'embroidery', flags: ['inside-out', 'net'] },
  applique:          { name: 'appliqué', flags: ['inside-out', 'net'] },
  elastic:           { name: 'elastic', limits: [noTumbleUnlessStated, noChlorine] },
  underwire:         { name: 'underwire', fragile: true, flags: ['net', 'reshape'], limits: [veryMild, ...spin(600), noTumble] },
  'moulded-cups':    { name: 'moulded cups', fragile: true, flags: ['net', 'reshape'], limits: [veryMild, ...spin(600), noTumble] },
  hooks:             { name: 'hooks', flags: ['hooks-closed', 'net'] },
  zip:               { name: 'zip', flags: ['zip-closed'] },
  'hard-buckle':     { name: 'hard buckle' },
  studs:             { name: 'studs' },
  buttons:           { name: 'buttons' },
  drawstring:        { name: 'drawstring', flags: ['tie-drawstring'] },
  detachable:        { name: 'detachable parts', flags: ['detach'] },
  wicking:           { name: 'wicking', flags: ['wash-soon', 'inside-out'], limits: [noSoftener] },
  waterproof:        { name: 'waterproof', flags: ['no-powder', 'extra-rinse'], limits: [noSoftener, lowTumble, delicatesOnly] },
  membrane:          { name: 'membrane', flags: ['no-powder', 'extra-rinse'], limits: [noSoftener, lowTumble, ...spin(600), delicatesOnly] },
  'flame-resistant': { name: 'flame resistant', limits: [noSoftener, noChlorine] },
  'rubber-backed':   { name: 'rubber backed', limits: [noTumble, limit({ parameter: 'maxTemperatureC', limit: 40 })] },
  heirloom:          { name: 'heirloom', flags: ['test-first', 'photo'] },
} as const satisfies Record<string, TraitFacts>;

export type TraitId = keyof typeof traits;
export const traitIds = Object.keys(traits) as TraitId[];
/** @example traitFacts('lace').fragile // true */
export const traitFacts = (id: TraitId): TraitFacts => traits[id];
