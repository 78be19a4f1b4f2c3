import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import { useFocusKept } from './use-focus-kept.ts';

function Page() {
  useFocusKept();
  const [rows, setRows] = useState(['one', 'two']);
  const [busy, setBusy] = useState(false);
  return (
    <main>
      <section aria-label="Rows">
        <ul>
          {rows.map((row) => (
            <li key={row}>
              <button type="button" onClick={() => setRows(rows.filter((r) => r !== row))}>
                Remove {row}
              </button>
            </li>
          ))}
        </ul>
      </section>
      <button type="button" disabled={busy} onClick={() => setBusy(true)}>
        Record
      </button>
      <button type="button" onClick={() => setBusy(false)}>
        Recorded
      </button>
    </main>
  );
}

describe('the focus', () => {
  it('stays in the part of the page from which what had it was removed', async () => {
    render(<Page />, { wrapper: MemoryRouter });
    const remove = screen.getByRole('button', { name: 'Remove two' });
    remove.focus();
    fireEvent.click(remove);
    await waitFor(() => expect(document.activeElement).toBe(screen.getByRole('region', { name: 'Rows' })));
  });

  it('is let go where nothing was pressed', async () => {
    render(<Page />, { wrapper: MemoryRouter });
    const remove = screen.getByRole('button', { name: 'Remove one' });
    remove.focus();
    fireEvent.pointerDown(document.body);
    fireEvent.click(remove);
    await Promise.resolve();
    expect(document.activeElement).toBe(document.body);
  });
});
