import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { degreesToRadians, inUnits, typed } from '../quantity/index.ts';
import { HIT_M } from './straight.ts';
import { protocolOf } from './protocols.ts';
import type { TrialConditions } from './reading.ts';

const commanded = { commanded: typed(3, 'm') };
const straight = (sides: readonly number[], conditions: TrialConditions = commanded) =>
  protocolOf('straight-run').analyse(
    conditions,
    sides.map((side) => ({ side: typed(side, 'mm'), distance: typed(2.9, 'm') })),
  );
const measured = (result: ReturnType<typeof straight>, key: string) =>
  result.measured.find((one) => one.key === key);

describe('straight runs', () => {
  it('need ten for a verdict, however clear they look (common practice, no source)', () => {
    expect(straight([]).verdict).toBe('too-few');
    expect(straight(Array.from({ length: 9 }, () => 0.05)).verdict).toBe('too-few');
    const ten = [0.05, 0.06, 0.04, 0.05, 0.055, 0.05, 0.045, 0.06, 0.05, 0.05];
    expect(straight(ten).verdict).toBe('veers-right');
  });

  it('tell left from right, and both from luck', () => {
    const even = [0.03, -0.04, 0.02, -0.02, 0.05, -0.03, 0.01, -0.05, 0.04, -0.02];
    expect(straight(even).verdict).toBe('no-bias-shown');
    expect(straight(even.map((x) => x - 0.06)).verdict).toBe('veers-left');
  });

  it('never say by luck what their interval of 0 contradicts, whatever the readings', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.2, max: 0.3, noNaN: true }), { minLength: 10, maxLength: 14 }),
        (sides) => {
          const result = straight(sides);
          const side = measured(result, 'side');
          const away = (side?.low ?? NaN) > 0 || (side?.high ?? NaN) < 0;
          expect((result.luck ?? NaN) < 0.05).toBe(away);
          expect(result.verdict === 'no-bias-shown').toBe(!away);
          if (away) expect(result.verdict).toBe((side?.value ?? 0) > 0 ? 'veers-right' : 'veers-left');
        },
      ),
    );
    // One-sided nine of ten, but by next to nothing beside its spread: no bias, and luck says so too.
    const lopsided = [0.001, 0.002, 0.001, 0.003, 0.001, 0.002, 0.001, 0.002, 0.001, -0.3];
    expect(straight(lopsided).luck).toBeGreaterThan(0.05);
    expect(straight(lopsided).verdict).toBe('no-bias-shown');
  });

  it('count hits within a limit, the edge one too, and 5 cm where none is said', () => {
    const said = (conditions: TrialConditions): string =>
      inUnits(straight([0.02, -0.05, 0.051, 0], conditions).notes[0] ?? [], 'metric').replaceAll(
        '\u00a0',
        ' ',
      );
    expect(said(commanded)).toBe('3 of 4 within 50 mm of the line.');
    expect(said({ ...commanded, limit: typed(0.02, 'mm') })).toBe('2 of 4 within 20 mm of the line.');
    expect(HIT_M).toBe(0.05);
  });

  it('tell a drift from run to run, and ask for more runs only where they scatter about the line', () => {
    const notes = (sides: readonly number[]): string =>
      straight(sides)
        .notes.map((note) => inUnits(note, 'metric'))
        .join(' ');
    const drifting = Array.from({ length: 10 }, (_, n) => 0.01 * n + (n % 2 ? 0.002 : 0));
    expect(notes(drifting)).toMatch(/It wanders: each run is about 10.mm further right than the one before/);
    const wide = [0.2, -0.2, 0.15, -0.15, 0.1, -0.1, 0.25, -0.25, 0.05, -0.05];
    // s = 0.174 m: n = 50 is the least with t·s/√n ≤ 0.05 m (2.0096·0.174/√50 = 0.0495).
    expect(notes(wide)).toMatch(/About 40 more runs would tell the mean within 50.mm/);
    expect(notes(drifting)).not.toContain('more runs');
  });

  it('set the way beside the one ordered', () => {
    expect(measured(straight([0, 0.01]), 'share')?.value).toBeCloseTo(2.9 / 3, 12);
  });

  it('name a run out of line, and count it', () => {
    const result = straight([0.01, 0.012, 0.011, 0.009, 0.01, 0.4, 0.01, 0.011, 0.012, 0.01]);
    expect(result.outliers).toEqual([5]);
    expect(measured(result, 'side')?.n).toBe(10);
    expect(result.notes.map((note) => inUnits(note, 'metric')).join(' ')).toContain('Run 6 is out of line');
  });
});

