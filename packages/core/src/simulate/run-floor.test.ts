import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import type { BalanceBody, BalanceMotor } from './balance-model.ts';
import { leanPolynomial } from './balance-gains.ts';
import { floorModel, type FloorState } from './floor-model.ts';
import { floorOf, touchOf } from './floor.ts';
import { runBalance } from './run-balance.ts';
import { floorStep, runFloor, type FloorRun } from './run-floor.ts';

const DEGREE = Math.PI / 180;
const body: BalanceBody = {
  ...{ bodyMassKg: 1.2, cgHeightM: 0.12, bodyInertiaKgM2: 0.006 },
  ...{ wheelsMassKg: 0.12, wheelsInertiaKgM2: 6e-5, rotorsInertiaKgM2: 4e-4, wheelRadiusM: 0.04 },
};
const motor: BalanceMotor = {
  ...{ count: 2, ratio: 30, efficiency: 0.7, resistanceOhm: 3, ktNmPerA: 0.01, voltageV: 11 },
};
const MASS_KG = body.bodyMassKg + body.wheelsMassKg;
const HEIGHT_M = body.wheelRadiusM + (body.bodyMassKg * body.cgHeightM) / MASS_KG;
const LEVEL = [[0, 0]] as const;
const level = { left: LEVEL, right: LEVEL };
const firm = { stiffnessNPerM: 2e4, dampingNsPerM: 12, grip: 0.9 };
const standing: FloorRun = {
  ...{ body, motor, trackM: 0.18, yawInertiaKgM2: 0.004, rollInertiaKgM2: 0.008 },
  ...{ tyre: firm, floor: level },
  ...{ gains: { kp: 60, ki: 120, kd: 4 }, loopTimeS: 0.005, delayS: 0 },
  ...{ startLeanRad: 3 * DEGREE, durationS: 3 },
};
const hold = { kp: 0.05, kd: 0.12, limitRad: 8 * DEGREE };
/** Driven over what lies half a metre on. */
const driven: FloorRun = {
  ...standing,
  ...{ hold, startLeanRad: 0, stick: { does: 'speed', by: 0.4, fromS: 0.5, forS: 3 }, durationS: 5 },
};
const board = floorOf({ kind: 'board', startM: 0.3, heightM: 0.004, lengthM: 0.1 });

/** Motion without a loop, from step to step. */
function left(run: FloorRun, from: FloorState, told: number, durationS: number, steps: number): FloorState {
  const model = floorModel(run);
  let at = from;
  const h = durationS / steps;
  for (let n = 0; n < steps; n += 1) at = floorStep(model, at, told, h, model.moment(at, told).rates);
  return at;
}

describe('the ground under a wheel', () => {
  it('meets a kerb where the edge of it is, by the triangle of wheel and edge', () => {
    const [r, b] = [0.04, 0.01];
    const kerb = floorOf({ kind: 'kerb', startM: 1, heightM: b, lengthM: 0 });
    // Rolling on the ground, it touches the edge when its middle is √(r² − (r − b)²) before it.
    const before = Math.sqrt(r ** 2 - (r - b) ** 2);
    const touch = touchOf(kerb, 1 - before, r, r);
    expect(touch.depthM).toBeCloseTo(0, 12);
    const over = touchOf(kerb, 1 - before / 2, r, r);
    expect(over.alongN / over.upN).toBeCloseTo(-before / 2 / (r - b), 12);
    expect(touchOf(kerb, 2, r + b, r)).toEqual({ depthM: 0, alongN: 0, upN: 1 });
  });

  it('of a ramp pushes square to its face', () => {
    const ramp = floorOf({ kind: 'ramp', startM: 0, heightM: 1, lengthM: 2 });
    const touch = touchOf(ramp, 1, 0.6, 0.05);
    expect(touch.alongN / touch.upN).toBeCloseTo(-0.5, 12);
    expect(touch.depthM).toBeCloseTo(0.05 - 0.1 * Math.cos(Math.atan(0.5)), 12);
  });
});

