import { readFile } from 'node:fs/promises';
import { complaints, expect, saved, test, type Application } from './application.ts';
import type { APIRequestContext } from '@playwright/test';

interface Drive {
  stages: { kind: string; teethDriver?: number; teethDriven?: number }[];
  path: { name: string; bore?: { value: number } }[];
}
interface Document {
  name: string;
  drives: [Drive, ...Drive[]];
}

async function copyOf(file: string, request: APIRequestContext, { url }: Application) {
  const document = JSON.parse(await readFile(`data/builds/${file}.zubric.json`, 'utf8')) as Document;
  document.name = `${document.name}, a copy`;
  const made = await request.post(`${url}/api/builds`, { data: { document } });
  const { id } = (await made.json()) as { id: string };
  const drive = async (): Promise<Drive> => {
    const read = (await (await request.get(`${url}/api/builds/${id}`)).json()) as { document: Document };
    return read.document.drives[0];
  };
  return { address: `/builds/${id}/drivetrain`, drive };
}

test('the mark is dragged to a ratio, and the whole teeth near it are taken and saved', async ({
  bench,
  request,
  application,
}) => {
  const { address, drive } = await copyOf('puffin', request, application);
  await bench.goto(address);
  const mark = bench.getByRole('slider', { name: 'Ratio looked for' });
  const box = await mark.boundingBox();
  if (!box) throw new Error('the mark is drawn');
  const [x, y] = [box.x + box.width / 2, box.y + 12];
  await bench.mouse.move(x, y);
  await bench.mouse.down();
  await bench.mouse.move(x + 20, y, { steps: 4 });
  await bench.mouse.move(x + 34, y, { steps: 4 });
  await bench.mouse.up();
  const sought = Number(await mark.getAttribute('aria-valuenow'));
  expect(sought).toBeGreaterThan(33);
  expect(await complaints(bench)).toEqual([]);
  await bench
    .getByRole('button', { name: /^Take: chain/ })
    .first()
    .press('Enter');
  await saved(bench);
  const [chain] = (await drive()).stages;
  const ratio = (9 * (chain?.teethDriven ?? 0)) / (chain?.teethDriver ?? NaN);
  expect(Math.abs(ratio / sought - 1)).toBeLessThan(0.06);
  await expect(mark).toHaveAttribute('aria-valuetext', /fitted$/);
});

test('stages change places by keys and by hand, are saved so, and stand again after undo', async ({
  bench,
  request,
  application,
}) => {
  const { address, drive } = await copyOf('puffin', request, application);
  const kinds = async (): Promise<string[]> => (await drive()).stages.map(({ kind }) => kind);
  await bench.goto(address);
  // One stage has nothing to change places with.
  await expect(bench.getByRole('button', { name: /to another place$/ })).toHaveCount(0);
  await bench.getByRole('button', { name: 'Add a gearhead' }).click();
  await saved(bench);
  const handle = bench.getByRole('button', { name: 'Move the gearhead to another place' });
  await handle.focus();
  await bench.keyboard.press('Space');
  await expect(bench.getByText('Gearhead is over place 2 of 2.')).toBeAttached();
  await bench.keyboard.press('ArrowUp');
  await expect(bench.getByText('Gearhead is over place 1 of 2.')).toBeAttached();
  await bench.keyboard.press('Space');
  await expect.poll(kinds).toEqual(['gearhead', 'chain']);
  // By hand, back again.
  const from = await handle.boundingBox();
  const to = await bench.getByRole('button', { name: 'Move the chain to another place' }).boundingBox();
  if (!from || !to) throw new Error('both handles are drawn');
  await bench.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await bench.mouse.down();
  await bench.mouse.move(to.x + to.width / 2, to.y + to.height, { steps: 8 });
  await bench.mouse.up();
  await expect.poll(kinds).toEqual(['chain', 'gearhead']);
  await bench.keyboard.press('Control+z');
  await expect.poll(kinds).toEqual(['gearhead', 'chain']);
  expect(await complaints(bench)).toEqual([]);
});

test('a bore that does not fit is named with its adapter, and bored by one move', async ({
  bench,
  request,
  application,
}) => {
  const { address, drive } = await copyOf('glasshouse-rail', request, application);
  await bench.goto(address);
  await expect(bench.getByText(/take an adapter from 6.mm to 5.mm/)).toBeVisible();
  const move = bench.getByRole('button', { name: 'Try: “Driver pulley” bored to the size of its shaft' });
  await move.press('Enter');
  await expect(bench.getByText(/take an adapter/)).toHaveCount(0);
  await saved(bench);
  expect((await drive()).path[0]?.bore?.value).toBeCloseTo(0.006, 9);
});

for (const [file, shown] of [
  ['moth', 'Shafts and hubs'],
  ['sanderling', 'Mount, play, by hand'],
] as const)
  test(`the drive of ${file} fits the screen in each of its parts, and axe finds nothing`, async ({
    bench,
  }) => {
    await bench.goto(`/builds/${file}/drivetrain`);
    await expect(bench.getByRole('img', { name: /from above, to scale/ })).toBeVisible();
    for (const part of ['Stages', shown]) {
      await bench.getByRole('button', { name: part, exact: true }).click();
      for (const width of [1024, 1280]) {
        await bench.setViewportSize({ width, height: 768 });
        expect(await bench.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      }
      expect(await complaints(bench)).toEqual([]);
    }
    await bench.getByRole('button', { name: 'Stages', exact: true }).click();
    await bench
      .getByRole('button', { name: /^Compare the/ })
      .first()
      .click();
    await expect(bench.getByRole('region', { name: /beside another kind/ })).toBeVisible();
    expect(await complaints(bench)).toEqual([]);
  });
