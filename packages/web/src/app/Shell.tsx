import { Outlet } from 'react-router';
import { UnitsProvider } from './units.tsx';

/** What every page stands in. */
export function Shell() {
  return (
    <UnitsProvider>
      <a href="#main" className="absolute -top-20 left-2 z-50 bg-ink px-3 py-2 text-sheet focus:top-2">
        To the page itself
      </a>
      <Outlet />
    </UnitsProvider>
  );
}
