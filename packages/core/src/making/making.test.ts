import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';

const codes = (found: unknown): string[] =>
  (found as { warnings: readonly (string | { code: string })[] }).warnings.map((w) =>
    typeof w === 'string' ? w : w.code,
  );

describe('belt tension', () => {
  it('is that of a row of beads on a string, shaken in its lowest way', () => {
    // Beads of m h on a thread: the lowest of their frequencies by power iteration on the inverse (statics of each).
    const [length, perM, tension, beads] = [0.4, 0.05, 60, 400];
    const h = length / (beads + 1);
    let shape = Array.from({ length: beads }, () => 1);
    let stretch = 1;
    for (let round = 0; round < 12; round += 1) {
      // Tridiagonal (2, −1) x = h²/T · load, load = mass a metre times shape.
      const load = shape.map((x) => (perM * x * h * h) / tension);
      const c: number[] = [];
      const d: number[] = [];
      load.forEach((l, n) => {
        const w = 2 + (n === 0 ? 0 : (c[n - 1] ?? 0));
        c[n] = -1 / w;
        d[n] = (l + (d[n - 1] ?? 0)) / w;
      });
      const next = new Array<number>(beads).fill(0);
      for (let n = beads - 1; n >= 0; n -= 1) next[n] = (d[n] ?? 0) - (c[n] ?? 0) * (next[n + 1] ?? 0);
      stretch = Math.max(...next);
      shape = next.map((x) => x / stretch);
    }
    const hz = 1 / (2 * Math.PI * Math.sqrt(stretch));
    expect(calculate('belt-tension', { freeLengthM: length, massKgPerM: perM, hz })).toMatchObject({
      methodUsed: 'hum',
      tensionN: expect.closeTo(tension, 2) as number,
    });
  });

  it('pushed, is what holds the push at the corner of the strand', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 500, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        (tension, length) => {
          const deflectionM = length / 64;
          const lean = Math.atan2(deflectionM, length / 2);
          const found = calculate('belt-tension', {
            freeLengthM: length,
            pushN: 2 * tension * Math.sin(lean),
            deflectionM,
          }) as { tensionN: number };
          // Small angles: tan for sin, under a thousandth.
          expect(found.tensionN / tension).toBeCloseTo(1, 3);
          expect(codes(found)).toEqual([]);
        },
      ),
    );
  });

  it('tunes to a tension that its tone gives back, and says the tone beside a push', () => {
    const tuned = calculate('belt-tension', { freeLengthM: 0.3, massKgPerM: 0.02, tensionN: 50 }) as {
      hz: number;
    };
    expect(calculate('belt-tension', { freeLengthM: 0.3, massKgPerM: 0.02, hz: tuned.hz })).toMatchObject({
      tensionN: expect.closeTo(50, 9) as number,
    });
    expect(
      calculate('belt-tension', { freeLengthM: 0.64, pushN: 8, deflectionM: 0.01, massKgPerM: 0.02 }),
    ).toMatchObject({ methodUsed: 'push', hz: expect.closeTo(62.5, 9) as number });
  });

  it('is wary of a far push and of a short strand that hums', () => {
    expect(codes(calculate('belt-tension', { freeLengthM: 0.5, pushN: 5, deflectionM: 0.011 }))).toHaveLength(
      1,
    );
    expect(codes(calculate('belt-tension', { freeLengthM: 0.5, pushN: 5, deflectionM: 0.01 }))).toHaveLength(
      0,
    );
    expect(codes(calculate('belt-tension', { freeLengthM: 0.06, massKgPerM: 0.02, hz: 300 }))).toHaveLength(
      1,
    );
  });

  it.each([
    ['nothing to go by', { freeLengthM: 1 }],
    ['two ways at once', { freeLengthM: 1, massKgPerM: 1, hz: 10, tensionN: 5 }],
    ['a tone of a belt of unknown mass', { freeLengthM: 1, hz: 10 }],
    ['a push without how far it gave', { freeLengthM: 1, pushN: 10 }],
    ['how far it gave without a push', { freeLengthM: 1, deflectionM: 0.01, massKgPerM: 1, hz: 3 }],
  ])('refuses %s', (_, given) => {
    expect(() => calculate('belt-tension', given)).toThrow(expect.objectContaining({ name: 'ZodError' }));
  });
});

