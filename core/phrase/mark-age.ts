/** How old a mark is, from words: "red wine on the cuff, two days ago", "coffee this morning", "since Saturday". */
import { wholeWords, type Line } from './line.ts';
import { numberOf, numberWord } from './numbers.ts';

const hoursOf = { minute: 1 / 60, hour: 1, day: 24, week: 168, month: 730, year: 8760 } as const;
type Unit = keyof typeof hoursOf;
/** Beginnings of the words for a unit; the first that fits counts, so "min" stands before "m". */
const units: readonly [start: string, unit: Unit][] = [
  ['min', 'minute'],
  ['mo', 'month'],
  ['h', 'hour'],
  ['d', 'day'],
  ['w', 'week'],
  ['y', 'year'],
];
const amount = String.raw`(\d{1,3}|an?|a few|some|several|${numberWord}) ?(minutes?|mins?|hours?|hrs?|h|days?|d|weeks?|wks?|months?|years?|yrs?)`;
const several = 3;
/** Hours that a phrase stands for; a part of today counts as half a working day. */
const phrases: readonly [pattern: string, hours: number][] = [
  ['just now|right now|a moment ago|moments ago|fresh', 0.2],
  ['this (?:morning|afternoon|evening)|at (?:breakfast|lunch)|tonight|today', 8],
  ['last night|yesterday (?:evening|night)', 16],
  ['(?:since )?yesterday(?: morning| afternoon)?', 24],
  ['the other day|this week', 72],
  ['last week', hoursOf.week],
  ['last month', hoursOf.month],
  ['last year', hoursOf.year],
];
const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const;
/** A day that is still to come is when something is needed, a day in a name ("Saturday’s shirt") is none. */
const onWeekday = `(?<!(?:by|for|until|till|before|next|needed|every|on) )(?:from |since |on |last |from last )?(${weekdays.join('|')})(?: morning| afternoon| evening| night)?(?!['’]s)`;
/** Every phrase that tells an age, for whoever must look past it. */
export const agePhrase = `(?:from |since )?(?:${amount} (?:ago|old)|${phrases.map(([p]) => p).join('|')}|${onWeekday})`;

const hoursSaid = (count: string, unit: string): number => {
  const n = /^an?$/.test(count) ? 1 : /few|some|several/.test(count) ? several : (numberOf(count) ?? 1);
  return n * hoursOf[units.find(([start]) => unit.startsWith(start))?.[1] ?? 'day'];
};
/**
 * Hours since the mark was made; null = not said. What is "3 years old" before the mark is named, at `markAt`, is the piece and not the mark. A day of the week is
 * the last such day before today; `weekday` = today's, 0 = Sunday, null = not known: then it says nothing.
 * @example takeMarkAge(new Line('red wine, two days ago'), 0, null) // 48
 */
export function takeMarkAge(line: Line, markAt: number, weekday: number | null): number | null {
  const ago = line.take(wholeWords(`(?:from |since )?${amount} ago`), 'stain');
  if (ago) return hoursSaid(ago[1] ?? '', ago[2] ?? '');
  const old = wholeWords(`${amount} old`).exec(line.open.slice(markAt));
  if (old) {
    line.claim(markAt + old.index, markAt + old.index + old[0].length, 'stain');
    return hoursSaid(old[1] ?? '', old[2] ?? '');
  }
  for (const [pattern, hours] of phrases) if (line.take(wholeWords(`(?:from )?(?:${pattern})`), 'stain')) return hours;
  const day = weekday === null ? null : line.take(wholeWords(onWeekday), 'stain');
  if (weekday === null || !day) return null;
  const days = (weekday - weekdays.findIndex((d) => d === day[1]) + 7) % 7;
  return (days === 0 ? 7 : days) * hoursOf.day;
}
