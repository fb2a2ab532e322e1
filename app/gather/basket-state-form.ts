/** The form that marks a piece in the basket: soil, wear, needed-by. Stains have a form of their own. */
import * as v from 'valibot';
import { soilOrder } from '@core/model/orders.ts';
import { activities } from '@core/model/garment.ts';
import type { BasketState } from '@data/schema.ts';

const checkbox = v.optional(
  v.pipe(
    v.string(),
    v.transform((s) => s === 'on'),
  ),
);
export const basketStateSchema = v.object({
  soil: v.picklist(soilOrder, 'Soil: choose one of the shown.'),
  activity: v.picklist(activities, 'Worn: choose one of the shown.'),
  odour: checkbox,
  hygiene: checkbox,
  neededBy: v.optional(
    v.pipe(
      v.string(),
      v.regex(/^\d{4}-\d{2}-\d{2}$/, 'Needed by: give a date.'),
      v.check((s) => !Number.isNaN(Date.parse(s)), 'Needed by: give a real date.'),
    ),
  ),
});

/** The stored state; its marks stay as they are. */
export function toBasketState(form: v.InferOutput<typeof basketStateSchema>, before: BasketState | null): BasketState {
  return {
    soil: form.soil,
    activity: form.activity,
    odour: Boolean(form.odour),
    hygiene: Boolean(form.hygiene),
    neededBy: form.neededBy ? `${form.neededBy}T18:00:00Z` : null,
    stains: before?.stains ?? [],
  };
}
