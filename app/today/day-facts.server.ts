/** What every part of the page asks of a day: its clock times, the names of its loads, what is over, whose hands come next. */
import { loadName } from '@core/plan/load-name.ts';
import { profileOf } from '@core/piece/profile.ts';
import type { TaskProgress, Timetable, TimetableTask } from '@core/model/timetable.ts';
import { oneTurnMin } from '@core/timetable/spans.ts';
import { zoneClock } from '@formats/dates.ts';
import { garmentOf } from '@formats/hamper.ts';
import { titleOf } from '@words/text.ts';
import type { DayFigures } from '@data/schema.ts';
import { clockText, weekday } from '../shared/words.ts';
import type { Day, DayLoad } from './day.server.ts';

export const minuteMs = 60_000;
export const hourMs = 60 * minuteMs;

export interface DayFacts {
  day: Day;
  t: Timetable;
  zone: string;
  nowMs: number;
  /** By the timetable's name of a load. */
  loads: ReadonlyMap<string, DayLoad>;
  titles: ReadonlyMap<string, string>;
  happened: ReadonlyMap<string, TaskProgress>;
  isAhead: (task: TimetableTask) => boolean;
  /** Attended tasks that are still to come. */
  ahead: TimetableTask[];
  /** "18:05", or with its day where that is not today. */
  clock: (ms: number) => string;
  nameOf: (person: number | null) => string | null;
}

function loadTitles(day: Day): Map<string, string> {
  return new Map(
    day.loads.map((l) => {
      const profiles = l.garments.map((g) => profileOf(garmentOf(g), day.household.rules));
      return [l.key, titleOf(loadName(profiles, { celsius: l.load.temperatureC, method: l.load.method }))];
    }),
  );
}

export function dayFacts(day: Day, t: Timetable): DayFacts {
  const zone = day.view.timeZone;
  const nowMs = Date.parse(day.request.now);
  const midnight = zoneClock(new Date(nowMs), zone)(0, 0);
  const happened = new Map(day.progress.map((p) => [p.task, p]));
  const isAhead = (x: TimetableTask): boolean => happened.get(x.id)?.endedMs == null;
  return {
    day,
    t,
    zone,
    nowMs,
    loads: new Map(day.loads.map((l) => [l.key, l])),
    titles: loadTitles(day),
    happened,
    isAhead,
    ahead: t.tasks.filter((x) => x.attended && isAhead(x)).sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs),
    clock: (ms) => {
      const text = clockText(new Date(ms), zone);
      const days = Math.floor((ms - midnight) / (24 * hourMs));
      return days <= 0 ? text : `${weekday(new Date(ms), zone).slice(0, 3)} ${text}`;
    },
    nameOf: (person) => (person === null ? null : (day.people[person - 1] ?? `Person ${person}`)),
  };
}

/** Attended tasks that are still to come, in turns. */
export function turnsAhead(tasks: readonly TimetableTask[]): TimetableTask[][] {
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

/** What a day costs, as far as a change of it is told by it. */
export const figuresOf = (t: Timetable): DayFigures => ({
  finishMs: t.finishMs,
  interruptions: t.figures.interruptions,
  energyMoney: t.figures.energyMoney,
  late: t.late.map((l) => l.garment),
});
