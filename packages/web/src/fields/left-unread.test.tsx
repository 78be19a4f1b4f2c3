import { newBuild } from '@zubric/core/vehicle';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useBuild, useUnread } from '../session/BuildSession.tsx';
import { kept, onBench } from '../testing/on-bench.tsx';
import { SchemaField } from './SchemaField.tsx';

/** A station that can be left and opened again. */
function Station() {
  const { build, edit } = useBuild();
  const { unread } = useUnread();
  const [open, setOpen] = useState(true);
  return (
    <>
      <button type="button" onClick={() => setOpen(!open)}>
        Go
      </button>
      <output data-testid="unread">{[...unread].flat().join('=')}</output>
      {open && (
        <SchemaField
          part="mass"
          field="mass"
          label="Mass, itself"
          value={build.masses.own.mass}
          onChange={(mass) =>
            edit((b) => ({ ...b, masses: { ...b.masses, own: { ...b.masses.own, mass } } }))
          }
        />
      )}
    </>
  );
}

const field = (): HTMLInputElement => screen.getByLabelText('Mass, itself');
const go = (): void => {
  fireEvent.click(screen.getByRole('button', { name: 'Go' }));
};
const unread = (): string => screen.getByTestId('unread').textContent;

describe('an entry that cannot be read', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('is there again when its station is left and opened, until it is read or let go', () => {
    onBench(<Station />, newBuild('Gull'));
    fireEvent.change(field(), { target: { value: '12 stoneweight' } });
    go();
    expect(screen.queryByLabelText('Mass, itself')).toBeNull();
    expect(unread()).toBe('Mass, itself=12 stoneweight');
    go();
    expect(field().value).toBe('12 stoneweight');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(kept().masses.own.mass.value).toBe(30);
    fireEvent.change(field(), { target: { value: '12 st' } });
    expect(unread()).toBe('');
    expect(kept().masses.own.mass.value).toBeCloseTo(76.2, 1);
    fireEvent.change(field(), { target: { value: 'much' } });
    fireEvent.keyDown(field(), { key: 'Escape' });
    go();
    go();
    expect(field().value).toBe('76.2 kg');
  });
});
