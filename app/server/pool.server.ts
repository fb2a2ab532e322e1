/** The planning threads. What somebody waits for has threads of its own; what is only good to know later has one, which steps back. */
import path from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { Progress } from '@core/solve/solve.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import type { Timetable } from '@core/model/timetable.ts';
import type { DayTask, PlanAnswer, PlanNews, PlanTask } from '../../workers/plan.worker.ts';

export type Urgency = 'waited-for' | 'later';
/** So many wait at most: each household sorts once at a time, and asks about one plan's rules at a time. */
const longestQueue: Record<Urgency, number> = { 'waited-for': 32, later: 256 };
const pools = new Map<Urgency, Piscina>();
function threads(urgency: Urgency): Piscina {
  const known = pools.get(urgency);
  if (known) return known;
  const later = urgency === 'later';
  const fresh = import.meta.env.PROD
    ? new Piscina({
        filename: path.resolve('build/server/plan.worker.js'),
        minThreads: later ? 0 : 1,
        maxThreads: later ? 1 : 2,
        maxQueue: longestQueue[urgency],
        idleTimeout: 60_000,
        niceIncrement: later ? 10 : 5, // whoever looks at a page comes first, on a machine with few processors too
      })
    : new Piscina({
        filename: path.resolve('workers/plan.worker.ts'),
        execArgv: ['--import', 'tsx'],
        minThreads: 0,
        maxThreads: 1,
        idleTimeout: 60_000,
      });
  pools.set(urgency, fresh);
  return fresh;
}

export interface PlanWish {
  urgency: Urgency;
  signal?: AbortSignal;
  onProgress?: (p: Progress) => void;
  /** Gets the first plan that comes to hand. */
  onFirst?: (plan: PlanDocument) => void;
  /** One number that is set to 1 when the best so far is enough. */
  enough?: SharedArrayBuffer;
}
/** Plan in the pool; `signal` gives up. A stored household that is no valid document is a bug and throws. */
export async function planInPool(
  hamper: HamperDocument,
  { urgency, signal, onProgress, onFirst, enough }: PlanWish,
): Promise<PlanDocument> {
  const channel = onProgress || onFirst ? new MessageChannel() : null;
  channel?.port1.on('message', (news: PlanNews) => {
    if ('first' in news) onFirst?.(news.first);
    else onProgress?.(news.progress);
  });
  try {
    const task: PlanTask = {
      hamper,
      ...(channel ? { watch: channel.port2 } : {}),
      ...(onFirst ? { first: true } : {}),
      ...(enough ? { enough } : {}),
    };
    const pool = threads(urgency);
    if (pool.queueSize >= longestQueue[urgency])
      throw new Response('Many households are sorting just now. Try again in a minute.', {
        status: 503,
        headers: { 'Retry-After': '60' },
      });
    const answer = (await pool.run(task, {
      ...(signal ? { signal } : {}),
      ...(channel ? { transferList: [channel.port2] } : {}),
    })) as PlanAnswer;
    if (!answer.ok) throw new Error(`the stored household is not a valid document: ${answer.problem}`);
    return answer.plan;
  } finally {
    channel?.port1.close();
  }
}
/** The hours of a day, off the thread that answers pages. */
export async function hoursInPool(task: DayTask): Promise<Timetable> {
  const pool = threads('waited-for');
  if (pool.queueSize >= longestQueue['waited-for'])
    throw new Response('Many households are planning just now. Try again in a minute.', {
      status: 503,
      headers: { 'Retry-After': '60' },
    });
  return (await pool.run(task)) as Timetable;
}
export async function closePool(): Promise<void> {
  await Promise.all([...pools.values()].map((p) => p.close()));
  pools.clear();
}
