/** The iron: a queue from the coolest plate to the hottest, and a shirt step by step. */
import { useState } from 'react';
import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { shirtSteps } from '@core/pressing/queue.ts';
import { shirtWords } from '@words/en/rack.ts';
import type { Route } from './+types/press';
import { pressed } from '../dry/rack.server.ts';
import { conflict, field, fieldsOf, onSubmit, withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { ShirtDrawing } from './parts/shirt.tsx';
import { pressView, type PressStepView } from './press-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Press · Neat Fold' }];
export const loader = ({ context }: Route.LoaderArgs) => withHousehold(context, pressView);

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const intent = field(form, 'intent');
    if (intent !== 'pressed' && intent !== 'leave') return data({ message: 'Nothing was chosen.' }, { status: 422 });
    const done = await pressed(scope, fieldsOf(form, 'piece').slice(0, 400), intent === 'pressed');
    return done > 0 ? redirect('/press') : conflict({ message: 'That was done on another screen already.' });
  });

const Queue = styled.ol`
  display: grid;
  gap: 0.8rem;
  margin-bottom: 1.2rem;
  > li {
    display: grid;
    grid-template-columns: 5.6rem minmax(0, 1fr) auto;
    gap: 0.3rem 1.1rem;
    align-items: start;
    background: var(--paper);
    border: 1px solid var(--hairline);
    border-radius: 4px 18px 4px 18px;
    padding: 0.9rem 1.1rem;
  }
  .plate {
    font-size: 1.4rem;
    font-weight: 720;
    letter-spacing: -0.02em;
    line-height: 1.1;
    small {
      display: block;
      font-size: 0.82rem;
      font-weight: 500;
      letter-spacing: 0;
      color: var(--ink-soft);
    }
  }
  ${media.phone} {
    > li {
      grid-template-columns: 5rem minmax(0, 1fr);
    }
    form {
      grid-column: 1 / -1;
    }
  }
`;
const Guide = styled.div`
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 9rem minmax(0, 1fr);
  gap: 1rem;
  align-items: center;
  border-top: 1px dotted var(--hairline);
  padding-top: 0.8rem;
  margin-top: 0.4rem;
  ${media.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

function ShirtGuide() {
  const [at, setAt] = useState(0);
  const step = shirtSteps[at] ?? 'collar';
  return (
    <Guide>
      <ShirtDrawing step={step} />
      <div role="group" aria-label="A shirt, step by step">
        <p aria-live="polite">
          <Quiet>
            {at + 1} of {shirtSteps.length}
          </Quiet>
          <br />
          <b>{shirtWords[step].name}.</b> {shirtWords[step].how}
        </p>
        <Actions>
          <Button
            type="button"
            onPress={() => setAt(Math.min(shirtSteps.length - 1, at + 1))}
            isDisabled={at === shirtSteps.length - 1}
          >
            Next
          </Button>
          <Button type="button" $quiet onPress={() => setAt(Math.max(0, at - 1))} isDisabled={at === 0}>
            Back
          </Button>
        </Actions>
      </div>
    </Guide>
  );
}

function Step({ step: s, first }: { step: PressStepView; first: boolean }) {
  const [guided, setGuided] = useState(false);
  return (
    <li>
      <span className="plate">
        {s.plate}
        <small>{s.iron}</small>
      </span>
      <div>
        <h2 style={{ fontSize: '1.15rem' }}>
          <Swatch cloth={s.cloth} /> {s.name}
        </h2>
        <p>
          {s.how} <Quiet>{s.time}</Quiet>
        </p>
        {s.shirt && (
          <TextButton type="button" aria-expanded={guided} onClick={() => setGuided(!guided)}>
            {guided ? 'Close the steps' : 'Step by step'}
          </TextButton>
        )}
      </div>
      <PostForm preventScrollReset>
        <input type="hidden" name="piece" value={s.id} />
        <Actions>
          <Button type="submit" name="intent" value="pressed" $quiet={!first} aria-label={`Pressed: ${s.name}`}>
            Pressed
          </Button>
          <TextButton type="submit" name="intent" value="leave" aria-label={`Leave as it is: ${s.name}`}>
            Leave as it is
          </TextButton>
        </Actions>
      </PostForm>
      {guided && <ShirtGuide />}
    </li>
  );
}

export default function Press({ loaderData: v, actionData }: Route.ComponentProps) {
  if (!v || v.steps.length === 0)
    return (
      <Empty
        title="Nothing waits for the iron"
        action={
          <LinkButton href={v && v.toPutAway > 0 ? '/away' : '/dry'}>
            {v && v.toPutAway > 0 ? 'To put away' : 'To the drying places'}
          </LinkButton>
        }
      >
        {v && v.not.length > 0
          ? v.not.map((n) => `${n.name}: ${n.why}`).join('. ') + '.'
          : 'Most pieces need none if they hang damp and straight.'}
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.title}</h1>
          <p>{v.lead}</p>
        </div>
        <LinkButton $quiet href="/away">
          To put away
        </LinkButton>
      </PageHead>
      {actionData && (
        <Notice severity="caution" live>
          {actionData.message}
        </Notice>
      )}
      <Queue>
        {v.steps.map((s, i) => (
          <Step key={s.id} step={s} first={i === 0} />
        ))}
      </Queue>
      {v.not.length > 0 && (
        <Section>
          <h2>Not under the iron</h2>
          <ul>
            {v.not.map((n) => (
              <li key={n.id}>
                {n.name}: {n.why}
                {n.looksHref && (
                  <>
                    {' '}
                    <Link to={n.looksHref}>Look at the mark</Link>
                  </>
                )}
              </li>
            ))}
          </ul>
        </Section>
      )}
      <Notice severity="caution">
        A clean, dry plate; lift it, do not slide it over wool. Never over a mark. Steam and plate burn: children away,
        the iron on its heel, and unplugged when you leave. No board? A table with a thin wool blanket and a sheet
        pinned over it is a good one.
      </Notice>
    </>
  );
}
