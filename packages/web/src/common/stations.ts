/** The stations that exist, in the order builders work; the number is the key that opens each. */
export const STATIONS = [
  {
    key: '1',
    path: 'brief',
    title: 'Brief',
    guidance: 'Say how heavy, how steep, how fast and how long; the margins answer at every keystroke.',
  },
  {
    key: '2',
    path: 'ground',
    title: 'Ground',
    guidance: 'Move the load, steepen the slope: see which wheel carries what, and what gives out first.',
  },
  {
    key: '3',
    path: 'drivetrain',
    title: 'Drivetrain',
    guidance: 'Change tooth counts until the ratio fitted stands inside the window of every job.',
  },
  {
    key: '4',
    path: 'power',
    title: 'Power',
    guidance: 'Choose motor, driver and battery: a job is met where its mark lies under the pull line.',
  },
  {
    key: '5',
    path: 'layout',
    title: 'Layout',
    guidance: 'Place what is heavy or must be reached: weight, room and what comes off first follow.',
  },
  {
    key: '6',
    path: 'assembly',
    title: 'Assembly',
    guidance: 'Mark what is on hand and what is done; dates, late parts and days left for tuning follow.',
  },
  {
    key: '7',
    path: 'test-track',
    title: 'Test track',
    guidance: 'Start it on any grade and see speed, current and pull before anything is built.',
  },
  {
    key: '8',
    path: 'trials',
    title: 'Trials',
    guidance: 'Run it ten times on the floor it will work on, and write down which way and how far.',
  },
  {
    key: '9',
    path: 'logbook',
    title: 'Logbook',
    guidance: 'Changes note themselves; name a snapshot before you try something, and compare after.',
  },
] as const;

export type Station = (typeof STATIONS)[number];
export type StationPath = Station['path'];

export const stationAddress = (buildId: string, path: StationPath): string => `/builds/${buildId}/${path}`;
