import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { roughAnswer } from '@zubric/core/demand';
import { show } from '@zubric/core/quantity';
import { buildSchema, type Build } from '@zubric/core/vehicle';
import { answering, Refusal, type SeenRequest } from '../testing/answers.ts';
import { onPage, where } from '../testing/on-page.tsx';
import { StartPage } from './StartPage.tsx';

const made = (document: Build) => ({
  id: 'made',
  version: 1,
  updatedAt: '2026-11-20T10:00:00Z',
  document,
});

function open(answer: (asked: { readonly body?: unknown }) => unknown = begun): SeenRequest[] {
  const asked = answering({ 'POST /api/builds': answer });
  onPage(<StartPage />, '/new', '/new');
  return asked;
}
const begun = ({ body }: { readonly body?: unknown }) => made((body as { document: Build }).document);

const press = (name: string): void => {
  const at = screen.queryByRole('radio', { name }) ?? screen.getByRole('checkbox', { name });
  fireEvent.click(at);
};
const fill = (label: string, text: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
};
const answer = () => within(screen.getByRole('complementary', { name: 'First answer' }));
const said = (): string =>
  (answer().getByRole('heading').parentElement?.textContent ?? '').replaceAll('\u00a0', ' ');
const begin = (): HTMLElement => answer().getByRole('button', { name: 'Begin this build' });
const sent = (asked: SeenRequest[]): Build =>
  buildSchema.parse(
    (asked.find(({ method }) => method === 'POST')?.body as { document: unknown } | undefined)?.document,
  );

describe('a new build', () => {
  beforeEach(() => sessionStorage.clear());

  it('says what it still has to know, and answers once it does', () => {
    open();
    expect(said()).toContain('what it is, how big it is and what it does');
    expect((begin() as HTMLButtonElement).disabled).toBe(true);
    press('Two driven wheels and castors');
    expect(said()).toContain('how big it is and what it does');
    press('as a wheelbarrow');
    press('climbs');
    expect(said()).toMatch(/Push at the ground\d+/);
  });

  it('begins the build that it answered for, and opens its brief', async () => {
    const asked = open();
    press('Four fixed wheels');
    press('as a large toy car');
    press('pushes a blade');
    fill('Blade, width, Pushes a blade', '14 in');
    fill('Its name', ' Plough ');
    const force = said();
    fireEvent.click(begin());
    await waitFor(() => expect(where()).toBe('/builds/made/brief'));
    const build = sent(asked);
    expect(build.name).toBe('Plough');
    const push = build.duties[0]?.push;
    expect(push?.kind === 'heap' && push.width.value).toBeCloseTo(0.3556, 9);
    const newtons = roughAnswer(build)?.forceN ?? NaN;
    expect(force).toContain(show(newtons, 'force', 'metric').text.replaceAll('\u00a0', ' '));
    // Begun is begun: the next one starts from nothing.
    expect(sessionStorage.getItem('zubric.new-build')).toBeNull();
  });

  it('takes figures of its own in place of a size, in any unit', async () => {
    const asked = open();
    press('Live rear axle, steered in front');
    fill('Itself, without load', '60 lb');
    press('drives along');
    fireEvent.change(screen.getByLabelText('People'), { target: { value: 'riding' } });
    fill('The rider weighs', '4 st');
    expect(said()).not.toContain('Total mass27.2');
    fill('The rider weighs', '25 kg');
    expect(said()).toContain('Total mass52.2 kg');
    expect(said()).toContain('Somebody rides');
    fireEvent.click(begin());
    await waitFor(() => expect(where()).toBe('/builds/made/brief'));
    expect(sent(asked).masses.own.mass).toMatchObject({ unit: 'lb', origin: 'typed' });
    expect(sent(asked).name).toBe('Live rear axle, steered in front');
  });

  it('takes the figures of each job, as its own', async () => {
    const asked = open();
    press('Four fixed wheels');
    press('as a wheelbarrow');
    press('pulls');
    press('goes over a step');
    press('pushes a blade');
    const of = (label: string, title: string): string => `${label}, ${title}`;
    fill(of('Pull, as force or weight', 'Pulls'), '20 kg');
    fill(of('How fast', 'Pulls'), '3 km/h');
    fill(of('How high', 'Goes over a step'), '2 in');
    fireEvent.change(screen.getByLabelText(of('What it pushes', 'Pushes a blade')), {
      target: { value: 'gravel' },
    });
    fill(of('Heap against it', 'Pushes a blade'), '10 cm');
    fireEvent.click(begin());
    await waitFor(() => expect(where()).toBe('/builds/made/brief'));
    const [pull, kerb, plough] = sent(asked).duties;
    // A weight at the hitch is its force.
    expect(pull?.drawbar.value).toBeCloseTo(20 * 9.80665, 6);
    expect(pull?.speed.value).toBeCloseTo(3 / 3.6, 9);
    expect(kerb?.step?.value).toBeCloseTo(0.0508, 9);
    expect(plough?.push).toMatchObject({ kind: 'heap', what: 'gravel', heap: { value: 0.1 } });
  });

  it('waits with an entry that cannot be read, and keeps it', () => {
    open();
    press('Tracks');
    press('as a wheelbarrow');
    press('drives along');
    fill('Itself, without load', 'heavy');
    expect((begin() as HTMLButtonElement).disabled).toBe(true);
    expect((screen.getByLabelText('Itself, without load') as HTMLInputElement).value).toBe('heavy');
    expect(said()).toContain('One figure cannot be read');
  });

  it('offers a layout only the jobs it can do, and lets go of those it cannot', () => {
    open();
    press('Two-wheeled balancer');
    press('keeps its balance');
    press('Sphere with an inner drive');
    expect(screen.queryByRole('checkbox', { name: 'keeps its balance' })).toBeNull();
    press('rolls');
    press('fits in a palm');
    expect(said()).toMatch(/Push at the ground/);
  });

  it('keeps the answers while the page is left, and when the server refuses', async () => {
    open();
    press('Tracks');
    press('stands on a desk');
    press('climbs');
    fill('How steep, Climbs', '12 %');
    cleanup();
    open(() => new Refusal(422, 'The disk is full.'));
    expect((screen.getByLabelText('How steep, Climbs') as HTMLInputElement).value).toBe('12 %');
    fireEvent.click(begin());
    expect((await answer().findByRole('alert')).textContent).toBe('The disk is full.');
    expect((screen.getByLabelText('How steep, Climbs') as HTMLInputElement).value).toBe('12 %');
  });
});
