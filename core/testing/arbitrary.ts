/** Generated garments and a small household for property tests. Plausible enough to plan, odd enough to find holes. */
import { nothingLearnt } from '../learn/lesson.ts';
import fc from 'fast-check';
import { emptyLabel, phrases, type CareLabel } from '../care-label/label.ts';
import { traitIds, type TraitId } from '../construction/traits.ts';
import { dyeIds } from '../colour/dye.ts';
import { fibreIds } from '../fibre/fibres.ts';
import { garmentKinds, uses } from '../garment/kinds.ts';
import { garmentUse } from '../garment/use.ts';
import type { Garment } from '../model/garment.ts';
import type { Household, HouseRules, Programme } from '../model/household.ts';
import { bleachOrder, ironOrder, soilOrder, tumbleOrder } from '../model/orders.ts';
import { stainKinds } from '../stain/stains.ts';
import { mark } from './mark.ts';

export const plainRules: HouseRules = {
  colourPiles: 'bleed-risk',
  handLabel: 'machine-hand',
  wool: 'machine',
  woolCompany: 'delicates',
  dryCleanOnly: 'obey',
  whites: 'oxygen',
  softening: 'none',
  tumble: 'never',
  denim: 'cold',
  tshirtDrying: 'bars',
  shirtAim: 'normal',
  dosing: 'pack',
  skin: 'normal',
  kitchenLinen: 'always-apart',
  linenHeat: 'hot',
  waiting: 'allowed',
  priority: 'balanced',
  reuseBath: false,
  weights: {},
};

export const cottonTee: Garment = {
  id: 'g1',
  name: 'Green T-shirt',
  kind: 'tshirt',
  parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
  traits: new Set<TraitId>(['jersey-knit']),
  colours: [{ hex: '#2f6f6b', role: 'ground' }],
  dye: 'reactive',
  label: {
    wash: { by: 'machine', maxC: 40, action: 'normal' },
    bleach: 'none',
    tumble: 'low',
    dry: null,
    iron: 'medium',
    dryClean: null,
    wetClean: null,
    phrases: [],
    text: null,
  },
  weighedDryMassG: 160,
  size: 'M',
  heightCm: null,
  odour: false,
  washCount: 10,
  wearsSinceWash: 2,
  activity: 'normal',
  nextToSkin: true,
  soil: 'normal',
  hygiene: false,
  stains: [],
  tests: [],
  measured: false,
  soaked: false,
  allowTestFirst: false,
  neededBy: null,
  valueEur: 20,
  include: true,
  use: 'clothes',
  count: 1,
  set: null,
  learntWears: null,
  learntShrinkShare: null,
};
/** A garment that differs from a plain cotton T-shirt. */
export function garment(id: string, change: Partial<Garment> = {}): Garment {
  const made = { ...cottonTee, id, name: change.name ?? id, ...change };
  return { ...made, use: garmentUse(made, change.use ?? null) };
}
export const only = (
  fibre: Garment['parts'][number]['fibres'][number]['fibre'],
  percent = 100,
  rest: Garment['parts'][number]['fibres'][number]['fibre'] = 'cotton',
): Garment['parts'] => [
  {
    role: 'shell',
    fibres:
      percent === 100
        ? [{ fibre, percent }]
        : [
            { fibre, percent },
            { fibre: rest, percent: 100 - percent },
          ],
  },
];
export const washLabel = (
  maxC: number,
  action: 'normal' | 'mild' | 'very-mild' = 'normal',
  rest: Partial<CareLabel> = {},
): CareLabel => ({ ...emptyLabel, ...cottonTee.label, wash: { by: 'machine', maxC, action }, ...rest });

const programme = (
  id: string,
  family: Programme['family'],
  action: Programme['action'],
  temperaturesC: number[],
  spinsRpm: number[],
  maxLoadKg: number,
  durationMin: number,
): Programme => ({
  id,
  name: id,
  family,
  action,
  temperaturesC,
  spinsRpm,
  maxLoadKg,
  durationMin,
  waterL: 50,
  energyKwhAt: new Map([
    [30, 0.4],
    [60, 1.1],
  ]),
});
export const household: Household = {
  learnt: nothingLearnt,
  rules: plainRules,
  daysToNextWash: 3,
  water: { hardnessMmolPerL: 2, coldC: 12, hotC: 55 },
  tariff: { currency: 'EUR', electricityPerKwh: 0.3, waterPerM3: 4.5, cheapHours: [], cheapPerKwh: 0.225 },
  times: { quietHours: [], away: [], slots: [], people: 1 },
  room: { volumeM3: 25, airChangesPerHour: 0.5, temperatureC: 20, relativeHumidity: 0.5, airSpeedMPerS: 0.1 },
  washers: [
    {
      id: 'w1',
      name: 'Machine',
      loading: 'front',
      drumRadiusM: 0.24,
      drumVolumeL: 58,
      pricePerRun: 0,
      refusesForms: [],
      bleachDispenser: false,
      programmes: [
        programme('cottons', 'cotton', 'normal', [20, 30, 40, 60, 90], [0, 600, 800, 1000, 1200, 1400], 8, 149),
        programme('easy', 'synthetics', 'mild', [20, 30, 40, 60], [0, 600, 800, 1000], 4, 88),
        programme('delicates', 'delicate', 'very-mild', [20, 30], [0, 400, 600], 2.5, 52),
        programme('wool', 'wool', 'very-mild', [20, 30], [400, 600, 800], 2, 41),
        programme('hand', 'hand-wash', 'hand', [20, 30], [0, 400], 1.5, 45),
      ],
    },
  ],
  dryers: [],
  dryingPlaces: [
    { id: 'rack', name: 'Rack', bars: 18, barLengthM: 0.9, flatM2: 1, hangers: 6, outdoors: false, sun: false },
  ],
  basins: [{ id: 'tub', name: 'Tub', form: { shape: 'rectangular', lengthCm: 45, widthCm: 32, depthCm: 18 } }],
  products: (['universal', 'colour', 'dark', 'delicate', 'wool-silk'] as const)
    .map((c) => ({
      id: c,
      name: c,
      class: c,
      form: 'liquid' as const,
      dose: null,
      remaining: null,
      pricePerUnit: null,
    }))
    .concat([]),
};

