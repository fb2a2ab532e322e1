/** Places and moments of pictures. */
import type { PhotoMoment, PhotoPlace } from '@core/garment/photo-places.ts';

export const photoPlaceWords: Record<PhotoPlace, string> = {
  'whole-front': 'Whole, front',
  'whole-back': 'Whole, back',
  inside: 'Inside',
  collar: 'Collar',
  cuff: 'Cuff',
  elbow: 'Elbow',
  underarm: 'Underarm',
  front: 'Front',
  back: 'Back',
  hem: 'Hem',
  pocket: 'Pocket',
  waist: 'Waistband',
  seat: 'Seat',
  crotch: 'Crotch',
  whiskers: 'Whiskers at the hip',
  thigh: 'Thigh',
  knee: 'Knee',
  'back-of-knee': 'Back of the knee',
  'leg-opening': 'Leg opening',
  edge: 'Edge',
  middle: 'Middle',
  seam: 'Seam',
};
export const photoMomentWords: Record<PhotoMoment, string> = {
  'as-new': 'As new',
  worn: 'Worn',
  'before-wash': 'Before the wash',
  'after-wash': 'After the wash',
  mark: 'A mark',
  mended: 'Mended',
};
