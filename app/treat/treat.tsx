import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import type { Route } from './+types/treat';
import { judgeSchema, reportSchema } from './stain-form.ts';
import { readForm } from '../forms/read.ts';
import { field, withHousehold, onSubmit } from '../server/request.server.ts';
import { beginTreatment, judgeTreatment, leaveTreatment, reportCheck, runClock } from './treat-actions.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Drawing } from '../ui/drawing/drawing.tsx';
import { MarkPin } from '../ui/drawing/mark-place.tsx';
import { Explained } from '../ui/explained.tsx';
import { BeforeYouBegin, Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { Timer } from '../ui/timer.tsx';
import { Awake } from '../ui/awake.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { media } from '../theme/tokens.ts';
import { treatView, type TreatmentView, type WaitingView } from './treat-view.server.ts';
import { numberWord } from '../shared/words.ts';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Treat · Neat Fold' }];
export const loader = ({ context }: Route.LoaderArgs) => withHousehold(context, treatView);

const said = (text: string, status = 409) => data({ text }, { status });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const id = field(form, 'id');
    switch (field(form, 'intent')) {
      case 'begin': {
        const marks = form
          .getAll('mark')
          .flatMap((m) => (typeof m === 'string' && m.includes('|') ? [m.split('|') as [string, string]] : []));
        if (marks.length === 0) return said('Choose at least one mark to treat.', 422);
        for (const [piece, stain] of marks) {
          const begun = await beginTreatment(scope, piece, stain);
          if (begun === 'no-such-mark') return said('That mark is no longer on the piece.', 404);
          if (begun === 'in-vain')
            return said('Two rounds changed nothing: more treatment is likelier to harm the cloth than help.');
        }
        break;
      }
      case 'clock':
      case 'clock-over': {
        const wait = await runClock(scope, id, field(form, 'intent') === 'clock-over');
        if (wait) return said(wait);
        break;
      }
      case 'report': {
        const read = readForm(form, reportSchema);
        if (!read.ok) return said(read.errors.join(' '), 422);
        const wait = await reportCheck(scope, read.value.id, read.value.from, read.value.result);
        if (wait) return said(wait);
        break;
      }
      case 'judge': {
        const read = readForm(form, judgeSchema);
        if (!read.ok) return said(read.errors.join(' '), 422);
        if (!(await judgeTreatment(scope, read.value.id, read.value.judgement)))
          return said('It was judged on another screen already.');
        break;
      }
      case 'leave':
        if (!(await leaveTreatment(scope, id))) return said('It was ended on another screen already.');
        break;
      default:
        return said('That button is not known here.', 400);
    }
    return redirect('/treat');
  });

const Cards = styled.ul`
  display: grid;
  gap: 1.2rem;
  grid-template-columns: repeat(auto-fill, minmax(min(25rem, 100%), 1fr));
  align-items: start;
`;
const Card = styled.li`
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  padding: 1rem 1.2rem 1.2rem;
  display: grid;
  gap: 0.7rem;
  > header {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.2rem 0.8rem;
    align-items: center;
  }
  header small {
    color: var(--ink-soft);
  }
  header .where {
    width: 4.2rem;
    grid-row: span 2;
    grid-column: 2;
    max-height: 5rem;
  }
  h2 {
    font-size: 1.15rem;
  }
  h3 {
    font-size: 1.35rem;
    line-height: 1.2;
  }
  .how {
    font-size: 1.12rem;
    line-height: 1.4;
  }
  .facts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1.1rem;
    font-weight: 650;
    font-size: 1.1rem;
    font-variant-numeric: tabular-nums;
  }
  .because {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  .ask {
    display: grid;
    gap: 0.5rem;
    border-top: 1.5px solid var(--ink);
    padding-top: 0.7rem;
    > div {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.6rem;
    }
    button {
      width: 100%;
      min-height: 3.6rem;
      white-space: normal;
    }
  }
  details summary {
    cursor: pointer;
    min-height: 44px;
    display: list-item;
    align-content: center;
    color: var(--ink-soft);
  }
  details li {
    padding: 0.2rem 0;
    color: var(--ink-soft);
  }
`;
const Waiting = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: minmax(0, 22rem) minmax(0, 1fr) auto;
    gap: 0.3rem 1.2rem;
    align-items: center;
    padding: 0.6rem 0;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  input {
    width: 1.5rem;
    height: 1.5rem;
    accent-color: var(--ink);
  }
  label {
    display: grid;
    grid-template-columns: auto auto minmax(0, 1fr);
    gap: 0.7rem;
    align-items: center;
    min-height: 44px;
    cursor: pointer;
  }
  ${media.phone} {
    li {
      grid-template-columns: minmax(0, 1fr) auto;
    }
    label {
      grid-column: 1 / -1;
    }
    li > p {
      grid-column: 1 / -1;
    }
  }
