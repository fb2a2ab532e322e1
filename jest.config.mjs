const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  },
];
const base = {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': swc },
  moduleNameMapper: {
    '^~/(.*)$': '<rootDir>/app/$1',
    '^@core/(.*)$': '<rootDir>/core/$1',
    '^@words/(.*)$': '<rootDir>/words/$1',
    '^@formats/(.*)$': '<rootDir>/formats/$1',
    '^@data/(.*)$': '<rootDir>/data/$1',
    '^@stand-ins/(.*)$': '<rootDir>/stand-ins/$1',
  },
  modulePathIgnorePatterns: ['<rootDir>/build', '<rootDir>/.data'],
};
export default {
  testTimeout: 90_000,
  projects: [
    {
      ...base,
      displayName: 'core',
      setupFiles: ['<rootDir>/scripts/lib/fast-check.mjs'],
      testMatch: ['<rootDir>/core/**/*.test.ts'],
    },
    {
      ...base,
      displayName: 'formats',
      setupFiles: ['<rootDir>/scripts/lib/fast-check.mjs'],
      testMatch: [
        '<rootDir>/words/**/*.test.ts',
        '<rootDir>/formats/**/*.test.ts',
        '<rootDir>/bench/**/*.test.ts',
        '<rootDir>/bin/**/*.test.ts',
        '<rootDir>/app/**/*.test.ts',
        '<rootDir>/calibration/**/*.test.ts',
        '<rootDir>/stand-ins/**/*.test.ts',
        '<rootDir>/data/practice/**/*.test.ts',
      ],
    },
    { ...base, displayName: 'data', testMatch: ['<rootDir>/data/*.test.ts'] },
    { ...base, displayName: 'browser', testMatch: ['<rootDir>/e2e/**/*.e2e.ts'] },
  ],
};
