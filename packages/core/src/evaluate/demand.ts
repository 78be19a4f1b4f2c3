import type { Build, Duty, Ground } from '../build/index.ts';
import { AIR_DENSITY, radiansToDegrees } from '../contract/index.ts';
import { axleLoads, gripForce, loadedMass, roadLoad } from '../ground/index.ts';
import type { Footing, Resistance } from './report.ts';

export const groundOf = (build: Build, duty: Duty): Ground => {
  const ground = build.grounds.find((g) => g.id === duty.groundId);
  if (!ground) throw new RangeError(`duty ${duty.id} names no ground of the build`);
  return ground;
};

/** What the calculators take of a build and a duty; the screens show the same numbers as their working. */
export const loadedMassInput = ({ masses: { own, payload } }: Build, payloadShare: number) => ({
  ownKg: own.mass.value,
  ownAheadM: own.aheadOfRearAxle.value,
  ownHeightM: own.height.value,
  payloadKg: payload.mass.value,
  payloadShare,
  payloadAheadM: payload.aheadOfRearAxle.value,
  payloadHeightM: payload.height.value,
});

const loadedMassOf = (build: Build, duty: Duty) =>
  loadedMass.run(loadedMassInput(build, duty.payloadShare.value));

/** Least mass taken for a vehicle whose duty leaves its only mass, the payload, at home: kg. */
const LEAST_MASS = 1e-9;

export const roadLoadInput = (build: Build, duty: Duty, speedMps = duty.speed.value) => ({
  massKg: Math.max(loadedMassOf(build, duty).massKg, LEAST_MASS),
  rollingCoefficient: groundOf(build, duty).rolling.value,
  gradeDeg: radiansToDegrees(duty.grade.value),
  speedMps,
  dragAreaM2: build.dragArea.value,
  airDensityKgM3: AIR_DENSITY,
  accelerationMps2: duty.acceleration.value,
  rotatingMassFactor: 1,
  drawbarN: duty.drawbar.value,
});

export const axleLoadInput = (build: Build, duty: Duty) => ({
  ...loadedMassOf(build, duty),
  wheelbaseM: build.layout.wheelbase.value,
  gradeDeg: radiansToDegrees(duty.grade.value),
  accelerationMps2: duty.acceleration.value,
  drawbarN: duty.drawbar.value,
  hitchHeightM: build.layout.wheelDiameter.value / 2,
  hitchVerticalN: 0,
  hitchBehindRearAxleM: 0,
});

/** The force along the ground that a duty asks at a speed (the duty's own unless given), split by cause. */
export function resistanceOf(build: Build, duty: Duty, speedMps = duty.speed.value): Resistance {
  const { rollingN, gradeN, dragN, inertiaN, drawbarN, totalN } = roadLoad.run(
    roadLoadInput(build, duty, speedMps),
  );
  return { rollingN, gradeN, dragN, inertiaN, drawbarN, turningN: 0, obstacleN: 0, totalN };
}

/** Axle loads of a duty and the grip of the driven wheels. */
export function footingOf(build: Build, duty: Duty): Footing {
  const given = axleLoadInput(build, duty);
  const { frontN, rearN, lifts } = axleLoads.run(given);
  const drivenN = Math.max(0, build.layout.drivenEnd === 'front' ? frontN : rearN);
  const { gripN } = gripForce.run({ loadN: drivenN, friction: groundOf(build, duty).friction.value });
  return { massKg: given.massKg, frontN, rearN, drivenN, gripN, lifts };
}
