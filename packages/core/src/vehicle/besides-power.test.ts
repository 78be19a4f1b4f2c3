import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { besidesJobs, besidesPower, type Build, type Drive } from './index.ts';

const builds = Object.values(demoBuilds());

/** Every drive of it changed. */
const withDrives = (build: Build, change: (drive: Drive) => Partial<Drive>): Build => ({
  ...build,
  drives: build.drives.map((drive) => ({ ...drive, ...change(drive) })),
});

/** What is inside the drives and behind them is another; what is inside a drive that ends in a spool or sprocket is left. */
const powered = (build: Build): Build => ({
  ...withDrives(build, () => ({ motorId: null, driverId: null, path: [], name: 'Another' })),
  parts: [],
  supply: { ...build.supply, packs: [] },
  duties: [],
});

/** Changes that the ground has to do with. */
const OUTSIDE: Readonly<Record<string, (build: Build) => Build>> = {
  'its layout': (build) => ({ ...build, layout: structuredClone(build.layout) }),
  'its masses': (build) => ({ ...build, masses: structuredClone(build.masses) }),
  'its grounds': (build) => ({ ...build, grounds: structuredClone(build.grounds) }),
  'its brake': (build) => ({ ...build, brake: structuredClone(build.brake) }),
  'a limit of its speed': (build) => ({ ...build, speedCap: typed(1.5, 'm/s') }),
  'what is driven together': (build) =>
    withDrives(build, ({ together }) => ({ together: together === 'all' ? 'wheel' : 'all' })),
  'its differential': (build) =>
    withDrives(build, ({ differential }) => ({ differential: differential === 'open' ? 'locked' : 'open' })),
  'how many motors turn a wheel': (build) =>
    withDrives(build, ({ motorsPerWheel }) => ({ motorsPerWheel: motorsPerWheel + 1 })),
  'one drive more': (build) => ({ ...build, drives: [...build.drives, ...build.drives] }),
};

describe('what a build is besides what drives it', () => {
  it.each(builds)('is one and the same for $name, whatever drives it and whatever its jobs', (build) => {
    const besides = besidesPower(build);
    expect(besidesPower(powered(build))).toBe(besides);
    expect(besidesPower(besidesJobs(build))).toBe(besides);
    expect(besidesPower(besides)).toBe(besides);
    expect(besides.layout).toBe(build.layout);
    expect(besides.drives.map(({ id }) => id)).toEqual(build.drives.map(({ id }) => id));
  });

  it.each(Object.entries(OUTSIDE))('is another once %s is', (_, change) => {
    for (const build of builds) {
      const besides = besidesPower(build);
      expect(besidesPower(change(build)), build.name).not.toBe(besides);
      // It is still known after that.
      expect(besidesPower(powered(build))).toBe(besides);
    }
  });

  it('is another with the sprocket or spool that a drive ends in, and the same with the stages before', () => {
    const tracked = builds.find(({ drives }) =>
      drives.some(({ stages }) => stages.length > 1 && besidesPowerOf(stages).length > 0),
    );
    if (!tracked) throw new Error('one of the club ends in a sprocket or spool');
    const besides = besidesPower(tracked);
    expect(besidesPower(withDrives(tracked, ({ stages }) => ({ stages: stages.slice(1) })))).toBe(besides);
    expect(besidesPower(withDrives(tracked, ({ stages }) => ({ stages: stages.slice(0, -1) })))).not.toBe(
      besides,
    );
  });

  it('fails at once where a part, a supply or the inside of a drive is read of it', () => {
    for (const build of builds) {
      const besides = besidesPower(build);
      expect(() => besides.parts.length).toThrow(TypeError);
      expect(() => besides.supply.packs).toThrow(TypeError);
      expect(() => besides.duties.length).toThrow(TypeError);
      expect(() => besides.drives[0]?.path.length).toThrow(TypeError);
    }
  });
});

/** The stages that are left of some. */
const besidesPowerOf = (stages: Drive['stages']): Drive['stages'] => {
  const [build] = builds;
  const [drive] = build?.drives ?? [];
  if (!build || !drive) throw new Error('the club has builds, and they have drives');
  return besidesPower({ ...build, drives: [{ ...drive, stages }] }).drives[0]?.stages ?? [];
};
