/** The day as lanes on an axis of hours: machines, tubs, places, the iron, people. */
import type { ResourceUse, TimetableTask } from '@core/model/timetable.ts';
import { zoneClock } from '@formats/dates.ts';
import { goWords, resourceWords } from '@words/en/today.ts';
import { clothOfDocument } from '../shared/cloth.ts';
import { clockText, durationText, plural, weekday } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';
import { hourMs, minuteMs, turnsAhead, type DayFacts } from './day-facts.server.ts';

export interface BarView {
  id: string;
  title: string;
  text: string;
  /** Shares of the width of the chart. */
  from: number;
  to: number;
  startMs: number;
  cloths: ClothView[];
  /** The row id of the load, where its hours may be changed. */
  load: string | null;
  done: boolean;
}
export interface LaneView {
  id: string;
  name: string;
  note: string;
  kind: ResourceUse['kind'] | 'person';
  bars: BarView[];
  /** Steps of how full a place is, 0–1. */
  fill: { from: number; to: number; share: number }[];
  /** Stretches in which nothing goes there. */
  shut: { from: number; to: number; words: string }[];
}
/** Hours on the chart: nights are drawn narrower. */
export interface Segment {
  fromMs: number;
  toMs: number;
  from: number;
  to: number;
}

export interface ChartView {
  lanes: LaneView[];
  axis: { ticks: { at: number; text: string; strong: boolean }[]; now: number; segments: Segment[]; units: number };
  flags: { at: number; text: string }[];
}

const nightWeight = 0.3;
/** The axis: whole hours, nights at a third of their width. */
function axisOf(fromMs: number, toMs: number, isQuiet: (ms: number) => boolean): Segment[] {
  const raw: { fromMs: number; toMs: number; units: number }[] = [];
  for (let ms = fromMs; ms < toMs; ms += hourMs / 2) {
    const end = Math.min(toMs, ms + hourMs / 2);
    const weight = isQuiet(ms + (end - ms) / 2) ? nightWeight : 1;
    const last = raw.at(-1);
    const units = (weight * (end - ms)) / hourMs;
    if (last && Math.abs(last.units / (last.toMs - last.fromMs) - units / (end - ms)) < 1e-12) {
      last.toMs = end;
      last.units += units;
    } else raw.push({ fromMs: ms, toMs: end, units });
  }
  const total = raw.reduce((m, s) => m + s.units, 0) || 1;
  let at = 0;
  return raw.map((s) => {
    const from = at / total;
    at += s.units;
    return { fromMs: s.fromMs, toMs: s.toMs, from, to: at / total };
  });
}
function placeOn(segments: readonly Segment[], ms: number): number {
  const [first] = segments;
  const last = segments.at(-1);
  if (!first || !last || ms <= first.fromMs) return 0;
  const s = segments.find((x) => ms < x.toMs) ?? last;
  return Math.min(1, s.from + ((s.to - s.from) * (ms - s.fromMs)) / (s.toMs - s.fromMs));
}

function shutBetween(
  open: readonly { fromMs: number; toMs: number }[],
  fromMs: number,
  toMs: number,
): { fromMs: number; toMs: number }[] {
  const out: { fromMs: number; toMs: number }[] = [];
  let at = fromMs;
  for (const s of [...open].sort((a, b) => a.fromMs - b.fromMs)) {
    if (s.fromMs > at) out.push({ fromMs: at, toMs: Math.min(s.fromMs, toMs) });
    at = Math.max(at, s.toMs);
    if (at >= toMs) break;
  }
  if (at < toMs) out.push({ fromMs: at, toMs });
  return out;
}
/** Dates of the day, one flag a moment. */
function flagsOf({ day, t }: DayFacts): { ms: number; name: string }[] {
  const washed = new Set(t.ready.map((r) => r.garment));
  const dates = new Map<number, string[]>();
  for (const g of day.pieces.values()) {
    const own = g.neededBy ? Date.parse(g.neededBy) : Infinity;
    const ms = Math.min(own, day.request.neededBy?.get(g.id) ?? Infinity);
    if (washed.has(g.id) && Number.isFinite(ms)) dates.set(ms, [...(dates.get(ms) ?? []), g.name]);
  }
  return [...dates].map(([ms, list]) => ({ ms, name: list.length > 1 ? `${list.length} pieces` : (list[0] ?? '') }));
}

