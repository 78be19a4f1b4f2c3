import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // Each worker has an application and a database of its own; the tests of a file take turns.
  workers: 2,
  timeout: 240_000,
  globalTimeout: 3_000_000,
  // A broken build fails everywhere: stop early rather than wait for each.
  maxFailures: 6,
  expect: { timeout: 20_000 },
  // What passes only when tried again is counted as passed, and told by name: a race to be found.
  retries: 2,
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['line'], ['json']] : [['line']],
  use: {
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
