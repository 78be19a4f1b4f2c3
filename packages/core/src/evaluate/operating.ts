import type { Build, Duty } from '../build/index.ts';
import { bracketedRoot, rpmToRadS } from '../contract/index.ts';
import { wheelTorque } from '../ground/index.ts';
import { pointAt } from '../supply/index.ts';
import { resistanceOf } from './demand.ts';
import { motorLoad } from '../transmission/index.ts';
import { greatestPull, type Driveline } from './driveline.ts';
import type { DutyPoint, Footing } from './report.ts';

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

/** Speeds are found to this share of the motor's free-running road speed. */
const SPEED_TOLERANCE = 1e-9;
/** A downhill runaway is followed to this many times the free-running speed. */
const GREATEST_OVERSPEED = 64;

/**
 * The speed a duty settles at with full command, m/s: where the greatest force, grip included, meets the steady
 * resistance. 0 where it does not start.
 */
export function attainableSpeed(build: Build, duty: Duty, line: Driveline, footing: Footing): number {
  const steady: Duty = { ...duty, acceleration: { ...duty.acceleration, value: 0 } };
  const still = resistanceOf(build, steady, 0);
  const drag = resistanceOf(build, steady, 1).totalN - still.totalN;
  const surplus = (speedMps: number): number => {
    const pull = Math.max(-footing.gripN, Math.min(footing.gripN, greatestPull(line, speedMps)));
    return pull - still.totalN - drag * speedMps * speedMps;
  };
  if (surplus(0) <= 0) return 0;
  const { openCircuitV, keVsPerRad } = line.circuit;
  const freeMps = (openCircuitV / keVsPerRad / line.ratio) * line.wheelRadiusM;
  let high = freeMps;
  while (surplus(high) > 0 && high < GREATEST_OVERSPEED * freeMps) high *= 2;
  return surplus(high) > 0 ? high : bracketedRoot(surplus, 0, high, SPEED_TOLERANCE * freeMps);
}
