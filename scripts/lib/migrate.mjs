// Plain JS: applies the migrations without a compiler. Needs node_modules.
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

const lockNumber = 727_314;

/** Create role and database when missing, migrate under a lock, grant the application what it needs and no more. */
export async function prepareDatabase({ adminUrl, ownerUrl, appPassword }, migrationsFolder) {
  const admin = new pg.Client({ connectionString: adminUrl });
  await admin.connect();
  const role = await admin.query(`select 1 from pg_roles where rolname = 'neatfold_app'`);
  if (role.rowCount === 0) {
    await admin.query(
      `create role neatfold_app login nosuperuser nobypassrls nocreatedb nocreaterole password ${admin.escapeLiteral(appPassword)}`,
    );
  }
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
  await client.end();
}

/** Drop the application's database; the next prepareDatabase makes a new one. */
export async function dropDatabase({ adminUrl }) {
  const admin = new pg.Client({ connectionString: adminUrl });
  await admin.connect();
  await admin.query('drop database if exists neatfold with (force)');
  await admin.end();
}
