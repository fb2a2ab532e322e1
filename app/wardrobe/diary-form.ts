/** A picture, where and when it was taken, and a note. */
import * as v from 'valibot';
import { photoMoments, photoPlaces } from '@core/garment/photo-places.ts';

export const photoField = 'photo';
export const photoSchema = v.object({
  moment: v.picklist(photoMoments, 'When: choose one of the shown.'),
  place: v.picklist(photoPlaces, 'Place: choose one of the shown.'),
  note: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(300, 'Note: at most 300 letters.'))),
});
