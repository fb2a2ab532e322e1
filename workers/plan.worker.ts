/** Planning off the main thread: a hamper document in, what the page needs out. The same core as everywhere; runs in a pool of server threads. */
import type { MessagePort } from 'node:worker_threads';
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { planHamper, type PlanDocument } from '@formats/plan.ts';
import { timetableOf, type TimetableRequest } from '@core/timetable/timetable.ts';
import type { Timetable } from '@core/model/timetable.ts';
import { zoneClock } from '@formats/dates.ts';
import { noTools, type Progress, type SolveTools } from '@core/solve/solve.ts';
import loadHighs from 'highs';
import { partitionBy } from './partition.ts';

/** `watch` = where to tell how far it is; `enough` = one number that whoever waits sets to 1 when the best so far will do. Without them nobody asks. */
export interface PlanTask {
  hamper: HamperDocument;
  watch?: MessagePort;
  enough?: SharedArrayBuffer;
  /** Tell the first plan that comes to hand, too. */
  first?: boolean;
}
/** What is told while somebody waits. */
export type PlanNews = { first: PlanDocument } | { progress: Progress };
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
  let untold = first === true;
  const tell = (news: PlanNews): void => watch?.postMessage(news);
  const stop = enough && new Int32Array(enough);
  const tools: SolveTools<PlanDocument> = {
    watch: (progress, soFar) => {
      const known = Number.isFinite(progress.cost);
      if (untold && known) tell({ first: soFar() });
      untold &&= !known;
      if (performance.now() - told >= reportEvery) {
        told = performance.now();
        tell({ progress });
      }
      return known && stop !== undefined && Atomics.load(stop, 0) === 1;
    },
    partition,
  };
  return { ok: true, plan: planHamper(read.value, watch || enough ? tools : { ...noTools, partition }) };
}
