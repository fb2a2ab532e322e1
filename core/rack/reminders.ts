/** What the hands do next about what hangs, with the clock: never in quiet hours, but before them. */
import { daylightOn } from '../drying/daylight.ts';
import { dryHelpsOf } from './helps.ts';
import { turnEveryH, type HangingPiece, type PieceForecast } from './forecast.ts';

export const rackTasks = [
  'hang-up',
  'take-in',
  'iron-damp',
  'feel',
  'look-at-mark',
  'turn-flat',
  'turn-fold',
  'frames-out',
  'fluff-again',
] as const;
export type RackTask = (typeof rackTasks)[number];
export interface RackReminder {
  task: RackTask;
  atMs: number;
  pieces: string[];
}
/** Local clock hours between which nobody is called: from, to; over midnight where from > to. */
export type QuietHours = readonly (readonly [fromH: number, toH: number])[];

/** Where a household has said nothing, nobody is called at night. */
export const usualQuiet: QuietHours = [[22, 7]];

const hour = 3_600_000;
/** Pieces whose moment is this close are one errand. */
const togetherMs = 0.5 * hour;

/** Rain and wet cloth wait for nobody; what is turned is turned before people sleep; what may be dry waits until they are up. */
const whenQuiet: Record<RackTask, 'anyway' | 'before' | 'after' | 'not'> = {
  'hang-up': 'anyway',
  'take-in': 'anyway',
  'iron-damp': 'not',
  feel: 'after',
  'look-at-mark': 'after',
  'turn-flat': 'before',
  'turn-fold': 'before',
  'frames-out': 'after',
  'fluff-again': 'before',
};

const inQuiet = (quiet: QuietHours, h: number): readonly [number, number] | undefined =>
  quiet.find(([from, to]) => (from < to ? h >= from && h < to : h >= from || h < to));
/** The moment, or the first one after the quiet hours it falls into. */
export function afterQuiet(atMs: number, quiet: QuietHours, localHour: (ms: number) => number): number {
  const h = localHour(atMs);
  const span = inQuiet(quiet, h);
  return span ? atMs + ((span[1] - h + 24) % 24) * hour : atMs;
}
/** The moment, or the last one before the quiet hours it falls into; where that is gone by, the first one after them. */
export function outsideQuiet(
  atMs: number,
  nowMs: number,
  quiet: QuietHours,
  localHour: (ms: number) => number,
): number {
  const h = localHour(atMs);
  const span = inQuiet(quiet, h);
  if (!span) return atMs;
  const back = (h - span[0] + 24) % 24;
  const before = atMs - back * hour;
  return before >= nowMs ? before : afterQuiet(atMs, quiet, localHour);
}
/** The moment, if it is light then; else the next morning's. */
export function whenLight(atMs: number, localHour: (ms: number) => number, monthOf: (ms: number) => number): number {
  const { fromH, toH } = daylightOn(monthOf(atMs));
  const h = localHour(atMs);
  if (h >= fromH && h <= toH) return atMs;
  return atMs + ((fromH - h + 24) % 24) * hour;
}

export interface RackClock {
  nowMs: number;
  quiet: QuietHours;
  /** Clock hours of the household at a moment, 0–24. */
  localHour: (ms: number) => number;
  /** Month of the household at a moment, 1–12. */
  monthOf: (ms: number) => number;
  /** When rain or night ends drying out of doors; null = nothing comes. */
  takeInMs: number | null;
}
export interface RemindedPiece extends HangingPiece {
  forecast: PieceForecast;
  outdoors: boolean;
  /** A mark is to be looked at once it is dry. */
  marked: boolean;
  turnedMs: number | null;
}

/** Everything that is due, soonest first; what is due about the same time is one errand. */
export function remindersOf(pieces: readonly RemindedPiece[], c: RackClock): RackReminder[] {
  const single: RackReminder[] = [];
  for (const p of pieces) {
    const add = (task: RackTask, atMs: number): void => {
      const way = whenQuiet[task];
      if (way === 'not' && inQuiet(c.quiet, c.localHour(atMs))) return;
      const calm =
        way === 'before'
          ? outsideQuiet(atMs, c.nowMs, c.quiet, c.localHour)
          : way === 'after' && atMs > c.nowMs
            ? afterQuiet(atMs, c.quiet, c.localHour)
            : atMs;
      single.push({ task, atMs: calm, pieces: [p.id] });
    };
    if (p.hungMs === null) {
      add('hang-up', c.nowMs);
      continue;
    }
    const { hours, ironHours } = p.forecast;
    if (p.outdoors && c.takeInMs !== null && (hours === null || c.nowMs + hours.likely * hour > c.takeInMs))
      add('take-in', c.takeInMs);
    if (ironHours !== null && !p.marked) add('iron-damp', c.nowMs + ironHours * hour);
    if (hours === null) continue;
    const readyMs = c.nowMs + hours.likely * hour;
    add('feel', readyMs);
    if (p.marked) add('look-at-mark', whenLight(readyMs, c.localHour, c.monthOf));
    const wholeH = (readyMs - p.hungMs) / hour;
    for (const { help, atH } of dryHelpsOf(p.profile, p.placement.position, wholeH, turnEveryH)) {
      const at = p.hungMs + atH * hour;
      // Turned after the moment was due, it is done; missed, it is due now.
      if (p.turnedMs !== null && help !== 'frames-out' && p.turnedMs >= at - 3 * hour) continue;
      add(help, Math.max(c.nowMs, at));
    }
  }
  single.sort((a, b) => a.atMs - b.atMs || rackTasks.indexOf(a.task) - rackTasks.indexOf(b.task));
  const errands: RackReminder[] = [];
  for (const r of single) {
    const with_ = errands.find((e) => e.task === r.task && r.atMs - e.atMs <= togetherMs);
    if (!with_) errands.push({ ...r });
    else if (!with_.pieces.includes(r.pieces[0] ?? '')) with_.pieces.push(...r.pieces);
  }
  return errands;
}
