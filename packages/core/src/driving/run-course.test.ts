import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { controlOf, courseOf, courseSchema, type Control, type CourseInput } from '../vehicle/index.ts';
import { SCHOOLS } from './schools.ts';
import { movesOf } from './course.ts';
import { meantPath } from './meant-path.ts';
import { drawnRig, NO_MISMATCH, USUAL_MISMATCH } from './mismatch.ts';
import type { Led, Rig, Terrain } from './rig.ts';
import { runCourse, type CourseEnd, type CourseRun } from './run-course.ts';
import { cart, even, floor, led, modules, motorOn, skid, tricycle, twoWheels } from '../testing/rigs.ts';

interface Tried {
  readonly control?: Control;
  readonly more?: Partial<CourseRun>;
  readonly told?: Rig;
  readonly onTheSpot?: boolean;
  readonly terrain?: Terrain;
}

function run(
  rig: Rig,
  legs: CourseInput['legs'],
  { control = SCHOOLS['by counts'], ...how }: Tried = {},
): CourseEnd {
  const as: Led = led(rig, how.onTheSpot);
  return runCourse({
    led: as,
    told: how.told ? led(how.told, how.onTheSpot) : as,
    terrain: how.terrain ?? even(rig, floor),
    moves: movesOf(courseOf(legs, { speedMps: 0.4 }), how.onTheSpot ?? true),
    control,
    pullN: 0,
    start: { leftM: 0, headingRad: 0 },
    driftRadS: 0,
    longestS: 60,
    keepsPath: false,
    ...how.more,
  });
}

const off = ({ end, meant }: CourseEnd): number => Math.hypot(end.x - meant.x, end.y - meant.y);
const SQUARE: CourseInput['legs'] = [1, 2, 3, 4].flatMap(() => [
  { kind: 'go' as const, distanceM: 1 },
  { kind: 'turn' as const, deg: 90 },
]);

/** Its right motor a share faster. */
const faster = (share: number, make = cart): Rig => {
  const rig = make();
  return {
    ...rig,
    motors: rig.motors.map((motor) =>
      motor.side === 'right'
        ? { ...motor, keVsPerRad: motor.keVsPerRad / (1 + share), ktNmPerA: motor.ktNmPerA / (1 + share) }
        : motor,
    ),
  };
};

describe('a course', () => {
  it('means a path: a square closes, half a circle ends across from where it began (geometry)', () => {
    const square = meantPath(movesOf(courseOf(SQUARE), true)).at(-1);
    expect([square?.x, square?.y]).toEqual([expect.closeTo(0, 12), expect.closeTo(0, 12)]);
    const half = meantPath(movesOf(courseOf([{ kind: 'turn', deg: 180, radiusM: 2 }]), true)).at(-1);
    expect([half?.x, half?.y]).toEqual([expect.closeTo(0, 12), expect.closeTo(-4, 12)]);
  });

  it('lays rows over an area no further apart than asked, and comes out at its other side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.boolean(),
        (widthM, apartM, onTheSpot) => {
          const path = meantPath(
            movesOf(courseOf([{ kind: 'rows', lengthM: 4, widthM, apartM }]), onTheSpot),
          );
          const rows = [...new Set(path.map(({ y }) => Math.round(-y * 1e6) / 1e6))].sort((a, b) => a - b);
          expect(rows.at(-1)).toBeCloseTo(widthM, 5);
          expect(-(path.at(-1)?.y ?? 0)).toBeCloseTo(widthM, 9);
        },
      ),
    );
  });

  it('is read from a file with what is usual for the rest, and refuses a leg that leads nowhere', () => {
    const file = {
      format: 'zubric-course',
      formatVersion: 1,
      name: 'Lane',
      legs: [{ kind: 'go', distanceM: 3 }],
    };
    expect(courseSchema.parse(file)).toMatchObject({ gradeDeg: 0, speedMps: 0.5 });
    expect(courseSchema.safeParse({ ...file, legs: [{ kind: 'go', distanceM: 0 }] }).success).toBe(false);
    expect(courseSchema.safeParse({ ...file, legs: [] }).success).toBe(false);
  });
});

