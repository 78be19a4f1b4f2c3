import { readFileSync } from 'node:fs';
import { fireEvent, screen, within } from '@testing-library/react';
import { buildSchema } from '@zubric/core/vehicle';
import { describe, expect, it } from 'vitest';
import { kept, onBench } from '../testing/on-bench.tsx';
import { DriveBar } from './DriveBar.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
const type = (label: string, text: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
};

describe('drives', () => {
  it('of a build with one are not asked which; another is added, described in its own terms, and removed', () => {
    onBench(<DriveBar />, puffin);
    expect(screen.queryByRole('group', { name: 'Drive that is looked at' })).toBeNull();
    press('Add a drive');
    press('A lift or winch on a spool');
    expect(kept().drives.map(({ does }) => does)).toEqual(['propels', 'works']);
    type('Load lifted', '12 kg');
    type('Height', '80 cm');
    expect(kept().drives[1]?.work).toMatchObject({
      kind: 'lift',
      load: { value: 12, unit: 'kg' },
      height: { value: 0.8, unit: 'cm' },
    });
    fireEvent.change(screen.getByLabelText('It'), { target: { value: 'turns' } });
    type('Torque it takes', '3 N·m');
    fireEvent.click(screen.getByLabelText('Runs while it drives'));
    expect(kept().drives[1]?.work).toMatchObject({
      kind: 'turns',
      torque: { value: 3 },
      whileDriving: false,
    });
    press('Remove this drive');
    expect(kept().drives).toHaveLength(1);
  });

  it('are looked at one at a time: what is changed is changed in that one', () => {
    onBench(<DriveBar />, puffin);
    press('Add a drive');
    press('A drive that steers');
    type('From lock to lock within', '0.5 s');
    const bar = screen.getByRole('group', { name: 'Drive that is looked at' });
    fireEvent.click(within(bar).getByRole('button', { name: /moves it/ }));
    type('Name of the drive', 'Front wheels');
    const [first, second] = kept().drives;
    expect([first?.name, second?.name]).toEqual(['Front wheels', 'Steering']);
    expect(second?.steersWithin?.value).toBe(0.5);
    // The only one that moves the vehicle stays.
    expect(screen.queryByRole('button', { name: 'Remove this drive' })).toBeNull();
  });

  it('serve the axles that they are told to, one at least', () => {
    const [castors, driven] = puffin.layout.axles;
    if (!castors || !driven) throw new Error('it stands on two axles');
    const all = {
      ...puffin,
      layout: { ...puffin.layout, axles: [{ ...castors, driven: true }, driven] },
    };
    onBench(<DriveBar />, all);
    press('Add a drive');
    press('Another drive for the wheels');
    fireEvent.click(screen.getByLabelText('Castors'));
    expect(kept().drives[1]?.axleIds).toEqual([driven.id]);
    fireEvent.click(screen.getByLabelText('Driven wheels'));
    expect(kept().drives[1]?.axleIds).toEqual([driven.id]);
    fireEvent.click(screen.getByLabelText('Castors'));
    expect(kept().drives[1]?.axleIds).toBeUndefined();
  });
});
