import { readFileSync } from 'node:fs';
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
  await bench.getByRole('textbox', { name: 'Teeth of the small sprocket' }).fill('10');
  await bench.getByRole('textbox', { name: 'Teeth of the large sprocket' }).fill('36');
  await bench.getByRole('textbox', { name: 'Distance between the shafts' }).fill('7 1/8 in');
  await expect(
    bench.getByRole('definition').and(bench.locator('dt:has-text("The nearest even number of links") + dd')),
  ).toContainText('62');
  await bench.reload();
  await expect(bench.getByRole('textbox', { name: 'Distance between the shafts' })).toHaveValue('7 1/8 in');
  await bench.getByRole('textbox', { name: 'Distance between the shafts' }).fill('1 in');
  await expect(bench.getByRole('alert')).toContainText('overlap');
});

test('a sum is filled from a build and its result put into it, seen, undone and saved, by keyboard', async ({
  bench,
  request,
  application,
}) => {
  const document = JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')) as { name: string };
  document.name = 'Puffin for sums';
  const answer = await request.post(`${application.url}/api/builds`, { data: { document } });
  const { id } = (await answer.json()) as { id: string };
  await bench.goto(`/sums/chain-drive?build=${id}`);
  await bench.getByRole('button', { name: 'Fill in from Puffin for sums' }).press('Enter');
  await expect(bench.getByRole('textbox', { name: 'Teeth of the large sprocket' })).toHaveValue('40');
  await expect(bench.getByRole('textbox', { name: 'Distance between the shafts' })).toHaveValue('190 mm');
  // The build itself is named in the address, so that it is still there after a reload.
  await bench.reload();
  await expect(bench.getByRole('textbox', { name: 'Teeth of the large sprocket' })).toHaveValue('40');
  await bench.getByRole('textbox', { name: 'Distance between the shafts' }).fill('200 mm');
  const links = bench
    .getByRole('definition')
    .and(bench.locator('dt:has-text("The nearest even number of links") + dd'));
  await expect(links).toContainText('68');
  await bench.getByRole('button', { name: /Put into Puffin for sums: the centre distance/ }).press('Enter');
  await expect(bench.getByRole('status').filter({ hasText: 'From the quick sum' })).toBeVisible();
  await expect(bench).toHaveURL(new RegExp(`/builds/${id}/drivetrain$`));
  await expect(bench.getByText('saved', { exact: true })).toBeVisible();
  const stored = async () => {
    const read = (await (await request.get(`${application.url}/api/builds/${id}`)).json()) as {
      document: { drives: { stages: { centre: { value: number } }[] }[] };
    };
    return read.document.drives[0]?.stages[0]?.centre.value;
  };
  const put = await stored();
  expect(put).toBeGreaterThan(0.195);
  // It is put in once: not again by a reload.
  await bench.reload();
  await expect(bench.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  await expect(bench.getByRole('status').filter({ hasText: 'From the quick sum' })).toHaveCount(0);
  await bench.keyboard.press('Control+z');
  await expect(bench.getByText('saved', { exact: true })).toBeVisible();
  await expect.poll(stored).toBeCloseTo(0.19, 9);
});

test('a curve is moved along by arrow keys and by dragging, and types its input', async ({ bench }) => {
  await bench.goto('/sums/road-load');
  const slider = bench.getByRole('slider', { name: 'Grade of the ground, uphill positive' });
  await slider.focus();
  await bench.getByRole('textbox', { name: 'Grade of the ground, uphill positive, °' }).fill('9°');
  await slider.press('ArrowRight');
  await expect(bench.getByRole('textbox', { name: 'Grade of the ground, uphill positive, °' })).toHaveValue(
    '9.5°',
  );
  const chart = bench.getByRole('img', { name: /over grade/ });
  await chart.scrollIntoViewIfNeeded();
  const box = await chart.boundingBox();
  if (!box) throw new Error('no chart');
  await bench.mouse.move(box.x + box.width * 0.6, box.y + box.height / 2);
  await bench.mouse.down();
  await bench.mouse.move(box.x + box.width * 0.9, box.y + box.height / 2);
  await bench.mouse.up();
  const typed = bench.getByRole('textbox', { name: 'Grade of the ground, uphill positive, °' });
  await expect.poll(async () => parseFloat(await typed.inputValue())).toBeGreaterThan(25);
  await bench.getByLabel('Input drawn along').selectOption({ label: 'Mass of the vehicle with its load' });
  await expect(bench.getByRole('slider', { name: 'Mass of the vehicle with its load' })).toBeVisible();
});
