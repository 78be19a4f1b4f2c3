import type { Locator, Page } from '@playwright/test';
import { complaints, cutValues, expect, saved, test } from './application.ts';

/** Somebody who presses and fills, by hand or by keys alone, and how often. */
interface Builder {
  readonly press: (what: Locator) => Promise<void>;
  readonly fill: (what: Locator, text: string) => Promise<void>;
  readonly actions: () => number;
}

function byHand(): Builder {
  let actions = 0;
  return {
    press: async (what) => {
      actions++;
      // A tile is pressed where it is seen: on its label.
      const type = await what.getAttribute('type');
      await (type === 'radio' || type === 'checkbox' ? what.locator('xpath=..') : what).click();
    },
    fill: async (what, text) => {
      actions++;
      await what.fill(text);
      await what.blur();
    },
    actions: () => actions,
  };
}

const MOST_TABS = 250;

/** Goes on from key to key, as without a mouse; a press counts once, however many keys lead there. */
function byKeys(page: Page): Builder {
  let actions = 0;
  const { keyboard } = page;
  const isAt = (what: Locator): Promise<boolean> =>
    what.evaluate((element) => element === document.activeElement || element.matches('[data-focus]'));
  /** Whether what has the focus is another button of the same group of radio buttons. */
  const inGroup = (what: Locator): Promise<boolean> =>
    what.evaluate((element) => {
      const at = document.activeElement;
      return (
        element instanceof HTMLInputElement &&
        at instanceof HTMLInputElement &&
        element.type === 'radio' &&
        at.name === element.name
      );
    });
  const goTo = async (what: Locator): Promise<void> => {
    await what.waitFor();
    for (let n = 0; n < MOST_TABS; n++) {
      if (await isAt(what)) return;
      const inMenu = (await what.getAttribute('role')) === 'menuitem';
      await keyboard.press(inMenu ? 'ArrowDown' : (await inGroup(what)) ? 'ArrowRight' : 'Tab');
    }
    throw new Error(`${String(what)} cannot be reached by keys`);
  };
  return {
    press: async (what) => {
      actions++;
      await goTo(what);
      const type = await what.getAttribute('type');
      await keyboard.press(type === 'radio' || type === 'checkbox' ? 'Space' : 'Enter');
    },
    fill: async (what, text) => {
      actions++;
      await goTo(what);
      await keyboard.press('ControlOrMeta+a');
      await keyboard.type(text);
      await keyboard.press('Tab');
    },
    actions: () => actions,
  };
}

const WAYS = [
  ['by hand', () => byHand()],
  ['by keys alone', (page: Page) => byKeys(page)],
] as const;

const tile = (page: Page, name: string): Locator =>
  page.getByRole('radio', { name, exact: true }).or(page.getByRole('checkbox', { name, exact: true }));
const answer = (page: Page): Locator => page.getByRole('complementary', { name: 'First answer' });

/** Seen without scrolling. */
async function inSight(page: Page, text: string | RegExp): Promise<void> {
  await expect(answer(page).getByText(text).first()).toBeInViewport();
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
}

