/** Today as the screen shows it: what the hands do next, the lanes of the day, other ways to order it, and what moved. */
import type { Timetable, TimetableTask } from '@core/model/timetable.ts';
import { oneTurnMin } from '@core/timetable/spans.ts';
import { whatMoved, type Moved } from '@core/timetable/moved.ts';
import type { DayAim } from '@core/timetable/timetable.ts';
import type { ResourceUse } from '@core/model/timetable.ts';
import { loadName } from '@core/plan/load-name.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf } from '@formats/hamper.ts';
import { zoneClock } from '@formats/dates.ts';
import { deviationWords, goWords, resourceWords, wayWords } from '@words/en/today.ts';
import { listed, textOf, titleOf } from '@words/text.ts';
import type { DayFigures } from '@data/schema.ts';
import type { DayWish } from '@data/day.ts';
import { clothOfDocument } from '../shared/cloth.ts';
import { clockText, durationText, money, plural, weekday } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';
import type { Day } from './day.server.ts';

const minuteMs = 60_000;
const hourMs = 60 * minuteMs;

export interface StepView {
  id: string;
  text: string;
  clock: string;
  minutes: string;
  person: string | null;
  href: string;
}
export interface TurnView {
  id: string;
  startMs: number;
  clock: string;
  title: string;
  /** Whose hands. */
  who: string;
  /** It must not wait. */
  urgent: string | null;
  minutes: string;
  steps: StepView[];
  /** Ids of all its tasks. */
  tasks: string[];
  href: string;
  go: string;
}
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
export interface DayLoadView {
  id: string;
  key: string;
  title: string;
  start: string;
  begun: boolean;
  late: boolean;
}
export interface TodayView {
  serverNow: number;
  zone: string;
  heading: string;
  facts: string;
  next: TurnView | null;
  turns: TurnView[];
  clocks: { id: string; label: string; startedAt: number; endsAt: number; href: string }[];
  lanes: LaneView[];
  axis: { ticks: { at: number; text: string; strong: boolean }[]; now: number; segments: Segment[]; units: number };
  flags: { at: number; text: string }[];
  aim: DayAim;
  kept: boolean;
  moved: { because: string[]; moves: string[]; finish: string } | null;
  wishes: { id: string; text: string; cost: string }[];
  loads: DayLoadView[];
  people: { person: number; name: string; hands: string }[];
  late: string[];
  warnings: string[];
}
/** Hours on the chart: nights are drawn narrower. */
export interface Segment {
  fromMs: number;
  toMs: number;
  from: number;
  to: number;
}

/** What a day costs, as far as a change of it is told by it. */
export const figuresOf = (t: Timetable): DayFigures => ({
  finishMs: t.finishMs,
  interruptions: t.figures.interruptions,
  energyMoney: t.figures.energyMoney,
  late: t.late.map((l) => l.garment),
});

