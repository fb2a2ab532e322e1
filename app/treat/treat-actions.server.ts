/** The stain bench: where treatments meet basket, cupboard and history. */
import { textOf } from '@words/text.ts';
import {
  beginBench,
  clockWait,
  continueBench,
  dueStep,
  mayBegin,
  report,
  type CheckResult,
  type OpenChemical,
  triedInVain,
} from '@core/stain/bench.ts';
import { procedureFor } from '@core/stain/procedure.ts';
import type { Procedure } from '@core/stain/treatment.ts';
import { workplaceOf } from '@core/piece/pretreat.ts';
import { agents, type AgentId } from '@core/chemistry/agents.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { basketState, putInBasket } from '@data/basket.ts';
import { appendEvents, type NewEvent } from '@data/events.ts';
import { findPiece, garmentDocument, type Piece } from '@data/garments.ts';
import { teach } from '@data/learnt.ts';
import { readHousehold } from '@data/household.ts';
import type { MarkedStain } from '@data/schema.ts';
import {
  closedTreatments,
  closeTreatment,
  findTreatment,
  moveTreatment,
  openTreatment,
  openTreatments,
  startClock,
  type Treatment,
} from '@data/treatments.ts';
import type { Scope } from '../server/request.server.ts';

/** The procedure for a mark of a piece as things stand; null when there is no such mark. */
export async function procedureOfStain({ tx, now }: Scope, piece: Piece, stainId: string): Promise<Procedure | null> {
  const household = await readHousehold(tx);
  const garment = garmentOf(garmentDocument(piece, now));
  const stain = garment.stains.find((s) => s.id === stainId);
  if (!household || !stain) return null;
  const { document } = await teach(tx, household.document, [], now);
  return procedureFor(garment, stain, workplaceOf(householdOf(document)));
}

/** What became of the rounds so far for one mark. */
export const outcomesOf = (closed: readonly Treatment[], garmentId: string, stainId: string): (string | null)[] =>
  closed.filter((t) => t.garmentId === garmentId && t.stainId === stainId).map((t) => t.outcome);

/** `before` = the treatment that this one takes over from, its procedure written anew. */
export async function beginTreatment(
  scope: Scope,
  garmentId: string,
  stainId: string,
  before?: Pick<Treatment, 'procedure' | 'state'>,
): Promise<'begun' | 'no-such-mark' | 'already' | 'in-vain'> {
  const piece = await findPiece(scope.tx, garmentId);
  const procedure = piece && (await procedureOfStain(scope, piece, stainId));
  if (!procedure) return 'no-such-mark';
  if (triedInVain(outcomesOf(await closedTreatments(scope.tx, 200), garmentId, stainId))) return 'in-vain';
  return (await openTreatment(scope.tx, scope.householdId, {
    garmentId,
    stainId,
    procedure,
    state: before ? continueBench(before.procedure, before.state, procedure) : beginBench(procedure),
  }))
    ? 'begun'
    : 'already';
}

/** What is open in the room, apart from one treatment: the last chemical of each and the rinses since. */
export function openChemicals(list: readonly Treatment[], except: string): OpenChemical[] {
  return list
    .filter((t) => t.id !== except)
    .flatMap((t): OpenChemical[] => {
      const steps = t.procedure.steps;
      const underWay = t.clockEndsAt !== null;
      const upTo = underWay ? t.state.step : t.state.step - (t.state.done > 0 ? 0 : 1);
      for (let i = Math.min(upTo, steps.length - 1); i >= 0; i--) {
        const s = steps[i];
        if (s?.agent)
          return [
            {
              agent: s.agent,
              garment: t.garmentId,
              rinses: underWay && i === t.state.step ? 0 : steps.slice(i, upTo + 1).reduce((n, x) => n + x.rinses, 0),
              underWay: underWay && i === t.state.step,
            },
          ];
      }
      return [];
    });
}

/** Start the clock of the step that is due; `over` = it has had its minutes by another clock. */
export async function runClock(scope: Scope, id: string, over = false): Promise<string | null> {
  const t = await findTreatment(scope.tx, id);
  const step = t && !t.closedAt && dueStep(t.procedure, t.state);
  if (!t || !step) return 'That step is over; this screen now shows what is due.';
  const wait = mayBegin(step.agent, t.garmentId, openChemicals(await openTreatments(scope.tx), id));
  if (wait) return textOf(wait.because);
  const startedAt = scope.now.getTime() - (over ? step.minutes * 60_000 : 0);
  await startClock(scope.tx, id, new Date(startedAt), new Date(startedAt + step.minutes * 60_000));
  return null;
}

