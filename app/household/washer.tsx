import { randomUUID } from 'node:crypto';
import { data, Link, redirect } from 'react-router';
import * as valibot from 'valibot';
import { productForms } from '@core/model/household.ts';
import { runOptions } from '@core/run/options.ts';
import { optionWords } from '@words/en/run.ts';
import { loadingOf, usualProgrammes } from '@core/setup/usual-programmes.ts';
import { readHousehold, rememberHousehold, removeWasher, saveOptionNames, saveWasher } from '@data/household.ts';
import type { Route } from './+types/washer';
import { readForm, seenOf } from '../forms/read.ts';
import { overtaken, versionOf } from '../forms/seen.server.ts';
import { conflict, field, notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { LinkButton } from '../ui/button.tsx';
import { Actions, ChoiceField, FieldGrid, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { Quiet, Rows, Section } from '../ui/page.tsx';
import {
  newWasherSchema,
  optionNamesSchema,
  shownOptionNames,
  shownWasher,
  toOptionNames,
  toWasher,
  washerSchema,
} from './equipment-form.ts';
import { Editor, editorFields } from './parts/editor.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'New machine'} · Neat Fold` },
];

async function find({ tx }: Scope, id: string) {
  const view = await readHousehold(tx);
  if (!view) throw notFound('There is no household yet.');
  const washer = (view.document.washers ?? []).find((w) => w.id === id) ?? null;
  if (!washer && id !== 'new') throw notFound('That machine is not in this household.');
  return { washer, optionNames: view.optionNames?.[id] };
}
const shown = (washer: Parameters<typeof shownWasher>[0], names: Parameters<typeof shownOptionNames>[0]) => ({
  ...shownWasher(washer),
  ...shownOptionNames(names),
});
const newStart = { name: '', machine: 'front', drumKg: '7', pricePerRun: '' };

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { washer: w, optionNames } = await find(scope, params.washerId);
    const start: Record<string, string | string[]> = w ? shown(w, optionNames) : newStart;
    return {
      id: w?.id ?? null,
      title: w ? (w.name ?? w.id) : null,
      start,
      seen: versionOf(start),
      options: runOptions.map((o) => [`option-${o}`, optionWords[o]] as const),
      forms: productForms.map((f) => [f, `${f.charAt(0).toUpperCase()}${f.slice(1)}`] as const),
      programmes: (w?.programmes ?? []).map((p) => ({
        id: p.id,
        name: p.name ?? p.id,
        text: `${p.temperaturesC.join(', ')} °C · ${Math.max(...p.spinsRpm)} rpm · ${p.maxLoadKg} kg · ${p.durationMin} min`,
      })),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const { washer, optionNames } = await find(scope, args.params.washerId);
    if (!washer) {
      const read = readForm(form, newWasherSchema);
      if (!read.ok) return data(read.reply, { status: 422 });
      const f = read.value;
      const id = `washer-${randomUUID().slice(0, 8)}`;
      await rememberHousehold(tx, householdId, { note: `${f.name}: added`, subject: id, at: now });
      await saveWasher(tx, householdId, {
        id,
        name: f.name,
        loading: loadingOf(f.machine),
        pricePerRun: f.pricePerRun ?? 0,
        programmes: usualProgrammes(f.machine, f.drumKg),
      });
      return redirect(`/household/washers/${id}`);
    }
    const name = washer.name ?? washer.id;
    if (field(form, 'intent') === 'remove') {
      await rememberHousehold(tx, householdId, { note: `${name}: taken away`, subject: washer.id, at: now });
      await removeWasher(tx, washer.id);
      return redirect('/household');
    }
    const read = readForm(form, valibot.object({ ...washerSchema.entries, ...optionNamesSchema.entries }));
    if (!read.ok) return data(read.reply, { status: 422 });
    const late = overtaken(form, shown(washer, optionNames));
    if (late) return conflict(late);
    await rememberHousehold(tx, householdId, { note: `${name}: changed`, subject: washer.id, at: now });
    await saveWasher(tx, householdId, toWasher(washer, read.value));
    await saveOptionNames(tx, washer.id, toOptionNames(read.value));
    return redirect('/household');
  });

export default function Washer({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const { bind, value, values } = editorFields(reply, v.start);
  if (v.id === null)
    return (
      <Editor
        title="A machine"
        intro="It starts with the programmes such machines usually have; every row can then be set as it stands on the panel."
        reply={reply}
      >
        <FieldGrid>
          <TextField {...bind('name', 'Name')} required />
          <NumberField {...bind('drumKg', 'Size')} suffix="kg of dry cottons" required />
          <NumberField {...bind('pricePerRun', 'Price of a run')} hint="Coins. Empty: nothing." />
        </FieldGrid>
        <ChoiceField
          name="machine"
          label="Kind"
          defaultValue={value('machine')}
          options={[
            ['front', 'Door in front'],
            ['top-impeller', 'Lid on top, no post inside'],
            ['top-agitator', 'Lid on top, post in the middle'],
            ['coin-front', 'Laundry room, door in front'],
            ['coin-top', 'Laundry room, lid on top'],
          ]}
        />
      </Editor>
    );
  return (
    <>
      <Editor
        title={v.title ?? ''}
        intro="Copy what the panel and the manual say; what is missing is estimated."
        reply={reply}
        seen={seenOf(reply, v.seen)}
        remove="Take the machine away"
      >
        <FieldGrid>
          <TextField {...bind('name', 'Name')} required />
          <SelectField
            {...bind('loading', 'Loaded')}
            options={[
              ['front', 'From the front'],
              ['top-impeller', 'From the top, no post'],
              ['top-agitator', 'From the top, post in the middle'],
            ]}
          />
          <NumberField {...bind('pricePerRun', 'Price of a run')} hint="Coins. Empty: nothing." />
          <NumberField {...bind('drumVolumeL', 'Volume of the drum')} suffix="l" hint="Empty: by its largest load." />
          <NumberField
            {...bind('drumRadiusM', 'Radius of the drum')}
            suffix="cm"
            hint="Empty: 24 cm. It decides how hard a spin is."
          />
        </FieldGrid>
        <ChoiceField
          type="checkbox"
          name="refusesForms"
          label="It may not take (some machines forbid powder or pods)"
          defaultValue={values('refusesForms')}
          options={v.forms}
        />
        <ChoiceField
          type="checkbox"
          name="bleachDispenser"
          label="It has"
          defaultValue={value('bleachDispenser')}
          options={[['on', 'A dispenser for chlorine bleach']]}
        />
        <FieldGrid>
          {v.options.map(([name, words]) => (
            <TextField key={name} {...bind(name, words)} hint="What its button says. Empty: these words." />
          ))}
        </FieldGrid>
      </Editor>
      <Section>
        <h2>Programmes</h2>
        <Rows>
          {v.programmes.map((p) => (
            <li key={p.id}>
              <Link
                to={`/household/programmes/${v.id}/${p.id}`}
                style={{ display: 'grid', padding: '0.5rem 0', minHeight: '3rem', textDecoration: 'none' }}
              >
                <b>{p.name}</b>
                <Quiet>{p.text}</Quiet>
              </Link>
            </li>
          ))}
        </Rows>
        <Actions>
          <LinkButton $quiet href={`/household/programmes/${v.id}/new`}>
            Add a programme
          </LinkButton>
        </Actions>
      </Section>
    </>
  );
}
