/** Valibot schema of the hamper document (version 1): one household and what is to be washed. */
import * as v from 'valibot';
import { measurePlaces } from '@core/garment/measures.ts';
import { agentIds } from '@core/chemistry/agents.ts';
import { dryCleanValues, labelActions, labelTemperaturesC, phrases, wetCleanValues } from '@core/care-label/label.ts';
import { bleedingDyes, dyeIds } from '@core/colour/dye.ts';
import { traitIds } from '@core/construction/traits.ts';
import { weightKeys } from '@core/cost/weights.ts';
import { fibreIds } from '@core/fibre/fibres.ts';
import { garmentKinds, uses } from '@core/garment/kinds.ts';
import { activities, colourRoles, partRoles, sizes, testKinds } from '@core/model/garment.ts';
import {
  basinShapes,
  detergentClasses,
  doseUnits,
  dryerTypes,
  helperClasses,
  houseRules,
  productForms,
  programmeFamilies,
  washerLoadings,
} from '@core/model/household.ts';
import { bleachOrder, ironOrder, soilOrder, tumbleOrder } from '@core/model/orders.ts';
import { outcomes } from '@core/model/plan.ts';
import { stainKinds } from '@core/stain/stains.ts';

const between = (low: number, high: number) =>
  v.pipe(
    v.number(),
    v.finite('must be a number'),
    v.minValue(low, `must be between ${low} and ${high}`),
    v.maxValue(high, `must be between ${low} and ${high}`),
  );
const atLeast = (low: number) =>
  v.pipe(v.number(), v.finite('must be a number'), v.minValue(low, `must be ${low} or more`));
const count = v.pipe(v.number(), v.integer('must be a whole number'), v.minValue(0, 'must be 0 or more'));
const positive = v.pipe(
  v.number(),
  v.finite('must be a number'),
  v.check((n: number) => n > 0, 'must be more than 0'),
);
const share = between(0, 1);
const id = v.pipe(
  v.string(),
  v.check((s: string) => s.trim() !== '', 'must not be empty'),
);
const text = v.string();
const maybe = <S extends v.GenericSchema>(schema: S) => v.nullish(schema);
const list = <S extends v.GenericSchema>(schema: S) => v.nullish(v.array(schema));
const temperature = between(5, 95);
const spin = between(0, 2000);
const massG = between(5, 6000);
const loadKg = between(0.1, 20);
export const instant = v.pipe(
  v.string(),
  v.regex(
    /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/,
    'must be a time with offset, like 2026-05-09T08:00:00+02:00',
  ),
  v.check((s: string) => !Number.isNaN(Date.parse(s)), 'must be a real date'),
);
const clock = v.pipe(v.string(), v.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'must be a clock time HH:MM'));
const oneOf = <const T extends readonly [string, ...string[]] | readonly string[]>(values: T) => v.picklist(values);

export const ruleSchema = v.object({
  colourPiles: maybe(oneOf(houseRules.colourPiles)),
  handLabel: maybe(oneOf(houseRules.handLabel)),
  wool: maybe(oneOf(houseRules.wool)),
  woolCompany: maybe(oneOf(houseRules.woolCompany)),
  dryCleanOnly: maybe(oneOf(houseRules.dryCleanOnly)),
  whites: maybe(oneOf(houseRules.whites)),
  softening: maybe(oneOf(houseRules.softening)),
  tumble: maybe(oneOf(houseRules.tumble)),
  denim: maybe(oneOf(houseRules.denim)),
  tshirtDrying: maybe(oneOf(houseRules.tshirtDrying)),
  shirtAim: maybe(oneOf(houseRules.shirtAim)),
  dosing: maybe(oneOf(houseRules.dosing)),
  reuseBath: maybe(v.boolean()),
  skin: maybe(oneOf(houseRules.skin)),
  kitchenLinen: maybe(oneOf(houseRules.kitchenLinen)),
  linenHeat: maybe(oneOf(houseRules.linenHeat)),
  waiting: maybe(oneOf(houseRules.waiting)),
  priority: maybe(oneOf(houseRules.priority)),
  weights: maybe(
    v.object(
      Object.fromEntries(weightKeys.map((k) => [k, maybe(atLeast(0))])) as Record<
        (typeof weightKeys)[number],
        v.NullishSchema<ReturnType<typeof atLeast>, undefined>
      >,
    ),
  ),
});

