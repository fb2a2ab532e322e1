/** Where a piece is measured: flat, smoothed, half widths, the same points every time; and what two measures say about its size. */
import { shrinkPercent, stretchTarget } from '../shrinkage/shrinkage.ts';
import { kindFacts, type GarmentKind, type MeasureSet } from './kinds.ts';

export const measurePlaces = [
  'body-length',
  'chest',
  'sleeve',
  'waist',
  'front-rise',
  'thigh',
  'knee',
  'leg-opening',
  'inseam',
] as const;
/**
 * What is noted beside the sizes: how far below the crotch this piece's knee is measured, and by how much the side seam
 * of a leg has turned to the front at the hem, cm. Neither is a length that shrinks.
 */
export const notedPlaces = ['knee-point', 'leg-twist'] as const;
export const allPlaces = [...measurePlaces, ...notedPlaces] as const;
export type SizePlace = (typeof measurePlaces)[number];
export type MeasurePlace = (typeof allPlaces)[number];
export const isSize = <M extends { place: MeasurePlace }>(m: M): m is M & { place: SizePlace } =>
  (measurePlaces as readonly string[]).includes(m.place);

/** Places by the way a kind is measured; none for what has no size to lose. */
const measuredPlaces: Readonly<Record<MeasureSet, readonly MeasurePlace[]>> = {
  sleeved: ['body-length', 'chest', 'sleeve'],
  sleeveless: ['body-length', 'chest'],
  legs: ['waist', 'front-rise', 'thigh', 'knee-point', 'knee', 'leg-opening', 'inseam', 'leg-twist'],
  shorts: ['waist', 'front-rise', 'thigh', 'leg-opening', 'inseam'],
  skirt: ['waist', 'body-length'],
  sheet: ['body-length', 'chest'],
  none: [],
};
export const placesOf = (kind: GarmentKind): readonly MeasurePlace[] => measuredPlaces[kindFacts(kind).measured];

export interface Measure {
  place: MeasurePlace;
  cm: number;
  at: string;
}
export interface SizeChange {
  place: SizePlace;
  beforeCm: number;
  nowCm: number;
  /** Per cent lost; negative = grown. */ lostPercent: number;
  advice: SizeAdvice;
}
/**
 * What to do about a change, and to which length in cm: damp cloth is stretched back no further than it bears, a grown knit pushed together to its
 * old size; raw denim is meant to shrink, and worn cloth that has given comes back in the wash.
 */
export type SizeAdvice =
  | { is: 'stretch-back'; toCm: number }
  | { is: 'push-back'; toCm: number }
  | { is: 'meant-to-shrink' | 'given-with-wear' | 'none' };
/** How a piece is made, as far as its size goes. */
export type SizeCloth = 'knit' | 'woven' | 'raw-denim';
/** Per cent from which a change is one; less is the hand that measures. */
const changeFrom = 1;
/** Per cent that cloth bears to be stretched back while damp (engineering estimates). */
const stretchPercent = { knit: 5, woven: 2, 'raw-denim': 2 } as const satisfies Record<SizeCloth, number>;

function adviceFor(beforeCm: number, nowCm: number, lostPercent: number, cloth: SizeCloth): SizeAdvice {
  if (lostPercent >= changeFrom)
    return cloth === 'raw-denim'
      ? { is: 'meant-to-shrink' }
      : { is: 'stretch-back', toCm: stretchTarget(beforeCm, nowCm, stretchPercent[cloth]) };
  if (lostPercent <= -changeFrom)
    return cloth === 'knit' ? { is: 'push-back', toCm: beforeCm } : { is: 'given-with-wear' };
  return { is: 'none' };
}

/**
 * Whether two lengths differ by more than the hand that measures.
 * @example sizeHasChanged(65, 64.5) // false
 */
export const sizeHasChanged = (beforeCm: number, nowCm: number): boolean =>
  Math.abs(shrinkPercent(beforeCm, nowCm)) >= changeFrom;

const inTime = (measures: readonly Measure[], place: MeasurePlace): Measure[] =>
  measures.filter((m) => m.place === place).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
/** Since when the knee is measured at the point where it is measured now, ms; -Infinity = ever. */
function kneePointSince(measures: readonly Measure[]): number {
  const points = inTime(measures, 'knee-point');
  const moved = points.findLastIndex((p, i) => i > 0 && p.cm !== points[i - 1]?.cm);
  return moved < 0 ? -Infinity : Date.parse(points[moved]?.at ?? '');
}

/** Half a centimetre is the hand that lays the leg flat. */
const twistFromCm = 1;
/**
 * How far the side seam of a leg has turned since it was first noted; null when noted once, or never.
 * `turned` = by more than the hand that lays it flat.
 */
export function legTwist(measures: readonly Measure[]): { beforeCm: number; nowCm: number; turned: boolean } | null {
  const list = inTime(measures, 'leg-twist');
  const [first] = list;
  const last = list.at(-1);
  if (!first || !last || list.length < 2) return null;
  return { beforeCm: first.cm, nowCm: last.cm, turned: last.cm - first.cm >= twistFromCm };
}

/**
 * The first measure against the newest, by place; places measured once say nothing yet. Knees are compared only at the
 * same point.
 */
export function sizeChanges(measures: readonly Measure[], cloth: SizeCloth): SizeChange[] {
  const kneeSince = kneePointSince(measures);
  return measurePlaces.flatMap((place) => {
    const list = inTime(measures, place).filter((m) => place !== 'knee' || Date.parse(m.at) >= kneeSince);
    const [first] = list;
    const last = list.at(-1);
    if (!first || !last || list.length < 2) return [];
    const lostPercent = shrinkPercent(first.cm, last.cm);
    return [
      {
        place,
        beforeCm: first.cm,
        nowCm: last.cm,
        lostPercent,
        advice: adviceFor(first.cm, last.cm, lostPercent, cloth),
      },
    ];
  });
}
export const cmPerInch = 2.54;
/** To half a centimetre, or a quarter inch when inches are used. */
export const roundMeasure = (cm: number, inches: boolean): number =>
  inches ? Math.round((cm / cmPerInch) * 4) / 4 : Math.round(cm * 2) / 2;
