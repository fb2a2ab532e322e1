import { data, Link, redirect, useFetcher } from 'react-router';
import { css, styled } from 'styled-components';
import { appendEvents } from '@data/events.ts';
import { findLoad, markNotStarted, setTicked } from '@data/loads.ts';
import type { Route } from './+types/ticket';
import { findingsSchema, laterReadingSchema } from './findings-form.ts';
import { errorOf, readForm } from '../forms/read.ts';
import { finishLoad, startLoad, type StartResult, readLater } from './finish.server.ts';
import { field, notFound, withHousehold, onSubmit, conflict } from '../server/request.server.ts';
import { media, type } from '../theme/tokens.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions, ChoiceField, SelectField, TextField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { Quiet, Rows } from '../ui/page.tsx';
import { Timer } from '../ui/timer.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { ticketView, type TicketView } from './ticket-view.server.ts';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.title ?? 'Load'} · Neat Fold` }];
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => ticketView(scope, params.loadId));

const catcherWords = { clear: 'Clear', trace: 'A trace of colour', strong: 'Strongly coloured' } as const;
/** Why a load does not start, and what to do. */
const notStarted: Record<Exclude<StartResult, 'started'>, string> = {
  'already-started': 'It was already started on another screen. This one now shows the running load.',
  'piece-busy': 'One of its pieces is in a running load or soaks in a tub. Finish that first, or sort again.',
  'older-plan': 'The basket was sorted again since this ticket. Open Sort and take the newest ticket.',
  'piece-gone':
    'One of its pieces has left the basket meanwhile. Sort again, so that the dose and the company are right.',
  'piece-changed':
    'What is known of one of its pieces has changed since it was sorted: its label, its cloth or its colour. Sort again first.',
};
const refused = (message: string) => conflict({ message, reply: null });
/** A tick says what it leaves behind, however often it is sent. */
const isTick = (form: FormData): boolean => form.has('tick') || form.has('untick');

export const action = (args: Route.ActionArgs) =>
  onSubmit(
    args,
    async (scope, form) => {
      const { params } = args;
      const load = await findLoad(scope.tx, params.loadId);
      if (!load) throw notFound('That load is not known here.');
      const tick = field(form, 'tick');
      const untick = field(form, 'untick');
      if (tick || untick) {
        const step = tick || untick;
        if (load.plan.garments.some((g) => load.load.garments.includes(g.id) && g.prepare.includes(step)))
          await setTicked(scope.tx, load.id, step, Boolean(tick));
        return redirect(`/loads/${load.id}`);
      }
      switch (field(form, 'intent')) {
        case 'detached':
        case 'refitted': {
          const piece = field(form, 'piece');
          if (!load.load.garments.includes(piece)) return refused('That piece is not in this load.');
          const lies = field(form, 'lies').slice(0, 120);
          if (field(form, 'intent') === 'detached' && lies === '')
            return refused('Say what came off and where it lies, so that it is found again.');
          await appendEvents(scope, [
            {
              garmentId: piece,
              kind: 'noted',
              at: scope.now,
              data:
                field(form, 'intent') === 'detached'
                  ? { detached: lies, note: `Taken off: ${lies}` }
                  : { refitted: true, note: 'Everything is back on' },
            },
          ]);
          return redirect(`/loads/${load.id}`);
        }
        case 'note':
        case 'mended': {
          const piece = field(form, 'piece');
          if (!load.load.garments.includes(piece)) return refused('That piece is not in this load.');
          const note = field(form, 'note').slice(0, 200);
          if (field(form, 'intent') === 'mended')
            await appendEvents(scope, [
              { garmentId: piece, kind: 'mended', at: scope.now, data: note === '' ? {} : { note } },
            ]);
          else if (note === '') return refused('Say what you see: a thin place, a loose button, pills.');
          else
            await appendEvents(scope, [
              { garmentId: piece, kind: 'noted', at: scope.now, data: form.has('mend') ? { mend: note } : { note } },
            ]);
          return redirect(`/loads/${load.id}`);
        }
        case 'start': {
          const result = await startLoad(scope, load);
          if (result !== 'started') return refused(notStarted[result]);
          return redirect(`/loads/${load.id}`);
        }
        case 'undo-start':
          await markNotStarted(scope.tx, load.id);
          return redirect(`/loads/${load.id}`);
        case 'finish': {
          const read = readForm(form, findingsSchema);
          if (!read.ok)
            return data(
              { message: 'Choose what you saw, so that the next plan knows it.', reply: read.reply },
              { status: 422 },
            );
          const done = await finishLoad(scope, load.id, read.value);
          return done
            ? redirect(`/loads/${load.id}`)
            : refused(
                'It was already finished on another screen. What was seen there is kept; nothing was stored twice.',
              );
        }
        case 'read-later': {
          const read = readForm(form, laterReadingSchema);
          if (!read.ok) return data({ message: 'Choose what the catcher showed.', reply: read.reply }, { status: 422 });
          return (await readLater(scope, load, read.value.catcher))
            ? redirect(`/loads/${load.id}`)
            : refused('Its catcher was read on another screen already.');
        }
        default:
          return data({ message: 'That button is not known here.', reply: null }, { status: 400 });
      }
    },
    { repeatable: isTick },
  );

