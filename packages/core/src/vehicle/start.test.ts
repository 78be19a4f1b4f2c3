import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { roughAnswer } from '../demand/index.ts';
import { isQuantity, typed, type Quantity } from '../quantity/index.ts';
import {
  buildSchema,
  DUTY_TEMPLATES,
  dutyTemplatesFor,
  LAYOUT_TEMPLATES,
  newMass,
  scaledTime,
  scaleOf,
  SIZE_CLASSES,
  sizeClass,
  surfaceToBegin,
  startBuild,
  startJobs,
  usual,
  type Build,
} from './index.ts';
import { addDrive } from './edit-drives.ts';
import { massOfWheel, wheelOfMass } from './size-classes.ts';

const jobsOf = (layout: string) => startJobs(layout).map(({ id }) => ({ id }));
const every = LAYOUT_TEMPLATES.flatMap(({ id: layout }) =>
  SIZE_CLASSES.map((like) => ({ layout, like, name: `${layout} ${like}` })),
);

describe('a build begun from what was asked', () => {
  it.each(every)('is sound for $layout, $like, with every job it can do', (answers) => {
    const build = startBuild({ ...answers, jobs: jobsOf(answers.layout) });
    expect(buildSchema.safeParse(build).error).toBeUndefined();
    const { duties, links } = evaluate(build);
    for (const link of links) expect(Number.isFinite(link.needs)).toBe(true);
    // Nothing that was guessed falls over on the level.
    expect(duties[0]?.footing.stands).toBe(true);
    expect(duties.length).toBe(build.duties.length);
    expect(roughAnswer(build)?.forceN).toBeGreaterThan(0);
  });

  it('stands on what is said before its jobs are: a rail under what runs on one, else by its size', () => {
    for (const { layout, like } of every) {
      const [ground] = startBuild({ name: 'Gull', layout, like, jobs: jobsOf(layout) }).grounds;
      expect(surfaceToBegin({ layout, like })).toBe(ground?.surface);
    }
    expect(surfaceToBegin({ layout: 'rail-dolly', like: 'desk' })).toBe('steel-rail');
    expect(surfaceToBegin({ like: 'palm' })).toBe(sizeClass('palm').ground);
  });

  /** Every quantity of a document under its path. */
  function quantities(x: unknown, path = ''): [string, Quantity][] {
    if (isQuantity(x)) return [[path, x]];
    if (typeof x !== 'object' || x === null) return [];
    return Object.entries(x).flatMap(([key, child]) => quantities(child, `${path}.${key}`));
  }
  /** What has nothing to do with how large a vehicle is. */
  const SAME =
    /grounds|grade|lean|duration|payloadShare|acceleration|reaction|dragArea|usableShare|overlap|linkageRatio|lockToLock|hoursADay|release|towed\.rolling|\.left$|hitch\.load|push\.load|drawbar$|shareOf/;

  it('scales every figure: nothing of a palm’s is as large as a grown-up’s', () => {
    for (const { id: layout } of LAYOUT_TEMPLATES) {
      const made = (like: 'palm' | 'grown') =>
        new Map(
          quantities(
            startBuild({
              name: 'Any',
              layout,
              like,
              people: 'nobody',
              jobs: DUTY_TEMPLATES.filter((t) => startJobs(layout).includes(t)).map(({ id }) => ({ id })),
            }),
          ),
        );
      const [palm, grown] = [made('palm'), made('grown')];
      for (const [path, { value }] of palm) {
        if (SAME.test(path) || value === 0) continue;
        const other = grown.get(path)?.value ?? NaN;
        const ratio = path.includes('Resistance') ? value / other : other / value;
        expect(ratio, `${layout}${path}: ${value} and ${other}`).toBeGreaterThan(1.5);
      }
    }
  });

  // A third of the weight sideways neither slides on dry ground nor tips what is wider than high (common practice, no source).
  it('asks of a fast bend no more sideways than a third of the weight, whoever rides', () => {
    for (const people of ['nobody', 'riding'] as const)
      for (const { layout, like, name } of every) {
        const build = startBuild({ name, layout, like, people, jobs: jobsOf(layout) });
        const bend = dutyTemplatesFor(build).find(({ id }) => id === 'fast-turn');
        if (!bend) continue;
        const { turn, speed } = bend.part(build, scaleOf(build));
        if (turn?.kind !== 'radius' || !speed) throw new Error('a fast turn has a bend and a speed');
        const sideways = speed.value ** 2 / turn.radius.value / 9.80665;
        expect(sideways, name).toBeLessThan(0.34);
        expect(speed.value).toBeCloseTo(2 * usual.paceMps(scaleOf(build)), 1);
      }
  });

  it('keeps what was stated as it was stated, and marks the rest as assumed', () => {
    const [mass, wheel] = [typed(40.8233133, 'lb'), typed(0.3302, 'in')];
    const build = startBuild({
      name: 'Plough',
      layout: 'two-castors',
      mass,
      wheel,
      jobs: [{ id: 'push', stated: { speed: typed(0.5, 'mph') } }],
    });
    expect(build.masses.own.mass).toEqual(mass);
    expect(build.layout.axles[0]?.diameter).toEqual(wheel);
    expect(build.duties[0]?.speed).toEqual(typed(0.5, 'mph'));
    const assumedOnes = quantities(build).filter(([, q]) => q.origin === 'assumed').length;
    expect(assumedOnes).toBe(quantities(build).length - 3);
  });

  it('takes the wheel from the mass and the mass from the wheel as the classes have them', () => {
    for (const like of ['palm', 'desk', 'toy', 'barrow', 'grown'] as const) {
      const { massKg, wheelM } = sizeClass(like);
      expect(wheelOfMass(massKg)).toBeCloseTo(wheelM, 9);
      expect(massOfWheel(wheelM)).toBeCloseTo(massKg, 9);
    }
    for (const massKg of [0.05, 0.7, 3, 20, 400])
      expect(massOfWheel(wheelOfMass(massKg))).toBeCloseTo(massKg, 9);
    const heavy = startBuild({ name: 'Any', layout: 'four-skid', mass: typed(400, 'kg'), jobs: [] });
    const light = startBuild({ name: 'Any', layout: 'four-skid', mass: typed(4, 'kg'), jobs: [] });
    expect(scaleOf(heavy).lengthM).toBeGreaterThan(scaleOf(light).lengthM * 5);
  });

  it('a ball is as large as was said, a sprocket too', () => {
    const ball = startBuild({
      name: 'Ball',
      layout: 'sphere',
      wheel: typed(0.3, 'mm'),
      jobs: [{ id: 'roll' }],
    });
    expect(ball.layout.axles[0]?.diameter.value).toBe(0.3);
    const tracked = startBuild({
      name: 'Tracks',
      layout: 'tracked',
      wheel: typed(0.06, 'mm'),
      jobs: [{ id: 'cruise' }],
    });
    expect(tracked.layout.axles[0]?.diameter.value).toBe(0.06);
  });

  it('seats somebody where somebody rides, and offers a layout only what it can do', () => {
    const kart = startBuild({
      name: 'Kart',
      layout: 'rear-locked',
      like: 'child',
      rider: typed(28, 'kg'),
      jobs: [{ id: 'cruise' }],
    });
    expect(kart.people).toBe('riding');
    expect(kart.masses.others[0]?.mass).toEqual(typed(28, 'kg'));
    const ids = (layout: string) => startJobs(layout).map(({ id }) => id);
    expect(ids('balancer')).toContain('catch-a-lean');
    expect(ids('balancer')).not.toContain('push');
    expect(ids('sphere')).toContain('roll');
    expect(ids('sphere')).not.toContain('cruise');
    expect(ids('rear-drive')).not.toContain('turn-on-the-spot');
    expect(ids('rail-dolly')).not.toContain('over-a-kerb');
  });

  it('refuses a layout and a job that there are not', () => {
    expect(() => startBuild({ name: 'x', layout: 'hover', jobs: [] })).toThrow(RangeError);
    expect(() => startBuild({ name: 'x', layout: 'sphere', jobs: [{ id: 'fly' }] })).toThrow(RangeError);
  });
});

