import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import * as v from 'valibot';
import { roles, type Role } from '@data/roles.ts';
import {
  endMembership,
  giveRole,
  invitationsOf,
  invite,
  membersOf,
  revokeInvitation,
  setMailed,
  transferTo,
  type Refusal,
} from '@data/accounts.ts';
import type { Route } from './+types/people';
import { errorOf, readForm, typedValue, type FormReply } from '../forms/read.ts';
import { visitorContext } from '../server/context.ts';
import { accountOf, doorOf } from '../server/door.server.ts';
import { origin } from '../server/mode.server.ts';
import { answering, field, formOf } from '../server/request.server.ts';
import { dayAndYear } from '../shared/words.ts';
import { Button } from '../ui/button.tsx';
import { Actions, FieldGrid, FormStack, SelectField, TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { ActionRows, PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'People · Neat Fold' }];

const roleSays: Record<Role, string> = {
  owner: 'owner: everything, and who belongs to it',
  member: 'member: everything with the washing',
  helper: 'helper: sees tickets and clocks',
};

export const loader = ({ context }: Route.LoaderArgs) =>
  answering(context, async () => {
    const { householdId } = doorOf(context);
    const { userId } = accountOf(context);
    const { role } = context.get(visitorContext);
    const owner = role === 'owner';
    const members = await membersOf(householdId);
    return {
      owner,
      me: userId,
      mailed: members.find((m) => m.userId === userId)?.mailed ?? false,
      onlyOwner: members.filter((m) => m.role === 'owner').length === 1,
      // A mail address is for whoever decides about people.
      members: members.map(({ userId: id, name, role: theirs, email }) => ({
        id,
        name,
        role: theirs,
        email: owner ? email : null,
      })),
      invitations: owner
        ? (await invitationsOf(householdId, new Date())).map((i) => ({
            id: i.id,
            words: `${i.name}, as ${i.role}, until ${dayAndYear(i.expiresAt, 'UTC')}`,
          }))
        : [],
    };
  });

const inviteSchema = v.object({
  name: v.pipe(
    v.string('For whom: is missing.'),
    v.trim(),
    v.minLength(1, 'For whom: is missing.'),
    v.maxLength(60, 'For whom: at most 60 characters.'),
  ),
  role: v.picklist(roles, 'As: choose one.'),
});
const refusals: Record<Refusal, { status: number; problem: string }> = {
  'not-owner': { status: 403, problem: 'Only an owner decides about people.' },
  'last-owner': {
    status: 409,
    problem: 'The household would belong to nobody: make somebody else an owner first, or delete it under Households.',
  },
  gone: { status: 409, problem: 'They do not belong to this household any more.' },
};
interface Answer {
  problem: string | null;
  reply: FormReply | null;
  /** The link of a new invitation, told once. */
  link: string | null;
}
const answer = (part: Partial<Answer>, status: number) =>
  data<Answer>({ problem: null, reply: null, link: null, ...part }, { status });
const done = (refusal: Refusal | null, to: string) =>
  refusal ? answer({ problem: refusals[refusal].problem }, refusals[refusal].status) : redirect(to);

export const action = async ({ request, context }: Route.ActionArgs) => {
  const form = await formOf(request);
  const { householdId } = doorOf(context);
  const { userId } = accountOf(context);
  const person = field(form, 'person');
  return answering(context, async () => {
    switch (field(form, 'intent')) {
      case 'invite': {
        const read = readForm(form, inviteSchema);
        if (!read.ok) return answer({ reply: read.reply }, 422);
        const token = await invite(userId, householdId, read.value, new Date());
        return token ? answer({ link: `${origin()}/join/${token}` }, 200) : done('not-owner', '');
      }
      case 'take-back':
        return (await revokeInvitation(userId, householdId, field(form, 'invitation'), new Date()))
          ? redirect('/household/people')
          : answer({ problem: 'That invitation is used or taken back already.' }, 409);
      case 'role': {
        const role = roles.find((r) => r === field(form, 'role'));
        if (!role) return answer({ problem: 'Role: choose one.' }, 422);
        return done(await giveRole(userId, householdId, person, role), '/household/people');
      }
      case 'transfer':
        return done(await transferTo(userId, householdId, person), '/household/people');
      case 'put-out':
        return done(await endMembership(userId, householdId, person), '/household/people');
      case 'leave':
        return done(await endMembership(userId, householdId, userId), '/welcome');
      case 'mail':
        await setMailed(householdId, userId, field(form, 'mailed') === 'yes');
        return redirect('/household/people');
      default:
        throw new Response('That is not known here.', { status: 400 });
    }
  });
};

