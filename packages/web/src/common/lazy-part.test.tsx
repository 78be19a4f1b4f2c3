import { act, render, screen } from '@testing-library/react';
import { Suspense } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { lazyPart } from './lazy-part.ts';

describe('a part of a page that is fetched when it is first drawn', () => {
  beforeEach(() => vi.useFakeTimers());

  it('takes nothing else with it where it cannot be had, and comes once it can', async () => {
    let away = true;
    const asked = vi.fn(() =>
      away
        ? Promise.reject(new TypeError('Failed to fetch'))
        : Promise.resolve(({ name }: { readonly name: string }) => <b>{name} is here</b>),
    );
    const Part = lazyPart(asked);
    render(
      <>
        <p>the page</p>
        <Suspense fallback={<i>waiting</i>}>
          <Part name="Gull" />
        </Suspense>
      </>,
    );
    for (let n = 0; n < 3; n++) await act(() => vi.advanceTimersByTimeAsync(2000));
    expect(asked.mock.calls.length).toBeGreaterThan(2);
    expect(document.body.textContent).toBe('the pagewaiting');
    away = false;
    await act(() => vi.advanceTimersByTimeAsync(2000));
    expect(screen.getByText('Gull is here')).toBeTruthy();
    const { length } = asked.mock.calls;
    await act(() => vi.advanceTimersByTimeAsync(10_000));
    expect(asked.mock.calls).toHaveLength(length);
  });
});
