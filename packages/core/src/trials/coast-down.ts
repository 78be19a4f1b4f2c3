import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { z } from 'zod';
import { AIR_DENSITY, STANDARD_GRAVITY } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z
  .strictObject({
    massKg: key.positive('Mass of the vehicle with its load', 'kg'),
    rotatingMassFactor: key
      .positive('Mass that slows down, rotating parts counted, over the mass')
      .default(1),
    points: z
      .array(
        z.strictObject({
          tS: key.real('Time', 's'),
          speedMps: key.nonNegative('Speed', 'm/s'),
        }),
      )
      .min(5)
      .meta({ description: 'Speeds while it rolls out by itself', unit: '' }),
    airDensityKgM3: key.positive('Density of the air', 'kg/m³').default(AIR_DENSITY),
  })
  .superRefine(({ points }, context) => {
    points.forEach((point, at) => {
      if (at > 0 && point.tS <= (points[at - 1]?.tS ?? -Infinity))
        context.addIssue({
          code: 'custom',
          path: ['points', at, 'tS'],
          message: 'times must rise from point to point',
        });
    });
  });

const output = z.strictObject({
  rollingCoefficient: key.real('Rolling resistance over weight'),
  dragAreaM2: key.nonNegative('Drag coefficient times frontal area', 'm²'),
  residualMps: key.nonNegative('Root mean square of what the fit leaves', 'm/s'),
});

/** Speed after a time under dv/dt = −(a + b v²), started at v0; b may be 0, a of either sign. */
function coasting(v0: number, a: number, b: number, t: number): number {
  const ab = a * b;
  // tan(x)/x and tanh(x)/x by their common series where the two terms hardly differ from a straight line.
  const x = Math.sqrt(Math.abs(ab)) * t;
  const tangent =
    x < 1e-4 ? t * (1 + (Math.sign(ab) * x * x) / 3) : (t * (ab > 0 ? Math.tan(x) : Math.tanh(x))) / x;
  return (v0 - a * tangent) / (1 + b * v0 * tangent);
}

interface Fit {
  readonly v0: number;
  readonly a: number;
  readonly b: number;
}

/** Straight line through the points: rolling resistance alone. */
function straightFit(times: readonly number[], speeds: readonly number[]): Fit {
  const n = times.length;
  const [meanT, meanV] = [times.reduce((s, t) => s + t, 0) / n, speeds.reduce((s, v) => s + v, 0) / n];
  const slope =
    times.reduce((s, t, at) => s + (t - meanT) * ((speeds[at] ?? 0) - meanV), 0) /
    times.reduce((s, t) => s + (t - meanT) ** 2, 0);
  return { v0: meanV - slope * meanT, a: -slope, b: 0 };
}

const squares = (fit: Fit, times: readonly number[], speeds: readonly number[]): number =>
  times.reduce((sum, t, at) => sum + (coasting(fit.v0, fit.a, fit.b, t) - (speeds[at] ?? 0)) ** 2, 0);

/** All three constants by least squares, from a straight line bent a little; in units of the run itself. */
function curvedFit(times: readonly number[], speeds: readonly number[]): Fit {
  const span = times.at(-1) ?? 1;
  const top = Math.max(...speeds);
  const line = straightFit(
    times.map((t) => t / span),
    speeds.map((v) => v / top),
  );
  const { parameterValues } = levenbergMarquardt(
    { x: times.map((t) => t / span), y: speeds.map((v) => v / top) },
    ([v0 = 0, a = 0, b = 0]: number[]) =>
      (t: number) =>
        coasting(v0, a, b, t),
    {
      initialValues: [line.v0, line.a * 0.7, line.a * 0.3],
      maxIterations: 400,
      errorTolerance: 1e-26,
      gradientDifference: 1e-7,
      centralDifference: true,
      damping: 1e-4,
      dampingStepDown: 9,
      dampingStepUp: 11,
    },
  );
  const [v0 = 0, a = 0, b = 0] = parameterValues;
  return { v0: v0 * top, a: (a * top) / span, b: b / (top * span) };
}

export const coastDown = defineCalculator({
  name: 'coast-down',
  topic: 'distance',
  asks: 'How much drag has it, by rolling out?',
  title: 'Coast-down',
  purpose: 'Rolling resistance and drag area from how a vehicle rolls out.',
  input,
  output,
  formula: 'k m dv/dt = −(m g f + ½ρ CdA v²), v(0), f and CdA ≥ 0 by least squares on v(t)',
  symbols: {
    given: { m: 'massKg', k: 'rotatingMassFactor', ρ: 'airDensityKgM3' },
    found: { f: 'rollingCoefficient', CdA: 'dragAreaM2' },
  },
  source: 'mechanics; Levenberg–Marquardt',
  limits: 'Level ground without wind, drive disengaged; a slope of a thousandth already shows.',
  examples: [
    {
      origin: 'made from f = 0.02 and no drag: a straight line (exact)',
      input: {
        massKg: 100,
        points: [0, 1, 2, 3, 4].map((tS) => ({ tS, speedMps: 3 - 0.02 * STANDARD_GRAVITY * tS })),
      },
      output: { rollingCoefficient: 0.02 },
      tolerance: 1e-6,
    },
  ],
  run: ({ massKg, rotatingMassFactor, points, airDensityKgM3 }) => {
    const start = points[0]?.tS ?? 0;
    const times = points.map((p) => p.tS - start);
    const speeds = points.map((p) => p.speedMps);
    if (!((speeds.at(-1) ?? 0) < (speeds[0] ?? 0)))
      throw new NotPhysical(
        'not-coasting',
        'The speed at the end is not below that at the start: let it roll out by itself on the level.',
      );
    const line = straightFit(times, speeds);
    const curve = curvedFit(times, speeds);
    const fit = curve.b > 0 && squares(curve, times, speeds) <= squares(line, times, speeds) ? curve : line;
    return {
      rollingCoefficient: (fit.a * rotatingMassFactor) / STANDARD_GRAVITY,
      dragAreaM2: (2 * fit.b * rotatingMassFactor * massKg) / airDensityKgM3,
      residualMps: Math.sqrt(squares(fit, times, speeds) / times.length),
    };
  },
});
