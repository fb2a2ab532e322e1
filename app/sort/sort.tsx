import { useEffect, useMemo, useState } from 'react';
import { data, Link, redirect, useRevalidator, useSearchParams, useSubmit } from 'react-router';
import { styled } from 'styled-components';
import { houseRules } from '@core/model/household.ts';
import { boardOf, consequence, targetOf } from '@formats/board.ts';
import { addDecision, clearDecisions, currentPins, pinsAmong, undoDecision, lastDecision } from '@data/decisions.ts';
import { appendEvents } from '@data/events.ts';
import { currentHamper } from '@data/hamper.ts';
import { readHousehold, saveGeneral } from '@data/household.ts';
import { newestPlan, newestPlanId } from '@data/loads.ts';
import type { MoveTarget } from '@core/board/move.ts';
import { householdOf, type HamperDocument } from '@formats/hamper.ts';
import type { Route } from './+types/sort';
import { useBoard } from './use-board.ts';
import { doorOf } from '../server/door.server.ts';
import { media } from '../theme/tokens.ts';
import { pinsAfterMove } from './move.server.ts';
import { field, notFound, withHousehold, type Scope, onSubmit } from '../server/request.server.ts';
import { orderSorting, sortingOf, sortNow, stopSorting, takeBest, type Sorting } from './sorting.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Swatch } from '../ui/fold.tsx';
import { MovePanel } from './parts/move-panel.tsx';
import { Explained, useLearning } from '../ui/explained.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PieceReasons } from './parts/piece-reasons.tsx';
import { Ruler } from './parts/ruler.tsx';
import { commonFull, Draggable, DropPlace, LoadShelf, Shelves, type BoardHandlers } from './parts/shelf.tsx';
import { Improving, SortingNow, type SortingView } from './parts/sorting-now.tsx';
import { moveWords, outcomeNotes, reasonsText } from './move-words.ts';
import { sortView, type SortView } from './sort-view.server.ts';
import { PostForm, useFormKey } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Sort · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const query = new URL(request.url).searchParams;
    const sorting = await sortingOf(scope.tx);
    const improving = sorting && (await sortingView(scope, sorting));
    if (sorting && improving && sorting.progress?.first !== (await newestPlanId(scope.tx)))
      return { sorting: improving };
    const open = Number(query.get('load') ?? Number.NaN);
    const view = await sortView(scope, Number.isInteger(open) ? open - 1 : -1, (query.get('piece') ?? '').slice(0, 80));
    return { ...view, improving };
  });

async function sortingView({ tx, now }: Scope, s: Sorting): Promise<SortingView> {
  const { tariff } = householdOf((await readHousehold(tx))?.document ?? {});
  return {
    pieces: s.pieces,
    seconds: Math.round((now.getTime() - s.startedAt.getTime()) / 1000),
    share: s.progress?.share ?? 0,
    cost: s.progress?.cost ?? null,
    lowerBound: s.progress?.lowerBound ?? 0,
    currency: tariff.currency,
  };
}

const refusedMove = (title: string, text: string, confirm: { piece: string; target: string } | null) =>
  data({ title, text, confirm }, { status: 409 });
type Refusal = ReturnType<typeof refusedMove>;

