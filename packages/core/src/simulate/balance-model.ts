import { STANDARD_GRAVITY } from '../quantity/index.ts';

/** A body on wheels of one axle: what leans, what rolls, and the rotors between them. */
export interface BalanceBody {
  readonly bodyMassKg: number;
  readonly cgHeightM: number;
  readonly bodyInertiaKgM2: number;
  readonly wheelsMassKg: number;
  readonly wheelsInertiaKgM2: number;
  readonly rotorsInertiaKgM2: number;
  readonly wheelRadiusM: number;
}

/** The motors that drive its wheels, all alike. */
export interface BalanceMotor {
  readonly count: number;
  readonly ratio: number;
  readonly efficiency: number;
  readonly resistanceOhm: number;
  readonly ktNmPerA: number;
  readonly voltageV: number;
  /** The most that its driver lets through, A; no limit where it is left away. */
  readonly limitA?: number;
  /**
   * Where its driver holds a speed by itself: so many times as stiffly as the motor does at a steady voltage. It is told metres a
   * second of the wheel against the body then, and volts where this is left away.
   */
  readonly heldTimes?: number;
}

/**
 * The most that motors can be told: their voltage, or the speed that it gives without load.
 */
export const mostTold = (
  { voltageV, heldTimes, ktNmPerA, ratio }: BalanceMotor,
  { wheelRadiusM }: Pick<BalanceBody, 'wheelRadiusM'>,
): number => (heldTimes === undefined ? voltageV : (voltageV * wheelRadiusM) / (ktNmPerA * ratio));

/** Volts for what is told at a metre a second of the wheel against the body; 1 where volts are told. */
export const voltsPerTold = (
  { heldTimes, ktNmPerA, ratio }: BalanceMotor,
  { wheelRadiusM }: Pick<BalanceBody, 'wheelRadiusM'>,
): number => (heldTimes === undefined ? 1 : (ktNmPerA * ratio) / wheelRadiusM);

/** How it stands: place of the axle, m, its speed, m/s, the lean, rad, and how fast that changes, rad/s; forward is positive. */
export interface Balance {
  readonly x: number;
  readonly v: number;
  readonly lean: number;
  readonly rate: number;
}

/** The motion of a balancer under what its motors are told: a voltage, or a speed. */
export interface BalanceModel {
  /** Accelerations of the axle, m/s², and of the lean, rad/s². */
  readonly accelerations: (at: Balance, told: number) => readonly [a: number, alpha: number];
  /** What a motor draws, A. */
  readonly amps: (at: Balance, told: number) => number;
  /** Speed and rate after a push on the body at its centre of mass, N·s. */
  readonly pushed: (at: Balance, impulseNs: number) => Balance;
  /** Kinetic and potential energy over upright at rest, J. */
  readonly energy: (at: Balance) => number;
  /** Power that the motors put in at wheels and body, W. */
  readonly power: (at: Balance, told: number) => number;
  /** The quickest rate at which anything changes by itself, 1/s. */
  readonly quickest: number;
}

/** Leans at which the quickest rate is looked for, rad: upright, and as far as it is followed. */
const LEANS = [0, Math.PI / 4];

/**
 * The law of motion of a balancer whose wheels roll without slip, after Lagrange: place of the axle and lean, coupled by the
 * body's centre of mass and by rotors that turn with the wheels less the body.
 */
export function balanceModel(body: BalanceBody, motor: BalanceMotor): BalanceModel {
  const { bodyMassKg: m, cgHeightM: l, rotorsInertiaKgM2: rotors, wheelRadiusM: r } = body;
  const whole = m + body.wheelsMassKg + (body.wheelsInertiaKgM2 + rotors) / r ** 2;
  const about = body.bodyInertiaKgM2 + m * l ** 2 + rotors;
  const coupled = (lean: number): number => m * l * Math.cos(lean) - rotors / r;
  /** The accelerations that generalised forces on place and lean give. */
  const solved = (lean: number, onPlace: number, onLean: number): readonly [number, number] => {
    const c = coupled(lean);
    const det = whole * about - c ** 2;
    return [(about * onPlace - c * onLean) / det, (whole * onLean - c * onPlace) / det];
  };
  const { count, ratio, efficiency, resistanceOhm, ktNmPerA: kt, voltageV, heldTimes = 1 } = motor;
  const { limitA = Infinity } = motor;
  const perTold = voltsPerTold(motor, body);
  const amps = ({ v, rate }: Balance, told: number): number => {
    const backV = kt * ratio * (v / r - rate);
    // A driver that holds a speed adds to its volts what the motor is off it, as far as the battery goes.
    const volts = heldTimes * perTold * told - (heldTimes - 1) * backV;
    const given = motor.heldTimes === undefined ? told : Math.min(voltageV, Math.max(-voltageV, volts));
    return Math.min(limitA, Math.max(-limitA, (given - backV) / resistanceOhm));
  };
  const torque = (at: Balance, told: number): number => count * ratio * efficiency * kt * amps(at, told);
  const damping = (heldTimes * count * ratio ** 2 * efficiency * kt ** 2) / resistanceOhm;
  const quickest = Math.max(
    ...LEANS.map((lean) => {
      const [a, alpha] = solved(lean, damping / r, -damping);
      const c = coupled(lean);
      const falls = Math.sqrt((m * STANDARD_GRAVITY * l * whole) / (whole * about - c ** 2));
      return Math.max(falls, a / r - alpha);
    }),
  );
  return {
    quickest,
    amps,
    accelerations: (at, told) => {
      const t = torque(at, told);
      const sin = Math.sin(at.lean);
      return solved(at.lean, t / r + m * l * at.rate ** 2 * sin, m * STANDARD_GRAVITY * l * sin - t);
    },
    pushed: (at, impulseNs) => {
      const [dv, dRate] = solved(at.lean, impulseNs, impulseNs * l * Math.cos(at.lean));
      return { ...at, v: at.v + dv, rate: at.rate + dRate };
    },
    energy: ({ v, lean, rate }) =>
      (whole * v ** 2 + about * rate ** 2) / 2 +
      coupled(lean) * v * rate -
      m * STANDARD_GRAVITY * l * (1 - Math.cos(lean)),
    power: (at, told) => torque(at, told) * (at.v / r - at.rate),
  };
}
