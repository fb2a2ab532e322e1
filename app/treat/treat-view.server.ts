/** The stain bench: treatments under way with the step that is due, and the marks that wait. */
import { precautionsFor, type Session } from '@core/chemistry/precautions.ts';
import { sentenceOf, stopText, textOf } from '@words/text.ts';
import { chemicalName } from '@words/en/chemistry.ts';
import { firstAidWords } from '@words/en/first-aid.ts';
import { ppeWords, safetyTexts } from '@words/en/safety.ts';
import { briefName } from '@words/en/names.ts';
import { actionHow, bandWords, checkQuestions, stepTitles, stopWords, testHow, testTitle } from '@words/en/treat.ts';
import { afterTreatment } from '@core/piece/after-treatment.ts';
import { warmed, workplaceOf } from '@core/piece/pretreat.ts';
import { profileOf } from '@core/piece/profile.ts';
import { dueStep, mayBegin, needsClock, triedInVain } from '@core/stain/bench.ts';
import { procedureFor } from '@core/stain/procedure.ts';
import type { TreatmentStep } from '@core/stain/treatment.ts';
import type { StainKind } from '@core/stain/stains.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { garmentDocument, listPieces, type Piece } from '@data/garments.ts';
import { teach } from '@data/learnt.ts';
import { readHousehold, type HouseholdView } from '@data/household.ts';
import { newestPlan, piecesInLoads } from '@data/loads.ts';
import { closedTreatments, openTreatments, piecesInSoaks, type Treatment } from '@data/treatments.ts';
import { stainNames } from '@words/en/things.ts';
import type { Scope } from '../server/request.server.ts';
import { openChemicals, outcomesOf } from './treat-actions.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { drawingOf } from '../shared/drawing.ts';
import { drawingFacts, type DrawingId, type Spot } from '../ui/drawing/drawings.ts';
import { loadFacts, loadTitle, type PieceRef } from '../wash/load-view.server.ts';
import { durationText, plural } from '../shared/words.ts';

export interface StepView {
  key: string;
  number: number;
  of: number;
  title: string;
  /** When it is due, where not always. */
  due: string;
  how: string;
  facts: string[];
  because: string[];
  question: string;
  ifFails: string;
  minutes: number;
  /** It works by time: no Yes before its clock. */
  gated: boolean;
  test: boolean;
  clock: { startedAt: number; endsAt: number } | null;
  wait: { refused: boolean; text: string } | null;
}
export interface TreatmentView {
  id: string;
  piece: PieceRef;
  stain: string;
  place: string;
  /** Where the mark is on the drawing of the piece; null = nobody said. */
  where: { drawing: DrawingId; spot: Spot } | null;
  band: string;
  here: string;
  step: StepView | null;
  end: { kind: 'judge' | 'stop'; text: string } | null;
  ahead: string[];
}
export interface WaitingView {
  piece: PieceRef;
  stainId: string;
  stain: string;
  place: string;
  firstAid: string;
  band: string;
  here: string;
  plan: string;
  stop: string | null;
}
/** Protection, and the lines to watch, in words. */
export interface PrecautionsView {
  ppe: string;
  lines: { id: string; text: string }[];
}
export interface TreatView {
  treatments: TreatmentView[];
  waiting: WaitingView[];
  precautions: PrecautionsView | null;
  serverNow: number;
  nextUp: string | null;
}

const temperatureText = (s: TreatmentStep, hotC: number): string =>
  s.action === 'freeze'
    ? 'freezer'
    : s.action === 'iron-through-paper'
      ? `iron ${s.temperatureC} °C`
      : s.wet
        ? bathText(s, hotC)
        : '';
const bathText = (s: TreatmentStep, hotC: number): string => {
  const { note } = warmed(s, hotC);
  return note ? textOf(note) : `${s.temperatureC} °C`;
};
const minutesText = (s: TreatmentStep): string =>
  s.minutes < 1
    ? 'a few seconds'
    : s.mostMinutes > s.minutes
      ? `${durationText(s.minutes)} to ${durationText(s.mostMinutes)}`
      : durationText(s.minutes);