describe('a balancer on tyres that give', () => {
  it('bounces as a mass on two springs with their dampers', () => {
    const at = floorModel(standing).standing(0);
    const lifted = 2e-4;
    const after = left(standing, { ...at, z: at.z + lifted }, 0, 0.1, 4000);
    const [k, c] = [2 * firm.stiffnessNPerM, 2 * firm.dampingNsPerM];
    const decay = c / (2 * MASS_KG);
    const swing = Math.sqrt(k / MASS_KG - decay ** 2);
    const expected =
      lifted * Math.exp(-decay * 0.1) * (Math.cos(swing * 0.1) + (decay / swing) * Math.sin(swing * 0.1));
    expect(after.z - at.z).toBeCloseTo(expected, 9);
  });

  it('rocks sideways on them, slower for the weight over the ground', () => {
    const undamped = { ...standing, tyre: { ...firm, dampingNsPerM: 0 } };
    const at = floorModel(undamped).standing(0);
    const stiff = (firm.stiffnessNPerM * standing.trackM ** 2) / 2;
    const rolls = standing.rollInertiaKgM2 + MASS_KG * HEIGHT_M ** 2;
    const swing = Math.sqrt((stiff - MASS_KG * STANDARD_GRAVITY * HEIGHT_M) / rolls);
    const quarter = Math.PI / 2 / swing;
    const after = left(undamped, { ...at, roll: 1e-3 }, 0, quarter, 2000);
    expect(after.roll).toBeCloseTo(0, 8);
    expect(after.rollRate).toBeCloseTo(-1e-3 * swing, 6);
  });

  it('moves as an independent solver has it (odex), let go at a lean under a steady voltage', () => {
    const run = { ...standing, tyre: { ...firm, grip: 1e6 } };
    const model = floorModel(run);
    const from = { ...model.standing(5 * DEGREE), yawRate: 0.5, roll: 0.001 };
    const flat = (s: FloorState): number[] => [
      ...[s.x, s.z, s.lean, s.yaw, s.roll, s.v, s.climb, s.leanRate, s.yawRate, s.rollRate],
      ...[s.left.turnedRad, s.left.radS, s.left.woundM, s.right.turnedRad, s.right.radS, s.right.woundM],
    ];
    const back = (y: readonly number[]): FloorState => {
      const at = (n: number): number => y[n] ?? NaN;
      return {
        ...{ x: at(0), z: at(1), lean: at(2), yaw: at(3), roll: at(4), v: at(5), climb: at(6) },
        ...{ leanRate: at(7), yawRate: at(8), rollRate: at(9) },
        left: { turnedRad: at(10), radS: at(11), woundM: at(12) },
        right: { turnedRad: at(13), radS: at(14), woundM: at(15) },
      };
    };
    const solver = new Solver(16);
    solver.absoluteTolerance = 1e-10;
    solver.relativeTolerance = 1e-10;
    const { y } = solver.solve(
      (_t: number, s: number[]) => flat(model.moment(back(s), 3).rates),
      ...([0, flat(from), 0.25] as const),
    );
    const own = flat(left(run, from, 3, 0.25, 5000));
    for (const [n, value] of own.entries()) expect(value).toBeCloseTo(y[n] ?? NaN, 6);
  });

  it('keeps its energy: what motors put in is in motion, height and tyres, or lost in them', () => {
    const run = { ...driven, floor: { left: board, right: LEVEL }, tyre: { ...firm, grip: 1e6 } };
    const model = floorModel(run);
    let [at, putIn, turnover, told] = [model.standing(2 * DEGREE), 0, 0, 0];
    const before = model.energy(at);
    const h = 2e-5;
    for (let n = 0; n < 100_000; n += 1) {
      // As a loop would: enough to keep it up, over the board and on.
      if (n % 250 === 0) told = 60 * (at.lean - 0.02) + 5 * at.leanRate;
      const now = model.moment(at, told);
      const powerOf = (state: FloorState, { left: l, right: r }: typeof now): number =>
        l.torqueNm * (state.left.radS - state.leanRate) + r.torqueNm * (state.right.radS - state.leanRate);
      const next = floorStep(model, at, told, h, now.rates);
      const then = model.moment(next, told);
      const power = (powerOf(at, now) - now.lostW + powerOf(next, then) - then.lostW) / 2;
      putIn += power * h;
      turnover += Math.abs(power) * h;
      at = next;
    }
    expect(at.x).toBeGreaterThan(0.5);
    expect(Math.abs(at.yaw)).toBeGreaterThan(1e-4);
    expect(Math.abs(model.energy(at) - before - putIn)).toBeLessThan(1e-4 * turnover);
  });

  it('comes to what one on hard wheels does, the harder its tyres are', () => {
    const off = (stiffnessNPerM: number): number => {
      const dampingNsPerM = 0.2 * Math.sqrt(stiffnessNPerM);
      const run = { ...standing, durationS: 1, tyre: { stiffnessNPerM, dampingNsPerM, grip: 5 } };
      const [soft, hard] = [runFloor(run).end, runBalance({ ...run, nudgeNs: 0 }).end];
      return Math.abs(soft.x - hard.x) + Math.abs(soft.lean - hard.lean);
    };
    const [soft, middling, hard] = [off(3e4), off(3e5), off(3e6)];
    expect(hard).toBeLessThan(2e-5);
    expect(middling).toBeLessThan(soft);
    expect(hard).toBeLessThan(middling / 5);
  });

  it('is mirrored where the board lies under the other wheel', () => {
    const [one, other] = [
      { left: board, right: LEVEL },
      { left: LEVEL, right: board },
    ].map((floor) => runFloor({ ...driven, floor }));
    expect(other?.end.yaw).toBeCloseTo(-(one?.end.yaw ?? NaN), 9);
    expect(other?.end.x).toBeCloseTo(one?.end.x ?? NaN, 9);
    expect(other?.peakRollRad).toBeCloseTo(one?.peakRollRad ?? NaN, 9);
    expect(one?.peakRollRad).toBeGreaterThan(0.5 * DEGREE);
  });

  it('stands on a ramp where its middle of mass is over what it stands on', () => {
    const slope = Math.atan(0.1);
    const ramp = floorOf({ kind: 'ramp', startM: -10, heightM: 2, lengthM: 20 });
    const run = { ...standing, floor: { left: ramp, right: ramp }, startLeanRad: 0, durationS: 12 };
    const model = floorModel(run);
    const high = model.standing(0);
    // It is set down on the ramp: the sum of its errors holds it there, as the lean that is asked is upright's own.
    const leans = Math.asin(
      (MASS_KG * body.wheelRadiusM * Math.sin(slope)) / (body.bodyMassKg * body.cgHeightM),
    );
    const amps =
      (MASS_KG * STANDARD_GRAVITY * body.wheelRadiusM * Math.sin(slope)) /
      (motor.count * motor.ratio * motor.efficiency * motor.ktNmPerA);
    const climbs = 10 * Math.tan(slope) + body.wheelRadiusM * (1 / Math.cos(slope) - 1);
    const sinks = (MASS_KG * STANDARD_GRAVITY * Math.cos(slope)) / (2 * firm.stiffnessNPerM);
    const still = {
      ...high,
      z: climbs - sinks / Math.cos(slope),
      lean: leans,
    };
    const wound = (MASS_KG * STANDARD_GRAVITY * Math.sin(slope)) / (2 * firm.stiffnessNPerM);
    const set = {
      ...still,
      left: { ...still.left, woundM: wound },
      right: { ...still.right, woundM: wound },
    };
    const { rates, left: tyre } = model.moment(set, amps * motor.resistanceOhm);
    expect(tyre.amps).toBeCloseTo(amps, 9);
    for (const rate of [rates.v, rates.climb, rates.leanRate, rates.left.radS])
      expect(rate).toBeCloseTo(0, 6);
  });

  it('pulls no more than it grips, slides, and falls on ice', () => {
    let [most, wound] = [0, 0];
    const ice = runFloor(
      { ...standing, tyre: { ...firm, grip: 0.02 }, startLeanRad: 6 * DEGREE },
      (_, at, { left: tyre }) => {
        if (tyre.pressN > 0) most = Math.max(most, Math.abs(tyre.pullN) / tyre.pressN);
        wound = Math.max(wound, Math.abs(at.left.woundM));
      },
    );
    // However far it slides, a tyre is wound up by no more than it grips, here of twice its weight.
    expect(wound).toBeLessThan((2 * 0.02 * MASS_KG * STANDARD_GRAVITY) / 2 / firm.stiffnessNPerM);
    expect(most).toBeCloseTo(0.02, 9);
    expect(ice.slidS).toBeGreaterThan(0.05);
    expect(ice.fallS).toBeDefined();
    expect(runFloor({ ...standing, startLeanRad: 6 * DEGREE }).fallS).toBeUndefined();
  });

  it('lifts a wheel over a board that is met quickly, tips over one that is too high for its track', () => {
    const over = (heightM: number) => {
      const thing = floorOf({ kind: 'board', startM: 0.5, heightM, lengthM: 0.3 });
      return runFloor({ ...driven, floor: { left: thing, right: LEVEL }, trackM: 0.1 });
    };
    expect(over(0.004).tipS).toBeUndefined();
    expect(over(0.004).end.x).toBeGreaterThan(0.8);
    const { tipS, fallS, liftedS } = over(0.018);
    expect(tipS ?? fallS).toBeDefined();
    expect(liftedS).toBeGreaterThan(0.01);
  });
});

