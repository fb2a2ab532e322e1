/** The household and its pieces as the next plan sees them: with what they have taught, where nobody prefers the book. */
import { isLearnt, lessonKey, type LearntLesson, type LessonSubject } from '../core/learn/lesson.ts';
import type { GarmentDocument, HouseholdDocument } from '../formats/hamper-schema.ts';
import type { Piece } from './garments.ts';
import type { Transaction } from './client.ts';
import { readLessons, wearsSubject, type Lessons } from './lessons.ts';

export type LearntGarment = NonNullable<GarmentDocument['learnt']>;
type Of<K extends LessonSubject['is']> = LearntLesson & { subject: Extract<LessonSubject, { is: K }> };

/** Lessons of a kind that hold. */
export const inForce = <K extends LessonSubject['is']>({ all, off }: Lessons, is: K): Of<K>[] =>
  all.filter((l): l is Of<K> => l.subject.is === is && isLearnt(l) && !off.has(lessonKey(l.subject)));

const scaled = (row: { light: number; normal: number; heavy: number }, share: number) => ({
  light: row.light * share,
  normal: row.normal * share,
  heavy: row.heavy * share,
});
const rounded = (x: number): number => Math.round(x * 1000) / 1000;

/** Machines, products and places with the times, doses and hours they have taught; what nobody taught stays as it was written. */
export function asLearnt(document: HouseholdDocument, lessons: Lessons): HouseholdDocument {
  const minutes = inForce(lessons, 'programme');
  const energy = inForce(lessons, 'energy');
  const doses = new Map(inForce(lessons, 'dose').map((l) => [l.subject.product, l.learnt]));
  const learnt = beyond(lessons);
  return {
    ...document,
    ...(learnt ? { learnt } : {}),
    washers: document.washers?.map((w) => ({
      ...w,
      programmes: w.programmes.map((p) => {
        const of = (s: { washer: string; programme: string }): boolean => s.washer === w.id && s.programme === p.id;
        const kwh = energy.filter((l) => of(l.subject)).map((l) => [String(l.subject.temperatureC), l.learnt] as const);
        return {
          ...p,
          durationMin: minutes.find((l) => of(l.subject))?.learnt ?? p.durationMin,
          energyKwhAt: kwh.length > 0 ? { ...p.energyKwhAt, ...Object.fromEntries(kwh) } : p.energyKwhAt,
        };
      }),
    })),
    products: document.products?.map((p) => {
      const share = doses.get(p.id) ?? 1;
      if (share === 1 || !p.dose) return p;
      const { table, handPerLitre } = p.dose;
      return {
        ...p,
        dose: {
          ...p.dose,
          table: table && {
            soft: scaled(table.soft, share),
            medium: scaled(table.medium, share),
            hard: scaled(table.hard, share),
          },
          ...(typeof handPerLitre === 'number' ? { handPerLitre: handPerLitre * share } : {}),
        },
      };
    }),
  };
}
/** What has no place of its own in the document; null = nothing. */
function beyond(lessons: Lessons): HouseholdDocument['learnt'] | null {
  const places = inForce(lessons, 'place');
  const stains = inForce(lessons, 'stain');
  const dyes = inForce(lessons, 'dye');
  if (places.length + stains.length + dyes.length === 0) return null;
  return {
    ...(places.length > 0
      ? { placeSlowness: Object.fromEntries(places.map((l) => [l.subject.place, rounded(l.learnt)])) }
      : {}),
    ...(stains.length > 0
      ? {
          stainPoints: stains.map((l) => ({
            kind: l.subject.stain,
            fibre: l.subject.fibre,
            points: Math.round(l.learnt),
          })),
        }
      : {}),
    ...(dyes.length > 0 ? { looseDye: dyes.map((l) => ({ dye: l.subject.dye, factor: rounded(l.learnt) })) } : {}),
  };
}

/** The wardrobe and its household as taught; without a household, as they are. */
export async function teach(
  tx: Transaction,
  document: HouseholdDocument | null,
  pieces: readonly Piece[],
  now: Date,
): Promise<{ document: HouseholdDocument; pieces: Piece[]; lessons: Lessons }> {
  const lessons: Lessons = document
    ? await readLessons(tx, document, pieces, now)
    : { all: [], off: new Set<string>() };
  return { document: asLearnt(document ?? {}, lessons), pieces: pieces.map((p) => taught(p, lessons)), lessons };
}

/** A piece with the wears its owner gives it, and the shrinkage it has shown. */
export function taught(piece: Piece, lessons: Lessons): Piece {
  const habit = wearsSubject(piece);
  const wears = habit && inForce(lessons, 'wears').find((l) => lessonKey(l.subject) === lessonKey(habit))?.learnt;
  const shrinkShare = inForce(lessons, 'shrinkage').find((l) => l.subject.garment === piece.row.id)?.learnt;
  if (!wears && shrinkShare === undefined) return piece;
  return {
    ...piece,
    learnt: {
      ...(wears ? { wears: rounded(wears) } : {}),
      ...(shrinkShare === undefined ? {} : { shrinkShare: rounded(shrinkShare) }),
    },
  };
}
