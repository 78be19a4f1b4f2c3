import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { SURFACES, TYRES, surfacePair } from './index.ts';
import { many } from '../testing/many.ts';

const finite = (min: number, max: number) => fc.double({ min, max, noNaN: true });

const axle = fc.record({
  drivenLoadN: finite(0, 5000),
  trackM: finite(0, 2),
  friction: finite(0.05, 1.2),
  wheelbaseM: finite(0.2, 3),
  steeredLoadN: finite(0, 3000),
  steeredFriction: finite(0.05, 1.2),
  turnRadiusM: finite(0.2, 50),
  speedMps: finite(0, 8),
});

const force = (input: object): number =>
  (calculate('locked-axle', input) as { sideForceN: number }).sideForceN;

describe('a locked axle', () => {
  it('never needs less steering force than an open one, and needs more where it is wider or loaded more', () => {
    fc.assert(
      fc.property(axle, (a) => {
        const locked = force({ ...a, differential: 'locked' });
        expect(locked).toBeGreaterThanOrEqual(force({ ...a, differential: 'open' }));
        expect(force({ ...a, differential: 'separate' })).toBe(force({ ...a, differential: 'open' }));
        expect(force({ ...a, differential: 'locked', trackM: a.trackM * 1.3 })).toBeGreaterThanOrEqual(
          locked,
        );
        expect(
          force({ ...a, differential: 'locked', drivenLoadN: a.drivenLoadN * 1.3 }),
        ).toBeGreaterThanOrEqual(locked);
      }),
      { numRuns: many(1000, 10000) },
    );
  });

  it('pushes straight on with grippy tyres and a light front, and is cured by a narrow track (common practice, no source)', () => {
    const cart = {
      differential: 'locked',
      drivenLoadN: 900,
      trackM: 0.9,
      friction: 0.9,
      wheelbaseM: 1.1,
      steeredLoadN: 300,
      steeredFriction: 0.9,
      turnRadiusM: 3,
    };
    const pushes = (change: object): boolean =>
      (calculate('locked-axle', { ...cart, ...change }) as { pushesOn: boolean }).pushesOn;
    expect(pushes({})).toBe(true);
    expect(pushes({ trackM: 0.3 })).toBe(false);
    expect(pushes({ differential: 'open' })).toBe(false);
  });
});

describe('turning on the spot', () => {
  it('of four fixed wheels far apart is that of two driven ones with sliders of the same load and friction', () => {
    // Both scrub: the fixed pair in front is as good as sliders at its distance, square to the vehicle (by hand).
    const pivot = calculate('pivot-turn', {
      drivenLoadN: 400,
      trackM: 0.5,
      freeLoadN: 200,
      freeArmM: 0.8,
      freeCoefficient: 0.3,
      friction: 0.7,
    }) as { momentNm: number; thrustPerSideN: number };
    expect(pivot.momentNm).toBeCloseTo(200 * 0.3 * 0.8, 12);
    expect(pivot.thrustPerSideN).toBeCloseTo((200 * 0.3 * 0.8) / 0.5, 12);
  });

  it('is harder the longer the tracks and the narrower the gauge (closed form M/B = μ W L/4B)', () => {
    const turn = (contactLengthM: number, gaugeM: number): number =>
      (
        calculate('skid-turn-tracked', {
          weightN: 200,
          contactLengthM,
          gaugeM,
          lateralCoefficientMax: 0.5,
          rollingCoefficient: 0,
          turnRadiusM: gaugeM / 2,
        }) as { outerN: number }
      ).outerN;
    expect(turn(0.6, 0.4)).toBeCloseTo((0.5 * 200 * 0.6) / 4 / 0.4, 9);
    expect(turn(0.8, 0.4)).toBeGreaterThan(turn(0.6, 0.4));
    expect(turn(0.6, 0.3)).toBeGreaterThan(turn(0.6, 0.4));
  });
});