`;

function Bench({ t, serverNow }: { t: TreatmentView; serverNow: number }) {
  const s = t.step;
  return (
    <Card>
      <header>
        <h2>{t.stain}</h2>
        {t.where ? (
          <Drawing
            id={t.where.drawing}
            side={t.where.spot.side}
            cloth={t.piece.cloth}
            className="where"
            label={`The mark on the ${t.where.spot.side} of ${t.piece.name}`}
          >
            <MarkPin x={t.where.spot.x} y={t.where.spot.y} />
          </Drawing>
        ) : (
          <Swatch cloth={t.piece.cloth} size={26} />
        )}
        <small>
          <Link to={`/pieces/${t.piece.id}`}>{t.piece.name}</Link>
          {t.place && `, ${t.place}`}
        </small>
      </header>
      <p>
        <Quiet>
          {t.band} {t.here}
        </Quiet>
      </p>
      {s && (
        <>
          <div>
            <Quiet>
              Step {s.number} of {s.of}
              {s.due && ` · ${s.due.charAt(0).toLowerCase()}${s.due.slice(1)}`}
            </Quiet>
            <h3>{s.title}</h3>
          </div>
          <p className="how">
            <Explained>{s.how}</Explained>
          </p>
          {s.facts.length > 0 && (
            <p className="facts">
              {s.facts.map((f) => (
                <span key={f}>{f}</span>
              ))}
            </p>
          )}
          {s.because.length > 0 && (
            <p className="because">
              <Explained>{`${s.because.join('. ')}.`}</Explained>
            </p>
          )}
          {s.clock && (
            <Timer
              startedAt={s.clock.startedAt}
              endsAt={s.clock.endsAt}
              serverNow={serverNow}
              label={`${t.stain} on ${t.piece.name}`}
              over="look at it"
            />
          )}
          {s.wait ? (
            <Notice severity={s.wait.refused ? 'danger' : 'caution'} title={s.wait.refused ? 'Not now' : 'Wait'}>
              {s.wait.text}
            </Notice>
          ) : (
            <>
              {!s.clock && s.minutes >= 1 && (
                <PostForm preventScrollReset>
                  <input type="hidden" name="id" value={t.id} />
                  <Button
                    type="submit"
                    name="intent"
                    value="clock"
                    $large={s.gated}
                    $quiet={!s.gated}
                    style={{ width: '100%' }}
                  >
                    {s.gated ? 'It is on: start the clock' : 'Begin: start the clock'}
                  </Button>
                  {s.gated && (
                    <TextButton type="submit" name="intent" value="clock-over">
                      It has had its time already
                    </TextButton>
                  )}
                </PostForm>
              )}
              <PostForm preventScrollReset className="ask">
                <input type="hidden" name="id" value={t.id} />
                <input type="hidden" name="from" value={s.key} />
                <input type="hidden" name="intent" value="report" />
                <b>{s.question}</b>
                <div>
                  {(s.clock || !s.gated) && (
                    <Button type="submit" name="result" value="passed">
                      Yes
                    </Button>
                  )}
                  <Button type="submit" name="result" value="failed" $quiet>
                    No
                  </Button>
                </div>
                {s.ifFails && <Quiet>If not: {s.ifFails}</Quiet>}
              </PostForm>
            </>
          )}
        </>
      )}
      {t.end?.kind === 'judge' && (
        <>
          <h3>Now wash, dry, and look</h3>
          <p className="how">{t.end.text}</p>
          <PostForm preventScrollReset className="ask">
            <input type="hidden" name="id" value={t.id} />
            <input type="hidden" name="intent" value="judge" />
            <b>Dry, in daylight, it is</b>
            <div style={{ gridTemplateColumns: '1fr 1fr 1fr' }}>
              <Button type="submit" name="judgement" value="gone">
                Gone
              </Button>
              <Button type="submit" name="judgement" value="lighter" $quiet>
                Lighter
              </Button>
              <Button type="submit" name="judgement" value="same" $quiet>
                The same
              </Button>
            </div>
          </PostForm>
        </>
      )}
      {t.end?.kind === 'stop' && (
        <>
          <Notice severity="caution" title="Stop here">
            {t.end.text}
          </Notice>
          <p>
            <a href={`/pieces/${t.piece.id}/treatments.txt`}>The list for the cleaner</a>
          </p>
        </>
      )}
      {t.ahead.length > 0 && (
        <details>
          <summary>{t.ahead.length === 1 ? 'One step' : `${t.ahead.length} steps`} after this</summary>
          <ol>
            {t.ahead.map((a, i) => (
              <li key={`${i}${a}`}>{a}</li>
            ))}
          </ol>
        </details>
      )}
      <PostForm preventScrollReset>
        <input type="hidden" name="id" value={t.id} />
        <TextButton type="submit" name="intent" value="leave">
          {t.end?.kind === 'stop' ? 'Put it away' : 'Leave this treatment'}
        </TextButton>
      </PostForm>
    </Card>
  );
}

function WaitingMark({ w }: { w: WaitingView }) {
  const value = `${w.piece.id}|${w.stainId}`;
  return (
    <li>
      <label>
        {w.stop === null ? (
          <input
            type="checkbox"
            name="mark"
            value={value}
            defaultChecked
            aria-label={`Treat ${w.stain} on ${w.piece.name}`}
          />
        ) : (
          <span aria-hidden="true" />
        )}
        <Swatch cloth={w.piece.cloth} />
        <span>
          {w.stain}
          <small>
            {w.piece.name}
            {w.place && `, ${w.place}`}
          </small>
        </span>
      </label>
      <p>
        {w.stop ?? (
          <>
            {w.band}{' '}
            <Quiet>
              {w.here} {w.plan}. First: {w.firstAid.charAt(0).toLowerCase()}
              {w.firstAid.slice(1)}.
            </Quiet>
          </>
        )}
      </p>
      <Link to={`/basket/${w.piece.id}`}>Open</Link>
    </li>
  );
}

export default function Treat({ loaderData: v, actionData }: Route.ComponentProps) {
  useRefresh(v.treatments.length > 0);
  const ready = v.waiting.filter((w) => w.stop === null);
  if (v.treatments.length === 0 && v.waiting.length === 0)
    return (
      <Empty title="No marks to treat" action={<LinkButton href="/basket">To the basket</LinkButton>}>
        Mark a stain on a piece in the basket; it is treated here, step by step, before any heat.{' '}
        <Link to="/ask">Ask about an agent</Link>, <Link to="/soak">soak many pieces</Link> or{' '}
        <Link to="/rescue">see to something urgent</Link>.
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>
            {v.treatments.length === 0
              ? 'Marks to treat'
              : v.treatments.length === 1
                ? 'One mark under treatment'
                : `${numberWord(v.treatments.length)} marks under treatment`}
          </h1>
          <p>No dryer, no iron and no hot wash while a mark is open.</p>
        </div>
        <LinkButton $quiet href="/rescue">
          Urgent
        </LinkButton>
        <LinkButton $quiet href="/test">
          Test colours
        </LinkButton>
        <LinkButton $quiet href="/soak">
          Soak many
        </LinkButton>
        <LinkButton $quiet href="/ask">
          Can I use …?
        </LinkButton>
      </PageHead>
      {actionData && 'text' in actionData && (
        <div style={{ marginBottom: '1rem' }}>
          <Notice severity="caution" live>
            {actionData.text}
          </Notice>
        </div>
      )}
      {v.precautions && (
        <Section aria-label="Before you begin">
          <BeforeYouBegin {...v.precautions} />
        </Section>
      )}
      {v.nextUp && (
        <p style={{ margin: '0.8rem 0' }}>
          While that works, go on with <b>{v.nextUp}</b>.
        </p>
      )}
      {v.treatments.length > 0 && (
        <>
          <Awake />
          <Cards aria-label="Under treatment" style={{ marginTop: '1rem' }}>
            {v.treatments.map((t) => (
              <Bench key={t.id} t={t} serverNow={v.serverNow} />
            ))}
          </Cards>
        </>
      )}
      {v.waiting.length > 0 && (
        <Section>
          <h2>{v.treatments.length > 0 ? 'Also waiting' : 'Waiting'}</h2>
          <PostForm>
            <Waiting>
              {v.waiting.map((w) => (
                <WaitingMark key={`${w.piece.id}${w.stainId}`} w={w} />
              ))}
            </Waiting>
            {ready.length > 0 && (
              <p style={{ marginTop: '1rem' }}>
                <Button type="submit" name="intent" value="begin">
                  {ready.length === 1 ? 'Begin the treatment' : 'Begin with the chosen marks'}
                </Button>
              </p>
            )}
          </PostForm>
        </Section>
      )}
    </>
  );
}