const rinseText = (n: number): string => (n === 0 ? '' : n === 1 ? 'then rinse once' : `then rinse ${n} times`);
const lower = (name: string): string => briefName(name.charAt(0).toLowerCase() + name.slice(1));
/** What to do, as a heading. */
const titleOfStep = (s: TreatmentStep): string =>
  s.kind === 'test' ? testTitle(lower(chemicalName(s.what))) : stepTitles[s.action](lower(chemicalName(s.what)));
const timesText = (s: TreatmentStep, done: number): string =>
  s.repeats === 1 ? '' : done === 0 ? `up to ${s.repeats} times` : `time ${done + 1} of at most ${s.repeats}`;
const dueWords = {
  always: '',
  'if-left': 'For what is still there',
  'if-orange': 'Only if an orange tone is left',
} as const;

const waitView = (wait: ReturnType<typeof mayBegin>): StepView['wait'] =>
  wait && { refused: wait.refused, text: textOf(wait.because) };
function stepView(t: Treatment, all: readonly Treatment[], hotC: number): StepView | null {
  const s = dueStep(t.procedure, t.state);
  if (!s) return null;
  return {
    key: `${t.state.step}.${t.state.done}`,
    number: t.state.step + 1,
    of: t.procedure.steps.length,
    title: titleOfStep(s),
    due: dueWords[s.when],
    how: s.kind === 'test' ? testHow : actionHow[s.action],
    facts: [
      s.dose && s.dose !== 'dry' ? s.dose : '',
      temperatureText(s, hotC),
      minutesText(s),
      timesText(s, t.state.done),
      rinseText(s.rinses),
      s.gate === 'check-passed' ? 'only after the check before it' : '',
    ].filter(Boolean),
    because: s.because.map(textOf),
    question: checkQuestions[s.kind === 'test' ? 'hidden-test' : s.check],
    ifFails: s.kind === 'test' ? 'The procedure is written again without it.' : '',
    minutes: s.minutes,
    gated: needsClock(s),
    test: s.kind === 'test',
    clock:
      t.clockStartedAt && t.clockEndsAt
        ? { startedAt: t.clockStartedAt.getTime(), endsAt: t.clockEndsAt.getTime() }
        : null,
    wait: t.clockEndsAt ? null : waitView(mayBegin(s.agent, t.garmentId, openChemicals(all, t.id))),
  };
}
/** The very point that was tapped, else the middle of the named place. */
function whereOf(piece: Piece | undefined, stainId: string): TreatmentView['where'] {
  const mark = piece?.basket?.stains.find((s) => s.id === stainId);
  if (!piece || !mark) return null;
  const drawing = drawingOf(piece.row.kind);
  const spot = mark.spot ?? drawingFacts(drawing).zones.find((z) => z.name === mark.place);
  return spot ? { drawing, spot: { side: spot.side, x: spot.x, y: spot.y } } : null;
}
const aheadOf = (t: Treatment): string[] =>
  t.procedure.steps
    .slice(t.state.step + 1)
    .map((s) => [dueWords[s.when], `${titleOfStep(s)}, ${minutesText(s)}`].filter(Boolean).join(': '));

/** "2 of 3 came out here." */
function experience(closed: readonly Treatment[], kind: StainKind): string {
  const judged = closed.filter(
    (t) => t.procedure.stain.kind === kind && (t.outcome === 'gone' || t.outcome === 'lighter' || t.outcome === 'same'),
  );
  return judged.length === 0
    ? ''
    : `Here so far: ${judged.filter((t) => t.outcome === 'gone').length} of ${judged.length} came out.`;
}

/** What to watch in this household: its poison centre in the fixed texts, and its children. */
export function precautionsIn(home: HouseholdView | null, session: Session): PrecautionsView {
  const { ppe, lines } = precautionsFor({ ...session, children: home?.children ?? false });
  return { ppe: ppeWords[ppe], lines: safetyTexts(lines, home?.poisonCentre ?? null) };
}

