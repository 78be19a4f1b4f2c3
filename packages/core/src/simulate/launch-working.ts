import type { DutyReport } from '../capability/index.ts';
import { drivelineOf } from '../drive/index.ts';
import { rollingDiameter, type Build, type Duty } from '../vehicle/index.ts';
import {
  calculated,
  fixed,
  from,
  worked,
  shelf,
  workingOf,
  workingsOfCircuit,
  isStated,
  type Calculation,
  type WorkingInput,
} from '../working/index.ts';
import { radiansToDegrees } from '../quantity/index.ts';
import { launchOfBuild } from './launch-of-build.ts';
import { launchOfVehicle } from './simulate-launch.ts';

type Result = 'finalMps' | 'distanceM' | 'energyWh' | 'peakA' | 'timeTo90S';

/** What rolls and what is towed, as the force of the duty has it. */
function roadInputs(build: Build, duty: Duty): WorkingInput[] {
  const force = workingOf(build, 'force', duty.id);
  if (!force || isStated(force)) return [];
  const road =
    force.calculator === 'road-load' ? force : force.inputs.find(({ key }) => key === 'roadN')?.working;
  const soft = force.calculator !== 'road-load' && Number(force.given.compactionN ?? 0) > 0;
  return (road?.inputs ?? [])
    .filter(({ key }) => key === 'rollingCoefficient' || key === 'drawbarN')
    .map((input) =>
      soft && input.key === 'drawbarN'
        ? fixed('drawbarN', 'the pull at the hitch, and pressing soft ground down')
        : input,
    );
}

/**
 * How a figure of a build's launch came about; undefined until a motor is chosen.
 *
 * @example launchWorking(puffin, duty, report.duties[0], { durationS: 4, key: 'finalMps' })?.calculator
 *   // 'launch-with-pull'
 */
export function launchWorking(
  build: Build,
  duty: Duty,
  report: DutyReport,
  { durationS, key }: { readonly durationS: number; readonly key: Result },
): Calculation | undefined {
  const launch = launchOfBuild(build, duty, report, durationS);
  const line = drivelineOf(build);
  // Other motors, and several drives, are laid out piece by piece: no sum of one line shows it.
  if (!launch || !line || 'flatOut' in launch) return undefined;
  const { slopeRad, currentLimitA, gripN, ...given } = launch;
  const where = `Brief, ${duty.name}`;
  const step = (input: string, opened: 'mass' | 'grip'): WorkingInput => {
    const working = workingOf(build, opened, duty.id);
    return working && !isStated(working) ? worked(input, where, working) : fixed(input, where);
  };
  const circuit = workingsOfCircuit(build, line).map((input) =>
    input.key === 'openCircuitV' ? { ...input, key: 'voltageV' } : input,
  );
  return calculated(
    launchOfVehicle,
    {
      ...given,
      gradeDeg: radiansToDegrees(slopeRad),
      // A grip of nothing cannot be given: it does not move then, whatever the motors do.
      ...(Number.isFinite(gripN) ? { gripN: Math.max(gripN, Number.MIN_VALUE) } : {}),
      ...(Number.isFinite(currentLimitA) ? { currentLimitA } : {}),
    },
    key,
    [
      step('massKg', 'mass'),
      from('wheelRadiusM', rollingDiameter(build), 'Brief, half the wheel diameter'),
      fixed('ratio', 'the stages at Drivetrain, multiplied'),
      fixed('efficiency', 'the stages at Drivetrain, multiplied'),
      ...circuit.filter((input) => input.key !== 'auxiliaryW'),
      line.motor.rotorGcm2 === undefined
        ? fixed('motorInertiaKgM2', 'the inertia of the rotor is not known')
        : shelf('motorInertiaKgM2', line.motor.name),
      fixed('rotatingMassKg', 'wheels are not counted yet'),
      ...roadInputs(build, duty),
      from('dragAreaM2', build.dragArea, 'Brief, the vehicle'),
      from('gradeDeg', duty.grade, where),
      ...(Number.isFinite(gripN) ? [step('gripN', 'grip')] : []),
      fixed('durationS', 'the length of the run'),
    ],
  );
}
