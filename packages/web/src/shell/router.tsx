import { lazy, Suspense, useState, type ComponentType } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, matchPath, Navigate, Route, Routes, useLocation } from 'react-router';
import { ErrorPage, NotFoundPage } from './ErrorPage.tsx';
import { Shell } from './Shell.tsx';
import { STATION_PAGES, type LoadPage } from './station-pages.ts';
import { STATIONS, type StationPath } from '../common/stations.ts';

interface Page {
  readonly Page: ComponentType;
  /** Has it at hand, so that it is drawn at once. One that cannot be had is told of where it is shown. */
  readonly fetched: () => Promise<unknown>;
}

/** A page that is fetched when it is first opened; what stood on screen stays until it is there. */
function pageOf(load: LoadPage): Page {
  let loaded: ComponentType | undefined;
  const fetched = async (): Promise<ComponentType> => (loaded ??= (await load()).Component);
  const Later = lazy(async () => ({ default: await fetched() }));
  function Page() {
    const [Shown] = useState(() => loaded ?? Later);
    return <Shown />;
  }
  return { Page, fetched: () => fetched().catch(() => undefined) };
}

const builds = pageOf(async () => ({ Component: (await import('../builds/BuildsPage.tsx')).BuildsPage }));
const start = pageOf(async () => ({ Component: (await import('../start/StartPage.tsx')).StartPage }));
const words = pageOf(async () => ({ Component: (await import('../frame/WordsPage.tsx')).WordsPage }));
const devices = pageOf(async () => ({
  Component: (await import('../devices/DevicesPage.tsx')).DevicesPage,
}));
const groups = pageOf(async () => ({ Component: (await import('../groups/GroupsPage.tsx')).GroupsPage }));
const pair = pageOf(async () => ({ Component: (await import('../devices/PairPage.tsx')).PairPage }));
const bench = pageOf(async () => ({ Component: (await import('./Workbench.tsx')).Workbench }));
const print = pageOf(async () => ({ Component: (await import('../print/PrintPage.tsx')).PrintPage }));
const shelf = pageOf(async () => ({ Component: (await import('../shelf/ShelfPage.tsx')).ShelfPage }));
const measure = pageOf(async () => ({
  Component: (await import('../measure/MeasurePage.tsx')).MeasurePage,
}));
const search = pageOf(async () => ({ Component: (await import('../search/SearchPage.tsx')).SearchPage }));
const chances = pageOf(async () => ({
  Component: (await import('../chances/ChancesPage.tsx')).ChancesPage,
}));
const whatIf = pageOf(async () => ({ Component: (await import('../whatif/WhatIfPage.tsx')).WhatIfPage }));
const guide = pageOf(async () => ({ Component: (await import('../guide/GuidePage.tsx')).GuidePage }));
const out = pageOf(async () => ({ Component: (await import('../out/OutPage.tsx')).OutPage }));
const sums = pageOf(async () => ({ Component: (await import('../sums/SumsPage.tsx')).SumsPage }));
const stations = Object.fromEntries(
  STATIONS.map(({ path }) => [path, pageOf(STATION_PAGES[path])]),
) as Readonly<Record<StationPath, Page>>;

/** Fetches what an address shows, all at once, before anything is drawn. */
export async function fetchPagesOf(pathname: string): Promise<void> {
  const at = matchPath('/builds/:buildId/:place?', pathname)?.params.place;
  const station = STATIONS.find(({ path }) => path === at);
  const pages = station
    ? [bench, stations[station.path]]
    : matchPath('/builds', pathname)
      ? [builds]
      : matchPath('/new', pathname)
        ? [start]
        : matchPath('/sums/:name?', pathname)
          ? [sums]
          : matchPath('/shelf', pathname)
            ? [shelf]
            : matchPath('/shelf/measure', pathname)
              ? [measure]
              : [];
  await Promise.all(pages.map(({ fetched }) => fetched()));
}

/** Every address. A page that fails is told of in its place, until another address is opened. */
function Pages() {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={ErrorPage} resetKeys={[pathname]}>
      <Suspense fallback={null}>
        <Routes>
          <Route element={<Shell />}>
            <Route index element={<Navigate to="/builds" replace />} />
            <Route path="builds" Component={builds.Page} />
            <Route path="new" Component={start.Page} />
            <Route path="words" Component={words.Page} />
            <Route path="guide/:station?" Component={guide.Page} />
            <Route path="devices" Component={devices.Page} />
            <Route path="groups" Component={groups.Page} />
            <Route path="pair" Component={pair.Page} />
            <Route path="builds/:buildId" Component={bench.Page}>
              <Route index element={<Navigate to="brief" replace />} />
              {STATIONS.map(({ path }) => (
                <Route key={path} path={path} Component={stations[path].Page} />
              ))}
              <Route path="search" Component={search.Page} />
              <Route path="chances" Component={chances.Page} />
              <Route path="what-if" Component={whatIf.Page} />
              <Route path="out" Component={out.Page} />
            </Route>
            <Route path="builds/:buildId/print" Component={print.Page} />
            <Route path="shelf" Component={shelf.Page} />
            <Route path="shelf/measure" Component={measure.Page} />
            <Route path="sums/:name?" Component={sums.Page} />
            <Route path="*" Component={NotFoundPage} />
          </Route>
        </Routes>
      </Suspense>
    </ErrorBoundary>
  );
}

export const Router = () => (
  <BrowserRouter>
    <Pages />
  </BrowserRouter>
);
