import { data, Link, redirect } from 'react-router';
import type { Route } from './+types/sign-in';
import { problemsOf } from '../forms/problems.ts';
import { errorOf, readForm, typedValue } from '../forms/read.ts';
import { visitorContext } from '../server/context.ts';
import { answering, formOf } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, TextField } from '../ui/fields.tsx';
import { hushed, onwards, signInSchema } from './account-form.ts';
import { Doorstep } from './parts/doorstep.tsx';
import { PasskeySignIn } from './parts/passkey-sign-in.tsx';
import { cookiesOf, signIn } from './sign-in.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Sign in · Neat Fold' }];

const notes: Readonly<Record<string, string>> = {
  confirmed: 'Your address is confirmed. Sign in now.',
  reset: 'The new password holds. Every other place is signed off.',
  off: 'You are signed off here.',
  deleted: 'Your account is deleted.',
};
export const loader = ({ request, context }: Route.LoaderArgs) => {
  const query = new URL(request.url).searchParams;
  const to = onwards(query.get('to') ?? '');
  if (context.get(visitorContext).account) throw redirect(to);
  return { to, said: notes[query.get('done') ?? ''] ?? null };
};
export const action = async ({ request, context }: Route.ActionArgs) => {
  const form = await formOf(request.clone());
  const read = readForm(form, signInSchema);
  if (!read.ok) return data({ reply: hushed(read.reply), problem: null }, { status: 422 });
  const before = context.get(visitorContext).account?.sessionToken ?? null;
  const done = await answering(context, () => signIn(read.value, request, before));
  if (done.ok) return redirect(onwards(read.value.to), { headers: cookiesOf(done.headers) });
  const { email } = read.value;
  return data(
    { reply: { status: 'error' as const, initialValue: { email }, error: {} }, problem: done.problem },
    { status: done.status },
  );
};

export default function SignIn({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData?.reply ?? null;
  const bind = (name: string, label: string) => ({ name, label, error: errorOf(reply, name) });
  const to = v.to === '/' ? '' : `?${new URLSearchParams({ to: v.to })}`;
  return (
    <Doorstep
      title="Sign in"
      said={actionData ? null : v.said}
      problem={actionData?.problem ?? problemsOf(reply)}
      below={
        <>
          <Link to={`/account/sign-up${to}`}>Make an account</Link>
          <Link to="/account/forgot">I forgot my password</Link>
        </>
      }
    >
      <input type="hidden" name="to" value={v.to} />
      <TextField
        {...bind('email', 'Mail address')}
        type="email"
        defaultValue={String(typedValue(reply, 'email') ?? '')}
        autoComplete="username webauthn"
        required
      />
      <TextField {...bind('password', 'Password')} type="password" autoComplete="current-password webauthn" required />
      <Actions>
        <Button type="submit">Sign in</Button>
        <PasskeySignIn to={v.to} />
      </Actions>
    </Doorstep>
  );
}