const turned = (degs: readonly (readonly ['left' | 'right', number])[]) =>
  protocolOf('pivots').analyse(
    { commanded: typed(degreesToRadians(360), '°') },
    degs.map(([way, deg]) => ({ way, turned: typed(degreesToRadians(deg), '°') })),
  );

describe('turns on the spot', () => {
  it('order so much more as they fall short: 360 of 342 is 1.0526 (arithmetic)', () => {
    const result = turned(
      Array.from({ length: 10 }, (_, n) => [n % 2 ? 'left' : 'right', 342 + (n % 3) - 1]),
    );
    expect(result.verdict).toBe('turns-short');
    expect(result.measured.find(({ key }) => key === 'correction')?.value).toBeCloseTo(360 / 341.9, 3);
  });

  it('tell the two ways apart', () => {
    const result = turned(
      Array.from({ length: 10 }, (_, n) => [n % 2 ? 'left' : 'right', (n % 2 ? 350 : 361) + 0.1 * n]),
    );
    expect(result.measured.find(({ key }) => key === 'share-right')?.value).toBeGreaterThan(1);
    expect(inUnits(result.notes[0] ?? [], 'metric')).toMatch(/further to the right, by 3\.0\d.% of what/);
  });
});

describe('distance by counts', () => {
  it('gives the diameter that the wheel has: counts say 4 m, the tape 3.92 m, of a wheel of 200 mm (arithmetic)', () => {
    const result = protocolOf('distance').analyse(
      { commanded: typed(4, 'm'), diameter: typed(0.2, 'mm') },
      [3.92, 3.921, 3.919, 3.92, 3.92].map((m) => ({ distance: typed(m, 'm') })),
    );
    expect(result.verdict).toBe('runs-short');
    expect(result.measured.find(({ key }) => key === 'diameter')?.value).toBeCloseTo(0.196, 9);
  });
});

describe('a square both ways', () => {
  const run = (ahead: readonly [number, number]) =>
    protocolOf('square').analyse(
      { side: typed(4, 'm'), track: typed(0.34, 'mm') },
      (['clockwise', 'counter'] as const).flatMap((way, n) =>
        Array.from({ length: 5 }, () => ({ way, ahead: typed(ahead[n] ?? 0, 'mm'), left: typed(0, 'mm') })),
      ),
    );

  it('finds the track alone where both ways err alike (Borenstein & Feng 1996, from memory)', () => {
    const { measured: found } = run([-0.1, -0.1]);
    expect(found.find(({ key }) => key === 'trackRatio')?.value).toBeCloseTo(1.0080216, 6);
    expect(found.find(({ key }) => key === 'diameterRatio')?.value).toBeCloseTo(1, 12);
  });

  it('finds the wheels where they err against each other, and wants five each way', () => {
    const { measured: found } = run([0.1, -0.1]);
    expect(found.find(({ key }) => key === 'trackRatio')?.value).toBeCloseTo(1, 12);
    expect(found.find(({ key }) => key === 'diameterRatio')?.value).not.toBeCloseTo(1, 4);
    const four = protocolOf('square').analyse({ side: typed(4, 'm'), track: typed(0.34, 'mm') }, []);
    expect(four.verdict).toBe('too-few');
  });
});

describe('a steering after a turn', () => {
  it('parts play from a middle that is off: ±2° about 1°', () => {
    const readings = Array.from({ length: 10 }, (_, n) => ({
      from: n % 2 ? 'left' : 'right',
      off: typed(degreesToRadians(1 + (n % 2 ? -2 : 2) + 0.01 * n), '°'),
    }));
    const { measured: found } = protocolOf('steering-return').analyse({}, readings);
    expect(found.find(({ key }) => key === 'off')?.value).toBeCloseTo(degreesToRadians(1.045), 9);
    expect(found.find(({ key }) => key === 'play')?.value).toBeCloseTo(degreesToRadians(3.99), 9);
  });
});
