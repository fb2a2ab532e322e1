/** Forms of the Household screen. */
import * as v from 'valibot';
import { agentIds } from '@core/chemistry/agents.ts';
import type { WeightKey, Weights } from '@core/cost/weights.ts';
import {
  detergentClasses,
  doseUnits,
  helperClasses,
  houseRules,
  productForms,
  programmeFamilies,
  type HouseRuleKey,
} from '@core/model/household.ts';
import { hardnessUnits, convertHardness } from '@core/units/hardness.ts';
import type { ProductDocument, ProgrammeDocument } from '@data/household.ts';
import { neededNumber, neededText, numberList, typedNumber } from '../forms/numbers.ts';

export const generalSchema = v.pipe(
  v.object({
    name: neededText('Name'),
    hardness: neededNumber('Water hardness', 0, 1000),
    hardnessUnit: v.picklist(hardnessUnits, 'Unit: choose one of the shown.'),
    coldC: neededNumber('Cold tap', 1, 35, '°C'),
    hotC: neededNumber('Hot tap', 5, 95, '°C'),
    electricityPerKwh: neededNumber('Electricity', 0, 10),
    waterPerM3: neededNumber('Water', 0, 100),
    daysToNextWash: neededNumber('Days to the next wash', 0, 60, 'days'),
    poisonCentre: v.optional(
      v.pipe(v.string(), v.trim(), v.regex(/^[0-9+() /-]{3,30}$/, 'Poison centre: give a telephone number.')),
    ),
    children: v.pipe(
      v.optional(v.picklist(['yes', 'no'], 'Children: choose one of the shown.'), 'no'),
      v.transform((x) => x === 'yes'),
    ),
    nets: neededNumber('Washing nets', 0, 50),
    netsWithoutMetal: neededNumber('Nets without metal', 0, 50),
    roomC: neededNumber('Room', -20, 45, '°C'),
    humidity: neededNumber('Humidity', 5, 95, '%'),
  }),
  v.forward(
    v.partialCheck([['coldC'], ['hotC']], (f) => f.coldC < f.hotC, 'Cold tap: colder than the hot one.'),
    ['coldC'],
  ),
);
export type GeneralForm = v.InferOutput<typeof generalSchema>;
/** mmol/l; null when the value is out of the range 0–10 after conversion. */
export function hardnessOf(f: GeneralForm): number | null {
  const c = convertHardness(f.hardness, f.hardnessUnit, 'mmol');
  return c.ok && c.value <= 10 ? Math.round(c.value * 1000) / 1000 : null;
}

export const rulesSchema = v.object(
  Object.fromEntries(
    (Object.keys(houseRules) as HouseRuleKey[]).map((k) => [
      k,
      v.picklist(houseRules[k] as readonly string[], 'Rule: choose one of the shown.'),
    ]),
  ) as { [K in HouseRuleKey]: v.PicklistSchema<(typeof houseRules)[K], string> },
);

/** The single numbers behind the priorities: what each is, and the most that makes sense. */
export const weightFields: readonly { key: WeightKey; label: string; unit: string; most: number }[] = [
  { key: 'attendedMinute', label: 'A minute of your hands', unit: 'EUR', most: 5 },
  { key: 'elapsedMinute', label: 'A minute until it is done', unit: 'EUR', most: 1 },
  { key: 'resources', label: 'Energy, water, detergent, machine', unit: 'times', most: 20 },
  { key: 'lambdaClean', label: 'A piece that does not come clean', unit: 'EUR', most: 50 },
  { key: 'lambdaGentle', label: 'Wear of the cloth, share of its value', unit: 'per reference wash', most: 1 },
  { key: 'dyeDamage', label: 'Dye that runs', unit: 'times', most: 20 },
  { key: 'waitingPerDay', label: 'A day of waiting, soiled', unit: 'EUR', most: 20 },
  { key: 'otherFamily', label: 'A programme made for other cloth', unit: 'EUR', most: 20 },
];
export const weightsSchema = v.object(
  Object.fromEntries(weightFields.map((f) => [f.key, typedNumber(f.label, 0, f.most)])) as Record<
    WeightKey,
    ReturnType<typeof typedNumber>
  >,
);
/** Only the numbers that were given; the others follow the priority. */
export const givenWeights = (f: v.InferOutput<typeof weightsSchema>): Partial<Weights> =>
  Object.fromEntries(Object.entries(f).filter(([, x]) => x !== undefined));

