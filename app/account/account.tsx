import { APIError } from 'better-auth/api';
import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import {
  dropPasskey,
  dropSession,
  endSessions,
  forgetAccount,
  householdsOf,
  noteTrail,
  ownedAlone,
  passkeysOf,
  sessionsOf,
} from '@data/accounts.ts';
import type { Route } from './+types/account';
import { errorOf, readForm, replyOf, type FormReply } from '../forms/read.ts';
import { accountOf } from '../server/door.server.ts';
import { answering, field, formOf } from '../server/request.server.ts';
import { dayAndYear } from '../shared/words.ts';
import { Button } from '../ui/button.tsx';
import { Actions, FormStack, TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { changePasswordSchema, hushed } from './account-form.ts';
import { auth } from './auth.server.ts';
import { PasskeyAdd } from './parts/passkey-add.tsx';
import { passwordProblem } from './password.server.ts';
import { cookiesOf } from './sign-in.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Your account · Neat Fold' }];

/** A browser as its owner would call it: the program and the system, from what it says of itself. */
const programs = ['Firefox', 'Edg', 'OPR', 'Chrome', 'Safari'] as const;
const systems = ['Android', 'iPhone', 'iPad', 'Windows', 'Mac OS', 'Linux'] as const;
function agentWords(agent: string): string {
  const program = programs.find((p) => agent.includes(p));
  const system = systems.find((s) => agent.includes(s));
  return [program ? 'A browser' : 'A program', system ? `on ${system}` : ''].join(' ').trim();
}

export const loader = ({ context }: Route.LoaderArgs) =>
  answering(context, async () => {
    const { userId, name, email, sessionToken } = accountOf(context);
    const now = new Date();
    return {
      name,
      email,
      households: await householdsOf(userId),
      sessions: (await sessionsOf(userId, sessionToken, now)).map((s) => ({
        id: s.id,
        here: s.here,
        words: `${agentWords(s.agent)}, since ${dayAndYear(s.since, 'UTC')}`,
      })),
      passkeys: (await passkeysOf(userId)).map((p) => ({
        id: p.id,
        words: `${p.name ?? 'A passkey'}${p.createdAt ? `, since ${dayAndYear(p.createdAt, 'UTC')}` : ''}`,
      })),
    };
  });

type Answer = { section: 'password' | 'delete'; reply: FormReply | null; problem: string | null; said: string | null };
const answer = (section: Answer['section'], part: Partial<Answer>, status: number) =>
  data<Answer>({ section, reply: null, problem: null, said: null, ...part }, { status });

export const action = async ({ request, context }: Route.ActionArgs) => {
  const { userId, email, name, sessionToken } = accountOf(context);
  const form = await formOf(request.clone());
  return answering(context, async () => {
    switch (field(form, 'intent')) {
      case 'off': {
        const { headers } = await auth().api.signOut({ headers: request.headers, returnHeaders: true });
        await dropSession(sessionToken);
        await noteTrail({ what: 'signed-out', userId });
        // What this browser kept for places without a connection goes too.
        return redirect('/account/sign-in?done=off', {
          headers: [...cookiesOf(headers), ['Clear-Site-Data', '"cache", "storage"']],
        });
      }
      case 'end-session': {
        await endSessions(userId, sessionToken, field(form, 'session'));
        await noteTrail({ what: 'sessions-ended', userId });
        return redirect('/account');
      }
      case 'drop-passkey': {
        if (await dropPasskey(userId, field(form, 'passkey'))) await noteTrail({ what: 'passkey-removed', userId });
        return redirect('/account');
      }
      case 'password': {
        const read = readForm(form, changePasswordSchema);
        if (!read.ok) return answer('password', { reply: hushed(read.reply) }, 422);
        const weak = passwordProblem(read.value.password, [name, email]);
        if (weak) return answer('password', { reply: replyOf(new FormData(), { password: [weak] }) }, 422);
        try {
          const { headers } = await auth().api.changePassword({
            body: {
              currentPassword: read.value.current,
              newPassword: read.value.password,
              revokeOtherSessions: true,
            },
            headers: request.headers,
            returnHeaders: true,
          });
          await noteTrail({ what: 'password-set', userId });
          return data<Answer>(
            {
              section: 'password',
              reply: null,
              problem: null,
              said: 'The new password holds; every other place is signed off.',
            },
            { headers: cookiesOf(headers) },
          );
        } catch (error) {
          if (!(error instanceof APIError)) throw error;
          return answer(
            'password',
            { reply: replyOf(new FormData(), { current: ['Password now: that is not it.'] }) },
            422,
          );
        }
      }
      case 'delete': {
        const right = await auth()
          .api.verifyPassword({ body: { password: field(form, 'current') }, headers: request.headers })
          .then(
            () => true,
            (error: unknown) => {
              if (error instanceof APIError) return false;
              throw error;
            },
          );
        if (!right) return answer('delete', { problem: 'Password now: that is not it. Nothing was deleted.' }, 422);
        const alone = await ownedAlone(userId);
        if (alone.length > 0)
          return answer(
            'delete',
            {
              problem: `You are the only owner of ${alone.map((h) => `“${h.name}”`).join(', ')}. Hand it over under People, or delete it under Households; then delete your account.`,
            },
            409,
          );
        await forgetAccount(userId);
        return redirect('/account/sign-in?done=deleted');
      }
      default:
        throw new Response('That is not known here.', { status: 400 });
    }
  });
};

