import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { G, finite } from '../testing/numbers.ts';
import { degrees, on, reportOf, twoAxles, withDuty } from '../testing/vehicles.ts';
import { changeAxle, type Build, type Duty } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import type { LinkReport } from './report.ts';
import { many } from '../testing/many.ts';

const rad = (deg: number): number => (deg * Math.PI) / 180;
const [L, c, h] = [1.2, 0.5, 0.4];

/** 50 kg on four wheels, track 0.8 m. */
const cart = (part: Partial<Duty>, friction = 0.8): Build => {
  const base = twoAxles({ layout: 'rear-drive', wheelbaseM: L, ahead: c, height: h, friction });
  const wide = ['rear', 'front'].reduce((b, id) => changeAxle(b, id, { track: typed(0.8, 'm') }), base);
  return withDuty(wide, { speed: typed(1, 'm/s'), ...part });
};
const withoutSlope = (build: Build): Build => ({
  ...build,
  duties: build.duties.map(({ sideSlope: _none, ...duty }) => duty),
});
const linkOf = (build: Build, link: LinkReport['link']): LinkReport | undefined =>
  evaluate(build).links.find((l) => l.link === link);

describe('tipping on everything at once', () => {
  it('fore and aft: grade, speeding up, hitch and drawbar about the rear contacts (moments by hand)', () => {
    const [grade, a, pull, press, hd, behind] = [8, 0.6, 70, 50, 0.3, 0.25];
    const base = cart({
      grade: degrees(grade),
      acceleration: typed(a, 'm/s²'),
      drawbar: typed(pull, 'N'),
      towed: { mass: typed(20, 'kg'), rolling: typed(0.05, '') },
    });
    const build: Build = {
      ...base,
      hitch: { behind: typed(behind, 'm'), height: typed(hd, 'm'), load: typed(press, 'N') },
    };
    const { tip, resistance } = reportOf(build);
    const W = 50 * G;
    const overturning = (W * Math.sin(rad(grade)) + 50 * a) * h + resistance.drawbarN * hd + press * behind;
    expect(tip?.along?.to).toBe('rear');
    expect(tip?.along?.overturningNm).toBeCloseTo(overturning, 6);
    expect(tip?.along?.rightingNm).toBeCloseTo(W * Math.cos(rad(grade)) * c, 6);
    // At a ratio of 1 the front is without load: as the lever law says.
    const front = (W * Math.cos(rad(grade)) * c - overturning) / L;
    expect(reportOf(build).footing.axles.find(({ axleId }) => axleId === 'front')?.loadN).toBeCloseTo(
      front,
      6,
    );
  });

  it('slowing tips it forwards, about the front contacts', () => {
    const slowing = cart({ acceleration: typed(-2, 'm/s²') });
    const { tip } = reportOf(slowing);
    expect(tip?.along).toMatchObject({ to: 'front' });
    expect(tip?.along?.overturningNm).toBeCloseTo(50 * 2 * h, 9);
    expect(tip?.along?.rightingNm).toBeCloseTo(50 * G * (L - c), 6);
  });

  it('a side slope and a bend add up: 15° with a bend fall over that neither does by itself', () => {
    const tall = (part: Partial<Duty>): Build => {
      const base = cart(part);
      const at = { height: typed(0.95, 'm') };
      const { own, payload } = base.masses;
      return { ...base, masses: { own: { ...own, ...at }, payload: { ...payload, ...at }, others: [] } };
    };
    const slope = { sideSlope: degrees(15), speed: typed(0.1, 'm/s') };
    const bend = { turn: { kind: 'radius', radius: typed(3, 'm') } as const, speed: typed(2.4, 'm/s') };
    expect(linkOf(tall(slope), 'tip-side')?.ratio).toBeGreaterThan(1.5);
    expect(linkOf(tall(bend), 'tip-side')?.ratio).toBeGreaterThan(1.5);
    const both = tall({ ...slope, ...bend });
    const link = linkOf(both, 'tip-side');
    // W cosφ t/2 against (W sinφ + m v²/R) h (by hand).
    const W = 50 * G;
    expect(link?.has).toBeCloseTo(W * Math.cos(rad(15)) * 0.4, 6);
    expect(link?.needs).toBeCloseTo((W * Math.sin(rad(15)) + (50 * 2.4 ** 2) / 3) * 0.95, 6);
    expect(link?.verdict).toBe('fails');
    expect(reportOf(both).footing.stands).toBe(false);
    // Whichever side is low, the bend that is worse counts.
    const mirrored = linkOf(tall({ ...slope, ...bend, sideSlope: degrees(-15) }), 'tip-side');
    expect(mirrored?.ratio).toBeCloseTo(link?.ratio ?? NaN, 9);
  });

  it('agrees with the support loads: it tips where it no longer stands', () => {
    fc.assert(
      fc.property(finite(-25, 25), finite(-25, 25), finite(-5, 5), (grade, side, a) => {
        const build = cart({
          grade: degrees(grade),
          sideSlope: degrees(side),
          acceleration: typed(a, 'm/s²'),
        });
        const { tip, footing } = reportOf(build);
        const ratios = [tip?.along, tip?.side].map((t) =>
          t && t.overturningNm > 0 ? t.rightingNm / t.overturningNm : Infinity,
        );
        const least = Math.min(...ratios);
        if (Math.abs(least - 1) > 1e-6) expect(footing.stands).toBe(least > 1);
      }),
      { numRuns: many(300, 3000) },
    );
  });
});

