import { z } from 'zod';
import { rpmToRadS } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key, notice, type Notice } from '../contract/index.ts';

const input = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        voltageV: key.positive('Voltage at the motor', 'V'),
        currentA: key.nonNegative('Current', 'A'),
        speedRpm: key.nonNegative('Speed', 'rpm'),
        noLoad: z.boolean().optional().meta({ description: 'Whether nothing was on the shaft', unit: '' }),
      }),
    )
    .min(2)
    .meta({ description: 'Bench readings, not all at one load', unit: '' }),
});

const output = z.strictObject({
  resistanceOhm: key.positive('Resistance', 'Ω'),
  keVsPerRad: key.positive('Back-voltage constant', 'V·s/rad'),
  kvRpmPerV: key.positive('Speed constant', 'rpm/V'),
  residualV: key.nonNegative('Root mean square of what the fit leaves', 'V'),
  noLoadA: key.nonNegative('No-load current', 'A'),
  warnings: key.warnings,
});

/** Below this share of its greatest size the determinant says that all readings are at one load. */
const DEGENERATE = 1e-9;

type Readings = z.output<typeof input>['readings'];

function noLoadOf(readings: Readings): readonly [number, readonly Notice[]] {
  const marked = readings.filter((r) => r.noLoad);
  if (marked.length > 0) return [marked.reduce((sum, r) => sum + r.currentA, 0) / marked.length, []];
  return [
    Math.min(...readings.map((r) => r.currentA)),
    [
      notice(
        'none-unloaded',
        'No reading is marked as unloaded: the least current is taken. Take one with nothing on the shaft.',
      ),
    ],
  ];
}

export const dcMotorFit = defineCalculator({
  name: 'dc-motor-fit',
  topic: 'motor',
  asks: 'Which motor is this, by bench readings?',
  title: 'A motor from bench readings',
  purpose: 'Constants of an unknown or salvaged brushed motor from readings of voltage, current and speed.',
  input,
  output,
  formula: 'V = I R + ke ω, by least squares',
  symbols: { given: {}, found: { R: 'resistanceOhm', ke: 'keVsPerRad' } },
  source: 'linear least squares',
  limits: 'Readings at steady speed with a cold motor; as good as the readings and their spread.',
  examples: [
    {
      origin: 'readings made from R = 0.5 Ω, ke = 0.05 V·s/rad (exact)',
      input: {
        readings: [
          { voltageV: 10.5, currentA: 1, speedRpm: 6000 / Math.PI, noLoad: true },
          { voltageV: 12, currentA: 14, speedRpm: 3000 / Math.PI },
        ],
      },
      output: { resistanceOhm: 0.5, keVsPerRad: 0.05, noLoadA: 1, warnings: [] },
    },
  ],
  run: ({ readings }) => {
    let [ii, iw, ww, iv, wv] = [0, 0, 0, 0, 0];
    for (const { voltageV: v, currentA: i, speedRpm } of readings) {
      const w = rpmToRadS(speedRpm);
      ii += i * i;
      iw += i * w;
      ww += w * w;
      iv += i * v;
      wv += w * v;
    }
    const determinant = ii * ww - iw * iw;
    if (!(determinant > DEGENERATE * ii * ww))
      throw new NotPhysical(
        'degenerate-readings',
        'All readings are at one load: take some with the shaft held back more and some with it free.',
      );
    const resistanceOhm = (iv * ww - wv * iw) / determinant;
    const keVsPerRad = (wv * ii - iv * iw) / determinant;
    if (resistanceOhm <= 0 || keVsPerRad <= 0)
      throw new NotPhysical(
        'readings-contradict',
        'No motor gives these readings: more current at a voltage must go with less speed. Check each reading.',
      );
    const squares = readings.reduce(
      (sum, r) => sum + (r.voltageV - r.currentA * resistanceOhm - keVsPerRad * rpmToRadS(r.speedRpm)) ** 2,
      0,
    );
    const [noLoadA, warnings] = noLoadOf(readings);
    return {
      resistanceOhm,
      keVsPerRad,
      kvRpmPerV: 30 / (Math.PI * keVsPerRad),
      residualV: Math.sqrt(squares / readings.length),
      noLoadA,
      warnings,
    };
  },
});
