import { seeded } from '../contract/index.ts';
import type { Mismatch } from '../vehicle/index.ts';
import type { Led, RigContact, RigMotor } from './rig.ts';

/**
 * What is usual of parts that nobody matched (common practice, no source): motors of one bag within 4 %, moulded wheels within a
 * half, a steering straight within a degree with a degree of play, set down by hand within half a degree.
 */
export const USUAL_MISMATCH: Mismatch = {
  rightFaster: 0,
  rightLarger: 0,
  motors: 0.04,
  wheels: 0.005,
  floor: 0.1,
  weight: 0.02,
  steerDeg: 1,
  playDeg: 1,
  startM: 0.003,
  startDeg: 0.5,
};

/** Everything alike, set down true. */
export const NO_MISMATCH: Mismatch = {
  rightFaster: 0,
  rightLarger: 0,
  motors: 0,
  wheels: 0,
  floor: 0,
  weight: 0,
  steerDeg: 0,
  playDeg: 0,
  startM: 0,
  startDeg: 0,
};

/** What chance made of a vehicle, and of one run of it. */
export interface Drawn {
  readonly led: Led;
  /** Times the rolling and the grip of each contact. */
  readonly floor: readonly { readonly rolling: number; readonly grip: number }[];
  readonly start: { readonly leftM: number; readonly headingRad: number };
  /** From −1 to 1: which way a gyro drifts, and how much of what it may. */
  readonly drift: number;
}

const rad = (deg: number): number => (deg * Math.PI) / 180;

const half = (side: RigMotor['side'] | 'middle', rightMore: number): number =>
  side === 'right' ? 1 + rightMore / 2 : side === 'left' ? 1 - rightMore / 2 : 1;

/** A motor that turns faster by a share at the same volts: fewer volts a turn, and less torque an ampere. */
function fasterMotor(motor: RigMotor, faster: number): RigMotor {
  return { ...motor, keVsPerRad: motor.keVsPerRad / faster, ktNmPerA: motor.ktNmPerA / faster };
}

const sideOf = ({ leftM }: RigContact, middleLeftM: number): RigMotor['side'] =>
  leftM - middleLeftM > 1e-9 ? 'left' : leftM - middleLeftM < -1e-9 ? 'right' : 'middle';

/**
 * A vehicle drawn from its mismatches, and a run of it: the same vehicle for one seed of the vehicle, the same run for one of
 * both. A wheel's size belongs to it for good; the floor and the start are another each run.
 */
export function drawnRig(led: Led, mismatch: Mismatch, vehicleSeed: number, runSeed: number): Drawn {
  const ofVehicle = seeded(vehicleSeed);
  const ofRun = seeded(Math.imul(runSeed + 1, 0x9e3779b1));
  const either = (random: () => number, most: number): number => (2 * random() - 1) * most;
  const { rig, middleLeftM } = led;
  const motors = rig.motors.map((motor) =>
    fasterMotor(motor, half(motor.side, mismatch.rightFaster) * (1 + either(ofVehicle, mismatch.motors))),
  );
  const sides = rig.contacts.map((c) => sideOf(c, middleLeftM));
  const sizes = rig.contacts.map(
    (_, i) => half(sides[i] ?? 'middle', mismatch.rightLarger) * (1 + either(ofVehicle, mismatch.wheels)),
  );
  const lefts = rig.contacts.map(({ leftM }) => leftM);
  const asideM = either(ofVehicle, mismatch.weight) * (Math.max(...lefts) - Math.min(...lefts));
  const drift = either(ofVehicle, 1);
  const offRad = rad(either(ofVehicle, mismatch.steerDeg));
  // The places of one track roll as one.
  const sizeOf = (contact: RigContact, i: number): number => {
    const first = rig.contacts.findIndex((c) => c.name === contact.name);
    return sizes[first] ?? sizes[i] ?? 1;
  };
  return {
    led: {
      ...led,
      middleLeftM: middleLeftM - asideM,
      rig: {
        ...rig,
        motors,
        steering: { ...rig.steering, offRad, playRad: rad(mismatch.playDeg) },
        contacts: rig.contacts.map((c, i) => ({
          ...c,
          leftM: c.leftM - asideM,
          radiusM: c.radiusM * sizeOf(c, i),
        })),
      },
    },
    floor: rig.contacts.map(() => ({
      rolling: 1 + either(ofRun, mismatch.floor),
      grip: 1 + either(ofRun, mismatch.floor),
    })),
    start: {
      leftM: either(ofRun, mismatch.startM),
      headingRad: rad(either(ofRun, mismatch.startDeg)),
    },
    drift,
  };
}
