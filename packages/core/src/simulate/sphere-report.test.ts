import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { innerDrive } from '../ground/index.ts';
import { STANDARD_GRAVITY as g, typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { firstDuty } from '../testing/vehicles.ts';
import { choosePart, partSchema, startBuild, type Build } from '../vehicle/index.ts';
import { sphereReport, sphereTrace, type SphereAsk } from './sphere-report.ts';

const part = (file: string, id: string) => {
  const found = partSchema
    .array()
    .parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8')))
    .find((one) => one.id === id);
  if (!found) throw new Error(`no ${id} on the shelf`);
  return found;
};

/** A sphere of 0.4 m and 4 kg on a floor, rolled by two small gearmotors. */
const sphere = (more: Partial<Build> = {}): Build => {
  const begun = startBuild({
    ...{
      name: 'Tern',
      layout: 'sphere',
      mass: typed(4, 'kg'),
      length: typed(0.4, 'm'),
      width: typed(0.4, 'm'),
    },
    ...{ wheel: typed(0.4, 'm'), jobs: [{ id: 'cruise', stated: { speed: typed(0.5, 'm/s') } }] },
  });
  const withParts = [
    part('motors', 'motor-12v-37d-70'),
    part('drivers', 'driver-2x5'),
    part('batteries', 'battery-3s-5'),
  ].reduce(choosePart, begun);
  return {
    ...withParts,
    innerDrive: { mass: typed(2.4, 'kg'), offset: typed(0.1, 'm'), shellMass: typed(1.2, 'kg') },
    ...more,
  };
};
const ask = (build: Build, more: Partial<SphereAsk> = {}): SphereAsk => ({
  ...{ dutyId: firstDuty(build).id, distanceM: 3, stop: 'shorted' as const },
  ...more,
});
const reported = (build: Build, more: Partial<SphereAsk> = {}) => {
  const report = sphereReport(build, ask(build, more));
  if (!report) throw new Error('it is a sphere with a motor');
  return report;
};

describe('how a sphere rolls', () => {
  it('ends the way it was sent, at the speed of its job, its mass hanging ahead by what rolling takes', () => {
    const build = sphere();
    const { plant, run } = reported(build);
    expect(run?.endM).toBeCloseTo(3, 2);
    expect(run?.peakMps).toBeGreaterThan(0.5);
    expect(run?.peakMps).toBeLessThan(0.6);
    const { body } = plant;
    const weightN = 4 * g;
    expect(body.innerKg + body.shellKg + body.restKg).toBeCloseTo(4 + build.masses.payload.mass.value, 9);
    const torque = body.radiusM * (weightN + build.masses.payload.mass.value * g) * body.rolling;
    expect(Math.sin(((plant.steadySwingDeg ?? 0) * Math.PI) / 180)).toBeCloseTo(torque / (2.4 * g * 0.1), 9);
    expect(plant.steepestDeg).toBe(
      innerDrive.run({ innerKg: 2.4, offsetM: 0.1, shellKg: 1.2, diameterM: 2 * body.radiusM }).steepestDeg,
    );
  });

  it('looks where a wheel looks that rolled as far, and says the way that ends face up', () => {
    const build = sphere();
    const round = Math.PI * 0.4;
    const { facing } = reported(build, { distanceM: 2.25 * round });
    expect(facing?.turns).toBeCloseTo(2.25, 9);
    expect(facing?.pastFaceDeg).toBeCloseTo(90, 6);
    expect(facing?.faceUpM).toBeCloseTo(2 * round, 9);
    // One per cent of two and a quarter turns.
    expect(facing?.offPerPercentDeg).toBeCloseTo(8.1, 9);
    const up = reported(build, { distanceM: 2 * round });
    expect(Math.abs(up.facing?.nearestFaceM ?? 1)).toBeLessThan(1e-9);
  });

  it('nods less after a slower ramp, and swings out less on the way', () => {
    const [atOnce, half, whole] = reported(sphere(), { stop: 'let-go' }).ramps;
    expect(atOnce?.rampS).toBeLessThan(half?.rampS ?? 0);
    expect(whole?.peakSwingDeg).toBeLessThan(atOnce?.peakSwingDeg ?? 0);
    for (const one of [atOnce, half, whole]) expect(one?.endM).toBeCloseTo(3, 1);
  });

  it('does not go where its mass would go over', () => {
    const build = sphere();
    const steep = { ...build, duties: build.duties.map((duty) => ({ ...duty, grade: typed(0.6, '°') })) };
    const { plant, run, facing } = reported(steep);
    expect([plant.steadySwingDeg, plant.share, run, facing]).toEqual([null, null, null, null]);
    expect(sphereTrace(steep, ask(steep))).toEqual([]);
  });

  it('is drawn from rest to rest, in the units it is said in', () => {
    const build = sphere();
    const trace = sphereTrace(build, ask(build));
    expect(trace.length).toBeGreaterThan(200);
    expect(trace[0]).toMatchObject({ tS: 0, speedMps: 0, swingRad: 0 });
    expect(Math.abs(trace.at(-1)?.speedMps ?? 1)).toBeLessThan(0.02);
    const { run } = reported(build);
    expect(Math.max(...trace.map(({ speedMps }) => speedMps))).toBeCloseTo(run?.peakMps ?? 0, 2);
  });

  it('is asked of spheres with a motor of constants alone', () => {
    const build = sphere();
    for (const other of Object.values(demoBuilds())) expect(sphereReport(other, ask(other))).toBeUndefined();
    expect(sphereReport({ ...build, parts: [] } as Build, ask(build))).toBeUndefined();
    expect(sphereReport(build, { ...ask(build), dutyId: 'none' })).toBeUndefined();
  });
});
