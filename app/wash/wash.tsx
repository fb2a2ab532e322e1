import { Link } from 'react-router';
import { styled } from 'styled-components';
import { newestPlan, runningLoads } from '@data/loads.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/wash';
import { withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { LinkButton } from '../ui/button.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { Timer } from '../ui/timer.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { loadFacts, loadTitle } from './load-view.server.ts';
import { clockText } from '../shared/words.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Wash · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    const running = (await runningLoads(tx)).map((l) => {
      const facts = loadFacts(l.hamper, l.plan, l.load);
      return {
        id: l.id,
        title: loadTitle(facts),
        pieces: facts.card.pieces,
        machine: facts.card.machine,
        startedAt: l.startedAt?.getTime() ?? 0,
        endsAt: l.endsAt?.getTime() ?? 0,
        endsText: l.endsAt ? clockText(l.endsAt, timeZone) : '',
      };
    });
    const plan = await newestPlan(tx);
    const next = (plan?.loads ?? [])
      .filter((l) => l.status === 'planned')
      .flatMap((l) => {
        const load = plan?.result.loads[l.number];
        if (!plan || !load) return [];
        const facts = loadFacts(plan.hamper, plan.result, load);
        return [
          {
            id: l.id,
            title: loadTitle(facts),
            pieces: facts.card.pieces,
            text: `${facts.card.temperature} °C, ${facts.card.spin} ${facts.card.spinUnit}, ${facts.card.dose}, ${facts.card.duration}`,
          },
        ];
      });
    return { running, next, serverNow: now.getTime() };
  });

const Running = styled.ul`
  display: grid;
  gap: 1rem;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  li {
    background: var(--paper);
    border: 1px solid var(--hairline);
    border-radius: 4px 18px 4px 18px;
    padding: 1.1rem 1.3rem;
    display: grid;
    gap: 0.7rem;
  }
  h2 {
    font-size: 1.3rem;
  }
`;
const Folds = styled.span`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
`;
const Next = styled(Rows)`
  li a {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.3rem 1rem;
    min-height: 3.5rem;
    align-items: center;
    text-decoration: none;
    padding: 0.4rem 0;
  }
  li a:hover b {
    text-decoration: underline;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  ${media.phone} {
    li a {
      grid-template-columns: minmax(0, 1fr);
    }
  }
`;

export default function Wash({ loaderData: v }: Route.ComponentProps) {
  useRefresh(true);
  if (v.running.length === 0 && v.next.length === 0)
    return (
      <Empty title="Nothing is in the water" action={<LinkButton href="/basket">To the basket</LinkButton>}>
        Sort a basket, open a ticket and start it; then its clock runs here.
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.running.length > 0 ? 'In the water' : 'Ready to start'}</h1>
        </div>
      </PageHead>
      {v.running.length > 0 && (
        <Running>
          {v.running.map((l) => (
            <li key={l.id}>
              <h2>
                <Link to={`/loads/${l.id}`}>{l.title}</Link>
              </h2>
              <Timer startedAt={l.startedAt} endsAt={l.endsAt} serverNow={v.serverNow} label={l.title} />
              <Quiet>
                {l.machine}, ends about {l.endsText}
              </Quiet>
              <Folds>
                {l.pieces.map((p) => (
                  <Swatch key={p.id} cloth={p.cloth} />
                ))}
              </Folds>
              <LinkButton $large href={`/loads/${l.id}`}>
                Take it out
              </LinkButton>
            </li>
          ))}
        </Running>
      )}
      {v.next.length > 0 && (
        <Section>
          <h2>{v.running.length > 0 ? 'Next' : 'Tickets'}</h2>
          <Next>
            {v.next.map((l) => (
              <li key={l.id}>
                <Link to={`/loads/${l.id}`}>
                  <span>
                    <b>{l.title}</b>
                    <small>{l.text}</small>
                  </span>
                  <Folds>
                    {l.pieces.slice(0, 8).map((p) => (
                      <Swatch key={p.id} cloth={p.cloth} />
                    ))}
                  </Folds>
                </Link>
              </li>
            ))}
          </Next>
        </Section>
      )}
    </>
  );
}
