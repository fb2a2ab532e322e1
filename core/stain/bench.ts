/**
 * One stain under treatment, as a walk through its procedure: which step is due, and where a passed or failed check leads. Pure: a state in, a state
 * out. Several treatments run side by side; what may not meet is told by `mayBegin`.
 */
import { hazardOf, mixCode, rinsesBetween, type Chemical } from '../chemistry/sequence.ts';
import { say, type Message } from '../message/message.ts';
import type { StopCode } from './actions.ts';
import type { Procedure, TreatmentStep } from './treatment.ts';

export type CheckResult = 'passed' | 'failed';
export type BenchEnd =
  /** Wash, dry in the air, judge in daylight. */
  | { kind: 'judge' }
  | { kind: 'stop'; stop: StopCode; because: Message | null }
  /** A hidden-spot test failed: the procedure is to be written anew without the agent. */
  | { kind: 'test-failed'; agent: Chemical };
export interface BenchState {
  /** Index of the step that is due. */
  step: number;
  /** Times it was done already. */
  done: number;
  end: BenchEnd | null;
}

const endOf = (p: Procedure): BenchEnd =>
  p.stop === null ? { kind: 'judge' } : { kind: 'stop', stop: p.stop, because: p.stopBecause };
export const beginBench = (p: Procedure): BenchState => ({
  step: 0,
  done: 0,
  end: p.steps.length === 0 ? endOf(p) : null,
});
export const dueStep = (p: Procedure, s: BenchState): TreatmentStep | null =>
  s.end ? null : (p.steps[s.step] ?? null);

const stop = (s: BenchState, code: StopCode, because: Message | null): BenchState => ({
  ...s,
  end: { kind: 'stop', stop: code, because },
});

/** The next step that is due; after a passed check what is only for a mark that is still there falls away. */
function onwards(p: Procedure, s: BenchState, passed: boolean): BenchState {
  let next = s.step + 1;
  if (passed) while (p.steps[next]?.when === 'if-left' || p.steps[next]?.when === 'if-orange') next++;
  return next < p.steps.length ? { step: next, done: 0, end: null } : { step: next, done: 0, end: endOf(p) };
}

/** What was seen at the check of the step that is due. */
export function report(p: Procedure, s: BenchState, result: CheckResult): BenchState {
  const step = dueStep(p, s);
  if (!step) return s;
  if (result === 'passed') return onwards(p, s, true);
  if (step.kind === 'test') return { ...s, end: { kind: 'test-failed', agent: step.what as Chemical } };
  switch (step.check) {
    case 'garment-dye':
      return stop(s, 'stop-pro', say('stop.runs-now'));
    case 'fibre-sound':
      return stop(s, 'stop-permanent', null);
    // Airing goes on as long as there is a smell.
    case 'fume':
      return { ...s, done: s.done + 1 };
    default:
      return s.done + 1 < step.repeats ? { ...s, done: s.done + 1 } : onwards(p, s, false);
  }
}

/** The same work: what was done of one procedure counts for the next. */
const sameWork = (a: TreatmentStep, b: TreatmentStep): boolean =>
  a.kind === b.kind && a.what === b.what && a.action === b.action && a.temperatureC === b.temperatureC;
/**
 * A procedure that was written anew, because an agent failed its test, goes on where the old one stood: what was done
 * at its beginning is not done again.
 */
export function continueBench(before: Procedure, at: BenchState, next: Procedure): BenchState {
  const begun = beginBench(next);
  let step = 0;
  while (step < at.step && step < next.steps.length) {
    const [done, due] = [before.steps[step], next.steps[step]];
    if (!done || !due || !sameWork(done, due)) break;
    step++;
  }
  return step === 0 ? begun : step < next.steps.length ? { ...begun, step } : { ...begun, step, end: endOf(next) };
}

/** Shorter work of the hands has no clock; what works by time does. */
const leastClockMin = 3;
export const needsClock = (step: Pick<TreatmentStep, 'minutes'>): boolean => step.minutes >= leastClockMin;
/**
 * Why a check may not be passed yet: its clock has not begun, or runs (`clockEndsAt`, `now` in ms). A failed check needs no clock: harm is told at once.
 * Half a minute early is no lie.
 */
export function clockWait(step: TreatmentStep, clockEndsAt: number | null, now: number): Message | null {
  if (!needsClock(step)) return null;
  if (clockEndsAt === null) return say('treat.clock-first', { minutes: step.minutes });
  const left = (clockEndsAt - now) / 60_000;
  return left > 0.5 ? say('treat.clock-runs', { minutes: Math.ceil(left) }) : null;
}

const roundsInVain = 2;
/** Rounds that changed nothing end the attempts: more is likelier to harm the cloth than help. */
export const triedInVain = (outcomes: readonly (string | null)[]): boolean =>
  outcomes.filter((o) => o === 'same').length >= roundsInVain;

/** What lies open in the room: the chemical of a step under way, or the last one of a piece with the rinses since. */
export interface OpenChemical {
  agent: Chemical;
  garment: string;
  rinses: number;
  /** Its vapour or bath is there now. */ underWay: boolean;
}

/** null = it may begin; else why it has to wait or may not be at all. */
export function mayBegin(
  agent: Chemical | null,
  garment: string,
  open: readonly OpenChemical[],
): { refused: boolean; because: Message } | null {
  if (agent === null) return null;
  for (const o of open) {
    const code = mixCode(o.agent, agent);
    const hazard = hazardOf(o.agent, agent);
    if (code === 'np' || code === 'no')
      return {
        refused: true,
        because: hazard ? say('treat.never-beside-because', { hazard }) : say('treat.never-beside'),
      };
    if (o.garment === garment && o.rinses < rinsesBetween(code))
      return {
        refused: false,
        because: say('treat.rinse-first', { times: rinsesBetween(code) }),
      };
    if (o.garment !== garment && o.underWay && hazard)
      return {
        refused: false,
        because: say('treat.wait-aired', { hazard }),
      };
  }
  return null;
}
