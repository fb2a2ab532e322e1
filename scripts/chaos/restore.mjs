// A household is deleted by mistake: the database is put back from a backup and its log to the moment before.
import { spawnSync } from 'node:child_process';
import { appendFileSync, chownSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { baseBackup, folderOf, restart, startCopy } from '../lib/followers.mjs';
import { prepareDatabase } from '../lib/migrate.mjs';
import { startPostgres } from '../lib/postgres.mjs';
import { root, say, seed } from '../lib/setup.mjs';

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

export async function restore() {
  const place = mkdtempSync(path.join(os.tmpdir(), 'neat-fold-restore-'));
  spawnSync('chmod', ['755', place]);
  const cluster = await startPostgres(place, { name: 'pg' });
  await prepareDatabase(cluster, path.join(root, 'data/migrations'));
  const { default: pg } = await import('pg');
  const at = async (url, work) => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    try {
      return await work((query, values = []) => client.query(query, values).then((r) => r.rows));
    } finally {
      await client.end();
    }
  };
  const kept = folderOf(cluster, path.join(place, 'log'));
  await at(cluster.ownerUrl, async (ask) => {
    await ask('alter system set archive_mode = on');
    await ask(`alter system set archive_command = 'test ! -f ${kept}/%f && cp %p ${kept}/%f'`);
  });
  restart(cluster);
  const copies = folderOf(cluster, path.join(place, 'copies'));
  const backup = path.join(copies, 'base');
  const from = Date.now();
  baseBackup(cluster, backup);
  say(`a backup of the running database in ${((Date.now() - from) / 1000).toFixed(1)} s`);
  // Everything after the backup is in its log alone.
  seed(cluster.appUrl);
  const count = (ask) =>
    ask(
      `select (select count(*)::int from event) as events, (select count(*)::int from garment) as pieces, (select count(*)::int from load) as loads`,
    ).then((r) => r[0]);
  const before = await at(cluster.ownerUrl, count);
  const [{ moment }] = await at(cluster.ownerUrl, (ask) => ask('select clock_timestamp()::text as moment'));
  await sleep(1_500);
  await at(cluster.ownerUrl, async (ask) => {
    for (const table of [
      'event',
      'basket_entry',
      'treatment',
      'wet_piece',
      'freshening',
      'photo',
      'finding',
      'reminder',
      'day_wish',
      'load',
      'plan',
      'garment',
    ])
      await ask(`delete from ${table}`);
    await ask('select pg_switch_wal()');
  });
  const after = await at(cluster.ownerUrl, count);
  await sleep(2_000);

  const began = Date.now();
  appendFileSync(
    path.join(backup, 'postgresql.auto.conf'),
    `\narchive_mode = off\nrestore_command = 'cp ${kept}/%f %p'\nrecovery_target_time = '${moment}'\nrecovery_target_action = 'promote'\n`,
  );
  const signal = path.join(backup, 'recovery.signal');
  writeFileSync(signal, '');
  const { uid, gid } = statSync(cluster.dir);
  chownSync(signal, uid, gid);
  const back = await startCopy(cluster, backup);
  for (let k = 0; k < 100; k++) {
    const [{ waits }] = await at(back.ownerUrl, (ask) => ask('select pg_is_in_recovery() as waits'));
    if (!waits) break;
    await sleep(200);
  }
  const found = await at(back.ownerUrl, count);
  const ok = after.events === 0 && before.events > 0 && JSON.stringify(found) === JSON.stringify(before);
  console.log(
    `${ok ? 'holds' : 'FAILS'}: ${before.events} events, ${before.pieces} pieces, ${before.loads} loads; after the mistake ${after.events}; put back to ${moment} in ${((Date.now() - began) / 1000).toFixed(1)} s: ${found.events}, ${found.pieces}, ${found.loads}`,
  );
  back.stop();
  await cluster.leave();
  rmSync(place, { recursive: true, force: true });
  return ok;
}
