import { useState } from 'react';
import { freeboardCm, usableVolumeL } from '@core/washing/basin.ts';
import type { BasinShape } from '@core/model/household.ts';
import type { HouseholdView } from '@data/household.ts';
import type { Route } from './+types/basin';
import { seenOf } from '../forms/read.ts';
import { onSubmit, withHousehold } from '../server/request.server.ts';
import { FieldGrid, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { basinSchema, shownBasin, toBasin } from './equipment-form.ts';
import { BasinDrawing } from './parts/drawings.tsx';
import { Editor, editorFields } from './parts/editor.tsx';
import { changeThing, lookAtThing } from './thing.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'New tub'} · Neat Fold` },
];

const editing = {
  kind: 'basin' as const,
  noun: 'Tub',
  listOf: (view: HouseholdView) => view.document.basins ?? [],
  schema: basinSchema,
  shown: shownBasin,
  toDocument: toBasin,
};
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => lookAtThing(scope, params.thingId, editing));
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, (scope, form) => changeThing(scope, args.params.thingId, form, editing));

type Shape = BasinShape['shape'];
/** The tub as far as it is measured; null = something is missing. */
function formOf(get: (name: string) => unknown): BasinShape | null {
  const cm = (name: string): number =>
    Number(String(typeof get(name) === 'string' ? get(name) : '').replace(',', '.')) || 0;
  const shape = get('shape') as Shape;
  const all = (...names: string[]): boolean => names.every((n) => cm(n) > 0);
  if (shape === 'rectangular' && all('lengthCm', 'widthCm', 'depthCm'))
    return { shape, lengthCm: cm('lengthCm'), widthCm: cm('widthCm'), depthCm: cm('depthCm') };
  if (shape === 'round' && all('diameterCm', 'depthCm'))
    return { shape, diameterCm: cm('diameterCm'), depthCm: cm('depthCm') };
  if (shape === 'tapered' && all('topDiameterCm', 'bottomDiameterCm', 'depthCm'))
    return {
      shape,
      topDiameterCm: cm('topDiameterCm'),
      bottomDiameterCm: cm('bottomDiameterCm'),
      depthCm: cm('depthCm'),
    };
  return shape === 'volume' && all('volumeL') ? { shape, volumeL: cm('volumeL') } : null;
}
function Drawing({ form }: { form: BasinShape }) {
  const litres = Math.round(usableVolumeL({ id: '', name: '', form }) * 10) / 10;
  if (form.shape === 'volume') return <p>{litres} l to wash in: three quarters of what it holds.</p>;
  const top =
    form.shape === 'rectangular' ? form.lengthCm : form.shape === 'round' ? form.diameterCm : form.topDiameterCm;
  const bottom = form.shape === 'tapered' ? form.bottomDiameterCm : top;
  return <BasinDrawing topCm={top} bottomCm={bottom} depthCm={form.depthCm} freeCm={freeboardCm} litres={litres} />;
}

const fieldsOf: Record<Shape, readonly (readonly [name: string, label: string, unit: string])[]> = {
  rectangular: [
    ['lengthCm', 'Length', 'cm'],
    ['widthCm', 'Width', 'cm'],
    ['depthCm', 'Depth', 'cm'],
  ],
  round: [
    ['diameterCm', 'Diameter', 'cm'],
    ['depthCm', 'Depth', 'cm'],
  ],
  tapered: [
    ['topDiameterCm', 'Diameter at the rim', 'cm'],
    ['bottomDiameterCm', 'Diameter at the bottom', 'cm'],
    ['depthCm', 'Depth', 'cm'],
  ],
  volume: [['volumeL', 'Litres to the brim', 'l']],
};
const shapeOf = (value: unknown): Shape =>
  typeof value === 'string' && Object.hasOwn(fieldsOf, value) ? (value as Shape) : 'rectangular';
const allFields = [
  ...new Map(
    Object.values(fieldsOf)
      .flat()
      .map((f) => [f[0], f]),
  ).values(),
];

export default function Basin({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const { bind, value } = editorFields(reply, v.start);
  const [form, setForm] = useState(() => formOf(value));
  const [shape, setShape] = useState(() => shapeOf(value('shape')));
  return (
    <Editor
      title={v.title ?? 'A tub'}
      intro="Measured inside. What fits in it by hand, and how much of each product, follows from its litres."
      reply={reply}
      seen={seenOf(reply, v.seen)}
      remove={v.title && 'Take it away'}
      drawing={form && <Drawing form={form} />}
      onChange={(data) => {
        setForm(formOf((name) => data.get(name)));
        setShape(shapeOf(data.get('shape')));
      }}
    >
      <FieldGrid>
        <TextField {...bind('name', 'Name')} required />
        <SelectField
          {...bind('shape', 'Shape')}
          options={[
            ['rectangular', 'With corners'],
            ['round', 'Round, straight walls'],
            ['tapered', 'Round, narrower at the bottom'],
            ['volume', 'Only the litres are known'],
          ]}
        />
      </FieldGrid>
      <FieldGrid>
        {allFields.map(([name, label, unit]) => (
          <div key={name} hidden={!fieldsOf[shape].some((f) => f[0] === name)}>
            <NumberField {...bind(name, label)} suffix={unit} />
          </div>
        ))}
      </FieldGrid>
    </Editor>
  );
}
