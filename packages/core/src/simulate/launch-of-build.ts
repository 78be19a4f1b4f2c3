import type { DutyReport } from '../capability/index.ts';
import { rollingOf } from '../demand/index.ts';
import { drivelineOf, flatOut, together, type Driveline } from '../drive/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { GRAM_CM2 } from '../quantity/index.ts';
import type { LaunchInput } from './launch-model.ts';

/** The constants of motors with magnets that are alone; of others, and of several drives, what they give at each speed. */
function lawOf(line: Driveline) {
  const { constants } = line.circuit.motor;
  if (constants && line.beside.length === 0) return constants;
  const fastestOf = ({ circuit, ratio, wheelRadiusM }: Driveline): number =>
    (circuit.motor.fastestRadS(circuit.openCircuitV) / ratio) * wheelRadiusM;
  return {
    fastestMps: Math.max(...together(line).map(fastestOf)),
    flatOut: (speedMps: number) => {
      const { batteryA, drives } = flatOut(line, speedMps);
      return { batteryA, pushN: drives.reduce((sum, { pullN }) => sum + pullN, 0) };
    },
  };
}

/** Rotors of the other drives, as mass at the rim, kg. */
const rotorsBeside = ({ beside }: Driveline): number =>
  beside.reduce(
    (sum, { circuit, motor, ratio, wheelRadiusM }) =>
      sum + (circuit.motors * (motor.rotorGcm2 ?? 0) * GRAM_CM2 * ratio ** 2) / wheelRadiusM ** 2,
    0,
  );

/**
 * The launch of a build on the ground, grade and load of one of its duties. Undefined until a motor is chosen. Rotors
 * count where their inertia is known; that of wheels is left out.
 *
 * @example launchOfBuild(puffin, duty, report.duties[0], 4)?.massKg // 178
 */
export function launchOfBuild(
  build: Build,
  duty: Duty,
  report: DutyReport,
  durationS: number,
): LaunchInput | undefined {
  const line = drivelineOf(build);
  if (!line) return undefined;
  const { circuit } = line;
  return {
    massKg: report.footing.massKg,
    wheelRadiusM: line.wheelRadiusM,
    ratio: line.ratio,
    efficiency: line.efficiency,
    motors: circuit.motors,
    ...lawOf(line),
    voltageV: circuit.openCircuitV,
    commandShare: circuit.commandShare,
    supplyResistanceOhm: circuit.supplyResistanceOhm,
    currentLimitA: circuit.currentLimitA,
    motorInertiaKgM2: (line.motor.rotorGcm2 ?? 0) * GRAM_CM2,
    rotatingMassKg: rotorsBeside(line),
    rollingCoefficient: rollingOf(build, duty, report.footing),
    dragAreaM2: build.dragArea.value,
    slopeRad: duty.grade.value,
    // Soft ground and a full blade drag like a pull.
    drawbarN: report.resistance.drawbarN + report.resistance.compactionN + report.resistance.pushingN,
    gripN: report.footing.gripN ?? Infinity,
    durationS,
  };
}
