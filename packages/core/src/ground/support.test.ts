import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { supportLoads, type GroundPoint } from './support.ts';
import { many } from '../testing/many.ts';

const finite = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** Whole centimetres: as near as wheels are set, and near enough to fall together now and then. */
const cm = (min: number, max: number) => fc.integer({ min, max }).map((n) => n / 100);
const place = fc.record({ aheadM: cm(-100, 200), leftM: cm(-100, 100) });

const momentOf = (
  contacts: readonly GroundPoint[],
  loads: readonly number[],
  of: keyof GroundPoint,
): number => contacts.reduce((sum, c, at) => sum + (loads[at] ?? 0) * c[of], 0);

/** Contacts drawn at random, some of which carry in more than one way. */
const DRAWS = many(500, 5000);

/** Every choice of contacts that carry, tried: the one whose plane is positive on them and not above 0 elsewhere. */
function byTryingAll(
  contacts: readonly GroundPoint[],
  forceN: number,
  at: GroundPoint,
): number[] | undefined {
  for (let choice = 1; choice < 1 << contacts.length; choice++) {
    const carry = contacts.map((_, n) => (choice & (1 << n)) !== 0);
    const some = contacts.filter((_, n) => carry[n]);
    const normal = [
      [some.length, sum(some, (c) => c.aheadM), sum(some, (c) => c.leftM)],
      [sum(some, (c) => c.aheadM), sum(some, (c) => c.aheadM ** 2), sum(some, (c) => c.aheadM * c.leftM)],
      [sum(some, (c) => c.leftM), sum(some, (c) => c.aheadM * c.leftM), sum(some, (c) => c.leftM ** 2)],
    ];
    const solved = cramer(normal, [forceN, forceN * at.aheadM, forceN * at.leftM]);
    if (!solved) continue;
    const plane = (c: GroundPoint): number => solved[0] + solved[1] * c.aheadM + solved[2] * c.leftM;
    if (contacts.every((c, n) => (carry[n] ? plane(c) >= -1e-9 : plane(c) <= 1e-9)))
      return contacts.map((c, n) => (carry[n] ? plane(c) : 0));
  }
  return undefined;
}

const sum = <T>(list: readonly T[], of: (item: T) => number): number => list.reduce((s, i) => s + of(i), 0);
const det = (m: readonly (readonly number[])[]): number => {
  const [[a = 0, b = 0, c = 0] = [], [d = 0, e = 0, f = 0] = [], [g = 0, h = 0, i = 0] = []] = m;
  return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
};
function cramer(
  m: readonly (readonly number[])[],
  r: readonly number[],
): [number, number, number] | undefined {
  const whole = det(m);
  if (Math.abs(whole) < 1e-9) return undefined;
  const put = (column: number): number =>
    det(m.map((row, n) => row.map((x, k) => (k === column ? (r[n] ?? 0) : x)))) / whole;
  return [put(0), put(1), put(2)];
}

