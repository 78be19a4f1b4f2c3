import 'fake-indexeddb/auto';
import type { Build } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { Refusal, type SeenRequest } from '../testing/answers.ts';
import { demo } from '../testing/demo.ts';
import { handedOver, textOf } from '../testing/handed.ts';
import { address, AT_HOME, atHand, openAt } from '../testing/in-application.tsx';
import { fieldCalled, text } from '../testing/on-bench.tsx';
import { dropDraft, keepDraft } from '../session/drafts.ts';

const LONG = { timeout: 20_000 };
const puffin = demo('puffin');
const builds = { puffin };

const stands = (words: RegExp | string) =>
  waitFor(() => expect(text()).toMatch(words instanceof RegExp ? words : new RegExp(words)), LONG);
const press = (key: string, more: KeyboardEventInit = {}, on: Element | Window = window) =>
  fireEvent.keyDown(on, { key, ...more });
const heavy = () => fieldCalled('How heavy, itself?') as HTMLInputElement;
const makeHeavy = (value: string) => {
  fireEvent.change(heavy(), { target: { value } });
  fireEvent.blur(heavy());
};
const saves = (asked: readonly SeenRequest[]) => asked.filter(({ method }) => method === 'PUT');
const savedBuilds = (asked: readonly SeenRequest[]) =>
  saves(asked).flatMap(({ path, body }) => (path === '/api/builds/puffin' ? [body as Build] : []));

beforeAll(atHand);
// An edit that was not saved before its page went is taken up by the next one.
afterEach(() => dropDraft('puffin'));

describe('the application', () => {
  it('begins with the list of builds, and opens one at its Brief with the strip above', async () => {
    openAt('/', { builds });
    fireEvent.click(await screen.findByText('Puffin', {}, LONG));
    await stands('How heavy, itself\\?');
    expect(address()).toBe('/builds/puffin/brief');
    const strip = screen.getByLabelText('Driveline strip');
    expect(within(strip).getAllByRole('heading')).toHaveLength(6);
    expect(screen.getByRole('navigation', { name: 'Stations' }).textContent).toContain('Test track');
  });

  it('goes from station to station by its number, but not while one is typed', async () => {
    openAt('/builds/puffin/brief', { builds });
    await stands('How heavy, itself\\?');
    press('3', {}, heavy());
    press('3', { ctrlKey: true });
    expect(address()).toBe('/builds/puffin/brief');
    press('2');
    await waitFor(() => expect(address()).toBe('/builds/puffin/ground'));
    await stands(/Where the force goes|Force/);
    press('9');
    await waitFor(() => expect(address()).toBe('/builds/puffin/logbook'));
  });

  it('says what a station is for until that is put away, each for itself', async () => {
    openAt('/builds/puffin/brief', { builds });
    await stands('Say how heavy, how steep, how fast and how long');
    fireEvent.click(screen.getByRole('button', { name: 'Put this sentence away' }));
    expect(text()).not.toContain('Say how heavy, how steep');
    press('2');
    await screen.findByRole('button', { name: 'Put this sentence away' }, LONG);
    press('1');
    await stands('How heavy, itself\\?');
    expect(screen.queryByRole('button', { name: 'Put this sentence away' })).toBeNull();
  });

  it('saves an edit by itself, takes it back by keyboard from another station, and says what that did', async () => {
    const asked = openAt('/builds/puffin/brief', { builds });
    await stands('How heavy, itself\\?');
    expect(screen.getByRole('button', { name: 'Undo' })).toHaveProperty('disabled', true);
    makeHeavy('61 kg');
    await waitFor(() => expect(savedBuilds(asked).at(-1)?.masses.own.mass.value).toBe(61), LONG);
    expect(saves(asked).find(({ path }) => path === '/api/builds/puffin')?.version).toBe('"1"');
    await stands('Puffinsaved');
    press('2');
    await waitFor(() => expect(address()).toBe('/builds/puffin/ground'));
    press('z', { ctrlKey: true });
    await waitFor(() => expect(screen.getByRole('log').textContent).toMatch(/^undone: .*61\s?kg/), LONG);
    await waitFor(
      () => expect(savedBuilds(asked).at(-1)?.masses.own.mass.value).toBe(puffin.masses.own.mass.value),
      LONG,
    );
    press('Z', { ctrlKey: true, shiftKey: true });
    await waitFor(() => expect(screen.getByRole('log').textContent).toMatch(/^redone: /), LONG);
    press('y', { ctrlKey: true });
    expect(screen.getByRole('button', { name: 'Redo' })).toHaveProperty('disabled', true);
  });

  it('leaves undo to the browser in a field that cannot be read yet', async () => {
    openAt('/builds/puffin/brief', { builds });
    await stands('How heavy, itself\\?');
    makeHeavy('61 kg');
    fireEvent.change(heavy(), { target: { value: 'sixty' } });
    expect(heavy().getAttribute('aria-invalid')).toBe('true');
    press('z', { ctrlKey: true }, heavy());
    await waitFor(() =>
      expect(screen.getByRole('button', { name: 'Undo' })).toHaveProperty('disabled', false),
    );
    expect(heavy().value).toBe('sixty');
  });

  it('tells who else is here, and where', async () => {
    const others = [
      { name: 'Ann’s phone', station: 'power' },
      { name: '', station: 'nowhere' },
    ];
    openAt('/builds/puffin/brief', { builds, company: { others } });
    await stands('also here: Ann’s phone \\(Power\\), the bench');
  });

  it('lets a build that is locked for an event be tried and not changed, and takes back what was tried', async () => {
    const lock = { at: '2026-11-24T09:00:00Z', event: 'Autumn run', by: '' };
    const asked = openAt('/builds/puffin/brief', { builds, company: { lock } });
    await stands('locked for “Autumn run”');
    makeHeavy('61 kg');
    await stands('locked for “Autumn run”: tried here, not kept');
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(heavy().value).toContain(String(puffin.masses.own.mass.value)), LONG);
    expect(text()).not.toContain('tried here');
    expect(savedBuilds(asked)).toEqual([]);
  });

  it.each([
    { role: 'look', says: 'to look at' },
    { role: 'record', says: 'to record' },
  ] as const)(
    'says to a device that may $role what it may, and sends no edit of its',
    async ({ role, says }) => {
      const asked = openAt('/builds/puffin/brief', { builds, me: { ...AT_HOME, own: false, role } });
      await stands(`Puffin${says}`);
      makeHeavy('61 kg');
      await stands(`${says}: tried here, not kept`);
      expect(screen.queryByRole('link', { name: 'Devices' })).toBeNull();
      expect(savedBuilds(asked)).toEqual([]);
    },
  );

  it('says that a save is refused, why, and that the edit is kept here', async () => {
    const refused = () => new Refusal(422, 'The name is too long.');
    openAt('/builds/puffin/brief', { builds, doors: { 'PUT /api/builds/*': refused } });
    await stands('How heavy, itself\\?');
    makeHeavy('61 kg');
    await stands(/not saved.*: The name is too long\./);
    await stands('kept here');
  });
});

