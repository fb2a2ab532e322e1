/**
 * What a household teaches: each lesson with its value in the book, what was found here, and the evidence. Whoever prefers the book switches a lesson
 * off; a lesson moves an estimate, never a limit of label, fibre or safety.
 */
import type { BleedingDye } from '../colour/dye.ts';
import type { FibreId } from '../fibre/fibres.ts';
import type { StainKind } from '../stain/stains.ts';
import type { WearGroup } from '../wear/wear.ts';

export const lessonGroups = ['programme', 'energy', 'dose', 'place', 'wears', 'stain', 'dye', 'shrinkage'] as const;
export type LessonGroup = (typeof lessonGroups)[number];

export type LessonSubject =
  | { is: 'programme'; washer: string; programme: string }
  | { is: 'energy'; washer: string; programme: string; temperatureC: number }
  | { is: 'dose'; product: string }
  | { is: 'place'; place: string }
  | { is: 'wears'; owner: string; group: WearGroup; wool: boolean }
  | { is: 'stain'; stain: StainKind; fibre: FibreId }
  | { is: 'dye'; dye: BleedingDye }
  | { is: 'shrinkage'; garment: string };

/** One thing that was seen. */
export interface Evidence {
  /** ISO 8601. */
  at: string;
  /** In the unit of the lesson. */
  value: number;
  /** What the book expected of this very one; null = the lesson's own value. */
  expected: number | null;
  /** Too odd, or too old, to count. */
  counts: boolean;
}
export interface Lesson {
  subject: LessonSubject;
  /**
   * What the book says, in the unit of the group: minutes, kWh of a full load, share of the pack's dose, hours for each hour of the model, wears, points
   * of a hundred, times the loose dye, share of the shrinkage foretold.
   */
  book: number;
  /** null = not enough was seen yet. */
  learnt: number | null;
  evidence: readonly Evidence[];
  /** So much must be seen before it counts. */
  needed: number;
  /** Of marks: what was used, on how many, and how many of them came out (lighter counts half). */
  byAgent?: readonly { agent: string; marks: number; came: number }[];
}
/** Stable, so that a switch finds its lesson. */
export function lessonKey(s: LessonSubject): string {
  switch (s.is) {
    case 'programme':
      return `programme/${s.washer}/${s.programme}`;
    case 'energy':
      return `energy/${s.washer}/${s.programme}/${s.temperatureC}`;
    case 'dose':
      return `dose/${s.product}`;
    case 'place':
      return `place/${s.place}`;
    case 'wears':
      return `wears/${s.owner}/${s.group}${s.wool ? '/wool' : ''}`;
    case 'stain':
      return `stain/${s.stain}/${s.fibre}`;
    case 'dye':
      return `dye/${s.dye}`;
    case 'shrinkage':
      return `shrinkage/${s.garment}`;
  }
}
/** A lesson that changes something. */
export type LearntLesson = Lesson & { learnt: number };
/** From this share of the book's value on the two differ; points of a stain, in points. */
const tellsFrom = 0.03;
const tellsPoints = 1;
export const isLearnt = (l: Lesson): l is LearntLesson =>
  l.learnt !== null &&
  (l.subject.is === 'stain' ? Math.abs(l.learnt) >= tellsPoints : Math.abs(l.learnt - l.book) >= tellsFrom * l.book);

/** What the next plan takes from the lessons about the house; what is about one piece stands with the piece. */
export interface Learnt {
  /** Hours a place takes for each hour of the model, by its id. */
  slowness: ReadonlyMap<string, number>;
  /** Points added to the odds of a mark of a kind on cloth that is mostly of a fibre. */
  stains: readonly { stain: StainKind; fibre: FibreId; points: number }[];
  /** Loose dye against the book, by dye. */
  dyes: ReadonlyMap<BleedingDye, number>;
}
export const nothingLearnt: Learnt = { slowness: new Map(), stains: [], dyes: new Map() };
