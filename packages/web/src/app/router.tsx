import { createBrowserRouter, Navigate } from 'react-router';
import { ErrorPage, NotFoundPage } from './ErrorPage.tsx';
import { Shell } from './Shell.tsx';
import { STATION_PAGES } from './station-pages.ts';
import { STATIONS } from './stations.ts';

/** Every address. Stations are loaded when they are first opened. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <ErrorPage />,
    children: [
      { index: true, element: <Navigate to="/builds" replace /> },
      {
        path: 'builds',
        lazy: async () => ({ Component: (await import('../builds/BuildsPage.tsx')).BuildsPage }),
      },
      {
        path: 'builds/:buildId',
        lazy: async () => ({ Component: (await import('./Workbench.tsx')).Workbench }),
        children: [
          { index: true, element: <Navigate to="brief" replace /> },
          ...STATIONS.map(({ path }) => ({ path, lazy: STATION_PAGES[path] })),
        ],
      },
      {
        path: 'builds/:buildId/print',
        lazy: async () => ({ Component: (await import('../print/PrintPage.tsx')).PrintPage }),
      },
      {
        path: 'sums/:name?',
        lazy: async () => ({ Component: (await import('../sums/SumsPage.tsx')).SumsPage }),
      },
      { path: '*', element: <NotFoundPage /> },
    ],
  },
]);
