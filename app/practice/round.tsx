import { data, Link, redirect, useSubmit } from 'react-router';
import { useState } from 'react';
import { styled } from 'styled-components';
import { applyMove } from '@core/practice/moves.ts';
import { beginRound, endRound, findRound, holdRound, keepPlay } from '@data/practice.ts';
import type { Route } from './+types/round';
import { hintOf } from './outcome-view.server.ts';
import { isMoveIntent, moveOf } from './move-form.ts';
import { assessRound, knownBasket, scoresOf } from './rounds.server.ts';
import { roundView, stages, type RoundView } from './round-view.server.ts';
import { conflict, field, notFound, onSubmit, withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet } from '../ui/page.tsx';
import { PostForm, useFormKey } from '../ui/post-form.tsx';
import { DryStage } from './parts/dry-stage.tsx';
import { LookStage } from './parts/look-stage.tsx';
import { MarkStage } from './parts/mark-stage.tsx';
import { SortStage } from './parts/sort-stage.tsx';
import { WashStage } from './parts/wash-stage.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.view.title ?? 'Practice'} · Neat Fold` },
];

export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const round = await findRound(tx, params.roundId);
    if (!round) throw notFound('That round of practice is not known here.');
    if (round.endedAt) throw redirect(`/practice/${round.id}/outcome`);
    const query = new URL(request.url).searchParams;
    const view = roundView(round, { stage: query.get('at'), piece: query.get('piece') });
    return { view, hint: query.has('hint') ? hintOf(round) : null };
  });

const refusal = (text: string) => conflict({ refused: text });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    const round = await holdRound(tx, args.params.roundId);
    if (!round) throw notFound('That round of practice is not known here.');
    const here = `/practice/${round.id}`;
    const at = stages.find((s) => s === field(form, 'at')) ?? 'look';
    const intent = field(form, 'intent');
    const known = knownBasket(round.basket);
    if (intent === 'again') {
      const { basket, person, play, luck } = round;
      const kept = field(form, 'keep') === 'yes';
      const next = await beginRound(tx, householdId, {
        basket,
        person,
        luck: kept ? luck : luck + 1,
        at: now,
        ...(kept ? { play } : {}),
      });
      return redirect(`/practice/${next}?at=${kept ? 'sort' : 'look'}`);
    }
    if (round.endedAt) return refusal('This round was washed already, maybe in another window.');
    if (intent === 'wash') {
      if (round.play.loads.length === 0 && Object.keys(round.play.aside).length === 0)
        return refusal('Nothing was sorted yet: put at least one piece somewhere.');
      await endRound(tx, round.id, now, scoresOf(assessRound(known.request, round), round.hints));
      return redirect(`${here}/outcome`);
    }
    if (intent === 'hint') {
      await keepPlay(tx, round.id, { hints: round.hints + 1 });
      return redirect(`${here}?at=${at}&hint`);
    }
    const move = isMoveIntent(intent) ? moveOf(intent, form) : null;
    if (!move) return data({ refused: 'That is not something one can do here.' }, { status: 422 });
    const marks = new Map(known.request.garments.map((g) => [g.id, g.stains.map((s) => s.id)] as const));
    const play = applyMove(known.request.household, marks, round.play, move);
    if (!play) return refusal('That cannot be done: the load or the setting is not there, maybe no longer.');
    await keepPlay(tx, round.id, { play });
    return redirect(`${here}?at=${at}`);
  });

