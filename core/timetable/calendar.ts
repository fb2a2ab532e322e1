/** The hours of a wash day: when nobody is called, who is out, when shared machines may run, when it is light and dry outdoors, when current is cheap. */
import type { ClockSpan, Household, Span } from '../model/household.ts';
import { gapsOf, joined, type Stretch } from './spans.ts';

/** ms of a clock hour (0–24 and beyond) on the day so many days after the one of now. */
export type LocalClock = (day: number, hour: number) => number;

const minuteMs = 60_000;
const dayMs = 24 * 60 * minuteMs;
/** How far a timetable looks ahead, days. */
export const horizonDays = 21;

/**
 * The clock of a time with a fixed offset, as the open formats have it.
 * @example fixedClock('2026-05-09T08:00:00+02:00')(0, 22) // ms of 2026-05-09T22:00+02:00
 */
export function fixedClock(now: string): LocalClock {
  const sign = /([+-])(\d\d):?(\d\d)$/.exec(now);
  const offsetMs = sign ? (sign[1] === '-' ? -1 : 1) * (Number(sign[2]) * 60 + Number(sign[3])) * minuteMs : 0;
  const midnight = Math.floor((Date.parse(now) + offsetMs) / dayMs) * dayMs - offsetMs;
  return (day, hour) => midnight + day * dayMs + hour * 60 * minuteMs;
}

/** Hours out of doors where nobody foretells the weather. */
export const usualOutdoorHours: ClockSpan = [7, 19];

export interface CalendarRequest {
  household: Pick<Household, 'times' | 'tariff' | 'washers'>;
  nowMs: number;
  clock: LocalClock;
  /** Who is out when, besides when all are; `person` from 1. */
  out?: readonly (Span & { person: number })[];
  /** When cloth may hang outdoors; missing = in the usual hours of every day. */
  outdoors?: readonly Span[];
}
export interface Calendar {
  /** No drum turns. */
  quiet: readonly Stretch[];
  /** By person: no hands. */
  people: readonly (readonly Stretch[])[];
  /** By washer: it does not run. */
  washers: ReadonlyMap<string, readonly Stretch[]>;
  /** Nothing hangs outdoors. */
  indoorsOnly: readonly Stretch[];
  cheap: readonly Stretch[];
  endMin: number;
}

export function calendarOf({ household, nowMs, clock, out = [], outdoors }: CalendarRequest): Calendar {
  const { times, tariff } = household;
  const minutes = (ms: number): number => (ms - nowMs) / minuteMs;
  const stretch = (s: Span): Stretch => ({ from: minutes(s.fromMs), to: minutes(s.toMs) });
  const endMin = minutes(clock(horizonDays, 0));
  const days = Array.from({ length: horizonDays + 2 }, (_, d) => d - 1);
  const daily = (spans: readonly ClockSpan[]): Stretch[] =>
    joined(
      days.flatMap((d) =>
        spans.flatMap(([from, to]) =>
          from === to ? [] : [{ from: minutes(clock(d, from)), to: minutes(clock(from < to ? d : d + 1, to)) }],
        ),
      ),
    );
  const quiet = daily(times.quietHours);
  const allOut = times.away.map(stretch);
  const people = Array.from({ length: times.people }, (_, p) =>
    joined([...quiet, ...allOut, ...out.filter((o) => o.person === p + 1).map(stretch)]),
  );
  const washers = new Map(
    household.washers.map((w) => {
      const slots = joined(times.slots.filter((s) => s.washer === w.id).map(stretch));
      // Beyond the last slot there is none.
      const shut = slots.length > 0 ? gapsOf(slots, -dayMs / minuteMs, Number.MAX_SAFE_INTEGER) : [];
      return [w.id, joined([...quiet, ...shut])] as const;
    }),
  );
  const open = outdoors ? joined(outdoors.map(stretch)) : daily([usualOutdoorHours]);
  return {
    quiet,
    people,
    washers,
    indoorsOnly: gapsOf(open, -2 * 24 * 60, Number.MAX_SAFE_INTEGER),
    cheap: daily(tariff.cheapHours),
    endMin,
  };
}
