/** What goes to the cleaner, what is there, and what came back. */
import { pastVisits, returnAnswers, returnLooksOf, returnRemedy, type ReturnLook } from '@core/cleaner/visit.ts';
import { colourClass, labOf } from '@core/colour/colour.ts';
import { colourNames } from '@words/en/names.ts';
import { partsInWords } from '@words/en/piece-line.ts';
import { remedyWords, returnWords } from '@words/en/rack.ts';
import { findVisit, listVisits, type CleanerVisit } from '@data/cleaner.ts';
import { listPieces, type Piece } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { newestPlan } from '@data/loads.ts';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { currencySign, dayAndYear, money, shortDay } from '../shared/words.ts';
import { labelOf } from '@formats/hamper.ts';
import { stainNames } from '@words/en/things.ts';
import { symbolsOf, type SymbolView } from '../shared/symbols.ts';
import { treatmentLines } from '../treat/treatment-lines.server.ts';
import type { ClothView } from '../ui/fold.tsx';

interface NamedPiece {
  id: string;
  name: string;
  owner: string;
  cloth: ClothView;
  /** "Twice before, 18.00 € on the mean, worth it once." */
  before: string;
}
const named = (p: Piece, before: string): NamedPiece => ({
  id: p.row.id,
  name: p.row.name,
  owner: p.row.owner,
  cloth: clothOf(p.row),
  before,
});
/** What the visits so far say of one piece; the price of a visit is shared by its pieces. */
function beforeText(visits: readonly CleanerVisit[], id: string, currency: string): string {
  const past = pastVisits(
    visits.flatMap((v) =>
      v.returnedAt !== null && v.price !== null && v.pieces.some((p) => p.garment === id)
        ? [{ cost: v.price / v.pieces.length, worthIt: v.worthIt }]
        : [],
    ),
  );
  if (!past) return '';
  const times = past.visits === 1 ? 'Once before' : `${past.visits} times before`;
  const worth =
    past.judged === 0
      ? ''
      : past.worth === past.judged
        ? ', worth it'
        : past.worth === 0
          ? ', not worth it'
          : `, worth it ${past.worth} of ${past.judged} times`;
  return `${times}, ${money(past.meanCost, currency)}${past.visits > 1 ? ' on the mean' : ''}${worth}.`;
}

export interface CleanerView {
  /** Pieces the newest sorting sends to a professional. */
  wanted: NamedPiece[];
  others: readonly (readonly [id: string, name: string])[];
  open: { id: string; title: string; state: string }[];
  past: { id: string; title: string; text: string }[];
}
const visitTitle = (v: CleanerVisit, names: ReadonlyMap<string, string>): string =>
  v.pieces.map((p) => names.get(p.garment) ?? 'a piece that is gone').join(', ');

export async function cleanerView({ tx }: Scope): Promise<CleanerView> {
  const home = await readHousehold(tx);
  const zone = home?.timeZone ?? 'UTC';
  const currency = home?.document.tariff?.currency ?? 'EUR';
  const pieces = await listPieces(tx);
  const names = new Map([...pieces, ...(await listPieces(tx, 'gone'))].map((p) => [p.row.id, p.row.name]));
  const visits = await listVisits(tx);
  const onSlip = new Set(visits.filter((v) => v.returnedAt === null).flatMap((v) => v.pieces.map((p) => p.garment)));
  const plan = await newestPlan(tx);
  const professional = new Set(
    (plan?.result.garments ?? []).filter((g) => g.outcome === 'professional').map((g) => g.id),
  );
  const free = pieces.filter((p) => !onSlip.has(p.row.id));
  return {
    wanted: free
      .filter((p) => p.basket !== null && professional.has(p.row.id))
      .map((p) => named(p, beforeText(visits, p.row.id, currency))),
    others: free.map((p) => [p.row.id, p.row.name] as const),
    open: visits
      .filter((v) => v.returnedAt === null)
      .map((v) => ({
        id: v.id,
        title: visitTitle(v, names),
        state:
          v.sentAt === null
            ? 'the slip is written'
            : `away since ${shortDay(v.sentAt, zone)}${v.expectedOn ? `, back on ${shortDay(new Date(`${v.expectedOn}T12:00:00Z`), 'UTC')}` : ''}`,
      })),
    past: visits
      .filter((v) => v.returnedAt !== null)
      .map((v) => ({
        id: v.id,
        title: visitTitle(v, names),
        text: [
          v.returnedAt && dayAndYear(v.returnedAt, zone),
          v.price === null ? '' : money(v.price, currency),
          v.worthIt === null ? '' : v.worthIt ? 'worth it' : 'not worth it',
        ]
          .filter(Boolean)
          .join(', '),
      })),
  };
}

