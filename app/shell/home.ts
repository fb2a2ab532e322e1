import { redirect } from 'react-router';
import type { Route } from './+types/home';
import { chosenHousehold } from '../server/cookie.server.ts';

/** Who comes for the first time is asked how to begin; everybody else goes on where the work begins. */
export const loader = async ({ request }: Route.LoaderArgs) =>
  redirect((await chosenHousehold(request.headers.get('cookie'))) ? '/basket' : '/welcome');
