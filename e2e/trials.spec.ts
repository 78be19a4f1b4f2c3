import { complaints, copyOf, expect, saved, test } from './application.ts';
import type { Page } from '@playwright/test';

/** Long enough for many runs, each recorded, however slow the machine is. */
const RUNS = 180_000;

const beginTrial = async (bench: Page, asks: string): Promise<void> => {
  await bench.getByRole('button', { name: 'New trial' }).click();
  await bench
    .getByRole('button', { name: asks, exact: true })
    .or(bench.getByRole('button', { name: new RegExp(`^${asks.replace('?', '\\?')}`) }))
    .first()
    .click();
};

test('a drawer of thirteen motors is read by the simulated vehicle, the best pair fitted, ten runs made', async ({
  bench,
}) => {
  const id = await copyOf(bench, 'pip', 'Drawer');
  await bench.goto(`/builds/${id}/trials`);
  await beginTrial(bench, 'Which motors go together?');
  await bench.getByLabel('Motors', { exact: true }).fill('1-13');
  await expect(bench.getByText('13 in all')).toBeVisible();
  await bench.getByLabel('Powers').fill('50 %, 100 %');
  await bench.getByLabel('Times each').fill('1');
  await bench.getByRole('button', { name: 'Begin the set' }).click();
  await bench.getByRole('button', { name: 'A simulated vehicle' }).click();
  await bench.getByRole('button', { name: 'Read all that is left' }).click();
  const matching = bench.getByRole('region', { name: 'Which go together' });
  await expect(bench.getByText('All 52 runs')).toBeVisible({ timeout: RUNS });
  await expect(matching.getByText(/apart: ends .* to the side over 2/).first()).toBeVisible();
  await expect(matching.getByText('Best four, for two on each side')).toBeVisible();
  expect(await complaints(bench)).toEqual([]);
  await matching.getByRole('button', { name: /^Fit \d+ and \d+$/ }).click();
  await expect(matching.getByText('carries their numbers now')).toBeVisible();
  await saved(bench);

  await beginTrial(bench, 'Does it run straight, ten times out of ten?');
  await bench.getByLabel('Distance ordered').fill('2 m');
  await bench.getByRole('button', { name: 'Begin the set' }).click();
  await bench.getByRole('button', { name: 'A simulated vehicle' }).click();
  await bench.getByRole('button', { name: 'Run it 10 times' }).click();
  await expect(bench.getByText(/on average over 10 runs/).first()).toBeVisible({ timeout: RUNS });
  await expect(bench.getByRole('img', { name: /End to the side, run by run/ })).toBeVisible();
  await expect(bench.getByRole('heading', { name: 'Predicted beside measured' })).toBeVisible();
  await expect(bench.getByText(/They (do not )?agree/).first()).toBeVisible({ timeout: RUNS });
  expect(await complaints(bench)).toEqual([]);
  // The runs are read again from the database, and the logbook has noted both sets.
  await bench.reload();
  await expect(bench.getByText(/on average over 10 runs/).first()).toBeVisible();
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Logbook' }).click();
  await expect(bench.getByText(/^Matching motors: .* go best together/)).toBeVisible();
  await expect(bench.getByText(/^Straight runs: /)).toBeVisible();
});

test('a veer is diagnosed by swaps on a phone, and the decision stands in the logbook', async ({ bench }) => {
  await bench.setViewportSize({ width: 400, height: 800 });
  const id = await copyOf(bench, 'pip', 'Veers');
  await bench.goto(`/builds/${id}/trials`);
  await bench.getByRole('button', { name: 'Something is wrong', exact: true }).click();
  await bench.getByRole('button', { name: 'Begin the set' }).click();
  const heading = bench.getByRole('region').getByRole('heading', { level: 2 }).first();
  let run = 0;
  /** What a vehicle would do whose wheels are unlike: it flips with them, and with nothing else. */
  for (let step = 0; step < 20; step++) {
    if (await bench.getByText(/most likely/).isVisible()) break;
    const title = await heading.innerText();
    if (title.startsWith('Count turns')) {
      await bench.getByLabel('Turns of the left wheel').fill('40');
      await bench.getByLabel('Turns of the right wheel').fill('40');
      await bench.getByRole('button', { name: 'Record the turns' }).click();
      run += 1;
    } else {
      run += 1;
      const sides = ['62', '57', '66'].map((mm) => (title.startsWith('Swap the wheels') ? `-${mm}` : mm));
      await bench.getByLabel(new RegExp(`^Run ${run}: ended`)).fill(sides[run % 3] ?? '60');
      await bench.getByRole('button', { name: 'Record the run' }).click();
    }
    await expect(bench.getByLabel(new RegExp(`^Run ${run}: ended`))).toHaveCount(0);
  }
  await expect(bench.getByText(/most likely wheels of unlike size/)).toBeVisible();
  await expect(bench.getByText(/Swap the wheels, left for right: the veer went with it/)).toBeVisible();
  expect(await bench.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(400);
  await bench.getByRole('button', { name: 'Mended: that was it' }).click();
  await expect(bench.getByText(/^Decided: Wheels of unlike size/).first()).toBeVisible();
  await bench.goto(`/builds/${id}/logbook`);
  await expect(bench.getByText(/Decided: Wheels of unlike size/)).toBeVisible();
});

test('a wheel that was measured by a run is taken over, its spread with it, and what else moved is said', async ({
  bench,
}) => {
  const id = await copyOf(bench, 'pip', 'Measured');
  await bench.goto(`/builds/${id}/trials`);
  await beginTrial(bench, 'Does it go as far as it is told?');
  await bench.getByLabel('Distance ordered').fill('3 m');
  await bench.getByRole('button', { name: 'Begin the set' }).click();
  for (const [n, metres] of ['2.94', '2.95', '2.94', '2.93', '2.94'].entries()) {
    await bench.getByLabel(`Run ${n + 1}: distance covered`).fill(metres);
    await bench.keyboard.press('Enter');
    await expect(bench.getByRole('button', { name: `Change run ${n + 1}` })).toBeVisible();
  }
  await expect(bench.getByText(/It goes .* too short/).first()).toBeVisible();
  const take = bench.getByRole('button', { name: /^Take .* over$/ });
  await take.click();
  await expect(bench.getByText(/^Taken over\./)).toBeVisible();
  await saved(bench);
  await bench.goto(`/builds/${id}/brief`);
  await expect(bench.getByLabel(/diameter/i).first()).toHaveValue(/^54\.\d+ ± 0\.\d\d? mm$/);
});

test('a class makes the same trial with two builds, and hangs it on the wall', async ({ bench }) => {
  await copyOf(bench, 'pip', 'Tern');
  await copyOf(bench, 'sanderling', 'Knot');
  await bench.goto('/groups');
  await bench.getByRole('button', { name: 'Begin a trial for several builds' }).click();
  await bench.getByLabel('Class or club').fill('Marsh class');
  await bench.getByLabel('Tern', { exact: true }).check();
  await bench.getByLabel('Knot', { exact: true }).check();
  await bench.getByRole('button', { name: 'Begin it for 2 builds' }).click();
  const board = bench.getByRole('region', { name: 'Marsh class: Straight runs' });
  await expect(board.getByRole('row')).toHaveCount(3);
  const csv = bench.waitForEvent('download');
  await bench.getByRole('button', { name: 'All readings as CSV' }).click();
  expect((await csv).suggestedFilename()).toBe('readings.csv');
  expect(await complaints(bench)).toEqual([]);
});
