import { withHousehold } from '../server/request.server.ts';
import type { Route } from './+types/today-ways';
import { readDay } from './day.server.ts';
import { waysOf } from './ways.server.ts';

/** Other orders of the day, for the page to show beneath its own. */
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const day = await readDay(scope);
    return day && day.request.planned.length > 0 ? waysOf(day) : [];
  });
