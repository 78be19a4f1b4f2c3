import { STANDARD_GRAVITY } from '../quantity/index.ts';

/** One driven wheel with its motor. */
export interface DrivenWheel {
  readonly diameterM: number;
  readonly ratio: number;
  readonly efficiency: number;
  readonly resistanceOhm: number;
  readonly ktNmPerA: number;
  readonly noLoadA: number;
}

/** A vehicle on two driven wheels, seen from above. */
export interface TwoWheels {
  readonly massKg: number;
  readonly yawInertiaKgM2: number;
  readonly trackM: number;
  readonly rollingCoefficient: number;
  readonly yawDragNm: number;
  readonly voltageV: number;
  readonly left: DrivenWheel;
  readonly right: DrivenWheel;
}

/** Force of a wheel by its command u and speed: u push − fall v − friction. */
interface WheelLaw {
  readonly pushN: number;
  readonly fallNsPerM: number;
  readonly frictionN: number;
}

function lawOf(
  { diameterM, ratio, efficiency, resistanceOhm, ktNmPerA, noLoadA }: DrivenWheel,
  voltageV: number,
): WheelLaw {
  const turn = (2 * ratio) / diameterM;
  const perA = ktNmPerA * turn * efficiency;
  return {
    pushN: (perA * voltageV) / resistanceOhm,
    fallNsPerM: (perA * ktNmPerA * turn) / resistanceOhm,
    frictionN: perA * noLoadA,
  };
}

/** Speed of the middle, turning (positive to the right), way of the middle and heading. */
export interface Going {
  readonly v: number;
  readonly w: number;
  readonly d: number;
  readonly h: number;
}
/** How it goes on from a moment, in closed form. */
export type GoesOn = (seconds: number) => Going;

/** Two driven wheels under one body, rolling without slip: piece by piece a linear law with two rates. */
export function twoWheelLaw(i: TwoWheels) {
  const [left, right] = [lawOf(i.left, i.voltageV), lawOf(i.right, i.voltageV)];
  const { massKg: m, yawInertiaKgM2: inertia, trackM: track, yawDragNm } = i;
  const rollingN = m * STANDARD_GRAVITY * i.rollingCoefficient;
  const both = left.fallNsPerM + right.fallNsPerM;
  const apart = left.fallNsPerM - right.fallNsPerM;
  // In v √m and ω √J the law is symmetric: a turn of the axes parts it into two rates.
  const [rootM, rootJ] = [Math.sqrt(m), Math.sqrt(inertia)];
  const s11 = both / m;
  const s22 = (both * track * track) / (4 * inertia);
  const s12 = (apart * track) / (2 * rootM * rootJ);
  const angle = Math.atan2(2 * s12, s11 - s22) / 2;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const rate1 = c * c * s11 + 2 * c * s * s12 + s * s * s22;
  // Both are over nought; of very unlike sides the lesser may be lost in rounding.
  const rate2 = Math.max(s * s * s11 - 2 * c * s * s12 + c * c * s22, Number.EPSILON * rate1);

  const thrust = (ul: number, ur: number): number =>
    ul * left.pushN + ur * right.pushN - left.frictionN - right.frictionN - rollingN;
  const drive = (ul: number, ur: number): number =>
    ul * left.pushN - left.frictionN - (ur * right.pushN - right.frictionN);

  return {
    /** What pushes it on from rest, N: over nought it starts. */
    thrust,
    /** Moment about the middle while it goes straight on, N·m. */
    moment: (v: number, ul: number, ur: number): number => ((drive(ul, ur) - apart * v) * track) / 2,
    /**
     * How it goes on for a length of time: turning one way (`sign`) against what drags, or, with sign 0, straight on, its turning
     * held by that. Its exponentials are worked out once: a loop asks for thousands of equal stretches.
     */
    stepper(seconds: number) {
      const lost = [rate1, rate2, s11].map((rate) => -Math.expm1(-rate * seconds)) as [
        number,
        number,
        number,
      ];
      return (from: Going, ul: number, ur: number, sign: number): Going => {
        if (sign === 0) {
          const g = thrust(ul, ur) / m;
          const v = from.v + (g / s11 - from.v) * lost[2];
          return { v, w: 0, d: from.d + (g * seconds - (v - from.v)) / s11, h: from.h };
        }
        const g1 = thrust(ul, ur) / rootM;
        const g2 = ((drive(ul, ur) * track) / 2 - sign * yawDragNm) / rootJ;
        const [y1, y2] = [from.v * rootM, from.w * rootJ];
        const [q1, q2] = [c * y1 + s * y2, c * y2 - s * y1];
        const [h1, h2] = [c * g1 + s * g2, c * g2 - s * g1];
        const a = q1 + (h1 / rate1 - q1) * lost[0];
        const b = q2 + (h2 / rate2 - q2) * lost[1];
        const aWay = (h1 * seconds - (a - q1)) / rate1;
        const bWay = (h2 * seconds - (b - q2)) / rate2;
        return {
          v: (c * a - s * b) / rootM,
          w: (s * a + c * b) / rootJ,
          d: from.d + (c * aWay - s * bWay) / rootM,
          h: from.h + (s * aWay + c * bWay) / rootJ,
        };
      };
    },
    /** The quicker of its two rates, 1/s. */
    quickest: Math.max(rate1, rate2),
  };
}
export type TwoWheelLaw = ReturnType<typeof twoWheelLaw>;
