import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Stepper } from './Stepper.tsx';

const taken = vi.fn();

function Harness() {
  const [teeth, setTeeth] = useState(10);
  return (
    <Stepper
      label="Teeth"
      value={teeth}
      least={6}
      most={150}
      onChange={(n) => {
        taken(n);
        setTeeth(n);
      }}
    />
  );
}

const field = (): HTMLInputElement => screen.getByRole('textbox', { name: 'Teeth' });

describe('a stepper', () => {
  afterEach(() => {
    vi.clearAllMocks();
  });

  it('steps by its buttons and by the arrow keys', () => {
    render(<Harness />);
    fireEvent.click(screen.getByRole('button', { name: 'Teeth: one more' }));
    fireEvent.keyDown(field(), { key: 'ArrowUp' });
    fireEvent.keyDown(field(), { key: 'ArrowDown' });
    expect(taken.mock.calls.map(([n]) => n as number)).toEqual([11, 12, 11]);
  });

  it('takes a whole number within its limits, and keeps and tells any other entry', () => {
    render(<Harness />);
    fireEvent.change(field(), { target: { value: '24' } });
    expect(taken).toHaveBeenLastCalledWith(24);
    for (const wrong of ['', '5', '151', '12.5', '-7', 'x']) {
      fireEvent.change(field(), { target: { value: wrong } });
      fireEvent.blur(field());
      expect(field().value).toBe(wrong);
      expect(screen.getByRole('alert').textContent).toContain('from 6 to 150');
    }
    expect(taken).toHaveBeenCalledTimes(1);
  });

  it('stops at its ends', () => {
    render(<Harness />);
    fireEvent.change(field(), { target: { value: '6' } });
    expect(screen.getByRole('button', { name: 'Teeth: one less' }).hasAttribute('disabled')).toBe(true);
    fireEvent.keyDown(field(), { key: 'ArrowDown' });
    expect(taken).toHaveBeenLastCalledWith(6);
  });
});
