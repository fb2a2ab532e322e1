/** Rounds of practice: begun, changed and ended once; seen by their own household alone; forgotten and archived with it. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { emptyPlay } from '../core/practice/play.ts';
import { readArchive } from '../formats/archive.ts';
import { checkArchive, storeArchive, writeArchive } from './archive.ts';
import { closeDatabase, inHousehold, lookInHousehold } from './client.ts';
import { demoHousehold } from './demo/household.ts';
import { createHousehold, forgetHousehold } from './household.ts';
import {
  beginRound,
  endedRounds,
  endRound,
  findRound,
  holdRound,
  keepPlay,
  openRound,
  openRounds,
} from './practice.ts';

const [home, next] = [randomUUID(), randomUUID()];
const now = new Date('2026-11-28T10:00:00Z');
const begin = (basket: string, person = 'Juna', at = now): Promise<string> =>
  inHousehold(home, (tx) => beginRound(tx, home, { basket, person, luck: 7, at }));
const scores = {
  score: 62.5,
  measures: { damage: 80, cleanliness: 100, cost: 40, time: 100, order: 90 },
  skills: { labels: 100, fibres: null, dye: 50, marks: null, loads: 75, drying: 100, safety: null },
  ended: false,
  hints: 1,
};

beforeAll(async () => {
  for (const id of [home, next]) await inHousehold(id, (tx) => createHousehold(tx, id, demoHousehold));
});
afterAll(async () => {
  for (const id of [home, next]) await inHousehold(id, forgetHousehold);
  await closeDatabase();
});

describe('a round', () => {
  test('stays open until it is ended, once; then nothing changes it', async () => {
    const id = await begin('fuel');
    const play = { ...emptyPlay, tests: ['p1'] };
    expect(await inHousehold(home, (tx) => keepPlay(tx, id, { play, hints: 1 }))).toBe(true);
    expect(await lookInHousehold(home, (tx) => openRound(tx, 'fuel', 'Juna'))).toMatchObject({ id, play, hints: 1 });
    const ended = await Promise.all([1, 2].map(() => inHousehold(home, (tx) => endRound(tx, id, now, scores))));
    expect(ended.filter(Boolean)).toHaveLength(1);
    expect(await inHousehold(home, (tx) => keepPlay(tx, id, { play: emptyPlay }))).toBe(false);
    expect(await lookInHousehold(home, (tx) => endedRounds(tx, 'Juna'))).toMatchObject([{ id, play, scores }]);
    expect(await lookInHousehold(home, (tx) => openRound(tx, 'fuel', 'Juna'))).toBeNull();
  });
  test('of a basket a person has one that waits; another person has her own', async () => {
    const first = await begin('raw-denim');
    const other = await begin('raw-denim', 'Tovi');
    const second = await begin('raw-denim');
    const open = await lookInHousehold(home, (tx) => openRounds(tx, 'Juna'));
    expect(open.map((r) => r.id)).toEqual([second]);
    expect(await lookInHousehold(home, (tx) => findRound(tx, first))).toBeNull();
    expect((await lookInHousehold(home, (tx) => findRound(tx, other)))?.person).toBe('Tovi');
  });
  test('is not there for another household, nor for a word that is no id', async () => {
    const id = await begin('gym-bag');
    expect(await lookInHousehold(next, (tx) => findRound(tx, id))).toBeNull();
    expect(await inHousehold(next, (tx) => keepPlay(tx, id, { hints: 9 }))).toBe(false);
    expect(await inHousehold(next, (tx) => endRound(tx, id, now, scores))).toBe(false);
    expect(await inHousehold(home, (tx) => holdRound(tx, 'fuel'))).toBeNull();
    expect((await lookInHousehold(home, (tx) => findRound(tx, id)))?.hints).toBe(0);
  });
  test('goes out and in again with everything else', async () => {
    const bytes = (await lookInHousehold(home, writeArchive))!;
    const read = await readArchive(bytes);
    if (!read.ok) throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join('; '));
    const { rows, problems } = await checkArchive(read.value);
    expect(problems).toEqual([]);
    const again = randomUUID();
    await inHousehold(again, (tx) => storeArchive(tx, again, read.value, rows));
    const rounds = await lookInHousehold(again, (tx) => endedRounds(tx, 'Juna'));
    expect(rounds).toMatchObject([{ basket: 'fuel', scores }]);
    await inHousehold(again, forgetHousehold);
    // A play that nobody could have decided is named, and nothing is stored.
    const tables = new Map(read.value.tables);
    const [first, ...rest] = tables.get('practice_round') ?? [];
    tables.set('practice_round', [{ ...first, play: { ...emptyPlay, aside: { p1: 'sold' } } }, ...rest]);
    const broken = await checkArchive({ ...read.value, tables });
    expect(broken.problems[0]?.path).toBe('tables/practice_round.jsonl, line 1');
    expect(broken.problems[0]?.message).toMatch(/^play\.aside\.p1/);
  });
});
