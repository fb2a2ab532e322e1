// Plain JS: applies the migrations without a compiler. Needs node_modules.
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

const lockNumber = 727_314;

/** The tables of the queue, as its package makes them, and the queues themselves: made by the owner, used by the desk. */
async function prepareQueue(client, ownerUrl) {
  const { queueSchema, queues } = await import('./queues.mjs');
  const { default: PgBoss } = await import('pg-boss');
  const boss = new PgBoss({
    connectionString: ownerUrl,
    schema: queueSchema,
    supervise: false,
    schedule: false,
    max: 2,
  });
  await boss.start();
  for (const [name, options] of Object.entries(queues))
    if (await boss.getQueue(name)) await boss.updateQueue(name, options);
    else await boss.createQueue(name, { name, ...options });
  await boss.stop({ graceful: false });
  await client.query(`grant usage on schema ${queueSchema} to neatfold_desk`);
  await client.query(`grant select, insert, update, delete on all tables in schema ${queueSchema} to neatfold_desk`);
}

/**
 * The roles that serve pages own nothing and pass no wall. The first reads and writes the household that was opened; the second keeps accounts
 * and the queue of work, and sees no household.
 */
const roles = (info) => ({ neatfold_app: info.appPassword, neatfold_desk: info.deskPassword });

/**
 * Create roles and database when missing, migrate under a lock, grant each role what it needs and no more. `mode`: at home every household of
 * this machine is open to it; hosted, only who shows a session, a device or work under way.
 */
export async function prepareDatabase(info, migrationsFolder, { mode = 'home' } = {}) {
  const { adminUrl, ownerUrl } = info;
  const admin = new pg.Client({ connectionString: adminUrl });
  await admin.connect();
  for (const [role, password] of Object.entries(roles(info)))
    if ((await admin.query('select 1 from pg_roles where rolname = $1', [role])).rowCount === 0)
      await admin.query(
        `create role ${role} login nosuperuser nobypassrls nocreatedb nocreaterole password ${admin.escapeLiteral(password)}`,
      );
  const has = await admin.query(`select 1 from pg_database where datname = 'neatfold'`);
  if (has.rowCount === 0) await admin.query('create database neatfold');
  await admin.end();
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  await client.query(`select pg_advisory_lock(${lockNumber})`);
  await migrate(drizzle(client), { migrationsFolder });
  await client.query('grant usage on schema public to neatfold_app');
  await client.query('grant select, insert, update, delete on all tables in schema public to neatfold_app');
  await client.query('grant usage on all sequences in schema public to neatfold_app');
  // Events are append-only: the application may not change or remove what happened.
  await client.query('revoke update, delete on event from neatfold_app');
  // A household's rows are few: a question about them is never worth a second process, and compiling it takes far longer than asking it.
  for (const role of Object.keys(roles(info)))
    for (const setting of ['max_parallel_workers_per_gather = 0', 'jit = off'])
      await client.query(`alter role ${role} set ${setting}`);
  await client.query('grant usage on schema accounts to neatfold_desk');
  await client.query('grant select, insert, update, delete on all tables in schema accounts to neatfold_desk');
  // What happened to accounts stays as it was written.
  await client.query('revoke update, delete on accounts.trail from neatfold_desk');
  await client.query(
    'grant execute on function households_of(text), take_up_work(), take_reminders() to neatfold_desk',
  );
  await client.query('update wall.installation set mode = $1 where mode <> $1', [mode]);
  await prepareQueue(client, ownerUrl);
  await client.end();
}

/** Drop the application's database; the next prepareDatabase makes a new one. */
export async function dropDatabase({ adminUrl }) {
  const admin = new pg.Client({ connectionString: adminUrl });
  await admin.connect();
  await admin.query('drop database if exists neatfold with (force)');
  await admin.end();
}
