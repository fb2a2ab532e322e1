/**
 * What a wash costs, in money-equivalents (EUR). Engineering estimates, open to calibration; house rules pick a preset
 * and may change single numbers.
 */
import { houseRules } from '../model/household.ts';

export interface Weights {
  /** EUR per minute that needs your hands. */
  attendedMinute: number;
  /** EUR per minute until the load is out. */
  elapsedMinute: number;
  /** Factor on energy, water, detergent and washer wear. */
  resources: number;
  /** EUR per unit of cleaning deficit and garment. */
  lambdaClean: number;
  /** EUR per wear unit and EUR of value: a piece stands about a hundred reference washes. */
  lambdaGentle: number;
  /** Factor on expected dye damage. */
  dyeDamage: number;
  /** EUR per day of waiting at urgency 1. */
  waitingPerDay: number;
  /** EUR per load in a programme of another family. */
  otherFamily: number;
}
export type WeightKey = keyof Weights;
export type Priority = (typeof houseRules)['priority'][number];

export const weightPresets: Record<Priority, Weights> = {
  gentle: {
    attendedMinute: 0.15,
    elapsedMinute: 0.002,
    resources: 1,
    lambdaClean: 3,
    lambdaGentle: 0.03,
    dyeDamage: 2,
    waitingPerDay: 0.5,
    otherFamily: 0.5,
  },
  balanced: {
    attendedMinute: 0.2,
    elapsedMinute: 0.004,
    resources: 1,
    lambdaClean: 4,
    lambdaGentle: 0.01,
    dyeDamage: 1,
    waitingPerDay: 0.5,
    otherFamily: 0.5,
  },
  thrifty: {
    attendedMinute: 0.05,
    elapsedMinute: 0.001,
    resources: 2,
    lambdaClean: 2.5,
    lambdaGentle: 0.01,
    dyeDamage: 1,
    waitingPerDay: 0.25,
    otherFamily: 0.5,
  },
  quick: {
    attendedMinute: 0.4,
    elapsedMinute: 0.02,
    resources: 0.5,
    lambdaClean: 3,
    lambdaGentle: 0.007,
    dyeDamage: 1,
    waitingPerDay: 0.5,
    otherFamily: 0.5,
  },
};
export const weightKeys = Object.keys(weightPresets.balanced) as WeightKey[];

export const weightsFor = (priority: Priority, overrides: Partial<Weights>): Weights => ({
  ...weightPresets[priority],
  ...overrides,
});

/** Minutes and prices that every load has, whatever the household. */
export const loadConstants = {
  machineAttendedMin: 10,
  handAttendedMin: 25,
  handExtraPieceMin: 5,
  washerWearPerRun: 0.15,
  detergentPerMlOrG: 0.004,
  detergentPerPiece: 0.3,
  detergentPerSheet: 0.15,
  typicalFill: 0.7,
  spotCleanMin: 5,
  professionalEur: 12,
} as const;
