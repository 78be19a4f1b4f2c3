import { centreOfGravity, inertiaOf } from '../layout/index.ts';
import { usualWheelKg, WHEEL_INERTIA } from '../simulate/index.ts';
import { contactsOf, placesOf, type Axle, type Build, type Contact } from '../vehicle/index.ts';

type Vector = readonly [ahead: number, left: number, up: number];

/** A rigid body by its mass, its middle, and its moments of inertia about it along ahead, left and up. */
export interface RigidBody {
  readonly massKg: number;
  readonly at: Vector;
  readonly inertia: Vector;
}

/** What turns at one place on the ground. */
export interface RollingBody extends RigidBody {
  readonly contact: Contact;
  readonly radiusM: number;
  readonly widthM: number;
}

/** A build as bodies whose masses, middles and inertias add up to its own. */
export interface Bodies {
  /** All but what rolls. */
  readonly base: RigidBody;
  readonly rolling: readonly RollingBody[];
  /** Whether what rolls would be more than the whole by its size, so that the base was given a small body of its own. */
  readonly clipped: boolean;
}

/** What rolls is at most this share of the whole: an inflated ball is lighter than its size says. */
const MOST_ROLLING = 0.5;
/** A body that wheels leave nothing of keeps this share of the whole's inertia, so that a simulator has something to turn. */
const LEAST_INERTIA = 0.02;

/** Moments of a wheel about its own middle: along its axle between disc and hoop, and half of that and its width across. */
const wheelInertia = (kg: number, radiusM: number, widthM: number): Vector => {
  const about = WHEEL_INERTIA * kg * radiusM ** 2;
  const across = about / 2 + (kg * widthM ** 2) / 12;
  return [across, about, across];
};

const about = (kg: number, [x, y, z]: Vector): Vector => [
  kg * (y * y + z * z),
  kg * (x * x + z * z),
  kg * (x * x + y * y),
];
const less = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const sum = (all: readonly Vector[]): Vector =>
  all.reduce<Vector>((s, v) => [s[0] + v[0], s[1] + v[1], s[2] + v[2]], [0, 0, 0]);
const scaled = (by: number, v: Vector): Vector => [by * v[0], by * v[1], by * v[2]];

const rolls = ({ form }: Axle): boolean => form !== 'slider';

/** No moment is more than the other two together, as of any body there is. */
function possible(moments: Vector, least: number): Vector {
  const [x, y, z] = moments.map((m) => Math.max(m, least)) as unknown as Vector;
  return [Math.min(x, y + z), Math.min(y, x + z), Math.min(z, x + y)];
}

/**
 * A build taken apart into its base and what rolls: wheels by their size, the base what is left of mass, middle and inertia.
 *
 * @example bodiesOf(puffin).rolling.length // 4
 */
export function bodiesOf(build: Build): Bodies {
  const whole = centreOfGravity(build);
  const all = inertiaOf(build);
  const middle: Vector = [whole.aheadM, whole.leftM, whole.heightM];
  const contacts = contactsOf(build.layout).filter(({ axle }) => rolls(axle));
  const bySize = contacts.map(({ axle }) => usualWheelKg(axle) / placesOf(axle));
  const rollingKg = bySize.reduce((s, kg) => s + kg, 0);
  const share = rollingKg > 0 ? Math.min(1, (MOST_ROLLING * whole.massKg) / rollingKg) : 1;
  const rolling = contacts.map((contact, n): RollingBody => {
    const { axle, aheadM, leftM } = contact;
    const massKg = share * (bySize[n] ?? 0);
    const [radiusM, widthM] = [axle.diameter.value / 2, axle.width.value];
    return {
      ...{ contact, massKg, radiusM, widthM, at: [aheadM, leftM, radiusM] },
      inertia: wheelInertia(massKg, radiusM, widthM),
    };
  });
  const massKg = whole.massKg - rolling.reduce((s, one) => s + one.massKg, 0);
  const at =
    massKg > 0
      ? scaled(
          1 / massKg,
          less(scaled(whole.massKg, middle), sum(rolling.map((one) => scaled(one.massKg, one.at)))),
        )
      : middle;
  const left = less(
    less([all.rollKgM2, all.pitchKgM2, all.yawKgM2], about(massKg, less(at, middle))),
    sum(rolling.flatMap((one) => [one.inertia, about(one.massKg, less(one.at, middle))])),
  );
  const least = LEAST_INERTIA * Math.max(all.rollKgM2, all.pitchKgM2, all.yawKgM2, Number.EPSILON);
  const inertia = possible(left, least);
  return {
    base: { massKg, at, inertia },
    rolling,
    clipped: share < 1 || inertia.some((m, axis) => m !== left[axis]),
  };
}
