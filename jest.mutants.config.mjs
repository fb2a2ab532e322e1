import all from './jest.config.mjs';

const folders = process.env.MUTANTS_TESTS?.split(',') ?? ['**'];

/** The tests of some folders of `core/`, for mutation testing (`scripts/mutants.mjs` names the folders). */
export default {
  ...all.projects.find((p) => p.displayName === 'core'),
  testMatch: folders.map((folder) => `<rootDir>/core/${folder}/**/*.test.ts`),
  testTimeout: all.testTimeout,
  // The runner starts anew for every change: it looks through what the tests import, not the whole house.
  roots: ['<rootDir>/core', '<rootDir>/words', '<rootDir>/scripts'],
  watchman: false,
};
