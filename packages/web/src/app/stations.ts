/** The stations that exist, in the order builders work; the number is the key that opens each. */
export const STATIONS = [
  { key: '1', path: 'brief', title: 'Brief' },
  { key: '3', path: 'drivetrain', title: 'Drivetrain' },
  { key: '4', path: 'power', title: 'Power' },
  { key: '7', path: 'test-track', title: 'Test track' },
  { key: '8', path: 'trials', title: 'Trials' },
] as const;

export type StationPath = (typeof STATIONS)[number]['path'];

export const stationAddress = (buildId: string, path: StationPath): string => `/builds/${buildId}/${path}`;
