import { data, redirect } from 'react-router';
import * as v from 'valibot';
import { pairing } from '@data/pairing.ts';
import { pair } from '@data/pockets.ts';
import type { Route } from './+types/pair';
import { problemsOf } from '../forms/problems.ts';
import { Doorstep } from '../account/parts/doorstep.tsx';
import { errorOf, readForm, replyOf, typedValue } from '../forms/read.ts';
import { keepPocketToken } from '../server/cookie.server.ts';
import { visitorContext } from '../server/context.ts';
import { answering, formOf } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, TextField } from '../ui/fields.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Let this device in · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) => {
  if (context.get(visitorContext).householdId) throw redirect('/');
  return { code: (new URL(request.url).searchParams.get('code') ?? '').replace(/\D/g, '').slice(0, pairing.digits) };
};
const schema = v.object({
  code: v.pipe(
    v.string('Code: is missing.'),
    v.transform((s) => s.replace(/\s/g, '')),
    v.regex(new RegExp(`^\\d{${pairing.digits}}$`), `Code: the ${pairing.digits} digits on the other screen.`),
  ),
  name: v.pipe(
    v.string('Name: is missing.'),
    v.trim(),
    v.minLength(1, 'Name: is missing.'),
    v.maxLength(60, 'Name: at most 60 characters.'),
  ),
});
export const action = async ({ request, context }: Route.ActionArgs) => {
  const form = await formOf(request);
  const read = readForm(form, schema);
  if (!read.ok) return data(read.reply, { status: 422 });
  const token = await answering(context, () => pair(read.value.code, read.value.name));
  if (!token)
    return data(
      replyOf(form, { code: ['Code: this one is not good, or not any more. Ask for a new one at the other screen.'] }),
      {
        status: 403,
      },
    );
  return redirect('/wash', { headers: { 'Set-Cookie': await keepPocketToken(token) } });
};

export default function Pair({ loaderData, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  return (
    <Doorstep
      title="Let this device in"
      intro="The code stands on the computer that runs Neat Fold: Household, Phones. It is good once and for ten minutes."
      problem={problemsOf(reply)}
    >
      <TextField
        name="code"
        label="Code"
        inputMode="numeric"
        autoComplete="one-time-code"
        defaultValue={String(typedValue(reply, 'code') ?? loaderData.code)}
        error={errorOf(reply, 'code')}
        required
      />
      <TextField
        name="name"
        label="What this device is called"
        placeholder="Phone on the machine"
        defaultValue={String(typedValue(reply, 'name') ?? '')}
        error={errorOf(reply, 'name')}
        required
      />
      <Actions>
        <Button type="submit" $large>
          Let it in
        </Button>
      </Actions>
    </Doorstep>
  );
}
