import { readFile } from 'node:fs/promises';
import { begin, complaints, copyOf, expect, test } from './application.ts';

const file = (name: string, content: string | Buffer) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.isBuffer(content) ? content : Buffer.from(content),
});
const puffin = async (): Promise<Record<string, unknown>> =>
  JSON.parse(await readFile('data/builds/puffin.zubric.json', 'utf8')) as Record<string, unknown>;

test('files are shown before they are kept: good ones come in, each other one is refused with its reason', async ({
  bench,
}) => {
  const build = await puffin();
  const old = JSON.parse(
    await readFile('packages/core/src/vehicle/fixtures/format-1.zubric.json', 'utf8'),
  ) as Record<string, unknown>;
  await bench.goto('/builds');
  await bench
    .getByLabel('Build files')
    .setInputFiles([
      file('old.zubric.json', JSON.stringify({ ...old, name: 'Old barrow' })),
      file(
        'script.zubric.json',
        JSON.stringify({ ...build, name: '<img src=x onerror=alert(1)>', purpose: '<b>bold</b>' }),
      ),
      file('later.zubric.json', JSON.stringify({ ...build, formatVersion: 9 })),
      file('broken.zubric.json', JSON.stringify(build).slice(0, 500)),
      file(
        'wrong.zubric.json',
        JSON.stringify({ ...build, dragArea: { value: 'wide', unit: 'm²', origin: 'typed' } }),
      ),
      file('big.zubric.json', Buffer.alloc(20 * 1024 * 1024, ' ')),
    ]);
  const dialog = bench.getByRole('dialog', { name: 'What these files hold' });
  await expect(dialog.getByText('brought from format 1')).toBeVisible();
  await expect(dialog.getByText('<img src=x onerror=alert(1)>')).toBeVisible();
  await expect(dialog.getByText('Update Zubric to open it')).toBeVisible();
  await expect(dialog.getByText('not readable JSON')).toBeVisible();
  await expect(dialog.getByText('dragArea.value')).toBeVisible();
  await expect(dialog.getByText('this file is 20.0 MB')).toBeVisible();
  expect(await complaints(bench)).toEqual([]);
  await dialog.getByRole('button', { name: 'Bring in 2 builds' }).click();
  await expect(bench.getByText('2 builds were brought in.')).toBeVisible();
  await expect(bench.getByRole('link', { name: 'Old barrow' })).toBeVisible();
  // The name with a script in it is a name and nothing else, at every station.
  await bench.getByRole('link', { name: '<img src=x onerror=alert(1)>' }).click();
  await expect(bench.getByRole('banner')).toContainText('<img src=x onerror=alert(1)>');
  expect(await bench.locator('img[src="x"]').count()).toBe(0);
});

test('a build is copied, searched for, taken out, set aside, thrown away and had back', async ({ bench }) => {
  await begin(bench, 'Shelduck');
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Builds' }).click();
  const more = (name: string) => bench.getByRole('button', { name: `More for ${name}`, exact: true });
  await more('Shelduck').click();
  await bench.getByRole('menuitem', { name: 'Make a copy' }).click();
  await expect(bench.getByRole('link', { name: 'Shelduck, copy' })).toBeVisible();
  await bench.getByLabel('Search').fill('shelduck');
  await expect(bench.getByRole('row')).toHaveCount(3);

  await bench.getByLabel('Pick Shelduck', { exact: true }).check();
  await bench.getByLabel('Pick Shelduck, copy').check();
  const several = bench.waitForEvent('download');
  await bench.getByRole('button', { name: 'Take out 2 files' }).click();
  expect((await several).suggestedFilename()).toBe('builds.zip');
  const taken = await (await several).path();

  await more('Shelduck, copy').click();
  await bench.getByRole('menuitem', { name: 'Throw away' }).click();
  await expect(bench.getByText('“Shelduck, copy” was thrown away.')).toBeVisible();
  await expect(bench.getByRole('row')).toHaveCount(2);
  await bench.getByRole('button', { name: 'Undo' }).click();
  await expect(bench.getByRole('link', { name: 'Shelduck, copy' })).toBeVisible();
  await more('Shelduck, copy').click();
  await bench.getByRole('menuitem', { name: 'Set aside' }).click();
  await bench.getByRole('button', { name: 'Set aside' }).click();
  await expect(bench.getByRole('link', { name: 'Shelduck, copy' })).toBeVisible();

  // What was taken out comes in again.
  await bench.getByLabel('Build files').setInputFiles(taken);
  await expect(
    bench.getByRole('dialog').getByText('A build of this name is here already').first(),
  ).toBeVisible();
  await bench.getByRole('button', { name: 'Leave them' }).click();
});

test('parts and steps: marks are kept, dates follow, and the list goes out as CSV', async ({ bench }) => {
  await bench.goto(`/builds/${await copyOf(bench, 'puffin', 'Puffin as it is made')}/assembly`);
  const before = await bench.getByRole('heading', { name: /^Parts: / }).textContent();
  await bench.getByLabel('State of Chain guard').selectOption('on-hand');
  await expect(bench.getByRole('heading', { name: /^Parts: / })).not.toHaveText(before ?? '');
  await bench.getByLabel('Done: Bolt the motors to their mounts').check();
  await expect(bench.getByRole('heading', { name: /^Steps: 3 of/ })).toBeVisible();
  await bench.getByLabel('Another part or a tool').fill('Spare fuse');
  await bench.getByRole('button', { name: 'Add it' }).click();
  await expect(bench.getByText('1 × Spare fuse')).toBeVisible();
  await expect(bench.getByRole('banner').getByRole('status')).toHaveText('saved');
  await bench.reload();
  await expect(bench.getByText('1 × Spare fuse')).toBeVisible();
  await expect(bench.getByLabel('Done: Bolt the motors to their mounts')).toBeChecked();
  const csv = bench.waitForEvent('download');
  await bench.getByRole('button', { name: 'Save as CSV' }).click();
  const text = await readFile(await (await csv).path(), 'utf8');
  expect(text).toContain('Spare fuse,1,wished-for');
});
