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

test('two tabs on one build: the later one is shown each difference, and loses nothing', async ({
  bench,
  browser,
  application,
}) => {
  const elsewhere = await browser.newContext({ baseURL: application.url });
  const other = await elsewhere.newPage();
  // Else it takes over what the first saved before its own edit begins.
  await other.route('**/company', (route) => route.abort());
  await bench.goto('/builds/puffin/brief');
  await other.goto('/builds/puffin/brief');
  await bench.getByLabel('What it is for').fill('from the first tab');
  await bench.getByLabel('Speed, Slip, loaded').fill('0.7 m/s');
  await saved(bench);
  await other.getByLabel('What it is for').fill('from the second tab');
  await expect(other.getByRole('heading', { name: /changed elsewhere/ })).toBeVisible();
  await expect(other.getByLabel('What it is for')).toHaveValue('from the second tab');
  // What only the first tab changed is taken; what both changed is the builder's choice.
  const row = (name: string) => other.getByRole('row', { name });
  await expect(row('Slip, loaded, speed').getByRole('radio', { checked: true })).toHaveAccessibleName(
    /0.7.m\/s/,
  );
  await expect(row('Purpose').getByRole('radio', { checked: true })).toHaveAccessibleName(/second tab/);
  await other.getByRole('button', { name: 'Save this choice' }).click();
  await saved(other);
  await expect(other.getByLabel('Speed, Slip, loaded')).toHaveValue('0.7 m/s');
  await bench.reload();
  await expect(bench.getByLabel('What it is for')).toHaveValue('from the second tab');
  // And back: the second tab's own state is one step away.
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect(other.getByLabel('Speed, Slip, loaded')).toHaveValue('0.8 m/s');
  await saved(other);
  await elsewhere.close();
});

test(
  'every save that was confirmed is there after the server was killed in the midst of saving',
  { tag: '@short' },
  async ({ bench, application, request }) => {
    await bench.goto('/builds/puffin/brief');
    const confirmed: number[] = [];
    bench.on('response', (response) => {
      if (response.request().method() !== 'PUT' || response.status() !== 200) return;
      const sent = response.request().postDataJSON() as { readonly purpose: string };
      confirmed.push(Number(/edit (\d+)/.exec(sent.purpose)?.[1] ?? 0));
    });
    const field = bench.getByLabel('What it is for');
    const killed = (async () => {
      await expect.poll(() => confirmed.length).toBeGreaterThanOrEqual(3);
      await application.stop('kill');
    })();
    let n = 0;
    while (confirmed.length < 3 || n < 12) {
      n++;
      await field.fill(`edit ${n}`);
      await bench.waitForTimeout(400);
    }
    await killed;
    const last = confirmed.at(-1) ?? 0;
    // The page is put away before the server is back: what follows is what the server alone has kept.
    const address = bench.url();
    await bench.goto('about:blank');
    await application.start();
    const stored = (await (await request.get(`${application.url}/api/builds/puffin`)).json()) as Stored;
    expect(Number(/edit (\d+)/.exec(stored.document.purpose)?.[1])).toBeGreaterThanOrEqual(last);
    // And what was typed after it is still in the browser.
    await bench.goto(address);
    await expect(field).toHaveValue(`edit ${n}`);
    await saved(bench);
  },
);

test('PostgreSQL stopped and started under the running app: told, waited for, resumed', async ({
  bench,
  application,
}) => {
  await bench.goto('/builds/puffin/brief');
  await expect(bench.getByLabel('What it is for')).toBeVisible();
  await application.database.pause();
  try {
    await bench.getByLabel('What it is for').fill('typed without a database');
    await expect(bench.getByRole('banner').getByRole('status')).toContainText('not saved: kept here');
    await expect(bench.getByRole('banner').getByRole('status')).toHaveAttribute(
      'title',
      /database does not answer/,
    );
  } finally {
    await application.database.resume();
  }
  await saved(bench);
  await bench.reload();
  await expect(bench.getByLabel('What it is for')).toHaveValue('typed without a database');
});

test('leaving for the list right after typing saves what was typed', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  await bench.getByLabel('What it is for').fill('typed and left at once');
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Builds' }).click();
  await expect(bench.getByText('typed and left at once')).toBeVisible();
});
