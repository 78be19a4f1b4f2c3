import { fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { TextField } from './TextField.tsx';

const sent = vi.fn((event: { preventDefault: () => void }) => event.preventDefault());
const names: string[] = [];

const show = (): HTMLTextAreaElement => {
  render(
    <form onSubmit={sent}>
      <TextField label="Name" value="Gull" required="Give it a name." onChange={(name) => names.push(name)} />
    </form>,
  );
  return screen.getByLabelText('Name');
};

describe('a line of text', () => {
  afterEach(() => {
    sent.mockClear();
    names.length = 0;
  });

  it('sends its form by Enter, but not by one that ends a composed character', () => {
    const field = show();
    fireEvent.keyDown(field, { key: 'Enter', isComposing: true });
    expect(sent).not.toHaveBeenCalled();
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(sent).toHaveBeenCalledTimes(1);
  });

  it('stays one line where several are pasted, and hands on no empty name', () => {
    const field = show();
    fireEvent.change(field, { target: { value: 'Black\n  headed\ngull' } });
    expect(names).toEqual(['Black headed gull']);
    fireEvent.change(field, { target: { value: '  ' } });
    expect(screen.getByRole('alert').textContent).toBe('Give it a name.');
    expect(names).toHaveLength(1);
    fireEvent.blur(field);
    expect(field.value).toBe('Gull');
  });
});
