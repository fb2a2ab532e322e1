/**
 * The programmes a washer usually has, by its kind and size, to start from until somebody copies the panel. Temperatures, spins and shares of the
 * drum follow the usual dials (engineering estimates); water and energy are left to the models.
 */
import type { Programme, ProgrammeFamily } from '../model/household.ts';
import type { Action } from '../model/orders.ts';
import { roundTo } from '../units/numbers.ts';

/** What washes: a machine of one's own, or one in a laundry room that takes coins. */
export const machineKinds = ['front', 'top-impeller', 'top-agitator', 'coin-front', 'coin-top'] as const;
export type MachineKind = (typeof machineKinds)[number];

interface Row {
  name: string;
  family: ProgrammeFamily;
  action: Exclude<Action, 'none'>;
  temperaturesC: readonly number[];
  spinsRpm: readonly number[];
  /** Share of the drum's stated load, and the most it is ever loaded with. */
  share: number;
  mostKg?: number;
  durationMin: number;
}
const full = [0, 400, 600, 800, 1000, 1200, 1400];
const gentle = [0, 400, 600];

const rows: Readonly<Record<MachineKind, readonly Row[]>> = {
  front: [
    {
      name: 'Cottons',
      family: 'cotton',
      action: 'normal',
      temperaturesC: [20, 30, 40, 60, 90],
      spinsRpm: full,
      share: 1,
      durationMin: 150,
    },
    {
      name: 'Easy care',
      family: 'synthetics',
      action: 'mild',
      temperaturesC: [20, 30, 40, 60],
      spinsRpm: [0, 400, 600, 800, 1000, 1200],
      share: 0.5,
      durationMin: 90,
    },
    {
      name: 'Delicates',
      family: 'delicate',
      action: 'very-mild',
      temperaturesC: [20, 30, 40],
      spinsRpm: gentle,
      share: 0.3,
      durationMin: 52,
    },
    {
      name: 'Wool',
      family: 'wool',
      action: 'very-mild',
      temperaturesC: [20, 30, 40],
      spinsRpm: [400, 600, 800],
      share: 0.25,
      mostKg: 2,
      durationMin: 42,
    },
    {
      name: 'Hand wash',
      family: 'hand-wash',
      action: 'hand',
      temperaturesC: [20, 30],
      spinsRpm: [0, 400],
      share: 0.2,
      mostKg: 1.5,
      durationMin: 45,
    },
    {
      name: 'Quick 30',
      family: 'quick',
      action: 'normal',
      temperaturesC: [20, 30],
      spinsRpm: [0, 800, 1000, 1200],
      share: 0.45,
      durationMin: 30,
    },
    {
      name: 'Hygiene',
      family: 'hygiene',
      action: 'normal',
      temperaturesC: [60, 90],
      spinsRpm: full,
      share: 0.75,
      durationMin: 175,
    },
    {
      name: 'Rinse and spin',
      family: 'rinse-spin',
      action: 'mild',
      temperaturesC: [20],
      spinsRpm: full,
      share: 1,
      durationMin: 25,
    },
  ],
  'top-impeller': [
    {
      name: 'Normal',
      family: 'cotton',
      action: 'normal',
      temperaturesC: [20, 30, 40, 60],
      spinsRpm: [0, 500, 700, 850],
      share: 1,
      durationMin: 55,
    },
    {
      name: 'Easy care',
      family: 'synthetics',
      action: 'mild',
      temperaturesC: [20, 30, 40],
      spinsRpm: [0, 500, 700],
      share: 0.6,
      durationMin: 45,
    },
    {
      name: 'Delicate',
      family: 'delicate',
      action: 'very-mild',
      temperaturesC: [20, 30],
      spinsRpm: [0, 500],
      share: 0.35,
      durationMin: 38,
    },
    {
      name: 'Hot',
      family: 'hygiene',
      action: 'normal',
      temperaturesC: [60],
      spinsRpm: [0, 500, 700, 850],
      share: 0.8,
      durationMin: 75,
    },
    {
      name: 'Quick',
      family: 'quick',
      action: 'normal',
      temperaturesC: [20, 30],
      spinsRpm: [0, 700, 850],
      share: 0.4,
      durationMin: 28,
    },
    {
      name: 'Rinse and spin',
      family: 'rinse-spin',
      action: 'mild',
      temperaturesC: [20],
      spinsRpm: [0, 500, 700, 850],
      share: 1,
      durationMin: 20,
    },
  ],
  'top-agitator': [
    {
      name: 'Normal',
      family: 'cotton',
      action: 'normal',
      temperaturesC: [20, 30, 40, 50],
      spinsRpm: [0, 450, 650],
      share: 1,
      durationMin: 45,
    },
    {
      name: 'Permanent press',
      family: 'synthetics',
      action: 'mild',
      temperaturesC: [20, 30, 40],
      spinsRpm: [0, 450, 650],
      share: 0.6,
      durationMin: 42,
    },
    {
      name: 'Delicate',
      family: 'delicate',
      action: 'mild',
      temperaturesC: [20, 30],
      spinsRpm: [0, 450],
      share: 0.35,
      durationMin: 32,
    },
    {
      name: 'Hot',
      family: 'hygiene',
      action: 'normal',
      temperaturesC: [60],
      spinsRpm: [0, 450, 650],
      share: 0.8,
      durationMin: 60,
    },
    {
      name: 'Rinse and spin',
      family: 'rinse-spin',
      action: 'mild',
      temperaturesC: [20],
      spinsRpm: [0, 450, 650],
      share: 1,
      durationMin: 16,
    },
  ],
  'coin-front': [
    {
      name: 'Hot',
      family: 'cotton',
      action: 'normal',
      temperaturesC: [60],
      spinsRpm: [1000],
      share: 1,
      durationMin: 42,
    },
    {
      name: 'Warm',
      family: 'cotton',
      action: 'normal',
      temperaturesC: [40],
      spinsRpm: [1000],
      share: 1,
      durationMin: 38,
    },
    {
      name: 'Cold',
      family: 'synthetics',
      action: 'mild',
      temperaturesC: [20],
      spinsRpm: [800],
      share: 0.7,
      durationMin: 34,
    },
    {
      name: 'Delicate',
      family: 'delicate',
      action: 'very-mild',
      temperaturesC: [30],
      spinsRpm: [600],
      share: 0.4,
      durationMin: 32,
    },
  ],
  'coin-top': [
    {
      name: 'Hot',
      family: 'cotton',
      action: 'normal',
      temperaturesC: [50],
      spinsRpm: [650],
      share: 1,
      durationMin: 34,
    },
    {
      name: 'Warm',
      family: 'cotton',
      action: 'normal',
      temperaturesC: [40],
      spinsRpm: [650],
      share: 1,
      durationMin: 32,
    },
    {
      name: 'Cold, delicate',
      family: 'delicate',
      action: 'mild',
      temperaturesC: [20],
      spinsRpm: [450],
      share: 0.5,
      durationMin: 30,
    },
  ],
};

