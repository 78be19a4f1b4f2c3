import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { complaints, expect, test } from './application.ts';

const taken = async (page: Page, name: string): Promise<Buffer> => {
  const handed = page.waitForEvent('download', { timeout: 60_000 });
  await page.getByRole('button', { name, exact: true }).press('Enter');
  return readFileSync(await (await handed).path());
};

test('a build is taken out as a PDF, for a simulator and for its own program, by keyboard', async ({
  bench,
}) => {
  await bench.goto('/builds/puffin/out');
  const pdf = await taken(bench, 'PDF on A4');
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.length).toBeGreaterThan(20_000);
  expect((await taken(bench, 'Markdown')).toString()).toContain('## How each link stands in its hardest job');
  const urdf = (await taken(bench, 'URDF')).toString();
  // As the browser itself reads it.
  const links = await bench.evaluate(
    (text) =>
      new DOMParser().parseFromString(text, 'application/xml').querySelectorAll('robot > link').length,
    urdf,
  );
  expect(links).toBeGreaterThan(4);
  expect((await taken(bench, 'C header')).toString()).toContain('#define COUNTS_PER_M');
  const whole = JSON.parse((await taken(bench, 'Whole file')).toString()) as { format: string };
  expect(whole.format).toBe('zubric-whole');
  expect(await complaints(bench)).toEqual([]);
});

test('the doors of the server are shown as a page', async ({ bench }) => {
  await bench.goto('/builds/puffin/out');
  await bench.getByRole('link', { name: 'The doors of this server' }).click();
  await expect(bench.getByText('/builds/{id}/trial-sets').first()).toBeVisible({ timeout: 30_000 });
});
