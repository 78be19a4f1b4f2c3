import { STANDARD_GRAVITY, radiansToDegrees } from '../quantity/index.ts';
import { bracketedRoot } from '../contract/index.ts';
import { type Driveline, rotatingFactor, together } from '../drive/index.ts';
import { reactionRun, slowingBy, towedLoad, type stopping } from '../ground/index.ts';
import { fullCommandTorque } from '../supply/index.ts';
import { taskOf, layoutKind, contactsOf, rollsAway, type Build, type Duty } from '../vehicle/index.ts';
import { LEAST_MASS, hitchLoadOf, loadsIn, massOf, towedInput, type Stance } from './footing.ts';
import type { BrakeReport } from './report.ts';
import { meanFigure, rollingForce } from './rolling.ts';
import { tippingIn } from './tipping.ts';

/** What is slowed and held: the vehicle and what it tows, which has no brake of its own. */
interface Slowed {
  readonly mass: ReturnType<typeof massOf>;
  readonly ownKg: number;
  readonly towedKg: number;
  readonly massKg: number;
  readonly isBraked: readonly boolean[];
}

/** How hard it slows down, m/s², on a grade; facing down, negative. */
interface Slowing {
  readonly gradeRad: number;
  readonly slowing: number;
}

function slowedIn(build: Build, duty: Duty): Slowed {
  const mass = massOf(build, duty);
  const ownKg = Math.max(mass.massKg, LEAST_MASS);
  const towedKg = duty.towed?.mass.value ?? 0;
  return { mass, ownKg, towedKg, massKg: ownKg + towedKg, isBraked: brakedAt(build) };
}

/**
 * What the towed load pulls at the hitch, pushing negative, while it slows down so much on a grade; a rope only pulls.
 *
 * @example towedPull(puffin, duty, 0, 0) // 0
 */
export const towedPull = (build: Build, duty: Duty, gradeRad: number, slowing: number): number =>
  towedLoad.run({
    ...towedInput(build, duty, { gradeRad, accelerationMps2: -slowing }),
    // At a stand it does not roll, and no plough or rope helps.
    ...(slowing === 0 ? { rollingCoefficient: 0 } : {}),
    extraN: 0,
  }).drawbarN;

/** How it stands while it slows down so much on a grade. */
export const slowingStance = (build: Build, duty: Duty, gradeRad: number, slowing: number): Stance => ({
  gradeRad,
  accelerationMps2: -slowing,
  drawbarN: towedPull(build, duty, gradeRad, slowing),
  pushN: 0,
  cornerMps2: 0,
});

/** Which contacts a brake holds: an electronic one what is driven. */
function brakedAt(build: Build): readonly boolean[] {
  const { kind } = build.brake;
  return contactsOf(build.layout).map(({ axle, driven }) =>
    kind === 'electronic' ? driven : kind === 'friction' && axle.braked,
  );
}

/** Weight on braked wheels and on the others while it slows down so much on a grade, and what they drag. */
function brakedPart(build: Build, duty: Duty, { mass, towedKg, massKg, isBraked }: Slowed, at: Slowing) {
  const { gradeRad, slowing } = at;
  const { loads } = loadsIn(build, duty, mass, slowingStance(build, duty, gradeRad, slowing));
  const contacts = contactsOf(build.layout).map(({ axle }, n) => ({
    axleId: axle.id,
    loadN: loads[n]?.loadN ?? 0,
  }));
  const braked = contacts.filter((_, n) => isBraked[n]);
  const free = contacts.filter((_, n) => !isBraked[n]);
  const square = STANDARD_GRAVITY * Math.cos(gradeRad);
  const brakedN = braked.reduce((sum, c) => sum + Math.max(0, c.loadN), 0);
  const share = Math.min(1, brakedN / (massKg * square));
  const towedN = (duty.towed?.rolling.value ?? 0) * Math.max(0, towedKg * square - hitchLoadOf(build, duty));
  const [brakedDragN, freeDragN] = [rollingForce(build, duty, braked), rollingForce(build, duty, free)];
  const restN = (1 - share) * massKg * square;
  return {
    share,
    friction: meanFigure(build, duty, braked, 'friction'),
    rolling: brakedN > 0 ? brakedDragN / brakedN : 0,
    freeRolling: restN > 0 ? (freeDragN + towedN) / restN : 0,
    /** Of all wheels over all the weight. */
    meanRolling: (brakedDragN + freeDragN + towedN) / (massKg * square),
  };
}

/**
 * What the motors give back at most, as a force at the ground: nothing where they do not push back or their driver only
 * switches; undefined where no motor is chosen.
 */
