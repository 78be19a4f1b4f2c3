/** What the ground asks is worked out once for all that is tried to drive a vehicle: it must come to what it comes to by itself. */
import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { propelling } from '../drive/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { sampled } from '../testing/many.ts';
import { randomBuild } from '../testing/random-build.ts';
import { changeDrive, driveOf, type Build, type Duty } from '../vehicle/index.ts';
import { askedOf } from './index.ts';
import { whateverDrives } from './whatever-drives.ts';

/** Other ways to drive what stands as it stands. */
const OTHERWISE: readonly ((build: Build) => Build)[] = [
  (build) => changeDrive(build, { motorId: null }),
  (build) => changeDrive(build, { motorsPerWheel: (driveOf(build).motorsPerWheel % 4) + 1 }),
  (build) => changeDrive(build, { stages: driveOf(build).stages.slice(1) }),
  (build) => changeDrive(build, { stages: driveOf(build).stages.slice(0, -1) }),
  (build) => changeDrive(build, { together: driveOf(build).together === 'all' ? 'wheel' : 'all' }),
  (build) => changeDrive(build, { differential: driveOf(build).differential === 'open' ? 'locked' : 'open' }),
  (build) => ({ ...build, drives: [...build.drives].reverse() }),
  (build) => ({ ...build, drives: build.drives.slice(0, 1) }),
  (build) => ({ ...build, parts: build.parts.slice(1) }),
  (build) => ({ ...build, supply: { ...build.supply, packs: build.supply.packs.slice(1) } }),
];

const asked = (build: Build, duty: Duty) => askedOf(build, duty, propelling(build)[0]?.line).asked;

describe('what is asked whatever drives', () => {
  it('is what it is by itself, after a row of other drives', () => {
    const random = seeded(20261201);
    const found = [...Array(60).keys()].flatMap((seed) => randomBuild(seed) ?? []);
    for (const begun of [...Object.values(demoBuilds()), ...sampled(found)]) {
      let build = begun;
      for (let n = 0; n < 12; n++) {
        const change = OTHERWISE[Math.floor(random() * OTHERWISE.length)];
        if (!change) throw new Error('there are other ways');
        build = random() < 0.2 ? begun : change(build);
        for (const duty of build.duties) {
          const [alone, itself] = [structuredClone(build), structuredClone(duty)];
          expect(asked(build, duty), begun.name).toEqual(asked(alone, itself));
        }
      }
    }
  });

  it('is asked once for a job, and anew once what stands is another', () => {
    const of: string[] = [];
    const answers = whateverDrives(
      ({ masses: { own } }) =>
        ({ id }) =>
          of.push(`${id} ${own.mass.value}`),
    );
    const { puffin } = demoBuilds();
    const [duty] = puffin?.duties ?? [];
    if (!puffin || !duty) throw new Error('puffin has jobs');
    const first = answers(puffin, duty);
    for (const change of OTHERWISE.slice(0, 3)) {
      const other = change(puffin);
      // How many motors there are the ground does feel, by what a step asks.
      const same = driveOf(other).motorsPerWheel === driveOf(puffin).motorsPerWheel;
      expect(answers(other, duty) === first).toBe(same);
    }
    const heavier = { ...puffin.masses, own: { ...puffin.masses.own } };
    expect(answers({ ...puffin, masses: heavier }, duty)).toBeGreaterThan(first);
  });
});
