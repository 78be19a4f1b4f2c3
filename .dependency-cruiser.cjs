/** The order of the core's folders: each may import only from those before it. */
const CORE = [
  'quantity',
  'contract',
  'ground',
  'transmission',
  'making',
  'motor',
  'supply',
  'vehicle',
  'drive',
  'demand',
  'capability',
  'judge',
  'moves',
  'search',
  'spreads',
  'sensitivity',
  'layout',
  'templates',
  'wiring',
  'working',
  'exchange',
  'assembly',
  'simulate',
  'trials',
  'driving',
  'outward',
  'diagnosis',
  'standin',
  'protocols',
  'bench',
  'say',
  'papers',
  'calculators',
  'answers',
];

/** The order of the web's folders. */
const WEB = [
  'common',
  'offline',
  'charts',
  'drawings',
  'workers',
  'session',
  'fields',
  'findings',
  'drives',
  'vehicle',
  'frame',
  'sums',
  'working',
  'strip',
  'shelf',
  'start',
  'measure',
  'search',
  'chances',
  'whatif',
  'stations',
  'print',
  'devices',
  'groups',
  'builds',
  'out',
  'shell',
];

/** Each folder of a package may import only from those before it. */
const inOrder = (name, folders) => {
  const inside = (folder) => `^packages/${name}/src/${folder}/`;
  return folders.slice(0, -1).map((folder, at) => ({
    name: `${name}-order-${folder}`,
    comment: `${folder}/ may import only from the folders before it in the list of ${name}: see docs/architecture.md`,
    severity: 'error',
    from: { path: inside(folder), pathNot: '\\.test\\.tsx?$' },
    to: { path: folders.slice(at + 1).map(inside) },
  }));
};

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
    ...inOrder('core', CORE),
    ...inOrder('web', WEB),
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { path: ['^packages/(web|server|cli)', '^node:'], dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$|/src/testing/' },
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
