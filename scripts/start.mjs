// `npm start` on a bare clone: install what is missing, start PostgreSQL, migrate, load the demo household, build, serve.
import os from 'node:os';
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
  keptSecret,
  plain,
  portIsFree,
  root,
  run,
  say,
  sayPlainly,
  seed,
  startServer,
  startMailStandIn,
  startStandIns,
} from './lib/setup.mjs';

const dev = process.argv.includes('--dev');
const fresh = process.argv.includes('--fresh');
const share = process.argv.includes('--share');
const mode = process.env.NEAT_FOLD_MODE ?? 'home';
const port = Number(process.env.PORT ?? 4173);
const logFile = process.env.NEAT_FOLD_LOG ?? path.join(root, '.data/neat-fold.log');

process.chdir(root);
sayPlainly();
checkNode();
if (!Number.isInteger(port) || port < 1 || port > 65535) fail(`PORT must be a port number, not "${process.env.PORT}"`);
if (mode !== 'home' && mode !== 'hosted') fail(`NEAT_FOLD_MODE is home or hosted, not "${mode}"`);
if (mode === 'hosted' && share)
  fail('--share is for a machine at home; a hosted service stands behind a proxy (docs/scale.md)');
const sharePort = port + 1;
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
/** Listen to the home network too, encrypted with a certificate of our own. */
async function shareWithNetwork() {
  const { networkAddresses, ownCertificate } = await import('./lib/certificate.mjs');
  const names = networkAddresses();
  if (names.length === 0) fail('--share: this machine is on no network');
  if (!(await portIsFree(sharePort, '0.0.0.0'))) fail(`--share: port ${sharePort} is in use; choose another PORT`);
  const { cert, key, authority, fingerprint } = await ownCertificate(path.join(root, '.data/share'), [
    ...names,
    os.hostname(),
    `${os.hostname()}.local`,
  ]);
  shared = names.map((n) => `https://${n}:${sharePort}`);
  return {
    NEAT_FOLD_SHARE: JSON.stringify({ port: sharePort, addresses: shared, cert, key, authority, fingerprint }),
    NEAT_FOLD_HOSTS: [process.env.NEAT_FOLD_HOSTS, ...names, os.hostname(), `${os.hostname()}.local`]
      .filter(Boolean)
      .join(','),
  };
}
let child;
let standIns;
let letters;
let shared = [];
try {
  await prepareDatabase(database, path.join(root, 'data/migrations'), { mode });
  // The demo is for trying at home; a hosted household is somebody's.
  if (mode === 'home') seed(database.appUrl, [`--devices=${deviceTokens}`, ...(fresh ? ['--fresh'] : [])]);
  if (dev) run(process.execPath, ['node_modules/@react-router/dev/bin.js', 'typegen']);
  else ensureBuild();
  keepLog(logFile);
  const env = { NEAT_FOLD_MODE: mode };
  if (mode === 'hosted') {
    env.NEAT_FOLD_SECRET = process.env.NEAT_FOLD_SECRET ?? keptSecret(path.join(root, '.data/secret'));
    if (!process.env.NEAT_FOLD_SMTP) {
      letters = await startMailStandIn({}).catch(() => null);
      if (letters) env.NEAT_FOLD_SMTP = letters.smtp;
    }
  }
  if (share) Object.assign(env, await shareWithNetwork());
  child = await startServer({ database, port, dev, log: logFile, env });
  if (mode === 'home') standIns = await startStandIns({ app: child.address, tokens: deviceTokens }).catch(() => null);
} catch (error) {
  await database.leave();
  fail(plain(error));
}
await letGo();
// Sessions and passkeys belong to a name: a hosted service is opened by the one it was given.
const opened = mode === 'hosted' ? (process.env.NEAT_FOLD_ORIGIN ?? `http://localhost:${port}`) : child.address;
say(`Neat Fold is ready: ${opened}   (Ctrl-C stops it)`);
if (shared.length > 0)
  say(`on the home network: ${shared.join('  ')}   (let a phone in under ${child.address}/household/phones)`);
if (letters) say(`letters that would be mailed: ${letters.address}`);
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
letters?.child.kill('SIGTERM');
await database.leave(); // the last to leave stops it
say('stopped');
process.exit(typeof code === 'number' ? code : 0);
