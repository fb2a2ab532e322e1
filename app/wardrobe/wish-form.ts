/** What is kept of a thing in a shop, besides its label. */
import * as v from 'valibot';
import { labelSchema } from '../label/label-form.ts';
import { typedNumber } from '../forms/numbers.ts';

export const wishSchema = v.object({
  ...labelSchema.entries,
  name: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80, 'Name: at most 80 letters.'))),
  owner: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(40, 'For whom: at most 40 letters.'))),
  price: typedNumber('Price', 0, 100_000),
});
