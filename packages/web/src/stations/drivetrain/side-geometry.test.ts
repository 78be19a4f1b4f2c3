import { readFileSync } from 'node:fs';
import { buildSchema } from '@zubric/core/build';
import { describe, expect, it } from 'vitest';
import { chainPath, sideDrawing, sprocketPath } from './side-geometry.ts';

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
const points = (path: string): number[][] =>
  path
    .replace(/A[\d.]+ [\d.]+ 0 \d \d /g, 'L')
    .replace(/[MZ]/g, '')
    .split('L')
    .map((pair) => pair.split(' ').map(Number));

describe('the side view', () => {
  const drawing = sideDrawing(puffin);
  const [chain] = drawing.chains;
  if (!chain) throw new Error('Puffin has a chain');

  it('is to scale: shafts as far apart as typed, sprockets p/sin(π/z) across', () => {
    expect(Math.hypot(chain.driver.x - chain.driven.x, chain.driver.y - chain.driven.y)).toBeCloseTo(
      181.5,
      9,
    );
    expect(2 * chain.driver.radius).toBeCloseTo(9.525 / Math.sin(Math.PI / 10), 9);
    expect(2 * chain.driven.radius).toBeCloseTo(9.525 / Math.sin(Math.PI / 36), 9);
    expect(drawing.wheelRadiusMm).toBe(200);
  });

  it('clears the ground by the wheel’s radius less the sprocket’s: 143 mm', () => {
    expect(drawing.clearanceMm).toBeCloseTo(200 - (9.525 * (0.6 + 1 / Math.tan(Math.PI / 36))) / 2, 9);
    expect(drawing.clearanceMm).toBeCloseTo(143, 0);
  });

  it('lays the chain on tangents: each end of a straight is square to its radius', () => {
    const [a = [], b = [], c = [], d = []] = points(chainPath(chain));
    for (const [on, other, centre] of [
      [a, d, chain.driver],
      [b, c, chain.driver],
      [c, b, chain.driven],
      [d, a, chain.driven],
    ] as const) {
      const radial = [(on[0] ?? 0) - centre.x, (on[1] ?? 0) - centre.y] as const;
      const along = [(other[0] ?? 0) - (on[0] ?? 0), (other[1] ?? 0) - (on[1] ?? 0)] as const;
      expect(Math.hypot(...radial)).toBeCloseTo(centre.radius, 6);
      expect(radial[0] * along[0] + radial[1] * along[1]).toBeCloseTo(0, 6);
    }
  });

  it('gives each sprocket its teeth', () => {
    expect(points(sprocketPath(chain.driver, chain.pitchMm))).toHaveLength(4 * 10);
  });

  it('leaves out a stage that cannot be built', () => {
    const stages = puffin.drive.stages.map((s) =>
      s.kind === 'chain' ? { ...s, centre: { ...s.centre, value: 0.01 } } : s,
    );
    expect(sideDrawing({ ...puffin, drive: { ...puffin.drive, stages } }).chains).toEqual([]);
  });
});
