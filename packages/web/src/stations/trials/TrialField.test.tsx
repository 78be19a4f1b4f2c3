import type { Quantity } from '@zubric/core/quantity';
import { courseOf, newBuild } from '@zubric/core/vehicle';
import type { Field, FieldValue } from '@zubric/core/protocols';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { enter, fieldCalled, onBench, pressButton, text } from '../../testing/on-bench.tsx';
import { TrialField } from './TrialField.tsx';

type Of<K extends Field['kind']> = Extract<Field, { kind: K }>;

/** A field of a trial as it is filled in, and what it has come to hold. */
function filled(
  field: Field,
  first?: FieldValue,
  more: { readonly measured?: boolean; readonly names?: readonly string[] } = {},
): () => FieldValue | undefined {
  let now = first;
  function Filled() {
    const [value, setValue] = useState(first);
    now = value;
    return <TrialField field={field} value={value} onChange={setValue} {...more} />;
  }
  onBench(<Filled />, newBuild('Gull'));
  return () => now;
}

describe('a number of a trial', () => {
  const side: Of<'quantity'> = {
    ...{ kind: 'quantity', key: 'side', title: 'Ended to the side', sides: ['left', 'right'] },
    ...{ dimension: 'length', unit: 'mm', imperialUnit: 'in', range: { least: -5, most: 5 } },
  };

  it('is taken in its own unit where it is bare, names the negative side, and says that it was measured', () => {
    const value = filled(side, undefined, { measured: true });
    enter('Ended to the side, left −', '-60');
    expect(value()).toMatchObject({ value: -0.06, origin: 'measured' });
    enter('Ended to the side, left −', '');
    expect(value()).toBeUndefined();
  });

  it('is not measured where it is set, and is kept within its range', () => {
    const value = filled(side);
    enter('Ended to the side, left −', '2 in');
    expect(value()).toMatchObject({ origin: 'typed' });
    enter('Ended to the side, left −', '50 m');
    expect(fieldCalled('Ended to the side, left −').getAttribute('aria-invalid')).toBe('true');
    expect(value()).toMatchObject({ unit: 'in' });
  });
});

describe('a word of a trial', () => {
  it('is a button where there are few, pressed once it is chosen', () => {
    const value = filled({
      ...{ kind: 'choice', key: 'way', title: 'Way' },
      options: { forward: 'forward', back: 'back' },
    });
    pressButton('back');
    expect(value()).toBe('back');
    expect(screen.getByRole('button', { pressed: true }).textContent).toBe('back');
  });

  it('is a list where there are many or long ones', () => {
    const value = filled({
      ...{ kind: 'choice', key: 'found', title: 'Found' },
      options: { ok: 'as it should be', a: 'slack', b: 'moved', c: 'worn', d: 'hot' },
    });
    fireEvent.change(fieldCalled('Found'), { target: { value: 'c' } });
    expect(value()).toBe('c');
    // Chosen once, it is not taken back to nothing by mistake.
    expect(screen.queryByRole('option', { name: 'Choose' })).toBeNull();
  });
});

describe('a name of a trial', () => {
  const part: Of<'name'> = { kind: 'name', key: 'motor', title: 'Motor' };

  it('is typed where none are known, and nothing where it is blank', () => {
    const value = filled(part);
    enter('Motor', 'M 4');
    expect(value()).toBe('M 4');
    enter('Motor', '  ');
    expect(value()).toBeUndefined();
  });

  it('is chosen among those that are known', () => {
    const value = filled(part, undefined, { names: ['1', '2'] });
    fireEvent.change(fieldCalled('Motor'), { target: { value: '2' } });
    expect(value()).toBe('2');
    expect(screen.queryByRole('option', { name: 'Choose' })).toBeNull();
  });
});

describe('a list of a trial', () => {
  it('has names in a run or with commas between, counted', () => {
    const value = filled({ kind: 'names', key: 'motors', title: 'Motors', help: 'Numbers or names.' });
    fireEvent.change(fieldCalled('Motors'), { target: { value: '1-4, spare' } });
    expect(value()).toEqual(['1', '2', '3', '4', 'spare']);
    expect(text()).toContain('Numbers or names. 5 in all.');
    fireEvent.change(fieldCalled('Motors'), { target: { value: '' } });
    expect(value()).toBeUndefined();
  });

  it('has numbers in their unit; one that cannot be read is told and stays, and what was kept with it', () => {
    const value = filled({
      ...{ kind: 'amounts', key: 'powers', title: 'Powers', help: 'With commas.', dimension: 'share' },
      ...{ unit: '%', range: { least: 0, most: 1 } },
    });
    fireEvent.change(fieldCalled('Powers'), { target: { value: '40, 60 %; 100' } });
    expect((value() as readonly Quantity[]).map((one) => one.value)).toEqual([0.4, 0.6, 1]);
    fireEvent.change(fieldCalled('Powers'), { target: { value: '40, full' } });
    expect(screen.getByRole('alert').textContent).not.toBe('With commas.');
    fireEvent.blur(fieldCalled('Powers'));
    expect((fieldCalled('Powers') as HTMLInputElement).value).toBe('40, full');
    expect(value()).toHaveLength(3);
    fireEvent.change(fieldCalled('Powers'), { target: { value: '' } });
    expect(value()).toBeUndefined();
  });
});

describe('the course of a trial', () => {
  it('is named as it was, with the way to another', () => {
    const square = courseOf([
      { kind: 'go', distanceM: 2 },
      { kind: 'turn', deg: 90, radiusM: 0 },
    ]);
    filled({ kind: 'course', key: 'course', title: 'Course' }, { ...square, name: 'A corner' });
    expect(text()).toContain('A corner, 2 legs, as it was here');
    const another = screen.getByRole('link', { name: 'Another is begun from the Test track' });
    expect(another.getAttribute('href')).toBe('/builds/b/test-track?view=course');
  });
});
