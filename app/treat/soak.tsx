import { data, Form, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { markStirred } from '@data/treatments.ts';
import type { Route } from './+types/soak';
import { field, fieldsOf, onSubmit, withHousehold } from '../server/request.server.ts';
import { Awake } from '../ui/awake.tsx';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { BeforeYouBegin, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { durationText, plural } from '../shared/words.ts';
import { PlannedTub, RunningTub, Tubs } from './parts/tub.tsx';
import { beginSoak, finishSoak, soakView, type SoakView } from './soak-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Soak · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => {
    const said = new URL(request.url).searchParams;
    const chosen = said.getAll('piece').map((p) => p.slice(0, 80));
    return soakView(scope, chosen.slice(0, 200), said.get('neverDyed') === 'yes');
  });

const refused = (text: string, status = 409, early: string | null = null) => data({ text, early }, { status });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const id = field(form, 'id');
    switch (field(form, 'intent')) {
      case 'begin': {
        const neverDyed = field(form, 'neverDyed') === 'yes';
        if (!(await beginSoak(scope, field(form, 'tub'), fieldsOf(form, 'piece'), neverDyed)))
          return refused('Those pieces cannot soak together any more; look at the list again.');
        return redirect('/soak');
      }
      case 'stir':
        await markStirred(scope.tx, id);
        return redirect('/soak');
      case 'end': {
        const end = await finishSoak(scope, id, field(form, 'early') === 'yes');
        if (end === 'gone') return refused('That tub was emptied on another screen already.');
        if (end !== 'done')
          return refused(
            `It has soaked ${durationText(end.minutes)}; before ${durationText(end.leastMinutes)} the bleach has done little. Take the pieces out now only if the water is tinted or the cloth suffers.`,
            409,
            id,
          );
        return redirect('/soak?out=yes');
      }
      default:
        return refused('That button is not known here.', 400);
    }
  });

const Pick = styled(Rows)`
  label {
    display: grid;
    grid-template-columns: auto auto minmax(0, 14rem) minmax(0, 1fr);
    gap: 0.8rem;
    align-items: center;
    min-height: 3rem;
    cursor: pointer;
  }
  input {
    width: 1.5rem;
    height: 1.5rem;
    accent-color: var(--ink);
  }
  small {
    color: var(--ink-soft);
  }
  @media (max-width: 700px) {
    label {
      grid-template-columns: auto auto minmax(0, 1fr);
    }
    label small {
      grid-column: 2 / -1;
    }
  }
`;

/** The pieces of the basket, those that may go in first. */
function Choices({ v }: { v: SoakView }) {
  if (v.choices.length === 0) return <Notice title="The basket is empty">Put in what is to soak.</Notice>;
  return (
    <Form method="get">
      <Pick>
        {v.choices.map((c) => (
          <li key={c.piece.id}>
            <label>
              <input
                type="checkbox"
                name="piece"
                value={c.piece.id}
                disabled={c.refusal !== null}
                defaultChecked={
                  v.chosen.includes(c.piece.id) || (v.chosen.length === 0 && c.refusal === null && c.marked)
                }
              />
              <Swatch cloth={c.piece.cloth} />
              <span>{c.piece.name}</span>
              <small>
                {c.refusal ? (
                  <>
                    Not in: {c.refusal.text}.{' '}
                    {c.refusal.testOpens && (
                      <Link to={`/test/${c.piece.id}?agent=oxy-percarbonate`}>Test {c.piece.name}</Link>
                    )}
                  </>
                ) : (
                  c.marked && 'Marked.'
                )}
              </small>
            </label>
          </li>
        ))}
      </Pick>
      <Actions style={{ marginTop: '1rem' }}>
        <Button type="submit">Work out the tub</Button>
      </Actions>
    </Form>
  );
}

/** White and never dyed takes the whole dose for hours; what was ever dyed takes half of it. One look decides. */
function AskUndyed({ v }: { v: SoakView }) {
  return (
    <Notice title="White all through, never dyed?">
      <p>{v.askUndyed}</p>
      <Form method="get" preventScrollReset>
        {v.chosen.map((id) => (
          <input key={id} type="hidden" name="piece" value={id} />
        ))}
        <input type="hidden" name="neverDyed" value="yes" />
        <Button type="submit" $quiet>
          Yes, never dyed
        </Button>
      </Form>
    </Notice>
  );
}

export default function Soak({ loaderData: v, actionData }: Route.ComponentProps) {
  useRefresh(v.running.length > 0);
  return (
    <>
      <PageHead>
        <div>
          <h1>One tub for many pieces</h1>
          <p>
            Oxygen bleach in warm water, for cloth that bears it. Treat each visible mark first; chlorine never goes
            into this bath.
          </p>
        </div>
      </PageHead>
      {actionData && (
        <div style={{ marginBottom: '1rem' }}>
          <Notice severity="caution" live>
            {actionData.text}
            {actionData.early !== null && (
              <PostForm preventScrollReset>
                <input type="hidden" name="id" value={actionData.early} />
                <input type="hidden" name="early" value="yes" />
                <TextButton type="submit" name="intent" value="end">
                  Take them out all the same
                </TextButton>
              </PostForm>
            )}
          </Notice>
        </div>
      )}
      {v.waiting !== '' && (
        <Notice title="Out of the soak">
          <p>{v.waiting}</p>
          <LinkButton href="/sort" $quiet>
            To Sort
          </LinkButton>
        </Notice>
      )}
      {v.running.length > 0 && (
        <Section>
          <h2>In the water</h2>
          <Awake />
          <Tubs>
            {v.running.map((r) => (
              <RunningTub key={r.id} r={r} serverNow={v.serverNow} />
            ))}
          </Tubs>
        </Section>
      )}
      <Section>
        <h2>Who may go in</h2>
        <Choices v={v} />
      </Section>
      {v.askUndyed !== '' && (
        <Section aria-label="A question first">
          <AskUndyed v={v} />
        </Section>
      )}
      {v.tubs.length > 0 && (
        <Section>
          <h2>{v.tubs.length === 1 ? 'The tub' : `${plural(v.tubs.length, 'tub')}, each by itself`}</h2>
          <BeforeYouBegin {...v.precautions} />
          <Tubs>
            {v.tubs.map((t) => (
              <PlannedTub key={t.key} t={t} neverDyed={v.neverDyed} />
            ))}
          </Tubs>
        </Section>
      )}
      {v.refused.length > 0 && (
        <Section>
          <h2>Left out</h2>
          <Rows>
            {v.refused.map((r) => (
              <li key={r.piece.id} style={{ padding: '0.4rem 0' }}>
                {r.piece.name} <Quiet>{r.text}</Quiet>{' '}
                {r.testOpens && <Link to={`/test/${r.piece.id}?agent=oxy-percarbonate`}>Test {r.piece.name}</Link>}
              </li>
            ))}
          </Rows>
        </Section>
      )}
    </>
  );
}
