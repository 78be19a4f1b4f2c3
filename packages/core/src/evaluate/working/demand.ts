import {
  motorOf,
  rollingDiameter,
  rollingPlace,
  type Axle,
  type Build,
  type Duty,
} from '../../build/index.ts';
import {
  catchLean,
  innerDrive,
  loadedMass,
  meanRolling,
  obstacleClimb,
  pivotTurn,
  roadLoad,
  skidTurnTracked,
  skidTurnWheeled,
  speedUp,
  sumOfForces,
  towedLoad,
} from '../../ground/index.ts';
import type { Quantity } from '../../quantity/index.ts';
import { beyondRoad, catchInput, demandOf, meanRollingInput, roadLoadInput, rollsAlike } from '../demand.ts';
import { reflectedInertia } from '../../transmission/index.ts';
import { groundOf, innerDriveInput, loadedMassInput, speedUpInput, towedInput } from '../footing.ts';
import { stepInput } from '../obstacle.ts';
import type { Footing } from '../report.ts';
import { inertiaInput } from '../rotating.ts';
import { pivotInput, scrubInput, trackInput } from '../turning.ts';
import { calculated, fixed, from, shelf, worked, type Calculation, type WorkingInput } from './working.ts';

export const LOADS = 'the wheel loads of the duty';
export const atBrief = (duty: Duty): string => `Brief, ${duty.name}`;

export function massWorking(build: Build, duty: Duty): Calculation {
  const { own, payload, others } = build.masses;
  const rows: readonly (readonly [typeof own, string])[] = [
    [own, 'Brief, the vehicle itself'],
    [payload, 'Brief, payload'],
    ...others.map((mass) => [mass, `Brief, ${mass.name}`] as const),
  ];
  const cell = (row: number, column: string, { origin }: Quantity, where: string): WorkingInput => ({
    key: 'masses',
    cell: { row, column },
    origin,
    where,
  });
  return calculated(
    loadedMass,
    loadedMassInput(build, duty.payloadShare.value),
    'massKg',
    rows.flatMap(([mass, where], row) => [
      cell(row, 'massKg', mass.mass, where),
      ...(mass === payload ? [cell(row, 'share', duty.payloadShare, atBrief(duty))] : []),
      cell(row, 'aheadM', mass.aheadOfRearAxle, where),
      cell(row, 'leftM', mass.left, where),
      cell(row, 'heightM', mass.height, where),
    ]),
  );
}

/** Speeding up as stated, or worked out from what the duty has for getting up to speed. */
export function accelerationInput(duty: Duty): WorkingInput {
  const { upToSpeed, speed } = duty;
  if (!upToSpeed) return from('accelerationMps2', duty.acceleration, atBrief(duty));
  const within =
    upToSpeed.kind === 'distance'
      ? from('distanceM', upToSpeed.distance, atBrief(duty))
      : from('timeS', upToSpeed.time, atBrief(duty));
  const up = calculated(speedUp, speedUpInput(duty), 'accelerationMps2', [
    from('speedMps', speed, atBrief(duty)),
    within,
  ]);
  return worked('accelerationMps2', 'to be at its speed in time', up);
}

const towWorking = (duty: Duty): Calculation =>
  calculated(towedLoad, towedInput(duty), 'drawbarN', [
    ...(duty.towed
      ? [
          from('massKg', duty.towed.mass, `${atBrief(duty)}, towed`),
          from('rollingCoefficient', duty.towed.rolling, `${atBrief(duty)}, towed`),
        ]
      : [fixed('massKg', 'nothing is towed'), fixed('rollingCoefficient', 'nothing is towed')]),
    from('gradeDeg', duty.grade, atBrief(duty)),
    accelerationInput(duty),
    from('extraN', duty.drawbar, atBrief(duty)),
  ]);

export const drawbarInput = (duty: Duty): WorkingInput =>
  duty.towed
    ? worked('drawbarN', 'what is towed', towWorking(duty))
    : from('drawbarN', duty.drawbar, atBrief(duty));

