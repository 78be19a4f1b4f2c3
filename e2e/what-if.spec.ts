import { complaints, expect, test } from './application.ts';

test('by keys alone: which number, how far it may go, and what gives first', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  await bench.getByRole('link', { name: 'What if a number were different?' }).press('Enter');
  await expect(bench.getByRole('img', { name: /over Payload, mass/ })).toBeVisible({ timeout: 60_000 });
  const which = bench.getByRole('combobox', { name: 'Which number?' });
  await which.fill('slip loaded grade');
  await bench.getByRole('option', { name: /Slip, loaded, grade/ }).waitFor();
  await which.press('Enter');
  await expect(bench.getByText(/Above 10\.4° wheel torque on “Slip, loaded” falls short/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(bench.getByRole('img', { name: /over Slip, loaded, grade/ })).toBeVisible();
  await bench.getByRole('textbox', { name: 'To' }).fill('10°');
  await expect(bench.getByText(/Up to 10° nothing more falls short/)).toBeVisible({ timeout: 60_000 });
  expect(await complaints(bench)).toEqual([]);
  // The address says what is asked: opened again, the same stands there.
  await bench.reload();
  await expect(bench.getByText(/Up to 10° nothing more falls short/)).toBeVisible({ timeout: 60_000 });
});
