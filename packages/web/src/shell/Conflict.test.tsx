import { newBuild, type Build } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { BuildSession, useBuild, useSession } from '../session/BuildSession.tsx';
import { Conflict } from './Conflict.tsx';
import { UndoRedo } from './UndoRedo.tsx';
import { UnitsProvider } from '../common/units.tsx';

const base = newBuild('Gull');
const theirs: Build = {
  ...base,
  purpose: 'theirs',
  masses: { ...base.masses, payload: { ...base.masses.payload, mass: typed(33, 'kg') } },
};

/** What the bench holds, and an edit of it. */
function Probe() {
  const { build, edit } = useBuild();
  const { session } = useSession();
  const mine = (): void => edit((b) => ({ ...b, purpose: 'mine', readyBy: '2027-05-01' }));
  return (
    <>
      <output>{`${build.purpose} ${build.masses.payload.mass.value} ${session.save}`}</output>
      <button type="button" onClick={mine}>
        Edit mine
      </button>
    </>
  );
}

/** A server that holds `theirs` at version 5 and takes what starts from there. */
function serve(): Build[] {
  const taken: Build[] = [];
  vi.stubGlobal(
    'fetch',
    (_: string, { headers, body }: { headers: Record<string, string>; body: string }) => {
      const fresh = headers['If-Match'] === '"5"';
      if (fresh) taken.push(JSON.parse(body) as Build);
      const answer = fresh
        ? { id: 'b', version: 6 }
        : { code: 'stale', title: 'stale', version: 5, stored: theirs };
      return Promise.resolve(new Response(JSON.stringify(answer), { status: fresh ? 200 : 409 }));
    },
  );
  return taken;
}

async function collide(): Promise<void> {
  render(
    <UnitsProvider>
      <BuildSession stored={{ id: 'b', version: 1, updatedAt: '', document: base }}>
        <UndoRedo />
        <Conflict />
        <Probe />
      </BuildSession>
    </UnitsProvider>,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Edit mine' }));
  await screen.findByText(/changed elsewhere since/, {}, { timeout: 20_000 });
}

const row = (name: string): HTMLElement => screen.getByRole('row', { name: new RegExp(`^${name}`) });
const state = (): string => screen.getByText(/(saved|saving|waiting|conflict)$/).textContent ?? '';

describe('two on one build', () => {
  it('take what only the other changed, keep what only this one did, and choose where both did', async () => {
    const taken = serve();
    await collide();
    const checked = (name: string): string =>
      within(row(name))
        .getAllByRole<HTMLInputElement>('radio')
        .findIndex((r) => r.checked) === 0
        ? 'mine'
        : 'theirs';
    expect([checked('Purpose'), checked('Ready by'), checked('Payload, mass')]).toEqual([
      'mine',
      'mine',
      'theirs',
    ]);
    fireEvent.click(within(row('Purpose')).getAllByRole('radio')[1] as HTMLElement);
    fireEvent.click(screen.getByRole('button', { name: 'Save this choice' }));
    await waitFor(() => expect(state()).toBe('theirs 33 saved'), { timeout: 20_000 });
    expect(taken.at(-1)).toMatchObject({ purpose: 'theirs', readyBy: '2027-05-01' });
  });

  it('can take all of one side, and have the other back by undo', async () => {
    serve();
    await collide();
    fireEvent.click(screen.getByRole('button', { name: 'All from elsewhere' }));
    fireEvent.click(screen.getByRole('button', { name: 'Save this choice' }));
    await waitFor(() => expect(state()).toContain('theirs 33'), { timeout: 20_000 });
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(state()).toContain('mine 20');
    await waitFor(() => expect(screen.getByRole('log').textContent).toContain('undone:'));
  });
});
