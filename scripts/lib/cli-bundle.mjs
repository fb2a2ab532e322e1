// The command line as one file: bundled when it is missing or older than a source, so that it starts in a moment from a fresh clone, too.
import { existsSync, mkdirSync, readdirSync, renameSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const bundlePath = path.join(root, 'build/neatfold/neatfold.mjs');
const rooms = ['core', 'words', 'formats', 'workers', 'bin'];

/** Newest change among the sources, in ms. */
function newestSource(folder) {
  let newest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const at = path.join(folder, entry.name);
    if (entry.isDirectory()) newest = Math.max(newest, newestSource(at));
    else if (/\.(ts|json)$/.test(entry.name) && !entry.name.endsWith('.test.ts'))
      newest = Math.max(newest, statSync(at).mtimeMs);
  }
  return newest;
}
const isFresh = () =>
  existsSync(bundlePath) &&
  statSync(bundlePath).mtimeMs > Math.max(...rooms.map((room) => newestSource(path.join(root, room))));

/** Bundle the command line unless it is up to date; several at once do not disturb each other. */
export async function ensureCliBundle() {
  if (isFresh()) return bundlePath;
  const { build } = await import('esbuild');
  mkdirSync(path.dirname(bundlePath), { recursive: true });
  const made = `${bundlePath}.${process.pid}`;
  await build({
    entryPoints: [path.join(root, 'bin/neatfold.ts')],
    outfile: made,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    tsconfig: path.join(root, 'tsconfig.json'),
    absWorkingDir: root,
    logLevel: 'error',
    minifySyntax: true,
    external: ['highs'], // it finds its program beside itself
  });
  renameSync(made, bundlePath);
  return bundlePath;
}
