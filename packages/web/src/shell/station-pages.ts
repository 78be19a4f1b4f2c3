import type { ComponentType } from 'react';
import { fetchAhead } from '../common/fetch-ahead.ts';
import type { StationPath } from '../common/stations.ts';

export type LoadPage = () => Promise<{ readonly Component: ComponentType }>;

/** The page of each station, loaded when it is first wanted. */
export const STATION_PAGES: Readonly<Record<StationPath, LoadPage>> = {
  brief: async () => ({ Component: (await import('../stations/brief/Brief.tsx')).Brief }),
  ground: async () => ({ Component: (await import('../stations/ground/Ground.tsx')).Ground }),
  drivetrain: async () => ({ Component: (await import('../stations/drivetrain/Drivetrain.tsx')).Drivetrain }),
  power: async () => ({ Component: (await import('../stations/power/Power.tsx')).Power }),
  layout: async () => ({ Component: (await import('../stations/layout/LayoutStation.tsx')).LayoutStation }),
  assembly: async () => ({ Component: (await import('../stations/assembly/Assembly.tsx')).Assembly }),
  'test-track': async () => ({ Component: (await import('../stations/test-track/TestTrack.tsx')).TestTrack }),
  trials: async () => ({ Component: (await import('../stations/trials/Trials.tsx')).Trials }),
  logbook: async () => ({ Component: (await import('../stations/logbook/Logbook.tsx')).Logbook }),
};

/** What is fetched once the first station stands: the others, what opens a number and what settles differences. */
export const AHEAD: readonly (() => Promise<unknown>)[] = [
  ...Object.values(STATION_PAGES),
  () => import('../search/SearchPage.tsx'),
  () => import('../chances/ChancesPage.tsx'),
  () => import('../whatif/WhatIfPage.tsx'),
  () => import('../working/WorkingPanel.tsx'),
  () => import('../working/works.ts'),
  () => import('../common/Panel.tsx'),
  () => import('./Unsettled.tsx'),
  () => import('./removed-between.ts'),
  () => import('../stations/brief/DutyDetail.tsx'),
  () => import('../strip/SlimStrip.tsx'),
  () => import('../strip/Unread.tsx'),
  () => import('../strip/change-between.ts'),
  () => import('../common/TermPanel.tsx'),
];

export const fetchStationsAhead = (): (() => void) => fetchAhead(AHEAD);
