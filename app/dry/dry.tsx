/** The drying places: where everything hangs, how long, what the hands do next. */
import { data, Link, redirect, useSubmit } from 'react-router';
import { styled } from 'styled-components';
import { dryPositions } from '@core/envelope/envelope.ts';
import { airChoices } from '@core/rack/forecast.ts';
import { changeRack, hangAll, moveTo } from '@data/rack.ts';
import { setAir } from '@data/wet.ts';
import { refusalWords } from '@words/en/rack.ts';
import type { Route } from './+types/dry';
import { conflict, field, fieldsOf, onSubmit, withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PostForm, useFormKey } from '../ui/post-form.tsx';
import { PageHead, Quiet, Rows, ScreenOnlySection } from '../ui/page.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { dryView, type DryView } from './dry-view.server.ts';
import { Chosen } from './parts/chosen.tsx';
import { Dryers } from './parts/dryer.tsx';
import { PlacePanel } from './parts/place.tsx';
import { feltDry, hangInstead, startDryerRun, stillDamp, stopDryerRun, turned, weighed } from './rack.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Dry · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) =>
    dryView(scope, (new URL(request.url).searchParams.get('piece') ?? '').slice(0, 80)),
  );

const elsewhere = 'That was done on another screen already.';
const refuse = (message: string, status = 422) => data({ message, refused: null, weighed: null }, { status });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, now, householdId } = scope;
    const pieces = fieldsOf(form, 'piece').slice(0, 400);
    const [piece = ''] = pieces;
    const there = redirect(piece && pieces.length === 1 ? `/dry?piece=${encodeURIComponent(piece)}` : '/dry');
    const done = (n: number) =>
      n > 0 ? redirect('/dry') : conflict({ message: elsewhere, refused: null, weighed: null });
    switch (field(form, 'intent')) {
      case 'hang':
        return done(await hangAll(tx, now, pieces));
      case 'dry':
        return done(await feltDry(scope, pieces));
      case 'damp':
        return done(await stillDamp(scope, pieces));
      case 'turned':
        return done(await turned(scope, pieces));
      case 'weigh': {
        const massG = Number(field(form, 'massG').replace(',', '.').replace(/\s*g$/, ''));
        if (!(massG > 0 && massG <= 30_000)) return refuse('On the kitchen scale: grams from 1 to 30,000.');
        const said = await weighed(scope, piece, massG);
        if (said === null) return conflict({ message: elsewhere, refused: null, weighed: null });
        if (said.verdict === 'dry') return redirect('/dry');
        const percent = Math.round(said.moisture * 100);
        return data({
          message: null,
          refused: null,
          weighed:
            said.verdict === 'damp'
              ? `Still damp: it holds about ${percent} % of its dry mass. The time is corrected.`
              : 'Near to dry, but its dry mass is only an estimate. Weigh it again in three quarters of an hour: if it has lost next to nothing, it is dry.',
        });
      }
      case 'move': {
        const [position, ...rest] = field(form, field(form, 'bar') ? 'bar' : 'to').split(' ');
        const wished = dryPositions.find((p) => p === position);
        const bar = field(form, 'bar') ? Number(rest.shift()) : undefined;
        const place = rest.join(' ');
        if (!wished || !place || (bar !== undefined && !(bar >= 0 && bar < 1000)))
          return refuse('Where: choose a place.');
        const to = { place, ...(bar === undefined ? {} : { bar }) };
        let answer = await moveTo(tx, now, piece, { ...to, position: wished });
        // Let go over bars or lines, a piece hangs there as it bears it: folded over, else pegged.
        if (answer === 'position' && wished === 'bars')
          answer = await moveTo(tx, now, piece, { ...to, position: 'line' });
        if (answer === 'moved') return there;
        if (answer === 'not-here') return conflict({ message: elsewhere, refused: null, weighed: null });
        return data({ message: null, refused: refusalWords[answer], weighed: null }, { status: 422 });
      }
      case 'air': {
        const choice = airChoices.find((a) => a === field(form, 'air'));
        if (!choice) return refuse('Air: choose one.');
        await changeRack(tx, now, () => setAir(tx, householdId, choice, now));
        return redirect('/dry');
      }
      case 'dryer-start': {
        if (!fieldsOf(form, 'ready').includes('lint'))
          return refuse('Lint filter: clean it before every load. A full one is slow, and it burns.');
        const answer = await startDryerRun(scope, field(form, 'dryer'));
        return answer === 'started' ? redirect('/dry') : conflict({ message: elsewhere, refused: null, weighed: null });
      }
      case 'dryer-hang':
        return done(await hangInstead(scope, field(form, 'dryer')));
      case 'dryer-stop':
        return (await stopDryerRun(scope, field(form, 'run')))
          ? redirect('/dry')
          : conflict({ message: elsewhere, refused: null, weighed: null });
      default:
        return refuse('Nothing was chosen.');
    }
  });

