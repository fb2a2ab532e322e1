/** The Gather screen: what is in the basket, and the wardrobe to pick from, due pieces first. */
import { garmentOf, householdOf } from '@formats/hamper.ts';
import type { Household } from '@core/model/household.ts';
import {
  gatherAdvice,
  rotationIsShort,
  rotationOf,
  wornByTurns,
  type GatherAction,
  type GatherAdvice,
} from '@core/piece/gather.ts';
import { freshenWayFor } from '@core/freshen/task.ts';
import { profileOf } from '@core/piece/profile.ts';
import type { PieceState } from '@core/piece/state.ts';
import { dayOf } from '@formats/dates.ts';
import { stateNames } from '@words/en/piece-line.ts';
import { textOf } from '@words/text.ts';
import { kindFacts } from '@core/garment/kinds.ts';
import { wearsAllowedOf } from '@core/piece/verdict.ts';
import { type Dueness, type WearGroup } from '@core/wear/wear.ts';
import { garmentDocument, listPieces, type Piece } from '@data/garments.ts';
import { piecesInLoads } from '@data/loads.ts';
import { readHousehold } from '@data/household.ts';
import { teach } from '@data/learnt.ts';
import { piecesInSoaks } from '@data/treatments.ts';
import { stateOf, whereabouts } from '@data/whereabouts.ts';
import type { BasketState } from '@data/schema.ts';
import { kindNames, stainNames } from '@words/en/things.ts';
import type { ClothView } from '../ui/fold.tsx';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { currencySign, plural, shortDay } from '../shared/words.ts';

export interface BasketPieceView {
  id: string;
  name: string;
  owner: string;
  cloth: ClothView;
  marks: string[];
  state: BasketState;
  neededByDate: string;
  /** Where it is in the water: a running load or a tub. */
  inWater: { href: string; words: string } | null;
}
export interface WardrobePieceView {
  id: string;
  name: string;
  owner: string;
  cloth: ClothView;
  advice: { word: string; text: string; urgency: number; waiting: string; freshen: string | null };
  due: Dueness;
}
export interface BasketView {
  pieces: BasketPieceView[];
  wardrobe: WardrobePieceView[];
  owners: string[];
  rotations: string[];
  total: number;
  shown: number;
  filter: BasketFilter;
  today: string;
}
export interface BasketFilter {
  q: string;
  show: 'all' | Dueness;
  owner: string;
  /** Every row; otherwise as many as anyone looks through. */
  all: boolean;
}
const firstRows = 40;

const soilMarks: Record<BasketState['soil'], string | null> = {
  none: 'not dirty',
  light: 'lightly soiled',
  normal: null,
  heavy: 'heavily soiled',
  hazardous: 'fuel or oil',
};

function marksOf(state: BasketState, timeZone: string): string[] {
  const marks: (string | null)[] = [
    soilMarks[state.soil],
    state.activity === 'sweaty' ? 'worn sweaty' : null,
    state.odour ? 'smells' : null,
    state.hygiene ? 'illness: wash hot' : null,
    state.soaked ? 'out of the soak, wash today' : null,
  ];
  for (const s of state.stains) marks.push(`${stainNames[s.kind].toLowerCase()}${s.place ? `, ${s.place}` : ''}`);
  if (state.neededBy) marks.push(`needed by ${shortDay(new Date(state.neededBy), timeZone)}`);
  return marks.filter((m): m is string => m !== null);
}

/** "3 of 8 wears". */
export function wearsText(p: Piece): string {
  const allowed = wearsAllowedOf({ kind: p.row.kind, parts: p.row.parts, learntWears: p.learnt?.wears ?? null });
  const group = kindFacts(p.row.kind).wearGroup;
  const unit =
    group === 'sheet' || group === 'bath_towel' || group === 'hand_towel' || group === 'tea_towel' ? 'use' : 'wear';
  return allowed === null ? plural(p.state.wearsSinceWash, unit) : `${p.state.wearsSinceWash} of ${allowed} ${unit}s`;
}

const pieceCloth = ({ row }: Piece): ClothView => clothOf(row);
const order: Record<Dueness, number> = { due: 0, soon: 1, fresh: 2 };
const adviceWords: Record<GatherAction, string> = {
  wash: 'Wash',
  air: 'Air',
  steam: 'Steam',
  brush: 'Brush',
  'spot-clean': 'Treat the spot',
  rest: '',
  care: 'Care',
  'one-more': 'Once more',
};
const dayMs = 86_400_000;
const daysSince = (at: Date | null, now: Date): number | null =>
  at === null ? null : Math.max(0, (now.getTime() - at.getTime()) / dayMs);

export function adviceOf(p: Piece, household: Household, now: Date): GatherAdvice {
  // Before it is marked, a worn piece counts as lightly soiled at most: what is seen is said in the basket.
  const lying = p.state.wearsSinceWash > 0 ? daysSince(p.state.lastWornAt, now) : null;
  return gatherAdvice(
    garmentOf(garmentDocument(p, now)),
    { asked: false, daysLying: lying, daysSinceCare: daysSince(p.state.lastCaredAt ?? p.state.lastWashedAt, now) },
    household,
  );
}
const turnWords: Partial<Record<WearGroup, string>> = {
  tshirt: 'T-shirts',
  underwear: 'sets of underwear',
  socks: 'pairs of socks',
  sportswear: 'sports things',
  shirt: 'shirts',
  jeans: 'jeans',
};

