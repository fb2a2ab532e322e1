/** A procedure and its steps, as they are written for one mark on one piece. */
import type { AgentId } from '../chemistry/agents.ts';
import type { Chemical, SequenceStep } from '../chemistry/sequence.ts';
import type { ToolId } from '../chemistry/tools.ts';
import type { Message } from '../message/message.ts';
import type { Learnt } from '../learn/lesson.ts';
import type { Stain } from '../model/garment.ts';
import type { ActionId, CheckId, StopCode, WhenId } from './actions.ts';
import type { HandlingId } from './caps.ts';
import type { BandId } from './score.ts';

export interface Workplace {
  /** Agents in the cupboard. Water and tools are always there. */
  cupboard: ReadonlySet<AgentId>;
  /** mmol/l. */
  hardness: number;
  /** The house allows chlorine bleach where the label does. */
  chlorine: boolean;
  /** What marks have taught here. */
  learnt: Learnt['stains'];
}
export interface TreatmentStep extends SequenceStep {
  /** Where it comes from: the number of the step in the stain's list; 0 = a test or an airing put in. */
  from: number;
  tool: ToolId | null;
  /** Agent, preparation or tool. */
  what: Chemical | ToolId;
  kind: 'treat' | 'test' | 'air';
  dose: string | null;
  action: ActionId;
  temperatureC: number;
  /** The least and the most: the timer runs for the least, the check says whether to go on. */
  minutes: number;
  mostMinutes: number;
  repeats: number;
  check: CheckId;
  when: Extract<WhenId, 'always' | 'if-left' | 'if-orange'>;
  gate: 'test-passed' | 'check-passed' | null;
  /** Why it differs from the usual step. */
  because: Message[];
}
/** What a line about a step is made from. */
export type StepLine = Pick<
  TreatmentStep,
  'kind' | 'what' | 'dose' | 'action' | 'minutes' | 'mostMinutes' | 'repeats' | 'rinses' | 'check' | 'when'
>;
export interface Dropped {
  from: number;
  agent: AgentId | ToolId;
  because: Message;
  /** It would help if the cupboard had it. */ missing: boolean;
}
export interface Procedure {
  stain: Stain;
  /** 2–98, with what marks like it have taught. */
  score: number;
  /** Points of the score that were taught here; missing = none. */
  learntPoints?: number;
  odds: number;
  band: BandId;
  steps: TreatmentStep[];
  /** Why it stops, at once (`steps` empty) or after its last step; null = it ends with the wash and the judging. */
  stop: StopCode | null;
  /** The reason beyond the code; null = the code says it all. */
  stopBecause: Message | null;
  dropped: Dropped[];
  /** Complete passes that this cloth bears, and how many are left. */
  rounds: number;
  roundsLeft: number;
  handling: readonly HandlingId[];
  /** After any solvent: nothing is heated or drummed before no smell is left. */
  needsFume: boolean;
}
