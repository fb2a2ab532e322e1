// What start, test, bench and screenshots share: Node built-ins only, so that it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, renameSync, statSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { findBin, isRoot } from './postgres.mjs';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const chromiumPath = '/usr/bin/chromium';
const started = Date.now();
export const say = (message) => console.log(`[${((Date.now() - started) / 1000).toFixed(1)} s] ${message}`);
export const fail = (message) => {
  console.error(`neat-fold: ${message}`);
  process.exit(1);
};
const troubles = {
  EACCES: 'may not be written',
  EPERM: 'may not be changed',
  EROFS: 'is on a disk that cannot be written',
  ENOSPC: 'does not fit on the disk: it is full',
};
/** A failure in one line, without a stack. */
export const plain = (error) => {
  const known = troubles[error?.code];
  if (known) return `${error.path ?? 'this folder'} ${known}`;
  return error instanceof Error ? error.message : String(error);
};
/** Whatever fails from here on is said in one line. */
export const sayPlainly = () => {
  process.on('uncaughtException', (error) => fail(plain(error)));
  process.on('unhandledRejection', (error) => fail(plain(error)));
};

/** Run a command to its end; one clear line when it fails. */
export function run(command, args, { env = {}, ...options } = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env }, ...options });
  if (result.status !== 0)
    fail(
      `${path.basename(command)} ${args.slice(0, 3).join(' ')} failed (${result.status ?? result.signal ?? result.error?.message})`,
    );
}

export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    fail(`Node 20.19 or newer is needed; this is ${process.versions.node}`);
}

/** PostgreSQL (and Chromium, and the proxy, when asked) from Debian's packages. */
export function ensureSystemPackages({ chromium = false, nginx = false } = {}) {
  const missing = [
    !findBin() && 'postgresql',
    chromium && !existsSync(chromiumPath) && 'chromium',
    nginx && !existsSync('/usr/sbin/nginx') && 'nginx-light',
  ].filter(Boolean);
  if (missing.length === 0) return;
  const hasApt = spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0;
  if (!hasApt)
    fail(
      `${missing.join(' and ')} missing and there is no apt-get here: please install ${missing.length > 1 ? 'them' : 'it'} with your system's packages`,
    );
  if (!isRoot) fail(`please install: sudo apt-get install ${missing.join(' ')}`);
  say(`installing ${missing.join(', ')}`);
  // Debian would otherwise make and start a cluster of its own.
  mkdirSync('/etc/postgresql-common', { recursive: true });
  if (!existsSync('/etc/postgresql-common/createcluster.conf'))
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n');
  run('apt-get', ['update', '-qq']);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], {
    env: { DEBIAN_FRONTEND: 'noninteractive' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
}

const hashOf = (...files) =>
  files.reduce((h, f) => h.update(f).update(readFileSync(path.join(root, f))), createHash('sha256')).digest('hex');

/** npm packages, again whenever the lock file changes. */
export function ensurePackages() {
  const stamp = path.join(root, 'node_modules/.lock-hash');
  const lock = hashOf('package-lock.json');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing packages (npm ci)');
  const npm = process.env.npm_execpath;
  const args = ['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'];
  if (npm) run(process.execPath, [npm, ...args], { env: { NODE_ENV: '' } });
  else run('npm', args, { env: { NODE_ENV: '' } });
  writeFileSync(stamp, lock);
}

const walk = (dir) =>
  readdirSync(path.join(root, dir), { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? walk(path.join(dir, e.name)) : [path.join(dir, e.name)],
  );

/** Production build, again whenever a source differs from the last one. */
export function ensureBuild() {
  const sources = [
    ...['app', 'core', 'words', 'formats', 'data', 'workers', 'stand-ins']
      .flatMap(walk)
      .filter((f) => !/\.test\.tsx?$/.test(f)),
    'package-lock.json',
    'vite.config.ts',
    'react-router.config.ts',
    'tsconfig.json',
  ].sort();
  const key = hashOf(...sources);
  const stamp = path.join(root, 'build/.key');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === key) return;
  say('building');
  run(process.execPath, ['node_modules/@react-router/dev/bin.js', 'build'], {
    env: { NODE_ENV: 'production' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  writeFileSync(stamp, key);
}

export const seed = (databaseUrl, args = []) =>
  run(process.execPath, ['--import', 'tsx', 'data/seed.ts', ...args], { env: { DATABASE_URL: databaseUrl } });

export const freePort = () =>
  new Promise((resolve, reject) => {
    const server = net.createServer().once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

export const portIsFree = (port, host = '127.0.0.1') =>
  new Promise((resolve) => {
    const server = net.createServer().once('error', () => resolve(false));
    server.listen(port, host, () => server.close(() => resolve(true)));
  });

/** A secret of this installation: made once, readable by its owner alone. */
export function keptSecret(file) {
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}

const logBytes = 5_000_000;
/** The log of before is kept once, when it has grown long. */
export function keepLog(file) {
  if (existsSync(file) && statSync(file).size > logBytes) renameSync(file, `${file}.before`);
}

/** Start server.mjs as a child and wait until it answers. */
export async function startServer({ database, port, dev = false, quiet = false, log, env: more = {} }) {
  const env = {
    ...process.env,
    NODE_ENV: dev ? 'development' : 'production',
    DATABASE_URL: database.appUrl,
    DESK_DATABASE_URL: database.deskUrl,
    PORT: String(port),
    ...(log ? { NEAT_FOLD_LOG: log } : {}),
    ...more,
  };
  const child = spawn(process.execPath, ['--enable-source-maps', 'server.mjs'], {
    cwd: root,
    stdio: quiet ? ['ignore', 'ignore', 'inherit'] : 'inherit',
    env,
    detached: true,
  });
  const exited = new Promise((resolve) => child.once('exit', (code, signal) => resolve(code ?? signal ?? 1)));
  const address = `http://127.0.0.1:${port}`;
  let over = false;
  void exited.then(() => {
    over = true;
  });
  for (let i = 0; i < 300 && !over; i++) {
    const answer = await fetch(`${address}/readyz`).catch(() => null);
    if (answer?.ok) return { child, exited, address };
    await new Promise((r) => setTimeout(r, 200));
  }
  child.kill('SIGKILL');
  throw new Error('the server did not come up');
}

/** Start a stand-in and wait until it prints the addresses it is reached at. */
async function standIn(script, args, addresses) {
  const child = spawn(process.execPath, ['--import', 'tsx', script, ...args], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'ignore'],
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const found = await new Promise((resolve, reject) => {
    const fails = () => reject(new Error('the stand-ins did not come up'));
    const late = setTimeout(fails, 20_000);
    child.once('exit', fails);
    child.stdout.on('data', (data) => {
      const m = addresses.exec(String(data));
      if (!m) return;
      clearTimeout(late);
      resolve(m);
    });
  });
  return { child, found };
}
/** Stand-ins of a machine and a meter; they are good to have and nothing waits for them. */
export async function startStandIns({ app, tokens, port = 0 }) {
  const args = ['--app', app, '--tokens', tokens, '--port', String(port)];
  const { child, found } = await standIn('stand-ins/devices.ts', args, /http:\S+/);
  return { child, address: found[0] };
}
/** A mail server that delivers nothing and shows what it was given. */
export async function startMailStandIn({ port = 0 }) {
  const { child, found } = await standIn('stand-ins/mail.ts', ['--port', String(port)], /(smtp:\S+)\s+(http:\S+)/);
  return { child, smtp: found[1], address: found[2] };
}
