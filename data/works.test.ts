/** Work behind the pages: begun once, alive or taken over, stopped, stored once; and machines that have ended, called out once. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { closeDatabase, inHousehold, lookInHousehold, NotOpened, type Door } from './client.ts';
import { closeDesk } from './desk.ts';
import { demoHousehold } from './demo/household.ts';
import { createHousehold, forgetHousehold, readHousehold } from './household.ts';
import {
  askEnough,
  beat,
  beginWork,
  failWork,
  findWork,
  finishWork,
  newestResult,
  orderWork,
  returnWork,
  stopWork,
  takeReminders,
  takeUpWork,
  workUnderWay,
} from './works.ts';

const [home, next] = [randomUUID(), randomUUID()];
const now = new Date();
const order = (subject = ''): Promise<string> =>
  inHousehold(home, (tx) => orderWork(tx, home, { kind: 'plan', subject, size: 3, input: { subject } }, now));
const begin = (id: string) => inHousehold(home, (tx) => beginWork(tx, id, new Date()));
const stateOf = async (id: string) => (await lookInHousehold(home, (tx) => findWork(tx, id)))?.state;
async function asOwner(query: string, values: unknown[] = []): Promise<unknown[]> {
  const owner = new pg.Client({ connectionString: process.env.OWNER_DATABASE_URL });
  await owner.connect();
  try {
    return (await owner.query(query, values)).rows as unknown[];
  } finally {
    await owner.end();
  }
}
/** So long nobody has heard of it. */
const silentFor = (id: string, seconds: number): Promise<unknown> =>
  asOwner(`update work set beat_at = now() - make_interval(secs => $2) where id = $1`, [id, seconds]);
const byWork = (householdId: string, id: string): Door => ({ householdId, key: { by: 'work', proof: id } });

beforeAll(async () => {
  for (const id of [home, next]) await inHousehold(id, (tx) => createHousehold(tx, id, demoHousehold));
});
afterAll(async () => {
  for (const id of [home, next]) await inHousehold(id, forgetHousehold);
  await closeDatabase();
  await closeDesk();
});

describe('work', () => {
  test('is begun by one of many, and what came of it is stored once', async () => {
    const id = await order();
    const begun = (await Promise.all(Array.from({ length: 6 }, () => begin(id)))).filter((b) => b !== null);
    expect(begun).toHaveLength(1);
    const [work] = begun;
    expect(work).toMatchObject({ kind: 'plan', tries: 1, input: { subject: '' } });
    expect(await inHousehold(home, (tx) => beat(tx, work!, { share: 0.5 }, new Date()))).toEqual({ enough: false });
    await inHousehold(home, (tx) => askEnough(tx, 'plan'));
    expect(await inHousehold(home, (tx) => beat(tx, work!, null, new Date()))).toEqual({ enough: true });
    expect((await lookInHousehold(home, (tx) => workUnderWay(tx, 'plan')))?.progress).toEqual({ share: 0.5 });
    const ends = await Promise.all(
      [1, 2].map((k) => inHousehold(home, (tx) => finishWork(tx, work!, { k }, new Date()))),
    );
    expect(ends.filter(Boolean)).toHaveLength(1);
    expect(await stateOf(id)).toBe('done');
    expect((await lookInHousehold(home, (tx) => newestResult(tx, 'plan', '')))?.result).toEqual({ k: ends[0] ? 1 : 2 });
  });
  test('a newer wish stops the one before, which finds out at its next sign of life', async () => {
    const first = await order();
    const work = (await begin(first))!;
    const second = await order();
    expect([await stateOf(first), await stateOf(second)]).toEqual(['stopped', 'queued']);
    // Its key opens nothing any more.
    await expect(inHousehold(byWork(home, first), (tx) => beat(tx, work, null, new Date()))).rejects.toBeInstanceOf(
      NotOpened,
    );
    expect(await inHousehold(home, (tx) => finishWork(tx, work, null, new Date()))).toBe(false);
    await inHousehold(home, (tx) => stopWork(tx, 'plan', '', new Date()));
    expect(await begin(second)).toBeNull();
  });
  test('silent for ten seconds it is taken up by one asker, not before; the one before stores nothing', async () => {
    const id = await order();
    const before = (await begin(id))!;
    await silentFor(id, 9);
    expect((await takeUpWork()).filter((o) => o.workId === id)).toEqual([]);
    await silentFor(id, 11);
    const taken = (await Promise.all([takeUpWork(), takeUpWork(), takeUpWork()])).flat().filter((o) => o.workId === id);
    expect(taken).toEqual([{ householdId: home, workId: id, kind: 'plan' }]);
    const after = (await begin(id))!;
    expect(after.tries).toBe(2);
    expect(await inHousehold(home, (tx) => beat(tx, before, null, new Date()))).toBeNull();
    expect(await inHousehold(home, (tx) => finishWork(tx, before, null, new Date()))).toBe(false);
    expect(await inHousehold(home, (tx) => finishWork(tx, after, null, new Date()))).toBe(true);
  });
  test('an order whose message was lost is found; work that never ends has failed after five tries', async () => {
    const id = await order('again');
    await asOwner(`update work set due_at = now() - interval '11 seconds' where id = $1`, [id]);
    expect((await takeUpWork()).map((o) => o.workId)).toContain(id);
    for (let k = 1; k <= 5; k++) {
      expect((await begin(id))?.tries).toBe(k);
      await silentFor(id, 11);
      const again = (await takeUpWork()).some((o) => o.workId === id);
      expect([k, again]).toEqual([k, k < 5]);
    }
    const failed = await lookInHousehold(home, (tx) => findWork(tx, id));
    expect(failed).toMatchObject({ state: 'failed', problem: 'It was begun several times and never came to an end.' });
  });
  test('a server that stops gives its work back; one that finds a fault says so', async () => {
    const id = await order('back');
    const work = (await begin(id))!;
    await inHousehold(home, (tx) => returnWork(tx, work));
    expect(await stateOf(id)).toBe('queued');
    const again = (await begin(id))!;
    await inHousehold(home, (tx) => failWork(tx, again, 'a fault', new Date()));
    expect(await stateOf(id)).toBe('failed');
  });
  test('its id opens the household it was ordered in, while it is under way, and no other', async () => {
    const id = await order('key');
    expect((await lookInHousehold(byWork(home, id), readHousehold))?.name).toBe(demoHousehold.name);
    await expect(lookInHousehold(byWork(next, id), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    await expect(lookInHousehold(byWork(home, randomUUID()), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    await inHousehold(home, (tx) => stopWork(tx, 'plan', 'key', new Date()));
    await expect(lookInHousehold(byWork(home, id), readHousehold)).rejects.toBeInstanceOf(NotOpened);
  });
});

test('a machine that has ended is called out once, whoever asks; one that runs is not', async () => {
  const [plan, ended, running] = [randomUUID(), randomUUID(), randomUUID()];
  await asOwner(`insert into plan (household_id, id, hamper, result) values ($1, $2, '{}', '{}')`, [home, plan]);
  for (const [id, ends] of [
    [ended, '-1 second'],
    [running, '1 minute'],
  ])
    await asOwner(
      `insert into load (household_id, id, plan_id, number, run, status, ends_at) values ($1, $2, $3, 1, '{}', 'running', now() + $4::interval)`,
      [home, id, plan, ends],
    );
  const called = (await Promise.all([takeReminders(), takeReminders()])).flat().filter((r) => r.householdId === home);
  expect(called).toEqual([{ householdId: home, loadId: ended, load: 'Load 2' }]);
  expect((await takeReminders()).filter((r) => r.householdId === home)).toEqual([]);
});
