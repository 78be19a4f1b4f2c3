import { readFile } from 'node:fs/promises';
import { complaints, expect, saved, test } from './application.ts';

interface Document {
  name: string;
  drives: { motorId: string | null }[];
  parts: { id: string }[];
}

test(
  'from too weak a motor to a set of what is on hand: searched, read, put in, ample, undone',
  { tag: '@short' },
  async ({ bench, request, application }) => {
    const document = JSON.parse(await readFile('data/builds/puffin.zubric.json', 'utf8')) as Document;
    const motors = JSON.parse(await readFile('data/shelf/motors.json', 'utf8')) as { id: string }[];
    const weak = motors.filter(({ id }) => id === 'motor-24v-120w-10');
    document.name = 'Puffin, too weak';
    document.drives = document.drives.map((drive) => ({ ...drive, motorId: 'motor-24v-120w-10' }));
    document.parts = [...document.parts, ...weak];
    const made = await request.post(`${application.url}/api/builds`, { data: { document } });
    const { id } = (await made.json()) as { id: string };
    await bench.goto(`/builds/${id}/brief`);
    const strip = bench.getByRole('region', { name: 'Driveline' });
    await expect(strip).toContainText('fails');
    await bench.getByRole('link', { name: 'What would do this?' }).press('Enter');
    await bench.getByLabel('Only what is on hand').check();
    // A key that is pressed before the shelf has come is pressed on nothing.
    await expect(bench.getByText(/^On the shelf lie \d+ motors/)).toBeVisible();
    await bench.getByRole('button', { name: 'Search' }).press('Enter');
    await expect(bench.getByText(/sets judged; /)).toBeVisible({ timeout: 60_000 });
    expect(await complaints(bench)).toEqual([]);
    const sets = bench.getByRole('list', { name: 'Sets by what counts, the best first' });
    // Of the parts that are on hand one choice may be all there is: with other stages it is another set.
    await sets
      .getByRole('button', { name: /with other stages/ })
      .first()
      .press('Enter');
    await sets.getByRole('checkbox').nth(0).check();
    await sets.getByRole('checkbox').nth(1).check();
    await expect(
      bench
        .getByRole('region', { name: 'Side by side' })
        .getByRole('row', { name: /^Wheel torque|^Run time/ })
        .first(),
    ).toBeVisible();
    await sets
      .getByRole('button', { name: /^Put in/ })
      .first()
      .press('Enter');
    await expect(
      bench.getByText(/are in the build\. What it was before is kept as snapshot 1/),
    ).toBeVisible();
    await expect(strip).not.toContainText('fails');
    await saved(bench);
    await bench.locator('body').press('Control+z');
    await expect(strip).toContainText('fails');
  },
);
