import { data, redirect } from 'react-router';
import { readHousehold, rememberHousehold, saveGeneral } from '@data/household.ts';
import { hardnessOptions } from './hardness-options.ts';
import type { Route } from './+types/units';
import { readForm, seenOf } from '../forms/read.ts';
import { overtaken, versionOf } from '../forms/seen.server.ts';
import { conflict, notFound, onSubmit, withHousehold } from '../server/request.server.ts';
import { FieldGrid, SelectField, TextField } from '../ui/fields.tsx';
import { Editor, editorFields } from './parts/editor.tsx';
import { currencies, locales, shownUnits, unitsSchema } from './units-form.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Units · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const view = await readHousehold(tx);
    if (!view) throw notFound('There is no household yet.');
    const shown = shownUnits(view);
    const day = new Date(2026, 4, 9);
    return {
      start: shown,
      seen: versionOf(shown),
      currencies: currencies.map((c) => [c, c] as const),
      locales: locales.map(
        (l) => [l, `${day.toLocaleDateString(l, { dateStyle: 'medium' })}, ${(1234.5).toLocaleString(l)}`] as const,
      ),
      zones: Intl.supportedValuesOf('timeZone'),
    };
  });
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    const view = await readHousehold(tx);
    if (!view) throw notFound('There is no household yet.');
    const read = readForm(form, unitsSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const late = overtaken(form, shownUnits(view));
    if (late) return conflict(late);
    const { currency, timeZone, ...units } = read.value;
    await rememberHousehold(tx, householdId, { note: 'Units: changed', at: now });
    await saveGeneral(tx, { units, timeZone, tariff: { ...view.document.tariff, currency } });
    return redirect('/household');
  });

export default function Units({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const { bind } = editorFields(reply, v.start);
  return (
    <Editor
      title="Units, money, time zone"
      intro="How quantities are shown. Typed, any unit does: 104 F, 3 lb, 12 in. A change of currency changes no amounts: set the prices anew."
      reply={reply}
      seen={seenOf(reply, v.seen)}
    >
      <FieldGrid>
        <SelectField
          {...bind('temperature', 'Temperature')}
          options={[
            ['C', '°C'],
            ['F', '°F'],
          ]}
        />
        <SelectField
          {...bind('mass', 'Weight')}
          options={[
            ['kg', 'kilograms, grams'],
            ['lb', 'pounds, ounces'],
          ]}
        />
        <SelectField
          {...bind('volume', 'Liquid doses')}
          options={[
            ['ml', 'millilitres'],
            ['floz', 'fluid ounces (US)'],
            ['tbsp', 'tablespoons'],
          ]}
        />
        <SelectField
          {...bind('length', 'Length')}
          options={[
            ['cm', 'centimetres'],
            ['in', 'inches'],
          ]}
        />
        <SelectField {...bind('hardness', 'Water hardness')} options={hardnessOptions} />
        <SelectField {...bind('locale', 'Dates and numbers')} options={v.locales} />
        <SelectField {...bind('currency', 'Money')} options={v.currencies} />
        <TextField {...bind('timeZone', 'Time zone')} hint="Like Europe/Amsterdam." list="zones" />
      </FieldGrid>
      <datalist id="zones">
        {v.zones.map((z) => (
          <option key={z} value={z} />
        ))}
      </datalist>
    </Editor>
  );
}
