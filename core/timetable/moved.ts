/** What a day looks like now against what was promised: what went otherwise, and what moves for it. */
import type { TaskKind, Timetable } from '../model/timetable.ts';

/** A task as it was promised. */
export interface PromisedTask {
  id: string;
  kind: TaskKind;
  load: string | null;
  startMs: number;
  endMs: number;
}
export type DeviationKind = 'late' | 'early' | 'longer' | 'shorter' | 'damp' | 'gone';
export interface Deviation {
  what: DeviationKind;
  task: string;
  load: string | null;
  minutes: number;
}
export interface Move {
  task: string;
  load: string | null;
  kind: TaskKind;
  fromMs: number;
  toMs: number;
}
export interface Moved {
  because: Deviation[];
  moves: Move[];
  /** How much later the day ends, min. */
  finishMin: number;
}
/** Less than this nobody calls a change, min. */
export const saidFromMin = 5;
const minuteMs = 60_000;
/** What people look at the clock for. */
const told: readonly TaskKind[] = ['load', 'wash', 'hand-wash', 'tumble'];

export const promiseOf = (t: Timetable): PromisedTask[] =>
  t.tasks.map(({ id, kind, load, startMs, endMs }) => ({ id, kind, load, startMs, endMs }));

/**
 * When the work of each load was promised to begin, by load; of what is no load, by its kind.
 */
export function promisedStarts(promised: readonly PromisedTask[]): Map<string, number> {
  const out = new Map<string, number>();
  const firstSteps = ['air', 'load', 'fill', 'hand-wash'];
  for (const p of promised) {
    const [key, step] = p.load === null ? [p.id, p.id] : [p.load, p.id.slice(p.load.length + 1)];
    if (p.load !== null && !firstSteps.includes(step)) continue;
    out.set(key, Math.min(p.startMs, out.get(key) ?? Infinity));
  }
  return out;
}

/**
 * @param happened ids of the tasks that have begun or are over.
 * @example whatMoved(promise, now, started).because // [{ what: 'longer', task: 'L1.wash', load: 'L1', minutes: 9 }]
 */
export function whatMoved(promised: readonly PromisedTask[], t: Timetable, happened: ReadonlySet<string>): Moved {
  const before = new Map(promised.map((p) => [p.id, p]));
  const here = new Set(t.tasks.map((x) => x.id));
  const because: Deviation[] = [];
  const moves: Move[] = [];
  for (const x of t.tasks) {
    const was = before.get(x.id);
    if (!was) continue;
    const late = Math.round((x.startMs - was.startMs) / minuteMs);
    const longer = Math.round((x.endMs - x.startMs - (was.endMs - was.startMs)) / minuteMs);
    const say = (what: DeviationKind, minutes: number): void => {
      because.push({ what, task: x.id, load: x.load, minutes: Math.abs(minutes) });
    };
    if (happened.has(x.id)) {
      if (x.kind === 'wash' || x.kind === 'hand-wash' || x.kind === 'tumble') {
        if (Math.abs(late) >= saidFromMin) say(late > 0 ? 'late' : 'early', late);
        if (Math.abs(longer) >= saidFromMin) say(longer > 0 ? 'longer' : 'shorter', longer);
      } else if (x.kind === 'dry' && longer >= dampFromMin) say('damp', longer);
    } else if (told.includes(x.kind) && Math.abs(late) >= saidFromMin)
      moves.push({ task: x.id, load: x.load, kind: x.kind, fromMs: was.startMs, toMs: x.startMs });
  }
  // A load that is not on the day any more was left out, or sorted anew.
  const loads = new Set(
    promised.flatMap((p) =>
      (p.kind === 'wash' || p.kind === 'hand-wash') && p.load !== null && !here.has(p.id) ? [p.load] : [],
    ),
  );
  for (const load of loads) because.push({ what: 'gone', task: load, load, minutes: 0 });
  const end = Math.max(0, ...promised.map((p) => p.endMs));
  return {
    because,
    // Of a load that is filled, run and emptied its run is said, once.
    moves: moves.filter((m) => m.kind !== 'load' || !moves.some((o) => o.load === m.load && o.kind !== 'load')),
    finishMin: t.finishMs === null ? 0 : Math.round((t.finishMs - end) / minuteMs),
  };
}
/** Drying is foretold as a range: only much more is still damp, min. */
const dampFromMin = 60;
