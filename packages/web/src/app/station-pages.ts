import type { ComponentType } from 'react';
import type { StationPath } from './stations.ts';

/** The page of each station, loaded when it is first wanted. */
export const STATION_PAGES: Readonly<Record<StationPath, () => Promise<{ Component: ComponentType }>>> = {
  brief: async () => ({ Component: (await import('../stations/brief/Brief.tsx')).Brief }),
  ground: async () => ({ Component: (await import('../stations/ground/Ground.tsx')).Ground }),
  drivetrain: async () => ({ Component: (await import('../stations/drivetrain/Drivetrain.tsx')).Drivetrain }),
  power: async () => ({ Component: (await import('../stations/power/Power.tsx')).Power }),
  assembly: async () => ({ Component: (await import('../stations/assembly/Assembly.tsx')).Assembly }),
  'test-track': async () => ({ Component: (await import('../stations/test-track/TestTrack.tsx')).TestTrack }),
  trials: async () => ({ Component: (await import('../stations/trials/Trials.tsx')).Trials }),
  logbook: async () => ({ Component: (await import('../stations/logbook/Logbook.tsx')).Logbook }),
};

/** The first answer comes first: what is fetched ahead waits this long, ms. */
const AHEAD_AFTER_MS = 1200;

/** Fetches the other stations, and what opens a number, once the first stands, so that all open at once and without the server. */
export function fetchStationsAhead(): () => void {
  const timer = setTimeout(() => {
    for (const load of [
      ...Object.values(STATION_PAGES),
      () => import('../working/WorkingPanel.tsx'),
      () => import('../working/works.ts'),
    ])
      // One that cannot be had now is fetched when it is opened.
      void load().catch(() => undefined);
  }, AHEAD_AFTER_MS);
  return () => clearTimeout(timer);
}
