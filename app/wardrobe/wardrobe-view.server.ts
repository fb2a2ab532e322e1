/** The wardrobe as a list one searches, filters and works through. */
import { colourClass, labOf, type ColourClass } from '@core/colour/colour.ts';
import type { GarmentKind } from '@core/garment/kinds.ts';
import { pieceStates, partings, type PieceState } from '@core/piece/state.ts';
import { listPieces, type Piece } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { teach } from '@data/learnt.ts';
import { stateOf, whereabouts } from '@data/whereabouts.ts';
import { householdOf } from '@formats/hamper.ts';
import { colourNames } from '@words/en/names.ts';
import { partingNames, partsInWords, stateNames } from '@words/en/piece-line.ts';
import { kindNames } from '@words/en/things.ts';
import { adviceOf, wearsText } from '../gather/basket-view.server.ts';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { shortDay } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';

export interface WardrobeFilter {
  q: string;
  owner: string;
  kind: string;
  colour: string;
  state: string;
  all: boolean;
}
export const filterOf = (query: URLSearchParams): WardrobeFilter => ({
  q: (query.get('q') ?? '').trim().slice(0, 80),
  owner: query.get('owner') ?? '',
  kind: query.get('kind') ?? '',
  colour: query.get('colour') ?? '',
  state: query.get('state') ?? '',
  all: query.has('all'),
});
/** The query of a filter, without what is not set. */
export const queryOf = (f: WardrobeFilter): string =>
  new URLSearchParams(
    Object.entries(f).flatMap(([k, v]): [string, string][] =>
      v === true ? [[k, '']] : typeof v === 'string' && v !== '' ? [[k, v]] : [],
    ),
  ).toString();

export interface WardrobeRow {
  id: string;
  name: string;
  owner: string;
  cloth: ClothView;
  what: string;
  cloths: string;
  state: PieceState;
  stateWords: string;
  wears: string;
  lastWashed: string;
  due: boolean;
}
const firstRows = 100;
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const groundClass = (p: Piece): ColourClass =>
  colourClass(labOf(p.row.colours.find((c) => c.role === 'ground')?.hex ?? '#8b8d94'));

export async function wardrobeView({ tx, now }: Scope, filter: WardrobeFilter) {
  const home = await readHousehold(tx);
  const timeZone = home?.timeZone ?? 'UTC';
  const where = await whereabouts(tx);
  const gone = filter.state === 'gone';
  const all = await listPieces(tx, gone ? 'gone' : 'here');
  const { document, pieces } = await teach(tx, home?.document ?? null, all, now);
  const household = householdOf(document);
  const told = pieces.map((p) => ({
    p,
    state: stateOf(p, where, now),
    due: !gone && p.basket === null && adviceOf(p, household, now).due === 'due',
  }));
  const words = filter.q.toLowerCase().split(/\s+/).filter(Boolean);
  const matches = told.filter(({ p, state, due }) => {
    const text = [p.row.name, p.row.owner, kindNames[p.row.kind], partsInWords(p.row.parts), p.row.set ?? '']
      .join(' ')
      .toLowerCase();
    return (
      words.every((w) => text.includes(w)) &&
      (filter.owner === '' || p.row.owner === filter.owner) &&
      (filter.kind === '' || p.row.kind === filter.kind) &&
      (filter.colour === '' || groundClass(p) === filter.colour) &&
      (filter.state === '' || gone || (filter.state === 'due' ? due : state === filter.state))
    );
  });
  const rows = matches.slice(0, filter.all ? matches.length : firstRows).map(({ p, state, due }): WardrobeRow => ({
    id: p.row.id,
    name: p.row.name,
    owner: p.row.owner,
    cloth: clothOf(p.row),
    what: `${capital(kindNames[p.row.kind])}${p.row.count > 1 ? `, ${p.row.count}` : ''}`,
    cloths: partsInWords(p.row.parts),
    state,
    stateWords: p.row.retiredBecause ? partingNames[p.row.retiredBecause] : stateNames[state],
    wears: wearsText(p),
    lastWashed: p.state.lastWashedAt ? shortDay(p.state.lastWashedAt, timeZone) : 'never',
    due,
  }));
  const kinds = [...new Set(pieces.map((p) => p.row.kind))].sort((a: GarmentKind, b: GarmentKind) =>
    kindNames[a].localeCompare(kindNames[b]),
  );
  return {
    rows,
    matching: matches.length,
    total: pieces.length,
    gone,
    filter,
    query: queryOf(filter),
    owners: [...new Set(pieces.map((p) => p.row.owner).filter(Boolean))],
    kinds: kinds.map((k) => [k, capital(kindNames[k])] as const),
    colours: [...new Set(pieces.map(groundClass))].map((c) => [c, capital(colourNames[c])] as const),
    states: [
      ['due', 'Due for a wash or care'] as const,
      ...pieceStates.filter((s) => s !== 'gone').map((s) => [s, capital(stateNames[s])] as const),
      ['gone', 'No longer here'] as const,
    ],
    partings: partings.map((p) => [p, capital(partingNames[p])] as const),
  };
}
