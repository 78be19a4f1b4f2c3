import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { throwAwayCluster } from '../scripts/lib/cluster.mjs';
import { expect, INSECURE_NAME, makeApplication, saved, test, type Application } from './application.ts';
import { codeFor, isKept, network, phone, PHONE } from './phones.ts';

/** How many runs the set has that is open. */
async function runs(page: Page): Promise<number> {
  await expect(page.getByRole('button', { name: 'Change run 1', exact: true })).toBeVisible();
  return page.getByRole('button', { name: /^Change run/ }).count();
}

async function recordRun(page: Page, number: number, side: string, distance: string): Promise<void> {
  await page.getByLabel(`Run ${number}: ended to the side, left −`).fill(side);
  const next = page.getByRole('button', { name: 'Next' });
  // As narrow as a phone it asks one thing at a time.
  if (await next.isVisible()) await next.click();
  await page.getByLabel(/distance covered$/i).fill(distance);
  await page.getByRole('button', { name: 'Record run' }).click();
  await expect(page.getByRole('button', { name: `Change run ${number}`, exact: true })).toBeVisible();
}

test('a phone is let in, records with the network away, comes back, and it stands on the bench once', async ({
  bench,
  browser,
  application,
}) => {
  const { page, context, origin } = await phone({ bench, browser }, 'record', 'Group 3');
  expect(origin).toBe(application.network);
  await expect(bench.getByText('Group 3 is in: it may record.')).toBeVisible();

  await isKept(page);
  await page.goto('/builds/puffin/trials');
  await expect(page.getByRole('heading', { name: /Does it run straight/ })).toBeVisible();
  const before = await runs(page);
  await page.goto('/builds/puffin/assembly');
  await expect(page.getByLabel('Done: Bolt the motors to their mounts')).toBeVisible();

  await network(bench, false);
  await page.getByLabel('Done: Bolt the motors to their mounts').check();
  await expect(page.getByRole('button', { name: '1 not sent yet' })).toBeVisible();
  await page.goto('/builds/puffin/trials');
  await recordRun(page, before + 1, '12 mm', '9.65 m');
  await recordRun(page, before + 2, '-7 mm', '9.66 m');
  await expect(page.getByRole('row', { name: /not sent yet/ })).toHaveCount(2);
  await expect(page.getByRole('button', { name: '3 not sent yet' })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'no connection' })).toBeVisible();

  // The page is read again with no network at all: the application and the build are there, and nothing is lost.
  await page.reload();
  await expect(page.getByRole('row', { name: /not sent yet/ })).toHaveCount(2);
  await page.getByRole('button', { name: '3 not sent yet' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'A step marked' })).toBeVisible();
  await page.getByRole('button', { name: /^Close/ }).click();
  await page.goto('/builds/puffin/assembly');
  await expect(page.getByLabel('Done: Bolt the motors to their mounts')).toBeChecked();

  await bench.goto('/builds/puffin/trials');
  await expect(bench.getByRole('row', { name: /^\d/ }).first()).toBeVisible();
  await network(bench, true);
  await expect(page.getByRole('button', { name: /not sent yet/ })).toHaveCount(0, { timeout: 60_000 });
  // The bench sees them by itself, each once, by whom.
  await expect(bench.getByRole('row', { name: /Group 3/ })).toHaveCount(2);
  expect(await runs(bench)).toBe(before + 2);
  await bench.getByRole('link', { name: 'Assembly' }).click();
  await expect(bench.getByLabel('Done: Bolt the motors to their mounts')).toBeChecked();
  await bench.getByRole('link', { name: 'Logbook' }).click();
  await expect(bench.getByText('by Group 3').first()).toBeVisible();
  await context.close();
});

