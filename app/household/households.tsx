import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { demoHouseholdId } from '@data/demo/id.ts';
import { noteTrail } from '@data/accounts.ts';
import { forgetHousehold, readHousehold } from '@data/household.ts';
import type { Route } from './+types/households';
import { visitorContext } from '../server/context.ts';
import { goTo, householdsFor } from '../server/door.server.ts';
import { hosted } from '../server/mode.server.ts';
import { answering, field, formOf, onSubmit, type Scope } from '../server/request.server.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions, TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Households · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) =>
  answering(context, async () => {
    const { householdId, role } = context.get(visitorContext);
    const all = await householdsFor(context);
    return {
      households: all.map((h) => ({ ...h, here: h.id === householdId, demo: h.id === demoHouseholdId })),
      here: all.find((h) => h.id === householdId)?.name ?? null,
      isDemo: householdId === demoHouseholdId,
      deletes: role === 'owner',
      hosted,
    };
  });

export const action = async (args: Route.ActionArgs) => {
  const form = await formOf(args.request.clone());
  if (field(form, 'intent') === 'switch') {
    const headers = await answering(args.context, () => goTo(args.context, field(form, 'household')));
    if (!headers) return data({ error: 'That household is not here any more.' }, { status: 404 });
    return redirect('/basket', { headers });
  }
  const { role, account } = args.context.get(visitorContext);
  if (role !== 'owner') return data({ error: 'Only an owner deletes a household.' }, { status: 403 });
  const forget = async ({ tx, householdId }: Scope, posted: FormData) => {
    const view = await readHousehold(tx);
    if (!view) return redirect('/welcome');
    if (householdId === demoHouseholdId)
      return data({ error: 'The demo is not deleted here; npm start -- --fresh loads it anew.' }, { status: 422 });
    if (field(posted, 'name') !== view.name)
      return data(
        { error: `Type its name, “${view.name}”, exactly as it is written. Nothing was deleted.` },
        { status: 422 },
      );
    await forgetHousehold(tx);
    if (account) await noteTrail({ what: 'household-deleted', userId: account.userId, householdId });
    return redirect('/welcome');
  };
  // Nothing is kept of it, not even that the form was answered: sent twice it finds nothing to delete.
  return onSubmit(args, forget, { repeatable: () => true });
};

const List = styled(Rows)`
  max-width: 44rem;
  li {
    display: flex;
    gap: 0.6rem 1.2rem;
    align-items: center;
    flex-wrap: wrap;
    padding: 0.55rem 0;
  }
  li > b {
    flex: 1;
    min-width: 12rem;
  }
`;

export default function Households({ loaderData: v, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>Households</h1>
          <p>
            Each has its own clothes, machines, rules and log. {v.hosted ? 'You look' : 'This browser looks'} at one of
            them at a time.
          </p>
        </div>
        <LinkButton href="/begin">Set up another</LinkButton>
      </PageHead>
      {actionData && 'error' in actionData && (
        <Notice severity="caution" title="Not done" live>
          {actionData.error}
        </Notice>
      )}
      <List>
        {v.households.map((h) => (
          <li key={h.id}>
            <b>
              {h.name}
              {h.demo ? ' (demo)' : ''}
            </b>
            {h.here ? (
              <Quiet>you are here</Quiet>
            ) : (
              <PostForm>
                <input type="hidden" name="household" value={h.id} />
                <Button type="submit" name="intent" value="switch" $quiet aria-label={`Go to ${h.name}`}>
                  Go there
                </Button>
              </PostForm>
            )}
          </li>
        ))}
      </List>
      {v.here && !v.isDemo && v.deletes && (
        <Section>
          <h2>Delete “{v.here}”</h2>
          <p>
            With every piece, its history, plans and log{v.hosted ? ', for everybody who belongs to it' : ''}. Take a
            copy first: <a href="/household.zip">everything, as one archive</a>.
          </p>
          <PostForm>
            <Actions>
              <TextField name="name" label="Type its name to delete it" />
              <Button type="submit" name="intent" value="forget" $danger>
                Delete it for good
              </Button>
            </Actions>
          </PostForm>
        </Section>
      )}
    </>
  );
}