const product = (
  id: string,
  productClass: Household['products'][number]['class'],
  form: Household['products'][number]['form'],
): Household['products'][number] => ({
  id,
  name: id,
  class: productClass,
  form,
  dose: null,
  remaining: null,
  pricePerUnit: null,
});
/** Households with other cupboards, rules and figures: what makes costs jump when a piece joins a load (catchers, pods, bleach, vinegar, modelled energy). */
export const anyHousehold: fc.Arbitrary<Household> = fc
  .record({
    helpers: fc.subarray([
      product('catchers', 'colour-catcher', 'sheet'),
      product('oxygen', 'oxygen-bleach', 'powder'),
      product('vinegar', 'vinegar', 'liquid'),
      product('softener', 'softener', 'liquid'),
      {
        ...product('chlorine', 'chlorine-bleach', 'liquid'),
        dose: {
          unit: 'ml' as const,
          perLoadKg: 4.5,
          table: [60, 60, 60].map((ml) => [ml, ml, ml] as const),
          handPerLitre: null,
        },
      },
    ]),
    whites: fc.constantFrom('oxygen' as const, 'chlorine' as const, 'colour-safe' as const),
    forms: fc.subarray(
      [
        product('a-powder', 'universal', 'powder'),
        product('a-pods', 'colour', 'pod'),
        product('a-tablets', 'universal', 'tablet'),
        product('soap', 'soap', 'liquid'),
      ],
      { maxLength: 2 },
    ),
    softening: fc.constantFrom('none' as const, 'vinegar' as const, 'softener' as const),
    stated: fc.boolean(),
    colourPiles: fc.constantFrom('bleed-risk' as const, 'two' as const),
    priority: fc.constantFrom('gentle' as const, 'balanced' as const, 'thrifty' as const, 'quick' as const),
  })
  .map(({ helpers, forms, softening, stated, ...rules }) => ({
    ...household,
    rules: { ...household.rules, softening, ...rules },
    products: [...household.products, ...helpers, ...forms],
    washers: household.washers.map((w) => ({
      ...w,
      bleachDispenser: rules.whites === 'chlorine',
      programmes: w.programmes.map((p) =>
        stated ? p : { ...p, energyKwhAt: new Map<number, number>(), waterL: null },
      ),
    })),
  }));

const label: fc.Arbitrary<CareLabel | null> = fc.option(
  fc.record({
    wash: fc.option(
      fc.oneof(
        fc.record({
          by: fc.constant('machine' as const),
          maxC: fc.constantFrom(30, 40, 50, 60, 70, 95),
          action: fc.constantFrom('normal' as const, 'mild' as const, 'very-mild' as const),
        }),
        fc.record({ by: fc.constant('hand' as const), maxC: fc.constantFrom(30, 40) }),
        fc.constant({ by: 'none' as const }),
      ),
    ),
    bleach: fc.option(fc.constantFrom(...bleachOrder)),
    tumble: fc.option(fc.constantFrom(...tumbleOrder)),
    iron: fc.option(fc.constantFrom(...ironOrder)),
    dry: fc.option(
      fc.record({
        position: fc.constantFrom('line' as const, 'flat' as const),
        drip: fc.boolean(),
        shade: fc.boolean(),
      }),
    ),
    dryClean: fc.constant(null),
    wetClean: fc.constant(null),
    phrases: fc.subarray([...phrases], { maxLength: 2 }),
    text: fc.constant(null),
  }),
);
const fibreShares = fc
  .tuple(fc.constantFrom(...fibreIds), fc.constantFrom(...fibreIds), fc.integer({ min: 0, max: 100 }))
  .map(([a, b, p]) =>
    a === b
      ? [{ fibre: a, percent: 100 }]
      : [
          { fibre: a, percent: p },
          { fibre: b, percent: 100 - p },
        ],
  );
