import { describe, expect, it } from 'vitest';
import { normalFrom, seeded } from '../contract/index.ts';
import { typed } from '../quantity/index.ts';
import { matched, veerOf } from './matching.ts';
import { motorsMatched, nextCell } from './motor-matching.ts';
import type { TrialReading } from './reading.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import type { Build } from '../vehicle/index.ts';
import { usualConditions } from './usual.ts';
import { wheelsMatched } from './wheel-matching.ts';

const POWERS = [0.25, 0.5, 0.75, 1];
const drawer = (motors: readonly string[]) => ({
  motors,
  powers: POWERS.map((power) => typed(power, '%')),
  ...{ ways: 'both', reads: 'speed', repeats: typed(3, '') },
});

/** Every cell of a drawer, read with a scatter, in an order by chance. */
function read(factors: readonly number[], scatter: number, seed: number): TrialReading[] {
  const random = seeded(seed);
  const all = factors.flatMap((factor, n) =>
    POWERS.flatMap((power) =>
      ['forward', 'backward'].flatMap((way) =>
        Array.from({ length: 3 }, () => ({
          ...{ motor: String(n + 1), power: typed(power, '%'), way },
          speed: typed(400 * power * factor * (1 + scatter * normalFrom(random)), 'rpm'),
        })),
      ),
    ),
  );
  return all
    .map((one) => ({ one, by: random() }))
    .sort((a, b) => a.by - b.by)
    .map(({ one }) => one);
}

const THIRTEEN = [1, 1.03, 0.97, 1.05, 0.95, 1.012, 0.985, 1.021, 1.0205, 0.962, 1.04, 0.93, 1.07];