const Sheet = styled.article`
  max-width: 44rem;
  margin: 0 auto;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 0 0 18px 4px;
  padding: 0 clamp(1rem, 4vw, 2rem) 1.75rem;
  ${media.phone} {
    border: 0;
    background: none;
    padding: 0;
  }
  ${media.print} {
    border: 0;
    padding: 0;
    max-width: none;
  }
`;
const Edge = styled.div`
  display: flex;
  height: 22px;
  margin: 0 calc(-1 * clamp(1rem, 4vw, 2rem)) 1rem;
  i {
    flex: 1;
    print-color-adjust: exact;
    -webkit-print-color-adjust: exact;
    box-shadow: inset 0 0 0 0.5px var(--cloth-edge);
  }
  ${media.phone} {
    margin: -0.4rem -1.1rem 0.9rem;
  }
  ${media.print} {
    margin: 0 0 0.5rem;
    height: 12px;
  }
`;
const Programme = styled.p`
  font-size: 1.25rem;
  margin-top: 0.7rem;
  b {
    font-weight: 720;
  }
`;
const Figures = styled.dl`
  display: grid;
  grid-template-columns: 1fr 1fr;
  margin: 0.9rem 0 0;
  border-top: 1.5px solid var(--ink);
  border-bottom: 1.5px solid var(--ink);
  > div {
    padding: 0.6rem 0 0.5rem;
    min-width: 0;
  }
  > div:nth-child(even) {
    border-left: 1px solid var(--hairline);
    padding-left: 1rem;
  }
  > div:nth-child(n + 3) {
    border-top: 1px solid var(--hairline);
  }
  dd {
    font-size: ${type.figure};
    font-weight: 740;
    letter-spacing: -0.03em;
    line-height: 1;
    white-space: nowrap;
    small {
      font-size: 1.25rem;
      font-weight: 620;
      letter-spacing: 0;
      margin-left: 0.2rem;
      color: var(--ink-soft);
    }
    &.words {
      font-size: 1.9rem;
      letter-spacing: -0.01em;
      line-height: 1.6;
    }
  }
  dt {
    font-size: 0.9rem;
    color: var(--ink-soft);
    line-height: 1.3;
    margin-top: 0.15rem;
  }
  display: grid;
  > div {
    display: flex;
    flex-direction: column-reverse;
    justify-content: flex-end;
  }
`;
const Ticks = styled.ul`
  margin-top: 0.6rem;
  li {
    border-bottom: 1px dotted var(--hairline);
  }
  button {
    all: unset;
    box-sizing: border-box;
    width: 100%;
    display: grid;
    grid-template-columns: 2rem minmax(0, 1fr) auto;
    gap: 0.9rem;
    align-items: center;
    min-height: 3.5rem;
    cursor: pointer;
    padding: 0.3rem 0;
  }
  button:focus-visible {
    outline: 3px solid var(--woad);
    border-radius: 4px;
  }
  button[aria-pressed='true'] .words {
    color: var(--ink-soft);
    text-decoration: line-through;
    text-decoration-thickness: 1px;
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.86rem;
    line-height: 1.3;
  }
  .folds {
    display: flex;
    gap: 3px;
    flex-wrap: wrap;
    justify-content: flex-end;
    max-width: 9rem;
  }
`;
const Box = styled.span<{ $on: boolean }>`
  width: 1.9rem;
  height: 1.9rem;
  border: 2px solid var(--ink);
  border-radius: 10px 3px 3px 10px;
  display: grid;
  place-items: center;
  background: ${(p) => (p.$on ? 'var(--ink)' : 'transparent')};
  svg {
    stroke: var(--on-ink);
    fill: none;
    stroke-width: 3;
  }
`;
const Block = styled.section`
  margin-top: 1.4rem;
  display: grid;
  gap: 0.7rem;
  break-inside: avoid;
  h2 {
    font-size: 1.2rem;
  }
`;
const Steps = styled.ol`
  counter-reset: step;
  display: grid;
  li {
    counter-increment: step;
    display: grid;
    grid-template-columns: 1.6rem 1fr auto;
    gap: 0.5rem;
    padding: 0.45rem 0;
    border-bottom: 1px dotted var(--hairline);
    &::before {
      content: counter(step);
      font-weight: 700;
      color: var(--structure);
    }
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.87rem;
  }
  time {
    color: var(--ink-soft);
    font-size: 0.9rem;
    white-space: nowrap;
  }
`;
const go = css`
  margin-top: 1.5rem;
  display: grid;
  gap: 0.6rem;
  button[type='submit'] {
    width: 100%;
  }
  ${media.phone} {
    &.stick {
      position: sticky;
      bottom: 4.5rem;
      background: var(--linen);
      margin: 1.2rem -1.1rem 0;
      padding: 0.7rem 1.1rem;
      border-top: 1px solid var(--hairline);
      z-index: 2;
    }
  }
  ${media.print} {
    display: none;
  }
`;
const GoForm = styled(PostForm)`
  ${go}
`;
const Go = styled.div`
  ${go} grid-auto-flow: column;
  justify-content: start;
`;
const Look = styled.details`
  summary {
    cursor: pointer;
    min-height: 2.75rem;
    display: flex;
    align-items: center;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  form {
    display: grid;
    gap: 0.8rem;
    padding-bottom: 0.6rem;
  }
  label:has(> input[type='checkbox']) {
    display: flex;
    gap: 0.6rem;
    align-items: center;
    min-height: 2.75rem;
  }
  input[type='checkbox'] {
    width: 1.5rem;
    height: 1.5rem;
    accent-color: var(--ink);
  }
  @media print {
    display: none;
  }
`;
const Notes = styled.ul`
  color: var(--ink-soft);
  display: grid;
  gap: 0.35rem;
  li {
    padding-left: 1rem;
    text-indent: -1rem;
    &::before {
      content: '– ';
    }
  }
`;
const DryRows = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 0.7rem;
    padding: 0.4rem 0;
    align-items: center;
  }
  small {
    color: var(--ink-soft);
    display: block;
  }
