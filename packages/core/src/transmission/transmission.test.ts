import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gearTrain } from './gear-train.ts';
import { typed } from '../quantity/index.ts';
import { chainDrive, stageFigures, stageStrength, type Stage } from './index.ts';
import { many } from '../testing/many.ts';

const HORSEPOWER_W = 745.7;
const chain = (input: Parameters<typeof chainDrive.run>[0]) => chainDrive.run(input);

describe('chain-drive', () => {
  // Shigley's Mechanical Engineering Design, table 17-20, 17 teeth, horsepower (from memory).
  it.each([
    ['ansi-25', 50, 0.05, 0.005],
    ['ansi-35', 50, 0.16, 0.005],
    ['ansi-40', 50, 0.37, 0.005],
    ['ansi-40', 100, 0.69, 0.005],
    ['ansi-40', 1000, 5.48, 0.01],
    ['ansi-41', 50, 0.2, 0.005],
    ['ansi-41', 100, 0.38, 0.005],
    ['ansi-50', 50, 0.72, 0.005],
    ['ansi-60', 50, 1.24, 0.006],
    ['ansi-80', 50, 2.88, 0.006],
  ] as const)(
    '%s at %d rpm is rated %d hp (Shigley, table 17-20)',
    (name, smallRpm, horsepower, tolerance) => {
      const { ratedW = 0 } = chain({ chain: name, teethSmall: 17, teethLarge: 17, centreMm: 2000, smallRpm });
      expect(Math.abs(ratedW / HORSEPOWER_W - horsepower)).toBeLessThanOrEqual(tolerance);
    },
  );

  // Sprocket tables of the trade (from memory).
  it('has the diameters of sprocket tables: 40 with 17 teeth 2.721 and 2.98 in, 35 with 15 teeth 1.804 in', () => {
    const forty = chain({ chain: 'ansi-40', teethSmall: 17, teethLarge: 17, centreMm: 300 });
    expect(forty.pitchDiameterSmallMm / 25.4).toBeCloseTo(2.721, 3);
    expect(forty.outsideDiameterSmallMm).toBeCloseTo(75.559, 3);
    const thirtyFive = chain({ chain: 'ansi-35', teethSmall: 15, teethLarge: 15, centreMm: 300 });
    expect(thirtyFive.pitchDiameterSmallMm).toBeCloseTo(45.8127, 4);
  });

  it('has 212.3 mm across 70 teeth of 3/8 in pitch (common practice, no source)', () => {
    const { pitchDiameterLargeMm } = chain({
      chain: 'ansi-35',
      teethSmall: 9,
      teethLarge: 70,
      centreMm: 300,
    });
    expect(pitchDiameterLargeMm).toBeCloseTo(212.3, 1);
  });

  // Shigley, ch. 17, chordal speed variation.
  it.each([
    [9, 0.06155],
    [17, 0.01712],
    [25, 0.00791],
  ])('swings by the chord of %d teeth', (teethSmall, variation) => {
    expect(chain({ pitchMm: 12.7, teethSmall, teethLarge: 40, centreMm: 400 }).chordalVariation).toBeCloseTo(
      variation,
      5,
    );
  });

  it('closes: even links, and the exact loop round both circles is that long to a hundredth of a link (geometry)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 9, max: 40 }),
        fc.integer({ min: 0, max: 60 }),
        fc.double({ min: 1.2, max: 6, noNaN: true }),
        (teethSmall, more, spread) => {
          const teethLarge = teethSmall + more;
          const p = 12.7;
          const reach = (p / Math.sin(Math.PI / teethSmall) + p / Math.sin(Math.PI / teethLarge)) / 2;
          const { links, centreForLinksMm: c } = chain({
            pitchMm: p,
            teethSmall,
            teethLarge,
            centreMm: reach * spread + p,
          });
          expect(links % 2).toBe(0);
          // The loop as arcs on circles of z·p round, the usual circle approximation of the polygon.
          const [r, big] = [(teethSmall * p) / (2 * Math.PI), (teethLarge * p) / (2 * Math.PI)];
          const lean = Math.asin((big - r) / c);
          const loop = 2 * c * Math.cos(lean) + Math.PI * (big + r) + 2 * lean * (big - r);
          // The standard's formula leaves out terms of the fourth order in the lean.
          expect(Math.abs(loop / p - links)).toBeLessThan(0.01 + 0.6 * lean ** 4 * (c / p));
        },
      ),
      { numRuns: many(1000, 10000) },
    );
  });

  it('refuses what cannot be, saying what to change', () => {
    const overlap = { chain: 'ansi-35', teethSmall: 10, teethLarge: 36, centreMm: 60 } as const;
    expect(() => chain(overlap)).toThrow(expect.objectContaining({ code: 'sprockets-overlap' }));
    expect(() => chain({ pitchMm: 10, teethSmall: 1, teethLarge: 20, centreMm: 300 })).toThrow(
      expect.objectContaining({ code: 'too-few-teeth' }),
    );
  });

  it('gives pull, factor and speed only where they are asked for', () => {
    const bare = chain({ pitchMm: 9.525, teethSmall: 10, teethLarge: 36, centreMm: 181.5 });
    expect(bare).not.toHaveProperty('pullN');
    expect(bare).not.toHaveProperty('ratedW');
    const loaded = chain({
      chain: 'ansi-35',
      teethSmall: 10,
      teethLarge: 36,
      centreMm: 181.5,
      torqueNm: 11.9,
      smallRpm: 137.5,
    });
    expect(loaded.pullN).toBeCloseTo((2000 * 11.9) / loaded.pitchDiameterSmallMm, 9);
    expect(loaded.tensileFactor).toBeCloseTo(7830 / (loaded.pullN ?? 0), 9);
    expect(loaded.chainMps).toBeCloseTo((10 * 9.525 * 137.5) / 60000, 12);
    expect(loaded.links).toBe(62);
  });
});