const hex = fc.constantFrom(
  '#f7f7f4',
  '#d9c7a4',
  '#8b8d94',
  '#2f6f6b',
  '#a3222f',
  '#232f4e',
  '#1d1e21',
  '#b9cf3a',
  '#e3c35b',
);

const used = (stated: Garment['use'] | null, made: Garment): Garment => ({ ...made, use: garmentUse(made, stated) });

export const anyGarment: fc.Arbitrary<Garment> = fc
  .record({
    id: fc.uuid(),
    kind: fc.constantFrom(...garmentKinds.filter((k) => k !== 'other')),
    shell: fibreShares,
    lining: fc.option(fibreShares, { freq: 4 }),
    traits: fc.subarray([...traitIds], { maxLength: 3 }),
    ground: hex,
    print: fc.option(hex, { freq: 3 }),
    dye: fc.constantFrom(...dyeIds),
    label,
    washCount: fc.integer({ min: 0, max: 30 }),
    wearsSinceWash: fc.integer({ min: 0, max: 12 }),
    activity: fc.constantFrom('rest' as const, 'normal' as const, 'sweaty' as const),
    soil: fc.constantFrom(...soilOrder),
    hygiene: fc.boolean(),
    soaked: fc.constantFrom(false, false, false, true),
    odour: fc.boolean(),
    stain: fc.option(fc.constantFrom(...stainKinds), { freq: 3 }),
    grades: fc.array(
      fc.integer({ min: 2, max: 10 }).map((n) => n / 2),
      { maxLength: 3 },
    ),
    allowTestFirst: fc.boolean(),
    valueEur: fc.integer({ min: 0, max: 200 }),
    include: fc.boolean(),
    stated: fc.option(fc.constantFrom(...uses), { freq: 4 }),
    count: fc.constantFrom(1, 1, 1, 2, 8),
    set: fc.constantFrom(null, null, 'a', 'b'),
  })
  .map(({ shell, lining, traits, ground, print, stain, grades, stated, ...rest }): Garment =>
    used(stated, {
      ...cottonTee,
      ...rest,
      name: rest.id,
      traits: new Set(traits),
      parts: [{ role: 'shell', fibres: shell }, ...(lining ? [{ role: 'lining' as const, fibres: lining }] : [])],
      weighedDryMassG: null,
      colours: [{ hex: ground, role: 'ground' }, ...(print ? [{ hex: print, role: 'print' as const }] : [])],
      stains: stain ? [mark(stain)] : [],
      tests: grades.map((grade, i) => ({
        kind: 'catcher' as const,
        agent: 'water',
        grade,
        at: `2026-04-0${i + 1}T10:00:00Z`,
      })),
    }),
  );

/** Pieces that share loads easily and tint each other a little: where costs of sets are most entangled. */
export const everydayGarment: fc.Arbitrary<Garment> = fc
  .record({
    id: fc.uuid(),
    kind: fc.constantFrom(
      'tshirt' as const,
      'leggings' as const,
      'dress_shirt' as const,
      'bath_towel' as const,
      'jeans' as const,
    ),
    fibre: fc.constantFrom(
      'cotton' as const,
      'cotton' as const,
      'polyester' as const,
      'viscose' as const,
      'wool' as const,
    ),
    ground: hex,
    dye: fc.constantFrom(
      'reactive' as const,
      'direct' as const,
      'disperse' as const,
      'unknown' as const,
      'undyed' as const,
    ),
    washCount: fc.integer({ min: 0, max: 12 }),
    weighedDryMassG: fc.integer({ min: 100, max: 1600 }),
    valueEur: fc.integer({ min: 5, max: 150 }),
    soil: fc.constantFrom('light' as const, 'normal' as const, 'heavy' as const),
    activity: fc.constantFrom('normal' as const, 'sweaty' as const),
    maxC: fc.constantFrom(30, 40, 60),
    stain: fc.option(fc.constantFrom(...stainKinds), { freq: 5 }),
    traits: fc.subarray<TraitId>(['denim', 'pleated'], { maxLength: 1 }),
    stated: fc.option(fc.constantFrom('kitchen' as const, 'body' as const, 'bed' as const, 'floor' as const), {
      freq: 5,
    }),
    count: fc.constantFrom(1, 1, 1, 1, 3),
    set: fc.constantFrom(null, null, null, 'a'),
  })
  .map(({ fibre, ground, maxC, stain, traits, stated, ...rest }): Garment =>
    used(stated, {
      ...cottonTee,
      ...rest,
      name: rest.id,
      parts: only(fibre),
      traits: new Set(traits),
      colours: [{ hex: rest.dye === 'undyed' ? '#f7f7f4' : ground, role: 'ground' }],
      label: washLabel(
        fibre === 'wool' ? 30 : maxC,
        fibre === 'wool' ? 'very-mild' : fibre === 'cotton' ? 'normal' : 'mild',
      ),
      stains: stain ? [mark(stain)] : [],
    }),
  );
