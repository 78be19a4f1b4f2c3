import { fireEvent, screen } from '@testing-library/react';
import { driveOf } from '@zubric/core/vehicle';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demo } from '../../../testing/demo.ts';
import { kept, onBench, text } from '../../../testing/on-bench.tsx';
import { Wires } from './Wires.tsx';

const choose = (label: string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};
const said = (): number => Number(/([\d.]+) mΩ out and back/.exec(text())?.[1]);
const carries = (): number => Number(/carries ([\d.]+) A in free air/.exec(text())?.[1]);

describe('the wires', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('have the resistance of their copper, out and back, and carry more the thicker they are', () => {
    onBench(<Wires />, demo('puffin'));
    choose('Battery cable, wire', '6 mm²');
    fireEvent.change(screen.getByLabelText('Battery cable, length, one way'), { target: { value: '1 m' } });
    // Copper: 1/58 Ω·mm²/m at 20 °C (IEC 60028), 0.393 % more a kelvin, and a cable under load is between cold and 75 °C.
    const cold = (2 * 1000) / 58 / 6;
    expect(said()).toBeGreaterThan(cold);
    expect(said()).toBeLessThan(cold * (1 + 0.00393 * 55));
    const [ohm, most] = [said(), carries()];
    choose('Battery cable, wire', '25 mm²');
    expect(ohm / said()).toBeCloseTo(25 / 6, 1);
    expect(carries()).toBeGreaterThan(1.5 * most);
  });

  it('are told by their resistance alone where their size is not said', () => {
    onBench(<Wires />, demo('puffin'));
    choose('Battery cable, wire', 'none');
    expect(kept().supply.cable).toBeUndefined();
    fireEvent.change(screen.getByLabelText('Battery cable resistance'), { target: { value: '12 mΩ' } });
    expect(kept().supply.cableResistance.value).toBeCloseTo(0.012, 9);
    expect(said()).toBeCloseTo(12, 6);
  });

  it('lead to each motor of the drive that is looked at', () => {
    onBench(<Wires />, demo('puffin'));
    const { name } = driveOf(demo('puffin'));
    choose(`Leads of each motor, ${name}, wire`, '2.5 mm²');
    expect(driveOf(kept()).leads?.area.value).toBeCloseTo(2.5e-6, 12);
    choose(`Leads of each motor, ${name}, wire`, 'none');
    expect(driveOf(kept()).leads).toBeUndefined();
  });
});
