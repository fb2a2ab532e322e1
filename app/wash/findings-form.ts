import * as v from 'valibot';
import { catcherFindings, sizeFindings, stainFindings } from '@core/run/findings.ts';

/** The catcher, looked at after the load was finished. */
export const laterReadingSchema = v.object({
  catcher: v.picklist(['clear', 'trace', 'strong'], 'Colour catcher: choose what you saw.'),
});

/** What was seen at the end of a load. Questions that a load does not ask arrive as "none". */
export const findingsSchema = v.object({
  catcher: v.optional(v.picklist(catcherFindings, 'Colour catcher: choose what you saw.'), 'none'),
  stains: v.optional(v.picklist(stainFindings, 'Stains: choose what you saw.'), 'none'),
  size: v.optional(v.picklist(sizeFindings, 'Size: choose what you saw.'), 'not-looked'),
});
