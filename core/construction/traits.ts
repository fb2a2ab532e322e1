/**
 * Construction and features: each trait tightens the envelope or adds a step, with its own reason.
 * A limit marked `yields` is a default that a stated label value replaces.
 */
import type { CareFlag, DryPosition, EnvelopeParameter, EnvelopeValues } from '../envelope/envelope.ts';

export type TraitLimit = {
  [K in EnvelopeParameter]: { parameter: K; limit: EnvelopeValues[K]; yields?: boolean; reason: string };
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

const positions = (...list: DryPosition[]): ReadonlySet<DryPosition> => new Set(list);
const t = (limit: TraitLimit): TraitLimit => limit;
const noTumble = (reason: string, yields = false) => t({ parameter: 'tumble', limit: 'none', yields, reason });
const lowTumble = (reason: string) => t({ parameter: 'tumble', limit: 'low', reason });
const action = (limit: EnvelopeValues['maxAction'], reason: string) => t({ parameter: 'maxAction', limit, reason });
const spin = (limit: number, reason: string): TraitLimit[] => [
  t({ parameter: 'maxSpinRpm', limit, reason }),
  t({ parameter: 'woolSpinRpm', limit, reason }),
];
const noSoftener = (reason: string) => t({ parameter: 'softener', limit: false, reason });
const noChlorine = (reason: string) => t({ parameter: 'bleach', limit: 'oxygen', reason });
const flat = (reason: string) => t({ parameter: 'dryPositions', limit: positions('flat'), reason });
const noBleach = (reason: string) => t({ parameter: 'bleach', limit: 'none', reason });

const heavyKnit = (name: string): TraitFacts => ({
  name,
  fragile: true,
  flags: ['net', 'measure', 'no-agitator'],
  limits: [action('very-mild', 'an open knit pulls out of shape'), flat('a wet open knit grows when it hangs')],
});
const net = (name: string): TraitFacts => ({
  name,
  fragile: true,
  flags: ['net-no-metal', 'hand-programmes-only', 'no-agitator'],
  limits: [
    action('very-mild', `${name} tears under movement`),
    ...spin(400, `${name} tears in a fast spin`),
    noTumble(`${name} does not bear tumbling`),
  ],
});
const decorated = (name: string): TraitFacts => ({
  name,
  fragile: true,
  flags: ['net', 'inside-out', 'hand-programmes-only', 'no-agitator'],
  limits: [
    action('very-mild', `${name} come loose under movement`),
    ...spin(400, `${name} come loose in a fast spin`),
    noTumble(`${name} do not bear tumbling`),
    t({ parameter: 'iron', limit: 'none', reason: `never an iron on ${name}` }),
  ],
});
const printed = (name: string): TraitFacts => ({
  name,
  flags: ['inside-out'],
  limits: [
    t({ parameter: 'maxTemperatureC', limit: 40, yields: true, reason: `the ${name} cracks and fades above 40 °C` }),
    noTumble(`tumbler heat cracks the ${name}`, true),
    t({ parameter: 'ironInsideOut', limit: true, reason: `never iron on the ${name}` }),
  ],
});

export const traits = {
  woven: { name: 'woven' },
  'jersey-knit': { name: 'jersey knit', flags: ['inside-out'] },
  'chunky-knit': heavyKnit('chunky knit'),
  'hand-knit': heavyKnit('hand knit'),
  velvet: { name: 'velvet', noImmersion: true, limits: [noTumble('pile crushes')] },
  velveteen: { name: 'velveteen', noImmersion: true, limits: [noTumble('pile crushes')] },
  corduroy: {
    name: 'corduroy',
    flags: ['inside-out'],
    lint: 'collector',
    limits: [action('mild', 'corduroy pile rubs off')],
  },
  pile: { name: 'pile', flags: ['inside-out'] },
  fleece: {
    name: 'fleece',
    flags: ['inside-out'],
    lint: 'giver',
    limits: [noSoftener('softener mats fleece'), lowTumble('fleece mats with heat')],
  },
  lace: { ...net('lace'), lint: 'collector' },
  mesh: net('mesh'),
  tulle: net('tulle'),
  terry: { name: 'terry', limits: [noSoftener('softener makes terry repel water')] },
  'denim-raw': {
    name: 'raw denim',
    flags: ['measure', 'buttons-closed', 'inside-out'],
    limits: [
      t({ parameter: 'company', limit: 'like-colours', reason: 'raw indigo rubs and bleeds' }),
      noTumble('raw denim shrinks in the dryer'),
    ],
  },
  denim: {
    name: 'denim',
    flags: ['inside-out'],
    limits: [
      ...spin(800, 'a fast spin sets lengthwise creases in denim'),
      noTumble('denim shrinks and streaks in the dryer', true),
    ],
  },
  structured: { name: 'structured', noImmersion: true },
  glued: { name: 'glued', noImmersion: true },
  layered: { name: 'layered', fragile: true, limits: [flat('wet layers are heavy and need support')] },
  lined: { name: 'lined', flags: ['inside-out', 'no-agitator'] },
  quilted: { name: 'quilted', flags: ['reshape'], limits: spin(800, 'wadding bunches in a fast spin') },
  padded: { name: 'padded', flags: ['reshape'], limits: spin(800, 'wadding bunches in a fast spin') },
  down: {
    name: 'down filled',
    flags: ['dryer-balls', 'reshape'],
    limits: [lowTumble('down scorches above low heat'), noBleach('bleach damages down')],
  },
  crinkle: {
    name: 'crinkle',
    fragile: true,
    flags: ['lowest-spin'],
    limits: [...spin(400, 'a fast spin presses the crinkle out')],
  },
  pleated: {
    name: 'pleated',
    fragile: true,
    flags: ['lowest-spin'],
    limits: [...spin(400, 'a fast spin presses the pleats out')],
  },
  print: printed('print'),
  'transfer-print': printed('transfer print'),
  flock: printed('flock print'),
  sequins: decorated('sequins'),
  beads: decorated('beads'),
  embroidery: { name: 'embroidery', flags: ['inside-out', 'net'] },
  applique: { name: 'appliqué', flags: ['inside-out', 'net'] },
  elastic: { name: 'elastic', limits: [noTumble('heat tires elastic', true), noChlorine('chlorine eats elastic')] },
  underwire: {
    name: 'underwire',
    fragile: true,
    flags: ['net', 'reshape'],
    limits: [
      action('very-mild', 'the wire bends and works loose'),
      ...spin(600, 'the wire bends in a fast spin'),
      noTumble('wire and cups do not bear tumbling'),
    ],
  },
  'moulded-cups': {
    name: 'moulded cups',
    fragile: true,
    flags: ['net', 'reshape'],
    limits: [
      action('very-mild', 'cups dent'),
      ...spin(600, 'cups dent in a fast spin'),
      noTumble('cups do not bear tumbling'),
    ],
  },
  hooks: { name: 'hooks', flags: ['hooks-closed', 'net'] },
  zip: { name: 'zip', flags: ['zip-closed'] },
  'hard-buckle': { name: 'hard buckle' },
  studs: { name: 'studs' },
  buttons: { name: 'buttons' },
  drawstring: { name: 'drawstring', flags: ['tie-drawstring'] },
  detachable: { name: 'detachable parts', flags: ['detach'] },
  wicking: { name: 'wicking', flags: ['wash-soon'], limits: [noSoftener('softener blocks wicking cloth')] },
  waterproof: {
    name: 'waterproof',
    flags: ['no-powder', 'extra-rinse'],
    limits: [
      noSoftener('softener spoils the finish'),
      lowTumble('only low heat'),
      t({
        parameter: 'detergents',
        limit: new Set(['delicate']),
        reason: 'powder and softening agents clog the finish',
      }),
    ],
  },
  membrane: {
    name: 'membrane',
    flags: ['no-powder', 'extra-rinse'],
    limits: [
      noSoftener('softener spoils the membrane'),
      lowTumble('only low heat'),
      ...spin(600, 'trapped water unbalances the drum'),
      t({
        parameter: 'detergents',
        limit: new Set(['delicate']),
        reason: 'powder and softening agents clog the membrane',
      }),
    ],
  },
  'flame-resistant': {
    name: 'flame resistant',
    limits: [noSoftener('softener can burn'), noChlorine('chlorine strips the finish')],
  },
  'rubber-backed': {
    name: 'rubber backed',
    limits: [
      noTumble('rubber perishes with heat'),
      t({ parameter: 'maxTemperatureC', limit: 40, reason: 'rubber perishes above 40 °C' }),
    ],
  },
  heirloom: { name: 'heirloom', flags: ['test-first', 'photo'] },
} as const satisfies Record<string, TraitFacts>;

export type TraitId = keyof typeof traits;
export const traitIds = Object.keys(traits) as TraitId[];
export const traitFacts = (id: TraitId): TraitFacts => traits[id];