export const programmeSchema = v.object({
  name: neededText('Name', 40),
  family: v.picklist(programmeFamilies, 'Family: choose one of the shown.'),
  action: v.picklist(['normal', 'mild', 'very-mild', 'hand'] as const, 'Movement: choose one of the shown.'),
  temperaturesC: numberList('Temperatures', 5, 95),
  spinsRpm: numberList('Spins', 0, 2000),
  maxLoadKg: neededNumber('Largest load', 0.1, 20, 'kg'),
  durationMin: neededNumber('Duration', 1, 600, 'min'),
  waterL: typedNumber('Water', 1, 400, 'l'),
  kwh40: typedNumber('Energy at 40 °C', 0, 20, 'kWh'),
  kwh60: typedNumber('Energy at 60 °C', 0, 20, 'kWh'),
});
export function toProgramme(
  id: string,
  f: v.InferOutput<typeof programmeSchema>,
  before: ProgrammeDocument | null,
): ProgrammeDocument {
  const energy = { ...before?.energyKwhAt };
  for (const [key, value] of [
    ['40', f.kwh40],
    ['60', f.kwh60],
  ] as const) {
    if (value === undefined) delete energy[key];
    else energy[key] = value;
  }
  return {
    id,
    name: f.name,
    family: f.family,
    action: f.action,
    temperaturesC: f.temperaturesC,
    spinsRpm: f.spinsRpm,
    maxLoadKg: f.maxLoadKg,
    durationMin: f.durationMin,
    waterL: f.waterL ?? null,
    energyKwhAt: Object.keys(energy).length > 0 ? energy : null,
  };
}

export const productClasses = [...new Set<string>([...detergentClasses, ...helperClasses, ...agentIds])];
const doseCells = ['soft', 'medium', 'hard'].flatMap((h) =>
  ['light', 'normal', 'heavy'].map((s) => `${h}-${s}` as const),
);
export const productSchema = v.pipe(
  v.object({
    name: neededText('Name', 60),
    class: v.picklist(productClasses, 'Class: choose one of the shown.'),
    form: v.picklist(productForms, 'Form: choose one of the shown.'),
    unit: v.picklist(doseUnits, 'Unit: choose one of the shown.'),
    remaining: typedNumber('Left', 0, 100_000),
    pricePerUnit: typedNumber('Price', 0, 100),
    packPrice: typedNumber('Price of a pack', 0, 1000),
    packHolds: typedNumber('A pack holds', 0.1, 100_000),
    measureName: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(20, 'Dosed with: at most 20 letters.'))),
    measureHolds: typedNumber('It holds', 0.1, 2000),
    perLoadKg: typedNumber('Dose table is for', 0.5, 20, 'kg'),
    handPerLitre: typedNumber('By hand, per litre', 0, 100),
    ...(Object.fromEntries(
      doseCells.map((c) => [c, typedNumber(`Dose ${c.replace('-', ' water, ')}`, 0, 1000)]),
    ) as Record<string, ReturnType<typeof typedNumber>>),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const cells = dataset.value as Record<string, unknown>;
    const filled = doseCells.filter((c) => cells[c] !== undefined);
    if (filled.length === 0 || filled.length === doseCells.length) return;
    const missing = doseCells.find((c) => cells[c] === undefined) ?? 'soft-light';
    addIssue({
      message: `Dose table: fill all nine cells or none; "${missing.replace('-', ' water, ')}" is missing.`,
      path: [{ type: 'object', origin: 'value', input: dataset.value, key: missing, value: undefined }],
    });
  }),
);
export function toProduct(id: string, f: v.InferOutput<typeof productSchema>): ProductDocument {
  const cell = (h: string, s: string): number => Number((f as Record<string, unknown>)[`${h}-${s}`] ?? 0);
  const row = (h: string) => ({ light: cell(h, 'light'), normal: cell(h, 'normal'), heavy: cell(h, 'heavy') });
  const filled = (f as Record<string, unknown>)['soft-light'] !== undefined;
  return {
    id,
    name: f.name,
    class: f.class,
    form: f.form,
    remaining: f.remaining ?? null,
    pricePerUnit:
      f.packPrice !== undefined && f.packHolds !== undefined ? f.packPrice / f.packHolds : (f.pricePerUnit ?? null),
    dose: {
      unit: f.unit,
      perLoadKg: f.perLoadKg ?? 4.5,
      table: filled ? { soft: row('soft'), medium: row('medium'), hard: row('hard') } : null,
      handPerLitre: f.handPerLitre ?? null,
    },
  };
}
