import { Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { readHousehold } from '@data/household.ts';
import { beginRound, openRound } from '@data/practice.ts';
import { mostSeed } from '@data/practice/endless.ts';
import type { Route } from './+types/practice';
import { isLearning, setLearning } from './learning.server.ts';
import { knownBasket, luckFor } from './rounds.server.ts';
import { practiceView, whoPlays, type BasketCard } from './practice-view.server.ts';
import { field, notFound, onSubmit, withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, TextButton } from '../ui/button.tsx';
import { NumberField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { SkillLadder } from './parts/skills.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Practice · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => ({
    ...(await practiceView(scope, new URL(request.url).searchParams.get('who'))),
    learning: await isLearning(request.headers.get('cookie')),
  }));

/** Begin a round, or go on with the one that waits; learn as you go, or not. */
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    const intent = field(form, 'intent');
    if (intent === 'learning-on' || intent === 'learning-off') {
      const back = field(form, 'back');
      const to = /^\/(?!\/)[\w/-]*$/.test(back) ? back : '/practice';
      return redirect(to, { headers: { 'Set-Cookie': await setLearning(intent === 'learning-on') } });
    }
    const home = await readHousehold(tx);
    const person = whoPlays(home?.people ?? [], field(form, 'who'));
    const seed = field(form, 'seed').trim();
    if (seed !== '' && !(/^\d{1,8}$/.test(seed) && Number(seed) <= mostSeed))
      throw notFound('Number: a basket has a whole number of up to eight digits.');
    const basket = seed === '' ? field(form, 'basket') : `seed-${Number(seed)}`;
    const { request } = knownBasket(basket);
    const waiting = await openRound(tx, basket, person);
    const round =
      waiting?.id ?? (await beginRound(tx, householdId, { basket, person, luck: luckFor(request, now), at: now }));
    return redirect(`/practice/${round}`);
  });

const Shelf = styled.ul`
  display: grid;
  gap: 0.4rem 1.6rem;
  grid-template-columns: repeat(auto-fill, minmax(min(19rem, 100%), 1fr));
  > li {
    border-bottom: 1px dotted var(--hairline);
    padding: 0.7rem 0;
    display: grid;
    gap: 0.4rem;
    align-content: start;
  }
  h3 {
    font-size: 1.05rem;
  }
  p {
    color: var(--ink-soft);
    font-size: 0.95rem;
  }
  footer {
    display: flex;
    gap: 0.8rem;
    align-items: center;
    flex-wrap: wrap;
  }
  .stack {
    display: flex;
    flex-wrap: wrap;
    gap: 3px;
  }
`;
const First = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 1.5rem 2.5rem;
  align-items: start;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
  > section {
    display: grid;
    gap: 0.6rem;
    align-content: start;
  }
  .stack {
    display: flex;
    flex-wrap: wrap;
    gap: 3px;
  }
  h2 {
    font-size: 1.2rem;
  }
`;
const Who = styled.nav`
  display: flex;
  gap: 0.2rem 1rem;
  flex-wrap: wrap;
  align-items: baseline;
  a {
    min-height: 2.75rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
  }
  a[aria-current] {
    color: var(--ink);
    font-weight: 680;
    text-decoration: none;
    border-bottom: 3px solid var(--ink);
  }
`;
const Folds = ({ card }: { card: BasketCard }) => (
  <div className="stack" aria-hidden="true">
    {card.cloths.map((c) => (
      <Swatch key={c.id} cloth={c.cloth} size={20} />
    ))}
  </div>
);
const played = (c: BasketCard): string =>
  c.best === null
    ? 'not played yet'
    : `best ${Math.round(c.best)} of 100, played ${c.times === 1 ? 'once' : `${c.times} times`}`;

function Begin({ card, who, strong }: { card: BasketCard; who: string; strong?: boolean }) {
  return (
    <PostForm>
      <input type="hidden" name="basket" value={card.id} />
      <input type="hidden" name="who" value={who} />
      <Button type="submit" $quiet={!strong} aria-label={`${card.open ? 'Go on' : 'Sort it'}: “${card.title}”`}>
        {card.open ? 'Go on' : 'Sort it'}
      </Button>
    </PostForm>
  );
}

export default function Practice({ loaderData: v }: Route.ComponentProps) {
  const next = v.levels.flatMap((l) => l.cards).find((c) => c.id === v.next) ?? null;
  return (
    <>
      <PageHead>
        <div>
          <h1>Practice</h1>
          <p>
            Baskets that are not yours: sort them, set the machine, see what comes out. Nothing here touches your own
            wardrobe, log or plans.
          </p>
        </div>
        {v.people.length > 1 && (
          <Who aria-label="Who plays">
            {v.people.map((p) => (
              <Link
                key={p}
                to={`/practice?who=${encodeURIComponent(p)}`}
                aria-current={p === v.who ? 'page' : undefined}
              >
                {p}
              </Link>
            ))}
          </Who>
        )}
      </PageHead>
      <First>
        {next && (
          <section aria-labelledby="next-basket">
            <h2 id="next-basket">{next.title}</h2>
            <Folds card={next} />
            <Quiet>{next.about}</Quiet>
            <Begin card={next} who={v.who} strong />
          </section>
        )}
        <section aria-labelledby="today-basket">
          <h2 id="today-basket">{v.today.title}</h2>
          <Folds card={v.today} />
          <Quiet>
            {v.today.about} {v.today.best === null ? '' : `${played(v.today)}.`}
          </Quiet>
          <Begin card={v.today} who={v.who} strong={!next} />
          <PostForm style={{ maxWidth: '18rem' }}>
            <input type="hidden" name="who" value={v.who} />
            <NumberField name="seed" label="Or any number" hint="The same number is the same basket for everybody." />
            <TextButton type="submit">Sort that one</TextButton>
          </PostForm>
        </section>
        <section aria-labelledby="skills">
          <h2 id="skills">{v.who ? `What ${v.who} can do` : 'What you can do'}</h2>
          {v.played === 0 ? (
            <Quiet>After the first basket this says how sure you are with labels, dye, marks and the rest.</Quiet>
          ) : (
            <SkillLadder skills={v.skills} />
          )}
          <PostForm>
            <input type="hidden" name="back" value="/practice" />
            <Quiet>
              {v.learning
                ? 'Learning as you go is on: terms explain themselves, reasons stand open, one lesson a day.'
                : 'Beside your real washing, too: terms explained where they stand, reasons open, one lesson a day.'}
            </Quiet>{' '}
            <TextButton type="submit" name="intent" value={v.learning ? 'learning-off' : 'learning-on'}>
              {v.learning ? 'Turn it off' : 'Learn as you go'}
            </TextButton>
          </PostForm>
        </section>
      </First>
      {v.levels.map((l) => (
        <Section key={l.level} aria-labelledby={`level-${l.level}`}>
          <h2 id={`level-${l.level}`}>{l.title}</h2>
          <Shelf>
            {l.cards.map((c) => (
              <li key={c.id}>
                <h3>{c.title}</h3>
                <Folds card={c} />
                <p>{c.about}</p>
                <footer>
                  <Begin card={c} who={v.who} />
                  <Quiet>{played(c)}</Quiet>
                </footer>
              </li>
            ))}
          </Shelf>
        </Section>
      ))}
    </>
  );
}
