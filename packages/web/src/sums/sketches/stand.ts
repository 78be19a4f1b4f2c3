import { degreesToRadians } from '@zubric/core/quantity';
import {
  arrow,
  at,
  circle,
  line,
  measure,
  note,
  turned,
  type At,
  type Shape,
} from '../../drawings/shapes.ts';
import type { Drawn, SumSketch } from './sketch.ts';

interface Side {
  readonly wheelbase: number;
  readonly ahead: number;
  readonly height: number;
  readonly slope: number;
}

/** A vehicle from the side on a slope, its front to the right, uphill; what lies on it turned with it. */
function side({ wheelbase, ahead, height, slope }: Side): {
  shapes: Shape[];
  place: (x: number, y: number) => At;
} {
  const place = (x: number, y: number): At => turned(at(x, y), slope);
  const radius = Math.min(wheelbase * 0.16, Math.max(wheelbase * 0.08, height * 0.5));
  const cg = place(ahead, height);
  return {
    place,
    shapes: [
      line([place(-wheelbase * 0.45, 0), place(wheelbase * 1.45, 0)], 'ink', { heavy: true }),
      ...[0, wheelbase].map((x) => circle(place(x, radius), radius, 'ink', { filled: true })),
      line([place(0, radius), place(wheelbase, radius)], 'ink', { heavy: true }),
      line([place(ahead, radius), cg], 'soft', { dashed: true }),
      circle(cg, radius * 0.3, 'mech', { filled: true }),
    ],
  };
}

export function axleLoadSketch({ given, found, say }: Drawn<'axle-loads'>): SumSketch {
  const wheelbase = given.wheelbaseM;
  const [front, rear] = [found.frontN, found.rearN];
  const greatest = Math.max(Math.abs(front), Math.abs(rear), 1e-9);
  const { shapes, place } = side({
    wheelbase,
    ahead: given.cgAheadOfRearAxleM,
    height: given.cgHeightM,
    slope: degreesToRadians(given.gradeDeg),
  });
  const load = (x: number, force: number, text: string): Shape => {
    const length = (force / greatest) * wheelbase * 0.45;
    return force >= 0
      ? arrow(place(x, -length), place(x, 0), 'mech', text)
      : arrow(place(x, 0), place(x, length), 'short', text, 'to');
  };
  return {
    shapes: [
      ...shapes,
      load(0, rear, `rear ${say('rearN')}`),
      load(wheelbase, front, `front ${say('frontN')}`),
      measure(
        place(0, given.cgHeightM),
        place(given.cgAheadOfRearAxleM, given.cgHeightM),
        say('cgAheadOfRearAxleM'),
        1.2,
      ),
      ...(given.drawbarN > 0
        ? [
            arrow(
              place(0, given.hitchHeightM),
              place(-wheelbase * 0.35, given.hitchHeightM),
              'mech',
              say('drawbarN'),
              'to',
            ),
          ]
        : []),
    ],
    label: 'The vehicle from the side with the load on each axle',
    unit: 'm',
  };
}

export function gradeLimitSketch({ given, found, say }: Drawn<'grip-limited-grade'>): SumSketch {
  const slope = degreesToRadians(Math.min(60, found.limitDeg));
  const wheelbase = given.wheelbaseM;
  const { shapes, place } = side({
    wheelbase,
    ahead: given.cgAheadOfRearAxleM,
    height: given.cgHeightM,
    slope,
  });
  const cg = place(given.cgAheadOfRearAxleM, given.cgHeightM);
  const { driven } = given;
  const start = place(-wheelbase * 0.45, 0);
  return {
    shapes: [
      ...shapes,
      line([start, at(start.x + wheelbase, start.y)], 'soft', { dashed: true }),
      // Where the plumb line from the centre of gravity leaves the rear contact behind, it tips.
      arrow(cg, at(cg.x, cg.y - Math.max(given.cgHeightM * 1.15, wheelbase * 0.3)), 'mech', 'weight', 'to'),
      ...(driven === 'front' ? [] : [arrow(place(0, 0), place(wheelbase * 0.3, 0), 'mech', '')]),
      ...(driven === 'rear' ? [] : [arrow(place(wheelbase, 0), place(wheelbase * 1.3, 0), 'mech', '')]),
      note(
        at(start.x + wheelbase * 0.8, start.y - wheelbase * 0.12),
        `${say('limitDeg')}, then ${found.limitedBy === 'grip' ? 'a wheel slips' : 'it tips back'}`,
        'ink',
      ),
    ],
    label: 'The vehicle on the steepest grade it climbs, the plumb line of its weight drawn',
    unit: 'm',
  };
}