const Columns = styled.div`
  display: grid;
  margin-top: 1.2rem;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  grid-template-rows: min-content min-content 1fr;
  gap: 1.5rem 2.5rem;
  align-items: start;
  > :first-child {
    grid-row: 1 / span 3;
  }
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: none;
    > :first-child {
      grid-row: auto;
    }
    .chosen {
      order: -2;
    }
    .next {
      order: -1;
    }
  }
`;
const Places = styled.div`
  display: grid;
  gap: 1.5rem;
`;
const WhenRows = styled(Rows)`
  li > a {
    display: grid;
    grid-template-columns: auto minmax(7rem, 1fr) minmax(0, 1.1fr);
    gap: 0.2rem 0.8rem;
    align-items: center;
    min-height: 3rem;
    padding: 0.35rem 0;
    text-decoration: none;
  }
  li > a:hover b {
    text-decoration: underline;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  a[aria-current='true'] b {
    text-decoration: underline;
  }
`;
const Track = styled.span`
  position: relative;
  display: block;
  height: 1.3rem;
  border-bottom: 1px solid var(--hairline);
  i {
    position: absolute;
    top: 0.15rem;
    height: 0.85rem;
    min-width: 5px;
    background: var(--wash);
    border: 1px solid var(--structure);
    border-radius: 7px 2px 2px 7px;
  }
  u {
    position: absolute;
    top: 0;
    text-decoration: none;
    font-size: 0.78rem;
    color: var(--ink-soft);
    transform: translateX(-50%);
  }
`;
const Air = styled.div`
  display: grid;
  gap: 0.6rem;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  button {
    font: inherit;
    color: inherit;
    text-align: left;
    background: none;
    border: 1px solid var(--hairline);
    border-radius: 14px 4px 14px 4px;
    padding: 0.55rem 0.8rem;
    cursor: pointer;
    display: grid;
    align-content: start;
    min-height: 3.4rem;
  }
  button:hover {
    background: var(--wash);
  }
  button[aria-pressed='true'] {
    background: var(--wash);
    border: 2px solid var(--ink);
  }
  small {
    color: var(--ink-soft);
  }
`;
const Next = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: 5.6rem minmax(0, 1fr);
    gap: 0 0.8rem;
    padding: 0.5rem 0;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

function When({ v }: { v: DryView }) {
  const at = (h: number): string => `${Math.min(100, (100 * h) / v.axis.hours)}%`;
  return (
    <section aria-labelledby="when">
      <h2 id="when">When</h2>
      <Track aria-hidden="true" style={{ marginLeft: 'calc(50% - 1rem)', border: 0 }}>
        {v.axis.ticks.map((t) => (
          <u key={t.at} style={{ left: at(t.at) }}>
            {t.words}
          </u>
        ))}
      </Track>
      <WhenRows>
        {v.when.map((w) => (
          <li key={w.id}>
            <Link
              to={`/dry?piece=${encodeURIComponent(w.id)}`}
              preventScrollReset
              aria-current={v.chosen?.id === w.id ? 'true' : undefined}
            >
              <Swatch cloth={w.cloth} />
              <span>
                <b>{w.name}</b>
                <small>
                  {w.how}; {w.words}
                </small>
              </span>
              <Track aria-hidden="true">
                {w.low !== null && w.high !== null && (
                  <i style={{ left: at(w.low), width: `calc(${at(w.high)} - ${at(w.low)})` }} />
                )}
              </Track>
            </Link>
          </li>
        ))}
      </WhenRows>
    </section>
  );
}

