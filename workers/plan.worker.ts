/** Planning off the main thread: a hamper document in, what the page needs out. The same core as everywhere; runs in a pool of server threads. */
import type { MessagePort } from 'node:worker_threads';
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { planHamper, type PlanDocument } from '@formats/plan.ts';
import { timetableOf, type TimetableRequest } from '@core/timetable/timetable.ts';
import type { Timetable } from '@core/model/timetable.ts';
import { zoneClock } from '@formats/dates.ts';
import type { SolveTools, Watch } from '@core/solve/solve.ts';
import loadHighs from 'highs';
import { partitionBy } from './partition.ts';

/** `watch` = where to tell how far it is; `enough` = one number that whoever waits sets to 1 when the best so far will do. Without them nobody asks. */
export interface PlanTask {
  hamper: HamperDocument;
  watch?: MessagePort;
  enough?: SharedArrayBuffer;
  /** The first plan that comes to hand will do. */
  first?: boolean;
}
export type PlanAnswer = { ok: true; plan: PlanDocument } | { ok: false; problem: string };

/** The hours of a day; its clock is that of a zone. */
export interface DayTask {
  day: Omit<TimetableRequest, 'clock'>;
  timeZone: string;
}

/** Between two reports at least, milliseconds. */
const reportEvery = 250;

export default function work(task: PlanTask | DayTask): PlanAnswer | Timetable {
  return 'day' in task ? hours(task) : plan(task);
}
const hours = ({ day, timeZone }: DayTask): Timetable =>
  timetableOf({ ...day, clock: zoneClock(new Date(day.now), timeZone) });

/** Loaded once, when the thread starts. */
const partition = partitionBy(await loadHighs());

function plan({ hamper, watch, enough, first }: PlanTask): PlanAnswer {
  const read = readHamperValue(hamper);
  if (!read.ok) return { ok: false, problem: read.problems.map((p) => `${p.path}: ${p.message}`).join('\n') };
  let told = 0;
  const stop = enough && new Int32Array(enough);
  const report: Watch = (p) => {
    if (watch && performance.now() - told >= reportEvery) {
      told = performance.now();
      watch.postMessage(p);
    }
    return Number.isFinite(p.cost) && (first === true || (stop !== undefined && Atomics.load(stop, 0) === 1));
  };
  const tools: SolveTools = { watch: watch || enough || first ? report : null, partition };
  return { ok: true, plan: planHamper(read.value, tools) };
}
