import { begin, complaints, expect, saved, test } from './application.ts';

test('an unknown motor is read on the simulated meter, put in a build, pulls there, and is there after a restart', async ({
  bench,
  application,
}) => {
  await begin(bench, 'Seed drill');
  const power = bench.url().replace('brief', 'power');
  await bench.goto(power);
  await bench.getByRole('link', { name: 'Measure an unknown one' }).click();
  await bench.getByRole('button', { name: 'Simulated meter' }).click();
  await bench.getByLabel('Motor on the simulated bench').selectOption({ index: 1 });
  await expect(bench.getByLabel('Voltage it is to run at')).toHaveValue('24 V');
  await bench.getByRole('button', { name: 'Connect the meter' }).click();
  const readings = bench.getByRole('table', { name: 'Readings' }).getByRole('row');
  const take = bench.getByRole('button', { name: 'Set it so and take the reading' });
  for (let n = 1; n <= 7; n += 1) {
    await take.click();
    await expect(readings).toHaveCount(n + 1, { timeout: 15_000 });
  }
  await expect(bench.getByRole('region', { name: 'The motor' })).toContainText('Stall torque');
  expect(await complaints(bench)).toEqual([]);
  await bench.getByLabel('Name', { exact: true }).fill('Flatted one, measured');
  await bench.getByRole('button', { name: 'Put it on the shelf with its readings' }).click();
  await bench.getByRole('link', { name: 'Back to the build' }).click();
  await bench.getByRole('button', { name: 'Take Flatted one, measured' }).click();
  await expect(bench.getByRole('button', { name: /^Motor Flatted one, measured/ })).toBeVisible();
  await expect(bench.getByText(/gets .* × its torque/)).toBeVisible();
  await saved(bench);
  await application.stop('kill');
  await application.start();
  await bench.goto(power);
  await expect(bench.getByRole('button', { name: /^Motor Flatted one, measured/ })).toBeVisible();
  await bench.goto('/shelf');
  await bench.getByLabel('Search in names and notes').fill('Flatted');
  await expect(bench.getByText('Flatted one, measured')).toBeVisible();
});

test('the plug of the meter pulled in the middle is told, and what was read is kept', async ({ bench }) => {
  await bench.goto('/shelf/measure');
  await bench.getByRole('button', { name: 'Simulated meter' }).click();
  await bench.getByRole('button', { name: 'Connect the meter' }).click();
  const readings = bench.getByRole('table', { name: 'Readings' }).getByRole('row');
  const take = bench.getByRole('button', { name: 'Set it so and take the reading' });
  await take.click();
  await expect(readings).toHaveCount(2, { timeout: 15_000 });
  await bench.getByLabel('Its plug is in').click();
  await expect(bench.getByRole('alert')).toContainText('fell silent');
  await expect(take).toBeDisabled();
  await bench.getByRole('button', { name: 'Connect again' }).click();
  await expect(bench.getByRole('alert')).toContainText('its plug is out');
  await bench.reload();
  await expect(readings).toHaveCount(2);
  await bench.getByRole('button', { name: 'Simulated meter' }).click();
  await bench.getByLabel('Its plug is in').click();
  await bench.getByRole('button', { name: 'Connect the meter' }).click();
  await take.click();
  await expect(readings).toHaveCount(3, { timeout: 15_000 });
});
