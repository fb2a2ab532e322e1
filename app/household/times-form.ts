/** The times of a household, typed as lines: "22:00-07:00", "2026-05-09 12:00 to 14:00". */
import { parseDateTime, toZoned } from '@internationalized/date';
import * as v from 'valibot';
import { dayOf, isoInZone } from '@formats/dates.ts';
import type { HouseholdDocument } from '@formats/hamper-schema.ts';
import { typedNumber } from '../forms/numbers.ts';
import { formatInTimeZone } from '../shared/zone.ts';

type Times = NonNullable<HouseholdDocument['times']>;
type Tariff = NonNullable<HouseholdDocument['tariff']>;
type Span = [string, string];

const linesOf = (text: string): string[] =>
  text
    .split(/\n|;/)
    .map((l) => l.trim())
    .filter(Boolean);
const clock = '([01]?\\d|2[0-3])[:.]([0-5]\\d)';
const between = '\\s*(?:-|–|to|until)\\s*';
const clocks = new RegExp(`^${clock}${between}${clock}$`);
const two = (n: string | undefined): string => String(n ?? '').padStart(2, '0');

/** Daily hours, one span a line; over midnight is fine. */
const hoursField = (label: string) =>
  v.optional(
    v.pipe(
      v.string(),
      v.rawTransform<string, Span[]>(({ dataset, addIssue, NEVER }) => {
        const spans: Span[] = [];
        for (const line of linesOf(dataset.value)) {
          const m = clocks.exec(line);
          const span: Span | null = m ? [`${two(m[1])}:${m[2]}`, `${two(m[3])}:${m[4]}`] : null;
          if (!span || span[0] === span[1]) {
            addIssue({ message: `${label}: “${line}” is no span of hours, like 22:00-07:00.` });
            return NEVER;
          }
          spans.push(span);
        }
        if (spans.length > 12) {
          addIssue({ message: `${label}: at most 12 spans.` });
          return NEVER;
        }
        return spans;
      }),
    ),
  );

const days = new RegExp(
  `^(\\d{4}-\\d{2}-\\d{2})\\s+${clock}${between}(?:(\\d{4}-\\d{2}-\\d{2})\\s+)?${clock}(?:\\s+(?:on|at|in|:)?\\s*(.+))?$`,
);
/** A span of one day or several, as moments of a zone; null = not to be read. `after` = what stands behind it. */
export function readSpan(line: string, timeZone: string): { from: string; to: string; after: string } | null {
  const m = days.exec(line.trim());
  if (!m) return null;
  const moment = (day: string | undefined, h: string | undefined, min: string | undefined): Date | null => {
    try {
      return toZoned(parseDateTime(`${day}T${two(h)}:${min}`), timeZone).toDate();
    } catch {
      return null;
    }
  };
  const from = moment(m[1], m[2], m[3]);
  const to = moment(m[4] ?? m[1], m[5], m[6]);
  if (!from || !to || to <= from) return null;
  return { from: isoInZone(from, timeZone), to: isoInZone(to, timeZone), after: (m[7] ?? '').trim() };
}

export const timesSchema = v.object({
  quietHours: hoursField('Quiet hours'),
  cheapHours: hoursField('Cheap hours'),
  cheapPerKwh: typedNumber('Price in cheap hours', 0, 10),
  people: v.optional(typedNumber('People who wash', 1, 12)),
  names: v.optional(v.string()),
  away: v.optional(v.string()),
  slots: v.optional(v.string()),
});
export type TimesForm = v.InferOutput<typeof timesSchema>;

export interface WasherName {
  id: string;
  name: string;
}
/** Absences and slots of shared machines; errors by field. */
export function spansOf(
  f: TimesForm,
  timeZone: string,
  washers: readonly WasherName[],
): { times: Times } | { errors: Record<string, string[]> } {
  const errors: Record<string, string[]> = {};
  const away: Span[] = [];
  for (const line of linesOf(f.away ?? '')) {
    const span = readSpan(line, timeZone);
    if (span && !span.after) away.push([span.from, span.to]);
    else errors.away = [`Away: “${line}” is no span of time, like 2026-05-09 12:00 to 14:00.`];
  }
  const slots: NonNullable<Times['slots']> = [];
  for (const line of linesOf(f.slots ?? '')) {
    const span = readSpan(line, timeZone);
    const wanted = span?.after.toLowerCase() ?? '';
    const washer =
      washers.find((w) => w.name.toLowerCase() === wanted || w.id === wanted) ??
      (wanted === '' && washers.length === 1 ? washers[0] : undefined);
    if (span && washer) slots.push({ washer: washer.id, from: span.from, to: span.to });
    else
      errors.slots = [
        span
          ? `Slots: “${line}” names no machine of yours; they are ${washers.map((w) => w.name).join(', ') || 'none'}.`
          : `Slots: “${line}” is no span of time, like 2026-05-09 18:00 to 20:00 Laundry room.`,
      ];
  }
  if (Object.keys(errors).length > 0) return { errors };
  return {
    times: {
      ...(f.quietHours ? { quietHours: f.quietHours } : {}),
      ...(away.length > 0 ? { away } : {}),
      ...(slots.length > 0 ? { slots } : {}),
      ...(f.people ? { people: Math.round(f.people) } : {}),
    },
  };
}

const at = (iso: string, timeZone: string): { day: string; clock: string } => {
  const date = new Date(iso);
  return {
    day: dayOf(date, timeZone),
    clock: formatInTimeZone(date, timeZone, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }),
  };
};
const spanText = (from: string, to: string, timeZone: string): string => {
  const [a, b] = [at(from, timeZone), at(to, timeZone)];
  return `${a.day} ${a.clock} to ${a.day === b.day ? '' : `${b.day} `}${b.clock}`;
};
const mostNames = 12;
const longestName = 40;
/** Names of those who wash, one a line; errors by field. */
export function namesOf(f: TimesForm): { names: string[] } | { errors: Record<string, string[]> } {
  const names = linesOf(f.names ?? '');
  const long = names.find((n) => n.length > longestName);
  if (long) return { errors: { names: [`Their names: “${long.slice(0, 20)}…” is longer than a name.`] } };
  if (names.length > mostNames) return { errors: { names: ['Their names: at most twelve.'] } };
  if (new Set(names.map((n) => n.toLowerCase())).size < names.length)
    return { errors: { names: ['Their names: one stands twice.'] } };
  return { names };
}
export const shownTimes = (
  times: Times,
  tariff: Tariff,
  timeZone: string,
  washers: readonly WasherName[],
  names: readonly string[] = [],
): Record<string, string> => ({
  names: names.join('\n'),
  quietHours: (times.quietHours ?? []).map(([a, b]) => `${a}-${b}`).join('\n'),
  cheapHours: (tariff.cheapHours ?? []).map(([a, b]) => `${a}-${b}`).join('\n'),
  cheapPerKwh: tariff.cheapPerKwh?.toString() ?? '',
  people: times.people?.toString() ?? '1',
  away: (times.away ?? []).map(([a, b]) => spanText(a, b, timeZone)).join('\n'),
  slots: (times.slots ?? [])
    .map((s) => `${spanText(s.from, s.to, timeZone)} ${washers.find((w) => w.id === s.washer)?.name ?? s.washer}`)
    .join('\n'),
});
