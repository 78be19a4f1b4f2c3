/**
 * What holds, tips, slides and stops a vehicle, against another way to the same answer: moments taken again as cross
 * products, motion stepped through time, energy, or a calculator that does not share the formula. Each names its route.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { G, finite, near, of, result, sum } from '../testing/numbers.ts';

interface At {
  readonly aheadM: number;
  readonly leftM: number;
}
const oblong = (lengthM: number, trackM: number): At[] => [
  { aheadM: 0, leftM: trackM / 2 },
  { aheadM: 0, leftM: -trackM / 2 },
  { aheadM: lengthM, leftM: trackM / 2 },
  { aheadM: lengthM, leftM: -trackM / 2 },
];
const vehicle = fc.record({
  lengthM: finite(0.2, 2),
  trackM: finite(0.2, 1.5),
  ahead: finite(0.1, 0.9),
  heightM: finite(0.05, 1),
  massKg: finite(0.5, 400),
});

describe('tipping', () => {
  it('tipping-moments: on a slope it tips at the angle that tip-angles says, neither before nor after', () => {
    fc.assert(
      fc.property(vehicle, ({ lengthM, trackM, ahead, heightM, massKg }) => {
        const contacts = oblong(lengthM, trackM);
        const stands = { contacts, cgAheadOfRearAxleM: ahead * lengthM, cgHeightM: heightM };
        const { backDeg = NaN, forwardDeg = NaN, sideDeg = NaN } = result('tip-angles', stands);
        const on = (deg: number, way: 'backN' | 'rightN', sign: 1 | -1) => {
          const a = (deg * Math.PI) / 180;
          const weight = massKg * G;
          return result('tipping-moments', {
            ...stands,
            weightN: weight * Math.cos(a),
            [way]: sign * weight * Math.sin(a),
          });
        };
        const back = on(backDeg, 'backN', 1);
        near(back.alongOverturningNm ?? NaN, back.alongRightingNm ?? NaN, 1e-6);
        const forward = on(forwardDeg, 'backN', -1);
        near(forward.alongOverturningNm ?? NaN, forward.alongRightingNm ?? NaN, 1e-6);
        const aside = on(sideDeg, 'rightN', 1);
        near(aside.sideOverturningNm ?? NaN, aside.sideRightingNm ?? NaN, 1e-6);
        const flatter = on(0.9 * backDeg, 'backN', 1);
        expect(flatter.alongOverturningNm).toBeLessThan(flatter.alongRightingNm ?? NaN);
      }),
    );
  });

  it('tipping-moments: a front axle is free of load where the moments about the rear are alike (axle-loads)', () => {
    fc.assert(
      fc.property(vehicle, ({ lengthM, trackM, ahead, heightM, massKg }) => {
        // Speeding up so hard that the front just lifts: a = g c/h.
        const accelerationMps2 = (G * ahead * lengthM) / heightM;
        const given = {
          massKg,
          wheelbaseM: lengthM,
          cgAheadOfRearAxleM: ahead * lengthM,
          cgHeightM: heightM,
          accelerationMps2,
        };
        expect(Math.abs(of('axle-loads', 'frontN', given))).toBeLessThan(1e-6 * massKg * G);
        const { alongRightingNm, alongOverturningNm = NaN } = result('tipping-moments', {
          contacts: oblong(lengthM, trackM),
          cgAheadOfRearAxleM: ahead * lengthM,
          cgHeightM: heightM,
          weightN: massKg * G,
          backN: massKg * accelerationMps2,
        });
        near(alongRightingNm ?? NaN, alongOverturningNm, 1e-9);
      }),
    );
  });

  it('tipping-moments: a drawbar at the height of the ground tips nothing, one on high tips it backwards', () => {
    const stands = {
      contacts: oblong(1, 0.6),
      cgAheadOfRearAxleM: 0.4,
      cgHeightM: 0.3,
      weightN: 500,
      drawbarN: 200,
      hitchBehindRearAxleM: 0.1,
    };
    expect(of('tipping-moments', 'alongOverturningNm', { ...stands, hitchHeightM: 0 })).toBe(0);
    const high = result('tipping-moments', { ...stands, hitchHeightM: 0.5 });
    expect(high).toMatchObject({ alongTo: 'rear' });
    // About the rear axle by hand: 200 N at 0.5 m against 500 N at 0.4 m.
    near(high.alongOverturningNm ?? NaN, 100);
    near(high.alongRightingNm ?? NaN, 200);
    // A hitch that presses down behind the axle helps to tip it: 150 N at 0.1 m.
    near(
      of('tipping-moments', 'alongOverturningNm', { ...stands, hitchHeightM: 0.5, hitchVerticalN: 150 }),
      115,
    );
  });

  it('corner-speed: at that speed the pull of the bend brings the moments about its outer wheels level', () => {
    fc.assert(
      fc.property(vehicle, finite(1, 30), ({ lengthM, trackM, ahead, heightM, massKg }, turnRadiusM) => {
        const stands = {
          contacts: oblong(lengthM, trackM),
          cgAheadOfRearAxleM: ahead * lengthM,
          cgHeightM: heightM,
        };
        const { cornerMps = NaN } = result('corner-speed', {
          turnRadiusM,
          friction: 1e3,
          tipDeg: of('tip-angles', 'sideDeg', stands),
          speedMps: 1,
        });
        const outwardN = (massKg * cornerMps ** 2) / turnRadiusM;
        const found = result('tipping-moments', { ...stands, weightN: massKg * G, rightN: outwardN });
        near(found.sideOverturningNm ?? NaN, found.sideRightingNm ?? NaN, 1e-6);
      }),
    );
  });
});

describe('holding sideways and turning', () => {
  const wheels = (across: number, loads: readonly number[]) =>
    oblong(0.6, 0.5).map((at, n) => ({ ...at, loadN: loads[n] ?? 0, across }));

  it('slide-across: pushing and holding together use up just the friction circle of each wheel', () => {
    fc.assert(
      fc.property(finite(10, 500), finite(0.1, 1.2), finite(0, 1), (loadN, friction, share) => {
        const pushN = share * friction * loadN;
        const holdsN = of('slide-across', 'holdsN', {
          contacts: [{ loadN, along: friction, across: friction, pushes: true }],
          pushN,
          sideN: 1,
        });
        near(Math.hypot(pushN, holdsN), friction * loadN, 1e-7);
      }),
    );
  });

  it('slide-across: it slides just where what pulls it sideways is more than what holds it', () => {
    const at = (sideN: number) =>
      result('slide-across', {
        contacts: [
          { loadN: 200, along: 0.8, across: 0.6, pushes: true },
          { loadN: 100, along: 0.8, across: 0.3, pushes: false },
        ],
        pushN: 0,
        sideN,
      });
    // 200 × 0.6 + 100 × 0.3 = 150 N, nothing spent on pushing.
    expect(at(149.9).slides).toBe(false);
    expect(at(150.1).slides).toBe(true);
    // Pushed to the end, the driven wheels hold nothing more, however hard it is pushed.
    const spent = { contacts: [{ loadN: 200, along: 0.8, across: 0.6, pushes: true }], sideN: 1 };
    expect(of('slide-across', 'holdsN', { ...spent, pushN: 160 })).toBeLessThan(1e-3);
    expect(of('slide-across', 'holdsN', { ...spent, pushN: 900 })).toBe(
      of('slide-across', 'holdsN', { ...spent, pushN: 160 }),
    );
  });

  it('skid-bend-wheeled: on the spot it is every wheel scrubbing square to its plane (skid-turn-wheeled)', () => {
    // Loads alike: the wheels scrub about the middle, each half a wheelbase off.
    const bend = of('skid-bend-wheeled', 'momentNm', {
      contacts: wheels(0.7, [50, 50, 50, 50]),
      turnRadiusM: 1e-6,
    });
    const spot = of('skid-turn-wheeled', 'momentNm', {
      weightN: 200,
      wheelbaseM: 0.6,
      trackM: 0.5,
      lateralCoefficient: 0.7,
      rollingCoefficient: 0,
      longitudinalFriction: 0.7,
    });
    near(bend, spot, 1e-6);
  });

  it('skid-bend-wheeled: a wider bend never asks more, and a very wide one falls as one over the radius', () => {
    const moment = (turnRadiusM: number): number =>
      of('skid-bend-wheeled', 'momentNm', { contacts: wheels(0.7, [40, 60, 55, 45]), turnRadiusM });
    fc.assert(
      fc.property(finite(0.01, 200), finite(1, 5), (radius, wider) => {
        expect(moment(radius * wider)).toBeLessThanOrEqual(moment(radius) * (1 + 1e-9));
      }),
    );
    expect(moment(1000) / moment(2000)).toBeCloseTo(2, 3);
  });

  it('skid-bend-wheeled: turns about where its loads balance, so that no side force is left over', () => {
    const contacts = wheels(0.7, [80, 80, 20, 20]);
    const { centreM = NaN } = result('skid-bend-wheeled', { contacts, turnRadiusM: 1e4 });
    // In a wide bend the side force of a wheel grows with its way from the centre: Σ N (x − xc) = 0.
    expect(sum(contacts.map(({ loadN, aheadM }) => loadN * (aheadM - centreM)))).toBeCloseTo(0, 9);
    near(centreM, (40 * 0.6) / 200, 1e-9);
  });

  it('ackermann: both steered wheels stand square to one middle on the line of the rear axle', () => {
    fc.assert(
      fc.property(finite(0.3, 3), finite(0.2, 1.5), finite(1, 20), (wheelbaseM, trackM, turnRadiusM) => {
        fc.pre(turnRadiusM > trackM);
        const {
          innerDeg = NaN,
          outerDeg = NaN,
          kerbRadiusM = NaN,
        } = result('ackermann', {
          wheelbaseM,
          trackM,
          turnRadiusM,
        });
        const middle = (deg: number, y: number): number => y + wheelbaseM / Math.tan((deg * Math.PI) / 180);
        near(middle(innerDeg, trackM / 2), turnRadiusM, 1e-9);
        near(middle(outerDeg, -trackM / 2), turnRadiusM, 1e-9);
        near(kerbRadiusM * Math.sin((outerDeg * Math.PI) / 180), wheelbaseM, 1e-9);
      }),
    );
  });
});

/** Speed and way, stepped by the middle of each step, until it stands or the time is up. */
function rolled(speedMps: number, slowing: (v: number) => number, untilS: number, stepS = 1e-4) {
  let [v, d, t] = [speedMps, 0, 0];
  while (t < untilS && v > 0) {
    const next = v - slowing(v) * stepS;
    d += ((v + Math.max(0, next)) / 2) * stepS;
    v = next;
    t += stepS;
  }
  return { v, d, t };
}

