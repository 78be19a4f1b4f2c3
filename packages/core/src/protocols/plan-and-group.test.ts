import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { weekdayOf } from '../assembly/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import type { Build } from '../vehicle/index.ts';
import { readingsCsv, standings, type GroupSet } from './group.ts';
import { tuningPlan } from './tuning.ts';

const builds = demoBuilds() as Readonly<Record<string, Build>>;
const { puffin, teasel, whimbrel } = builds as { puffin: Build; teasel: Build; whimbrel: Build };
const TODAY = '2027-04-01';
const straight = (sides: readonly number[]) =>
  ({
    protocol: 'straight-run',
    conditions: { commanded: typed(3, 'm') },
    trials: sides.map((side) => ({ reading: { side: typed(side, 'mm'), distance: typed(3, 'm') } })),
  }) as const;

describe('the plan of tuning days', () => {
  it('puts wheels before motors, motors before sliders, those before the runs, the way before the turn', () => {
    const order = tuningPlan(puffin, [], TODAY).lines.map(({ protocol }) => protocol);
    const expected = [
      'first-power',
      'wheel-matching',
      'motor-matching',
      'slider-choice',
      'straight-run',
      'distance',
      'pivots',
    ];
    expect(order.filter((protocol) => expected.includes(protocol))).toEqual(expected);
  });

  it('asks of a build what it needs: a balancer is nudged, a rider must stop, no two sides no wheels to match', () => {
    const of = (build: Build) => tuningPlan(build, [], TODAY).lines.map(({ protocol }) => protocol);
    expect(of(teasel)).toContain('balance');
    expect(of(teasel)).not.toContain('straight-run');
    expect(of({ ...whimbrel, people: 'riding' })).toContain('stopping');
    for (const build of Object.values(builds)) expect(new Set(of(build)).size).toBe(of(build).length);
  });

  it('counts as done what has its verdict, not what has too few runs', () => {
    const done = (sides: readonly number[]) =>
      tuningPlan(puffin, [straight(sides)], TODAY).lines.find(({ protocol }) => protocol === 'straight-run');
    expect(done([0.01, 0.02])).toMatchObject({ done: false });
    const ten = done(Array.from({ length: 10 }, (_, n) => 0.01 * (n % 3)));
    expect(ten).toMatchObject({ done: true });
    expect(ten).not.toHaveProperty('day');
  });

  it('fills working days alone, none over its hours but with a single trial, in order and before the day it must be ready', () => {
    for (const build of Object.values(builds)) {
      const { lines, left } = tuningPlan(build, [], TODAY);
      const dated = lines.flatMap((line) => (line.day === undefined ? [] : [{ ...line, day: line.day }]));
      const days = dated.map(({ day }) => day);
      expect([...days].sort()).toEqual(days);
      for (const day of new Set(days)) {
        const its = dated.filter((line) => line.day === day);
        expect(build.assembly.workDays).toContain(weekdayOf(day));
        if (build.readyBy !== null) expect(day <= build.readyBy).toBe(true);
        const seconds = its.reduce((sum, line) => sum + line.seconds, 0);
        expect(its.length === 1 || seconds <= build.assembly.hoursADay.value).toBe(true);
      }
      if (dated.length > 0)
        expect(left).toBe(lines.filter(({ done, day }) => !done && day === undefined).length);
    }
  });

  it('says how many do not fit where it must be ready too soon', () => {
    const soon = tuningPlan({ ...puffin, readyBy: TODAY }, [], TODAY);
    expect(soon.left).toBe(soon.lines.length);
  });
});

const of = (buildName: string, sides: readonly number[], group = 'Marsh'): GroupSet => {
  const set = straight(sides);
  return {
    ...set,
    conditions: { ...set.conditions, group },
    id: buildName,
    name: 'Hall',
    buildId: buildName,
    buildName,
  };
};

describe('a class side by side', () => {
  it('scores by how far off the line all told, the best first: 10 mm of 20 mm is half (root of the mean square)', () => {
    const [standing] = standings([of('Moth', [0.02, -0.02]), of('Pip', [0.01, 0.01]), of('New', [])]);
    expect(standing?.placed.map(({ set }) => set.buildName)).toEqual(['Pip', 'Moth', 'New']);
    expect(standing?.placed[0]).toMatchObject({ score: 1 });
    expect(standing?.placed[0]?.value).toBeCloseTo(0.01, 12);
    expect(standing?.placed[1]?.score).toBeCloseTo(0.5, 12);
    expect(standing?.placed[2]).not.toHaveProperty('score');
  });

  it('scores the other way where more is better, and keeps groups apart', () => {
    const pull = (buildName: string, N: number): GroupSet => ({
      ...of(buildName, []),
      protocol: 'pull',
      trials: [{ reading: { pull: typed(N, 'N'), spun: 'yes' } }],
    });
    const found = standings([pull('a', 50), pull('b', 100), of('c', [0.1], 'Fen'), of('d', [0.1])]);
    expect(found).toHaveLength(3);
    expect(found[0]?.placed.map(({ set, score }) => [set.buildName, score])).toEqual([
      ['b', 1],
      ['a', 0.5],
    ]);
    const alone = of('x', [0.1]);
    expect(standings([{ ...alone, conditions: {} }])).toEqual([]);
  });

  it('gives every reading as a line that another reader takes apart again', () => {
    const csv = readingsCsv([of('Pip, "the second"', [0.0125])]);
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true });
    expect(data).toEqual([
      expect.objectContaining({
        build: 'Pip, "the second"',
        run: '1',
        reading: 'Ended to the side',
        value: '0.0125',
        unit: 'm',
      }),
      expect.objectContaining({ reading: 'Distance covered', value: '3' }),
    ]);
  });
});
