/**
 * The second way to the database: accounts, and the queue of work. Its role sees no row of any household, and the role that serves households
 * sees nothing of these (decision 18).
 */
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from './accounts-schema.ts';
import { patienceMs } from './client.ts';
import { currentUrl, whenTurned } from './servers.ts';

export type Desk = NodePgDatabase<typeof schema>;
type DeskTransaction = Parameters<Parameters<Desk['transaction']>[0]>[0];
/** The desk, or one change at it. */
export type AtDesk = Desk | DeskTransaction;
const connections = 8;

let pool: pg.Pool | undefined;
let db: Desk | undefined;
export function desk(): Desk {
  if (!db) {
    pool = new pg.Pool({
      connectionString: currentUrl('DESK_DATABASE_URL'),
      max: connections,
      connectionTimeoutMillis: patienceMs.connection,
      lock_timeout: patienceMs.lock,
      statement_timeout: patienceMs.statement,
      query_timeout: patienceMs.answer,
      idle_in_transaction_session_timeout: patienceMs.idle,
    });
    pool.on('error', () => {}); // an idle connection that breaks is replaced at the next query
    pool.on('connect', (client) => client.on('error', () => {}));
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
export async function closeDesk(): Promise<void> {
  await pool?.end();
  pool = undefined;
  db = undefined;
}
