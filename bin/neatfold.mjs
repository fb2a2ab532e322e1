#!/usr/bin/env node
// A thin door: the bundled command, made anew when a source has changed, from any folder.
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { ensureCliBundle } from '../scripts/lib/cli-bundle.mjs';

if (!existsSync(fileURLToPath(new URL('../node_modules/valibot', import.meta.url)))) {
  console.error('neatfold: packages are missing; run npm ci (or npm start) in the project first.');
  process.exit(1);
}
// A reader that stops early (head) closes the pipe; that is no failure.
process.stdout.on('error', (error) => {
  if (error.code === 'EPIPE') process.exit(0);
  throw error;
});
const { main } = await import(await ensureCliBundle());
process.exitCode = await main(process.argv.slice(2));
