import { dutyReport } from '../capability/index.ts';
import { propelling } from '../drive/index.ts';
import { USUAL_MISMATCH } from '../driving/index.ts';
import { coldRises, heated } from '../motor/index.ts';
import { celsiusToKelvin, degreesToRadians, kelvinToCelsius, STANDARD_GRAVITY } from '../quantity/index.ts';
import { nudgedBalance } from '../simulate/index.ts';
import {
  bankOf,
  layoutKind,
  motorOf,
  motorThermal,
  turnsUnder,
  whole,
  type Build,
  type Duty,
} from '../vehicle/index.ts';
import { amountsIn, numberIn, type TrialConditions } from './reading.ts';

/**
 * Speed of the motor's shaft, that of its gearhead where it has one, at the highest power of a set, under its load, on the battery
 * as it is, rad/s. Undefined where nobody said the load: what a brake pad takes is not to be guessed.
 */
export function shaftSpeed(build: Build, conditions: TrialConditions): number | undefined {
  const motor = motorOf(build);
  const load = numberIn(conditions, 'load');
  if (!motor || load === undefined) return undefined;
  const full = numberIn(conditions, 'batteryBefore') ?? bankOf(build)?.nominalV ?? motor.voltageV;
  return turnsUnder(motor, full * Math.max(0, ...amountsIn(conditions, 'powers')), load);
}

/** So long that every motor has settled, s. */
const SETTLED_S = 1e7;

/** The temperature that a motor's housing is bound for while it does a job without end, K; undefined where it runs away. */
export function motorBoundFor(build: Build, duty: Duty, conditions: TrialConditions): number | undefined {
  const seen = propelling(build)[0];
  const ambient = numberIn(conditions, 'ambient');
  if (!seen || ambient === undefined) return undefined;
  const currentA = dutyReport(whole(build), duty, seen.line).point?.currentA;
  if (currentA === undefined) return undefined;
  const thermal = motorThermal(seen.line.motor);
  const ambientC = kelvinToCelsius(ambient);
  const [housing = NaN] = heated(thermal, coldRises(thermal), currentA, ambientC, SETTLED_S);
  return housing < BURNT_K ? celsiusToKelvin(ambientC + housing) : undefined;
}
/** A motor that rises by more than this has no housing left to read. */
const BURNT_K = 400;

/** How far a balancer runs after a bag of sand has swung into it, m; undefined where the bag is not stated, or it falls. */
export function farthestNudged(build: Build, conditions: TrialConditions): number | undefined {
  const [bagKg, dropM] = [numberIn(conditions, 'bag'), numberIn(conditions, 'drop')];
  if (bagKg === undefined || dropM === undefined) return undefined;
  // Sand does not bounce: all of the bag's momentum goes over.
  return nudgedBalance(build, bagKg * Math.sqrt(2 * STANDARD_GRAVITY * dropM));
}

/** What the wheels of both sides differ by: right over left, and how far that may be off. */
export function wheelsAlike(build: Build): { readonly ratio: number; readonly within: number } {
  const { rightLarger, wheels } = build.driving?.mismatch ?? USUAL_MISMATCH;
  return { ratio: 1 + rightLarger, within: wheels };
}

/** How a steering comes back to straight by what the build says of its linkage, radians. */
export function steeringComesBack(
  build: Build,
): { readonly play: number; readonly within: number } | undefined {
  const { turning } = layoutKind(build.layout.kind);
  if (turning !== 'steered' && turning !== 'swivel') return undefined;
  const { steerDeg, playDeg } = build.driving?.mismatch ?? USUAL_MISMATCH;
  return { play: degreesToRadians(playDeg), within: degreesToRadians(steerDeg) };
}