export default function Dry({ loaderData: v, actionData }: Route.ComponentProps) {
  useRefresh(true);
  const submit = useSubmit();
  const formKey = useFormKey();
  if (!v || v.empty)
    return (
      <Empty
        title="Nothing is drying"
        action={
          <LinkButton href={v && v.dryCount > 0 ? '/away' : '/wash'}>
            {v && v.dryCount > 0 ? 'To put away' : 'To the wash'}
          </LinkButton>
        }
      >
        What comes out of the wash hangs here, to scale, with the hours it takes.
      </Empty>
    );
  const handlers = {
    hrefOf: (piece: string): string => `/dry?piece=${encodeURIComponent(piece)}`,
    onDrop: (piece: string, place: string, position: string): void =>
      void submit(
        { ...formKey, intent: 'move', piece, to: `${position} ${place}` },
        { method: 'post', action: '/dry', preventScrollReset: true },
      ),
  };
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.title}</h1>
          <p>{v.lead}</p>
        </div>
        {v.toHang.length > 0 ? (
          <PostForm preventScrollReset>
            {v.toHang.map((id) => (
              <input key={id} type="hidden" name="piece" value={id} />
            ))}
            <Button type="submit" name="intent" value="hang">
              They hang like this
            </Button>
          </PostForm>
        ) : (
          v.due.length > 0 && (
            <PostForm preventScrollReset>
              {v.due.map((id) => (
                <input key={id} type="hidden" name="piece" value={id} />
              ))}
              <Button type="submit" name="intent" value="dry">
                {v.due.length === 1 ? 'One is felt dry' : `${v.due.length} are felt dry`}
              </Button>
            </PostForm>
          )
        )}
        {v.dryCount > 0 && (
          <LinkButton $quiet href="/away">
            {v.dryCount} to put away
          </LinkButton>
        )}
      </PageHead>
      {(actionData?.message ?? (v.chosen ? null : actionData?.refused)) && (
        <Notice severity="caution" live>
          {actionData?.message ?? actionData?.refused}
        </Notice>
      )}
      {v.warnings.map((w) => (
        <Notice key={w.id} severity="caution">
          {w.text}
        </Notice>
      ))}
      <Columns>
        <Places>
          {v.without.length > 0 && (
            <Notice severity="caution" title="No place is free for them">
              {v.without.map((w) => w.name).join(', ')}: hang something else elsewhere, use a door or hangers, or wait
              with the next load. In a heap wet cloth begins to smell after about {v.heapHours} h: spread it out.
            </Notice>
          )}
          {v.places.length === 0 && (
            <Notice title="No drying place yet">
              Tell the household where things dry. <Link to="/household/places/new">Add a place</Link>
            </Notice>
          )}
          {v.places.map((place) => (
            <PlacePanel key={place.id} place={place} chosen={v.chosen?.id ?? null} handlers={handlers} />
          ))}
          <Dryers dryers={v.dryers} serverNow={v.serverNow} />
        </Places>
        {v.chosen && (
          <div className="chosen">
            <Chosen piece={v.chosen} refused={actionData?.refused ?? null} weighed={actionData?.weighed ?? null} />
          </div>
        )}
        {v.reminders.length > 0 && (
          <section className="next" aria-labelledby="next">
            <h2 id="next">Next, for your hands</h2>
            <Next>
              {v.reminders.slice(0, 6).map((r) => (
                <li key={`${r.task} ${r.at} ${r.pieces.join()}`}>
                  <b>{r.at}</b>
                  <span>
                    {r.words}
                    <small>{r.names}</small>
                    {r.turns && r.at === 'now' && (
                      <PostForm preventScrollReset>
                        {r.pieces.map((id) => (
                          <input key={id} type="hidden" name="piece" value={id} />
                        ))}
                        <TextButton type="submit" name="intent" value="turned" aria-label={`Done: ${r.words}`}>
                          Done
                        </TextButton>
                      </PostForm>
                    )}
                  </span>
                </li>
              ))}
            </Next>
          </section>
        )}
        <div>
          <ScreenOnlySection aria-labelledby="air" style={{ margin: '1.4rem 0' }}>
            <h2 id="air">The air</h2>
            <Quiet>{v.air.now}</Quiet>
            <PostForm preventScrollReset>
              <input type="hidden" name="intent" value="air" />
              <Air>
                {v.air.choices.map((c) => (
                  <button key={c.id} type="submit" name="air" value={c.id} aria-pressed={c.chosen}>
                    <b>{c.words}</b>
                    <small>{c.effect}</small>
                  </button>
                ))}
              </Air>
            </PostForm>
            {v.learnt.map((l) => (
              <Quiet key={l}>{l}</Quiet>
            ))}
          </ScreenOnlySection>
          {v.when.length > 0 && <When v={v} />}
        </div>
      </Columns>
    </>
  );
}
