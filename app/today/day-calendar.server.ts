/** The day as a calendar file: for a download, and for the programs that subscribe to a private address. */
import { calendarText } from '@formats/calendar.ts';
import { toTimetableDocument } from '@formats/timetable.ts';
import type { Scope } from '../server/request.server.ts';
import { hoursOf, readDay } from './day.server.ts';

/** null = there is no household. A day without work is an empty calendar. */
export async function dayCalendar(scope: Scope): Promise<string | null> {
  const day = await readDay(scope);
  if (!day) return null;
  const t = await hoursOf(day, day.promise?.aim ?? 'usual');
  const over = new Set(day.progress.flatMap((p) => (p.endedMs === null ? [] : [p.task])));
  const document = toTimetableDocument({ ...t, tasks: t.tasks.filter((x) => !over.has(x.id)) }, day.request.now);
  return calendarText(document, day.request.now, `Wash day: ${day.view.name}`);
}
export const calendarHeaders = {
  'Content-Type': 'text/calendar; charset=utf-8',
  'Cache-Control': 'no-store',
} as const;
