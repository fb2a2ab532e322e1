import { Link } from 'react-router';
import { styled } from 'styled-components';
import { walkDue, walkEnded, type WalkAction } from '@core/run/walk-state.ts';
import type { Route } from './+types/hand';
import { withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Awake } from '../ui/awake.tsx';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Explained } from '../ui/explained.tsx';
import { Swatch } from '../ui/fold.tsx';
import { NotKept } from '../ui/not-kept.tsx';
import { Notice } from '../ui/notice.tsx';
import { Quiet } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { Timer } from '../ui/timer.tsx';
import { useKept } from '../ui/use-kept.ts';
import { useRefresh } from '../ui/use-refresh.ts';
import { handView, type HandStepView, type HandView } from './hand-view.server.ts';
import { Tub } from './parts/tub.tsx';
import { useWalk, type Walk } from './use-walk.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'By hand'} · Neat Fold` },
];
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => handView(scope, params.loadId));

const Page = styled.article`
  max-width: 38rem;
  margin: 0 auto;
  display: grid;
  gap: 1rem;
  ${media.phone} {
    padding-bottom: 11rem;
  }
`;
const Pegs = styled.ol`
  display: flex;
  gap: 4px;
  li {
    flex: 1;
    height: 8px;
    border: 1px solid var(--ink);
    border-radius: 4px 1px 4px 1px;
  }
  li[data-behind='true'] {
    background: var(--ink);
  }
  li[aria-current='step'] {
    background: var(--shelf);
  }
`;
const Now = styled.div`
  h2 {
    font-size: clamp(1.9rem, 7vw, 2.4rem);
  }
  > p {
    font-size: clamp(1.3rem, 5.2vw, 1.5rem);
    line-height: 1.35;
    margin-top: 0.5rem;
  }
  ul {
    margin-top: 0.8rem;
    display: grid;
    gap: 0.3rem;
    color: var(--ink-soft);
    font-size: 1.05rem;
  }
`;
const Taps = styled.div`
  display: grid;
  gap: 0.6rem;
  button,
  a[data-large] {
    width: 100%;
    min-height: 4rem;
    font-size: 1.25rem;
  }
  .small {
    display: flex;
    gap: 1.2rem;
    justify-content: space-between;
  }
  .small button {
    min-height: 2.9rem;
    width: auto;
    font-size: 1rem;
  }
  ${media.phone} {
    position: fixed;
    left: 0;
    right: 0;
    bottom: 4.5rem;
    background: var(--linen);
    padding: 0.7rem 1.1rem;
    border-top: 1px solid var(--hairline);
    z-index: 2;
  }
`;

const doneWords: Partial<Record<HandStepView['kind'], string>> = {
  fill: 'It is filled',
  dissolve: 'Dissolved',
  'put-in': 'They are in',
  look: 'Looked at',
  move: 'Done',
  drain: 'It is out',
  rinse: 'Rinsed',
  press: 'Pressed',
  roll: 'Rolled',
  spin: 'Spun',
};
/** Where the water is shown. */
const showsTub: readonly HandStepView['kind'][] = ['fill', 'put-in', 'rinse'];

function Buttons({ step, walk }: { step: HandStepView; walk: Walk }) {
  const tap = (did: WalkAction, words: string, quiet = false) => (
    <Button type="button" $quiet={quiet} $large onPress={() => walk.act(did)}>
      {words}
    </Button>
  );
  const { clock } = walk.progress;
  return (
    <Taps>
      {step.question && (
        <>
          {tap('clear', step.question.clear)}
          {tap('cloudy', step.question.cloudy, true)}
        </>
      )}
      {!step.question && step.clock && !clock && tap('start-clock', `Start the clock: ${step.clock.minutes} min`)}
      {!step.question && step.clock && clock && tap('done', 'Time is over: go on')}
      {!step.question && !step.clock && tap('done', doneWords[step.kind] ?? 'Done')}
      <div className="small">
        {walk.progress.behind.length > 0 ? (
          <TextButton type="button" onClick={() => walk.act('back')}>
            One step back
          </TextButton>
        ) : (
          <span />
        )}
        {step.mayBeSkipped && (
          <TextButton type="button" onClick={() => walk.act('skip')}>
            Leave it out
          </TextButton>
        )}
        {step.clock && clock && !step.mayBeSkipped && (
          <TextButton type="button" onClick={() => walk.act('early')}>
            Out early
          </TextButton>
        )}
      </div>
    </Taps>
  );
}

