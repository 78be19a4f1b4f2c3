import type { Build, Duty, Ground } from '../build/index.ts';
import { radiansToDegrees } from '../contract/index.ts';
import { axleLoads, roadLoad } from '../ground/index.ts';
import type { Footing, Resistance } from './report.ts';

export const groundOf = (build: Build, duty: Duty): Ground => {
  const ground = build.grounds.find((g) => g.id === duty.groundId);
  if (!ground) throw new RangeError(`duty ${duty.id} names no ground of the build`);
  return ground;
};

/** Mass and centre of gravity of the vehicle with a duty's share of the payload. */
export function loadedMass(build: Build, payloadShare: number) {
  const { own, payload } = build.masses;
  const payloadKg = payload.mass.value * payloadShare;
  const massKg = own.mass.value + payloadKg;
  const middle = (part: 'aheadOfRearAxle' | 'height'): number =>
    massKg > 0
      ? (own.mass.value * own[part].value + payloadKg * payload[part].value) / massKg
      : own[part].value;
  return { massKg, cgAheadOfRearAxleM: middle('aheadOfRearAxle'), cgHeightM: middle('height') };
}

/** Least mass taken for a vehicle whose duty leaves its only mass, the payload, at home: kg. */
const LEAST_MASS = 1e-9;

/** The force along the ground that a duty asks at a speed (the duty's own unless given), split by cause. */
export function resistanceOf(build: Build, duty: Duty, speedMps = duty.speed.value): Resistance {
  const { massKg } = loadedMass(build, duty.payloadShare.value);
  const load = roadLoad.run({
    massKg: Math.max(massKg, LEAST_MASS),
    rollingCoefficient: groundOf(build, duty).rolling.value,
    gradeDeg: radiansToDegrees(duty.grade.value),
    speedMps,
    dragAreaM2: build.dragArea.value,
    airDensityKgM3: 1.204,
    accelerationMps2: duty.acceleration.value,
    rotatingMassFactor: 1,
    drawbarN: duty.drawbar.value,
  });
  const { rollingN, gradeN, dragN, inertiaN, drawbarN, totalN } = load;
  return { rollingN, gradeN, dragN, inertiaN, drawbarN, turningN: 0, obstacleN: 0, totalN };
}

/** Axle loads of a duty and the grip of the driven wheels. */
export function footingOf(build: Build, duty: Duty): Footing {
  const mass = loadedMass(build, duty.payloadShare.value);
  const { frontN, rearN, lifts } = axleLoads.run({
    ...mass,
    wheelbaseM: build.layout.wheelbase.value,
    gradeDeg: radiansToDegrees(duty.grade.value),
    accelerationMps2: duty.acceleration.value,
    drawbarN: duty.drawbar.value,
    hitchHeightM: build.layout.wheelDiameter.value / 2,
    hitchVerticalN: 0,
    hitchBehindRearAxleM: 0,
  });
  const drivenN = Math.max(0, build.layout.drivenEnd === 'front' ? frontN : rearN);
  return {
    massKg: mass.massKg,
    frontN,
    rearN,
    drivenN,
    gripN: drivenN * groundOf(build, duty).friction.value,
    lifts,
  };
}
