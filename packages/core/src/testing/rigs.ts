import { Motion } from '../driving/motion.ts';
import type { ContactGround, Led, Rig, RigMotor, Terrain } from '../driving/rig.ts';

/** A millisecond. */
export const H = 1e-3;
/** A smooth floor under rubber. */
export const floor = { rolling: 0.02, along: 0.8, across: 0.8 };

/** A motor of a small geared cart, before its stage of 30. */
export const motorOn = (side: RigMotor['side'], spin: number, more: Partial<RigMotor> = {}): RigMotor => ({
  name: `${side} motor`,
  side,
  count: 1,
  ratio: 30,
  efficiency: 0.8,
  backEfficiency: 0.8,
  resistanceOhm: 1.5,
  keVsPerRad: 0.02,
  ktNmPerA: 0.02,
  noLoadA: 0.15,
  limitA: Infinity,
  rotorKgM2: 0,
  turns: [{ spin, share: 1 }],
  ...more,
});

const wheel = (name: string, aheadM: number, leftM: number, spin?: number) => ({
  name,
  aheadM,
  leftM,
  radiusM: 0.05,
  ...(spin === undefined ? {} : { spin }),
  free: 'rolls' as const,
  trailM: 0.02,
  steered: false,
});

/** Two driven wheels 0.2 m apart and nothing else: kept level by itself. */
export const twoWheels = (more: Partial<Rig> = {}): Rig => ({
  massKg: 2,
  yawInertiaKgM2: 0.02,
  rollInertiaKgM2: 0.01,
  cgHeightM: 0,
  heldUpright: true,
  dragAreaM2: 0,
  contacts: [wheel('left', 0, 0.1, 0), wheel('right', 0, -0.1, 1)],
  spins: [
    { name: 'left', inertiaKgM2: 1e-5 },
    { name: 'right', inertiaKgM2: 1e-5 },
  ],
  motors: [motorOn('left', 0), motorOn('right', 1)],
  supply: { openCircuitV: 7.4, resistanceOhm: 0, auxiliaryW: 0 },
  commandShare: 1,
  steering: { rateRadS: Infinity, offRad: 0, playRad: 0, lockRad: 0.5, swivels: false },
  ...more,
});

/** The same with two castors ahead and some height. */
export const cart = (more: Partial<Rig> = {}): Rig =>
  twoWheels({
    cgHeightM: 0.08,
    heldUpright: false,
    contacts: [
      wheel('left', -0.06, 0.1, 0),
      wheel('right', -0.06, -0.1, 1),
      { ...wheel('castor, left', 0.14, 0.08), free: 'swings', radiusM: 0.02 },
      { ...wheel('castor, right', 0.14, -0.08), free: 'swings', radiusM: 0.02 },
    ],
    supply: { openCircuitV: 7.4, resistanceOhm: 0.1, auxiliaryW: 1 },
    ...more,
  });

/** Four wheels, 0.3 m from axle to axle, a side turned as one. */
export const skid = (more: Partial<Rig> = {}): Rig =>
  twoWheels({
    massKg: 6,
    yawInertiaKgM2: 0.12,
    cgHeightM: 0.05,
    heldUpright: false,
    contacts: [
      wheel('rear, left', -0.15, 0.1, 0),
      wheel('rear, right', -0.15, -0.1, 1),
      wheel('front, left', 0.15, 0.1, 0),
      wheel('front, right', 0.15, -0.1, 1),
    ],
    ...more,
  });

/** A tricycle: one steered wheel ahead of two on a locked or free axle, driven by one motor. */
export const tricycle = (more: Partial<Rig> = {}): Rig =>
  twoWheels({
    massKg: 8,
    yawInertiaKgM2: 0.4,
    cgHeightM: 0.02,
    heldUpright: false,
    contacts: [
      wheel('rear, left', -0.2, 0.15, 0),
      wheel('rear, right', -0.2, -0.15, 1),
      { ...wheel('front', 0.4, 0), steered: true },
    ],
    motors: [
      motorOn('middle', 0, {
        turns: [
          { spin: 0, share: 0.5 },
          { spin: 1, share: 0.5 },
        ],
      }),
    ],
    ...more,
  });

/** Four wheels, each steered any way and driven by itself. */
export const modules = (): Rig => {
  const at = [
    [-0.2, 0.15],
    [-0.2, -0.15],
    [0.2, 0.15],
    [0.2, -0.15],
  ] as const;
  return twoWheels({
    massKg: 8,
    yawInertiaKgM2: 0.3,
    cgHeightM: 0.02,
    heldUpright: false,
    contacts: at.map(([ahead, left], n) => ({ ...wheel(`module ${n + 1}`, ahead, left, n), steered: true })),
    spins: at.map((_, n) => ({ name: `module ${n + 1}`, inertiaKgM2: 1e-4 })),
    motors: at.map(([, left], n) => motorOn(left > 0 ? 'left' : 'right', n)),
    steering: { rateRadS: 10, offRad: 0, playRad: 0, lockRad: 0.5, swivels: true },
  });
};

/** A rig led by the middle of its driven wheels. */
export const led = (rig: Rig, onTheSpot = true): Led => {
  const driven = rig.contacts.filter(({ spin }) => spin !== undefined);
  return {
    rig,
    middleAheadM: driven.reduce((sum, { aheadM }) => sum + aheadM, 0) / driven.length,
    middleLeftM: 0,
    onTheSpot,
  };
};

/** One even ground, level unless a rise is said. */
export const even = (
  rig: Rig,
  footing: ContactGround,
  rise: { readonly riseX?: number; readonly riseY?: number } = {},
): Terrain => ({
  pieces: [{ footings: rig.contacts.map(() => footing), riseX: rise.riseX ?? 0, riseY: rise.riseY ?? 0 }],
  pieceAt: () => 0,
  varies: false,
  kerbs: [],
});

/** A rig from rest under commands for a time, looked at every so often. */
export function driven(
  rig: Rig,
  terrain: Terrain,
  commands: readonly number[],
  seconds: number,
  h = H,
): Motion {
  const motion = new Motion(rig, terrain);
  motion.commands.set(commands);
  for (let n = 0; n < Math.round(seconds / h); n += 1) motion.go(h);
  motion.go(seconds - h * Math.round(seconds / h));
  motion.finish();
  return motion;
}