function Due({ v, step, walk }: { v: HandView; step: HandStepView; walk: Walk }) {
  const { clock } = walk.progress;
  const extra = step.check === 'rinse-clear' ? walk.progress.extraRinses : 0;
  return (
    <>
      <Now aria-live="polite">
        <h2>
          {step.title}
          {extra > 0 && ` once more (${extra} of ${v.plan.mostExtraRinses})`}
        </h2>
        <p>
          <Explained>{step.text}</Explained>
        </p>
        {step.question && <p>{step.question.question}</p>}
        {step.hints.length > 0 && (
          <ul>
            {step.hints.map((h) => (
              <li key={h}>{h}</li>
            ))}
          </ul>
        )}
      </Now>
      {showsTub.includes(step.kind) && <Tub tub={v.tub} withCloth={step.kind !== 'fill'} />}
      {step.clock && clock && (
        <Timer
          startedAt={clock.startedAt}
          endsAt={clock.endsAt}
          serverNow={v.serverNow}
          label={step.title}
          over="go on"
          {...(step.kind === 'soak' || step.kind === 'presoak'
            ? { most: { at: clock.startedAt + step.clock.mostMinutes * 60_000, words: v.forgotten } }
            : {})}
        />
      )}
      <Buttons step={step} walk={walk} />
    </>
  );
}

export default function Hand({ loaderData: v }: Route.ComponentProps) {
  const walk = useWalk(v);
  const running = v.status === 'running';
  useRefresh(running && walk.waiting === 0);
  const kept = useKept(running, v.serverNow);
  const step = walkDue(v.plan, walk.progress);
  const ended = walkEnded(v.plan, walk.progress);
  if (!running)
    return (
      <Page>
        <h1>{v.title}</h1>
        <Notice title={v.status === 'finished' ? 'Out of the water' : 'Not begun'}>
          {v.status === 'finished' ? 'It was taken out.' : 'It was put back.'}
        </Notice>
        <p>
          <LinkButton href={v.status === 'finished' ? `/loads/${v.id}/inspect` : `/loads/${v.id}`}>
            {v.status === 'finished' ? 'Look at it' : 'To its ticket'}
          </LinkButton>
        </p>
      </Page>
    );
  return (
    <Page>
      <div>
        <h1 style={{ fontSize: '1.2rem' }}>
          {v.title} <Quiet>in {v.place}</Quiet>
        </h1>
        <NotKept kept={kept} />
        <div style={{ display: 'flex', gap: 4, margin: '0.5rem 0' }}>
          {v.pieces.slice(0, 12).map((p) => (
            <Swatch key={p.id} cloth={p.cloth} size={22} />
          ))}
        </div>
        <Pegs aria-label={`Step ${Math.min(walk.progress.at + 1, v.plan.steps.length)} of ${v.plan.steps.length}`}>
          {v.plan.steps.map((_, i) => (
            <li key={i} data-behind={i < walk.progress.at} aria-current={i === walk.progress.at ? 'step' : undefined} />
          ))}
        </Pegs>
      </div>
      {walk.message && (
        <Notice severity="caution" live>
          {walk.message}
        </Notice>
      )}
      {walk.waiting > 0 && (
        <Notice live>
          No network: {walk.waiting === 1 ? 'one tap waits' : `${walk.waiting} taps wait`} on this phone. Go on; the
          clock runs here.
        </Notice>
      )}
      {step && <Due v={v} step={step} walk={walk} />}
      {ended && (
        <>
          <Now>
            <h2>Out of the water</h2>
            <p>
              {walk.progress.cloudy
                ? 'The last water was not quite clear: feel for what is left in the cloth.'
                : 'Look at it now, while it is wet.'}
            </p>
          </Now>
          <PostForm action={`/loads/${v.id}`}>
            <Taps>
              <Button type="submit" name="intent" value="out" $large isDisabled={walk.waiting > 0}>
                It is out: look at it
              </Button>
              <div className="small">
                <TextButton type="button" onClick={() => walk.act('back')}>
                  One step back
                </TextButton>
              </div>
            </Taps>
          </PostForm>
        </>
      )}
      <Awake />
      <p>
        <Link to={`/loads/${v.id}`}>The whole ticket</Link>
      </p>
    </Page>
  );
}
