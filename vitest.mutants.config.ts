import { defineConfig } from 'vitest/config';

/** The core's tests alone, as `npm run test:mutants` runs them on each mutant. */
export default defineConfig({
  test: {
    include: ['packages/core/src/**/*.test.ts'],
    // It reads the sources as text, and mutants change nothing of that.
    exclude: ['packages/core/src/testing/examples.test.ts'],
    setupFiles: './vitest.seed.ts',
    environment: 'node',
    testTimeout: 60_000,
  },
});
