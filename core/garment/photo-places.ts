/** Where on a piece a picture is taken, and at which moment: the same place again shows what time has done. */
import { kindFacts, type GarmentKind, type MeasureSet } from './kinds.ts';

export const photoMoments = ['as-new', 'worn', 'before-wash', 'after-wash', 'mark', 'mended'] as const;
export type PhotoMoment = (typeof photoMoments)[number];

export const photoPlaces = [
  'whole-front',
  'whole-back',
  'inside',
  'collar',
  'cuff',
  'elbow',
  'underarm',
  'front',
  'back',
  'hem',
  'pocket',
  'waist',
  'seat',
  'crotch',
  'whiskers',
  'thigh',
  'knee',
  'back-of-knee',
  'leg-opening',
  'edge',
  'middle',
  'seam',
] as const;
export type PhotoPlace = (typeof photoPlaces)[number];

const whole: readonly PhotoPlace[] = ['whole-front', 'whole-back', 'inside'];
const last: readonly PhotoPlace[] = ['hem', 'seam'];
const placesBySet: Readonly<Record<MeasureSet, readonly PhotoPlace[]>> = {
  sleeved: [...whole, 'collar', 'cuff', 'elbow', 'underarm', 'front', 'back', 'pocket', ...last],
  sleeveless: [...whole, 'underarm', 'front', 'back', ...last],
  legs: [
    ...whole,
    'whiskers',
    'thigh',
    'knee',
    'back-of-knee',
    'crotch',
    'seat',
    'pocket',
    'waist',
    'leg-opening',
    'seam',
  ],
  shorts: [...whole, 'whiskers', 'thigh', 'crotch', 'seat', 'pocket', 'waist', 'leg-opening', 'seam'],
  skirt: [...whole, 'waist', 'front', 'back', 'pocket', ...last],
  sheet: ['whole-front', 'middle', 'edge', 'seam'],
  none: ['whole-front', 'whole-back', 'inside', 'middle', 'edge', 'seam'],
};
/**
 * The places of a kind that a diary looks at, the whole first.
 * @example photoPlacesOf('jeans') // ['whole-front', 'whole-back', 'inside', 'whiskers', 'thigh', …]
 */
export const photoPlacesOf = (kind: GarmentKind): readonly PhotoPlace[] => placesBySet[kindFacts(kind).measured];
