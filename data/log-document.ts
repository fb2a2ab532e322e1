/** The events of the household as a log that can be taken out and in. Notes of our own (what is to be mended, what was taken back) stay in the archive. */
import { and, asc, gte, isNull, lte, ne } from 'drizzle-orm';
import type { MeasurePlace } from '../core/garment/measures.ts';
import { allPlaces } from '../core/garment/measures.ts';
import { isoInZone } from '../formats/dates.ts';
import { logEvents, logKeys, type LogEntry, type LogEvent, type LogFact, type LogKey } from '../formats/log-csv.ts';
import { maxProblems, shortPath, type Problem } from '../formats/problem.ts';
import type { Transaction } from './client.ts';
import { insertEvents, stands, type NewEvent, type Writer } from './events.ts';
import { isUuid } from './ids.ts';
import { events, garments, loads, type EventData, type EventKind } from './schema.ts';

const fact = (key: LogKey, value: string | number): LogFact => ({
  key,
  value: String(value).trim(),
  unit: logKeys[key].unit,
});
/** What an event says, one thing a row. */
export function factsOf(data: EventData): LogFact[] {
  const out: LogFact[] = [];
  const say = (key: LogKey, value: string | number | undefined | null): void => {
    if (value !== undefined && value !== null && String(value).trim() !== '') out.push(fact(key, value));
  };
  say('count', data.count);
  say('temperatureC', data.temperatureC);
  say('programme', data.programme);
  if (data.test) {
    say('test', data.test.kind);
    say('grade', data.test.grade);
    say('agent', data.test.agent);
  }
  if (data.stain) {
    say('mark', data.stain.id);
    say('stain', data.stain.kind);
    say('result', data.stain.result);
  }
  if (data.step) {
    say('stain', data.step.stain);
    say('agent', data.step.agent);
    say('dose', data.step.dose);
    say('temperatureC', data.step.temperatureC);
    say('minutes', data.step.minutes);
    say('result', data.step.result);
  }
  if (data.measure) {
    say('place', data.measure.place);
    say('length', data.measure.cm);
  }
  say('size', data.size);
  say('detached', data.detached);
  if (data.refitted) say('refitted', 'yes');
  if (data.drying) {
    say('place', data.drying.place);
    say('hours', data.drying.hours);
  }
  if (data.freshened) {
    say('way', data.freshened.way);
    say('end', data.freshened.end);
  }
  if (data.cleaned) {
    say('cost', data.cleaned.cost);
    say('worthIt', data.cleaned.worthIt === null ? null : data.cleaned.worthIt ? 'yes' : 'no');
  }
  return out;
}

/** The log, oldest first, as it counts: what was taken back is not in it. */
export async function readLogEntries(tx: Transaction, timeZone: string): Promise<LogEntry[]> {
  const rows = await tx
    .select({
      at: events.at,
      kind: events.kind,
      garmentId: events.garmentId,
      loadId: events.loadId,
      data: events.data,
    })
    .from(events)
    .where(and(ne(events.kind, 'noted'), isNull(events.strikes), stands()))
    .orderBy(asc(events.at), asc(events.id));
  return rows.map((r) => ({
    at: isoInZone(r.at, timeZone),
    event: r.kind as LogEvent,
    garment: r.garmentId,
    load: r.loadId ?? '',
    facts: factsOf(r.data),
    note: r.data.note ?? '',
  }));
}

type Values = ReadonlyMap<string, string>;
const number = (values: Values, key: LogKey): number | undefined => {
  const text = values.get(key);
  return text === undefined ? undefined : Number(text);
};
/** An entry as the event it is, or what it lacks. */
export function eventOf(e: LogEntry): { data: EventData } | { error: string } {
  const values: Values = new Map(e.facts.map((f) => [f.key, f.value]));
  const text = (key: LogKey): string | undefined => values.get(key);
  const data: EventData = {};
  const count = number(values, 'count');
  if (count !== undefined) {
    if (!Number.isInteger(count) || count < 1 || count > 10_000)
      return { error: 'count must be a whole number from 1' };
    data.count = count;
  }
  if (e.note !== '') data.note = e.note;
  const temperatureC = number(values, 'temperatureC');
  switch (e.event) {
    case 'tested':
    case 'read': {
      const kind = text('test');
      const grade = number(values, 'grade');
      if (kind === undefined && grade === undefined) break;
      if (kind !== 'spot' && kind !== 'part' && kind !== 'catcher')
        return { error: 'test must be spot, part or catcher' };
      if (grade === undefined || grade < 1 || grade > 5 || !Number.isInteger(2 * grade))
        return { error: 'grade must be from 1 to 5, in halves' };
      const agent = text('agent');
      data.test = { kind, grade, ...(agent === undefined ? {} : { agent }) };
      break;
    }
    case 'treated': {
      const mark = text('mark');
      const result = text('result');
      const stain = text('stain');
      if (mark !== undefined && stain !== undefined) {
        if (result !== 'gone' && result !== 'lighter' && result !== 'same' && result !== 'stopped')
          return { error: 'result must be gone, lighter, same or stopped' };
        data.stain = { id: mark, kind: stain, result };
      } else if (stain !== undefined) {
        if (result !== 'passed' && result !== 'failed') return { error: 'result must be passed or failed' };
        data.step = {
          stain,
          agent: text('agent') ?? 'water',
          dose: text('dose') ?? null,
          temperatureC: temperatureC ?? 20,
          minutes: number(values, 'minutes') ?? 0,
          result,
        };
      }
      break;
    }
    case 'measured': {
      const place = text('place');
      const cm = number(values, 'length');
      if (place !== undefined || cm !== undefined) {
        if (!(allPlaces as readonly string[]).includes(place ?? ''))
          return { error: `place must be one of ${allPlaces.join(', ')}` };
        if (cm === undefined || cm <= 0 || cm > 1_000) return { error: 'length must be between 0 and 1000 cm' };
        data.measure = { place: place as MeasurePlace, cm };
      }
      const size = text('size');
      if (size === 'kept' || size === 'changed' || size === 'smaller' || size === 'larger') data.size = size;
      break;
    }
    case 'dried': {
      const place = text('place');
      const hours = number(values, 'hours');
      if (place !== undefined && hours !== undefined) data.drying = { place, hours };
      break;
    }
    case 'aired': {
      const way = text('way');
      const end = text('end');
      if (way !== undefined && end !== undefined) data.freshened = { way, end } as NonNullable<EventData['freshened']>;
      break;
    }
    case 'cleaned': {
      const cost = number(values, 'cost');
      if (cost !== undefined) {
        const worth = text('worthIt');
        data.cleaned = { cost, worthIt: worth === undefined ? null : worth === 'yes' };
      }
      break;
    }
    case 'washed': {
      if (temperatureC !== undefined) data.temperatureC = temperatureC;
      const programme = text('programme');
      if (programme !== undefined) data.programme = programme;
      break;
    }
    case 'worn':
    case 'stained':
    case 'mended':
      break;
  }
  const detached = text('detached');
  if (detached !== undefined) data.detached = detached;
  if (text('refitted') === 'yes') data.refitted = true;
  return { data };
}

