/** What a browser fetches and how long it takes until the front page and the first station can be used, on loopback. */
/* global document, MutationObserver, window */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { startServer, stopServer } from '../lib/application.mjs';
import { freePort, throwAwayCluster } from '../lib/cluster.mjs';
import { CHROMIUM, ROOT } from '../lib/setup.mjs';

const MOST_SCRIPT_KB = 250;
const MOST_MS = 1000;
const RUNS = 3;

const figure = (value, unit, most) => ({ value, unit, bound: `<= ${most}`, holds: value <= most });

/** In the page: when what is waited for first stands there. */
function watchFor(selector) {
  new MutationObserver((_, observer) => {
    if (!document.querySelector(selector)) return;
    window.readyAt = performance.now();
    observer.disconnect();
  }).observe(document, { subtree: true, childList: true });
}

/** In the page: the addresses of script that had come by then. */
const scriptBefore = () =>
  performance
    .getEntriesByType('resource')
    .filter(({ name, responseEnd }) => name.endsWith('.js') && responseEnd <= window.readyAt)
    .map(({ name }) => name);

/** What a piece of script comes to by gzip, as the bound has it; what is sent to this browser is smaller. */
const gzipped = (address) =>
  gzipSync(readFileSync(join(ROOT, 'packages', 'web', 'dist', 'assets', basename(address)))).length;

/** One visit with nothing cached: script fetched until something can be used, and when that was. */
async function visit(browser, address, selector) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript(watchFor, selector);
  await page.goto(address, { waitUntil: 'commit' });
  await page.waitForFunction(() => window.readyAt !== undefined);
  const pieces = await page.evaluate(scriptBefore);
  const kB = pieces.reduce((sum, piece) => sum + gzipped(piece), 0) / 1000;
  const ms = await page.evaluate(() => window.readyAt);
  await context.close();
  return { kB, ms };
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
    'front page': [`${address}/builds`, 'a[href^="/builds/puffin"]'],
    'first station': [`${address}/builds/puffin/brief`, 'main input'],
  };
  const figures = {};
  try {
    for (const [name, [at, selector]] of Object.entries(pages)) {
      const runs = [];
      for (let n = 0; n < RUNS; n++) runs.push(await visit(browser, at, selector));
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
