import { readFile } from 'node:fs/promises';
import { complaints, expect, saved, test } from './application.ts';

interface Part {
  kind: string;
  limitsCurrent?: boolean;
  peakA?: number;
}
interface Document {
  name: string;
  parts: Part[];
  supply: { fuse?: { value: number }; cable?: unknown };
  drives: { name: string; does: string; work?: { load: { value: number } }; motorId: string | null }[];
}

test('a stall over the driver’s limit is found, mended by a move, and the fuse follows; a lift is added and judged', async ({
  bench,
  request,
  application,
}) => {
  // Of another name than the one on the shelf that limits its current.
  const text = (await readFile('data/builds/puffin.zubric.json', 'utf8')).replaceAll(
    'driver-2x32',
    'driver-weak',
  );
  const document = JSON.parse(text) as Document;
  document.name = 'Puffin with a weak driver';
  document.parts = document.parts.map((part) =>
    part.kind === 'driver' ? { ...part, limitsCurrent: false, peakA: 40 } : part,
  );
  delete document.supply.fuse;
  delete document.supply.cable;
  const made = await request.post(`${application.url}/api/builds`, { data: { document } });
  const { id } = (await made.json()) as { id: string };
  const stored = async (): Promise<Document> =>
    ((await (await request.get(`${application.url}/api/builds/${id}`)).json()) as { document: Document })
      .document;

  await bench.goto(`/builds/${id}/power?kind=supply`);
  await expect(bench.getByText(/A stalled motor draws .* the driver stands 40\sA/)).toBeVisible();
  const suits = bench.getByRole('button', { name: /^A fuse of .* suits: take it$/ });
  const before = await suits.textContent();
  const driver = bench
    .getByRole('listitem')
    .filter({ hasText: 'A stalled motor draws' })
    .getByRole('button', { name: /^Try: 2 × 31 A/ });
  await driver.press('Enter');
  await expect(bench.getByText(/A stalled motor draws/)).toHaveCount(0);
  await expect(suits).not.toHaveText(before ?? '');
  const offered = Number(/of ([\d.]+)/.exec((await suits.textContent()) ?? '')?.[1]);
  await suits.press('Enter');
  await saved(bench);
  expect((await stored()).supply.fuse?.value).toBe(offered);
  expect(await complaints(bench)).toEqual([]);

  await bench.getByRole('button', { name: 'Add a drive' }).press('Enter');
  await bench.getByRole('button', { name: 'A lift or winch on a spool' }).press('Enter');
  await bench.getByLabel('Load lifted').fill('12 kg');
  await bench.getByLabel('Up within').fill('8 s');
  await bench.getByRole('button', { name: /^Motor/ }).click();
  await bench
    .getByRole('button', { name: /^Take .*brushed/ })
    .first()
    .click();
  await expect(bench.getByText(/“Lift” takes .* at its end/)).toBeVisible();
  await expect(bench.getByRole('img', { name: /Torque at the end of the drive/ })).toBeVisible();
  await saved(bench);
  const [, lift] = (await stored()).drives;
  expect(lift).toMatchObject({ name: 'Lift', does: 'works', work: { load: { value: 12 } } });
  expect(lift?.motorId).not.toBeNull();
  expect(await complaints(bench)).toEqual([]);
  // Far too much of it: told with its figures, of the lift and of no other.
  await bench.getByLabel('Load lifted').fill('3000 kg');
  await expect(bench.getByText(/Lift: (It does not move the load|Its end gives)/).first()).toBeVisible();
});

test('a day of several outings, the circuit and its interlock, by keyboard and without a complaint', async ({
  bench,
}) => {
  await bench.goto('/builds/whimbrel/power');
  await bench.getByRole('button', { name: 'A day out' }).press('Enter');
  const day = bench.getByRole('region', { name: 'A day out' });
  await expect(day.getByText(/After .* it is home with \d+\s% of its usable charge left/)).toBeVisible();
  const first = await day.getByRole('img').textContent();
  await day.getByLabel('Outings').fill('3');
  await expect(day.getByLabel('Break between')).toBeVisible();
  await expect(day.getByRole('img')).not.toHaveText(first ?? '');
  await expect(day.getByText('grey: a break')).toBeVisible();
  expect(await complaints(bench)).toEqual([]);

  await bench.getByRole('button', { name: 'Circuit', exact: true }).press('Enter');
  const wired = bench.getByRole('region', { name: 'How it is wired' });
  await expect(wired.getByText('Switch at the lid: the motors of “Tray lift” are cut')).toBeVisible();
  expect(await complaints(bench)).toEqual([]);

  await bench.getByRole('button', { name: 'Pull and currents' }).press('Enter');
  const looked = bench.getByRole('slider', { name: 'Speed that is looked at' });
  const at = bench.getByText(/^At .*, full command:/);
  const before = await at.textContent();
  await looked.press('ArrowRight');
  await expect(at).not.toHaveText(before ?? '');
  expect(await complaints(bench)).toEqual([]);
});
