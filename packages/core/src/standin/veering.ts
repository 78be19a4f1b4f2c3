import { bracketedRoot, normalFrom, seeded } from '../contract/index.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';

/** One side of a vehicle that stands in for a real one: motor, wheel and what the wheel carries. */
interface Side {
  /** Speed at the rim with nothing to push, at full voltage and command, of a wheel of the size drawn up, m/s. */
  readonly freeMps: number;
  /** Of its wheel, times the size drawn up. */
  readonly size: number;
  /** Push that bearings, mesh and brushes take, N. */
  readonly stiffN: number;
}

/** A vehicle on two driven wheels and a slider behind, with everything that may lead it aside. */
export interface VeeringVehicle {
  readonly left: Side;
  readonly right: Side;
  readonly trackM: number;
  readonly massKg: number;
  /** Weight left of the middle, m. */
  readonly weightLeftM: number;
  /** Slider left of the middle, m. */
  readonly sliderLeftM: number;
  /** Fall of the floor to the right, as the vehicle runs out. */
  readonly fallRight: number;
  /** What the program adds to the left command and takes from the right one, as a share. */
  readonly trim: number;
  /** Of its full voltage. */
  readonly charge: number;
}

/** Push of a wheel at rest at full voltage and command, N. */
const STALL_N = 30;
/** Share of full command at which it is run. */
const COMMAND = 0.6;
/** Of a small vehicle on a hard floor: rolling, slider's friction, its share of the weight, weight ahead of the axle. */
const ROLLING = 0.03;
const SLIDES = 0.25;
const ON_SLIDER = 0.25;
const AHEAD_M = 0.03;

/** Push of one side at a speed of its rim, N: u push − fall v − stiffness, on a wheel of its own size. */
const pushAt = ({ freeMps, size, stiffN }: Side, command: number, charge: number) => ({
  atRest: (STALL_N * command * charge - stiffN) / size,
  perMps: STALL_N / (freeMps * size ** 2),
});

/**
 * How far to the right it ends after a way, m: its steady turn from the balance of pushes and moments, small angles.
 *
 * Source: rigid body in the plane, permanent-magnet motors; the mechanics of `diagnosis` know nothing of it.
 *
 * @example Math.abs(sideAfter(veeringVehicle(1, 'wheels'), 2)) > 0.02 // true
 */
export function sideAfter(v: VeeringVehicle, distanceM: number): number {
  const { left, right, trackM, massKg } = v;
  const weightN = massKg * STANDARD_GRAVITY;
  const [l, r] = [
    pushAt(left, COMMAND * (1 + v.trim / 2), v.charge),
    pushAt(right, COMMAND * (1 - v.trim / 2), v.charge),
  ];
  const onWheels = weightN * (1 - ON_SLIDER);
  const [rollL, rollR] = [
    ROLLING * onWheels * (0.5 + v.weightLeftM / trackM),
    ROLLING * onWheels * (0.5 - v.weightLeftM / trackM),
  ];
  const slidesN = SLIDES * weightN * ON_SLIDER;
  // Two equations in the speed of the middle and of turning to the right: Σ push = drag, Σ moment = 0.
  const half = trackM / 2;
  const free = [l.atRest - rollL, r.atRest - rollR] as const;
  const outside = weightN * v.fallRight * AHEAD_M - slidesN * v.sliderLeftM;
  const [a11, a12, b1] = [l.perMps + r.perMps, (l.perMps - r.perMps) * half, free[0] + free[1] - slidesN];
  const [a21, a22, b2] = [
    (l.perMps - r.perMps) * half,
    (l.perMps + r.perMps) * half ** 2,
    (free[0] - free[1]) * half + outside,
  ];
  const det = a11 * a22 - a12 * a21;
  const speed = (b1 * a22 - b2 * a12) / det;
  const turning = (a11 * b2 - a21 * b1) / det;
  return (distanceM ** 2 * turning) / (2 * speed);
}

/**
 * Turns of both wheels in the air in a time, s.
 *
 * @example turnsInTheAir(veeringVehicle(1, 'floor'), 0.08, 30).length // 2
 */
export function turnsInTheAir(v: VeeringVehicle, wheelM: number, seconds: number): readonly [number, number] {
  const turns = (side: Side, command: number): number => {
    const { atRest, perMps } = pushAt(side, command, v.charge);
    return ((atRest / perMps) * seconds) / (Math.PI * wheelM * side.size);
  };
  return [turns(v.left, COMMAND * (1 + v.trim / 2)), turns(v.right, COMMAND * (1 - v.trim / 2))];
}

/** What may lead it aside. */
export const HIDDEN = ['wheels', 'motors', 'slider', 'floor', 'weight', 'loop', 'battery'] as const;
export type Hidden = (typeof HIDDEN)[number];

