import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { expect, saved, test } from './application.ts';

const status = (page: Page) => page.getByRole('banner').getByRole('status');
const purpose = (page: Page) => page.getByLabel('What it is for');

test('a browser killed 300 ms after an edit loses nothing of it', async ({ application }) => {
  const profile = mkdtempSync(join(tmpdir(), 'zubric-browser-'));
  const launch = () =>
    chromium.launchPersistentContext(profile, {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu'],
      baseURL: application.url,
    });
  let context = await launch();
  const page = await context.newPage();
  await page.goto('/builds/moth/brief');
  await expect(purpose(page)).toBeVisible();
  await application.stop('kill');
  await purpose(page).fill('typed just before the power went');
  await page.waitForTimeout(300);
  // The whole browser at once, as when the power goes.
  execFileSync('pkill', ['-9', '-f', '--', `user-data-dir=${profile}`]);
  await context.close().catch(() => undefined);
  await application.start();
  context = await launch();
  const again = await context.newPage();
  await again.goto('/builds/moth/brief');
  await expect(purpose(again)).toHaveValue('typed just before the power went');
  await saved(again);
  await context.close();
  rmSync(profile, { recursive: true, force: true });
});

test('two windows each keep their own unsaved edit; what is left of them is offered again', async ({
  browser,
  application,
}) => {
  const context = await browser.newContext({ baseURL: application.url });
  const [one, two] = [await context.newPage(), await context.newPage()];
  for (const page of [one, two]) {
    await page.goto('/builds/teasel/brief');
    await expect(purpose(page)).toBeVisible();
  }
  await application.stop('kill');
  await purpose(one).fill('from window one');
  await expect(status(one)).toContainText('kept here');
  await purpose(two).fill('from window two');
  await expect(status(two)).toContainText('kept here');
  await one.close();
  await two.close();
  await application.start();
  const later = await context.newPage();
  await later.goto('/builds/teasel/brief');
  // The latest is taken up where it was left, the other is offered.
  await expect(purpose(later)).toHaveValue('from window two');
  await later.getByRole('button', { name: 'Look at it' }).click();
  await expect(later.getByRole('row', { name: 'Purpose' })).toContainText('from window one');
  await later.getByRole('button', { name: 'Save this choice' }).click();
  await saved(later);
  await expect(purpose(later)).toHaveValue('from window two');
  await later.reload();
  await expect(purpose(later)).toHaveValue('from window two');
  await expect(later.getByRole('button', { name: 'Look at it' })).toHaveCount(0);
  await context.close();
});

test('where the browser keeps nothing it is said that an edit is on this screen only', async ({
  bench,
  application,
}) => {
  await bench.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('denied', 'SecurityError');
    };
  });
  await bench.goto('/builds/pip/brief');
  await expect(purpose(bench)).toBeVisible();
  await application.stop('kill');
  await purpose(bench).fill('nowhere but here');
  await expect(status(bench)).toContainText('not saved: only on this screen');
  await application.start();
  await saved(bench);
});

test('a build thrown away elsewhere is had back with what was typed meanwhile', async ({
  bench,
  request,
  application,
}) => {
  await bench.goto('/builds/pip/brief');
  await expect(purpose(bench)).toBeVisible();
  await request.put(`${application.url}/api/builds/pip/place`, { data: { place: 'bin' } });
  await purpose(bench).fill('typed into what was thrown away');
  await expect(bench.getByRole('heading', { name: 'This build was thrown away elsewhere.' })).toBeVisible();
  await bench.getByRole('button', { name: 'Put it back' }).click();
  await saved(bench);
  await bench.reload();
  await expect(purpose(bench)).toHaveValue('typed into what was thrown away');
});

test('a build goes out with its logbook and comes in again', async ({ bench }) => {
  await bench.goto('/builds');
  await bench.getByRole('button', { name: 'More for Puffin', exact: true }).click();
  const download = bench.waitForEvent('download');
  await bench.getByRole('menuitem', { name: 'Take out with its logbook' }).click();
  const file = await (await download).path();
  expect((await download).suggestedFilename()).toBe('puffin.zubric-whole.json');
  await bench.getByLabel('Build files').setInputFiles(file);
  await expect(bench.getByRole('dialog')).toContainText('with its logbook, snapshots and trials');
  await bench.getByRole('button', { name: 'Bring in this build' }).click();
  await expect(bench.getByText('One build was brought in.')).toBeVisible();
  await bench.getByRole('link', { name: 'Puffin', exact: true }).first().click();
  await bench
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /Logbook/ })
    .click();
  await expect(bench.getByText('Invented for the demo')).toBeVisible();
  await expect(bench.getByText('As first drawn').first()).toBeVisible();
});