/** Rolling of unlike wheels together. */
function rollingInput(build: Build, duty: Duty, footing: Footing): WorkingInput {
  const ground = groundOf(build, duty);
  const where = `Brief, ${ground.name}`;
  if (rollsAlike(build, duty, footing)) return from('rollingCoefficient', ground.rolling, where);
  const mean = calculated(meanRolling, meanRollingInput(build, duty, footing), 'meanCoefficient', [
    fixed('drivenLoadN', LOADS),
    from('rollingCoefficient', ground.rolling, where),
    fixed('freeLoadN', LOADS),
    from('freeCoefficient', ground.freeRolling, where),
    fixed('weightN', 'mass times g, square to the ground'),
  ]);
  return worked('rollingCoefficient', 'of driven and free wheels', mean);
}

function roadWorking(build: Build, duty: Duty, footing: Footing, speedMps: number): Calculation {
  const where = atBrief(duty);
  const inner = innerDriveInput(build);
  return calculated(roadLoad, roadLoadInput(build, duty, footing, speedMps), 'totalN', [
    worked('massKg', where, massWorking(build, duty)),
    rollingInput(build, duty, footing),
    from('gradeDeg', duty.grade, where),
    speedMps === duty.speed.value
      ? from('speedMps', duty.speed, where)
      : fixed('speedMps', 'air is counted beside it'),
    from('dragAreaM2', build.dragArea, 'Brief, the vehicle'),
    fixed('airDensityKgM3', 'air at 20 °C, sea level'),
    accelerationInput(duty),
    inner
      ? worked('rotatingMassFactor', 'the shell turns', innerWorking(build, inner, 'rotatingMassFactor'))
      : rotorsInput(build, footing.massKg),
    drawbarInput(duty),
  ]);
}

function rotorsInput(build: Build, massKg: number): WorkingInput {
  if (!motorOf(build)?.rotorGcm2) return fixed('rotatingMassFactor', 'the inertia of the rotor is not known');
  return worked(
    'rotatingMassFactor',
    'the rotors turn',
    calculated(reflectedInertia, inertiaInput(build, massKg), 'rotatingMassFactor', [
      fixed('massKg', 'the mass of the duty'),
      from('wheelDiameterM', rollingDiameter(build), rollingPlace(build)),
      fixed('ratio', 'the stages at Drivetrain, multiplied'),
      fixed('motors', 'drivelines, by the layout'),
      shelf('rotorGcm2', motorOf(build)?.name ?? ''),
      fixed('wheelsKgM2', 'wheels are not counted'),
    ]),
  );
}

export function innerWorking(
  build: Build,
  given: NonNullable<ReturnType<typeof innerDriveInput>>,
  key: 'rotatingMassFactor' | 'mostForceN',
): Calculation {
  const inner = build.innerDrive;
  return calculated(innerDrive, given, key, [
    ...(inner
      ? [
          from('innerKg', inner.mass, 'Brief, inner drive'),
          from('offsetM', inner.offset, 'Brief, inner drive'),
          from('shellKg', inner.shellMass, 'Brief, inner drive'),
        ]
      : []),
    fixed('diameterM', 'Brief, the shell'),
  ]);
}

