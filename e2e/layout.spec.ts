import { readFileSync } from 'node:fs';
import { complaints, expect, saved, test } from './application.ts';

test('a battery box whose lid is blocked is told of, goes to a place that is offered, and the loads follow; undone', async ({
  bench,
}) => {
  await bench.goto('/builds/moth/layout');
  const found = bench.getByRole('list', { name: 'What stands in the way of the layout' });
  await expect(found).toContainText('The lid of “Battery box” is reached only after taking off Float floor', {
    timeout: 30_000,
  });
  const side = bench.getByRole('figure').filter({ hasText: 'From the right side' });
  const loads = async (): Promise<string[]> => side.locator('text', { hasText: /N$/ }).allTextContents();
  const before = await loads();
  expect(before.length).toBe(2);
  const box = bench.getByRole('slider', { name: 'Battery box, from above' });
  await box.focus();
  const chosen = bench.getByRole('region', { name: 'Chosen: Battery box' });
  await chosen.getByRole('button', { name: 'Find a place for it' }).press('Enter');
  const places = chosen.getByRole('list', { name: /^Free places/ });
  await places.getByRole('button', { name: 'Put it there' }).first().press('Enter');
  await expect(found).not.toContainText('The lid of “Battery box”', { timeout: 30_000 });
  await expect.poll(loads).not.toEqual(before);
  expect(await complaints(bench)).toEqual([]);
  await saved(bench);
  await bench.getByRole('button', { name: /^Undo/ }).press('Enter');
  await expect.poll(loads).toEqual(before);
  await expect(found).toContainText('The lid of “Battery box”', { timeout: 30_000 });
});

test('a part is dragged by hand, and its numbers follow', async ({ bench }) => {
  await bench.goto('/builds/puffin/layout');
  const switchBox = bench.getByRole('slider', { name: 'Main switch, from above' });
  const ahead = bench.getByRole('textbox', { name: /^Ahead of the rear axle, Main switch/ });
  await expect(ahead).toHaveValue('-150 mm');
  const at = await switchBox.boundingBox();
  if (!at) throw new Error('it is not drawn');
  await bench.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await bench.mouse.down();
  await bench.mouse.move(at.x + at.width / 2 + 40, at.y + at.height / 2, { steps: 8 });
  await bench.mouse.up();
  await expect(ahead).not.toHaveValue('-150 mm');
  await saved(bench);
});

test('a template is handed out as PDF, its picture beside it', async ({ bench }) => {
  await bench.goto('/builds/puffin/layout');
  await bench.getByRole('button', { name: 'Show the templates' }).press('Enter');
  await expect(bench.getByRole('img', { name: /^Sprocket of 10 teeth/ })).toBeVisible({ timeout: 30_000 });
  const handed = bench.waitForEvent('download');
  await bench.getByRole('button', { name: 'PDF', exact: true }).press('Enter');
  expect((await handed).suggestedFilename()).toBe('sprocket-1-driver.pdf');
  expect(await complaints(bench)).toEqual([]);
});

test('a disc of one’s own is handed out as DXF, cut with a kerf', async ({ bench }) => {
  await bench.goto('/builds/whimbrel/layout');
  await bench.getByRole('button', { name: 'Show the templates' }).press('Enter');
  await bench.getByLabel('Template', { exact: true }).selectOption('own-hub-adapter');
  await bench.getByLabel(/^A laser or bit takes away/).fill('0.2 mm');
  const handed = bench.waitForEvent('download');
  await bench.getByRole('button', { name: 'DXF', exact: true }).press('Enter');
  const path = await (await handed).path();
  const dxf = readFileSync(path, 'utf8');
  // Four holes of 4.5 mm, their radius less by half of the kerf, on the layer that is cut.
  expect(dxf.match(/\n40\n2\.15\n/g)).toHaveLength(4);
  // An outline of many corners is moved too.
  await bench.getByLabel('Template', { exact: true }).selectOption('gear-1-driver-drive-2');
  const gear = bench.getByRole('img', { name: /^Spur gear/ });
  const cut = await gear.getAttribute('src');
  await bench.getByLabel(/^A laser or bit takes away/).fill('0 mm');
  await expect(gear).not.toHaveAttribute('src', cut ?? '');
  expect(await complaints(bench)).toEqual([]);
});

test('a corner of the outline is dragged: one step, kept when it is let go, undone by one', async ({
  bench,
}) => {
  await bench.goto('/builds/moth/layout');
  const corner = bench.getByRole('slider', { name: 'Corner 4 of the body' });
  const ahead = bench.getByRole('textbox', { name: /^Ahead, corner 4/ });
  await expect(ahead).toHaveValue('1900 mm');
  const at = await corner.boundingBox();
  if (!at) throw new Error('it is not drawn');
  await bench.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await bench.mouse.down();
  await bench.mouse.move(at.x + at.width / 2 - 30, at.y + at.height / 2, { steps: 6 });
  await bench.mouse.up();
  await expect(ahead).not.toHaveValue('1900 mm');
  await saved(bench);
  await bench.getByRole('button', { name: /^Undo/ }).press('Enter');
  await expect(ahead).toHaveValue('1900 mm');
});

test('a body in halves is looked at in the browser: what is in it comes out after a half', async ({
  bench,
}) => {
  await bench.goto('/builds/teasel/layout');
  const service = bench.getByRole('region', { name: 'What has to come off first?' });
  await expect(service.getByRole('listitem').filter({ hasText: 'Change Battery' })).toContainText(
    'half of the body',
    { timeout: 30_000 },
  );
});
