import { freshPathElement, PATH_KINDS, pathFields, type PathElement } from '@zubric/core/transmission';
import { show, typed, type Quantity } from '@zubric/core/quantity';
import { newBuild } from '@zubric/core/vehicle';
import { fireEvent } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { fieldCalled, onBench, pressButton } from '../../testing/on-bench.tsx';
import { PathFields } from './PathFields.tsx';

const fresh = (kind: PathElement['kind']): PathElement =>
  freshPathElement(kind, { id: 'part', after: null, name: 'A part', bore: typed(0.012, 'mm') });
const keysOf = (element: PathElement) => element as unknown as Readonly<Record<string, Quantity | number>>;

/** The sizes of a part of the path as they are edited, and what it has become. */
function edited(first: PathElement): () => PathElement {
  let now = first;
  function Edited() {
    const [element, setElement] = useState(first);
    now = element;
    return <PathFields element={element} onChange={setElement} />;
  }
  onBench(<Edited />, newBuild('Gull'));
  return () => now;
}

describe('a part of the way of the torque', () => {
  it.each(PATH_KINDS)('%s has a field for each of its numbers, which changes that number alone', (kind) => {
    const first = fresh(kind);
    const element = edited(first);
    for (const { key, title, dimension, least = 0, most = Infinity } of pathFields(kind)) {
      const before = element();
      if (dimension === undefined) {
        const more = Number(keysOf(before)[key]) < most;
        pressButton(`${title}: one ${more ? 'more' : 'less'}`);
        expect(Number(keysOf(element())[key]) - Number(keysOf(before)[key])).toBe(more ? 1 : -1);
      } else {
        const field = fieldCalled(title) as HTMLInputElement;
        const old =
          (keysOf(before)[key] as Quantity | undefined)?.value ||
          Math.max(least, dimension === 'stress' ? 1e6 : 0.01);
        // Half as much again; what may be no more than one, half of it.
        const value = old * 1.5 <= most ? old * 1.5 : old / 2;
        fireEvent.change(field, { target: { value: show(value, dimension, 'metric').text } });
        fireEvent.blur(field);
        const now = keysOf(element())[key] as Quantity;
        expect(now.origin, title).toBe('typed');
        expect(now.value, title).not.toBe(old);
      }
      expect({ ...element(), [key]: 0 }).toEqual({ ...before, [key]: 0 });
    }
    expect(element().kind).toBe(kind);
  });

  it('with set screws is of their size', () => {
    const element = edited(fresh('set-screws'));
    fireEvent.change(fieldCalled('Screw size'), { target: { value: 'M4' } });
    expect(element()).toMatchObject({ kind: 'set-screws', size: 'M4' });
  });

  it('loses what may be left away, and keeps what it must have', () => {
    const [kind, field] = PATH_KINDS.flatMap((one) =>
      pathFields(one).flatMap((each) => (each.optional ? [[one, each] as const] : [])),
    )[0] ?? ['shaft', undefined];
    if (!field) throw new Error('some part has a size that may be left away');
    const element = edited(fresh(kind));
    fireEvent.change(fieldCalled(field.title), { target: { value: '' } });
    expect(element()).not.toHaveProperty(field.key);
    const must = pathFields(kind).find(({ optional, dimension }) => !optional && dimension !== undefined);
    if (!must) return;
    const before = element();
    fireEvent.change(fieldCalled(must.title), { target: { value: '' } });
    expect(element()).toEqual(before);
  });
});
