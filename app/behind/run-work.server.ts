/** What a server does with work from the queue: begin it if it is still to be had, show a sign of life, store what came of it. */
import { setInterval } from 'node:timers';
import { inHousehold, isUnavailable, NotOpened, type Door } from '@data/client.ts';
import { beat, beginWork, failWork, finishWork, returnWork, takeUpWork, type Begun } from '@data/works.ts';
import { log } from '../server/log.server.ts';
import { order, orderTimed, takePart, type Orders } from '../server/queue.server.ts';
import { queueOf } from './await-work.server.ts';
import { sendByMail } from './mail.server.ts';
import { callOut } from './reminders.server.ts';
import { tasks, type Progress } from './tasks.server.ts';

const beatMs = 1_000;
const lookMs = 5_000;

const underWay = new Set<AbortController>();
let closing = false;

async function doWork({ householdId, workId }: Orders['waited-for']): Promise<void> {
  const door: Door = { householdId, key: { by: 'work', proof: workId } };
  const begun = await inHousehold(door, (tx) => beginWork(tx, workId, new Date())).catch((error: unknown) => {
    if (error instanceof NotOpened) return null; // stopped, done, or its household is gone
    throw error;
  });
  if (!begun) return;
  const giveUp = new AbortController();
  underWay.add(giveUp);
  const enough = new Int32Array(new SharedArrayBuffer(4));
  let progress: Progress | null = null;
  const showLife = (): void => {
    inHousehold(door, (tx) => beat(tx, begun, progress, new Date()))
      .then((answer) => {
        if (!answer) giveUp.abort();
        else if (answer.enough) Atomics.store(enough, 0, 1);
      })
      .catch((error: unknown) => {
        // Only a closed door ends it: a database that is away for a moment is waited for.
        if (error instanceof NotOpened) giveUp.abort();
      });
  };
  const pulse = setInterval(showLife, beatMs);
  try {
    const { result, store } = await tasks[begun.kind](begun, door, {
      signal: giveUp.signal,
      enough: enough.buffer,
      tell: (p, atOnce = false) => {
        progress = p;
        if (atOnce) showLife();
      },
    });
    await inHousehold(door, async (tx) => {
      if ((await finishWork(tx, begun, result, new Date())) && store) await store(tx);
    });
  } catch (error) {
    await endBadly(door, begun, giveUp.signal, error);
  } finally {
    clearInterval(pulse);
    underWay.delete(giveUp);
  }
}
async function endBadly(door: Door, begun: Begun, signal: AbortSignal, error: unknown): Promise<void> {
  if (error instanceof NotOpened || (signal.aborted && !closing)) return;
  const back = closing || isUnavailable(error) || error instanceof Response;
  if (!back) log.error({ err: error, kind: begun.kind }, 'work failed');
  await inHousehold(door, (tx) =>
    back
      ? returnWork(tx, begun)
      : failWork(tx, begun, 'It could not be worked out. Nothing you stored is lost.', new Date()),
  ).catch(() => undefined); // its sign of life is missing from now on: another server takes it up
}

let looking: NodeJS.Timeout | undefined;
/** Take part in the work of the service, and look for work whose server is gone. */
export async function beginWorking(): Promise<void> {
  await takePart({
    'waited-for': { doAtOnce: 2, work: doWork },
    later: { doAtOnce: 1, work: doWork },
    timed: { doAtOnce: 1, work: callOut },
    mail: { doAtOnce: 1, work: sendByMail },
  });
  looking = setInterval(() => {
    takeUpWork()
      .then((orphans) =>
        Promise.all(orphans.map(({ householdId, workId, kind }) => order(queueOf(kind), { householdId, workId }))),
      )
      .catch(() => undefined); // asked again in a moment
    void orderTimed().catch(() => undefined);
  }, lookMs);
}
/** What this server has not finished goes back to the queue. */
export function stopWorking(): void {
  closing = true;
  clearInterval(looking);
  for (const giveUp of underWay) giveUp.abort();
}
