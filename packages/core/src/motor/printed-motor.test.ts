import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dcMotorConstants, dcMotorPoint, motorFromPrint, type PrintedMotor } from './index.ts';

/** A motor by its law: k in V·s/rad, R in ohms, I0 in amperes. */
interface Law {
  readonly voltageV: number;
  readonly k: number;
  readonly ohm: number;
  readonly idleA: number;
}
const motors = fc
  .record({
    voltageV: fc.double({ min: 3, max: 48, noNaN: true }),
    k: fc.double({ min: 0.002, max: 0.5, noNaN: true }),
    stallA: fc.double({ min: 2, max: 200, noNaN: true }),
    idle: fc.double({ min: 0.021, max: 0.099, noNaN: true }),
  })
  .map(({ voltageV, k, stallA, idle }): Law => ({
    voltageV,
    k,
    ohm: voltageV / stallA,
    idleA: idle * stallA,
  }));

/** What would be printed on it, by motor theory, at a load of a share of its stall current. */
function sheetOf({ voltageV, k, ohm, idleA }: Law, share = 0.25) {
  const stallA = voltageV / ohm;
  const ratedA = idleA + share * (stallA - idleA);
  const ratedRadS = (voltageV - ratedA * ohm) / k;
  const ratedTorqueNm = k * (ratedA - idleA);
  return {
    voltageV,
    noLoadRpm: ((voltageV - idleA * ohm) / k) * (30 / Math.PI),
    noLoadA: idleA,
    stallTorqueNm: k * (stallA - idleA),
    stallA,
    ratedW: ratedTorqueNm * ratedRadS,
    ratedRpm: ratedRadS * (30 / Math.PI),
    ratedA,
    ratedTorqueNm,
    kvRpmPerV: 30 / (Math.PI * k),
    resistanceOhm: ohm,
  };
}
type Sheet = ReturnType<typeof sheetOf>;
const only = (sheet: Sheet, ...keys: (keyof Sheet)[]): PrintedMotor => ({
  voltageV: sheet.voltageV,
  ...Object.fromEntries(keys.map((key) => [key, sheet[key]])),
});

/** Sufficient parts of a sheet, with the current without load: nothing of the law is guessed. */
const SUFFICIENT: readonly (keyof Sheet)[][] = [
  ['noLoadRpm', 'noLoadA', 'stallTorqueNm', 'stallA'],
  ['noLoadRpm', 'noLoadA', 'stallA'],
  ['noLoadRpm', 'noLoadA', 'stallTorqueNm'],
  ['noLoadA', 'stallTorqueNm', 'stallA'],
  ['kvRpmPerV', 'resistanceOhm', 'noLoadA'],
  ['ratedW', 'ratedRpm', 'ratedA', 'noLoadA'],
  ['ratedTorqueNm', 'ratedRpm', 'ratedA', 'noLoadA'],
  // The speed without load tells the current without load.
  ['ratedW', 'ratedRpm', 'ratedA', 'noLoadRpm'],
  ['ratedW', 'ratedRpm', 'noLoadRpm', 'noLoadA'],
];

