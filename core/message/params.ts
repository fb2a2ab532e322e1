/** The parameters that messages carry: a name says what it is, in which unit, and `words/` knows how to say it. */
import type { TraitId } from '../construction/traits.ts';
import type { ColourClass } from '../colour/colour.ts';
import type { EnvelopeParameter } from '../envelope/envelope.ts';
import type { FibreId } from '../fibre/fibres.ts';
import type { GarmentKind, Use } from '../garment/kinds.ts';
import type { Phrase } from '../care-label/label.ts';
import type { DetergentClass, HouseRules } from '../model/household.ts';
import type { Action, Bleach, Iron, Soil, Tumble } from '../model/orders.ts';
import type { ClothNeed } from '../washing/products.ts';
import type { FibreShare, PartRole } from '../model/garment.ts';
import type { StainKind } from '../stain/stains.ts';
import type { Violation } from '../model/constraints.ts';
import type { Contents, Shade } from '../plan/load-name.ts';
import type { HazardId, MixCode } from '../chemistry/agent-agent.ts';
import type { ConditionCode, Finish, MatrixColumn, NeverCode } from '../chemistry/agent-fibre.ts';
import type { Chemical, PairReason } from '../chemistry/sequence.ts';
import type { StopCode } from '../stain/actions.ts';
import type { HandlingId } from '../stain/caps.ts';
import type { BandId } from '../stain/score.ts';
import type { StepLine } from '../stain/treatment.ts';
import type { Message } from './message.ts';
import { roundTo } from '../units/numbers.ts';

export interface Money {
  amount: number;
  /** ISO 4217. */
  currency: string;
}
/** An amount as people read it: to the hundredth. */
export const moneyOf = (tariff: { currency: string }, amount: number): Money => ({
  amount: roundTo(amount, 2),
  currency: tariff.currency,
});

export interface ParamTypes {
  // Numbers
  celsius: number;
  bearsCelsius: number;
  rpm: number;
  percent: number;
  minutes: number;
  hours: number;
  days: number;
  count: number;
  total: number;
  /** Whole days and the hours beyond them: what something would take, and what there is. */
  needDays: number;
  needHours: number;
  thereDays: number;
  thereHours: number;
  /** How many come first, and how many are too many. */
  first: number;
  late: number;
  wears: number;
  allowedWears: number;
  litres: number;
  hotL: number;
  kettleL: number;
  displacedL: number;
  cm: number;
  times: number;
  coldL: number;
  amount: number;
  left: number;
  deltaE: number;
  limit: number;
  massKg: number;
  capacityKg: number;
  /** Place of a load in the running order, from 1; 0 = none. */
  load: number;
  otherLoad: number;
  /** A part of a piece, and what it is made of. */
  role: PartRole;
  shares: readonly FibreShare[];
  // Money
  cost: Money;
  otherCost: Money;
  // Names people gave
  name: string;
  other: string;
  names: readonly string[];
  product: string;
  programme: string;
  place: string;
  unit: string;
  key: string;
  /** Words of the stain bench, ready as they are. */
  prospect: string;
  /** Words from before they were made from codes; shown as they are. */
  told: string;
  // Ids of the tables of facts
  fibre: FibreId;
  kind: GarmentKind;
  trait: TraitId;
  stain: StainKind;
  stains: readonly StainKind[];
  soil: Soil;
  phrase: Phrase;
  need: ClothNeed;
  use: Use;
  otherUse: Use;
  colour: ColourClass;
  otherColour: ColourClass;
  detergents: readonly DetergentClass[];
  parameter: EnvelopeParameter;
  action: Action;
  bleach: Bleach;
  tumble: Tumble;
  bearsTumble: Tumble;
  iron: Iron;
  bearsIron: Iron;
  denim: HouseRules['denim'];
  position: 'flat' | 'line';
  contamination: 'fuel' | 'hygiene';
  compartment: 'prewash' | 'main' | 'softener' | 'drum' | 'basin';
  setting: 'temperature' | 'spin' | 'movement' | 'drying';
  test: 'spot' | 'part';
  contents: readonly Contents[];
  shade: Shade;
  method: 'machine' | 'hand';
  freshening: 'air' | 'brush' | 'steam';
  agent: Chemical;
  otherAgent: Chemical;
  column: MatrixColumn;
  never: NeverCode;
  condition: ConditionCode;
  finish: Finish;
  mix: MixCode;
  pair: PairReason;
  hazard: HazardId;
  handling: readonly HandlingId[];
  stop: StopCode;
  band: BandId;
  step: StepLine;
  violation: Violation;
  violations: readonly Violation[];
  // Yes or no
  stated: boolean;
  caught: boolean;
  more: boolean;
  // Other messages
  because: Message;
  /** The name of a load. */
  wash: Message;
  reasons: readonly Message[];
  /** Sentences, one after the other. */
  lines: readonly Message[];
}
export type ParamName = keyof ParamTypes;
/** Code → the parameters its sentence needs. */
export type MessageTable = Readonly<Record<string, readonly ParamName[]>>;
