import { Link } from 'react-router';
import { styled } from 'styled-components';
import { recentEvents } from '@data/events.ts';
import { isGood } from '@core/run/inspection.ts';
import { lookQuestions } from '@words/en/look.ts';
import { findingsOf } from '@data/findings.ts';
import { finishedLoads, type LoadView } from '@data/loads.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/log';
import { withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Swatch } from '../ui/fold.tsx';
import { Empty } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { LinkButton } from '../ui/button.tsx';
import { clothOf } from '../shared/cloth.ts';
import { eventText } from './history.ts';
import { loadFacts, loadTitle } from '../wash/load-view.server.ts';
import { clockText, dayText, shortDay } from '../shared/words.ts';
import { eventKinds } from '@data/schema.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Log · Neat Fold' }];

const kindsShown = { all: 'Everything', washed: 'Washes', worn: 'Wears', read: 'Readings and tests' } as const;
/** The run as it was, beside what was planned; '' = nobody measured it. */
function ranText({ measured, load }: LoadView): string {
  if (!measured) return '';
  const planned = load.procedure.find((s) => s.step === 'start')?.minutes ?? load.durationMin;
  return `Ran ${measured.minutes} min, planned ${Math.round(planned)}${measured.kwh === null ? '' : `; ${measured.kwh.toFixed(2)} kWh measured`}`;
}
export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const wanted = new URL(request.url).searchParams.get('show');
    const show = wanted !== null && Object.hasOwn(kindsShown, wanted) ? (wanted as keyof typeof kindsShown) : 'all';
    const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    const finished = await finishedLoads(tx, 12);
    const seen = await findingsOf(
      tx,
      finished.map((l) => l.id),
    );
    const loads = finished.map((l) => {
      const facts = loadFacts(l.hamper, l.plan, l.load);
      const at = l.finishedAt ?? new Date(0);
      return {
        id: l.id,
        title: loadTitle(facts),
        day: shortDay(at, timeZone),
        time: clockText(at, timeZone),
        text: `${facts.card.temperature.value} °C, ${facts.card.spin} ${facts.card.spinUnit}, ${facts.card.dose}, ${l.load.energyKwh.toFixed(2)} kWh, ${Math.round(l.load.waterL)} l`,
        ran: ranText(l),
        bad: (seen.get(l.id) ?? [])
          .filter((f) => !isGood(f.kind, f.answer))
          .map(
            (f) =>
              `${lookQuestions[f.kind].title}: ${(lookQuestions[f.kind].answers[f.answer] ?? f.answer).toLowerCase()}`,
          )
          .join(', '),
        pieces: facts.card.pieces,
      };
    });
    const kinds: readonly string[] =
      show === 'all' ? eventKinds : show === 'read' ? ['read', 'tested', 'treated', 'measured'] : [show];
    const events = (await recentEvents(tx, 400)).filter((e) => kinds.includes(e.kind)).slice(0, 120);
    const days: {
      day: string;
      rows: {
        id: number;
        piece: string;
        name: string;
        cloth: ReturnType<typeof clothOf>;
        text: string;
        time: string;
      }[];
    }[] = [];
    for (const e of events) {
      const day = dayText(e.at, timeZone);
      if (days[days.length - 1]?.day !== day) days.push({ day, rows: [] });
      days[days.length - 1]?.rows.push({
        id: e.id,
        piece: e.garmentId,
        name: e.name,
        cloth: clothOf({ kind: e.garmentKind, colours: e.colours, traits: e.traits }),
        text: eventText(e.kind, e.data),
        time: clockText(e.at, timeZone),
      });
    }
    return { loads, days, show };
  });

const LoadRows = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: 5rem minmax(0, 1fr) auto;
    gap: 0.4rem 1rem;
    padding: 0.6rem 0;
    align-items: center;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  .folds {
    display: flex;
    gap: 3px;
    flex-wrap: wrap;
    justify-content: flex-end;
    max-width: 18rem;
  }
  ${media.phone} {
    li {
      grid-template-columns: 1fr;
    }
    .folds {
      justify-content: flex-start;
    }
  }
`;
const Day = styled.div`
  margin-top: 0.8rem;
  h3 {
    font-size: 1rem;
    color: var(--structure);
  }
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) minmax(0, 1.2fr) auto;
    gap: 0.7rem;
    padding: 0.35rem 0;
    align-items: center;
  }
  ${media.phone} {
    li {
      grid-template-columns: auto 1fr;
    }
    li > span {
      grid-column: 2;
    }
    li > time {
      display: none;
    }
  }
`;
const Tabs = styled.nav`
  display: flex;
  gap: 1.1rem;
  flex-wrap: wrap;
  a {
    min-height: 2.5rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
  }
  a[aria-current] {
    color: var(--ink);
    font-weight: 680;
    text-decoration-color: var(--ink);
  }
`;

export default function Log({ loaderData: v }: Route.ComponentProps) {
  if (v.loads.length === 0 && v.days.length === 0 && v.show === 'all')
    return (
      <Empty title="Nothing logged yet" action={<LinkButton href="/basket">To the basket</LinkButton>}>
        What is worn, washed and tested stands here, and changes the next plan.
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>Log</h1>
          <p>
            What was washed, when and how. It changes the next plan: a piece that bled is treated as a bleeder, one that
            passed is trusted.
          </p>
        </div>
      </PageHead>
      <Section>
        <h2>Finished loads</h2>
        {v.loads.length === 0 ? (
          <Quiet>No load was finished here yet.</Quiet>
        ) : (
          <LoadRows>
            {v.loads.map((l) => (
              <li key={l.id}>
                <span>
                  {l.day}
                  <small>{l.time}</small>
                </span>
                <span>
                  <Link to={`/loads/${l.id}`}>{l.title}</Link>
                  <small>{l.text}</small>
                  {l.ran && <small>{l.ran}</small>}
                  {l.bad && <small>{l.bad}</small>}
                </span>
                <span className="folds">
                  {l.pieces.map((p) => (
                    <Link key={p.id} to={`/pieces/${p.id}`} aria-label={p.name}>
                      <Swatch cloth={p.cloth} />
                    </Link>
                  ))}
                </span>
              </li>
            ))}
          </LoadRows>
        )}
      </Section>
      <Section>
        <h2>Day by day</h2>
        <Tabs aria-label="Show">
          {(Object.keys(kindsShown) as (keyof typeof kindsShown)[]).map((k) => (
            <Link
              key={k}
              to={k === 'all' ? '/log' : `/log?show=${k}`}
              aria-current={v.show === k ? 'page' : undefined}
              preventScrollReset
            >
              {kindsShown[k]}
            </Link>
          ))}
        </Tabs>
        {v.days.length === 0 && <Quiet>Nothing of this kind yet.</Quiet>}
        {v.days.map((d) => (
          <Day key={d.day}>
            <h3>{d.day}</h3>
            <Rows>
              {d.rows.map((r) => (
                <li key={r.id}>
                  <Swatch cloth={r.cloth} />
                  <Link to={`/pieces/${r.piece}`}>{r.name}</Link>
                  <span>{r.text}</span>
                  <time>
                    <Quiet>{r.time}</Quiet>
                  </time>
                </li>
              ))}
            </Rows>
          </Day>
        ))}
      </Section>
    </>
  );
}
