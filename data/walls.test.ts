/** The walls between households, tried by attack: as the role that serves pages, with whatever SQL it could be made to run. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createHash, randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import pg from 'pg';
import {
  acceptInvitation,
  closedUntil,
  endMembership,
  forgetAccount,
  forgetFailures,
  giveRole,
  householdsOf,
  invitationBehind,
  invite,
  lockout,
  lookAt,
  membersOf,
  noteFailure,
  ownedAlone,
  revokeInvitation,
  roleIn,
  sessionsOf,
  tooOld,
  transferTo,
} from './accounts.ts';
import { sessions, users } from './accounts-schema.ts';
import type { Role } from './roles.ts';
import {
  closeDatabase,
  database,
  inHousehold,
  inNewHousehold,
  lookInHousehold,
  NotOpened,
  type Door,
} from './client.ts';
import { closeDesk, desk } from './desk.ts';
import { createHousehold, forgetHousehold, householdsHere, readHousehold, saveGeneral } from './household.ts';
import { newPairing, pair, pairingOpen, pocketHome, throwOut, listPockets } from './pockets.ts';
import { demoHousehold } from './demo/household.ts';

const now = new Date('2026-06-01T09:00:00Z');
const [ours, theirs] = [randomUUID(), randomUUID()];
const person = () => `person-${randomUUID()}`;
const [juna, ren, bo] = [person(), person(), person()];
const tokenOf = (user: string): string => `token-of-${user}`;
const byAccount = (user: string, householdId: string): Door => ({
  householdId,
  key: { by: 'session', proof: tokenOf(user) },
});

async function account(id: string, endsInMs = 3_600_000): Promise<void> {
  await desk()
    .insert(users)
    .values({ id, name: id, email: `${id}@quay.example`, emailVerified: true });
  await desk()
    .insert(sessions)
    .values({ id, userId: id, token: tokenOf(id), expiresAt: new Date(Date.now() + endsInMs) });
}
const join = async (user: string, householdId: string, role: Role): Promise<void> => {
  const token = await invite(juna, householdId, { name: user, role }, new Date());
  if (token) await acceptInvitation(token, user, tokenOf(user), new Date());
};
/** The installation as its owner sets it: at home, or hosted. */
async function installedAs(mode: 'home' | 'hosted'): Promise<void> {
  const owner = new pg.Client({ connectionString: process.env.OWNER_DATABASE_URL });
  await owner.connect();
  await owner.query('update wall.installation set mode = $1', [mode]);
  await owner.end();
}
const rowsSeen = async (query: string, before = ''): Promise<number> =>
  database().transaction(async (tx) => {
    if (before) await tx.execute(sql.raw(before));
    return (await tx.execute(sql.raw(query))).rows.length;
  });

beforeAll(async () => {
  for (const id of [ours, theirs])
    await inHousehold(id, (tx) => createHousehold(tx, id, { ...demoHousehold, name: id === ours ? 'Ours' : 'Theirs' }));
  await installedAs('hosted');
  for (const user of [juna, ren, bo]) await account(user);
});
afterAll(async () => {
  await installedAs('home');
  for (const id of [ours, theirs]) await inHousehold(id, forgetHousehold);
  for (const user of [juna, ren, bo]) await forgetAccount(user);
  await closeDatabase();
  await closeDesk();
});

