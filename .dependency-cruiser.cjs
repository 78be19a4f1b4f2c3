/** The order of the core's folders: each may import only from those before it. */
const CORE = [
  'contract',
  'quantity',
  'ground',
  'transmission',
  'motor',
  'supply',
  'build',
  'evaluate',
  'assembly',
  'simulate',
  'trials',
  'calculators',
];

const inCore = (folder) => `^packages/core/src/${folder}/`;

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-missing',
      comment: 'Every import must be found.',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true },
    },
    ...CORE.slice(0, -1).map((folder, at) => ({
      name: `core-order-${folder}`,
      comment: `${folder}/ may import only from the folders before it in the list of the core`,
      severity: 'error',
      from: { path: inCore(folder), pathNot: '\\.test\\.ts$' },
      to: { path: CORE.slice(at + 1).map(inCore) },
    })),
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { path: ['^packages/(web|server|cli)', '^node:'], dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-by-its-exports',
      comment: 'Others reach the core through its folders’ public faces.',
      severity: 'error',
      from: { path: '^packages/(web|server|cli)' },
      to: { path: '^packages/core/src/.+', pathNot: '^packages/core/src/[^/]+/index\\.ts$' },
    },
    {
      name: 'packages-apart',
      severity: 'error',
      from: { path: '^packages/([^/]+)/' },
      to: { path: '^packages/(web|server|cli)/', pathNot: '^packages/$1/' },
    },
    {
      name: 'stations-apart',
      severity: 'error',
      from: { path: '^packages/web/src/stations/([^/]+)/' },
      to: { path: '^packages/web/src/stations/', pathNot: '^packages/web/src/stations/$1/' },
    },
    {
      name: 'no-tests-from-code',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$|^e2e/' },
      to: { path: '\\.test\\.tsx?$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'dist/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'require', 'types', 'default'],
    },
  },
};