describe('a build that does not open', () => {
  it('is not there: the way to where it may be had back', async () => {
    openAt('/builds/gone/brief', { builds });
    await stands('There is no such build');
    expect(text()).toContain('can be had back from Builds');
    expect(screen.queryByRole('button', { name: /Save that edit/ })).toBeNull();
  });

  it('is not there, but an edit of it is: that is kept as a new one', async () => {
    const edited = { ...puffin, name: 'Puffin, edited' };
    await keepDraft('gone', { version: 3, document: edited, base: puffin });
    const asked = openAt('/builds/gone/brief', { builds });
    await stands('An edit of “Puffin, edited” that was not saved is still kept in this browser');
    fireEvent.click(screen.getByRole('button', { name: 'Save that edit as a new build' }));
    await waitFor(() => expect(address()).toBe('/builds/made/brief'), LONG);
    expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({
      document: { name: 'Puffin, edited' },
    });
    await dropDraft('gone');
  });

  it('cannot be read: what is wrong with it, and it is taken out as it is', async () => {
    const handed = handedOver();
    const problems = [{ path: '/masses/vehicle', message: 'must be a mass' }];
    openAt('/builds/puffin/brief', {
      builds,
      doors: {
        'GET /api/builds/*': () => new Refusal(422, 'This build cannot be read.', { problems }),
        'GET /api/builds/*/file': () => ({ format: 'odd' }),
      },
    });
    await stands('This build cannot be opened');
    expect(screen.getByRole('listitem').textContent).toBe('/masses/vehicle: must be a mass');
    fireEvent.click(screen.getByRole('button', { name: 'Take it out as a file' }));
    await waitFor(() => expect(handed).toHaveLength(1));
    expect(handed[0]?.name).toBe('puffin.zubric.json');
    expect(JSON.parse(await textOf(handed[0]?.content))).toEqual({ format: 'odd' });
    fireEvent.click(screen.getByRole('link', { name: 'To the builds' }));
    await waitFor(() => expect(address()).toBe('/builds'));
  });

  it('is shown to nobody whom the machine has not let in', async () => {
    openAt('/builds/puffin/brief', {
      doors: { 'GET /api/builds/*': () => new Refusal(401, 'This browser has no key.') },
    });
    await stands(/key|let in/);
    expect(screen.queryByLabelText('Driveline strip')).toBeNull();
  });

  it('stands at an address that is none', async () => {
    openAt('/nowhere/at/all', { builds });
    await stands('There is nothing at this address');
  });
});
