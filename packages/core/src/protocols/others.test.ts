import { describe, expect, it } from 'vitest';
import { degreesToRadians, inUnits, typed, type Dimension } from '../quantity/index.ts';
import { warmingOf } from './endurance.ts';
import { protocolOf, type ProtocolName } from './protocols.ts';
import type { TrialConditions, TrialReading } from './reading.ts';

const run = (name: ProtocolName, conditions: TrialConditions, readings: readonly TrialReading[]) => {
  const result = protocolOf(name).analyse(conditions, readings);
  return {
    ...result,
    of: (key: string) => result.measured.find((one) => one.key === key),
    says: inUnits(result.says, 'metric'),
  };
};
const notes = ({ notes: all }: ReturnType<typeof run>): string =>
  all.map((note) => inUnits(note, 'metric')).join(' ');
const q = (value: number, unit: string) => typed(value, unit, 'measured');

describe('grip', () => {
  it('is the tangent of the slope over the held share: 30° with all held is 0.577 (statics)', () => {
    const readings = [29, 30, 31, 30, 30].map((deg) => ({ angle: q(degreesToRadians(deg), '°') }));
    expect(run('slip-slope', { heldShare: q(1, '%') }, readings).of('friction')?.value).toBeCloseTo(
      Math.tan(Math.PI / 6),
      3,
    );
    expect(run('slip-slope', { heldShare: q(0.5, '%') }, readings).of('friction')?.value).toBeCloseTo(
      2 * Math.tan(Math.PI / 6),
      3,
    );
  });

  it('is what a pull shows only where the wheels spun', () => {
    const pulls = (spun: string) => [99, 100, 101, 100, 100].map((n) => ({ pull: q(n, 'N'), spun }));
    expect(run('pull', {}, pulls('yes')).verdict).toBe('grip');
    expect(run('pull', {}, pulls('no')).verdict).toBe('drive');
    expect(run('pull', {}, [...pulls('no').slice(1), { pull: q(100, 'N'), spun: 'yes' }]).verdict).toBe(
      'both',
    );
  });

  it('stops a vehicle within v²/2a: 2 m/s in 1 m is 2 m/s² (kinematics)', () => {
    const result = run(
      'stopping',
      { speed: q(2, 'm/s') },
      Array.from({ length: 5 }, () => ({ distance: q(1, 'm') })),
    );
    expect(result.of('slowing')?.value).toBeCloseTo(2, 12);
  });

  it('says at a side slope what ended it', () => {
    const of = (ends: string) =>
      run(
        'side-slope',
        {},
        [20, 21, 22, 21, 21].map((deg) => ({ angle: q(degreesToRadians(deg), '°'), ends })),
      );
    expect(of('lifts').verdict).toBe('lifts');
    expect(of('slides').says).toMatch(/^It slides sideways at 21°/);
  });
});

describe('rolling out', () => {
  const roll = (name: string, way: string, rolling: number, n = 6): TrialReading[] =>
    Array.from({ length: n }, (_, k) => ({
      ...{ roll: name, way },
      time: q(k, 's'),
      speed: q(3 - 9.80665 * rolling * k, 'm/s'),
    }));
  const six = (there: number, back: number) =>
    Array.from({ length: 6 }, (_, n) => roll(`r${n}`, n % 2 ? 'back' : 'out', n % 2 ? back : there)).flat();

  it('takes the fall of the floor out of its mean: 0.03 there and 0.02 back is 0.025', () => {
    const result = run('coast-down', { mass: q(50, 'kg') }, six(0.03, 0.02));
    expect(result.of('rolling')?.value).toBeCloseTo(0.025, 9);
    expect(result.says).toContain('the slope of the floor taken out');
  });

  it('warns of one way alone, and takes the air off that is known', () => {
    const out = Array.from({ length: 6 }, (_, n) => roll(`r${n}`, 'out', 0.03)).flat();
    const plain = run('coast-down', { mass: q(50, 'kg') }, out);
    expect(notes(plain)).toContain('All rolled one way');
    const less = run('coast-down', { mass: q(50, 'kg'), dragArea: q(0.5, 'm²') }, out);
    expect(less.of('rolling')?.value).toBeLessThan(plain.of('rolling')?.value ?? 0);
    // Half ρ CdA v² over the weight, at the mean of v² of those six speeds.
    const speeds = Array.from({ length: 6 }, (_, k) => 3 - 9.80665 * 0.03 * k);
    const mean = speeds.reduce((sum, v) => sum + v * v, 0) / 6;
    expect((plain.of('rolling')?.value ?? 0) - (less.of('rolling')?.value ?? 0)).toBeCloseTo(
      (0.5 * 1.204 * 0.5 * mean) / (50 * 9.80665),
      6,
    );
  });

  it('wants five speeds of a roll-out: one with four is none', () => {
    expect(run('coast-down', { mass: q(50, 'kg') }, roll('a', 'out', 0.02, 4)).runs).toBe(0);
  });
});