/** Store what was decided about a piece; null when it is done, else why it may not be. */
async function decideMove(scope: Scope, form: FormData): Promise<Refusal | null> {
  const plan = await newestPlan(scope.tx);
  const piece = field(form, 'piece');
  const garment = plan?.hamper.garments.find((g) => g.id === piece);
  const target = plan && targetOf(field(form, 'target'), plan.result.loads.length);
  if (!plan || !garment || !target) throw notFound('That piece or that load is not in this plan.');
  if (plan.id !== field(form, 'plan'))
    return refusedMove('It was sorted again meanwhile', 'This board now shows the newest plan: choose again.', null);
  const begun = plan.loads.filter((l) => l.status !== 'planned').map((l) => l.number);
  if (
    (target.to === 'load' && begun.includes(target.load)) ||
    begun.some((n) => plan.result.loads[n]?.garments.includes(piece))
  )
    return refusedMove('That load has begun', 'Its pieces stay where they are.', null);
  const board = boardOf(plan.hamper, plan.result);
  const c = consequence(board, piece, target);
  const confirmed = field(form, 'confirmed') === 'yes';
  if (c.type === 'safety') return refusedMove(`${garment.name} cannot go there`, reasonsText(c), null);
  if (c.type === 'risk' && !confirmed)
    return refusedMove(
      'That breaks a rule',
      `${garment.name}: ${reasonsText(c)} You may take the risk; it is written into the log.`,
      { piece, target: field(form, 'target') },
    );
  const note = `${garment.name} ${targetNote(target)}`;
  await addDecision(scope.tx, scope.householdId, {
    note,
    pins: pinsAfterMove(await currentPins(scope.tx), board, plan.result, piece, target, confirmed),
  });
  if (c.type === 'risk')
    await appendEvents(scope, [
      {
        garmentId: piece,
        kind: 'noted',
        at: scope.now,
        data: { note: `Risk taken by hand: ${note}. ${reasonsText(c)}` },
      },
    ]);
  return null;
}
function targetNote(target: MoveTarget): string {
  switch (target.to) {
    case 'load':
      return `joins load ${target.load + 1}`;
    case 'own':
      return 'gets a load of its own';
    case 'hand':
      return 'is washed by hand';
    case 'outcome':
      return outcomeNotes[target.outcome];
  }
}

/** Carry out an intent; what is to be sorted afterwards, or an answer. */
async function carryOut(scope: Scope, form: FormData): Promise<Refusal | HamperDocument | null> {
  const { tx } = scope;
  switch (field(form, 'intent')) {
    case 'move': {
      const refusal = await decideMove(scope, form);
      if (refusal) return refusal;
      break;
    }
    case 'undo':
    case 'free': {
      if (String(await lastDecision(tx)) !== field(form, 'decision'))
        return refusedMove('Decided on another screen meanwhile', 'This board now shows how things stand.', null);
      if (field(form, 'intent') === 'undo') await undoDecision(tx);
      else await clearDecisions(tx);
      break;
    }
    default: {
      const priority = houseRules.priority.find((p) => p === field(form, 'priority'));
      const waiting = houseRules.waiting.find((w) => w === field(form, 'waiting'));
      const household = await readHousehold(tx);
      const change = { ...(priority ? { priority } : {}), ...(waiting ? { waiting } : {}) };
      if (household && (priority || waiting))
        await saveGeneral(tx, { rules: { ...household.document.rules, ...change } });
    }
  }
  // Decisions about pieces that have left the basket are forgotten with them.
  const ids = new Set((await currentHamper(tx, scope.now))?.garments.map((g) => g.id) ?? []);
  if (pinsAmong(await currentPins(tx), ids).length === 0) await clearDecisions(tx);
  return currentHamper(tx, scope.now);
}

/** Sort, move, undo, stop. What was decided is stored before the sorting begins. A priority, or whether pieces may wait, becomes the house rule. */
export async function action(args: Route.ActionArgs) {
  const { context } = args;
  const decided = { work: null as string | null, piece: '', pieces: 0 };
  const answer = await onSubmit(args, async (scope, form) => {
    if (field(form, 'intent') === 'stop') await stopSorting(scope);
    else if (field(form, 'intent') === 'enough') await takeBest(scope);
    else {
      const next = await carryOut(scope, form);
      if (next && 'data' in next) return next;
      decided.work = next && (await orderSorting(scope, next));
      decided.piece = field(form, 'piece');
      decided.pieces = next?.garments.length ?? 0;
    }
    return redirect('/sort');
  });
  if (!decided.work) return answer;
  const over = await sortNow(doorOf(context), decided.work, decided.pieces);
  if (decided.piece === '' || !over) return answer;
  const plan = await withHousehold(context, ({ tx }) => newestPlan(tx));
  const at = plan?.result.loads.findIndex((l) => l.garments.includes(decided.piece)) ?? -1;
  return redirect(at >= 0 ? `/sort?load=${at + 1}` : '/sort');
}

