/** The test bench: which pieces want a colourfastness test, what is in, and how the grades look on this piece's own dye. */
import { fastnessTitles, standingWords } from '@words/en/fastness.ts';
import { briefName } from '@words/en/names.ts';
import { sentenceOf } from '@words/text.ts';
import {
  agentTest,
  fastnessPlan,
  standingOf,
  type FastnessPlan,
  type FastnessTest,
} from '@core/colour/fastness-test.ts';
import { agentIds, type AgentId } from '@core/chemistry/agents.ts';
import { colourHistory } from '@core/colour/bleed.ts';
import { garmentEnvelope } from '@core/envelope/garment-envelope.ts';
import { say } from '@core/message/message.ts';
import type { Garment } from '@core/model/garment.ts';
import { effectOf } from '@core/model/rule-effects.ts';
import type { HouseRules } from '@core/model/household.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { findPiece, garmentDocument, listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import { chemicalName, loggedName } from '@words/en/chemistry.ts';
import { clothOf } from '../shared/cloth.ts';
import { gradeSteps, verdictOf, type GradeView } from './grades.server.ts';
import type { PieceRef } from '../wash/load-view.server.ts';
import { dayAndYear } from '../shared/words.ts';

export interface TestListView {
  wanted: { piece: PieceRef; reason: string; progress: string; inBasket: boolean }[];
}
const progressOf = (p: FastnessPlan): string => {
  if (p.tests.length === 0) return 'no test yet';
  const done = p.tests.reduce((n, t) => n + Math.min(t.done, t.needed), 0);
  const needed = p.tests.reduce((n, t) => n + t.needed, 0);
  return `${done} of ${needed} clear`;
};

/** A label that closes water, in a house that tests first: with the risk accepted, a test would open a bath. */
function openedByTest(g: Garment, rules: HouseRules): boolean {
  if (!effectOf(rules, 'dryCleanOnly').testOpens || g.allowTestFirst) return false;
  return garmentEnvelope({ ...g, allowTestFirst: true }, rules).closure?.kind === 'test-first';
}

export async function testListView({ tx, now }: Scope): Promise<TestListView> {
  const home = await readHousehold(tx);
  const rules = home && householdOf(home.document).rules;
  const wanted = (await listPieces(tx)).flatMap((p) => {
    const g = garmentOf(garmentDocument(p, now));
    const plan = fastnessPlan(g);
    const closure = rules ? garmentEnvelope(g, rules).closure : null;
    const exception = rules ? openedByTest(g, rules) : false;
    const reason =
      closure?.kind === 'test-first' || exception
        ? sentenceOf(closure?.reason ?? say('closed.test-opens'))
        : plan.reason && sentenceOf(plan.reason);
    // Where water stays closed whatever a test says, none is asked for; one strong test is opened again by a part test.
    if (closure && closure.kind !== 'test-first' && !exception && !colourHistory(g).noWater) return [];
    return reason === null || (plan.complete && closure?.kind !== 'test-first' && !exception)
      ? []
      : [
          {
            piece: { id: p.row.id, name: p.row.name, cloth: clothOf(p.row) },
            reason,
            progress: progressOf(plan),
            inBasket: p.basket !== null,
          },
        ];
  });
  return { wanted: wanted.sort((a, b) => Number(b.inBasket) - Number(a.inBasket)) };
}

/** What comes off undyed cloth: old starch and age. */
const yellowed = '#a8834b';
interface PlanView {
  reason: string | null;
  where: string;
  tests: (Omit<FastnessTest, 'how'> & { title: string; how: string })[];
}
export interface TestView {
  piece: PieceRef;
  /** The agent that a soak or a stain wants tested, by its name; null = the colour alone. */
  agent: { name: string; passed: boolean } | null;
  /** It gives no dye: the test asks how it bears water. */ undyed: boolean;
  plan: PlanView;
  grades: GradeView[];
  history: { eventId: number; text: string; verdict: string }[];
  result: string;
  /** `allowed` = the house rule lets a dry-clean label be tested. */
  risk: { text: string | null; possible: boolean; needed: boolean; allowed: boolean };
}
/** The agent that an address asks for; null for none, and for what is no agent. */
export const askedAgent = (search: URLSearchParams): AgentId | null =>
  agentIds.find((a) => a === search.get('agent')) ?? null;

const agentName = (agent: AgentId): string => briefName(chemicalName(agent)).toLowerCase();
/** The tests in words; that of an agent comes first: it is what brought people here. */
function planView(g: Garment, agent: AgentId | null): PlanView {
  const plan = fastnessPlan(g);
  const tests = plan.tests.map((t) => ({ ...t, title: fastnessTitles[t.id], how: sentenceOf(t.how) }));
  if (agent) {
    const own = agentTest(g, agent);
    tests.unshift({ ...own, title: `With ${agentName(agent)}`, how: sentenceOf(own.how) });
  }
  return { reason: plan.reason && sentenceOf(plan.reason), where: sentenceOf(plan.where), tests };
}

/** `agent` = the agent that a soak or a stain wants tested; null = the colour alone. */
export async function testView(
  { tx, now }: Scope,
  id: string,
  timeZone: string,
  agent: AgentId | null,
): Promise<TestView> {
  const piece = await findPiece(tx, id);
  if (!piece) throw notFound('That piece is not in the wardrobe.');
  const home = await readHousehold(tx);
  const g = garmentOf(garmentDocument(piece, now));
  const rules = home && householdOf(home.document).rules;
  const undyed = colourHistory(g).dye === null;
  const strongest = undyed
    ? yellowed
    : (g.colours.find((c) => c.role !== 'ground')?.hex ?? g.colours[0]?.hex ?? '#888888');
  const dryCleanOnly = g.label?.wash?.by === 'none' || (g.label?.phrases.includes('dry-clean-only') ?? false);
  const withRisk = rules
    ? garmentEnvelope({ ...g, allowTestFirst: true }, { ...rules, dryCleanOnly: 'test-first' })
    : null;
  return {
    piece: { id, name: piece.row.name, cloth: clothOf(piece.row) },
    undyed,
    agent: agent && { name: agentName(agent), passed: agentTest(g, agent).done > 0 },
    plan: planView(g, agent),
    result: standingWords[standingOf(g)],
    grades: gradeSteps(strongest),
    history: [...piece.state.readings].reverse().map((t) => ({
      eventId: t.eventId,
      text: `${dayAndYear(t.at, timeZone)}: ${t.kind === 'catcher' ? 'catcher' : t.kind === 'part' ? 'part test' : 'spot test'}${t.agent === 'water' ? '' : ` with ${loggedName(t.agent)}`}, grade ${t.grade}`,
      verdict: verdictOf(t.grade),
    })),
    risk: {
      text: piece.row.testFirstRisk,
      possible:
        dryCleanOnly &&
        withRisk !== null &&
        withRisk.closure?.kind !== 'professional' &&
        withRisk.closure?.kind !== 'hide',
      needed: dryCleanOnly,
      allowed: rules !== null && effectOf(rules, 'dryCleanOnly').testOpens,
    },
  };
}
