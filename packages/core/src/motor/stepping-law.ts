import { WORTH_RECKONING, type MotorModel, type MotorPoint } from './model.ts';

/** What a phase sees at a speed: resistance, reactance, what the turning makes, what may flow, what drives it. */
export interface Phase {
  readonly k: number;
  readonly ohm: number;
  readonly reactance: number;
  readonly backV: number;
  readonly driveA: number;
  readonly supplyV: number;
}

/** The greatest torque over the load angle, with voltage and current each within its limit. */
export function pullOut({ k, ohm: r, reactance: x, backV: e, driveA: d, supplyV: v }: Phase) {
  if ((r * d + e) ** 2 + (x * d) ** 2 <= v * v)
    return { torqueNm: k * d, currentA: d, limitedBy: 'current' as const };
  const zz = r * r + x * x;
  const z = Math.sqrt(zz);
  const currentSquared = (v * v + e * e - (2 * v * e * r) / z) / zz;
  if (currentSquared <= d * d)
    return {
      torqueNm: k * (v / z - (e * r) / zz),
      currentA: Math.sqrt(currentSquared),
      limitedBy: 'voltage' as const,
    };
  const c = (v * v - e * e - zz * d * d) / (2 * e);
  const under = zz * d * d - c * c;
  return {
    torqueNm: under < 0 ? NaN : (k * (r * c + x * Math.sqrt(under))) / zz,
    currentA: d,
    limitedBy: 'voltage' as const,
  };
}

/** A stepping motor and the driver behind it. */
export interface SteppingConstants {
  /** Torque constant of a phase, N·m/A. */
  readonly k: number;
  /** Resistance of a phase, Ω, and its inductance, H. */
  readonly resistanceOhm: number;
  readonly henry: number;
  readonly stepsPerTurn: number;
  /** Peak current of a phase that its driver is set to, A. */
  readonly driveA: number;
}

/** How it stands at a point. The least volts of it are looked for only where they are asked: that takes long. */
class SteppingPoint implements MotorPoint {
  constructor(
    readonly currentA: number,
    readonly motorV: number,
    private readonly looked: () => number,
  ) {}

  get leastV(): number {
    return this.looked();
  }
}

/** A speed that no stepping motor reaches, rad/s, and volts that none is given. */
const PAST_ANY = 1e5;
const HALVINGS = 60;
/** Full steps a second past which none of them follows: 3,000 rpm at 200 a turn (common practice, no source). */
const MOST_STEPS = 10_000;

/**
 * A two-phase stepping motor whose driver holds its current: it draws what heats its windings whether it pulls or not, and what
 * its shaft gives beside. It follows its steps up to the pull-out torque and loses them past it.
 *
 * @example steppingMotor({ k: 0.3, resistanceOhm: 2, henry: 0.003, stepsPerTurn: 200, driveA: 1 }).torqueAt(24, 0) // 0.3 N·m
 */
export function steppingMotor(constants: SteppingConstants): MotorModel {
  const { k, resistanceOhm: ohm, henry, stepsPerTurn, driveA } = constants;
  const heatW = driveA * driveA * ohm;
  const mostRadS = (MOST_STEPS * 2 * Math.PI) / stepsPerTurn;
  const torqueAt = (supplyV: number, speedRadS: number): number => {
    if (Math.abs(speedRadS) > mostRadS) return 0;
    const { torqueNm } = pullOut({
      k,
      ohm,
      reactance: Math.abs(speedRadS) * (stepsPerTurn / 4) * henry,
      backV: k * Math.abs(speedRadS),
      driveA,
      supplyV,
    });
    return torqueNm > 0 ? torqueNm : 0;
  };
  /** Where a rising test turns true, by halving from nothing to `most`. */
  const turnsAt = (most: number, test: (x: number) => boolean): number => {
    let [low, high] = [0, most];
    for (let n = 0; n < HALVINGS; n += 1) {
      const middle = (low + high) / 2;
      if (test(middle)) high = middle;
      else low = middle;
    }
    return high;
  };
  return {
    torqueAt,
    pointAt: (torqueNm, speedRadS) =>
      new SteppingPoint(driveA, (heatW + Math.max(0, torqueNm * speedRadS)) / driveA, () =>
        turnsAt(PAST_ANY, (supplyV) => torqueAt(supplyV, speedRadS) >= Math.abs(torqueNm)),
      ),
    fastestRadS: (supplyV) => {
      const leastNm = WORTH_RECKONING * torqueAt(supplyV, 0);
      return turnsAt(PAST_ANY, (speedRadS) => torqueAt(supplyV, speedRadS) <= leastNm);
    },
    idleNm: 0,
    brakes: true,
  };
}
