import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { demoHouseholdId } from '@data/demo/id.ts';
import type { Route } from './+types/welcome';
import { goTo, householdsFor } from '../server/door.server.ts';
import { hosted } from '../server/mode.server.ts';
import { answering, field, formOf } from '../server/request.server.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Fold } from '../ui/fold.tsx';
import { PageHead } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { media } from '../theme/tokens.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Welcome · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) =>
  answering(context, async () => {
    const households = await householdsFor(context);
    return {
      own: households.filter((h) => h.id !== demoHouseholdId),
      demo: households.some((h) => h.id === demoHouseholdId),
      hosted,
    };
  });

/** Go into one of the households of this machine. */
export const action = async ({ request, context }: Route.ActionArgs) => {
  const id = field(await formOf(request), 'household');
  const headers = await answering(context, () => goTo(context, id));
  if (!headers) return data({ error: 'That household is not here any more.' }, { status: 404 });
  return redirect('/basket', { headers });
};

const Ways = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2.5rem;
  max-width: 64rem;
  margin-top: 1.4rem;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
    gap: 1.6rem;
  }
  > section {
    display: grid;
    gap: 0.9rem;
    align-content: start;
    padding-top: 1rem;
    border-top: 6px solid var(--shelf);
  }
  ul {
    display: grid;
    gap: 0.3rem;
    color: var(--ink-soft);
  }
  .stack {
    display: grid;
    gap: 3px;
    max-width: 19rem;
  }
`;
const cloth = (hex: string, texture: 'woven' | 'knit' | 'terry' | 'denim') => ({ hex, bands: [], texture, bulk: 2 });

export default function Welcome({ loaderData: v, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>Your washing, sorted</h1>
          <p>
            Say what is dirty, in your own words. Neat Fold sorts it into loads, sets machine and dose for each, and
            says why: fibre by fibre, label by label.
          </p>
        </div>
      </PageHead>
      {actionData && <p role="alert">{actionData.error}</p>}
      <Ways>
        <section>
          <div className="stack" aria-hidden="true">
            <Fold cloth={cloth('#e9e3d3', 'terry')} name="" height={26} />
            <Fold cloth={cloth('#3f5878', 'denim')} name="" height={26} />
            <Fold cloth={cloth('#7d1f28', 'knit')} name="" height={26} />
          </div>
          <h2>Begin with your own</h2>
          <ul>
            <li>What washes: a machine, a laundry room, or a tub.</li>
            <li>How hard your water is; a guess will do.</li>
            <li>What is dirty, one piece a line. The first plan takes about two minutes.</li>
          </ul>
          <Actions>
            <LinkButton href="/begin" $large>
              Set up a household
            </LinkButton>
          </Actions>
          {v.own.map((h) => (
            <PostForm key={h.id}>
              <input type="hidden" name="household" value={h.id} />
              <Button type="submit" $quiet>
                Go on in “{h.name}”
              </Button>
            </PostForm>
          ))}
        </section>
        {v.demo && (
          <section>
            <div className="stack" aria-hidden="true">
              <Fold cloth={cloth('#f7f7f4', 'woven')} name="" height={26} />
              <Fold cloth={cloth('#b98a1f', 'knit')} name="" height={26} />
              <Fold cloth={cloth('#1f7f84', 'woven')} name="" height={26} />
            </div>
            <h2>Look around first</h2>
            <ul>
              <li>A made-up flat above a bakery: three flatmates, one machine, a full basket.</li>
              <li>Wash, soak and spoil there what you like; nothing of it is yours.</li>
            </ul>
            <PostForm>
              <input type="hidden" name="household" value={demoHouseholdId} />
              <Actions>
                <Button type="submit" $quiet $large>
                  Look around in the demo
                </Button>
              </Actions>
            </PostForm>
          </section>
        )}
      </Ways>
      <p style={{ marginTop: '2rem' }}>
        {v.hosted ? (
          'Somebody invited you? Open the link they sent.'
        ) : (
          <>
            Everything stays on this machine. <Link to="/label">Only a care label to read?</Link>
          </>
        )}
      </p>
    </>
  );
}
