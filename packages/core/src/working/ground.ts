import { dutyReport, type DutyReport } from '../capability/index.ts';
import {
  brakedSlowing,
  brakingIn,
  type Braking,
  demandOf,
  stancesIn,
  groundOf,
  slideInput,
  cornerInput,
  momentsInput,
  tipInput,
} from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import {
  cornerSpeed,
  reactionRun,
  slideAcross,
  steerTorque,
  stopping,
  tipAngles,
  tippingMoments,
} from '../ground/index.ts';
import { steerInput } from '../judge/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { bladeInputs, massWorking, stepWorking } from './demand.ts';
import { LOADS, figureInput } from './ground-inputs.ts';
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

/**
 * Over which slope it tips, that way.
 *
 * @example tipWorking(puffin, duty, report.duties[0], 'sideDeg').calculator // 'tip-angles'
 */
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

/** What tips it over an edge, or what holds it: of the stance in which that edge is nearest to tipping. */
export function momentsWorking(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  key: 'alongRightingNm' | 'alongOverturningNm' | 'sideRightingNm' | 'sideOverturningNm',
): Calculation | undefined {
  const report = dutyReport(build, duty, line);
  const side = key.startsWith('side');
  const worst = side ? report.tip?.side : report.tip?.along;
  const given = stancesIn(build, duty, report.brake)
    .flatMap((stance) => momentsInput(build, duty, stance) ?? [])
    .find((input) => {
      const found = tippingMoments.run(input);
      return (side ? found.sideOverturningNm : found.alongOverturningNm) === worst?.overturningNm;
    });
  if (!given) return undefined;
  const mass = massWorking(build, duty);
  return calculated(tippingMoments, given, key, [
    ...contactRows(given.contacts.length),
    worked('cgAheadOfRearAxleM', atBrief(duty), readFor(mass, 'cgAheadOfRearAxleM')),
    worked('cgLeftM', atBrief(duty), readFor(mass, 'cgLeftM')),
    worked('cgHeightM', atBrief(duty), readFor(mass, 'cgHeightM')),
    fixed('weightN', 'mass times g, square to the ground'),
    fixed('backN', 'grade and speeding up, or slowing down'),
    fixed('rightN', 'side slope and bend'),
    fixed('drawbarN', 'the hitch in that motion'),
    from('hitchHeightM', build.hitch.height, 'Brief, hitch'),
    duty.towed
      ? from('hitchVerticalN', build.hitch.load, 'Brief, hitch')
      : fixed('hitchVerticalN', 'nothing is towed'),
    from('hitchBehindRearAxleM', build.hitch.behind, 'Brief, hitch'),
    ...bladeInputs(duty).map((input) =>
      input.key === 'pushN' ? fixed('pushN', 'the blade in that motion') : input,
    ),
  ]);
}

/** How sliding sideways came about. */
export function slideWorking(build: Build, duty: Duty): Calculation | undefined {
  const given = slideInput(build, duty, demandOf(build, duty));
  return (
    given &&
    calculated(slideAcross, given, 'holdsN', [
      ...given.contacts.flatMap((_, row) =>
        ['loadN', 'along', 'across'].map((column) => ({
          ...fixed('contacts', 'the wheel loads of the job; Brief, the ground'),
          cell: { row, column },
        })),
      ),
      fixed('pushN', 'the force along the ground'),
      fixed('sideN', 'weight along the side slope, and the pull of the bend'),
    ])
  );
}

/** How the speed in a bend came about. */
export function cornerWorking(build: Build, duty: Duty, report: DutyReport): Calculation {
  const ground = groundOf(build, duty);
  const given = cornerInput(build, duty, report.footing, report.tip?.sideDeg);
  return calculated(cornerSpeed, given, 'cornerMps', [
    duty.turn?.kind === 'radius'
      ? from('turnRadiusM', duty.turn.radius, atBrief(duty))
      : fixed('turnRadiusM', atBrief(duty)),
    figureInput('friction', 'across', given.friction, ground),
    from('speedMps', duty.speed, atBrief(duty)),
    ...(report.tip?.sideDeg === undefined
      ? []
      : [worked('tipDeg', 'to its weaker side', tipWorking(build, duty, report, 'sideDeg'))]),
  ]);
}

/** How the torque of steering came about. */
export function steerWorking(build: Build, duty: Duty, report: DutyReport): Calculation | undefined {
  const given = steerInput(build, duty, report);
  const { steering } = build;
  if (!given || !steering) return undefined;
  const ground = groundOf(build, duty);
  return calculated(steerTorque, given, 'servoNm', [
    fixed('wheelLoadN', LOADS),
    figureInput('friction', 'across', given.friction, ground),
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

/**
 * Slowing on the way down by grip and brake, with the wheel loads that then hold.
 *
 * @example stopWorking(moth, { ...moth.duties[0], task: 'stop' }, drivelineOf(moth), 'distanceM').calculator
 *   // 'stopping'
 */
export function stopWorking(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  key: 'decelerationMps2' | 'distanceM',
): Calculation {
  const gradeRad = -Math.abs(duty.grade.value);
  const ground = groundOf(build, duty);
  const braking = brakingIn(build, duty, line);
  const given = braking.inputAt({ gradeRad, slowing: brakedSlowing(braking, gradeRad) });
  return calculated(stopping, given, key, [
    from('speedMps', duty.speed, atBrief(duty)),
    figureInput('friction', 'friction', given.friction, ground),
    fixed('brakedShare', 'the loads of the braked wheels while they brake'),
    from('gradeDeg', duty.grade, `${atBrief(duty)}, facing down`),
    from('reactionS', build.brake.reaction, 'Brief, brake'),
    worked('gatheringMps2', 'rolling down until the brake bites', reactionWorking(build, duty, braking)),
    duty.towed
      ? fixed('massKg', 'itself and what it tows, which has no brake of its own')
      : worked('massKg', atBrief(duty), massWorking(build, duty)),
    ...(given.brakeForceN === undefined
      ? []
      : build.brake.force && build.brake.kind === 'friction'
        ? [from('brakeForceN', build.brake.force, 'Brief, brake')]
        : [fixed('brakeForceN', 'the motors, stalled the other way')]),
    figureInput('rollingCoefficient', 'rolling', given.rollingCoefficient, ground),
    fixed('unbrakedRollingCoefficient', 'of the other wheels and of what is towed, by their loads'),
    fixed('rotatingMassFactor', 'the rotors turn with the wheels'),
  ]);
}

function reactionWorking(build: Build, duty: Duty, { reaction }: Braking): Calculation {
  return calculated(reactionRun, reaction, 'gatheringMps2', [
    from('speedMps', duty.speed, atBrief(duty)),
    from('reactionS', build.brake.reaction, 'Brief, brake'),
    from('gradeDeg', duty.grade, `${atBrief(duty)}, facing down`),
    fixed('rollingCoefficient', 'of all wheels, by their loads'),
    fixed('rotatingMassFactor', 'the rotors turn with the wheels'),
    fixed('held', 'whether the drive brakes by itself, or locks'),
  ]);
}

/** How the need at a step came about. */
export const stepNeeds = (build: Build, duty: Duty, report: DutyReport): Working | undefined =>
  stepWorking(build, duty, report.footing, 'frictionNeeded');

/** What is there at a step. */
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
