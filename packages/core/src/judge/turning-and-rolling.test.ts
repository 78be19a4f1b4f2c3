import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { G, finite } from '../testing/numbers.ts';
import {
  degrees,
  firstDuty,
  on,
  reportOf,
  rearDriven,
  twoAxles,
  withDuty,
  textsOf,
} from '../testing/vehicles.ts';
import { changeAxle, groundOfSurface, type Build, type Duty, changeDrive } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { many } from '../testing/many.ts';

const onTheSpot = { kind: 'on-the-spot' } as const;
const bend = (metres: number) => ({ kind: 'radius', radius: typed(metres, 'm') }) as const;
/** Two driven wheels behind, castors 0.6 m ahead of them, one mass. */
function onCastors(): Build {
  const base = changeAxle(on('two-castors'), 'free', { ahead: typed(0.6, 'm') });
  const { own, payload } = base.masses;
  const at = { aheadOfRearAxle: typed(0.2, 'm'), left: typed(0, 'm'), height: typed(0.2, 'm') };
  return { ...base, masses: { own: { ...own, ...at }, payload: { ...payload, ...at }, others: [] } };
}

const still: Partial<Duty> = { speed: typed(0.3, 'm/s'), grade: degrees(0) };

/** One ground for all duties, with figures of its own. */
const onGround = (build: Build, part: Partial<Build['grounds'][number]>): Build => ({
  ...build,
  grounds: build.grounds.map((g) => ({ ...g, ...part })),
});

describe('turning on the spot', () => {
  it('drags castors once: their drag times their arm over the track, and the driven wheels’ own rolling (statics)', () => {
    const build = withDuty(
      onGround(onCastors(), {
        friction: typed(0.7, ''),
        rolling: typed(0.03, ''),
        freeRolling: typed(0.2, ''),
      }),
      {
        ...still,
        turn: onTheSpot,
      },
    );
    const { turn, resistance, footing } = reportOf(build);
    const [driven, free] = [0, 1].map((at) => footing.axles[at]?.loadN ?? NaN) as [number, number];
    const axles = build.layout.axles;
    const [track, width, castors] = [axles[0]?.track.value, axles[0]?.width.value, axles[1]?.track.value].map(
      (x) => x ?? NaN,
    ) as [number, number, number];
    const arm = Math.hypot(0.6, castors / 2);
    const moment = 0.2 * free * arm + (0.7 * driven * width) / 4;
    expect(turn?.momentNm).toBeCloseTo(moment, 9);
    expect(turn?.outerN).toBeCloseTo(moment / track + (0.03 * driven) / 2, 9);
    // Both sides together: nothing of the castors stands beside their moment.
    expect(resistance.rollingN).toBeCloseTo(0.03 * driven, 9);
    expect(resistance.totalN).toBeCloseTo(2 * (turn?.outerN ?? NaN), 9);
  });
});

describe('a locked axle round a bend', () => {
  it('pays its scrub as a force along the way: moment over radius (virtual work), and none with a differential', () => {
    const base = twoAxles({ layout: 'rear-locked', wheelbaseM: 1.2, ahead: 0.4, height: 0.3, friction: 0.6 });
    const build = withDuty(base, { ...still, turn: bend(3) });
    const { turn, resistance } = reportOf(build);
    expect(turn?.momentNm).toBeGreaterThan(10);
    expect(resistance.turningN).toBeCloseTo((turn?.momentNm ?? NaN) / 3, 9);
    const open: Build = changeDrive(build, { differential: 'open' });
    expect(reportOf(open).resistance.turningN).toBe(0);
  });
});

