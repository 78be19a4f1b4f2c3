/** Drives at full command on one battery: balances of current and power. */
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { near, sum } from '../testing/numbers.ts';
import { buildSchema, type Build } from '../vehicle/index.ts';
import { drivelineOf, flatOut, greatestPull, together, type Driveline } from './index.ts';

const demo = readdirSync('data/builds').map((file) =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8'))),
);
const lineOf = (build: Build): Driveline => {
  const line = drivelineOf(build);
  if (!line) throw new Error('a demo build has a motor');
  return line;
};
/** The same build on two drives, each with half of the motors, or as it is where they cannot be halved. */
const inTwo = (build: Build): Build => {
  const [drive] = build.drives;
  if (!drive) throw new Error('a build has a drive');
  return { ...build, drives: [drive, { ...drive, id: 'second' }] };
};
const speedsOf = ({ circuit, ratio, wheelRadiusM }: Driveline) => {
  const freeMps = (circuit.motor.fastestRadS(circuit.openCircuitV) / ratio) * wheelRadiusM;
  return [0, 0.2, 0.5, 0.8].map((share) => share * freeMps);
};

describe.each(demo.map((build) => ({ name: build.name, build })))('$name flat out', ({ build }) => {
  it.each([
    ['alone', build],
    ['on two drives', inTwo(build)],
  ])('%s draws of its battery what its motors take, at the volts that sag leaves', (_, seen) => {
    const line = lineOf(seen);
    for (const speedMps of speedsOf(line)) {
      const { batteryA, batteryV, drives } = flatOut(line, speedMps);
      const { openCircuitV, supplyResistanceOhm, auxiliaryW } = line.circuit;
      near(batteryV, openCircuitV - supplyResistanceOhm * batteryA, 1e-6);
      const takenW = sum(
        together(line).map(
          ({ circuit }, n) =>
            circuit.motors * (drives[n]?.point.motorV ?? NaN) * (drives[n]?.point.currentA ?? NaN),
        ),
      );
      near(batteryA * batteryV, takenW + auxiliaryW, 1e-6);
      near(sum(drives.map(({ pullN }) => pullN)), greatestPull(line, speedMps), 1e-9);
      for (const [n, { circuit }] of together(line).entries())
        expect(drives[n]?.point.currentA).toBeLessThanOrEqual(circuit.currentLimitA * (1 + 1e-9));
    }
  });
});
