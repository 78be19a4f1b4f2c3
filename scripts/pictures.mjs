/** `npm run pictures`: docs/screenshots/ anew, from a running application with the demo in it. */
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, ROOT } from './lib/setup.mjs';

const address = process.argv[2] ?? 'http://127.0.0.1:4817';
const VIEWS = {
  builds: '/builds',
  brief: '/builds/puffin/brief',
  drivetrain: '/builds/puffin/drivetrain',
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

for (const [name, path] of Object.entries(VIEWS)) {
  await page.goto(address + path);
  await page.waitForLoadState('networkidle');
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
