// `npm start` on a bare clone: install what is missing, start PostgreSQL, migrate, load the demo household, build, serve.
import path from 'node:path';
import { startPostgres } from './lib/postgres.mjs';
import {
  checkNode,
  ensureBuild,
  ensurePackages,
  ensureSystemPackages,
  fail,
  portIsFree,
  root,
  run,
  say,
  seed,
  startServer,
} from './lib/setup.mjs';

const dev = process.argv.includes('--dev');
const fresh = process.argv.includes('--fresh');
const port = Number(process.env.PORT ?? 4173);

process.chdir(root);
checkNode();
if (!Number.isInteger(port) || port < 1 || port > 65535) fail(`PORT must be a port number, not "${process.env.PORT}"`);
if (!(await portIsFree(port)))
  fail(`port ${port} is in use; stop what runs there, or choose another: PORT=${port + 1} npm start`);
ensureSystemPackages();
ensurePackages();
const database = await startPostgres(root, { log: say });
const { dropDatabase, prepareDatabase } = await import('./lib/migrate.mjs');
let child;
const stopAll = () => {
  if (!database.reused) database.stop();
}; // never stop a cluster that another start is using
try {
  if (fresh) await dropDatabase(database);
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  seed(database.appUrl);
  if (dev) run(process.execPath, ['node_modules/@react-router/dev/bin.js', 'typegen']);
  else ensureBuild();
  child = await startServer({ databaseUrl: database.appUrl, port, dev });
} catch (error) {
  stopAll();
  fail(error instanceof Error ? error.message : String(error));
}
say(`Neat Fold is ready: ${child.address}   (Ctrl-C stops it)`);
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.child.kill('SIGTERM'));
// npm does not pass SIGTERM on: notice that it is gone.
const parent = process.ppid;
if (process.env.npm_lifecycle_event)
  setInterval(() => {
    if (process.ppid !== parent) child.child.kill('SIGTERM');
  }, 500).unref();
const code = await child.exited;
stopAll();
say('stopped');
process.exit(typeof code === 'number' ? code : 0);
