import type { Build, Duty } from '../build/index.ts';
import { NotPhysical, STANDARD_GRAVITY, bracketedRoot, radiansToDegrees } from '../contract/index.ts';
import { stopping } from '../ground/index.ts';
import { fullCommandTorque } from '../supply/index.ts';
import type { Driveline } from './driveline.ts';
import { groundOf, loadsIn, massOf, LEAST_MASS, type Stance } from './footing.ts';
import type { BrakeReport } from './report.ts';
import { contactsOf } from '../build/index.ts';

/** Which contacts a brake acts on: an electronic one brakes what is driven. */
const isBraked = (build: Build, axle: { readonly driven: boolean; readonly braked: boolean }): boolean =>
  build.brake.kind === 'electronic' ? axle.driven : build.brake.kind === 'friction' && axle.braked;

/** Share of the weight on the braked wheels while it slows down so much, on that grade. */
function brakedShare(build: Build, duty: Duty, stance: Stance): number {
  const mass = massOf(build, duty);
  const { loads, acrossN } = loadsIn(build, duty, mass, stance);
  const braked = contactsOf(build.layout).reduce(
    (sum, { axle }, at) => sum + (isBraked(build, axle) ? Math.max(0, loads[at]?.loadN ?? 0) : 0),
    0,
  );
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
    massKg: Math.max(massOf(build, duty).massKg, LEAST_MASS),
    ...(forceN === undefined ? {} : { brakeForceN: forceN }),
    rollingCoefficient: ground.rolling.value,
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
  const shareAt = (slowing: number): number =>
    brakedShare(build, duty, { gradeRad, accelerationMps2: -slowing, drawbarN: 0, cornerMps2: 0 });
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

/** Friction drives no brake: what holds at rest, in newtons along the slope. */
function holdingForce(build: Build, duty: Duty, gradeRad: number): number {
  if (build.brake.kind !== 'friction') return 0;
  const share = brakedShare(build, duty, { gradeRad, accelerationMps2: 0, drawbarN: 0, cornerMps2: 0 });
  const { massKg } = massOf(build, duty);
  const gripN = groundOf(build, duty).friction.value * share * massKg * STANDARD_GRAVITY * Math.cos(gradeRad);
  return Math.min(gripN, build.brake.force?.value ?? Infinity);
}

/** Steeper than this a vehicle left to itself rolls away (common practice, no source): radians. */
export const ROLLS_AWAY = (2 * Math.PI) / 180;

/**
 * Stopping on the way down and holding at rest on a duty's slope, with the wheel loads that then hold. Held facing the
 * way the duty does, and coming down facing down: a vehicle that goes up must also come down.
 */
export function brakeOf(build: Build, duty: Duty, line: Driveline | undefined): BrakeReport | undefined {
  const steep = Math.abs(duty.grade.value) > ROLLS_AWAY;
  if (duty.task === 'drive' && !steep) return undefined;
  if (build.layout.kind === 'winch') return undefined;
  const { massKg } = massOf(build, duty);
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
    return { ...base, share, decelerationMps2, distanceM, timeS };
  } catch (error) {
    if (!(error instanceof NotPhysical)) throw error;
    return { ...base, share, decelerationMps2: 0 };
  }
}
