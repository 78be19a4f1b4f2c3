import { describe, expect, it } from 'vitest';
import { demoBuilds } from '../testing/demo-builds.ts';
import type { Build } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { scoreOf } from './payload-sweep.ts';

const puffin = (): Build => demoBuilds()['puffin'] as Build;

describe('what a build comes to', () => {
  it('on a charge is the way of an outing, as often as the battery lasts, in km', () => {
    const build = puffin();
    const report = evaluate(build);
    const { outing, duties } = report;
    if (!outing?.runTimeS) throw new Error('it has an outing');
    const outings = outing.runTimeS / outing.durationS;
    const wayKm = duties.reduce((sum, { distanceM }) => sum + Math.max(0, distanceM), 0) / 1000;
    expect(scoreOf(build, report, 'range')).toBeCloseTo(outings * wayKm, 9);
    // A barrow that walks for hours goes kilometres, not metres and not thousands.
    expect(scoreOf(build, report, 'range')).toBeGreaterThan(1);
    expect(scoreOf(build, report, 'range')).toBeLessThan(100);
  });

  it('carried on a charge is each way with what is aboard on it', () => {
    const build = puffin();
    const report = evaluate(build);
    const kg = build.masses.payload.mass.value;
    const loaded = {
      ...build,
      duties: build.duties.map((d) => ({ ...d, payloadShare: { ...d.payloadShare, value: 1 } })),
    };
    const full = evaluate(loaded);
    expect(scoreOf(loaded, full, 'haul')).toBeCloseTo(kg * (scoreOf(loaded, full, 'range') ?? NaN), 6);
    expect(scoreOf(build, report, 'haul')).toBeLessThan(kg * (scoreOf(build, report, 'range') ?? NaN));
  });

  it('is nothing known where it goes nowhere, and none where a job is not done', () => {
    const nowhere = { ...puffin(), duties: [] };
    for (const aim of ['payload-rate', 'haul', 'range'] as const)
      expect(scoreOf(nowhere, evaluate(nowhere), aim)).toBeUndefined();
    const steep = puffin();
    const falls = {
      ...steep,
      duties: steep.duties.map((d) => ({ ...d, grade: { ...d.grade, value: 1.2 } })),
    };
    expect(scoreOf(falls, evaluate(falls), 'range')).toBe(0);
  });
});
