/** The Gather screen: what is in the basket, and the wardrobe to pick from, due pieces first. */
import { garmentOf } from '@formats/hamper.ts';
import { kindFacts } from '@core/garment/kinds.ts';
import { wearUnitsOf } from '@core/loads/outcomes.ts';
import { profileOf } from '@core/loads/profile.ts';
import { isWool, mainParts } from '@core/fibre/blend.ts';
import { stainFacts } from '@core/stain/stains.ts';
import { dueness, wearsAllowed, type Dueness } from '@core/wear/wear.ts';
import { defaultRules } from '@formats/hamper.ts';
import { garmentDocument, listPieces, type Piece } from '@data/garments.ts';
import { runningLoads } from '@data/loads.ts';
import { readHousehold } from '@data/household.ts';
import type { BasketState } from '@data/schema.ts';
import type { ClothView } from '../ui/fold.tsx';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from './cloth.ts';
import { formatInTimeZone } from './zone.ts';
import { plural, shortDay } from './words.ts';

export interface BasketPieceView { id: string; name: string; owner: string; cloth: ClothView; marks: string[]; state: BasketState; neededByDate: string; inLoad: string | null }
export interface WardrobePieceView { id: string; name: string; owner: string; cloth: ClothView; wears: string; due: Dueness }
export interface BasketView { pieces: BasketPieceView[]; wardrobe: WardrobePieceView[]; owners: string[]; total: number; shown: number; filter: BasketFilter; today: string }
export interface BasketFilter { q: string; show: 'all' | Dueness; owner: string }

const soilMarks: Record<BasketState['soil'], string | null> = { none: 'not dirty', light: 'lightly soiled', normal: null, heavy: 'heavily soiled', hazardous: 'fuel or oil' };

function marksOf(state: BasketState, timeZone: string): string[] {
  const marks: (string | null)[] = [soilMarks[state.soil], state.activity === 'sweaty' ? 'worn sweaty' : null, state.odour ? 'smells' : null, state.hygiene ? 'illness: wash hot' : null];
  for (const s of state.stains) marks.push(`${stainFacts(s.kind).name.toLowerCase()}${s.place ? `, ${s.place}` : ''}`);
  if (state.neededBy) marks.push(`needed by ${shortDay(new Date(state.neededBy), timeZone)}`);
  return marks.filter((m): m is string => m !== null);
}

const mostlyWool = (p: Piece): boolean => mainParts(p.row.parts).some((part) => part.fibres.filter((f) => isWool(f.fibre)).reduce((s, f) => s + f.percent, 0) >= 50);

/** "3 of 8 wears". */
export function wearsText(p: Piece): string {
  const allowed = wearsAllowed(p.row.kind, mostlyWool(p));
  const group = kindFacts(p.row.kind).wearGroup;
  const unit = group === 'sheet' || group === 'bath_towel' || group === 'hand_towel' || group === 'tea_towel' ? 'use' : 'wear';
  return allowed === null ? plural(p.state.wearsSinceWash, unit) : `${p.state.wearsSinceWash} of ${allowed} ${unit}s`;
}
export const duenessOf = (p: Piece): Dueness => dueness(p.state.wearsSinceWash === 0 ? 0 : wearUnitsOf(profileOf(garmentOf(garmentDocument(p)), defaultRules)));

const pieceCloth = ({ row }: Piece): ClothView => clothOf(row);
const order: Record<Dueness, number> = { due: 0, soon: 1, fresh: 2 };

export async function basketView({ tx, now }: Scope, filter: BasketFilter): Promise<BasketView> {
  const pieces = await listPieces(tx);
  const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
  const running = await runningLoads(tx);
  const inLoad = new Map(running.flatMap((l) => l.load.garments.map((g) => [g, l.id] as const)));
  const rest = pieces.filter((p) => p.basket === null).map((p) => ({ p, due: duenessOf(p) }));
  const q = filter.q.toLowerCase();
  const matches = rest.filter(({ p, due }) => (filter.show === 'all' || due === filter.show) && (filter.owner === '' || p.row.owner === filter.owner)
    && (q === '' || [p.row.name, p.row.owner, kindFacts(p.row.kind).name, ...p.row.parts.flatMap((x) => x.fibres.map((f) => f.fibre))].join(' ').toLowerCase().includes(q)));
  return {
    pieces: pieces.flatMap((p): BasketPieceView[] => (p.basket ? [{
      id: p.row.id, name: p.row.name, owner: p.row.owner, cloth: pieceCloth(p), marks: marksOf(p.basket, timeZone), state: p.basket, inLoad: inLoad.get(p.row.id) ?? null,
      neededByDate: p.basket.neededBy ? formatInTimeZone(new Date(p.basket.neededBy), timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' }).split('/').reverse().join('-') : '',
    }] : [])),
    wardrobe: matches.sort((a, b) => order[a.due] - order[b.due]).map(({ p, due }) => ({ id: p.row.id, name: p.row.name, owner: p.row.owner, cloth: pieceCloth(p), wears: wearsText(p), due })),
    owners: [...new Set(pieces.map((p) => p.row.owner).filter(Boolean))], total: rest.length, shown: matches.length, filter,
    today: formatInTimeZone(now, timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' }).split('/').reverse().join('-'),
  };
}