describe('loads on any number of contacts', () => {
  it('always sum to the weight and balance it, whoever carries', () => {
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 3, maxLength: 9 }),
        place,
        finite(1, 5000),
        (contacts, at, force) => {
          const { loadsN, stands } = supportLoads(contacts, { ...at, forceN: force });
          expect(Math.abs(sum(loadsN, (n) => n) - force)).toBeLessThan(1e-6 * force);
          if (!stands) return;
          expect(Math.min(...loadsN)).toBeGreaterThanOrEqual(0);
          for (const of of ['aheadM', 'leftM'] as const)
            expect(Math.abs(momentOf(contacts, loadsN, of) - force * at[of])).toBeLessThan(2e-5 * force);
        },
      ),
      { numRuns: many(1000, 10000) },
    );
  });

  it('are those of trying every choice of contacts that carry', () => {
    const inside = fc
      .tuple(
        fc.array(place, { minLength: 4, maxLength: 6 }),
        fc.array(finite(0.01, 1), { minLength: 6, maxLength: 6 }),
      )
      .map(([contacts, shares]) => {
        const total = sum(shares.slice(0, contacts.length), (s) => s);
        const mean = (of: keyof GroundPoint): number =>
          sum(
            contacts.map((c, n) => c[of] * (shares[n] ?? 0)),
            (x) => x,
          ) / total;
        return { contacts, at: { aheadM: mean('aheadM'), leftM: mean('leftM') } };
      });
    let tried = 0;
    fc.assert(
      fc.property(inside, ({ contacts, at }) => {
        const expected = byTryingAll(contacts, 1000, at);
        if (!expected) return;
        tried++;
        const { loadsN, stands } = supportLoads(contacts, { ...at, forceN: 1000 });
        expect(stands).toBe(true);
        loadsN.forEach((load, n) => expect(Math.abs(load - (expected[n] ?? 0))).toBeLessThan(1e-4));
      }),
      { numRuns: DRAWS },
    );
    expect(tried).toBeGreaterThan(0.4 * DRAWS);
  });

  it('let go a wheel that would pull: a stool of four legs, the weight over one corner', () => {
    // Legs at the corners of a square of side 2. Over the corner (0.9, 0.9) the far leg would pull, and is let go:
    // the near one then carries 0.9 and its two neighbours 0.05 each (levers, by hand).
    const square = [
      { aheadM: 1, leftM: 1 },
      { aheadM: 1, leftM: -1 },
      { aheadM: -1, leftM: 1 },
      { aheadM: -1, leftM: -1 },
    ];
    const { loadsN } = supportLoads(square, { forceN: 100, aheadM: 0.9, leftM: 0.9 });
    [90, 5, 5, 0].forEach((expected, n) => expect(loadsN[n]).toBeCloseTo(expected, 9));
  });

  it('say that it does not stand where the weight acts outside, or beside a line', () => {
    const line = [
      { aheadM: 0, leftM: 0 },
      { aheadM: 1, leftM: 0 },
    ];
    expect(supportLoads(line, { forceN: 10, aheadM: 0.25, leftM: 0 })).toEqual({
      loadsN: [7.5, 2.5],
      stands: true,
    });
    expect(supportLoads(line, { forceN: 10, aheadM: 0.25, leftM: 0.1 }).stands).toBe(false);
    expect(supportLoads(line, { forceN: 10, aheadM: 1.5, leftM: 0 }).stands).toBe(false);
    expect(supportLoads([{ aheadM: 3, leftM: 1 }], { forceN: 10, aheadM: 3, leftM: 1 })).toEqual({
      loadsN: [10],
      stands: true,
    });
  });
});

const fourWheels = (wheelbaseM: number, trackM: number) =>
  [0, wheelbaseM].flatMap((aheadM) => [trackM / 2, -trackM / 2].map((leftM) => ({ aheadM, leftM })));

describe('wheel loads', () => {
  it('of four wheels are the axle loads of the lever law, on any grade, speeding up, with a hitch', () => {
    const vehicle = fc.record({
      massKg: finite(1, 500),
      cgAheadOfRearAxleM: finite(0.1, 0.9),
      cgHeightM: finite(0, 0.6),
      gradeDeg: finite(-20, 20),
      accelerationMps2: finite(-1, 1),
      drawbarN: finite(0, 50),
      hitchHeightM: finite(0, 0.3),
      hitchVerticalN: finite(0, 50),
      hitchBehindRearAxleM: finite(-0.2, 0.2),
    });
    fc.assert(
      fc.property(vehicle, (v) => {
        const axles = calculate('axle-loads', { ...v, wheelbaseM: 1 }) as { frontN: number; rearN: number };
        const { loads } = calculate('wheel-loads', { ...v, contacts: fourWheels(1, 0.6) }) as {
          loads: { loadN: number }[];
        };
        const [rl = 0, rr = 0, fl = 0, fr = 0] = loads.map(({ loadN }) => loadN);
        expect(Math.abs(fl + fr - axles.frontN)).toBeLessThan(1e-7 * Math.abs(v.massKg * 10));
        expect(Math.abs(rl + rr - axles.rearN)).toBeLessThan(1e-7 * Math.abs(v.massKg * 10));
        expect(Math.abs(fl - fr)).toBeLessThan(1e-7 * v.massKg * 10);
      }),
      { numRuns: many(500, 5000) },
    );
  });

  it('of six wheels add up and obey symmetry: mirrored loads for a mirrored load', () => {
    const six = [0, 0.4, 1].flatMap((aheadM) => [0.3, -0.3].map((leftM) => ({ aheadM, leftM })));
    const loadsWith = (cgLeftM: number): number[] =>
      (
        calculate('wheel-loads', {
          massKg: 90,
          cgAheadOfRearAxleM: 0.47,
          cgLeftM,
          cgHeightM: 0.3,
          gradeDeg: 4,
          contacts: six,
        }) as { loads: { loadN: number }[] }
      ).loads.map(({ loadN }) => loadN);
    const [left, right] = [loadsWith(0.05), loadsWith(-0.05)];
    expect(sum(left, (n) => n)).toBeCloseTo(90 * 9.80665 * Math.cos((4 * Math.PI) / 180), 6);
    // Swap each left wheel with its right one.
    left.forEach((load, n) => expect(load).toBeCloseTo(right[n % 2 === 0 ? n + 1 : n - 1] ?? NaN, 8));
    const middle = loadsWith(0);
    for (const n of [0, 2, 4]) expect(middle[n]).toBeCloseTo(middle[n + 1] ?? NaN, 8);
  });

  it('move to the outside in a turn as height over track says', () => {
    const { loads } = calculate('wheel-loads', {
      massKg: 100,
      cgAheadOfRearAxleM: 0.5,
      cgHeightM: 0.4,
      cornerMps2: 2,
      contacts: fourWheels(1, 0.8),
    }) as { loads: { loadN: number }[] };
    const [rl = 0, rr = 0, fl = 0, fr = 0] = loads.map(({ loadN }) => loadN);
    // m a h/t = 100 · 2 · 0.4/0.8 = 100 N from the left to the right (by hand).
    expect(rr + fr - (rl + fl)).toBeCloseTo(200, 9);
  });

  it('are refused where slope and side slope pass upright, or the hitch lifts it all', () => {
    const vehicle = { massKg: 10, cgAheadOfRearAxleM: 0.5, cgHeightM: 0.2, contacts: fourWheels(1, 1) };
    expect(() => calculate('wheel-loads', { ...vehicle, gradeDeg: 60, sideSlopeDeg: 60 })).toThrow(
      expect.objectContaining({ code: 'steeper-than-a-wall' }),
    );
    expect(() => calculate('wheel-loads', { ...vehicle, hitchVerticalN: -200 })).toThrow(
      expect.objectContaining({ code: 'hitch-lifts' }),
    );
  });
});

