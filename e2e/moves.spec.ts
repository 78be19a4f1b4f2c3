import { readFile } from 'node:fs/promises';
import { complaints, expect, saved, test } from './application.ts';

interface Document {
  name: string;
  drives: { stages: { kind: string }[] }[];
}

test('from a slipping belt to a chain by one move, undone, redone, saved', async ({
  bench,
  request,
  application,
}) => {
  const document = JSON.parse(await readFile('data/builds/puffin.zubric.json', 'utf8')) as Document;
  document.name = 'Puffin on a belt';
  const made = await request.post(`${application.url}/api/builds`, { data: { document } });
  const { id } = (await made.json()) as { id: string };
  const kinds = async (): Promise<string[]> => {
    const read = (await (await request.get(`${application.url}/api/builds/${id}`)).json()) as {
      document: Document;
    };
    return (read.document.drives[0]?.stages ?? []).map(({ kind }) => kind);
  };
  await bench.goto(`/builds/${id}/drivetrain`);
  await bench.getByLabel('Chain, as another kind').selectOption({ label: 'V or flat belt' });
  await expect(
    bench
      .getByText(/^stop.*It slips on/)
      .or(bench.getByText(/It slips on/))
      .first(),
  ).toBeVisible();
  await saved(bench);
  expect(await kinds()).toEqual(['friction-belt']);
  const move = bench.getByRole('button', { name: 'Try: A chain instead of the v or flat belt' });
  await expect(move).toBeVisible();
  expect(await complaints(bench)).toEqual([]);
  await move.press('Enter');
  await expect(bench.getByLabel('Chain, as another kind')).toBeVisible();
  await expect(bench.getByText(/It slips on/)).toHaveCount(0);
  await saved(bench);
  expect(await kinds()).toEqual(['chain']);
  await bench.locator('body').press('Control+z');
  await expect(bench.getByText(/It slips on/).first()).toBeVisible();
  await expect.poll(kinds).toEqual(['friction-belt']);
  await bench.locator('body').press('Control+y');
  await expect.poll(kinds).toEqual(['chain']);
  await bench.reload();
  await expect(bench.getByLabel('Chain, as another kind')).toBeVisible();
});
