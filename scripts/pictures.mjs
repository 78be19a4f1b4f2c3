/** `npm run pictures`: docs/screenshots/ anew, from a running application with the demo in it. */
/* global window */
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, ROOT } from './lib/setup.mjs';

const address = process.argv[2] ?? 'http://127.0.0.1:4817';
const VIEWS = {
  builds: '/builds',
  brief: '/builds/puffin/brief',
  ground: '/builds/puffin/ground',
  'brief-axle': '/builds/moth/brief',
  'ground-axle': '/builds/moth/ground',
  'brief-tracked': '/builds/sanderling/brief',
  'ground-tracked': '/builds/sanderling/ground',
  drivetrain: '/builds/puffin/drivetrain',
  'drivetrain-worm': '/builds/moth/drivetrain',
  'drivetrain-tracked': '/builds/sanderling/drivetrain',
  'drivetrain-belt': '/builds/glasshouse-rail/drivetrain',
  power: '/builds/puffin/power',
  assembly: '/builds/puffin/assembly',
  'test-track': '/builds/puffin/test-track',
  trials: '/builds/puffin/trials',
  logbook: '/builds/puffin/logbook?compare=1-now',
  sums: '/sums/chain-drive?chain=ansi-35&teethSmall=10&teethLarge=36&centreMm=7+1%2F8+in&torqueNm=11.9',
};

const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
const picture = (name) => page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${name}.png`) });

/** What is pressed before the picture is taken: the duty that shows the most. */
const PRESSED = { 'ground-tracked': 'Turn at the end', ground: 'Slip, loaded' };

for (const [name, path] of Object.entries(VIEWS)) {
  await page.goto(address + path);
  await page.waitForLoadState('networkidle');
  if (PRESSED[name]) {
    await page.getByRole('button', { name: PRESSED[name], exact: true }).click();
    await page.evaluate(() => window.scrollTo(0, 0));
  }
  if (name === 'brief-axle')
    await page
      .getByRole('region', { name: 'What it stands on' })
      .evaluate((section) => section.scrollIntoView());
  await picture(name);
}

await page.goto(`${address}/builds/puffin/brief`);
await page.getByRole('button', { name: /the force of “Slip, loaded”/ }).click();
await page.getByRole('dialog').getByText('What went in').waitFor();
await picture('working');

await page.emulateMedia({ colorScheme: 'dark' });
await page.goto(`${address}/builds/puffin/power`);
await page.waitForLoadState('networkidle');
await picture('dark');
await browser.close();
