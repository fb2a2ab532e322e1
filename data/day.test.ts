/** What is said of a day, what was promised, and private calendar addresses: each household its own. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { closeDatabase, inHousehold, lookInHousehold } from './client.ts';
import {
  addFeed,
  addWish,
  dropWish,
  feedHome,
  feedsOf,
  keepPromise,
  noteFeedRead,
  promiseOfDay,
  revokeFeed,
  wishesOf,
  type DayWish,
} from './day.ts';
import { createHousehold, forgetHousehold } from './household.ts';
import { usualUnits } from '../core/units/choices.ts';

const [home, next] = [randomUUID(), randomUUID()];
const at = new Date('2026-05-09T10:00:00Z');
const wish = (change: Partial<DayWish>): Omit<DayWish, 'id'> => ({
  kind: 'out',
  loadId: null,
  task: null,
  person: null,
  at: null,
  until: null,
  saidAt: at,
  before: null,
  ...change,
});
const view = (name: string, people?: string[]) => ({
  name,
  timeZone: 'UTC',
  document: {},
  nets: { all: 1, withoutMetal: 0 },
  units: usualUnits,
  measures: {},
  poisonCentre: null,
  children: false,
  ...(people ? { people } : {}),
});
beforeAll(async () => {
  await inHousehold(home, (tx) => createHousehold(tx, home, view('Here', ['Juna', 'Ren'])));
  await inHousehold(next, (tx) => createHousehold(tx, next, view('Next door')));
});
afterAll(async () => {
  for (const id of [home, next]) await inHousehold(id, forgetHousehold);
  await closeDatabase();
});

describe('wishes', () => {
  test('the last word of a kind counts; several may be out; another household sees none of it', async () => {
    await inHousehold(home, async (tx) => {
      expect(await addWish(tx, home, wish({ kind: 'not-before', at }))).toBe(true);
      expect(await addWish(tx, home, wish({ kind: 'not-before', at: new Date(at.getTime() + 60_000) }))).toBe(true);
      await addWish(tx, home, wish({ person: 1, at, until: at }));
      await addWish(tx, home, wish({ person: 2, at, until: at }));
      await addWish(tx, home, wish({ kind: 'hands', task: 'L1.load', person: 2, at }));
      await addWish(tx, home, wish({ kind: 'hands', task: 'L1.load', person: 1, at }));
      await addWish(tx, home, wish({ kind: 'hands', task: 'L2.load', person: 1, at }));
    });
    const said = await lookInHousehold(home, wishesOf);
    expect(said.map((w) => [w.kind, w.task, w.person])).toEqual(
      expect.arrayContaining([
        ['not-before', null, null],
        ['out', null, 1],
        ['out', null, 2],
        ['hands', 'L1.load', 1],
        ['hands', 'L2.load', 1],
      ]),
    );
    expect(said).toHaveLength(5);
    expect(await lookInHousehold(next, wishesOf)).toEqual([]);
    const [first] = said;
    expect(await inHousehold(next, (tx) => dropWish(tx, first?.id ?? ''))).toBe(false);
    expect(await inHousehold(home, (tx) => dropWish(tx, first?.id ?? ''))).toBe(true);
    expect(await inHousehold(home, (tx) => dropWish(tx, first?.id ?? ''))).toBe(false);
    expect(await inHousehold(home, (tx) => dropWish(tx, 'nonsense'))).toBe(false);
  });
  test('sixty are as many as are kept', async () => {
    const answers = await inHousehold(next, async (tx) => {
      const all: boolean[] = [];
      for (let k = 0; k < 61; k++) all.push(await addWish(tx, next, wish({ person: 1, at, until: at })));
      return all;
    });
    expect(answers.filter(Boolean)).toHaveLength(60);
    expect(answers.at(-1)).toBe(false);
  });
});

test('one promise a household: a new one takes the place of the old', async () => {
  const tasks = [{ id: 'L1.wash', kind: 'wash' as const, load: 'L1', startMs: 1, endMs: 2 }];
  await inHousehold(home, (tx) => keepPromise(tx, home, { aim: 'usual', at, tasks }));
  await inHousehold(home, (tx) => keepPromise(tx, home, { aim: 'cheapest', at, tasks: [] }));
  expect(await lookInHousehold(home, promiseOfDay)).toEqual({ aim: 'cheapest', at, tasks: [] });
  expect(await lookInHousehold(next, promiseOfDay)).toBeNull();
});

test('a calendar address opens its household alone, until it is withdrawn', async () => {
  const token = await inHousehold(home, (tx) => addFeed(tx, home, 'Phone', at));
  expect(token).toMatch(/^[\w-]{43}$/);
  const found = await feedHome(token);
  expect(found?.householdId).toBe(home);
  expect(await feedHome(`${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`)).toBeNull();
  await inHousehold(home, (tx) => noteFeedRead(tx, found?.feedId ?? '', at));
  const [feed] = await lookInHousehold(home, feedsOf);
  expect(feed).toMatchObject({ name: 'Phone', lastReadAt: at });
  expect(JSON.stringify(feed)).not.toContain(token);
  expect(await inHousehold(next, (tx) => revokeFeed(tx, feed?.id ?? '', at))).toBe(false);
  expect(await inHousehold(home, (tx) => revokeFeed(tx, feed?.id ?? '', at))).toBe(true);
  expect(await inHousehold(home, (tx) => revokeFeed(tx, feed?.id ?? '', at))).toBe(false);
  expect(await feedHome(token)).toBeNull();
  expect(await lookInHousehold(home, feedsOf)).toEqual([]);
});
