import { assertNever } from '../contract/index.ts';
import type { Build } from '../vehicle/index.ts';
import { drivelineOf } from '../drive/index.ts';
import type { RatioSpan } from '../capability/index.ts';
import type { Report } from '../judge/index.ts';
import { forceWorking, massWorking } from './demand.ts';
import { gripWorking } from './grip.ts';
import { attainableWorking, currentWorking, motorWorking, wheelWorking, windowWorking } from './drive.ts';
import { drawWorking, energyNeeded, runTimeWorking } from './supply.ts';
import type { Working } from './working.ts';

/** The numbers of a duty that can be opened. */
export const OPENED = [
  'mass',
  'force',
  'grip',
  'wheel-torque',
  'motor-torque',
  'motor-current',
  'battery-current',
  'battery-voltage',
  'attainable-speed',
] as const;
export type Opened = (typeof OPENED)[number];

/** The numbers of the whole outing that can be opened. */
export type OpenedOfOuting = 'energy' | 'run-time';

/**
 * The working of one number of a duty, by the calculators that the report itself was made with. Undefined where the
 * build has no such number: no such duty, no motor yet.
 *
 * @throws NotPhysical where the duty is past what its parts can do, with the sentence that says so.
 * @example workingOf(puffin, 'force', duty.id)?.calculator // 'road-load'
 */
export function workingOf(build: Build, opened: Opened, dutyId: string): Working | undefined {
  const duty = build.duties.find((d) => d.id === dutyId);
  if (!duty) return undefined;
  if (opened === 'mass') return massWorking(build, duty);
  if (opened === 'force') return forceWorking(build, duty);
  if (opened === 'grip') return gripWorking(build, duty);
  const line = drivelineOf(build);
  if (!line) return undefined;
  switch (opened) {
    case 'wheel-torque':
      return wheelWorking(build, duty, line);
    case 'motor-torque':
      return motorWorking(build, duty, line);
    case 'motor-current':
      return currentWorking(build, duty, line);
    case 'battery-current':
      return drawWorking(build, duty, line, 'batteryA');
    case 'battery-voltage':
      return drawWorking(build, duty, line, 'batteryV');
    case 'attainable-speed':
      return attainableWorking(build, duty, line);
    default:
      return assertNever(opened);
  }
}

/**
 * The same for a number of the outing as a whole.
 *
 * @example workingOfOuting(puffin, 'run-time')?.calculator // 'run-time'
 */
export function workingOfOuting(build: Build, opened: OpenedOfOuting): Working | undefined {
  const line = drivelineOf(build);
  if (!line) return undefined;
  return opened === 'energy' ? energyNeeded(build, line) : runTimeWorking(build, line);
}

/**
 * The working of one end of the ratios that suit every duty: that of the duty which sets it.
 *
 * @example workingOfWindow(puffin, report, 'low')?.calculator // 'ratio-window'
 */
export function workingOfWindow(
  build: Build,
  { duties, ratioWindow }: Report,
  end: keyof RatioSpan,
): Working | undefined {
  const line = drivelineOf(build);
  const setting = duties.find((d) => d.ratioWindow?.just?.[end] === ratioWindow?.[end]);
  const duty = build.duties.find(({ id }) => id === setting?.id);
  return line && duty && ratioWindow ? windowWorking(build, duty, line, ratioWindow[end]) : undefined;
}
