/** The timetable as iCalendar (RFC 5545): one event for each turn of hands and one for each run of a machine. */
import { createHash } from 'node:crypto';
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { oneTurnMin } from '@core/timetable/spans.ts';
import type { TimetableDocument } from './timetable.ts';

type Task = TimetableDocument['tasks'][number];
const runs: ReadonlySet<string> = new Set(['wash', 'spin-only', 'tumble']);
/** Events with a task that must not wait longer than this, or with cloth to turn, ring. */
const ringsFromWaitMin = 30;
const ringsBeforeS = 5 * 60;
const minuteMs = 60_000;

/** Attended tasks in turns, each less than ten minutes after the one before. */
export function turnsOf<T extends { attended: boolean; start: string; end: string }>(tasks: readonly T[]): T[][] {
  const turns: T[][] = [];
  let end = -Infinity;
  for (const t of tasks.filter((x) => x.attended).sort((a, b) => Date.parse(a.start) - Date.parse(b.start))) {
    const last = turns.at(-1);
    if (last && Date.parse(t.start) - end < oneTurnMin * minuteMs) last.push(t);
    else turns.push([t]);
    end = Math.max(end, Date.parse(t.end));
  }
  return turns;
}

const uidOf = (tasks: readonly Task[], used: Map<string, number>): string => {
  const kinds = [...new Set(tasks.map((t) => t.kind))].sort();
  const garments = [...new Set(tasks.flatMap((t) => t.garments))].sort();
  const key = createHash('sha256')
    .update(JSON.stringify([kinds, garments]))
    .digest('hex')
    .slice(0, 24);
  const times = (used.get(key) ?? 0) + 1;
  used.set(key, times);
  return `${key}${times > 1 ? `-${times}` : ''}@neat-fold`;
};
const clockOf = (moment: string): string => moment.slice(11, 16);
const countedTurn = (tasks: readonly Task[]): string => {
  const [first] = tasks;
  const more = tasks.length - 1;
  return first ? `${first.text}${more > 0 ? `, and ${more} more` : ''}` : '';
};

/** @param stampedAt ISO 8601: when the timetable was made. */
export function calendarText(document: TimetableDocument, stampedAt: string, name: string): string {
  const calendar = ical({ name, prodId: { company: 'Neat Fold', product: 'Wash day', language: 'EN' } });
  calendar.method(ICalCalendarMethod.PUBLISH);
  const used = new Map<string, number>();
  const event = (tasks: readonly Task[], summary: string, description: string): void => {
    const start = Math.min(...tasks.map((t) => Date.parse(t.start)));
    const end = Math.max(...tasks.map((t) => Date.parse(t.end)));
    const made = calendar.createEvent({
      id: uidOf(tasks, used),
      stamp: new Date(stampedAt),
      start: new Date(start),
      end: new Date(end),
      summary,
      description,
    });
    const rings = tasks.some((t) => t.kind === 'flip' || (t.maxWaitMin !== null && t.maxWaitMin <= ringsFromWaitMin));
    if (rings) made.createAlarm({ type: ICalAlarmType.display, triggerBefore: ringsBeforeS, description: summary });
  };
  const events = [
    ...turnsOf(document.tasks).map((tasks) => ({
      tasks,
      summary: countedTurn(tasks),
      description: tasks.map((t) => `${clockOf(t.start)} ${t.text}`).join('\n'),
    })),
    ...document.tasks
      .filter((t) => runs.has(t.kind))
      .map((t) => ({ tasks: [t], summary: t.text, description: `${clockOf(t.start)}–${clockOf(t.end)} ${t.text}` })),
  ].sort((a, b) => Date.parse(a.tasks[0]?.start ?? '') - Date.parse(b.tasks[0]?.start ?? ''));
  for (const e of events) event(e.tasks, e.summary, e.description);
  return calendar.toString();
}
