/** Putting away: what is dry is put together, folded or hung, and only then clean. */
import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import type { Route } from './+types/away';
import { intoCupboard } from '../dry/rack.server.ts';
import { conflict, field, fieldsOf, onSubmit, withHousehold } from '../server/request.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { awayView } from './away-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Away · Neat Fold' }];
export const loader = ({ context }: Route.LoaderArgs) => withHousehold(context, awayView);

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const pieces = fieldsOf(form, 'piece').slice(0, 400);
    if (field(form, 'intent') !== 'away' || pieces.length === 0)
      return data({ message: 'Nothing was chosen.' }, { status: 422 });
    const { away, marked, parts } = await intoCupboard(scope, pieces, new Set(fieldsOf(form, 'refitted')));
    if (marked.length > 0)
      return data({ message: `${marked.join(', ')}: look at the mark first, dry and in daylight.` }, { status: 422 });
    if (parts.length > 0)
      return data(
        { message: `${parts.join(', ')}: put back what was taken off, or say that it is back.` },
        { status: 422 },
      );
    return away > 0 ? redirect('/away') : conflict({ message: 'That was done on another screen already.' });
  });

const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.2rem 1rem;
  align-items: center;
  padding: 0.6rem 0;
  h3 {
    font-size: 1.02rem;
  }
  ul {
    color: var(--ink-soft);
    font-size: 0.92rem;
  }
  label {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 2.4rem;
  }
`;

export default function Away({ loaderData: v, actionData }: Route.ComponentProps) {
  if (!v || v.groups.length + v.toPress + v.marked.length === 0)
    return (
      <Empty title="Everything is put away" action={<LinkButton href="/dry">To the drying places</LinkButton>}>
        What is felt dry waits here until it is folded or hung; then it is clean.
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.title}</h1>
          <p>A piece is clean once it is put away: quite dry, whole, and where it keeps.</p>
        </div>
        {v.toPress > 0 && (
          <LinkButton $quiet href="/press">
            {v.toPress === 1 ? 'One waits for the iron' : `${v.toPress} wait for the iron`}
          </LinkButton>
        )}
      </PageHead>
      {actionData && (
        <Notice severity="caution" live>
          {actionData.message}
        </Notice>
      )}
      {v.marked.length > 0 && (
        <Notice title="Look at the marks first">
          {v.light}{' '}
          {v.marked.map((m, i) => (
            <span key={m.id}>
              {i > 0 && ', '}
              <Link to={m.href}>{m.name}</Link>
            </span>
          ))}
        </Notice>
      )}
      {v.groups.map((g) => {
        const whole = g.pieces.filter((p) => p.detached === null);
        return (
          <Section key={g.id} aria-labelledby={`group-${g.id}`}>
            <h2 id={`group-${g.id}`}>{g.title}</h2>
            <PostForm preventScrollReset>
              <input type="hidden" name="intent" value="away" />
              <Rows>
                {g.pieces.map((p) => (
                  <Row key={p.id}>
                    <div>
                      <h3>
                        <Swatch cloth={p.cloth} /> {p.name} <Quiet>{p.owner}</Quiet>
                      </h3>
                      <ul>
                        {p.steps.map((s) => (
                          <li key={s}>{s}</li>
                        ))}
                      </ul>
                      {p.detached && (
                        <label>
                          <input type="checkbox" name="refitted" value={p.id} /> It is back on
                        </label>
                      )}
                    </div>
                    <TextButton type="submit" name="piece" value={p.id} aria-label={`Put away: ${p.name}`}>
                      Put away
                    </TextButton>
                  </Row>
                ))}
              </Rows>
            </PostForm>
            {whole.length > 1 && (
              <PostForm preventScrollReset>
                {whole.map((p) => (
                  <input key={p.id} type="hidden" name="piece" value={p.id} />
                ))}
                <Actions>
                  <Button type="submit" name="intent" value="away">
                    All {whole.length} are put away
                  </Button>
                </Actions>
              </PostForm>
            )}
          </Section>
        );
      })}
    </>
  );
}
