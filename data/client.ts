/** The one door to the database: a transaction opened for one household. */
import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from './schema.ts';

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

let pool: pg.Pool | undefined;
let db: Database | undefined;

export function database(): Database {
  if (!db) {
    const connectionString = process.env.DATABASE_URL;
    if (!connectionString) throw new Error('DATABASE_URL is not set');
    pool = new pg.Pool({ connectionString, max: 8 });
    pool.on('error', () => {}); // an idle connection that breaks is replaced at the next query
    pool.on('connect', (client) => client.on('error', () => {})); // one that breaks in a transaction fails that request, not the server
    db = drizzle(pool, { schema });
  }
  return db;
}

/** Run `work` in a transaction that sees only this household's rows. */
export function inHousehold<T>(householdId: string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return database().transaction(async (tx) => {
    await tx.execute(sql`select set_config('app.household_id', ${householdId}, true)`);
    return work(tx);
  });
}

export async function closeDatabase(): Promise<void> {
  await pool?.end();
  pool = undefined;
  db = undefined;
}
