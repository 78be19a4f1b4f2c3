import { typed } from '@zubric/core/quantity';
import { addDrive, buildSchema, type Build } from '@zubric/core/vehicle';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { kept, onBench } from '../../../testing/on-bench.tsx';
import { Interlocks } from '../supply/Interlocks.tsx';
import { CircuitView } from './CircuitView.tsx';

const read = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
const puffin = read('puffin');
const said = (element: Element | null): string => (element?.textContent ?? '').replaceAll('\u00a0', ' ');
const drawing = (): string => said(screen.getByRole('img', { name: /^Power circuit/ }));

describe('the circuit', () => {
  it('is drawn from the build: battery, fuse, switch, driver, motors left and right, the right one swapped', () => {
    onBench(<CircuitView />, puffin);
    expect(drawing()).toContain('50 A');
    expect(drawing()).toContain('63 A');
    expect(drawing()).toContain('left');
    expect(drawing()).toMatch(/right.*swapped/);
    cleanup();
    const { fuse: _fuse, mainSwitch: _switch, ...bare } = puffin.supply;
    onBench(<CircuitView />, { ...puffin, supply: bare });
    expect(drawing()).toContain('no fuse');
    expect(drawing()).toContain('no switch');
  });

  it('names the motors of each drive where there are several, their small supply and their charging plug', () => {
    onBench(<CircuitView />, read('whimbrel'));
    expect(drawing()).toContain('Controller, 5');
    expect(drawing()).toContain('Charging plug');
    expect(drawing()).toContain('4 of it, 2 each');
    for (const place of ['left, Rear m', 'right, Front']) expect(drawing()).toContain(place);
    expect(said(document.body)).toContain(
      'Switch at the lid: the motors of “Tray lift” are cut while it is worked.',
    );
    expect(screen.queryByRole('region', { name: 'What its two sides do' })).toBeNull();
  });

  it('has a table of what two sides do, only where they are driven apart', () => {
    onBench(<CircuitView />, puffin);
    const rows = within(screen.getByRole('region', { name: 'What its two sides do' }))
      .getAllByRole('row')
      .map(said);
    expect(rows).toHaveLength(10);
    expect(rows).toContain('aheadstopahead round the right wheel310 mm+ −open');
    expect(rows).toContain('backaheadon the spot, to the left0 mm− +− +');
    cleanup();
    onBench(<CircuitView />, read('moth'));
    expect(screen.queryByRole('region', { name: 'What its two sides do' })).toBeNull();
  });

  it('of nothing chosen says so', () => {
    onBench(<CircuitView />, {
      ...puffin,
      drives: puffin.drives.map((drive) => ({ ...drive, motorId: null, driverId: null })),
      supply: { ...puffin.supply, packs: [], drivers: [], auxiliaryPower: typed(0, 'W') },
    });
    expect(drawing()).toContain('none chosen');
  });
});

describe('interlocks', () => {
  it('are added, said of a drive, changed and taken away', () => {
    const { build, driveId } = addDrive(puffin, 'turning');
    onBench(<Interlocks />, build);
    expect(screen.getByText(/stops what turns/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Add an interlock' }));
    expect(kept().supply.interlocks).toMatchObject([{ at: 'handle', acts: 'runs only while worked' }]);
    fireEvent.change(screen.getByLabelText('Interlock 1, switch at the'), { target: { value: 'lid' } });
    fireEvent.change(screen.getByLabelText('Interlock 1, it'), { target: { value: 'cut while worked' } });
    fireEvent.change(screen.getByLabelText('Interlock 1, of'), { target: { value: driveId } });
    expect(kept().supply.interlocks).toMatchObject([{ at: 'lid', acts: 'cut while worked', driveId }]);
    fireEvent.change(screen.getByLabelText('Interlock 1, of'), { target: { value: '' } });
    expect(kept().supply.interlocks?.[0]).not.toHaveProperty('driveId');
    fireEvent.click(screen.getByRole('button', { name: 'Remove interlock 1' }));
    expect(kept().supply.interlocks).toBeUndefined();
  });
});
