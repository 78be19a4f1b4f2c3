import fc from 'fast-check';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { balancePlant } from '../ground/balance-plant.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { balanceModel, type Balance, type BalanceBody, type BalanceMotor } from './balance-model.ts';
import { FALLEN_RAD, runBalance, type BalanceRun } from './run-balance.ts';
import { simulateBalance } from './simulate-balance.ts';
import { many } from '../testing/many.ts';

const DEGREE = Math.PI / 180;
const body: BalanceBody = {
  bodyMassKg: 1.2,
  cgHeightM: 0.12,
  bodyInertiaKgM2: 0.006,
  wheelsMassKg: 0.12,
  wheelsInertiaKgM2: 6e-5,
  rotorsInertiaKgM2: 4e-4,
  wheelRadiusM: 0.04,
};
const motor: BalanceMotor = {
  ...{ count: 2, ratio: 30, efficiency: 0.7 },
  ...{ resistanceOhm: 3, ktNmPerA: 0.01, voltageV: 11 },
};
const standing: BalanceRun = {
  ...{ body, motor, gains: { kp: 60, ki: 120, kd: 4 } },
  ...{ loopTimeS: 0.005, delayS: 0, startLeanRad: 5 * DEGREE, nudgeNs: 0, durationS: 4 },
};