export function loadTitles(day: Day): Map<string, string> {
  return new Map(
    day.loads.map((l) => {
      const profiles = l.garments.map((g) => profileOf(garmentOf(g), day.household.rules));
      return [l.key, titleOf(loadName(profiles, { celsius: l.load.temperatureC, method: l.load.method }))];
    }),
  );
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
export function placeOn(segments: readonly Segment[], ms: number): number {
  const [first] = segments;
  const last = segments.at(-1);
  if (!first || !last || ms <= first.fromMs) return 0;
  const s = segments.find((x) => ms < x.toMs) ?? last;
  return Math.min(1, s.from + ((s.to - s.from) * (ms - s.fromMs)) / (s.toMs - s.fromMs));
}

/** Attended tasks that are still to come, in turns. */
function turnsAhead(tasks: readonly TimetableTask[]): TimetableTask[][] {
  const turns: TimetableTask[][] = [];
  let end = -Infinity;
  for (const t of tasks) {
    const last = turns.at(-1);
    if (last && t.startMs - end < oneTurnMin * minuteMs) last.push(t);
    else turns.push([t]);
    end = Math.max(end, t.endMs);
  }
  return turns;
}

/** Like things said once: "Put away six pieces" for six tasks of one kind. */
function gathered(tasks: readonly TimetableTask[]): TimetableTask[][] {
  const out: TimetableTask[][] = [];
  for (const t of tasks) {
    const last = out.at(-1)?.[0];
    if (
      last &&
      last.kind === t.kind &&
      last.person === t.person &&
      (t.kind === 'put-away' || t.kind === 'press' || t.kind === 'flip')
    )
      out.at(-1)?.push(t);
    else out.push([t]);
  }
  return out;
}

export function todayView(day: Day, t: Timetable, serverNow: number): TodayView {
  const { view, household } = day;
  const zone = view.timeZone;
  const nowMs = Date.parse(day.request.now);
  const titles = loadTitles(day);
  const byKey = new Map(day.loads.map((l) => [l.key, l]));
  const happened = new Map(day.progress.map((p) => [p.task, p]));
  const names = (person: number | null): string | null =>
    person === null ? null : (day.people[person - 1] ?? `Person ${person}`);
  const alone = day.people.length < 2;
  const clock = (ms: number): string => {
    const text = clockText(new Date(ms), zone);
    const days = Math.floor((ms - zoneClock(new Date(nowMs), zone)(0, 0)) / (24 * hourMs));
    return days <= 0 ? text : `${weekday(new Date(ms), zone).slice(0, 3)} ${text}`;
  };
  const hrefOf = (x: TimetableTask): string => {
    const row = x.load === null ? undefined : byKey.get(x.load)?.row;
    const [piece = ''] = x.garments;
    switch (x.kind) {
      case 'pretreat':
      case 'soak':
      case 'test':
        return x.kind === 'test'
          ? '/test'
          : x.load !== null && row?.status === 'running'
            ? `/loads/${row.id}/hand`
            : '/treat';
      case 'inspect':
        return row ? `/loads/${row.id}/inspect` : '/wash';
      case 'hand-wash':
        return row ? (row.status === 'running' && row.walked ? `/loads/${row.id}/hand` : `/loads/${row.id}`) : '/wash';
      case 'load':
        return row && !x.uses.some((u) => u.kind === 'dryer') ? `/loads/${row.id}` : '/dry';
      case 'wash':
      case 'take-out':
      case 'spin-only':
      case 'stir':
        return row ? `/loads/${row.id}` : '/wash';
      case 'tumble':
      case 'tumble-out':
      case 'hang':
      case 'lay-flat':
      case 'dry':
      case 'flip':
        return '/dry';
      case 'cool-check':
        return '/dry';
      case 'press':
        return '/press';
      case 'put-away':
        return happened.get(`${x.load}.dry.${piece}`)?.endedMs == null && x.load !== null && !isTumbled(x, t)
          ? '/dry'
          : '/away';
      case 'air':
      case 'steam':
      case 'brush':
        return `/freshen/${encodeURIComponent(piece)}`;
      case 'spot-clean':
        return `/basket/${encodeURIComponent(piece)}/stain`;
    }
  };
  const ahead = t.tasks
    .filter((x) => x.attended && happened.get(x.id)?.endedMs == null)
    .sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
  const stepOf = (group: readonly TimetableTask[]): StepView => {
    const [x] = group as [TimetableTask];
    const last = group.at(-1) ?? x;
    return {
      id: x.id,
      text: group.length > 1 ? goWords.several(x.kind, group.length) : textOf(x.message),
      clock: clock(x.startMs),
      minutes: durationText((last.endMs - x.startMs) / minuteMs),
      person: alone ? null : names(x.person),
      href: hrefOf(x),
    };
  };
  const turns = turnsAhead(ahead).map((tasks): TurnView => {
    const [first] = tasks as [TimetableTask];
    const end = Math.max(...tasks.map((x) => x.endMs));
    const steps = gathered(tasks).map(stepOf);
    const who = [...new Set(tasks.map((x) => names(x.person)))].filter((n) => n !== null);
    const urgent = tasks.find((x) => x.maxWaitMin !== null && x.maxWaitMin > 0 && x.maxWaitMin <= 30);
    return {
      id: first.id,
      startMs: first.startMs,
      clock: clock(first.startMs),
      title: steps[0]?.text ?? '',
      who: alone ? '' : listed(who),
      urgent: urgent && urgent === first ? goWords.atOnce(urgent.maxWaitMin ?? 0) : null,
      minutes: durationText((end - first.startMs) / minuteMs),
      steps,
      tasks: tasks.map((x) => x.id),
      href: hrefOf(first),
      go: goWords.go[first.kind],
    };
  });

  const clocks = t.tasks.flatMap((x) => {
    const has = happened.get(x.id);
    if (!has || has.endedMs !== null || !['wash', 'hand-wash', 'tumble'].includes(x.kind)) return [];
    return [
      {
        id: x.id,
        label: titles.get(x.load ?? '') ?? textOf(x.message),
        startedAt: x.startMs,
        endsAt: has.expectedMs ?? x.endMs,
        href: hrefOf(x),
      },
    ];
  });

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
    const row = load === null ? undefined : byKey.get(load)?.row;
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
  const isAhead = (y: TimetableTask): boolean => happened.get(y.id)?.endedMs == null;
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
  const placeLane = (place: Day['household']['dryingPlaces'][number]): LaneView => {
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
    if (h % everyH === 0 && !night) ticks.push({ at: x(ms), text: String(h), strong: h === 0 });
    else if (h === 0) ticks.push({ at: x(ms), text: weekday(new Date(ms), zone).slice(0, 3), strong: true });
  }

  const pieceName = (id: string): string => day.pieces.get(id)?.name ?? '';
  const { figures } = t;
  const aboveBound =
    figures.lowerBoundMin > 0 ? Math.round(100 * (figures.makespanMin / figures.lowerBoundMin - 1)) : 0;
  const currency = household.tariff.currency;
  const facts =
    t.tasks.length === 0
      ? ''
      : [
          `${durationText(ahead.reduce((m, y) => m + (y.endMs - y.startMs) / minuteMs, 0))} of hands in ${plural(turns.length, 'turn')}`,
          figures.energyMoney > 0 ? `${money(figures.energyMoney, currency)} of current` : '',
          t.late.length > 0 ? `${plural(t.late.length, 'piece')} late` : 'nothing late',
          aboveBound === 0 ? 'no order of it ends sooner' : `at most ${aboveBound} % above the shortest day possible`,
        ]
          .filter(Boolean)
          .join(', ');
  return {
    serverNow,
    zone,
    heading: t.finishMs === null ? 'Nothing to do today' : `Dry and away by ${clock(t.finishMs)}`,
    facts: facts && `${facts.charAt(0).toUpperCase()}${facts.slice(1)}.`,
    next: turns[0] ?? null,
    turns: turns.slice(1),
    clocks,
    lanes,
    axis: {
      ticks,
      now: x(nowMs),
      segments,
      units: segments.reduce(
        (m, s) =>
          m +
          ((s.toMs - s.fromMs) / hourMs) *
            (quiet.some((q) => s.fromMs >= q.fromMs - 1 && s.fromMs < q.toMs) ? nightWeight : 1),
        0,
      ),
    },
    flags: flagsOf(day, t)
      .filter((f) => f.ms >= fromMs && f.ms <= toMs)
      .map((f) => ({ at: x(f.ms), text: `${f.name} by ${clock(f.ms)}` })),
    aim: day.promise?.aim ?? 'usual',
    kept: day.promise !== null,
    moved: day.promise
      ? movedWords(whatMoved(day.promise.tasks, t, new Set(happened.keys())), titles, (id) => pieceName(id), clock)
      : null,
    wishes: wishWords(day, t, titles, clock, currency),
    loads: day.loads.flatMap((l) => {
      const run = t.tasks.find((y) => y.load === l.key && (y.kind === 'load' || y.kind === 'hand-wash'));
      return l.row.status === 'finished'
        ? []
        : [
            {
              id: l.row.id,
              key: l.key,
              title: titles.get(l.key) ?? l.key,
              start: run ? clock(run.startMs) : '',
              begun: l.row.status === 'running',
              late: t.late.some((r) => l.garments.some((g) => g.id === r.garment)),
            },
          ];
    }),
    people: day.people.map((name, i) => ({
      person: i + 1,
      name,
      hands: durationText(handsOf(i + 1).reduce((m, y) => m + (y.endMs - y.startMs) / minuteMs, 0)),
    })),
    late: t.late.map((l) => `${pieceName(l.garment)} is put away ${clock(l.atMs)}, needed by ${clock(l.neededByMs)}.`),
    warnings: t.warnings.filter((w) => w.code === 'no-hours' || w.code === 'rack-full').map((w) => textOf(w.message)),
  };
}

/** Whether a piece comes out of a dryer and not off a line. */
const isTumbled = (x: TimetableTask, t: Timetable): boolean =>
  !t.tasks.some((y) => y.kind === 'dry' && y.load === x.load && y.garments[0] === x.garments[0]);

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
function flagsOf(day: Day, t: Timetable): { ms: number; name: string }[] {
  const washed = new Set(t.ready.map((r) => r.garment));
  const dates = new Map<number, string[]>();
  for (const g of day.pieces.values()) {
    const own = g.neededBy ? Date.parse(g.neededBy) : Infinity;
    const ms = Math.min(own, day.request.neededBy?.get(g.id) ?? Infinity);
    if (washed.has(g.id) && Number.isFinite(ms)) dates.set(ms, [...(dates.get(ms) ?? []), g.name]);
  }
  return [...dates].map(([ms, list]) => ({ ms, name: list.length > 1 ? `${list.length} pieces` : (list[0] ?? '') }));
}

type Clock = (ms: number) => string;
function movedWords(
  moved: Moved,
  titles: ReadonlyMap<string, string>,
  pieceName: (id: string) => string,
  clock: Clock,
): TodayView['moved'] {
  const name = (load: string | null): string => titles.get(load ?? '') ?? load ?? '';
  const because = moved.because
    // Of a wet piece its own name says more than its load's.
    .map((d) =>
      deviationWords[d.what](d.what === 'damp' ? pieceName(d.task.split('.dry.')[1] ?? '') : name(d.load), d.minutes),
    )
    .slice(0, 4);
  const moves = moved.moves
    .filter((m, i) => moved.moves.findIndex((o) => o.load === m.load) === i)
    .map((m) => goWords.moved(name(m.load), clock(m.toMs), clock(m.fromMs)));
  if (because.length === 0 && moves.length === 0) return null;
  return { because, moves: moves.length > 0 ? moves : [goWords.nothingElse], finish: goWords.finish(moved.finishMin) };
}

function wishWords(
  day: Day,
  t: Timetable,
  titles: ReadonlyMap<string, string>,
  clock: Clock,
  currency: string,
): TodayView['wishes'] {
  const byRow = new Map(day.loads.map((l) => [l.row.id, l]));
  const now = figuresOf(t);
  const nowMs = Date.parse(day.request.now);
  const of = (w: DayWish): string | null => {
    const load = w.loadId ? byRow.get(w.loadId) : undefined;
    const title = load ? (titles.get(load.key) ?? '') : '';
    const at = w.at ? clock(w.at.getTime()) : '';
    if (w.loadId && !load && w.kind !== 'skip') return null;
    if (w.kind !== 'skip' && (w.until ?? w.at) && (w.until ?? w.at ?? new Date(0)).getTime() < nowMs - hourMs)
      return null;
    return wayWords.wish(w.kind, {
      title,
      at,
      until: w.until ? clock(w.until.getTime()) : '',
      who: day.people[(w.person ?? 1) - 1] ?? '',
    });
  };
  const said = day.wishes.flatMap((w) => {
    const text = of(w);
    return text === null ? [] : [{ w, text }];
  });
  return said.map(({ w, text }, i) => ({
    id: w.id,
    text,
    // What the newest word cost is told against the day as it was before it.
    cost: i === said.length - 1 && w.before ? costWords(w.before, now, currency) : '',
  }));
}
function costWords(before: DayFigures, now: DayFigures, currency: string): string {
  const later =
    before.finishMs !== null && now.finishMs !== null ? Math.round((now.finishMs - before.finishMs) / minuteMs) : 0;
  const turns = now.interruptions - before.interruptions;
  const dearer = now.energyMoney - before.energyMoney;
  const late = now.late.filter((g) => !before.late.includes(g)).length;
  const parts = [
    later >= 1
      ? `the day ends ${durationText(later)} later`
      : later <= -1
        ? `the day ends ${durationText(-later)} sooner`
        : '',
    turns > 0 ? `${plural(turns, 'turn')} more` : turns < 0 ? `${plural(-turns, 'turn')} fewer` : '',
    Math.abs(dearer) >= 0.005 ? `${money(Math.abs(dearer), currency)} ${dearer > 0 ? 'dearer' : 'cheaper'}` : '',
    late > 0 ? `${plural(late, 'piece')} late` : '',
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : 'nothing else changes';
}