describe('sliding sideways', () => {
  it('weight along the slope and the pull of a bend, against the friction ellipse of wheels that push (by hand)', () => {
    const build = cart({ grade: degrees(5), sideSlope: degrees(10) }, 0.5);
    const { slide, footing, resistance } = reportOf(build);
    expect(slide?.sideN).toBeCloseTo(50 * G * Math.sin(rad(10)), 9);
    const [rear, front] = ['rear', 'front'].map(
      (id) => footing.axles.find(({ axleId }) => axleId === id)?.loadN ?? NaN,
    ) as [number, number];
    const used = resistance.totalN / (0.5 * rear);
    expect(slide?.holdsN).toBeCloseTo(0.5 * rear * Math.sqrt(1 - used ** 2) + 0.5 * front, 6);
    expect(linkOf(build, 'slide-side')).toMatchObject({ rule: 1.2 });
  });

  it('castors hold nothing across, and a push that takes all of the grip leaves nothing', () => {
    const castors = withDuty(on('two-castors'), {
      speed: typed(0.3, 'm/s'),
      sideSlope: degrees(5),
      grade: degrees(0),
    });
    const { slide, footing } = reportOf(castors);
    expect(slide?.holdsN).toBeLessThanOrEqual((castors.grounds[0]?.across.value ?? NaN) * footing.drivenN);
    const hard = cart({ grade: degrees(30), sideSlope: degrees(5) }, 0.4);
    const at = reportOf(hard);
    const front = at.footing.axles.find(({ axleId }) => axleId === 'front')?.loadN ?? NaN;
    expect(at.slide?.holdsN).toBeCloseTo(0.4 * front, 6);
    expect(linkOf(withoutSlope(castors), 'slide-side')).toBeUndefined();
  });
});

const braked = (
  part: Partial<Duty>,
  { friction = 0.8, force }: { friction?: number; force?: number } = {},
): Build => {
  const build = cart(part, friction);
  const axles = build.layout.axles.map((axle) => ({ ...axle, braked: true }));
  return {
    ...build,
    layout: { ...build.layout, axles },
    brake: {
      kind: 'friction',
      reaction: typed(0.5, 's'),
      ...(force === undefined ? {} : { force: typed(force, 'N') }),
    },
  };
};
const brakeOf = (build: Build) => reportOf(build).brake;

