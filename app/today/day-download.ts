import { notFound, withHousehold } from '../server/request.server.ts';
import type { Route } from './+types/day-download';
import { calendarHeaders, dayCalendar } from './day-calendar.server.ts';

/** What is still to be done, as a calendar file. */
export const loader = async ({ context }: Route.LoaderArgs) => {
  const text = await withHousehold(context, async (scope) => ({ text: await dayCalendar(scope) }));
  if (text.text === null) throw notFound('There is no household yet.');
  return new Response(text.text, {
    headers: { ...calendarHeaders, 'Content-Disposition': 'attachment; filename="wash-day.ics"' },
  });
};