describe('fixed wheels round a bend', () => {
  const skid = (radius: number): Build => withDuty(on('four-skid'), { ...still, turn: bend(radius) });

  it('drag next to nothing where it is wide, and as on the spot where it is as narrow as their track (statics)', () => {
    const spot = reportOf(withDuty(on('four-skid'), { ...still, turn: onTheSpot }));
    const track = on('four-skid').layout.axles[0]?.track.value ?? NaN;
    expect(reportOf(skid(track / 2)).turn?.momentNm).toBeCloseTo(spot.turn?.momentNm ?? NaN, 6);
    const [near, far] = [reportOf(skid(1)), reportOf(skid(1000))];
    expect(far.resistance.turningN).toBeLessThan(0.02 * near.resistance.turningN);
    // A small slip angle is lever over radius: each wheel drags μ N (lever/R)/8° at its lever (by hand).
    const { contacts, acrossN } = far.footing;
    const middle = contacts.reduce((sum, c) => sum + c.loadN * c.aheadM, 0) / acrossN;
    const squares = contacts.reduce((sum, c) => sum + c.loadN * (c.aheadM - middle) ** 2, 0);
    const across = skid(1000).grounds[0]?.across.value ?? NaN;
    const small = (across * squares) / 1000 / ((8 * Math.PI) / 180);
    expect((far.turn?.momentNm ?? NaN) / small).toBeCloseTo(1, 3);
  });

  it('never drag more in a wider bend', () => {
    fc.assert(
      fc.property(finite(0.05, 50), finite(1, 3), (radius, wider) => {
        const [tight, wide] = [radius, radius * wider].map((r) => reportOf(skid(r)).resistance.turningN);
        expect(wide ?? NaN).toBeLessThanOrEqual((tight ?? NaN) * (1 + 1e-9));
      }),
      { numRuns: many(200, 2000) },
    );
  });

  it('share the power of the turn: outside more, inside less, together rolling and scrub (energy)', () => {
    const { turn, resistance } = reportOf(skid(2));
    if (!turn) throw new Error('it turns');
    const v = 0.3;
    const power = turn.outerN * turn.outerMps + turn.innerN * turn.innerMps;
    expect(power).toBeCloseTo(resistance.rollingN * v + (turn.momentNm * v) / 2, 9);
  });
});

describe('rolling', () => {
  it('is Σ f N over the true wheel loads: on a grade, a side slope, with a hitch that presses (statics)', () => {
    fc.assert(
      fc.property(
        finite(-15, 15),
        finite(-12, 12),
        finite(0, 0.2),
        finite(0, 0.2),
        finite(0, 60),
        (grade, side, f, q, press) => {
          const base = twoAxles({
            layout: 'front-drive',
            wheelbaseM: 0.8,
            ahead: 0.5,
            height: 0.2,
            friction: 0.8,
          });
          const build = withDuty(
            onGround(
              { ...base, hitch: { ...base.hitch, load: typed(press, 'N') } },
              { rolling: typed(f, ''), freeRolling: typed(q, '') },
            ),
            {
              grade: degrees(grade),
              sideSlope: degrees(side),
              towed: { mass: typed(40, 'kg'), rolling: typed(0.1, '') },
            },
          );
          const { footing, resistance } = reportOf(build);
          const sum = footing.contacts.reduce((s, c) => s + (c.driven ? f : q) * Math.max(0, c.loadN), 0);
          expect(resistance.rollingN).toBeCloseTo(sum, 6);
          // What the hitch carries comes off the towed wheels.
          const [sin, cos] = [Math.sin((grade * Math.PI) / 180), Math.cos((grade * Math.PI) / 180)];
          expect(resistance.drawbarN).toBeCloseTo(0.1 * (40 * G * cos - press) + 40 * G * sin, 6);
        },
      ),
      { numRuns: many(300, 3000) },
    );
  });

  it('moves no margin by more than about as much as a coefficient moves (a step of 1e-8)', () => {
    const base = rearDriven({ rolling: 0.05 });
    const nudged = onGround(base, { freeRolling: typed(0.05 + 1e-8, '') });
    const [a, b] = [base, nudged].map((build) =>
      withDuty(build, { grade: degrees(4), sideSlope: degrees(6) }),
    );
    const [before, after] = [a, b].map((build) => evaluate(build as Build).links);
    before?.forEach((link, at) =>
      expect(Math.abs((after?.[at]?.ratio ?? NaN) / link.ratio - 1)).toBeLessThan(1e-6),
    );
  });
});

describe('soft ground', () => {
  it('of the table brings its soil, and what the wheel itself loses in place of the table’s rolling', () => {
    const { layout } = on('tracked');
    const firm = groundOfSurface('g', 'asphalt', layout);
    expect(firm.soil).toBeUndefined();
    for (const surface of ['dry-sand', 'soft-snow', 'mud'] as const) {
      const soft = groundOfSurface('g', surface, layout);
      expect(soft.soil).toBeDefined();
      expect(soft.rolling.value).toBeGreaterThanOrEqual(0.02);
      expect(soft.rolling.value).toBeLessThanOrEqual(0.1);
    }
  });

  it('is counted once: its rolling and its sinkage together stay near what tables give as one', () => {
    const base = on('four-skid');
    const sand = groundOfSurface('ground-1', 'dry-sand', base.layout);
    const { resistance, sink } = reportOf(
      withDuty({ ...base, grounds: [sand] }, { ...still, groundId: 'ground-1' }),
    );
    expect(sink?.compactionN).toBeGreaterThan(0);
    expect(resistance.compactionN).toBe(sink?.compactionN);
    expect(resistance.totalN).toBeCloseTo(resistance.rollingN + resistance.compactionN, 9);
  });
});

