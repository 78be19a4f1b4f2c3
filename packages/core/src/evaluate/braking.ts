import { contactsOf, rollsAway, type Build, type Duty } from '../build/index.ts';
import { NotPhysical, STANDARD_GRAVITY, bracketedRoot, radiansToDegrees } from '../contract/index.ts';
import { stopping, towedLoad } from '../ground/index.ts';
import { fullCommandTorque } from '../supply/index.ts';
import type { Driveline } from './driveline.ts';
import { LEAST_MASS, groundOf, loadsIn, massOf, towedInput } from './footing.ts';
import type { BrakeReport } from './report.ts';

/** Which contacts a brake acts on: an electronic one brakes what is driven. */
const isBraked = (build: Build, axle: { readonly driven: boolean; readonly braked: boolean }): boolean =>
  build.brake.kind === 'electronic' ? axle.driven : build.brake.kind === 'friction' && axle.braked;

/** What is slowed and held: the vehicle and what it tows, which has no brake of its own. */
export function combinationOf(build: Build, duty: Duty): { massKg: number; rollingCoefficient: number } {
  const ownKg = Math.max(massOf(build, duty).massKg, LEAST_MASS);
  const towedKg = duty.towed?.mass.value ?? 0;
  const massKg = ownKg + towedKg;
  const own = ownKg * groundOf(build, duty).rolling.value;
  return { massKg, rollingCoefficient: (own + towedKg * (duty.towed?.rolling.value ?? 0)) / massKg };
}

/** What the towed load pulls at the hitch, pushing negative, while it slows down so much on a grade; a rope only pulls. */
export const towedPull = (duty: Duty, gradeRad: number, slowing: number): number =>
  towedLoad.run({
    ...towedInput(duty, { gradeRad, accelerationMps2: -slowing }),
    // At a stand it does not roll, and no plough or rope helps.
    ...(slowing === 0 ? { rollingCoefficient: 0 } : {}),
    extraN: 0,
  }).drawbarN;

/** Share of all the weight, of what is towed too, on the braked wheels while it slows down so much on that grade. */
function brakedShare(build: Build, duty: Duty, gradeRad: number, slowing: number): number {
  const { loads } = loadsIn(build, duty, massOf(build, duty), {
    gradeRad,
    accelerationMps2: -slowing,
    drawbarN: towedPull(duty, gradeRad, slowing),
    cornerMps2: 0,
  });
  const braked = contactsOf(build.layout).reduce(
    (sum, { axle }, at) => sum + (isBraked(build, axle) ? Math.max(0, loads[at]?.loadN ?? 0) : 0),
    0,
  );
  const acrossN = combinationOf(build, duty).massKg * STANDARD_GRAVITY * Math.cos(gradeRad);
  return Math.min(1, braked / acrossN);
}

/** What the motors give back at most, as a force at the ground; undefined where no motor is chosen. */
const electronicForce = (line: Driveline | undefined): number | undefined =>
  line &&
  (line.outputs * line.motorsPerWheel * Math.max(0, fullCommandTorque(line.circuit, 0)) * line.ratio) /
    (line.efficiency * line.wheelRadiusM);

const forceOf = (build: Build, line: Driveline | undefined): number | undefined =>
  build.brake.kind === 'electronic' ? electronicForce(line) : build.brake.force?.value;

/** What the stopping calculator takes, at a share of the weight on the braked wheels. */
export function stoppingInput(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  { gradeRad, share }: { readonly gradeRad: number; readonly share: number },
) {
  const ground = groundOf(build, duty);
  const forceN = forceOf(build, line);
  return {
    speedMps: duty.speed.value,
    friction: ground.friction.value,
    brakedShare: Math.max(share, 1e-9),
    gradeDeg: radiansToDegrees(gradeRad),
    reactionS: build.brake.reaction.value,
    ...combinationOf(build, duty),
    ...(forceN === undefined ? {} : { brakeForceN: forceN }),
  };
}

/** Speeds of slowing are found to this, m/s². */
const TOLERANCE = 1e-9;

/** The share of the weight on the braked wheels while they brake as hard as they can on a grade (downhill negative). */
export function shareWhileBraking(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  gradeRad: number,
): number {
  const shareAt = (slowing: number): number => brakedShare(build, duty, gradeRad, slowing);
  const slowingAt = (slowing: number): number => {
    try {
      return stopping.run(stoppingInput(build, duty, line, { gradeRad, share: shareAt(slowing) }))
        .decelerationMps2;
    } catch (error) {
      if (error instanceof NotPhysical) return 0;
      throw error;
    }
  };
  const most = 2 * STANDARD_GRAVITY * (1 + groundOf(build, duty).friction.value);
  const beyond = (slowing: number): number => slowingAt(slowing) - slowing;
  if (beyond(0) <= 0) return shareAt(0);
  return shareAt(beyond(most) >= 0 ? most : bracketedRoot(beyond, 0, most, TOLERANCE));
}

/** What a friction brake holds at rest, in newtons along the slope; without one, nothing. */
function holdingForce(build: Build, duty: Duty, gradeRad: number): number {
  if (build.brake.kind !== 'friction') return 0;
  const { massKg } = combinationOf(build, duty);
  const share = brakedShare(build, duty, gradeRad, 0);
  const gripN = groundOf(build, duty).friction.value * share * massKg * STANDARD_GRAVITY * Math.cos(gradeRad);
  return Math.min(gripN, build.brake.force?.value ?? Infinity);
}

/**
 * Stopping on the way down and holding at rest on a duty's slope, with the wheel loads that then hold. Held facing the
 * way the duty does, and coming down facing down: a vehicle that goes up must also come down.
 */
export function brakeOf(build: Build, duty: Duty, line: Driveline | undefined): BrakeReport | undefined {
  if (duty.task === 'drive' && !rollsAway(duty)) return undefined;
  if (build.layout.kind === 'winch') return undefined;
  const { massKg } = combinationOf(build, duty);
  const downRad = -Math.abs(duty.grade.value);
  const holdNeedsN = massKg * STANDARD_GRAVITY * Math.abs(Math.sin(duty.grade.value));
  const base = { holdNeedsN, holdHasN: holdingForce(build, duty, duty.grade.value) };
  // On the level it stops as it goes; on a slope it is the way down that counts.
  if (build.brake.kind === 'none' || !(duty.speed.value > 0)) return base;
  const share = shareWhileBraking(build, duty, line, downRad);
  try {
    const { decelerationMps2, distanceM, timeS } = stopping.run(
      stoppingInput(build, duty, line, { gradeRad: downRad, share }),
    );
    const { massKg: slowedKg } = combinationOf(build, duty);
    const gripN =
      groundOf(build, duty).friction.value * share * slowedKg * STANDARD_GRAVITY * Math.cos(downRad);
    const brakeN = Math.min(gripN, forceOf(build, line) ?? Infinity);
    return { ...base, share, decelerationMps2, distanceM, timeS, brakeN };
  } catch (error) {
    if (!(error instanceof NotPhysical)) throw error;
    return { ...base, share, decelerationMps2: 0 };
  }
}
