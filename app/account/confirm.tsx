import { APIError } from 'better-auth/api';
import { data, Link, redirect } from 'react-router';
import { noteTrail } from '@data/accounts.ts';
import type { Route } from './+types/confirm';
import { answering, formOf } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { auth } from './auth.server.ts';
import { Doorstep } from './parts/doorstep.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Confirm your address · Neat Fold' }];

/** By a button, not by opening the page: programs that look at links before people do confirm nothing. */
export const action = async ({ request, context }: Route.ActionArgs) => {
  const token = (new URL(request.url).searchParams.get('token') ?? '').slice(0, 2_000);
  await formOf(request);
  try {
    await answering(context, () => auth().api.verifyEmail({ query: { token } }));
  } catch (error) {
    if (!(error instanceof APIError)) throw error;
    return data({ over: true }, { status: 410 });
  }
  await noteTrail({ what: 'address-confirmed' });
  return redirect('/account/sign-in?done=confirmed');
};

export default function Confirm({ actionData }: Route.ComponentProps) {
  if (actionData?.over)
    return (
      <Doorstep
        title="This link is used up"
        intro="It was good for a day. Sign in, and another letter comes."
        below={<Link to="/account/sign-in">Sign in</Link>}
      />
    );
  return (
    <Doorstep title="Confirm your address" intro="Then this address and your password open your household.">
      <Actions>
        <Button type="submit">Yes, it is mine</Button>
      </Actions>
    </Doorstep>
  );
}
