import { degreesToRadians } from '@zubric/core/quantity';
import { arc, arrow, at, box, circle, line, measure, note, type Shape } from '../../drawings/shapes.ts';
import type { Drawn, SumSketch } from './sketch.ts';

/** Plan views face up the page: forward is y, left is −x. */
const upright = (x: number, y: number, length: number, width: number, turn = 0): Shape =>
  line(box(at(x, y), width, length, turn), 'ink', { closed: true, filled: true });

/** Forces along both sides, the greater one drawn over half the length. */
function thrusts(
  half: number,
  length: number,
  outer: number,
  inner: number,
  texts: readonly [string, string],
): Shape[] {
  const greatest = Math.max(Math.abs(outer), Math.abs(inner), 1e-9);
  const reach = (force: number): number => (force / greatest) * length * 0.75;
  return [
    arrow(at(half, 0), at(half, reach(outer)), 'mech', texts[0], 'to'),
    arrow(at(-half, 0), at(-half, reach(inner)), 'mech', texts[1], 'to'),
  ];
}

export function trackedTurnSketch({ given, found, say }: Drawn<'skid-turn-tracked'>): SumSketch {
  const [length, gauge] = [given.contactLengthM, given.gaugeM];
  return {
    shapes: [
      upright(-gauge / 2, 0, length, gauge * 0.18),
      upright(gauge / 2, 0, length, gauge * 0.18),
      ...thrusts(gauge / 2, length, found.outerN, found.innerN, [
        `outer ${say('outerN')}`,
        `inner ${say('innerN')}`,
      ]),
      measure(at(-gauge / 2, 0), at(gauge / 2, 0), say('gaugeM')),
      measure(at(gauge * 0.62, -length / 2), at(gauge * 0.62, length / 2), say('contactLengthM'), -2.6),
      note(at(0, -length * 0.85), `turning left, moment ${say('momentNm')}`, 'ink'),
    ],
    label: 'Both tracks from above, turning left, with the thrust of each',
    unit: 'm',
  };
}

export function wheeledTurnSketch({ given, found, say }: Drawn<'skid-turn-wheeled'>): SumSketch {
  const [base, track] = [given.wheelbaseM, given.trackM];
  const [length, width] = [Math.min(base * 0.6, track * 0.5), track * 0.16];
  const thrust = found.thrustPerSideN;
  return {
    shapes: [
      ...[-1, 1].flatMap((x) => [-1, 1].map((y) => upright((x * track) / 2, (y * base) / 2, length, width))),
      ...thrusts(track / 2, base, thrust, -thrust, [say('thrustPerSideN'), say('thrustPerSideN')]),
      measure(at(-track / 2, 0), at(track / 2, 0), say('trackM')),
      note(
        at(0, -base * 1.05 - length * 0.2),
        found.turns ? 'turns on the spot' : 'the wheels spin first',
        found.turns ? 'ink' : 'short',
      ),
    ],
    label: 'Four fixed wheels from above, turning left on the spot, with the thrust of each side',
    unit: 'm',
  };
}

export function ackermannSketch({ given, found, say }: Drawn<'ackermann'>): SumSketch {
  const [base, track, radius] = [given.wheelbaseM, given.trackM, given.turnRadiusM];
  const [inner, outer] = [found.innerDeg, found.outerDeg].map(degreesToRadians) as [number, number];
  const [length, width] = [Math.min(base * 0.35, track * 0.5), track * 0.14];
  const centre = at(-radius, 0);
  const shown = radius < 6 * base;
  const reach = Math.atan2(base, radius + track / 2);
  return {
    shapes: [
      upright(-track / 2, 0, length, width),
      upright(track / 2, 0, length, width),
      upright(-track / 2, base, length, width, inner),
      upright(track / 2, base, length, width, outer),
      line([at(0, 0), at(0, base)], 'ink'),
      ...(shown
        ? [
            circle(centre, track * 0.03, 'ink', { filled: true }),
            ...[-1, 1].map((s) => line([centre, at((s * track) / 2, base)], 'soft', { dashed: true })),
            line([centre, at(track / 2, 0)], 'soft', { dashed: true }),
            line(arc(centre, found.kerbRadiusM, reach - 0.35, reach + 0.5), 'mech', { dashed: true }),
            measure(centre, at(0, 0), say('turnRadiusM'), -1.2),
          ]
        : []),
      note(at(-track / 2, base + length / 2), `inner ${say('innerDeg')}`, 'ink', 1),
      note(at(track / 2, base + length / 2), `outer ${say('outerDeg')}`, 'ink', 2.2),
    ],
    label: 'The vehicle from above in a left turn, all wheels square to lines from one centre',
    unit: 'm',
  };
}
