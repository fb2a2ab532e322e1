/** The form that marks a piece in the basket: soil, wear, needed-by. Stains have a form of their own. */
import * as v from 'valibot';
import { soilOrder } from '@core/model/orders.ts';
import { activities } from '@core/model/garment.ts';
import { eveningOf, isDay } from '@formats/dates.ts';
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
      v.check((s) => isDay(s), 'Needed by: give a real date.'),
    ),
  ),
});

/** The stored state; its marks stay as they are. `timeZone` = the household's, for the day it is needed. */
export function toBasketState(
  form: v.InferOutput<typeof basketStateSchema>,
  before: BasketState | null,
  timeZone: string,
): BasketState {
  return {
    soil: form.soil,
    activity: form.activity,
    odour: Boolean(form.odour),
    hygiene: Boolean(form.hygiene),
    neededBy: form.neededBy ? eveningOf(form.neededBy, timeZone) : null,
    stains: before?.stains ?? [],
    ...(before?.soaked ? { soaked: true as const } : {}),
  };
}
