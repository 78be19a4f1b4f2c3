import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { marginsOf } from '../judge/index.ts';
import { verdictOf } from '../judge/margin.ts';
import { numbersOf, readBuild, withNumbers, type Build, type NumberAt } from '../vehicle/index.ts';
import { usualSpan, whatIf, whatIfSteps, withinMayBe, type MarginKey, type WhatIf } from './index.ts';
import { many } from '../testing/many.ts';

const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} does not read`);
  return read.build;
};
const NAMES = ['puffin', 'pip', 'moth', 'teasel', 'whimbrel', 'sanderling', 'glasshouse-rail'];
const builds = NAMES.map(demo);
const [puffin, pip] = [demo('puffin'), demo('pip')];

const numberAt = (build: Build, path: string): NumberAt => {
  const found = numbersOf(build).find((number) => number.path.join('.') === path);
  if (!found) throw new Error(`no number at ${path}`);
  return found;
};
const isSame = (a: MarginKey, b: MarginKey): boolean =>
  (['link', 'dutyId', 'driveId', 'stageId', 'elementId', 'railId'] as const).every(
    (key) => a[key] === b[key],
  );
const verdictAt = (build: Build, number: NumberAt, value: number, margin: MarginKey) =>
  marginsOf(withNumbers(build, [[number, value]])).links.find((link) => isSame(link, margin))?.verdict;

describe('the numbers of a build', () => {
  it('are what something is worked out of, each with what it is called', () => {
    const paths = numbersOf(puffin).map(({ path }) => path.join('.'));
    expect(paths).toContain('duties.slip-loaded.grade');
    expect(paths).toContain('drives.drive-1.stages.stage-1.teethDriver');
    expect(paths).toContain('parts.motor-24v-500w-9.stallTorqueNm');
    expect(paths.filter((path) => /^assembly|formatVersion|\.cost$|guessed/.test(path))).toEqual([]);
    expect(new Set(paths).size).toBe(paths.length);
  });

  it('count something where they are teeth, and measure something where they are a mass', () => {
    expect(numberAt(puffin, 'drives.drive-1.stages.stage-1.teethDriver').whole).toBe(true);
    expect(numberAt(puffin, 'masses.payload.mass').whole).toBe(false);
    expect(numberAt(puffin, 'parts.motor-24v-500w-9.stallTorqueNm').whole).toBe(false);
  });

  it('put back as they are leave the build as it is', () => {
    for (const build of builds)
      expect(
        withNumbers(
          build,
          numbersOf(build).map((number) => [number, number.value]),
        ),
      ).toEqual(build);
  });
});

describe('the span in which a number is looked at', () => {
  it('is from half of it to twice as much', () => {
    expect(usualSpan(puffin, numberAt(puffin, 'masses.payload.mass'))).toEqual({ least: 60, most: 240 });
  });
  it('ends where the build may say no more: no efficiency is above one', () => {
    const efficiency = numberAt(puffin, 'drives.drive-1.stages.stage-1.efficiency');
    expect(usualSpan(puffin, efficiency)).toEqual({ least: 0.48, most: 1 });
  });
  it('of what stands at nothing goes somewhere, and of what counts by whole steps', () => {
    expect(usualSpan(puffin, numberAt(puffin, 'duties.level-loaded.drawbar'))).toEqual({
      least: 0,
      most: 100,
    });
    expect(usualSpan(puffin, numberAt(puffin, 'drives.drive-1.stages.stage-1.teethDriver'))).toEqual({
      least: 5,
      most: 20,
    });
  });
  it('holds what stands, whatever is asked', () => {
    const payload = numberAt(puffin, 'masses.payload.mass');
    expect(withinMayBe(puffin, payload, { least: 150, most: 160 }).least).toBe(120);
    expect(withinMayBe(puffin, payload, { least: -50, most: 160 }).least).toBe(0);
  });
});

/** All verdicts of all margins at many values, judged one by one: what the turns must tell of. */
function seen(build: Build, { number, values, margins, turns }: WhatIf): void {
  const [first = 0, last = 0] = [values[0], values.at(-1)];
  for (const { margin, at, now } of margins) {
    const own = turns.filter((turn) => isSame(turn.margin, margin));
    for (const { value, below, above } of own) {
      const step = number.whole ? 1 : 4e-7 * (last - first);
      expect(verdictAt(build, number, value, margin)).toBe(above);
      expect(verdictAt(build, number, Math.max(first, value - step), margin)).toBe(below);
    }
    // Between two values that were judged the verdict only changes where it is told.
    at.forEach((there, n) => {
      const before = at[n - 1];
      if (!there || !before || there.verdict === before.verdict) return;
      const within = own.filter(({ value }) => value > (values[n - 1] ?? 0) && value <= (values[n] ?? 0));
      expect(within[0]?.below).toBe(before.verdict);
      expect(within.at(-1)?.above).toBe(there.verdict);
    });
    expect(now).toEqual(at[values.indexOf(number.value)] ?? undefined);
  }
}

describe('what another number would come to', () => {
  it('stands at each value as the build itself would be judged, and tells where each verdict turns', () => {
    const random = seeded(20261128);
    for (const build of builds) {
      const numbers = numbersOf(build);
      for (let n = 0; n < many(6, 40); n += 1) {
        const number = numbers[Math.floor(random() * numbers.length)];
        if (number) seen(build, whatIf(build, number, { steps: 12 }));
      }
    }
  });

  /*
   * One axle that carries everything, no hitch, going steadily: it slips where the pull along the slope, m g (sin θ + c cos θ),
   * is the grip, μ m g cos θ, so at tan θ = μ − c; and keeps a rule r up to tan θ = μ / r − c.
   */
  it('of the grade of a vehicle whose only axle drives turns at tan θ = μ − c', () => {
    const build = demo('teasel');
    const [duty] = build.duties;
    const ground = build.grounds.find(({ id }) => id === duty?.groundId);
    if (!duty || !ground) throw new Error('it has no job');
    const steady: Build = {
      ...build,
      duties: [
        { ...duty, acceleration: { ...duty.acceleration, value: 0 }, drawbar: { ...duty.drawbar, value: 0 } },
      ],
      dragArea: { ...build.dragArea, value: 0 },
    };
    const grade = numberAt(steady, `duties.${duty.id}.grade`);
    const { turns } = whatIf(steady, grade, { span: { least: 0, most: 1 } });
    const [friction, rolling] = [ground.friction.value, ground.rolling.value];
    const rule = steady.marginPolicy.grip;
    const ofGrip = turns.filter(({ margin }) => margin.link === 'grip');
    expect(ofGrip.find(({ above }) => above === 'short')?.value).toBeCloseTo(
      Math.atan(friction / rule - rolling),
      5,
    );
    expect(ofGrip.find(({ above }) => above === 'fails')?.value).toBeCloseTo(
      Math.atan(friction - rolling),
      5,
    );
  });

  it('of teeth is judged at every whole number, and turns at one', () => {
    const teeth = numberAt(puffin, 'drives.drive-1.stages.stage-1.teethDriven');
    const found = whatIf(puffin, teeth, { span: { least: 20, most: 70 }, steps: 10 });
    expect(found.turns.length).toBeGreaterThan(0);
    expect([...found.values, ...found.turns.map(({ value }) => value)].every(Number.isInteger)).toBe(true);
    seen(puffin, found);
  });

  it('of a factor of safety moves the rule and not what is there', () => {
    const factor = numberAt(puffin, 'marginPolicy.torque');
    const { margins, turns } = whatIf(puffin, factor, { steps: 8 });
    const torque = margins.filter(({ margin }) => margin.link === 'torque');
    expect(torque.length).toBeGreaterThan(0);
    for (const { at, margin, now } of torque) {
      expect(new Set(at.map((there) => there?.ratio)).size).toBe(1);
      // What it has is what the rule may come to.
      const fallsShort = turns.find((turn) => isSame(turn.margin, margin) && turn.above === 'short');
      if (fallsShort && now) expect(fallsShort.value).toBeCloseTo(now.ratio, 5);
      at.forEach((there) => expect(there?.verdict).toBe(verdictOf(there?.ratio ?? 0, there?.rule ?? 0)));
    }
  });

  it('gives way after each value, and can be given up', () => {
    const steps = whatIfSteps(pip, numberAt(pip, 'masses.own.mass'), { steps: 10 });
    const told = [steps.next(), steps.next()];
    expect(told.map(({ done }) => done)).toEqual([false, false]);
    expect(steps.return({} as WhatIf).done).toBe(true);
  });
});