describe('tipping over any edge', () => {
  it('is what the calculator of three and four wheels says, for any place of the load', () => {
    const vehicle = fc.record({
      along: finite(0.05, 0.95),
      cgHeightM: finite(0.1, 2),
      trackM: finite(0.3, 2),
      offset: finite(-0.02, 0.02),
    });
    const layouts = {
      four: (t: number) => fourWheels(1, t),
      'single-front': (t: number) => [
        { aheadM: 0, leftM: t / 2 },
        { aheadM: 0, leftM: -t / 2 },
        { aheadM: 1, leftM: 0 },
      ],
      'single-rear': (t: number) => [
        { aheadM: 0, leftM: 0 },
        { aheadM: 1, leftM: t / 2 },
        { aheadM: 1, leftM: -t / 2 },
      ],
    } as const;
    fc.assert(
      fc.property(vehicle, fc.constantFrom('four', 'single-front', 'single-rear'), (v, layout) => {
        const share = { four: 1, 'single-front': 1 - v.along, 'single-rear': v.along }[layout];
        fc.pre((v.trackM / 2) * share > Math.abs(v.offset) + 0.001);
        const where = { cgAheadOfRearAxleM: v.along, cgHeightM: v.cgHeightM };
        const tip = calculate('side-tip', {
          layout,
          trackM: v.trackM,
          wheelbaseM: 1,
          ...where,
          cgOffsetM: Math.abs(v.offset),
        }) as { tipDeg: number };
        const any = calculate('tip-angles', {
          contacts: layouts[layout](v.trackM),
          ...where,
          cgLeftM: v.offset,
        }) as { sideDeg: number; worstDeg: number };
        expect(any.sideDeg).toBeCloseTo(tip.tipDeg, 8);
        expect(any.worstDeg).toBeLessThanOrEqual(any.sideDeg + 1e-9);
      }),
      { numRuns: many(500, 5000) },
    );
  });

  it('three wheels tip sooner than four (common practice, no source)', () => {
    const where = { cgAheadOfRearAxleM: 0.4, cgHeightM: 0.5 };
    const side = (contacts: readonly GroundPoint[]): number =>
      (calculate('tip-angles', { contacts, ...where }) as { sideDeg: number }).sideDeg;
    const three = [
      { aheadM: 0, leftM: 0.4 },
      { aheadM: 0, leftM: -0.4 },
      { aheadM: 1, leftM: 0 },
    ];
    expect(side(three)).toBeLessThan(side(fourWheels(1, 0.8)));
  });

  it('is refused for a load outside, and for wheels in one line', () => {
    const tip = (contacts: readonly GroundPoint[], ahead: number) => () =>
      calculate('tip-angles', { contacts, cgAheadOfRearAxleM: ahead, cgHeightM: 0.5 });
    expect(tip(fourWheels(1, 1), 1.2)).toThrow(expect.objectContaining({ code: 'falls-over' }));
    const line = [0, 0.5, 1].map((aheadM) => ({ aheadM, leftM: 0 }));
    expect(tip(line, 0.5)).toThrow(expect.objectContaining({ code: 'in-one-line' }));
  });
});
