import { footingOf } from '../demand/index.ts';
import { asPlaced, placedKg, type Build, type PlacedPart } from '../vehicle/index.ts';
import { cylinderOf, middleOf } from './placed-solid.ts';
import { bodyBox } from './body-box.ts';
import { minus, type Vector } from './vector.ts';

/** A mass and its middle. */
export interface Centre {
  readonly massKg: number;
  readonly aheadM: number;
  readonly leftM: number;
  readonly heightM: number;
}

/** Moments of inertia about the axes through the middle of gravity, kg·m². */
export interface Inertia {
  /** About the upright: what turning on the spot speeds up. */
  readonly yawKgM2: number;
  /** About the way ahead. */
  readonly rollKgM2: number;
  /** About the way across. */
  readonly pitchKgM2: number;
}

/** A lump by its mass, its middle, and its own inertia about ahead, left and up. */
interface Lump {
  readonly kg: number;
  readonly at: Vector;
  readonly own: Vector;
}

const boxInertia = (kg: number, [length, width, height]: Vector): Vector => [
  (kg * (width ** 2 + height ** 2)) / 12,
  (kg * (length ** 2 + height ** 2)) / 12,
  (kg * (length ** 2 + width ** 2)) / 12,
];

/** A full box or cylinder, turned about the upright. */
function partInertia(part: PlacedPart): Vector {
  const kg = part.mass.value;
  let own = boxInertia(kg, [part.length.value, part.width.value, part.height.value]);
  if (part.form === 'cylinder') {
    const { along, length, diameter } = cylinderOf(part);
    const about = (kg * diameter ** 2) / 8;
    const across = kg * (diameter ** 2 / 16 + length ** 2 / 12);
    own = along.map((share) => (share === 1 ? about : across)) as unknown as Vector;
  }
  const [c, s] = [Math.cos(part.turn.value) ** 2, Math.sin(part.turn.value) ** 2];
  return [own[0] * c + own[1] * s, own[0] * s + own[1] * c, own[2]];
}

/** What the vehicle is made of, payload left out; the rest of its own mass fills its body evenly. */
export function lumpsOf(build: Build): Lump[] {
  const { masses, arrangement, body } = build;
  const placed = arrangement ? placedKg(build) : 0;
  const restKg = Math.max(0, masses.own.mass.value - placed);
  const { least, most } = bodyBox(build);
  const rest = placed > 0 && arrangement ? arrangement.rest : undefined;
  const at: Vector = [
    (rest?.aheadOfRearAxle ?? masses.own.aheadOfRearAxle).value,
    (rest?.left ?? masses.own.left).value,
    (rest?.height ?? masses.own.height).value,
  ];
  return [
    { kg: restKg, at, own: boxInertia(restKg, [body.length.value, body.width.value, minus(most, least)[2]]) },
    ...(arrangement?.parts ?? []).map((part) => ({
      kg: part.mass.value,
      at: middleOf(part),
      own: partInertia(part),
    })),
    ...masses.others.map((mass) => ({
      kg: mass.mass.value,
      at: [mass.aheadOfRearAxle.value, mass.left.value, mass.height.value] as const,
      own: [0, 0, 0] as const,
    })),
  ];
}

/**
 * Mass and middle of gravity of the vehicle with riders and ballast, its payload left out.
 *
 * @example centreOfGravity(puffin) // { massKg: 58, aheadM: 0.44, leftM: 0, heightM: 0.3 }
 */
export function centreOfGravity(build: Build): Centre {
  const lumps = lumpsOf(build);
  const massKg = lumps.reduce((sum, { kg }) => sum + kg, 0);
  const mean = (axis: 0 | 1 | 2): number =>
    massKg > 0 ? lumps.reduce((sum, { kg, at }) => sum + kg * at[axis], 0) / massKg : 0;
  return { massKg, aheadM: mean(0), leftM: mean(1), heightM: mean(2) };
}

/**
 * Moments of inertia of the vehicle with riders and ballast, its payload left out. Parts are full boxes and cylinders, what
 * is not placed fills the body evenly, riders and ballast are points.
 *
 * Source: moments of inertia of solids and the parallel-axis theorem (any text of mechanics).
 *
 * @example inertiaOf(puffin).yawKgM2 // 6.251
 */
export function inertiaOf(build: Build): Inertia {
  const { aheadM, leftM, heightM } = centreOfGravity(build);
  const sum = [0, 0, 0];
  for (const { kg, at, own } of lumpsOf(build)) {
    const [x, y, z] = minus(at, [aheadM, leftM, heightM]);
    sum[0] = (sum[0] ?? 0) + own[0] + kg * (y * y + z * z);
    sum[1] = (sum[1] ?? 0) + own[1] + kg * (x * x + z * z);
    sum[2] = (sum[2] ?? 0) + own[2] + kg * (x * x + y * y);
  }
  const [rollKgM2 = 0, pitchKgM2 = 0, yawKgM2 = 0] = sum;
  return { yawKgM2, rollKgM2, pitchKgM2 };
}

/** What the axles carry on the level, at rest. */
export interface Resting {
  readonly axles: readonly { readonly axleId: string; readonly name: string; readonly loadN: number }[];
  /** Of all that it weighs, what stands on driven wheels. */
  readonly drivenShare: number;
  readonly stands: boolean;
}

const AT_REST = { gradeRad: 0, accelerationMps2: 0, drawbarN: 0, pushN: 0, cornerMps2: 0 };

/**
 * Loads of the axles on the level, at rest, with a share of the payload; undefined where no job says what it stands on.
 *
 * @example restingOn(puffin, 0)?.drivenShare // 0.6286
 */
export function restingOn(build: Build, payloadShare: number): Resting | undefined {
  const [duty] = build.duties;
  if (!duty) return undefined;
  const { axles, drivenN, acrossN, stands } = footingOf(
    asPlaced(build),
    { ...duty, sideSlope: undefined, payloadShare: { ...duty.payloadShare, value: payloadShare } },
    AT_REST,
  );
  return {
    axles: axles.map(({ axleId, name, loadN }) => ({ axleId, name, loadN })),
    drivenShare: acrossN > 0 ? drivenN / acrossN : 0,
    stands,
  };
}
