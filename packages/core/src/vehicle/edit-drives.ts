import { assertNever } from '../contract/index.ts';
import { assumed } from '../quantity/index.ts';
import { freshStage } from '../transmission/index.ts';
import type { Build } from './document.ts';
import type { Drive } from './drive.ts';
import { freeId, newDrive } from './new-build.ts';
import { scaleOf, usual } from './scale.ts';
import type { Work } from './work.ts';

/** Drives that can be added, in the order in which they are offered. */
export const DRIVE_KINDS = {
  'more-wheels': 'Another drive for the wheels',
  steering: 'A drive that steers',
  lift: 'A lift or winch on a spool',
  turning: 'A brush, tiller or blade',
  drawing: 'Something known by its watts alone',
} as const;
export type DriveKind = keyof typeof DRIVE_KINDS;

const NAMES: Readonly<Record<DriveKind, string>> = {
  'more-wheels': 'More wheels',
  steering: 'Steering',
  lift: 'Lift',
  turning: 'Brush',
  drawing: 'Pump',
};

/**
 * A work to begin with, every figure assumed.
 *
 * @example freshWork(puffin, 'lift').kind // 'lift'
 */
export const freshWork = (build: Build, kind: Work['kind']): Work => {
  const scale = scaleOf(build);
  const common = { share: assumed(0.5, '%'), whileDriving: true };
  switch (kind) {
    case 'lift':
      return {
        kind,
        load: assumed(usual.liftKg(scale), 'kg'),
        height: assumed(usual.liftM(scale), 'm'),
        within: assumed(10, 's'),
        timesAnHour: assumed(6, ''),
      };
    case 'turns':
      return {
        kind,
        torque: assumed(usual.workNm(scale), 'N·m'),
        speed: assumed((usual.workRpm(scale) * Math.PI) / 30, 'rpm'),
        ...common,
      };
    case 'draws':
      return { kind, power: assumed(usual.workW(scale), 'W'), ...common };
    default:
      return assertNever(kind);
  }
};

/** Turns of the motor for one of the drum or the brush, where nothing is known yet. */
const USUAL_REDUCTION = 20;

function drivenBy(build: Build, kind: DriveKind, id: string): Drive {
  const bare = (does: Drive['does']): Drive => ({
    ...newDrive(id, NAMES[kind], 'propels'),
    does,
    together: does === 'propels' ? 'wheel' : 'all',
  });
  switch (kind) {
    case 'more-wheels':
      return bare('propels');
    case 'steering':
      return { ...bare('steers'), steersWithin: assumed(1, 's') };
    case 'lift':
      return {
        ...bare('works'),
        work: freshWork(build, 'lift'),
        stages: [freshStage('gearhead', 'stage-1', USUAL_REDUCTION), freshStage('spool', 'stage-2', 1)],
      };
    case 'turning':
      return { ...bare('works'), work: freshWork(build, 'turns') };
    case 'drawing':
      return { ...bare('works'), work: freshWork(build, 'draws') };
    default:
      return assertNever(kind);
  }
}

/**
 * The build with a drive more, of which nothing is chosen yet, and that drive's id.
 *
 * @example addDrive(puffin, 'lift').build.drives.at(-1)?.name // 'Lift'
 */
export function addDrive(build: Build, kind: DriveKind): { readonly build: Build; readonly driveId: string } {
  const driveId = freeId('drive', build.drives);
  const drive = drivenBy(build, kind, driveId);
  const together = build.drives[0]?.together ?? drive.together;
  const added: Drive = kind === 'more-wheels' ? { ...drive, together } : drive;
  return { build: { ...build, drives: [...build.drives, added] }, driveId };
}
