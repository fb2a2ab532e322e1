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
export type MeasurePlace = (typeof measurePlaces)[number];

/** Places by the way a kind is measured; none for what has no size to lose. */
const measuredPlaces: Readonly<Record<MeasureSet, readonly MeasurePlace[]>> = {
  sleeved: ['body-length', 'chest', 'sleeve'],
  sleeveless: ['body-length', 'chest'],
  legs: ['waist', 'front-rise', 'thigh', 'knee', 'leg-opening', 'inseam'],
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
  place: MeasurePlace;
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

/** The first measure against the newest, by place; places measured once say nothing yet. */
export function sizeChanges(measures: readonly Measure[], cloth: SizeCloth): SizeChange[] {
  return measurePlaces.flatMap((place) => {
    const list = measures.filter((m) => m.place === place).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
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
