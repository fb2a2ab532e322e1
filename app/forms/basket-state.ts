/** The form that marks a piece in the basket: soil, wear, needed-by, one stain. */
import * as v from 'valibot';
import { soilOrder } from '@core/model/orders.ts';
import { activities } from '@core/model/garment.ts';
import { stainKinds } from '@core/stain/stains.ts';
import type { BasketState } from '@data/schema.ts';
import { typedNumber } from './numbers.ts';

const checkbox = v.optional(v.pipe(v.string(), v.transform((s) => s === 'on')));
export const basketStateSchema = v.object({
  soil: v.picklist(soilOrder, 'Soil: choose one of the shown.'),
  activity: v.picklist(activities, 'Worn: choose one of the shown.'),
  odour: checkbox, hygiene: checkbox,
  neededBy: v.optional(v.pipe(v.string(), v.regex(/^\d{4}-\d{2}-\d{2}$/, 'Needed by: give a date.'), v.check((s) => !Number.isNaN(Date.parse(s)), 'Needed by: give a real date.'))),
  stainKind: v.optional(v.picklist(stainKinds, 'Stain: choose one of the shown.')),
  stainSizeCm: typedNumber('Stain size', 0.1, 100, 'cm'),
  stainPlace: v.optional(v.pipe(v.string(), v.maxLength(40, 'Place: at most 40 letters.'))),
});

/** The stored state; a stain that stays keeps its age and history. */
export function toBasketState(form: v.InferOutput<typeof basketStateSchema>, before: BasketState | null): BasketState {
  const old = before?.stains[0];
  const same = old && old.kind === form.stainKind;
  return {
    soil: form.soil, activity: form.activity, odour: Boolean(form.odour), hygiene: Boolean(form.hygiene), neededBy: form.neededBy ? `${form.neededBy}T18:00:00Z` : null,
    stains: form.stainKind ? [{ ...(same ? old : { ageHours: null, heatSet: false }), id: 's1', kind: form.stainKind, place: form.stainPlace ?? '', sizeCm: form.stainSizeCm ?? null }] : [],
  };
}
