import { begin, complaints, expect, saved, test } from './application.ts';

test('a gearmotor known by its label alone is written down in a build, pulls there, and lies on the shelf for another', async ({
  bench,
}) => {
  await begin(bench, 'Lift cart');
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
  // The build holds it as it was: it is offered the change, with what that would move.
  const uses = bench.getByRole('dialog', { name: /is used$/ });
  await expect(uses.getByText(/holds an earlier copy/)).toBeVisible();
  expect(await complaints(bench)).toEqual([]);
  await uses.getByRole('button', { name: 'Take it over into Lift cart' }).press('Enter');
  await expect(uses.getByText('has it as it is on the shelf')).toBeVisible();
  await uses.press('Escape');
  await bench.getByRole('button', { name: 'Set aside Gearmotor off the lift' }).click();
  await expect(bench.getByText(/is set aside\. Builds keep their copies\./)).toBeVisible();
  await bench.getByLabel('Where', { exact: true }).selectOption('set aside');
  await bench.getByRole('button', { name: 'Put back Gearmotor off the lift' }).click();
  await expect(bench.getByText(/is back on the shelf/)).toBeVisible();
});

test('a table of parts is shown before it is brought in, and lies on the shelf after', async ({ bench }) => {
  await bench.goto('/shelf');
  const table =
    'kind,name,type,massKg,voltageV,noLoadRpm,noLoadA,stallTorqueNm [in·lb],stallA,continuousA\n' +
    'motor,Hoist left,brushed,1.4,12,60,1.5,150,14,3\n' +
    'motor,Hoist right,brushed,1.4,twelve,60,1.5,150,14,3\n';
  await bench
    .getByLabel('Table of parts')
    .setInputFiles({ name: 'hoists.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  const panel = bench.getByRole('dialog', { name: 'What “hoists.csv” holds' });
  await expect(panel.getByText('Line 3')).toBeVisible();
  expect(await complaints(bench)).toEqual([]);
  await panel.getByRole('button', { name: 'Bring in 1 part' }).press('Enter');
  await expect(bench.getByText('1 part was brought in, 1 row was not.')).toBeVisible();
  await bench.getByLabel('Search in names and notes').fill('Hoist');
  await expect(bench.getByText('Hoist left', { exact: true })).toBeVisible();
  await expect(bench.getByText(/stalls at 16\.9.N·m/)).toBeVisible();
});
