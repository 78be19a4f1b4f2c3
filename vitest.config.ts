import { defineConfig } from 'vitest/config';

// A slow machine is no failure: a test that hangs is told apart from one that waits for a database to be made.
const PATIENCE = { testTimeout: 180_000, hookTimeout: 180_000 };

// What waits for a page or a database may miss its time on a busy machine: it is tried once more, and told by name.
const TRIED_AGAIN = { retry: 1 };

const node = (name: string) => ({
  test: {
    name,
    include: [`packages/${name}/src/**/*.test.ts`],
    setupFiles: './vitest.seed.ts',
    environment: 'node' as const,
    ...PATIENCE,
  },
});

export default defineConfig({
  test: {
    // Every core: by itself it leaves one out, which is half of two.
    maxWorkers: '100%',
    projects: [
      // Pure functions leave nothing behind: no file needs a world of its own.
      { test: { ...node('core').test, isolate: false } },
      node('cli'),
      {
        test: {
          ...node('server').test,
          ...TRIED_AGAIN,
          // One throw-away database serves all files of the server's tests, one after the other.
          fileParallelism: false,
          globalSetup: 'packages/server/src/testing/global-setup.ts',
        },
      },
      {
        test: {
          name: 'faults',
          include: ['faults/**/*.test.ts'],
          environment: 'node' as const,
          fileParallelism: false,
          testTimeout: 600_000,
          hookTimeout: 300_000,
        },
      },
      {
        test: {
          name: 'web',
          include: ['packages/web/src/**/*.test.{ts,tsx}'],
          setupFiles: ['./vitest.seed.ts', 'packages/web/src/testing/patience.ts'],
          environment: 'jsdom' as const,
          ...PATIENCE,
          ...TRIED_AGAIN,
        },
      },
    ],
  },
});
