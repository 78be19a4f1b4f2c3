import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { CountInput } from './CountInput.tsx';

const counts: number[] = [];

function Counted() {
  const [count, setCount] = useState(1);
  return (
    <CountInput
      label="Packs"
      value={count}
      most={20}
      onChange={(next) => {
        counts.push(next);
        setCount(next);
      }}
    />
  );
}

describe('a count', () => {
  afterEach(() => {
    counts.length = 0;
  });

  it('can be emptied to type another, takes none that is out of bounds, and shows what holds once it is left', () => {
    render(<Counted />);
    const field = screen.getByLabelText<HTMLInputElement>('Packs');
    const type = (value: string): void => {
      fireEvent.change(field, { target: { value } });
    };
    type('');
    expect([field.value, counts]).toEqual(['', []]);
    type('3');
    type('30');
    type('2.5');
    expect(counts).toEqual([3]);
    fireEvent.blur(field);
    expect(field.value).toBe('3');
  });
});
