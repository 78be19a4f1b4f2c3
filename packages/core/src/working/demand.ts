import {
  beyondRoad,
  catchInput,
  demandOf,
  heapInput,
  roadLoadInput,
  groundOf,
  loadedMassInput,
  speedUpInput,
  towedInput,
  stepInput,
  type Footing,
  meanRollingInput,
  rollingOf,
} from '../demand/index.ts';
import { innerDriveInput, inertiaInput } from '../drive/index.ts';
import {
  catchLean,
  heapPush,
  innerDrive,
  loadedMass,
  lockedAxle,
  meanRolling,
  obstacleClimb,
  roadLoad,
  speedUp,
  sumOfForces,
  towedLoad,
} from '../ground/index.ts';
import type { Quantity } from '../quantity/index.ts';
import { reflectedInertia } from '../transmission/index.ts';
import {
  motorOf,
  pushedOf,
  rollingDiameter,
  rollingPlace,
  taskOf,
  type Axle,
  type Build,
  type Duty,
} from '../vehicle/index.ts';
import { LOADS, atBrief, figureInput } from './ground-inputs.ts';
import { turnWorking } from './turn.ts';
import { calculated, fixed, from, shelf, worked, type CalculationBy, type WorkingInput } from './working.ts';

/** How the mass of a duty came about. */
export function massWorking(build: Build, duty: Duty): CalculationBy<typeof loadedMass> {
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

const towWorking = (build: Build, duty: Duty): CalculationBy<typeof towedLoad> =>
  calculated(towedLoad, towedInput(build, duty), 'drawbarN', [
    ...(duty.towed
      ? [
          from('massKg', duty.towed.mass, `${atBrief(duty)}, towed`),
          from('rollingCoefficient', duty.towed.rolling, `${atBrief(duty)}, towed`),
        ]
      : [fixed('massKg', 'nothing is towed'), fixed('rollingCoefficient', 'nothing is towed')]),
    from('gradeDeg', duty.grade, atBrief(duty)),
    accelerationInput(duty),
    duty.towed ? from('hitchN', build.hitch.load, 'Brief, hitch') : fixed('hitchN', 'nothing is towed'),
    from('extraN', duty.drawbar, atBrief(duty)),
  ]);

/** The pull at the hitch, as it went in. */
export const drawbarInput = (build: Build, duty: Duty): WorkingInput =>
  duty.towed
    ? worked('drawbarN', 'what is towed', towWorking(build, duty))
    : from('drawbarN', duty.drawbar, atBrief(duty));

/** Nearer than this, all wheels roll as the driven ones do. */
const ALIKE = 1e-12;

/** Rolling of all wheels together, by what each carries. */
function rollingInput(build: Build, duty: Duty, footing: Footing): WorkingInput {
  const ground = groundOf(build, duty);
  const where = `Brief, ${ground.name}`;
  if (Math.abs(rollingOf(build, duty, footing) - ground.rolling.value) <= ALIKE)
    return from('rollingCoefficient', ground.rolling, where);
  const given = meanRollingInput(build, duty, footing);
  const mean = calculated(meanRolling, given, 'meanCoefficient', [
    fixed('drivenLoadN', LOADS),
    figureInput('rollingCoefficient', 'rolling', given.rollingCoefficient, ground),
    fixed('freeLoadN', LOADS),
    given.freeCoefficient === ground.freeRolling.value
      ? from('freeCoefficient', ground.freeRolling, where)
      : fixed('freeCoefficient', `${where}, for the tyres that they have`),
    fixed('weightN', 'mass times g, square to the ground'),
  ]);
  return worked('rollingCoefficient', 'of driven and free wheels', mean);
}

function roadWorking(
  build: Build,
  duty: Duty,
  footing: Footing,
  speedMps: number,
): CalculationBy<typeof roadLoad> {
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
    drawbarInput(build, duty),
  ]);
}

function rotorsInput(build: Build, massKg: number): WorkingInput {
  if (!motorOf(build)?.rotorGcm2) return fixed('rotatingMassFactor', 'the inertia of the rotor is not known');
  return worked(
    'rotatingMassFactor',
    'the rotors turn',
    calculated(reflectedInertia, inertiaInput(build, massKg), 'rotatingMassFactor', [
      fixed('massKg', 'the mass of the job'),
      from('wheelDiameterM', rollingDiameter(build), rollingPlace(build)),
      fixed('ratio', 'the stages at Drivetrain, multiplied'),
      fixed('motors', 'drivelines, by the layout'),
      shelf('rotorGcm2', motorOf(build)?.name ?? ''),
      fixed('wheelsKgM2', 'wheels are not counted'),
    ]),
  );
}

