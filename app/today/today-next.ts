import { withHousehold } from '../server/request.server.ts';
import type { Route } from './+types/today-next';
import { hoursOf, readDay } from './day.server.ts';
import { todayView } from './today-view.server.ts';

/** So many turns ahead are told: those of the next hours. */
const told = 6;

/** When the hands are called next, for every page to call them. */
export const loader = async ({ context }: Route.LoaderArgs) =>
  Response.json(
    await withHousehold(context, async (scope) => {
      const serverNow = scope.now.getTime();
      const day = await readDay(scope);
      if (!day || day.request.planned.length === 0) return { serverNow, calls: [] };
      const { next, turns } = todayView(day, await hoursOf(day, day.promise?.aim ?? 'usual'), serverNow);
      const calls = [...(next ? [next] : []), ...turns].slice(0, told);
      return { serverNow, calls: calls.map(({ id, startMs, title, who }) => ({ id, startMs, title, who })) };
    }),
  );
