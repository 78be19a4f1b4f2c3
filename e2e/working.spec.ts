import { readFile } from 'node:fs/promises';
import { complaints, expect, test } from './application.ts';

test('a number opens to its working by keyboard, one step further, and on to the quick sum', async ({
  bench,
  request,
  application,
}) => {
  // A barrow of its own: others of these tests change the demo's.
  const document: unknown = JSON.parse(await readFile('data/builds/puffin.zubric.json', 'utf8'));
  const made = await request.post(`${application.url}/api/builds`, { data: { document } });
  await bench.goto(`/builds/${((await made.json()) as { id: string }).id}/brief`);
  await bench.getByRole('button', { name: /the force of “Slip, loaded”/ }).focus();
  await bench.keyboard.press('Enter');
  const panel = bench.getByRole('dialog');
  await expect(panel.getByText('F = m g f cosθ + m g sinθ + ½ ρ CdA v² + k m a + D')).toBeVisible();
  // The numbers put in, and what they come to (178 kg up 9° at 0.08: 411.0 N, worked by hand).
  await expect(panel.getByText(/178.kg · 9\.80\d*.m\/s² · 0\.08 · cos\(9°\)/)).toBeVisible();
  await expect(panel.getByText(/^411.N$/).first()).toBeVisible();
  await expect(panel.getByText(/Gillespie/)).toBeVisible();
  const row = (name: string) => panel.getByRole('row', { name });
  await expect(row('Rolling resistance over weight on the ground')).toContainText(
    'assumed: Brief, Wet cobbles',
  );
  await expect(row('Grade of the ground')).toContainText('typed');
  expect(await complaints(bench)).toEqual([]);

  await row('Mass of the vehicle with its load').getByRole('button', { name: /open/ }).focus();
  await bench.keyboard.press('Enter');
  await expect(
    panel.getByRole('row', { name: /^Mass 58.kg measured: Brief, the vehicle itself/ }),
  ).toBeVisible();
  await expect(panel.getByRole('row', { name: /^Mass 120.kg typed: Brief, payload/ })).toBeVisible();
  await panel.getByRole('button', { name: 'One step back' }).press('Enter');
  await expect(row('Grade of the ground')).toBeVisible();
  await panel.getByRole('link', { name: 'As a quick sum' }).press('Enter');
  await expect(bench).toHaveURL(/sums\/road-load\?massKg=178/);
  await expect(bench.getByText(/^411.N$/).first()).toBeVisible();
});

test('both sides of a margin open from the strip, by keyboard, without leaving the station', async ({
  bench,
}) => {
  await bench.goto('/builds');
  await bench.getByRole('link', { name: 'Puffin', exact: true }).first().click();
  const battery = bench.locator('[data-block=battery]');
  const number = battery.getByRole('button', { name: /what there is of/ });
  await number.focus();
  await bench.keyboard.press('Enter');
  const panel = bench.getByRole('dialog');
  await expect(panel).toContainText(/from the shelf|worked out/);
  await bench.keyboard.press('Escape');
  await expect(panel).toHaveCount(0);
  await bench
    .locator('[data-block=wheel]')
    .getByRole('button', { name: /what there is of/ })
    .click();
  await expect(panel).toContainText('T2 = k i (max(T, 0) η + min(T, 0)/η)');
  await panel.getByRole('button', { name: /^open Torque of each motor/ }).click();
  await expect(panel).toContainText('T = kt (I − I0)');
  expect(await complaints(bench, 'all')).toEqual([]);
  await bench.keyboard.press('Escape');
  // The rest of the block still leads to its station.
  await bench.locator('[data-block=battery]').getByRole('link').click();
  await expect(bench).toHaveURL(/\/power$/);
});

test('numbers of Drivetrain, Test track and Trials open to their working', async ({ bench }) => {
  const panel = bench.getByRole('dialog');
  const open = async (name: RegExp): Promise<void> => {
    await bench.getByRole('button', { name }).first().press('Enter');
    await expect(panel).toContainText('What went in');
  };
  await bench.goto('/builds/puffin/drivetrain');
  await open(/the lowest ratio that does every job/);
  await expect(panel).toContainText('k i η kt');
  await bench.keyboard.press('Escape');
  await open(/the length of the chain/);
  await expect(panel).toContainText('X = 2 C/p');
  await bench.keyboard.press('Escape');
  await open(/the load on stage/);
  await bench.keyboard.press('Escape');
  await bench.goto('/builds/puffin/test-track');
  await open(/“speed at the end”/);
  await expect(panel).toContainText('M dv/dt');
  expect(await complaints(bench)).toEqual([]);
  await bench.keyboard.press('Escape');
  await bench.goto('/builds/puffin/trials');
  await open(/“End to the side”/);
  await expect(panel).toContainText('measured: the runs of this set');
});
