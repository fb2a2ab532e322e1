// `npm test` on a bare clone: types, lint, import directions, unit, format, database and browser tests; ends with a line that counts.
import { spawnSync } from 'node:child_process';
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
function check(name, args, env = {}) {
  say(name);
  const { status } = spawnSync(process.execPath, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  results.push({ name, ok: status === 0 });
  return status === 0;
}
let tests = { passed: 0, failed: 0 };
function jest(name, projects, env) {
  mkdirSync('.data', { recursive: true });
  const file = `.data/jest-${name}.json`;
  check(
    `${name} tests`,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      bin('jest/bin/jest.js'),
      '--selectProjects',
      ...projects,
      '--runInBand',
      '--json',
      `--outputFile=${file}`,
      '--reporters',
      path.join(root, 'scripts/lib/reporter.cjs'),
    ],
    env,
  );
  const report = JSON.parse(readFileSync(file, 'utf8'));
  tests = {
    passed: tests.passed + report.numPassedTests,
    failed: tests.failed + report.numFailedTests + report.numRuntimeErrorTestSuites,
  };
}

if (wanted('types')) {
  check('route types', [bin('@react-router/dev/bin.js'), 'typegen']);
  check('types', [bin('typescript/bin/tsc')]);
}
if (wanted('lint')) check('lint', [bin('eslint/bin/eslint.js'), '.']);
if (wanted('format')) check('format', [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']);
if (wanted('imports'))
  check('import directions', [
    bin('dependency-cruiser/bin/dependency-cruise.mjs'),
    '--config',
    '.dependency-cruiser.cjs',
    'core',
    'words',
    'formats',
    'data',
    'app',
    'bin',
    'bench',
    'e2e',
    'workers',
    'stand-ins',
  ]);

if (wanted('unused')) check('nothing unused', [bin('knip/bin/knip.js'), '--no-progress']);

const database = await startPostgres(root, { name: 'pg-test', log: say });
try {
  const { dropDatabase, prepareDatabase } = await import('./lib/migrate.mjs');
  await dropDatabase(database);
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  if (wanted('unit')) jest('unit', ['core', 'formats']);
  if (wanted('database')) jest('database', ['data'], { DATABASE_URL: database.appUrl });
  if (wanted('browser')) ensureBuild();
  if (wanted('browser'))
    jest('browser', ['browser'], { E2E_DATABASE: JSON.stringify(database), E2E_PORT: String(await freePort()) });
} finally {
  await database.leave();
}
const failed = results.filter((r) => !r.ok).map((r) => r.name);
console.log(
  `\nneat-fold: ${failed.length === 0 ? 'all good' : `FAILED: ${failed.join(', ')}`}: ${tests.passed} tests passed, ${tests.failed} failed; ${results.length - failed.length} of ${results.length} checks; ${Math.round((Date.now() - started) / 1000)} s`,
);
process.exit(failed.length === 0 ? 0 : 1);
