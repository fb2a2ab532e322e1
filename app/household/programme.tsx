import { randomUUID } from 'node:crypto';
import { data, redirect } from 'react-router';
import { programmeFamilies } from '@core/model/household.ts';
import {
  readHousehold,
  rememberHousehold,
  removeProgramme,
  saveProgramme,
  type ProgrammeDocument,
} from '@data/household.ts';
import type { Route } from './+types/programme';
import { programmeSchema, toProgramme } from './household-form.ts';
import { readForm, replyOf, seenOf } from '../forms/read.ts';
import { overtaken, versionOf } from '../forms/seen.server.ts';
import { conflict, field, notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { FieldGrid, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { Editor, editorFields } from './parts/editor.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Programme'} · Neat Fold` },
];

async function find({ tx }: Scope, washerId: string, programmeId: string) {
  const washer = (await readHousehold(tx))?.document.washers?.find((w) => w.id === washerId);
  const programme = washer?.programmes.find((p) => p.id === programmeId) ?? null;
  if (!washer || (!programme && programmeId !== 'new')) throw notFound('That programme is not known here.');
  return { washer, programme };
}

/** A programme as its form shows it; null = a new one. */
const shownProgramme = (p: ProgrammeDocument | null): Record<string, string> => ({
  name: p?.name ?? '',
  family: p?.family ?? 'cotton',
  action: p?.action ?? 'normal',
  temperaturesC: p?.temperaturesC.join(', ') ?? '',
  spinsRpm: p?.spinsRpm.join(', ') ?? '',
  maxLoadKg: p?.maxLoadKg.toString() ?? '',
  durationMin: p?.durationMin.toString() ?? '',
  waterL: p?.waterL?.toString() ?? '',
  kwh40: p?.energyKwhAt?.['40']?.toString() ?? '',
  kwh60: p?.energyKwhAt?.['60']?.toString() ?? '',
});

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { washer, programme: p } = await find(scope, params.washerId, params.programmeId);
    return {
      title: p?.name ?? 'New programme',
      washer: washer.name ?? washer.id,
      isNew: p === null,
      only: washer.programmes.length === 1,
      families: programmeFamilies.map((f) => [f, f.replace(/-/g, ' ')] as const),
      start: shownProgramme(p),
      seen: versionOf(shownProgramme(p)),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { washer, programme } = await find(scope, args.params.washerId, args.params.programmeId);
    const remember = (note: string) =>
      rememberHousehold(scope.tx, scope.householdId, { note, subject: washer.id, at: scope.now });
    if (field(form, 'intent') === 'remove' && programme) {
      if (washer.programmes.length === 1)
        return conflict(
          replyOf(form, { '': ['This is the last programme of the machine; a machine has at least one.'] }),
        );
      await remember(`${programme.name ?? programme.id}: taken away`);
      await removeProgramme(scope.tx, washer.id, programme.id);
      return redirect(`/household/washers/${washer.id}`);
    }
    const read = readForm(form, programmeSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const late = programme ? overtaken(form, shownProgramme(programme)) : null;
    if (late) return conflict(late);
    const id = programme?.id ?? `p-${randomUUID().slice(0, 8)}`;
    await remember(`${read.value.name}: ${programme ? 'changed' : 'added'}`);
    await saveProgramme(scope.tx, scope.householdId, washer.id, toProgramme(id, read.value, programme));
    return redirect(`/household/washers/${washer.id}`);
  });

export default function Programme({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const { bind } = editorFields(reply, v.start);
  return (
    <Editor
      title={v.title}
      intro={`${v.washer}. The figures stand in the machine’s manual; what is missing is estimated.`}
      reply={reply}
      seen={seenOf(reply, v.seen)}
      remove={v.isNew || v.only ? null : 'Remove the programme'}
    >
      <FieldGrid>
        <TextField {...bind('name', 'Name on the machine')} required />
        <SelectField {...bind('family', 'Made for')} options={v.families} />
        <SelectField
          {...bind('action', 'Movement')}
          options={[
            ['normal', 'Normal'],
            ['mild', 'Mild'],
            ['very-mild', 'Very mild'],
            ['hand', 'Like by hand'],
          ]}
        />
        <TextField {...bind('temperaturesC', 'Temperatures')} hint="°C, like: 20, 30, 40" required />
        <TextField {...bind('spinsRpm', 'Spins')} hint="rpm, like: 0, 600, 800" required />
        <NumberField {...bind('maxLoadKg', 'Largest load')} suffix="kg" required />
        <NumberField {...bind('durationMin', 'Duration')} suffix="min" required />
        <NumberField {...bind('waterL', 'Water')} suffix="l, full load" />
        <NumberField {...bind('kwh40', 'Energy at 40 °C')} suffix="kWh" />
        <NumberField {...bind('kwh60', 'Energy at 60 °C')} suffix="kWh" />
      </FieldGrid>
    </Editor>
  );
}