const People = styled(ActionRows)`
  form {
    display: flex;
    gap: 0.4rem;
    align-items: center;
    flex-wrap: wrap;
  }
  select {
    min-height: 2.75rem;
    border: 1.5px solid var(--hairline);
    border-radius: 10px 3px 10px 3px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 0.6rem;
  }
`;
const Link1 = styled.code`
  display: block;
  overflow-wrap: anywhere;
  padding: 0.5rem 0;
  user-select: all;
`;

export default function PeoplePage({ loaderData: view, actionData }: Route.ComponentProps) {
  const reply = actionData?.reply ?? null;
  return (
    <>
      <PageHead>
        <div>
          <h1>People</h1>
          <p>
            Who belongs to this household, and what they do here. <Link to="/household">The household</Link>
          </p>
        </div>
      </PageHead>
      {actionData?.problem && (
        <Notice severity="caution" title="Not done" live>
          {actionData.problem}
        </Notice>
      )}
      <People>
        {view.members.map((m) => (
          <li key={m.id}>
            <span>
              <b>{m.name}</b>
              {m.id === view.me ? ' (you)' : ''}
              <small>{m.email ? `${m.email}, ${m.role}` : m.role}</small>
            </span>
            {view.owner && !(m.id === view.me && view.onlyOwner) && (
              <PostForm>
                <input type="hidden" name="person" value={m.id} />
                <select name="role" defaultValue={m.role} aria-label={`Role of ${m.name}`}>
                  {roles.map((r) => (
                    <option key={r} value={r}>
                      {r}
                    </option>
                  ))}
                </select>
                <Button type="submit" name="intent" value="role" $quiet aria-label={`Change the role of ${m.name}`}>
                  Change
                </Button>
              </PostForm>
            )}
            {view.owner && m.id !== view.me && (
              <PostForm>
                <input type="hidden" name="person" value={m.id} />
                <Button type="submit" name="intent" value="transfer" $quiet aria-label={`Hand over to ${m.name}`}>
                  Hand over
                </Button>
                <Button type="submit" name="intent" value="put-out" $quiet aria-label={`Put out ${m.name}`}>
                  Put out
                </Button>
              </PostForm>
            )}
          </li>
        ))}
      </People>
      {view.owner && (
        <Section>
          <h2>Invite somebody</h2>
          {actionData?.link && (
            <Notice title="Send them this link" live>
              It is good for a week, and once. It is shown here only now.
              <Link1>{actionData.link}</Link1>
            </Notice>
          )}
          <FormStack style={{ maxWidth: '44rem' }}>
            <FieldGrid $min="20rem">
              <TextField
                name="name"
                label="For whom"
                defaultValue={String(typedValue(reply, 'name') ?? '')}
                error={errorOf(reply, 'name')}
              />
              <SelectField
                name="role"
                label="As"
                defaultValue={String(typedValue(reply, 'role') ?? 'member')}
                error={errorOf(reply, 'role')}
                options={roles.map((r) => [r, roleSays[r]] as const)}
              />
            </FieldGrid>
            <Actions>
              <Button type="submit" name="intent" value="invite">
                Make a link
              </Button>
            </Actions>
          </FormStack>
          <People>
            {view.invitations.map((i) => (
              <li key={i.id}>
                <span>{i.words}</span>
                <PostForm>
                  <input type="hidden" name="invitation" value={i.id} />
                  <Button type="submit" name="intent" value="take-back" $quiet aria-label={`Take back: ${i.words}`}>
                    Take back
                  </Button>
                </PostForm>
              </li>
            ))}
          </People>
        </Section>
      )}
      <Section>
        <h2>For you</h2>
        <PostForm>
          <input type="hidden" name="mailed" value={view.mailed ? 'no' : 'yes'} />
          <Actions>
            <Button type="submit" name="intent" value="mail" $quiet>
              {view.mailed ? 'No more mail when a machine is done' : 'Mail me when a machine is done'}
            </Button>
            <Quiet>{view.mailed ? 'You get a letter within a minute.' : 'You get no mail.'}</Quiet>
          </Actions>
        </PostForm>
        {view.owner && view.onlyOwner ? (
          <Quiet>You are its only owner. To leave, hand it over first; or delete it under Households.</Quiet>
        ) : (
          <PostForm>
            <Actions>
              <Button type="submit" name="intent" value="leave" $danger>
                Leave this household
              </Button>
            </Actions>
          </PostForm>
        )}
      </Section>
    </>
  );
}