const STRAIGHT: VeeringVehicle = {
  left: { freeMps: 1.2, size: 1, stiffN: 1.5 },
  right: { freeMps: 1.2, size: 1, stiffN: 1.5 },
  ...{ trackM: 0.3, massKg: 2.5, weightLeftM: 0, sliderLeftM: 0, fallRight: 0, trim: 0, charge: 1 },
};

const LOW = 0.6;

/** The vehicle with so much of one cause, in the cause's own measure. */
function withCause(v: VeeringVehicle, hidden: Hidden, x: number): VeeringVehicle {
  const { left, right } = v;
  const both = (l: Partial<Side>, r: Partial<Side>) => ({
    left: { ...left, ...l },
    right: { ...right, ...r },
  });
  switch (hidden) {
    case 'wheels':
      return { ...v, ...both({ size: left.size * (1 + x / 2) }, { size: right.size * (1 - x / 2) }) };
    case 'motors':
      return {
        ...v,
        ...both({ freeMps: left.freeMps * (1 + x / 2) }, { freeMps: right.freeMps * (1 - x / 2) }),
      };
    case 'slider':
      return { ...v, sliderLeftM: v.sliderLeftM - x };
    case 'floor':
      return { ...v, fallRight: v.fallRight + x };
    case 'weight':
      return { ...v, weightLeftM: v.weightLeftM - x };
    case 'loop':
      return { ...v, trim: v.trim + x };
    case 'battery':
      return {
        ...v,
        charge: LOW,
        ...both({ stiffN: left.stiffN - Math.min(0, x) }, { stiffN: right.stiffN + Math.max(0, x) }),
      };
  }
}

const CLOSE = 1e-9;
const MOST: Readonly<Record<Hidden, number>> = {
  ...{ wheels: 0.3, motors: 0.5, slider: 1, floor: 1, weight: 3, loop: 0.6, battery: 8 },
};

/** The vehicle with so much of one cause that it alone ends so far to the side after a way. */
function leading(v: VeeringVehicle, hidden: Hidden, sideM: number, wayM: number): VeeringVehicle {
  const alone = (x: number): number => sideAfter(withCause(STRAIGHT, hidden, x), wayM) - sideM;
  const most = MOST[hidden];
  return withCause(v, hidden, bracketedRoot(alone, -most, most, CLOSE));
}

/** Ends to the side of a hidden cause over 2 m. */
const VEER = { leastM: 0.03, mostM: 0.15, wayM: 2 };
/** What each of the others adds, at most, as a share of it. */
const BESIDE = 0.1;

/**
 * A vehicle that veers by one hidden cause, with a little of the others, drawn by a seed.
 *
 * @example veeringVehicle(1, 'battery').charge // 0.6
 */
export function veeringVehicle(seed: number, hidden: Hidden): VeeringVehicle {
  const random = seeded(seed);
  const size = VEER.leastM + random() * (VEER.mostM - VEER.leastM);
  const main = random() < 0.5 ? -size : size;
  const others = HIDDEN.filter((each) => each !== hidden && each !== 'battery');
  const rest = others.reduce(
    (v, each) => leading(v, each, BESIDE * size * (2 * random() - 1), VEER.wayM),
    STRAIGHT,
  );
  return leading(rest, hidden, main, VEER.wayM);
}

/**
 * The vehicle after a step of a diagnosis, as a builder would leave it.
 *
 * @example afterStep(veeringVehicle(1, 'loop'), 'loop-off', Math.random).trim // 0
 */
export function afterStep(v: VeeringVehicle, step: string, random: () => number): VeeringVehicle {
  switch (step) {
    case 'turn-round':
      return { ...v, fallRight: -v.fallRight };
    case 'swap-wheels':
      return { ...v, left: { ...v.left, size: v.right.size }, right: { ...v.right, size: v.left.size } };
    case 'swap-motors':
      return { ...v, left: { ...v.right, size: v.left.size }, right: { ...v.left, size: v.right.size } };
    case 'slider':
      // Another one, set in the middle as well as hands do it.
      return { ...v, sliderLeftM: 0.15 * v.sliderLeftM * normalFrom(random) };
    case 'weight':
      return { ...v, weightLeftM: -v.weightLeftM * (0.7 + 0.5 * random()) };
    case 'loop-off':
      return { ...v, trim: 0 };
    case 'charged':
      return { ...v, charge: 1 };
    default:
      return v;
  }
}

/** Scatter of its ends from run to run, m. */
export const SCATTER_M = 0.01;

/**
 * Where one run of it ends, m: with the scatter of a run.
 *
 * @example Number.isFinite(endOfRun(veeringVehicle(1, 'slider'), 2, Math.random)) // true
 */
export const endOfRun = (v: VeeringVehicle, wayM: number, random: () => number): number =>
  sideAfter(v, wayM) + SCATTER_M * normalFrom(random);
