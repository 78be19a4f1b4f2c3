import { readFileSync, readdirSync } from 'node:fs';
import { buildSchema, newBuild, type Build, driveOf, changeDrive, type Drive } from '@zubric/core/vehicle';
import { STAGE_KINDS, freshStage } from '@zubric/core/transmission';
import { describe, expect, it } from 'vitest';
import { extentOf, type At, type Shape } from '../../drawings/shapes.ts';
import { fromAbove, fromTheSide } from './train-drawing.ts';
import { drawnStages } from './train-parts.ts';

const read = (file: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const withStages = (stages: Drive['stages'], build = puffin): Build => changeDrive(build, { stages });

const lines = (shapes: readonly Shape[]) => shapes.flatMap((s) => (s.kind === 'line' ? [s] : []));
const round = (points: readonly At[]): number =>
  points.reduce((sum, p, n) => {
    const next = points[(n + 1) % points.length] ?? p;
    return sum + Math.hypot(next.x - p.x, next.y - p.y);
  }, 0);

describe('the train from the side', () => {
  it('is to scale: shafts as far apart as typed, sprockets p/sin(π/z) across', () => {
    const chain = drawnStages(puffin).find(({ stage }) => stage.kind === 'chain');
    if (!chain) throw new Error('Puffin has a chain');
    expect(Math.hypot(chain.driver.x - chain.driven.x, chain.driver.y - chain.driven.y)).toBeCloseTo(
      181.5,
      9,
    );
    expect(2 * chain.driverRadius).toBeCloseTo(9.525 / Math.sin(Math.PI / 10), 9);
    expect(2 * chain.drivenRadius).toBeCloseTo(9.525 / Math.sin(Math.PI / 36), 9);
  });

  it('draws chain and belt as closed loops of their own length', () => {
    const loops = (build: Build): number[] =>
      drawnStages(build)
        .flatMap(({ side }) => lines(side))
        .filter(({ heavy, closed }) => heavy && closed)
        .map(({ points }) => round(points));
    const [chain = NaN] = loops(puffin);
    // 60 links of 9.525 mm: links lie as chords, apart from the drawn line by less than one of them.
    expect(Math.abs(chain / 9.525 - Math.round(chain / 9.525))).toBeLessThan(1);
    const belt = {
      ...freshStage('timing-belt', 'stage-1', 3),
      beltTeeth: 120,
    } as Drive['stages'][number];
    expect(loops(withStages([belt]))[0]).toBeCloseTo(600, 0);
  });

  it('stands on the ground: the wheel, or the run of a track', () => {
    expect(fromTheSide(puffin).groundY).toBe(-200);
    const tracked = fromTheSide(read('sanderling.zubric.json'));
    expect(extentOf(tracked.shapes).bottom).toBeGreaterThanOrEqual((tracked.groundY ?? 0) - 1);
  });

  it('leaves out a stage that cannot be built', () => {
    const stages = driveOf(puffin).stages.map((s) =>
      s.kind === 'chain' ? { ...s, centre: { ...s.centre, value: 0.01 } } : s,
    );
    expect(drawnStages(withStages(stages)).some(({ stage }) => stage.kind === 'chain')).toBe(false);
  });
});

describe('every train', () => {
  it.each(STAGE_KINDS)('with a stage by %s is drawn of numbers from both sides', (kind) => {
    const build = withStages([freshStage(kind, 'stage-1', kind === 'worm' ? 20 : 3)]);
    for (const drawing of [fromTheSide(build), fromAbove(build)]) {
      const { left, right, bottom, top } = extentOf(drawing.shapes);
      expect([left, right, bottom, top].every(Number.isFinite)).toBe(true);
      expect(right - left).toBeGreaterThan(0);
    }
  });

  it.each(readdirSync('data/builds'))('of %s is mirrored where each side has its own', (file) => {
    const build = read(file);
    const { shapes, frontUp } = fromAbove(build);
    const { left, right, bottom, top } = extentOf(shapes);
    if (driveOf(build).together !== 'wheel' && driveOf(build).together !== 'side') return;
    const [most, least] = frontUp ? [right, left] : [top, bottom];
    expect(most).toBeCloseTo(-least, 6);
    expect(lines(shapes).length % 2).toBe(0);
  });

  it('is drawn without a motor too', () => {
    expect(extentOf(fromTheSide(newBuild('Bare')).shapes).right).toBeGreaterThan(0);
    expect(extentOf(fromAbove(newBuild('Bare')).shapes).right).toBeGreaterThan(0);
  });
});
