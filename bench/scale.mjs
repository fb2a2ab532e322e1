// `npm run scale`: a thousand households with ten million events, the log in parts, and how far one machine goes. Prints Markdown (docs/scale.md);
// `-- --households 100` for a small one. Takes about half an hour and 15 GB of disk.
import { randomUUID } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startPostgres } from '../scripts/lib/postgres.mjs';
import { startProxy } from '../scripts/lib/proxy.mjs';
import {
  checkNode,
  ensureBuild,
  ensurePackages,
  ensureSystemPackages,
  freePort,
  root,
  say,
  seed,
  startServer,
} from '../scripts/lib/setup.mjs';

process.chdir(root);
checkNode();
ensureSystemPackages({ nginx: true });
ensurePackages();
ensureBuild();
const { default: pg } = await import('pg');
const { dropDatabase, prepareDatabase } = await import('../scripts/lib/migrate.mjs');
const given = process.argv.indexOf('--households');
const households = given > 0 ? Number(process.argv[given + 1]) : 1_000;
const eventsEach = 10_000;
const database = await startPostgres(root, { name: 'pg-scale', log: say });
const quantile = (xs, q) => [...xs].sort((a, b) => a - b)[Math.max(0, Math.ceil(q * xs.length) - 1)];
const row = (...cells) => console.log(`| ${cells.join(' | ')} |`);
const head = (title, ...cells) => {
  console.log(`\n### ${title}\n`);
  row(...cells);
  row(...cells.map(() => '---'));
};
const owner = async () => {
  const client = new pg.Client({ connectionString: database.ownerUrl });
  await client.connect();
  return client;
};

/** Copies of the demo household, each with a log of so many events. */
async function fill() {
  const client = await owner();
  const ask = (query, values = []) => client.query(query, values).then((r) => r.rows);
  const [{ id: demo }] = await ask('select household_id as id from household');
  const columnsOf = async (table) =>
    (
      await ask(
        `select column_name as c from information_schema.columns where table_schema = 'public' and table_name = $1
         and column_name <> 'household_id' and is_generated = 'NEVER' order by ordinal_position`,
        [table],
      )
    )
      .map((r) => `"${r.c}"`)
      .join(', ');
  await ask('create temp table copies as select gen_random_uuid() as id, k from generate_series(1, $1) k', [
    households,
  ]);
  for (const table of [
    'household',
    'washer',
    'programme',
    'equipment',
    'product',
    'garment',
    'basket_entry',
    'wet_piece',
  ]) {
    const columns = await columnsOf(table);
    await ask(
      `insert into ${table} (household_id, ${columns}) select copies.id, ${columns.replaceAll('"id"', `${table}."id"`)} from copies, ${table} where ${table}.household_id = $1`,
      [demo],
    );
  }
  // The log: the demo's half year, again and again into the past.
  await ask('alter table event drop constraint event_household_id_garment_id_garment_household_id_id_fk');
  for (const index of ['event_garment', 'event_newest', 'event_kind', 'event_strikes'])
    await ask(`drop index ${index}`);
  const [{ n }] = await ask('select count(*)::int as n from event');
  for (let round = 0; round * n < eventsEach; round++)
    await ask(
      `insert into event (household_id, at, kind, garment_id, actor, data)
       select c.id, e.at - make_interval(days => $2), e.kind, e.garment_id, e.actor, e.data - 'struck' - 'corrects'
       from copies c, (select * from event where household_id = $1 order by id limit $3) e`,
      [demo, round * 182, Math.min(n, eventsEach - round * n)],
    );
  await ask(`create index event_garment on event (household_id, garment_id, at)`);
  await ask(`create index event_newest on event (household_id, at, id) where strikes is null`);
  await ask(`create index event_kind on event (household_id, kind, at)`);
  await ask(`create index event_strikes on event (household_id, strikes) where strikes is not null`);
  await ask(`alter table event add constraint event_household_id_garment_id_garment_household_id_id_fk
    foreign key (household_id, garment_id) references garment (household_id, id)`);
  await client.end();
}

