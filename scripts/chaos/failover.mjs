// A database server that follows the first takes its place: the first is killed under load, the other promoted. Nothing acknowledged is lost, and
// what was stored is read back at once although pages are read from the follower.
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startFollower } from '../lib/followers.mjs';
import { prepareDatabase } from '../lib/migrate.mjs';
import { startPostgres } from '../lib/postgres.mjs';
import { startProxy } from '../lib/proxy.mjs';
import { freePort, root, say, seed, startServer } from '../lib/setup.mjs';
import { beginWriting, reckon } from '../lib/writers.mjs';

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

export async function failover() {
  const place = mkdtempSync(path.join(os.tmpdir(), 'neat-fold-failover-'));
  spawnSync('chmod', ['755', place]);
  const first = await startPostgres(place, { name: 'pg' });
  await prepareDatabase(first, path.join(root, 'data/migrations'));
  seed(first.appUrl);
  spawnSync('chmod', ['777', path.dirname(first.dir)]);
  const second = await startFollower(first);
  const { default: pg } = await import('pg');
  const owner = new pg.Client({ connectionString: first.ownerUrl });
  owner.on('error', () => {});
  await owner.connect();
  // What is acknowledged is on both, and seen on both.
  await owner.query(`alter system set synchronous_standby_names = '*'`);
  await owner.query(`alter system set synchronous_commit = 'remote_apply'`);
  await owner.query('select pg_reload_conf()');

  const database = {
    appUrl: `${first.appUrl},${second.appUrl}`,
    deskUrl: `${first.deskUrl},${second.deskUrl}`,
  };
  const port = await freePort();
  const ports = [await freePort(), await freePort()];
  const servers = await Promise.all(
    ports.map((p, k) =>
      startServer({
        database,
        port: p,
        quiet: true,
        log: path.join(place, `server-${k}.log`),
        env: {
          DATABASE_READ_URL: second.appUrl,
          NEAT_FOLD_PAGES_PER_MINUTE: '1000000',
          NEAT_FOLD_FORMS_PER_MINUTE: '1000000',
        },
      }),
    ),
  );
  const proxy = await startProxy({ folder: path.join(place, 'proxy'), port, ports });

  let unread = 0;
  for (let k = 0; k < 40; k++) {
    const note = `read back ${k}.`;
    const body = new URLSearchParams({ 'form-key': randomUUID(), intent: 'note', note });
    const to = `${proxy.address}/pieces/juna-jeans`;
    await fetch(to, { method: 'POST', body, headers: { origin: proxy.address }, redirect: 'manual' });
    if (!(await (await fetch(to)).text()).includes(note)) unread++;
  }
  const { rows: read } = await owner.query(
    `select (select count(*)::int from pg_stat_replication where sync_state = 'sync') as followers`,
  );
  console.log(
    `${unread === 0 ? 'holds' : 'FAILS'}: what is stored is read back at once from the follower (${unread} of 40 not; ${read[0].followers} follows)`,
  );

  const writing = beginWriting(proxy.address, ['a', 'b', 'c', 'd', 'e', 'f']);
  await sleep(5_000);
  say('the first database server is killed');
  process.kill(Number(readFileSync(path.join(first.dir, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
  const from = Date.now();
  await sleep(1_000);
  second.promote();
  const known = writing.acknowledged.size;
  while (writing.acknowledged.size <= known && Date.now() - from < 60_000) await sleep(50);
  const away = ((Date.now() - from) / 1000).toFixed(1);
  await sleep(5_000);
  await writing.end();
  const { lost, doubled } = await reckon(second.ownerUrl, writing.acknowledged);
  console.log(`seen: ${[...writing.seen].map(([what, n]) => `${what} ${n}`).join(', ')}`);
  const ok = unread === 0 && lost.length + doubled.length === 0 && writing.acknowledged.size > known;
  console.log(
    `${ok ? 'holds' : 'FAILS'}: stored again ${away} s after the first was killed (1 s of it until somebody promoted the other): acknowledged ${writing.acknowledged.size}, lost ${lost.length}, doubled ${doubled.length}`,
  );
  await proxy.stop();
  for (const s of servers) s.child.kill('SIGTERM');
  await Promise.all(servers.map((s) => s.exited));
  await owner.end().catch(() => {});
  second.stop();
  await first.leave();
  rmSync(place, { recursive: true, force: true });
  return ok;
}
