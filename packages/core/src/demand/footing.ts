import { STANDARD_GRAVITY, degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import { NotPhysical, remembered, type Notice } from '../contract/index.ts';
import { innerDriveInput } from '../drive/index.ts';
import {
  gripForce,
  innerDrive,
  loadedMass,
  soilThrust,
  speedUp,
  towedLoad,
  wheelLoads,
} from '../ground/index.ts';
import {
  contactsOf,
  figuresOf,
  layoutKind,
  placesOf,
  type Axle,
  type Build,
  type Contact,
  type Duty,
  type Ground,
} from '../vehicle/index.ts';
import { drivenGrip, sumOf } from './driven-grip.ts';
import { bladeKeys, pushOf } from './pushing.ts';
import type { ContactLoad, Footing } from './report.ts';

/**
 * The ground that a duty is on.
 *
 * @example groundOf(puffin, duty).name // 'Wet cobbles, castors included'
 */
export const groundOf = (build: Build, duty: Duty): Ground => {
  const ground = build.grounds.find((g) => g.id === duty.groundId);
  if (!ground) throw new RangeError(`job ${duty.id} names no ground of the build`);
  return ground;
};

/**
 * What the calculators take of a build and a duty; the screens show the same numbers as their working.
 *
 * @example loadedMassInput(puffin, 1).masses.length // 2
 */
export const loadedMassInput = (
  { masses: { own, payload, others } }: Pick<Build, 'masses'>,
  payloadShare: number,
) => ({
  masses: [own, payload, ...others].map((m) => ({
    massKg: m.mass.value,
    share: m === payload ? payloadShare : 1,
    aheadM: m.aheadOfRearAxle.value,
    leftM: m.left.value,
    heightM: m.height.value,
  })),
});

/**
 * Mass and centre of gravity with the payload of a duty.
 *
 * @example massOf(puffin, duty).massKg // 178
 */
export const massOf = (build: Build, duty: Duty): Mass => {
  const known = masses(build.masses);
  const share = duty.payloadShare.value;
  const found = known.get(share) ?? loadedMass.run(loadedMassInput(build, share));
  // While a load is moved about, shares are many and none comes again.
  if (known.size > MOST_SHARES) known.clear();
  known.set(share, found);
  return found;
};

type Mass = ReturnType<typeof loadedMass.run>;
const MOST_SHARES = 50;

/** What was worked out for the masses of a build, by the share of the payload that is on. */
const masses = remembered((_masses: Build['masses']) => new Map<number, Mass>());

/** Least mass taken for a vehicle whose duty leaves its only mass, the payload, at home: kg. */
export const LEAST_MASS = 1e-9;

/**
 * What the calculation of speeding up takes: to which speed, in which time or way.
 *
 * @example speedUpInput({ ...duty, upToSpeed: { kind: 'time', time: typed(4, 's') } }) // { speedMps: 0.8, timeS: 4 }
 */
export const speedUpInput = ({ speed, upToSpeed }: Duty) => ({
  speedMps: speed.value,
  ...(upToSpeed?.kind === 'distance' ? { distanceM: upToSpeed.distance.value } : {}),
  ...(upToSpeed?.kind === 'time' ? { timeS: upToSpeed.time.value } : {}),
});

/**
 * How hard it speeds up in a duty: as stated, or as a distance or time to its speed asks.
 *
 * @example accelerationOf(duty) // 0
 */
export const accelerationOf = (duty: Duty): number =>
  duty.upToSpeed ? speedUp.run(speedUpInput(duty)).accelerationMps2 : duty.acceleration.value;

/** How a vehicle moves: which way up, and how hard it speeds up. */
export type GradeAndAcceleration = Pick<Stance, 'gradeRad' | 'accelerationMps2'>;

const motionOf = (duty: Duty): GradeAndAcceleration => ({
  gradeRad: duty.grade.value,
  accelerationMps2: accelerationOf(duty),
});

/**
 * What pulls at the hitch: the towed load and the pull beside it.
 *
 * @example towedInput(puffin, { ...duty, towed: { mass: typed(50, 'kg'), rolling: typed(0.03, '') } }).massKg // 50
 */
export const towedInput = (build: Build, duty: Duty, motion: GradeAndAcceleration = motionOf(duty)) => ({
  massKg: duty.towed?.mass.value ?? 0,
  rollingCoefficient: duty.towed?.rolling.value ?? 0,
  gradeDeg: radiansToDegrees(motion.gradeRad),
  accelerationMps2: motion.accelerationMps2,
  hitchN: hitchLoadOf(build, duty),
  extraN: duty.drawbar.value,
});

/** What presses on the hitch: what is not towed does not. */
export const hitchLoadOf = (build: Build, duty: Duty): number => (duty.towed ? build.hitch.load.value : 0);

const drawbarIn = (build: Build, duty: Duty, motion: GradeAndAcceleration): number =>
  duty.towed ? towedLoad.run(towedInput(build, duty, motion)).drawbarN : duty.drawbar.value;

/** The pull at the hitch in a duty, N: what is stated, and what is towed. */
export const drawbarOf = (build: Build, duty: Duty): number => drawbarIn(build, duty, motionOf(duty));

/**
 * The pull of a turn, m/s²; 0 on the straight and on the spot.
 *
 * @example cornerOf(duty) // 0
 */
export const cornerOf = ({ turn, speed }: Duty): number =>
  turn?.kind === 'radius' ? speed.value ** 2 / turn.radius.value : 0;

/** How a vehicle stands in a duty: what may differ from the duty's own when it brakes or is turned round. */
export interface Stance {
  readonly gradeRad: number;
  readonly accelerationMps2: number;
  readonly drawbarN: number;
  /** Of a blade, against the vehicle; 0 where it does not push. */
  readonly pushN: number;
  readonly cornerMps2: number;
}

/**
 * The stance of a duty, or of its load and tow moved otherwise. A bend pulls the way that a side slope does: the worse of the two.
 *
 * @example stanceOf(puffin, duty).gradeRad // 0.1571
 */
export const stanceOf = (build: Build, duty: Duty, otherwise: Partial<GradeAndAcceleration> = {}): Stance => {
  const motion = { ...motionOf(duty), ...otherwise };
  const down = (duty.sideSlope?.value ?? 0) < 0 ? -1 : 1;
  return {
    ...motion,
    drawbarN: drawbarIn(build, duty, motion),
    pushN: pushOf(duty, motion.gradeRad),
    cornerMps2: down * cornerOf(duty),
  };
};

/**
 * What the calculation of wheel loads takes: where the wheels stand, and all that pulls and pushes.
 *
 * @example wheelLoadInput(puffin, duty, massOf(puffin, duty), stanceOf(puffin, duty)).massKg // 178
 */
export const wheelLoadInput = (build: Build, duty: Duty, mass: Mass, stance: Stance) => {
  const { balanced } = layoutKind(build.layout.kind);
  return {
    massKg: Math.max(mass.massKg, LEAST_MASS),
    cgAheadOfRearAxleM: mass.cgAheadOfRearAxleM,
    cgLeftM: mass.cgLeftM,
    cgHeightM: mass.cgHeightM,
    contacts: contactsOf(build.layout).map(({ aheadM, leftM, driven }) => ({ aheadM, leftM, driven })),
    gradeDeg: radiansToDegrees(stance.gradeRad),
    sideSlopeDeg: radiansToDegrees(duty.sideSlope?.value ?? 0),
    accelerationMps2: stance.accelerationMps2,
    cornerMps2: stance.cornerMps2,
    drawbarN: stance.drawbarN,
    hitchHeightM: build.hitch.height.value,
    hitchVerticalN: hitchLoadOf(build, duty),
    hitchBehindRearAxleM: build.hitch.behind.value,
    ...bladeKeys(duty, stance.pushN),
    balanced: balanced === 'along' || balanced === 'across' ? balanced : ('none' as const),
  };
};

/** A sphere stands on one place, whatever moves inside it. */
const onOnePlace = (input: ReturnType<typeof wheelLoadInput>) => {
  const acrossN =
    input.massKg * STANDARD_GRAVITY * Math.cos(degreesToRadians(input.gradeDeg)) +
    input.hitchVerticalN +
    input.pushVerticalN;
  if (acrossN <= 0) return { ...LIFTED, loads: [{ loadN: 0 }] };
  // Whatever else is said to stand beside it carries nothing.
  const loads = input.contacts.map((_, at) => ({ loadN: at === 0 ? acrossN : 0 }));
  return { loads, drivenN: acrossN, acrossN, stands: true };
};

interface Loads {
  readonly loads: readonly { readonly loadN: number }[];
  readonly drivenN: number;
  readonly acrossN: number;
  readonly stands: boolean;
  /** Why there are none: steeper than a wall, or lifted by its hitch. */
  readonly problem?: Notice;
}

/** Loads of every contact in a stance. */
export function loadsIn(build: Build, duty: Duty, mass: Mass, stance: Stance): Loads {
  const input = wheelLoadInput(build, duty, mass, stance);
  if (layoutKind(build.layout.kind).balanced === 'both') return onOnePlace(input);
  try {
    return wheelLoads.run(input);
  } catch (error) {
    if (!(error instanceof NotPhysical)) throw error;
    return { ...LIFTED, loads: input.contacts.map(() => ({ loadN: 0 })), problem: error.notice };
  }
}

/** What presses on the ground where nothing does: a hair, so that shares of it are numbers. */
const LIFTED = { drivenN: 0, acrossN: 1e-9, stands: false };

/** Area of a wheel on soft ground, from its length there: a rigid wheel sunk a little bears over a sixth of its diameter. */
const CONTACT_OF_WHEEL = 1 / 6;

/** Area of one contact on the ground, m². */
export function contactArea(axle: Axle): number {
  const lengthM = axle.contactLength?.value ?? axle.diameter.value * CONTACT_OF_WHEEL;
  return (lengthM * axle.width.value) / placesOf(axle);
}

/** What the calculation of a soil's thrust takes of a ground under one wheel or track. */
export const soilThrustInput = (
  { soil }: Ground & { readonly soil: NonNullable<Ground['soil']> },
  loadN: number,
  areaM2: number,
) => ({ loadN, areaM2, cohesionKPa: soil.cohesionKPa, shearAngleDeg: soil.shearAngleDeg });

/** The most that a contact puts on the ground: friction, or what soft ground takes before it shears. */
export function gripOf(ground: Ground, contact: Contact, loadN: number): number {
  if (loadN <= 0) return 0;
  const { gripN } = gripForce.run({ loadN, friction: figuresOf(ground, contact.axle).friction.value });
  if (!ground.soil) return gripN;
  const { thrustN } = soilThrust.run(
    soilThrustInput({ ...ground, soil: ground.soil }, loadN, contactArea(contact.axle)),
  );
  return Math.min(gripN, thrustN);
}

/**
 * Loads of a duty and the grip of what is driven.
 *
 * @example footingOf(puffin, duty).massKg // 178
 */
export function footingOf(build: Build, duty: Duty, stance: Stance = stanceOf(build, duty)): Footing {
  const mass = massOf(build, duty);
  const ground = groundOf(build, duty);
  const { loads, acrossN, stands, problem } = loadsIn(build, duty, mass, stance);
  const places = contactsOf(build.layout);
  const contacts = places.map((contact, at): ContactLoad => {
    const loadN = loads[at]?.loadN ?? 0;
    const { axle, side, aheadM, leftM, driven } = contact;
    const gripN = gripOf(ground, contact, loadN);
    return { axleId: axle.id, side, aheadM, leftM, driven, braked: axle.braked, loadN, gripN };
  });
  const axles = build.layout.axles.map(({ id, name }) => {
    const own = contacts.filter((c) => c.axleId === id);
    return { axleId: id, name, loadN: sumOf(own, (c) => c.loadN), lifts: own.every((c) => c.loadN <= 0) };
  });
  const inner = innerDriveInput(build);
  const driven = drivenGrip(build, contacts);
  return {
    massKg: Math.max(mass.massKg, LEAST_MASS),
    cgAheadM: mass.cgAheadOfRearAxleM,
    cgLeftM: mass.cgLeftM,
    cgHeightM: mass.cgHeightM,
    acrossN,
    contacts,
    axles,
    drivenN: sumOf(
      contacts.filter((c) => c.driven),
      (c) => Math.max(0, c.loadN),
    ),
    // A winch pulls by its rope: what it is anchored to must hold, not the ground under its load.
    ...(layoutKind(build.layout.kind).pullsByRope
      ? {}
      : { gripN: inner ? Math.min(driven, innerDrive.run(inner).mostForceN) : driven }),
    stands,
    ...(problem === undefined ? {} : { problem }),
  };
}
