import { data, Link, redirect, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import { joinBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { partings } from '@core/piece/state.ts';
import { changeGarment, findPiece, forgetGarment, listPieces, setRetired } from '@data/garments.ts';
import { stateOf, whereabouts } from '@data/whereabouts.ts';
import type { Route } from './+types/piece';
import { media } from '../theme/tokens.ts';
import { pieceSchema, pieceStart, toGarment } from './piece-schema.ts';
import { readForm, replyOf, seenOf } from '../forms/read.ts';
import { field, notFound, withHousehold, onSubmit, conflict } from '../server/request.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { LabelRow } from '../ui/care-symbols.tsx';
import { Actions, TextField } from '../ui/fields.tsx';
import { Fold, Swatch, type ClothView } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { Limits } from './parts/limits.tsx';
import { PieceForm } from './parts/piece-form.tsx';
import { pieceView } from './piece-view.server.ts';
import { PostForm } from '../ui/post-form.tsx';
import { overtaken } from '../forms/seen.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.name ?? 'Piece'} · Neat Fold` }];
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => pieceView(scope, params.pieceId));

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const { params } = args;
    const intent = field(form, 'intent');
    const piece = await findPiece(tx, params.pieceId);
    if (!piece) throw notFound('That piece is not in the wardrobe.');
    if (intent === 'worn') {
      await appendEvents(scope, [{ garmentId: params.pieceId, kind: 'worn', at: now }]);
      return redirect(`/pieces/${params.pieceId}`);
    }
    if (intent === 'note') {
      const note = field(form, 'note').slice(0, 200);
      if (note !== '')
        await appendEvents(scope, [
          { garmentId: params.pieceId, kind: 'noted', at: now, data: form.has('mend') ? { mend: note } : { note } },
        ]);
      return redirect(`/pieces/${params.pieceId}`);
    }
    if (intent === 'mended') {
      await appendEvents(scope, [
        {
          garmentId: params.pieceId,
          kind: 'mended',
          at: now,
          data: piece.state.mend === null ? {} : { note: piece.state.mend },
        },
      ]);
      return redirect(`/pieces/${params.pieceId}`);
    }
    if (intent === 'basket') {
      await joinBasket(tx, householdId, params.pieceId);
      return redirect(`/basket/${params.pieceId}`);
    }
    const wet = ['in-drum', 'in-tub'].includes(stateOf(piece, await whereabouts(tx), now));
    const parting = partings.find((p) => p === intent) ?? null;
    if (parting || intent === 'back' || intent === 'forget') {
      if (wet) return conflict(replyOf(form, { '': ['It is in the water now: take it out of the wash first.'] }));
      if (intent === 'forget') {
        if (field(form, 'sure') !== 'yes')
          return data(replyOf(form, { '': ['Delete for good: tick that you are sure. Nothing was deleted.'] }), {
            status: 422,
          });
        await forgetGarment(tx, params.pieceId);
        return redirect('/wardrobe');
      }
      await setRetired(tx, params.pieceId, parting, now);
      return redirect(`/pieces/${params.pieceId}`);
    }
    const read = readForm(form, pieceSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const alike = (await listPieces(tx)).some(
      (p) => p.row.id !== params.pieceId && p.row.name.toLowerCase() === read.value.name.toLowerCase(),
    );
    if (alike)
      return data(replyOf(form, { name: ['Name: another piece is called so. Add a word that tells them apart.'] }), {
        status: 422,
      });
    const late = overtaken(form, pieceStart(piece.row));
    if (late) return conflict(late);
    await changeGarment(tx, params.pieceId, toGarment(read.value));
    return redirect(`/pieces/${params.pieceId}?stored=1`);
  });

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 0 3rem;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const NoteForm = styled(PostForm)`
  label:has(> input[type='checkbox']) {
    grid-column: 1 / -1;
    display: flex;
    gap: 0.6rem;
    align-items: center;
    min-height: 2.2rem;
  }
  input[type='checkbox'] {
    width: 1.3rem;
    height: 1.3rem;
    accent-color: var(--ink);
  }
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.6rem;
  align-items: end;
`;
const History = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: 6.8rem 1fr;
    gap: 0.6rem;
    padding: 0.4rem 0;
  }
  max-height: 26rem;
  overflow: auto;
