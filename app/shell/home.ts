import { redirect } from 'react-router';
import { stageCounts } from '@data/stages.ts';
import type { Route } from './+types/home';
import { chosenHousehold } from '../server/cookie.server.ts';
import { visitorContext } from '../server/context.ts';
import { withHousehold } from '../server/request.server.ts';

/** Who comes for the first time is asked how to begin; where loads are planned or run the day is home; else the work begins with gathering. */
export const loader = async ({ request, context }: Route.LoaderArgs) => {
  const { householdId, key, role } = context.get(visitorContext);
  const chosen = key.by === 'home' ? await chosenHousehold(request.headers.get('cookie')) : householdId;
  if (!chosen) return redirect('/welcome');
  const underWay = await withHousehold(context, async ({ tx }) => {
    const { planned, running } = await stageCounts(tx);
    return { day: planned + running > 0 };
  });
  if (role === 'helper') return redirect('/wash');
  return redirect(underWay.day ? '/today' : '/basket');
};
