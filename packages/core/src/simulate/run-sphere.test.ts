import fc from 'fast-check';
import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { innerDrive } from '../ground/index.ts';
import { radiansToDegrees, STANDARD_GRAVITY as g } from '../quantity/index.ts';
import { leanPoles } from './balance-gains.ts';
import type { Balance, BalanceMotor } from './balance-model.ts';
import { stepped } from './fourth-order.ts';
import { runSphere, sphereOver, type SphereRun } from './run-sphere.ts';
import { nodPolynomial, sphereModel, type SphereBody } from './sphere-model.ts';

const body: SphereBody = {
  ...{ innerKg: 2, offsetM: 0.1, innerInertiaKgM2: 0.008, shellKg: 1, restKg: 0.2 },
  ...{ rotorsInertiaKgM2: 0.002, radiusM: 0.2, rolling: 0.02, slopeRad: 0 },
};
const motor: BalanceMotor = {
  ...{ count: 2, ratio: 60, efficiency: 0.7, resistanceOhm: 3 },
  ...{ ktNmPerA: 0.01, voltageV: 11 },
};
const sent: SphereRun = { body, motor, share: 0.4, rampS: 0.5, holdS: 2, stop: 'shorted' };
const at = (part: Partial<Balance>): Balance => ({ x: 0, v: 0, lean: 0, rate: 0, ...part });

/** Lagrange's equations written out, by an independent solver (odex, from the registry). */
function byOdex(of: SphereBody, from: Balance, forS: number, torque: (s: Balance) => number): Balance {
  const { innerKg: m, offsetM: e, radiusM: r, slopeRad: b } = of;
  const weight = m + of.shellKg + of.restKg;
  const J = of.rotorsInertiaKgM2;
  const solver = new Solver(4);
  solver.absoluteTolerance = 1e-12;
  solver.relativeTolerance = 1e-12;
  const [x = 0, v = 0, lean = 0, rate = 0] = solver.solve(
    (_t: number, [, v1 = 0, a1 = 0, w1 = 0]: number[]) => {
      const t = torque({ x: 0, v: v1, lean: a1, rate: w1 });
      const M = weight + (2 / 3) * of.shellKg + J / r ** 2;
      const B = m * e ** 2 + of.innerInertiaKgM2 + J;
      const C = m * e * Math.cos(a1 - b) + J / r;
      const rolls = (of.rolling * weight * g * Math.cos(b) * v1) / Math.hypot(v1, 2e-3);
      const P = t / r + m * e * w1 ** 2 * Math.sin(a1 - b) - weight * g * Math.sin(b) - rolls;
      const Q = t - m * g * e * Math.sin(a1);
      return [v1, (P * B - C * Q) / (M * B - C * C), w1, (M * Q - C * P) / (M * B - C * C)];
    },
    0,
    [from.x, from.v, from.lean, from.rate],
    forS,
  ).y;
  return { x, v, lean, rate };
}

const someBody = fc.record({
  innerKg: fc.double({ min: 0.2, max: 20, noNaN: true }),
  offsetM: fc.double({ min: 0.02, max: 0.15, noNaN: true }),
  innerInertiaKgM2: fc.double({ min: 0, max: 0.02, noNaN: true }),
  shellKg: fc.double({ min: 0.1, max: 10, noNaN: true }),
  restKg: fc.double({ min: 0, max: 5, noNaN: true }),
  rotorsInertiaKgM2: fc.double({ min: 0, max: 0.01, noNaN: true }),
  radiusM: fc.double({ min: 0.16, max: 0.5, noNaN: true }),
  rolling: fc.double({ min: 0, max: 0.1, noNaN: true }),
  slopeRad: fc.double({ min: -0.1, max: 0.1, noNaN: true }),
});