/** The moment of a turn, by the calculator that its layout has. */
function turnWorking(build: Build, duty: Duty, footing: Footing): Calculation | undefined {
  const ground = groundOf(build, duty);
  const where = `Brief, ${ground.name}`;
  const turning = demandOf(build, duty).turn?.turning;
  const rolling = from('rollingCoefficient', ground.rolling, where);
  const track = fixed('trackM', 'Brief, the layout');
  if (turning === 'pivot')
    return calculated(pivotTurn, pivotInput(build, ground, footing), 'momentNm', [
      fixed('drivenLoadN', LOADS),
      track,
      fixed('freeLoadN', LOADS),
      fixed('freeArmM', 'Brief, the layout'),
      from('freeCoefficient', ground.freeRolling, where),
      rolling,
      fixed('tyreWidthM', 'Brief, the layout'),
      from('friction', ground.friction, where),
    ]);
  if (turning === 'scrub')
    return calculated(skidTurnWheeled, scrubInput(build, ground, footing), 'momentNm', [
      fixed('weightN', LOADS),
      fixed('wheelbaseM', 'two axles that would drag as much'),
      track,
      from('lateralCoefficient', ground.across, where),
      rolling,
      from('longitudinalFriction', ground.friction, where),
    ]);
  if (turning === 'tracks')
    return calculated(skidTurnTracked, trackInput(build, duty, ground, footing), 'momentNm', [
      fixed('weightN', LOADS),
      fixed('contactLengthM', 'Brief, the layout'),
      fixed('gaugeM', 'Brief, the layout'),
      from('lateralCoefficientMax', ground.across, where),
      rolling,
      fixed('turnRadiusM', atBrief(duty)),
    ]);
  return undefined;
}

/** The force along the ground, at the duty's speed unless another is given. */
export function forceWorking(build: Build, duty: Duty, speedMps = duty.speed.value): Calculation {
  const { resistance, footing } = demandOf(build, duty, speedMps);
  const road = roadWorking(build, duty, footing, speedMps);
  const beyond = beyondRoad(resistance);
  if (Object.values(beyond).every((force) => force === 0)) return road;
  const turn = beyond.turningN > 0 ? turnWorking(build, duty, footing) : undefined;
  return calculated(sumOfForces, { roadN: Number(road.found.totalN), ...beyond }, 'totalN', [
    worked('roadN', atBrief(duty), road),
    fixed('compactionN', beyond.compactionN > 0 ? 'the sinkage of every wheel or track' : 'firm ground'),
    turn
      ? { ...worked('turningN', 'twice the moment over the track', turn) }
      : fixed('turningN', 'straight on'),
    obstacleInput(build, duty, footing, beyond.obstacleN),
    beyond.catchingN > 0
      ? worked('catchingN', atBrief(duty), leanWorking(build, duty, footing))
      : fixed('catchingN', 'no lean to catch'),
  ]);
}

function leanWorking(build: Build, duty: Duty, footing: Footing): Calculation {
  return calculated(catchLean, catchInput(build, duty, footing), 'forceN', [
    worked('massKg', atBrief(duty), massWorking(build, duty)),
    fixed('heightM', 'the middle of it all over the axle'),
    ...(duty.lean ? [from('leanDeg', duty.lean, atBrief(duty))] : []),
    fixed('wheelDiameterM', 'Brief, the layout'),
  ]);
}

/** The wheel at the step that asks the most. */
export function stepWorking(
  build: Build,
  duty: Duty,
  footing: Footing,
  key: 'frictionNeeded' | 'torqueNm' | 'pushN',
): Calculation | undefined {
  const { step } = demandOf(build, duty);
  const axle: Axle | undefined =
    step && !('problem' in step) ? build.layout.axles.find((a) => a.id === step.axleId) : undefined;
  if (!axle || !duty.step) return undefined;
  const ground = groundOf(build, duty);
  return calculated(obstacleClimb, stepInput(axle, duty, ground.friction.value, footing), key, [
    fixed('wheelRadiusM', `Brief, ${axle.name}, half the diameter`),
    from('stepM', duty.step, atBrief(duty)),
    fixed('wheelLoadN', LOADS),
    from('friction', ground.friction, `Brief, ${ground.name}`),
  ]);
}

function obstacleInput(build: Build, duty: Duty, footing: Footing, obstacleN: number): WorkingInput {
  const step = obstacleN > 0 ? stepWorking(build, duty, footing, 'torqueNm') : undefined;
  return step
    ? worked('obstacleN', 'its wheels together, at the ground', step)
    : fixed('obstacleN', 'no step');
}
