import { begin, complaints, expect, saved, test } from './application.ts';

test('undo and redo run through every station, and over a reload', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  const speed = bench.getByLabel('Speed, Slip, loaded');
  const before = await speed.inputValue();
  await speed.fill('0.6 m/s');
  await bench.keyboard.press('Tab');
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Drivetrain' }).click();
  const teeth = bench
    .getByLabel('Driver teeth', { exact: true })
    .or(bench.getByRole('textbox', { name: /teeth.*driver|driver.*teeth/i }))
    .first();
  const teethBefore = Number(await teeth.inputValue());
  await teeth.press('ArrowUp');
  await expect(teeth).toHaveValue(String(teethBefore + 1));
  await saved(bench);

  await bench.reload();
  await expect(teeth).toHaveValue(String(teethBefore + 1));
  await bench.keyboard.press('Control+z');
  await expect(teeth).toHaveValue(String(teethBefore));
  await expect(bench.getByRole('log')).toContainText(`driver teeth: ${teethBefore + 1} → ${teethBefore}`);
  // The next step back was made at another station: it is said, and done there.
  await bench.keyboard.press('Control+z');
  await expect(bench.getByRole('log')).toContainText('Slip, loaded, speed: 0.6');
  await bench.keyboard.press('1');
  await expect(speed).toHaveValue(before);
  await bench.getByRole('button', { name: 'Redo' }).click();
  await expect(speed).toHaveValue('0.6 m/s');
  await bench.keyboard.press('Control+z');
  await expect(speed).toHaveValue(before);
  await expect(bench.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await saved(bench);
});

test('in a field that is being typed into, undo takes back the build and shows it', async ({ bench }) => {
  await bench.goto('/builds/puffin/brief');
  const mass = bench.getByLabel('Mass, payload');
  const before = await mass.inputValue();
  await mass.fill('100 kg');
  await mass.press('Control+z');
  await expect(mass).toHaveValue(before);
  await expect(mass).toBeFocused();
  await mass.press('Control+y');
  await expect(mass).toHaveValue('100 kg');
  await mass.press('Control+z');
  await saved(bench);
});

test('the logbook notes changes, own words and photographs by itself and for good', async ({ bench }) => {
  await begin(bench, 'Logged', 'barrow');
  await bench.getByLabel('Mass, payload').fill('95 kg');
  await saved(bench);
  await bench.keyboard.press('Tab');
  await bench.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Logbook' }).click();
  await expect(bench.getByText(/^Payload, mass: 28.kg → 95.kg$/)).toBeVisible();
  await expect(bench.getByText('Begun from the template “Load barrow”')).toBeVisible();

  await bench.getByLabel('What did you see, try or decide?').fill('Five more boxes, says the market.');
  // A picture that a camera would make, drawn here.
  const picture = await bench.evaluate(async () => {
    const canvas = document.createElement('canvas');
    canvas.width = 3000;
    canvas.height = 1500;
    const pen = canvas.getContext('2d');
    if (pen) {
      pen.fillStyle = '#884411';
      pen.fillRect(0, 0, 3000, 1500);
    }
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    return [...new Uint8Array((await blob?.arrayBuffer()) ?? new ArrayBuffer(0))];
  });
  await bench
    .getByLabel('Photograph', { exact: true })
    .setInputFiles({ name: 'barrow.png', mimeType: 'image/png', buffer: Buffer.from(picture) });
  await bench.getByRole('button', { name: 'Add the note' }).click();
  const photo = bench.getByRole('img', { name: /Photograph without a caption/ });
  await expect(photo).toBeVisible();
  // Large ones are kept small.
  expect(await photo.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(2000);
  await bench.getByLabel('Caption').fill('Boxes on the barrow');
  await bench.getByLabel('Caption').press('Tab');
  await bench.reload();
  await expect(bench.getByRole('img', { name: 'Boxes on the barrow' })).toBeVisible();
  await expect(bench.getByText('Five more boxes, says the market.')).toBeVisible();

  await bench
    .getByLabel('Photograph for this entry')
    .first()
    .setInputFiles({
      name: 'x.png',
      mimeType: 'image/png',
      buffer: Buffer.from('<script>alert(1)</script>'),
    });
  await expect(bench.getByRole('alert')).toContainText('not a picture');
});

test('by keyboard alone: edit, snapshot, compare, go back', { tag: '@short' }, async ({ bench }) => {
  const { keyboard } = bench;
  /** Tab by tab to what has the words, as without a mouse. */
  const tabTo = async (name: RegExp): Promise<void> => {
    for (let n = 0; n < 150; n++) {
      await keyboard.press('Tab');
      const at = await bench.evaluate(() => {
        const element = document.activeElement as HTMLInputElement | null;
        const label = element?.labels?.[0]?.textContent ?? '';
        return `${element?.getAttribute('aria-label') ?? ''} ${label} ${element?.tagName === 'BUTTON' ? element.textContent : ''}`;
      });
      if (name.test(at)) return;
    }
    throw new Error(`nothing called ${String(name)} can be reached with Tab`);
  };
  await begin(bench, 'By keys');
  await expect(bench.getByRole('heading', { level: 1 })).toContainText('What must it do');
  await tabTo(/Mass, itself/);
  await keyboard.press('ArrowUp');
  await keyboard.press('ArrowUp');
  await expect(bench.getByLabel('Mass, itself')).toHaveValue('31 kg');
  await saved(bench);
  // Off the fields, a digit opens a station.
  await tabTo(/Remove|Add a/);
  await keyboard.press('9');
  await expect(bench.getByRole('heading', { level: 1 })).toContainText('What was changed');
  await tabTo(/Name of a snapshot/);
  await keyboard.type('Thirty-one');
  await keyboard.press('Enter');
  await expect(bench.getByText('Snapshot 1 is taken.')).toBeVisible();
  await tabTo(/Compare snapshot 1/);
  await keyboard.press('1');
  await tabTo(/Mass, payload/);
  await keyboard.press('Shift+ArrowUp');
  await expect(bench.getByLabel('Mass, payload')).toHaveValue('25 kg');
  await saved(bench);
  await tabTo(/Remove|Add a/);
  await keyboard.press('9');
  await tabTo(/Compare snapshot 1/);
  await keyboard.press('Enter');
  await expect(bench.getByRole('row', { name: /Payload, mass/ })).toContainText('25');
  await expect(bench.getByRole('row', { name: /^Grip/ })).toBeVisible();
  await tabTo(/Go back to snapshot 1/);
  await keyboard.press('Enter');
  await expect(bench.getByText('They are the same.')).toBeVisible();
  await saved(bench);
  await expect(
    bench.getByRole('paragraph').filter({ hasText: /^2: Before going back to 1: Thirty-one$/ }),
  ).toBeVisible();
  await keyboard.press('?');
  await expect(bench.getByRole('dialog')).toContainText('Undo, at any station');
  await keyboard.press('Escape');
  await keyboard.press('/');
  await expect(bench.getByRole('combobox', { name: 'Words of a build' })).toBeFocused();
  await keyboard.type('v-belt slip');
  await expect(bench.locator('[role=listbox] [role=option]')).toHaveCount(1);
  expect(await complaints(bench)).toEqual([]);
  await keyboard.press('Enter');
  await expect(bench).toHaveURL(/sums\/friction-belt/);
});
