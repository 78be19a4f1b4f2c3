import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { freshStage, stageFigures, type Stage } from '../transmission/index.ts';
import { typed } from '../quantity/index.ts';
import { changeDrive, driveOf, readBuild, type Build } from '../vehicle/index.ts';
import { usualLimits, type FoundSet, type SearchLimits } from './index.ts';
import { spreadOut, trainsOf } from './trains.ts';

const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} does not read`);
  return read.build;
};
const puffin = demo('puffin');
const few: SearchLimits = {
  ...usualLimits,
  stages: 1,
  kinds: ['chain'],
  teeth: { driver: [11, 15], driven: [22, 44, 60] },
};

describe('trains of a search', () => {
  const chainOf = (stages: FoundSet['stages']) => stages.find(({ kind }) => kind === 'chain');

  it('keep the names that the torque path goes by, and what ends the drive', () => {
    const fresh = trainsOf(puffin, few).filter((stages) => stages.length === 1);
    expect(fresh.every((stages) => chainOf(stages)?.id === driveOf(puffin).stages[0]?.id)).toBe(true);
    const sanderling = demo('sanderling');
    expect(trainsOf(sanderling, usualLimits).every((stages) => stages.at(-1)?.kind === 'track')).toBe(true);
  });

  it('have room in the vehicle, but for what stands in it already', () => {
    const { body } = puffin;
    const low: Build = {
      ...puffin,
      body: { ...body, height: typed(0.1, 'mm'), clearance: typed(0.1, 'mm') },
    };
    const small = {
      ...low,
      layout: {
        ...low.layout,
        axles: low.layout.axles.map((axle) => ({ ...axle, diameter: typed(0.15, 'mm') })),
      },
    };
    // Between motor and axle; the largest of 200 mm has 65 teeth of 3/8 inch.
    const firsts = (build: Build) =>
      trainsOf(build, usualLimits).flatMap(([first, second]) => (first && second ? [first] : []));
    const largest = (stages: readonly Stage[]): number =>
      Math.max(...stages.map((stage) => stageFigures(stage).outsideM?.driven ?? 0));
    expect(largest(firsts(puffin))).toBeGreaterThan(0.2);
    expect(largest(firsts(small))).toBeLessThanOrEqual(0.2);
    expect(firsts(small).length).toBeGreaterThan(100);
    const own = [
      { ...freshStage('chain', 'first', 8), teethDriver: 10, teethDriven: 80 } as Stage,
      freshStage('chain', 'second', 2),
    ];
    expect(trainsOf(changeDrive(small, { stages: own }), usualLimits)).toContainEqual(own);
  });

  // Common practice, no source: half a robot class runs on 1/4 inch, karts and their like on 1/2 inch and more.
  it.each([
    { kg: 5, chain: 'ansi-25' },
    { kg: 178, chain: 'ansi-35' },
    { kg: 450, chain: 'ansi-40' },
    { kg: 1000, chain: 'ansi-50' },
  ])('have new chains $chain at $kg kg, loaded', ({ kg, chain }) => {
    const { payload, own } = puffin.masses;
    const weighing = (of: typeof own, mass: number): typeof own => ({ ...of, mass: typed(mass, 'kg') });
    const masses = { ...puffin.masses, own: weighing(own, kg), payload: weighing(payload, 0) };
    const fresh = trainsOf(changeDrive({ ...puffin, masses }, { stages: [] }), usualLimits)
      .flat()
      .flatMap((stage) => (stage.kind === 'chain' ? [stage.chain] : []));
    expect(new Set(fresh)).toEqual(new Set([chain]));
  });

  it('are at most as long as is allowed, all buildable, each once', () => {
    const trains = trainsOf(puffin, usualLimits);
    expect(trains.every((stages) => stages.length <= 2)).toBe(true);
    expect(trains.every((stages) => stages.every((stage) => stageFigures(stage).problem === undefined))).toBe(
      true,
    );
    expect(new Set(trains.map((stages) => JSON.stringify(stages))).size).toBe(trains.length);
    expect(trainsOf(puffin, { ...usualLimits, stages: 0 })).toEqual([[]]);
  });
});

describe('so many of a list, spread out', () => {
  it('lie evenly on a scale of ratios, the ends among them, however many are alike', () => {
    const list = [1, 1, 1, 1.5, 2, 2, 2, 2, 2.9, 4, 4, 5, 7.9, 8, 8];
    expect(spreadOut(list, 4, (n) => n)).toEqual([1, 2, 4, 8]);
    expect(spreadOut([3, 2], 4, (n) => n)).toEqual([2, 3]);
    expect(spreadOut([], 4, (n) => n)).toEqual([]);
  });
});
