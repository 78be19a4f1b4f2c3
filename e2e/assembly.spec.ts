import { complaints, copyOf, expect, saved, test } from './application.ts';
import { isKept, network, phone } from './phones.ts';

test('a step of one’s own, a helper, a check and an outing, each kept', async ({ bench }) => {
  const id = await copyOf(bench, 'puffin', 'Puffin with paint');
  await bench.goto(`/builds/${id}/assembly`);
  await bench.getByRole('textbox', { name: 'A step of your own' }).fill('Paint the frame');
  await bench
    .getByLabel('Where', { exact: true })
    .selectOption({ label: 'after 1. Mark out, cut and drill the frame' });
  await bench.getByRole('button', { name: 'Add the step' }).press('Enter');
  await expect(bench.getByLabel('Done: Paint the frame')).toBeVisible();
  await bench.getByRole('button', { name: /^what it takes.*Paint the frame/ }).press('Enter');
  await bench.getByLabel('Waiting after it').fill('1 d');
  await bench.getByLabel('Also after').selectOption({ label: 'First run on the floor, empty' });
  // Nothing waits for the paint: it may come after the first run as well.
  await expect(bench.getByText(/after “First run on the floor, empty”: as you have it/)).toBeVisible();
  await saved(bench);
  await bench.getByRole('button', { name: 'Dates and people' }).press('Enter');
  await bench.getByLabel('Somebody who helps').fill('Anna');
  await bench.getByRole('button', { name: 'Add a helper' }).press('Enter');
  await expect(bench.getByText(/you and Anna/).first()).toBeVisible();
  const calendar = bench.waitForEvent('download');
  await bench.getByRole('button', { name: 'Save as a calendar file' }).press('Enter');
  expect((await calendar).suggestedFilename()).toBe('assembly of Puffin with paint.ics');
  await bench.getByRole('button', { name: 'First power' }).press('Enter');
  const limit = bench.getByRole('group', { name: 'Fed with a limit' });
  await limit.getByRole('button', { name: 'As it should be' }).press('Enter');
  await expect(bench.getByText('Next: wheels off the ground')).toBeVisible();
  await bench.getByRole('button', { name: 'Service' }).press('Enter');
  await bench.getByRole('button', { name: 'It was out' }).press('Enter');
  await expect(bench.getByText(/Due: bolts and set screws/)).toBeVisible();
  await saved(bench);
  expect(await complaints(bench)).toEqual([]);
  await bench.reload();
  await expect(bench.getByText(/Due: bolts and set screws/)).toBeVisible();
  await bench.getByRole('link', { name: 'Logbook' }).click();
  await expect(bench.getByText('First power, fed with a limit: as it should be')).toBeVisible();
});

test('the sheets print whole rows on A4 and Letter', async ({ bench }) => {
  await bench.goto('/builds/puffin/print');
  await expect(bench.getByRole('heading', { name: 'Labels, one for either end' })).toBeVisible();
  await bench.emulateMedia({ media: 'print' });
  const torn = await bench.evaluate(
    () =>
      [...document.querySelectorAll('main tr, main li')].filter(
        (row) => getComputedStyle(row).breakInside !== 'avoid' && row.clientHeight > 0,
      ).length,
  );
  expect(torn).toBe(0);
  for (const [format, width] of [
    ['A4', 794],
    ['Letter', 816],
  ] as const) {
    await bench.setViewportSize({ width, height: 1000 });
    expect(await bench.evaluate(() => document.documentElement.scrollWidth), format).toBeLessThanOrEqual(
      width,
    );
    const pdf = await bench.pdf({ format });
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  }
});

test(
  'three steps are done on a phone with the network away, one with a photograph, and stand on the bench once',
  { tag: '@short' },
  async ({ bench, browser }) => {
    const id = await copyOf(bench, 'puffin', 'Puffin on the floor');
    const { page, context } = await phone({ bench, browser }, 'record', 'Group 5');
    await page.setViewportSize({ width: 400, height: 800 });
    await isKept(page);
    const steps = ['Mount the motor drivers', 'Charge the battery', 'Set the bearings of the shaft'];
    await page.goto(`/builds/${id}/logbook`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.goto(`/builds/${id}/assembly`);
    await expect(page.getByLabel(`Done: ${steps[0]}`)).toBeVisible();
    await network(bench, false);
    for (const title of steps) await page.getByLabel(`Done: ${title}`).check();
    await page.getByRole('button', { name: new RegExp(`^what it takes.*${steps[1]}`) }).click();
    await page.getByLabel(`Photograph of ${steps[1]}`).setInputFiles('packages/web/public/icon-192.png');
    await expect(page.getByText('Kept on this device')).toBeVisible();
    await expect(page.getByRole('button', { name: '5 not sent yet' })).toBeVisible();
    await page.reload();
    for (const title of steps) await expect(page.getByLabel(`Done: ${title}`)).toBeChecked();
    await network(bench, true);
    await expect(page.getByRole('button', { name: /not sent yet/ })).toHaveCount(0, { timeout: 60_000 });
    await bench.goto(`/builds/${id}/assembly`);
    for (const title of steps) await expect(bench.getByLabel(`Done: ${title}`)).toBeChecked();
    await bench.getByRole('link', { name: 'Logbook' }).click();
    await expect(bench.getByText(`Step “${steps[1]}”`)).toHaveCount(1);
    await expect(bench.getByRole('img', { name: /photograph/i })).toHaveCount(1);
    await context.close();
  },
);