/** "Mara has 3 T-shirts for about 6 wears a week: 9 would let them wash once a week." */
function rotationTexts(pieces: readonly Piece[], intervalDays: number): string[] {
  const groups = new Map<string, Piece[]>();
  for (const p of pieces) {
    const group = kindFacts(p.row.kind).wearGroup;
    if (!group || !wornByTurns(p.row.kind)) continue;
    const key = JSON.stringify([p.row.owner, group]);
    groups.set(key, [...(groups.get(key) ?? []), p]);
  }
  return [...groups.values()].flatMap((list) => {
    const [first] = list;
    if (!first) return [];
    const wearsIn28Days = list.reduce((n, p) => n + p.state.recentWears, 0);
    const r = rotationOf({ garment: first.row, owned: list.length, wearsIn28Days }, intervalDays);
    if (!r || !rotationIsShort(r)) return [];
    const { owner } = first.row;
    const group = kindFacts(first.row.kind).wearGroup;
    const what = (group && turnWords[group]) ?? kindNames[first.row.kind];
    const perWeek = Math.round(r.wearsPerDay * 7);
    return [
      `${owner ? `${owner} has` : 'There are'} ${r.owned} ${what} for about ${perWeek} wears a week: ${r.needed} would let them wash once a week.`,
    ];
  });
}

/** Where a piece is freshened, if that is what the shelf advises. */
function freshenHref(p: Piece, advice: GatherAdvice, household: Household, now: Date): string | null {
  const way = freshenWayFor(profileOf(garmentOf(garmentDocument(p, now)), household.rules), advice.action);
  return way && `/freshen/${p.row.id}?way=${way}`;
}

export async function basketView({ tx, now }: Scope, filter: BasketFilter): Promise<BasketView> {
  const home = await readHousehold(tx);
  const timeZone = home?.timeZone ?? 'UTC';
  const { document, pieces } = await teach(tx, home?.document ?? null, await listPieces(tx), now);
  const household = householdOf(document);
  const inWater = new Map<string, BasketPieceView['inWater']>([
    ...(await piecesInLoads(tx)).map(
      (p) => [p.garmentId, { href: `/loads/${p.loadId}`, words: stateNames['in-drum'] }] as const,
    ),
    ...(await piecesInSoaks(tx)).map((p) => [p.garmentId, { href: '/soak', words: stateNames['in-tub'] }] as const),
  ]);
  const where = await whereabouts(tx);
  // What is wet, drying or at the cleaner is nobody's to wear or to wash.
  const onShelf: readonly PieceState[] = ['clean', 'worn-clean', 'to-put-away', 'to-press', 'airing'];
  const rest = pieces
    .filter((p) => onShelf.includes(stateOf(p, where, now)))
    .map((p) => {
      const advice = adviceOf(p, household, now);
      return { p, advice, due: advice.due };
    });
  const q = filter.q.toLowerCase();
  const matches = rest.filter(
    ({ p, due }) =>
      (filter.show === 'all' || due === filter.show) &&
      (filter.owner === '' || p.row.owner === filter.owner) &&
      (q === '' ||
        [p.row.name, p.row.owner, kindNames[p.row.kind], ...p.row.parts.flatMap((x) => x.fibres.map((f) => f.fibre))]
          .join(' ')
          .toLowerCase()
          .includes(q)),
  );
  return {
    pieces: pieces.flatMap((p): BasketPieceView[] =>
      p.basket
        ? [
            {
              id: p.row.id,
              name: p.row.name,
              owner: p.row.owner,
              cloth: pieceCloth(p),
              marks: marksOf(p.basket, timeZone),
              state: p.basket,
              inWater: inWater.get(p.row.id) ?? null,
              neededByDate: p.basket.neededBy ? dayOf(new Date(p.basket.neededBy), timeZone) : '',
            },
          ]
        : [],
    ),
    wardrobe: matches
      .sort((a, b) => order[a.due] - order[b.due] || b.advice.urgency - a.advice.urgency)
      .slice(0, filter.all ? matches.length : firstRows)
      .map(({ p, advice, due }) => ({
        id: p.row.id,
        name: p.row.name,
        owner: p.row.owner,
        cloth: pieceCloth(p),
        due,
        advice: {
          word: where.freshening.has(p.row.id) ? 'In the air' : adviceWords[advice.action],
          text: textOf(advice.because),
          urgency: advice.urgency,
          waiting:
            advice.action === 'wash' && advice.waitingPerDay >= 0.05
              ? `waiting costs about ${advice.waitingPerDay.toFixed(2)} ${currencySign(household.tariff.currency)} a day`
              : '',
          freshen: freshenHref(p, advice, household, now),
        },
      })),
    rotations: rotationTexts(pieces, 7),
    owners: [...new Set(pieces.map((p) => p.row.owner).filter(Boolean))],
    total: rest.length,
    shown: matches.length,
    filter,
    today: dayOf(now, timeZone),
  };
}
