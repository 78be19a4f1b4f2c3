import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { stageFigures } from '../transmission/index.ts';
import { driveOf, readBuild, type Build } from '../vehicle/index.ts';
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
