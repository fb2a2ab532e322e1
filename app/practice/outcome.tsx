import { Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { readHousehold } from '@data/household.ts';
import { findRound } from '@data/practice.ts';
import type { Route } from './+types/outcome';
import { outcomeView, type CameOutView } from './outcome-view.server.ts';
import { notFound, withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Fold, Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Practice'}, washed · Neat Fold` },
];

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const round = await findRound(tx, params.roundId);
    if (!round) throw notFound('That round of practice is not known here.');
    if (!round.endedAt) throw redirect(`/practice/${round.id}`);
    const home = await readHousehold(tx);
    return outcomeView(round, home?.poisonCentre ?? null);
  });

const Figure = styled.p`
  display: flex;
  gap: 0.5rem 1.4rem;
  align-items: baseline;
  flex-wrap: wrap;
  b {
    font:
      clamp(2.6rem, 11vw, 3.6rem) 'Young Serif',
      Georgia,
      serif;
    line-height: 1;
  }
`;
const Out = styled.ul`
  display: grid;
  gap: 0 2.5rem;
  grid-template-columns: repeat(auto-fill, minmax(min(20rem, 100%), 1fr));
  > li {
    display: grid;
    gap: 0.3rem;
    align-content: start;
    padding: 0.7rem 0;
    border-bottom: 1px dotted var(--hairline);
  }
  .pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.8rem;
    align-items: center;
  }
  .for-good {
    color: var(--madder);
    font-weight: 650;
  }
  .again {
    color: var(--weld);
    font-weight: 600;
  }
  .well {
    color: var(--ink-soft);
  }
`;
const Table = styled.table`
  border-collapse: collapse;
  max-width: 46rem;
  width: 100%;
  th,
  td {
    text-align: left;
    padding: 0.45rem 1rem 0.45rem 0;
    border-bottom: 1px dotted var(--hairline);
    vertical-align: top;
  }
  thead th {
    border-bottom: 1px solid var(--hairline);
  }
  td:nth-child(2) {
    font-weight: 650;
  }
  tbody th {
    font-weight: 400;
    color: var(--ink-soft);
  }
  ${media.phone} {
    font-size: 0.9rem;
    th,
    td {
      padding-right: 0.5rem;
    }
  }
`;
const Bars = styled.dl`
  display: grid;
  grid-template-columns: 9rem minmax(0, 20rem) 2.5rem;
  gap: 0.35rem 1rem;
  align-items: center;
  dd.bar {
    height: 12px;
    background: var(--wash);
    border-radius: 6px 1px 1px 6px;
    overflow: hidden;
  }
  dd.bar i {
    display: block;
    height: 100%;
    background: var(--ink);
  }
  dd.figure {
    text-align: right;
  }
`;
const Differences = styled.ol`
  display: grid;
  gap: 0;
  max-width: 66rem;
  > li {
    display: grid;
    grid-template-columns: minmax(0, 12rem) minmax(0, 1fr);
    gap: 0.3rem 2rem;
    padding: 1rem 0;
    border-bottom: 1px dotted var(--hairline);
    ${media.phone} {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  h3 {
    font-size: 1.05rem;
  }
  .rule {
    font-weight: 600;
  }
  .for-good {
    color: var(--madder);
  }
  ul {
    display: grid;
    gap: 0.35rem;
    margin-top: 0.5rem;
  }
  ul li {
    display: grid;
    grid-template-columns: 28px minmax(0, 1fr);
    gap: 0.7rem;
    align-items: baseline;
  }
`;
const Best = styled.ol`
  display: grid;
  gap: 0.7rem 2rem;
  grid-template-columns: repeat(auto-fill, minmax(min(18rem, 100%), 1fr));
  span.piece {
    display: flex;
    gap: 0.4rem;
    align-items: center;
  }
`;
const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 3rem;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

function CameOut({ piece: p }: { piece: CameOutView }) {
  return (
    <li>
      <strong>{p.name}</strong>
      <div className="pair" aria-hidden="true">
        <Fold cloth={p.before} name="" height={30} />
        <div style={{ width: `${100 - p.shrink}%` }}>
          <Fold cloth={p.after} name="" height={30} />
        </div>
      </div>
      {p.happened.length === 0 ? (
        <span className="well">as it should be</span>
      ) : (
        p.happened.map((x) => (
          <span key={x.kind} className={x.lasting ? 'for-good' : 'again'}>
            {x.lasting ? '⬣' : '◆'} {x.text}
          </span>
        ))
      )}
    </li>
  );
}
const Values = ({ rows }: { rows: readonly { id: string; name: string; value: number | null }[] }) => (
  <Bars>
    {rows.map((r) => [
      <dt key={r.id}>{r.name}</dt>,
      <dd key={`${r.id}-bar`} className="bar" aria-hidden="true">
        <i style={{ width: `${r.value ?? 0}%` }} />
      </dd>,
      <dd key={`${r.id}-figure`} className="figure">
        {r.value === null ? '–' : Math.round(r.value)}
      </dd>,
    ])}
  </Bars>
);

