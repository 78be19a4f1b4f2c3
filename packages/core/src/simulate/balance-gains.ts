import { balancePlant } from '../ground/index.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { voltsPerTold, type BalanceBody, type BalanceMotor } from './balance-model.ts';
import type { BalanceGains, BalanceHold } from './balance-loop.ts';
import { runBalance, type BalanceEnd, type BalanceRun } from './run-balance.ts';

/**
 * The balancer about upright, as s³ + a2 s² + a1 s + a0 for the lean, and what a volt, or a metre a second, does to it: with gains the
 * polynomial is s³ + (a2 + b kd) s² + (a1 + b kp) s + (a0 + b ki), so that three gains set all three poles.
 */
export interface LeanPolynomial {
  readonly a2: number;
  readonly a1: number;
  readonly a0: number;
  readonly b: number;
  /** Acceleration over a small steady lean, m/s² a radian. */
  readonly alongPerLean: number;
}

/**
 * The linear theory of a balancer (see LeanPolynomial), from its two equations of motion and the motors' law at small leans.
 */
export function leanPolynomial(body: BalanceBody, motor: BalanceMotor): LeanPolynomial {
  const { bodyMassKg: m, cgHeightM: l, rotorsInertiaKgM2: rotors, wheelRadiusM: r } = body;
  const whole = m + body.wheelsMassKg + (body.wheelsInertiaKgM2 + rotors) / r ** 2;
  const about = body.bodyInertiaKgM2 + m * l ** 2 + rotors;
  const coupled = m * l - rotors / r;
  const det = whole * about - coupled ** 2;
  const weight = m * STANDARD_GRAVITY * l;
  const { count, ratio, efficiency, resistanceOhm, ktNmPerA, heldTimes = 1 } = motor;
  const perVolt = (heldTimes * count * ratio * efficiency * ktNmPerA) / resistanceOhm;
  const damping = perVolt * ratio * ktNmPerA;
  const onPlace = (about / r + coupled) / det;
  const onLean = (whole + coupled / r) / det;
  return {
    a2: damping * (onPlace / r + onLean),
    a1: (-whole * weight) / det,
    a0: (-damping * weight) / (r ** 2 * det),
    b: perVolt * voltsPerTold(motor, body) * onLean,
    alongPerLean: weight / (coupled + whole * r),
  };
}

/**
 * Least integral of time by error: s³ + 1.75 ω s² + 2.15 ω² s + ω³, and s² + 1.4 ω s + ω² (Graham and Lathrop, 1953, from memory).
 */
const ITAE = { second: 1.75, first: 2.15, ofTwo: 1.4 };

/**
 * Gains that put the poles of the lean where they come to rest soonest, at a pace of so many radians a second. Where the motors
 * themselves brake more quickly than that, as a driver does that holds a speed, the rate of the lean is left out and two poles
 * are placed: much of the sum, none of the rate (common practice, no source).
 */
export const gainsAt = ({ a2, a1, a0, b }: LeanPolynomial, paceRadS: number): BalanceGains =>
  a2 > ITAE.second * paceRadS
    ? {
        kp: (ITAE.ofTwo * paceRadS * a2 - a1) / b,
        ki: (paceRadS ** 2 * a2 - a0) / b,
        kd: 0,
      }
    : {
        kp: (ITAE.first * paceRadS ** 2 - a1) / b,
        ki: (paceRadS ** 3 - a0) / b,
        kd: (ITAE.second * paceRadS - a2) / b,
      };

/** Paces that are tried, over the rate at which it falls, the quickest first. */
const PACES = [4, 3, 2.5, 2, 1.6, 1.3];
/** What passes between reading and acting may turn a pace by so much, rad (common practice, no source). */
const MOST_TURN = 0.5;
/**
 * A loop around a loop is much slower: it turns the set point of a quick one. So many times slower than the fall, the quickest
 * that stands and settles is taken.
 */
const HOLD_SLOWER = [16, 25, 40, 60];
const HOLD_LIMIT_RAD = Math.PI / 18;

/** Where it is let go upright nothing would be tried: gains are, by this lean, rad. */
const TRIED_RAD = Math.PI / 60;

/** A first proposal. */
export interface ProposedGains {
  readonly gains: BalanceGains;
  readonly hold: BalanceHold | undefined;
  /** Where the poles of the lean were put, rad/s. */
  readonly paceRadS: number;
}

/** What is tried, its gains left open. */
export type BalanceTask = Omit<BalanceRun, 'gains' | 'hold'>;

/**
 * Gains to begin with: poles by linear theory, as quick as the loop's time and delay allow, kept only if the whole run stands
 * with them; the place is held by a slower loop around it, where that stands too. Undefined where nothing of it stands.
 */
