import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/**
 * Mutation testing of one folder of `core/` by the tests that speak of it; `scripts/mutants.mjs` runs it for one folder
 * after the other. Tables that are written when a module is loaded are left out (`ignoreStatic`): each such change
 * would need the whole suite.
 */
const folder = process.env.MUTANTS_FOLDER ?? 'wear';
/** A sample: of the folder's blocks of so many lines, file after file, every so many-th is changed. 1 = all of them. */
const every = Number(process.env.MUTANTS_EVERY ?? 1);
const blockLines = 30;

function filesOf(directory) {
  return readdirSync(directory, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && entry.name.endsWith('.ts') && !entry.name.endsWith('.test.ts'))
    .map((entry) => path.join(entry.parentPath, entry.name))
    .sort();
}

function sampledBlocks() {
  const blocks = filesOf(`core/${folder}`).flatMap((file) => {
    const lines = readFileSync(file, 'utf8').split('\n').length;
    const starts = Array.from({ length: Math.ceil(lines / blockLines) }, (_, i) => 1 + i * blockLines);
    return starts.map((start) => `${file}:${start}-${Math.min(lines, start + blockLines - 1)}`);
  });
  return blocks.filter((_, i) => i % every === Math.floor(every / 2));
}

export default {
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
  jest: { projectType: 'custom', configFile: 'jest.mutants.config.mjs', enableFindRelatedTests: false },
  mutate: every > 1 ? sampledBlocks() : [`core/${folder}/**/*.ts`, '!core/**/*.test.ts'],
  // A changed sentence is a matter of wording, not of judgement.
  mutator: { excludedMutations: ['StringLiteral'] },
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  concurrency: Number(process.env.MUTANTS_AT_ONCE ?? 2),
  incremental: true,
  incrementalFile: `.data/mutants/${folder}.json`,
  tempDirName: '.data/mutants/work',
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: `.data/mutants/${folder}-report.json` },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  ignorePatterns: ['build', '.data', 'docs', 'e2e', 'app', 'public', '.react-router'],
  timeoutMS: 20000,
  thresholds: { high: 90, low: 85, break: null },
};
