/** What is asked of the log, as it stands in the address. */
import * as v from 'valibot';
import { eventKinds, type EventKind } from '@data/schema.ts';

export const logViews = ['days', 'loads', 'pieces', 'people', 'table'] as const;
export type LogViewId = (typeof logViews)[number];
export const viewWords: Record<LogViewId, string> = {
  days: 'Day by day',
  loads: 'Loads',
  pieces: 'Pieces',
  people: 'People',
  table: 'Every entry',
};

/** Groups of kinds that people ask for. */
export const shownKinds = {
  washes: ['washed', 'cleaned', 'dried'],
  wears: ['worn', 'aired'],
  tests: ['tested', 'read', 'measured'],
  marks: ['stained', 'treated'],
  notes: ['noted', 'mended'],
} as const satisfies Record<string, readonly EventKind[]>;
export type ShownKind = keyof typeof shownKinds;
export const shownWords: Record<ShownKind, string> = {
  washes: 'Washed and dried',
  wears: 'Worn and aired',
  tests: 'Tests and measures',
  marks: 'Marks',
  notes: 'Notes and mending',
};

const text = v.fallback(v.pipe(v.string(), v.trim(), v.maxLength(80)), '');
const day = v.fallback(v.pipe(v.string(), v.regex(/^(20|21)\d{2}-\d{2}-\d{2}$/)), '');
const schema = v.object({
  view: v.fallback(v.picklist(logViews), 'days'),
  q: text,
  show: v.fallback(v.picklist(['', ...Object.keys(shownKinds)] as ['', ...ShownKind[]]), ''),
  owner: text,
  piece: text,
  load: text,
  from: day,
  to: day,
  sort: text,
  dir: v.fallback(v.picklist(['up', 'down']), 'down'),
  page: v.fallback(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(0), v.maxValue(100_000)), 0),
  before: text,
});
export type LogQuery = v.InferOutput<typeof schema>;

/** What nobody could mean is left out. */
export function readLogQuery(query: URLSearchParams): LogQuery {
  const value = (name: string): string => query.get(name) ?? '';
  return v.parse(schema, Object.fromEntries(Object.keys(schema.entries).map((k) => [k, value(k)])));
}
export const kindsOf = (show: LogQuery['show']): readonly EventKind[] =>
  show === '' ? eventKinds.filter(() => false) : shownKinds[show];

/** The address of the log with some of it changed; a new question begins on its first page. */
export function logHref(q: LogQuery, change: Partial<LogQuery>): string {
  const next = { ...q, page: 0, before: '', ...change };
  const out = new URLSearchParams();
  for (const [k, x] of Object.entries(next))
    if (x !== '' && x !== 0 && !(k === 'view' && x === 'days') && !(k === 'dir' && x === 'down')) out.set(k, String(x));
  const text = out.toString();
  return text ? `/log?${text}` : '/log';
}
