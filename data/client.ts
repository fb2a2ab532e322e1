/**
 * The one way to the database: a transaction opened for one household by a door, to look or to change.
 *
 * Who looks gets one moment of the household and cannot write. Who changes holds the household's lock until the end, so that what is read,
 * decided and written belongs together: of two that change at once the second sees what the first has stored.
 */
import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from './schema.ts';
import { currentUrl, whenTurned } from './servers.ts';

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** How long anyone waits, ms: for a connection, for a lock, for a statement; and for an answer when the server itself stands still. */
export const patienceMs = { connection: 5_000, lock: 3_000, statement: 5_000, answer: 6_000, idle: 15_000 } as const;
const connections = 24;
/** Who waits in line behind other changes of the household asks for its lock so often: nothing has been done yet. */
const lockTries = 3;

let pool: pg.Pool | undefined;
let db: Database | undefined;

function poolOf(connectionString: string): pg.Pool {
  const fresh = new pg.Pool({
    connectionString,
    max: connections,
    connectionTimeoutMillis: patienceMs.connection,
    lock_timeout: patienceMs.lock,
    statement_timeout: patienceMs.statement,
    query_timeout: patienceMs.answer,
    idle_in_transaction_session_timeout: patienceMs.idle,
  });
  fresh.on('error', () => {}); // an idle connection that breaks is replaced at the next query
  fresh.on('connect', (client) => client.on('error', () => {})); // one that breaks in a transaction fails that request, not the server
  return fresh;
}
export function database(): Database {
  if (!db) {
    pool = poolOf(currentUrl('DATABASE_URL'));
    db = drizzle(pool, { schema });
  }
  return db;
}
whenTurned(async () => {
  const old = pool;
  pool = undefined;
  db = undefined;
  await Promise.race([old?.end(), new Promise((resolve) => setTimeout(resolve, 500))]);
});

/** A follower that is only looked at, where there is one; after it gave no answer it is left alone for a while. */
let follower: { pool: pg.Pool; db: Database } | undefined;
let followerRestsUntil = 0;
const followerRestMs = 5_000;
function looking(): Database {
  const url = process.env.DATABASE_READ_URL;
  if (!url || Date.now() < followerRestsUntil) return database();
  if (!follower) {
    const lines = poolOf(url);
    follower = { pool: lines, db: drizzle(lines, { schema }) };
  }
  return follower.db;
}

/**
 * What opens a household: being at home (where no account is asked for), a session, the secret of a device, calendar or phone (its digest),
 * or work that was ordered there (its id). The database judges it; nobody chooses a household by its id alone (decision 18).
 */
export type Key =
  { by: 'home' } | { by: 'session' | 'device' | 'calendar' | 'pocket'; proof: string } | { by: 'work'; proof: string };
/** A household and what opens it. */
export interface Door {
  householdId: string;
  key: Key;
}
const doorTo = (to: Door | string): Door => (typeof to === 'string' ? { householdId: to, key: { by: 'home' } } : to);

/** The key does not open that household: thrown out, signed off, another's, or never there. */
export class NotOpened extends Error {
  constructor() {
    super('this household is not open to whoever asks');
  }
}
async function openFor(tx: Transaction, { householdId, key }: Door): Promise<void> {
  const proof = 'proof' in key ? key.proof : null;
  const { rows } = await tx.execute(sql`select 1 from open_household(${key.by}, ${proof}, ${householdId}::uuid)`);
  if (rows.length === 0) throw new NotOpened();
}
/** Begin a household of one's own: at home by its id alone, elsewhere as whoever is signed in, who becomes its owner. */
async function found(tx: Transaction, { householdId, key }: Door): Promise<void> {
  if (key.by !== 'session') return openFor(tx, { householdId, key });
  const { rows } = await tx.execute<{ done: boolean }>(
    sql`select found_household(${key.proof}, ${householdId}::uuid) as done`,
  );
  if (!rows[0]?.done) throw new NotOpened();
}

/** Look at this household: one consistent moment, nothing can be written. An id alone is a household of this machine, at home. */
export async function lookInHousehold<T>(to: Door | string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  const look = (from: Database): Promise<T> =>
    from.transaction(
      async (tx) => {
        await openFor(tx, doorTo(to));
        return work(tx);
      },
      { isolationLevel: 'repeatable read', accessMode: 'read only' },
    );
  const from = looking();
  if (from === db) return look(from);
  try {
    return await look(from);
  } catch (error) {
    if (!isUnavailable(error)) throw error;
    followerRestsUntil = Date.now() + followerRestMs;
    return look(database());
  }
}
/** Change this household: one change at a time, all of it or nothing. */
export const inHousehold = <T>(to: Door | string, work: (tx: Transaction) => Promise<T>): Promise<T> =>
  change(doorTo(to), openFor, work);
/** The same in a household that may not be there yet. */
export const inNewHousehold = <T>(to: Door | string, work: (tx: Transaction) => Promise<T>): Promise<T> =>
  change(doorTo(to), found, work);

async function change<T>(
  door: Door,
  open: (tx: Transaction, door: Door) => Promise<void>,
  work: (tx: Transaction) => Promise<T>,
): Promise<T> {
  for (let left = lockTries - 1; ; left--) {
    let held = false;
    try {
      return await database().transaction(async (tx) => {
        await open(tx, door);
        await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${door.householdId}, 0))`);
        held = true;
        return work(tx);
      });
    } catch (error) {
      if (held || left === 0 || !hasCode(error, lockNotHad)) throw error;
    }
  }
}

/** SQLSTATE of a lock that was not had in time. */
const lockNotHad = /^55P03$/;
const codeOf = (e: Error): string => ('code' in e && typeof e.code === 'string' ? e.code : '');
/** The error and what caused it. */
function causes(error: unknown): Error[] {
  const all: Error[] = [];
  for (let e: unknown = error; e instanceof Error && all.length < 5; e = e.cause) all.push(e);
  return all;
}
const hasCode = (error: unknown, codes: RegExp): boolean => causes(error).some((e) => codes.test(codeOf(e)));
/** SQLSTATE classes and codes that say "not now": connection, resources, shutdown, time over, lock not had. */
const notNow = /^(08|53|57P0[1-5]|57014|55P03|40001|40P01|25P03)/;
const brokenLine = /timeout|terminated|ECONNREFUSED|ECONNRESET|EPIPE|Connection ended|not queryable/i;
/** Whether a failure means that the database does not answer for now, rather than a fault of ours. */
export const isUnavailable = (error: unknown): boolean =>
  causes(error).some((e) => notNow.test(codeOf(e)) || brokenLine.test(codeOf(e)) || brokenLine.test(e.message));

export async function closeDatabase(): Promise<void> {
  await Promise.all([pool?.end(), follower?.pool.end()]);
  pool = undefined;
  db = undefined;
  follower = undefined;
}
