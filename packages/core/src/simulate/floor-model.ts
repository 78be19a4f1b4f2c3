import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { balanceModel, type BalanceBody, type BalanceMotor } from './balance-model.ts';
import { touchOf, type FloorPoint } from './floor.ts';

/** Tyres of a balancer, each of them. */
export interface SpongyTyre {
  /** Pressed in, and along the ground where it pulls. */
  readonly stiffnessNPerM: number;
  readonly dampingNsPerM: number;
  readonly grip: number;
}

/** A balancer on two tyres that give, on a floor that need not be the same under both. */
export interface FloorVehicle {
  readonly body: BalanceBody;
  readonly motor: BalanceMotor;
  readonly tyre: SpongyTyre;
  /** Between its wheels. */
  readonly trackM: number;
  /** About axes through its middle of mass: upright, and along the way. */
  readonly yawInertiaKgM2: number;
  readonly rollInertiaKgM2: number;
  readonly floor: { readonly left: readonly FloorPoint[]; readonly right: readonly FloorPoint[] };
}

/** A wheel: how far it has turned, how fast it turns, and how far its tyre is wound up along the ground. */
export interface FloorWheel {
  readonly turnedRad: number;
  readonly radS: number;
  readonly woundM: number;
}

/** How a balancer on tyres stands: forward, up, and to the right are positive; `z` is from where its tyres are not pressed in. */
export interface FloorState {
  readonly x: number;
  readonly z: number;
  readonly lean: number;
  readonly yaw: number;
  readonly roll: number;
  readonly v: number;
  readonly climb: number;
  readonly leanRate: number;
  readonly yawRate: number;
  readonly rollRate: number;
  readonly left: FloorWheel;
  readonly right: FloorWheel;
}

/** What a tyre does in a moment: presses, pulls, slides, and what its motor draws and gives. */
export interface TyreMoment {
  readonly pressN: number;
  readonly pullN: number;
  readonly slipMps: number;
  readonly slips: boolean;
  readonly amps: number;
  readonly torqueNm: number;
}

/** A moment of the motion: its rates of change, and both tyres. */
export interface FloorMoment {
  readonly rates: FloorState;
  readonly left: TyreMoment;
  readonly right: TyreMoment;
  /** What tyres take in, W, beside what is taken back of those that slide. */
  readonly lostW: number;
}

/** The law of motion of a balancer on tyres. */
export interface FloorModel {
  readonly moment: (at: FloorState, told: number) => FloorMoment;
  /** Everything stored, in motion, height and tyres, J. */
  readonly energy: (at: FloorState) => number;
  /** How it stands at a lean, its tyres pressed in, at rest. */
  readonly standing: (leanRad: number) => FloorState;
  /** A roll that it does not come back from, rad. */
  readonly tipsRad: number;
  readonly quickest: number;
}

/** Forces of a tyre on its wheel, along and up, beside what it does. */
interface Push extends TyreMoment {
  readonly along: number;
  readonly up: number;
  readonly lostW: number;
}

const SIGNS = { left: 1, right: -1 } as const;
type Side = keyof typeof SIGNS;