`;

const Adds = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(5.5rem, auto) minmax(0, 1fr);
    gap: 1rem;
    align-items: baseline;
    padding: 0.35rem 0;
    border-bottom: 1px dotted var(--hairline);
  }
  b {
    font-size: 1.25rem;
    white-space: nowrap;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

function Preparation({ v }: { v: TicketView }) {
  const fetcher = useFetcher();
  const pending = fetcher.formData;
  const on = (step: string): boolean =>
    pending?.get('tick') === step ? true : pending?.get('untick') === step ? false : v.ticked.includes(step);
  return (
    <Block aria-labelledby="prepare">
      {(v.facts.prepare.length > 0 || v.mend.length > 0) && <h2 id="prepare">First, in this order</h2>}
      <Mend v={v} />
      {v.facts.prepare.length > 0 && (
        <PostForm fetcher={fetcher}>
          <Ticks>
            {v.facts.prepare.map((p) => (
              <li key={p.step}>
                <button
                  type="submit"
                  name={on(p.step) ? 'untick' : 'tick'}
                  value={p.step}
                  aria-pressed={on(p.step)}
                  disabled={v.status === 'finished'}
                >
                  <Box $on={on(p.step)}>
                    {on(p.step) && (
                      <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
                        <path d="M3 9.5l4 4L15 4" />
                      </svg>
                    )}
                  </Box>
                  <span className="words">
                    {p.words}
                    <small>
                      {p.pieces.length === v.facts.card.pieces.length && p.pieces.length > 2
                        ? 'all pieces'
                        : p.pieces.map((x) => x.name).join(', ')}
                    </small>
                  </span>
                  <span className="folds">
                    {p.pieces.slice(0, 6).map((x) => (
                      <Swatch key={x.id} cloth={x.cloth} size={20} />
                    ))}
                  </span>
                </button>
              </li>
            ))}
          </Ticks>
        </PostForm>
      )}
      {v.nets && (
        <p>
          <b>{v.nets.split('.')[0]}.</b> <Quiet>{v.nets.slice(v.nets.indexOf('.') + 1).trim()}</Quiet>
        </p>
      )}
      {v.facts.prepare.some((p) => p.step === 'measure') && (
        <p>
          <Quiet>
            Measure:{' '}
            {v.facts.prepare
              .filter((p) => p.step === 'measure')
              .flatMap((p) => p.pieces)
              .map((p, i) => (
                <span key={p.id}>
                  {i > 0 && ', '}
                  <Link to={`/pieces/${p.id}/measure`}>{p.name}</Link>
                </span>
              ))}
          </Quiet>
        </p>
      )}
      <Parts v={v} />
      {v.status === 'planned' && <LookOver v={v} />}
    </Block>
  );
}

/** A loose button or an open seam grows in the drum. */
function Mend({ v }: { v: TicketView }) {
  if (v.mend.length === 0 || v.status !== 'planned') return null;
  return (
    <Rows>
      {v.mend.map((m) => (
        <li key={m.piece.id} style={{ padding: '0.5rem 0' }}>
          <PostForm preventScrollReset>
            <input type="hidden" name="piece" value={m.piece.id} />
            <input type="hidden" name="note" value={m.text} />
            <p>
              <b>Mend first: {m.text}</b> <Quiet>{m.piece.name}</Quiet>{' '}
              <TextButton type="submit" name="intent" value="mended">
                It is mended
              </TextButton>
            </p>
          </PostForm>
        </li>
      ))}
    </Rows>
  );
}
/** What is seen while a piece goes through the hands stays with it. */
function LookOver({ v }: { v: TicketView }) {
  return (
    <Look>
      <summary>Look them over, and note what you see</summary>
      <PostForm preventScrollReset key={v.mend.map((m) => m.text).join()}>
        <SelectField name="piece" label="Piece" options={v.facts.card.pieces.map((p) => [p.id, p.name] as const)} />
        <TextField name="note" label="What you see" placeholder="pills at the elbow, a loose button" />
        <label>
          <input type="checkbox" name="mend" value="yes" /> Mend it before it goes in
        </label>
        <Button type="submit" name="intent" value="note" $quiet>
          Note
        </Button>
      </PostForm>
    </Look>
  );
}

/** What came off, where it lies, and the reminder to put it back. */
function Parts({ v }: { v: TicketView }) {
  if (v.parts.length === 0) return null;
  return (
    <Rows>
      {v.parts.map((p) => (
        <li key={p.piece.id} style={{ padding: '0.5rem 0' }}>
          <PostForm preventScrollReset style={{ display: 'grid', gap: '0.5rem' }}>
            <input type="hidden" name="piece" value={p.piece.id} />
            {p.lies === null ? (
              <div style={{ display: 'flex', gap: '0.6rem', alignItems: 'end', flexWrap: 'wrap' }}>
                <TextField
                  name="lies"
                  label={`What comes off ${p.piece.name}, and where it lies`}
                  placeholder="belt, in the bowl by the window"
                />
                <Button type="submit" name="intent" value="detached" $quiet>
                  Note it
                </Button>
              </div>
            ) : (
              <p>
                {p.piece.name}: {p.lies}. {v.status === 'finished' && <b>Put it back when it is dry. </b>}
                <TextButton type="submit" name="intent" value="refitted">
                  It is back on
                </TextButton>
              </p>
            )}
          </PostForm>
        </li>
      ))}
    </Rows>
  );
}

/** Marks that are treated before the wash. */
function Marks({ v }: { v: TicketView }) {
  if (v.marks.length === 0 || v.status === 'finished') return null;
  return (
    <Block aria-labelledby="marks">
      <h2 id="marks">Treat the marks first</h2>
      <DryRows>
        {v.marks.map((m) => (
          <li key={m.piece.id + m.text}>
            <Swatch cloth={m.piece.cloth} />
            <span>
              {m.piece.name}
              <small>
                {m.text} {m.steps > 0 ? `${m.steps} steps.` : ''}
              </small>
            </span>
          </li>
        ))}
      </DryRows>
      <p>
        <LinkButton $quiet href="/treat">
          To the stain bench
        </LinkButton>
      </p>
    </Block>
  );
}

function Finish({ v, actionData }: { v: TicketView; actionData: Route.ComponentProps['actionData'] }) {
  const reply = actionData && 'reply' in actionData ? actionData.reply : null;
  return (
    <GoForm>
      {v.asks.catcher && (
        <ChoiceField
          large
          name="catcher"
          label="The colour catcher is"
          error={errorOf(reply, 'catcher')}
          options={[
            ['clear', 'Clear'],
            ['trace', 'A trace of colour'],
            ['strong', 'Strongly coloured'],
          ]}
        />
      )}
      {v.asks.stains && (
        <ChoiceField
          large
          name="stains"
          label="The treated stains are"
          error={errorOf(reply, 'stains')}
          options={[
            ['gone', 'Gone'],
            ['left', 'Still there'],
          ]}
        />
      )}
      {v.asks.size && (
        <ChoiceField
          large
          name="size"
          label="The size"
          error={errorOf(reply, 'size')}
          options={[
            ['kept', 'As before'],
            ['changed', 'Changed'],
          ]}
        />
      )}
      <Button type="submit" name="intent" value="finish" $large>
        It is out: finish
      </Button>
      <TextButton type="submit" name="intent" value="undo-start">
        It was not started
      </TextButton>
    </GoForm>
  );
}

export default function Ticket({ loaderData: v, actionData }: Route.ComponentProps) {
  const { card, figures, procedure, warnings, dryWarnings, drying } = v.facts;
  useRefresh(v.status === 'running');
  const careful = warnings.filter((w) => w.severity !== 'info');
  const notes = warnings.filter((w) => w.severity === 'info');
  const message = actionData && 'message' in actionData ? actionData.message : null;
  return (
    <Sheet>
      <Edge aria-hidden="true">
        {card.pieces.map((p) => (
          <i key={p.id} style={{ background: p.cloth.hex }} />
        ))}
      </Edge>
      <h1>{v.title}</h1>
      <Quiet>{v.subtitle}</Quiet>
      <Programme>
        {card.programme === null ? (
          <>
            By hand in <b>{card.machine}</b>
          </>
        ) : (
          <>
            <b>{card.programme}</b> on the {card.machine}
          </>
        )}
      </Programme>
      {message && (
        <div style={{ marginTop: '0.8rem' }}>
          <Notice severity="caution" live>
            {message}
          </Notice>
        </div>
      )}
      {v.status === 'running' && v.startedAt !== null && v.endsAt !== null && (
        <Block>
          <Timer startedAt={v.startedAt} endsAt={v.endsAt} serverNow={v.serverNow} label={v.title} />
          <Quiet>Ends about {v.endsText}. The clock keeps running when you close this page.</Quiet>
        </Block>
      )}
      {v.status === 'finished' && (
        <Block>
          <Notice title="Finished">
            {v.finishedText}
            {v.found.length > 0 ? `: ${v.found.join(', ')}.` : '.'} <Link to="/log">See the log</Link>
          </Notice>
          {v.rescue && (
            <Notice severity="danger" title="Colour has run">
              Nothing of this load goes into the dryer or under the iron. <Link to={v.rescue}>What to do now</Link>
            </Notice>
          )}
          {v.readLater && (
            <PostForm>
              <input type="hidden" name="intent" value="read-later" />
              <p>
                <b>What did the colour catcher show?</b>
              </p>
              <Actions>
                {(['clear', 'trace', 'strong'] as const).map((seen) => (
                  <Button key={seen} type="submit" name="catcher" value={seen} $quiet>
                    {catcherWords[seen]}
                  </Button>
                ))}
              </Actions>
            </PostForm>
          )}
        </Block>
      )}
      <Figures>
        {figures.map((f, i) => (
          <div key={['temperature', 'spin', 'dose', 'time'][i]}>
            <dt>{f.note || ' '}</dt>
            <dd className={f.unit === '' ? 'words' : ''}>
              {f.value}
              <small>{f.unit}</small>
            </dd>
          </div>
        ))}
      </Figures>
      {(v.facts.adds.length > 1 || v.facts.extraRinse) && (
        <Block aria-labelledby="adds">
          <h2 id="adds">What goes in</h2>
          <Adds>
            {v.facts.adds.map((a) => (
              <li key={a.product}>
                <b>{a.amount}</b>
                <span>
                  {a.name}
                  <small>{a.place}</small>
                </span>
              </li>
            ))}
            {v.facts.extraRinse && (
              <li>
                <b>Option</b>
                <span>extra rinse</span>
              </li>
            )}
          </Adds>
        </Block>
      )}
      {(careful.length > 0 || v.children.length > 0) && (
        <Block aria-label="What to watch">
          {careful.map((w) => (
            <Notice key={w.code + w.text} severity={w.severity}>
              {w.text}
            </Notice>
          ))}
          {v.children.length > 0 && (
            <Notice severity="caution" title="Children about">
              {v.children.join(' ')}
            </Notice>
          )}
        </Block>
      )}
      {v.status === 'running' && <Finish v={v} actionData={actionData} />}
      {v.status !== 'running' && <Marks v={v} />}
      <Preparation v={v} />
      {v.status === 'planned' && (
        <GoForm className="stick">
          <Button type="submit" name="intent" value="start" $large>
            Start the load
          </Button>
        </GoForm>
      )}
      <Block aria-labelledby="steps">
        <h2 id="steps">Step by step</h2>
        <Steps>
          {procedure.map((s, i) => (
            <li key={`${s.step}${i}`}>
              <span>
                {s.text}
                {s.check && (
                  <small>
                    Check: {s.check.text} If not: {s.check.ifFails}
                  </small>
                )}
              </span>
              <time>{s.minutes > 0 ? `${s.minutes} min` : ''}</time>
            </li>
          ))}
        </Steps>
      </Block>
      <Block aria-labelledby="drying">
        <h2 id="drying">Then dry and press</h2>
        {dryWarnings.map((w) => (
          <Notice key={w.code + w.text} severity={w.severity}>
            {w.text}
          </Notice>
        ))}
        <DryRows>
          {drying.map((d) => (
            <li key={d.piece.id}>
              <Swatch cloth={d.piece.cloth} />
              <span>
                {d.piece.name}
                <small>
                  {d.text}; {d.press}
                </small>
              </span>
            </li>
          ))}
        </DryRows>
      </Block>
      {notes.length > 0 && (
        <Block aria-labelledby="notes">
          <h2 id="notes">Good to know</h2>
          <Notes>
            {notes.map((w) => (
              <li key={w.code + w.text}>{w.text}</li>
            ))}
          </Notes>
        </Block>
      )}
      <Go>
        <LinkButton $quiet href="/sort">
          All loads
        </LinkButton>
        <LinkButton $quiet href={`/loads/${v.id}/what-if`}>
          What if?
        </LinkButton>
      </Go>
    </Sheet>
  );
}
