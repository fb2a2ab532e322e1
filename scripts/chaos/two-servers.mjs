// Two servers behind the proxy, one killed again and again: no acknowledged note lost or doubled, no load started twice, clocks and reminders go on,
// a plan that was being made is taken over.
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { prepareDatabase } from '../lib/migrate.mjs';
import { startPostgres } from '../lib/postgres.mjs';
import { startProxy } from '../lib/proxy.mjs';
import { freePort, root, run, say, seed, startServer } from '../lib/setup.mjs';
import { beginWriting, reckon } from '../lib/writers.mjs';

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const post = (address, to, fields) =>
  fetch(address + to, {
    method: 'POST',
    body: new URLSearchParams({ 'form-key': randomUUID(), ...fields }),
    headers: { origin: address },
    redirect: 'manual',
    signal: AbortSignal.timeout(60_000),
  }).then(
    (r) => r.status,
    () => 'no answer',
  );

export async function twoServers(seconds) {
  const place = mkdtempSync(path.join(os.tmpdir(), 'neat-fold-two-'));
  spawnSync('chmod', ['755', place]);
  const database = await startPostgres(place, { name: 'pg' });
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  seed(database.appUrl);
  const { default: pg } = await import('pg');
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  const ask = async (query, values = []) => (await owner.query(query, values)).rows;

  const port = await freePort();
  const ports = [await freePort(), await freePort()];
  const servers = [null, null];
  const start = async (k) => {
    servers[k] = await startServer({
      database,
      port: ports[k],
      quiet: true,
      log: path.join(place, `server-${k}.log`),
      env: {
        NEATFOLD_PATIENCE_MS: '500',
        NEAT_FOLD_PAGES_PER_MINUTE: '1000000',
        NEAT_FOLD_FORMS_PER_MINUTE: '1000000',
      },
    });
  };
  const kill = async (k) => {
    servers[k].child.kill('SIGKILL');
    await servers[k].exited;
  };
  await Promise.all([start(0), start(1)]);
  const proxy = await startProxy({ folder: path.join(place, 'proxy'), port, ports });
  const wrong = [];
  const hold = (ok, what) => {
    if (!ok) wrong.push(what);
    console.log(`${ok ? 'holds' : 'FAILS'}: ${what}`);
  };

  // One load, started by twenty hands at once through both servers.
  await post(proxy.address, '/sort', { intent: 'sort' });
  for (let k = 0; k < 100 && (await ask(`select 1 from work where state in ('queued', 'active')`)).length > 0; k++)
    await sleep(200);
  const [load] = await ask(
    `select l.id from load l join plan p on p.household_id = l.household_id and p.id = l.plan_id
     where l.status = 'planned' and l.run->>'washer' is not null order by p.created_at desc, l.number limit 1`,
  );
  const starts = await Promise.all(
    Array.from({ length: 20 }, (_, k) =>
      post(`http://127.0.0.1:${ports[k % 2]}`, `/loads/${load.id}`, { intent: 'start' }),
    ),
  );
  const begun = await ask(`select ends_at from load where id = $1 and status = 'running'`, [load.id]);
  const started = starts.filter((s) => s === 302).length;
  hold(
    started === 1 && begun.length === 1,
    `a load that twenty hands start is started once (${started} told so, ${starts.filter((s) => s === 409).length} told it runs)`,
  );

  const writing = beginWriting(proxy.address, ['a', 'b', 'c', 'd', 'e', 'f']);
  const end = Date.now() + seconds * 1000;
  let kills = 0;
  for (let k = 0; Date.now() < end; k = 1 - k) {
    await sleep(3_000);
    say(`server ${k + 1} killed`);
    await kill(k);
    kills++;
    await sleep(1_500);
    await start(k);
  }
  await writing.end();
  const { lost, doubled } = await reckon(database.ownerUrl, writing.acknowledged);
  console.log(`seen: ${[...writing.seen].map(([what, n]) => `${what} ${n}`).join(', ')}`);
  hold(
    lost.length + doubled.length === 0 && writing.acknowledged.size > 0,
    `${kills} times a server was killed: acknowledged ${writing.acknowledged.size}, lost ${lost.length}, doubled ${doubled.length}`,
  );

  const [clock] = await ask(`select ends_at from load where id = $1`, [load.id]);
  const ticket = await Promise.all(
    ports.map(async (p) => (await fetch(`http://127.0.0.1:${p}/loads/${load.id}`)).status),
  );
  hold(
    clock.ends_at.getTime() === begun[0].ends_at.getTime() && ticket.every((s) => s === 200),
    'the clock of the load is where it was, on both servers',
  );
  await ask(`update load set ends_at = now() where id = $1`, [load.id]);
  for (let k = 0; k < 75 && (await ask('select 1 from reminder')).length === 0; k++) await sleep(1_000);
  await sleep(2_000);
  hold(
    (await ask('select 1 from reminder where load_id = $1', [load.id])).length === 1,
    'the end of the load is called out once, by one of two servers',
  );

  // A plan that is being made when its server dies.
  await kill(1);
  run(process.execPath, ['--import', 'tsx', 'bench/fill.ts', '700'], { env: { DATABASE_URL: database.appUrl } });
  const before = (await ask('select 1 from plan')).length;
  await post(`http://127.0.0.1:${ports[0]}`, '/sort', { intent: 'sort' });
  const active = () => ask(`select id, tries, state from work where kind = 'plan' order by created_at desc limit 1`);
  for (let k = 0; k < 50 && (await active())[0]?.state !== 'active'; k++) await sleep(100);
  const [ordered] = await active();
  await start(1);
  await kill(0);
  const from = Date.now();
  let now = ordered;
  for (let k = 0; k < 240 && now.state !== 'done' && now.state !== 'failed'; k++) {
    await sleep(500);
    [now] = await active();
  }
  const plans = (await ask('select 1 from plan')).length - before;
  hold(
    ordered.state === 'active' && now.state === 'done' && now.tries === 2 && plans === 1,
    `a plan whose server died is made by the other (${now.state}, try ${now.tries}, ${plans} stored, ${Math.round((Date.now() - from) / 1000)} s)`,
  );

  await proxy.stop();
  servers[1].child.kill('SIGTERM');
  await servers[1].exited;
  await owner.end();
  await database.leave();
  rmSync(place, { recursive: true, force: true });
  return wrong.length === 0;
}
