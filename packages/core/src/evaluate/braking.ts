import { contactsOf, rollsAway, type Axle, type Build, type Duty } from '../build/index.ts';
import { STANDARD_GRAVITY, bracketedRoot, radiansToDegrees } from '../contract/index.ts';
import { reactionRun, slowingBy, towedLoad } from '../ground/index.ts';
import { fullCommandTorque } from '../supply/index.ts';
import type { Driveline } from './driveline.ts';
import { LEAST_MASS, hitchLoadOf, loadsIn, massOf, towedInput, type Stance } from './footing.ts';
import { meanFigure, rollingForce } from './rolling.ts';
import { rotatingFactor } from './rotating.ts';
import { tippingIn } from './tipping.ts';
import type { BrakeReport } from './report.ts';

/** What is slowed and held: the vehicle and what it tows, which has no brake of its own. */
function massesOf(build: Build, duty: Duty) {
  const ownKg = Math.max(massOf(build, duty).massKg, LEAST_MASS);
  const towedKg = duty.towed?.mass.value ?? 0;
  return { ownKg, towedKg, massKg: ownKg + towedKg };
}

/** What the towed load pulls at the hitch, pushing negative, while it slows down so much on a grade; a rope only pulls. */
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
  cornerMps2: 0,
});

/** Weight on braked wheels, an electronic brake braking what is driven, and on the others while it slows down so much on a grade, and what they drag. */
function brakedPart(build: Build, duty: Duty, gradeRad: number, slowing: number) {
  const { loads } = loadsIn(build, duty, massOf(build, duty), slowingStance(build, duty, gradeRad, slowing));
  const contacts = contactsOf(build.layout).map(({ axle, driven }, at) => ({
    axleId: axle.id,
    driven,
    loadN: loads[at]?.loadN ?? 0,
  }));
  const brakedAxles = build.layout.axles.filter(({ braked }) => braked).map(({ id }) => id);
  const isBraked = (c: (typeof contacts)[number]): boolean =>
    build.brake.kind === 'electronic'
      ? c.driven
      : build.brake.kind === 'friction' && brakedAxles.includes(c.axleId);
  const braked = contacts.filter(isBraked);
  const free = contacts.filter((c) => !isBraked(c));
  const { towedKg, massKg } = massesOf(build, duty);
  const square = STANDARD_GRAVITY * Math.cos(gradeRad);
  const brakedN = braked.reduce((sum, c) => sum + Math.max(0, c.loadN), 0);
  const share = Math.min(1, brakedN / (massKg * square));
  const towedN = (duty.towed?.rolling.value ?? 0) * Math.max(0, towedKg * square - hitchLoadOf(build, duty));
  const freeN = rollingForce(build, duty, free) + towedN;
  const restN = (1 - share) * massKg * square;
  return {
    share,
    friction: meanFigure(build, duty, braked, 'friction'),
    rolling: brakedN > 0 ? rollingForce(build, duty, braked) / brakedN : 0,
    freeRolling: restN > 0 ? freeN / restN : 0,
    /** Of all wheels over all the weight. */
    meanRolling: (rollingForce(build, duty, contacts) + towedN) / (massKg * square),
  };
}

/** What the motors give back at most, as a force at the ground; undefined where no motor is chosen. */
const electronicForce = (line: Driveline | undefined): number | undefined =>
  line &&
  (line.outputs * line.motorsPerWheel * Math.max(0, fullCommandTorque(line.circuit, 0)) * line.ratio) /
    (line.efficiency * line.wheelRadiusM);

const forceOf = (build: Build, line: Driveline | undefined): number | undefined =>
  build.brake.kind === 'electronic' ? electronicForce(line) : build.brake.force?.value;

/** Whether the drive itself holds the speed until the brake bites: it brakes by its motors, or locks. */
const holdsSpeed = (build: Build, line: Driveline | undefined): boolean =>
  build.brake.kind === 'electronic' || line?.backEfficiency === 0;

/** Mass that is slowed over mass, what is towed counted in; the drive stays engaged. */
function slowedFactor(build: Build, duty: Duty): number {
  const { ownKg, massKg } = massesOf(build, duty);
  return 1 + ((rotatingFactor(build, ownKg) - 1) * ownKg) / massKg;
}

/** What the calculator of the time before the brake bites takes, on the way down the duty's slope. */
export function reactionInput(build: Build, duty: Duty, line: Driveline | undefined) {
  const gradeRad = -Math.abs(duty.grade.value);
  return {
    speedMps: duty.speed.value,
    reactionS: build.brake.reaction.value,
    gradeDeg: radiansToDegrees(gradeRad),
    rollingCoefficient: brakedPart(build, duty, gradeRad, 0).meanRolling,
    rotatingMassFactor: slowedFactor(build, duty),
    held: holdsSpeed(build, line),
  };
}

/** How hard it gathers speed down the duty's slope until the brake bites, m/s². */
export const gatheringIn = (build: Build, duty: Duty, line: Driveline | undefined): number =>
  reactionRun.run(reactionInput(build, duty, line)).gatheringMps2;

interface Braking {
  /** Facing down, negative. */
  readonly gradeRad: number;
  readonly slowing: number;
}