describe('with and without a change', () => {
  // B. L. Welch's case by Student's sleep data: without and with, unpaired (t = 1.86, p = 0.0794, from memory).
  const WITHOUT = [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0, 2].map((x) => x + 10);
  const WITH = [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4].map((x) => x + 10);
  const timed = (values: readonly number[], change: string, load = 0) =>
    values.map((value) => ({ change, load: q(load, 'kg'), time: q(value, 's') }));

  it('is Welch’s comparison at a single load', () => {
    const result = run('with-and-without', { measures: 'time', better: 'less' }, [
      ...timed(WITHOUT, 'without'),
      ...timed(WITH, 'with'),
    ]);
    expect(result.luck).toBeCloseTo(0.0793941, 6);
    expect(result.verdict).toBe('no-difference-shown');
    expect(result.of('difference')?.low).toBeCloseTo(-0.2054832, 6);
    expect(result.of('difference')?.high).toBeCloseTo(3.3654832, 6);
  });

  it('adds the loads up: three loads that each just fail to show it show it together', () => {
    const all = [0, 5, 10].flatMap((load) => [
      ...timed(WITHOUT, 'without', load),
      ...timed(WITH, 'with', load),
    ]);
    const result = run('with-and-without', { measures: 'time', better: 'less' }, all);
    // Three times the weight: the standard error falls by √3.
    expect(result.verdict).toBe('worse');
    expect(run('with-and-without', { measures: 'time', better: 'more' }, all).verdict).toBe('better');
    expect(result.of('difference')?.value).toBeCloseTo(1.58, 9);
  });

  it('says so where it helps at one load and harms at another', () => {
    const near = (middle: number) => [middle - 0.1, middle, middle + 0.1];
    const result = run('with-and-without', { measures: 'time', better: 'less' }, [
      ...timed(near(10), 'without', 1),
      ...timed(near(9), 'with', 1),
      ...timed(near(10), 'without', 20),
      ...timed(near(11), 'with', 20),
    ]);
    expect(notes(result)).toMatch(/better with 1.kg, worse with 20.kg/);
  });
});

describe('score runs', () => {
  it('take the payload with the most a minute, and say where it is the end of what was tried', () => {
    const trips = (payload: number, ...times: number[]) =>
      times.map((s) => ({ payload: q(payload, 'kg'), time: q(s, 's') }));
    // 2 kg in 60 s, 4 kg in 90 s, 6 kg in 180 s: 2, 2.67, 2 kg a minute.
    const result = run('score', {}, [...trips(2, 60, 61), ...trips(4, 90, 91), ...trips(6, 180, 178)]);
    expect(result.of('payload')?.value).toBe(4);
    expect(result.of('rate')?.value).toBeCloseTo((60 * 4) / 90 / 2 + (60 * 4) / 91 / 2, 9);
    expect(notes(result)).not.toContain('try');
    expect(
      notes(run('score', {}, [...trips(2, 60, 61), ...trips(4, 90, 91), ...trips(6, 120, 121)])),
    ).toContain('heaviest that was tried');
  });
});

describe('a battery run down', () => {
  const at = (minutes: number, V: number) => ({ time: q(minutes * 60, 'min'), voltage: q(V, 'V') });
  it('is empty between two readings where the line between them passes the limit', () => {
    const result = run('run-down', { stopAt: q(10.5, 'V'), current: q(4, 'A') }, [
      at(0, 12.6),
      at(10, 12),
      at(20, 11),
      at(30, 10),
    ]);
    expect(result.of('runTime')?.value).toBeCloseTo(25 * 60, 9);
    expect(result.of('capacity')?.value).toBeCloseTo(4 * 25 * 60, 9);
    // Mean to there: (12.3·10 + 11.5·10 + 10.75·5)/25.
    expect(result.says.replaceAll('\u00a0', ' ')).toContain('at 11.7 V on average');
  });
  it('has at least so much where it was not run down', () => {
    const result = run('run-down', { stopAt: q(9, 'V') }, [at(0, 12.6), at(10, 12), at(20, 11), at(30, 10)]);
    expect(result).toMatchObject({ verdict: 'not-down' });
    expect(result.of('runTime')?.atLeast).toBe(true);
  });
});

