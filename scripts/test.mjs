// `npm test` on a bare clone: types, lint, import directions, unit, format, database and browser tests; ends with a line that counts.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { startPostgres } from './lib/postgres.mjs';
import { checkNode, ensureBuild, ensurePackages, ensureSystemPackages, freePort, root, say } from './lib/setup.mjs';

process.chdir(root);
checkNode();
ensureSystemPackages({ chromium: true });
ensurePackages();
const started = Date.now();
const results = [];
// `npm test -- database browser` runs only what is named; without names everything runs.
const named = process.argv.slice(2);
const wanted = (name) => named.length === 0 || named.includes(name);
const bin = (name) => `node_modules/${name}`;
/** Runs one check; `aside` keeps what it prints until it is done, so that two at once can be read. */
async function check(name, args, { env = {}, aside = false } = {}) {
  if (!aside) say(name);
  const child = spawn(process.execPath, args, {
    cwd: root,
    stdio: aside ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  const printed = [];
  child.stdout?.on('data', (part) => printed.push(part));
  child.stderr?.on('data', (part) => printed.push(part));
  const status = await new Promise((resolve) => child.on('close', resolve));
  if (aside) {
    say(name);
    process.stdout.write(Buffer.concat(printed));
  }
  results.push({ name, ok: status === 0 });
}
let tests = { passed: 0, failed: 0 };
async function jest(name, projects, { env = {}, aside = false, args = [], lanes = 1 } = {}) {
  mkdirSync('.data', { recursive: true });
  const file = `.data/jest-${name}.json`;
  await check(
    `${name} tests`,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      bin('jest/bin/jest.js'),
      '--selectProjects',
      ...projects,
      ...(lanes > 1 ? [`--maxWorkers=${lanes}`] : ['--runInBand']),
      ...args,
      '--json',
      `--outputFile=${file}`,
      '--reporters',
      path.join(root, 'scripts/lib/reporter.cjs'),
    ],
    { env, aside },
  );
  const report = JSON.parse(readFileSync(file, 'utf8'));
  tests = {
    passed: tests.passed + report.numPassedTests,
    failed: tests.failed + report.numFailedTests + report.numRuntimeErrorTestSuites,
  };
}

/** What only reads the sources, one after the other beside the unit tests. */
async function readSources() {
  const aside = { aside: true };
  if (wanted('types')) {
    await check('route types', [bin('@react-router/dev/bin.js'), 'typegen'], aside);
    await check('types', [bin('typescript/bin/tsc')], aside);
  }
  if (wanted('lint')) await check('lint', [bin('eslint/bin/eslint.js'), '.'], aside);
  if (wanted('format'))
    await check('format', [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.'], aside);
  if (wanted('imports'))
    await check(
      'import directions',
      [
        bin('dependency-cruiser/bin/dependency-cruise.mjs'),
        '--config',
        '.dependency-cruiser.cjs',
        ...['core', 'words', 'formats', 'data', 'app', 'bin', 'bench', 'e2e', 'workers', 'stand-ins'],
      ],
      aside,
    );
  if (wanted('unused')) await check('nothing unused', [bin('knip/bin/knip.js'), '--no-progress'], aside);
}

/** One lane beside the unit tests, which take as long: what reads the sources, the database tests, the build for the browser tests. */
async function besideUnitTests(database) {
  await readSources();
  if (wanted('database'))
    await jest('database', ['data'], {
      env: {
        DATABASE_URL: database.appUrl,
        DESK_DATABASE_URL: database.deskUrl,
        OWNER_DATABASE_URL: database.ownerUrl,
      },
      aside: true,
    });
  if (wanted('browser')) ensureBuild();
}

/** Browser tests run in so many lanes, each with a database and a server of its own: one of them stops its database on purpose. */
const browserLanes = 2;
/** Starts a cluster of its own for a further lane and empties it. */
async function freshCluster(name) {
  const cluster = await startPostgres(root, { name, log: say });
  const { dropDatabase, prepareDatabase } = await import('./lib/migrate.mjs');
  await dropDatabase(cluster);
  await prepareDatabase(cluster, path.join(root, 'data/migrations'));
  return cluster;
}
const clusters = [];
try {
  clusters.push(await freshCluster('pg-test'));
  await Promise.all([besideUnitTests(clusters[0]), wanted('unit') ? jest('unit', ['core', 'formats']) : null]);
  if (wanted('browser')) {
    while (clusters.length < browserLanes) clusters.push(await freshCluster(`pg-test-${clusters.length + 1}`));
    const lanes = [];
    for (const database of clusters) lanes.push({ database, port: await freePort() });
    await jest('browser', ['browser'], {
      env: { E2E_LANES: JSON.stringify(lanes) },
      args: ['--testTimeout=300000'], // a busy machine is no defect
      lanes: browserLanes,
    });
  }
} finally {
  for (const cluster of clusters) await cluster.leave();
}
const failed = results.filter((r) => !r.ok).map((r) => r.name);
console.log(
  `\nneat-fold: ${failed.length === 0 ? 'all good' : `FAILED: ${failed.join(', ')}`}: ${tests.passed} tests passed, ${tests.failed} failed; ${results.length - failed.length} of ${results.length} checks; ${Math.round((Date.now() - started) / 1000)} s`,
);
process.exit(failed.length === 0 ? 0 : 1);
