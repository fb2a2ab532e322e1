// `npm run bench`: planning, pages and bundle, printed as Markdown; `-- --record` also writes docs/benchmarks.md.
import { build } from 'esbuild';
import { spawnSync } from 'node:child_process';
import os from 'node:os';
import path from 'node:path';
import { writeFileSync } from 'node:fs';
import { startPostgres } from './lib/postgres.mjs';
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
} from './lib/setup.mjs';

process.chdir(root);
checkNode();
ensureSystemPackages({ chromium: true });
ensurePackages();
ensureBuild();
const database = await startPostgres(root, { name: 'pg-bench', log: say });
const { dropDatabase, prepareDatabase } = await import('./lib/migrate.mjs');
const parts = [];
/** A benchmark is a process of its own, so that none inherits another's heap. */
function part(args, env = {}) {
  const { status, stdout } = spawnSync(process.execPath, args, {
    cwd: root,
    env: { ...process.env, ...env },
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'inherit'],
    maxBuffer: 1e8,
  });
  if (status !== 0) throw new Error(`${args.at(-1)} failed`); // what was started is stopped on the way out
  console.log(`\n${stdout}`);
  parts.push(stdout.trim());
}
/** As the product runs it, without the names and hooks of a loader. */
async function bundled(entry) {
  const outfile = path.join(root, 'build/bench', `${path.basename(entry, '.ts')}.mjs`);
  await build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    tsconfig: 'tsconfig.json',
    logLevel: 'error',
  });
  return outfile;
}
let server;
try {
  await dropDatabase(database);
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  seed(database.appUrl);
  part([await bundled('bench/planning.ts')]);
  part(['--import', 'tsx', 'bench/runs.ts']);
  part(['--import', 'tsx', 'bench/rack.ts']);
  part(['--import', 'tsx', 'bench/timetable.ts']);
  // Forty clients of a benchmark come from one address: the limit per minute is not what is measured.
  Object.assign(process.env, { NEAT_FOLD_PAGES_PER_MINUTE: '1000000', NEAT_FOLD_FORMS_PER_MINUTE: '1000000' });
  server = await startServer({ database, port: await freePort(), quiet: true });
  part(['bench/pages.mjs', server.address]);
  part(['bench/crowd.mjs', server.address]);
  part(['bench/lighthouse.mjs', server.address]);
  part(['--import', 'tsx', 'bench/board.ts', server.address], { DATABASE_URL: database.appUrl });
  part(['--import', 'tsx', 'bench/log.ts', server.address], { DATABASE_URL: database.appUrl });
} finally {
  server?.child.kill('SIGTERM');
  await server?.exited;
  await database.leave();
}
if (process.argv.includes('--record')) {
  const machine = `${os.cpus().length} cores, ${os.cpus()[0]?.model.trim() ?? 'unknown processor'}, Node ${process.versions.node}`;
  writeFileSync(
    'docs/benchmarks.md',
    `# Benchmarks\n\nMade by \`npm run bench -- --record\` on ${new Date().toISOString().slice(0, 10)}: ${machine}. Shared cores: read the ratios and gaps, not the single times.\n\n${parts.join('\n\n')}\n`,
  );
  say('wrote docs/benchmarks.md');
}
