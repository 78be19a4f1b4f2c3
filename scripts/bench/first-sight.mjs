/** What a browser fetches and how long it takes until the front page and the first station can be used, on loopback. */
/* global performance */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { startServer, stopServer } from '../lib/application.mjs';
import { freePort, throwAwayCluster } from '../lib/cluster.mjs';
import { CHROMIUM, ROOT } from '../lib/setup.mjs';

const MOST_SCRIPT_KB = 250;
const MOST_MS = 1000;
const RUNS = 3;

const figure = (value, unit, most) => ({ value, unit, bound: `<= ${most}`, holds: value <= most });

/** One visit with nothing cached: script fetched until something can be used, and when that was. */
async function visit(browser, address, ready) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  let bytes = 0;
  const bodies = [];
  let counting = true;
  page.on('response', (response) => {
    if (counting && response.request().resourceType() === 'script')
      bodies.push(
        response.body().then(
          (body) => (bytes += gzipSync(body).length),
          () => undefined,
        ),
      );
  });
  await page.goto(address, { waitUntil: 'commit' });
  await ready(page).waitFor();
  const ms = await page.evaluate(() => performance.now());
  counting = false;
  await Promise.all(bodies);
  await context.close();
  return { kB: bytes / 1000, ms };
}

export async function firstSight() {
  const folder = mkdtempSync(join(tmpdir(), 'zubric-sight-'));
  const cluster = await throwAwayCluster();
  const port = await freePort();
  const server = await startServer(ROOT, { databaseUrl: cluster.url, port, log: join(folder, 'server.log') });
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run'],
  });
  const address = `http://127.0.0.1:${port}`;
  const pages = {
    'front page': [`${address}/builds`, (page) => page.getByRole('link', { name: 'Puffin' })],
    'first station': [`${address}/builds/puffin/brief`, (page) => page.getByLabel('How heavy, itself?')],
  };
  const figures = {};
  try {
    for (const [name, [at, ready]] of Object.entries(pages)) {
      const runs = [];
      for (let n = 0; n < RUNS; n++) runs.push(await visit(browser, at, ready));
      figures[`${name}, script before it can be used, gzip`] = figure(
        Math.max(...runs.map(({ kB }) => kB)),
        'kB',
        MOST_SCRIPT_KB,
      );
      figures[`${name}, until it can be used, nothing cached`] = figure(
        Math.min(...runs.map(({ ms }) => ms)),
        'ms',
        MOST_MS,
      );
    }
    return figures;
  } finally {
    await browser.close();
    await stopServer(server);
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
