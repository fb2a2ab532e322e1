/** The Sort screen: the newest plan as stacks, one load opened with its limits, and what is not washed. */
import { listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { readLessons } from '@data/lessons.ts';
import { toldOfLessons } from '../log/learnt-view.server.ts';
import { freshenWays } from '@core/freshen/task.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import { boardOf, consequence, restingPlaces, targetOf } from '@formats/board.ts';
import { decisionNotes, lastDecision, pinsAmong } from '@data/decisions.ts';
import { currentHamper } from '@data/hamper.ts';
import { newestPlan, type PlanView } from '@data/loads.ts';
import type { LoadView } from '@data/loads.ts';
import type { PlanInsights } from '@data/schema.ts';
import type { Scope } from '../server/request.server.ts';
import { loadFacts, pieceRef, type LoadFacts, type PieceRef } from '../wash/load-view.server.ts';
import { gatheredSeparations } from './separations.ts';
import { moveWords, type LoadNow, type MoveWords } from './move-words.ts';
import { currencySign, durationText, money, numberWord, plural } from '../shared/words.ts';

export interface SortLoad {
  id: string;
  number: number;
  status: LoadView['status'];
  facts: LoadFacts;
}
/** What the household has taught, in one line each. */
async function learntHere({ tx, now }: Scope): Promise<string[]> {
  const home = await readHousehold(tx);
  if (!home) return [];
  const pieces = await listPieces(tx);
  return toldOfLessons(home, pieces, await readLessons(tx, home.document, pieces, now));
}
export interface SortView {
  title: string;
  summary: string;
  proof: string;
  priority: string;
  basket: number;
  changed: boolean;
  loads: SortLoad[];
  open: number;
  planId: string;
  selected: Selected | null;
  decisions: string[];
  /** The newest decision; whoever undoes names it. */
  lastDecision: string;
  freeCost: string | null;
  rulePrices: { words: string; text: string }[] | null;
  moveFacts: { currency: string; loads: LoadNow[]; programmes: Record<string, string> };
  notToday: {
    piece: PieceRef;
    outcome: string;
    /** Where it goes on from here. */ way: { href: string; words: string } | null;
    reasons: string[];
  }[];
  /** Pieces that are washed, and would be washed better after a test. */
  tests: { piece: PieceRef; text: string }[];
  waiting: string;
  warnings: PlanDocument['warnings'];
  separations: { pieces: PieceRef[]; constraint: string; text: string }[];
  /** What the household has taught the plan. */
  learnt: string[];
}
export interface EmptySort {
  basket: number;
  planId?: undefined;
}
export interface MoveOption extends MoveWords {
  target: string;
  label: string;
}
export interface Selected {
  piece: PieceRef;
  where: string;
  options: MoveOption[];
}

/** Loads that are called the same are counted. */
function tellApart(loads: readonly SortLoad[]): void {
  const times = new Map<string, number>();
  for (const { facts } of loads) {
    const { card } = facts;
    const n = (times.get(card.title) ?? 0) + 1;
    times.set(card.title, n);
    if (n > 1) card.title = `${card.title} (${n})`;
  }
}

const outcomeWords: Record<string, string> = {
  air: 'Air it',
  steam: 'Steam it',
  brush: 'Brush it',
  'spot-clean': 'Clean the spot',
  wait: 'Waits',
  'test-first': 'Test first',
  professional: 'To a professional',
  'no-wash': 'Not due',
  'left-out': 'Set aside',
};

/** Where a piece that is not washed today goes on. */
function wayOn(outcome: string, id: string, testable: boolean): { href: string; words: string } | null {
  if (outcome === 'test-first' || testable) return { href: `/test/${id}`, words: 'To its test' };
  if (outcome === 'professional') return { href: '/cleaner', words: 'Write the slip' };
  const way = freshenWays.find((w) => w === (outcome === 'spot-clean' ? 'spot' : outcome));
  return way ? { href: `/freshen/${id}?way=${way}`, words: 'How' } : null;
}

/** Whether what would be sorted now differs from what the plan was made of, apart from loads already begun. */
function hasChanged(planned: HamperDocument, now: HamperDocument, begun: ReadonlySet<string>): boolean {
  const pieces = (h: HamperDocument): string =>
    JSON.stringify([
      h.garments.filter((g) => !begun.has(g.id)),
      pinsAmong(h.pins ?? [], new Set(h.garments.flatMap((g) => (begun.has(g.id) ? [] : [g.id])))),
    ]);
  const home = ({ household: { products: _products, ...rest } }: HamperDocument): string => JSON.stringify(rest);
  return pieces(planned) !== pieces(now) || home(planned) !== home(now);
}

function proofText({ proof }: PlanDocument, byHand: boolean): string {
  if (proof.optimal) return byHand ? 'Proved best with your decisions' : 'Proved best for this household';
  return `Best found, at most ${Math.max(1, Math.ceil(proof.gap * 100))} % from the best possible`;
}

/** What stands with one load is not repeated for the plan. */
const toldOnTickets = (code: string): boolean => code === 'no-tumble' || code === 'overfilled';

const ownLoad = 'A load of its own';
const restingWords: Record<(typeof restingPlaces)[number], string> = {
  wait: 'Wait for the next wash day',
  air: 'Only air it',
  'spot-clean': 'Only treat its mark',
  professional: 'To the cleaner',
  'left-out': 'Set it aside',
};
const restingTexts: Record<(typeof restingPlaces)[number], string> = {
  wait: 'It stays in the basket.',
  air: 'A night in fresh air instead of water.',
  'spot-clean': 'Five minutes at the stain bench, no bath.',
  professional: 'The price is a usual bill.',
  'left-out': 'Out of this plan until you take it up again.',
};

/** What moving one piece to every place would mean. */
function selectedView(
  hamper: HamperDocument,
  plan: PlanDocument,
  piece: PieceRef,
  facts: SortView['moveFacts'],
  titles: readonly string[],
): Selected {
  const board = boardOf(hamper, plan);
  const at = plan.loads.findIndex((l) => l.garments.includes(piece.id));
  const alone = at >= 0 && plan.loads[at]?.garments.length === 1;
  const garment = hamper.garments.find((g) => g.id === piece.id);
  const marked = (garment?.stains ?? []).length > 0;
  const outcome = plan.garments.find((g) => g.id === piece.id)?.outcome;
  const resting = restingPlaces.filter(
    (o) => o !== outcome && (o === 'air' ? !marked : o === 'spot-clean' ? marked : true),
  );
  const targets = [
    ...plan.loads
      .map((_, i) => ({ target: `load:${i}`, label: titles[i] ?? '', now: facts.loads[i] ?? null }))
      .filter((_, i) => i !== at),
    ...(alone ? [] : [{ target: 'own', label: ownLoad, now: null }]),
    ...(plan.loads[at]?.method === 'hand' ? [] : [{ target: 'hand', label: 'By hand', now: null }]),
    ...resting.map((target) => ({ target, label: restingWords[target], now: null })),
  ];
  return {
    piece,
    where: at >= 0 ? (titles[at] ?? '') : 'not washed today',
    options: targets.flatMap(({ target, label, now }) => {
      const t = targetOf(target, plan.loads.length);
      return t
        ? [
            {
              target,
              label,
              ...moveWords(
                consequence(board, piece.id, t),
                now,
                facts.currency,
                (id) => facts.programmes[id ?? ''] ?? 'By hand',
              ),
              ...(t.to === 'outcome' && target in restingTexts
                ? { text: restingTexts[target as keyof typeof restingTexts] }
                : {}),
            },
          ]
        : [];
    }),
  };
}

function rulePriceText(r: PlanInsights['rules'][number], currency: string): string {
  const parts = [
    r.loads > 0 ? `${plural(r.loads, 'load')} fewer` : '',
    r.minutes >= 1 ? `${durationText(r.minutes)} less` : '',
    r.energyKwh >= 0.05 ? `${r.energyKwh.toFixed(1)} kWh less` : '',
  ].filter(Boolean);
  return `${r.saves.toFixed(2)} ${currency} better${parts.length > 0 ? `: ${parts.join(', ')}` : ''}.`;
}

/** A wash day that is over: every load done, and half a day gone since it was sorted. What lies in the basket now is the next one's. */
const overAfterMs = 12 * 3_600_000;
const isOver = (plan: PlanView, now: Date): boolean =>
  plan.loads.length > 0 &&
  plan.loads.every((l) => l.status === 'finished') &&
  now.getTime() - plan.createdAt.getTime() > overAfterMs;

export async function sortView(scope: Scope, open: number, selected: string): Promise<SortView | EmptySort> {
  const plan = await newestPlan(scope.tx);
  const now = await currentHamper(scope.tx, scope.now);
  if (!plan || !now || isOver(plan, scope.now)) return { basket: now?.garments.length ?? 0 };
  const { hamper, result } = plan;
  const begun = new Set(
    plan.loads.filter((l) => l.status !== 'planned').flatMap((l) => result.loads[l.number]?.garments ?? []),
  );
  const loads = plan.loads.flatMap((l): SortLoad[] => {
    const load = result.loads[l.number];
    return load ? [{ id: l.id, number: l.number, status: l.status, facts: loadFacts(hamper, result, load) }] : [];
  });
  tellApart(loads);
  const byId = new Map(hamper.garments.map((g) => [g.id, g]));
  const refs = (ids: readonly string[]): PieceRef[] =>
    ids.flatMap((id) => {
      const g = byId.get(id);
      return g ? [pieceRef(g)] : [];
    });
  const washed = result.garments.filter((g) => g.outcome === 'wash').length;
  const { totals } = result;
  const minutes = result.loads.reduce((s, l) => s + l.durationMin, 0);
  const firstPlanned = loads.findIndex((l) => l.status === 'planned');
  const currency = currencySign(hamper.household.tariff?.currency ?? 'EUR');
  const moveFacts: SortView['moveFacts'] = {
    currency,
    loads: result.loads.map((l, i) => ({
      temperatureC: l.temperatureC,
      spinRpm: l.spinRpm,
      fill: l.fill,
      programme: l.programme,
      dose: loads[i]?.facts.card.dose ?? '',
    })),
    programmes: Object.fromEntries(
      (hamper.household.washers ?? []).flatMap((w) => w.programmes.map((p) => [p.id, p.name ?? p.id])),
    ),
  };
  const chosen = result.loads.some(
    (_, i) => loads[i]?.status !== 'planned' && result.loads[i]?.garments.includes(selected),
  )
    ? undefined
    : refs([selected])[0];
  return {
    planId: plan.id,
    moveFacts,
    decisions: await decisionNotes(scope.tx),
    lastDecision: String(await lastDecision(scope.tx)),
    selected: chosen
      ? selectedView(
          hamper,
          result,
          chosen,
          moveFacts,
          loads.map((l) => l.facts.card.title),
        )
      : null,
    freeCost:
      plan.insights && hamper.pins && hamper.pins.length > 0
        ? (result.proof.cost - plan.insights.freeCost).toFixed(2)
        : null,
    rulePrices: plan.insights
      ? plan.insights.rules.map((r) => ({ words: r.words, text: rulePriceText(r, currency) }))
      : null,
    title:
      loads.length === 0
        ? 'Nothing to wash today'
        : `${numberWord(loads.length)} ${loads.length === 1 ? 'load' : 'loads'} for ${plural(washed, 'piece')}`,
    summary: `${durationText(minutes)} of washing, ${durationText(totals.minutesAttended)} of your hands, ${totals.energyKwh.toFixed(1)} kWh, ${Math.round(totals.waterL)} l, ${money(totals.money, hamper.household.tariff?.currency ?? 'EUR')}`,
    proof: proofText(result, (hamper.pins?.length ?? 0) > 0),
    priority: hamper.household.rules?.priority ?? 'balanced',
    basket: now.garments.length,
    changed: hasChanged(hamper, now, begun),
    loads,
    open: loads[open] ? open : Math.max(0, firstPlanned),
    notToday: result.garments
      .filter((g) => g.outcome !== 'wash')
      .flatMap((g) =>
        refs([g.id]).map((piece) => ({
          piece,
          outcome: outcomeWords[g.outcome] ?? g.outcome,
          way: wayOn(g.outcome, g.id, (g.unlock ?? null) !== null),
          reasons: g.reasons.map((r) => r.text),
        })),
      ),
    tests: result.garments.flatMap((g) =>
      g.outcome === 'wash' && (g.unlock ?? null) !== null
        ? refs([g.id]).map((piece) => ({ piece, text: g.reasons.find((r) => r.code === 'test-missing')?.text ?? '' }))
        : [],
    ),
    learnt: await learntHere(scope),
    waiting: hamper.household.rules?.waiting ?? 'allowed',
    warnings: result.warnings.filter((w) => !toldOnTickets(w.code)),
    separations: gatheredSeparations(result.separations).map((s) => ({
      pieces: refs(s.garments),
      constraint: s.constraint,
      text: s.text,
    })),
  };
}
