import { redirect } from 'react-router';
import { newestPlanId } from '@data/loads.ts';
import type { Route } from './+types/home';
import { chosenHousehold } from '../server/cookie.server.ts';
import { withHousehold } from '../server/request.server.ts';

/** Who comes for the first time is asked how to begin; where a plan exists the day is home; else the work begins with gathering. */
export const loader = async ({ request, context }: Route.LoaderArgs) => {
  if (!(await chosenHousehold(request.headers.get('cookie')))) return redirect('/welcome');
  const planned = await withHousehold(context, async ({ tx }) => (await newestPlanId(tx)) !== null);
  return redirect(planned ? '/today' : '/basket');
};
