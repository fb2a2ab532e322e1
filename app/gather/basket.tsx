import { Form, Link, redirect, useSubmit } from 'react-router';
import { styled } from 'styled-components';
import { takeFromBasket, joinBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { findPiece } from '@data/garments.ts';
import type { Route } from './+types/basket';
import { media } from '../theme/tokens.ts';
import { field, notFound, withHousehold, onSubmit } from '../server/request.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { SelectField, TextField } from '../ui/fields.tsx';
import { Fold, Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Section, VisuallyHidden } from '../ui/page.tsx';
import { basketView, type BasketFilter } from './basket-view.server.ts';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Basket · Neat Fold' }];

function filterOf(request: Request): BasketFilter {
  const query = new URL(request.url).searchParams;
  const show = query.get('show');
  return {
    q: (query.get('q') ?? '').slice(0, 80),
    show: show === 'due' || show === 'soon' || show === 'fresh' ? show : 'all',
    owner: (query.get('owner') ?? '').slice(0, 40),
    all: query.has('all'),
  };
}
export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => basketView(scope, filterOf(request)));

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const back = redirect(`/basket${new URL(args.request.url).search}`);
    const add = field(form, 'add');
    const remove = field(form, 'remove');
    if (add) {
      if (!(await findPiece(tx, add))) throw notFound('That piece is not in the wardrobe.');
      await joinBasket(tx, householdId, add);
    }
    const worn = field(form, 'worn');
    if (worn) {
      if (!(await findPiece(tx, worn))) throw notFound('That piece is not in the wardrobe.');
      await appendEvents(scope, [{ garmentId: worn, kind: 'worn', at: now }]);
    }
    if (remove) await takeFromBasket(tx, [remove]);
    return back;
  });

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 21rem) minmax(0, 1fr);
  gap: 2.5rem;
  align-items: start;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
    gap: 1.75rem;
  }
`;
const Pile = styled.ul`
  display: grid;
  gap: 0.45rem;
  border-bottom: 6px solid var(--shelf);
  padding-bottom: 2px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 0.6rem;
    align-items: center;
  }
  .marks {
    grid-column: 1 / -1;
    color: var(--ink-soft);
    font-size: 0.86rem;
    padding: 0.1rem 0 0.1rem 1.1rem;
  }
  a {
    text-decoration: none;
    display: block;
  }
  a:hover {
    transform: translateX(3px);
  }
  a {
    transition: transform 0.15s;
  }
`;
const Quick = styled(Form)`
  display: flex;
  gap: 0.6rem;
  align-items: end;
  > div {
    flex: 1;
  }
  max-width: 52rem;
  margin-bottom: 1.5rem;
  ${media.phone} {
    flex-wrap: wrap;
    > div {
      flex-basis: 100%;
    }
  }
`;
const Filters = styled(Form)`
  display: grid;
  grid-template-columns: minmax(8rem, 1.4fr) minmax(8rem, 1fr) minmax(7rem, 1fr) auto;
  gap: 0.6rem;
  align-items: end;
  margin-bottom: 1rem;
  ${media.phone} {
    grid-template-columns: 1fr 1fr;
  }
`;
const Wardrobe = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(18rem, 100%), 1fr));
  gap: 0 1.6rem;
  li {
    border-bottom: 1px dotted var(--hairline);
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    gap: 0.2rem;
  }
  li > button:first-child {
    all: unset;
    box-sizing: border-box;
    width: 100%;
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 0.7rem;
    align-items: center;
    min-height: 3.4rem;
    padding: 0.35rem 0.2rem;
    cursor: pointer;
  }
  li > button:first-child:focus-visible {
    outline: 3px solid var(--woad);
    outline-offset: 1px;
    border-radius: 4px;
  }
  li > button:first-child:hover {
    background: var(--wash);
  }
  .taps {
    display: flex;
    gap: 0.2rem 0.8rem;
    flex-wrap: wrap;
    justify-content: flex-end;
    a {
      display: inline-flex;
      align-items: center;
      min-height: 2.25rem;
      color: var(--ink-soft);
    }
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.84rem;
  }
`;
const Due = styled.b<{ $urgent: boolean }>`
  font-weight: 680;
  color: ${(p) => (p.$urgent ? 'var(--madder)' : 'var(--weld)')};
`;
const Plus = styled.span`
  width: 1.6rem;
  height: 1.6rem;
  display: grid;
  place-items: center;
  border: 1.5px solid var(--hairline);
  border-radius: 12px 3px 3px 12px;
  color: var(--ink-soft);
`;

