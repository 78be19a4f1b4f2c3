import type { DutyReport } from '../capability/index.ts';
import { rollingOf } from '../demand/index.ts';
import { drivelineOf } from '../drive/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { GRAM_CM2 } from '../quantity/index.ts';
import type { LaunchInput } from './launch-model.ts';

/**
 * The launch of a build on the ground, grade and load of one of its duties. Undefined until a motor is chosen. Rotors
 * count where their inertia is known; that of wheels is left out.
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
    ...(circuit.motor.constants ?? { circuit }),
    voltageV: circuit.openCircuitV,
    commandShare: circuit.commandShare,
    supplyResistanceOhm: circuit.supplyResistanceOhm,
    currentLimitA: circuit.currentLimitA,
    motorInertiaKgM2: (line.motor.rotorGcm2 ?? 0) * GRAM_CM2,
    rotatingMassKg: 0,
    rollingCoefficient: rollingOf(build, duty, report.footing),
    dragAreaM2: build.dragArea.value,
    slopeRad: duty.grade.value,
    // Soft ground drags like a pull.
    drawbarN: report.resistance.drawbarN + report.resistance.compactionN,
    gripN: report.footing.gripN ?? Infinity,
    durationS,
  };
}
