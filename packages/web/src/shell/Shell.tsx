import { Outlet } from 'react-router';
import { ThemeProvider } from '../common/theme.tsx';
import { useFocusKept } from './use-focus-kept.ts';
import { useTopOfPage } from './use-top-of-page.ts';
import { UnitsProvider } from '../common/units.tsx';

/** What every page stands in. */
export function Shell() {
  useFocusKept();
  useTopOfPage();
  return (
    <ThemeProvider>
      <UnitsProvider>
        <a href="#main" className="absolute -top-20 left-2 z-50 bg-bar px-3 py-2 text-bar-ink focus:top-2">
          To the page itself
        </a>
        <Outlet />
      </UnitsProvider>
    </ThemeProvider>
  );
}
