/** Where a launch settles and where it spins its wheels, against runs of other lengths and the evaluation. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { buildSchema, type Build } from '../vehicle/index.ts';
import { launchOfBuild, launchOutlook, runLaunch, sampleLaunch, usualRunS } from './index.ts';

const build = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const report = evaluate(build);
const launches = build.duties.map((duty, n) => {
  const dutyReport = report.duties[n];
  const launch = dutyReport && launchOfBuild(build, duty, dutyReport, 4);
  if (!dutyReport || !launch) throw new Error('each job of the barrow can be launched');
  return [duty.name, launch, dutyReport] as const;
});

describe('the outlook of a launch', () => {
  it.each(launches)(
    '“%s” settles where the evaluation says that it gets to',
    (_, launch, { attainableMps = NaN }) => {
      const { settlesMps } = launchOutlook(launch, runLaunch(launch).finalMps);
      expect(Math.abs(settlesMps / attainableMps - 1)).toBeLessThan(1e-3);
    },
  );

  it.each(launches)('“%s” has settled at the end of the usual run, and not in a tenth of it', (_, launch) => {
    const usual = { ...launch, durationS: usualRunS(launch) };
    expect(launchOutlook(usual, runLaunch(usual).finalMps).settled).toBe(true);
    const hasty = { ...launch, durationS: usualRunS(launch) / 40 };
    expect(launchOutlook(hasty, runLaunch(hasty).finalMps).settled).toBe(false);
  });

  it('spins its wheels up to just where full command no longer passes what the ground holds', () => {
    const [, launch] = launches[0] ?? [];
    if (!launch) throw new Error('the barrow has a job');
    const gripping = { ...launch, gripN: 1e9 };
    const pushes = sampleLaunch(gripping, runLaunch(gripping), 400);
    const most = Math.max(...pushes.map(({ forceN }) => forceN));
    expect(launchOutlook({ ...launch, gripN: most * 1.01 }, 1).spinsToMps).toBeUndefined();
    const held = launchOutlook({ ...launch, gripN: most * 0.8 }, 1).spinsToMps ?? NaN;
    // Samples slower than that push harder than the ground holds, faster ones less.
    for (const { speedMps, forceN } of pushes) {
      if (speedMps < held * 0.98) expect(forceN).toBeGreaterThan(most * 0.8 * 0.99);
      if (speedMps > held * 1.02) expect(forceN).toBeLessThan(most * 0.8 * 1.01);
    }
    // Less grip, spinning for longer.
    expect(launchOutlook({ ...launch, gripN: most * 0.7 }, 1).spinsToMps).toBeGreaterThan(held);
  });

  it('that does not move settles at rest, and a short run shows it', () => {
    const [, launch] = launches[0] ?? [];
    if (!launch) throw new Error('the barrow has a job');
    const stuck = { ...launch, gripN: 0.1 };
    expect(launchOutlook(stuck, 0)).toMatchObject({ settlesMps: 0, settled: true, spinsToMps: 0 });
    expect(usualRunS(stuck)).toBe(2);
  });
});

describe('a launch on several drives', () => {
  /** Two motors a wheel, in one drive, or in two of one motor each. */
  const two: Build = { ...build, drives: build.drives.map((drive) => ({ ...drive, motorsPerWheel: 2 })) };
  const split: Build = {
    ...build,
    drives: [...build.drives, ...build.drives.map((drive) => ({ ...drive, id: `${drive.id}-2` }))],
  };
  const runOf = (of: Build) => {
    const duty = of.duties[0];
    const dutyReport = evaluate(of).duties[0];
    const launch = duty && dutyReport && launchOfBuild(of, duty, dutyReport, 4);
    if (!launch) throw new Error('the barrow can be launched');
    return { launch, run: runLaunch(launch) };
  };

  it('is that of one drive which is split into two, rotors counted', () => {
    const rotors = (of: Build): Build => ({
      ...of,
      supply: { ...of.supply, auxiliaryPower: { ...of.supply.auxiliaryPower, value: 0 } },
      parts: of.parts.map((part) => (part.kind === 'motor' ? { ...part, rotorGcm2: 9000 } : part)),
    });
    const [one, apart] = [runOf(rotors(two)), runOf(rotors(split))];
    expect('flatOut' in one.launch).toBe(false);
    expect('flatOut' in apart.launch).toBe(true);
    for (const key of ['finalMps', 'distanceM', 'energyJ'] as const)
      expect(Math.abs(apart.run[key] / one.run[key] - 1), key).toBeLessThan(2e-3);
  });

  it('settles where the evaluation says, and gets away sooner than with one of them', () => {
    const { attainableMps = NaN } = evaluate(split).duties[0] ?? {};
    const { launch, run } = runOf(split);
    expect(Math.abs(launchOutlook(launch, run.finalMps).settlesMps / attainableMps - 1)).toBeLessThan(2e-3);
    expect(run.distanceM).toBeGreaterThan(runOf(build).run.distanceM);
  });
});
