import { readFileSync } from 'node:fs';
import { fireEvent, screen } from '@testing-library/react';
import { buildSchema, partSchema } from '@zubric/core/vehicle';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering } from '../../../testing/answers.ts';
import { kept, onBench, text } from '../../../testing/on-bench.tsx';
import { SupplyForm } from './SupplyForm.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const brick = partSchema.parse({
  id: 'brick',
  name: 'Power brick',
  kind: 'battery',
  chemistry: 'lifepo4',
  series: 8,
  parallel: 1,
  cellAh: 10,
  cellMilliohm: 4,
  continuousA: 30,
  massKg: 3,
});
const type = (label: string, value: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const choose = (label: string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};
const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};

describe('the supply', () => {
  beforeEach(() => {
    answering({ 'GET /api/parts': () => ({ parts: [brick] }) });
  });

  it('is of packs that are counted, added to and taken out', async () => {
    onBench(<SupplyForm />, puffin);
    await screen.findByRole('option', { name: 'Power brick' });
    choose('Add a pack or source', 'brick');
    expect(kept().supply.packs.map(({ id }) => id)).toContain('brick');
    choose('Power brick, in series', '2');
    expect(kept().supply.packs.at(-1)).toEqual({ id: 'brick', inSeries: 2, inParallel: 1 });
    choose('Different packs are joined', 'in parallel');
    expect(kept().supply.joined).toBe('in parallel');
    press('Remove Power brick');
    expect(kept().parts.some(({ id }) => id === 'brick')).toBe(false);
  });

  it('has wires by gauge and length, whose resistance and current are said at once', () => {
    onBench(<SupplyForm />, puffin);
    choose('Battery cable, wire', '10 AWG, 5.3 mm²');
    type('Battery cable, length, one way', '1.2 m');
    expect(kept().supply.cable).toMatchObject({ length: { value: 1.2 } });
    // ASTM B258: 10 AWG is 5.26 mm²; 55 A single in free air is common practice, no source.
    expect(kept().supply.cable?.area.value).toBeCloseTo(5.26e-6, 12);
    expect(text()).toMatch(/carries 5[45](\.\d)? A in free air/);
    choose('Battery cable, wire', 'none');
    expect(kept().supply.cable).toBeUndefined();
  });

  it('offers the fuse that suits, and takes one away again where it is emptied', () => {
    onBench(<SupplyForm />, { ...puffin, supply: { ...puffin.supply, fuse: undefined } });
    press(/^A fuse of .* suits: take it$/);
    expect(kept().supply.fuse?.value).toBe(50);
    type('Main fuse', '');
    expect(kept().supply.fuse).toBeUndefined();
  });

  it('feeds small things from a supply of their own, told where it is too weak', () => {
    onBench(<SupplyForm />, puffin);
    press('Add a small supply');
    press('Add a load to 5 V supply');
    type('Load 1, draws, at most', '9 A');
    expect(kept().supply.rails?.[0]?.loads[0]?.peak.value).toBe(9);
    expect(text()).toMatch(/up to 9 A where one peaks/);
    press('Remove Load 1');
    expect(kept().supply.rails?.[0]?.loads).toEqual([]);
    press('Remove 5 V supply');
    expect(kept().supply.rails).toEqual([]);
  });

  it('is charged from a charger and by the sun', () => {
    onBench(<SupplyForm />, puffin);
    press('Say the charger');
    type('Charging current', '5 A');
    expect(kept().supply.charger?.current.value).toBe(5);
    expect(screen.getByText(/A charger is a mains part/)).toBeTruthy();
    type('Charging plug carries', '10 A');
    type('Time to charge', '3 h');
    expect(kept().supply.charger).toMatchObject({ plug: { value: 10 }, hours: { value: 3 * 3600 } });
    type('Time to charge', '');
    expect(kept().supply.charger?.hours).toBeUndefined();
    expect(kept().supply.charger?.plug?.value).toBe(10);
    press('Say a solar panel');
    choose('It charges while', 'running');
    expect(kept().supply.sun?.when).toBe('running');
    press('No panel');
    press('No charger');
    expect([kept().supply.sun, kept().supply.charger]).toEqual([undefined, undefined]);
  });
});
