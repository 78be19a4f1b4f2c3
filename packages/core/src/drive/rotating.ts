import { innerDrive } from '../ground/index.ts';
import { reflectedInertia } from '../transmission/index.ts';
import { motorOf, rollingDiameter, type Build, motorsIn, drivesThat } from '../vehicle/index.ts';
import { trainOf } from './train.ts';

/**
 * What the calculation of an inner drive takes; undefined where nothing drives from inside.
 *
 * @example innerDriveInput(puffin) // undefined
 */
export const innerDriveInput = ({ innerDrive: inner, layout }: Build) =>
  inner && {
    innerKg: inner.mass.value,
    offsetM: Math.min(inner.offset.value, ((layout.axles[0]?.diameter.value ?? 1) / 2) * 0.999),
    shellKg: inner.shellMass.value,
    diameterM: layout.axles[0]?.diameter.value ?? 1,
  };

/**
 * What the calculator of inertia takes at a mass; a rotor whose inertia is not known counts for nothing.
 *
 * @example inertiaInput(puffin, 178).motors // 2
 */
export const inertiaInput = (build: Build, massKg: number) => ({
  massKg,
  wheelDiameterM: rollingDiameter(build).value,
  ratio: trainOf(build).ratio,
  motors: motorsIn(build),
  rotorGcm2: motorOf(build)?.rotorGcm2 ?? 0,
  wheelsKgM2: 0,
});

/** Of all drives that move the vehicle. */
const rotorsFactor = (build: Build, massKg: number): number =>
  drivesThat(build, 'propels').reduce(
    (sum, seen) =>
      motorOf(seen)?.rotorGcm2
        ? sum + reflectedInertia.run(inertiaInput(seen, massKg)).rotatingMassFactor - 1
        : sum,
    1,
  );

/**
 * Mass that must be sped up, or slowed, over mass: a sphere's shell, else the rotors; 1 where nothing is known of what turns.
 *
 * @example rotatingFactor(puffin, 178) // 1.153
 */
export const rotatingFactor = (build: Build, massKg: number): number => {
  const inner = innerDriveInput(build);
  return inner ? innerDrive.run(inner).rotatingMassFactor : rotorsFactor(build, massKg);
};
