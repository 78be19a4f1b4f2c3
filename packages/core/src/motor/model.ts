/** Less than this of its stall torque is no pull worth reckoning with (common practice, no source). */
export const WORTH_RECKONING = 0.02;

/** What flows at a point of a motor: its power is the one times the other. */
export interface MotorPoint {
  readonly currentA: number;
  readonly motorV: number;
  /** The least volts at which it gives this. */
  readonly leastV: number;
}

/** A winding at one speed: so many volts against, and so many ohms. */
export interface Winding {
  readonly ohm: number;
  readonly backV: number;
}

/** A motor through whose winding the supply drives what it can: a resistance and a voltage at each speed, a torque by its current. */
export interface Driven {
  readonly at: (speedRadS: number) => Winding;
  readonly torqueOf: (currentA: number) => number;
}

/**
 * What a motor of any kind does, steady, of its own shaft (a gearhead is a stage). What lies between it and its supply, leads
 * and driver channel, is in its resistance. Speeds are rad/s and torques N·m.
 */
export interface MotorModel {
  /** The most torque on so many volts at a speed. Above its free speed a motor with magnets brakes: the torque is negative. */
  readonly torqueAt: (voltageV: number, speedRadS: number) => number;
  /** What it takes to give a torque at a speed. */
  readonly pointAt: (torqueNm: number, speedRadS: number) => MotorPoint;
  /** A speed that it does not pass by its own pull, or past which its pull is not worth reckoning with. */
  readonly fastestRadS: (voltageV: number) => number;
  /** What turning it by hand, unpowered, takes. */
  readonly idleNm: number;
  /** Its winding; absent where its driver holds the current whatever it does. */
  readonly winding?: Driven;
  /** Whether it pushes back where the vehicle pushes it, so that its driver may brake with it. */
  readonly brakes: boolean;
  /** The constants of a motor with magnets. */
  readonly constants?: MagnetConstants;
}

/** What a motor with permanent magnets and a commutator, of copper or of transistors, is known by. */
export interface MagnetConstants {
  readonly resistanceOhm: number;
  readonly keVsPerRad: number;
  readonly ktNmPerA: number;
  readonly noLoadA: number;
}

/**
 * A motor with permanent magnets: V = I R + ke ω, T = kt (I − I0).
 *
 * @example magnetMotor({ resistanceOhm: 1, keVsPerRad: 0.1, ktNmPerA: 0.1, noLoadA: 0 }).torqueAt(12, 0) // 1.2 N·m
 */
export function magnetMotor(constants: MagnetConstants): MotorModel {
  const { resistanceOhm: ohm, keVsPerRad, ktNmPerA, noLoadA } = constants;
  const torqueOf = (currentA: number): number => ktNmPerA * (currentA - noLoadA);
  return {
    torqueAt: (voltageV, speedRadS) => torqueOf((voltageV - keVsPerRad * speedRadS) / ohm),
    pointAt: (torqueNm, speedRadS) => {
      const currentA = torqueNm / ktNmPerA + noLoadA;
      const motorV = currentA * ohm + keVsPerRad * speedRadS;
      return { currentA, motorV, leastV: motorV };
    },
    fastestRadS: (voltageV) => voltageV / keVsPerRad,
    idleNm: ktNmPerA * noLoadA,
    winding: { at: (speedRadS) => ({ ohm, backV: keVsPerRad * speedRadS }), torqueOf },
    brakes: true,
    constants,
  };
}

/** A motor whose field is wound in series with its armature. */
export interface SeriesConstants {
  /** Torque over current squared, N·m/A². */
  readonly constant: number;
  readonly resistanceOhm: number;
  /** Torque that its own friction takes, N·m. */
  readonly frictionNm: number;
}

/**
 * A series-wound motor below saturation: V = I (R + k ω), T = k I² − Tf. It drives one way only, and has no magnets to brake
 * with: pushed, it gives no more than its friction.
 *
 * @example seriesMotor({ constant: 0.01, resistanceOhm: 0.1, frictionNm: 0 }).torqueAt(12, 0) // 144
 */
export function seriesMotor({ constant: k, resistanceOhm, frictionNm }: SeriesConstants): MotorModel {
  const torqueOf = (currentA: number): number => k * currentA * Math.abs(currentA) - frictionNm;
  const ohmAt = (speedRadS: number): number => resistanceOhm + k * Math.max(0, speedRadS);
  return {
    torqueAt: (voltageV, speedRadS) => torqueOf(voltageV / ohmAt(speedRadS)),
    pointAt: (torqueNm, speedRadS) => {
      const currentA = Math.sqrt(Math.max(0, torqueNm + frictionNm) / k);
      const motorV = currentA * ohmAt(speedRadS);
      return { currentA, motorV, leastV: motorV };
    },
    fastestRadS: (voltageV) => {
      const stallNm = k * (voltageV / resistanceOhm) ** 2;
      const leastNm = Math.max(frictionNm, WORTH_RECKONING * stallNm);
      return Math.max(0, voltageV * Math.sqrt(k / leastNm) - resistanceOhm) / k;
    },
    idleNm: frictionNm,
    winding: { at: (speedRadS) => ({ ohm: ohmAt(speedRadS), backV: 0 }), torqueOf },
    brakes: false,
  };
}

/** Said where the constants of a motor are asked that has none. */
export const OTHER_LAW =
  'This motor has no magnets and so no constants: it is judged by the law of its own type. Its points are among the quick sums.';
