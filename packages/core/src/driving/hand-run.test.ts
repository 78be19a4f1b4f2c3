import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { NotPhysical } from '../contract/index.ts';
import { randomBuild } from '../testing/random-build.ts';
import { buildSchema, type Build } from '../vehicle/index.ts';
import { FAIL_SAFE_S, HandRun, HANDS_OFF, replayed } from './hand-run.ts';
import { whyNotDriven } from './rig-of-build.ts';

const demo = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
const AHEAD = { left: 0.8, right: 0.8, steer: 0 };

describe('driven by hand', () => {
  it('goes ahead, turns to the side whose wheels are slower, and stands again', () => {
    const run = new HandRun(demo('pip'));
    const ahead = run.pass(2, AHEAD);
    expect(ahead.x).toBeGreaterThan(0.1);
    expect(Math.abs(ahead.y)).toBeLessThan(0.02);
    const turned = run.pass(1, { left: 0.9, right: -0.9, steer: 0 });
    expect(turned.heading).toBeLessThan(-0.5);
    expect(Math.abs(run.pass(2, HANDS_OFF).mps)).toBeLessThan(0.01);
  });

  it('of a steered vehicle goes to the right where it is steered to the right', () => {
    const run = new HandRun(demo('moth'));
    const end = run.pass(6, { left: 0.5, right: 0.5, steer: 1 });
    expect(end.heading).toBeLessThan(-0.1);
  });

  it('stops by itself once its link is cut, and says so', () => {
    const run = new HandRun(demo('pip'));
    const going = run.pass(2, AHEAD);
    expect(going.failSafe).toBe(false);
    const still = run.pass(FAIL_SAFE_S * 0.9, undefined);
    expect(still.failSafe).toBe(false);
    const cut = run.pass(3, undefined);
    expect(cut.failSafe).toBe(true);
    expect(Math.abs(cut.mps)).toBeLessThan(0.01);
    expect(run.pass(1, AHEAD).failSafe).toBe(false);
  });

  it('is driven again as it was recorded, in frames of any length', () => {
    const run = new HandRun(demo('pip'));
    for (let n = 0; n < 60; n += 1) run.pass(1 / 60, AHEAD);
    for (let n = 0; n < 30; n += 1) run.pass(1 / 30, { left: 0.6, right: 0.9, steer: 0 });
    const { state, recorded } = run;
    expect(recorded).toHaveLength(2);
    const again = replayed(demo('pip'), recorded, state.s);
    expect(again.x).toBeCloseTo(state.x, 2);
    expect(again.y).toBeCloseTo(state.y, 2);
    expect(again.heading).toBeCloseTo(state.heading, 1);
  });

  it('is not done with what is not driven over the ground', () => {
    expect(() => new HandRun(demo('teasel'))).toThrow(RangeError);
  });

  it('of any numbers that a build may have drives in figures, or says that they are too extreme', () => {
    let [driven, extreme] = [0, 0];
    for (let seed = 1; seed <= 90; seed += 1) {
      const build = randomBuild(seed);
      if (!build || build.duties.length === 0 || whyNotDriven(build)) continue;
      try {
        const { x, y, heading, mps } = new HandRun(build).pass(0.2, { left: 1, right: 0.6, steer: 0.5 });
        expect(Number.isFinite(x + y + heading + mps), `seed ${seed}`).toBe(true);
        driven += 1;
      } catch (error) {
        expect(error).toBeInstanceOf(NotPhysical);
        extreme += 1;
      }
    }
    expect(driven).toBeGreaterThan(20);
    expect(extreme).toBeGreaterThan(0);
  });
});
