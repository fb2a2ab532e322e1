/** Freshening without water, guided: its steps, a clock where time does it, and an end that is looked for. */
import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { endsInBasket, freshenEnds, freshenTask, freshenWayFor, freshenWays } from '@core/freshen/task.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { freshenEndWords, freshenStepWords, freshenWords } from '@words/en/rack.ts';
import { joinBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { beginFreshening, endFreshening, fresheningOf, stepFreshening } from '@data/freshenings.ts';
import { findPiece, garmentDocument } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/freshen';
import { adviceOf } from '../gather/basket-view.server.ts';
import { conflict, field, notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { Timer } from '../ui/timer.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Freshen ${loaderData?.name ?? 'a piece'} · Neat Fold` },
];

async function pieceOf({ tx, now }: Scope, id: string) {
  const piece = await findPiece(tx, id);
  if (!piece) throw notFound('That piece is not in the wardrobe.');
  const household = householdOf((await readHousehold(tx))?.document ?? {});
  return { piece, household, profile: profileOf(garmentOf(garmentDocument(piece, now)), household.rules) };
}

export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { piece, household, profile } = await pieceOf(scope, params.pieceId);
    const open = await fresheningOf(scope.tx, params.pieceId);
    const asked = new URL(request.url).searchParams.get('way');
    const way =
      open?.way ??
      freshenWays.find((w) => w === asked) ??
      freshenWayFor(profile, adviceOf(piece, household, scope.now).action) ??
      'air';
    const task = freshenTask(profile, way);
    const next = open ? (task.steps.find((s) => !open.done.includes(s)) ?? null) : null;
    return {
      id: params.pieceId,
      name: piece.row.name,
      cloth: clothOf(piece.row),
      way,
      title: freshenWords[way],
      ways: freshenWays.map((w) => ({ id: w, words: freshenWords[w] })),
      begun: open !== null,
      steps: task.steps.map((s) => ({
        id: s,
        words: freshenStepWords[s],
        done: open?.done.includes(s) ?? false,
        next: s === next,
        clocked: task.clock?.step === s,
      })),
      clock: open?.clockEndsAt
        ? {
            startedAt: open.clockEndsAt.getTime() - (task.clock?.minutes ?? 0) * 60_000,
            endsAt: open.clockEndsAt.getTime(),
          }
        : null,
      ending: next === null || next === 'smell' || next === 'rest',
      ends: freshenEnds.map((e) => ({ id: e, words: freshenEndWords[e] })),
      care: way === 'feed' || way === 'brush-suede',
      serverNow: scope.now.getTime(),
    };
  });

const elsewhere = { message: 'That was done on another screen already.' };
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const { profile } = await pieceOf(scope, args.params.pieceId);
    const id = args.params.pieceId;
    const here = redirect(`/freshen/${id}`);
    const open = await fresheningOf(tx, id);
    switch (field(form, 'intent')) {
      case 'begin': {
        const way = freshenWays.find((w) => w === field(form, 'way'));
        if (!way) return data({ message: 'How: choose a way.' }, { status: 422 });
        return (await beginFreshening(tx, householdId, id, way, now)) ? here : conflict(elsewhere);
      }
      case 'step': {
        if (!open) return conflict(elsewhere);
        const task = freshenTask(profile, open.way);
        const step = task.steps.find((s) => s === field(form, 'step'));
        if (!step) return data({ message: 'Step: that one is not part of it.' }, { status: 422 });
        const until = task.clock?.step === step ? new Date(now.getTime() + task.clock.minutes * 60_000) : null;
        return (await stepFreshening(tx, id, step, until)) ? here : conflict(elsewhere);
      }
      case 'end': {
        const end = freshenEnds.find((e) => e === field(form, 'end'));
        if (!end) return data({ message: 'How it ended: choose one.' }, { status: 422 });
        if (!open || !(await endFreshening(tx, id, end, now))) return conflict(elsewhere);
        await appendEvents(scope, [
          { garmentId: id, kind: 'aired', at: now, data: { freshened: { way: open.way, end } } },
        ]);
        if (!endsInBasket(end)) return redirect('/basket');
        await joinBasket(tx, householdId, id);
        return redirect(`/basket/${id}`);
      }
      case 'stop':
        return (await endFreshening(tx, id, null, now)) ? redirect('/basket') : conflict(elsewhere);
      default:
        return data({ message: 'Nothing was chosen.' }, { status: 422 });
    }
  });

