// Imports point downwards only: core ← formats ← data ← app; bin, scripts and bench use core and formats.
const room = (name) => `^${name}/`;
module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-imports-core',
      comment:
        'core imports nothing but itself; the colour library and the queue of the bound are its named exceptions (docs/decisions/0003, 0020)',
      severity: 'error',
      from: { path: room('core'), pathNot: '(\\.test\\.ts|^core/testing/.*)$' },
      to: { pathNot: ['^core/', '^node_modules/(culori|@types/culori|tinyqueue)/'] },
    },
    {
      name: 'core-tests',
      comment:
        'tests of core may use the test libraries and read the reference cases; core/testing is theirs alone; what a message says is read in words',
      severity: 'error',
      from: { path: '^core/(.*\\.test\\.ts|testing/.*)$' },
      to: {
        pathNot: ['^core/', '^words/', '^node_modules/(culori|fast-check|highs|@jest|@types)', '^(node:)?fs$'],
      },
    },
    {
      name: 'testing-for-tests',
      severity: 'error',
      from: { pathNot: '\\.test\\.ts$|^core/testing/' },
      to: { path: '^core/testing/' },
    },
    {
      name: 'words-above-core',
      comment: 'words say what core means: they import core and the message library',
      severity: 'error',
      from: { path: room('words') },
      to: { path: '^(formats|data|app|bin|scripts|bench|e2e|workers)/' },
    },
    {
      name: 'formats-below',
      severity: 'error',
      from: { path: room('formats') },
      to: { path: '^(data|app|bin|scripts|bench|e2e)/' },
    },
    { name: 'data-below', severity: 'error', from: { path: room('data') }, to: { path: '^(app|bin|bench|e2e)/' } },
    { name: 'bin-core-formats', severity: 'error', from: { path: room('bin') }, to: { path: '^(data|app)/' } },
    {
      name: 'workers-core-formats',
      severity: 'error',
      from: { path: room('workers') },
      to: { path: '^(data|app|bin|bench|e2e)/' },
    },
    {
      name: 'stand-ins-core',
      comment: 'stand-ins behave like the world outside: they know core, and nothing of the application',
      severity: 'error',
      from: { path: room('stand-ins') },
      to: { path: '^(words|formats|data|app|bin|bench|e2e|workers)/' },
    },
    {
      name: 'ui-draws-only',
      comment: 'components draw; only types may come from the views',
      severity: 'error',
      from: { path: '^app/(ui|theme|[^/]+/parts)/' },
      to: { path: '^(core|formats|data|app/server)/|[.]server[.]ts$', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(virtual:|\\./\\+types/)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