/** The two equations as they are printed, solved by determinants, and the controller, by an independent solver (odex). */
function byOdex(i: BalanceRun): Balance & { readonly fallS: number | undefined } {
  const { bodyMassKg: m, cgHeightM: l, rotorsInertiaKgM2: Ir, wheelRadiusM: r } = i.body;
  const M = m + i.body.wheelsMassKg + (i.body.wheelsInertiaKgM2 + Ir) / r ** 2;
  const B = i.body.bodyInertiaKgM2 + m * l ** 2 + Ir;
  const { count, ratio, efficiency, resistanceOhm, ktNmPerA } = i.motor;
  const accelerations = (lean: number, v: number, rate: number, volts: number): [number, number] => {
    const amps = (volts - ktNmPerA * ratio * (v / r - rate)) / resistanceOhm;
    const tau = count * ratio * efficiency * ktNmPerA * amps;
    const C = m * l * Math.cos(lean) - Ir / r;
    const p = tau / r + m * l * rate ** 2 * Math.sin(lean);
    const q = m * STANDARD_GRAVITY * l * Math.sin(lean) - tau;
    return [(p * B - C * q) / (M * B - C * C), (M * q - C * p) / (M * B - C * C)];
  };
  const C0 = m * l * Math.cos(i.startLeanRad) - Ir / r;
  const jump = (M * i.nudgeNs * l * Math.cos(i.startLeanRad) - C0 * i.nudgeNs) / (M * B - C0 ** 2);
  let y = [0, (i.nudgeNs - C0 * jump) / M, i.startLeanRad, jump];
  let [volts, sum] = [0, 0];
  let fallS: number | undefined;
  const follow = (from: number, to: number): void => {
    if (to - from < 1e-12 || fallS !== undefined) return;
    const solver = new Solver(4);
    solver.absoluteTolerance = 1e-12;
    solver.relativeTolerance = 1e-12;
    const [x = 0, v = 0, lean = 0, rate = 0] = y;
    y = solver.solve(
      (_t: number, s: number[]) => {
        const [a, alpha] = accelerations(s[2] ?? 0, s[1] ?? 0, s[3] ?? 0, volts);
        return [s[1] ?? 0, a, s[3] ?? 0, alpha];
      },
      from,
      [x, v, lean, rate],
      to,
    ).y;
    if (Math.abs(y[2] ?? 0) >= FALLEN_RAD) fallS = to;
  };
  for (let n = 0; n * i.loopTimeS < i.durationS - 1e-12 && fallS === undefined; n++) {
    const [x = 0, v = 0, lean = 0, rate = 0] = y;
    const most = i.hold?.limitRad ?? 0;
    const wanted = i.hold ? Math.max(-most, Math.min(most, -i.hold.kp * x - i.hold.kd * v)) : 0;
    sum += (lean - wanted) * i.loopTimeS;
    const asked = i.gains.kp * (lean - wanted) + i.gains.ki * sum + i.gains.kd * rate;
    const start = n * i.loopTimeS;
    const end = Math.min(i.durationS, start + i.loopTimeS);
    const applied = Math.min(end, start + i.delayS);
    follow(start, applied);
    volts = Math.max(-i.motor.voltageV, Math.min(i.motor.voltageV, asked));
    follow(applied, end);
  }
  const [x = 0, v = 0, lean = 0, rate = 0] = y;
  return { x, v, lean, rate, fallS };
}

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('a balancer', () => {
  it.each([
    ['let go at five degrees', standing],
    ['pushed', { ...standing, startLeanRad: 0, nudgeNs: 0.2 }],
    [
      'with a loop around it that holds its place',
      { ...standing, hold: { kp: 0.1, kd: 0.15, limitRad: 0.17 } },
    ],
    ['whose voltage comes half a loop late', { ...standing, delayS: 0.0025 }],
    ['whose voltage comes a whole loop late', { ...standing, delayS: 0.005 }],
    ['with a loop that the time is no multiple of', { ...standing, loopTimeS: 0.007, durationS: 1 }],
  ] as const)('%s ends where an independent solver has it (odex)', (_, run) => {
    const [own, other] = [runBalance(run), byOdex(run)];
    expect(own.fallS).toBeUndefined();
    for (const key of ['x', 'v', 'lean', 'rate'] as const) expect(own.end[key]).toBeCloseTo(other[key], 6);
  });

  it('draws no more than its driver lets through, and falls from a lean that it would have caught', () => {
    const lean = { ...standing, startLeanRad: 12 * DEGREE };
    const free = runBalance(lean);
    expect(free.fallS).toBeUndefined();
    expect(free.peakA).toBeGreaterThan(2);
    // Moments about the contact: F (r + l cos θ) = m g l sin θ at the wheel line, and less than that never brings it up.
    const { bodyMassKg: m, cgHeightM: l, wheelRadiusM: r } = body;
    const forceN = (m * STANDARD_GRAVITY * l * Math.sin(12 * DEGREE)) / (r + l * Math.cos(12 * DEGREE));
    const perAmp = motor.count * motor.ratio * motor.efficiency * motor.ktNmPerA;
    const limitA = (0.8 * forceN * r) / perAmp;
    const held = runBalance({ ...lean, motor: { ...motor, limitA } });
    expect(held.peakA).toBe(limitA);
    expect(held.fallS).toBeDefined();
    // A limit that is never met changes nothing.
    expect(runBalance({ ...lean, motor: { ...motor, limitA: 100 } })).toEqual(free);
  });

  it('agrees with odex whatever it is made of, over a short time', () => {
    fc.assert(
      fc.property(
        fc.record({
          bodyMassKg: between(0.2, 20),
          cgHeightM: between(0.03, 0.8),
          shape: between(0.1, 0.9),
          wheelsMassKg: between(0.02, 3),
          wheelRadiusM: between(0.02, 0.2),
          rotors: between(0, 0.05),
          ratio: between(5, 60),
          kp: between(-50, 200),
          kd: between(-2, 10),
          lean: between(-20, 20),
          delay: between(0, 1),
        }),
        (made) => {
          const shaped: BalanceBody = {
            bodyMassKg: made.bodyMassKg,
            cgHeightM: made.cgHeightM,
            bodyInertiaKgM2: made.shape * made.bodyMassKg * made.cgHeightM ** 2,
            wheelsMassKg: made.wheelsMassKg,
            wheelsInertiaKgM2: 0.5 * made.wheelsMassKg * made.wheelRadiusM ** 2,
            rotorsInertiaKgM2: made.rotors * made.bodyMassKg * made.cgHeightM ** 2,
            wheelRadiusM: made.wheelRadiusM,
          };
          const run: BalanceRun = {
            ...standing,
            body: shaped,
            motor: { ...motor, ratio: made.ratio },
            gains: { kp: made.kp, ki: 10, kd: made.kd },
            startLeanRad: made.lean * DEGREE,
            delayS: made.delay * standing.loopTimeS,
            durationS: 0.15,
          };
          const [own, other] = [runBalance(run), byOdex(run)];
          if (own.fallS !== undefined || other.fallS !== undefined) {
            // odex looks at the ends of stretches only.
            expect(Math.abs((own.fallS ?? 9) - (other.fallS ?? 9))).toBeLessThanOrEqual(run.loopTimeS);
            return;
          }
          for (const key of ['x', 'v', 'lean', 'rate'] as const)
            expect(Math.abs(own.end[key] - other[key])).toBeLessThan(1e-5 * (1 + Math.abs(other[key])));
        },
      ),
      { numRuns: many(150, 1500) },
    );
  });

  it('with motors that hold nothing falls as its plant says: a small lean grows by cosh λt', () => {
    const free = { ...motor, resistanceOhm: 1e9 };
    const { fallRateRadS } = balancePlant.run({ ...body });
    const run = (t: number) =>
      runBalance({ ...standing, motor: free, startLeanRad: 1e-6, durationS: t }).end.lean / 1e-6;
    for (const t of [0.05, 0.1, 0.2]) expect(run(t)).toBeCloseTo(Math.cosh(fallRateRadS * t), 5);
  });

  it('with motors shorted by no resistance at all falls about its wheels as if they were held', () => {
    // Motor and wheel turn with the body then: the whole rolls over, with the wheel going along by r for each radian of lean.
    const stiff = { ...motor, resistanceOhm: 1e-2 };
    const { bodyMassKg: m, cgHeightM: l, wheelRadiusM: r } = body;
    const M = m + body.wheelsMassKg + body.wheelsInertiaKgM2 / r ** 2;
    // ẋ = r θ̇: kinetic energy ½ (M r² + J + m l² + 2 m l r) θ̇², and gravity turns it by m g l θ; rotors stand still in the body.
    const about = M * r ** 2 + body.bodyInertiaKgM2 + m * l ** 2 + 2 * m * l * r;
    const rate = Math.sqrt((m * STANDARD_GRAVITY * l) / about);
    const { end } = runBalance({
      ...{ ...standing, motor: stiff, gains: { kp: 0, ki: 0, kd: 0 } },
      ...{ startLeanRad: 1e-6, durationS: 0.2 },
    });
    expect(end.lean / 1e-6).toBeCloseTo(Math.cosh(rate * 0.2), 2);
    expect(end.x / end.lean).toBeGreaterThan(0);
  });

  it('gains as much energy as its motors put in', () => {
    const model = balanceModel(body, motor);
    // Without a loop between: one voltage from rest, over many short times, summed by Simpson’s rule.
    const at = (t: number): Balance =>
      t === 0
        ? { x: 0, v: 0, lean: 0.1, rate: 0 }
        : runBalance({
            ...{ ...standing, gains: { kp: 1e9, ki: 0, kd: 0 } },
            ...{ startLeanRad: 0.1, loopTimeS: 10, durationS: t },
          }).end;
    const [T, pieces] = [0.08, 200];
    const power = Array.from({ length: pieces + 1 }, (_, n) =>
      model.power(at((n * T) / pieces), motor.voltageV),
    );
    const put = power.reduce(
      (sum, p, n) => sum + p * (n === 0 || n === pieces ? 1 : n % 2 === 1 ? 4 : 2) * (T / pieces / 3),
      0,
    );
    expect(model.energy(at(T)) - model.energy(at(0))).toBeCloseTo(put, 6);
    expect(put).toBeGreaterThan(0.01);
  });

  it('leaning back does what leaning forward does, the other way round', () => {
    const [forward, back] = [1, -1].map((way) =>
      runBalance({ ...standing, startLeanRad: way * 5 * DEGREE, nudgeNs: way * 0.1 }),
    );
    expect(back?.end.x).toBeCloseTo(-(forward?.end.x ?? 0), 9);
    expect(back).toMatchObject({ peakLeanRad: forward?.peakLeanRad, peakA: forward?.peakA });
  });

  it('halving what a step takes changes no figure by more than it claims: peaks lie on the run, not at samples', () => {
    const coarse = runBalance(standing);
    // A loop twenty times as quick with the same voltages: the figures of the run differ by the loop alone.
    const held = {
      ...standing,
      gains: { kp: 0, ki: 0, kd: 0 },
      startLeanRad: 0,
      nudgeNs: 0.1,
      durationS: 0.3,
    };
    const [seldom, often] = [runBalance(held), runBalance({ ...held, loopTimeS: 1e-4 })];
    expect(seldom.peakLeanRad / often.peakLeanRad).toBeCloseTo(1, 4);
    expect(seldom.peakMps / often.peakMps).toBeCloseTo(1, 4);
    expect(seldom.peakA / often.peakA).toBeCloseTo(1, 4);
    expect(coarse.peakA).toBeLessThanOrEqual((2 * motor.voltageV) / motor.resistanceOhm);
  });

  it('becomes the same where it is followed roughly: falls when it does closely, and leans as far', () => {
    const drawn = fc.tuple(...Array.from({ length: 3 }, () => fc.double({ min: 0, max: 120, noNaN: true })));
    const same = ([kp = 0, ki = 0, kd = 0]: readonly number[], heldTimes: number): void => {
      const run = { ...standing, motor: { ...motor, heldTimes }, gains: { kp, ki, kd: kd / 20 } };
      const [closely, roughly] = [runBalance(run), runBalance({ ...run, followed: 'roughly' })];
      expect(roughly.fallS ?? -1).toBeCloseTo(closely.fallS ?? -1, 1);
      expect(roughly.peakLeanRad).toBeCloseTo(closely.peakLeanRad, 2);
    };
    fc.assert(fc.property(drawn, fc.constantFrom(1, 10), same), { numRuns: 40 });
  });

  it('falls without a loop, stands with one, and falls again where the loop is too slow (common practice, no source)', () => {
    const result = (more: Partial<BalanceRun>) => runBalance({ ...standing, ...more });
    expect(result({ gains: { kp: 0, ki: 0, kd: 0 } }).fallS).toBeGreaterThan(0);
    expect(result({}).fallS).toBeUndefined();
    expect(result({}).settleS).toBeLessThan(2);
    expect(result({ loopTimeS: 0.2 }).fallS).toBeGreaterThan(0);
    // Driven away from under the lean it falls sooner than without motors.
    const against = result({ gains: { kp: -60, ki: 0, kd: -4 } }).fallS ?? 0;
    expect(against).toBeLessThan(result({ gains: { kp: 0, ki: 0, kd: 0 } }).fallS ?? 0);
  });

  it('settles when the lean comes within a degree for the last time: found again by ever shorter runs', () => {
    const { settleS = 0 } = runBalance(standing);
    const leanAt = (t: number): number => Math.abs(runBalance({ ...standing, durationS: t }).end.lean);
    expect(settleS).toBeGreaterThan(0.01);
    expect(leanAt(settleS) / DEGREE).toBeCloseTo(1, 5);
    for (let t = settleS + 0.01; t < 2; t += 0.013) expect(leanAt(t)).toBeLessThan(DEGREE);
  });

  it('falls at once where it is let go at 45° or more, and settles at once where it never left upright', () => {
    expect(runBalance({ ...standing, startLeanRad: 50 * DEGREE })).toMatchObject({
      fallS: 0,
      settleS: undefined,
    });
    expect(runBalance({ ...standing, startLeanRad: 0 })).toMatchObject({
      peakLeanRad: 0,
      settleS: 0,
      peakA: 0,
    });
  });

  it('says so where its motors are too quick to be followed', () => {
    expect(() =>
      runBalance({ ...standing, motor: { ...motor, resistanceOhm: 1e-9 }, durationS: 100 }),
    ).toThrow(/more quickly than it falls/);
  });

  it('says so, and never runs on without end, where its figures overflow', () => {
    const heavy = { ...body, bodyMassKg: 1e308, cgHeightM: 1e200 };
    expect(() => runBalance({ ...standing, body: heavy })).toThrow(/too extreme/);
  });

  it('is asked by its keys, in degrees, and always warns that it flatters', () => {
    const { bodyMassKg, cgHeightM, ...more } = body;
    const given = simulateBalance.input.parse({
      ...{ bodyMassKg, cgHeightM, ...more, motor, gains: standing.gains },
      ...{ loopTimeS: 0.005, startLeanDeg: 5, durationS: 4 },
    });
    const answer = simulateBalance.run(given);
    const { peakLeanRad, settleS } = runBalance(standing);
    expect(answer).toMatchObject({ falls: false, fallS: null, settleS });
    expect(answer.peakLeanDeg * DEGREE).toBeCloseTo(peakLeanRad, 12);
    expect(answer.warnings.map(({ code }) => code)).toEqual(['flatters']);
    expect(simulateBalance.input.safeParse({ ...given, delayS: 0.006 }).success).toBe(false);
    expect(simulateBalance.input.safeParse({ ...given, durationS: 121 }).success).toBe(false);
  });

  it('told a speed stands like motors of so much less resistance told the volts of that speed, while the battery has them', () => {
    const held = { ...motor, heldTimes: 8 };
    const soft = { ...motor, resistanceOhm: motor.resistanceOhm / 8 };
    const per = (motor.ktNmPerA * motor.ratio) / body.wheelRadiusM;
    const gains = { kp: 2, ki: 6, kd: 0.05 };
    const gentle = { ...standing, startLeanRad: 0.2 * DEGREE, durationS: 2 };
    const one = runBalance({ ...gentle, motor: held, gains });
    const inVolts = { kp: gains.kp * per, ki: gains.ki * per, kd: gains.kd * per };
    const other = runBalance({ ...gentle, motor: soft, gains: inVolts });
    expect(one.end.lean).toBeCloseTo(other.end.lean, 9);
    expect(one.end.x).toBeCloseTo(other.end.x, 9);
    expect(one.peakA).toBeCloseTo(other.peakA, 9);
  });

  it('told a speed draws no more than its battery gives', () => {
    const far = { ...standing, motor: { ...motor, heldTimes: 50 }, gains: { kp: 500, ki: 0, kd: 0 } };
    const { peakA } = runBalance({ ...far, startLeanRad: 20 * DEGREE });
    expect(peakA).toBeLessThanOrEqual((2 * motor.voltageV) / motor.resistanceOhm);
  });
});