const Steps = styled.nav`
  margin-bottom: 1.2rem;
  ol {
    display: flex;
    gap: 0.2rem 1.6rem;
    flex-wrap: wrap;
    border-bottom: 1px solid var(--hairline);
  }
  a {
    display: grid;
    min-height: 2.9rem;
    align-content: center;
    color: var(--ink-soft);
    text-decoration: none;
    border-bottom: 3px solid transparent;
    margin-bottom: -1px;
    line-height: 1.2;
  }
  a[aria-current] {
    color: var(--ink);
    font-weight: 680;
    border-color: var(--ink);
  }
  a:hover {
    color: var(--ink);
  }
  small {
    font-weight: 400;
    color: var(--ink-soft);
    min-height: 1.1em;
  }
  ${media.phone} {
    ol {
      gap: 0 1.1rem;
    }
  }
`;
const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem 1.4rem;
  align-items: center;
  margin-top: 2rem;
  padding-top: 1rem;
  border-top: 6px solid var(--shelf);
`;

/** What every stage is given: the round, and how to move pieces by dragging. */
export interface StageProps {
  view: RoundView;
  dragging: string | null;
  onPick: (piece: string | null) => void;
  onDrop: (piece: string, target: string) => void;
  /** A piece that hangs was carried to another place. */
  onHang: (piece: string, place: string, position: string) => void;
}

export default function Round({ loaderData: { view: v, hint }, actionData }: Route.ComponentProps) {
  const submit = useSubmit();
  const formKey = useFormKey();
  const [dragging, setDragging] = useState<string | null>(null);
  const props: StageProps = {
    view: v,
    dragging,
    onPick: setDragging,
    onDrop: (piece, target) =>
      void submit(
        { ...formKey, intent: 'put', at: 'sort', piece, target },
        { method: 'post', preventScrollReset: true },
      ),
    onHang: (piece, place, position) => {
      const pegged = position === 'bars' && v.places.some((p) => p.id === place && p.outdoors);
      void submit(
        { ...formKey, intent: 'dry', at: 'dry', piece, where: `place:${place}:${pegged ? 'line' : position}` },
        { method: 'post', preventScrollReset: true },
      );
    },
  };
  const index = v.stages.findIndex((s) => s.id === v.stage);
  const next = v.stages.slice(index + 1).find((s) => s.id !== 'marks' || v.marks.length > 0);
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.title}</h1>
          <p>
            {v.about} {v.place}.
          </p>
        </div>
        <LinkButton $quiet href={`/practice${v.who ? `?who=${encodeURIComponent(v.who)}` : ''}`}>
          Other baskets
        </LinkButton>
      </PageHead>
      <Steps aria-label="Steps of this round">
        <ol>
          {v.stages.map((s) => (
            <li key={s.id}>
              <Link to={`?at=${s.id}`} aria-current={s.id === v.stage ? 'step' : undefined} preventScrollReset>
                {s.label}
                <small>{s.done}</small>
              </Link>
            </li>
          ))}
        </ol>
      </Steps>
      {actionData && 'refused' in actionData && (
        <Notice severity="caution" title="Not done" live>
          {actionData.refused}
        </Notice>
      )}
      {hint && (
        <Notice severity="info" title="A hint" live>
          {hint}
        </Notice>
      )}
      {v.stage === 'look' && <LookStage {...props} />}
      {v.stage === 'sort' && <SortStage {...props} />}
      {v.stage === 'marks' && <MarkStage {...props} />}
      {v.stage === 'wash' && <WashStage {...props} />}
      {v.stage === 'dry' && <DryStage {...props} />}
      <Foot>
        {next && (
          <LinkButton href={`?at=${next.id}`} $quiet={v.stage === 'dry'}>
            {next.label}
          </LinkButton>
        )}
        <PostForm>
          <Button type="submit" name="intent" value="wash" $quiet={next !== undefined}>
            Wash it all and see
          </Button>
        </PostForm>
        <PostForm preventScrollReset>
          <input type="hidden" name="at" value={v.stage} />
          <TextButton type="submit" name="intent" value="hint">
            Give me a hint
          </TextButton>
        </PostForm>
        {v.hints > 0 && <Quiet>{v.hints === 1 ? 'one hint taken' : `${v.hints} hints taken`}</Quiet>}
      </Foot>
    </>
  );
}
