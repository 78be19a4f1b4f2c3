import { buildSchema, type Build } from '@zubric/core/vehicle';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { UnitsProvider } from '../common/units.tsx';
import { BuildSession, useBuild } from '../session/BuildSession.tsx';

/** What the edits came to, for a test to read. */
function Kept() {
  return <output data-testid="kept">{JSON.stringify(useBuild().whole)}</output>;
}

/** A station with a build on the bench, and what becomes of the build. */
export function onBench(station: ReactNode, document: Build): void {
  const stored = { id: 'b', version: 1, updatedAt: '2026-11-25T00:00:00Z', document };
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter>
        <UnitsProvider>
          <BuildSession stored={stored}>
            {station}
            <Kept />
          </BuildSession>
        </UnitsProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

/** Waits until what is fetched and drawn after the first answer stands there too. */
export const settled = (): Promise<void> =>
  waitFor(() => {
    if (document.querySelector('[aria-busy="true"]')) throw new Error('Something is still being opened.');
  });

/** The build as it is now; it must still be whole. */
export const kept = (): Build => buildSchema.parse(JSON.parse(screen.getByTestId('kept').textContent ?? ''));

/** All that is on the page, with ordinary spaces, what is kept for the test left out. */
export const text = (): string => {
  const all = document.body.textContent ?? '';
  return all.replace(screen.queryByTestId('kept')?.textContent ?? '', '').replaceAll('\u00a0', ' ');
};

/**
 * The one field under a label of these words: as the library finds it, but without asking every element for its labels,
 * which takes seconds on a page of many fields.
 */
export function fieldCalled(label: string | RegExp): HTMLElement {
  const isIt = (text: string): boolean => (typeof label === 'string' ? text === label : label.test(text));
  const labels = [...document.querySelectorAll('label')].filter(({ textContent }) => isIt(textContent));
  const fields = labels.map(({ htmlFor }) => document.getElementById(htmlFor));
  const [field] = fields;
  if (!field || fields.length > 1) throw new Error(`${fields.length} fields are called “${String(label)}”`);
  return field;
}

/**
 * Presses the one button of these words, shown or told: as the library finds it, but without working out of every element
 * what it is, which takes most of a second on a page of many fields.
 */
export function pressButton(name: string | RegExp): void {
  const named = [...document.querySelectorAll('button')].filter((button) => {
    const words = (button.getAttribute('aria-label') ?? button.textContent).trim();
    return typeof name === 'string' ? words === name : name.test(words);
  });
  const [button] = named;
  if (!button || named.length > 1) throw new Error(`${named.length} buttons are called “${String(name)}”`);
  fireEvent.click(button);
}

/** Types into the one field of these words, and leaves it. */
export function enter(label: string | RegExp, value: string): void {
  const field = fieldCalled(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
}
