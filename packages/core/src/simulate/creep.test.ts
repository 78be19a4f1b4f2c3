import fc from 'fast-check';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { creepingSchema, type Build } from '../vehicle/index.ts';
import { creepReport, creepTrace, smoothAbove } from './creep-report.ts';
import { runCreep, type CreepRig } from './run-creep.ts';

const rig: CreepRig = {
  ...{ massKg: 20, stiffnessNPerM: 5000, dampingRatio: 0.05 },
  ...{ movingN: 2, breakawayN: 3, pullN: 1 },
};
const rigs = fc.record({
  massKg: fc.double({ min: 1, max: 100, noNaN: true }),
  stiffnessNPerM: fc.double({ min: 500, max: 50_000, noNaN: true }),
  dampingRatio: fc.double({ min: 0, max: 0.4, noNaN: true }),
  movingN: fc.double({ min: 0.2, max: 10, noNaN: true }),
  breakawayN: fc.double({ min: 10, max: 20, noNaN: true }),
  pullN: fc.double({ min: -2, max: 2, noNaN: true }),
});

describe('a dolly pulled along through what gives', () => {
  it('sticks and slips, undamped, as the closed form has it (E. Rabinowicz, from memory)', () => {
    const free = { ...rig, dampingRatio: 0 };
    const speedMps = 0.002;
    const moreN = 1;
    const root = Math.sqrt(free.stiffnessNPerM * free.massKg);
    const swing = Math.sqrt(free.stiffnessNPerM / free.massKg);
    // It slips from a spring too long by ΔF/k to one too short by as much, on the swing about an even motion.
    const most = speedMps + Math.hypot(speedMps, moreN / root);
    const slipS = (2 * (Math.PI - Math.atan(moreN / (speedMps * root)))) / swing;
    const stickS = (2 * moreN) / (free.stiffnessNPerM * speedMps);
    const end = runCreep(free, { speedMps, stepM: 0 }, 40 * (slipS + stickS));
    expect(end.mostMps).toBeCloseTo(most, 4);
    expect(end.leastMps).toBe(0);
    expect(end.standsShare).toBeCloseTo(stickS / (slipS + stickS), 2);
    expect(end.starts).toBeGreaterThanOrEqual(19);
    expect(end.starts).toBeLessThanOrEqual(21);
  });

  it('pulled evenly goes as far as its drive over many stops, whatever it is made of', () => {
    fc.assert(
      fc.property(rigs, fc.double({ min: 0.001, max: 0.05, noNaN: true }), (one, speedMps) => {
        let [x, drive] = [0, 0];
        const lastsS = 5 + 40 / (speedMps * one.stiffnessNPerM);
        runCreep(one, { speedMps, stepM: 0 }, lastsS, (_t, at, driveM) => {
          [x, drive] = [at.x, driveM];
        });
        expect(drive).toBeCloseTo(speedMps * lastsS, 9);
        // Behind by no more than friction, pull and a swing stretch what gives; ahead by as much.
        const most = (2 * one.breakawayN + Math.abs(one.pullN)) / one.stiffnessNPerM + speedMps;
        expect(Math.abs(drive - x)).toBeLessThan(most);
      }),
      { numRuns: 60 },
    );
  });

  it('slips as an independent solver has it (odex at 1e-12)', () => {
    fc.assert(
      fc.property(rigs, fc.double({ min: 0.001, max: 0.05, noNaN: true }), (one, speedMps) => {
        const c = 2 * one.dampingRatio * Math.sqrt(one.stiffnessNPerM * one.massKg);
        const slip: { t: number; x: number; v: number }[] = [];
        const startS = (one.breakawayN + one.pullN - c * speedMps) / (one.stiffnessNPerM * speedMps);
        fc.pre(startS > 0);
        runCreep(one, { speedMps, stepM: 0 }, startS + 2, (t, at) => {
          if (t >= startS) slip.push({ t, ...at });
        });
        const [first] = slip;
        const last = slip.findIndex(({ v }, n) => n > 0 && v === 0);
        const to = slip[(last < 0 ? slip.length : last) - 1];
        if (!first || !to || to.t <= first.t) return;
        expect(first.t).toBeCloseTo(startS, 9);
        const solver = new Solver(2);
        solver.absoluteTolerance = 1e-13;
        solver.relativeTolerance = 1e-12;
        const [x = 0, v = 0] = solver.solve(
          (t: number, [x1 = 0, v1 = 0]: number[]) => [
            v1,
            (one.stiffnessNPerM * (speedMps * t - x1) + c * (speedMps - v1) - one.movingN - one.pullN) /
              one.massKg,
          ],
          first.t,
          [first.x, first.v],
          to.t,
        ).y;
        expect(to.x).toBeCloseTo(x, 8);
        expect(to.v).toBeCloseTo(v, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('loses what friction and damping take, and no more: what the drive puts in is what is left', () => {
    fc.assert(
      fc.property(rigs, fc.double({ min: 0.002, max: 0.05, noNaN: true }), (one, speedMps) => {
        const c = 2 * one.dampingRatio * Math.sqrt(one.stiffnessNPerM * one.massKg);
        let before: { t: number; x: number; v: number; driveM: number } | undefined;
        let [put, lost] = [0, 0];
        runCreep({ ...one }, { speedMps, stepM: 0 }, 6, (t, { x, v }, driveM) => {
          if (before && t > before.t) {
            const pull = (at: NonNullable<typeof before>): number =>
              one.stiffnessNPerM * (at.driveM - at.x) + c * (speedMps - at.v);
            const now = { t, x, v, driveM };
            put += ((pull(before) + pull(now)) / 2) * speedMps * (t - before.t);
            lost += one.movingN * Math.abs(x - before.x) + one.pullN * (x - before.x);
            lost += ((c * ((speedMps - before.v) ** 2 + (speedMps - v) ** 2)) / 2) * (t - before.t);
            // Through the damper it loses too what it takes of the drive while the dolly stands.
          }
          before = { t, x, v, driveM };
        });
        if (!before) throw new Error('it was looked at');
        const kept = (one.massKg * before.v ** 2 + one.stiffnessNPerM * (before.driveM - before.x) ** 2) / 2;
        expect(Math.abs(put - lost - kept) / put).toBeLessThan(0.01);
      }),
      { numRuns: 40 },
    );
  });

  it('goes on evenly without friction to overcome, and steps are seen in it as a swing of twice a step at most', () => {
    const slick = { ...rig, movingN: 0, breakawayN: 0, pullN: 0 };
    const even = runCreep(slick, { speedMps: 0.004, stepM: 0 }, 60);
    expect(even.unevenM).toBeLessThan(1e-6);
    expect(even.standsShare).toBe(0);
    const stepM = 0.002;
    const slow = runCreep({ ...slick, dampingRatio: 0.3 }, { speedMps: 0.0005, stepM }, 200);
    // Between steps it comes to rest a whole step on (step response of a damped swing: overshoot e^(−πζ/√(1−ζ²))).
    const over = Math.exp((-Math.PI * 0.3) / Math.sqrt(1 - 0.09));
    expect(slow.unevenM).toBeGreaterThan(stepM);
    expect(slow.unevenM).toBeLessThan(stepM * (1 + 2 * over));
  });

  it('hardly feels steps that come far more quickly than it swings, and shakes where they come as it swings', () => {
    const slick = { ...rig, movingN: 0, breakawayN: 0, pullN: 0 };
    const hz = Math.sqrt(5000 / 20) / (2 * Math.PI);
    const at = (times: number) => {
      const stepM = 1e-4;
      return runCreep(slick, { speedMps: stepM * times * hz, stepM }, 60).unevenM / stepM;
    };
    expect(at(20)).toBeLessThan(1.2);
    // Driven at its own swing it grows to 1/(2ζ) of the staircase's first harmonic, a step over π each way.
    expect(at(1) / ((2 / Math.PI) * (1 / (2 * 0.05)))).toBeGreaterThan(0.8);
    expect(at(1) / ((2 / Math.PI) * (1 / (2 * 0.05)))).toBeLessThan(1.3);
  });
});

describe('the speed above which it goes smoothly', () => {
  it('is ΔF/√(4πζ k m) where little damps it (E. Rabinowicz, from memory)', () => {
    const little = { ...rig, dampingRatio: 4e-4 };
    expect(smoothAbove(little) / (1 / Math.sqrt(4 * Math.PI * 4e-4 * 5000 * 20))).toBeCloseTo(1, 2);
    expect(smoothAbove({ ...rig, breakawayN: rig.movingN })).toBe(0);
  });

  it('parts runs that stand now and then from runs that never do', () => {
    const speed = smoothAbove(rig);
    expect(runCreep(rig, { speedMps: 1.01 * speed, stepM: 0 }, 60).standsShare).toBe(0);
    expect(runCreep(rig, { speedMps: 0.99 * speed, stepM: 0 }, 60).standsShare).toBeGreaterThan(0);
  });

  it('goes with the difference of frictions and with the root of what gives', () => {
    const speed = smoothAbove(rig);
    expect(smoothAbove({ ...rig, breakawayN: 4 }) / speed).toBeCloseTo(2, 4);
    expect(smoothAbove({ ...rig, stiffnessNPerM: 4 * rig.stiffnessNPerM }) / speed).toBeCloseTo(0.5, 4);
    expect(smoothAbove({ ...rig, massKg: 4 * rig.massKg }) / speed).toBeCloseTo(0.5, 4);
    expect(smoothAbove({ ...rig, dampingRatio: 0.1 })).toBeLessThan(speed);
  });
});

describe('how a build creeps', () => {
  const rail = needed(demoBuilds()['glasshouse-rail'], 'the rail');
  const ask = (more: z.input<typeof creepingSchema> = {}) => ({
    dutyId: 'water',
    ...creepingSchema.parse(more),
  });
  const report = (more: z.input<typeof creepingSchema> = {}, build: Build = rail) =>
    needed(creepReport(build, ask(more)), 'a report');

  it('takes its mass, roll and pull from its job, and is smooth once what is said to mend it is done', () => {
    const rough = report({ breakawayN: 12, movingN: 4 });
    expect(rough.rig.massKg).toBeCloseTo(8.5 + 9 + 2.4, 9);
    expect(rough.rig.pullN).toBeCloseTo(3, 9);
    expect(rough.run.standsShare).toBeGreaterThan(0);
    const mend = needed(rough.toBeSmooth, 'something to mend');
    for (const better of [
      { pushedN: 1, givesM: mend.givesMPerN * 0.99 },
      { breakawayN: 4 + (mend.breakawayN - 4) * 0.99 },
      { speedMps: rough.smoothAboveMps * 1.01 },
    ]) {
      const smooth = report({ breakawayN: 12, movingN: 4, ...better });
      expect(smooth.run.standsShare).toBe(0);
      expect(smooth.toBeSmooth).toBeNull();
    }
  });

  it('says the way of a step at the rail and the counts of a second, from its gearing', () => {
    const { steps, counts, speedMps, travel, runsOnM } = report({ turns: 'in-steps', stepsPerTurn: 200 });
    const round = Math.PI * 0.06;
    const motorTurns = report();
    expect(needed(steps, 'steps').stepM * needed(steps, 'steps').perS).toBeCloseTo(speedMps, 12);
    expect(counts.perS / counts.perM).toBeCloseTo(0.004, 12);
    // A wheel turn is a round of steps times the gearing.
    expect((round / needed(steps, 'steps').stepM) % 200).toBeCloseTo(0, 6);
    expect(travel).toEqual({ lengthM: 22, timeS: 5500 });
    expect(runsOnM).toBeCloseTo(0.004 * 0.05, 12);
    expect(motorTurns.turns).toBe('evenly');
  });

  it('takes steps far quicker than its swing for an even turn, and follows no millions of them', () => {
    const quick = report({ turns: 'in-steps', stepsPerTurn: 3200, speedMps: 0.5 });
    expect(quick.run).toEqual(quick.otherwise.run);
    expect(needed(quick.steps, 'steps').perS).toBeGreaterThan(1e5);
    const felt = report({ turns: 'in-steps', stepsPerTurn: 1, breakawayN: 3, movingN: 3 });
    expect(felt.run.unevenM).toBeGreaterThan(2 * felt.otherwise.run.unevenM);
  });

  it('takes its damping from swings counted after a tap (logarithmic decrement)', () => {
    const { rig: one } = report({ swings: 5 });
    const { dampingRatio: zeta } = one;
    // What is left of a swing after five.
    expect(Math.exp((-5 * 2 * Math.PI * zeta) / Math.sqrt(1 - zeta ** 2))).toBeCloseTo(0.1, 9);
    expect(report({ pushedN: 20, givesM: 2e-3 }).rig.stiffnessNPerM).toBeCloseTo(10_000, 6);
  });

  it('is drawn over the half that is told, and is asked of no job without speed or motor', () => {
    const trace = creepTrace(rail, ask());
    const { run } = report();
    expect(trace.at(-1)?.tS).toBeLessThanOrEqual(run.lastsS + 1e-9);
    expect(trace.at(-1)?.placeM).toBeCloseTo(0.004 * run.lastsS, 3);
    expect(creepReport(rail, { ...ask(), dutyId: 'none' })).toBeUndefined();
    expect(creepTrace(rail, { ...ask(), speedMps: 0 })).toEqual([]);
    const still = {
      ...rail,
      duties: rail.duties.map((duty) => ({ ...duty, speed: typed(0, 'm/s') })),
    };
    expect(creepReport(still, ask())).toBeUndefined();
  });
});