describe('driven over a course', () => {
  it('without faults ends where it means to: straight, on the spot, round a square and a bend', () => {
    for (const legs of [[{ kind: 'go' as const, distanceM: 2 }], [{ kind: 'turn' as const, deg: -90 }]]) {
      const end = run(cart(), legs);
      expect(end.arrives).toBe(true);
      expect(off(end)).toBeLessThan(0.03);
      expect(Math.abs(end.end.heading - end.meant.heading)).toBeLessThan(0.07);
    }
    expect(off(run(cart(), SQUARE))).toBeLessThan(0.15);
    // From rest its sides come up to speed alike, and a bend begins straight: held to its counts it does not.
    const bend = [{ kind: 'turn' as const, deg: 120, radiusM: 0.5 }];
    const [free, held] = [run(cart(), bend), run(cart(), bend, { control: SCHOOLS['held together'] })];
    expect(off(free)).toBeLessThan(0.12);
    expect(off(held)).toBeLessThan(0.7 * off(free));
  });

  it('veers to the left with a faster right motor, and is held straight by synchronising', () => {
    const open = run(faster(0.04), [{ kind: 'go', distanceM: 2 }], { told: cart() });
    expect(open.end.y).toBeGreaterThan(0.1);
    const held = run(faster(0.04), [{ kind: 'go', distanceM: 2 }], {
      told: cart(),
      control: SCHOOLS['held together'],
    });
    expect(Math.abs(held.end.y)).toBeLessThan(0.3 * open.end.y);
    const gyro = run(faster(0.04), [{ kind: 'go', distanceM: 2 }], {
      told: cart(),
      control: SCHOOLS['by heading'],
    });
    expect(Math.abs(gyro.end.y)).toBeLessThan(0.3 * open.end.y);
  });

  it('is never made worse by synchronising where it is matched: by no more than 1 mm over 2 m', () => {
    const legs = [{ kind: 'go' as const, distanceM: 2 }];
    const [open, held] = [run(cart(), legs), run(cart(), legs, { control: SCHOOLS['held together'] })];
    expect(Math.abs(held.end.y) - Math.abs(open.end.y)).toBeLessThan(1e-3);
  });

  it('with one wheel held stops the other, and cannot help a wheel that slips', () => {
    const rig = cart();
    const heldFast = {
      ...rig,
      motors: rig.motors.map((m) => (m.side === 'left' ? { ...m, noLoadA: 1e4 } : m)),
    };
    const sync = controlOf({ ends: 'counts', sync: { kp: 2, ki: 2 }, stallAfterS: 30 });
    const stopped = run(heldFast, [{ kind: 'go', distanceM: 2 }], { control: sync, told: rig });
    expect(stopped.arrives).toBe(false);
    const ice: Terrain = {
      ...even(rig, floor),
      pieces: [
        {
          footings: rig.contacts.map((_, i) =>
            i === 0 ? { rolling: 0.02, along: 0.012, across: 0.012 } : floor,
          ),
          riseX: 0,
          riseY: 0,
        },
      ],
    };
    const slips = run(rig, [{ kind: 'go', distanceM: 1 }], {
      control: SCHOOLS['held together'],
      terrain: ice,
    });
    expect(slips.end.y).toBeGreaterThan(0.1);
    expect(slips.slipped.map(({ name }) => name)).toContain('left');
  });

  it('by time goes further on a fuller battery; by counts it does not', () => {
    const rig = cart();
    const full = { ...rig, supply: { ...rig.supply, openCircuitV: 8.2 } };
    const legs = [{ kind: 'go' as const, distanceM: 2 }];
    const clock = run(rig, legs, { control: controlOf({ ends: 'line' }) }).took;
    const timed = run(full, legs, { told: rig, control: SCHOOLS['by time'], more: { times: clock } });
    const counted = run(full, legs, { told: rig });
    expect(timed.end.x).toBeGreaterThan(2.1);
    expect(counted.end.x).toBeCloseTo(2, 1);
  });

  it('holds its speed up a hill where it is asked to', () => {
    const rig = cart();
    const hill = even(rig, floor, { riseX: 0.2 });
    const legs = [{ kind: 'go' as const, distanceM: 2 }];
    const [free, held] = [
      run(rig, legs, { terrain: hill }),
      run(rig, legs, { terrain: hill, control: controlOf({ ends: 'counts', speed: { kp: 1, ki: 4 } }) }),
    ];
    const level = run(rig, legs).timeS;
    expect(free.timeS / level).toBeGreaterThan(1.05);
    expect(held.timeS / level).toBeLessThan(1.03);
  });

  it('follows places, and lies within centimetres of the last', () => {
    const points = [
      { aheadM: 1, rightM: 0 },
      { aheadM: 2, rightM: 1 },
      { aheadM: 2, rightM: 2 },
    ];
    const end = run(cart(), [{ kind: 'points', points }], { control: controlOf({ ends: 'line' }) });
    expect(end.arrives).toBe(true);
    expect(Math.hypot(end.end.x - 2, end.end.y + 2)).toBeLessThan(0.1);
    const steered = run(tricycle(), [{ kind: 'points', points }], {
      control: controlOf({ ends: 'line' }),
      onTheSpot: false,
    });
    expect(Math.hypot(steered.end.x - 2, steered.end.y + 2)).toBeLessThan(0.3);
  });

  it('gives up as it is told to: stalled, too long at a move, battery low', () => {
    const jammed = { noLoadA: 1e4 };
    const stuck = twoWheels({ motors: [motorOn('left', 0, jammed), motorOn('right', 1, jammed)] });
    const stalled = run(stuck, [{ kind: 'go', distanceM: 1 }], {
      told: twoWheels(),
      control: controlOf({ ends: 'counts', stallAfterS: 0.5 }),
    });
    expect(stalled).toMatchObject({ arrives: false, gaveUp: 'stalled' });
    expect(stalled.timeS).toBeCloseTo(0.5, 1);
    const late = run(cart(), [{ kind: 'go', distanceM: 20 }], {
      control: controlOf({ ends: 'counts', moveWithinS: 2 }),
    });
    expect(late).toMatchObject({ gaveUp: 'move-too-long', arrives: false });
    const low = run(cart(), [{ kind: 'go', distanceM: 2 }], {
      control: controlOf({ ends: 'counts', cutOffV: 7.3 }),
    });
    expect(low.gaveUp).toBe('battery-low');
  });

  it('changes its command no faster than it may, and draws less at once for it', () => {
    const legs = [{ kind: 'go' as const, distanceM: 1 }];
    const [hard, soft] = [
      run(cart(), legs),
      run(cart(), legs, { control: controlOf({ ends: 'counts', slewPerS: 0.5 }) }),
    ];
    expect(soft.peakA).toBeLessThan(0.8 * hard.peakA);
  });

  it('turns four wheels less than they count, as scrub takes it', () => {
    const end = run(skid(), [{ kind: 'turn', deg: 90 }]);
    expect(end.end.heading).toBeLessThan(0);
    expect(end.end.heading).toBeGreaterThan(-1.2);
    const calibrated = run(skid(), [{ kind: 'turn', deg: 90 }], {
      control: controlOf({ ends: 'counts', turnFactor: Math.PI / 2 / -end.end.heading }),
    });
    expect(calibrated.end.heading).toBeCloseTo(-Math.PI / 2, 1);
  });

  it('that is steered knows from its wheels and where they point how far round it is', () => {
    const rig = tricycle();
    const aside = {
      ...rig,
      contacts: rig.contacts.map((c) => (c.steered ? c : { ...c, leftM: c.leftM * 1.2 })),
    };
    for (const deg of [90, -90]) {
      const { end } = run(aside, [{ kind: 'turn', deg, radiusM: 1.5 }], { onTheSpot: false });
      expect((-end.heading * 180) / Math.PI / deg).toBeCloseTo(1, 1);
    }
    // With its steered wheel to a side it goes round the same.
    const offside = { ...rig, contacts: rig.contacts.map((c) => (c.steered ? { ...c, leftM: 0.1 } : c)) };
    const { end } = run(offside, [{ kind: 'turn', deg: 90, radiusM: 1.5 }], { onTheSpot: false });
    expect((-end.heading * 180) / Math.PI / 90).toBeCloseTo(1, 1);
  });

  it('of wheels that swivel turns on the spot by what each rolls along where it points', () => {
    const { end } = run(modules(), [{ kind: 'turn', deg: 90 }]);
    expect((-end.heading * 180) / Math.PI / 90).toBeCloseTo(1, 1);
    expect(Math.hypot(end.x, end.y)).toBeLessThan(0.02);
  });

  it('says so of figures that overflow, and gives no number that is none', () => {
    const heavy = { ...cart(), massKg: 1e308, yawInertiaKgM2: 1e308 };
    expect(() => run(heavy, [{ kind: 'go', distanceM: 1 }])).toThrow(/too extreme/);
  });

  it('keeps the energy on every course, and says where it was at each moment if it is asked', () => {
    const end = run(cart(), SQUARE, { more: { keepsPath: true } });
    expect(Math.abs(end.unbalanced)).toBeLessThan(1e-4);
    expect(end.path[0]).toMatchObject({ s: 0, x: expect.closeTo(0, 12) });
    expect(end.path.at(-1)).toMatchObject({ x: expect.closeTo(end.end.x, 12) });
  });
});