const doseRow = v.object({ light: atLeast(0), normal: atLeast(0), heavy: atLeast(0) });
const programmeSchema = v.object({
  id,
  name: maybe(text),
  family: oneOf(programmeFamilies),
  action: oneOf(['normal', 'mild', 'very-mild', 'hand'] as const),
  temperaturesC: v.pipe(v.array(temperature), v.minLength(1, 'must not be empty')),
  spinsRpm: v.pipe(v.array(spin), v.minLength(1, 'must not be empty')),
  maxLoadKg: loadKg,
  durationMin: positive,
  waterL: maybe(atLeast(0)),
  energyKwhAt: maybe(
    v.record(
      v.pipe(
        v.string(),
        v.check((k: string) => Number(k) >= 5 && Number(k) <= 95, 'must be a temperature between 5 and 95'),
      ),
      atLeast(0),
    ),
  ),
});
const washerSchema = v.object({
  id,
  name: maybe(text),
  loading: maybe(oneOf(washerLoadings)),
  drumRadiusM: maybe(between(0.1, 0.6)),
  drumVolumeL: maybe(positive),
  pricePerRun: maybe(atLeast(0)),
  refusesForms: list(oneOf(productForms)),
  bleachDispenser: maybe(v.boolean()),
  programmes: v.array(programmeSchema),
});
const basinSchema = v.pipe(
  v.object({
    id,
    name: maybe(text),
    shape: maybe(oneOf(basinShapes)),
    lengthCm: maybe(positive),
    widthCm: maybe(positive),
    depthCm: maybe(positive),
    diameterCm: maybe(positive),
    topDiameterCm: maybe(positive),
    bottomDiameterCm: maybe(positive),
    volumeL: maybe(positive),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const b = dataset.value;
    const needed = {
      rectangular: ['lengthCm', 'widthCm', 'depthCm'],
      round: ['diameterCm', 'depthCm'],
      tapered: ['topDiameterCm', 'bottomDiameterCm', 'depthCm'],
    } as const;
    const missing = b.shape
      ? needed[b.shape].filter((k) => b[k] == null)
      : b.volumeL == null
        ? (['volumeL'] as const)
        : [];
    for (const key of missing)
      addIssue({
        message: b.shape ? `is required for a ${b.shape} basin` : 'give a shape or a volume',
        path: [{ type: 'object', origin: 'value', input: b, key, value: b[key] }],
      });
  }),
);
const productSchema = v.object({
  id,
  name: maybe(text),
  class: oneOf([...new Set<string>([...detergentClasses, ...helperClasses, ...agentIds])]),
  form: oneOf(productForms),
  dose: maybe(
    v.object({
      unit: oneOf(doseUnits),
      perLoadKg: maybe(positive),
      table: maybe(v.object({ soft: doseRow, medium: doseRow, hard: doseRow })),
      handPerLitre: maybe(atLeast(0)),
    }),
  ),
  remaining: maybe(atLeast(0)),
  pricePerUnit: maybe(atLeast(0)),
});