describe('soft ground', () => {
  it('under a wheel, worked out by hand', () => {
    // W = 450 N, D = 0.6 m, b = 0.12 m, n = 1, kc = 0, kφ = 1000 kN/m³.
    // z = [3 · 450/(2 · 0.12 · 1e6 · √0.6)]^(2/3) = [1350/185 903]^(2/3) = 0.0072618^(2/3) = 0.037505 m.
    // Rc = (3W/√D)^(4/3)/(2^(4/3) · 2 · (120 000)^(1/3)) = 1742.84^(4/3)/(2.51984 · 2 · 49.3242) = 84.40 N.
    const { sinkageM, compactionN } = calculate('wheel-sinkage', {
      wheelLoadN: 450,
      wheelDiameterM: 0.6,
      wheelWidthM: 0.12,
      kcKnPerM: 0,
      kphiKnPerM: 1000,
      exponent: 1,
    }) as { sinkageM: number; compactionN: number };
    expect(sinkageM).toBeCloseTo(0.0375, 4);
    expect(compactionN).toBeCloseTo(84.4, 1);
  });

  it('under a track costs the work of pressing its rut: the integral of pressure over depth', () => {
    fc.assert(
      fc.property(finite(50, 3000), finite(0.2, 2), finite(0.03, 0.4), finite(0.4, 1.8), (loadN, l, b, n) => {
        const soil = { kcKnPerM: 2, kphiKnPerM: 900, exponent: n };
        const found = calculate('track-sinkage', { loadN, contactLengthM: l, widthM: b, ...soil }) as {
          sinkageM: number;
          compactionN: number;
          pressurePa: number;
        };
        const stiffness = (2 / b + 900) * 1000;
        const steps = 4000;
        let work = 0;
        for (let k = 0; k < steps; k++)
          work += (b * stiffness * (found.sinkageM * ((k + 0.5) / steps)) ** n * found.sinkageM) / steps;
        expect(Math.abs(work / found.compactionN - 1)).toBeLessThan(1e-4);
        expect(stiffness * found.sinkageM ** n).toBeCloseTo(found.pressurePa, 4);
      }),
      { numRuns: many(100, 1000) },
    );
  });

  it('lets wide tracks sink less than narrow ones of the same load (common practice, no source)', () => {
    const sinks = (widthM: number): number =>
      (
        calculate('track-sinkage', {
          loadN: 300,
          contactLengthM: 0.6,
          widthM,
          kcKnPerM: 0.99,
          kphiKnPerM: 1528,
          exponent: 1.1,
        }) as { sinkageM: number }
      ).sinkageM;
    expect(sinks(0.12)).toBeLessThan(sinks(0.06));
  });
});

describe('the table of surfaces', () => {
  it('has a range for every surface under every tyre, and says where it comes from', () => {
    for (const surface of SURFACES)
      for (const tyre of TYRES) {
        const { rolling, friction, source } = surfacePair(surface, tyre);
        expect(rolling[0], `${surface}, ${tyre}`).toBeLessThan(rolling[1]);
        expect(friction[0], `${surface}, ${tyre}`).toBeLessThan(friction[1]);
        expect(rolling[0]).toBeGreaterThan(0);
        expect(friction[1]).toBeLessThanOrEqual(0.9);
        expect(source).toMatch(/Wong|Gillespie|common practice, no source/);
      }
  });

  it('holds what the tables of road tyres say (Wong; Gillespie; from memory)', () => {
    const within = (value: number, [low, high]: readonly [number, number]): boolean =>
      value >= low && value <= high;
    // Gillespie: passenger tyres 0.015 on concrete, 0.30 at most on sand; Wong: gravel 0.6 peak, earth road 0.68 peak.
    expect(within(0.015, surfacePair('dry-concrete', 'pneumatic').rolling)).toBe(true);
    expect(within(0.3, surfacePair('dry-sand', 'pneumatic').rolling)).toBe(true);
    expect(within(0.6, surfacePair('gravel', 'pneumatic').friction)).toBe(true);
    expect(within(0.68, surfacePair('packed-earth', 'pneumatic').friction)).toBe(true);
    expect(within(0.2, surfacePair('packed-snow', 'pneumatic').friction)).toBe(true);
  });

  it('softer tyres cost rolling drag on hard ground, and wet grips less than dry (common practice, no source)', () => {
    const mid = ([low, high]: readonly [number, number]): number => (low + high) / 2;
    for (const hard of ['smooth-floor', 'dry-concrete', 'timber'] as const)
      expect(mid(surfacePair(hard, 'soft-foam').rolling)).toBeGreaterThan(
        mid(surfacePair(hard, 'solid-rubber').rolling),
      );
    for (const tyre of TYRES)
      for (const [dry, wet] of [
        ['dry-concrete', 'wet-concrete'],
        ['short-grass-dry', 'short-grass-wet'],
        ['long-grass-dry', 'long-grass-wet'],
      ] as const)
        expect(mid(surfacePair(wet, tyre).friction)).toBeLessThan(mid(surfacePair(dry, tyre).friction));
  });
});
