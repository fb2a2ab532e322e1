/** What was learnt, lesson by lesson, with its evidence and whether it is believed. */
import { isLearnt, lessonGroups, lessonKey, type Evidence, type Lesson, type LessonGroup } from '@core/learn/lesson.ts';
import { garmentOf } from '@formats/hamper.ts';
import { shrinkLeftPercent } from '@core/learn/shrinkage.ts';
import { isSize } from '@core/garment/measures.ts';
import { shrinkPercent } from '@core/shrinkage/shrinkage.ts';
import { placeWordsOf } from '@words/en/garment.ts';
import {
  evidenceText,
  lessonGroupWords,
  lessonSentence,
  lessonTitle,
  lessonValue,
  tooLittle,
  type LessonNames,
} from '@words/en/learn.ts';
import { garmentDocument, listPieces, type Piece } from '@data/garments.ts';
import { readHousehold, type HouseholdView } from '@data/household.ts';
import { readLessons, type Lessons } from '@data/lessons.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import { loggedName } from '@words/en/chemistry.ts';
import { shortDay } from '../shared/words.ts';

export interface LessonView {
  key: string;
  title: string;
  /** What the next plan reckons with. */
  sentence: string;
  /** It differs from the book, and there is enough of it. */
  differs: boolean;
  believed: boolean;
  book: string;
  evidence: { day: string; text: string; counts: boolean; share: number | null }[];
  more: number;
  /** The book and what was learnt on the scale of the evidence, 0–1. */
  bookAt: number;
  learntAt: number | null;
  besides: string;
}
export interface LearntView {
  groups: { id: string; title: string; what: string; lessons: LessonView[] }[];
  believedCount: number;
}

export function namesOf(home: HouseholdView, pieces: readonly Piece[]): LessonNames {
  const d = home.document;
  const byId = new Map(pieces.map((p) => [p.row.id, p.row.name]));
  return {
    programme: (washer, programme) => {
      const w = d.washers?.find((x) => x.id === washer);
      const several = (d.washers?.length ?? 0) > 1;
      const name = w?.programmes.find((p) => p.id === programme)?.name ?? programme;
      return several ? `${name}, ${w?.name ?? washer}` : name;
    },
    product: (id) => d.products?.find((p) => p.id === id)?.name ?? id,
    place: (id) => d.dryingPlaces?.find((p) => p.id === id)?.name ?? id,
    garment: (id) => byId.get(id) ?? id,
  };
}
const shownEvidence = 12;

/** Where a piece of evidence stands beside book and lesson; null = it is no number of that kind. */
function onScale(is: LessonGroup, { value, expected }: Evidence): number | null {
  switch (is) {
    case 'stain':
      return value - (expected ?? value);
    case 'shrinkage':
      return expected !== null && expected >= 0.5 ? Math.max(0, value) / expected : null;
    case 'dye':
      return null;
    default:
      return value;
  }
}
function lessonView(l: Lesson, { off }: Lessons, names: LessonNames, timeZone: string, besides: string): LessonView {
  const key = lessonKey(l.subject);
  const { is } = l.subject;
  const dots = l.evidence.slice(0, shownEvidence).map((e) => ({ e, at: onScale(is, e) }));
  const values = [...dots.flatMap((d) => d.at ?? []), l.book, l.learnt ?? l.book];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const share = (x: number): number => (high > low ? (x - low) / (high - low) : 0.5);
  const counted = l.evidence.filter((e) => e.counts).length;
  return {
    key,
    title: lessonTitle(l.subject, names),
    sentence: isLearnt(l) ? lessonSentence(l) : tooLittle(counted, l.needed),
    differs: isLearnt(l),
    believed: !off.has(key),
    book: lessonValue(is, l.book),
    evidence: dots.map(({ e, at }) => ({
      day: shortDay(new Date(e.at), timeZone),
      text: evidenceText(is, e.value, e.expected),
      counts: e.counts,
      share: at === null ? null : share(at),
    })),
    more: Math.max(0, l.evidence.length - shownEvidence),
    bookAt: share(l.book),
    learntAt: l.learnt === null ? null : share(l.learnt),
    besides,
  };
}

/** How marks came out with each agent that was used on them. */
const shownAgents = 4;
const agentsText = ({ byAgent = [] }: Lesson): string =>
  byAgent.length === 0
    ? ''
    : `Came out with ${byAgent
        .slice(0, shownAgents)
        .map((a) => `${loggedName(a.agent).toLowerCase()}: ${a.came} of ${a.marks}`)
        .join('; ')}.`;

/** What each place of a measured piece may still lose. */
function leftText(piece: Piece, share: number): string {
  const g = garmentOf(garmentDocument(piece));
  const words = placeWordsOf(piece.row.kind);
  const sizes = piece.state.measures.filter(isSize);
  const places = [...new Set(sizes.map((m) => m.place))];
  const left = places.flatMap((place) => {
    const list = sizes.filter((m) => m.place === place).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
    const [first] = list;
    const last = list.at(-1);
    if (!first || !last || list.length < 2) return [];
    const percent = shrinkLeftPercent(g, place, shrinkPercent(first.cm, last.cm), share);
    return [`${words[place].name.toLowerCase()} ${percent.toFixed(1)} %`];
  });
  return left.length > 0 ? `May still lose: ${left.join(', ')}.` : '';
}

export async function learntView({ tx, now }: Scope): Promise<LearntView> {
  const home = await readHousehold(tx);
  if (!home) throw notFound('There is no household yet.');
  const pieces = await listPieces(tx);
  const lessons = await readLessons(tx, home.document, pieces, now);
  const names = namesOf(home, pieces);
  const views = lessons.all.map((l) => {
    const { subject } = l;
    const piece = subject.is === 'shrinkage' ? pieces.find((p) => p.row.id === subject.garment) : undefined;
    const share = l.learnt !== null && !lessons.off.has(lessonKey(subject)) ? l.learnt : 1;
    const besides = piece ? leftText(piece, share) : agentsText(l);
    return { is: subject.is, view: lessonView(l, lessons, names, home.timeZone, besides) };
  });
  return {
    groups: lessonGroups.map((id) => ({
      id,
      ...lessonGroupWords[id],
      lessons: views
        .filter((v) => v.is === id)
        .map((v) => v.view)
        .sort((a, b) => Number(b.differs) - Number(a.differs) || a.title.localeCompare(b.title, 'en')),
    })),
    believedCount: views.filter((v) => v.view.differs && v.view.believed).length,
  };
}

/** What the next plan was taught, in one line each. */
export function toldOfLessons(home: HouseholdView, pieces: readonly Piece[], lessons: Lessons): string[] {
  const names = namesOf(home, pieces);
  return lessons.all.flatMap((l) =>
    isLearnt(l) && !lessons.off.has(lessonKey(l.subject))
      ? [`${lessonTitle(l.subject, names)}: ${lessonSentence(l)}`]
      : [],
  );
}
