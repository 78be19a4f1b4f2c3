import { complaints, expect, test } from './application.ts';
import { isKept, network, phone } from './phones.ts';

const STATIONS = [
  ...['brief', 'ground', 'drivetrain', 'power', 'layout', 'assembly', 'test-track', 'trials', 'logbook'],
];

test('each worked example of the guide opens as a build at its station', async ({ bench }) => {
  for (const station of STATIONS) {
    await bench.goto(`/guide/${station}`);
    const examples = bench.getByRole('button', { name: /^Open “.*” as a build$/ });
    await expect(examples.first()).toBeVisible();
    const count = await examples.count();
    expect(count, station).toBeGreaterThan(0);
    for (let n = 0; n < count; n += 1) {
      await bench.goto(`/guide/${station}`);
      await examples.nth(n).press('Enter');
      await expect(bench).toHaveURL(new RegExp(`/builds/[\\w-]+/${station}$`));
      // The address changes first: the guide may still stand there.
      await expect(bench.getByText('governed by')).toBeVisible({ timeout: 30_000 });
      await expect(bench.getByRole('heading', { level: 1 })).toBeVisible({ timeout: 30_000 });
    }
  }
  await bench.waitForLoadState('networkidle');
  expect(await complaints(bench)).toEqual([]);
});

test('the guide is found by the box, and by a phone without a network', async ({ bench, browser }) => {
  await bench.goto('/builds');
  await expect(bench.getByRole('heading', { name: /Which vehicle/ })).toBeVisible();
  const words = bench.getByRole('combobox', { name: /^Words of a build/ });
  // A key that comes while the page is still being opened is nobody's.
  await expect(async () => {
    await bench.keyboard.press('Control+k');
    await expect(words).toBeVisible({ timeout: 5000 });
  }).toPass({ timeout: 60_000 });
  await words.fill('guide power');
  await bench.keyboard.press('Enter');
  await expect(bench.getByRole('heading', { level: 1, name: /^Power:/ })).toBeVisible();
  const { page, context } = await phone({ bench, browser }, 'look', 'Shed phone');
  await isKept(page);
  await network(bench, false);
  for (const station of STATIONS) {
    await page.goto(`/guide/${station}`);
    await expect(page.getByRole('heading', { name: 'What it answers' })).toBeVisible();
  }
  await network(bench, true);
  await context.close();
});