export function chartView(f: DayFacts): ChartView {
  const { day, t, zone, nowMs, titles, happened, ahead, isAhead, clock } = f;
  const { household } = day;
  // The chart: from a little before now, or what still runs, to the end of the day.
  const shownFrom = Math.min(
    nowMs,
    ...t.tasks.filter((x) => x.endMs > nowMs && x.kind !== 'dry').map((x) => x.startMs),
  );
  const fromMs = Math.floor(Math.max(shownFrom, nowMs - 4 * hourMs) / hourMs) * hourMs;
  const toMs = Math.ceil(((t.finishMs ?? nowMs) + 1) / hourMs) * hourMs;
  const midnight = zoneClock(new Date(nowMs), zone);
  const quiet: { fromMs: number; toMs: number }[] = [];
  for (let d = -1; d < 22; d++)
    for (const [a, b] of household.times.quietHours)
      if (a !== b) quiet.push({ fromMs: midnight(d, a), toMs: midnight(a < b ? d : d + 1, b) });
  const segments = axisOf(fromMs, toMs, (ms) => quiet.some((q) => ms >= q.fromMs && ms < q.toMs));
  const x = (ms: number): number => placeOn(segments, ms);
  const onChart = (s: { fromMs: number; toMs: number }, words: string) =>
    s.toMs > fromMs && s.fromMs < toMs ? [{ from: x(s.fromMs), to: x(s.toMs), words }] : [];
  const cloths = (ids: readonly string[]): ClothView[] =>
    ids.flatMap((id) => {
      const g = day.pieces.get(id);
      return g ? [clothOfDocument(g)] : [];
    });
  const bar = (id: string, tasks: readonly TimetableTask[], title: string, load: string | null): BarView | null => {
    const start = Math.min(...tasks.map((y) => y.startMs));
    const end = Math.max(...tasks.map((y) => y.endMs));
    if (end <= fromMs || tasks.length === 0) return null;
    const row = load === null ? undefined : f.loads.get(load)?.row;
    return {
      id,
      title,
      text: `${clock(start)}–${clock(end)}`,
      from: x(start),
      to: x(end),
      startMs: start,
      cloths: cloths([...new Set(tasks.flatMap((y) => y.garments))]),
      load: row?.status === 'planned' ? row.id : null,
      done: tasks.every((y) => happened.get(y.id)?.endedMs != null),
    };
  };
  const using = (kind: ResourceUse['kind'], id: string): TimetableTask[] =>
    t.tasks.filter((y) => y.uses.some((u) => u.kind === kind && u.id === id));
  const byLoad = (tasks: readonly TimetableTask[]): Map<string, TimetableTask[]> => {
    const groups = new Map<string, TimetableTask[]>();
    for (const y of tasks) groups.set(y.load ?? '', [...(groups.get(y.load ?? '') ?? []), y]);
    return groups;
  };
  const machineLane = (kind: 'washer' | 'dryer' | 'basin', id: string, name: string): LaneView => {
    const bars = [...byLoad(using(kind, id))].flatMap(([load, tasks]) => {
      const b = bar(`${kind}-${id}-${load}`, tasks, titles.get(load) ?? '', load);
      return b ? [b] : [];
    });
    const left = bars.filter((b) => !b.done).length;
    const slots = household.times.slots.filter((s) => s.washer === id && kind === 'washer');
    return {
      id: `${kind}-${id}`,
      name,
      note: left > 0 ? resourceWords.runs(kind, left) : resourceWords.idle,
      kind,
      bars,
      fill: [],
      shut:
        slots.length > 0 ? shutBetween(slots, fromMs, toMs).flatMap((s) => onChart(s, resourceWords.notBooked)) : [],
    };
  };
  const placeLane = (place: DayFacts['day']['household']['dryingPlaces'][number]): LaneView => {
    const tasks = using('place', place.id).filter((y) => happened.get(y.id)?.endedMs == null);
    const load = (ms: number, what: 'bars' | 'flatM2' | 'hangers'): number =>
      tasks.reduce((m, y) => m + (y.startMs <= ms && y.endMs > ms ? (y.uses[0]?.[what] ?? 0) : 0), 0);
    const share = (ms: number): number =>
      Math.min(
        1,
        Math.max(...(['bars', 'flatM2', 'hangers'] as const).map((w) => (place[w] > 0 ? load(ms, w) / place[w] : 0))),
      );
    const moments = [...new Set([fromMs, ...tasks.flatMap((y) => [y.startMs, y.endMs]), toMs])]
      .filter((m) => m >= fromMs && m <= toMs)
      .sort((a, b) => a - b);
    const fill = moments.slice(0, -1).flatMap((m, i) => {
      const s = share(m);
      return s > 0 ? [{ from: x(m), to: x(moments[i + 1] ?? toMs), share: s }] : [];
    });
    const fullest = moments.reduce((best, m) => (share(m) > share(best) ? m : best), fromMs);
    const count = tasks.filter((y) => y.startMs <= fullest && y.endMs > fullest).length;
    return {
      id: `place-${place.id}`,
      name: place.name,
      note:
        count > 0
          ? resourceWords.fullest(count, Math.round(100 * share(fullest)), clock(fullest))
          : resourceWords.empty,
      kind: 'place',
      bars: [],
      fill,
      shut: place.outdoors
        ? shutBetween(day.request.outdoors ?? [], fromMs, toMs).flatMap((s) => onChart(s, resourceWords.wetOrDark))
        : [],
    };
  };
  const out = [...household.times.away.map((s) => ({ ...s, person: 0 })), ...(day.request.out ?? [])];
  const handsOf = (person: number): TimetableTask[] => ahead.filter((y) => y.person === person);
  const personLane = (name: string, i: number): LaneView => {
    const person = i + 1;
    const groups = turnsAhead(handsOf(person));
    return {
      id: `person-${person}`,
      name,
      note: durationText(handsOf(person).reduce((m, y) => m + (y.endMs - y.startMs) / minuteMs, 0)),
      kind: 'person',
      bars: groups.flatMap((tasks) => {
        const b = bar(`person-${person}-${tasks[0]?.id}`, tasks, goWords.short[tasks[0]?.kind ?? 'load'], null);
        return b ? [{ ...b, cloths: [] }] : [];
      }),
      fill: [],
      shut: [
        ...quiet.flatMap((q) => onChart(q, resourceWords.quiet)),
        ...out.filter((o) => o.person === 0 || o.person === person).flatMap((o) => onChart(o, resourceWords.out)),
      ],
    };
  };
  const ironing = t.tasks.filter((y) => y.kind === 'press' && happened.get(y.id)?.endedMs == null);
  const ironLane: LaneView[] =
    ironing.length === 0
      ? []
      : [
          {
            id: 'iron',
            name: resourceWords.iron,
            note: plural(ironing.length, 'piece'),
            kind: 'iron',
            bars: turnsAhead(ironing).flatMap((tasks) => {
              const b = bar(`iron-${tasks[0]?.id}`, tasks, plural(tasks.length, 'piece'), null);
              return b ? [b] : [];
            }),
            fill: [],
            shut: [],
          },
        ];
  const lanes: LaneView[] = [
    ...household.washers.map((w) => machineLane('washer', w.id, w.name)),
    ...household.dryers
      .filter((d) => using('dryer', d.id).some(isAhead))
      .map((d) => machineLane('dryer', d.id, d.name)),
    ...household.basins
      .filter((b) => using('basin', b.id).some(isAhead))
      .map((b) => machineLane('basin', b.id, b.name)),
    ...household.dryingPlaces.filter((d) => using('place', d.id).some(isAhead)).map(placeLane),
    ...ironLane,
    ...day.people.map(personLane),
  ];
  const ticks = [];
  const everyH = segments.length > 0 && toMs - fromMs > 30 * hourMs ? 3 : toMs - fromMs > 18 * hourMs ? 2 : 1;
  for (let ms = fromMs; ms <= toMs; ms += hourMs) {
    const h = Number(clockText(new Date(ms), zone).slice(0, 2));
    const night = quiet.some((q) => ms > q.fromMs && ms < q.toMs);
    if (h === 0) ticks.push({ at: x(ms), text: weekday(new Date(ms), zone).slice(0, 3), strong: true });
    else if (h % everyH === 0 && !night) ticks.push({ at: x(ms), text: String(h), strong: false });
  }

  const units = segments.reduce((m, s) => {
    const night = quiet.some((q) => s.fromMs >= q.fromMs - 1 && s.fromMs < q.toMs);
    return m + ((s.toMs - s.fromMs) / hourMs) * (night ? nightWeight : 1);
  }, 0);
  return {
    lanes,
    axis: { ticks, now: x(nowMs), segments, units },
    flags: flagsOf(f)
      .filter((d) => d.ms >= fromMs && d.ms <= toMs)
      .map((d) => ({ at: x(d.ms), text: `${d.name} by ${clock(d.ms)}` })),
  };
}