/** One tyre on its ground: pressed in like a spring with a damper that never pulls, wound up along it as far as it grips. */
function tyreOn({ body, motor, tyre, trackM, floor }: FloorVehicle) {
  const { wheelRadiusM: r } = body;
  const { stiffnessNPerM: k, dampingNsPerM: c, grip } = tyre;
  const { amps } = balanceModel(body, motor);
  const perAmp = (motor.count / 2) * motor.ratio * motor.efficiency * motor.ktNmPerA;
  return (at: FloorState, side: Side, told: number): Push => {
    const half = (SIGNS[side] * trackM) / 2;
    const { radS, woundM } = at[side];
    const v = at.v + half * at.yawRate;
    const climb = at.climb + half * at.rollRate;
    const touch = touchOf(floor[side], at.x + half * at.yaw, r + at.z + half * at.roll, r);
    const { alongN, upN, depthM } = touch;
    const sinking = -(v * alongN + climb * upN);
    const pressN = depthM > 0 ? Math.max(0, k * depthM + c * sinking) : 0;
    const slipMps = r * radS - (v * upN - climb * alongN);
    const most = grip * pressN;
    const pulls = k * woundM + c * slipMps;
    const slips = Math.abs(pulls) >= most;
    const pullN = Math.min(most, Math.max(-most, pulls));
    const drawn = amps({ x: at.x, v: r * radS, lean: at.lean, rate: at.leanRate }, told);
    return {
      pressN,
      pullN,
      slipMps,
      slips,
      amps: drawn,
      torqueNm: perAmp * drawn,
      along: pressN * alongN + pullN * upN,
      up: pressN * upN - pullN * alongN,
      lostW: (depthM > 0 ? (pressN - k * depthM) * sinking : 0) + pullN * slipMps - k * woundM * slipMps,
    };
  };
}

/**
 * A balancer whose tyres give in the plane of the wheel, after Lagrange: way, height and lean are coupled by the body; each wheel
 * turns by itself, between its motor and a tyre that winds up, pulls no more than it grips, and may leave the ground. Yaw follows
 * from pulls that differ, roll from loads that do and from bends; sideways the wheels do not slide. Roll is taken as small, and
 * what it changes of the inertia in yaw is left out.
 */
export function floorModel(i: FloorVehicle): FloorModel {
  const { body, trackM, tyre, yawInertiaKgM2 } = i;
  const { bodyMassKg: m, cgHeightM: l, wheelRadiusM: r } = body;
  const massKg = m + body.wheelsMassKg;
  const wheel = body.wheelsInertiaKgM2 / 2;
  const rotor = body.rotorsInertiaKgM2 / 2;
  const spun = wheel + rotor;
  const about = body.bodyInertiaKgM2 + m * l ** 2 + 2 * rotor - (2 * rotor ** 2) / spun;
  const heightM = r + (m * l) / massKg;
  const overM = massKg * heightM;
  const rolls = i.rollInertiaKgM2 + massKg * heightM ** 2;
  const { stiffnessNPerM: k } = tyre;
  const push = tyreOn(i);
  const sinksM = (massKg * STANDARD_GRAVITY) / (2 * k);

  const moment: FloorModel['moment'] = (at, told) => {
    const left = push(at, 'left', told);
    const right = push(at, 'right', told);
    const sin = Math.sin(at.lean);
    const cos = Math.cos(at.lean);
    const { v, leanRate, yawRate, rollRate } = at;
    // What is known of each equation, before the lean's own acceleration is.
    const onX =
      left.along + right.along + m * l * sin * (leanRate ** 2 + yawRate ** 2) + overM * yawRate * rollRate;
    const onZ = left.up + right.up - massKg * STANDARD_GRAVITY + m * l * cos * leanRate ** 2;
    const driven = (of: Push): number => (rotor / spun) * (of.torqueNm - r * of.pullN) - of.torqueNm;
    const onLean =
      m * STANDARD_GRAVITY * l * sin +
      m * l ** 2 * sin * cos * yawRate ** 2 +
      driven(left) +
      driven(right) -
      (m * l * (cos * onX - sin * onZ)) / massKg;
    const alpha = onLean / (about - (m * l) ** 2 / massKg);
    const turns = (of: Push): number => (of.torqueNm - r * of.pullN + rotor * alpha) / spun;
    return {
      rates: {
        x: v,
        z: at.climb,
        lean: leanRate,
        yaw: yawRate,
        roll: rollRate,
        v: (onX - m * l * cos * alpha) / massKg,
        climb: (onZ + m * l * sin * alpha) / massKg,
        leanRate: alpha,
        yawRate:
          ((trackM / 2) * (left.along - right.along) -
            2 * m * l ** 2 * sin * cos * leanRate * yawRate -
            m * l * sin * v * yawRate) /
          (yawInertiaKgM2 + m * (l * sin) ** 2),
        rollRate:
          ((trackM / 2) * (left.up - right.up) + overM * (STANDARD_GRAVITY * at.roll - v * yawRate)) / rolls,
        left: { turnedRad: at.left.radS, radS: turns(left), woundM: left.slipMps },
        right: { turnedRad: at.right.radS, radS: turns(right), woundM: right.slipMps },
      },
      left,
      right,
      lostW: left.lostW + right.lostW,
    };
  };

  const standing = (lean: number): FloorState => {
    const still = { turnedRad: 0, radS: 0, woundM: 0 };
    return {
      ...{ x: 0, z: -sinksM, lean, yaw: 0, roll: 0 },
      ...{ v: 0, climb: 0, leanRate: 0, yawRate: 0, rollRate: 0 },
      ...{ left: still, right: still },
    };
  };
  return {
    moment,
    standing,
    energy: (at) => stored(i, { massKg, rolls, overM, spun }, at),
    tipsRad: Math.atan2(trackM / 2, heightM),
    quickest: quickestOf(i, { massKg, spun }),
  };
}