describe('what is usual for a size', () => {
  const sized = (lengthM: number) => ({
    lengthM,
    wheelM: lengthM / 2,
    massKg: 40 * lengthM ** 3,
    ridden: false,
  });

  it('goes at a pace over the root of its length (Froude number; Alexander 1976, from memory)', () => {
    for (const lengthM of [0.06, 0.25, 1]) {
      const ratio = usual.paceMps(sized(lengthM * 4)) / usual.paceMps(sized(lengthM));
      expect(ratio).toBeGreaterThan(1.9);
      expect(ratio).toBeLessThan(2.1);
    }
    // A barrow at a walk: 0.8 to 1.6 m/s (common practice, no source).
    const { paceMps } = usual;
    const barrow = paceMps(
      scaleOf(startBuild({ name: 'Any', layout: 'two-castors', like: 'barrow', jobs: [] })),
    );
    expect(barrow).toBeGreaterThan(0.8);
    expect(barrow).toBeLessThan(1.6);
  });

  it('gives guesses of two figures, and hours in whole five minutes', () => {
    for (const guess of Object.values(usual)) {
      const value = guess({ lengthM: 0.7321, wheelM: 0.3137, massKg: 41.77, ridden: false });
      expect(Number(value.toPrecision(2))).toBe(value);
    }
    expect(scaledTime(sized(0.6), 3600)).toBe(3600);
    expect(scaledTime(sized(0.15), 3600)).toBe(1800);
    expect(scaledTime(sized(0.01), 300)).toBe(300);
    expect(scaledTime(sized(2), 0)).toBe(0);
  });

  it('is what is added later, too: a rider, a lift, a job', () => {
    const [small, large] = (['desk', 'grown'] as const).map((like): Build =>
      startBuild({ name: 'Any', layout: 'two-castors', like, people: 'nobody', jobs: [] }),
    ) as [Build, Build];
    expect(newMass(small, 'a', 'Rider', 'rider').mass.value).toBeLessThan(3);
    expect(newMass(large, 'a', 'Rider', 'rider').mass.value).toBeGreaterThan(50);
    const load = (build: Build) => {
      const { work } = addDrive(build, 'lift').build.drives.at(-1) ?? {};
      return work?.kind === 'lift' ? work.load.value : NaN;
    };
    expect(load(large) / load(small)).toBeGreaterThan(20);
    expect(dutyTemplatesFor(small).length).toBeGreaterThan(10);
  });
});
