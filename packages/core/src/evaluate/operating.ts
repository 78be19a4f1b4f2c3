import type { Build, Duty } from '../build/index.ts';
import { bracketedRoot, radSToRpm } from '../contract/index.ts';
import { pointAt } from '../supply/index.ts';
import { resistanceOf } from './demand.ts';
import { greatestPull, throughTrain, type Driveline } from './driveline.ts';
import type { DutyPoint, Footing, Resistance } from './report.ts';

/** What each motor and the battery do to hold the duty's force and speed. */
export function dutyPoint(line: Driveline, duty: Duty, resistance: Resistance): DutyPoint {
  const wheelTorqueNm = (resistance.totalN * line.wheelRadiusM) / line.wheels;
  const wheelRadS = duty.speed.value / line.wheelRadiusM;
  // The inverse of the way out: driven, losses add to what the motor must give; pushed, they take from it.
  const motorTorqueNm =
    throughTrain(wheelTorqueNm, 1 / line.ratio, 1 / line.efficiency) / line.motorsPerWheel;
  const motorRadS = wheelRadS * line.ratio;
  const { currentA, motorV, batteryA, batteryV, reachable } = pointAt(line.circuit, motorTorqueNm, motorRadS);
  return {
    wheelTorqueNm,
    wheelRpm: radSToRpm(wheelRadS),
    motorTorqueNm,
    motorRpm: radSToRpm(motorRadS),
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
