import { onAxleRadius, wheelTorqueInput } from '../capability/index.ts';
import { brakeOf } from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import { wheelTorque } from '../ground/index.ts';
import type { LinkId, LinkReport } from '../judge/index.ts';
import { rollingDiameter, type Build, driveOf } from '../vehicle/index.ts';
import { stopWorking } from './ground.ts';
import { mountHas, mountNeeds, pathHas, pathNeeds } from './path.ts';
import {
  sourceOf,
  stageHas,
  stageNeeds,
  stageStands,
  stallSource,
  torqueThere,
  type TorqueSource,
} from './stage.ts';
import { calculated, fixed, isStated, readFor, worked, type Stated, type Working } from './working.ts';

interface DriveMargin {
  readonly build: Build;
  readonly link: LinkReport;
  readonly line: Driveline | undefined;
}

interface OpenedDriveMargin extends DriveMargin {
  readonly line: Driveline;
  /** What works on the drive where this link was found. */
  readonly source: TorqueSource;
}

interface DriveMarginSides {
  readonly needs: (asked: OpenedDriveMargin) => Working | undefined;
  readonly has: (asked: OpenedDriveMargin) => Working | undefined;
}

/** What a belt or roller holds: the same sum, read for its other side. */
const slipHas = ({ line, source, link }: OpenedDriveMargin): Working | undefined => {
  const needs = stageNeeds(line, source, link.stageId ?? '');
  if (!needs || isStated(needs) || !('transmissiblePullN' in needs.found)) return undefined;
  return needs.found.transmissiblePullN === link.has
    ? readFor(needs, 'transmissiblePullN')
    : {
        value: link.has,
        dimension: 'force',
        origin: 'fixed',
        where: 'the most that a V-belt of its section stands',
      };
};

const stageSides: DriveMarginSides = {
  needs: ({ line, source, link }) => stageNeeds(line, source, link.stageId ?? ''),
  has: (asked) => stageHas(asked.build, asked.link.stageId ?? '') ?? slipHas(asked),
};

const atStage = (momentary: boolean): DriveMarginSides => ({
  needs: ({ line, source, link }) =>
    torqueThere(line, source, { stageId: link.stageId ?? '', side: 'before' }),
  has: ({ line, source, link }) => stageStands(line, source, link.stageId ?? '', { momentary }),
});

const pathSides = (stalled: boolean): DriveMarginSides => ({
  needs: ({ build, line, source, link }) => pathNeeds(build, line, source, link.elementId),
  has: ({ build, line, source, link }) =>
    pathHas(build, line, source, { elementId: link.elementId, stalled }),
});

const length = (value: number, where: string): Stated => ({
  value,
  dimension: 'length',
  origin: 'worked',
  where,
});

const axleHeight: DriveMarginSides = {
  needs: ({ link }) =>
    length(link.needs, 'the highest step of a job, or a tenth of the wheel’s radius (common practice)'),
  has: ({ build }) =>
    length(
      rollingDiameter(build).value / 2 - (onAxleRadius(build)?.radiusM ?? 0),
      'half the wheel’s diameter less half the outside diameter of what turns on its axle',
    ),
};

const axleRoom: DriveMarginSides = {
  needs: ({ build }) =>
    length(onAxleRadius(build)?.radiusM ?? 0, 'half the outside diameter of what turns on the axle'),
  has: ({ build }) => {
    const { room } = driveOf(build);
    return (
      room && {
        value: room.value,
        dimension: 'length',
        origin: room.origin,
        where: 'Drivetrain, the room round the axle',
      }
    );
  },
};

/** How both sides of each link between motor and wheel come about. */
const DRIVE_SIDES = {
  'chain-pull': stageSides,
  'gearhead-torque': stageSides,
  'tooth-stress': stageSides,
  'belt-pull': stageSides,
  slip: stageSides,
  'rope-pull': stageSides,
  'track-pull': stageSides,
  'stage-stall': atStage(true),
  'stage-brake': atStage(false),
  path: pathSides(false),
  'path-stall': pathSides(true),
  'mount-twist': { needs: ({ build, line, source }) => mountNeeds(build, line, source), has: () => mountHas },
  'shaft-load': {
    needs: ({ build, line, source }) => mountNeeds(build, line, source, 'shaftN'),
    has: ({ line: { motor } }) =>
      motor.shaftLoadN === undefined
        ? undefined
        : {
            value: motor.shaftLoadN,
            dimension: 'force',
            origin: 'shelf',
            where: `${motor.name}: the pull that its shaft may carry`,
          },
  },
  'axle-clearance': axleHeight,
  'axle-room': axleRoom,
} as const satisfies Partial<Record<LinkId, DriveMarginSides>>;

export type DriveLink = keyof typeof DRIVE_SIDES;
/** Whether a link belongs to the drive. */
export const isOfDrive = (link: LinkId): link is DriveLink => link in DRIVE_SIDES;

/** The motors braking: what the stop puts on each wheel. */
function brakingSource({ build, link }: DriveMargin, line: Driveline): TorqueSource | undefined {
  const duty = build.duties.find(({ id }) => id === link.dutyId);
  const brakeN = duty && brakeOf(build, duty, line)?.brakeN;
  if (!duty || !brakeN) return undefined;
  const wheel = calculated(wheelTorque, wheelTorqueInput(line, brakeN), 'torqueNm', [
    worked(
      'forceN',
      'the lesser of what the motors brake and what grip holds',
      stopWorking(build, duty, line, 'decelerationMps2'),
    ),
    fixed('wheelDiameterM', 'the driven wheels'),
    fixed('wheels', 'drivelines, by the layout'),
  ]);
  return {
    from: 'wheel',
    torque: { ...worked('torqueNm', 'braking', wheel), value: wheel.found.torqueNm },
    wheelRpm: 0,
  };
}

function sourceFor(asked: DriveMargin, line: Driveline): TorqueSource | undefined {
  if (asked.link.link === 'stage-brake') return brakingSource(asked, line);
  const duty = asked.build.duties.find(({ id }) => id === asked.link.dutyId);
  return duty ? sourceOf(asked.build, duty, line) : stallSource(asked.build, line);
}

/** How one side of a margin between motor and wheel came about. */
export function workingOfDrive(
  asked: DriveMargin,
  link: DriveLink,
  side: 'needs' | 'has',
): Working | undefined {
  const sides: DriveMarginSides = DRIVE_SIDES[link];
  const { line } = asked;
  const source = line && sourceFor(asked, line);
  return line && source && sides[side]({ ...asked, line, source });
}
