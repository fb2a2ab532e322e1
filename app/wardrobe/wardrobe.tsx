import { data, Form, Link, redirect, useSearchParams, useSubmit } from 'react-router';
import { styled } from 'styled-components';
import { joinBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { findPiece, setRetired } from '@data/garments.ts';
import { partings } from '@core/piece/state.ts';
import { stateOf, whereabouts } from '@data/whereabouts.ts';
import type { Route } from './+types/wardrobe';
import { feltDry } from '../dry/rack.server.ts';
import { field, fieldsOf, onSubmit, withHousehold } from '../server/request.server.ts';
import { plural } from '../shared/words.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions, SelectField, TextField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { media } from '../theme/tokens.ts';
import { filterOf, wardrobeView } from './wardrobe-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Wardrobe · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => wardrobeView(scope, filterOf(new URL(request.url).searchParams)));

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const back = new URL(args.request.url).search;
    const ids = fieldsOf(form, 'piece').slice(0, 400);
    if (ids.length === 0) return data({ error: 'Tick the pieces first.' }, { status: 422 });
    const intent = field(form, 'intent');
    const where = await whereabouts(tx);
    const pieces = (await Promise.all(ids.map((id) => findPiece(tx, id)))).filter((p) => p !== null);
    if (intent === 'worn')
      await appendEvents(
        scope,
        pieces.map((p) => ({ garmentId: p.row.id, kind: 'worn' as const, at: now })),
      );
    if (intent === 'dry')
      await feltDry(
        scope,
        pieces.map((p) => p.row.id),
      );
    if (intent === 'basket')
      for (const p of pieces) {
        if (p.row.retiredAt || p.basket) continue;
        if (p.state.wearsSinceWash === 0) await appendEvents(scope, [{ garmentId: p.row.id, kind: 'worn', at: now }]);
        await joinBasket(tx, householdId, p.row.id);
      }
    const because = partings.find((p) => p === intent) ?? null;
    if (because || intent === 'back') {
      const wet = pieces.filter((p) => ['in-drum', 'in-tub'].includes(stateOf(p, where, now)));
      if (wet.length > 0)
        return data(
          { error: `${wet.map((p) => p.row.name).join(', ')}: in the water now. Take it out of the wash first.` },
          { status: 409 },
        );
      for (const p of pieces) await setRetired(tx, p.row.id, because, now);
    }
    return redirect(`/wardrobe${back}`);
  });