describe('tyre and grip by axle', () => {
  const build = (() => {
    const base = on('rear-drive');
    const ground = groundOfSurface('ground-1', 'dry-concrete', base.layout);
    return withDuty({ ...base, grounds: [ground] }, { ...still, groundId: 'ground-1', grade: degrees(5) });
  })();

  it('another tyre on one axle changes what that axle drags and how it grips, and no other', () => {
    const hard = changeAxle(build, 'rear', { tyre: 'hard-plastic' });
    const [before, after] = [reportOf(build), reportOf(hard)];
    const loadOf = (id: string): number => after.footing.axles.find((a) => a.axleId === id)?.loadN ?? NaN;
    const own = hard.grounds[0]?.tyres?.find(({ tyre }) => tyre === 'hard-plastic');
    if (!own) throw new Error('the ground knows the new tyre');
    expect(after.footing.gripN).toBeLessThan(before.footing.gripN ?? NaN);
    expect(after.footing.gripN).toBeCloseTo(own.friction.value * loadOf('rear'), 6);
    const front = hard.grounds[0]?.freeRolling.value ?? NaN;
    expect(after.resistance.rollingN).toBeCloseTo(
      own.rolling.value * loadOf('rear') + front * loadOf('front'),
      6,
    );
    // Back to what it was, number by number.
    const back = changeAxle(hard, 'rear', { tyre: build.layout.axles[0]?.tyre ?? 'pneumatic' });
    expect(reportOf(back).footing.gripN).toBeCloseTo(before.footing.gripN ?? NaN, 9);
  });

  it('what was measured for a tyre stays measured when another axle comes to have it', () => {
    const measured = onGround(build, { rolling: { ...typed(0.0123, ''), origin: 'measured' } });
    const mixed = changeAxle(changeAxle(measured, 'front', { tyre: 'steel' }), 'front', {
      tyre: 'pneumatic',
    });
    expect(mixed.grounds[0]?.rolling).toMatchObject({ value: 0.0123, origin: 'measured' });
    const alike = changeAxle(changeAxle(measured, 'front', { tyre: 'steel' }), 'front', {
      tyre: measured.layout.axles[0]?.tyre ?? 'pneumatic',
    });
    const rear = reportOf(alike);
    const load = rear.footing.axles.reduce((sum, a) => sum + a.loadN, 0);
    expect(rear.resistance.rollingN).toBeLessThanOrEqual(0.03 * load);
  });

  it('one driven wheel of a pair has its own grip alone, and one motor', () => {
    const two = onCastors();
    const one = changeAxle(two, 'driven', { drivenSide: 'left' });
    const [both, alone] = [reportOf(withDuty(two, still)), reportOf(withDuty(one, still))];
    expect(alone.footing.gripN).toBeCloseTo((both.footing.gripN ?? NaN) / 2, 9);
    expect(alone.footing.drivenN).toBeCloseTo(both.footing.drivenN / 2, 9);
    expect(alone.resistance.rollingN).toBeCloseTo(both.resistance.rollingN, 9);
  });

  it('with a wheel in the air an open differential drives nothing, a locked axle by what still stands (statics)', () => {
    const base = twoAxles({ layout: 'rear-drive', wheelbaseM: 1, ahead: 0.55, height: 0.2, friction: 0.6 });
    const uneven = withDuty(onGround(base, { uneven: true }), { ...still, grade: degrees(3) });
    expect(firstDuty(uneven).groundId).toBe(uneven.grounds[0]?.id);
    const hanging = (differential: 'open' | 'locked') =>
      reportOf(changeDrive(uneven, { differential })).hanging;
    expect(hanging('open')?.gripN).toBe(0);
    // On three wheels the one rear wheel that stands carries all of its axle (lever law).
    const rear = reportOf(uneven).footing.axles.find(({ axleId }) => axleId === 'rear')?.loadN ?? NaN;
    expect(hanging('locked')?.gripN).toBeCloseTo(0.6 * rear, 6);
    expect(textsOf(uneven)).toMatch(
      /With a wheel in the air.*A differential gives all to the wheel that spins/,
    );
    expect(textsOf(withDuty(base, { ...still, grade: degrees(3) }))).not.toMatch(/in the air/);
  });
});
