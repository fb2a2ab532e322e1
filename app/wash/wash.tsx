import { Link } from 'react-router';
import { styled } from 'styled-components';
import { newestPlan, plannedAside, runningLoads } from '@data/loads.ts';
import { listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { openSoaks } from '@data/treatments.ts';
import { listWet } from '@data/wet.ts';
import type { Route } from './+types/wash';
import { withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { LinkButton } from '../ui/button.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { Timer } from '../ui/timer.tsx';
import { useKept } from '../ui/use-kept.ts';
import { useRefresh } from '../ui/use-refresh.ts';
import { openLooks } from './after-view.server.ts';
import { loadFacts, loadTitle } from './load-view.server.ts';
import { upkeepView } from './upkeep-view.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { clockText, plural } from '../shared/words.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Wash · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { tx, now } = scope;
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
        // A wash by hand that began before its steps were written has none.
        byHand: l.load.method === 'hand' && l.walk !== null,
        ended: l.measured !== null,
        trouble: l.trouble !== null,
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
            text: `${facts.card.temperature.value} °C, ${facts.card.spin} ${facts.card.spinUnit}, ${facts.card.dose}, ${facts.card.duration}`,
          },
        ];
      });
    const pieces = await listPieces(tx);
    const names = new Map(pieces.map((p) => [p.row.id, p.row] as const));
    const inBasket = new Set(pieces.filter((p) => p.basket !== null).map((p) => p.row.id));
    const soaking = (await openSoaks(tx)).map((s) => {
      const startedAt = s.startedAt?.getTime() ?? 0;
      return {
        id: s.id,
        startedAt,
        endsAt: startedAt + s.plan.minutes * 60_000,
        pieces: s.pieces.flatMap((id) => {
          const row = names.get(id);
          return row ? [{ id, name: row.name, cloth: clothOf(row) }] : [];
        }),
      };
    });
    // A load to wash again whose pieces have left the basket meanwhile is nobody's any more.
    const asked = (await plannedAside(tx)).filter((l) => l.load.garments.every((g) => inBasket.has(g)));
    const again = asked.map((l) => {
      const facts = loadFacts(l.hamper, l.plan, l.load);
      return { id: l.id, title: loadTitle(facts), pieces: facts.card.pieces };
    });
    const care = (await upkeepView(scope)).flatMap((m) => (m.underWay ? [{ ...m.underWay, machine: m.name }] : []));
    return {
      running,
      soaking,
      next,
      again,
      care,
      looks: await openLooks(scope),
      wet: (await listWet(tx)).filter((w) => w.dryAt === null).length,
      serverNow: now.getTime(),
    };
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
  useKept(v.running.length > 0, v.serverNow);
  const inWater = v.running.length + v.soaking.length + v.care.length > 0;
  const todo = v.again.length + v.looks.length + v.wet > 0;
  if (!inWater && !todo && v.next.length === 0)
    return (
      <Empty title="Nothing is in the water" action={<LinkButton href="/basket">To the basket</LinkButton>}>
        Sort a basket, open a ticket and start it; then its clock runs here.
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>{inWater ? 'In the water' : v.next.length > 0 ? 'Ready to start' : 'After the wash'}</h1>
          <p>
            <Link to="/upkeep">Care of the machines</Link>
          </p>
        </div>
      </PageHead>
      {inWater && (
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
              {l.trouble && <Notice severity="caution">It stopped: see what to do on its ticket.</Notice>}
              <LinkButton $large href={l.byHand ? `/loads/${l.id}/hand` : `/loads/${l.id}`}>
                {l.byHand ? 'Go on, step by step' : l.ended ? 'It has ended: take it out' : 'Take it out'}
              </LinkButton>
            </li>
          ))}
          {v.soaking.map((s) => (
            <li key={s.id}>
              <h2>
                <Link to="/soak">Soaking tub</Link>
              </h2>
              <Timer startedAt={s.startedAt} endsAt={s.endsAt} serverNow={v.serverNow} label="Soaking tub" />
              <Quiet>
                {s.pieces.length} {s.pieces.length === 1 ? 'piece' : 'pieces'} in oxygen bleach
              </Quiet>
              <Folds>
                {s.pieces.map((p) => (
                  <Swatch key={p.id} cloth={p.cloth} />
                ))}
              </Folds>
              <LinkButton $large href="/soak">
                Look at the tub
              </LinkButton>
            </li>
          ))}
          {v.care.map((c) => (
            <li key={c.id}>
              <h2>
                <Link to="/upkeep">{c.title}</Link>
              </h2>
              <Timer
                startedAt={c.startedAt}
                endsAt={c.endsAt}
                serverNow={v.serverNow}
                label={c.title}
                over="it is over"
              />
              <Quiet>
                {c.machine}, empty, ends about {c.endsText}
              </Quiet>
            </li>
          ))}
        </Running>
      )}
      {v.again.length > 0 && (
        <Section>
          <h2>Wash again, before it dries</h2>
          <Next>
            {v.again.map((l) => (
              <li key={l.id}>
                <Link to={`/loads/${l.id}`}>
                  <b>{l.title}</b>
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
      {v.looks.length > 0 && (
        <Section>
          <h2>Still to look at</h2>
          <Next>
            {v.looks.map((l) => (
              <li key={l.id}>
                <Link to={`/loads/${l.id}/inspect`}>
                  <span>
                    <b>{l.title}</b>
                    <small>{l.questions}</small>
                  </span>
                  <Quiet>{l.when}</Quiet>
                </Link>
              </li>
            ))}
          </Next>
        </Section>
      )}
      {v.wet > 0 && (
        <Section>
          <h2>Wet</h2>
          <p>
            {plural(v.wet, 'piece hangs', 'pieces hang')} or {v.wet === 1 ? 'waits' : 'wait'} to be hung up.{' '}
            <Link to="/dry">To the drying places</Link>
          </p>
        </Section>
      )}
      {v.next.length > 0 && (
        <Section>
          <h2>{inWater ? 'Next' : 'Tickets'}</h2>
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
