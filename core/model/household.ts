import type { Learnt } from '../learn/lesson.ts';
import type { Action } from './orders.ts';
import type { WeightKey } from '../cost/weights.ts';

export const programmeFamilies = [
  'cotton',
  'synthetics',
  'delicate',
  'wool',
  'hand-wash',
  'silk',
  'shirts',
  'denim',
  'sports',
  'quick',
  'hygiene',
  'rinse-spin',
] as const;
export type ProgrammeFamily = (typeof programmeFamilies)[number];

export interface Programme {
  id: string;
  name: string;
  family: ProgrammeFamily;
  action: Action;
  temperaturesC: readonly number[];
  spinsRpm: readonly number[];
  maxLoadKg: number;
  durationMin: number;
  /** Of a full load; null = by the water model. */
  waterL: number | null;
  /** kWh of a full load by stated temperature in °C; empty = by the energy model. */
  energyKwhAt: ReadonlyMap<number, number>;
}

export const washerLoadings = ['front', 'top-impeller', 'top-agitator'] as const;
export interface Washer {
  id: string;
  name: string;
  loading: (typeof washerLoadings)[number];
  drumRadiusM: number;
  drumVolumeL: number;
  pricePerRun: number;
  refusesForms: readonly ProductForm[];
  bleachDispenser: boolean;
  programmes: readonly Programme[];
}

export const dryerTypes = ['vented', 'condenser', 'heat-pump'] as const;
export interface Dryer {
  id: string;
  name: string;
  type: (typeof dryerTypes)[number];
  maxLoadKg: number;
  lowTemperature: boolean;
}

export interface DryingPlace {
  id: string;
  name: string;
  bars: number;
  barLengthM: number;
  flatM2: number;
  hangers: number;
  outdoors: boolean;
  sun: boolean;
}

export const basinShapes = ['rectangular', 'round', 'tapered'] as const;
export type BasinShape =
  | { shape: 'rectangular'; lengthCm: number; widthCm: number; depthCm: number }
  | { shape: 'round'; diameterCm: number; depthCm: number }
  | { shape: 'tapered'; topDiameterCm: number; bottomDiameterCm: number; depthCm: number }
  | { shape: 'volume'; volumeL: number };
export interface Basin {
  id: string;
  name: string;
  form: BasinShape;
}

export const productForms = ['liquid', 'powder', 'tablet', 'pod', 'bar', 'sheet'] as const;
export type ProductForm = (typeof productForms)[number];
export const doseUnits = ['ml', 'g', 'piece', 'sheet', 'pod', 'tablet'] as const;
export type DoseUnit = (typeof doseUnits)[number];

/** Detergent classes in the household's words, weakest claim on cloth last. */
export const detergentClasses = [
  'universal',
  'colour',
  'dark',
  'delicate',
  'wool-silk',
  'no-rinse-wool',
  'soap',
  'own-soap',
] as const;
export type DetergentClass = (typeof detergentClasses)[number];
export const helperClasses = [
  'softener',
  'vinegar',
  'oxygen-bleach',
  'chlorine-bleach',
  'colour-catcher',
  'pre-spotter',
  'dish-soap',
] as const;

/** Pack dose: rows soft, medium, hard; columns light, normal, heavy; for `perLoadKg`. */
export interface DoseTable {
  unit: DoseUnit;
  perLoadKg: number;
  table: readonly (readonly number[])[];
  handPerLitre: number | null;
}
export interface Product {
  id: string;
  name: string;
  /** A detergent or helper class, or an agent id. */
  class: string;
  form: ProductForm;
  dose: DoseTable | null;
  /** In the dose unit; null = enough. */
  remaining: number | null;
  pricePerUnit: number | null;
}

/** House rules: where practitioners disagree. Values run in the order they are shown; the first of each `default` is ours. */
// prettier-ignore
export const houseRules = {
  colourPiles: ['bleed-risk', 'two', 'three', 'black-white-colour'],
  handLabel: ['machine-hand', 'hand'],
  wool: ['machine', 'hand'],
  woolCompany: ['delicates', 'alone'],
  dryCleanOnly: ['obey', 'test-first'],
  whites: ['oxygen', 'colour-safe', 'chlorine'],
  softening: ['none', 'vinegar', 'softener'],
  tumble: ['never', 'towels', 'when-allowed'],
  denim: ['cold', 'label', 'contrast-40'],
  tshirtDrying: ['bars', 'flat'],
  shirtAim: ['normal', 'easy-iron'],
  dosing: ['pack', 'undershoot'],
  skin: ['normal', 'careful'],
  kitchenLinen: ['always-apart', 'apart-below-60', 'any'],
  linenHeat: ['hot', 'warm'],
  waiting: ['allowed', 'none'],
  priority: ['balanced', 'gentle', 'thrifty', 'quick'],
} as const;
export type HouseRuleKey = keyof typeof houseRules;
export type HouseRules = { [K in HouseRuleKey]: (typeof houseRules)[K][number] } & {
  reuseBath: boolean;
  weights: Partial<Record<WeightKey, number>>;
};

/** Clock hours of the day, 0–24; over midnight where from > to. */
export type ClockSpan = readonly [fromH: number, toH: number];
/** A stretch of time, ms since 1970. */
export interface Span {
  fromMs: number;
  toMs: number;
}
/** When machines may run and who is there. */
export interface HouseTimes {
  /** Nobody is called then, and no drum turns. */
  quietHours: readonly ClockSpan[];
  /** Nobody is at home. */
  away: readonly Span[];
  /** When a shared machine may run; a machine without any may run at all times. */
  slots: readonly (Span & { washer: string })[];
  /** Who may lend a hand, from 1. */
  people: number;
}

export interface Household {
  rules: HouseRules;
  /** What it has taught; moves estimates, never limits. */
  learnt: Learnt;
  daysToNextWash: number;
  water: { hardnessMmolPerL: number; coldC: number; hotC: number };
  tariff: {
    currency: string;
    electricityPerKwh: number;
    waterPerM3: number;
    /** Hours of the cheaper tariff, and its price; used when loads are given their hours, not when they are put together. */
    cheapHours: readonly ClockSpan[];
    cheapPerKwh: number;
  };
  times: HouseTimes;
  room: {
    volumeM3: number;
    airChangesPerHour: number;
    temperatureC: number;
    relativeHumidity: number;
    airSpeedMPerS: number;
  };
  washers: readonly Washer[];
  dryers: readonly Dryer[];
  dryingPlaces: readonly DryingPlace[];
  basins: readonly Basin[];
  products: readonly Product[];
}