const Steps = styled.ol`
  display: grid;
  gap: 0.6rem;
  max-width: 46rem;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.3rem 1rem;
    align-items: center;
    padding: 0.7rem 1rem;
    border: 1px solid var(--hairline);
    border-radius: 4px 14px 4px 14px;
    min-height: 3.2rem;
  }
  li[data-next='true'] {
    background: var(--paper);
    border: 2px solid var(--ink);
  }
  li[data-done='true'] {
    color: var(--ink-soft);
  }
`;
const Ways = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.2rem;
  margin-bottom: 1rem;
  a[aria-current] {
    font-weight: 700;
    text-decoration: none;
  }
`;

export default function Freshen({ loaderData: v, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.title}</h1>
          <p>
            <Swatch cloth={v.cloth} /> <Link to={`/pieces/${v.id}`}>{v.name}</Link>
          </p>
        </div>
        <LinkButton $quiet href="/basket">
          To the shelf
        </LinkButton>
      </PageHead>
      {actionData && (
        <Notice severity="caution" live>
          {actionData.message}
        </Notice>
      )}
      {!v.begun && (
        <Ways aria-label="How">
          {v.ways.map((w) => (
            <Link key={w.id} to={`/freshen/${v.id}?way=${w.id}`} aria-current={w.id === v.way ? 'page' : undefined}>
              {w.words}
            </Link>
          ))}
        </Ways>
      )}
      <Steps>
        {v.steps.map((s) => (
          <li key={s.id} data-next={s.next} data-done={s.done}>
            <span>
              {s.words}
              {s.done && <Quiet> Done.</Quiet>}
            </span>
            {s.next && s.id !== 'smell' && s.id !== 'rest' && (
              <PostForm preventScrollReset>
                <input type="hidden" name="step" value={s.id} />
                <Button type="submit" name="intent" value="step">
                  {s.clocked ? 'It hangs, start the clock' : 'Done'}
                </Button>
              </PostForm>
            )}
            {s.done && s.clocked && v.clock && (
              <div style={{ gridColumn: '1 / -1' }}>
                <Timer
                  startedAt={v.clock.startedAt}
                  endsAt={v.clock.endsAt}
                  serverNow={v.serverNow}
                  label={v.title}
                  over="go and smell it"
                />
              </div>
            )}
          </li>
        ))}
      </Steps>
      <Section>
        {!v.begun ? (
          <PostForm>
            <input type="hidden" name="way" value={v.way} />
            <Actions>
              <Button type="submit" name="intent" value="begin">
                Begin
              </Button>
              {v.way === 'spot' && (
                <LinkButton $quiet href={`/basket/${v.id}/stain`}>
                  Mark the spot
                </LinkButton>
              )}
            </Actions>
          </PostForm>
        ) : (
          <>
            {v.ending && (
              <PostForm>
                <input type="hidden" name="intent" value="end" />
                <Actions>
                  {v.ends
                    .filter((e) => !v.care || e.id === 'fresh')
                    .map((e) => (
                      <Button key={e.id} type="submit" name="end" value={e.id} $quiet={e.id !== 'fresh'}>
                        {v.care ? 'It is done' : e.words}
                      </Button>
                    ))}
                </Actions>
              </PostForm>
            )}
            <PostForm>
              <Button type="submit" name="intent" value="stop" $quiet>
                Not now
              </Button>
            </PostForm>
          </>
        )}
      </Section>
    </>
  );
}
