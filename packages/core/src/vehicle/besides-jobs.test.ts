import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { besidesJobs, rememberedBesidesJobs, throughDrive, type Build } from './index.ts';

const builds = Object.values(demoBuilds());

/** Another build whose jobs are the only new objects. */
const otherJobs = (build: Build): Build => ({
  ...build,
  duties: build.duties.map((duty) => ({ ...duty, speed: typed(2 * duty.speed.value, 'm/s') })),
});

describe('what a build is besides its jobs', () => {
  it.each(builds)(
    'is one and the same for $name, whatever its jobs, and nothing but them is missing',
    (build) => {
      const besides = besidesJobs(build);
      expect(besidesJobs(otherJobs(build))).toBe(besides);
      expect(besidesJobs({ ...build, duties: [] })).toBe(besides);
      expect({ ...besides, duties: build.duties }).toEqual(build);
      expect('duties' in besides).toBe(false);
      expect(besidesJobs(besides)).toBe(besides);
    },
  );

  it.each(builds)('is another for $name once anything else is another', (build) => {
    const besides = besidesJobs(build);
    for (const field of Object.keys(build).filter((key) => key !== 'duties')) {
      const { [field as 'purpose']: value, ...without } = build;
      const changed = {
        ...without,
        [field]: typeof value === 'object' ? structuredClone(value) : `${value} `,
      };
      expect(besidesJobs(changed as Build), field).not.toBe(besides);
    }
    // It is still known after all of those.
    expect(besidesJobs(otherJobs(build))).toBe(besides);
  });

  it('is another through another drive, and the same again through that one', () => {
    const several = builds.find(({ drives }) => drives.length > 2);
    if (!several) throw new Error('one of the club has several drives');
    const [, second, third] = several.drives.map(({ id }) => besidesJobs(throughDrive(several, id)));
    expect(new Set([besidesJobs(several), second, third]).size).toBe(3);
    expect(besidesJobs(throughDrive(otherJobs(several), several.drives[1]?.id ?? ''))).toBe(second);
  });

  it('is asked once for all edits of jobs, and of many that were tried in between', () => {
    const [build] = builds;
    if (!build) throw new Error('the club has builds');
    let asked = 0;
    const drives = rememberedBesidesJobs(({ drives: { length } }) => [(asked += 1), length]);
    expect(drives(build)).toEqual([1, build.drives.length]);
    for (let n = 0; n < 100; n++) drives({ ...build, drives: [...build.drives] });
    expect(drives(otherJobs(build))).toEqual([1, build.drives.length]);
    expect(asked).toBe(101);
  });

  it('fails at once where a job is read of it', () => {
    const [build] = builds;
    if (!build) throw new Error('the club has builds');
    const hardest = rememberedBesidesJobs(({ duties }) => duties.map(({ id }) => id));
    expect(() => hardest(build)).toThrow(TypeError);
  });
});