const List = styled(Rows)`
  max-width: 44rem;
  li {
    display: flex;
    gap: 0.5rem 1.2rem;
    align-items: center;
    flex-wrap: wrap;
    min-height: 3.2rem;
  }
  li > span:first-child,
  li > a:first-child {
    flex: 1;
    min-width: 12rem;
  }
`;
const roleWords = { owner: 'owner', member: 'member', helper: 'helper' } as const;

export default function AccountPage({ loaderData: v, actionData }: Route.ComponentProps) {
  const at = (section: Answer['section']): Answer | null => (actionData?.section === section ? actionData : null);
  const password = at('password');
  const gone = at('delete');
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.name}</h1>
          <p>{v.email}</p>
        </div>
        <PostForm>
          <Button type="submit" name="intent" value="off" $quiet>
            Sign off
          </Button>
        </PostForm>
      </PageHead>
      <Section>
        <h2>Your households</h2>
        <List>
          {v.households.map((h) => (
            <li key={h.id}>
              <span>{h.name}</span>
              <Quiet>{roleWords[h.role]}</Quiet>
            </li>
          ))}
          {v.households.length === 0 && (
            <li>
              <Link to="/welcome">None yet: begin one</Link>
            </li>
          )}
        </List>
      </Section>
      <Section>
        <h2>Password</h2>
        {password?.said && (
          <Notice title="Done" live>
            {password.said}
          </Notice>
        )}
        <FormStack style={{ maxWidth: '27rem' }}>
          <NotStored reply={password?.reply ?? null} />
          <input type="hidden" name="intent" value="password" />
          <input type="hidden" name="username" autoComplete="username" value={v.email} readOnly />
          <TextField
            name="current"
            label="Password now"
            type="password"
            autoComplete="current-password"
            error={errorOf(password?.reply ?? null, 'current')}
          />
          <TextField
            name="password"
            label="New password"
            type="password"
            autoComplete="new-password"
            error={errorOf(password?.reply ?? null, 'password')}
            hint="12 characters or more."
          />
          <Actions>
            <Button type="submit">Change it</Button>
          </Actions>
        </FormStack>
      </Section>
      <Section>
        <h2>Passkeys</h2>
        <List>
          {v.passkeys.map((p) => (
            <li key={p.id}>
              <span>{p.words}</span>
              <PostForm>
                <input type="hidden" name="passkey" value={p.id} />
                <Button type="submit" name="intent" value="drop-passkey" $quiet aria-label={`Remove ${p.words}`}>
                  Remove
                </Button>
              </PostForm>
            </li>
          ))}
        </List>
        <PasskeyAdd name={v.email} />
      </Section>
      <Section>
        <h2>Where you are signed in</h2>
        <List>
          {v.sessions.map((s) => (
            <li key={s.id}>
              <span>{s.words}</span>
              {s.here ? (
                <Quiet>here</Quiet>
              ) : (
                <PostForm>
                  <input type="hidden" name="session" value={s.id} />
                  <Button type="submit" name="intent" value="end-session" $quiet aria-label={`Sign off: ${s.words}`}>
                    Sign off
                  </Button>
                </PostForm>
              )}
            </li>
          ))}
        </List>
        {v.sessions.length > 1 && (
          <PostForm>
            <Button type="submit" name="intent" value="end-session" $quiet>
              Sign off everywhere else
            </Button>
          </PostForm>
        )}
      </Section>
      <Section>
        <h2>Delete the account</h2>
        <p>
          With its passkeys and memberships. Households of others stay as they are; one of yours is handed over or
          deleted first. <a href="/household.zip">Take a copy of the household you look at</a>.
        </p>
        <FormStack style={{ maxWidth: '27rem' }}>
          {gone?.problem && (
            <Notice severity="caution" title="Not deleted" live>
              {gone.problem}
            </Notice>
          )}
          <input type="hidden" name="intent" value="delete" />
          <TextField name="current" label="Password now" type="password" autoComplete="current-password" />
          <Actions>
            <Button type="submit" $danger>
              Delete my account
            </Button>
          </Actions>
        </FormStack>
      </Section>
    </>
  );
}