describe('stopping and running on', () => {
  it('reaction-run: way and speed by stepping a wheel down the slope', () => {
    const [gradeDeg, rollingCoefficient, rotatingMassFactor] = [-9, 0.03, 1.15];
    const a = (gradeDeg * Math.PI) / 180;
    const gathering = (-G * (Math.sin(a) + rollingCoefficient * Math.cos(a))) / rotatingMassFactor;
    const given = { speedMps: 1.4, reactionS: 0.8, gradeDeg, rollingCoefficient, rotatingMassFactor };
    const found = result('reaction-run', given);
    const stepped = rolled(1.4, () => -gathering, 0.8);
    expect(found.distanceM).toBeCloseTo(stepped.d, 3);
    expect(found.speedMps).toBeCloseTo(stepped.v, 3);
    // Held by its drive, and where it would rather slow down, it keeps its speed: never less on the way.
    expect(result('reaction-run', { ...given, held: true })).toMatchObject({
      speedMps: 1.4,
      gatheringMps2: 0,
    });
    expect(result('reaction-run', { ...given, gradeDeg: 5 })).toMatchObject({ speedMps: 1.4 });
  });

  it('stopping: reaction and braking stepped through time, the free wheels rolling', () => {
    const { gatheringMps2 = NaN } = result('reaction-run', {
      speedMps: 3,
      reactionS: 0.7,
      gradeDeg: -6,
      rollingCoefficient: 0.55 * 0.02 + 0.45 * 0.04,
    });
    const given = {
      speedMps: 3,
      gradeDeg: -6,
      friction: 0.6,
      brakedShare: 0.55,
      rollingCoefficient: 0.02,
      unbrakedRollingCoefficient: 0.04,
      reactionS: 0.7,
      gatheringMps2,
    };
    const a = (-6 * Math.PI) / 180;
    const found = result('stopping', given);
    const slowing = 0.6 * 0.55 * G * Math.cos(a) + 0.04 * 0.45 * G * Math.cos(a) + G * Math.sin(a);
    expect(found.decelerationMps2).toBeCloseTo(slowing, 9);
    const run = rolled(3, () => -gatheringMps2, 0.7);
    const braked = rolled(run.v, () => slowing, 60);
    expect(Math.abs((found.distanceM ?? NaN) - run.d - braked.d)).toBeLessThan(0.02);
  });

  it('inner-drive: the force at the ground lifts the inner mass by what it goes round (work)', () => {
    const given = { innerKg: 3, offsetM: 0.08, shellKg: 1.5, diameterM: 0.36 };
    const { mostTorqueNm = NaN, mostForceN = NaN, steepestDeg = NaN } = result('inner-drive', given);
    near(mostForceN * 0.18, mostTorqueNm);
    // On the steepest slope, the centre of gravity of both stands over where the shell touches.
    const ahead = (3 * 0.08) / 4.5;
    near(ahead, 0.18 * Math.sin((steepestDeg * Math.PI) / 180));
  });

  it('towed-load: twice the trailer is twice the drawbar, and a load on the hitch rolls on the tug', () => {
    const given = { massKg: 80, rollingCoefficient: 0.06, gradeDeg: 7, accelerationMps2: 0.2 };
    near(of('towed-load', 'drawbarN', { ...given, massKg: 160 }), 2 * of('towed-load', 'drawbarN', given));
    const lighter =
      of('towed-load', 'drawbarN', given) - of('towed-load', 'drawbarN', { ...given, hitchN: 100 });
    near(lighter, 6);
    // Coasting by itself, a trailer on the level slows by f g: its drawbar is then none.
    const alone = of('towed-load', 'drawbarN', {
      massKg: 80,
      rollingCoefficient: 0.06,
      accelerationMps2: -0.06 * G,
    });
    expect(Math.abs(alone)).toBeLessThan(1e-9);
  });
});
