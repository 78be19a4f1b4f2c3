import AxeBuilder from '@axe-core/playwright';
import { expect, test } from './application.ts';

const VIEWS = [
  ['/builds', 'Which vehicle'],
  ['/builds/puffin/brief', 'What must it do'],
  ['/builds/puffin/drivetrain', 'Which ratio'],
  ['/builds/puffin/power', 'Do motor, driver and battery'],
  ['/builds/puffin/test-track', 'How does it start'],
  ['/builds/puffin/trials', 'Does it run straight'],
  ['/sums', 'Force to move a vehicle'],
  ['/sums/chain-drive', 'Roller chain'],
  ['/sums/no-such-sum', 'There is no sum'],
  ['/builds/no-such-build/brief', 'There is no such build'],
  ['/nowhere', 'There is nothing at this address'],
] as const;

for (const [path, heading] of VIEWS)
  test(`${path} opens by its address, fits the screen, and axe finds nothing`, async ({ bench }) => {
    await bench.goto(path);
    await expect(bench.getByRole('heading', { level: 1 })).toContainText(heading);
    await bench.waitForLoadState('networkidle');
    expect(await bench.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
    const { violations } = await new AxeBuilder({ page: bench })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'])
      .analyze();
    expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual(
      [],
    );
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
});

test('imperial units everywhere, and back', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  await bench.getByLabel('Units').selectOption('imperial');
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/^92\.4.lbf$/);
  await expect(bench.getByLabel('Wheel diameter')).toHaveValue('15.748 in');
  await bench.reload();
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/lbf$/);
  await bench.getByLabel('Units').selectOption('metric');
  await expect(bench.getByTestId('force-slip-loaded')).toHaveText(/^411.N$/);
});

test('an empty build leads on at every station', async ({ bench }) => {
  await bench.goto('/');
  await bench.getByRole('button', { name: 'New build' }).click();
  await expect(bench.getByRole('alert')).toContainText('Give it a name');
  await bench
    .getByLabel('Name of a new build')
    .fill(
      'A build with a very long name that goes on and on, to see what is cut and what is not, by the harbour',
    );
  await bench.getByRole('button', { name: 'New build' }).click();
  const stations = bench.getByRole('navigation', { name: 'Stations' });
  await stations.getByRole('link', { name: 'Drivetrain' }).click();
  await expect(bench.getByText('Choose a motor in Power first')).toBeVisible();
  await stations.getByRole('link', { name: 'Test track' }).click();
  await expect(bench.getByText('Choose a motor in Power first')).toBeVisible();
  await stations.getByRole('link', { name: 'Brief' }).click();
  for (const name of ['Level, loaded', 'Ramp, loaded'])
    await bench.getByRole('button', { name: `Remove ${name}` }).click();
  await expect(bench.getByText('Add a duty: a job it must do')).toBeVisible();
  expect(await bench.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});
