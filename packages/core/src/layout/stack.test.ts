import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import type { Shaft, Stacked } from '../vehicle/index.ts';
import { stackOf } from './index.ts';

const mm = (value: number) => typed(value / 1000, 'mm');
const on = (id: string, width: number, hold: Stacked['hold'], at?: number): Stacked => ({
  id,
  name: id,
  kind: hold === 'frame' ? 'bearing' : hold === 'shaft' ? 'collar' : 'spacer',
  width: mm(width),
  hold,
  ...(at === undefined ? {} : { at: mm(at) }),
});
const shaft = (stack: readonly Stacked[], length = 200): Shaft => ({
  id: 'axle',
  name: 'Axle',
  length: mm(length),
  float: mm(0.4),
  stack,
});

describe('a stack on a shaft', () => {
  it('lies where it was told, and else against what is before it', () => {
    const { things } = stackOf(shaft([on('a', 10, 'frame', 20), on('b', 4, 'loose'), on('c', 8, 'shaft')]));
    expect(things.map(({ fromM, toM }) => [fromM, toM].map((m) => Math.round(m * 1e6) / 1000))).toEqual([
      [15, 25],
      [25, 29],
      [29, 37],
    ]);
  });

  /*
   * Collar, bearing, spacer, bearing, collar: outside the bearings the collars stop it both ways. It goes on until the
   * first collar meets its bearing: 3 − 2 = 1 mm; back until the second does: 2 mm.
   */
  it('floats until what is clamped to it meets, through what is loose, what the frame holds', () => {
    const axle = shaft([
      on('collar-1', 10, 'shaft', 12),
      on('shim', 2, 'loose'),
      on('bearing-1', 10, 'frame', 25),
      on('bearing-2', 10, 'frame', 150),
      on('collar-2', 10, 'shaft', 162),
    ]);
    const { floatM, spacers } = stackOf(axle);
    expect(floatM.on).toBeCloseTo(0.001, 12);
    expect(floatM.back).toBeCloseTo(0.002, 12);
    // Both are more than 0.4 mm: a spacer that leaves half of that.
    expect(spacers.map(({ afterId, thickM }) => [afterId, Math.round(thickM * 1e7) / 1e4])).toEqual([
      ['collar-1', 0.8],
      ['bearing-2', 1.8],
    ]);
  });

  it('with the spacers put in floats no more than it may', () => {
    const axle = shaft([
      on('collar-1', 10, 'shaft', 12),
      on('bearing-1', 10, 'frame', 25),
      on('bearing-2', 10, 'frame', 150),
      on('collar-2', 10, 'shaft', 162),
    ]);
    const mended = stackOf(axle).spacers.reduce<readonly Stacked[]>(
      (stack, { afterId, thickM }, n) =>
        stack.flatMap((one) => (one.id === afterId ? [one, on(`s${n}`, thickM * 1000, 'loose')] : [one])),
      axle.stack,
    );
    const { floatM, spacers } = stackOf({ ...axle, stack: mended });
    expect(floatM.on).toBeCloseTo(0.0002, 9);
    expect(floatM.back).toBeCloseTo(0.0002, 9);
    expect(spacers).toEqual([]);
  });

  it('slides out where nothing stops it', () => {
    const { floatM } = stackOf(shaft([on('bearing', 10, 'frame', 25), on('wheel', 30, 'shaft', 60)]));
    expect(floatM.on).toBeNull();
    // From the bearing's end at 30 mm to the wheel's at 45 mm.
    expect(floatM.back).toBeCloseTo(0.015, 12);
  });

  it('that is too wide between two that are held says by how much, and what stands over its end too', () => {
    const { gaps, overhangM } = stackOf(
      shaft([
        on('a', 10, 'frame', 10),
        on('b', 12, 'loose'),
        on('c', 10, 'shaft', 30),
        on('d', 20, 'shaft', 195),
      ]),
    );
    expect(gaps[0]?.slackM).toBeCloseTo(-0.002, 12);
    expect(overhangM).toBeCloseTo(0.005, 12);
  });
});
