import { describe, expect, it } from 'vitest';
import { normalFrom, seeded } from '../contract/index.ts';
import { driveReport, NO_MISMATCH, SCHOOLS } from '../driving/index.ts';
import { needed } from '../testing/numbers.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { inUnits, typed } from '../quantity/index.ts';
import { courseOf } from '../vehicle/index.ts';
import { courseIn } from './over-a-course.ts';
import { predictedOf } from './predicted.ts';
import { conditionsSchema, protocolOf } from './protocols.ts';
import { usualConditions } from './usual.ts';

const pip = needed(demoBuilds()['pip'], 'pip');
const square = courseOf([
  { kind: 'go', distanceM: 1 },
  { kind: 'turn', deg: 90 },
  { kind: 'go', distanceM: 1 },
]);
const conditions = { course: square, by: 'counts' };
const { analyse } = protocolOf('course-run');
const run = (side: number, ahead: number) => ({
  side: typed(side, 'mm'),
  ahead: typed(ahead, 'mm'),
  note: '',
});

describe('runs over a course', () => {
  it('keep the course with the set, and begin with that of the Test track', () => {
    expect(courseIn(conditionsSchema('course-run').parse(conditions))).toEqual(square);
    expect(conditionsSchema('course-run').safeParse({ by: 'counts' }).success).toBe(false);
    const build = { ...pip, driving: { ...pip.driving, course: square } };
    expect(courseIn(usualConditions('course-run', build))).toEqual(square);
    expect(courseIn(usualConditions('straight-run', build))).toBeUndefined();
  });

  it('tell a vehicle that ends off the same way from one that only scatters', () => {
    // Ten ends about a middle: along a circle, so that their mean is the middle itself.
    const ends = (side: number, ahead: number) =>
      Array.from({ length: 10 }, (_, n) => {
        const at = (n * 2 * Math.PI) / 10;
        return run(side + 0.02 * Math.cos(at), ahead + 0.02 * Math.sin(at));
      });
    const off = analyse(conditions, ends(0.1, -0.03));
    expect(off.verdict).toBe('ends-off');
    expect(off.measured.map(({ key, value }) => [key, Number(value.toFixed(9))])).toEqual([
      ['side', 0.1],
      ['ahead', -0.03],
    ]);
    expect(inUnits(off.says, 'metric').replaceAll('\u00a0', ' ')).toBe(
      'It ends off the same way: 100 mm right and 30 mm short on average over 10 runs.',
    );
    const near = analyse(conditions, ends(0, 0));
    expect(near.verdict).toBe('no-bias-shown');
    expect(inUnits(near.notes[0] ?? '', 'metric')).toMatch(/^10 of 10 within/);
    expect(analyse(conditions, ends(0, 0).slice(0, 4)).verdict).toBe('too-few');
    expect(analyse(conditions, []).plots).toEqual([]);
  });

  it('call a vehicle that only scatters off in one set of twenty, as is said of every verdict', () => {
    const random = seeded(7);
    const sets = 2000;
    const called = Array.from({ length: sets }, () =>
      analyse(
        conditions,
        Array.from({ length: 10 }, () => run(0.03 * normalFrom(random), 0.05 * normalFrom(random))),
      ),
    ).filter(({ verdict }) => verdict === 'ends-off').length;
    // Three standard errors about 1 − 0.975².
    expect(called / sets).toBeGreaterThan(0.0494 - 0.0146);
    expect(called / sets).toBeLessThan(0.0494 + 0.0146);
  });

  it('are foretold as the Test track has it: what it drives is what is measured', () => {
    const ask = { course: square, control: SCHOOLS['by counts'], mismatch: NO_MISMATCH };
    const even = { ...pip, driving: { mismatch: NO_MISMATCH } };
    const predicted = predictedOf('course-run', even, conditions);
    expect(predicted.map(({ key }) => key)).toEqual(['side', 'ahead', 'turned']);
    const driven = driveReport(even, { ...ask, spreads: true }, { runs: 24, seed: 1, oneVehicle: false });
    const { cloud } = needed(driven, 'a report');
    expect(predicted[0]?.value).toBeCloseTo(cloud.meanSideM, 9);
    expect(predicted[1]?.value).toBeCloseTo(cloud.meanAheadM, 9);
    expect(predicted[2]?.value).toBeCloseTo((cloud.meanHeadingDeg * Math.PI) / 180, 9);
    expect(predictedOf('course-run', even, {})).toEqual([]);
  });

  it('driven mirrored are foretold mirrored', () => {
    const even = { ...pip, driving: { mismatch: NO_MISMATCH } };
    const left = courseOf(square.legs.map((leg) => (leg.kind === 'turn' ? { ...leg, deg: -leg.deg } : leg)));
    const [one, other] = [square, left].map((course) =>
      needed(predictedOf('course-run', even, { ...conditions, course })[2], 'a heading'),
    );
    expect(Math.sign(one?.value ?? NaN)).toBe(-Math.sign(other?.value ?? NaN));
  });
});