export function sideTipSketch({ given, found, say }: Drawn<'side-tip'>): SumSketch {
  const track = given.trackM;
  const height = given.cgHeightM;
  const slope = degreesToRadians(found.tipDeg);
  // Downhill to the right; the tipping edge at 0, 0.
  const place = (x: number, y: number): At => turned(at(x, y), -slope);
  const half = found.halfTrackM;
  const cg = place(-half, height);
  const middle = -half - given.cgOffsetM;
  const wheel = track * 0.12;
  const tyre = (x: number): Shape =>
    line(
      [
        place(x - wheel / 2, 0),
        place(x + wheel / 2, 0),
        place(x + wheel / 2, wheel * 2),
        place(x - wheel / 2, wheel * 2),
      ],
      'ink',
      { closed: true, filled: true },
    );
  const wide = [middle - track / 2, middle + track / 2];
  return {
    shapes: [
      line([place(middle - track * 0.85, 0), place(middle + track * 0.85, 0)], 'ink', { heavy: true }),
      ...(given.layout === 'four' ? wide : [...wide, middle]).map(tyre),
      line([place(0, 0), place(0, height)], 'short', { dashed: true }),
      line([place(-half, wheel), cg], 'soft', { dashed: true }),
      circle(cg, track * 0.05, 'mech', { filled: true }),
      arrow(cg, at(cg.x, cg.y - height * 0.9), 'mech', 'weight', 'to'),
      measure(place(-half, height), place(0, height), say('halfTrackM'), 1),
      note(
        at(place(middle - track * 0.6, 0).x, place(middle + track * 0.6, 0).y),
        `tips at ${say('tipDeg')}`,
        'ink',
      ),
    ],
    label:
      'The vehicle from behind on the side slope at which it tips: the weight points at the tipping edge',
    unit: 'm',
  };
}

export function stepSketch({ given, found, say }: Drawn<'obstacle-climb'>): SumSketch {
  const [radius, step] = [given.wheelRadiusM, given.stepM];
  const run = Math.sqrt(2 * radius * step - step * step);
  const corner = at(run, step);
  const pushed = radius * 0.9;
  return {
    shapes: [
      line([at(-2.2 * radius, 0), at(run, 0), corner, at(run + 1.6 * radius, step)], 'ink', { heavy: true }),
      circle(at(0, radius), radius, 'ink', { filled: true }),
      circle(at(0, radius), radius * 0.06, 'ink', { filled: true }),
      line([at(0, radius), corner], 'soft', { dashed: true }),
      arrow(at(-pushed * 1.7, radius), at(-pushed * 0.1, radius), 'mech', say('pushN')),
      arrow(at(0, radius), at(0, radius * 0.1), 'mech', say('wheelLoadN'), 'to'),
      measure(at(run + 0.9 * radius, 0), at(run + 0.9 * radius, step), say('stepM'), -2.4),
      note(
        at(0, radius * 2.25),
        found.climbs ? `driven: ${say('torqueNm')}, climbs` : 'driven, without a push: slips',
        'ink',
      ),
    ],
    label: 'The wheel at the step, with the push that lifts it where it is not driven',
    unit: 'm',
  };
}
