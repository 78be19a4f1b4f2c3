import { defineConfig } from 'vitest/config';

// A slow machine is no failure: a test that hangs is told apart from one that waits for a database to be made.
const PATIENCE = { testTimeout: 180_000, hookTimeout: 180_000 };

// What waits for a page or a database may miss its time on a busy machine: it is tried once more, and told by name.
const TRIED_AGAIN = { retry: 1 };

/** Node takes TypeScript itself, and with it the core: sums that loop are half as fast again (scripts/lib/typescript.mjs). */
const TAKES_TYPESCRIPT = ['--import', new URL('scripts/lib/typescript.mjs', import.meta.url).href];

const node = (name: string) => ({
  test: {
    name,
    include: [`packages/${name}/src/**/*.test.ts`],
    setupFiles: './vitest.seed.ts',
    environment: 'node' as const,
    ...PATIENCE,
  },
});

/** They give the browser a disk, or put something else in a module's place: what their modules hold is no other file's. */
const ALONE = [
  'packages/web/src/offline/outbox.test.ts',
  'packages/web/src/session/{drafts.test.ts,saving.test.tsx}',
  'packages/web/src/shell/application.test.tsx',
  'packages/web/src/stations/power/day/day.test.tsx',
];

/** Left to landings: long faults, and what only another library could break. */
const daily = process.env['ZUBRIC_DAILY'] !== undefined;
const LONG_FAULTS = daily ? ['start', 'copies', 'two-servers'].map((what) => `faults/${what}.test.ts`) : [];
const OF_LIBRARIES = daily ? ['packages/web/src/testing/undeclared.test.ts'] : [];

const page = (name: string, files: { include: string[]; exclude?: string[]; isolate?: boolean }) => ({
  test: {
    name,
    ...files,
    setupFiles: [
      './vitest.seed.ts',
      ...['patience', 'quick-labels', 'quick-styles', 'quick-elements', 'fresh-page'].map(
        (what) => `packages/web/src/testing/${what}.ts`,
      ),
    ],
    environment: 'jsdom' as const,
    execArgv: TAKES_TYPESCRIPT,
    server: { deps: { external: [/packages\/core\/src\//] } },
    ...PATIENCE,
    ...TRIED_AGAIN,
  },
});

export default defineConfig({
  test: {
    // Every core: by itself it leaves one out, which is half of two.
    maxWorkers: '100%',
    projects: [
      // Pure functions leave nothing behind: no file needs a world of its own.
      ...['core', 'cli'].map((name) => ({
        test: {
          ...node(name).test,
          isolate: false,
          execArgv: TAKES_TYPESCRIPT,
          experimental: { viteModuleRunner: false, nodeLoader: false },
        },
      })),
      {
        test: {
          ...node('server').test,
          ...TRIED_AGAIN,
          // One throw-away database serves all files of the server's tests, one after the other.
          fileParallelism: false,
          isolate: false,
          sequence: { groupOrder: 1 },
          globalSetup: 'packages/server/src/testing/global-setup.ts',
        },
      },
      {
        test: {
          name: 'faults',
          include: ['faults/**/*.test.ts'],
          exclude: LONG_FAULTS,
          environment: 'node' as const,
          fileParallelism: false,
          sequence: { groupOrder: 2 },
          testTimeout: 600_000,
          hookTimeout: 300_000,
        },
      },
      page('web', {
        include: ['packages/web/src/**/*.test.{ts,tsx}'],
        exclude: [...ALONE, ...OF_LIBRARIES],
        isolate: false,
      }),
      page('web-alone', { include: ALONE }),
    ],
  },
});
