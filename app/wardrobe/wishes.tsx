import { randomUUID } from 'node:crypto';
import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { addGarment, listPieces } from '@data/garments.ts';
import { inputOfDocument } from '@data/imports.ts';
import { addWish, endWish, findWish } from '@data/wishes.ts';
import type { Route } from './+types/wishes';
import { readForm, replyOf } from '../forms/read.ts';
import { pieceOfLabel } from '../label/label-view.server.ts';
import { doorOf } from '../server/door.server.ts';
import { asHousehold, conflict, field, onSubmit } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Fold } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Rows } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { wishSchema } from './wish-form.ts';
import { wishesView } from './wishes.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Kept in mind · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) =>
  asHousehold(context, () => wishesView({ door: doorOf(context), now: new Date() }));

const weeks = 52;
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    const intent = field(form, 'intent');
    if (intent === 'add') {
      const read = readForm(form, wishSchema);
      if (!read.ok) return data(read.reply, { status: 422 });
      const { name, owner = '', price, ...label } = read.value;
      const kept = await addWish(tx, householdId, {
        at: now,
        garment: pieceOfLabel(label, name),
        price: price ?? null,
        owner,
        wearsPerYear: label.wearsPerWeek * weeks,
      });
      return kept
        ? redirect('/wishes')
        : data(replyOf(form, { '': ['A hundred things are kept in mind already: let some go first.'] }), {
            status: 422,
          });
    }
    const wish = await findWish(tx, field(form, 'wish'));
    const gone = () => conflict(replyOf(form, { '': ['It was bought or let go already. Nothing was changed.'] }));
    if (!wish || wish.ending !== null) return gone();
    if (intent !== 'bought') return (await endWish(tx, wish.id, 'left', now)) ? redirect('/wishes') : gone();
    const taken = new Set((await listPieces(tx)).map((p) => p.row.name.toLowerCase()));
    if (taken.has(wish.garment.name.toLowerCase()))
      return conflict(
        replyOf(form, { '': [`“${wish.garment.name}” is in the wardrobe already: rename that one first.`] }),
      );
    const id = randomUUID();
    await addGarment(tx, householdId, id, {
      ...inputOfDocument({ ...wish.garment, id }),
      owner: wish.owner,
      ...(wish.price === null ? {} : { valueEur: wish.price }),
    });
    return (await endWish(tx, wish.id, 'bought', now)) ? redirect(`/pieces/${id}`) : gone();
  });

const Wish = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 15rem) minmax(0, 1fr) auto;
  gap: 0.5rem 2rem;
  padding: 1rem 0;
  align-items: start;
  small {
    display: block;
    color: var(--ink-soft);
  }
  .year b {
    font-size: 1.3rem;
    display: block;
  }
  .flags {
    display: flex;
    gap: 0.3rem 0.6rem;
    flex-wrap: wrap;
    margin-top: 0.3rem;
  }
  .flags li {
    border: 1px dashed var(--weld);
    color: var(--weld);
    background: var(--weld-ground);
    border-radius: 3px 10px 3px 10px;
    padding: 0.1rem 0.6rem;
    font-size: 0.92rem;
  }
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export default function Wishes({ loaderData: v, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>Kept in mind</h1>
          <p>Seen in a shop, not bought yet: what each would cost to keep, beside what you own.</p>
        </div>
        <LinkButton href="/label">Read another label</LinkButton>
      </PageHead>
      {actionData && (
        <Notice severity="caution" title="Not done" live>
          {Object.values(actionData.error ?? {})
            .flat()
            .join(' ')}
        </Notice>
      )}
      {v.wishes.length === 0 ? (
        <Empty title="Nothing in mind" action={<LinkButton href="/label">Read a label</LinkButton>}>
          Read a label in the shop and keep it in mind here.
        </Empty>
      ) : (
        <Rows>
          {v.wishes.map((w) => (
            <Wish key={w.id}>
              <div>
                <Fold cloth={w.cloth} name={w.name} height={44} />
                <small>
                  {w.what}, seen {w.day}
                </small>
                {w.flags.length > 0 && (
                  <ul className="flags">
                    {w.flags.map((f) => (
                      <li key={f}>{f}</li>
                    ))}
                  </ul>
                )}
              </div>
              <div className="year">
                <b>{w.perYear} a year</b>
                <p>{w.perYearText}</p>
                <p>{w.owned}</p>
                {w.company && <p>{w.company}</p>}
                {w.alike.length > 0 && (
                  <p>
                    Much like it in colour:{' '}
                    {w.alike.map((a, k) => (
                      <span key={a.id}>
                        {k > 0 && ', '}
                        <Link to={`/pieces/${a.id}`}>{a.name}</Link>
                      </span>
                    ))}
                    .
                  </p>
                )}
              </div>
              <PostForm preventScrollReset>
                <input type="hidden" name="wish" value={w.id} />
                <Actions>
                  <Button type="submit" name="intent" value="bought" aria-label={`Bought: ${w.name}`}>
                    Bought
                  </Button>
                  <Button type="submit" name="intent" value="left" $quiet aria-label={`Let it go: ${w.name}`}>
                    Let it go
                  </Button>
                </Actions>
              </PostForm>
            </Wish>
          ))}
        </Rows>
      )}
    </>
  );
}