export interface LogPreview {
  added: { event: LogEvent; count: number }[];
  /** Already in the log, word for word. */
  same: number;
  from: string | null;
  to: string | null;
}
export interface LogImport {
  events: NewEvent[];
  preview: LogPreview;
}
/** What tells entries apart: the table keeps seconds, and says of an event what its facts say. */
const textOfEvent = (garmentId: string, kind: EventKind, at: Date, data: EventData): string => {
  const facts = factsOf(data)
    .map((f) => `${f.key}=${f.value}`)
    .sort();
  return JSON.stringify([garmentId, kind, Math.floor(at.getTime() / 1_000), facts, data.note ?? '']);
};

/** What a log would add to this household, or every reason why it cannot. Entries that stand there already are left alone. */
export async function lookAtLog(
  tx: Transaction,
  entries: readonly LogEntry[],
  now: Date,
): Promise<{ ok: true; value: LogImport } | { ok: false; problems: Problem[] }> {
  const pieces = new Set((await tx.select({ id: garments.id }).from(garments)).map((g) => g.id));
  const known = new Set((await tx.select({ id: loads.id }).from(loads)).map((l) => l.id));
  const problems: Problem[] = [];
  const fresh: NewEvent[] = [];
  let same = 0;
  const times = entries.map((e) => Date.parse(e.at));
  const [first, last] = [Math.min(...times), Math.max(...times)];
  const there = new Set<string>();
  if (entries.length > 0) {
    const rows = await tx
      .select({ garmentId: events.garmentId, kind: events.kind, at: events.at, data: events.data })
      .from(events)
      .where(
        and(gte(events.at, new Date(first)), lte(events.at, new Date(last + 999)), isNull(events.strikes), stands()),
      );
    for (const r of rows) there.add(textOfEvent(r.garmentId, r.kind, r.at, r.data));
  }
  for (const [k, e] of entries.entries()) {
    const wrong = (message: string): void => {
      if (problems.length < maxProblems)
        problems.push({ path: `entry ${k + 1} (${e.event}, ${shortPath(e.garment)})`, message });
    };
    const at = new Date(e.at);
    if (!pieces.has(e.garment)) {
      wrong('the wardrobe has no such piece: bring it in first');
      continue;
    }
    if (at > now) {
      wrong('lies in the future');
      continue;
    }
    const event = eventOf(e);
    if ('error' in event) {
      wrong(event.error);
      continue;
    }
    if (there.has(textOfEvent(e.garment, e.event, at, event.data))) {
      same++;
      continue;
    }
    fresh.push({
      garmentId: e.garment,
      kind: e.event,
      at,
      data: event.data,
      loadId: isUuid(e.load) && known.has(e.load) ? e.load : null,
    });
  }
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: {
      events: fresh,
      preview: {
        added: logEvents.flatMap((event) => {
          const count = fresh.filter((e) => e.kind === event).length;
          return count > 0 ? [{ event, count }] : [];
        }),
        same,
        from: entries.length > 0 ? new Date(first).toISOString() : null,
        to: entries.length > 0 ? new Date(last).toISOString() : null,
      },
    },
  };
}
const perInsert = 1_000;
/** Their ids, so that they can be taken back together. */
export async function storeLog(writer: Writer, list: readonly NewEvent[]): Promise<number[]> {
  const ids: number[] = [];
  for (let k = 0; k < list.length; k += perInsert)
    ids.push(...(await insertEvents(writer, list.slice(k, k + perInsert))));
  return ids;
}
