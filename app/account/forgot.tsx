import { data, Link } from 'react-router';
import { noteTrail } from '@data/accounts.ts';
import type { Route } from './+types/forgot';
import { problemsOf } from '../forms/problems.ts';
import { errorOf, readForm, typedValue } from '../forms/read.ts';
import { answering, formOf } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, TextField } from '../ui/fields.tsx';
import { hushed, forgotSchema } from './account-form.ts';
import { auth } from './auth.server.ts';
import { Doorstep } from './parts/doorstep.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'A new password · Neat Fold' }];

export const action = async ({ request, context }: Route.ActionArgs) => {
  const read = readForm(await formOf(request), forgotSchema);
  if (!read.ok) return data({ reply: hushed(read.reply), said: null }, { status: 422 });
  const { email } = read.value;
  await answering(context, async () => {
    await auth().api.requestPasswordReset({ body: { email } });
    await noteTrail({ what: 'password-asked' });
  });
  // The same words whether anybody has that address or not.
  return data({
    reply: null,
    said: `If ${email} has an account, a letter with a link is on its way. It is good for an hour.`,
  });
};

export default function Forgot({ actionData }: Route.ComponentProps) {
  const reply = actionData?.reply ?? null;
  return (
    <Doorstep
      title="A new password"
      intro="A letter brings a link, by which you choose a new one."
      said={actionData?.said ?? null}
      problem={problemsOf(reply)}
      below={<Link to="/account/sign-in">Back to signing in</Link>}
    >
      {actionData?.said ? null : (
        <>
          <TextField
            name="email"
            label="Mail address"
            type="email"
            defaultValue={String(typedValue(reply, 'email') ?? '')}
            error={errorOf(reply, 'email')}
            autoComplete="username"
            required
          />
          <Actions>
            <Button type="submit">Send the letter</Button>
          </Actions>
        </>
      )}
    </Doorstep>
  );
}
