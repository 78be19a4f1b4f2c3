import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { balanceFloorSchema, readBuild, type BalanceFloor, type Build } from '../vehicle/index.ts';
import { balanceReport, USUAL_CYCLE } from './balance-report.ts';
import { floorReport, floorTrace, spongyTyre } from './floor-report.ts';

const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} cannot be read`);
  return read.build;
};
const USUAL = balanceFloorSchema.parse({});
const teasel = demo('teasel');
const ask = { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 3, nudgeNs: 0, durationS: 4 };
const on = (floor: Partial<BalanceFloor>, more: object = {}) => {
  const report = floorReport(teasel, { ...ask, ...more, floor: { ...USUAL, ...floor } });
  if (!report) throw new Error('Teasel balances');
  return report;
};

describe('a balancer of a build on the floor', () => {
  it('has tyres of what its weight presses them in by, and of how they bounce: a tenth after so many', () => {
    const { stiffnessNPerM, dampingNsPerM } = spongyTyre(3, { sinksM: 0.002, bounces: 5, grip: 1 });
    expect(2 * stiffnessNPerM * 0.002).toBeCloseTo(3 * 9.80665, 9);
    // Five swings of a mass on both, by the logarithmic decrement (any text of vibration).
    const decay = (2 * dampingNsPerM) / (2 * 3);
    const swing = Math.sqrt((2 * stiffnessNPerM) / 3);
    expect(Math.exp((-decay * 5 * 2 * Math.PI) / swing)).toBeCloseTo(0.1, 9);
  });

  it('stands, drives by its stick, runs on after it is let go, and says how soft its tyres may be', () => {
    const { run, beside, softestM, stickIdle } = on({});
    expect(run).toMatchObject({ falls: false, tipS: null, reaches: null, over: null, headingDeg: 0 });
    expect(run.endM).toBeGreaterThan(1);
    expect(run.onM).toBeGreaterThan(0.5);
    expect(stickIdle).toBe(false);
    expect(beside.map(({ what }) => what)).toEqual(['harder', 'softer']);
    const most = softestM ?? 0;
    expect(most).toBeGreaterThan(USUAL.sinksM);
    // Softer by a tenth than the softest it falls: there the search has its edge.
    expect(on({ sinksM: most }).run.falls).toBe(false);
    expect(on({ sinksM: most * 1.1 }).run.falls).toBe(true);
  });

  it('gets over a board as high as it says, and over no higher one', () => {
    const { run, highestM, beside } = on({ kind: 'board' });
    expect(run).toMatchObject({ falls: false, reaches: true, over: true });
    expect(run.liftedS).toBeGreaterThan(0);
    expect(beside.at(-1)?.what).toBe('level');
    const most = highestM ?? 0;
    expect(most).toBeGreaterThan(0.005);
    const higher = on({ kind: 'board', heightM: most * 1.2 }).run;
    expect(higher.falls || higher.over === false).toBe(true);
  });

  it('turns aside and leans over where one wheel alone climbs, to the side it does not climb on', () => {
    const { run } = on({ kind: 'kerb', sides: 'left', heightM: 0.008 });
    const mirrored = on({ kind: 'kerb', sides: 'right', heightM: 0.008 }).run;
    expect(run.peakRollDeg).toBeGreaterThan(1);
    expect(mirrored.headingDeg).toBeCloseTo(-run.headingDeg, 6);
    expect(mirrored.endM).toBeCloseTo(run.endM, 6);
  });

  it('does nothing by a stick that moves a place which nobody holds', () => {
    const gains = { gains: { kp: 360, ki: 3600, kd: 8 } };
    const { stickIdle, run } = on({ stick: 'place' }, gains);
    expect(stickIdle).toBe(true);
    expect(run.peakMps).toBeCloseTo(0, 6);
  });

  it('is followed from moment to moment, to where its report has it end', () => {
    const floor = { ...USUAL, kind: 'ramp', heightM: 0.05, lengthM: 1 } as const;
    const trace = floorTrace(teasel, { ...ask, floor });
    expect(trace.length).toBeGreaterThan(500);
    expect(trace.at(-1)?.placeM).toBeCloseTo(on(floor).run.endM, 1);
  });

  it('of what does not balance there is none', () => {
    expect(floorReport(demo('puffin'), { ...ask, floor: USUAL })).toBeUndefined();
    expect(floorTrace(demo('puffin'), { ...ask, floor: USUAL })).toEqual([]);
  });
});

describe('what a balancer catches', () => {
  it('is the greatest lean that it comes to rest from, less for a battery that sags', () => {
    const of = (startLeanDeg: number) => balanceReport(teasel, { ...ask, startLeanDeg });
    const { catches } = of(3) ?? {};
    const most = catches?.leanDeg ?? NaN;
    const gains = of(3)?.proposed;
    if (!gains) throw new Error('gains are proposed');
    const own = {
      ...{ kp: gains.kp, ki: gains.ki, kd: gains.kd },
      ...(gains.hold ? { hold: { ...gains.hold, limitDeg: 10 } } : {}),
    };
    const rests = (startLeanDeg: number) =>
      balanceReport(teasel, { ...ask, startLeanDeg, durationS: 8, gains: own })?.run?.settleS ?? null;
    expect(rests(most)).not.toBeNull();
    expect(rests(most + 0.1)).toBeNull();
    expect(catches?.lessForSagDeg).toBeGreaterThan(0);
    expect(catches?.lessForSagDeg).toBeLessThan(most);
  });

  it('let go upright, gains are proposed that were tried all the same', () => {
    const upright = balanceReport(teasel, { ...ask, startLeanDeg: 0 });
    expect(upright?.catches?.leanDeg).toBeGreaterThan(3);
    expect(upright?.proposed).toEqual(balanceReport(teasel, ask)?.proposed);
  });
});
