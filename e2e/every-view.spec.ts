import { begin, complaints, cutValues, expect, saved, test } from './application.ts';

const VIEWS = [
  ['/builds', 'Which vehicle'],
  ['/builds/puffin/brief', 'What must it do'],
  ['/builds/puffin/ground', 'What gives out first'],
  ['/builds/moth/ground', 'What gives out first'],
  ['/builds/puffin/drivetrain', 'Which ratio'],
  ['/builds/puffin/power', 'Do motor, driver and battery'],
  ['/builds/whimbrel/power?view=day', 'Do motor, driver and battery'],
  ['/builds/puffin/power?view=circuit&kind=supply', 'Do motor, driver and battery'],
  ['/builds/puffin/search', 'What would do all this best'],
  ['/builds/puffin/chances', 'How sure is it'],
  ['/builds/puffin/what-if', 'What if a number were different'],
  ['/builds/puffin/out', 'Take it out'],
  ['/guide/power', 'Power: do motor, driver and battery do it all day?'],
  ['/builds/puffin/layout', 'Where does everything go'],
  ['/builds/sanderling/layout', 'Where does everything go'],
  ['/builds/puffin/assembly', 'What can be done today'],
  ['/builds/whimbrel/assembly?view=dates', 'What can be done today'],
  ['/builds/puffin/assembly?view=buy', 'What is left to buy'],
  ['/builds/puffin/assembly?view=wiring', 'Which wire goes where'],
  ['/builds/moth/assembly?view=power', 'Is it safe to switch on'],
  ['/builds/sanderling/assembly?view=service', 'What wants looking after'],
  ['/builds/puffin/test-track', 'How does it start'],
  ['/builds/teasel/test-track', 'Does it stay up'],
  ['/builds/glasshouse-rail/test-track', 'Does it creep smoothly'],
  ['/builds/sanderling/test-track?view=course', 'Where does it end up'],
  ['/builds/puffin/test-track?view=hand', 'How does it drive by hand'],
  ['/builds/puffin/trials', 'Does it run straight'],
  ['/builds/puffin/trials?set=new', 'Does it do in the yard'],
  ['/builds/pip/trials', 'Which motors go together'],
  ['/groups', 'Who is best'],
  ['/builds/puffin/print?protocol=straight-run', 'Puffin: straight runs'],
  ['/builds/puffin/logbook', 'What was changed'],
  ['/builds/puffin/print', 'Puffin'],
  ['/builds?place=bin', 'Which vehicle'],
  ['/shelf', 'What is in the drawers'],
  ['/shelf/measure', 'Which motor is this'],
  ['/sums', 'Force to move a vehicle'],
  ['/sums/chain-drive', 'Roller chain'],
  ['/sums/no-such-sum', 'There is no sum'],
  ['/builds/no-such-build/brief', 'There is no such build'],
  ['/devices', 'Who may come in'],
  ['/pair', 'Come in to Zubric'],
  ['/nowhere', 'There is nothing at this address'],
] as const;

/** From the narrowest telephone to a desk; at the narrowest, fields scroll what they cannot hold. */
const WIDTHS = [320, 400, 800, 1024, 1280];

for (const [path, heading] of VIEWS)
  test(`${path} opens by its address, cuts nothing at any width, and axe finds nothing in light and dark`, async ({
    bench,
  }) => {
    await bench.goto(path);
    await expect(bench.getByRole('heading', { level: 1 })).toContainText(heading);
    await bench.waitForLoadState('networkidle');
    for (const width of WIDTHS) {
      await bench.setViewportSize({ width, height: 768 });
      expect(
        await bench.evaluate(() => document.documentElement.scrollWidth),
        `${width} px`,
      ).toBeLessThanOrEqual(width);
      if (width > 320) expect(await cutValues(bench), `${width} px`).toEqual([]);
    }
    for (const colorScheme of ['light', 'dark'] as const) {
      await bench.emulateMedia({ colorScheme });
      await expect(bench.locator('html')).toHaveAttribute('data-theme', colorScheme);
      // Themes differ in their colours alone.
      expect(await complaints(bench, colorScheme === 'light' ? 'all' : 'contrast'), colorScheme).toEqual([]);
    }
  });

test('the stations open by their keys, and typing a digit into a field opens none', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  await expect(bench.getByRole('heading', { level: 1 })).toContainText('What must it do');
  await bench.keyboard.press('4');
  await expect(bench).toHaveURL(/power$/);
  await bench.keyboard.press('1');
  await expect(bench).toHaveURL(/brief$/);
  await bench.getByLabel('Name', { exact: true }).press('3');
  await expect(bench).toHaveURL(/brief$/);
  await bench.getByLabel('Name', { exact: true }).fill('Puffin');
  // The tests after this one find it under its own name.
  await saved(bench);
});

test('imperial units everywhere, and back', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  await bench.getByLabel('Units').selectOption('imperial');
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/^92\.4.lbf$/);
  await expect(bench.getByLabel('Diameter, driven wheels')).toHaveValue('15.75 in');
  await bench.reload();
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/lbf$/);
  await bench.getByLabel('Units').selectOption('metric');
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/^411.N$/);
});

test('an empty build leads on at every station', async ({ bench }) => {
  await begin(
    bench,
    'A build with a very long name that goes on and on, to see what is cut and what is not, by the harbour',
  );
  const stations = bench.getByRole('navigation', { name: 'Stations' });
  await stations.getByRole('link', { name: 'Drivetrain' }).click();
  await expect(bench.getByText('Choose a motor in Power first')).toBeVisible();
  await stations.getByRole('link', { name: 'Test track' }).click();
  await expect(bench.getByText('Choose a motor in Power first')).toBeVisible();
  await stations.getByRole('link', { name: 'Assembly' }).click();
  await expect(bench.getByRole('link', { name: 'choose one at Power' }).first()).toBeVisible();
  await stations.getByRole('link', { name: 'Logbook' }).click();
  await expect(bench.getByText('None yet. Take one')).toBeVisible();
  await stations.getByRole('link', { name: 'Brief' }).click();
  for (const name of ['Level, loaded', 'Ramp, loaded'])
    await bench.getByRole('button', { name: `Remove ${name}` }).click();
  await expect(bench.getByText('Add a job: a job it must do')).toBeVisible();
  expect(await bench.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});
