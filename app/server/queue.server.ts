/**
 * The queue of work, in the database: what one server orders, any server does. Letters leave through it, plans are made through it
 * (app/behind), and what has to happen at its moment is looked for twice a minute, by one of them.
 */
import PgBoss from 'pg-boss';
import { currentUrl, whenTurned } from '@data/servers.ts';
import { log } from './log.server.ts';

export type QueueName = 'waited-for' | 'later' | 'timed' | 'mail';
export interface Letter {
  to: string;
  subject: string;
  text: string;
}
/** What is ordered, by queue. */
export interface Orders {
  'waited-for': { householdId: string; workId: string };
  later: { householdId: string; workId: string };
  timed: Record<string, never>;
  mail: Letter;
}
type Handlers = { [Q in QueueName]: { doAtOnce: number; work: (order: Orders[Q]) => Promise<void> } };

/** As scripts/lib/queues.mjs makes it. */
const schema = 'queue';
const connections = 6;
let boss: Promise<PgBoss> | undefined;
const workers = new Map<QueueName, string[]>();
/** What this server does, so that it goes on when the queue has moved. */
let doing: Handlers | undefined;

function begin(): Promise<PgBoss> {
  const made = new PgBoss({
    connectionString: currentUrl('DESK_DATABASE_URL'),
    schema,
    migrate: false,
    max: connections,
    maintenanceIntervalSeconds: 30,
    archiveCompletedAfterSeconds: 600,
    schedule: false,
  });
  made.on('error', (error) => log.warn({ err: error }, 'the queue did not answer'));
  return made.start();
}
const queue = (): Promise<PgBoss> => {
  boss ??= begin();
  // A database that was away is asked again at the next order.
  boss.catch(() => {
    boss = undefined;
  });
  return boss;
};

/** Order work of a queue; this server looks at once whether it may do it itself. */
export async function order<Q extends QueueName>(name: Q, data: Orders[Q]): Promise<void> {
  const q = await queue();
  await q.send(name, data);
  for (const id of workers.get(name) ?? []) q.notifyWorker(id);
}

/** Order what is looked for at its moment: of all servers that ask within half a minute one is heard. */
export async function orderTimed(): Promise<void> {
  await (await queue()).send('timed', {}, { singletonSeconds: 30 });
}

/** Take part in the work of all queues from now on. */
export async function takePart(handlers: Handlers): Promise<void> {
  doing = handlers;
  const q = await queue();
  for (const [name, { doAtOnce, work }] of Object.entries(handlers) as [QueueName, Handlers[QueueName]][])
    for (let k = 0; k < doAtOnce; k++) {
      const id = await q.work<Orders[QueueName]>(name, { pollingIntervalSeconds: 1, batchSize: 1 }, async ([job]) => {
        if (job) await (work as (order: Orders[QueueName]) => Promise<void>)(job.data);
      });
      workers.set(name, [...(workers.get(name) ?? []), id]);
    }
}

// Another database server takes the changes: the queue is there now.
whenTurned(async () => {
  const handlers = doing;
  await closeQueue();
  if (handlers) await takePart(handlers).catch(() => undefined);
});

export async function closeQueue(): Promise<void> {
  const known = await boss?.catch(() => undefined);
  boss = undefined;
  workers.clear();
  await known?.stop({ graceful: true, timeout: 1_500, wait: true }).catch(() => undefined);
}