describe('a sphere with a mass that climbs inside', () => {
  it('moves as Lagrange’s equations say (odex at 1e-12)', () => {
    fc.assert(
      fc.property(someBody, fc.double({ min: -1, max: 1, noNaN: true }), (of, share) => {
        const model = sphereModel(of, motor);
        const volts = share * motor.voltageV;
        let own = at({ v: 0.1, lean: 0.3 });
        const steps = Math.ceil((0.3 * model.quickest) / 0.02);
        for (let n = 0; n < steps; n += 1) own = stepped(model, own, volts, 0.3 / steps);
        const theirs = byOdex(of, at({ v: 0.1, lean: 0.3 }), 0.3, (s) => {
          const amps =
            (volts - motor.ktNmPerA * motor.ratio * (s.v / of.radiusM + s.rate)) / motor.resistanceOhm;
          return motor.count * motor.ratio * motor.efficiency * motor.ktNmPerA * amps;
        });
        for (const key of ['x', 'v', 'lean', 'rate'] as const)
          expect(Math.abs(own[key] - theirs[key])).toBeLessThan(1e-5 * (1 + Math.abs(theirs[key])));
      }),
      { numRuns: 40 },
    );
  });

  it('loses and gains no energy but what motors put in and rolling takes', () => {
    fc.assert(
      fc.property(someBody, fc.double({ min: -1, max: 1, noNaN: true }), (of, share) => {
        const model = sphereModel(of, motor);
        const volts = share * motor.voltageV;
        const steps = Math.ceil(model.quickest / 0.03);
        let now = at({ lean: 0.5 });
        const before = model.energy(now);
        let [worked, size] = [0, Math.abs(before)];
        for (let n = 0; n < steps; n += 1) {
          const half = stepped(model, now, volts, 0.5 / steps);
          const next = stepped(model, now, volts, 1 / steps);
          // By Simpson's rule.
          const power = [now, half, next].map((s) => model.power(s, volts)) as [number, number, number];
          worked += (power[0] + 4 * power[1] + power[2]) / (6 * steps);
          now = next;
          size = Math.max(size, Math.abs(model.energy(now)), Math.abs(worked));
        }
        expect(Math.abs(model.energy(now) - before - worked) / size).toBeLessThan(1e-4);
      }),
      { numRuns: 25 },
    );
  });

  it('nods as a pendulum whose pivot is free to roll: ω² = g/(e (1 − m/M)) (closed form)', () => {
    const point = { ...body, innerInertiaKgM2: 0, rotorsInertiaKgM2: 0 };
    const whole = point.innerKg + (5 / 3) * point.shellKg + point.restKg;
    const [pole] = leanPoles(nodPolynomial(point, motor, true)).filter(({ im }) => im > 0);
    expect(pole?.im).toBeCloseTo(Math.sqrt(g / (point.offsetM * (1 - point.innerKg / whole))), 9);
    // As a heavy shell hardly moves it is the pendulum of every book.
    const heavy = leanPoles(nodPolynomial({ ...point, shellKg: 1e6 }, motor, true)).filter(
      ({ im }) => im > 0,
    );
    expect(heavy[0]?.im).toBeCloseTo(Math.sqrt(g / point.offsetM), 4);
  });

  it('has the poles of its own equations, shorted and let go (eigenvalues by ml-matrix, from the registry)', () => {
    for (const letGo of [true, false]) {
      const still = { ...body, rolling: 0 };
      const model = sphereModel(still, motor, letGo);
      const along = (part: Partial<Balance>): [number, number] => {
        const h = 1e-6;
        const [a1, b1] = model.accelerations(at(part), 0);
        const [a0, b0] = model.accelerations(at({}), 0);
        return [(a1 - a0) / h, (b1 - b0) / h];
      };
      const [vv, vr] = along({ v: 1e-6 });
      const [lv, lr] = along({ lean: 1e-6 });
      const [rv, rr] = along({ rate: 1e-6 });
      const { realEigenvalues, imaginaryEigenvalues } = new EigenvalueDecomposition(
        new Matrix([
          [vv, lv, rv],
          [0, 0, 1],
          [vr, lr, rr],
        ]),
      );
      const theirs = realEigenvalues
        .map((re, n) => ({ re, im: imaginaryEigenvalues[n] ?? 0 }))
        .sort((a, b) => a.im - b.im || a.re - b.re);
      const own = leanPoles(nodPolynomial(still, motor, letGo)).toSorted(
        (a, b) => a.im - b.im || a.re - b.re,
      );
      theirs.forEach(({ re, im }, n) => {
        expect(own[n]?.re).toBeCloseTo(re, 3);
        expect(own[n]?.im).toBeCloseTo(im, 3);
      });
    }
  });

  it('stands on the steepest grade that statics allow, its mass level with its middle', () => {
    const { steepestDeg } = innerDrive.run({ innerKg: 2, offsetM: 0.1, shellKg: 1, diameterM: 0.4 });
    const slopeRad = (steepestDeg * Math.PI) / 180;
    const model = sphereModel({ ...body, restKg: 0, rolling: 0, slopeRad }, motor);
    // What holds the mass up there, by motors that stand.
    const torque = 2 * g * 0.1;
    const volts = (torque / (2 * 60 * 0.7 * 0.01)) * 3;
    const [a, alpha] = model.accelerations(at({ lean: Math.PI / 2 }), volts);
    expect(a).toBeCloseTo(0, 9);
    expect(alpha).toBeCloseTo(0, 9);
  });

  it('comes to rest on level ground, and the mirrored command mirrors the run', () => {
    const [on, back] = [runSphere(sent), runSphere({ ...sent, share: -sent.share })];
    expect(on.stillS).toBeGreaterThan(on.commandS - 1);
    expect(on.endM).toBeGreaterThan(0.3);
    expect(back.endM).toBeCloseTo(-on.endM, 9);
    expect(back.peakSwingRad).toBeCloseTo(on.peakSwingRad, 9);
  });

  it('swings for a while when let go, and not when its motors are shorted', () => {
    const ways = [true, false].map((letGo) => {
      const poles = leanPoles(nodPolynomial(body, motor, letGo));
      return Math.max(...poles.map(({ re }) => re));
    });
    expect(ways[0]).toBeCloseTo(0, 9);
    expect(ways[1]).toBeLessThan(-0.1);
  });

  it('is left nodding by a quick start, and hardly by a ramp of a whole nod (Singer and Seering 1990, from memory)', () => {
    // Motors of much resistance push by a torque that no speed changes: what the closed form is of.
    const loose = { ...motor, ratio: 1, resistanceOhm: 1000, voltageV: 60_000 };
    const free = { ...body, rolling: 0, innerInertiaKgM2: 0, rotorsInertiaKgM2: 0 };
    const [nod] = leanPoles(nodPolynomial(free, loose, true)).filter(({ im }) => im > 0);
    const periodS = (2 * Math.PI) / (nod?.im ?? 1);
    const after = (rampS: number) =>
      runSphere({ body: free, motor: loose, share: 0.3, rampS, holdS: 1.3 * periodS, stop: 'let-go' }).nodRad;
    expect(after(periodS)).toBeLessThan(0.05 * after(0.05 * periodS));
    expect(after(2 * periodS)).toBeLessThan(0.05 * after(0.05 * periodS));
    expect(after(1.5 * periodS)).toBeGreaterThan(2 * after(periodS));
  });

  it('goes over the top where it is pushed harder than its mass can lean on', () => {
    const strong = { ...motor, ktNmPerA: 0.1, voltageV: 60 };
    const end = runSphere({ ...sent, motor: strong, share: 1, rampS: 0.05, holdS: 5 });
    expect(end.tumbles).toBe(true);
    expect(radiansToDegrees(end.peakSwingRad)).toBeGreaterThanOrEqual(180);
  });

  it('ends where a step of half the length has it, to a thousandth', () => {
    const whole = runSphere(sent);
    const model = sphereModel(body, motor);
    const h = 0.02 / model.quickest;
    const commandS = 2 * sent.rampS + sent.holdS;
    const command = (t: number): number =>
      sent.share * Math.min(1, t / sent.rampS, Math.max(0, (commandS - t) / sent.rampS));
    let now = at({});
    for (let t = 0; t < (whole.stillS ?? 0); t += h)
      now = stepped(model, now, motor.voltageV * command(t + h / 2), h);
    expect(Math.abs(now.x - whole.endM)).toBeLessThan(1e-3 * Math.abs(whole.endM));
  });
});

describe('a way that a sphere is sent', () => {
  const asked = { body, motor, share: 0.4, rampS: 0.5, stop: 'shorted' } as const;

  it.each([0.1, 0.5, 3, 12, -3])('of %d m is where it ends', (distanceM) => {
    const leg = sphereOver(asked, distanceM);
    expect(leg?.end.endM).toBeCloseTo(distanceM, 2);
    expect(Math.abs(leg?.run.share ?? 1)).toBeLessThanOrEqual(0.4);
  });

  it('is found too where it takes long to come up to speed', () => {
    const heavy = { ...body, restKg: 30, innerKg: 12 };
    expect(sphereOver({ ...asked, body: heavy, share: 1 }, 3)?.end.endM).toBeCloseTo(3, 2);
  });

  it('is not found where it cannot be gone: up too steep a grade, or with too little command', () => {
    expect(sphereOver({ ...asked, body: { ...body, slopeRad: 0.5 } }, 3)).toBeUndefined();
    expect(sphereOver({ ...asked, share: 0.001 }, 3)).toBeUndefined();
  });
});