/** How what a sphere drives with inside came about. */
export function innerWorking(
  build: Build,
  given: NonNullable<ReturnType<typeof innerDriveInput>>,
  key: 'rotatingMassFactor' | 'mostForceN',
): CalculationBy<typeof innerDrive> {
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

/** The force along the ground, at the duty's speed unless another is given. */
export function forceWorking(
  build: Build,
  duty: Duty,
  speedMps = duty.speed.value,
): CalculationBy<typeof sumOfForces> {
  const { resistance, footing } = demandOf(build, duty, speedMps);
  const road = roadWorking(build, duty, footing, speedMps);
  const beyond = beyondRoad(resistance);
  if (Object.values(beyond).every((force) => force === 0)) return road;
  const turn = beyond.turningN > 0 ? turnWorking(build, duty, footing) : undefined;
  return calculated(sumOfForces, { roadN: road.found.totalN, ...beyond }, 'totalN', [
    worked('roadN', atBrief(duty), road),
    fixed('compactionN', beyond.compactionN > 0 ? 'the sinkage of every wheel or track' : 'firm ground'),
    turn
      ? worked(
          'turningN',
          turn.calculator === lockedAxle.name
            ? 'the moment over the radius of the bend'
            : 'twice the moment over the track',
          turn,
        )
      : fixed('turningN', 'straight on'),
    obstacleInput(build, duty, footing, beyond.obstacleN),
    beyond.catchingN > 0
      ? worked('catchingN', atBrief(duty), leanWorking(build, duty, footing))
      : fixed('catchingN', 'no lean to catch'),
    pushInput('pushingN', duty),
  ]);
}

/** What a blade pushes with: as stated, or worked out from the heap before it. */
export function pushInput(key: 'pushingN' | 'pushN', duty: Duty): WorkingInput {
  const { push, grade } = duty;
  if (!push || !taskOf(duty).drives) return fixed(key, 'nothing is pushed');
  if (push.kind === 'force') return from(key, push.force, `${atBrief(duty)}, blade`);
  const blade = `${atBrief(duty)}, blade`;
  const { title } = pushedOf(push.what);
  return worked(
    key,
    `${title} heaped before the blade`,
    calculated(heapPush, heapInput(push, grade.value), 'forceN', [
      from('widthM', push.width, blade),
      from('heightM', push.heap, blade),
      fixed('densityKgM3', `${title}, from the table`),
      fixed('friction', `${title}, from the table`),
      from('gradeDeg', grade, atBrief(duty)),
      fixed('fill', 'a straight blade'),
    ]),
  );
}

/** Where a blade pushes, and what presses on it. */
export const bladeInputs = (duty: Duty): WorkingInput[] => {
  const where = `${atBrief(duty)}, blade`;
  return [
    pushInput('pushN', duty),
    duty.push ? from('pushHeightM', duty.push.height, where) : fixed('pushHeightM', 'no blade'),
    duty.push ? from('pushVerticalN', duty.push.load, where) : fixed('pushVerticalN', 'no blade'),
    duty.push
      ? from('pushAheadOfRearAxleM', duty.push.ahead, where)
      : fixed('pushAheadOfRearAxleM', 'no blade'),
  ];
};

function leanWorking(build: Build, duty: Duty, footing: Footing): CalculationBy<typeof catchLean> {
  return calculated(catchLean, catchInput(build, duty, footing), 'forceN', [
    worked('massKg', atBrief(duty), massWorking(build, duty)),
    fixed('heightM', 'the middle of it all over the axle'),
    ...(duty.lean ? [from('leanDeg', duty.lean, atBrief(duty))] : []),
    fixed('wheelDiameterM', 'Brief, the layout'),
    fixed('bodyInertiaKgM2', 'not counted'),
    fixed('wheelsMassKg', 'counted with the mass'),
  ]);
}

/** The wheel at the step that asks the most. */
export function stepWorking(
  build: Build,
  duty: Duty,
  footing: Footing,
  key: 'frictionNeeded' | 'torqueNm' | 'pushN',
): CalculationBy<typeof obstacleClimb> | undefined {
  const { step } = demandOf(build, duty);
  const axle: Axle | undefined =
    step && !('problem' in step) ? build.layout.axles.find((a) => a.id === step.axleId) : undefined;
  if (!axle || !duty.step) return undefined;
  const ground = groundOf(build, duty);
  const given = stepInput(build, axle, duty, footing);
  return calculated(obstacleClimb, given, key, [
    fixed('wheelRadiusM', `Brief, ${axle.name}, half the diameter`),
    from('stepM', duty.step, atBrief(duty)),
    fixed('wheelLoadN', LOADS),
    figureInput('friction', 'friction', given.friction, ground),
  ]);
}

function obstacleInput(build: Build, duty: Duty, footing: Footing, obstacleN: number): WorkingInput {
  const step = obstacleN > 0 ? stepWorking(build, duty, footing, 'torqueNm') : undefined;
  return step
    ? worked('obstacleN', 'its wheels together, at the ground', step)
    : fixed('obstacleN', 'no step');
}
