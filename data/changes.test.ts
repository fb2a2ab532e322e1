/** Looking and changing: one moment, one change at a time, answered forms remembered, and what "not now" means. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { usualUnits } from '@core/units/choices.ts';
import { closeDatabase, inHousehold, isUnavailable, lookInHousehold, patienceMs } from './client.ts';
import { leaderAnswers } from './servers.ts';
import { createHousehold, readHousehold, saveGeneral } from './household.ts';
import { stageCounts } from './stages.ts';
import { findSubmission, keepSubmission } from './submissions.ts';

const here = '6f0b1a5e-0000-4000-8000-00000000002a';
const next = '6f0b1a5e-0000-4000-8000-00000000002b';
const now = new Date('2026-05-09T06:00:00Z');
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
beforeAll(async () => {
  for (const [id, name] of [
    [here, 'Here'],
    [next, 'Next door'],
  ] as const)
    await inHousehold(id, async (tx) => {
      if (!(await readHousehold(tx)))
        await createHousehold(tx, id, {
          name,
          timeZone: 'UTC',
          document: {},
          nets: { all: 0, withoutMetal: 0 },
          units: usualUnits,
          measures: {},
          poisonCentre: null,
          children: false,
        });
    });
});
afterAll(closeDatabase);

describe('looking', () => {
  test('writes nothing', async () => {
    await expect(lookInHousehold(here, (tx) => saveGeneral(tx, { name: 'Written by a look' }))).rejects.toThrow();
    expect((await lookInHousehold(here, readHousehold))!.name).toBe('Here');
  });
  test('sees one moment, whatever is stored meanwhile', async () => {
    const names = await lookInHousehold(next, async (tx) => {
      const before = (await readHousehold(tx))!.name;
      await inHousehold(next, (other) => saveGeneral(other, { name: 'Renamed' }));
      return [before, (await readHousehold(tx))!.name];
    });
    expect(names).toEqual(['Next door', 'Next door']);
    expect((await lookInHousehold(next, readHousehold))!.name).toBe('Renamed');
  });
});

describe('changing', () => {
  test('read, decided and written belongs together: of thirty that add one, none is lost', async () => {
    await inHousehold(here, (tx) => saveGeneral(tx, { nets: 0 }));
    await Promise.all(
      Array.from({ length: 30 }, () =>
        inHousehold(here, async (tx) => {
          const { all } = (await readHousehold(tx))!.nets;
          await sleep(1);
          await saveGeneral(tx, { nets: all + 1 });
        }),
      ),
    );
    expect((await lookInHousehold(here, readHousehold))!.nets.all).toBe(30);
  });
  test('one household does not wait for another, and who waits too long is told "not now"', async () => {
    let letGo = (): void => undefined;
    const holding = inHousehold(here, () => new Promise<void>((resolve) => (letGo = resolve)));
    await sleep(100);
    expect((await inHousehold(next, readHousehold))!.name).toBe('Renamed');
    const start = performance.now();
    const late = await inHousehold(here, readHousehold).catch((error: unknown) => error);
    expect(performance.now() - start).toBeGreaterThanOrEqual(3 * patienceMs.lock - 400);
    expect(isUnavailable(late)).toBe(true);
    letGo();
    await holding;
  });
});

describe('answered forms', () => {
  const key = '11111111-2222-4333-8444-555555555555';
  test('are found by key and words together, in their own household, for a day', async () => {
    await inHousehold(here, (tx) => keepSubmission(tx, here, { key, digest: 'a', to: '/basket', at: now }));
    const find = (household: string, digest: string) =>
      lookInHousehold(household, (tx) => findSubmission(tx, key, digest));
    expect(await find(here, 'a')).toEqual({ to: '/basket' });
    expect(await find(here, 'b')).toBeNull();
    expect(await find(next, 'a')).toBeNull();
    const keep = (digest: string, hours: number) =>
      inHousehold(here, (tx) =>
        keepSubmission(tx, here, { key, digest, to: '/sort', at: new Date(now.getTime() + hours * 3_600_000) }),
      );
    await keep('c', 23.9);
    expect(await find(here, 'a')).not.toBeNull();
    await keep('d', 24.1);
    expect(await find(here, 'a')).toBeNull();
  });
  test('are kept once', async () =>
    expect(
      inHousehold(here, async (tx) => {
        await keepSubmission(tx, here, { key, digest: 'twice', to: '/', at: now });
        await keepSubmission(tx, here, { key, digest: 'twice', to: '/', at: now });
      }),
    ).rejects.toThrow());
});

test('the counts of a household without anything are noughts, and of none at all as well', async () => {
  const counts = await lookInHousehold(here, stageCounts);
  expect(counts).toMatchObject({ name: 'Here', basket: 0, marked: 0, running: 0, treated: 0, planned: 0 });
  const nobody = '6f0b1a5e-0000-4000-8000-00000000002c';
  expect(await lookInHousehold(nobody, stageCounts)).toMatchObject({ name: null, basket: 0 });
});

describe('not now, or a fault of ours', () => {
  const withCode = (code: string): Error => Object.assign(new Error('x'), { code });
  test.each(['08006', '53300', '57P01', '57014', '55P03', '40001', 'ECONNREFUSED'])('%s is not now', (code) => {
    expect(isUnavailable(withCode(code))).toBe(true);
    expect(isUnavailable(new Error('a query failed', { cause: withCode(code) }))).toBe(true);
  });
  test.each(['23505', '22P02', '42P01', '25006'])('%s is a fault', (code) =>
    expect(isUnavailable(withCode(code))).toBe(false),
  );
  test('the database answers, and says so in time', async () => {
    expect(await leaderAnswers()).toBe(true);
    const url = process.env.DATABASE_URL!;
    process.env.DATABASE_URL = 'postgres://nobody:x@127.0.0.1:1/none';
    try {
      expect(await leaderAnswers(500)).toBe(false);
    } finally {
      process.env.DATABASE_URL = url;
    }
  });
});