/** Energy in motion, height and tyres, J. */
function stored(
  { body, floor, trackM, tyre, yawInertiaKgM2 }: FloorVehicle,
  { massKg, rolls, overM, spun }: Record<'massKg' | 'rolls' | 'overM' | 'spun', number>,
  at: FloorState,
): number {
  const { bodyMassKg: m, cgHeightM: l, wheelRadiusM: r, rotorsInertiaKgM2: rotors } = body;
  const [sin, cos] = [Math.sin(at.lean), Math.cos(at.lean)];
  const of = (side: Side): number => {
    const half = (SIGNS[side] * trackM) / 2;
    const { depthM } = touchOf(floor[side], at.x + half * at.yaw, r + at.z + half * at.roll, r);
    const { radS, woundM } = at[side];
    return (
      (spun * radS ** 2) / 2 -
      (rotors / 2) * radS * at.leanRate +
      (tyre.stiffnessNPerM * (Math.max(0, depthM) ** 2 + woundM ** 2)) / 2
    );
  };
  return (
    (massKg * (at.v ** 2 + at.climb ** 2)) / 2 +
    m * l * at.leanRate * (at.v * cos - at.climb * sin) +
    ((body.bodyInertiaKgM2 + m * l ** 2 + rotors) * at.leanRate ** 2) / 2 +
    ((yawInertiaKgM2 + m * (l * sin) ** 2) * at.yawRate ** 2) / 2 +
    (rolls * at.rollRate ** 2) / 2 +
    STANDARD_GRAVITY * (massKg * at.z - m * l * (1 - cos) - (overM * at.roll ** 2) / 2) +
    of('left') +
    of('right')
  );
}

/** The quickest rate at which anything changes by itself, 1/s: tyres against wheels and body, and the motors. */
function quickestOf(
  { body, motor, tyre, trackM, rollInertiaKgM2, yawInertiaKgM2 }: FloorVehicle,
  { massKg, spun }: Record<'massKg' | 'spun', number>,
): number {
  const r = body.wheelRadiusM;
  // The least mass that the axle can be felt to have: of the wheels, with what the lean leaves of the body.
  const least =
    massKg -
    (body.bodyMassKg * body.cgHeightM) ** 2 / (body.bodyInertiaKgM2 + body.bodyMassKg * body.cgHeightM ** 2);
  const perN = r ** 2 / spun + 2 / Math.max(least, body.wheelsMassKg);
  const across = trackM ** 2 / 2 / Math.min(rollInertiaKgM2, yawInertiaKgM2);
  const eased = Math.max(perN, perN + across);
  return (
    Math.sqrt(tyre.stiffnessNPerM * eased) + tyre.dampingNsPerM * eased + balanceModel(body, motor).quickest
  );
}