for (const [way, builder] of WAYS) {
  test(`a snow blade on two salvaged motors, in pounds and inches, ${way}`, async ({ bench }) => {
    await bench.addInitScript(() => localStorage.setItem('zubric-units', 'imperial'));
    await bench.goto('/builds');
    const { press, fill, actions } = builder(bench);
    await press(bench.getByRole('link', { name: 'New build' }));
    await press(tile(bench, 'Two driven wheels and castors'));
    await fill(bench.getByLabel('Itself, without load'), '90 lb');
    await press(tile(bench, 'pushes a blade'));
    // A true answer in four: what it takes, in pounds of force and inch-pounds.
    await inSight(bench, /^[\d.]+.lbf$/);
    await inSight(bench, /^[\d.]+.in·lb$/);
    expect(actions()).toBeLessThanOrEqual(6);
    await fill(bench.getByLabel('Blade, width, Pushes a blade'), '30');
    await expect(bench.getByLabel('Blade, width, Pushes a blade')).toHaveValue('30 in');
    await press(answer(bench).getByRole('button', { name: 'Begin this build' }));
    await expect(bench.getByRole('heading', { level: 1 })).toContainText('What must it do');
    // The work goes on where the heading is, not at the top of the page.
    await expect(bench.getByRole('heading', { level: 1 })).toBeFocused();
    // What was scaled from its size in metres has more digits in feet, and a unit that is longer.
    expect(await cutValues(bench)).toEqual([]);
    await press(bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /Power/ }));
    await press(bench.getByRole('button', { name: 'Make your own motor' }));
    const form = bench.getByRole('form', { name: 'A part of your own' });
    await fill(form.getByLabel(/^Name/), 'Wiper motor off a van');
    await fill(form.getByLabel('Rated voltage'), '12');
    await fill(form.getByLabel('Speed without load'), '60');
    await fill(form.getByLabel('Stall torque'), '260 in·lb');
    await press(form.getByRole('button', { name: 'Put it on the shelf' }));
    // The decision: whether two of them push it.
    await expect(bench.locator('[data-block=wheel]')).toContainText(/×/);
    await expect(bench.locator('[data-block=wheel]')).toContainText(/ample|tight|short|fails/);
    expect(actions()).toBeLessThanOrEqual(14);
    await saved(bench);
  });

  test(`eight classroom carts on a phone, ${way}`, async ({ bench }) => {
    await bench.setViewportSize({ width: 400, height: 800 });
    await bench.goto('/builds');
    const { press, fill, actions } = builder(bench);
    const name = `Pond cart ${way}`;
    await press(bench.getByRole('link', { name: 'New build' }));
    await press(tile(bench, 'Two driven wheels and a slider'));
    await press(tile(bench, 'stands on a desk'));
    await press(tile(bench, 'drives along'));
    await expect(answer(bench).getByText(/motors of$/)).toBeVisible();
    expect(actions()).toBeLessThanOrEqual(6);
    await fill(bench.getByLabel('Its name'), name);
    await press(answer(bench).getByRole('button', { name: 'Begin this build' }));
    // On a phone the first thing of a page is its own; the margins stand at the foot of it.
    await expect(bench.getByRole('heading', { level: 1 })).toBeInViewport();
    await expect(bench.getByRole('navigation', { name: 'Margins' })).toBeInViewport();
    expect(await bench.evaluate(() => document.documentElement.scrollWidth)).toBe(400);
    await expect(bench.getByLabel('Mass, itself')).toHaveValue('1.5 kg');
    await press(bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Builds' }));
    await press(bench.getByRole('button', { name: `More for ${name}`, exact: true }));
    await press(bench.getByRole('menuitem', { name: 'Copies for groups …' }));
    await press(bench.getByRole('button', { name: 'Make 8 copies' }));
    await expect(bench.getByText('8 copies lie on the bench.')).toBeVisible();
    await expect(bench.getByRole('link', { name: `${name}, group 8`, exact: true })).toBeVisible();
    expect(actions()).toBeLessThanOrEqual(10);
  });

  test(`a child’s ride-on kart, ${way}`, async ({ bench }) => {
    await bench.goto('/builds');
    const { press, fill, actions } = builder(bench);
    await press(bench.getByRole('link', { name: 'New build' }));
    await press(tile(bench, 'Live rear axle, steered in front'));
    await press(tile(bench, 'carries a child'));
    await press(tile(bench, 'drives along'));
    await inSight(bench, /^[\d.]+.W$/);
    await inSight(bench, /Somebody rides/);
    expect(actions()).toBeLessThanOrEqual(6);
    await fill(bench.getByLabel('The rider weighs'), '28 kg');
    await press(tile(bench, 'climbs'));
    await fill(bench.getByLabel('How steep, Climbs'), '10 %');
    expect(await complaints(bench)).toEqual([]);
    await press(answer(bench).getByRole('button', { name: 'Begin this build' }));
    // The decision: it may not be ridden without a brake on its wheels.
    const brake = bench.getByText(/nothing but the drive slows it: fit a friction brake/);
    await expect(brake).toBeVisible();
    await fill(bench.getByLabel('Never faster than'), '6 km/h');
    await saved(bench);
    expect(actions()).toBeLessThanOrEqual(9);
  });
}

test('what is removed is offered back, and the focus stays beside it', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  await bench.getByRole('button', { name: 'Remove Slip, empty' }).press('Enter');
  await expect(bench.getByText('“Slip, empty” is removed.')).toBeVisible();
  expect(await bench.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
  await bench.getByRole('button', { name: 'Put it back' }).press('Enter');
  await expect(bench.getByRole('button', { name: 'Remove Slip, empty' })).toBeVisible();
  await saved(bench);
});

test('the answer stays in sight while the page scrolls, and what cannot be read is kept from station to station', async ({
  bench,
}) => {
  await bench.goto('/builds/puffin/brief');
  const line = bench.getByRole('navigation', { name: 'Margins' });
  await expect(line).toHaveCount(0);
  await bench.getByLabel('Voltage, at most').scrollIntoViewIfNeeded();
  await expect(line).toBeInViewport();
  await expect(bench.getByRole('navigation', { name: 'Stations' }).getByText('Logbook')).toBeInViewport();
  await bench.getByLabel('Mass, payload').fill('plenty');
  await bench.keyboard.press('Tab');
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Logbook' }).click();
  await expect(bench.getByText('Mass, payload: “plenty”')).toBeVisible();
  await expect(line).toBeInViewport();
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Brief' }).click();
  await expect(bench.getByLabel('Mass, payload')).toHaveValue('plenty');
  await bench.getByLabel('Mass, payload').press('Escape');
  await expect(bench.getByLabel('Mass, payload')).toHaveValue('120 ± 10 kg');
  await expect(bench.getByText('One entry cannot be read')).toHaveCount(0);
});