describe('the role that serves pages', () => {
  test('sees nothing before a household is opened, and the tables tell no other way in', async () => {
    for (const table of ['household', 'washer', 'event', 'garment', 'device', 'work', 'pocket'])
      expect(await rowsSeen(`select * from ${table}`)).toBe(0);
    for (const secret of [
      'select * from accounts.session',
      'select * from accounts.user',
      'select * from wall.installation',
      'select * from wall.directory',
      `select wall.seal('${ours}.owner')`,
      `select wall.open('${ours}'::uuid, 'owner')`,
      'select * from queue.job',
      'select * from take_up_work()',
      `select * from households_of('${juna}')`,
    ])
      await expect(database().execute(sql.raw(secret))).rejects.toThrow();
  });
  test('cannot write the setting itself: not by hand, not with a seal of another transaction', async () => {
    expect(await rowsSeen('select * from household', `set local app.household_id = '${ours}'`)).toBe(0);
    expect(await rowsSeen('select * from household', `set local app.opened = '${ours}'`)).toBe(0);
    expect(await rowsSeen('select * from household', `set local app.opened = '${ours}.owner.${'0'.repeat(64)}'`)).toBe(
      0,
    );
    await installedAs('home');
    const sealed = await inHousehold(ours, async (tx) => {
      const { rows } = await tx.execute<{ told: string }>(sql`select current_setting('app.opened') as told`);
      // With the true seal its own rows are there; a household swapped under it is none.
      expect((await tx.execute(sql`select name from household`)).rows).toEqual([{ name: 'Ours' }]);
      await tx.execute(sql.raw(`set local app.opened = '${(rows[0]?.told ?? '').replace(ours, theirs)}'`));
      expect((await tx.execute(sql`select name from household`)).rows).toEqual([]);
      return rows[0]?.told ?? '';
    });
    await installedAs('hosted');
    expect(sealed).toMatch(new RegExp(`^${ours}[.]owner[.][0-9a-f]{64}$`));
    expect(await rowsSeen('select * from household', `set local app.opened = '${sealed}'`)).toBe(0);
  });
  test('cannot take down a wall', async () => {
    for (const attempt of [
      'alter table garment disable row level security',
      'alter table garment no force row level security',
      'drop policy garment_household on garment',
      'set role neatfold_owner',
      'set session authorization neatfold_owner',
      'set row_security = off; select * from garment',
      `create or replace function opened_household() returns uuid language sql as $$ select '${ours}'::uuid $$`,
      'grant neatfold_desk to neatfold_app',
    ])
      await expect(
        database().transaction(async (tx) => {
          await tx.execute(sql.raw(attempt));
        }),
      ).rejects.toThrow();
  });
  test('every table of a household has forced row security, its household first in every key', async () => {
    const owner = new pg.Client({ connectionString: process.env.OWNER_DATABASE_URL });
    await owner.connect();
    const tables = await owner.query<{ name: string; forced: boolean; policies: number }>(`
      select c.relname as name, c.relrowsecurity and c.relforcerowsecurity as forced,
        (select count(*)::int from pg_policy p where p.polrelid = c.oid) as policies
      from pg_class c where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace`);
    expect(tables.rows.length).toBeGreaterThan(30);
    expect(tables.rows.filter((t) => !t.forced || t.policies !== 1)).toEqual([]);
    // Primary and foreign keys and unique indexes: what decides where a row lives when households are spread over machines.
    const keys = await owner.query<{ key: string; first: string }>(`
      select i.relname as key, a.attname as first from pg_index x
        join pg_class i on i.oid = x.indexrelid join pg_class c on c.oid = x.indrelid
        join pg_attribute a on a.attrelid = c.oid and a.attnum = x.indkey[0]
      where x.indisunique and c.relnamespace = 'public'::regnamespace
      union all
      select k.conname, a.attname from pg_constraint k join pg_attribute a on a.attrelid = k.conrelid and a.attnum = k.conkey[1]
      where k.contype = 'f' and k.connamespace = 'public'::regnamespace`);
    await owner.end();
    expect(keys.rows.length).toBeGreaterThan(50);
    expect(keys.rows.filter((k) => k.first !== 'household_id')).toEqual([]);
  });
});

describe('the role of accounts and the queue', () => {
  test('sees no household, opens none, and rewrites no trail', async () => {
    for (const attempt of [
      'select * from household',
      'select * from garment',
      `select * from open_household('home', null, '${ours}')`,
      'select opened_household()',
      'delete from accounts.trail',
      "update accounts.trail set what = ''",
      "update wall.installation set mode = 'home'",
    ])
      await expect(desk().execute(sql.raw(attempt))).rejects.toThrow();
  });
});