function electronicForce(line: Driveline | undefined): number | undefined {
  if (!line) return undefined;
  return together(line).reduce((sum, { brakes, outputs, motorsPerWheel, ratio, efficiency, ...one }) => {
    if (!brakes) return sum;
    const torqueNm = Math.max(0, fullCommandTorque(one.circuit, 0));
    return sum + (outputs * motorsPerWheel * torqueNm * ratio) / (efficiency * one.wheelRadiusM);
  }, 0);
}

const forceOf = (build: Build, line: Driveline | undefined): number | undefined =>
  build.brake.kind === 'electronic' ? electronicForce(line) : build.brake.force?.value;

/** Whether the drive itself holds the speed until the brake bites: it brakes by its motors, or locks. */
const holdsSpeed = (build: Build, line: Driveline | undefined): boolean =>
  (build.brake.kind === 'electronic' && (!line || together(line).some(({ brakes }) => brakes))) ||
  (line !== undefined && together(line).some(({ backEfficiency }) => backEfficiency === 0));

/** Mass that is slowed over mass, what is towed counted in; the drive stays engaged. */
const slowedFactor = (build: Build, { ownKg, massKg }: Slowed): number =>
  1 + ((rotatingFactor(build, ownKg) - 1) * ownKg) / massKg;

/** What the calculator of the time before the brake bites takes, on the way down the duty's slope. */
function reactionInput(build: Build, duty: Duty, line: Driveline | undefined, slowed: Slowed) {
  const gradeRad = -Math.abs(duty.grade.value);
  return {
    speedMps: duty.speed.value,
    reactionS: build.brake.reaction.value,
    gradeDeg: radiansToDegrees(gradeRad),
    rollingCoefficient: brakedPart(build, duty, slowed, { gradeRad, slowing: 0 }).meanRolling,
    rotatingMassFactor: slowedFactor(build, slowed),
    held: holdsSpeed(build, line),
  };
}

/** A duty's braking: what does not change with how hard it slows down, worked out once, and what does. */
export interface Braking {
  readonly massKg: number;
  /** Of the brake at the ground, N; undefined where only grip limits it. */
  readonly forceN: number | undefined;
  /** What the calculator of the time before the brake bites takes. */
  readonly reaction: ReturnType<typeof reactionInput>;
  /** More than any brake slows by, m/s². */
  readonly mostMps2: number;
  /** The run until the brake bites, down the duty's slope. */
  readonly run: ReturnType<typeof reactionRun.run>;
  /** Share of the weight on braked wheels and what they rub on, with the wheel loads of so much slowing. */
  readonly partAt: (at: Slowing) => ReturnType<typeof brakedPart>;
  /** What the stopping calculator takes, with the wheel loads of so much slowing. */
  readonly inputAt: (at: Slowing) => Parameters<typeof stopping.run>[0];
}

/** Twice what all the weight, of what is towed too, grips, drags and pulls straight downhill. */
function mostSlowing(build: Build, duty: Duty): number {
  const most = (key: 'friction' | 'rolling'): number =>
    Math.max(...build.layout.axles.map(({ id }) => meanFigure(build, duty, [{ axleId: id, loadN: 1 }], key)));
  const rolling = Math.max(most('rolling'), duty.towed?.rolling.value ?? 0);
  return 2 * STANDARD_GRAVITY * (1 + most('friction') + rolling);
}

/**
 * What brakes a vehicle in a duty: its brake, its motors, the grip of each axle while it slows.
 *
 * @example brakedSlowing(brakingIn(puffin, duty, line), 0.1) // 1.526
 */
export function brakingIn(build: Build, duty: Duty, line: Driveline | undefined): Braking {
  const slowed = slowedIn(build, duty);
  const { massKg } = slowed;
  const forceN = forceOf(build, line);
  const reaction = reactionInput(build, duty, line, slowed);
  const run = reactionRun.run(reaction);
  const partAt = (at: Slowing) => brakedPart(build, duty, slowed, at);
  const inputAt = (at: Slowing) => {
    const { share, friction, rolling, freeRolling } = partAt(at);
    return {
      speedMps: duty.speed.value,
      friction,
      brakedShare: Math.max(share, 1e-9),
      gradeDeg: radiansToDegrees(at.gradeRad),
      reactionS: reaction.reactionS,
      gatheringMps2: run.gatheringMps2,
      massKg,
      rollingCoefficient: rolling,
      unbrakedRollingCoefficient: freeRolling,
      rotatingMassFactor: reaction.rotatingMassFactor,
      ...(forceN === undefined ? {} : { brakeForceN: forceN }),
    };
  };
  return { massKg, forceN, reaction, run, mostMps2: mostSlowing(build, duty), partAt, inputAt };
}

/** Slowing is found to this, m/s². */
const TOLERANCE = 1e-9;

