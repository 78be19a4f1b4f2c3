import { readFileSync } from 'node:fs';
import { buildSchema } from '@zubric/core/vehicle';
import { fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { kept, onBench, settled, text } from '../testing/on-bench.tsx';
import { Brief } from '../stations/brief/Brief.tsx';
import { Removed } from './Removed.tsx';
import { removedBetween } from './removed-between.ts';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

describe('what was removed', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('is offered back until the next edit, and is put back as it was', async () => {
    onBench(
      <>
        <Removed />
        <Brief />
      </>,
      puffin,
    );
    await settled();
    expect(text()).not.toContain('is removed');
    fireEvent.click(screen.getByRole('button', { name: 'Remove Slip, empty' }));
    expect(await screen.findByText('“Slip, empty” is removed.')).toBeTruthy();
    expect(kept().duties).toHaveLength(puffin.duties.length - 1);
    fireEvent.click(screen.getByRole('button', { name: 'Put it back' }));
    expect(kept()).toEqual(puffin);
    expect(text()).not.toContain('is removed');
    fireEvent.click(screen.getByRole('button', { name: 'Remove Slip, empty' }));
    expect(await screen.findByText('“Slip, empty” is removed.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('How heavy, itself?'), { target: { value: '60 kg' } });
    expect(text()).not.toContain('is removed');
  });

  it('is what had an id and is nowhere any more: a stage, a mass; not a part that is no longer chosen', () => {
    const [drive, ...drives] = puffin.drives;
    if (!drive) throw new Error('it has a drive');
    const bare = { ...puffin, drives: [{ ...drive, stages: [] }, ...drives] };
    expect(removedBetween(puffin, bare)).toBe('chain');
    expect(removedBetween(bare, puffin)).toBeUndefined();
    expect(removedBetween(puffin, { ...puffin, parts: [] })).toBeUndefined();
    const { supply, layout } = puffin;
    expect(
      removedBetween(puffin, { ...puffin, supply: { ...supply, packs: [], drivers: [] } }),
    ).toBeUndefined();
    const [first, ...axles] = layout.axles;
    expect(removedBetween(puffin, { ...puffin, layout: { ...layout, axles } })).toBe(first?.name);
    expect(removedBetween(puffin, { ...puffin, layout: { kind: 'skid', axles } })).toBeUndefined();
  });
});