describe('braking', () => {
  it('ends where the rear lifts, and says so: a = g (L − c)/h on the level (moments about the front)', () => {
    const tall = (friction: number): Build => {
      const base = braked({ task: 'stop' }, { friction });
      const at = { height: typed(1.4, 'm') };
      const { own, payload } = base.masses;
      return { ...base, masses: { own: { ...own, ...at }, payload: { ...payload, ...at }, others: [] } };
    };
    const noses = (G * (L - c)) / 1.4;
    expect(brakeOf(tall(0.9))?.decelerationMps2).toBeCloseTo(noses, 6);
    expect(brakeOf(tall(0.9))?.noses).toBe(true);
    expect(evaluate(tall(0.9)).findings.some(({ id }) => id.startsWith('noses-over/'))).toBe(true);
    // With less grip the wheels slide first.
    expect(brakeOf(tall(0.4))?.decelerationMps2).toBeCloseTo(0.4 * G, 6);
    expect(brakeOf(tall(0.4))?.noses).toBeUndefined();
  });

  it('downhill it gathers speed before the brake bites, unless the drive holds it (kinematics)', () => {
    const build = braked({ task: 'stop', grade: degrees(-10), speed: typed(2, 'm/s') });
    const brake = brakeOf(build);
    const gathers = G * Math.sin(rad(10));
    const v1 = 2 + gathers * 0.5;
    const a = brake?.decelerationMps2 ?? NaN;
    expect(a).toBeCloseTo(0.8 * G * Math.cos(rad(10)) - gathers, 6);
    expect(brake?.distanceM).toBeCloseTo(2 * 0.5 + (gathers * 0.25) / 2 + v1 ** 2 / (2 * a), 6);
    expect(brake?.timeS).toBeCloseTo(0.5 + v1 / a, 6);
    // What the distance asked for takes is reckoned from the same run.
    const asked = brakeOf(
      braked({ task: 'stop', grade: degrees(-10), speed: typed(2, 'm/s'), stopWithin: typed(3, 'm') }),
    );
    expect(asked?.neededMps2).toBeCloseTo(v1 ** 2 / (2 * (3 - 1 - (gathers * 0.25) / 2)), 6);
  });

  it('free wheels roll by their own coefficient: braked rear, unbraked front on a heavy floor (statics)', () => {
    const base = braked({ task: 'stop' }, { force: 60 });
    const axles = base.layout.axles.map((axle) => ({ ...axle, braked: axle.id === 'rear' }));
    const build: Build = {
      ...base,
      layout: { ...base.layout, axles },
      grounds: base.grounds.map((g) => ({ ...g, rolling: typed(0.02, ''), freeRolling: typed(0.2, '') })),
    };
    const a = brakeOf(build)?.decelerationMps2 ?? NaN;
    // m a = F + f Nr + q Nf with the loads of that slowing.
    const front = (50 * G * c + 50 * a * h) / L;
    expect(50 * a).toBeCloseTo(60 + 0.02 * (50 * G - front) + 0.2 * front, 5);
  });

  it('gives up nothing where the ground drags more than all grip, the more the harder it slows (statics)', () => {
    const base = braked({ task: 'stop' });
    const [low, q] = [0.1, 6];
    const height = { height: typed(low, 'm') };
    const { own, payload } = base.masses;
    const build: Build = {
      ...base,
      masses: { own: { ...own, ...height }, payload: { ...payload, ...height }, others: [] },
      layout: {
        ...base.layout,
        axles: base.layout.axles.map((axle) => ({ ...axle, braked: axle.id === 'rear' })),
      },
      grounds: base.grounds.map((g) => ({ ...g, rolling: typed(0.02, ''), freeRolling: typed(q, '') })),
    };
    // a/g = μ + (q − μ) f with the front's share f = (c + (a/g) h)/L.
    const share = (0.8 * L + (q - 0.8) * c) / (L - (q - 0.8) * low);
    expect(brakeOf(build)?.decelerationMps2).toBeCloseTo(G * share, 6);
  });

  it('a front brake bites harder the harder it slows: a = μ g c/(L − μ h) (moments about the rear)', () => {
    const base = braked({ task: 'stop' }, { friction: 0.5 });
    const axles = base.layout.axles.map((axle) => ({ ...axle, braked: axle.id === 'front' }));
    const build: Build = {
      ...base,
      layout: { ...base.layout, axles },
      grounds: base.grounds.map((g) => ({ ...g, rolling: typed(0, ''), freeRolling: typed(0, '') })),
    };
    expect(brakeOf(build)?.decelerationMps2).toBeCloseTo((0.5 * G * c) / (L - 0.5 * h), 6);
    // A rear brake lets go the harder it slows.
    const rear: Build = {
      ...build,
      layout: {
        ...base.layout,
        axles: base.layout.axles.map((axle) => ({ ...axle, braked: axle.id === 'rear' })),
      },
    };
    expect(brakeOf(rear)?.decelerationMps2).toBeCloseTo((0.5 * G * (L - c)) / (L + 0.5 * h), 6);
  });
});
