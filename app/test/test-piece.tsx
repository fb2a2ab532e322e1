import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { appendEvents } from '@data/events.ts';
import { findPiece, setTestFirstRisk } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/test-piece';
import { readForm, typedValue } from '../forms/read.ts';
import { riskSchema, testSchema } from './test-form.ts';
import { field, notFound, withHousehold, onSubmit } from '../server/request.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { ClothPhoto } from './parts/cloth-photo.tsx';
import { GradeScale } from './parts/grade-scale.tsx';
import { Actions, AreaField } from '../ui/fields.tsx';
import { Fold } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { askedAgent, testView } from './test-view.server.ts';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `Test ${loaderData.piece.name}` : 'Test'} · Neat Fold` },
];
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const agent = askedAgent(new URL(request.url).searchParams);
    return testView(scope, params.pieceId, (await readHousehold(scope.tx))?.timeZone ?? 'UTC', agent);
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, now } = scope;
    const { params } = args;
    const piece = await findPiece(tx, params.pieceId);
    if (!piece) throw notFound('That piece is not in the wardrobe.');
    const intent = field(form, 'intent');
    if (intent === 'strike') {
      const wrong = piece.state.readings.find((r) => String(r.eventId) === field(form, 'reading'));
      if (!wrong)
        return data(
          { part: 'test' as const, errors: ['That reading was struck out already.'], reply: null },
          { status: 409 },
        );
      await appendEvents(scope, [
        {
          garmentId: params.pieceId,
          kind: 'noted',
          at: now,
          data: { struck: wrong.eventId, note: `A reading struck out: ${wrong.kind}, grade ${wrong.grade}` },
        },
      ]);
      return redirect(`/test/${params.pieceId}`);
    }
    if (intent === 'risk' || intent === 'no-risk') {
      const read = intent === 'risk' ? readForm(form, riskSchema) : null;
      if (read && !read.ok)
        return data({ part: 'risk' as const, errors: read.errors, reply: read.reply }, { status: 422 });
      const risk = read?.ok ? read.value.risk : null;
      await setTestFirstRisk(tx, params.pieceId, risk);
      await appendEvents(scope, [
        {
          garmentId: params.pieceId,
          kind: 'noted',
          at: now,
          data: { note: risk ? `Risk accepted, dry-clean label: ${risk}` : 'The dry-clean label is obeyed again.' },
        },
      ]);
      return redirect(`/test/${params.pieceId}`);
    }
    const read = readForm(form, testSchema);
    if (!read.ok) return data({ part: 'test' as const, errors: read.errors, reply: read.reply }, { status: 422 });
    const { kind, agent, grade } = read.value;
    await appendEvents(scope, [
      {
        garmentId: params.pieceId,
        kind: kind === 'catcher' ? 'read' : 'tested',
        at: now,
        data: { test: { kind, grade, ...(agent === 'water' ? {} : { agent }) } },
      },
    ]);
    const asked = askedAgent(new URL(args.request.url).searchParams);
    return redirect(`/test/${params.pieceId}?${asked ? `agent=${asked}&` : ''}stored`);
  });

const Tests = styled.ol`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.4rem;
  > li {
    background: var(--paper);
    border: 1px solid var(--hairline);
    border-radius: 4px 18px 4px 18px;
    padding: 1rem 1.2rem;
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0.8rem;
  }
  h2 {
    font-size: 1.2rem;
  }
  li[data-done='true'] {
    border-style: dashed;
    background: none;
  }