describe('a motor that warms', () => {
  it('is bound where one body with one time constant is: 80 °C with 10 min (exact)', () => {
    const points = [0, 2, 5, 8, 12, 16].map(
      (min) => [min * 60, 293.15 + 60 * (1 - Math.exp(-min / 10))] as const,
    );
    const found = warmingOf(points, 293.15);
    expect(found?.final).toBeCloseTo(353.15, 0);
    expect((found?.timeConstantS ?? 0) / 60).toBeCloseTo(10, 0);
    const straight = [0, 1, 2, 3].map((min) => [min * 60, 293.15 + min] as const);
    expect(warmingOf(straight, 293.15)).toBeUndefined();
  });
  it('is too hot once where it is bound passes what is allowed, though it is not there yet', () => {
    const readings = [0, 2, 5, 8, 12].map((min) => ({
      time: q(min * 60, 'min'),
      motor: q(293.15 + 60 * (1 - Math.exp(-min / 10)), '°C'),
    }));
    const of = (most: number) =>
      run('warming', { ambient: q(293.15, '°C'), most: q(most, '°C') }, readings).verdict;
    expect(of(350)).toBe('too-hot');
    expect(of(360)).toBe('holds');
  });
});

describe('checks', () => {
  it('name what is to be mended, and count a check by how it was found last', () => {
    const after = run('after-load', {}, [
      { kind: 'belt', part: 'left belt', found: 'slack' },
      { kind: 'nut', part: 'axle', found: 'ok' },
    ]);
    expect(after.says).toBe('1 of 2 to mend: left belt slack.');
    const checks = ['polarity', 'fuse', 'ways', 'stops', 'cool', 'quiet'];
    const first = [{ check: 'ways', ok: 'no' }, ...checks.map((check) => ({ check, ok: 'yes' }))];
    expect(run('first-power', {}, first).verdict).toBe('holds');
    expect(run('first-power', {}, first.slice(1, 3)).verdict).toBe('too-few');
    expect(run('first-power', {}, [{ check: 'fuse', ok: 'no' }]).verdict).toBe('to-mend');
  });
  it('tell a balancer that fell from one that stood', () => {
    const stood = Array.from({ length: 10 }, (_, n) => ({
      what: 'nudge',
      way: q(0.1 + 0.001 * n, 'mm'),
      fell: 'no',
    }));
    expect(run('balance', {}, stood)).toMatchObject({ verdict: 'stands' });
    const one = run('balance', {}, [...stood, { what: 'nudge', way: q(2, 'mm'), fell: 'yes' }]);
    expect(one.says).toBe('It fell once in 11.');
    expect(one.of('nudge')?.n).toBe(10);
  });
});

describe('a trial of one’s own', () => {
  it('reads what its first lines say, in their units', () => {
    const conditions = { reads: ['Height of the jump, mm', 'Marks out of ten'], runs: q(2, '') };
    const result = run(
      'own',
      conditions,
      [10, 20].map((mm) => ({ r1: q(mm / 1000, 'mm'), r2: q(7, '') })),
    );
    expect(result.of('r1')).toMatchObject({ value: 0.015, dimension: 'length' satisfies Dimension });
    expect(result.says.replaceAll('\u00a0', ' ')).toBe(
      'Height of the jump 15 mm on average; Marks out of ten 7 on average',
    );
  });
});

describe('a choice of sliders', () => {
  const runs = (slider: string, sides: readonly number[]) =>
    sides.map((side) => ({ slider, does: 'straight', side: q(side, 'mm') }));
  const tight = [1, -1, 2, -2, 1, -1, 2, -2, 1, -1].map((mm) => mm / 1000);
  it('takes the one nearer to the line, only where the runs can tell', () => {
    const wide = tight.map((m) => 20 * m);
    expect(run('slider-choice', {}, [...runs('ball', tight), ...runs('wood', wide)])).toMatchObject({
      verdict: 'chosen',
    });
    expect(
      run('slider-choice', {}, [
        ...runs('ball', tight),
        ...runs(
          'wood',
          tight.map((m) => 1.1 * m),
        ),
      ]).verdict,
    ).toBe('alike');
    expect(run('slider-choice', {}, runs('ball', tight)).verdict).toBe('too-few');
  });
});
