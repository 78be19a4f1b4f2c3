import { begin, expect, saved, test } from './application.ts';

test(
  'a new build from nothing to a recorded run, found again after a restart',
  { tag: '@short' },
  async ({ bench, application }) => {
    await begin(bench, 'Gannet');
    await expect(bench.getByRole('heading', { level: 1 })).toContainText('What must it do');

    await bench.getByLabel('Mass, itself').fill('66 lb');
    await bench.getByLabel('Mass, payload').fill('20 ± 2 kg');
    await bench.getByLabel('Grade, Ramp, loaded').fill('8 %');
    await expect(bench.getByTestId('force-duty-2')).toContainText('N');

    await bench.keyboard.press('Escape');
    await bench.getByRole('link', { name: /Power/ }).first().click();
    await bench.getByRole('button', { name: 'Take 24 V 250 W brushed gearmotor, 1:9' }).click();
    await bench.getByRole('button', { name: /^Driver/ }).click();
    await bench.getByRole('button', { name: 'Take 2 × 31 A driver, 6.5–33 V' }).click();
    await bench.getByRole('button', { name: /^Battery/ }).click();
    await bench.getByRole('button', { name: 'Take 8S 20 Ah lithium iron' }).click();
    await expect(bench.getByRole('heading', { level: 1 })).toContainText('Do motor, driver and battery');

    await bench
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: 'Drivetrain' })
      .click();
    await bench.getByRole('button', { name: 'Add a chain' }).click();
    await bench.getByRole('button', { name: 'Driver teeth: one less' }).click();
    await expect(bench.getByText(/: 1 fitted/).first()).toBeVisible();

    await bench
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: 'Test track' })
      .click();
    await bench.getByLabel('Ground, grade and load of').selectOption({ label: 'Ramp, loaded' });
    await expect(bench.getByText('Its top speed is')).toBeVisible();

    await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Trials' }).click();
    await bench.getByRole('button', { name: /^Begin: Does it run straight/ }).click();
    await bench.getByLabel('Floor').fill('shed floor');
    await bench.getByLabel('Distance ordered').fill('10 ft');
    await bench.getByRole('button', { name: 'Begin the set' }).click();
    await bench.getByLabel(/Run 1: ended to the side/).fill('-1 1/2 in');
    await bench.getByLabel('Distance covered').fill('9 ft 10 in');
    await bench.keyboard.press('Enter');
    await expect(bench.getByRole('row', { name: /38.1.mm left/ })).toBeVisible();
    await bench.getByLabel(/Run 2: ended to the side/).fill('20 mm');
    await bench.getByLabel('Distance covered').fill('3 m');
    await bench.getByRole('button', { name: 'Record run' }).click();
    await expect(bench.getByRole('row', { name: /20.mm right/ })).toBeVisible();
    await saved(bench);

    await application.stop();
    await application.start();
    await bench.goto('/builds');
    await bench.getByRole('link', { name: 'Gannet' }).click();
    await expect(bench.getByLabel('Mass, itself')).toHaveValue('29.94 kg');
    await expect(bench.getByLabel('Mass, payload')).toHaveValue('20 ± 2 kg');
    await bench.keyboard.press('8');
    await expect(bench.getByRole('row', { name: /38.1.mm left/ })).toBeVisible();
    await expect(bench.getByRole('row', { name: /20.mm right/ })).toBeVisible();
  },
);

test('the demo barrow: 411 N on the slip, alike on screen, in the API and in the strip’s chain', async ({
  bench,
  request,
  application,
}) => {
  await bench.goto('/builds/puffin/brief');
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/^411.N$/);
  const report = (await (await request.get(`${application.url}/api/builds/puffin/report`)).json()) as {
    duties: { id: string; resistance: { totalN: number } }[];
  };
  const slip = report.duties.find((d) => d.id === 'slip-loaded');
  expect(Math.abs((slip?.resistance.totalN ?? 0) - 411)).toBeLessThan(0.1);
});

test('every figure follows as the load is typed', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  const block = (name: string) => bench.locator(`[data-block=${name}]`);
  await expect(block('wheel')).toContainText('44.8');
  const before = { wheel: await block('wheel').textContent(), battery: await block('battery').textContent() };
  await bench.getByLabel('Mass, payload').fill('60 kg');
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/^272.N$/);
  await expect(block('wheel')).not.toHaveText(before.wheel ?? '');
  await expect(block('battery')).not.toHaveText(before.battery ?? '');
  await bench.getByLabel('Mass, payload').fill('120 ± 10 kg');
  await expect(block('wheel')).toHaveText(before.wheel ?? '');
  await saved(bench);
});

test('what opens over a field at the foot of a sheet lies over the sheet beneath it', async ({ bench }) => {
  await bench.goto('/builds/puffin/layout');
  const field = bench.getByLabel('Castors: up on springs by');
  await field.fill('plenty');
  const alert = bench.getByRole('alert').filter({ hasText: 'cannot be read' });
  await alert.scrollIntoViewIfNeeded();
  /** Whether what is told can be seen at its foot: nothing lies over it. */
  const isOnTop = (): Promise<boolean> =>
    alert.evaluate((element) => {
      const { left, bottom, width } = element.getBoundingClientRect();
      const there = document.elementFromPoint(left + width / 2, bottom - 3);
      return there !== null && element.contains(there);
    });
  await expect.poll(isOnTop).toBe(true);
  await field.press('Escape');
  await expect(alert).toBeHidden();
});
