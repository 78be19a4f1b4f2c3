import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { textsOf } from '../testing/vehicles.ts';
import { batteryOf, driverOf, motorOf, newMass, type Build } from '../vehicle/index.ts';

const puffin = needed(demoBuilds().puffin, 'Puffin');

/** Puffin, itself of so many kilograms. */
const weighing = (kg: number, build = puffin): Build => ({
  ...build,
  masses: { ...build.masses, own: { ...build.masses.own, mass: typed(kg, 'kg') } },
});
const isTold = (build: Build): boolean => textsOf(build).includes('Motors, drivers and batteries weigh');

describe('a vehicle that weighs less than its parts', () => {
  it('is told, from the sum of two motors, one driver and one battery on', () => {
    const [motor, driver, battery] = [motorOf(puffin), driverOf(puffin), batteryOf(puffin)];
    const sum = 2 * (motor?.massKg ?? NaN) + (driver?.massKg ?? NaN) + (battery?.massKg ?? NaN);
    expect(isTold(puffin)).toBe(false);
    expect(isTold(weighing(sum + 1e-6))).toBe(false);
    expect(isTold(weighing(sum - 1e-6))).toBe(true);
  });

  it('counts what is weighed beside it, and nobody who rides', () => {
    const beside = (kind: 'part' | 'rider'): Build => {
      const added = { ...newMass(puffin, 'more', 'More', kind), mass: typed(30, 'kg') };
      return weighing(1, { ...puffin, masses: { ...puffin.masses, others: [added] } });
    };
    expect(isTold(beside('part'))).toBe(false);
    expect(isTold(beside('rider'))).toBe(true);
  });
});