/** What the stopping calculator takes, with the wheel loads of so much slowing. */
export function stoppingInput(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  { gradeRad, slowing }: Braking,
  reaction = reactionInput(build, duty, line),
) {
  const { share, friction, rolling, freeRolling } = brakedPart(build, duty, gradeRad, slowing);
  const forceN = forceOf(build, line);
  return {
    speedMps: duty.speed.value,
    friction,
    brakedShare: Math.max(share, 1e-9),
    gradeDeg: radiansToDegrees(gradeRad),
    reactionS: reaction.reactionS,
    gatheringMps2: reactionRun.run(reaction).gatheringMps2,
    massKg: massesOf(build, duty).massKg,
    rollingCoefficient: rolling,
    unbrakedRollingCoefficient: freeRolling,
    rotatingMassFactor: reaction.rotatingMassFactor,
    ...(forceN === undefined ? {} : { brakeForceN: forceN }),
  };
}

/** Slowing is found to this, m/s². */
const TOLERANCE = 1e-9;

/** The slowing under so much at which it noses over on a grade, m/s²; Infinity where it does not, 0 where it falls at rest. */
export function liftSlowing(
  build: Build,
  duty: Duty,
  gradeRad: number,
  most = mostSlowing(build, duty),
): number {
  const keeps = (slowing: number): number => {
    const tipping = tippingIn(build, duty, slowingStance(build, duty, gradeRad, slowing));
    return tipping ? tipping.alongRightingNm - tipping.alongOverturningNm : 1;
  };
  if (keeps(0) <= 0) return 0;
  return keeps(most) >= 0 ? Infinity : bracketedRoot(keeps, 0, most, TOLERANCE);
}

/** More than any brake slows by: twice what grip of all the weight, of what is towed too, comes to. */
const mostSlowing = (build: Build, duty: Duty): number =>
  2 * STANDARD_GRAVITY * (1 + Math.max(...build.layout.axles.map((a) => frictionOf(build, duty, a))));

const frictionOf = (build: Build, duty: Duty, axle: Axle): number =>
  meanFigure(build, duty, [{ axleId: axle.id, loadN: 1 }], 'friction');

/** How hard it slows by grip and brake on a grade, with the wheel loads that then hold; 0 where it does not. */
export function brakedSlowing(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  gradeRad: number,
  reaction = reactionInput(build, duty, line),
): number {
  const slowingAt = (slowing: number): number =>
    slowingBy(stoppingInput(build, duty, line, { gradeRad, slowing }, reaction));
  const most = mostSlowing(build, duty);
  const beyond = (slowing: number): number => slowingAt(slowing) - slowing;
  if (beyond(0) <= 0) return 0;
  return beyond(most) >= 0 ? most : bracketedRoot(beyond, 0, most, TOLERANCE);
}

/** What a friction brake holds at rest, in newtons along the slope; without one, nothing. */
function holdingForce(build: Build, duty: Duty, gradeRad: number): number {
  if (build.brake.kind !== 'friction') return 0;
  const { massKg } = massesOf(build, duty);
  const { share, friction } = brakedPart(build, duty, gradeRad, 0);
  const gripN = friction * share * massKg * STANDARD_GRAVITY * Math.cos(gradeRad);
  return Math.min(gripN, build.brake.force?.value ?? Infinity);
}

/**
 * Stopping on the way down and holding at rest on a duty's slope, with the wheel loads that then hold. Held facing the
 * way the duty does, and coming down facing down: a vehicle that goes up must also come down. Nobody brakes harder than
 * to where an axle lifts.
 */
export function brakeOf(build: Build, duty: Duty, line: Driveline | undefined): BrakeReport | undefined {
  if (duty.task === 'drive' && !rollsAway(duty) && !duty.stopWithin) return undefined;
  if (build.layout.kind === 'winch') return undefined;
  const { massKg } = massesOf(build, duty);
  const downRad = -Math.abs(duty.grade.value);
  const holdNeedsN = massKg * STANDARD_GRAVITY * Math.abs(Math.sin(duty.grade.value));
  const reaction = reactionInput(build, duty, line);
  const run = reactionRun.run(reaction);
  const neededMps2 = slowingNeeded(duty, run);
  const base = {
    holdNeedsN,
    holdHasN: holdingForce(build, duty, duty.grade.value),
    ...(neededMps2 === undefined ? {} : { neededMps2 }),
  };
  // On the level it stops as it goes; on a slope it is the way down that counts.
  if (build.brake.kind === 'none' || !(duty.speed.value > 0)) return base;
  const byBrake = brakedSlowing(build, duty, line, downRad, reaction);
  const liftsAt = liftSlowing(build, duty, downRad, byBrake);
  const slowing = Math.min(byBrake, liftsAt);
  const lifts = liftsAt < byBrake ? { noses: true as const } : {};
  const given = stoppingInput(build, duty, line, { gradeRad: downRad, slowing }, reaction);
  const share = given.brakedShare;
  if (slowing <= 0) return { ...base, ...lifts, share, decelerationMps2: 0 };
  const gripN = given.friction * share * massKg * STANDARD_GRAVITY * Math.cos(downRad);
  return {
    ...base,
    ...lifts,
    share,
    decelerationMps2: slowing,
    distanceM: run.distanceM + run.speedMps ** 2 / (2 * slowing),
    timeS: build.brake.reaction.value + run.speedMps / slowing,
    brakeN: Math.min(gripN, forceOf(build, line) ?? Infinity),
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
