/** Ordering work from a page, and waiting for it as long as a page waits. */
import { setTimeout as sleep } from 'node:timers/promises';
import { lookInHousehold, NotOpened, type Door } from '@data/client.ts';
import { findWork, type Work, type WorkKind, type WorkState } from '@data/works.ts';
import { order } from '../server/queue.server.ts';

const askMs = 80;

/** Somebody waits for a plan and for piles; what house rules cost is good to know later. */
export const queueOf = (kind: WorkKind): 'waited-for' | 'later' => (kind === 'insights' ? 'later' : 'waited-for');

/** Put ordered work into the queue: after the transaction that ordered it. When the queue does not answer, the work is taken up in a while. */
export const sendWork = (door: Door, kind: WorkKind, workId: string): Promise<void> =>
  order(queueOf(kind), { householdId: door.householdId, workId }).catch(() => undefined);

/** How it stands with it when it is over, when patience is, or when there is `enough` of it to go on with. */
export async function awaitWork(
  door: Door,
  workId: string,
  patienceMs: number,
  enough: (progress: Work['progress'], waitedMs: number) => boolean = () => false,
): Promise<WorkState> {
  const begun = Date.now();
  for (let ask = askMs; ; ask = Math.min(ask * 1.4, 600)) {
    const work = await lookInHousehold(door, (tx) => findWork(tx, workId)).catch((error: unknown) => {
      if (error instanceof NotOpened) return null;
      throw error;
    });
    const state = work?.state ?? 'stopped';
    const waited = Date.now() - begun;
    if ((state !== 'queued' && state !== 'active') || waited + ask > patienceMs) return state;
    if (enough(work?.progress ?? null, waited)) return state;
    await sleep(ask);
  }
}
