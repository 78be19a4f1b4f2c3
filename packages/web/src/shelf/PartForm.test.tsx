import { partSchema } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { onPage } from '../testing/on-page.tsx';
import { form, posted, press, serving, type } from '../testing/shelf.ts';
import { ShelfPage } from './ShelfPage.tsx';

describe('a part of any kind', () => {
  const show = (): void => onPage(<ShelfPage />, '/shelf', '/shelf');

  it('asks a stepping motor and a wheel for their own figures, and keeps them', async () => {
    const asked = serving([]);
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'New motor' }));
    type(/^Name/, 'Out of the printer');
    fireEvent.change(form().getByLabelText('Type'), { target: { value: 'stepping' } });
    expect(form().queryByLabelText('Stall torque')).toBeNull();
    type(/^Holding torque/, '4 kg·cm');
    type(/^Rated current/, '1.5 A');
    expect(form().getByText(/^Inductance: a meter that has the range/)).toBeTruthy();
    expect(form().queryByText(/^Cell/)).toBeNull();
    press('Put it on the shelf');
    await waitFor(() => expect(posted(asked)).toHaveLength(1));
    const [motor] = posted(asked);
    expect(motor).toMatchObject({ kind: 'motor', type: 'stepping', ratedA: 1.5, stepsPerTurn: 200 });
    // A kilogram-force centimetre is 0.0980665 N·m (ISO 80000-3, standard gravity).
    expect((motor as { holdingTorqueNm?: number }).holdingTorqueNm).toBeCloseTo(4 * 0.0980665, 6);
    expect(motor?.guessed).toHaveProperty('inductanceMilliH');

    fireEvent.change(screen.getByLabelText('New part of another kind'), { target: { value: 'wheel' } });
    type(/^Name/, 'Barrow wheel');
    type(/^Diameter/, '13 in');
    type(/^Load that one carries/, '120 lb');
    press('Put it on the shelf');
    await waitFor(() => expect(posted(asked)).toHaveLength(2));
    expect(posted(asked)[1]).toMatchObject({ kind: 'wheel', type: 'wheel', diameterMm: 330.2 });
  });

  it('changes the gearhead of a motor after it was made', async () => {
    const motor = partSchema.parse({
      kind: 'motor',
      type: 'brushed',
      id: 'geared',
      name: 'Geared',
      massKg: 1,
      voltageV: 12,
      noLoadRpm: 3000,
      noLoadA: 1,
      stallTorqueNm: 1,
      stallA: 30,
      continuousA: 6,
      gearhead: { ratio: 10, efficiency: 0.7 },
    });
    const asked = serving([motor], { 'GET /api/parts/*/builds': () => ({ builds: [] }) });
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'Change Geared' }));
    await screen.findByRole('form', { name: 'A part of your own' });
    type('Gearhead, turns for one', '12.5');
    press('Keep the change');
    await waitFor(() => expect(asked.some(({ method }) => method === 'PUT')).toBe(true));
    expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      gearhead: { ratio: 12.5, efficiency: 0.7 },
    });
  });
});
