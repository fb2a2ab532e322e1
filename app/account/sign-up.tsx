import { APIError } from 'better-auth/api';
import { data, Link } from 'react-router';
import { noteTrail } from '@data/accounts.ts';
import type { Route } from './+types/sign-up';
import { problemsOf } from '../forms/problems.ts';
import { errorOf, readForm, replyOf, typedValue } from '../forms/read.ts';
import { answering, formOf } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, TextField } from '../ui/fields.tsx';
import { hushed, signUpSchema } from './account-form.ts';
import { auth } from './auth.server.ts';
import { passwordProblem } from './password.server.ts';
import { Doorstep } from './parts/doorstep.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Make an account · Neat Fold' }];

export const loader = ({ request }: Route.LoaderArgs) => ({
  to: new URL(request.url).searchParams.get('to') ?? '',
});
export const action = async ({ request, context }: Route.ActionArgs) => {
  const form = await formOf(request);
  const read = readForm(form, signUpSchema);
  if (!read.ok) return data({ reply: hushed(read.reply), said: null }, { status: 422 });
  const { name, email, password } = read.value;
  const weak = passwordProblem(password, [name, email]);
  if (weak) return data({ reply: hushed(replyOf(form, { password: [weak] })), said: null }, { status: 422 });
  await answering(context, async () => {
    try {
      await auth().api.signUpEmail({ body: { name, email, password } });
      await noteTrail({ what: 'signed-up' });
    } catch (error) {
      // An address that is known already gets a letter that says so; here nobody learns who has an account.
      if (!(error instanceof APIError)) throw error;
    }
  });
  return data({
    reply: null,
    said: `A letter is on its way to ${email}. Open the link in it within a day, then sign in.`,
  });
};

export default function SignUp({ loaderData, actionData }: Route.ComponentProps) {
  const reply = actionData?.reply ?? null;
  const bind = (name: string, label: string) => ({ name, label, error: errorOf(reply, name) });
  const value = (name: string): string => String(typedValue(reply, name) ?? '');
  const signIn = `/account/sign-in${loaderData.to ? `?${new URLSearchParams({ to: loaderData.to })}` : ''}`;
  return (
    <Doorstep
      title="Make an account"
      intro="For a household of your own, or to join one you were invited to."
      said={actionData?.said ?? null}
      problem={problemsOf(reply)}
      below={<Link to={signIn}>I have an account</Link>}
    >
      {actionData?.said ? null : (
        <>
          <TextField
            {...bind('name', 'What others of your household call you')}
            defaultValue={value('name')}
            autoComplete="name"
            required
          />
          <TextField
            {...bind('email', 'Mail address')}
            type="email"
            defaultValue={value('email')}
            autoComplete="email"
            required
          />
          <TextField
            {...bind('password', 'Password')}
            type="password"
            autoComplete="new-password"
            hint="12 characters or more. A few words that do not belong together make a good one."
            required
          />
          <Actions>
            <Button type="submit">Make the account</Button>
          </Actions>
        </>
      )}
    </Doorstep>
  );
}
