/** The next thing for the hands, large; then the turns that follow, with their clock times. */
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media, type } from '../../theme/tokens.ts';
import { Button, LinkButton } from '../../ui/button.tsx';
import { Quiet } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import { serverClock } from '../../ui/server-clock.ts';
import { Clock, remaining, Timer } from '../../ui/timer.tsx';
import type { TodayView, TurnView } from '../today-view.server.ts';

const Card = styled.section`
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 18px 4px 18px 4px;
  padding: 1.1rem 1.25rem;
  display: grid;
  gap: 0.7rem;
  h2 {
    font-size: ${type.h3};
    line-height: 1.25;
  }
  ol {
    display: grid;
    gap: 0.15rem;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  ol a {
    color: inherit;
  }
`;
const Clocks = styled.ul`
  display: grid;
  gap: 0.5rem;
  li {
    background: var(--paper);
    border: 1px solid var(--hairline);
    border-radius: 4px 14px 4px 14px;
    padding: 0.7rem 1rem;
    display: grid;
    gap: 0.35rem;
  }
  [role='timer'] p {
    font-size: 1.7rem;
  }
`;
const Turns = styled.ol`
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 4.4rem minmax(0, 1fr);
    gap: 0.1rem 0.75rem;
    padding: 0.55rem 0;
    border-bottom: 1px dotted var(--hairline);
    align-items: baseline;
  }
  li:last-child {
    border-bottom: 0;
  }
  b {
    font-variant-numeric: tabular-nums;
  }
  small {
    grid-column: 2 / -1;
    color: var(--ink-soft);
  }
  ${media.phone} {
    li {
      min-height: 3rem;
    }
  }
`;
const Give = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
  select {
    min-height: 2.75rem;
    border: 1.5px solid var(--hairline);
    border-radius: 4px 10px 4px 10px;
    background: var(--paper);
    color: var(--ink);
    padding: 0.2rem 0.5rem;
  }
  ${media.print} {
    display: none;
  }
`;

const shownTurns = 7;
const shownSteps = 4;
/** Nearer than this the minutes are counted down; before that the clock time says more. */
const countdownMs = 60 * 60_000;

/** When it is due: the clock time, then minutes and seconds, then how long it has been due. */
function Due({ turn, serverNow }: { turn: TurnView; serverNow: number }) {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const clock = serverClock(serverNow);
    const timer = setInterval(() => setNow(clock()), 1_000);
    return () => clearInterval(timer);
  }, [serverNow]);
  const left = turn.startMs - now;
  const r = remaining(Math.abs(left));
  if (left > countdownMs)
    return (
      <Clock>
        {turn.clock}
        <small>in {r.text} h</small>
      </Clock>
    );
  const due = left <= 0;
  return (
    <Clock role="timer" aria-label={turn.title}>
      {due ? 'Now' : r.text}
      <small>{due ? (left < -60_000 ? `due for ${r.text} ${r.unit}` : '') : `min, at ${turn.clock}`}</small>
    </Clock>
  );
}

const Steps = ({ steps, who }: { steps: TurnView['steps']; who: string }) => (
  <ol>
    {steps.map((s) => (
      <li key={s.id}>
        {s.clock} <Link to={s.href}>{s.text}</Link>
        {s.person && s.person !== who ? `, ${s.person}` : ''}
      </li>
    ))}
  </ol>
);

/** Who else takes a turn on. */
function HandOver({ turn, people }: { turn: TurnView; people: TodayView['people'] }) {
  if (people.length < 2) return null;
  const other = people.find((p) => !turn.who.includes(p.name)) ?? people[0];
  return (
    <PostForm preventScrollReset>
      <input type="hidden" name="intent" value="hands" />
      <input type="hidden" name="tasks" value={turn.tasks.join(' ')} />
      <Give>
        <label htmlFor="hand-over">Hand over to</label>
        <select id="hand-over" name="person" defaultValue={other?.person} key={turn.id}>
          {people.map((p) => (
            <option key={p.person} value={p.person}>
              {p.name}
            </option>
          ))}
        </select>
        <Button $quiet type="submit">
          Give it
        </Button>
      </Give>
    </PostForm>
  );
}

export function Next({
  turn,
  turns,
  clocks,
  people,
  serverNow,
}: {
  turn: TurnView | null;
  turns: TurnView[];
  clocks: TodayView['clocks'];
  people: TodayView['people'];
  serverNow: number;
}) {
  const running = clocks.filter((c) => c.href !== turn?.href);
  return (
    <>
      <Card aria-label="Next for your hands">
        <Quiet>{turn ? `Next for your hands${turn.who ? `: ${turn.who}` : ''}` : 'Next for your hands'}</Quiet>
        {turn ? (
          <>
            <Due turn={turn} serverNow={serverNow} />
            <h2>{turn.title}</h2>
            {turn.urgent && <p>{turn.urgent}</p>}
            <LinkButton $large href={turn.href}>
              {turn.go}
            </LinkButton>
            {turn.steps.length > 1 && (
              <div>
                <Quiet>In the same turn, {turn.minutes}:</Quiet>
                <Steps steps={turn.steps.slice(1, 1 + shownSteps)} who={turn.who} />
                {turn.steps.length > 1 + shownSteps && (
                  <details>
                    <summary>{turn.steps.length - 1 - shownSteps} more</summary>
                    <Steps steps={turn.steps.slice(1 + shownSteps)} who={turn.who} />
                  </details>
                )}
              </div>
            )}
            <HandOver turn={turn} people={people} />
          </>
        ) : (
          <h2>Nothing more today. Put your feet up.</h2>
        )}
      </Card>
      {running.length > 0 && (
        <Clocks aria-label="Running now">
          {running.map((c) => (
            <li key={c.id}>
              <Link to={c.href}>{c.label}</Link>
              <Timer startedAt={c.startedAt} endsAt={c.endsAt} serverNow={serverNow} label={c.label} />
            </li>
          ))}
        </Clocks>
      )}
      {turns.length > 0 && (
        <section aria-label="After that">
          <Turns>
            {turns.slice(0, shownTurns).map((t) => (
              <li key={t.id}>
                <b>{t.clock}</b>
                <Link to={t.href}>{t.title}</Link>
                {t.who && <small>{t.who}</small>}
                {(t.urgent ?? t.steps.length > 1) && (
                  <small>
                    {[t.urgent, t.steps.length > 1 ? `Then ${t.steps.length - 1} more, ${t.minutes}.` : '']
                      .filter(Boolean)
                      .join(' ')}
                  </small>
                )}
              </li>
            ))}
          </Turns>
          {turns.length > shownTurns && (
            <details>
              <summary>{turns.length - shownTurns} turns more</summary>
              <Turns>
                {turns.slice(shownTurns).map((t) => (
                  <li key={t.id}>
                    <b>{t.clock}</b>
                    <span>{t.title}</span>
                    {t.who && <small>{t.who}</small>}
                    {t.steps.length > 1 && (
                      <small>
                        then {t.steps.length - 1} more, {t.minutes}
                      </small>
                    )}
                  </li>
                ))}
              </Turns>
            </details>
          )}
        </section>
      )}
    </>
  );
}
