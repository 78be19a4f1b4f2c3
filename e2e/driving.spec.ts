import { complaints, copyOf, expect, saved, test } from './application.ts';

const STUDIED = 60_000;

test('a cart that veers is found, its motors matched, and it ends straight; the course and what was set are kept', async ({
  bench,
}) => {
  const id = await copyOf(bench, 'puffin', 'Puffin that veers');
  await bench.goto(`/builds/${id}/test-track?view=course`);
  await expect(bench.getByRole('heading', { level: 1 })).toContainText('Where does it end up');
  await bench.getByLabel('Right motor faster by').fill('8 %');
  await bench.getByLabel('Motors alike within ±').fill('0 %');
  await bench.getByRole('button', { name: 'Drive it 100 times' }).click();
  await expect(bench.getByText(/the most by motors that turn unlike/)).toBeVisible({ timeout: STUDIED });
  await expect(bench.getByRole('img', { name: /Where 100 runs end/ })).toBeVisible();
  const match = bench.getByRole('listitem').filter({ hasText: 'Match the motors' });
  await match.getByRole('button', { name: 'Try it' }).click();
  await expect(bench.getByLabel('Right motor faster by')).toHaveValue(/^0/);
  await bench.getByRole('button', { name: 'Drive it 100 times' }).click();
  // What is left is chance from run to run: on average it is straight within a centimetre.
  await expect(bench.getByRole('img', { name: /Where 100 runs end: on average \d\.\d+\smm/ })).toBeVisible({
    timeout: STUDIED,
  });
  await expect(bench.getByText(/motors that turn unlike/)).toHaveCount(0);
  await bench.getByRole('button', { name: 'Make this a trial' }).click();
  await expect(bench.getByText(/It waits for its runs in/)).toBeVisible();
  await saved(bench);
  await bench.reload();
  await expect(bench.getByLabel('Right motor faster by')).toHaveValue(/^0/);
  await bench.goto(`/builds/${id}/trials`);
  await expect(bench.getByText('Two metres straight').first()).toBeVisible();
});

test('a dolly that sticks and slips is made to creep, and what was measured of it is kept', async ({
  bench,
}) => {
  const id = await copyOf(bench, 'glasshouse-rail', 'Creeps');
  await bench.goto(`/builds/${id}/test-track`);
  await expect(bench.getByText(/it creeps smoothly/)).toBeVisible({ timeout: STUDIED });
  await bench.getByLabel('To get it moving').fill('12 N');
  await bench.getByLabel('To keep it moving').fill('4 N');
  await expect(bench.getByText(/it sticks and slips/)).toBeVisible({ timeout: STUDIED });
  await bench.getByLabel('it gives way by').fill('0.04 mm');
  await expect(bench.getByText(/it creeps smoothly/)).toBeVisible({ timeout: STUDIED });
  await saved(bench);
  await bench.reload();
  await expect(bench.getByLabel('To get it moving')).toHaveValue('12 N');
  await expect(bench.getByText(/it creeps smoothly/)).toBeVisible({ timeout: STUDIED });
  expect(await complaints(bench)).toEqual([]);
});

test('it is driven by keys, stops by itself where its link is cut, and is driven again as recorded', async ({
  bench,
}) => {
  await bench.goto('/builds/puffin/test-track?view=hand');
  await bench.getByRole('button', { name: 'Take the controls' }).focus();
  await bench.keyboard.press('Enter');
  await bench.keyboard.down('ArrowUp');
  await expect(bench.getByText(/It goes 0\.[3-9]/)).toBeVisible();
  // Long enough that it is seen again when it is driven as recorded, however slow the machine draws.
  await bench.waitForTimeout(4000);
  await bench.keyboard.up('ArrowUp');
  await bench.getByRole('checkbox', { name: 'Cut the link to it' }).check();
  await expect(bench.getByText('it has stopped by itself')).toBeVisible();
  await bench.getByRole('checkbox', { name: 'Cut the link to it' }).uncheck();
  await bench.getByRole('button', { name: 'Let go' }).click();
  await bench.getByRole('button', { name: 'Drive it again as recorded' }).click();
  await expect(bench.getByText(/It goes 0\.[3-9]/)).toBeVisible();
  await expect(bench.getByRole('button', { name: 'Take the controls' })).toBeVisible({ timeout: 30_000 });
});

test('a balancer is tuned from falling to standing', async ({ bench }) => {
  await bench.goto('/builds/teasel/test-track');
  await expect(bench.getByText(/With these gains it stands/)).toBeVisible({ timeout: STUDIED });
  await bench.getByLabel(/For a lean, kp/).fill('0');
  await bench.getByLabel(/For a lean through time, ki/).fill('0');
  await expect(bench.getByText(/With these gains it falls/)).toBeVisible({ timeout: STUDIED });
  await bench.getByRole('button', { name: 'Take what is proposed' }).click();
  await expect(bench.getByText(/With these gains it stands/)).toBeVisible({ timeout: STUDIED });
});
