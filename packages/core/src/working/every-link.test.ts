/** Every margin of every kind of vehicle opens to a working that comes to just what the margin says, on both sides. */
import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { NotPhysical } from '../contract/index.ts';
import { evaluate, type LinkId, type LinkReport } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { degrees, on, withDuty } from '../testing/vehicles.ts';
import { freshStage } from '../transmission/index.ts';
import { fitPart, partSchema, buildSchema, choosePart, type Build, changeDrive } from '../vehicle/index.ts';
import { workingOfLink } from './links.ts';
import { isStated, type Working } from './working.ts';

const demos = readdirSync('data/builds').map(
  (file) => [file, buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')))] as const,
);
const motors = partSchema.array().parse(JSON.parse(readFileSync('data/shelf/motors.json', 'utf8')));
const [motor] = motors;
if (!motor) throw new Error('the shelf has a motor');

/** What one of a calculator's unit is in SI, by the name of its key. */
const IN_SI: readonly (readonly [RegExp, number])[] = [
  [/Wh$/, 3600],
  [/MPa$/, 1e6],
  [/Deg$/, Math.PI / 180],
  [/Mm$/, 1e-3],
];
const result = (working: Working | undefined): number => {
  if (!working) return NaN;
  if (isStated(working)) return Number(working.value);
  const [, si = 1] = IN_SI.find(([unit]) => unit.test(working.key)) ?? [];
  return Number(working.found[working.key]) * si;
};

/** Where sides differ in a bend, and where the vehicle pushes its motor, that is said in place of a working. */
function opened(build: Build, link: LinkReport, side: 'needs' | 'has'): number | 'no single sum' {
  try {
    return result(workingOfLink(build, link, side));
  } catch (error) {
    if (error instanceof NotPhysical && /^Round a bend|pushes its motor/.test(error.message))
      return 'no single sum';
    throw error;
  }
}

/** Margins of a build whose working does not come to what they say, in words. */
const astray = (build: Build): string[] =>
  evaluate(build).links.flatMap((link) =>
    (['needs', 'has'] as const).flatMap((side) => {
      const [got, wanted] = [opened(build, link, side), link[side]];
      if (typeof got === 'string') return [];
      // Past its no-load speed a motor has no torque left; its sum says by how much it then brakes.
      if (wanted === 0 && got < 0) return [];
      // A force that holds back is asked of grip as one that pushes is.
      const size = link.link === 'grip' ? Math.abs(got) : got;
      const near = Math.abs(size - wanted) <= 1e-6 * Math.max(1e-9, Math.abs(wanted));
      return near ? [] : [`${link.link} ${side} of ${link.dutyId ?? 'the outing'}: ${got}, not ${wanted}`];
    }),
  );

const driven = (layout: string): Build => {
  const build = choosePart(on(layout), motor);
  return changeDrive(build, { stages: [freshStage('chain', 'stage-1', 3)] });
};
/** A wheel of the size of its first axle, that carries ten kilograms. */
const wheelFor = ({ layout }: Build) =>
  partSchema.parse({
    kind: 'wheel',
    id: 'wheel',
    name: 'Wheel',
    type: 'wheel',
    massKg: 0.2,
    diameterMm: (layout.axles[0]?.diameter.value ?? 1) * 1000,
    mostLoadKg: 10,
  });
const has = (build: Build, link: LinkId): boolean => evaluate(build).links.some((l) => l.link === link);

describe('one step further of a stage', () => {
  it.each(['chain', 'timing-belt', 'friction-belt', 'spur', 'bevel', 'worm'] as const)(
    'a number of a %s that opens is the one that was put in, also where it speeds up',
    (kind) => {
      for (const ratio of [3, 1 / 3]) {
        const base = driven('tug');
        const build = changeDrive(base, { stages: [freshStage(kind, 'stage-1', ratio)] });
        const own = evaluate(build).links.filter((l) => l.stageId === 'stage-1' && l.dutyId !== null);
        for (const link of own) {
          const working = workingOfLink(build, link, 'needs');
          if (!working || isStated(working)) continue;
          for (const { key, working: further } of working.inputs)
            if (further)
              expect(working.given[key], `${kind} ${ratio} ${key}`).toBe(further.found[further.key]);
        }
        expect(own.length, `${kind} at ${ratio}`).toBeGreaterThan(0);
      }
    },
  );
});

describe('the working of every margin', () => {
  it.each(demos)('of %s comes to what the margin says', (_, build) => {
    expect(astray(build)).toEqual([]);
  });

  it.each([
    ['slide-side', withDuty(driven('tug'), { sideSlope: degrees(10) })],
    ['tip-side', withDuty(driven('tug'), { sideSlope: degrees(10) })],
    ['tip-along', withDuty(driven('tug'), { grade: degrees(8), acceleration: typed(0.4, 'm/s²') })],
    ['corner', withDuty(driven('tug'), { turn: { kind: 'radius', radius: typed(3, 'm') } })],
    ['step', withDuty(driven('tug'), { step: typed(0.03, 'mm') })],
    ['wheel-load', fitPart(driven('tug'), wheelFor(driven('tug')), 4)],
    ['over-speed', { ...driven('tug'), speedCap: typed(1, 'm/s') }],
  ] as const)('%s, where a job asks for it', (link, build) => {
    expect(has(build, link)).toBe(true);
    expect(astray(build)).toEqual([]);
  });

  it.each(['stepping', 'series-wound', 'servo-continuous'])(
    'of a build on a %s motor opens to what it says, or tells that its law has no constants',
    (type) => {
      const other = motors.find((one) => one.kind === 'motor' && one.type === type);
      if (!other) throw new Error('the shelf has one');
      const build = choosePart(driven('tug'), other);
      for (const link of evaluate(build).links)
        for (const side of ['needs', 'has'] as const)
          try {
            workingOfLink(build, link, side);
          } catch (error) {
            expect(error).toBeInstanceOf(NotPhysical);
            expect(['other-law', 'pushed', 'beyond-stall']).toContain((error as NotPhysical).code);
          }
    },
  );

  it('stopping and holding by a brake, on the way down', () => {
    const build = withDuty(
      { ...driven('tug'), brake: { kind: 'friction', force: typed(400, 'N'), reaction: typed(0.5, 's') } },
      { task: 'stop', grade: degrees(-6), stopWithin: typed(3, 'm') },
    );
    expect(has(build, 'brake-stop')).toBe(true);
    expect(has(build, 'brake-hold')).toBe(true);
    expect(astray(build)).toEqual([]);
  });
});