describe('a drawer of motors', () => {
  const motors = THIRTEEN.map((_, n) => String(n + 1));

  it('of thirteen filled in any order gives the two nearest, and pairs all but one', () => {
    const found = motorsMatched(drawer(motors), read(THIRTEEN, 0, 1));
    expect(found?.bestPair).toMatchObject({ a: '8', b: '9' });
    expect(found?.bestPair.mismatch).toBeCloseTo((2 * 0.0005) / 2.0415, 9);
    expect(found?.pairing).toHaveLength(6);
    expect(found?.spares).toHaveLength(5);
    expect(found?.spares.some(({ a, b }) => ['8', '9'].includes(a) || ['8', '9'].includes(b))).toBe(false);
  });

  it('knows how far its readings scatter: 1 % each, three times, is 0.82 % of a difference (√(2/3))', () => {
    const found = motorsMatched(drawer(motors), read(THIRTEEN, 0.01, 2));
    expect(found?.noise).toBeGreaterThan(0.0082 * 0.85);
    expect(found?.noise).toBeLessThan(0.0082 * 1.15);
  });

  it('weighs by what the vehicle uses: a power that is never run does not part two motors', () => {
    const two = [
      { motor: '1', speed: 100 },
      { motor: '2', speed: 100 },
      { motor: '1', power: 1, speed: 400 },
      { motor: '2', power: 1, speed: 440 },
    ].map(({ motor, power = 0.5, speed }) => ({
      motor,
      power: typed(power, '%'),
      way: 'forward',
      speed: typed(speed, 'rpm'),
    }));
    const conditions = {
      motors: ['1', '2'],
      powers: [typed(0.5, '%'), typed(1, '%')],
      ways: 'forward',
      reads: 'speed',
    };
    const weights = [typed(1, '%'), typed(0, '%')];
    expect(motorsMatched({ ...conditions, weights }, two)?.bestPair.mismatch).toBe(0);
    expect(motorsMatched(conditions, two)?.bestPair.mismatch).toBeGreaterThan(0.04);
  });

  it('begins with weights by what its jobs run at: most where Puffin climbs most of its time', () => {
    const { weights = [] } = usualConditions('motor-matching', demoBuilds()['puffin'] as Build) as {
      weights?: readonly { value: number }[];
    };
    expect(weights).toHaveLength(4);
    expect(weights.every(({ value }) => value >= 0.1 && value <= 1)).toBe(true);
    // A tenth each for those that are never run, and all of the time told once.
    expect(weights.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(4 * 0.1 + 0.9, 1);
  });

  it('leaves out whom a cell is missing, and asks for that cell next', () => {
    const all = read([1, 1.1, 1.2], 0, 3);
    const some = all.filter(
      ({ motor, power, way }) =>
        !(motor === '2' && way === 'backward' && (power as { value: number }).value === 1),
    );
    const found = motorsMatched(drawer(['1', '2', '3']), some);
    expect(found?.items.map(({ label }) => label)).toEqual(['1', '3']);
    expect(nextCell(drawer(['1', '2', '3']), some)).toMatchObject({
      motor: '2',
      column: { power: 1, way: 'backward' },
    });
    expect(nextCell(drawer(['1', '2', '3']), all)).toBeUndefined();
  });

  it('reads a stop watch as well: twenty turns in 4 s are 10π rad/s', () => {
    const timed = (motor: string, s: number) => ({
      motor,
      power: typed(1, '%'),
      way: 'forward',
      time: typed(s, 's'),
    });
    const conditions = {
      motors: ['1', '2'],
      powers: [typed(1, '%')],
      ways: 'forward',
      reads: 'time',
      turns: typed(20, ''),
    };
    const found = motorsMatched(conditions, [timed('1', 4), timed('2', 5)]);
    expect(found?.items[0]?.values[0]).toBeCloseTo(10 * Math.PI, 12);
  });
});

describe('matching', () => {
  it('takes the four whose furthest two are the nearest, as trying all fours does', () => {
    const random = seeded(5);
    for (let round = 0; round < 40; round++) {
      const items = Array.from({ length: 8 }, (_, n) => ({
        label: String(n),
        values: [100 + 20 * random(), 50 + 9 * random()],
      }));
      const found = matched(items, [1, 1]);
      const apart = new Map(
        found?.pairs.flatMap(
          ({ a, b, mismatch }) =>
            [
              [`${a}${b}`, mismatch],
              [`${b}${a}`, mismatch],
            ] as const,
        ),
      );
      let least = Infinity;
      for (let mask = 0; mask < 256; mask++) {
        const four = items.filter((_, n) => mask & (1 << n)).map(({ label }) => label);
        if (four.length !== 4) continue;
        const worst = Math.max(
          ...four.flatMap((a, n) => four.slice(n + 1).map((b) => apart.get(a + b) ?? Infinity)),
        );
        least = Math.min(least, worst);
      }
      expect(found?.bestFour?.worst).toBe(least);
    }
  });

  it('does sixty parts, and none of one', () => {
    const sixty = Array.from({ length: 60 }, (_, n) => ({
      label: String(n),
      values: [100 + ((n * 37) % 60)],
    }));
    const found = matched(sixty, [1]);
    expect(found?.pairing).toHaveLength(30);
    expect(new Set(found?.pairing.flatMap(({ a, b }) => [a, b])).size).toBe(60);
    expect(matched(sixty.slice(0, 1), [1])).toBeUndefined();
  });

  it('says what a pair does on the floor: 1 % over 2 m on a track of 0.4 m is 50 mm (D²δ/2b, small angles)', () => {
    expect(veerOf(0.01, 0.4)).toBeCloseTo(0.05, 3);
    expect(veerOf(0, 0.4)).toBe(0);
  });
});

describe('wheels matched by a flip', () => {
  const conditions = { wheels: ['1', '2', '3'], commanded: typed(2, 'm'), track: typed(0.4, 'mm') };
  /** Where a pair ends: what the sizes make of it, and what the vehicle itself adds; a larger left wheel leads to the right. */
  const run = (left: number, right: number, sizes: readonly number[], own: number): TrialReading => ({
    ...{ left: String(left), right: String(right) },
    side: typed((4 * ((sizes[left - 1] ?? 1) - (sizes[right - 1] ?? 1))) / (2 * 0.4) + own, 'mm'),
  });

  it('parts the wheels from the vehicle: sizes by the flip, the rest stays', () => {
    const sizes = [1, 1.01, 1.002];
    const pairs = [
      [1, 2],
      [2, 1],
      [2, 3],
      [3, 2],
    ] as const;
    const found = wheelsMatched(
      conditions,
      pairs.map(([l, r]) => run(l, r, sizes, 0.03)),
    );
    expect(found?.bestPair).toMatchObject({ a: '1', b: '3' });
    expect(found?.bestPair.mismatch).toBeCloseTo(0.002, 4);
    const [one, two] = ['1', '2'].map(
      (label) => found?.items.find((item) => item.label === label)?.values[0] ?? NaN,
    );
    expect((two ?? NaN) - (one ?? NaN)).toBeCloseTo(0.01, 9);
  });

  it('has nothing to say of one wheel run against itself, or of no way', () => {
    expect(wheelsMatched(conditions, [{ left: '1', right: '1', side: typed(0.1, 'mm') }])).toBeUndefined();
    expect(wheelsMatched({ wheels: ['1', '2'] }, [run(1, 2, [1, 1], 0)])).toBeUndefined();
  });
});
