import type { Build, Duty } from '../../build/index.ts';
import { degreesToRadians } from '../../contract/index.ts';
import { cornerSpeed, lockedAxle, steerTorque, stopping, tipAngles } from '../../ground/index.ts';
import { shareWhileBraking, stoppingInput } from '../braking.ts';
import type { Driveline } from '../driveline.ts';
import { accelerationOf, groundOf } from '../footing.ts';
import { steerInput } from '../ground-links.ts';
import type { DutyReport } from '../report.ts';
import { cornerInput, leanOf, tipInput } from '../tipping.ts';
import { lockedInput } from '../turning.ts';
import { LOADS, massWorking, stepWorking } from './demand.ts';
import {
  calculated,
  fixed,
  from,
  readFor,
  worked,
  type Calculation,
  type Stated,
  type Working,
} from './working.ts';

const atBrief = (duty: Duty): string => `Brief, ${duty.name}`;
const LAYOUT = 'Brief, the layout';

const contactRows = (count: number) =>
  Array.from({ length: count }, (_, row) => row).flatMap((row) =>
    ['aheadM', 'leftM'].map((column) => ({ ...fixed('contacts', LAYOUT), cell: { row, column } })),
  );

/** Over which slope it tips, that way. */
export function tipWorking(
  build: Build,
  duty: Duty,
  report: DutyReport,
  key: 'backDeg' | 'forwardDeg' | 'sideDeg' | 'worstDeg',
): Calculation {
  const given = tipInput(build, report.footing);
  const mass = massWorking(build, duty);
  return calculated(tipAngles, given, key, [
    ...contactRows(given.contacts.length),
    worked('cgAheadOfRearAxleM', atBrief(duty), readFor(mass, 'cgAheadOfRearAxleM')),
    worked('cgLeftM', atBrief(duty), readFor(mass, 'cgLeftM')),
    worked('cgHeightM', atBrief(duty), readFor(mass, 'cgHeightM')),
  ]);
}

export const tipAlongWorking = (build: Build, duty: Duty, report: DutyReport): Calculation =>
  tipWorking(build, duty, report, leanOf(duty) > 0 ? 'backDeg' : 'forwardDeg');

export const leanStated = (duty: Duty): Stated => ({
  value: Math.abs(degreesToRadians(leanOf(duty))),
  dimension: 'angle',
  origin: duty.grade.origin,
  where: `${atBrief(duty)}: its grade${accelerationOf(duty) === 0 ? '' : ', speeding up counted as a slope'}`,
});

export function cornerWorking(build: Build, duty: Duty, report: DutyReport): Calculation {
  const ground = groundOf(build, duty);
  return calculated(cornerSpeed, cornerInput(build, duty, report.tip?.sideDeg), 'cornerMps', [
    duty.turn?.kind === 'radius'
      ? from('turnRadiusM', duty.turn.radius, atBrief(duty))
      : fixed('turnRadiusM', atBrief(duty)),
    from('friction', ground.across, `Brief, ${ground.name}, sideways`),
    from('speedMps', duty.speed, atBrief(duty)),
    ...(report.tip?.sideDeg === undefined
      ? []
      : [worked('tipDeg', 'to its weaker side', tipWorking(build, duty, report, 'sideDeg'))]),
  ]);
}

export function lockedWorking(
  build: Build,
  duty: Duty,
  report: DutyReport,
  key: 'sideForceN' | 'gripN',
): Calculation | undefined {
  const ground = groundOf(build, duty);
  const given = lockedInput(build, duty, ground, report.footing);
  if (!given || duty.turn?.kind !== 'radius') return undefined;
  return calculated(lockedAxle, given, key, [
    fixed('differential', 'Brief, the drive'),
    fixed('drivenLoadN', LOADS),
    fixed('trackM', LAYOUT),
    from('friction', ground.friction, `Brief, ${ground.name}`),
    fixed('wheelbaseM', LAYOUT),
    fixed('steeredLoadN', LOADS),
    from('steeredFriction', ground.across, `Brief, ${ground.name}, sideways`),
    from('turnRadiusM', duty.turn.radius, atBrief(duty)),
    from('speedMps', duty.speed, atBrief(duty)),
  ]);
}

export function steerWorking(build: Build, duty: Duty, report: DutyReport): Calculation | undefined {
  const given = steerInput(build, duty, report);
  const { steering } = build;
  if (!given || !steering) return undefined;
  const ground = groundOf(build, duty);
  return calculated(steerTorque, given, 'servoNm', [
    fixed('wheelLoadN', LOADS),
    from('friction', ground.across, `Brief, ${ground.name}, sideways`),
    fixed('tyreWidthM', LAYOUT),
    from('kingpinOffsetM', steering.kingpinOffset, 'Brief, steering'),
    fixed('wheels', LAYOUT),
    from('linkageRatio', steering.linkageRatio, 'Brief, steering'),
    ...(steering.secondsPer60
      ? [
          from('servoSecPer60Deg', steering.secondsPer60, 'Brief, steering'),
          from('lockToLockDeg', steering.lockToLock, 'Brief, steering'),
        ]
      : []),
  ]);
}

/** Slowing on the way down, with the wheel loads that then hold. */
export function stopWorking(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  key: 'decelerationMps2' | 'distanceM',
): Calculation {
  const gradeRad = -Math.abs(duty.grade.value);
  const ground = groundOf(build, duty);
  const share = shareWhileBraking(build, duty, line, gradeRad);
  const given = stoppingInput(build, duty, line, { gradeRad, share });
  return calculated(stopping, given, key, [
    from('speedMps', duty.speed, atBrief(duty)),
    from('friction', ground.friction, `Brief, ${ground.name}`),
    fixed('brakedShare', 'the loads of the braked wheels while they brake'),
    from('gradeDeg', duty.grade, `${atBrief(duty)}, facing down`),
    from('reactionS', build.brake.reaction, 'Brief, brake'),
    duty.towed
      ? fixed('massKg', 'itself and what it tows, which has no brake of its own')
      : worked('massKg', atBrief(duty), massWorking(build, duty)),
    ...(given.brakeForceN === undefined
      ? []
      : build.brake.force && build.brake.kind === 'friction'
        ? [from('brakeForceN', build.brake.force, 'Brief, brake')]
        : [fixed('brakeForceN', 'the motors, stalled the other way')]),
    duty.towed
      ? fixed('rollingCoefficient', 'of itself and what it tows, by their masses')
      : from('rollingCoefficient', ground.rolling, `Brief, ${ground.name}`),
  ]);
}

export const stepNeeds = (build: Build, duty: Duty, report: DutyReport): Working | undefined =>
  stepWorking(build, duty, report.footing, 'frictionNeeded');

export const stepHas = (build: Build, duty: Duty, report: DutyReport): Stated | undefined => {
  const { step } = report;
  if (!step || 'problem' in step) return undefined;
  const { name, friction } = groundOf(build, duty);
  return {
    value: step.has,
    dimension: 'coefficient',
    origin: friction.origin,
    where: `grip of ${name.toLowerCase()}, and the push of the other driven wheels, as tan(atan μ + atan push/load)`,
  };
};
