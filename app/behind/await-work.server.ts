/** Ordering work from a page, and waiting for it as long as a page waits. */
import { setTimeout as sleep } from 'node:timers/promises';
import { lookInHousehold, NotOpened, type Door } from '@data/client.ts';
import { findWork, type WorkKind, type WorkState } from '@data/works.ts';
import { order } from '../server/queue.server.ts';

const askMs = 80;

/** Somebody waits for a plan and for piles; what house rules cost is good to know later. */
export const queueOf = (kind: WorkKind): 'waited-for' | 'later' => (kind === 'insights' ? 'later' : 'waited-for');

/** Put ordered work into the queue: after the transaction that ordered it. When the queue does not answer, the work is taken up in a while. */
export const sendWork = (door: Door, kind: WorkKind, workId: string): Promise<void> =>
  order(queueOf(kind), { householdId: door.householdId, workId }).catch(() => undefined);

/** How it stands with it when it is over, or when patience is. */
export async function awaitWork(door: Door, workId: string, patienceMs: number): Promise<WorkState> {
  const until = Date.now() + patienceMs;
  for (let ask = askMs; ; ask = Math.min(ask * 1.4, 600)) {
    const state = await lookInHousehold(door, (tx) => findWork(tx, workId)).then(
      (w) => w?.state ?? 'stopped',
      (error: unknown) => {
        if (error instanceof NotOpened) return 'stopped' as const;
        throw error;
      },
    );
    if ((state !== 'queued' && state !== 'active') || Date.now() + ask > until) return state;
    await sleep(ask);
  }
}
