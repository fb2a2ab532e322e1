/** The last look as its screen shows it: the open questions in the order that matters, what follows from the answers, what is measured. */
import {
  canBeAnswered,
  isGood,
  lookFacts,
  remedyOf,
  rinseLitres,
  type Look,
  type LookKind,
} from '@core/run/inspection.ts';
import { lengthText } from '../shared/words.ts';
import { isSize, placesOf, sizeChanges, type MeasurePlace } from '@core/garment/measures.ts';
import { sizeClothOf } from '@core/piece/size-cloth.ts';
import { labOf } from '@core/colour/colour.ts';
import { garmentOf } from '@formats/hamper.ts';
import { placeWordsOf, sizeAdviceText } from '@words/en/garment.ts';
import { lookQuestions } from '@words/en/look.ts';
import { textOf } from '@words/text.ts';
import type { Finding } from '@data/findings.ts';
import { garmentDocument, listPieces, type Piece } from '@data/garments.ts';
import { findLoad, plannedAside, type LoadView } from '@data/loads.ts';
import { wetNow } from '@data/wet.ts';
import { stainNames } from '@words/en/things.ts';
import { preferences } from '../server/preferences.server.ts';
import { gradeSteps, type GradeView } from '../test/grades.server.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import { looksOfLoad } from './inspect.server.ts';
import { loadFacts, loadTitle, type PieceRef } from './load-view.server.ts';

export interface LookView {
  id: string;
  kind: LookKind;
  title: string;
  question: string;
  answers: { id: string; words: string; good: boolean }[];
  pieces: PieceRef[];
  /** A bad answer says which pieces. */
  asksWhich: boolean;
  /** Places to measure, with the length before, cm. */
  measures: { place: MeasurePlace; name: string; before: string }[];
  waitsForDry: boolean;
  /** It is asked of dry cloth. */
  dry: boolean;
  /** The steps a catcher is compared with, in the strongest dye of this load. */
  grades: GradeView[];
}
export interface SeenView {
  id: string;
  title: string;
  answer: string;
  good: boolean;
  pieces: PieceRef[];
  remedy: { is: string; text: string } | null;
  /** What to do about each changed length. */
  lengths: string[];
  note: string;
}
export interface InspectView {
  id: string;
  title: string;
  finished: boolean;
  open: LookView[];
  seen: SeenView[];
  /** How many of the open questions may be answered together. */
  together: number;
  /** In which unit lengths are typed. */
  lengthUnit: 'cm' | 'inch';
  /** Loads that are washed again, ready to start. */
  again: { id: string; title: string }[];
  rescue: string | null;
}

/** The deepest colour of the load: what a catcher would show. */
function strongestDye(load: LoadView): string {
  const hexes = load.hamper.garments
    .filter((g) => load.load.garments.includes(g.id))
    .flatMap((g) => g.colours.map((c) => c.hex));
  const [deepest] = [...hexes].sort((a, b) => labOf(a).lightness - labOf(b).lightness);
  return deepest ?? '#555555';
}

function lookTitle(look: Look, names: ReadonlyMap<string, string>): string {
  const { title } = lookQuestions[look.kind];
  if (look.stain)
    return `${stainNames[look.stain.kind]} on ${names.get(look.pieces[0] ?? '') ?? 'one piece'}${look.kind === 'mark-dry' ? ', now dry' : ''}`;
  if (look.kind === 'size') return `Size: ${names.get(look.pieces[0] ?? '') ?? 'one piece'}`;
  return title;
}
const known = (piece: Piece | undefined): ReadonlyMap<MeasurePlace, number> =>
  new Map((piece?.state.measures ?? []).map((m) => [m.place, m.cm] as const));

