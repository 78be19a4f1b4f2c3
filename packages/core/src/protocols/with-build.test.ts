import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { degreesToRadians, typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { sampled } from '../testing/many.ts';
import { bankOf, drivenDiameter, readBuild, type Build } from '../vehicle/index.ts';
import { allAgree, compared, doubtedOf } from './agreement.ts';
import { predictedOf } from './predicted.ts';
import { PROTOCOL_NAMES, protocolOf, type ProtocolName } from './protocols.ts';
import type { TrialConditions, TrialReading } from './reading.ts';
import { takeOver } from './take-over.ts';
import { usualConditions } from './usual.ts';

const builds = demoBuilds();
const puffin = builds['puffin'] as Build;
const q = (value: number, unit: string) => typed(value, unit, 'measured');

/** A trial made, and its number taken over. */
function taken(
  name: ProtocolName,
  key: string,
  conditions: TrialConditions,
  readings: readonly TrialReading[],
  build = puffin,
) {
  const result = protocolOf(name).analyse(conditions, readings);
  const measured = result.measured.find((one) => one.key === key);
  if (!measured) throw new Error(`${name} gives no ${key}`);
  return { measured, result, next: takeOver(name, build, { measured, conditions, result }) };
}
const asBuild = (next: Build | string): Build => {
  if (typeof next === 'string') throw new Error(next);
  const read = readBuild(JSON.parse(JSON.stringify(next)));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.build;
};
const groundOfFirst = ({ grounds, duties }: Build) => grounds.find(({ id }) => id === duties[0]?.groundId);

describe('what is foretold', () => {
  it('lies within its ends, for every trial of every build of the club, by the same keys as what is measured', () => {
    for (const build of sampled(Object.values(builds)))
      for (const name of PROTOCOL_NAMES.filter(
        (each) => !['straight-run', 'wheel-matching', 'pivots', 'square'].includes(each),
      ))
        for (const { key, value, low, high } of predictedOf(name, build, usualConditions(name, build))) {
          expect(low, `${build.name} ${name} ${key}`).toBeLessThanOrEqual(value);
          expect(high, `${build.name} ${name} ${key}`).toBeGreaterThanOrEqual(value);
        }
  });

  it('is the ground’s own friction, the wheel’s own diameter, the outing’s own run time', () => {
    const of = (name: ProtocolName, key: string) =>
      predictedOf(name, puffin, usualConditions(name, puffin)).find((one) => one.key === key)?.value;
    expect(of('slip-slope', 'friction')).toBeCloseTo(groundOfFirst(puffin)?.friction.value ?? NaN, 9);
    expect(of('distance', 'diameter')).toBe(drivenDiameter(puffin.layout).value);
    expect(of('run-down', 'runTime')).toBe(evaluate(puffin).outing?.runTimeS);
    expect(of('run-down', 'capacity')).toBeCloseTo(3600 * (bankOf(puffin)?.capacityAh ?? NaN), 9);
  });

  it('stops in the way of its reaction and v²/2a, and is not foretold where no brake is stated', () => {
    const braked: Build = { ...puffin, brake: { ...puffin.brake, kind: 'electronic' } };
    const at = (mps: number) => predictedOf('stopping', braked, { speed: q(mps, 'm/s') })[0]?.value ?? NaN;
    const reaction = puffin.brake.reaction.value;
    expect(at(2) - 2 * reaction).toBeCloseTo(4 * (at(1) - reaction), 9);
    expect(predictedOf('stopping', puffin, { speed: q(1, 'm/s') })).toEqual([]);
  });

  it('runs straight on average where nothing is unlike, and nowhere else surely', () => {
    const alike = {
      ...puffin,
      driving: {
        mismatch: {
          rightFaster: 0,
          rightLarger: 0,
          motors: 0,
          wheels: 0,
          floor: 0,
          weight: 0,
          steerDeg: 0,
          playDeg: 0,
          startM: 0,
          startDeg: 0,
        },
      },
    };
    const side = (build: Build) =>
      predictedOf('straight-run', build, { commanded: q(2, 'm'), by: 'time' }).find(
        ({ key }) => key === 'side',
      );
    const [free, held] = [side(puffin), side(alike)];
    expect(Math.abs(held?.value ?? NaN)).toBeLessThan(1e-3);
    expect((free?.high ?? 0) - (free?.low ?? 0)).toBeGreaterThan(10 * ((held?.high ?? 0) - (held?.low ?? 0)));
  });
});

describe('predicted beside measured', () => {
  const predicted = [{ key: 'rolling', value: 0.03, low: 0.025, high: 0.035 }];
  const measured = (value: number, half: number) => [
    {
      key: 'rolling',
      title: '',
      dimension: 'coefficient' as const,
      value,
      n: 6,
      low: value - half,
      high: value + half,
    },
  ];

  it('agree within both spreads together: 0.005 and 0.005 are 0.00707', () => {
    const agrees = (value: number): boolean | null =>
      allAgree(compared({ measured: measured(value, 0.005) }, predicted));
    expect(agrees(0.037)).toBe(true);
    expect(agrees(0.0372)).toBe(false);
    expect(agrees(0.0228)).toBe(false);
    expect(agrees(0.023)).toBe(true);
  });

  it('are not said to agree or not by a single run, nor what nobody foretold', () => {
    const [one] = measured(0.09, 0);
    const { low: _low, high: _high, ...single } = one ?? { low: 0, high: 0 };
    expect(allAgree(compared({ measured: [single as never] }, predicted))).toBeNull();
    expect(compared({ measured: measured(0.03, 0.01) }, [])).toEqual([]);
  });

  it('doubt the input that would explain it by moving least: the rolling resistance for a rolling resistance', () => {
    const value =
      (predictedOf('coast-down', puffin, {}).find(({ key }) => key === 'rolling')?.high ?? 0) * 1.05;
    const [first, ...others] = doubtedOf('coast-down', puffin, {}, { key: 'rolling', value });
    expect(['rolling', 'freeRolling']).toContain(first?.input.path.at(-1));
    for (const other of others) expect(other.spreads).toBeGreaterThanOrEqual(first?.spreads ?? NaN);
    expect(doubtedOf('coast-down', puffin, {}, { key: 'rolling', value: 50 })).toEqual([]);
  });
});

describe('taking over', () => {
  it('puts the wheel’s diameter in as measured, half of its interval as its spread', () => {
    const d = drivenDiameter(puffin.layout).value;
    const { measured, next } = taken(
      'distance',
      'diameter',
      { commanded: q(10, 'm'), diameter: q(d, 'mm') },
      [9.8, 9.81, 9.79, 9.8, 9.8].map((m) => ({ distance: q(m, 'm') })),
    );
    const now = drivenDiameter(asBuild(next).layout);
    expect(now).toMatchObject({ origin: 'measured' });
    expect(now.value).toBeCloseTo(0.98 * d, 6);
    expect(now.spread).toBeCloseTo(((measured.high ?? 0) - (measured.low ?? 0)) / 2, 4);
  });

  it('moves the grip of every tyre that the ground knows, and the margins with it', () => {
    const { next } = taken(
      'slip-slope',
      'friction',
      { heldShare: q(1, '%') },
      [20, 21, 19, 20, 20].map((deg) => ({ angle: q(degreesToRadians(deg), '°') })),
    );
    const build = asBuild(next);
    expect(groundOfFirst(build)?.friction.value).toBeCloseTo(Math.tan(degreesToRadians(20)), 3);
    const grip = (b: Build) => evaluate(b).links.find(({ link }) => link === 'grip')?.ratio ?? NaN;
    const by = (groundOfFirst(build)?.friction.value ?? NaN) / (groundOfFirst(puffin)?.friction.value ?? NaN);
    expect(grip(build) / grip(puffin)).toBeCloseTo(by, 3);
  });

  it('foretells afterwards what was measured: rolling, friction, capacity, turn, height', () => {
    const rolled = Array.from({ length: 6 }, (_, n) =>
      Array.from({ length: 6 }, (__, k) => ({
        ...{ roll: `r${n}`, way: n % 2 ? 'back' : 'out' },
        ...{ time: q(k, 's'), speed: q(3 - 9.80665 * (0.04 + 0.0001 * n) * k, 'm/s') },
      })),
    ).flat();
    const rolling = taken('coast-down', 'rolling', { mass: q(60, 'kg') }, rolled);
    const again =
      predictedOf('coast-down', asBuild(rolling.next), {}).find(({ key }) => key === 'rolling')?.value ?? NaN;
    expect(again / rolling.measured.value).toBeCloseTo(1, 2);
    const before = predictedOf('side-slope', puffin, {})[0]?.value ?? NaN;
    const angles = [0.94, 0.95, 0.96, 0.95, 0.95].map((times) => ({
      angle: q(times * before, '°'),
      ends: 'lifts',
    }));
    const slid = taken('side-slope', 'angle', {}, angles);
    expect(predictedOf('side-slope', asBuild(slid.next), {})[0]?.value).toBeCloseTo(0.95 * before, 6);
    const down = [
      [0, 26],
      [600, 25],
      [1200, 24],
      [1800, 20],
    ].map(([s = 0, V = 0]) => ({ time: q(s, 's'), voltage: q(V, 'V') }));
    const capacity = taken('run-down', 'capacity', { stopAt: q(22, 'V'), current: q(10, 'A') }, down);
    expect(bankOf(asBuild(capacity.next))?.capacityAh).toBeCloseTo((10 * 1500) / 3600, 6);
  });

  it('orders turns so much more as they fell short, again and again', () => {
    const readings = Array.from({ length: 10 }, (_, n) => ({
      way: n % 2 ? 'left' : 'right',
      turned: q(degreesToRadians(350 + (n % 2)), '°'),
    }));
    const conditions = { commanded: q(2 * Math.PI, '°') };
    const once = taken('pivots', 'correction', conditions, readings);
    const factor = asBuild(once.next).driving?.control?.turnFactor ?? NaN;
    expect(factor).toBeCloseTo(360 / 350.5, 4);
    const twice = taken('pivots', 'correction', conditions, readings, asBuild(once.next));
    expect(asBuild(twice.next).driving?.control?.turnFactor).toBeCloseTo(factor ** 2, 6);
  });

  it('hands a veer on to the Test track with its sign: ends right, the left side is faster', () => {
    const readings = Array.from({ length: 10 }, (_, n) => ({
      side: q(0.05 + 0.001 * n, 'mm'),
      distance: q(2, 'm'),
    }));
    const { next } = taken('straight-run', 'side', { commanded: q(2, 'm') }, readings);
    expect(asBuild(next).driving?.mismatch?.rightFaster).toBeLessThan(0);
  });

  it('says why it does not: too few runs, wheels that did not spin, a slide, no place', () => {
    const pulls = (spun: string) => [100, 101, 99, 100, 100].map((n) => ({ pull: q(n, 'N'), spun }));
    expect(taken('pull', 'pull', {}, pulls('no')).next).toContain('did not spin');
    expect(typeof taken('pull', 'pull', {}, pulls('yes')).next).toBe('object');
    expect(taken('pull', 'pull', {}, pulls('yes').slice(1)).next).toBe('Too few runs: make them first.');
    expect(
      taken(
        'side-slope',
        'angle',
        {},
        [15, 15, 15, 15, 16].map((deg) => ({ angle: q(degreesToRadians(deg), '°'), ends: 'slides' })),
      ).next,
    ).toContain('slid');
    expect(
      taken(
        'straight-run',
        'distance',
        { commanded: q(2, 'm') },
        Array.from({ length: 10 }, () => ({ side: q(0, 'mm'), distance: q(2, 'm') })),
      ).next,
    ).toBe('That number belongs nowhere in a build.');
  });
});