const priorityWords = { gentle: 'Gentle', balanced: 'Balanced', thrifty: 'Thrifty', quick: 'Quick' } as const;
const Segments = styled(PostForm)`
  display: flex;
  ${media.phone} {
    order: 1;
  }
  border: 1.5px solid var(--hairline);
  border-radius: 14px 4px 4px 14px;
  overflow: hidden;
  button {
    border: 0;
    background: none;
    min-height: 2.75rem;
    padding: 0 0.9rem;
    cursor: pointer;
    color: var(--ink-soft);
  }
  button[aria-pressed='true'] {
    background: var(--wash);
    color: var(--ink);
    font-weight: 680;
  }
  button:hover {
    color: var(--ink);
  }
  button:focus-visible {
    outline-offset: -4px;
  }
  ${media.print} {
    display: none;
  }
`;
const Cupboard = styled.div<{ $alone: boolean }>`
  display: grid;
  grid-template-columns: ${(p) => (p.$alone ? 'minmax(0, 44rem)' : 'minmax(0, 1fr) minmax(13rem, 17rem)')};
  gap: 0 1.75rem;
  align-items: stretch;
  margin-top: 0.5rem;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
    gap: 1.5rem;
  }
`;
/** As tall as the shelves and no taller: a long list scrolls by itself, and the places to drop a piece stay in sight. */
const Aside = styled.aside<{ $alone: boolean }>`
  border-left: ${(p) => (p.$alone ? '0' : '1px solid var(--hairline)')};
  padding-left: ${(p) => (p.$alone ? '0' : '1.25rem')};
  height: ${(p) => (p.$alone ? 'auto' : '0')};
  min-height: ${(p) => (p.$alone ? '0' : 'max(100%, 26rem)')};
  overflow-y: auto;
  /* Where the list goes on, a shadow lies on its edge. */
  background:
    linear-gradient(var(--linen) 40%, transparent) 0 0 / 100% 2.4rem local no-repeat,
    linear-gradient(transparent, var(--linen) 60%) 0 100% / 100% 2.4rem local no-repeat,
    linear-gradient(color-mix(in srgb, var(--ink) 16%, transparent), transparent) 0 0 / 100% 0.7rem scroll no-repeat,
    linear-gradient(transparent, color-mix(in srgb, var(--ink) 16%, transparent)) 0 100% / 100% 0.7rem scroll no-repeat;
  .drops {
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--linen);
    padding-bottom: 0.6rem;
  }
  h2 {
    font-size: 1.2rem;
    margin-bottom: 0.3rem;
  }
  li {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0.2rem 0.65rem;
    padding: 0.5rem 0;
    font-size: 0.92rem;
  }
  small {
    color: var(--ink-soft);
    display: block;
    font-size: 0.85rem;
    line-height: 1.35;
  }
  ${media.tablet} {
    border: 0;
    padding: 0;
    height: auto;
  }
  ${media.print} {
    height: auto;
  }
`;
const Limits = styled.section`
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 0 4px 14px 4px;
  padding: 1rem 1.2rem 1.1rem;
  display: grid;
  grid-template-columns: 11.5rem minmax(0, 1fr);
  gap: 1rem 2rem;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
  h2 {
    font-size: 1.25rem;
  }
`;
const Rulers = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr));
  gap: 1.2rem 1.6rem;
`;
const Pair = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: minmax(5.4rem, auto) minmax(0, 1fr);
    gap: 0.7rem;
    padding: 0.5rem 0;
    align-items: center;
    font-size: 0.93rem;
  }
  li > span {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
    max-width: 9.5rem;
  }
  ${media.phone} {
    li {
      grid-template-columns: 4.6rem minmax(0, 1fr);
    }
  }
`;

/** What few look up: folded until it is asked for. */
const Later = styled.details`
  summary {
    cursor: pointer;
    min-height: 44px;
    display: list-item;
    align-content: center;
  }
  h2 {
    display: inline;
    font-size: 1.35rem;
  }
`;
const Decided = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 1.2rem;
  margin: 0.2rem 0 0.6rem;
  color: var(--ink-soft);
  form {
    display: flex;
    gap: 1rem;
  }
  ${media.print} {
    display: none;
  }