describe('tightening of a screw', () => {
  // Pitches of the coarse thread, and A = π/4 (d − 0.9382 P)²: ISO 898-1, from memory.
  it.each([
    ['M3', 3, 0.5],
    ['M4', 4, 0.7],
    ['M5', 5, 0.8],
    ['M6', 6, 1],
    ['M8', 8, 1.25],
    ['M10', 10, 1.5],
    ['M12', 12, 1.75],
  ])('%s has the stress area of its thread', (size, d, pitch) => {
    const { stressAreaMm2 } = calculate('bolt-tightening', { size, grade: '8.8' }) as {
      stressAreaMm2: number;
    };
    expect(stressAreaMm2 / ((Math.PI / 4) * (d - 0.9382 * pitch) ** 2)).toBeCloseTo(1, 2);
  });

  // Proof loads of coarse threads, N: ISO 898-1 table 5, from memory.
  it.each([
    ['M5', '8.8', 8230],
    ['M8', '8.8', 21200],
    ['M12', '8.8', 48900],
    ['M6', '10.9', 16700],
    ['M10', '10.9', 48100],
    ['M8', '12.9', 35500],
    ['M12', '12.9', 81800],
  ])('%s of %s may be pulled to its proof load', (size, grade, proofN) => {
    const { preloadN, torqueNm } = calculate('bolt-tightening', {
      size,
      grade,
      proofShare: 1,
      nutFactor: 0.15,
    }) as {
      preloadN: number;
      torqueNm: number;
    };
    expect(preloadN / proofN).toBeCloseTo(1, 2);
    // The same screw as a lever of 0.15 diameters.
    expect(torqueNm / preloadN).toBeCloseTo((0.15 * Number(size.slice(1))) / 1000, 12);
  });

  it('takes stainless for softer, and always says what else is to be watched', () => {
    const stainless = calculate('bolt-tightening', { size: 'M6', grade: 'A2-70' }) as { proofMPa: number };
    expect(stainless.proofMPa).toBe(450);
    expect(codes(stainless)).toHaveLength(3);
  });
});

/** Whether a rectangle lies in another at some angle, by trying them. */
function liesAtSomeAngle(p: number, q: number, a: number, b: number): boolean {
  for (let n = 0; n <= 9000; n += 1) {
    const [c, s] = [Math.cos((n * Math.PI) / 18000), Math.sin((n * Math.PI) / 18000)];
    if ((p * c + q * s <= a && p * s + q * c <= b) || (p * c + q * s <= b && p * s + q * c <= a)) return true;
  }
  return false;
}

describe('a part in a printer', () => {
  const side = fc.integer({ min: 10, max: 400 });
  const asBox = ([xMm, yMm, zMm]: readonly number[]) => ({ xMm, yMm, zMm });

  it('fits where its rectangle lies at some angle and it is not too high', () => {
    fc.assert(
      fc.property(fc.tuple(side, side, side), fc.tuple(side, side, side), (part, room) => {
        const { fits, pieces } = calculate('print-fit', { part: asBox(part), printer: asBox(room) }) as {
          fits: string;
          pieces: number;
        };
        const [x, y, z] = part;
        const [a, b, height] = room;
        const tried = (slack: number) =>
          (
            [
              [x, y, z],
              [x, z, y],
              [y, z, x],
            ] as const
          ).some(([p, q, up]) => up <= height && liesAtSomeAngle(p - slack, q - slack, a, b));
        // Angles are tried in steps: what fits with a tenth of a millimetre to spare is found.
        if (fits !== 'no') expect(tried(0.1)).toBe(true);
        else expect(tried(0)).toBe(false);
        expect(pieces === 1).toBe(fits !== 'no');
      }),
      { numRuns: 60 },
    );
  });

  it('is the same whichever way part and bed are named', () => {
    fc.assert(
      fc.property(fc.tuple(side, side, side), fc.tuple(side, side, side), ([x, y, z], [a, b, h]) => {
        const one = calculate('print-fit', { part: asBox([x, y, z]), printer: asBox([a, b, h]) });
        expect(calculate('print-fit', { part: asBox([z, x, y]), printer: asBox([b, a, h]) })).toEqual(one);
      }),
    );
  });

  it('is cut into as few boxes as an order of the axes gives', () => {
    const cut = (part: number[], room: number[]) =>
      (calculate('print-fit', { part: asBox(part), printer: asBox(room) }) as { pieces: number }).pieces;
    expect(cut([500, 100, 100], [200, 200, 250])).toBe(2);
    expect(cut([201, 201, 201], [200, 200, 200])).toBe(8);
  });
});

describe('filament', () => {
  // Facts of the trade (common practice, no source): a kilogram is some 335 m of 1.75 mm and 126 m of 2.85 mm.
  it.each([
    [1.75, 335],
    [2.85, 126],
  ])('a kilogram of %s mm is the length that spools are sold with', (diameterMm, metres) => {
    const { lengthM } = calculate('filament', { massG: 1000, diameterMm }) as { lengthM: number };
    expect(lengthM / metres).toBeCloseTo(1, 1);
  });

  it('is had by whole spools', () => {
    const spools = (massG: number) => (calculate('filament', { massG }) as { spools: number }).spools;
    expect([spools(999), spools(1000), spools(1001)]).toEqual([1, 1, 2]);
  });
});

