import type { Build, Duty } from '../build/index.ts';
import { AIR_DENSITY, rpmToRadS } from '../contract/index.ts';
import { wheelTorque } from '../ground/index.ts';
import { circuitInput, pointAt } from '../supply/index.ts';
import { resistanceOf } from './demand.ts';
import { motorLoad } from '../transmission/index.ts';
import type { Driveline } from './driveline.ts';
import type { DutyPoint } from './report.ts';

export const wheelTorqueInput = (line: Driveline, forceN: number) => ({
  forceN,
  wheelDiameterM: 2 * line.wheelRadiusM,
  wheels: line.wheels,
});

export const motorLoadInput = (line: Driveline, wheelTorqueNm: number, speedMps: number) => ({
  wheelTorqueNm,
  speedMps,
  wheelDiameterM: 2 * line.wheelRadiusM,
  ratio: line.ratio,
  efficiency: line.efficiency,
  motorsPerWheel: line.motorsPerWheel,
});

/** What each motor and the battery do to hold the duty's speed against a force along the ground. */
export function dutyPoint(line: Driveline, duty: Duty, forceN: number): DutyPoint {
  const { torqueNm: wheelTorqueNm } = wheelTorque.run(wheelTorqueInput(line, forceN));
  const motor = motorLoad.run(motorLoadInput(line, wheelTorqueNm, duty.speed.value));
  const { currentA, motorV, batteryA, batteryV, reachable } = pointAt(
    line.circuit,
    motor.torqueNm,
    rpmToRadS(motor.rpm),
  );
  return {
    wheelTorqueNm,
    wheelRpm: motor.wheelRpm,
    motorTorqueNm: motor.torqueNm,
    motorRpm: motor.rpm,
    currentA,
    motorV,
    // Nothing is counted as returning to the battery: not every driver or battery takes it.
    batteryA: Math.max(0, batteryA),
    batteryV: batteryA < 0 ? line.circuit.openCircuitV : batteryV,
    reachable,
  };
}

/** What the calculator of the attainable speed takes: the duty's resistance without air, and the driveline. */
export const attainableInput = (build: Build, duty: Duty, line: Driveline, gripN: number) => ({
  ...circuitInput(line.circuit),
  ratio: line.ratio,
  efficiency: line.efficiency,
  wheelDiameterM: 2 * line.wheelRadiusM,
  steadyN: resistanceOf(build, steadyDuty(duty), 0).totalN,
  dragAreaM2: build.dragArea.value,
  airDensityKgM3: AIR_DENSITY,
  gripN,
});

/** The same duty without speeding up. */
export const steadyDuty = (duty: Duty): Duty => ({
  ...duty,
  acceleration: { ...duty.acceleration, value: 0 },
});