/** What was seen; `from` is the step the screen showed, so that of two screens only one moves on. */
export async function reportCheck(scope: Scope, id: string, from: string, result: CheckResult): Promise<string | null> {
  const t = await findTreatment(scope.tx, id);
  const step = t && !t.closedAt && dueStep(t.procedure, t.state);
  if (!t || !step || from !== `${t.state.step}.${t.state.done}`)
    return 'It went on on another screen; this one now shows what is due.';
  const wait =
    t.clockEndsAt === null
      ? mayBegin(step.agent, t.garmentId, openChemicals(await openTreatments(scope.tx), id))
      : null;
  if (wait) return textOf(wait.because);
  const early = result === 'passed' ? clockWait(step, t.clockEndsAt?.getTime() ?? null, scope.now.getTime()) : null;
  if (early) return textOf(early);
  const next = report(t.procedure, t.state, result);
  if (!(await moveTreatment(scope.tx, id, t.state, next)))
    return 'It went on on another screen; this one now shows what is due.';
  const done: NewEvent = {
    garmentId: t.garmentId,
    kind: 'treated',
    at: scope.now,
    data: {
      step: {
        stain: t.procedure.stain.kind,
        agent: step.what,
        dose: step.dose,
        temperatureC: step.temperatureC,
        minutes: step.minutes,
        result,
      },
    },
  };
  const test: NewEvent[] =
    step.kind === 'test'
      ? [
          {
            garmentId: t.garmentId,
            kind: 'tested',
            at: scope.now,
            data: { test: { kind: 'spot', agent: step.what, grade: result === 'passed' ? 4.5 : 3 } },
          },
        ]
      : [];
  await appendEvents(scope, [done, ...test]);
  if (next.end?.kind === 'test-failed') {
    await closeTreatment(scope.tx, id, scope.now, 'rewritten');
    await beginTreatment(scope, t.garmentId, t.stainId, t);
  }
  return null;
}

export type Judgement = 'gone' | 'lighter' | 'same';
const changeStain = (
  list: readonly MarkedStain[],
  id: string,
  change: (s: MarkedStain) => MarkedStain | null,
): MarkedStain[] =>
  list.flatMap((s) => {
    if (s.id !== id) return [s];
    const next = change(s);
    return next ? [next] : [];
  });

/** Dry, in daylight: the mark leaves the piece, or the round counts as failed. */
export async function judgeTreatment(scope: Scope, id: string, judgement: Judgement): Promise<boolean> {
  const t = await findTreatment(scope.tx, id);
  if (!t || !(await closeTreatment(scope.tx, id, scope.now, judgement))) return false;
  await settleMark(scope, t, judgement);
  return true;
}
async function settleMark(scope: Scope, t: Treatment, judgement: Judgement): Promise<void> {
  const used = [
    ...new Set(
      t.procedure.steps
        .slice(0, t.state.step + 1)
        .flatMap((s) => (s.agent && s.agent in agents ? [s.agent as AgentId] : [])),
    ),
  ];
  const state = await basketState(scope.tx, t.garmentId);
  if (state) {
    const stains = changeStain(state.stains, t.stainId, (s) =>
      judgement === 'gone'
        ? null
        : { ...s, failedRounds: (s.failedRounds ?? 0) + 1, tried: [...new Set([...(s.tried ?? []), ...used])] },
    );
    await putInBasket(scope.tx, scope.householdId, t.garmentId, { ...state, stains });
  }
  await appendEvents(scope, [
    {
      garmentId: t.garmentId,
      kind: 'treated',
      at: scope.now,
      data: { stain: { id: t.stainId, kind: t.procedure.stain.kind, result: judgement } },
    },
  ]);
}
/** Stop without a judgement: the mark stays as it is. */
export async function leaveTreatment(scope: Scope, id: string): Promise<boolean> {
  const t = await findTreatment(scope.tx, id);
  if (!t || !(await closeTreatment(scope.tx, id, scope.now, t.state.end?.kind === 'stop' ? 'stopped' : 'given-up')))
    return false;
  await appendEvents(scope, [
    {
      garmentId: t.garmentId,
      kind: 'treated',
      at: scope.now,
      data: { stain: { id: t.stainId, kind: t.procedure.stain.kind, result: 'stopped' } },
    },
  ]);
  return true;
}
/** The last look has told what became of a mark; other marks of the piece go on. */
export async function closeTreatmentOf(
  scope: Scope,
  garmentId: string,
  stainId: string,
  outcome: 'gone' | 'same',
): Promise<void> {
  for (const t of await openTreatments(scope.tx))
    if (t.garmentId === garmentId && t.stainId === stainId) await closeTreatment(scope.tx, t.id, scope.now, outcome);
}