describe('a motor by what is printed on it', () => {
  it.each(SUFFICIENT)('is the motor that it is, by %s and more', (...keys) => {
    fc.assert(
      fc.property(motors, (law) => {
        const sheet = sheetOf(law);
        const { figures, contradictions } = motorFromPrint(only(sheet, ...keys));
        const { resistanceOhm, keVsPerRad, mismatch } = dcMotorConstants.run(figures);
        expect(resistanceOhm / law.ohm).toBeCloseTo(1, 5);
        expect(keVsPerRad / law.k).toBeCloseTo(1, 5);
        expect(mismatch).toBeCloseTo(0, 5);
        expect(figures.noLoadA / law.idleA).toBeCloseTo(1, 4);
        expect(contradictions).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  const GUESSING: readonly (keyof Sheet)[][] = [
    ['noLoadRpm', 'stallTorqueNm'],
    ['noLoadRpm', 'stallA'],
    ['stallTorqueNm', 'stallA'],
  ];
  it.each(GUESSING)('holds what it is within the spread that it says, by %s and %s alone', (...keys) => {
    fc.assert(
      fc.property(motors, (law) => {
        const sheet = sheetOf(law);
        const { figures, guessed } = motorFromPrint(only(sheet, ...keys));
        for (const key of ['noLoadRpm', 'noLoadA', 'stallTorqueNm', 'stallA'] as const) {
          const off = Math.abs(sheet[key] / figures[key] - 1);
          // Spreads are said in two digits.
          expect(off, key).toBeLessThanOrEqual((guessed[key] ?? 0) * 1.05 + 1e-5);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('holds what it is by a rated load alone, where its speed droops as is usual', () => {
    fc.assert(
      fc.property(motors, fc.double({ min: 0.11, max: 0.19, noNaN: true }), (law, share) => {
        const sheet = sheetOf(law, share);
        const droop = sheet.ratedRpm / sheet.noLoadRpm;
        fc.pre(droop > 0.8 && droop < 0.9 && sheet.noLoadA / sheet.ratedA < 0.2);
        const { figures, between } = motorFromPrint(only(sheet, 'ratedW', 'ratedRpm', 'ratedA'));
        const [least = figures.stallA, most = figures.stallA] = between.stallA ?? [];
        expect(sheet.stallA).toBeGreaterThanOrEqual(least * 0.999);
        expect(sheet.stallA).toBeLessThanOrEqual(most * 1.001);
        expect(sheet.noLoadRpm).toBeLessThanOrEqual((between.noLoadRpm?.[1] ?? figures.noLoadRpm) * 1.001);
      }),
      { numRuns: 60 },
    );
  });

  it('of 24 V, 300 W and 120 rpm alone gives its rated power at its rated speed', () => {
    const { figures, guessed, settles } = motorFromPrint({ voltageV: 24, ratedW: 300, ratedRpm: 120 });
    const { resistanceOhm, keVsPerRad } = dcMotorConstants.run(figures);
    const { shaftW } = dcMotorPoint.run({
      resistanceOhm,
      ktNmPerA: keVsPerRad,
      noLoadA: figures.noLoadA,
      voltageV: 24,
      speedRpm: 120,
    });
    expect(shaftW).toBeCloseTo(300, 6);
    // 300 W at 120 rpm are 23.9 N·m; a motor stalls at several times its rated torque (common practice, no source).
    const rated = 300 / (120 * (Math.PI / 30));
    expect(figures.stallTorqueNm / rated).toBeGreaterThan(3);
    expect(figures.stallTorqueNm / rated).toBeLessThan(10);
    expect(Object.keys(guessed)).toContain('stallTorqueNm');
    expect(settles.length).toBeGreaterThan(1);
  });

  it('behind a gearhead gives at the output what is printed of the output', () => {
    const printed = { voltageV: 12, noLoadRpm: 200, stallTorqueNm: 3, stallA: 8, noLoadA: 0.3 };
    const { figures, gearhead } = motorFromPrint({ ...printed, gearRatio: 30, gearEfficiency: 0.75 });
    expect(figures.noLoadRpm).toBeCloseTo(6000, 9);
    expect(figures.stallTorqueNm * 30 * 0.75).toBeCloseTo(3, 9);
    expect(gearhead).toEqual({ ratio: 30, efficiency: 0.75 });
  });

  it('tells figures that contradict each other with both values', () => {
    const law = { voltageV: 12, k: 0.02, ohm: 0.5, idleA: 1 };
    const sheet = sheetOf(law);
    const { contradictions } = motorFromPrint({
      ...only(sheet, 'noLoadRpm', 'noLoadA', 'stallA'),
      stallTorqueNm: 2 * sheet.stallTorqueNm,
    });
    expect(contradictions).toMatchObject([{ title: 'Stall torque', printed: 2 * sheet.stallTorqueNm }]);
    expect(contradictions[0]?.follows).toBeCloseTo(sheet.stallTorqueNm, 9);
  });

  it.each([
    [0.84, 1],
    [0.86, 0],
    [1.14, 0],
    [1.16, 1],
  ])(
    'lets figures stand 15 % apart and no further (common practice, no source): %s gives %s',
    (share, told) => {
      const sheet = sheetOf({ voltageV: 12, k: 0.02, ohm: 0.5, idleA: 1 });
      const { contradictions } = motorFromPrint({
        ...only(sheet, 'noLoadRpm', 'noLoadA', 'stallA'),
        stallTorqueNm: share * sheet.stallTorqueNm,
      });
      expect(contradictions).toHaveLength(told);
    },
  );

  it('tells a speed without load that does not go with the rated load, in SI', () => {
    const { contradictions } = motorFromPrint({
      voltageV: 24,
      ratedW: 300,
      ratedRpm: 3000,
      ratedA: 18,
      noLoadRpm: 2500,
    });
    const [speed] = contradictions;
    expect(speed).toMatchObject({ title: 'Speed without load', dimension: 'rotation' });
    expect(speed?.printed).toBeCloseTo((2500 * Math.PI) / 30, 9);
    expect(speed?.follows).toBeGreaterThan((3000 * Math.PI) / 30);
  });

  it('tells of the output what is printed of the output, behind a gearhead too', () => {
    const law = { voltageV: 12, k: 0.02, ohm: 0.5, idleA: 1 };
    const sheet = sheetOf(law);
    const [ratio, through] = [30, 0.75];
    const atOutput = {
      ...only(sheet, 'noLoadA', 'stallA'),
      noLoadRpm: sheet.noLoadRpm / ratio,
      gearRatio: ratio,
      gearEfficiency: through,
    };
    const stallTorqueNm = sheet.stallTorqueNm * ratio * through;
    expect(motorFromPrint({ ...atOutput, stallTorqueNm }).contradictions).toEqual([]);
    const [torque] = motorFromPrint({ ...atOutput, stallTorqueNm: 2 * stallTorqueNm }).contradictions;
    expect(torque?.printed).toBeCloseTo(2 * stallTorqueNm, 9);
    expect(torque?.follows).toBeCloseTo(stallTorqueNm, 9);
  });

  it('refuses more power out than in, and says so of what it gives and draws', () => {
    expect(() => motorFromPrint({ voltageV: 24, ratedW: 300, ratedRpm: 3000, ratedA: 12 })).toThrow(
      /more than 288.W drawn/,
    );
  });

  it('refuses what is too little, and says what it takes', () => {
    for (const printed of [{ voltageV: 12 }, { voltageV: 12, ratedW: 50 }, { voltageV: 12, kvRpmPerV: 900 }])
      expect(() => motorFromPrint(printed)).toThrow(/too little/);
  });
});