export const householdSchema = v.object({
  rules: maybe(ruleSchema),
  daysToNextWash: maybe(between(0, 60)),
  times: maybe(
    v.object({
      quietHours: list(v.tuple([clock, clock])),
      away: list(v.tuple([instant, instant])),
      slots: list(v.object({ washer: id, from: instant, to: instant })),
      people: maybe(count),
    }),
  ),
  water: maybe(
    v.object({ hardnessMmolPerL: maybe(between(0, 10)), coldC: maybe(between(1, 35)), hotC: maybe(temperature) }),
  ),
  tariff: maybe(
    v.object({
      currency: maybe(text),
      electricityPerKwh: maybe(atLeast(0)),
      waterPerM3: maybe(atLeast(0)),
      cheapHours: list(v.tuple([clock, clock])),
      cheapPerKwh: maybe(atLeast(0)),
    }),
  ),
  room: maybe(
    v.object({
      volumeM3: maybe(positive),
      airChangesPerHour: maybe(atLeast(0)),
      temperatureC: maybe(between(-20, 45)),
      relativeHumidity: maybe(share),
      airSpeedMPerS: maybe(atLeast(0)),
    }),
  ),
  washers: list(washerSchema),
  dryers: list(
    v.object({
      id,
      name: maybe(text),
      type: maybe(oneOf(dryerTypes)),
      maxLoadKg: maybe(loadKg),
      lowTemperature: maybe(v.boolean()),
    }),
  ),
  dryingPlaces: list(
    v.object({
      id,
      name: maybe(text),
      bars: maybe(count),
      barLengthM: maybe(atLeast(0)),
      flatM2: maybe(atLeast(0)),
      hangers: maybe(count),
      outdoors: maybe(v.boolean()),
      sun: maybe(v.boolean()),
    }),
  ),
  basins: list(basinSchema),
  products: list(productSchema),
  // What the household has taught, beyond what its machines and products say already: estimates only, never limits.
  learnt: maybe(
    v.object({
      /** Hours of a place for each hour of the model, by its id. */
      placeSlowness: maybe(v.record(v.string(), between(0.5, 2))),
      stainPoints: list(v.object({ kind: oneOf(stainKinds), fibre: oneOf(fibreIds), points: between(-20, 20) })),
      /** Loose dye against the book. */
      looseDye: list(v.object({ dye: oneOf(bleedingDyes), factor: between(0.5, 2) })),
    }),
  ),
});

export const labelSchema = v.object({
  wash: maybe(
    v.variant('by', [
      v.object({
        by: v.literal('machine'),
        maxC: v.pipe(
          v.number(),
          v.check(
            (n: number) => (labelTemperaturesC as readonly number[]).includes(n),
            'must be one of 30, 40, 50, 60, 70, 95',
          ),
        ),
        action: maybe(oneOf(labelActions)),
      }),
      v.object({
        by: v.literal('hand'),
        maxC: maybe(
          v.pipe(
            v.number(),
            v.check((n: number) => n === 30 || n === 40, 'must be 30 or 40 for hand washing'),
          ),
        ),
      }),
      v.object({ by: v.literal('none') }),
    ]),
  ),
  bleach: maybe(oneOf(bleachOrder)),
  tumble: maybe(oneOf(tumbleOrder)),
  dry: maybe(
    v.object({ position: oneOf(['line', 'flat'] as const), drip: maybe(v.boolean()), shade: maybe(v.boolean()) }),
  ),
  iron: maybe(oneOf(ironOrder)),
  dryClean: maybe(oneOf(dryCleanValues)),
  wetClean: maybe(oneOf(wetCleanValues)),
  phrases: list(oneOf(phrases)),
  text: maybe(text),
});