describe('a stick', () => {
  const stick = { fromS: 0.5, forS: 2 };

  it('that asks a lean is answered by the acceleration of linear theory', () => {
    const by = 1 * DEGREE;
    const run = { ...standing, startLeanRad: 0, nudgeNs: 0, gains: { kp: 150, ki: 700, kd: 8 } };
    const late: { readonly timeS: number; readonly v: number; readonly lean: number }[] = [];
    runBalance({ ...run, durationS: 2.5, stick: { does: 'lean', by, ...stick } }, (timeS, { v, lean }) => {
      if (timeS > 2) late.push({ timeS, v, lean });
    });
    const [first, last] = [late[0], late.at(-1)];
    if (!first || !last) throw new Error('it was watched');
    const lean = late.reduce((sum, at) => sum + at.lean, 0) / late.length;
    const { alongPerLean } = leanPolynomial(body, motor);
    expect((last.v - first.v) / (last.timeS - first.timeS) / (alongPerLean * lean)).toBeCloseTo(1, 2);
    expect(lean / by).toBeCloseTo(1, 0);
  });

  it('that moves the held place ends where it was moved to; one that asks a speed gets it', () => {
    const run = { ...standing, hold, startLeanRad: 0 };
    const moved = runFloor({ ...run, durationS: 20, stick: { does: 'place', by: 0.2, ...stick } });
    expect(moved.end.x).toBeCloseTo(0.4, 1);
    let speed = 0;
    const asked = runFloor(
      { ...run, durationS: 9, stick: { does: 'speed', by: 0.3, fromS: 0.5, forS: 7 } },
      (timeS, { v }) => {
        if (timeS > 6 && timeS < 7.4) speed = v;
      },
    );
    expect(speed).toBeGreaterThan(0.24);
    expect(speed).toBeLessThan(0.33);
    expect(asked.onM).toBeGreaterThan(0);
  });
});
