/**
 * Every test of the folders of `core/` that MUTANTS_TESTS names, as one test file: the runner starts anew for each change, and loads the house once this way
 * instead of once for each file of tests.
 */
import { readdirSync } from 'node:fs';
import path from 'node:path';

const core = path.resolve(import.meta.dirname, '../../core');
for (const folder of (process.env.MUTANTS_TESTS ?? '').split(','))
  for (const file of readdirSync(path.join(core, folder), { recursive: true }).sort())
    if (file.endsWith('.test.ts')) await import(path.join(core, folder, file));
