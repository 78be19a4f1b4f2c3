import type { Browser, BrowserContext, Page } from '@playwright/test';
import jsQR from 'jsqr';
import sharp from 'sharp';
import { expect } from './application.ts';

/** As a telephone is held. */
export const PHONE = { viewport: { width: 390, height: 800 }, hasTouch: true, isMobile: true };

/** What the picture on a screen says to a camera: read by another library than the one that drew it. */
async function scanned(page: Page): Promise<string> {
  const picture = await page.getByRole('img', { name: /^Code to scan/ }).screenshot();
  const { data, info } = await sharp(picture).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const read = jsQR(new Uint8ClampedArray(data), info.width, info.height);
  if (!read) throw new Error('no code is seen in the picture');
  return read.data;
}

const ROLES = { look: /^look:/, record: /^record:/, everything: /^everything:/ } as const;

/** Asks at the bench for a code and scans it. */
export async function codeFor(bench: Page, role: keyof typeof ROLES): Promise<string> {
  await bench.goto('/devices');
  const choice = bench.getByLabel('What it may do');
  const option = choice.locator('option', { hasText: ROLES[role] });
  await choice.selectOption((await option.getAttribute('value')) ?? '');
  await bench.getByRole('button', { name: 'Let a phone in' }).click();
  await expect(bench.getByRole('img', { name: /^Code to scan/ })).toBeVisible();
  return scanned(bench);
}

async function comeIn(page: Page, link: string, name: string): Promise<void> {
  await page.goto(link);
  await page.getByLabel(/What is this device called/).fill(name);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { name: `${name} is in` })).toBeVisible();
  await page.getByRole('button', { name: 'To the builds' }).click();
  await expect(page.getByRole('heading', { name: /Which vehicle/ })).toBeVisible();
}

/** A telephone that is let in. */
export async function phone(
  { bench, browser }: { bench: Page; browser: Browser },
  role: keyof typeof ROLES,
  name: string,
): Promise<{ page: Page; context: BrowserContext; origin: string }> {
  const link = await codeFor(bench, role);
  const context = await browser.newContext({ ...PHONE, baseURL: new URL(link).origin });
  const page = await context.newPage();
  await comeIn(page, link, name);
  return { page, context, origin: new URL(link).origin };
}

/** Waits until the worker that keeps the application stands behind the page. */
export const isKept = (page: Page) =>
  expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state), { timeout: 30_000 })
    .toBe('activated');

/** The network goes, for devices alone, and comes back. */
export async function network(bench: Page, there: boolean): Promise<void> {
  const status = await bench.evaluate(async (open) => {
    const answer = await fetch('/api/devices/door', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ open }),
    });
    return answer.status;
  }, there);
  expect(status).toBe(204);
}
