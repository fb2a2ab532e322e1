/** The plan: what to wash together and how, what not, and why. The open plan document mirrors it, with a text for every message. */
import type { BoundSource, CareFlag } from '../envelope/envelope.ts';
import type { Message } from '../message/message.ts';
import type { Constraint } from './constraints.ts';
import type { Action, Iron } from './orders.ts';

export const outcomes = [
  'wash',
  'air',
  'steam',
  'brush',
  'spot-clean',
  'wait',
  'test-first',
  'professional',
  'no-wash',
  'left-out',
] as const;
export type Outcome = (typeof outcomes)[number];
export const severities = ['info', 'caution', 'danger'] as const;
export type WarningCode =
  | 'dye-untested'
  | 'dye-bleeds'
  | 'label-missing'
  | 'label-conflict'
  | 'label-overruled'
  | 'felting'
  | 'shrinkage'
  | 'stain-before-heat'
  | 'heat-set-stain'
  | 'chemistry'
  | 'fuel-fire'
  | 'no-tumble'
  | 'underfilled'
  | 'overfilled'
  | 'cleaning-deficit'
  | 'greying'
  | 'hygiene'
  | 'no-suitable-programme'
  | 'no-suitable-product'
  | 'agitator'
  | 'hard-parts'
  | 'lint'
  | 'musty-drying'
  | 'rack-full'
  | 'machine-hours'
  | 'rack-hours'
  | 'cannot-meet-deadline'
  | 'no-hours'
  | 'product-runs-out'
  | 'assumed'
  | 'reuse-bath-colour'
  | 'pin-refused'
  | 'unknown-key'
  | 'garment-odds';
/** Warnings that concern drying and pressing, and are told there. */
export const dryingWarnings: readonly WarningCode[] = [
  'stain-before-heat',
  'no-tumble',
  'overfilled',
  'rack-full',
  'musty-drying',
];
export interface PlanWarning {
  code: WarningCode;
  severity: (typeof severities)[number];
  garments: readonly string[];
  message: Message;
}

export type StepKind =
  | 'load'
  | 'dose'
  | 'start'
  | 'take-out'
  | 'read-catcher'
  | 'inspect'
  | 'measure'
  | 'stretch-back'
  | 'empty-drum-rinse'
  | 'fill-basin'
  | 'soak'
  | 'move'
  | 'stir'
  | 'drain'
  | 'rinse'
  | 'press-out'
  | 'towel-roll'
  | 'spin-only'
  | 'air-out';
/** What is looked at after a step of a load; what to do when it fails is said in `words/`. */
export const loadChecks = ['catcher-clear', 'gone-dry', 'no-residue', 'size-kept', 'fume'] as const;
export type LoadCheckId = (typeof loadChecks)[number];

export interface ProcedureStep {
  step: StepKind;
  message: Message;
  minutes: number;
  attended: boolean;
  temperatureC: number | null;
  check: { code: LoadCheckId } | null;
}
export const compartments = ['prewash', 'main', 'softener', 'drum', 'basin'] as const;
export interface Dose {
  product: string;
  class: string;
  amount: number;
  unit: string;
  compartment: (typeof compartments)[number];
}
export interface Binding {
  parameter: string;
  limit: number | string | boolean;
  garment: string | null;
  source: BoundSource;
  reason: Message;
  without: number | string | null;
}
export interface PlannedLoad {
  id: string;
  method: 'machine' | 'hand';
  washer: string | null;
  programme: string | null;
  basin: string | null;
  garments: readonly string[];
  massKg: number;
  fill: number;
  temperatureC: number;
  spinRpm: number;
  action: Action;
  extraRinse: boolean;
  detergent: Dose | null;
  additives: readonly Dose[];
  softener: boolean;
  durationMin: number;
  waterL: number;
  energyKwh: number;
  cost: number;
  bindings: readonly Binding[];
  warnings: readonly PlanWarning[];
  procedure: readonly ProcedureStep[];
  /** The load whose bath is used again. */
  reuses?: string;
}
export type PrepareStep =
  | Extract<
      CareFlag,
      | 'inside-out'
      | 'net'
      | 'net-no-metal'
      | 'zip-closed'
      | 'hooks-closed'
      | 'buttons-open'
      | 'buttons-closed'
      | 'detach'
      | 'measure'
      | 'photo'
      | 'keep-control'
      | 'tie-drawstring'
      | 'brush-out'
      | 'mend'
    >
  | 'empty-pockets';
export type DryMethod = 'bars' | 'line' | 'hanger' | 'flat' | 'tumble-low' | 'tumble-normal';
export interface DryPlan {
  method: DryMethod;
  place: string | null;
  bars: number;
  hours: number;
  shade: boolean;
  awayFromHeat: boolean;
  flips: number;
}
export interface PressPlan {
  iron: Iron;
  steam: boolean;
  insideOut: boolean;
  pressCloth: boolean;
}
export interface Reason {
  code: string;
  source: BoundSource;
  message: Message;
}
export interface PlannedGarment {
  id: string;
  outcome: Outcome;
  load: string | null;
  prepare: readonly PrepareStep[];
  pretreat: readonly Pretreatment[];
  dry: DryPlan | null;
  press: PressPlan | null;
  store: 'fold' | 'hang';
  reasons: readonly Reason[];
  /** Pieces that wait for one another. */
  waitsWith: readonly string[];
  unlock: Unlock | null;
  deferralCost: number;
}
/** What a clear test would open: the load the piece would join (null = a run of its own) and what that saves, EUR. */
export interface Unlock {
  test: 'spot' | 'part';
  times: number;
  joins: string | null;
  saves: number;
}
/** What to do against one stain before the wash; `odds` 0–1 for ranking, never shown as a promise. */
export interface Pretreatment {
  stain: string;
  steps: readonly PretreatStep[];
  odds: number;
  stop: string | null;
}
export interface PretreatStep {
  agent: string;
  how: Message;
  /** How a kettle makes up for a cool tap; null = the tap suffices. */
  warming: Message | null;
  minutes: number;
  temperatureC: number;
  gate?: 'test-passed' | 'check-passed';
}
export interface Separation {
  garments: readonly string[];
  /** `price` = allowed, but dearer. */
  constraint: Constraint | 'price';
  message: Message;
}
export interface Plan {
  loads: readonly PlannedLoad[];
  garments: readonly PlannedGarment[];
  warnings: readonly PlanWarning[];
  separations: readonly Separation[];
  totals: { loads: number; minutesAttended: number; energyKwh: number; waterL: number; money: number };
  proof: { cost: number; lowerBound: number; gap: number; optimal: boolean };
}
