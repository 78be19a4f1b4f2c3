import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { vi } from 'vitest';
import { ThemeProvider } from '../common/theme.tsx';
import { UnitsProvider } from '../common/units.tsx';

function Where() {
  const { pathname, search } = useLocation();
  return <output data-testid="where">{pathname + search}</output>;
}

/** The test browser lays nothing out: whoever watches sizes, or what is in sight, is told of nothing. */
export const withoutSizes = (): void => {
  class Blind {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
  vi.stubGlobal('ResizeObserver', Blind);
  vi.stubGlobal('IntersectionObserver', Blind);
};

/** The test browser has neither themes nor sizes. */
export const plainBrowser = (): void => {
  vi.stubGlobal('matchMedia', () => ({ matches: false, addEventListener() {}, removeEventListener() {} }));
  withoutSizes();
};

/** A whole page at an address, as its path of the router takes it. */
export function onPage(page: ReactNode, address: string, path = '*'): void {
  plainBrowser();
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter initialEntries={[address]}>
        <ThemeProvider>
          <UnitsProvider>
            <Routes>
              <Route path={path} element={page} />
              <Route path="*" element={null} />
            </Routes>
            <Where />
          </UnitsProvider>
        </ThemeProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

/** The address that the page has come to. */
export const where = (): string => screen.getByTestId('where').textContent ?? '';