`;

/** Ask for what is worked out after sorting, once per plan, and show it when it comes. True while it is worked out. */
function useInsights(planId: string, missing: boolean): boolean {
  const { revalidate } = useRevalidator();
  const [answered, setAnswered] = useState<string | null>(null);
  useEffect(() => {
    if (!missing) return undefined;
    const asking = new AbortController();
    // A plan that has changed meanwhile gives up the question; without an answer the board stays as it is.
    fetch(`/sort/insights/${planId}`, { method: 'POST', body: new URLSearchParams(), signal: asking.signal })
      .then((response) => {
        setAnswered(planId);
        if (response.ok) void revalidate();
      })
      .catch(() => {
        if (!asking.signal.aborted) setAnswered(planId);
      });
    return () => asking.abort();
  }, [planId, missing, revalidate]);
  return missing && answered !== planId;
}

export default function Sort({ loaderData, actionData }: Route.ComponentProps) {
  if ('sorting' in loaderData && loaderData.sorting) return <SortingNow sorting={loaderData.sorting} />;
  return loaderData.planId !== undefined ? (
    <Board v={loaderData} improving={loaderData.improving} actionData={actionData} />
  ) : (
    <NothingSorted basket={loaderData.basket} />
  );
}

function NothingSorted({ basket }: { basket: number }) {
  return basket === 0 ? (
    <Empty title="The basket is empty" action={<LinkButton href="/basket">To the basket</LinkButton>}>
      Put in what is dirty; then the loads are sorted here.
    </Empty>
  ) : (
    <Empty
      title={`${basket} pieces wait to be sorted`}
      action={
        <PostForm>
          <Button type="submit" $large>
            Sort the basket
          </Button>
        </PostForm>
      }
    >
      Neat Fold reads their labels and finds the loads.
    </Empty>
  );
}

interface BoardProps {
  v: SortView;
  improving: SortingView | null;
  actionData: Route.ComponentProps['actionData'];
}
function Board({ v, improving, actionData }: BoardProps) {
  const [query] = useSearchParams();
  const submit = useSubmit();
  const formKey = useFormKey();
  const ask = useBoard(v.planId);
  const [dragging, setDragging] = useState<string | null>(null);
  const working = useInsights(v.planId, v.rulePrices === null);
  const { currency, loads: moveLoads, programmes } = v.moveFacts;
  const handlers = useMemo<BoardHandlers>(
    () => ({
      dragging,
      onPick: setDragging,
      onOver: async (target) => {
        const c = dragging === null ? null : await ask(dragging, target);
        const now = target.startsWith('load:') ? (moveLoads[Number(target.slice(5))] ?? null) : null;
        return c && moveWords(c, now, currency, (id) => programmes[id ?? ''] ?? 'By hand');
      },
      onDrop: (piece, target) =>
        void submit(
          { ...formKey, intent: 'move', plan: v.planId, piece, target },
          { method: 'post', action: '/sort', preventScrollReset: true },
        ),
    }),
    [dragging, ask, submit, formKey, v.planId, moveLoads, currency, programmes],
  );
  const learning = useLearning();
  const refused = actionData && 'title' in actionData ? actionData : null;
  const chosen = v.selected?.piece.id ?? null;
  const open = v.loads[v.open];
  const watch = open ? [...open.facts.warnings, ...open.facts.dryWarnings] : [];
  const full = commonFull(v.loads);
  const next = v.loads.find((l) => l.status === 'planned');
  const idle = v.loads.length === 0;
  return (
    <>
      {improving && <Improving sorting={improving} />}
      <PageHead>
        <div>
          <h1>{v.title}</h1>
          <p>
            {idle
              ? 'Nothing in the basket needs water: look below at what it needs instead.'
              : `${v.proof}: ${v.summary}.`}
          </p>
        </div>
        <Segments aria-label="What matters most">
          {(Object.keys(priorityWords) as (keyof typeof priorityWords)[]).map((p) => (
            <button key={p} type="submit" name="priority" value={p} aria-pressed={v.priority === p}>
              {priorityWords[p]}
            </button>
          ))}
        </Segments>
        {next && !v.changed && (
          <LinkButton href={`/loads/${next.id}`}>Start with load {v.loads.indexOf(next) + 1}</LinkButton>
        )}
      </PageHead>
      {v.changed && (
        <Notice title="The basket has changed since">
          <PostForm style={{ display: 'inline' }}>
            This plan is from before.{' '}
            <Button type="submit" $quiet>
              Sort again
            </Button>
          </PostForm>
        </Notice>
      )}
      {refused && (
        <Notice severity={refused.confirm ? 'caution' : 'danger'} title={refused.title} live>
          {refused.text}
          {refused.confirm && (
            <PostForm preventScrollReset>
              <input type="hidden" name="intent" value="move" />
              <input type="hidden" name="plan" value={v.planId} />
              <input type="hidden" name="piece" value={refused.confirm.piece} />
              <input type="hidden" name="target" value={refused.confirm.target} />
              <input type="hidden" name="confirmed" value="yes" />
              <p style={{ marginTop: '0.5rem' }}>
                <Button type="submit" $danger>
                  I take the risk: move it
                </Button>
              </p>
            </PostForm>
          )}
        </Notice>
      )}
      {v.decisions.length > 0 && (
        <Decided>
          <span>
            Your way: {v.decisions[0]}
            {v.decisions.length > 1 ? `, and ${v.decisions.length - 1} more` : ''}.
            {v.freeCost !== null &&
              ` It costs ${v.freeCost} ${currency} more than the best plan without your decisions.`}
          </span>
          <PostForm preventScrollReset>
            <input type="hidden" name="decision" value={v.lastDecision} />
            <TextButton type="submit" name="intent" value="undo">
              Undo the last
            </TextButton>
            <TextButton type="submit" name="intent" value="free">
              Back to the best plan
            </TextButton>
          </PostForm>
        </Decided>
      )}
      {v.selected && <MovePanel selected={v.selected} planId={v.planId} back={`/sort?load=${v.open + 1}`} />}
      <Cupboard $alone={idle}>
        {!idle && (
          <Shelves $n={v.loads.length} aria-label="Loads in running order">
            {v.loads.map((l, i) => (
              <LoadShelf
                key={l.id}
                load={l}
                index={i}
                open={i === v.open}
                full={full}
                chosen={chosen}
                handlers={handlers}
              />
            ))}
          </Shelves>
        )}
        <Aside aria-labelledby="not-today" $alone={idle}>
          <h2 id="not-today">Not today</h2>
          {dragging && (
            <div className="drops">
              <DropPlace target="wait" label="Let it wait" handlers={handlers} />
              <DropPlace target="own" label="A load of its own" handlers={handlers} />
              <DropPlace target="hand" label="Wash it by hand" handlers={handlers} />
            </div>
          )}
          <PostForm preventScrollReset>
            <Button
              type="submit"
              $quiet
              name="waiting"
              value={v.waiting === 'none' ? 'allowed' : 'none'}
              aria-pressed={v.waiting === 'none'}
            >
              {v.waiting === 'none' ? 'Washing everything: let pieces wait again' : 'Wash everything today'}
            </Button>
          </PostForm>
          {v.notToday.length === 0 && <Quiet>Everything is washed.</Quiet>}
          <Rows>
            {v.notToday.map((n) => (
              <li key={n.piece.id}>
                <Draggable
                  piece={n.piece}
                  href={`/sort?load=${v.open + 1}&piece=${n.piece.id}`}
                  chosen={chosen === n.piece.id}
                  handlers={handlers}
                  small
                />
                <span>
                  <Link to={`/pieces/${n.piece.id}`}>{n.piece.name}</Link>
                  <small>
                    <b>{n.outcome}.</b> {n.reasons[0]}
                    {n.way && (
                      <>
                        {' '}
                        <Link to={n.way.href}>{n.way.words}</Link>
                      </>
                    )}
                  </small>
                </span>
              </li>
            ))}
          </Rows>
        </Aside>
      </Cupboard>
      {open && (
        <>
          <Limits aria-labelledby="why" key={query.get('load') ?? 'first'}>
            <div>
              <h2 id="why">Why these settings?</h2>
              <Quiet>{open.facts.card.title}. Each thread is what one piece bears; the knot is the limit.</Quiet>
              <p style={{ marginTop: '0.8rem' }}>
                <LinkButton $quiet href={`/loads/${open.id}`}>
                  Open its ticket
                </LinkButton>
              </p>
            </div>
            <Rulers>
              {open.facts.rulers.map((r) => (
                <Ruler key={r.id} ruler={r} />
              ))}
            </Rulers>
          </Limits>
          {watch.length > 0 && (
            <Section aria-label="What to watch in this load">
              {watch.map((w) => (
                <Notice key={w.code + w.text} severity={w.severity}>
                  {w.text}
                </Notice>
              ))}
            </Section>
          )}
          <Section>
            <h2>Why each piece is here</h2>
            <PieceReasons rows={open.facts.reasons} />
          </Section>
        </>
      )}
      {learning &&
        v.loads.map(
          (l, i) =>
            i !== v.open && (
              <Section key={l.id}>
                <h2>And in {l.facts.card.title.charAt(0).toLowerCase() + l.facts.card.title.slice(1)}</h2>
                <PieceReasons rows={l.facts.reasons} />
              </Section>
            ),
        )}
      {v.tests.length > 0 && (
        <Section>
          <h2>What a test would open</h2>
          <PieceReasons rows={v.tests} link={(p) => [`/test/${p.id}`, `Test ${p.name}`]} />
        </Section>
      )}
      {v.separations.length > 0 && (
        <Section>
          <h2>Why the loads stay apart</h2>
          <Pair>
            {v.separations.map((s) => (
              <li key={s.text}>
                <span>
                  {s.pieces.map((p) => (
                    <Swatch key={p.id} cloth={p.cloth} />
                  ))}
                </span>
                <p>
                  <Explained>{s.text}</Explained>
                </p>
              </li>
            ))}
          </Pair>
        </Section>
      )}
      {!idle && (
        <Section>
          <h2>What your house rules cost</h2>
          {v.rulePrices === null ? (
            <p>
              <Quiet>{working ? 'Sorting again without each rule …' : 'Worked out after sorting.'}</Quiet>
            </p>
          ) : v.rulePrices.length === 0 ? (
            <p>
              <Quiet>No other choice of a house rule would make this basket cheaper.</Quiet>
            </p>
          ) : (
            <Pair>
              {v.rulePrices.map((r) => (
                <li key={r.words}>
                  <b>{r.words}</b>
                  <p>{r.text}</p>
                </li>
              ))}
            </Pair>
          )}
          <p>
            <Link to="/household#rules">Change the house rules</Link>
          </p>
        </Section>
      )}
      {v.warnings.length > 0 && (
        <Section>
          <h2>Good to know</h2>
          {v.warnings.map((w) => (
            <Notice key={w.code + w.text} severity={w.severity}>
              {w.text}
            </Notice>
          ))}
        </Section>
      )}
      {v.learnt.length > 0 && (
        <Section>
          <Later>
            <summary>
              <h2>Reckoned with what was learnt here</h2> <Quiet>{v.learnt.length}</Quiet>
            </summary>
            <ul>
              {v.learnt.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
            <p>
              <Link to="/log/learnt">See what it rests on, or go back to the book</Link>
            </p>
          </Later>
        </Section>
      )}
      <Section>
        <h2>Take it along</h2>
        <p>
          <Quiet>
            The basket and the plan as open documents:{' '}
            <a href="/hamper.json?plan" download="hamper.json">
              hamper.json
            </a>{' '}
            and{' '}
            <a href="/plan.json" download="plan.json">
              plan.json
            </a>
            . The command line prints the same plan for that file.
          </Quiet>
        </p>
      </Section>
    </>
  );
}