export default function Basket({ loaderData: v }: Route.ComponentProps) {
  const submit = useSubmit();
  const toSort = v.pieces.filter((p) => p.inWater === null).length;
  const { filter } = v;
  const search = new URLSearchParams({
    ...(filter.q && { q: filter.q }),
    ...(filter.show !== 'all' && { show: filter.show }),
    ...(filter.owner && { owner: filter.owner }),
  }).toString();
  const action = search ? `?${search}` : '.';
  return (
    <>
      <PageHead>
        <div>
          <h1>What’s dirty?</h1>
          <p>Pick pieces from the wardrobe, mark what is special about them, then sort.</p>
        </div>
        <LinkButton $quiet href="/hamper.json" download="hamper.json" target="_self">
          Save as a document
        </LinkButton>
        {toSort > 0 && (
          <PostForm action="/sort">
            <Button type="submit" name="intent" value="sort">
              Sort {toSort} {toSort === 1 ? 'piece' : 'pieces'}
            </Button>
          </PostForm>
        )}
      </PageHead>
      <Quick method="get" action="/pieces/new">
        <input type="hidden" name="basket" value="yes" />
        <TextField name="line" label="Add a piece in one line" placeholder="navy merino jumper, hand wash, M" />
        <Button type="submit" $quiet>
          Read it
        </Button>
        <LinkButton $quiet href="/pieces/several?basket=yes">
          Several at once
        </LinkButton>
        <LinkButton $quiet href="/label">
          Read a label
        </LinkButton>
      </Quick>
      <Columns>
        <section aria-labelledby="in-basket">
          <h2 id="in-basket">In the basket</h2>
          <Quiet>{v.pieces.length === 0 ? '' : 'Touch a fold to mark stains, soil or a date.'}</Quiet>
          {v.pieces.length === 0 ? (
            <Notice title="An empty shelf">Choose pieces from the wardrobe; the due ones stand first.</Notice>
          ) : (
            <PostForm action={action}>
              <Pile>
                {v.pieces.map((p) => (
                  <li key={p.id}>
                    <Link to={`/basket/${p.id}`} aria-label={`Mark ${p.name}`}>
                      <Fold cloth={p.cloth} name={p.name} height={36} />
                    </Link>
                    <TextButton type="submit" name="remove" value={p.id} aria-label={`Take ${p.name} out`}>
                      Out
                    </TextButton>
                    {(p.marks.length > 0 || p.inWater) && (
                      <p className="marks">
                        {p.inWater && <Link to={p.inWater.href}>{p.inWater.words} · </Link>}
                        {p.marks.join(' · ')}
                      </p>
                    )}
                  </li>
                ))}
              </Pile>
            </PostForm>
          )}
        </section>
        <section aria-labelledby="wardrobe">
          <h2 id="wardrobe">
            <Link to="/wardrobe">Wardrobe</Link>{' '}
            <Quiet>{v.shown === v.total ? `${v.total} clean or resting` : `${v.shown} of ${v.total}`}</Quiet>
          </h2>
          <Filters
            method="get"
            action="/basket"
            key={`${filter.show}/${filter.owner}`}
            onChange={(event) => {
              void submit(event.currentTarget, { replace: true, preventScrollReset: true });
            }}
          >
            <TextField name="q" label="Search" type="search" defaultValue={filter.q} />
            <SelectField
              name="show"
              label="Show"
              defaultValue={filter.show}
              options={[
                ['all', 'All, due first'],
                ['due', 'Wash or care'],
                ['soon', 'Air, brush, once more'],
                ['fresh', 'Resting'],
              ]}
            />
            <SelectField
              name="owner"
              label="Whose"
              defaultValue={filter.owner}
              options={[['', 'Everybody'], ...v.owners.map((o) => [o, o] as const)]}
            />
            <noscript>
              <Button type="submit" $quiet>
                Filter
              </Button>
            </noscript>
          </Filters>
          {v.wardrobe.length === 0 ? (
            v.total === 0 && v.pieces.length === 0 ? (
              <Notice title="No pieces yet">
                Type one above, <Link to="/pieces/several?basket=yes">several at once</Link>, or{' '}
                <Link to="/transfer">bring in a file</Link>.
              </Notice>
            ) : (
              <Notice title="Nothing matches">Change the search, or add the piece above.</Notice>
            )
          ) : (
            <PostForm action={action} preventScrollReset>
              <Wardrobe>
                {v.wardrobe.map((p) => (
                  <li key={p.id}>
                    <button type="submit" name="add" value={p.id}>
                      <Swatch cloth={p.cloth} size={24} />
                      <span>
                        {p.name}
                        <small>
                          {p.advice.word && (
                            <>
                              <Due $urgent={p.advice.urgency === 3}>
                                {p.advice.word}
                                {p.advice.urgency === 3 ? ' today' : ''}.
                              </Due>{' '}
                            </>
                          )}
                          {p.advice.text}
                          {p.advice.waiting &&
                            ` ${p.advice.waiting.charAt(0).toUpperCase()}${p.advice.waiting.slice(1)}.`}
                          {p.owner && ` · ${p.owner}`}
                        </small>
                      </span>
                      <Plus aria-hidden="true">+</Plus>
                      <VisuallyHidden>Put in the basket</VisuallyHidden>
                    </button>
                    <span className="taps">
                      <TextButton type="submit" name="worn" value={p.id} aria-label={`Worn today: ${p.name}`}>
                        Worn
                      </TextButton>
                      {p.advice.freshen && (
                        <Link to={p.advice.freshen} aria-label={`How: ${p.name}`}>
                          How
                        </Link>
                      )}
                    </span>
                  </li>
                ))}
              </Wardrobe>
            </PostForm>
          )}
          {v.wardrobe.length < v.shown && (
            <p>
              <Link
                to={`/basket?${new URLSearchParams({ q: filter.q, show: filter.show, owner: filter.owner, all: '' }).toString()}`}
                preventScrollReset
              >
                Show all {v.shown}
              </Link>
            </p>
          )}
          {v.rotations.length > 0 && (
            <Section>
              <h2>Rotation</h2>
              {v.rotations.map((r) => (
                <p key={r}>
                  <Quiet>{r}</Quiet>
                </p>
              ))}
            </Section>
          )}
        </section>
      </Columns>
    </>
  );
}
