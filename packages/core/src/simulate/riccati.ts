/**
 * Speed under dv/dt = a − b v − c v², started at v0 ≥ 0 and rising (so a > 0; b, c ≥ 0): a motor's falling torque
 * against steady and air drag. Closed form; exact for b or c of 0 too.
 *
 * With κ = √(b²/4 + a c) and τ = tanh(κt)/κ:  v = (v0(1 − bτ/2) + aτ)/(1 + (b/2 + c v0)τ).
 */
export interface Rise {
  readonly v0: number;
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

/** Below this κt the closed form of the distance loses digits; the speed is then all but a parabola. */
const NEARLY_STRAIGHT = 1e-2;

const kappaOf = ({ a, b, c }: Rise): number => Math.sqrt((b * b) / 4 + a * c);

/** How fast it speeds up at a speed, m/s². */
export const accelerationAt = ({ a, b, c }: Rise, v: number): number => a - v * (b + c * v);

/** The speed it rises to in the end; Infinity where nothing holds it. */
export const finalSpeed = (rise: Rise): number => rise.a / (kappaOf(rise) + rise.b / 2);

/** The speed after a time, m/s: the closed form of dv/dt = a − b v − c v². */
export function speedAfter(rise: Rise, t: number): number {
  const { v0, a, b, c } = rise;
  const kappa = kappaOf(rise);
  const tau = kappa * t < 1e-8 ? t : Math.tanh(kappa * t) / kappa;
  return (v0 * (1 - (b / 2) * tau) + a * tau) / (1 + (b / 2 + c * v0) * tau);
}

/** Time to a speed above v0; Infinity where it never gets there. */
export function timeToSpeed(rise: Rise, v1: number): number {
  if (v1 === Infinity || rise.a === 0) return Infinity;
  const { v0, a, b, c } = rise;
  const kappa = kappaOf(rise);
  const tau = (v1 - v0) / (a - (b / 2) * (v0 + v1) - c * v0 * v1);
  if (!(tau >= 0) || kappa * tau >= 1) return Infinity;
  return kappa * tau < 1e-8 ? tau : Math.atanh(kappa * tau) / kappa;
}

// Gauss–Legendre, five points on 0 to 1.
const GAUSS = [
  [0.04691007703066802, 0.11846344252809454],
  [0.23076534494715845, 0.23931433524968324],
  [0.5, 0.28444444444444444],
  [0.7692346550528415, 0.23931433524968324],
  [0.953089922969332, 0.11846344252809454],
] as const;

/** Integral of a smooth function from 0 to `t`, in `panels` pieces of five points each. */
export function integral(f: (t: number) => number, t: number, panels = 1): number {
  const h = t / panels;
  let sum = 0;
  for (let n = 0; n < panels; n++) for (const [share, weight] of GAUSS) sum += weight * f((n + share) * h);
  return sum * h;
}

/** Distance after a time: v∞ t + ln(1 + c y)/c, y = (v0 − v∞)(1 − e^(−2κt))/2κ. */
export function distanceAfter(rise: Rise, t: number): number {
  const kappa = kappaOf(rise);
  if (kappa * t < NEARLY_STRAIGHT) return integral((s) => speedAfter(rise, s), t);
  const end = finalSpeed(rise);
  const y = ((rise.v0 - end) * -Math.expm1(-2 * kappa * t)) / (2 * kappa);
  return end * t + (rise.c === 0 ? y : Math.log1p(rise.c * y) / rise.c);
}

/** The time in which a rise covers all but a part in 10⁹ of its way. */
export const settlingTime = (rise: Rise): number => {
  const kappa = kappaOf(rise);
  return kappa > 0 ? 11 / kappa : Infinity;
};
