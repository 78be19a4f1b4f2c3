import { readFileSync } from 'node:fs';
import { buildSchema, newBuild, type Build } from '@zubric/core/vehicle';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { UnitsProvider } from '../../common/units.tsx';
import { BuildSession } from '../../session/BuildSession.tsx';
import { MemoryRouter } from 'react-router';
import { TestTrack } from './TestTrack.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

function show(document: Build): void {
  const stored = { id: 'b', version: 1, updatedAt: '2026-11-23T00:00:00Z', document };
  render(
    <UnitsProvider>
      <BuildSession stored={stored}>
        <MemoryRouter>
          <TestTrack />
        </MemoryRouter>
      </BuildSession>
    </UnitsProvider>,
  );
}

const text = (): string => (document.body.textContent ?? '').replaceAll('\u00a0', ' ');

describe('the test track', () => {
  it('settles at the speed that the evaluation says it reaches', () => {
    show(puffin);
    fireEvent.change(screen.getByLabelText('Length of the run'), { target: { value: '30 s' } });
    expect(text()).toContain('Its top speed is 1.06 m/s');
    expect(text()).toContain('up to 80 A');
  });

  it('goes over to another job, and keeps a length that it cannot read', () => {
    show(puffin);
    fireEvent.change(screen.getByLabelText('Ground, grade and load of'), {
      target: { value: 'level-loaded' },
    });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Level, loaded');
    fireEvent.change(screen.getByLabelText('Length of the run'), { target: { value: '3 hours' } });
    expect(screen.getByRole('alert').textContent).toContain('at most 10 min');
    expect((screen.getByLabelText('Length of the run') as HTMLInputElement).value).toBe('3 hours');
  });

  it('says that it does not move, and what that draws', () => {
    const steep = puffin.duties.map((d) => ({ ...d, grade: { ...d.grade, value: 0.6 } }));
    show({ ...puffin, duties: steep });
    expect(text()).toContain('It does not move: the wheels spin where they stand; stalled, it would draw');
    cleanup();
    // With grip enough it is the motors that stall.
    const gripping = puffin.grounds.map((g) => ({ ...g, friction: { ...g.friction, value: 3 } }));
    const { payload } = puffin.masses;
    const heavy = { ...payload, mass: { ...payload.mass, value: 400 } };
    show({
      ...puffin,
      duties: steep,
      grounds: gripping,
      masses: { ...puffin.masses, payload: heavy },
    });
    expect(text()).toContain('It does not move: stalled, it draws');
  });

  it('runs until it has settled, and says of a shorter run that it is still speeding up, and to what', () => {
    show(puffin);
    expect(text()).toContain('Its top speed is 1.06 m/s');
    fireEvent.change(screen.getByLabelText('Length of the run'), { target: { value: '0.2 s' } });
    expect(text()).not.toContain('Its top speed is');
    expect(text()).toMatch(/After 0\.2 s it goes .* and is still speeding up: in the end 1\.06 m\/s/);
    // Nothing said is until it has settled again.
    fireEvent.change(screen.getByLabelText('Length of the run'), { target: { value: '' } });
    expect(text()).toContain('Its top speed is 1.06 m/s');
  });

  it('says where the wheels spin, and up to which speed', () => {
    const slippery = puffin.grounds.map((g) => ({ ...g, friction: { ...g.friction, value: 0.48 } }));
    show({ ...puffin, grounds: slippery });
    expect(text()).toMatch(/The wheels spin at full command up to .* m\/s: start gently/);
    cleanup();
    show(puffin);
    const grip = puffin.grounds.map((g) => ({ ...g, friction: { ...g.friction, value: 2 } }));
    cleanup();
    show({ ...puffin, grounds: grip });
    expect(text()).not.toContain('The wheels spin');
  });

  it('holds the speed against the cap of the build', () => {
    show({ ...puffin, speedCap: { value: 0.5, unit: 'm/s', origin: 'typed' } });
    expect(text()).toContain('faster than its cap of 0.5 m/s');
    cleanup();
    show({ ...puffin, speedCap: { value: 3, unit: 'm/s', origin: 'typed' } });
    expect(text()).not.toContain('faster than its cap');
  });

  it('leads on where something is missing', () => {
    show(newBuild('Bare'));
    expect(text()).toContain('Choose a motor in Power first');
    cleanup();
    show({ ...newBuild('Bare'), duties: [] });
    expect(text()).toContain('State a job in the Brief first');
  });
});