`;

const TrustBox = styled.div`
  .odds {
    display: grid;
    gap: 0.3rem;
  }
  .odds li {
    display: grid;
    grid-template-columns: 8.5rem minmax(0, 1fr) 3.4rem;
    gap: 0.7rem;
    align-items: center;
    font-size: 0.92rem;
  }
  .odds i {
    display: block;
    height: 9px;
    border-radius: 5px 2px 2px 5px;
    background: var(--structure);
    min-width: 2px;
  }
  .odds small {
    color: var(--ink-soft);
    grid-column: 2 / -1;
    margin-top: -0.2rem;
  }
  .tints {
    display: grid;
    gap: 0.5rem 1.5rem;
    grid-template-columns: repeat(auto-fill, minmax(min(19rem, 100%), 1fr));
    margin-top: 0.8rem;
  }
  .tints li {
    display: grid;
    grid-template-columns: auto auto minmax(0, 1fr);
    gap: 0.5rem;
    align-items: center;
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
`;
/** Odds that the colour runs, as its tests and catchers moved them, and what a neighbour would look like. */
function TrustSection({
  trust: t,
  cloth,
}: {
  trust: NonNullable<Route.ComponentProps['loaderData']['trust']>;
  cloth: ClothView;
}) {
  const neighbour = (hex: string): ClothView => ({ ...cloth, hex, bands: [], texture: 'plain' });
  return (
    <Section>
      <h2>Does it run?</h2>
      <p>
        <b>{t.standing}.</b>{' '}
        {t.tried
          ? `Beside something white at 30 °C the odds of a visible tint are ${t.now}.`
          : 'Never washed: no odds yet. A spot test and the catchers of its first washes will tell.'}
      </p>
      {t.tried && (
        <TrustBox>
          <ul className="odds">
            <li>
              <span>By its dye</span>
              <i style={{ width: `${t.prior * 100}%` }} />
              <span>{Math.round(t.prior * 100)} %</span>
            </li>
            {t.steps.map((s, k) => (
              <li key={`${s.day}${k}`}>
                <span>{s.day}</span>
                <i style={{ width: `${s.odds * 100}%` }} />
                <span>{Math.round(s.odds * 100)} %</span>
                <small>{s.text}</small>
              </li>
            ))}
          </ul>
          <ul className="tints">
            {t.tints.map((x) => (
              <li key={x.words}>
                <Swatch cloth={neighbour(x.before)} />
                <Swatch cloth={neighbour(x.after)} />
                <span>
                  {x.words}, {x.odds} to be seen
                </span>
              </li>
            ))}
          </ul>
        </TrustBox>
      )}
    </Section>
  );
}

export default function Piece({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData && 'status' in actionData ? actionData : null;
  const [query] = useSearchParams();
  return (
    <>
      <PageHead>
        <div>
          <div style={{ maxWidth: '24rem', marginBottom: '0.6rem' }}>
            <Fold cloth={v.cloth} name="" height={48} />
          </div>
          <h1>{v.name}</h1>
          <p>
            <b data-state={v.state}>{v.state.charAt(0).toUpperCase() + v.state.slice(1)}.</b> {v.summary}
          </p>
        </div>
        <PostForm>
          <Actions>
            <Button type="submit" name="intent" value="worn" $quiet>
              Worn today
            </Button>
            <LinkButton $quiet href={`/pieces/${v.id}/measure`}>
              Measure
            </LinkButton>
            <LinkButton $quiet href={`/pieces/${v.id}/diary`}>
              {v.photos === 0 ? 'Diary' : `Diary (${v.photos})`}
            </LinkButton>
            <LinkButton $quiet href={`/test/${v.id}`}>
              Test
            </LinkButton>
            {v.after && (
              <LinkButton $quiet href={v.after.href}>
                {v.after.words}
              </LinkButton>
            )}
            {v.gone ? (
              <Button type="submit" name="intent" value="back">
                Back into the wardrobe
              </Button>
            ) : v.inBasket ? (
              <LinkButton href={`/basket/${v.id}`}>In the basket: mark it</LinkButton>
            ) : (
              <Button type="submit" name="intent" value="basket">
                Put in the basket
              </Button>
            )}
          </Actions>
        </PostForm>
      </PageHead>
      <Two>
        <div>
          <Section>
            <h2>What it bears</h2>
            {v.symbols.length > 0 ? (
              <>
                <LabelRow symbols={v.symbols} />
                {v.phrases.length > 0 && (
                  <p>
                    <Quiet>{v.phrases.join(' · ')}</Quiet>
                  </p>
                )}
              </>
            ) : (
              <p>
                <Quiet>No care label: limits come from the fibre, one step more careful.</Quiet>
              </p>
            )}
            {v.conflicts.map((c) => (
              <Notice key={c} severity="caution" title="The label contradicts itself">
                {c}. The safer value holds.
              </Notice>
            ))}
            <Limits limits={v.limits}>
              <tr>
                <th scope="row">Colour</th>
                <td colSpan={2}>{v.colour}</td>
              </tr>
            </Limits>
          </Section>
          {v.trust && <TrustSection trust={v.trust} cloth={v.cloth} />}
        </div>
        <Section>
          <h2>History</h2>
          <NoteForm preventScrollReset key={v.history.length}>
            <TextField name="note" label="Note what you see" placeholder="pills at the elbow, hem open" />
            <Button type="submit" name="intent" value="note" $quiet>
              Note
            </Button>
            <label>
              <input type="checkbox" name="mend" value="yes" /> Mend it before the next wash
            </label>
          </NoteForm>
          {v.mend && (
            <PostForm preventScrollReset>
              <Notice severity="caution" title="Mend first">
                {v.mend}. A hole or a loose button grows in the drum.{' '}
                <TextButton type="submit" name="intent" value="mended">
                  It is mended
                </TextButton>
              </Notice>
            </PostForm>
          )}
          {v.history.length === 0 ? (
            <Quiet>Nothing yet.</Quiet>
          ) : (
            <History tabIndex={0} aria-label="History, newest first">
              {v.history.map((h) => (
                <li key={h.id}>
                  <Quiet>{h.day}</Quiet>
                  <span style={h.struck ? { textDecoration: 'line-through' } : undefined}>
                    {h.struck ? (
                      h.text
                    ) : (
                      <Link to={`/log/entries/${h.id}`} title="Put this entry right">
                        {h.text}
                      </Link>
                    )}
                  </span>
                </li>
              ))}
            </History>
          )}
          {v.history.length > 0 && (
            <p>
              <Link to={`/log?piece=${encodeURIComponent(v.id)}`}>All of it in the log</Link>
            </p>
          )}
        </Section>
      </Two>
      <Section>
        <h2>Change what is known</h2>
        {query.has('stored') && !reply && (
          <Notice live title="Stored">
            The next sorting uses it.
          </Notice>
        )}
        <PieceForm
          key={v.seen}
          start={v.start}
          options={v.options}
          reply={reply}
          isNew={false}
          seen={seenOf(reply, v.seen)}
        />
      </Section>
      <Section>
        <h2>Copy, give away, delete</h2>
        <PostForm>
          <Actions>
            <LinkButton $quiet href={`/pieces/new?copy=${v.id}`}>
              One more like it
            </LinkButton>
            {!v.gone &&
              v.partings.map(([value, words]) => (
                <Button key={value} type="submit" name="intent" value={value} $quiet isDisabled={v.inWater}>
                  {words}
                </Button>
              ))}
          </Actions>
          <Quiet>What is given away keeps its history and can come back.</Quiet>
        </PostForm>
        <PostForm>
          <Actions>
            <label style={{ display: 'flex', gap: '0.5rem', alignItems: 'center', minHeight: '2.75rem' }}>
              <input type="checkbox" name="sure" value="yes" style={{ width: '1.3rem', height: '1.3rem' }} /> I am sure:
              with its whole history
            </label>
            <Button type="submit" name="intent" value="forget" $danger isDisabled={v.inWater}>
              Delete for good
            </Button>
          </Actions>
        </PostForm>
      </Section>
    </>
  );
}
