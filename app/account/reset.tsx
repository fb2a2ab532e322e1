import { APIError } from 'better-auth/api';
import { data, Link, redirect } from 'react-router';
import { noteTrail } from '@data/accounts.ts';
import type { Route } from './+types/reset';
import { problemsOf } from '../forms/problems.ts';
import { errorOf, readForm, replyOf } from '../forms/read.ts';
import { answering, formOf } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, TextField } from '../ui/fields.tsx';
import { hushed, resetSchema } from './account-form.ts';
import { auth } from './auth.server.ts';
import { passwordProblem } from './password.server.ts';
import { Doorstep } from './parts/doorstep.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'A new password · Neat Fold' }];

const tokenOf = (request: Request): string => (new URL(request.url).searchParams.get('token') ?? '').slice(0, 200);

export const action = async ({ request, context }: Route.ActionArgs) => {
  const token = tokenOf(request);
  const form = await formOf(request);
  const read = readForm(form, resetSchema);
  if (!read.ok) return data({ reply: hushed(read.reply), over: false }, { status: 422 });
  const { password } = read.value;
  const weak = passwordProblem(password, []);
  if (weak) return data({ reply: replyOf(new FormData(), { password: [weak] }), over: false }, { status: 422 });
  try {
    await answering(context, () => auth().api.resetPassword({ body: { newPassword: password, token } }));
  } catch (error) {
    if (!(error instanceof APIError)) throw error;
    return data({ reply: null, over: true }, { status: 410 });
  }
  await noteTrail({ what: 'password-set' });
  return redirect('/account/sign-in?done=reset');
};

export default function Reset({ actionData }: Route.ComponentProps) {
  const reply = actionData?.reply ?? null;
  if (actionData?.over)
    return (
      <Doorstep
        title="This link is used up"
        intro="It was good for an hour, and once. Your password is as it was."
        below={<Link to="/account/forgot">Have another letter sent</Link>}
      />
    );
  return (
    <Doorstep
      title="A new password"
      intro="Every place where you are signed in is signed off with it."
      problem={problemsOf(reply)}
    >
      <TextField
        name="password"
        label="New password"
        type="password"
        error={errorOf(reply, 'password')}
        autoComplete="new-password"
        hint="12 characters or more. A few words that do not belong together make a good one."
        required
      />
      <Actions>
        <Button type="submit">Take this one</Button>
      </Actions>
    </Doorstep>
  );
}
