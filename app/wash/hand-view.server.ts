/** A wash by hand as its screen shows it: every step in words, where somebody is, and the clock. */
import { householdOf } from '@formats/hamper.ts';
import type { HandStepKind } from '@core/run/hand-walk.ts';
import type { WalkPlan, WalkState, WalkStep } from '@core/run/walk-state.ts';
import { handMessages } from '@core/message/hand.ts';
import { handQuestions, handTitles, handWords } from '@words/en/hand.ts';
import { textOf } from '@words/text.ts';
import { findLoad } from '@data/loads.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import { loadFacts, loadTitle, type PieceRef } from './load-view.server.ts';

export interface HandStepView extends WalkStep {
  kind: HandStepKind;
  title: string;
  text: string;
  hints: string[];
  question: { question: string; clear: string; cloudy: string } | null;
}
export interface HandView {
  id: string;
  title: string;
  place: string;
  pieces: PieceRef[];
  status: 'planned' | 'running' | 'finished';
  plan: WalkPlan & { steps: HandStepView[] };
  progress: WalkState;
  tub: { waterL: number; usableL: number; fillCm: number | null; depthCm: number | null; displacedL: number };
  forgotten: string;
  /** Sentences of refusals that need no server: by code. */
  refusals: Record<string, string>;
  serverNow: number;
}

/** What a screen without a network says when a step is not over yet. */
const refusals = Object.fromEntries(
  (Object.keys(handMessages) as (keyof typeof handMessages)[])
    .filter((code) => !handWords[code].includes('{'))
    .map((code) => [code, handWords[code]]),
);

export async function handView({ tx, now }: Scope, loadId: string): Promise<HandView> {
  const load = await findLoad(tx, loadId);
  if (!load || load.load.method !== 'hand') throw notFound('That wash by hand is not known here.');
  const { walk, walkState } = load;
  if (!walk || !walkState) throw notFound('That wash by hand has not begun: open its ticket and begin it there.');
  const facts = loadFacts(load.hamper, load.plan, load.load);
  const household = householdOf(load.hamper.household);
  return {
    id: load.id,
    title: loadTitle(facts),
    place: household.basins.find((b) => b.id === load.load.basin)?.name ?? 'the tub',
    pieces: facts.card.pieces,
    status: load.status,
    plan: {
      mostExtraRinses: walk.mostExtraRinses,
      steps: walk.steps.map((s) => ({
        kind: s.kind,
        clock: s.clock,
        check: s.check,
        mayBeSkipped: s.mayBeSkipped,
        onlyFreshBath: s.onlyFreshBath,
        title: handTitles[s.kind],
        text: textOf(s.message),
        hints: s.hints.map(textOf),
        question: s.check && handQuestions[s.check],
      })),
    },
    progress: walkState,
    tub: walk.tub,
    forgotten: textOf(walk.forgotten),
    refusals,
    serverNow: now.getTime(),
  };
}
