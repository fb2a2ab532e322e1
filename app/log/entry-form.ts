/** What can be put right about an entry, by its kind. */
import * as v from 'valibot';
import type { EventData, EventKind } from '@data/schema.ts';
import { momentOf } from '@formats/dates.ts';
import { typedNumber } from '../forms/numbers.ts';

export const entryFields = ['count', 'temperatureC', 'grade', 'cm', 'note'] as const;
export type EntryField = (typeof entryFields)[number];

const oldest = Date.UTC(1990, 0, 1);
/** `now` = nothing that has not happened yet can be logged. */
export const entrySchema = (timeZone: string, now: Date) =>
  v.object({
    at: v.pipe(
      v.string('When: give day and time.'),
      v.transform((text) => momentOf(text, timeZone)),
      v.check((at) => at !== null, 'When: give a day and a time that exist.'),
      v.check((at) => at === null || at.getTime() <= now.getTime(), 'When: it lies in the future.'),
      v.check((at) => at === null || at.getTime() >= oldest, 'When: it lies too far back.'),
      v.transform((at) => at ?? now),
    ),
    count: v.optional(
      v.pipe(
        v.string(),
        v.transform((t) => Number(t.trim())),
        v.check((n: number) => Number.isInteger(n) && n >= 1 && n <= 500, 'How often: a whole number from 1 to 500.'),
      ),
    ),
    temperatureC: typedNumber('Temperature', 5, 95, '°C'),
    grade: v.optional(
      v.pipe(
        v.string(),
        v.transform((t) => Number(t.trim().replace(',', '.'))),
        v.check(
          (n: number) => n >= 1 && n <= 5 && Number.isInteger(2 * n),
          'Grade: from 1 (strong) to 5 (none), in halves.',
        ),
      ),
    ),
    cm: typedNumber('Length', 1, 400, 'cm'),
    note: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(200, 'Note: at most 200 letters.'))),
  });
export type EntryGiven = v.InferOutput<ReturnType<typeof entrySchema>>;

/** The fields an entry has. */
export function fieldsOfEntry(kind: EventKind, data: EventData): EntryField[] {
  const out: EntryField[] = [];
  if (kind === 'worn' || kind === 'washed') out.push('count');
  if (kind === 'washed') out.push('temperatureC');
  if (data.test) out.push('grade');
  if (data.measure) out.push('cm');
  if (data.note !== undefined || data.mend !== undefined || kind === 'noted' || kind === 'mended') out.push('note');
  return out;
}
export const shownEntry = (data: EventData): Record<EntryField, string> => ({
  count: String(data.count ?? 1),
  temperatureC: data.temperatureC === undefined ? '' : String(data.temperatureC),
  grade: data.test ? String(data.test.grade) : '',
  cm: data.measure ? String(data.measure.cm) : '',
  note: data.mend ?? data.note ?? '',
});
/** The entry as it should have been written. */
export function corrected(kind: EventKind, data: EventData, given: EntryGiven): EventData {
  const has = new Set(fieldsOfEntry(kind, data));
  const next: EventData = { ...data };
  if (has.has('count')) {
    delete next.count;
    if (given.count !== undefined && given.count > 1) next.count = given.count;
  }
  if (has.has('temperatureC')) {
    delete next.temperatureC;
    if (given.temperatureC !== undefined) next.temperatureC = given.temperatureC;
  }
  if (data.test && given.grade !== undefined) next.test = { ...data.test, grade: given.grade };
  if (data.measure && given.cm !== undefined) next.measure = { ...data.measure, cm: given.cm };
  if (has.has('note')) {
    if (data.mend === undefined) next.note = given.note ?? '';
    else next.mend = given.note ?? data.mend;
  }
  return next;
}