describe('who shows what', () => {
  test('hosted, nobody opens a household by its id; a session opens its own alone', async () => {
    await expect(lookInHousehold(ours, readHousehold)).rejects.toBeInstanceOf(NotOpened);
    await expect(lookInHousehold(byAccount(juna, ours), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    const own = randomUUID();
    const name = await inNewHousehold(byAccount(juna, own), async (tx) => {
      await createHousehold(tx, own, { ...demoHousehold, name: 'Loft' });
      return (await readHousehold(tx))?.name;
    });
    expect(name).toBe('Loft');
    expect(await householdsOf(juna)).toEqual([{ id: own, name: 'Loft', role: 'owner' }]);
    // The session looks at it from now on, and at nothing else, whatever is asked for.
    expect((await lookInHousehold(byAccount(juna, own), readHousehold))?.name).toBe('Loft');
    await expect(lookInHousehold(byAccount(juna, theirs), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    await expect(lookInHousehold(byAccount(ren, own), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    // Nobody begins a household that is there already.
    await expect(inNewHousehold(byAccount(ren, own), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    await expect(inNewHousehold(byAccount(ren, theirs), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    expect(await lookAt(tokenOf(ren), ren, own)).toBe(false);
    await inHousehold(byAccount(juna, own), forgetHousehold);
    expect(await householdsOf(juna)).toEqual([]);
    await expect(lookInHousehold(byAccount(juna, own), readHousehold)).rejects.toBeInstanceOf(NotOpened);
  });
  test('a session ends after ninety days, however often it is used, and not before', () => {
    const since = new Date(now.getTime() - 90 * 86_400_000);
    expect(tooOld(since, now)).toBe(true);
    expect(tooOld(new Date(since.getTime() + 1), now)).toBe(false);
  });
  test('a session that has run out, or was signed off, opens nothing', async () => {
    const own = randomUUID();
    await inNewHousehold(byAccount(juna, own), (tx) => createHousehold(tx, own, demoHousehold));
    const late = person();
    await account(late, -1_000);
    await desk()
      .update(sessions)
      .set({ householdId: own })
      .where(sql`token = ${tokenOf(late)}`);
    await expect(lookInHousehold(byAccount(late, own), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    expect((await sessionsOf(late, '', new Date())).length).toBe(0);
    await forgetAccount(late);
    await inHousehold(byAccount(juna, own), forgetHousehold);
  });
});

describe('roles', () => {
  let home = '';
  beforeAll(async () => {
    home = randomUUID();
    await inNewHousehold(byAccount(juna, home), (tx) => createHousehold(tx, home, { ...demoHousehold, name: 'Quay' }));
  });
  afterAll(() => inHousehold(byAccount(juna, home), forgetHousehold));

  test('a link lets one person in, once and for a week; only an owner makes one', async () => {
    expect(await invite(ren, home, { name: 'Bo', role: 'owner' }, now)).toBeNull();
    const token = (await invite(juna, home, { name: 'Ren', role: 'member' }, now))!;
    const week = 7 * 86_400_000;
    expect(await invitationBehind(token, new Date(now.getTime() + week - 1))).toMatchObject({ role: 'member' });
    expect(await invitationBehind(token, new Date(now.getTime() + week))).toBeNull();
    expect(await acceptInvitation(`${token}x`, ren, tokenOf(ren), now)).toBeNull();
    expect(await acceptInvitation(token, ren, tokenOf(ren), now)).toEqual({ householdId: home });
    expect(await acceptInvitation(token, bo, tokenOf(bo), now)).toBeNull();
    expect(await roleIn(home, ren)).toBe('member');
    expect(await roleIn(home, bo)).toBeNull();
    const other = (await invite(juna, home, { name: 'Bo', role: 'helper' }, now))!;
    const { id } = (
      await desk().execute<{ id: string }>(sql`select id from accounts.invitation where accepted_at is null`)
    ).rows[0]!;
    expect(await revokeInvitation(ren, home, id, now)).toBe(false);
    expect(await revokeInvitation(juna, home, id, now)).toBe(true);
    expect(await acceptInvitation(other, bo, tokenOf(bo), now)).toBeNull();
  });
  test('a helper looks and changes nothing: the database itself says no', async () => {
    await join(bo, home, 'helper');
    expect((await lookInHousehold(byAccount(bo, home), readHousehold))?.name).toBe('Quay');
    await expect(inHousehold(byAccount(bo, home), (tx) => saveGeneral(tx, { name: 'Taken' }))).rejects.toThrow();
    await expect(
      inHousehold(byAccount(bo, home), async (tx) => {
        await tx.execute(sql`set transaction read write`);
      }),
    ).rejects.toThrow();
    await expect(inHousehold(byAccount(bo, home), forgetHousehold)).rejects.toThrow();
    expect((await lookInHousehold(byAccount(juna, home), readHousehold))?.name).toBe('Quay');
  });
  test('a member washes, and does not forget the household', async () => {
    await inHousehold(byAccount(ren, home), (tx) => saveGeneral(tx, { nets: 7 }));
    expect((await lookInHousehold(byAccount(juna, home), readHousehold))?.nets.all).toBe(7);
    await expect(inHousehold(byAccount(ren, home), forgetHousehold)).rejects.toThrow();
    // Hosted, nobody is told of other households.
    expect(await lookInHousehold(byAccount(ren, home), householdsHere)).toEqual([{ id: home, name: 'Quay' }]);
  });
  test('the last owner stays one: two at once leave one of them', async () => {
    expect(await giveRole(ren, home, bo, 'owner')).toBe('not-owner');
    expect(await giveRole(juna, home, juna, 'helper')).toBe('last-owner');
    expect(await endMembership(juna, home, juna)).toBe('last-owner');
    expect(await ownedAlone(juna)).toMatchObject([{ id: home }]);
    expect(await giveRole(juna, home, ren, 'owner')).toBeNull();
    const both = await Promise.all([giveRole(juna, home, juna, 'member'), giveRole(ren, home, ren, 'member')]);
    expect(both.filter((r) => r === null).length).toBe(1);
    const owners = (await membersOf(home)).filter((m) => m.role === 'owner').map((m) => m.userId);
    expect(owners.length).toBe(1);
    if (owners[0] === ren) expect(await transferTo(ren, home, juna)).toBeNull();
    expect(await roleIn(home, juna)).toBe('owner');
    expect(await transferTo(ren, home, ren)).toBe('not-owner');
  });
  test('who is put out, or leaves, finds the door shut in the same moment', async () => {
    expect(await endMembership(ren, home, bo)).toBe('not-owner');
    expect(await endMembership(juna, home, bo)).toBeNull();
    await expect(lookInHousehold(byAccount(bo, home), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    expect(await endMembership(juna, home, bo)).toBe('gone');
    expect(await endMembership(ren, home, ren)).toBeNull();
    await expect(lookInHousehold(byAccount(ren, home), readHousehold)).rejects.toBeInstanceOf(NotOpened);
  });
});

test('five wrong passwords close an address for a quarter of an hour, four do not; a right one opens it', async () => {
  const address = `${randomUUID()}@quay.example`;
  const at = (minutes: number): Date => new Date(now.getTime() + minutes * 60_000);
  for (let k = 1; k < lockout.failures; k++) await noteFailure(address, now);
  expect(await closedUntil(address, now)).toBeNull();
  await noteFailure(` ${address.toUpperCase()} `, now);
  expect(await closedUntil(address, at(14.9))).toEqual(at(15));
  expect(await closedUntil(address, at(15))).toBeNull();
  // A quarter of an hour later counting begins anew.
  await noteFailure(address, at(15.1));
  expect(await closedUntil(address, at(15.1))).toBeNull();
  await forgetFailures(address);
  for (let k = 1; k < lockout.failures; k++) await noteFailure(address, at(16));
  expect(await closedUntil(address, at(16))).toBeNull();
  await forgetFailures(address);
});

describe('a phone of the home network', () => {
  const digest = (token: string): string => createHash('sha256').update(token).digest('hex');
  const byPhone = (token: string, householdId: string): Door => ({
    householdId,
    key: { by: 'pocket', proof: digest(token) },
  });
  beforeAll(() => installedAs('home'));
  afterAll(() => installedAs('hosted'));

  test('is let in by a code once, into one household, and thrown out at once', async () => {
    const code = await inHousehold(ours, (tx) => newPairing(tx, ours, new Date()));
    expect(code).toMatch(/^\d{8}$/);
    const token = (await pair(code, 'Phone'))!;
    expect(await pair(code, 'Another')).toBeNull();
    expect(await pocketHome(digest(token))).toMatchObject({ householdId: ours });
    expect((await lookInHousehold(byPhone(token, ours), readHousehold))?.name).toBe('Ours');
    await expect(lookInHousehold(byPhone(token, theirs), readHousehold)).rejects.toBeInstanceOf(NotOpened);
    // It sees no other household of the machine, and is no owner.
    expect((await lookInHousehold(byPhone(token, ours), householdsHere)).map((h) => h.id)).toEqual([ours]);
    await expect(inHousehold(byPhone(token, ours), forgetHousehold)).rejects.toThrow();
    const [known] = await lookInHousehold(ours, listPockets);
    expect(known).toMatchObject({ name: 'Phone', lastSeenAt: expect.any(Date) as unknown });
    expect(await inHousehold(theirs, (tx) => throwOut(tx, known!.id, new Date()))).toBe(false);
    expect(await inHousehold(ours, (tx) => throwOut(tx, known!.id, new Date()))).toBe(true);
    expect(await pocketHome(digest(token))).toBeNull();
    await expect(lookInHousehold(byPhone(token, ours), readHousehold)).rejects.toBeInstanceOf(NotOpened);
  });
  test('a question about a household is asked, not compiled first', async () => {
    const jit = async (tx: { execute: (q: ReturnType<typeof sql>) => Promise<{ rows: unknown[] }> }) =>
      (await tx.execute(sql`show jit`)).rows;
    expect(await lookInHousehold(ours, jit)).toEqual([{ jit: 'off' }]);
    expect(await jit(desk())).toEqual([{ jit: 'off' }]);
  });
  test('a code ends after ten minutes, and after five wrong guesses, not after four', async () => {
    const wrong = (times: number) => Promise.all(Array.from({ length: times }, (_, k) => pair(`guess ${k}`, 'Guess')));
    const first = await inHousehold(ours, (tx) => newPairing(tx, ours, new Date()));
    await wrong(4);
    expect(await lookInHousehold(ours, (tx) => pairingOpen(tx, new Date()))).toBe(true);
    await wrong(1);
    expect(await lookInHousehold(ours, (tx) => pairingOpen(tx, new Date()))).toBe(false);
    expect(await pair(first, 'Late')).toBeNull();
    const old = await inHousehold(ours, (tx) => newPairing(tx, ours, new Date(Date.now() - 10 * 60_000)));
    expect(await pair(old, 'Later')).toBeNull();
    const young = await inHousehold(ours, (tx) => newPairing(tx, ours, new Date(Date.now() - 9 * 60_000)));
    expect(await pair(young, 'In time')).not.toBeNull();
  });
});
