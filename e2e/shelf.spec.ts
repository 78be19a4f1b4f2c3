import { complaints, expect, saved, test } from './application.ts';

test('a gearmotor known by its label alone is written down in a build, pulls there, and lies on the shelf for another', async ({
  bench,
}) => {
  await bench.goto('/builds');
  await bench.getByLabel('Name of a new build').fill('Lift cart');
  await bench.getByRole('button', { name: 'New build' }).click();
  await bench.waitForURL(/brief/);
  await bench.goto(bench.url().replace('brief', 'power'));
  await bench.getByRole('button', { name: 'Make your own motor' }).click();
  const form = bench.getByRole('form', { name: 'A part of your own' });
  await form.getByLabel(/^Name/).fill('Gearmotor off the lift');
  await form.getByLabel('Rated voltage').fill('24 V');
  await form.getByLabel('Rated power').fill('300 W');
  await form.getByLabel('Rated speed').fill('120 rpm');
  await expect(form.getByRole('region', { name: 'What it comes to' })).toContainText('Stall torque');
  expect(await complaints(bench)).toEqual([]);
  await form.getByRole('button', { name: 'Put it on the shelf' }).press('Enter');
  await expect(bench.getByRole('button', { name: /^Motor Gearmotor off the lift/ })).toBeVisible();
  await expect(bench.getByText(/gets .* × its torque/)).toBeVisible();
  await saved(bench);
  await bench.reload();
  await expect(bench.getByRole('button', { name: /^Motor Gearmotor off the lift/ })).toBeVisible();

  await bench.goto('/shelf');
  await bench.getByLabel('Search in names and notes').fill('off the lift');
  await expect(bench.getByText(/^1 of \d+ parts/)).toBeVisible();
  expect(await complaints(bench)).toEqual([]);
  await bench.getByRole('button', { name: 'Change Gearmotor off the lift' }).click();
  await form.getByLabel('Current at which it stands still').fill('90 A');
  await form.getByRole('button', { name: 'Keep the change' }).click();
  await expect(bench.getByText('“Gearmotor off the lift” is kept.')).toBeVisible();
  await bench.getByRole('button', { name: 'Set aside Gearmotor off the lift' }).click();
  await expect(bench.getByText(/is set aside\. Builds keep their copies\./)).toBeVisible();
  await bench.getByLabel('Where').selectOption('set aside');
  await bench.getByRole('button', { name: 'Put back Gearmotor off the lift' }).click();
  await expect(bench.getByText(/is back on the shelf/)).toBeVisible();
});