const partSchema = v.object({
  role: oneOf(partRoles),
  fibres: v.pipe(
    v.array(v.object({ fibre: oneOf(fibreIds), percent: between(0, 100) })),
    v.minLength(1, 'must not be empty'),
    v.check((fibres) => Math.abs(fibres.reduce((s, f) => s + f.percent, 0) - 100) <= 1, 'percentages must sum to 100'),
  ),
});
export const colourSchema = v.object({
  hex: v.pipe(v.string(), v.regex(/^#[0-9a-fA-F]{6}$/, 'must be a colour like #2f6f6b')),
  role: oneOf(colourRoles),
});

export const garmentSchema = v.pipe(
  v.object({
    id,
    name: id,
    kind: oneOf(garmentKinds),
    parts: v.pipe(v.array(partSchema), v.minLength(1, 'must not be empty')),
    construction: list(oneOf(traitIds)),
    features: list(oneOf(traitIds)),
    colours: v.pipe(
      v.array(colourSchema),
      v.check((cs) => cs.some((c) => c.role === 'ground'), 'must have at least one ground'),
    ),
    dye: maybe(oneOf(dyeIds)),
    label: maybe(labelSchema),
    dryMassG: maybe(massG),
    size: maybe(oneOf(sizes)),
    heightCm: maybe(between(40, 220)),
    measures: list(
      v.object({
        place: oneOf(measurePlaces),
        cm: positive,
        at: maybe(instant),
      }),
    ),
    odour: maybe(v.boolean()),
    washCount: maybe(count),
    wearsSinceWash: maybe(atLeast(0)),
    worn: maybe(v.object({ activity: maybe(oneOf(activities)), nextToSkin: maybe(v.boolean()) })),
    soil: maybe(oneOf(soilOrder)),
    hygiene: maybe(v.boolean()),
    stains: list(
      v.object({
        id,
        kind: oneOf(stainKinds),
        ageHours: maybe(atLeast(0)),
        heatSet: maybe(v.boolean()),
        heat: maybe(oneOf(['none', 'wash-30-60', 'wash-over-60', 'tumble', 'iron', 'repeated'] as const)),
        place: maybe(text),
        tried: list(oneOf(agentIds)),
        sizeCm: maybe(atLeast(0)),
        failedRounds: maybe(count),
      }),
    ),
    tests: list(
      v.object({
        kind: oneOf(testKinds),
        agent: maybe(oneOf(agentIds)),
        grade: v.pipe(
          v.number(),
          v.check((n: number) => n >= 1 && n <= 5 && Number.isInteger(n * 2), 'must be a grade from 1 to 5 in halves'),
        ),
        at: instant,
      }),
    ),
    /** Out of an oxygen-bleach soak, wet: half the detergent, 40 °C at most, an extra rinse, dried in the air. */
    soaked: maybe(v.boolean()),
    allowTestFirst: maybe(v.boolean()),
    neededBy: maybe(instant),
    valueEur: maybe(atLeast(0)),
    include: maybe(v.boolean()),
    use: maybe(oneOf(uses)),
    count: maybe(v.pipe(count, v.minValue(1, 'must be between 1 and 60'), v.maxValue(60, 'must be between 1 and 60'))),
    set: maybe(id),
    /** Wears its owner really gives it, and the share of the shrinkage foretold that it shows. */
    learnt: maybe(v.object({ wears: maybe(between(0.5, 200)), shrinkShare: maybe(between(0, 2)) })),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed || dataset.value.kind !== 'other' || dataset.value.dryMassG != null) return;
    addIssue({
      message: 'is required for kind "other"',
      path: [{ type: 'object', origin: 'value', input: dataset.value, key: 'dryMassG', value: dataset.value.dryMassG }],
    });
  }),
);

const pinSchema = v.union([
  v.object({ together: v.array(id), confirmed: maybe(v.boolean()) }),
  v.object({ apart: v.array(id), confirmed: maybe(v.boolean()) }),
  v.object({
    outcome: v.record(v.string(), oneOf(outcomes)),
    by: maybe(oneOf(['hand'] as const)),
    confirmed: maybe(v.boolean()),
  }),
]);

/** More than any house washes at once; a plan of so many takes half a minute. */
const mostGarments = 1_500;
export const hamperSchema = v.object({
  format: v.pipe(
    v.string(),
    v.check((s: string) => s === 'neat-fold/hamper', 'must be neat-fold/hamper'),
  ),
  version: v.pipe(
    v.number(),
    v.check((n: number) => n === 1, 'must be 1'),
  ),
  now: instant,
  household: householdSchema,
  garments: v.pipe(v.array(garmentSchema), v.maxLength(mostGarments, `must hold at most ${mostGarments} pieces`)),
  pins: list(pinSchema),
});
export type HamperDocument = v.InferInput<typeof hamperSchema>;
export type HouseholdDocument = v.InferInput<typeof householdSchema>;
export type GarmentDocument = v.InferInput<typeof garmentSchema>;
export type LabelDocument = v.InferInput<typeof labelSchema>;
