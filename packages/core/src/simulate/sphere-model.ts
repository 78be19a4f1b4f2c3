import { STANDARD_GRAVITY } from '../quantity/index.ts';
import type { Balance, BalanceMotor } from './balance-model.ts';

/** A sphere with a mass that climbs inside it: what turns, what climbs, and what goes along without either. */
export interface SphereBody {
  readonly innerKg: number;
  /** From the sphere's middle to the inner mass's. */
  readonly offsetM: number;
  /** Of the inner mass about its own middle. */
  readonly innerInertiaKgM2: number;
  readonly shellKg: number;
  readonly restKg: number;
  /** Of all motors, seen at the shell. */
  readonly rotorsInertiaKgM2: number;
  readonly radiusM: number;
  /** Rolling resistance over weight. */
  readonly rolling: number;
  readonly slopeRad: number;
}

/** The motion of a sphere, its motors under a voltage or let go. */
export interface SphereModel {
  /** Accelerations of the sphere along the ground, m/s², and of the inner mass's swing, rad/s². */
  readonly accelerations: (at: Balance, volts: number) => readonly [a: number, alpha: number];
  readonly amps: (at: Balance, volts: number) => number;
  /** Kinetic and potential energy over rest at the start, J. */
  readonly energy: (at: Balance) => number;
  /** What the motors put in, less what rolling takes, W. */
  readonly power: (at: Balance, volts: number) => number;
  /** The quickest rate at which anything changes by itself, 1/s. */
  readonly quickest: number;
}

/** Slower than this a roll counts as stopping: rolling resistance fades there, so that it turns no sign at once, m/s. */
const STOPPING_MPS = 2e-3;

/** A thin shell turns like so much of its mass at its radius (moment of inertia of a thin spherical shell, 2/3 m r²). */
export const THIN_SHELL = 2 / 3;

/**
 * The law of motion of a sphere that rolls without slip, after Lagrange: its way along the ground and the swing of the mass
 * inside, forward positive, which hangs from its middle and is pushed up by the motors between it and the shell.
 */
export function sphereModel(body: SphereBody, motor: BalanceMotor, letGo = false): SphereModel {
  const { innerKg: m, offsetM: e, radiusM: r, rotorsInertiaKgM2: rotors, slopeRad } = body;
  const weightKg = m + body.shellKg + body.restKg;
  const whole = weightKg + THIN_SHELL * body.shellKg + rotors / r ** 2;
  const about = m * e ** 2 + body.innerInertiaKgM2 + rotors;
  const coupled = (swing: number): number => m * e * Math.cos(swing - slopeRad) + rotors / r;
  const { count, ratio, efficiency, resistanceOhm, ktNmPerA: kt, limitA = Infinity } = motor;
  const amps = ({ v, rate }: Balance, volts: number): number =>
    letGo ? 0 : Math.min(limitA, Math.max(-limitA, (volts - kt * ratio * (v / r + rate)) / resistanceOhm));
  const torque = (at: Balance, volts: number): number => count * ratio * efficiency * kt * amps(at, volts);
  const downhill = weightKg * STANDARD_GRAVITY * Math.sin(slopeRad);
  const held = body.rolling * weightKg * STANDARD_GRAVITY * Math.cos(slopeRad);
  const rolling = ({ v }: Balance): number => (held * v) / Math.hypot(v, STOPPING_MPS);
  const damping = letGo ? 0 : (count * ratio ** 2 * efficiency * kt ** 2) / resistanceOhm;
  const solved = (swing: number, onPlace: number, onSwing: number): readonly [number, number] => {
    const c = coupled(swing);
    const det = whole * about - c ** 2;
    return [(about * onPlace - c * onSwing) / det, (whole * onSwing - c * onPlace) / det];
  };
  const [back, swung] = solved(slopeRad, damping / r, damping);
  return {
    amps,
    accelerations: (at, volts) => {
      const t = torque(at, volts);
      return solved(
        at.lean,
        t / r + m * e * at.rate ** 2 * Math.sin(at.lean - slopeRad) - downhill - rolling(at),
        t - m * STANDARD_GRAVITY * e * Math.sin(at.lean),
      );
    },
    energy: ({ x, v, lean, rate }) =>
      (whole * v ** 2 + about * rate ** 2) / 2 +
      coupled(lean) * v * rate +
      m * STANDARD_GRAVITY * e * (1 - Math.cos(lean)) +
      downhill * x,
    power: (at, volts) => torque(at, volts) * (at.v / r + at.rate) - rolling(at) * at.v,
    quickest: Math.max(
      Math.sqrt((m * STANDARD_GRAVITY * e * whole) / (whole * about - coupled(slopeRad) ** 2)),
      back / r + swung,
      held / (STOPPING_MPS * whole),
    ),
  };
}

/**
 * The nodding of a sphere on level ground, as s³ + a2 s² + a1 s + a0, motors shorted (or let go), rolling resistance left out.
 */
export function nodPolynomial(body: SphereBody, motor: BalanceMotor, letGo = false) {
  const { innerKg: m, offsetM: e, radiusM: r, rotorsInertiaKgM2: rotors } = body;
  const whole = m + body.shellKg * (1 + THIN_SHELL) + body.restKg + rotors / r ** 2;
  const about = m * e ** 2 + body.innerInertiaKgM2 + rotors;
  const coupled = m * e + rotors / r;
  const { count, ratio, efficiency, resistanceOhm, ktNmPerA: kt } = motor;
  const damping = letGo ? 0 : (count * ratio ** 2 * efficiency * kt ** 2) / resistanceOhm;
  const stiff = m * STANDARD_GRAVITY * e;
  const det = whole * about - coupled ** 2;
  return {
    a2: (damping * (whole + about / r ** 2 - (2 * coupled) / r)) / det,
    a1: (whole * stiff) / det,
    a0: (damping * stiff) / r ** 2 / det,
  };
}
