/** The pool of planning threads, so that a large basket does not hold up other pages. */
import path from 'node:path';
import { Piscina } from 'piscina';
import type { HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import type { PlanAnswer, PlanTask } from '../../workers/plan.worker.ts';

let pool: Piscina | undefined;
function threads(): Piscina {
  pool ??= import.meta.env.PROD
    ? new Piscina({ filename: path.resolve('build/server/plan.worker.js'), minThreads: 1, maxThreads: 2, idleTimeout: 60_000 })
    : new Piscina({ filename: path.resolve('workers/plan.worker.ts'), execArgv: ['--import', 'tsx'], minThreads: 0, maxThreads: 1, idleTimeout: 60_000 });
  return pool;
}

/** Plan in the pool; `signal` gives up. A stored household that is no valid document is a bug and throws. */
export async function planInPool(hamper: HamperDocument, signal?: AbortSignal): Promise<PlanDocument> {
  const task: PlanTask = { hamper };
  const answer = (await threads().run(task, signal ? { signal } : {})) as PlanAnswer;
  if (!answer.ok) throw new Error(`the stored household is not a valid document: ${answer.problem}`);
  return answer.plan;
}
export async function closePool(): Promise<void> {
  await pool?.close();
  pool = undefined;
}