export default function Outcome({ loaderData: v }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.title}: washed</h1>
          <Figure>
            <b>{Math.round(v.score)}</b> of 100. {v.verdict}
            {v.hints > 0 && <Quiet>{v.hints === 1 ? 'With one hint.' : `With ${v.hints} hints.`}</Quiet>}
          </Figure>
        </div>
        <Actions>
          <PostForm action={`/practice/${v.id}`}>
            <input type="hidden" name="keep" value="yes" />
            <Button type="submit" name="intent" value="again">
              Change one thing, same luck
            </Button>
          </PostForm>
          <PostForm action={`/practice/${v.id}`}>
            <Button type="submit" name="intent" value="again" $quiet>
              From the start
            </Button>
          </PostForm>
          <LinkButton $quiet href={`/practice${v.who ? `?who=${encodeURIComponent(v.who)}` : ''}`}>
            Other baskets
          </LinkButton>
        </Actions>
      </PageHead>
      {v.ended && (
        <Notice severity="danger" title={v.ended.title}>
          <p>{v.ended.would}</p>
          <p>{v.ended.now}</p>
          <p>
            <strong>{v.ended.call}</strong>
          </p>
        </Notice>
      )}
      {v.cameOut.length > 0 && (
        <Section aria-labelledby="came-out">
          <h2 id="came-out">What came out</h2>
          <Out>
            {v.cameOut.map((p) => (
              <CameOut key={p.id} piece={p} />
            ))}
          </Out>
        </Section>
      )}
      <Section aria-labelledby="differs">
        <h2 id="differs">
          {v.differences.length + v.remarks.length === 0 ? 'Nothing to do better' : 'What the best plan does otherwise'}
        </h2>
        {v.remarks.map((r) => (
          <p key={r}>{r}</p>
        ))}
        <Differences>
          {v.differences.map((d) => (
            <li key={d.key}>
              <div>
                <h3 className={d.lasting ? 'for-good' : ''}>{d.title}</h3>
                <Quiet>{d.skill}</Quiet>
              </div>
              <div>
                {d.why && <p>{d.why}</p>}
                <p className="rule">{d.rule}</p>
                <ul>
                  {d.pieces.map((x) => (
                    <li key={`${x.id}${x.what}`}>
                      <Swatch cloth={x.cloth} size={18} />
                      <span>
                        <b>{x.name}</b> {x.what} <Quiet>({x.odds}).</Quiet> {x.instead}
                      </span>
                    </li>
                  ))}
                </ul>
              </div>
            </li>
          ))}
        </Differences>
      </Section>
      <Section aria-labelledby="beside">
        <h2 id="beside">Side by side</h2>
        <Table>
          <thead>
            <tr>
              <td />
              <th scope="col">You</th>
              <th scope="col">Best plan</th>
              <th scope="col">Usual beginner</th>
            </tr>
          </thead>
          <tbody>
            {v.rows.map((r) => (
              <tr key={r.name}>
                <th scope="row">{r.name}</th>
                {r.values.map((x, i) => (
                  <td key={i}>{x}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </Section>
      <Two>
        <Section aria-labelledby="measures">
          <h2 id="measures">Between beginner and best</h2>
          <Values rows={v.measures} />
        </Section>
        <Section aria-labelledby="skills">
          <h2 id="skills">Skills in this round</h2>
          <Values rows={v.skills} />
        </Section>
      </Two>
      <Section aria-labelledby="best">
        <h2 id="best">The best plan, load by load</h2>
        <Best>
          {v.best.map((l) => (
            <li key={l.title}>
              <strong>{l.title}</strong>
              {l.pieces.map((p) => (
                <span className="piece" key={p.id}>
                  <Swatch cloth={p.cloth} size={18} /> {p.name}
                </span>
              ))}
            </li>
          ))}
        </Best>
        {v.bestAside.length > 0 && <p>Not washed today: {v.bestAside.join('; ')}.</p>}
      </Section>
      {v.next && (
        <p style={{ marginTop: '2rem' }}>
          <Link to={`/practice${v.who ? `?who=${encodeURIComponent(v.who)}` : ''}`}>Next: {v.next.title}</Link>
        </p>
      )}
    </>
  );
}
