/** A quick sum filled from a build, and its result put into one, through the whole application. */
import { buildFrom, drivenDiameter, type Build } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeAll, describe, expect, it } from 'vitest';
import { Refusal, type SeenRequest } from '../testing/answers.ts';
import { demo } from '../testing/demo.ts';
import { address, atHand, openAt } from '../testing/in-application.tsx';
import { text } from '../testing/on-bench.tsx';

const LONG = { timeout: 20_000 };
const builds = { puffin: demo('puffin'), teasel: demo('teasel'), wren: buildFrom('four-skid', 'Wren') };

const link = async (): Promise<HTMLElement> => screen.findByRole('region', { name: 'With a build' }, LONG);
const given = (label: RegExp): HTMLInputElement =>
  within(screen.getByRole('region', { name: 'Given' })).getByLabelText(label);
const choose = async (label: 'Build' | 'Job', value: string): Promise<void> => {
  fireEvent.change(within(await link()).getByLabelText(label), { target: { value } });
};
const push = async (name: RegExp): Promise<HTMLButtonElement> =>
  within(await link()).findByRole('button', { name }, LONG);
const lastSaved = (asked: readonly SeenRequest[]): Build | undefined =>
  asked
    .filter(({ method, path }) => method === 'PUT' && /^\/api\/builds\/\w+$/.test(path))
    .map(({ body }) => body as Build)
    .at(-1);

beforeAll(atHand);

describe('a quick sum with a build', () => {
  it('is filled from the job that is chosen, which stays in the address', async () => {
    openAt('/sums/road-load', { builds });
    await push(/^Fill in from Puffin/);
    await choose('Job', 'level-loaded');
    fireEvent.click(await push(/^Fill in from Puffin/));
    // 58 kg and its load of 120 kg, on the level.
    expect(given(/^Mass of the vehicle/).value).toContain('178');
    expect(given(/^Grade/).value).toMatch(/^0\b/);
    expect(address()).toContain('duty=level-loaded');
    await choose('Job', 'slip-loaded');
    fireEvent.click(await push(/^Fill in from Puffin/));
    await waitFor(() => expect(given(/^Grade/).value).toMatch(/^9\b/));
  });

  it('is filled from another build, whose jobs are offered then', async () => {
    openAt('/sums/road-load?build=puffin&duty=slip-empty', { builds });
    await push(/^Fill in from Puffin/);
    await choose('Build', 'teasel');
    await push(/^Fill in from Teasel/);
    expect(address()).toContain('build=teasel');
    expect(address()).not.toContain('duty=');
    const jobs = within(within(await link()).getByLabelText('Job')).getAllByRole('option');
    expect(jobs.map(({ textContent }) => textContent)).toEqual(builds.teasel.duties.map(({ name }) => name));
  });

  it('says what a build has yet to know', async () => {
    openAt('/sums/simulate-launch?build=wren', { builds });
    fireEvent.click(await push(/^Fill in from Wren/));
    expect(within(await link()).getByRole('alert').textContent).toContain(
      'Wren has no such numbers yet for this job: choose its motor and battery at Power',
    );
  });

  it('is put into the build as an edit, said, saved and taken back', async () => {
    const asked = openAt('/sums/effective-diameter?build=puffin', { builds });
    fireEvent.click(await push(/^Put into Puffin: the wheel diameter, as measured/));
    await waitFor(() => expect(address()).toBe('/builds/puffin/brief'), LONG);
    await screen.findByText(/From the quick sum: the wheel diameter, as measured is put in/, {}, LONG);
    await waitFor(() => expect(lastSaved(asked)).toBeDefined(), LONG);
    const put = drivenDiameter((lastSaved(asked) as Build).layout);
    expect(put.origin).toBe('measured');
    expect(put.value).not.toBeCloseTo(drivenDiameter(builds.puffin.layout).value, 4);
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(lastSaved(asked)?.layout).toEqual(builds.puffin.layout), LONG);
    expect(text()).not.toContain('From the quick sum');
  });

  it('is not put in where it has no place, and says what to add', async () => {
    openAt('/sums/largest-sprocket?build=teasel', { builds });
    const button = await push(/^Put into Teasel: the driven sprocket of the chain/);
    expect(button.disabled).toBe(true);
    const says = await link();
    expect(says.textContent).toContain('This build has no chain stage: add one at Drivetrain first.');
    fireEvent.click(within(says).getByRole('link', { name: 'Open Teasel' }));
    await waitFor(() => expect(address()).toBe('/builds/teasel/drivetrain'), LONG);
    expect(text()).not.toContain('From the quick sum');
  });

  it('says that a build cannot be read, and stands where no build is', async () => {
    openAt('/sums/road-load?build=puffin', {
      builds,
      doors: { 'GET /api/builds/*': () => new Refusal(422, 'It is of a later form.') },
    });
    await waitFor(
      async () =>
        expect((await link()).textContent).toContain('This build cannot be read: It is of a later form.'),
      LONG,
    );
    expect(within(await link()).queryByRole('button')).toBeNull();
  });
});
