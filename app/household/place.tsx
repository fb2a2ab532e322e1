import { useState } from 'react';
import type { Route } from './+types/place';
import { seenOf } from '../forms/read.ts';
import { onSubmit, withHousehold } from '../server/request.server.ts';
import { ChoiceField, FieldGrid, NumberField, TextField } from '../ui/fields.tsx';
import { placeSchema, shownPlace, toPlace } from './equipment-form.ts';
import { PlaceDrawing, type PlaceMeasures } from './parts/drawings.tsx';
import { Editor, editorFields } from './parts/editor.tsx';
import { changeThing, lookAtThing } from './thing.server.ts';
import type { HouseholdView } from '@data/household.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'New drying place'} · Neat Fold` },
];

const editing = {
  kind: 'drying-place' as const,
  noun: 'Drying place',
  listOf: (view: HouseholdView) => view.document.dryingPlaces ?? [],
  schema: placeSchema,
  shown: shownPlace,
  toDocument: toPlace,
};
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => lookAtThing(scope, params.thingId, editing));
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, (scope, form) => changeThing(scope, args.params.thingId, form, editing));

const number = (x: unknown): number => Number(String(typeof x === 'string' ? x : '').replace(',', '.')) || 0;
const measuresOf = (get: (name: string) => unknown): PlaceMeasures => ({
  bars: number(get('bars')),
  barLength: number(get('barLengthM')),
  flatM2: number(get('flatM2')),
  hangers: number(get('hangers')),
  outdoors: Boolean(get('outdoors')),
  sun: Boolean(get('sun')),
});

export default function Place({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const { bind, value } = editorFields(reply, v.start);
  const [drawn, setDrawn] = useState(() => measuresOf(value));
  return (
    <Editor
      title={v.title ?? 'A drying place'}
      intro="A rack, a line, a rail, a bed for knits: what fits there decides how much may be washed in one go."
      reply={reply}
      seen={seenOf(reply, v.seen)}
      remove={v.title && 'Take it away'}
      drawing={<PlaceDrawing place={drawn} />}
      onChange={(form) => setDrawn(measuresOf((name) => form.get(name)))}
    >
      <FieldGrid>
        <TextField {...bind('name', 'Name')} required />
        <NumberField {...bind('bars', 'Bars or lines')} required />
        <NumberField {...bind('barLengthM', 'Length of each')} suffix="cm" required />
        <NumberField
          {...bind('flatM2', 'Flat area')}
          suffix="m²"
          hint="Mesh, a towel on a table, the top of the rack."
          required
        />
        <NumberField {...bind('hangers', 'Room for hangers')} required />
      </FieldGrid>
      <ChoiceField
        type="checkbox"
        name="outdoors"
        label="Where"
        defaultValue={value('outdoors')}
        options={[['on', 'Outdoors']]}
      />
      <ChoiceField
        type="checkbox"
        name="sun"
        label="Light"
        defaultValue={value('sun')}
        options={[['on', 'In the sun']]}
      />
    </Editor>
  );
}