`;
export default function TestPiece({ loaderData: v, actionData }: Route.ComponentProps) {
  const failed = actionData && 'errors' in actionData ? actionData : null;
  return (
    <>
      <PageHead>
        <div>
          <h1>
            {v.piece.name}:{' '}
            {v.agent ? `does it bear ${v.agent.name}?` : v.undyed ? 'does it bear water?' : 'will it bleed?'}
          </h1>
          <p>
            {v.agent
              ? 'A drop on a hidden place first: that is all it needs to go on.'
              : (v.plan.reason ?? 'Nothing asks for a test; you may make one all the same.')}{' '}
            <Link to={`/pieces/${v.piece.id}`}>Label and history</Link>
          </p>
        </div>
        <div style={{ width: '16rem' }}>
          <Fold cloth={v.piece.cloth} name={v.piece.name} height={40} />
        </div>
      </PageHead>
      {failed?.part === 'test' && (
        <div style={{ marginBottom: '1rem' }}>
          <Notice severity="caution" title="Not stored yet" live>
            {failed.errors.join(' ')}
          </Notice>
        </div>
      )}
      {v.agent?.passed ? (
        <Notice title={`It bears ${v.agent.name}`}>
          <LinkButton href="/soak" $quiet>
            To the soak
          </LinkButton>
        </Notice>
      ) : (
        <Notice title="So far">
          {v.result} {v.plan.where}
        </Notice>
      )}
      {v.risk.needed && (
        <Section>
          <h2>Its label says no to water</h2>
          {!v.risk.possible ? (
            <p>This kind of piece is never washed at home, whatever a test says: show it to a cleaner.</p>
          ) : !v.risk.allowed ? (
            <p>
              Your house rule sends such pieces to the cleaner. Under the rule “test first” it may be tested and, if it
              passes, washed at your own risk. <Link to="/household#rules">Change the rule</Link>
            </p>
          ) : v.risk.text !== null ? (
            <PostForm>
              <Notice severity="caution" title="You took the risk">
                “{v.risk.text}” With clear tests it may have a cold bath by itself, under the house rule “test first”.
              </Notice>
              <p>
                <TextButton type="submit" name="intent" value="no-risk">
                  Obey the label again
                </TextButton>
              </p>
            </PostForm>
          ) : (
            <PostForm style={{ display: 'grid', gap: '0.8rem', maxWidth: '44rem' }}>
              <p>
                A bath against the label can shrink, fade or misshape it, and nobody pays for that. If you want to test
                it all the same, say so in your own words.
              </p>
              <AreaField
                name="risk"
                label="What may happen, and that you accept it"
                rows={2}
                defaultValue={failed?.part === 'risk' ? String(typedValue(failed.reply, 'risk') ?? '') : ''}
                error={failed?.part === 'risk' ? failed.errors[0] : undefined}
              />
              <Actions>
                <Button type="submit" name="intent" value="risk" $danger>
                  I accept the risk
                </Button>
              </Actions>
            </PostForm>
          )}
        </Section>
      )}
      <Section>
        <h2>Step by step</h2>
        <Tests>
          {v.plan.tests.map((t) => (
            <li key={t.id} data-done={t.done >= t.needed}>
              <h2>
                {t.title} <Quiet>{t.done >= t.needed ? 'done' : `${t.done} of ${t.needed} clear`}</Quiet>
              </h2>
              <p>{t.how}</p>
              <PostForm preventScrollReset style={{ display: 'grid', gap: '0.9rem' }}>
                <input type="hidden" name="kind" value={t.kind} />
                <input type="hidden" name="agent" value={t.agent} />
                <GradeScale grades={v.grades} id={t.id} />
                <ClothPhoto />
                <Actions>
                  <Button type="submit" name="intent" value="test" $quiet={t.done >= t.needed}>
                    Store this reading
                  </Button>
                </Actions>
              </PostForm>
            </li>
          ))}
          {v.plan.tests.length === 0 && (
            <li>
              <p>It gives no dye: there is nothing to test.</p>
            </li>
          )}
        </Tests>
      </Section>
      {v.history.length > 0 && (
        <Section>
          <h2>Readings so far</h2>
          <PostForm preventScrollReset>
            <input type="hidden" name="intent" value="strike" />
            <Rows>
              {v.history.map((h) => (
                <li key={h.eventId}>
                  {h.text} <Quiet>{h.verdict}</Quiet>{' '}
                  <TextButton
                    type="submit"
                    name="reading"
                    value={h.eventId}
                    aria-label={`A mistake: strike it out (${h.text})`}
                  >
                    A mistake: strike it out
                  </TextButton>
                </li>
              ))}
            </Rows>
          </PostForm>
        </Section>
      )}
      <Actions style={{ marginTop: '1.5rem' }}>
        <LinkButton $quiet href="/test">
          All tests
        </LinkButton>
        <LinkButton $quiet href="/sort">
          To the loads
        </LinkButton>
      </Actions>
    </>
  );
}
