import { motorOf, rollingDiameter, drivelinesOf, type Build } from '../build/index.ts';
import { reflectedInertia } from '../transmission/index.ts';
import { trainOf } from './driveline.ts';

/** What the calculator of inertia takes at a mass; undefined where the rotor's inertia is not known. */
export function inertiaInput(build: Build, massKg: number) {
  const rotorGcm2 = motorOf(build)?.rotorGcm2;
  if (rotorGcm2 === undefined) return undefined;
  return {
    massKg,
    wheelDiameterM: rollingDiameter(build).value,
    ratio: trainOf(build).ratio,
    motors: drivelinesOf(build.layout, build.drive.together) * build.drive.motorsPerWheel,
    rotorGcm2,
    wheelsKgM2: 0,
  };
}

/** Mass that must be sped up over mass: 1 where nothing is known of what turns. */
export function rotatingFactor(build: Build, massKg: number): number {
  const given = inertiaInput(build, massKg);
  return given ? reflectedInertia.run(given).rotatingMassFactor : 1;
}
