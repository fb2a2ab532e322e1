// `npm start` on a bare clone: install what is missing, start PostgreSQL, migrate, load the demo household, build, serve.
import path from 'node:path';
import { startPostgres } from './lib/postgres.mjs';
import { hold } from './lib/lock.mjs';
import {
  checkNode,
  ensureBuild,
  ensurePackages,
  ensureSystemPackages,
  fail,
  keepLog,
  plain,
  portIsFree,
  root,
  run,
  say,
  sayPlainly,
  seed,
  startServer,
  startStandIns,
} from './lib/setup.mjs';

const dev = process.argv.includes('--dev');
const fresh = process.argv.includes('--fresh');
const port = Number(process.env.PORT ?? 4173);
const logFile = process.env.NEAT_FOLD_LOG ?? path.join(root, '.data/neat-fold.log');

process.chdir(root);
sayPlainly();
checkNode();
if (!Number.isInteger(port) || port < 1 || port > 65535) fail(`PORT must be a port number, not "${process.env.PORT}"`);
const checkPort = async () => {
  if (!(await portIsFree(port)))
    fail(`port ${port} is in use; stop what runs there, or choose another: PORT=${port + 1} npm start`);
};
await checkPort();
// Two starts in one folder set it up one after the other.
const letGo = await hold(`${root} setup`, { onWait: () => say('waiting for another start in this folder') });
await checkPort();
ensureSystemPackages();
ensurePackages();
const database = await startPostgres(root, { log: say });
const { prepareDatabase } = await import('./lib/migrate.mjs');
const deviceTokens = path.join(root, '.data/devices.json');
let child;
let standIns;
try {
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  seed(database.appUrl, [`--devices=${deviceTokens}`, ...(fresh ? ['--fresh'] : [])]);
  if (dev) run(process.execPath, ['node_modules/@react-router/dev/bin.js', 'typegen']);
  else ensureBuild();
  keepLog(logFile);
  child = await startServer({ databaseUrl: database.appUrl, port, dev, log: logFile });
  standIns = await startStandIns({ app: child.address, tokens: deviceTokens }).catch(() => null);
} catch (error) {
  await database.leave();
  fail(plain(error));
}
await letGo();
say(`Neat Fold is ready: ${child.address}   (Ctrl-C stops it)`);
if (standIns) say(`a machine and its plug, stood in for: ${standIns.address}`);
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.child.kill('SIGTERM'));
// npm does not pass SIGTERM on: notice that it is gone.
const parent = process.ppid;
if (process.env.npm_lifecycle_event)
  setInterval(() => {
    if (process.ppid !== parent) child.child.kill('SIGTERM');
  }, 500).unref();
const code = await child.exited;
standIns?.child.kill('SIGTERM');
await database.leave(); // the last to leave stops it
say('stopped');
process.exit(typeof code === 'number' ? code : 0);
