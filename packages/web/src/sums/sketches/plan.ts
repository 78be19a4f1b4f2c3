import { supportArea, type GroundPoint } from '@zubric/core/ground';
import { arrow, at, circle, line, measure, note, type At, type Shape } from '../../drawings/shapes.ts';
import type { Drawn, SumSketch } from './sketch.ts';

/** From above: the front to the right, the left side up. */
const place = ({ aheadM, leftM }: GroundPoint): At => at(aheadM, leftM);

interface PlanStanding {
  readonly contacts: readonly GroundPoint[];
  readonly size: number;
  readonly shapes: readonly Shape[];
}

function standing({ given }: Drawn<'wheel-loads'> | Drawn<'tip-angles'>): PlanStanding {
  const contacts = given.contacts.map(({ aheadM, leftM }) => ({ aheadM, leftM }));
  const xs = contacts.map(({ aheadM }) => aheadM);
  const ys = contacts.map(({ leftM }) => leftM);
  const size = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 1e-6);
  const middle = at(given.cgAheadOfRearAxleM, given.cgLeftM);
  return {
    contacts,
    size,
    shapes: [
      line(supportArea(contacts).map(place), 'soft', { closed: true, dashed: true }),
      ...contacts.map((c) => circle(place(c), size * 0.04, 'ink', { filled: true })),
      circle(middle, size * 0.05, 'mech', { filled: true }),
      note(middle, 'middle of it all', 'mech', 1.3),
    ],
  };
}

export function wheelLoadSketch(drawn: Drawn<'wheel-loads'>): SumSketch {
  const { contacts, size, shapes } = standing(drawn);
  const loads = drawn.found.loads.map(({ loadN }) => loadN);
  return {
    shapes: [
      ...shapes,
      ...contacts.map((c, n) => {
        const load = loads[n] ?? 0;
        return note(
          at(c.aheadM, c.leftM + Math.sign(c.leftM || 1) * size * 0.09),
          `${load.toPrecision(3)} N`,
          load < 0 ? 'short' : 'mech',
        );
      }),
    ],
    label: 'The contacts from above, front to the right, with the load on each',
    unit: 'm',
  };
}

export function tipSketch(drawn: Drawn<'tip-angles'>): SumSketch {
  const { contacts, size, shapes } = standing(drawn);
  const middle = at(drawn.given.cgAheadOfRearAxleM, drawn.given.cgLeftM);
  const far = size * 0.45;
  const left = Math.max(...contacts.map(({ leftM }) => leftM));
  return {
    shapes: [
      ...shapes,
      arrow(middle, at(middle.x - far, middle.y), 'mech', `back ${drawn.say('backDeg')}`, 'to'),
      arrow(middle, at(middle.x + far, middle.y), 'mech', `forward ${drawn.say('forwardDeg')}`, 'to'),
      note(at(middle.x, left + size * 0.1), `sideways ${drawn.say('sideDeg')}`, 'mech'),
    ],
    label: 'The contacts from above, front to the right, and the slopes at which it tips each way',
    unit: 'm',
  };
}

export function pivotSketch({ given, say }: Drawn<'pivot-turn'>): SumSketch {
  const [track, arm] = [given.trackM, given.freeArmM];
  const wheel = Math.max(track, arm) * 0.16;
  const tyre = (y: number): Shape =>
    line(
      [
        at(-wheel, y - wheel / 4),
        at(wheel, y - wheel / 4),
        at(wheel, y + wheel / 4),
        at(-wheel, y + wheel / 4),
      ],
      'mech',
      {
        closed: true,
        filled: true,
      },
    );
  return {
    shapes: [
      line([at(0, -track / 2), at(0, track / 2)], 'ink'),
      tyre(track / 2),
      tyre(-track / 2),
      ...(arm > 0 ? [circle(at(arm, 0), wheel * 0.35, 'ink', { filled: true })] : []),
      arrow(at(wheel * 1.3, -track / 2), at(wheel * 3, -track / 2), 'mech', say('thrustPerSideN'), 'to'),
      arrow(at(-wheel * 1.3, track / 2), at(-wheel * 3, track / 2), 'mech', say('thrustPerSideN'), 'to'),
      measure(at(-wheel * 1.6, -track / 2), at(-wheel * 1.6, track / 2), say('trackM'), 1),
      ...(arm > 0 ? [measure(at(0, 0), at(arm, 0), say('freeArmM'), -1)] : []),
    ],
    label: 'The driven wheels from above, front to the right, turning to the left about their middle',
    unit: 'm',
  };
}

export function lockedSketch({ given, found, say }: Drawn<'locked-axle'>): SumSketch {
  const [track, wheelbase] = [given.trackM, given.wheelbaseM];
  const wheel = wheelbase * 0.14;
  const tyre = (x: number, y: number, driven: boolean): Shape =>
    line(
      [
        at(x - wheel, y - wheel / 4),
        at(x + wheel, y - wheel / 4),
        at(x + wheel, y + wheel / 4),
        at(x - wheel, y + wheel / 4),
      ],
      driven ? 'mech' : 'ink',
      { closed: true, filled: true },
    );
  return {
    shapes: [
      line([at(0, -track / 2), at(0, track / 2)], 'mech', { heavy: true }),
      line([at(wheelbase, -track / 2), at(wheelbase, track / 2)], 'ink', { dashed: true }),
      ...[track / 2, -track / 2].flatMap((y) => [tyre(0, y, true), tyre(wheelbase, y, false)]),
      arrow(
        at(wheelbase, 0),
        at(wheelbase, track * 0.75 + wheel),
        found.pushesOn ? 'short' : 'mech',
        say('sideForceN'),
        'to',
      ),
      measure(at(0, -track / 2 - wheel), at(wheelbase, -track / 2 - wheel), say('wheelbaseM'), -1),
      measure(at(-wheel * 1.4, -track / 2), at(-wheel * 1.4, track / 2), say('trackM'), 1),
    ],
    label: 'The axles from above, front to the right, and the side force that the steered wheels must give',
    unit: 'm',
  };
}
