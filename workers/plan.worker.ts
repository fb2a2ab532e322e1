/** Planning off the main thread: a hamper document in, what the page needs out. The same core as everywhere; runs in a pool of server threads. */
import type { MessagePort } from 'node:worker_threads';
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { planHamper, type PlanDocument } from '@formats/plan.ts';
import type { Progress } from '@core/solve/solve.ts';

/** `watch` = where to tell how far it is; without it nobody asks. */
export interface PlanTask {
  hamper: HamperDocument;
  watch?: MessagePort;
}
export type PlanAnswer = { ok: true; plan: PlanDocument } | { ok: false; problem: string };

/** Between two reports at least, milliseconds. */
const reportEvery = 250;

export default function plan({ hamper, watch }: PlanTask): PlanAnswer {
  const read = readHamperValue(hamper);
  if (!read.ok) return { ok: false, problem: read.problems.map((p) => `${p.path}: ${p.message}`).join('\n') };
  let told = 0;
  const report =
    watch &&
    ((p: Progress): void => {
      if (performance.now() - told < reportEvery) return;
      told = performance.now();
      watch.postMessage(p);
    });
  return { ok: true, plan: planHamper(read.value, report ?? null) };
}