test('a device that may look changes nothing, and says so; sent away, it has nothing any more', async ({
  bench,
  browser,
}) => {
  const { page, context } = await phone({ bench, browser }, 'look', 'Visitor');
  await page.goto('/builds/moth/brief');
  const purpose = page.getByLabel('What it is for');
  const was = await purpose.inputValue();
  await purpose.fill('tried by a visitor');
  await expect(page.getByText('to look at: tried here, not kept')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(purpose).toHaveValue(was);
  await purpose.fill('tried again');
  await page.reload();
  await expect(purpose).toHaveValue(was);
  await isKept(page);
  await page.reload();
  await expect(purpose).toHaveValue(was);

  await bench.goto('/devices');
  const row = bench.getByRole('row').filter({ has: bench.getByLabel('Name of Visitor') });
  await row.getByRole('button', { name: 'Send away' }).click();
  await row.getByRole('button', { name: 'Send Visitor away' }).click();
  await expect(bench.getByLabel('Name of Visitor')).toHaveCount(0);
  await page.goto('/builds');
  await expect(page.getByRole('heading', { name: /has no key/ })).toBeVisible();
  // Not with the network away either: what was kept of the builds went with the key.
  await network(bench, false);
  await page.goto('/builds/moth/brief');
  await expect(page.getByLabel('What it is for')).toHaveCount(0);
  await network(bench, true);
  await context.close();
});

test('two on one build see each other, take over what the other saves, and a lock holds both', async ({
  bench,
  browser,
}) => {
  const { page, context } = await phone({ bench, browser }, 'everything', 'Anna');
  await page.goto('/builds/teasel/brief');
  await bench.goto('/builds/teasel/brief');
  await expect(bench.getByText('also here: Anna (Brief)')).toBeVisible();
  await expect(page.getByText('also here: the bench (Brief)')).toBeVisible();
  await page.getByLabel('What it is for').fill('as Anna has it');
  // A field that somebody is in is left alone.
  await page.getByLabel('What it is for').blur();
  await expect(bench.getByLabel('What it is for')).toHaveValue('as Anna has it');
  await bench.getByLabel('What it is for').fill('and as the bench has it');
  await saved(bench);
  await expect(page.getByLabel('What it is for')).toHaveValue('and as the bench has it');

  await bench.getByRole('link', { name: 'Logbook' }).click();
  await expect(bench.getByText('by Anna').first()).toBeVisible();
  await bench.getByLabel('Name of the event').fill('Spring meet');
  await bench.getByRole('button', { name: 'Lock it' }).click();
  await expect(bench.getByText(/Locked for “Spring meet” since/)).toBeVisible();
  await expect(page.getByText('locked for “Spring meet”')).toBeVisible();
  await page.getByLabel('What it is for').fill('in the heat of the event');
  await expect(page.getByText('locked for “Spring meet”: tried here, not kept')).toBeVisible();
  await page.goto('/builds/teasel/assembly');
  const step = page.getByLabel(/^Done: /).first();
  await step.check();
  await bench.getByRole('link', { name: 'Assembly' }).click();
  await expect(bench.getByLabel(/^Done: /).first()).toBeChecked();
  await bench.getByRole('link', { name: 'Logbook' }).click();
  await bench.getByRole('button', { name: 'Unlock it' }).click();
  await expect(page.getByText('locked for “Spring meet”')).toHaveCount(0);
  await page.goto('/builds/teasel/brief');
  await expect(page.getByLabel('What it is for')).toHaveValue('and as the bench has it');
  await context.close();
});

test('over a network without TLS a phone records too, and is told what it cannot do', async ({
  bench,
  application,
}) => {
  // A browser that takes the name for a machine elsewhere: it trusts it as little as any address of a network.
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', `--host-resolver-rules=MAP ${INSECURE_NAME} 127.0.0.2`],
  });
  const link = await codeFor(bench, 'record');
  const page = await (await browser.newContext({ ...PHONE, baseURL: application.insecure })).newPage();
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  await page.goto(`${application.insecure}/pair${new URL(link).hash}`);
  await page.getByLabel(/What is this device called/).fill('In the field');
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByText(/This address is not encrypted/)).toBeVisible();
  await page.getByRole('button', { name: 'To the builds' }).click();
  await page.goto('/builds/puffin/trials');
  await expect(page.getByRole('heading', { name: /Does it run straight/ })).toBeVisible();
  const before = await runs(page);
  await network(bench, false);
  await recordRun(page, before + 1, '3 mm', '9.65 m');
  await expect(page.getByRole('row', { name: /not sent yet/ })).toHaveCount(1);
  await network(bench, true);
  await expect(page.getByRole('row', { name: /not sent yet/ })).toHaveCount(0, { timeout: 60_000 });
  await expect(page.getByRole('row', { name: /In the field/ })).toHaveCount(1);
  expect(errors).toEqual([]);
  await browser.close();
});

/** The built application, made a version later: another page, and another worker that keeps it. */
function release(web: string): void {
  const page = join(web, 'index.html');
  writeFileSync(
    page,
    readFileSync(page, 'utf8').replace('<html lang="en">', '<html lang="en" data-release="2">'),
  );
  const worker = join(web, 'offline-worker.js');
  writeFileSync(
    worker,
    readFileSync(worker, 'utf8').replace(
      /("\/index\.html",\s*revision:\s*"|\/index\.html`,revision:`)[^"`]+/,
      '$1later',
    ),
  );
}

test('a newer application is taken at the next start, and never beneath a page that is open', async ({
  browser,
}) => {
  const web = mkdtempSync(join(tmpdir(), 'zubric-web-'));
  cpSync('packages/web/dist', web, { recursive: true });
  const cluster = await throwAwayCluster();
  const application: Application = await makeApplication(cluster, web);
  await application.start();
  const bench = await browser.newPage({ baseURL: application.url });
  const { page, context } = await phone({ bench, browser }, 'record', 'Updated');
  const version = (of: Page) => of.evaluate(() => document.documentElement.dataset.release ?? '1');
  await isKept(page);
  await page.goto('/builds/puffin/trials');
  await page.getByLabel(/^Run \d+: ended to the side/).fill('5 mm');

  release(web);
  const waits = (of: Page) =>
    of.evaluate(async () => {
      const registration = await navigator.serviceWorker.getRegistration();
      await registration?.update();
      return registration?.waiting?.state;
    });
  await expect.poll(() => waits(page), { timeout: 30_000 }).toBe('installed');
  // In the middle of recording nothing moves.
  expect(await version(page)).toBe('1');
  await expect(page.getByLabel(/^Run \d+: ended to the side/)).toHaveValue('5 mm');
  // Another page begins while this one is open: it begins as this one is.
  const second = await context.newPage();
  await second.goto('/builds');
  await expect(second.getByRole('heading', { name: /Which vehicle/ })).toBeVisible();
  expect(await version(second)).toBe('1');
  await second.close();
  // Left, and begun anew. A browser may let the earlier worker stand until it is idle: it is then the start after.
  await page.close();
  await expect(async () => {
    const next = await context.newPage();
    await next.goto('/builds', { timeout: 10_000 });
    await expect(next.getByRole('heading', { name: /Which vehicle/ })).toBeVisible({ timeout: 10_000 });
    const begunWith = await version(next);
    await next.close();
    expect(begunWith).toBe('2');
  }).toPass({ timeout: 120_000 });
  await context.close();
  await bench.close();
  await application.stop();
  await cluster.stop();
  rmSync(web, { recursive: true, force: true });
});
