import { createBrowserRouter, Navigate } from 'react-router';
import { BuildsPage } from '../builds/BuildsPage.tsx';
import { ErrorPage, NotFoundPage } from './ErrorPage.tsx';
import { Shell } from './Shell.tsx';
import { STATION_PAGES } from './station-pages.ts';
import { STATIONS } from './stations.ts';
import { Workbench } from './Workbench.tsx';

/** Every address. Stations are loaded when they are first opened. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <ErrorPage />,
    children: [
      { index: true, element: <Navigate to="/builds" replace /> },
      { path: 'builds', element: <BuildsPage /> },
      {
        path: 'builds/:buildId',
        element: <Workbench />,
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