const Filters = styled(Form)`
  display: grid;
  grid-template-columns: minmax(10rem, 2fr) repeat(4, minmax(8rem, 1fr));
  gap: 0.6rem 1rem;
  align-items: end;
  margin-bottom: 1rem;
  ${media.tablet} {
    grid-template-columns: 1fr 1fr;
  }
`;
const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  th {
    text-align: left;
    font-weight: 600;
    font-size: 0.88rem;
    color: var(--ink-soft);
    padding: 0.3rem 0.6rem 0.3rem 0;
  }
  td {
    padding: 0.45rem 0.6rem 0.45rem 0;
    border-top: 1px dotted var(--hairline);
    vertical-align: middle;
  }
  td:first-child {
    width: 2.9rem;
  }
  label {
    display: grid;
    place-items: center;
    width: 2.75rem;
    height: 2.75rem;
    cursor: pointer;
  }
  input {
    width: 1.35rem;
    height: 1.35rem;
    accent-color: var(--ink);
  }
  .piece {
    display: flex;
    gap: 0.7rem;
    align-items: center;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  .due {
    color: var(--madder);
    font-weight: 640;
  }
  ${media.phone} {
    thead,
    .wide {
      display: none;
    }
  }
`;
/** What can be done with ticked pieces; there once one is ticked. */
const Bar = styled.div`
  display: none;
  form:has(input[name='piece']:checked) > & {
    display: block;
  }
  position: sticky;
  bottom: 0;
  background: var(--paper);
  border-top: 1.5px solid var(--ink);
  padding: 0.7rem 0;
  margin-top: 0.6rem;
  ${media.phone} {
    bottom: 4.6rem;
  }
`;

export default function Wardrobe({ loaderData: v, actionData }: Route.ComponentProps) {
  const submit = useSubmit();
  const [query] = useSearchParams();
  const kept = query.get('kept');
  const { filter: f } = v;
  return (
    <>
      <PageHead>
        <div>
          <h1>Wardrobe</h1>
          <p>
            {v.gone
              ? `${plural(v.total, 'piece')} that left it; what was known of them stays.`
              : v.total === 0
                ? 'Nothing in it yet.'
                : v.matching === v.total
                  ? `${plural(v.total, 'piece')}. Tick some to wash, wear or give away several at once.`
                  : `${v.matching} of ${plural(v.total, 'piece')}. Tick some to wash, wear or give away several at once.`}
          </p>
        </div>
        <LinkButton href="/pieces/several">Add pieces</LinkButton>
        <LinkButton $quiet href="/wishes">
          Kept in mind
        </LinkButton>
        <LinkButton $quiet href="/transfer">
          Bring in and take out
        </LinkButton>
      </PageHead>
      {kept && (
        <Notice live title="Kept">
          {plural(Number(kept) || 0, 'piece')} joined the wardrobe.
        </Notice>
      )}
      {actionData && (
        <Notice severity="caution" title="Not done" live>
          {actionData.error}
        </Notice>
      )}
      <Filters
        method="get"
        key={`${f.owner}/${f.kind}/${f.colour}/${f.state}`}
        onChange={(event) => {
          void submit(event.currentTarget, { replace: true, preventScrollReset: true });
        }}
      >
        <TextField name="q" label="Search" type="search" defaultValue={f.q} />
        <SelectField
          name="owner"
          label="Whose"
          defaultValue={f.owner}
          options={[['', 'Everybody'], ...v.owners.map((o) => [o, o] as const)]}
        />
        <SelectField name="kind" label="What" defaultValue={f.kind} options={[['', 'Everything'], ...v.kinds]} />
        <SelectField name="colour" label="Colour" defaultValue={f.colour} options={[['', 'Any'], ...v.colours]} />
        <SelectField name="state" label="State" defaultValue={f.state} options={[['', 'Any'], ...v.states]} />
        <noscript>
          <Button type="submit" $quiet>
            Filter
          </Button>
        </noscript>
      </Filters>
      {v.rows.length === 0 ? (
        <Empty
          title={v.total === 0 && !v.gone ? 'No pieces yet' : 'Nothing matches'}
          action={<LinkButton href="/pieces/several">Add pieces</LinkButton>}
        >
          {v.total === 0 && !v.gone
            ? 'Type or paste what you have, one piece a line, or bring in a file.'
            : 'Change the search or the filters above.'}
        </Empty>
      ) : (
        <PostForm action={`/wardrobe${v.query ? `?${v.query}` : ''}`} preventScrollReset>
          <Table>
            <thead>
              <tr>
                <th scope="col">
                  <span style={{ position: 'absolute', left: -9999 }}>Tick</span>
                </th>
                <th scope="col">Piece</th>
                <th scope="col">Cloth</th>
                <th scope="col">Whose</th>
                <th scope="col">State</th>
                <th scope="col">Since the last wash</th>
              </tr>
            </thead>
            <tbody>
              {v.rows.map((r) => (
                <tr key={r.id}>
                  <td>
                    <label>
                      <input type="checkbox" name="piece" value={r.id} aria-label={r.name} />
                    </label>
                  </td>
                  <td>
                    <span className="piece">
                      <Swatch cloth={r.cloth} size={26} />
                      <span>
                        <Link to={`/pieces/${r.id}`}>{r.name}</Link>
                        <small>{r.what}</small>
                      </span>
                    </span>
                  </td>
                  <td className="wide">{r.cloths}</td>
                  <td className="wide">{r.owner}</td>
                  <td>
                    {r.stateWords}
                    {r.due && <small className="due">due</small>}
                  </td>
                  <td className="wide">
                    {r.wears}
                    <small>washed {r.lastWashed}</small>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
          {v.rows.length < v.matching && (
            <p>
              <Link to={`/wardrobe?${v.query}${v.query ? '&' : ''}all=`} preventScrollReset>
                Show all {v.matching}
              </Link>
            </p>
          )}
          <Bar>
            <Actions>
              <Quiet>The ticked pieces:</Quiet>
              {v.gone ? (
                <Button type="submit" name="intent" value="back">
                  Back into the wardrobe
                </Button>
              ) : (
                <>
                  <Button type="submit" name="intent" value="basket">
                    Into the basket
                  </Button>
                  <Button type="submit" name="intent" value="worn" $quiet>
                    Worn today
                  </Button>
                  {(f.state === 'drying' || f.state === 'to-feel') && (
                    <Button type="submit" name="intent" value="dry" $quiet>
                      It is dry
                    </Button>
                  )}
                  {v.partings.map(([value, words]) => (
                    <Button key={value} type="submit" name="intent" value={value} $quiet>
                      {words}
                    </Button>
                  ))}
                </>
              )}
            </Actions>
          </Bar>
        </PostForm>
      )}
    </>
  );
}
