/** The day in a calendar: as a file, and at private addresses that can be withdrawn. */
import { data, redirect } from 'react-router';
import { addFeed, feedsOf, revokeFeed } from '@data/day.ts';
import { readHousehold } from '@data/household.ts';
import { conflict, field, onSubmit, withHousehold } from '../server/request.server.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { clockText, dayAndYear } from '../shared/words.ts';
import type { Route } from './+types/calendar';

export const meta: Route.MetaFunction = () => [{ title: 'Calendar · Neat Fold' }];
const mostFeeds = 12;

export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    const when = (at: Date | null): string =>
      at === null ? 'not read yet' : `read ${dayAndYear(at, timeZone)}, ${clockText(at, timeZone)}`;
    return {
      feeds: (await feedsOf(tx)).map((f) => ({
        id: f.id,
        name: f.name,
        made: dayAndYear(f.createdAt, timeZone),
        read: when(f.lastReadAt),
      })),
    };
  });
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    switch (field(form, 'intent')) {
      case 'add': {
        const name = field(form, 'name').slice(0, 60);
        if (!name) return data({ token: null, problem: 'Whose calendar: give it a name.' }, { status: 422 });
        if ((await feedsOf(tx)).length >= mostFeeds)
          return data(
            { token: null, problem: 'That is as many addresses as are kept: withdraw one first.' },
            { status: 422 },
          );
        return data({ token: await addFeed(tx, householdId, name, now), problem: null });
      }
      case 'revoke':
        return (await revokeFeed(tx, field(form, 'feed'), now))
          ? redirect('/today/calendar')
          : conflict({ token: null, problem: 'That address was withdrawn already.' });
      default:
        return data({ token: null, problem: 'That is nothing this page does.' }, { status: 422 });
    }
  });

export default function Calendar({ loaderData: { feeds }, actionData }: Route.ComponentProps) {
  const made = actionData?.token ?? null;
  const path = made === null ? '' : `/calendar/${made}.ics`;
  return (
    <>
      <PageHead>
        <div>
          <h1>The day in your calendar</h1>
          <p>
            Every turn of hands and every run of a machine is an event; what must not wait rings five minutes before.
            When the day moves, the events move with it.
          </p>
        </div>
        <LinkButton $quiet href="/today">
          Back to today
        </LinkButton>
      </PageHead>
      {made !== null && (
        <Notice severity="info" title="The address" live>
          Give it to your calendar program now: it is shown once. Whoever has it can read your wash day, nothing else.
          <p>
            <code data-feed>{path}</code>
          </p>
          <Quiet>Put this machine’s own address before it, as you see it in the browser.</Quiet>
        </Notice>
      )}
      {actionData?.problem && (
        <Notice severity="caution" title="Not done" live>
          {actionData.problem}
        </Notice>
      )}
      <Section>
        <h2>As a file</h2>
        <p>
          <LinkButton $quiet href="/today.ics" target="_blank">
            Download what is still to do
          </LinkButton>
        </p>
      </Section>
      <Section>
        <h2>At a private address</h2>
        {feeds.length === 0 && <p>No program reads the day yet.</p>}
        <Rows>
          {feeds.map((f) => (
            <li key={f.id}>
              <PostForm>
                <input type="hidden" name="intent" value="revoke" />
                <input type="hidden" name="feed" value={f.id} />
                <div
                  style={{ display: 'flex', gap: '1rem', flexWrap: 'wrap', alignItems: 'center', padding: '0.3rem 0' }}
                >
                  <b>{f.name}</b>
                  <Quiet>
                    since {f.made}, {f.read}
                  </Quiet>
                  <Button $danger type="submit" aria-label={`Withdraw the address of ${f.name}`}>
                    Withdraw
                  </Button>
                </div>
              </PostForm>
            </li>
          ))}
        </Rows>
        <PostForm>
          <input type="hidden" name="intent" value="add" />
          <div style={{ display: 'flex', gap: '0.75rem', flexWrap: 'wrap', alignItems: 'flex-end' }}>
            <TextField name="name" label="Whose calendar" placeholder="Phone in the hall" required />
            <Button type="submit">Make an address</Button>
          </div>
        </PostForm>
      </Section>
    </>
  );
}
