#!/usr/bin/env node
// A thin door: loads the TypeScript command with the project's own loader, from any folder.
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
if (!existsSync(`${root}node_modules/tsx`)) {
  console.error('neatfold: packages are missing; run npm ci (or npm start) in the project first.');
  process.exit(1);
}
// A reader that stops early (head) closes the pipe; that is no failure.
process.stdout.on('error', (error) => {
  if (error.code === 'EPIPE') process.exit(0);
  throw error;
});
process.env.TSX_TSCONFIG_PATH ??= `${root}tsconfig.json`;
const { tsImport } = await import('tsx/esm/api');
const { main } = await tsImport('./neatfold.ts', { parentURL: import.meta.url, tsconfig: `${root}tsconfig.json` });
process.exitCode = await main(process.argv.slice(2));
