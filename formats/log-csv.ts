/**
 * The log as a table (RFC 4180, UTF-8): `at,event,garment,load,key,value,unit,note`. One row says one thing of one event; rows of one event stand
 * together and differ only in key, value, unit and note. Reading and writing are inverse to each other.
 */
import Papa from 'papaparse';
import { armed, defused } from './spreadsheet.ts';
import { readTable } from './csv-table.ts';
import { shortPath, type Problem } from './problem.ts';

export const logColumns = ['at', 'event', 'garment', 'load', 'key', 'value', 'unit', 'note'] as const;
export const logEvents = [
  'worn',
  'aired',
  'washed',
  'tested',
  'measured',
  'stained',
  'treated',
  'read',
  'dried',
  'mended',
  'cleaned',
] as const;
export type LogEvent = (typeof logEvents)[number];
/** One thing an event says; most have one or none. */
export interface LogFact {
  key: string;
  value: string;
  unit: string;
}
export interface LogEntry {
  /** ISO 8601 with offset. */
  at: string;
  event: LogEvent;
  garment: string;
  /** '' = of no load. */
  load: string;
  facts: readonly LogFact[];
  note: string;
}
/** Keys an event may carry, with the unit of their value and what a value must be. */
type Kind = 'number' | 'text' | 'id';
export const logKeys = {
  count: { unit: 'times', is: 'number' },
  temperatureC: { unit: '°C', is: 'number' },
  programme: { unit: '', is: 'id' },
  grade: { unit: '1-5', is: 'number' },
  test: { unit: '', is: 'id' },
  agent: { unit: '', is: 'id' },
  length: { unit: 'cm', is: 'number' },
  place: { unit: '', is: 'id' },
  stain: { unit: '', is: 'id' },
  mark: { unit: '', is: 'id' },
  result: { unit: '', is: 'id' },
  dose: { unit: '', is: 'text' },
  minutes: { unit: 'min', is: 'number' },
  hours: { unit: 'h', is: 'number' },
  size: { unit: '', is: 'id' },
  way: { unit: '', is: 'id' },
  end: { unit: '', is: 'id' },
  cost: { unit: 'money', is: 'number' },
  worthIt: { unit: '', is: 'id' },
  detached: { unit: '', is: 'text' },
  refitted: { unit: '', is: 'id' },
} as const satisfies Record<string, { unit: string; is: Kind }>;
export type LogKey = keyof typeof logKeys;

const number = /^-?\d+(\.\d+)?$/;
const written = (cell: string): string => (number.test(cell) ? cell : defused(cell));

/** @example logCsv([{ at: '2026-05-09T08:00:00+02:00', event: 'worn', garment: 'g1', load: '', facts: [], note: '' }]) */
export function logCsv(entries: readonly LogEntry[]): string {
  const rows = entries.flatMap((e) =>
    (e.facts.length > 0 ? e.facts : [{ key: '', value: '', unit: '' }]).map((f, i) =>
      [e.at, e.event, e.garment, e.load, f.key, f.value, f.unit, i === 0 ? e.note : ''].map(written),
    ),
  );
  return `${Papa.unparse({ fields: [...logColumns], data: rows }, { newline: '\r\n' })}\r\n`;
}

export type LogReading = { ok: true; value: LogEntry[] } | { ok: false; problems: readonly Problem[] };
const mostRows = 500_000;
const instant = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,9})?)?(Z|[+-]\d{2}:\d{2})$/;
const mostNote = 2_000;

/** Read a log: every entry, or every problem with its row and column (at most 50). */
export function readLog(text: string): LogReading {
  const { columns, rows, problems, wrong } = readTable(text, {
    known: logColumns,
    required: logColumns,
    mostRows,
    noun: 'rows',
  });
  if (problems.length > 0) return { ok: false, problems };

  const at = Object.fromEntries(logColumns.map((c) => [c, columns.indexOf(c)])) as Record<
    (typeof logColumns)[number],
    number
  >;
  const entries: (LogEntry & { facts: LogFact[] })[] = [];
  for (const { number: n, cells: row } of rows) {
    const cell = (c: (typeof logColumns)[number]): string => armed(row[at[c]] ?? '');
    const [when, event, garment, load, key, value, note] = [
      cell('at').trim(),
      cell('event').trim(),
      cell('garment').trim(),
      cell('load').trim(),
      cell('key').trim(),
      cell('value'),
      cell('note'),
    ];
    const before = problems.length;
    if (!instant.test(when) || Number.isNaN(Date.parse(when)))
      wrong(n, 'at', 'must be a moment with its offset, like 2026-05-09T08:00:00+02:00');
    if (!(logEvents as readonly string[]).includes(event)) wrong(n, 'event', `must be one of ${logEvents.join(', ')}`);
    if (garment === '') wrong(n, 'garment', 'must not be empty');
    if (note.length > mostNote) wrong(n, 'note', `must be at most ${mostNote} letters`);
    if (key === '') {
      if (value.trim() !== '') wrong(n, 'key', 'must not be empty where there is a value');
    } else if (!Object.hasOwn(logKeys, key)) wrong(n, 'key', `"${shortPath(key)}" is not known`);
    else if (logKeys[key as LogKey].is === 'number' ? !number.test(value.trim()) : value.trim() === '')
      wrong(n, 'value', logKeys[key as LogKey].is === 'number' ? 'must be a number' : 'must not be empty');
    if (problems.length > before) continue;
    const fact: LogFact | null = key === '' ? null : { key, value: value.trim(), unit: logKeys[key as LogKey].unit };
    const last = entries.at(-1);
    const goesOn =
      last !== undefined &&
      fact !== null &&
      note === '' &&
      last.at === when &&
      last.event === event &&
      last.garment === garment &&
      last.load === load &&
      last.facts.length > 0 &&
      !last.facts.some((f) => f.key === key);
    if (goesOn) last.facts.push(fact);
    else
      entries.push({
        at: when,
        event: event as LogEvent,
        garment,
        load,
        facts: fact ? [fact] : [],
        note,
      });
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: entries };
}