export async function inspectView(scope: Scope, loadId: string): Promise<InspectView> {
  const load = await findLoad(scope.tx, loadId);
  if (!load) throw notFound('That load is not known here.');
  const facts = loadFacts(load.hamper, load.plan, load.load);
  const refs = new Map(facts.card.pieces.map((p) => [p.id, p] as const));
  const names = new Map(facts.card.pieces.map((p) => [p.id, p.name] as const));
  const refsOf = (ids: readonly string[]): PieceRef[] => ids.flatMap((id) => refs.get(id) ?? []);
  const pieces = new Map((await listPieces(scope.tx)).map((p) => [p.row.id, p] as const));
  const { open, answered } = await looksOfLoad(scope, load);
  const stillWet = await wetNow(scope.tx);
  const again = (await plannedAside(scope.tx)).filter((l) => l.load.garments.some((g) => names.has(g)));
  const tinted = answered.find((f) => f.kind === 'dye' && !isGood('dye', f.answer));
  const strong = answered.some((f) => f.kind === 'catcher' && f.answer === 'strong');
  return {
    id: load.id,
    title: loadTitle(facts),
    finished: load.status === 'finished',
    open: open.map((look) => ({
      id: look.id,
      kind: look.kind,
      title: lookTitle(look, names),
      question: lookQuestions[look.kind].question,
      answers: lookFacts[look.kind].answers.map((a) => ({
        id: a,
        words: lookQuestions[look.kind].answers[a] ?? a,
        good: isGood(look.kind, a),
      })),
      pieces: refsOf(look.pieces),
      asksWhich: lookFacts[look.kind].which && look.pieces.length > 1,
      measures: look.kind === 'size' ? measuresOf(pieces.get(look.pieces[0] ?? '')) : [],
      waitsForDry: !canBeAnswered(look, stillWet),
      dry: lookFacts[look.kind].when === 'dry',
      grades: look.kind === 'catcher' ? gradeSteps(strongestDye(load)) : [],
    })),
    seen: answered.map((f) => seenView(f, load, refsOf, names, pieces)),
    lengthUnit: preferences().units.length === 'in' ? 'inch' : 'cm',
    together: open.filter((l) => !lookFacts[l.kind].alone && lookFacts[l.kind].when === 'wet').length,
    again: again.map((l) => ({ id: l.id, title: loadTitle(loadFacts(l.hamper, l.plan, l.load)) })),
    rescue:
      tinted || strong
        ? `/rescue?${new URLSearchParams([
            ['what', 'dye-transfer'],
            ...(tinted?.pieces ?? load.load.garments).map((p): [string, string] => ['piece', p]),
          ]).toString()}`
        : null,
  };
}
function measuresOf(piece: Piece | undefined): LookView['measures'] {
  if (!piece) return [];
  const before = known(piece);
  const inches = preferences().units.length === 'in';
  return placesOf(piece.row.kind).flatMap((place) => {
    const cm = before.get(place);
    return cm === undefined || !isSize({ place })
      ? []
      : [{ place, name: placeWordsOf(piece.row.kind)[place].name, before: `before: ${lengthText(cm, inches)}` }];
  });
}

function seenView(
  f: Finding,
  load: LoadView,
  refsOf: (ids: readonly string[]) => PieceRef[],
  names: ReadonlyMap<string, string>,
  pieces: ReadonlyMap<string, Piece>,
): SeenView {
  const words = lookQuestions[f.kind];
  const { massKg, waterL, temperatureC, method } = load.load;
  const remedy = remedyOf(f.kind, f.answer, {
    massKg,
    rinseL: rinseLitres(waterL, method === 'hand', rinsesOf(load)),
    temperatureC,
  });
  const piece = pieces.get(f.pieces[0] ?? '');
  const stainId = f.look.split('/')[2];
  const stain = load.hamper.garments.find((g) => g.id === f.pieces[0])?.stains?.find((s) => s.id === stainId);
  return {
    id: f.look,
    title: stain
      ? `${stainNames[stain.kind]} on ${names.get(f.pieces[0] ?? '') ?? 'one piece'}${f.kind === 'mark-dry' ? ', dry' : ''}`
      : f.kind === 'size'
        ? `Size: ${names.get(f.pieces[0] ?? '') ?? ''}`
        : words.title,
    answer: words.answers[f.answer] ?? f.answer,
    good: isGood(f.kind, f.answer),
    pieces: f.pieces.length < load.load.garments.length ? refsOf(f.pieces) : [],
    remedy: remedy && { is: remedy.is, text: textOf(remedy.message) },
    lengths:
      f.kind === 'size' && piece
        ? sizeChanges(piece.state.measures, sizeClothOf(garmentOf(garmentDocument(piece)))).flatMap((c) => {
            const length = (cm: number): string => lengthText(cm, preferences().units.length === 'in');
            const advice = sizeAdviceText(c.advice, length);
            const { name } = placeWordsOf(piece.row.kind)[c.place];
            return advice ? [`${name}: ${length(c.beforeCm)} before, ${length(c.nowCm)} now. ${advice}`] : [];
          })
        : [],
    note: f.note,
  };
}
const rinsesOf = (load: LoadView): number => load.load.procedure.filter((s) => s.step === 'rinse').length;
