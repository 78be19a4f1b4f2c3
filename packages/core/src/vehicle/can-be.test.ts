import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { buildSchema, canBe, newBuild, numbersOf, withNumbers, type Build } from './index.ts';

const builds = [...Object.values(demoBuilds()), newBuild('Gull')];

/** What is wrong with each, by one edit. */
const WRONG: readonly (readonly [string, (build: Build) => unknown])[] = [
  ['an empty name', (build) => ({ ...build, name: '' })],
  ['a number for a name', (build) => ({ ...build, name: 3 })],
  ['a field that no build has', (build) => ({ ...build, wings: 2 })],
  ['no jobs at all', ({ duties: _duties, ...build }) => build],
  ['nothing for its drives', (build) => ({ ...build, drives: null })],
  ['a day that there is not', (build) => ({ ...build, readyBy: '2026-02-30' })],
  [
    'a job on a ground that is not there',
    (build) => ({ ...build, grounds: build.grounds.map((g) => ({ ...g, id: `${g.id}x` })) }),
  ],
  ['a job twice', (build) => ({ ...build, duties: [...build.duties, ...build.duties] })],
  [
    'no drive that moves it',
    (build) => ({ ...build, drives: build.drives.map((d) => ({ ...d, does: 'steers' })) }),
  ],
  [
    'an axle that is not there',
    (build) => ({ ...build, drives: build.drives.map((d) => ({ ...d, axleIds: ['none'] })) }),
  ],
  [
    'a motor that it does not carry',
    (build) => ({ ...build, drives: build.drives.map((d) => ({ ...d, motorId: 'none' })) }),
  ],
  ['a mass below nothing', (build) => ({ ...build, dragArea: typed(-1, 'm²') })],
];

/** Numbers that hardly anything may be, and every so-manieth of a build: parsing all of it for each takes its time. */
const FAR_OFF = [-1e6, 0, 1e12] as const;
const EACH = 7;

describe('whether a build may be so', () => {
  it.each(builds)('is told of $name as the schema tells it, whatever is wrong', (build) => {
    expect(canBe(build)).toBe(true);
    for (const [what, edit] of WRONG) {
      const made = edit(build) as Build;
      expect(buildSchema.safeParse(made).success, what).toBe(false);
      expect(canBe(made), what).toBe(false);
    }
    // What was looked at before is judged as it was.
    expect(canBe({ ...build })).toBe(true);
  });

  it.each(builds)('is told of the numbers of $name, far off on either side', (build) => {
    for (const [n, number] of numbersOf(build).entries()) {
      if (n % EACH !== 0) continue;
      const made = withNumbers(build, [[number, FAR_OFF[(n / EACH) % FAR_OFF.length] ?? 0]]);
      expect(canBe(made), number.path.join('.')).toBe(buildSchema.safeParse(made).success);
    }
  });
});