const loadings = {
  front: 'front',
  'top-impeller': 'top-impeller',
  'top-agitator': 'top-agitator',
  'coin-front': 'front',
  'coin-top': 'top-agitator',
} as const satisfies Record<MachineKind, string>;
/** How a kind of machine is loaded. */
export const loadingOf = (kind: MachineKind): (typeof loadings)[MachineKind] => loadings[kind];

/** A programme to start from; water and energy follow the models. */
export type UsualProgramme = Omit<Programme, 'energyKwhAt' | 'action' | 'temperaturesC' | 'spinsRpm'> & {
  action: Exclude<Action, 'none'>;
  temperaturesC: number[];
  spinsRpm: number[];
};
/** A programme's id from its name: "Easy care" → "easy-care". */
const idOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/**
 * The usual programmes of a machine for `drumKg` of dry cottons.
 * @example usualProgrammes('front', 8).find((p) => p.id === 'wool')?.maxLoadKg // 2
 */
export const usualProgrammes = (kind: MachineKind, drumKg: number): UsualProgramme[] =>
  rows[kind].map((r) => ({
    id: idOf(r.name),
    name: r.name,
    family: r.family,
    action: r.action,
    temperaturesC: [...r.temperaturesC],
    spinsRpm: [...r.spinsRpm],
    maxLoadKg: roundTo(Math.max(0.5, Math.min(drumKg * r.share, r.mostKg ?? drumKg)), 1),
    durationMin: r.durationMin,
    waterL: null,
  }));
