import all from './jest.config.mjs';

/** The tests of some folders of `core/`, for mutation testing (`scripts/mutants.mjs` names the folders). */
export default {
  ...all.projects.find((p) => p.displayName === 'core'),
  testMatch: ['<rootDir>/scripts/lib/all-tests.test.mjs'],
  testTimeout: all.testTimeout,
  // The runner starts anew for every change: it looks through what the tests import, not the whole house.
  roots: ['<rootDir>/core', '<rootDir>/words', '<rootDir>/scripts'],
  watchman: false,
};