describe('gear-train', () => {
  it('speeds up five times where 60 teeth drive 12 (common practice, no source)', () => {
    const { ratio, outputRpm } = gearTrain.run({
      stages: [{ teethDriver: 60, teethDriven: 12, efficiency: 1 }],
      inputRpm: 100,
    });
    expect(ratio).toBe(0.2);
    expect(outputRpm).toBe(500);
  });

  it('gives out no more power than goes in', () => {
    const stage = fc.record({
      teethDriver: fc.integer({ min: 8, max: 90 }),
      teethDriven: fc.integer({ min: 8, max: 90 }),
      efficiency: fc.double({ min: 0.1, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(stage, { minLength: 1, maxLength: 8 }), (stages) => {
        const { outputRpm = 0, outputTorqueNm = 0 } = gearTrain.run({
          stages,
          inputRpm: 100,
          inputTorqueNm: 2,
        });
        expect(outputRpm * outputTorqueNm).toBeLessThanOrEqual(200 * (1 + 1e-9));
      }),
    );
  });
});

describe('a chain stage', () => {
  const stage: Stage = {
    id: 's',
    kind: 'chain',
    chain: 'ansi-35',
    teethDriver: 10,
    teethDriven: 36,
    centre: typed(0.1815, 'mm'),
    efficiency: typed(0.96, '%'),
  };

  it('carries the torque of its small sprocket whichever side drives', () => {
    const down = stageStrength(stage, { inputTorqueNm: 10, inputRpm: 100 });
    const up = stageStrength(
      { ...stage, teethDriver: 36, teethDriven: 10 },
      { inputTorqueNm: 36, inputRpm: 100 },
    );
    expect(up?.needs).toBeCloseTo(down?.needs ?? 0, 9);
    expect(down?.has).toBeCloseTo(7830 / 7, 9);
  });

  it('says why it cannot be built, and warns of rough running', () => {
    expect(stageFigures({ ...stage, centre: typed(0.02, 'mm') }).problem?.code).toBe('sprockets-overlap');
    expect(stageFigures({ ...stage, teethDriver: 7 }).warnings.map(({ code }) => code)).toEqual([
      'few-teeth',
    ]);
    expect(stageFigures(stage)).toMatchObject({ ratio: 3.6, warnings: [] });
  });
});