export async function treatView({ tx, now }: Scope): Promise<TreatView> {
  const home = await readHousehold(tx);
  const { document, pieces } = await teach(tx, home?.document ?? null, await listPieces(tx), now);
  const household = householdOf(document);
  const { hotC } = household.water;
  const { rules } = household;
  const open = await openTreatments(tx);
  const closed = await closedTreatments(tx, 200);
  const ref = (id: string): PieceRef => {
    const p = pieces.find((x) => x.row.id === id);
    return { id, name: p?.row.name ?? id, cloth: clothOf(p?.row ?? { colours: [], traits: [], kind: 'other' }) };
  };
  const inWater = new Set([...(await piecesInSoaks(tx)), ...(await piecesInLoads(tx))].map((p) => p.garmentId));
  const plan = await newestPlan(tx);
  /** The wash that the treatment ends with, as this piece bears it and as the plan has it. */
  const washNext = (t: Treatment): string => {
    const piece = pieces.find((p) => p.row.id === t.garmentId);
    if (!piece) return '';
    const profile = profileOf(garmentOf(garmentDocument(piece, now)), rules);
    const number = plan?.result.loads.findIndex((l) => l.garments.includes(t.garmentId)) ?? -1;
    const load = plan?.loads[number]?.status === 'planned' ? plan.result.loads[number] : undefined;
    const planned =
      plan && load
        ? {
            load: number + 1,
            name: loadTitle(loadFacts(plan.hamper, plan.result, load)),
            temperatureC: load.temperatureC,
          }
        : null;
    return afterTreatment(profile, t.procedure.needsFume, planned).map(sentenceOf).join(' ');
  };
  const treatments = open.map((t): TreatmentView => {
    const end = t.state.end;
    return {
      id: t.id,
      piece: ref(t.garmentId),
      stain: stainNames[t.procedure.stain.kind],
      place: t.procedure.stain.place,
      where: whereOf(
        pieces.find((p) => p.row.id === t.garmentId),
        t.stainId,
      ),
      band: bandWords[t.procedure.band],
      here: experience(closed, t.procedure.stain.kind),
      step: stepView(t, open, hotC),
      ahead: aheadOf(t),
      end:
        end === null || end.kind === 'test-failed'
          ? null
          : end.kind === 'stop'
            ? { kind: 'stop', text: stopText({ stop: end.stop, stopBecause: end.because }) }
            : { kind: 'judge', text: washNext(t) },
    };
  });
  const workplace = home && workplaceOf(household);
  const waiting = !workplace
    ? []
    : pieces
        .filter((p) => p.basket !== null && !inWater.has(p.row.id))
        .flatMap((p): WaitingView[] => {
          const g = garmentOf(garmentDocument(p, now));
          return g.stains
            .filter((s) => !open.some((t) => t.garmentId === g.id && t.stainId === s.id))
            .map((s): WaitingView => {
              const procedure = procedureFor(g, s, workplace);
              const minutes = procedure.steps.filter((x) => x.when === 'always').reduce((m, x) => m + x.minutes, 0);
              const inVain = triedInVain(outcomesOf(closed, g.id, s.id));
              return {
                piece: ref(g.id),
                stainId: s.id,
                stain: stainNames[s.kind],
                place: s.place,
                firstAid: firstAidWords[s.kind],
                band: bandWords[procedure.band],
                here: experience(closed, s.kind),
                plan:
                  procedure.steps.length === 0
                    ? ''
                    : `${plural(procedure.steps.length, 'step')}, at least ${durationText(minutes)}${procedure.roundsLeft < procedure.rounds ? `; round ${procedure.rounds - procedure.roundsLeft + 1} of ${procedure.rounds}` : ''}`,
                stop: inVain
                  ? `Two rounds changed nothing. ${stopWords['stop-leave']}`
                  : procedure.steps.length === 0
                    ? stopText(procedure)
                    : null,
              };
            });
        });
  const active = open.filter((t) => t.state.end === null);
  const steps = active.flatMap((t) => t.procedure.steps.slice(t.state.step));
  const idle = treatments.filter((t) => t.step && !t.step.clock && !t.step.wait);
  return {
    treatments,
    waiting,
    serverNow: now.getTime(),
    nextUp:
      treatments.some((t) => t.step?.clock) && idle[0] ? `${idle[0].piece.name}: ${idle[0].step?.title ?? ''}` : null,
    precautions:
      active.length === 0
        ? null
        : precautionsIn(home, {
            agents: steps.flatMap((s) => (s.agent ? [s.agent] : [])),
            stains: active.map((t) => t.procedure.stain.kind),
            hottestC: Math.max(0, ...steps.filter((s) => s.wet).map((s) => s.temperatureC)),
          }),
  };
}
