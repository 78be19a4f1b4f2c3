import { expect, saved, test } from './application.ts';

interface Stored {
  readonly version: number;
  readonly document: {
    readonly purpose: string;
    readonly masses: { readonly own: { readonly mass: { readonly value: number } } };
  };
}

test('a letter in a number never reaches the core, and is told', async ({ bench, request, application }) => {
  await bench.goto('/builds/puffin/brief');
  const stored = async (): Promise<Stored> =>
    (await (await request.get(`${application.url}/api/builds/puffin`)).json()) as Stored;
  const before = await stored();
  const force = await bench.getByTestId('force-slip-loaded').textContent();
  const field = bench.getByLabel('Mass, itself');
  await field.fill('58 kx');
  await expect(bench.getByRole('alert')).toContainText('not a unit of mass');
  await expect(bench.getByText('these figures stand at the last readable value')).toBeVisible();
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(force ?? '');
  await bench.getByLabel('Name', { exact: true }).focus();
  await expect(field).toHaveValue('58 kx');
  await bench.waitForTimeout(1000);
  expect(await stored()).toEqual(before);
  await field.fill('58 kg');
  await expect(bench.getByText('these figures stand')).toHaveCount(0);
  await saved(bench);
});

test('an edit survives a restart of the server, and one made while it is away is sent when it is back', async ({
  bench,
  application,
}) => {
  await bench.goto('/builds/puffin/brief');
  await bench.getByLabel('What it is for').fill('Ice-box barrow, first');
  await saved(bench);
  await application.stop('kill');
  await bench.getByLabel('What it is for').fill('Ice-box barrow, second');
  await expect(bench.getByRole('banner').getByRole('status')).toContainText('not saved: kept here');
  await application.start();
  await saved(bench);
  await bench.reload();
  await expect(bench.getByLabel('What it is for')).toHaveValue('Ice-box barrow, second');
});

test('a draft outlives a reload while the server is away', async ({ bench, application }) => {
  await bench.goto('/builds/puffin/brief');
  await expect(bench.getByLabel('What it is for')).toBeVisible();
  await application.stop('kill');
  await bench.getByLabel('What it is for').fill('Barrow, kept by the browser');
  await expect(bench.getByRole('banner').getByRole('status')).toContainText('not saved');
  await application.start();
  await bench.reload();
  await expect(bench.getByLabel('What it is for')).toHaveValue('Barrow, kept by the browser');
  await saved(bench);
});

test('two tabs on one build: the later one is asked, and loses nothing', async ({
  bench,
  browser,
  application,
}) => {
  const elsewhere = await browser.newContext({ baseURL: application.url });
  const other = await elsewhere.newPage();
  await bench.goto('/builds/puffin/brief');
  await other.goto('/builds/puffin/brief');
  await bench.getByLabel('What it is for').fill('from the first tab');
  await saved(bench);
  await other.getByLabel('What it is for').fill('from the second tab');
  await expect(other.getByRole('heading', { name: /changed elsewhere/ })).toBeVisible();
  await expect(other.getByLabel('What it is for')).toHaveValue('from the second tab');
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  await bench.reload();
  await expect(bench.getByLabel('What it is for')).toHaveValue('from the second tab');
  await elsewhere.close();
});

test('leaving for the list right after typing saves what was typed', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  await bench.getByLabel('What it is for').fill('typed and left at once');
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Builds' }).click();
  await expect(bench.getByText('typed and left at once')).toBeVisible();
});