export interface SlipPiece extends NamedPiece {
  facts: string;
  symbols: SymbolView[];
  marks: string[];
  tried: { when: string; text: string }[];
  say: string;
  keeps: string;
  looks: {
    look: ReturnLook;
    question: string;
    answers: { value: string; words: string }[];
    answer: string | null;
    remedy: string | null;
  }[];
}
export interface SlipView {
  id: string;
  state: 'written' | 'away' | 'back';
  title: string;
  household: string;
  written: string;
  expectedOn: string;
  currency: string;
  price: string;
  worthIt: boolean | null;
  note: string;
  pieces: SlipPiece[];
}
const hourMs = 3_600_000;

export async function slipView({ tx, now }: Scope, id: string): Promise<SlipView | null> {
  const visit = await findVisit(tx, id);
  if (!visit) return null;
  const home = await readHousehold(tx);
  const zone = home?.timeZone ?? 'UTC';
  const currency = home?.document.tariff?.currency ?? 'EUR';
  const visits = (await listVisits(tx)).filter((v) => v.id !== id);
  const here = new Map(
    [...(await listPieces(tx)), ...(await listPieces(tx, 'gone'))].map((p) => [p.row.id, p] as const),
  );
  const pieces: SlipPiece[] = [];
  for (const { garment, say, keeps, marks, answers } of visit.pieces) {
    const piece = here.get(garment);
    if (!piece) continue;
    const label = labelOf(piece.row.label);
    const ground = piece.row.colours.find((c) => c.role === 'ground')?.hex ?? '#8b8d94';
    const looks = returnLooksOf({
      marks: marks.length,
      measured: Object.keys(piece.state.measures).length > 0,
      parts: true,
    });
    pieces.push({
      ...named(piece, beforeText(visits, garment, currency)),
      facts: `${partsInWords(piece.row.parts)}, ${colourNames[colourClass(labOf(ground))]}`,
      symbols: label ? symbolsOf(label) : [],
      marks: marks.map((m) => {
        const hours = m.ageHours === null ? null : m.ageHours + (now.getTime() - visit.writtenAt.getTime()) / hourMs;
        return `${stainNames[m.kind]}${m.place ? `, ${m.place}` : ''}${hours === null ? ', of unknown age' : hours < 48 ? `, about ${Math.round(hours)} h old` : `, about ${Math.round(hours / 24)} days old`}`;
      }),
      tried: await treatmentLines(tx, garment, zone),
      say,
      keeps: keeps || (piece.state.detached ?? ''),
      looks: looks.map((look) => {
        const answer = answers[look] ?? null;
        const remedy = answer === null ? null : returnRemedy(look, answer);
        return {
          look,
          question: returnWords[look].question,
          answers: returnAnswers[look].map((value) => ({ value, words: returnWords[look].answers[value] ?? value })),
          answer,
          remedy: remedy && remedyWords[remedy],
        };
      }),
    });
  }
  return {
    id,
    state: visit.returnedAt ? 'back' : visit.sentAt ? 'away' : 'written',
    title: pieces.map((p) => p.name).join(', '),
    household: home?.name ?? '',
    written: dayAndYear(visit.writtenAt, zone),
    expectedOn: visit.expectedOn ?? '',
    currency: currencySign(currency),
    price: visit.price === null ? '' : visit.price.toFixed(2),
    worthIt: visit.worthIt,
    note: visit.note,
    pieces,
  };
}
