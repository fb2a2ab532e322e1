import { redirect } from 'react-router';
import { stageCounts } from '@data/stages.ts';
import type { Route } from './+types/home';
import { chosenHousehold } from '../server/cookie.server.ts';
import { withHousehold } from '../server/request.server.ts';

/** Who comes for the first time is asked how to begin; where loads are planned or run the day is home; else the work begins with gathering. */
export const loader = async ({ request, context }: Route.LoaderArgs) => {
  if (!(await chosenHousehold(request.headers.get('cookie')))) return redirect('/welcome');
  const underWay = await withHousehold(context, async ({ tx }) => {
    const { planned, running } = await stageCounts(tx);
    return { day: planned + running > 0 };
  });
  return redirect(underWay.day ? '/today' : '/basket');
};
