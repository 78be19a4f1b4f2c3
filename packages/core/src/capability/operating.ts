import { AIR_DENSITY, rpmToRadS } from '../quantity/index.ts';
import { demandOf, type Resistance, type TurnReport } from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import { wheelTorque } from '../ground/index.ts';
import { circuitInput, pointAt, pointOfTwoHalves } from '../supply/index.ts';
import { motorLoad } from '../transmission/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import type { Attainable } from './attainable-speed.ts';
import type { DutyPoint } from './report.ts';

export const wheelTorqueInput = (line: Driveline, forceN: number) => ({
  forceN,
  wheelDiameterM: 2 * line.wheelRadiusM,
  wheels: line.outputs,
});

export const motorLoadInput = (line: Driveline, wheelTorqueNm: number, speedMps: number) => ({
  wheelTorqueNm,
  speedMps,
  wheelDiameterM: 2 * line.wheelRadiusM,
  ratio: line.ratio,
  efficiency: line.efficiency,
  ...(line.backEfficiency === line.efficiency ? {} : { backEfficiency: line.backEfficiency }),
  motorsPerWheel: line.motorsPerWheel,
});

/** What each motor and the battery do to hold the duty's speed against a force along the ground. */
export function dutyPoint(line: Driveline, duty: Duty, forceN: number, turn?: TurnReport): DutyPoint {
  const { torqueNm: wheelTorqueNm } = wheelTorque.run(wheelTorqueInput(line, forceN));
  const speedMps = turn?.outerMps ?? duty.speed.value;
  const motor = motorLoad.run(motorLoadInput(line, wheelTorqueNm, speedMps));
  const { currentA, motorV, batteryA, batteryV, reachable } = circuitPoint(line, motor, forceN, turn);
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

/** Round a bend the inner side does less than the outer: both are drawn from one battery. */
function circuitPoint(
  line: Driveline,
  motor: { readonly torqueNm: number; readonly rpm: number },
  forceN: number,
  turn: TurnReport | undefined,
) {
  const hard = { torqueNm: motor.torqueNm, speedRadS: rpmToRadS(motor.rpm) };
  const bends = turn && turn.radiusM > 0 && turn.innerN !== turn.outerN;
  if (!bends) return pointAt(line.circuit, hard.torqueNm, hard.speedRadS);
  const innerForceN = forceN - line.outputs * (turn.outerN - turn.innerN);
  const { torqueNm } = wheelTorque.run(wheelTorqueInput(line, innerForceN));
  const inner = motorLoad.run(motorLoadInput(line, torqueNm, Math.max(0, turn.innerMps)));
  return pointOfTwoHalves(line.circuit, hard, {
    torqueNm: inner.torqueNm,
    speedRadS: rpmToRadS(inner.rpm),
  });
}

/** Resistance without air, steps and speeding up; where a duty asks neither, its own without air. */
export function steadyForce(build: Build, duty: Duty, own?: Resistance): number {
  const steady = !duty.step && !duty.upToSpeed && duty.acceleration.value === 0;
  return own && steady ? own.totalN - own.dragN : demandOf(build, steadyDuty(duty), 0).resistance.totalN;
}

/** What the attainable speed depends on: the duty's resistance without air, and the driveline. */
export const attainableInput = (
  build: Build,
  duty: Duty,
  line: Driveline,
  gripN: number | undefined,
  steadyN = steadyForce(build, duty),
): Attainable => ({
  circuit: line.circuit,
  ratio: line.ratio,
  efficiency: line.efficiency,
  wheelDiameterM: 2 * line.wheelRadiusM,
  steadyN,
  dragAreaM2: build.dragArea.value,
  airDensityKgM3: AIR_DENSITY,
  ...(gripN === undefined ? {} : { gripN }),
});

/** The same duty without speeding up, and without the step that it only takes at a crawl. */
export function steadyDuty({ step: _step, upToSpeed: _up, ...duty }: Duty): Duty {
  return { ...duty, acceleration: { ...duty.acceleration, value: 0 } };
}

/** The same as the calculator of the attainable speed takes it. */
export const attainableGiven = ({ circuit, ...rest }: Attainable) => ({ ...circuitInput(circuit), ...rest });