/** The slowing under so much at which it noses over on a grade, m/s²; Infinity where it does not, 0 where it falls at rest. */
function liftSlowing(build: Build, duty: Duty, gradeRad: number, most: number): number {
  const keeps = (slowing: number): number => {
    const tipping = tippingIn(build, duty, slowingStance(build, duty, gradeRad, slowing));
    return tipping ? tipping.alongRightingNm - tipping.alongOverturningNm : 1;
  };
  if (keeps(0) <= 0) return 0;
  return keeps(most) >= 0 ? Infinity : bracketedRoot(keeps, 0, most, TOLERANCE);
}

/**
 * How hard it slows by grip and brake on a grade, with the wheel loads that then hold; 0 where it does not.
 *
 * @example brakedSlowing(brakingIn(puffin, duty, line), 0) // 0.6805
 */
export function brakedSlowing(braking: Braking, gradeRad: number): number {
  const slowingAt = (slowing: number): number => slowingBy(braking.inputAt({ gradeRad, slowing }));
  const beyond = (slowing: number): number => slowingAt(slowing) - slowing;
  // With the loads at rest it is near; where the loads do not matter it is the answer.
  const near = slowingAt(0);
  if (near <= 0) return 0;
  const off = beyond(near);
  if (Math.abs(off) <= TOLERANCE) return near;
  if (off < 0) return bracketedRoot(beyond, 0, near, TOLERANCE);
  const { mostMps2 } = braking;
  return beyond(mostMps2) >= 0 ? mostMps2 : bracketedRoot(beyond, near, mostMps2, TOLERANCE);
}

/** What a friction brake holds at rest, in newtons along the slope; without one, nothing. */
function holdingForce(build: Build, braking: Braking, gradeRad: number): number {
  if (build.brake.kind !== 'friction') return 0;
  const { share, friction } = braking.partAt({ gradeRad, slowing: 0 });
  const gripN = friction * share * braking.massKg * STANDARD_GRAVITY * Math.cos(gradeRad);
  return Math.min(gripN, build.brake.force?.value ?? Infinity);
}

/** Whether a duty asks of the brakes: a stop, a hold, a slope to roll down, or a distance to stop in. */
const isBraked = (build: Build, duty: Duty): boolean =>
  !layoutKind(build.layout.kind).pullsByRope &&
  (!taskOf(duty).drives || rollsAway(duty) || duty.stopWithin !== undefined);

/**
 * Stopping on the way down and holding at rest on a duty's slope, with the wheel loads that then hold. Held facing the
 * way the duty does, and coming down facing down: a vehicle that goes up must also come down. Nobody brakes harder than
 * to where an axle lifts.
 *
 * @example brakeOf(puffin, duty, line)?.holdNeedsN // 273.1
 */
export function brakeOf(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  braking = () => brakingIn(build, duty, line),
): BrakeReport | undefined {
  if (!isBraked(build, duty)) return undefined;
  const brakes = braking();
  const { massKg, run } = brakes;
  const downRad = -Math.abs(duty.grade.value);
  const neededMps2 = slowingNeeded(duty, run);
  const base = {
    holdNeedsN: massKg * STANDARD_GRAVITY * Math.abs(Math.sin(duty.grade.value)),
    holdHasN: holdingForce(build, brakes, duty.grade.value),
    ...(neededMps2 === undefined ? {} : { neededMps2 }),
  };
  // On the level it stops as it goes; on a slope it is the way down that counts.
  if (build.brake.kind === 'none' || !(duty.speed.value > 0)) return base;
  const byBrake = brakedSlowing(brakes, downRad);
  const liftsAt = liftSlowing(build, duty, downRad, byBrake);
  const slowing = Math.min(byBrake, liftsAt);
  const lifts = liftsAt < byBrake ? { noses: true as const } : {};
  const { brakedShare, friction } = brakes.inputAt({ gradeRad: downRad, slowing });
  if (slowing <= 0) return { ...base, ...lifts, share: brakedShare, decelerationMps2: 0 };
  const gripN = friction * brakedShare * massKg * STANDARD_GRAVITY * Math.cos(downRad);
  return {
    ...base,
    ...lifts,
    share: brakedShare,
    decelerationMps2: slowing,
    distanceM: run.distanceM + run.speedMps ** 2 / (2 * slowing),
    timeS: build.brake.reaction.value + run.speedMps / slowing,
    brakeN: Math.min(gripN, brakes.forceN ?? Infinity),
  };
}

/** Slowing that no brake has: stands for a distance that is gone before the brake bites, m/s². */
const NO_BRAKE_SLOWS = 1e6;

/** How hard it must slow down to stop within a distance. */
function slowingNeeded(
  duty: Duty,
  run: { readonly distanceM: number; readonly speedMps: number },
): number | undefined {
  if (!duty.stopWithin) return undefined;
  const left = duty.stopWithin.value - run.distanceM;
  return left > 0 ? Math.min(run.speedMps ** 2 / (2 * left), NO_BRAKE_SLOWS) : NO_BRAKE_SLOWS;
}
