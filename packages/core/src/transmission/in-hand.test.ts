import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wormLeadAngle } from './worm-lead-angle.ts';
import { largestSprocket } from './largest-sprocket.ts';
import { gearModule } from './gear-module.ts';
import { chainPitch } from './chain-pitch.ts';
import { CHAIN_NAMES, chainDrive, chainSize, gearPair, teethForRatio, wormPair } from './index.ts';
import { many } from '../testing/many.ts';

describe('a gear in hand', () => {
  it('is known again by what it was made with', () => {
    const sizes = fc.record({
      moduleMm: fc.constantFrom(0.5, 0.8, 1, 1.25, 1.5, 2, 2.5, 3, 4, 5),
      teeth: fc.integer({ min: 8, max: 120 }),
    });
    fc.assert(
      fc.property(sizes, ({ moduleMm, teeth }) => {
        const made = gearPair.run(gearPair.input.parse({ moduleMm, teethDriver: teeth, teethDriven: teeth }));
        const found = gearModule.run({ outsideDiameterMm: made.outsideDiameterDriverMm, teeth });
        expect(found.nearestModuleMm).toBe(moduleMm);
        expect(found.likely).toBe('module');
      }),
    );
  });

  it('that is neither says so, and one that may be both warns', () => {
    expect(gearModule.run({ outsideDiameterMm: 1.62 * 22, teeth: 20 }).likely).toBe('neither');
    // 1.06 mm is 24 pitch; module 1 and 1.125 are 6 % away.
    expect(gearModule.run({ outsideDiameterMm: (25.4 / 24) * 22, teeth: 20 }).likely).toBe('diametral-pitch');
    // 0.8 mm and 32 pitch (0.794 mm) are less than 1 % apart.
    expect(gearModule.run({ outsideDiameterMm: 0.797 * 22, teeth: 20 }).warnings[0]?.code).toBe(
      'two-standards',
    );
  });
});

describe('a worm in hand', () => {
  it('gives the same angle as the pair that it belongs to', () => {
    const worms = fc.record({
      starts: fc.integer({ min: 1, max: 4 }),
      axialModuleMm: fc.double({ min: 0.5, max: 6, noNaN: true }),
      wormPitchDiameterMm: fc.double({ min: 14, max: 80, noNaN: true }),
    });
    fc.assert(
      fc.property(worms, (worm) => {
        const pair = wormPair.run(wormPair.input.parse({ ...worm, wheelTeeth: 40, friction: 0.05 }));
        const measured = wormLeadAngle.run({
          circumferenceMm: Math.PI * (worm.wormPitchDiameterMm + 2 * worm.axialModuleMm),
          threads: 7,
          lengthMm: 7 * Math.PI * worm.axialModuleMm,
          starts: worm.starts,
        });
        expect(measured.leadAngleDeg).toBeCloseTo(pair.leadAngleDeg, 9);
      }),
    );
  });

  it('cannot have threads deeper than itself', () => {
    expect(() => wormLeadAngle.run({ circumferenceMm: 10, threads: 1, lengthMm: 20, starts: 1 })).toThrow(
      /thick/,
    );
  });
});

describe('a chain in hand', () => {
  it('is known again, and its wear told', () => {
    for (const name of CHAIN_NAMES) {
      const { pitchMm } = chainSize(name);
      const fresh = chainPitch.run({ lengthMm: 10 * pitchMm, pitches: 10 });
      expect(fresh.sizes).toContain(name);
      expect(fresh.warnings).toHaveLength(1);
      const worn = chainPitch.run({ lengthMm: 10 * pitchMm * 1.025, pitches: 10 });
      expect(worn.sizes).toContain(name);
      expect(worn.elongation).toBeCloseTo(0.025, 9);
      expect(worn.warnings[0]?.code).toBe('worn');
    }
    expect(chainPitch.run({ lengthMm: 100.9, pitches: 10 }).warnings[0]?.code).toBe('no-standard');
  });
});

describe('the largest sprocket', () => {
  it('clears, and one tooth more would not', () => {
    const cases = fc.record({
      wheelDiameterM: fc.double({ min: 0.08, max: 0.8, noNaN: true }),
      share: fc.double({ min: 0, max: 0.25, noNaN: true }),
      chain: fc.constantFrom(...CHAIN_NAMES),
    });
    fc.assert(
      fc.property(cases, ({ wheelDiameterM, share, chain }) => {
        const clearanceM = wheelDiameterM * share;
        let found;
        try {
          found = largestSprocket.run({ wheelDiameterM, clearanceM, chain });
        } catch {
          return;
        }
        const { pitchMm } = chainSize(chain);
        const over = (z: number) => pitchMm / Math.sin(Math.PI / z) + 0.95 * pitchMm;
        const room = (wheelDiameterM - 2 * clearanceM) * 1000;
        expect(over(found.teeth)).toBeLessThanOrEqual(room * (1 + 1e-9));
        expect(over(found.teeth + 1)).toBeGreaterThan(room * (1 - 1e-9));
        // The chain drive works with the same pitch diameter.
        if (found.teeth >= 10) {
          const drive = chainDrive.run({ chain, teethSmall: 10, teethLarge: found.teeth, centreMm: 2000 });
          expect(drive.pitchDiameterLargeMm).toBeCloseTo(found.pitchDiameterMm, 9);
        }
      }),
    );
  });

  it('says what to change where none clears', () => {
    expect(() => largestSprocket.run({ wheelDiameterM: 0.05, clearanceM: 0.02, chain: 'ansi-40' })).toThrow(
      /smaller chain/,
    );
  });
});

describe('teeth for a ratio', () => {
  it('are the nearest of all pairs, by trying each', () => {
    const asked = fc.record({
      ratio: fc.double({ min: 0.3, max: 5, noNaN: true }),
      teethLeast: fc.integer({ min: 8, max: 20 }),
      spread: fc.integer({ min: 0, max: 50 }),
      tolerance: fc.constantFrom(0.005, 0.02, 0.1),
    });
    fc.assert(
      fc.property(asked, ({ ratio, teethLeast, spread, tolerance }) => {
        const teethMost = teethLeast + spread;
        let least = Infinity;
        let within = 0;
        for (let a = teethLeast; a <= teethMost; a++)
          for (let b = teethLeast; b <= teethMost; b++) {
            const off = Math.abs(b / a / ratio - 1);
            least = Math.min(least, off);
            if (off <= tolerance - 1e-9) within++;
          }
        if (least > tolerance + 1e-9) {
          expect(() => teethForRatio.run({ ratio, tolerance, teethLeast, teethMost })).toThrow(/No pair/);
          return;
        }
        if (least > tolerance - 1e-9) return;
        const found = teethForRatio.run({ ratio, tolerance, teethLeast, teethMost });
        expect(Math.abs(found.deviation)).toBeCloseTo(least, 12);
        expect(found.count).toBeGreaterThanOrEqual(within);
        expect(found.combinations.length).toBeLessThanOrEqual(12);
      }),
      { numRuns: many(300, 3000) },
    );
  });
});
