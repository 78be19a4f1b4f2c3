import { readFileSync } from 'node:fs';
import { complex, eigs, type Complex, type MathCollection } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { balancePlant } from '../ground/index.ts';
import { readBuild, type Build } from '../vehicle/index.ts';
import { gainsAt, gainsMap, leanPoles, leanPolynomial, proposedGains, withGains } from './balance-gains.ts';
import { balanceModel } from './balance-model.ts';
import { balancerOf } from './balance-of-build.ts';
import { balanceReport, balanceTrace, cycleTimes, USUAL_CYCLE } from './balance-report.ts';
import { runBalance } from './run-balance.ts';

const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} cannot be read`);
  return read.build;
};
const teasel = demo('teasel');
const puffin = demo('puffin');
const balancer = balancerOf(teasel, true);
if (!balancer) throw new Error('Teasel balances');
const { body, motor } = balancer;
const DEGREE = Math.PI / 180;
const ask = { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 3, nudgeNs: 0, durationS: 4 };
const task = {
  ...{ body, motor, ...cycleTimes(USUAL_CYCLE) },
  ...{ startLeanRad: 3 * DEGREE, nudgeNs: 0, durationS: 4 },
};
const byRe = (poles: readonly { re: number; im: number }[]) =>
  [...poles].sort((a, b) => a.re - b.re || a.im - b.im);

/** The equations of motion, differentiated by small steps: rows of lean integral, lean, rate, speed. */
function matrix({ kp, ki, kd }: { kp: number; ki: number; kd: number }): number[][] {
  const model = balanceModel(body, motor);
  const SMALL = 1e-5;
  const column = (by: { lean?: number; rate?: number; v?: number }, volts: number): [number, number] => {
    const at = (sign: 1 | -1) =>
      model.accelerations(
        { x: 0, v: sign * (by.v ?? 0), lean: sign * (by.lean ?? 0), rate: sign * (by.rate ?? 0) },
        sign * volts,
      );
    const [plus, minus] = [at(1), at(-1)];
    return [(plus[0] - minus[0]) / (2 * SMALL), (plus[1] - minus[1]) / (2 * SMALL)];
  };
  const columns = [
    column({}, ki * SMALL),
    column({ lean: SMALL }, kp * SMALL),
    column({ rate: SMALL }, kd * SMALL),
    column({ v: SMALL }, 0),
  ];
  return [[0, 1, 0, 0], [0, 0, 1, 0], columns.map(([, alpha]) => alpha), columns.map(([a]) => a)];
}

describe('the linear theory of a balancer', () => {
  it('has the eigenvalues of its equations of motion, without gains and with (mathjs)', () => {
    const polynomial = leanPolynomial(body, motor);
    for (const gains of [{ kp: 0, ki: 0, kd: 0 }, gainsAt(polynomial, 20), { kp: 100, ki: 50, kd: -1 }]) {
      const { values } = eigs(matrix(gains) as MathCollection);
      const all = (values as (number | Complex)[]).map((value) => complex(value as Complex));
      // Of the four one is nought: place does not come into it.
      const other = byRe(all.sort((a, b) => Math.hypot(b.re, b.im) - Math.hypot(a.re, a.im)).slice(0, 3));
      for (const [n, pole] of byRe(leanPoles(withGains(polynomial, gains))).entries()) {
        expect(pole.re).toBeCloseTo(other[n]?.re ?? NaN, 3);
        expect(Math.abs(pole.im)).toBeCloseTo(Math.abs(other[n]?.im ?? NaN), 3);
      }
    }
  });

  it('puts the poles where they are wanted, all to the left', () => {
    const polynomial = leanPolynomial(body, motor);
    const poles = leanPoles(withGains(polynomial, gainsAt(polynomial, 10)));
    // s³ + 1.75 s² + 2.15 s + 1 has −0.7081 and −0.5210 ± 1.0681 i (the table's own roots, from memory).
    expect(byRe(poles).map(({ re }) => re / 10)).toEqual([
      expect.closeTo(-0.7081, 3),
      expect.closeTo(-0.521, 3),
      expect.closeTo(-0.521, 3),
    ]);
  });

  it('foresees the first moments of a small lean that is let go', () => {
    const gains = gainsAt(leanPolynomial(body, motor), 15);
    const small = 1e-5;
    const run = (t: number) =>
      runBalance({
        ...{ ...task, gains, loopTimeS: 1e-4, delayS: 0 },
        ...{ startLeanRad: small, durationS: t },
      }).end.lean / small;
    // The response of the linear system by its matrix exponential, summed in small steps of the midpoint.
    const a = matrix(gains);
    let state = [0, 1, 0, 0];
    const slope = (s: readonly number[]) =>
      a.map((row) => row.reduce((sum, x, n) => sum + x * (s[n] ?? 0), 0));
    const STEP = 1e-5;
    for (let n = 0; n < 20_000; n++) {
      const half = slope(state).map((d, k) => (state[k] ?? 0) + (d * STEP) / 2);
      state = slope(half).map((d, k) => (state[k] ?? 0) + d * STEP);
    }
    expect(run(0.2)).toBeCloseTo(state[1] ?? NaN, 2);
  });
});

describe('the balance of a build', () => {
  it('is of its own masses: all but the wheels leans about the axle', () => {
    expect(body.bodyMassKg + body.wheelsMassKg).toBeCloseTo(
      teasel.masses.own.mass.value + teasel.masses.payload.mass.value,
      9,
    );
    // The middle of everything, wheels at the height of the axle, is that of the build: (3.4·240 + 1.6·580)/5 mm up.
    const height = (body.bodyMassKg * body.cgHeightM) / 5 + body.wheelRadiusM;
    expect(height).toBeCloseTo((3.4 * 0.24 + 1.6 * 0.58) / 5, 6);
    const empty = balancerOf(teasel, false);
    expect(empty?.body.cgHeightM).toBeLessThan(body.cgHeightM);
    // A load high up turns harder: about its own centre too.
    expect(empty?.body.bodyInertiaKgM2).toBeLessThan(body.bodyInertiaKgM2);
    expect(balancerOf(puffin, true)).toBeUndefined();
  });

  it('proposes gains that stand and come to rest, let go or pushed, loaded or empty', () => {
    for (const more of [{}, { startLeanDeg: -5 }, { startLeanDeg: 0, nudgeNs: 0.5 }, { loaded: false }]) {
      const report = balanceReport(teasel, { ...ask, ...more });
      expect(report?.run).toMatchObject({ falls: false, fallS: null });
      expect(report?.run?.settleS).toBeLessThan(2);
      expect(report?.proposed?.poles.every(({ re }) => re < 0)).toBe(true);
    }
  });

  it('is followed from moment to moment, to where the report says that it ends', () => {
    const report = balanceReport(teasel, ask);
    const trace = balanceTrace(teasel, ask, report?.proposed ?? null);
    expect(trace[0]).toMatchObject({ tS: 0, placeM: 0 });
    expect(trace[0]?.leanRad).toBeCloseTo(3 * DEGREE, 9);
    expect(trace.length).toBeGreaterThan(500);
    expect(trace.at(-1)?.placeM).toBeCloseTo(report?.run?.endM ?? NaN, 3);
    const peak = Math.max(...trace.map(({ leanRad }) => Math.abs(leanRad)));
    expect(peak / DEGREE / (report?.run?.peakLeanDeg ?? NaN)).toBeCloseTo(1, 2);
    expect(balanceTrace(puffin, ask, report?.proposed ?? null)).toEqual([]);
  });

  it('falls without gains, as the plant says it must', () => {
    const none = { kp: 0, ki: 0, kd: 0 };
    const report = balanceReport(teasel, { ...ask, gains: none });
    expect(report?.run).toMatchObject({ falls: true, settleS: null });
    // One pole of the three to the right: connected motors hold the fall back a little, and do not end it.
    const right = report?.plant.poles.filter(({ re }) => re > 0) ?? [];
    expect(right).toHaveLength(1);
    expect(right[0]?.re).toBeLessThan(balancePlant.run(body).fallRateRadS);
  });

  it('never calls gains holding that fall in the run: each is run again by itself', () => {
    const proposed = proposedGains(task);
    if (!proposed) throw new Error('gains hold');
    const map = gainsMap(task, proposed.gains);
    expect(map).toHaveLength(144);
    const holding = map.filter(({ holds }) => holds);
    expect(holding.length).toBeGreaterThan(20);
    expect(holding.length).toBeLessThan(144);
    for (const { kp, ki } of holding.filter((_, n) => n % 7 === 0))
      expect(runBalance({ ...task, gains: { ...proposed.gains, kp, ki } }).fallS).toBeUndefined();
    // Without any kp nothing holds, whatever ki.
    expect(map.filter(({ kp }) => kp === 0).every(({ holds }) => !holds)).toBe(true);
  });

  it('shows what leaving the encoders out gains: a shorter loop', () => {
    const slow = { ...USUAL_CYCLE, readEncodersS: 0.03 };
    const report = balanceReport(teasel, { ...ask, cycle: slow });
    expect(report?.plant.loopTimeS).toBeCloseTo(0.0325, 9);
    expect(report?.withoutEncoders?.loopTimeS).toBeCloseTo(0.0025, 9);
    expect(report?.plant.loopTimeS).toBeGreaterThan(report?.plant.longestLoopS ?? Infinity);
  });

  it('proposes nothing where no gains of the kind hold: a loop far too slow', () => {
    const crawling = { ...USUAL_CYCLE, readEncodersS: 0.5 };
    expect(balanceReport(teasel, { ...ask, cycle: crawling })).toMatchObject({
      proposed: null,
      run: null,
      region: [],
    });
  });

  it('whose driver holds a speed wants much of the sum, none of the rate, and stands (common practice, no source)', () => {
    const [volts, speed] = (['voltage', 'speed'] as const).map((commands) =>
      balanceReport(teasel, { ...ask, commands }),
    );
    expect(speed?.run?.falls).toBe(false);
    const ratios = (of: typeof volts) => {
      const { kp = NaN, ki = NaN, kd = NaN } = of?.proposed ?? {};
      return { sum: ki / kp, rate: Math.abs(kd / kp) };
    };
    expect(ratios(speed).sum).toBeGreaterThan(ratios(volts).sum);
    expect(ratios(speed).rate).toBe(0);
    expect(ratios(volts).rate).toBeGreaterThan(0);
    // Two poles where they come to rest soonest, the third far off: s² + 1.4 ω s + ω² (Graham and Lathrop, 1953, from memory).
    const { paceRadS = NaN, poles = [] } = speed?.proposed ?? {};
    const slow = poles.filter(({ im }) => Math.abs(im) > 1);
    expect(slow).toHaveLength(2);
    for (const { re, im } of slow) expect(Math.hypot(re, im) / paceRadS).toBeCloseTo(1, 0);
  });

  it('falls more slowly taller, and tips sideways sooner', () => {
    const [low, own, tall] = balanceReport(teasel, ask)?.heights ?? [];
    expect(own?.fallTimeS).toBeCloseTo(balancePlant.run(body).fallTimeS, 12);
    expect(tall?.fallTimeS).toBeGreaterThan(own?.fallTimeS ?? NaN);
    expect(low?.longestLoopS).toBeLessThan(own?.longestLoopS ?? NaN);
    expect(tall?.sidewaysDeg).toBeLessThan(own?.sidewaysDeg ?? NaN);
    // Half the track over the height of its middle (statics).
    const track = teasel.layout.axles[0]?.track.value ?? NaN;
    expect(Math.tan((own?.sidewaysDeg ?? NaN) * DEGREE)).toBeCloseTo(track / 2 / (own?.heightM ?? NaN), 9);
  });
});