describe('run-out', () => {
  const run = (given: object) => calculate('run-out', given);
  const belt = {
    driverRunOutMm: 0.4,
    drivenRunOutMm: 0,
    driverDiameterMm: 40,
    drivenDiameterMm: 120,
    centreMm: 200,
    tensionN: 60,
    stiffnessN: 20000,
  };
  /** The length of an open belt, by its strands and arcs. */
  const length = (r: number, s: number, c: number): number => {
    const alpha = Math.asin((s - r) / c);
    return 2 * c * Math.cos(alpha) + (Math.PI - 2 * alpha) * r + (Math.PI + 2 * alpha) * s;
  };

  it('lengthens the way as the belt is longer whose shafts are apart by half of it more, and shorter by half less', () => {
    const { lengthSwingMm, tensionSwingN } = run(belt) as Record<string, number>;
    const swing = length(20, 60, 200.2) - length(20, 60, 199.8);
    expect(lengthSwingMm).toBeCloseTo(swing, 5);
    expect(tensionSwingN).toBeCloseTo((20000 * swing) / length(20, 60, 200), 2);
  });

  it('lets the tension swing evenly about what it is, below nothing where it hangs loose', () => {
    const { leastTensionN, mostTensionN } = run({ ...belt, driverRunOutMm: 2.4 }) as Record<string, number>;
    expect(((leastTensionN ?? 0) + (mostTensionN ?? 0)) / 2).toBeCloseTo(60, 9);
    expect(leastTensionN).toBeLessThan(0);
  });

  /* A shallow parabola over a chord s with sag f is longer than it by 8 f²/(3 s): both ends of the swing give the mean excess back. */
  it('lets a chain sag more and less, its length conserved, until it is taut', () => {
    const chain = {
      driverRunOutMm: 0.1,
      drivenRunOutMm: 0,
      driverDiameterMm: 50,
      drivenDiameterMm: 50,
      centreMm: 300,
    };
    const { leastSagMm = 0, mostSagMm = 0 } = run({ ...chain, sagMm: 8 }) as Record<string, number>;
    expect((leastSagMm ** 2 + mostSagMm ** 2) / 2).toBeCloseTo(64, 6);
    expect((8 * (mostSagMm ** 2 - leastSagMm ** 2)) / (3 * 300)).toBeCloseTo(0.2, 9);
    expect(run({ ...chain, sagMm: 2 })).toMatchObject({ leastSagMm: 0 });
  });

  it('swings the speed by each radius over its own', () => {
    expect(run({ ...belt, drivenRunOutMm: 0.6 })).toMatchObject({ speedSwing: 0.4 / 40 + 0.6 / 120 });
  });

  it.each([
    [{ centreMm: 70 }, /the wheels overlap/],
    [{ driverRunOutMm: 20 }, /no wheel swings by its own radius/],
    [{ tensionN: undefined }, /wants both/],
  ])('refuses %j', (others, message) => {
    expect(() => run({ ...belt, ...others })).toThrow(message);
  });
});

describe('a gearbox on a frame that bends', () => {
  const given = { slopeDeg: 0.4, shaftMm: 12, freeMm: 80, torqueNm: 15, armMm: 60 };
  /* The end of a cantilever of length l is moved aside by θ l: by adding up its bending twice, in a thousand steps. */
  it('binds as a shaft does whose bending, added up twice, ends aside by its slope times its length', () => {
    const { bindingN, bindingNm, bindingMPa } = calculate('gearbox-mount', given) as Record<string, number>;
    const inertia = (Math.PI * 0.012 ** 4) / 64;
    let [slope, aside] = [0, 0];
    const step = 0.08 / 1000;
    for (let n = 0; n < 1000; n += 1) {
      const x = (n + 0.5) * step;
      aside += slope * step + (0.5 * step ** 2 * (bindingN ?? 0) * (0.08 - x)) / (205e9 * inertia);
      slope += (step * (bindingN ?? 0) * (0.08 - x)) / (205e9 * inertia);
    }
    expect(aside).toBeCloseTo(((0.4 * Math.PI) / 180) * 0.08, 8);
    expect(bindingNm).toBeCloseTo((bindingN ?? 0) * 0.08, 9);
    expect(bindingMPa).toBeCloseTo(((bindingNm ?? 0) * 0.006) / inertia / 1e6, 6);
  });

  it('floating takes its torque at its arm, whatever the frame does', () => {
    expect(calculate('gearbox-mount', given)).toMatchObject({ armN: 250 });
    expect(calculate('gearbox-mount', { ...given, slopeDeg: 0 })).toMatchObject({ armN: 250, bindingN: 0 });
  });
});
