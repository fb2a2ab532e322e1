/** The label reader's form, sent as a query so that a reading can be kept as a link. */
import * as v from 'valibot';
import { bleachOrder, ironOrder, tumbleOrder } from '@core/model/orders.ts';
import { garmentKinds } from '@core/garment/kinds.ts';
import { neededNumber } from '../forms/numbers.ts';
import { washChoices } from '../wardrobe/piece-schema.ts';

const stated = <const T extends readonly string[]>(values: T, label: string) =>
  v.optional(v.picklist(values, `${label}: choose one of the shown.`));
export const labelSchema = v.object({
  text: v.optional(v.pipe(v.string(), v.maxLength(600, 'Words: at most 600 letters.'))),
  kind: v.picklist(garmentKinds, 'Kind: choose one of the shown.'),
  colour: v.optional(
    v.pipe(v.string('Colour: choose one.'), v.regex(/^#[0-9a-fA-F]{6}$/, 'Colour: a colour like #2f6f6b.')),
    '#7d8a96',
  ),
  wearsPerWeek: neededNumber('Wears a week', 0.05, 14),
  wash: stated(washChoices, 'Wash symbol'),
  bleach: stated(bleachOrder, 'Bleach'),
  tumble: stated(tumbleOrder, 'Dryer'),
  iron: stated(ironOrder, 'Iron'),
  dryClean: stated(['P', 'P-mild', 'F', 'F-mild', 'any', 'none'] as const, 'Dry cleaning'),
});
export type LabelForm = v.InferOutput<typeof labelSchema>;
