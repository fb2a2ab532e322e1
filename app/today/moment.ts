/** Clock times as people type them, as the next such moment of a zone. */
import { zoneClock } from '@formats/dates.ts';

const shape = /^(?:(tomorrow|tom)\s+)?(\d{1,2})(?:[:.h]\s?(\d{2}))?\s*(am|pm)?$/i;

/**
 * "18", "18:30", "6.30 pm", "tomorrow 7:00"; null = not to be read. A time that has passed today is tomorrow's.
 * @example nextMoment('18:30', now, 'Europe/Amsterdam')
 */
export function nextMoment(text: string, now: Date, timeZone: string): Date | null {
  const m = shape.exec(text.trim());
  if (!m) return null;
  const half = m[4]?.toLowerCase();
  const typed = Number(m[2]);
  const minutes = Number(m[3] ?? 0);
  if (half && (typed < 1 || typed > 12)) return null;
  const hours = half ? (typed % 12) + (half === 'pm' ? 12 : 0) : typed;
  if (hours > 24 || minutes > 59 || (hours === 24 && minutes > 0)) return null;
  const clock = zoneClock(now, timeZone);
  const at = (day: number): Date => new Date(clock(day, hours + minutes / 60));
  if (m[1]) return at(1);
  return at(0) > now ? at(0) : at(1);
}
