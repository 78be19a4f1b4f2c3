/** `npm run pictures`: docs/screenshots/ anew, from the application that runs from the state folder, with the demo in it. */
/* global window */
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, ROOT, giveUp } from './lib/setup.mjs';
import { stateFolder, whatRuns } from './lib/state.mjs';

const running = whatRuns(stateFolder());
if (!running?.address) giveUp('Start Zubric first: npm start');
const { origin: address } = new URL(running.address);
const VIEWS = {
  builds: '/builds',
  brief: '/builds/puffin/brief',
  ground: '/builds/puffin/ground',
  'ground-tracked': '/builds/sanderling/ground',
  drivetrain: '/builds/puffin/drivetrain',
  'drivetrain-module': '/builds/whimbrel/drivetrain',
  power: '/builds/puffin/power',
  outing: '/builds/puffin/power?view=day',
  assembly: '/builds/puffin/assembly',
  trials: '/builds/pip/trials',
  shelf: '/shelf',
};
const PHONE = { width: 390, height: 844 };

const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
const picture = (name) => page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${name}.png`) });

await page.goto(running.address);

/** What is pressed before the picture is taken: the duty that shows the most. */
const PRESSED = { 'ground-tracked': 'Turn at the end', ground: 'Slip, loaded' };

for (const [name, path] of Object.entries(VIEWS)) {
  await page.goto(address + path);
  await page.waitForLoadState('networkidle');
  if (PRESSED[name]) {
    await page.getByRole('button', { name: PRESSED[name], exact: true }).click();
    await page.evaluate(() => window.scrollTo(0, 0));
  }
  await picture(name);
}

await page.goto(`${address}/builds/puffin/brief`);
await page.getByRole('button', { name: /the force of “Slip, loaded”/ }).click();
await page.getByRole('dialog').getByText('What went in').waitFor();
await picture('working');

await page.goto(`${address}/builds/pip/trials`);
await page.getByRole('button', { name: /^It veers on the liner/ }).click();
await page.getByRole('heading', { name: 'Likely causes' }).waitFor();
await picture('diagnosis');

await page.goto(`${address}/builds/puffin/search`);
await page.getByRole('button', { name: 'Search' }).click();
await page.getByText(/sets judged; /).waitFor({ timeout: 60_000 });
await page.evaluate(() => window.scrollTo(0, 0));
await picture('search');

await page.goto(`${address}/builds/puffin/layout`);
await page.getByRole('list', { name: 'What stands in the way of the layout' }).waitFor({ timeout: 60_000 });
await page.waitForTimeout(1000);
await picture('layout');

await page.goto(`${address}/builds/puffin/test-track?view=course`);
await page.getByRole('button', { name: 'Drive it 100 times' }).click();
await page.getByRole('heading', { name: 'What came out' }).waitFor({ timeout: 60_000 });
await page.evaluate(() => window.scrollTo(0, 230));
await page.waitForTimeout(500);
await picture('test-track');

await page.goto(`${address}/builds/teasel/test-track`);
await page.getByRole('group', { name: /^Gains that hold/ }).waitFor({ timeout: 60_000 });
await page.waitForTimeout(500);
await picture('balance');

await page.goto(`${address}/shelf/measure`);
await page.getByRole('button', { name: 'Simulated meter' }).click();
await page.getByRole('button', { name: 'Connect the meter' }).click();
const lines = page.getByRole('table', { name: 'Readings' }).getByRole('row');
for (let n = 1; n <= 6; n++) {
  await page.getByRole('button', { name: 'Set it so and take the reading' }).click();
  await lines.nth(n).waitFor();
}
await page.waitForTimeout(500);
await picture('characterise');
await page.getByRole('button', { name: 'Begin anew' }).click();

await page.setViewportSize(PHONE);
await page.goto(`${address}/builds/puffin/assembly`);
await page.waitForLoadState('networkidle');
await page.getByRole('heading', { name: /^Steps:/ }).scrollIntoViewIfNeeded();
await picture('phone');
await browser.close();