/** What pages ask of the log, in the words of the application. */
const questions = {
  'washes since a day': `select count(*) from event where kind = 'washed' and at > now() - interval '60 days'`,
  'entries that stand': 'select count(*) from event where strikes is null',
  'the newest fifty': 'select at, id from event where strikes is null order by at desc, id desc limit 50',
  'one piece': `select at, kind, data from event where garment_id = 'juna-jeans' order by at`,
};
/** Each question of three hundred households, one after the other, as the role that serves pages; and how the last was answered. */
async function askLog(title) {
  const admin = await owner();
  await admin.query('vacuum analyze event');
  const { rows: sizes } = await admin.query(
    `select count(*)::bigint as n, pg_size_pretty(sum(pg_total_relation_size(c.oid))) as size from pg_class c
     where c.relkind = 'r' and (c.relname = 'event' or c.relname ~ '^event_[0-9]+$')`,
  );
  const { rows: total } = await admin.query('select count(*)::bigint as n from event');
  const ids = (await admin.query('select household_id as id from household')).rows.map((r) => r.id);
  await admin.end();
  const client = new pg.Client({ connectionString: database.appUrl });
  await client.connect();
  head(
    `${title}: ${Number(total[0].n).toLocaleString('en-GB')} events of ${ids.length.toLocaleString('en-GB')} households, ${sizes[0].size}`,
    'question',
    'median, ms',
    '95 %, ms',
    'how',
  );
  const times = {};
  for (const [name, query] of Object.entries(questions)) {
    const ms = [];
    let how = '';
    for (let k = -20; k < 300; k++) {
      const id = ids[Math.floor(Math.random() * ids.length)];
      await client.query('begin isolation level repeatable read read only');
      await client.query(`select 1 from open_household('home', null, $1)`, [id]);
      const from = performance.now();
      await client.query(query);
      if (k >= 0) ms.push(performance.now() - from);
      if (k === 299) {
        const { rows } = await client.query(`explain (analyze, costs off, timing off, summary off) ${query}`);
        const lines = rows
          .map((r) => r['QUERY PLAN'])
          .filter((l) => /Scan/.test(l) && !/never executed|Function Scan/.test(l));
        how = lines
          .map((l) =>
            l
              .trim()
              .replace(/^->\s*/, '')
              .replace(/ \(actual.*/, ''),
          )
          .join('; ');
        const skipped = rows.filter((r) => /never executed/.test(r['QUERY PLAN'])).length;
        if (skipped > 0) how += `; ${skipped} parts not touched`;
      }
      await client.query('commit');
    }
    times[name] = quantile(ms, 0.5);
    row(name, quantile(ms, 0.5).toFixed(2), quantile(ms, 0.95).toFixed(2), how);
  }
  await client.end();
  return { times, ids };
}

const cookieOf = (id) => `household=${encodeURIComponent(Buffer.from(JSON.stringify(id)).toString('base64'))}`;
/** So many people ask without a pause, each for another household each time; requests a second and times. */
async function crowd(address, ids, clients, seconds, ask) {
  const ms = [];
  let failed = 0;
  const end = Date.now() + seconds * 1000;
  await Promise.all(
    Array.from({ length: clients }, async () => {
      while (Date.now() < end) {
        const id = ids[Math.floor(Math.random() * ids.length)];
        const from = performance.now();
        const ok = await ask(address, id).catch(() => false);
        if (ok) ms.push(performance.now() - from);
        else failed++;
      }
    }),
  );
  return { perSecond: ms.length / seconds, p50: quantile(ms, 0.5), p95: quantile(ms, 0.95), failed };
}
const look = (to) => async (address, id) => {
  const answer = await fetch(address + to, { headers: { cookie: cookieOf(id) } });
  await answer.arrayBuffer();
  return answer.ok;
};
const send = (to, fields) => async (address, id) => {
  const answer = await fetch(address + to, {
    method: 'POST',
    body: new URLSearchParams({ 'form-key': randomUUID(), ...fields }),
    headers: { cookie: cookieOf(id), origin: address },
    redirect: 'manual',
  });
  return answer.status === 302;
};
/** `brief`: pages alone, of one server. */
async function oneMachine(title, ids, brief = false) {
  const env = {
    NEAT_FOLD_PAGES_PER_MINUTE: '10000000',
    NEAT_FOLD_FORMS_PER_MINUTE: '10000000',
    NEATFOLD_PATIENCE_MS: '60000',
  };
  const ports = [await freePort(), await freePort()];
  const servers = [];
  const begin = async (k) => servers.push(await startServer({ database, port: ports[k], quiet: true, env }));
  await begin(0);
  head(title, 'what', 'servers', 'at once', 'a second', 'median, ms', '95 %, ms', 'failed');
  const try1 = async (what, count, address, clients, ask, seconds = 10) => {
    const r = await crowd(address, ids, clients, seconds, ask);
    row(what, count, clients, r.perSecond.toFixed(1), Math.round(r.p50), Math.round(r.p95), r.failed);
  };
  const direct = `http://127.0.0.1:${ports[0]}`;
  const all = async (count, address) => {
    for (const to of ['/basket', '/wash', '/log']) {
      await look(to)(address, ids[0]);
      await try1(`GET ${to}`, count, address, 8, look(to));
    }
    if (brief) return;
    await try1('POST a note', count, address, 8, send('/pieces/juna-jeans', { intent: 'note', note: 'measured.' }));
    await try1('POST sort: a plan of 26 pieces', count, address, 4, send('/sort', { intent: 'sort' }), 30);
  };
  await all(1, direct);
  if (brief) {
    servers[0].child.kill('SIGTERM');
    await servers[0].exited;
    return;
  }
  await begin(1);
  const folder = path.join(os.tmpdir(), `neat-fold-proxy-${process.pid}`);
  mkdirSync(folder, { recursive: true });
  const proxy = await startProxy({ folder, port: await freePort(), ports, pagesPerSecond: 100_000 });
  await all('2 + proxy', proxy.address);
  await proxy.stop();
  rmSync(folder, { recursive: true, force: true });
  for (const s of servers) s.child.kill('SIGTERM');
  await Promise.all(servers.map((s) => s.exited));
}

try {
  await dropDatabase(database);
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  seed(database.appUrl);
  say('filling');
  await fill();
  say('asking the log as one table');
  const whole = await askLog('The log as one table');
  await oneMachine('One machine, every request of another household', whole.ids);
  const admin = await owner();
  say('dividing the log');
  await admin.query(readFileSync(path.join(root, 'deploy/partition-events.sql'), 'utf8'));
  await admin.end();
  say('asking the log in parts');
  const parts = await askLog('The log in 32 parts');
  head('Parts against one table', 'question', 'ratio of medians');
  for (const name of Object.keys(questions)) row(name, (parts.times[name] / whole.times[name]).toFixed(2));
  await oneMachine('The same pages with the log in 32 parts', parts.ids, true);
} finally {
  await dropDatabase(database);
  await database.leave();
}
