import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { evaluate } from './index.ts';
import { ofEachDuty } from './of-each-duty.ts';

const builds = Object.values(demoBuilds());

/** Small edits as a builder makes them: each leaves the rest of the build as the same objects. */
const EDITS: readonly ((build: Build, at: number, by: number) => Build)[] = [
  (build, at, by) => ofJob(build, at, ({ speed }) => ({ speed: typed(speed.value * by, 'm/s') })),
  (build, at, by) => ofJob(build, at, ({ grade }) => ({ grade: typed(grade.value * by, '°') })),
  (build, at) => ofJob(build, at, () => ({ payloadShare: typed(0.5, '%') })),
  (build, at) => ({ ...build, duties: build.duties.filter((_, n) => n !== at || build.duties.length === 1) }),
  (build, at) => ({ ...build, duties: [...build.duties.slice(at), ...build.duties.slice(0, at)] }),
  (build, _at, by) => {
    const { own } = build.masses;
    return { ...build, masses: { ...build.masses, own: { ...own, mass: typed(own.mass.value * by, 'kg') } } };
  },
  (build, at, by) => ({
    ...build,
    grounds: build.grounds.map((ground, n) =>
      n === at % build.grounds.length ? { ...ground, rolling: typed(ground.rolling.value * by, '') } : ground,
    ),
  }),
  (build, _at, by) => ({ ...build, dragArea: typed(build.dragArea.value * by, 'm²') }),
  (build) => ({ ...build, drives: build.drives.map((drive) => ({ ...drive })) }),
];

const ofJob = (build: Build, at: number, part: (duty: Duty) => Partial<Duty>): Build => ({
  ...build,
  duties: build.duties.map((duty, n) => (n === at ? { ...duty, ...part(duty) } : duty)),
});

describe('what an edit does not touch', () => {
  it('is answered as if all were worked out anew, over a long row of edits', () => {
    const random = seeded(20261130);
    const draw = (n: number): number => Math.floor(random() * n);
    for (const begun of builds) {
      let build = begun;
      for (let n = 0; n < 15; n++) {
        const edit = EDITS[draw(EDITS.length)];
        if (!edit) throw new Error('there are edits');
        // Back to where it began now and then, as undo does.
        build = random() < 0.2 ? begun : edit(build, draw(build.duties.length), 0.8 + 0.4 * random());
        expect(evaluate(build)).toEqual(evaluate(structuredClone(build)));
      }
    }
  });

  it('is not asked again: an edited job alone, and all once the vehicle is another', () => {
    const asked: string[] = [];
    const each = ofEachDuty(
      () =>
        ({ id }) =>
          asked.push(id),
    );
    const answers = (build: Build) => build.duties.map(each(build));
    const [build] = builds;
    if (!build) throw new Error('the club has builds');
    const ids = build.duties.map(({ id }) => id);
    answers(build);
    answers({ ...build, duties: [...build.duties] });
    expect(asked).toEqual(ids);
    answers(ofJob(build, 1, () => ({ speed: typed(0.1, 'm/s') })));
    expect(asked).toEqual([...ids, ids[1]]);
    const heavier = { ...build, masses: { ...build.masses } };
    answers(heavier);
    expect(asked).toEqual([...ids, ids[1], ...ids]);
    // The first is still known.
    answers(build);
    expect(asked).toHaveLength(2 * ids.length + 1);
  });

  it('is forgotten where something is said that was not there before', () => {
    let asked = 0;
    const each = ofEachDuty(() => () => (asked += 1));
    const answers = (build: Build) => build.duties.map(each(build));
    const [build] = builds;
    if (!build) throw new Error('the club has builds');
    const { speedCap: _none, ...free } = build;
    const before = answers(free).at(-1) ?? 0;
    expect(answers({ ...free, speedCap: typed(1, 'm/s') })[0]).toBe(before + 1);
  });
});
