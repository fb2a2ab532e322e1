/** The test bench: which pieces want a colourfastness test, what is in, and how the grades look on this piece's own dye. */
import { sentenceOf } from '@words/text.ts';
import { fastnessPlan, type FastnessPlan } from '@core/colour/fastness-test.ts';
import { colourHistory } from '@core/colour/bleed.ts';
import { garmentEnvelope } from '@core/envelope/garment-envelope.ts';
import { say } from '@core/message/message.ts';
import type { Garment } from '@core/model/garment.ts';
import type { HouseRules } from '@core/model/household.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { findPiece, garmentDocument, listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import { whatName } from '../treat/treat-actions.server.ts';
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
  if (rules.dryCleanOnly !== 'test-first' || g.allowTestFirst) return false;
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
        : plan.reason;
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
export interface TestView {
  piece: PieceRef;
  /** It gives no dye: the test asks how it bears water. */ undyed: boolean;
  plan: FastnessPlan;
  grades: GradeView[];
  history: { eventId: number; text: string; verdict: string }[];
  result: string;
  /** `allowed` = the house rule lets a dry-clean label be tested. */
  risk: { text: string | null; possible: boolean; needed: boolean; allowed: boolean };
}
/** What the tests so far mean for its next bath. */
function resultText(g: Garment): string {
  const h = colourHistory(g);
  if (h.dye === null && h.newest === null) return 'Not tried yet: a hidden place first.';
  if (h.dye === null && h.newest === 'clear') return 'It bears water. Its label and your house rules still decide.';
  if (h.noWater) return 'No water at home until a washed part shows a trace at most.';
  if (h.knownBleeder) return 'A known bleeder: cold, alone or with colours of its own depth, and a catcher each time.';
  if (h.newest === 'clear')
    return h.earned
      ? 'Trusted: it may join coloured loads.'
      : 'Clear: first wash cold, with its own colour or alone, with a catcher.';
  return 'Not tested yet: cold, alone or with its own colour.';
}

export async function testView({ tx, now }: Scope, id: string, timeZone: string): Promise<TestView> {
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
    plan: fastnessPlan(g),
    result: resultText(g),
    grades: gradeSteps(strongest),
    history: [...piece.state.readings].reverse().map((t) => ({
      eventId: t.eventId,
      text: `${dayAndYear(t.at, timeZone)}: ${t.kind === 'catcher' ? 'catcher' : t.kind === 'part' ? 'part test' : 'spot test'}${t.agent === 'water' ? '' : ` with ${whatName(t.agent)}`}, grade ${t.grade}`,
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
      allowed: rules?.dryCleanOnly === 'test-first',
    },
  };
}
