import { newBuild, fittedOf, partSchema, type Part } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering } from '../../testing/answers.ts';
import { kept, onBench, text } from '../../testing/on-bench.tsx';
import { FittedParts } from './FittedParts.tsx';

const wheel = partSchema.parse({
  kind: 'wheel',
  id: 'w',
  name: 'Barrow wheel',
  type: 'wheel',
  massKg: 1,
  diameterMm: 260,
});
const hub = partSchema.parse({ kind: 'hub', id: 'h', name: 'Keyed hub', massKg: 0.3, boreMm: 17 });
const shelf: readonly Part[] = [wheel, hub];

describe('other parts of a build', () => {
  it('are fitted from the shelf, counted, and taken out', async () => {
    answering({ 'GET /api/parts': () => ({ parts: shelf }) });
    onBench(<FittedParts />, newBuild('Cart'));
    fireEvent.click(await screen.findByRole('button', { name: 'Fit Barrow wheel' }));
    await waitFor(() => expect(fittedOf(kept())).toEqual([{ part: wheel, count: 1 }]));
    expect(screen.queryByRole('button', { name: 'Fit Barrow wheel' })).toBeNull();
    fireEvent.change(screen.getByLabelText('Count of Barrow wheel'), { target: { value: '4' } });
    expect(fittedOf(kept())[0]?.count).toBe(4);
    fireEvent.change(screen.getByLabelText('Count of Barrow wheel'), { target: { value: '-2' } });
    expect(fittedOf(kept())[0]?.count).toBe(4);
    fireEvent.click(screen.getByRole('button', { name: 'Take out Barrow wheel' }));
    expect(fittedOf(kept())).toEqual([]);
  });

  it('are found by words and kind, and where nothing is found it says what to do', async () => {
    answering({ 'GET /api/parts': () => ({ parts: shelf }) });
    onBench(<FittedParts />, newBuild('Cart'));
    await screen.findByText('Keyed hub');
    fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'hub' } });
    expect(screen.queryByText('Barrow wheel')).toBeNull();
    expect(screen.getByRole('button', { name: 'Make your own hub' })).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Search the shelf'), { target: { value: 'hexagon' } });
    expect(text()).toContain('Nothing on the shelf has these words');
  });
});
