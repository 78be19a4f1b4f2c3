/** From a part dragged on the drawing to the drawing repainted, in the browser, on a layout of 200 parts. */
/* global window */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { startServer, stopServer } from '../lib/application.mjs';
import { freePort, throwAwayCluster } from '../lib/cluster.mjs';
import { CHROMIUM, ROOT } from '../lib/setup.mjs';
import { bringIn } from './keystroke.mjs';
import { p95, watchPaint } from './paint-times.mjs';

const PARTS = 200;
const MOVES = 60;
const WARM = 10;
const BOUND_MS = 33;

/** The barrow with 200 boxes in rows over its deck. */
function crowded() {
  const barrow = JSON.parse(readFileSync(join(ROOT, 'data/builds/puffin.zubric.json'), 'utf8'));
  const [battery, ...others] = barrow.arrangement.parts;
  const mm = (value) => ({ value, unit: 'mm', origin: 'typed' });
  const { partId: _, ...bare } = battery;
  const boxes = Array.from({ length: PARTS - 1 - others.length }, (_box, n) => ({
    ...bare,
    id: `box-${n}`,
    name: `Box ${n + 1}`,
    faces: [],
    length: mm(0.03),
    width: mm(0.03),
    height: mm(0.03),
    aheadOfRearAxle: mm(-0.1 + 0.04 * (n % 20)),
    left: mm(-0.2 + 0.04 * Math.floor(n / 20)),
    above: mm(0.45),
    mass: { ...battery.mass, value: 0.02 },
  }));
  return {
    ...barrow,
    name: 'Crowded',
    arrangement: { ...barrow.arrangement, parts: [battery, ...others, ...boxes] },
  };
}

export async function partMoved() {
  const folder = mkdtempSync(join(tmpdir(), 'zubric-layout-'));
  const cluster = await throwAwayCluster();
  const port = await freePort();
  const server = await startServer(ROOT, { databaseUrl: cluster.url, port, log: join(folder, 'server.log') });
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const address = `http://127.0.0.1:${port}`;
    const id = await bringIn(browser, address, crowded());
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/builds/${id}/layout`);
    await page.waitForLoadState('networkidle');
    // The other stations are fetched and read ahead first.
    await page.waitForTimeout(5000);
    const box = page.getByRole('slider', { name: 'Box 20, from above' });
    const at = await box.boundingBox();
    const [x, y] = [at.x + at.width / 2, at.y + at.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.evaluate(watchPaint, { event: 'pointermove', selector: 'main', attributes: true });
    for (let n = 0; n < WARM + MOVES; n++) {
      await page.mouse.move(x + 12 * (n % 2), y + 12 * (Math.floor(n / 2) % 2));
      await page.waitForTimeout(40);
    }
    await page.mouse.up();
    const times = (await page.evaluate(() => window.paintTimes)).slice(WARM);
    if (times.length < MOVES / 2) throw new Error(`only ${times.length} moves repainted the drawing`);
    const value = p95(times);
    return {
      'part dragged to redrawn, 200 parts': {
        value,
        unit: 'ms, p95',
        bound: `<= ${BOUND_MS}`,
        holds: value <= BOUND_MS,
      },
    };
  } finally {
    await browser.close();
    await stopServer(server);
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
