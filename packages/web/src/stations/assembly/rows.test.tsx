/** Lines of the parts list, helpers and printers: each field by itself. */
import { addHelper, addOwnLine, partsList } from '@zubric/core/assembly';
import type { Build } from '@zubric/core/vehicle';
import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useBuild } from '../../session/BuildSession.tsx';
import { demo } from '../../testing/demo.ts';
import { enter, fieldCalled, kept, onBench, pressButton, text } from '../../testing/on-bench.tsx';
import { PartRow } from './PartRow.tsx';
import { People } from './People.tsx';

const puffin = demo('puffin');

/** The line of a name, as the build has it now. */
function Row({ id, overdue = false }: { readonly id: string; readonly overdue?: boolean }) {
  const line = partsList(useBuild().build).find((one) => one.id === id);
  return line ? <PartRow line={line} overdue={overdue} /> : null;
}

describe('a line of one’s own', () => {
  const own = addOwnLine(puffin, 'Roller blinds');
  const id = own.assembly.own.at(-1)?.id ?? '';
  const line = () => kept().assembly.own.find((one) => one.id === id);

  it('is called, counted, priced, weighed, said where to buy, and taken out', () => {
    onBench(<Row id={id} />, own);
    pressButton(/^name, cost and mass/);
    enter('Name', 'Rain cover');
    pressButton('Count of Rain cover: one more');
    enter('Cost each', '12.5');
    enter('Mass each', '8 oz');
    enter('Where to buy it', ' at the market ');
    expect(line()).toMatchObject({ name: 'Rain cover', count: 2, costEach: 12.5, supplier: 'at the market' });
    expect(line()?.massEach?.value).toBeCloseTo(0.2268, 4);
    expect(text()).toContain('12.5 each');
    enter('Cost each', '');
    enter('Where to buy it', ' ');
    expect(line()).not.toHaveProperty('costEach');
    expect(line()?.supplier).toBeUndefined();
    pressButton('Remove');
    expect(line()).toBeUndefined();
  });

  it('is wished for, ordered with a day it arrives on, and on hand', () => {
    onBench(<Row id={id} overdue />, own);
    expect(text()).toContain('overdue');
    const state = (value: string): void => {
      fireEvent.change(fieldCalled('State of Roller blinds'), { target: { value } });
    };
    state('ordered');
    fireEvent.change(fieldCalled('Roller blinds arrives on'), { target: { value: '2027-01-15' } });
    expect(line()).toMatchObject({ state: 'ordered', arrivesOn: '2027-01-15' });
    state('on-hand');
    expect(line()?.state).toBe('on-hand');
    expect(screen.queryByLabelText('Roller blinds arrives on')).toBeNull();
  });
});

describe('a line of the build', () => {
  it('has its cost and mass said for this build, and keeps its name', () => {
    const [motor] = partsList(puffin).filter(({ name }) => /motor/.test(name));
    if (!motor) throw new Error('it has a motor');
    onBench(<Row id={motor.id} />, puffin);
    pressButton(/^cost and mass/);
    expect(screen.queryByLabelText('Name')).toBeNull();
    enter('Cost each', '99');
    enter('Mass each', '4 kg');
    const [now] = partsList(kept()).filter(({ id }) => id === motor.id);
    expect(now).toMatchObject({ name: motor.name, costEach: 99, massEachKg: 4 });
  });

  it('that is not chosen yet leads to where it is', () => {
    const { motorId: _none, ...drive } = puffin.drives[0] ?? { motorId: null };
    const bare = { ...puffin, drives: [{ ...drive, motorId: null }] } as Build;
    const missing = partsList(bare).find((line) => line.missing !== undefined);
    if (!missing) throw new Error('a motor is missing');
    onBench(<Row id={missing.id} />, bare);
    expect(screen.getByRole('link').getAttribute('href')).toMatch(/^\/builds\/b\/power\?kind=/);
  });
});

describe('who builds', () => {
  const helped = addHelper(puffin, 'Anna');

  it('is called otherwise, works other hours and days, one day at least', () => {
    onBench(<People />, helped);
    enter('Anna, time a working day', '3 h');
    enter('Helper', 'Berta');
    const helper = () => kept().assembly.helpers?.[0];
    expect(helper()).toMatchObject({ name: 'Berta', hoursADay: { value: 3 * 3600 } });
    for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'])
      if (screen.getByRole('button', { name: day }).getAttribute('aria-pressed') === 'true') pressButton(day);
    expect(helper()?.workDays).toHaveLength(1);
  });

  it('has so many printers where something is printed, and is not asked where nothing is', () => {
    onBench(<People />, helped);
    const printed = puffin.arrangement?.parts.some((part) => part.printed) === true;
    expect(screen.queryByLabelText('Printers') !== null).toBe(printed);
  });

  it('counts printers', () => {
    const { arrangement } = puffin;
    if (!arrangement) throw new Error('Puffin is laid out');
    const [first, ...parts] = arrangement.parts;
    if (!first) throw new Error('Puffin has parts in their place');
    onBench(<People />, {
      ...puffin,
      arrangement: { ...arrangement, parts: [{ ...first, printed: true }, ...parts] },
    });
    pressButton('Printers: one more');
    expect(kept().assembly.printers).toBe(2);
  });
});
