import { data, redirect } from 'react-router';
import { readHousehold, rememberHousehold, saveGeneral } from '@data/household.ts';
import type { Route } from './+types/times';
import { readForm, replyOf, seenOf } from '../forms/read.ts';
import { overtaken, versionOf } from '../forms/seen.server.ts';
import { conflict, notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { AreaField, FieldGrid, NumberField } from '../ui/fields.tsx';
import { Editor, editorFields } from './parts/editor.tsx';
import { namesOf, shownTimes, spansOf, timesSchema } from './times-form.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Times · Neat Fold' }];

async function find({ tx }: Scope) {
  const view = await readHousehold(tx);
  if (!view) throw notFound('There is no household yet.');
  const washers = (view.document.washers ?? []).map((w) => ({ id: w.id, name: w.name ?? w.id }));
  const { times, tariff } = view.document;
  const shown = shownTimes(times ?? {}, tariff ?? {}, view.timeZone, washers, view.people);
  return { view, washers, shown };
}
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { shown, view } = await find(scope);
    return { start: shown, seen: versionOf(shown), currency: view.document.tariff?.currency ?? 'EUR' };
  });
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { view, washers, shown } = await find(scope);
    const read = readForm(form, timesSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const spans = spansOf(read.value, view.timeZone, washers);
    if ('errors' in spans) return data(replyOf(form, spans.errors), { status: 422 });
    const named = namesOf(read.value);
    if ('errors' in named) return data(replyOf(form, named.errors), { status: 422 });
    const late = overtaken(form, shown);
    if (late) return conflict(late);
    const { cheapHours: _h, cheapPerKwh: _p, ...tariff } = view.document.tariff ?? {};
    await rememberHousehold(scope.tx, scope.householdId, { note: 'Times: changed', at: scope.now });
    await saveGeneral(scope.tx, {
      // Who is named washes: as many people as names, where there are more of them.
      times: {
        ...spans.times,
        ...(named.names.length > (spans.times.people ?? 1) ? { people: named.names.length } : {}),
      },
      peopleNames: named.names,
      tariff: {
        ...tariff,
        ...(read.value.cheapHours ? { cheapHours: read.value.cheapHours } : {}),
        ...(read.value.cheapPerKwh !== undefined ? { cheapPerKwh: read.value.cheapPerKwh } : {}),
      },
    });
    return redirect('/household');
  });

export default function Times({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const { bind } = editorFields(reply, v.start);
  return (
    <Editor
      title="Times"
      intro="When machines may not run, when nobody is at home, when a shared machine is yours, when power is cheap."
      reply={reply}
      seen={seenOf(reply, v.seen)}
    >
      <FieldGrid $min="17rem">
        <AreaField {...bind('quietHours', 'Quiet hours')} hint="One a line, like 22:00-07:00." />
        <AreaField {...bind('cheapHours', 'Cheap hours')} hint="One a line, like 22:00-06:00." />
        <AreaField {...bind('away', 'Away')} hint="One a line, like 2026-05-09 12:00 to 14:00." />
        <AreaField
          {...bind('slots', 'Slots of a shared machine')}
          hint="Like 2026-05-09 18:00 to 20:00 Laundry room."
        />
        <NumberField
          {...bind('cheapPerKwh', 'Electricity in cheap hours')}
          suffix={`${v.currency} per kWh`}
          hint="Empty: three quarters of the usual."
        />
        <NumberField {...bind('people', 'People who wash')} />
        <AreaField {...bind('names', 'Their names')} hint="One a line. The day is shared out among them." />
      </FieldGrid>
    </Editor>
  );
}
