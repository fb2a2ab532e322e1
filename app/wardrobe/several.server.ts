/** Many pieces at once, one typed line each: read, asked about, stored. */
import { randomUUID } from 'node:crypto';
import { askedColours, colourWords } from '@core/colour/colour-words.ts';
import { garmentKinds, type GarmentKind } from '@core/garment/kinds.ts';
import { distinctName } from '@core/phrase/distinct-name.ts';
import { readPieceLine, type PieceLine } from '@core/phrase/piece-line.ts';
import { stainKinds, type StainKind } from '@core/stain/stains.ts';
import { washesBefore } from '@core/setup/past-washes.ts';
import { emptyState, putInBasket } from '@data/basket.ts';
import { appendEvents, type NewEvent } from '@data/events.ts';
import { addGarment, listPieces, peopleOf, type GarmentInput } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import type { MarkedStain } from '@data/schema.ts';
import { weekdayOf } from '@formats/dates.ts';
import { kindNames, stainNames } from '@words/en/things.ts';
import { field, type Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import type { ClothView } from '../ui/fold.tsx';
import { garmentOf, lineView, type LineView } from './line-view.server.ts';

export const mostLines = 80;
const minute = 60_000;

export interface LineRow {
  n: number;
  view: LineView;
  cloth: ClothView;
  name: string;
  asksColour: boolean;
  asksKind: boolean;
  /** Like pieces in the line; 1 = no question. */
  count: number;
}
export const linesOf = (text: string): string[] =>
  text
    .split(/\r?\n|(?<=\S) · (?=\S)/)
    .map((l) => l.replace(/^\s*[-*•]\s+/, '').trim())
    .filter(Boolean);

type Reader = (typed: string) => PieceLine;
/** How a line is read here and today: who lives here, and which day of the week it is. */
export async function readerOf({ tx, now }: Pick<Scope, 'tx' | 'now'>): Promise<Reader> {
  const people = await peopleOf(tx);
  const weekday = weekdayOf(now, (await readHousehold(tx))?.timeZone ?? 'UTC');
  return (typed) => readPieceLine(typed, people, weekday);
}

export function rowsOf(text: string, read: Reader): LineRow[] {
  return linesOf(text)
    .slice(0, mostLines)
    .map((line, k) => {
      const p = read(line.slice(0, 300));
      const garment = garmentOf(p, p.name);
      return {
        n: k + 1,
        view: lineView(p),
        cloth: clothOf(garment),
        name: p.name,
        asksColour: p.colours.length === 0,
        asksKind: p.kind === 'other',
        count: p.count ?? 1,
      };
    });
}
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
export const severalOptions = () => ({
  colours: askedColours.map((c) => [c, capital(c)] as const),
  kinds: garmentKinds
    .map((k) => [k, capital(k === 'other' ? 'Something else (200 g)' : kindNames[k])] as const)
    .sort((a, b) => a[1].localeCompare(b[1])),
});

interface Answered {
  read: PieceLine;
  garment: GarmentInput;
  /** One entry of so many, or so many entries. */
  entries: number;
}
/** The lines with their answers; errors by field. */
function answersOf(form: FormData, readLine: Reader): { pieces: Answered[]; errors: Record<string, string[]> } {
  const errors: Record<string, string[]> = {};
  const pieces: Answered[] = [];
  const lines = linesOf(field(form, 'text'));
  if (lines.length > mostLines)
    errors.text = [`At most ${mostLines} lines at once; these are ${lines.length}. Take the rest in a second go.`];
  for (const [k, line] of lines.slice(0, mostLines).entries()) {
    const n = k + 1;
    if (field(form, `skip-${n}`)) continue;
    if (line.length > 300) errors[`line-${n}`] = [`Line ${n}: at most 300 letters.`];
    const read = readLine(line.slice(0, 300));
    const colour = field(form, `colour-${n}`);
    const hex = (colourWords as Record<string, string>)[colour];
    if (read.colours.length === 0) {
      if (hex) read.colours.push({ hex, role: 'ground' });
      else errors[`colour-${n}`] = [`Line ${n}, colour: choose one.`];
    }
    const kind = field(form, `kind-${n}`);
    if (kind) {
      if ((garmentKinds as readonly string[]).includes(kind)) read.kind = kind as GarmentKind;
      else errors[`kind-${n}`] = [`Line ${n}, what it is: choose one of the shown.`];
    }
    const count = read.count ?? 1;
    const apart = count > 1 && field(form, `as-${n}`) === 'apart';
    pieces.push({
      read,
      garment: { ...garmentOf(read, apart || count === 1 ? read.nameOfOne : read.name), count: apart ? 1 : count },
      entries: apart ? count : 1,
    });
  }
  if (pieces.length === 0 && Object.keys(errors).length === 0)
    errors.text = ['Nothing to keep: type one piece a line.'];
  return { pieces, errors };
}

/** Marks as a form carries them from one screen to the next: "coffee@cuff;red-wine@". */
export const marksText = (marks: PieceLine['marks']): string =>
  marks.map((m) => [m.kind, m.place, m.ageHours ?? ''].join('@')).join(';');
export const marksOf = (text: string): PieceLine['marks'] =>
  text
    .split(';')
    .map((m) => m.split('@'))
    .flatMap(([kind = '', place = '', age = '']) =>
      (stainKinds as readonly string[]).includes(kind)
        ? [{ kind: kind as StainKind, place: place.slice(0, 60), ageHours: ageOf(age) }]
        : [],
    );
const ageOf = (text: string): number | null => {
  const hours = Number.parseFloat(text);
  return hours >= 0 && hours <= oldestHours ? hours : null;
};
/** A hundred years: no mark is older. */
const oldestHours = 876_000;

/** Keep a piece with what its line says of it. Returns its id. */
export async function keepPiece(
  scope: Scope,
  garment: GarmentInput,
  said: Pick<PieceLine, 'washCount' | 'wearsSinceWash' | 'marks' | 'odour'>,
  toBasket: boolean,
): Promise<string> {
  const { tx, householdId, now } = scope;
  const id = `p-${randomUUID().slice(0, 13)}`;
  await addGarment(tx, householdId, id, garment);
  const before = (minutes: number): Date => new Date(now.getTime() - minutes * minute);
  const events: NewEvent[] = [];
  if (said.washCount)
    events.push({
      garmentId: id,
      kind: 'washed',
      at: before(2),
      data: { count: Math.round(said.washCount), note: 'before Neat Fold' },
    });
  const wears = Math.round(said.wearsSinceWash ?? (toBasket ? 1 : 0));
  if (wears > 0) events.push({ garmentId: id, kind: 'worn', at: before(1), data: wears === 1 ? {} : { count: wears } });
  const stains: MarkedStain[] = said.marks.map((m, k) => ({
    id: `s${k + 1}`,
    kind: m.kind,
    ageHours: m.ageHours,
    heatSet: false,
    place: m.place,
    tried: [],
    sizeCm: null,
    failedRounds: 0,
  }));
  for (const s of stains)
    events.push({
      garmentId: id,
      kind: 'stained',
      at: now,
      data: { note: `${stainNames[s.kind]}${s.place ? `, ${s.place}` : ''}` },
    });
  await appendEvents(scope, events);
  if (toBasket) await putInBasket(tx, householdId, id, { ...emptyState, odour: said.odour, stains });
  return id;
}

/** Store every line that is not left out, or nothing and the errors by field. */
export async function keepLines(
  scope: Scope,
  form: FormData,
): Promise<{ kept: number } | { errors: Record<string, string[]> }> {
  const { pieces, errors } = answersOf(form, await readerOf(scope));
  if (Object.keys(errors).length > 0) return { errors };
  const taken = new Set((await listPieces(scope.tx)).map((p) => p.row.name.toLowerCase()));
  const toBasket = field(form, 'basket') === 'yes';
  const washedBefore = washesBefore[field(form, 'washed') as keyof typeof washesBefore] ?? 0;
  let kept = 0;
  for (const { read, garment, entries } of pieces)
    for (let n = 1; n <= entries; n++) {
      const name =
        entries > 1 ? distinctName({ ...garment, name: `${garment.name} ${n}` }, taken) : distinctName(garment, taken);
      taken.add(name.toLowerCase());
      await keepPiece(scope, { ...garment, name }, { ...read, washCount: read.washCount ?? washedBefore }, toBasket);
      kept++;
    }
  return { kept };
}
