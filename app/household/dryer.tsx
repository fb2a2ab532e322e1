import type { HouseholdView } from '@data/household.ts';
import type { Route } from './+types/dryer';
import { seenOf } from '../forms/read.ts';
import { onSubmit, withHousehold } from '../server/request.server.ts';
import { ChoiceField, FieldGrid, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { dryerSchema, shownDryer, toDryer } from './equipment-form.ts';
import { Editor, editorFields } from './parts/editor.tsx';
import { changeThing, lookAtThing } from './thing.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'New dryer'} · Neat Fold` },
];

const editing = {
  kind: 'dryer' as const,
  noun: 'Dryer',
  listOf: (view: HouseholdView) => view.document.dryers ?? [],
  schema: dryerSchema,
  shown: shownDryer,
  toDocument: toDryer,
};
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => lookAtThing(scope, params.thingId, editing));
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, (scope, form) => changeThing(scope, args.params.thingId, form, editing));

export default function Dryer({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const { bind, value } = editorFields(reply, v.start);
  return (
    <Editor
      title={v.title ?? 'A dryer'}
      intro="It is used only where the rule of the house and the label allow it."
      reply={reply}
      seen={seenOf(reply, v.seen)}
      remove={v.title && 'Take it away'}
    >
      <FieldGrid>
        <TextField {...bind('name', 'Name')} required />
        <SelectField
          {...bind('type', 'Kind')}
          options={[
            ['heat-pump', 'Heat pump'],
            ['condenser', 'Condenser'],
            ['vented', 'Vented, with a duct'],
          ]}
        />
        <NumberField {...bind('maxLoadKg', 'Size')} suffix="kg, dry" required />
      </FieldGrid>
      <ChoiceField
        type="checkbox"
        name="lowTemperature"
        label="It has"
        defaultValue={value('lowTemperature')}
        options={[['on', 'A low temperature']]}
      />
    </Editor>
  );
}
