/** Days and moments of a household, in its own time zone. */
import {
  fromDate,
  getDayOfWeek,
  parseDate,
  parseDateTime,
  Time,
  toCalendarDate,
  toCalendarDateTime,
  toZoned,
} from '@internationalized/date';

/** A thing needed on a day is needed by the evening of that day. */
const eveningTime = new Time(18);

/** The day of the week of a moment in a zone, 0 = Sunday. */
export const weekdayOf = (at: Date, timeZone: string): number => getDayOfWeek(fromDate(at, timeZone), 'en-US');
/** The day of a moment in a zone, `YYYY-MM-DD`. */
export const dayOf = (at: Date, timeZone: string): string => toCalendarDate(fromDate(at, timeZone)).toString();

/**
 * The evening of a day in a zone, as an ISO 8601 moment in UTC. Throws on a day that does not exist: check with `isDay` first.
 * @example eveningOf('2026-05-09', 'Asia/Tokyo') // '2026-05-09T09:00:00.000Z'
 */
export const eveningOf = (day: string, timeZone: string): string =>
  toZoned(toCalendarDateTime(parseDate(day), eveningTime), timeZone)
    .toDate()
    .toISOString();

/** Whether a text names a real day of this century or the next, `YYYY-MM-DD`. */
export function isDay(text: string): boolean {
  if (!/^2[01]\d{2}-\d{2}-\d{2}$/.test(text)) return false;
  try {
    return parseDate(text).toString() === text; // a 30th of February would be moved, not refused
  } catch {
    return false;
  }
}
/**
 * A local moment `YYYY-MM-DDTHH:MM` in a zone; null where there is none such.
 * @example momentOf('2026-05-09T08:00', 'Europe/Amsterdam') // 2026-05-09T06:00:00.000Z
 */
export function momentOf(local: string, timeZone: string): Date | null {
  if (!/^2[01]\d{2}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$/.test(local)) return null;
  try {
    return toZoned(parseDateTime(local), timeZone).toDate();
  } catch {
    return null;
  }
}
/** The local moment of a zone, `YYYY-MM-DDTHH:MM`, as a field for date and time takes it. */
export const localMoment = (at: Date, timeZone: string): string =>
  toCalendarDateTime(fromDate(at, timeZone)).toString().slice(0, 16);

/** A moment as ISO 8601 with the offset of its zone, to the second. */
export function isoInZone(at: Date, timeZone: string): string {
  // Not `set`: a wall-clock time that comes twice, when clocks go back, would be taken for the first.
  const zoned = fromDate(at, timeZone);
  const minutes = Math.round(zoned.offset / 60_000);
  const pad = (n: number): string => String(n).padStart(2, '0');
  const sign = minutes < 0 ? '-' : '+';
  const local = toCalendarDateTime(zoned).toString().slice(0, 19);
  return `${local}${sign}${pad(Math.floor(Math.abs(minutes) / 60))}:${pad(Math.abs(minutes) % 60)}`;
}
/**
 * Clock hours of a zone, day by day from the one of `now`; across a change of clocks as well.
 * @example zoneClock(now, 'Europe/Amsterdam')(1, 7.5) // ms of half past seven tomorrow
 */
export function zoneClock(now: Date, timeZone: string): (day: number, hour: number) => number {
  const today = toCalendarDate(fromDate(now, timeZone));
  return (day, hour) => {
    const whole = Math.floor(hour / 24);
    const minutes = Math.round((hour - 24 * whole) * 60);
    const time = new Time(Math.floor(minutes / 60), minutes % 60);
    return toZoned(toCalendarDateTime(today.add({ days: day + whole }), time), timeZone)
      .toDate()
      .getTime();
  };
}
/** Whether a text names a time zone. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
