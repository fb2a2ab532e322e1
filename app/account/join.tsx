import { data, Link, redirect } from 'react-router';
import { acceptInvitation, invitationBehind } from '@data/accounts.ts';
import type { Route } from './+types/join';
import { visitorContext } from '../server/context.ts';
import { accountOf } from '../server/door.server.ts';
import { answering, formOf } from '../server/request.server.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Doorstep } from './parts/doorstep.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'An invitation · Neat Fold' }];

const roleSays = {
  owner: 'As an owner you do everything, and decide who belongs to it.',
  member: 'As a member you do everything with its washing.',
  helper: 'As a helper you see what is in a machine, how it runs and when it ends.',
} as const;

export const loader = ({ params, context }: Route.LoaderArgs) =>
  answering(context, async () => {
    const found = await invitationBehind(params.token, new Date());
    const { account } = context.get(visitorContext);
    return {
      role: found?.role ?? null,
      name: account?.name ?? null,
      to: `?${new URLSearchParams({ to: `/join/${params.token}` })}`,
    };
  });
export const action = async ({ request, params, context }: Route.ActionArgs) => {
  await formOf(request);
  const { userId, sessionToken } = accountOf(context);
  const joined = await answering(context, () => acceptInvitation(params.token, userId, sessionToken, new Date()));
  return joined ? redirect('/') : data(null, { status: 410 });
};

export default function Join({ loaderData: v }: Route.ComponentProps) {
  if (!v.role)
    return (
      <Doorstep
        title="This invitation is used up"
        intro="It was good for a week, and once. Ask for another."
        below={<Link to="/">Go on</Link>}
      />
    );
  if (!v.name)
    return (
      <Doorstep
        title="You are invited to a household"
        intro={`${roleSays[v.role]} An account tells who you are.`}
        below={
          <>
            <LinkButton href={`/account/sign-up${v.to}`}>Make an account</LinkButton>
            <LinkButton href={`/account/sign-in${v.to}`} $quiet>
              Sign in
            </LinkButton>
          </>
        }
      />
    );
  return (
    <Doorstep title="You are invited to a household" intro={roleSays[v.role]}>
      <Actions>
        <Button type="submit">Join as {v.name}</Button>
      </Actions>
    </Doorstep>
  );
}
