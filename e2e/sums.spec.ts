import { expect, test } from './application.ts';

test('a quick sum by keyboard: found by its question, worked in mixed units, kept in its address', async ({
  bench,
}) => {
  await bench.goto('/builds');
  await bench.getByRole('link', { name: 'Quick sums' }).click();
  await bench.getByLabel('What do you want to know?').fill('links');
  await bench.keyboard.press('Tab');
  await bench.keyboard.press('Enter');
  await expect(bench.getByRole('heading', { level: 1 })).toHaveText('Roller chain and sprockets');
  await bench.getByLabel('Chain by its standard number').selectOption('ansi-35');
  await bench.getByLabel('Teeth of the small sprocket').fill('10');
  await bench.getByLabel('Teeth of the large sprocket').fill('36');
  await bench.getByLabel('Distance between the shafts').fill('7 1/8 in');
  await expect(bench.getByText('The nearest even number of links').locator('..')).toContainText('62');
  await bench.reload();
  await expect(bench.getByLabel('Distance between the shafts')).toHaveValue('7 1/8 in');
  await bench.getByLabel('Distance between the shafts').fill('1 in');
  await expect(bench.getByRole('alert')).toContainText('overlap');
});