export function proposedGains(asked: BalanceTask): ProposedGains | undefined {
  const still = asked.startLeanRad === 0 && asked.nudgeNs === 0;
  const task: BalanceTask = {
    ...asked,
    startLeanRad: still ? TRIED_RAD : asked.startLeanRad,
    followed: 'roughly',
  };
  const polynomial = leanPolynomial(task.body, task.motor);
  const { fallRateRadS } = balancePlant.run(task.body);
  const lateS = task.delayS + task.loopTimeS / 2;
  const quick = PACES.map((pace) => pace * fallRateRadS);
  const paces = [...quick.filter((pace) => pace * lateS <= MOST_TURN), ...quick.slice(-1)];
  for (const paceRadS of paces) {
    const gains = gainsAt(polynomial, paceRadS);
    const bare = runBalance({ ...task, gains });
    if (bare.fallS !== undefined) continue;
    return { gains, hold: heldBy({ ...task, gains }, polynomial.alongPerLean, fallRateRadS, bare), paceRadS };
  }
  return undefined;
}

/** Holding its place may make it come to rest so many times later. */
const LATER = 3;

/** The quickest loop around those gains that holds the place and upsets the balance little: twice a pole, so that it does not swing. */
function heldBy(run: BalanceRun, alongPerLean: number, fallRateRadS: number, bare: BalanceEnd) {
  for (const slower of HOLD_SLOWER) {
    const pace = fallRateRadS / slower;
    const hold: BalanceHold = {
      kp: pace ** 2 / alongPerLean,
      kd: (2 * pace) / alongPerLean,
      limitRad: HOLD_LIMIT_RAD,
    };
    const held = runBalance({ ...run, hold });
    if (held.settleS !== undefined && held.settleS <= LATER * (bare.settleS ?? run.durationS)) return hold;
  }
  return undefined;
}

/** A pair of gains on the map, and whether it holds. */
export interface MappedGains {
  readonly kp: number;
  readonly ki: number;
  readonly holds: boolean;
}

/** Poles of the lean with gains, or without any: what each of its motions grows or dies by, 1/s. */
export interface LeanPoles {
  readonly re: number;
  readonly im: number;
}

const ROUNDS = 60;

/**
 * The three poles of the lean, by Durand and Kerner's rule.
 */
export function leanPoles({ a2, a1, a0 }: Pick<LeanPolynomial, 'a2' | 'a1' | 'a0'>): readonly LeanPoles[] {
  const size = 1 + Math.max(Math.abs(a2), Math.sqrt(Math.abs(a1)), Math.cbrt(Math.abs(a0)));
  let roots: LeanPoles[] = [0.4, 2.5, 4.6].map((angle) => ({
    re: size * Math.cos(angle),
    im: size * Math.sin(angle),
  }));
  const times = (a: LeanPoles, b: LeanPoles): LeanPoles => ({
    re: a.re * b.re - a.im * b.im,
    im: a.re * b.im + a.im * b.re,
  });
  const less = (a: LeanPoles, b: LeanPoles): LeanPoles => ({ re: a.re - b.re, im: a.im - b.im });
  const over = (a: LeanPoles, b: LeanPoles): LeanPoles => {
    const square = b.re ** 2 + b.im ** 2;
    return times(a, { re: b.re / square, im: -b.im / square });
  };
  const value = (s: LeanPoles): LeanPoles => {
    const outer = times(times({ re: s.re + a2, im: s.im }, s), s);
    const inner = times({ re: a1, im: 0 }, s);
    return { re: outer.re + inner.re + a0, im: outer.im + inner.im };
  };
  for (let round = 0; round < ROUNDS; round += 1)
    roots = roots.map((root, n) => {
      const apart = roots
        .filter((_, other) => other !== n)
        .reduce((product, other) => times(product, less(root, other)), { re: 1, im: 0 });
      return less(root, over(value(root), apart));
    });
  return roots;
}

/** The polynomial of the lean with gains. */
export const withGains = (
  { a2, a1, a0, b }: LeanPolynomial,
  { kp, ki, kd }: BalanceGains,
): Pick<LeanPolynomial, 'a2' | 'a1' | 'a0'> => ({ a2: a2 + b * kd, a1: a1 + b * kp, a0: a0 + b * ki });

/** Cells of the map each way. */
const CELLS = 12;
const MOST_KP = 3;
const MOST_KI = 4;

/**
 * Which gains hold, found by running each: `kp` and `ki` from nothing to three and four times those given, with their `kd`.
 */
export function gainsMap(task: BalanceTask, { kp, ki, kd }: BalanceGains): readonly MappedGains[] {
  const along = (most: number, from: number): number[] =>
    Array.from({ length: CELLS }, (_, n) => (most * from * n) / (CELLS - 1));
  return along(MOST_KI, ki).flatMap((mappedKi) =>
    along(MOST_KP, kp).map((mappedKp) => ({
      kp: mappedKp,
      ki: mappedKi,
      holds:
        runBalance({ ...task, gains: { kp: mappedKp, ki: mappedKi, kd }, followed: 'roughly' }).fallS ===
        undefined,
    })),
  );
}
