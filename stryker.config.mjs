/**
 * Mutation testing of one folder of `core/` by the tests that speak of it; `scripts/mutants.mjs` runs it for one folder
 * after the other. Tables that are written when a module is loaded are left out (`ignoreStatic`): each such change
 * would need the whole suite.
 */
const folder = process.env.MUTANTS_FOLDER ?? 'wear';

export default {
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
  jest: { projectType: 'custom', configFile: 'jest.mutants.config.mjs', enableFindRelatedTests: false },
  mutate: [`core/${folder}/**/*.ts`, '!core/**/*.test.ts'],
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
