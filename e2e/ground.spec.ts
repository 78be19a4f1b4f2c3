import { readFile } from 'node:fs/promises';
import { begin, complaints, expect, saved, test } from './application.ts';

test('a vehicle from nothing: layout, ground and jobs by keyboard, judged without a dead end', async ({
  bench,
}) => {
  await begin(bench, 'Dunlin');
  await expect(bench.getByRole('heading', { level: 1 })).toContainText('What must it do');
  await bench.getByLabel('How heavy, itself?').fill('12 kg');
  await bench.getByLabel('How steep?').fill('6°');
  await expect(bench.getByText(/^Roughly/)).toContainText('at the ground');
  await bench.getByRole('button', { name: 'Another layout' }).press('Enter');
  await bench
    .getByRole('dialog')
    .getByRole('button', { name: /^Tracks/ })
    .press('Enter');
  await expect(bench.getByRole('heading', { name: /Stands on: tracks/ })).toBeVisible();
  await bench.getByLabel('Surface to add').selectOption('dry-sand');
  await bench.getByRole('button', { name: 'Add a ground' }).press('Enter');
  await bench.getByLabel('How soft Dry sand is').selectOption('dry-sand');
  await bench.getByLabel('Kind of job').selectOption('turn-on-the-spot');
  await bench.getByRole('button', { name: 'Add a job' }).press('Enter');
  await bench.getByLabel('Ground of Turn on the spot').selectOption({ label: 'Dry sand' });
  expect(await complaints(bench)).toEqual([]);
  await bench.locator('body').press('2');
  await expect(bench).toHaveURL(/\/ground$/);
  await bench.getByRole('button', { name: 'Turn on the spot', exact: true }).press('Enter');
  await expect(bench.getByText('The ground resists the turn with')).toBeVisible();
  await expect(bench.getByText('Sinks in')).toBeVisible();
  await expect(bench.locator('main')).not.toContainText(/NaN|undefined|Infinity/);
  expect(await complaints(bench)).toEqual([]);
  await saved(bench);
});

test('the payload dragged along the vehicle moves wheel loads and the grade it climbs, is saved, and undone', async ({
  bench,
  request,
  application,
}) => {
  const document: unknown = JSON.parse(await readFile('data/builds/puffin.zubric.json', 'utf8'));
  const made = await request.post(`${application.url}/api/builds`, { data: { document } });
  const { id } = (await made.json()) as { id: string };
  await bench.goto(`/builds/${id}/ground`);
  await bench.getByRole('button', { name: 'Slip, loaded', exact: true }).click();
  const climbs = bench.getByText(/By weight and grip alone it climbs/);
  const before = await climbs.textContent();
  const payload = bench.getByRole('slider', { name: 'Payload, from above' });
  const box = await payload.boundingBox();
  if (!box) throw new Error('the payload is drawn');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await bench.mouse.move(x, y);
  await bench.mouse.down();
  await bench.mouse.move(x - 40, y, { steps: 8 });
  await bench.mouse.up();
  await expect(climbs).not.toHaveText(before ?? '');
  await saved(bench);
  const ahead = async (): Promise<number> => {
    const read = (await (await request.get(`${application.url}/api/builds/${id}`)).json()) as {
      document: { masses: { payload: { aheadOfRearAxle: { value: number } } } };
    };
    return read.document.masses.payload.aheadOfRearAxle.value;
  };
  expect(await ahead()).toBeLessThan(0.5);
  // A drag whose moves come slowly, on a busy machine, is more than one step.
  await expect(async () => {
    await bench.locator('body').press('Control+z');
    await expect(climbs).toHaveText(before ?? '', { timeout: 2000 });
  }).toPass();
  await expect.poll(ahead).toBeCloseTo(0.55, 9);
});

for (const id of ['sanderling', 'moth', 'pip', 'teasel', 'glasshouse-rail'])
  test(`${id} opens at Brief and Ground with its own drawing, nothing cut off or nameless`, async ({
    bench,
  }) => {
    for (const station of ['brief', 'ground']) {
      await bench.goto(`/builds/${id}/${station}`);
      await expect(bench.getByRole('group', { name: /from the side/ })).toBeVisible();
      for (const width of [1280, 1024]) {
        await bench.setViewportSize({ width, height: 768 });
        expect(await bench.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
        // Every word of a drawing lies on it.
        const outside = await bench.evaluate(() =>
          [...document.querySelectorAll<SVGTextElement>('svg[role=group] text')]
            .filter((word) => {
              const [inner, outer] = [word, word.ownerSVGElement ?? word].map((e) =>
                e.getBoundingClientRect(),
              );
              return (
                inner !== undefined &&
                outer !== undefined &&
                (inner.left < outer.left - 1 ||
                  inner.right > outer.right + 1 ||
                  inner.top < outer.top - 1 ||
                  inner.bottom > outer.bottom + 1)
              );
            })
            .map((word) => word.textContent),
        );
        expect(outside, `${station} at ${width}`).toEqual([]);
      }
      await expect(bench.locator('main')).not.toContainText(/NaN|undefined|Infinity/);
    }
  });
