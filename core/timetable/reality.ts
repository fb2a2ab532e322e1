/** What has happened of a day, told from the loads and from what is wet: the clocks of the benches are the clocks of the timetable. */
import type { TaskProgress } from '../model/timetable.ts';
import { machineTimes } from '../plan/procedure.ts';
import { handMinutes } from './work.ts';

export interface LoadReality {
  /** As the timetable calls it. */
  id: string;
  method: 'machine' | 'hand';
  status: 'planned' | 'running' | 'finished';
  startedMs: number | null;
  /** When its clock ends. */
  endsMs: number | null;
  /** When the machine had ended, where somebody or something said so. */
  endedMs: number | null;
  /** Out of the water. */
  finishedMs: number | null;
  /** Everything that is asked of it was looked at. */
  looked: boolean;
  /** When the last of its marks was treated; null = they were not, or there are none. */
  marksMs: number | null;
}
export interface PieceReality {
  garment: string;
  load: string;
  /** Between the water and the cupboard; false = it is put away, or gone another way. */
  here: boolean;
  tumbles: boolean;
  /** In a dryer just now. */
  tumbling: { startedMs: number; endsMs: number } | null;
  hungMs: number | null;
  expectedMs: number | null;
  turnedMs: number | null;
  dryMs: number | null;
  pressedMs: number | null;
}
const minuteMs = 60_000;
/** Hands at the drum before and after a run, as the timetable counts them. */
const loadMs = (machineTimes.loadMin + machineTimes.doseMin + handMinutes.start) * minuteMs;
const takeOutMs = handMinutes.takeOut * minuteMs;

const done = (task: string, endedMs: number, lastedMs = 0): TaskProgress => ({
  task,
  startedMs: endedMs - lastedMs,
  endedMs,
});
const underWay = (task: string, startedMs: number, expectedMs: number | null): TaskProgress => ({
  task,
  startedMs,
  endedMs: null,
  expectedMs,
});

function ofLoad(l: LoadReality, pieces: readonly PieceReality[]): TaskProgress[] {
  const id = (task: string): string => `${l.id}.${task}`;
  if (l.status === 'planned' || l.startedMs === null)
    return l.marksMs === null ? [] : [done(id('pretreat'), l.marksMs), done(id('marks'), l.marksMs)];
  const began = l.startedMs - (l.method === 'machine' ? loadMs : 0);
  const before = [done(id('pretreat'), began), done(id('marks'), began), done(id('air'), began)];
  const ended =
    l.endedMs ?? (l.status === 'finished' ? Math.min(l.endsMs ?? Infinity, l.finishedMs ?? Infinity) : null);
  const bath: TaskProgress[] =
    l.method === 'machine'
      ? [
          done(id('load'), l.startedMs, loadMs),
          ended === null ? underWay(id('wash'), l.startedMs, l.endsMs) : done(id('wash'), ended, ended - l.startedMs),
        ]
      : [
          done(id('fill'), l.startedMs),
          done(id('soak'), l.startedMs),
          l.finishedMs === null
            ? underWay(id('hand-wash'), l.startedMs, l.endsMs)
            : done(id('hand-wash'), l.finishedMs, l.finishedMs - l.startedMs),
        ];
  if (l.status === 'running' || l.finishedMs === null) return [...before, ...bath];
  const out = l.finishedMs;
  const airing = pieces.filter((p) => !p.tumbles);
  const waiting = airing.some((p) => p.here && p.hungMs === null && p.dryMs === null);
  const hung = Math.max(out, ...airing.map((p) => p.hungMs ?? out));
  return [
    ...before,
    ...bath,
    ...(l.method === 'machine' ? [done(id('take-out'), out, takeOutMs), done(id('rinse'), out)] : []),
    ...(l.looked ? [done(id('inspect'), out)] : []),
    ...(waiting ? [] : [done(id('hang'), hung), done(id('lay-flat'), hung)]),
  ];
}

function ofPiece(p: PieceReality, out: number, nowMs: number): TaskProgress[] {
  const id = (task: string): string => `${p.load}.${task}.${p.garment}`;
  const all: TaskProgress[] = [];
  const dryMs = p.dryMs ?? (p.here ? null : nowMs);
  const hungMs = p.hungMs ?? (dryMs === null ? null : Math.min(out, dryMs));
  if (p.tumbles) {
    const of = (task: string): string => `${p.load}.${task}`;
    if (p.tumbling)
      all.push(
        done(of('dryer-load'), p.tumbling.startedMs),
        underWay(of('tumble'), p.tumbling.startedMs, p.tumbling.endsMs),
      );
    else if (dryMs !== null)
      all.push(...['dryer-load', 'tumble', 'tumble-out', 'cool-check'].map((t) => done(of(t), dryMs)));
  } else if (hungMs !== null) {
    if (p.turnedMs !== null) all.push(done(`${id('flip')}.1`, p.turnedMs));
    all.push(dryMs === null ? underWay(id('dry'), hungMs, p.expectedMs) : done(id('dry'), dryMs, dryMs - hungMs));
  }
  if (p.pressedMs !== null) all.push(done(id('press'), p.pressedMs));
  if (!p.here) {
    if (p.pressedMs === null) all.push(done(id('press'), nowMs));
    all.push(done(id('put-away'), nowMs));
  }
  return all;
}

/** Progress by task id; of a task told twice (a dryer holds many pieces) the first word counts. */
export function realityOf(
  loads: readonly LoadReality[],
  pieces: readonly PieceReality[],
  nowMs: number,
): TaskProgress[] {
  const all = loads.flatMap((l) => {
    const own = pieces.filter((p) => p.load === l.id);
    const out = l.finishedMs;
    return [...ofLoad(l, own), ...(out === null ? [] : own.flatMap((p) => ofPiece(p, out, nowMs)))];
  });
  const once = new Map<string, TaskProgress>();
  for (const p of all) if (!once.has(p.task)) once.set(p.task, { ...p, startedMs: Math.min(p.startedMs, nowMs) });
  return [...once.values()];
}