describe('what is unlike', () => {
  it('is the same for a seed, of the same vehicle where that is asked, and none where nothing may be', () => {
    const rig = led(cart());
    expect(drawnRig(rig, USUAL_MISMATCH, 3, 5)).toEqual(drawnRig(rig, USUAL_MISMATCH, 3, 5));
    const [one, other] = [drawnRig(rig, USUAL_MISMATCH, 3, 5), drawnRig(rig, USUAL_MISMATCH, 3, 6)];
    expect(one.led).toEqual(other.led);
    expect(one.start).not.toEqual(other.start);
    const alike = drawnRig(rig, NO_MISMATCH, 1, 1);
    expect(alike.led.rig.contacts).toEqual(rig.rig.contacts);
    expect(Math.abs(alike.start.leftM) + Math.abs(alike.start.headingRad)).toBe(0);
  });

  it('stays within what it may be, half of what is known on either side', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), (seed) => {
        const { led: drawn } = drawnRig(
          led(cart()),
          { ...NO_MISMATCH, motors: 0.04, rightFaster: 0.1 },
          seed,
          seed,
        );
        const [left, right] = drawn.rig.motors.map(({ keVsPerRad }) => 0.02 / keVsPerRad);
        expect(left).toBeGreaterThan(0.95 * 0.96 - 1e-12);
        expect(left).toBeLessThan(0.95 * 1.04 + 1e-12);
        expect(right).toBeGreaterThan(1.05 * 0.96 - 1e-12);
      }),
    );
  });
});
