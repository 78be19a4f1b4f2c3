import { z } from 'zod';
import { bracketedRoot, defineCalculator, key } from '../contract/index.ts';
import { radiansToDegrees } from '../quantity/index.ts';

const load = z.strictObject({
  atMm: key.nonNegative('Where it bears, from the first support', 'mm'),
  forceN: key.nonNegative('Its weight', 'N'),
});

const input = z
  .strictObject({
    spanMm: key.positive('Between the supports', 'mm'),
    loads: z.array(load).max(40).default([]).meta({ description: 'What bears on it at one place', unit: '' }),
    spreadNPerM: key.nonNegative('Evenly spread load, its own weight too', 'N/m').default(0),
    members: key.count('Members side by side that share it').default(1),
    shape: z
      .enum(['tube', 'bar', 'round-tube', 'round-bar'])
      .meta({ description: 'Section of a member; a sheet is a bar', unit: '' }),
    heightMm: key.positive('Height of the section, or its diameter', 'mm'),
    widthMm: key.positive('Width of a tube, bar or sheet', 'mm').optional(),
    wallMm: key.positive('Wall of a tube', 'mm').optional(),
    modulusGPa: key.positive('Modulus of elasticity: steel 205, aluminium 69, birch plywood about 9', 'GPa'),
    allowableMPa: key.positive('Allowable bending stress', 'MPa').optional(),
    shaftsMm: z
      .array(z.number().nonnegative())
      .max(20)
      .default([])
      .meta({ description: 'Where shafts or motors are mounted, from the first support', unit: 'mm' }),
  })
  .superRefine((i, context) => {
    const say = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    const isRound = i.shape === 'round-tube' || i.shape === 'round-bar';
    if (!isRound && i.widthMm === undefined) say('widthMm', 'a tube, bar or sheet has a width');
    const isTube = i.shape === 'tube' || i.shape === 'round-tube';
    if (isTube && i.wallMm === undefined) say('wallMm', 'a tube has a wall');
    const least = Math.min(i.heightMm, isRound ? i.heightMm : (i.widthMm ?? i.heightMm));
    if (isTube && i.wallMm !== undefined && 2 * i.wallMm >= least)
      say('wallMm', 'twice the wall is less than the section: else it is a bar');
    for (const [n, { atMm }] of i.loads.entries())
      if (atMm > i.spanMm)
        context.addIssue({
          code: 'custom',
          path: ['loads', n, 'atMm'],
          message: 'this bears beyond the second support',
        });
    if (i.shaftsMm.some((at) => at > i.spanMm)) say('shaftsMm', 'a shaft lies beyond the second support');
  });

const output = z.strictObject({
  sagMm: key.nonNegative('Greatest sag', 'mm'),
  sagAtMm: key.nonNegative('Where it sags the most, from the first support', 'mm'),
  firstSlopeDeg: key.nonNegative('Slope at the first support', 'deg'),
  secondSlopeDeg: key.nonNegative('Slope at the second support', 'deg'),
  shaftSlopesDeg: z
    .array(z.number())
    .meta({ description: 'Slope at each shaft, downwards to the second support positive', unit: 'deg' }),
  momentNm: key.nonNegative('Greatest bending moment, all members', 'N·m'),
  stressMPa: key.nonNegative('Greatest bending stress', 'MPa'),
  factor: key.positive('Allowable over stress').optional(),
});

type Given = z.output<typeof input>;

/** Second moment of area of one member, m⁴. */
function areaMoment({ shape, heightMm, widthMm = heightMm, wallMm = 0 }: Given): number {
  const inner = (side: number): number => side - 2 * wallMm;
  const mm4 =
    shape === 'round-bar' || shape === 'round-tube'
      ? (Math.PI * (heightMm ** 4 - (shape === 'round-tube' ? inner(heightMm) ** 4 : 0))) / 64
      : (widthMm * heightMm ** 3 - (shape === 'tube' ? inner(widthMm) * inner(heightMm) ** 3 : 0)) / 12;
  return mm4 * 1e-12;
}

/** What a beam on two supports does at a place, m from the first: sag over E I, slope over E I, moment. */
interface Bent {
  readonly sag: number;
  readonly slope: number;
  readonly moment: number;
}

/** One load between two supports: the closed form of the bending line, either side of it. */
function bentByOne(at: number, force: number, span: number, x: number): Bent {
  const isBefore = x <= at;
  const b = isBefore ? span - at : at;
  const s = isBefore ? x : span - x;
  const share = (force * b) / (6 * span);
  return {
    sag: share * s * (span ** 2 - b ** 2 - s ** 2),
    slope: (isBefore ? 1 : -1) * share * (span ** 2 - b ** 2 - 3 * s ** 2),
    moment: (force * b * s) / span,
  };
}

/** A load spread evenly. */
const bentBySpread = (load: number, span: number, x: number): Bent => ({
  sag: (load * x * (span ** 3 - 2 * span * x ** 2 + x ** 3)) / 24,
  slope: (load * (span ** 3 - 6 * span * x ** 2 + 4 * x ** 3)) / 24,
  moment: (load * x * (span - x)) / 2,
});

function bent({ loads, spreadNPerM, spanMm }: Given, x: number): Bent {
  const span = spanMm / 1000;
  return loads
    .map(({ atMm, forceN }) => bentByOne(atMm / 1000, forceN, span, x))
    .reduce(
      (sum, one) => ({
        sag: sum.sag + one.sag,
        slope: sum.slope + one.slope,
        moment: sum.moment + one.moment,
      }),
      bentBySpread(spreadNPerM, span, x),
    );
}

/** The moment is greatest under a load, or where the spread load has taken up the shear between two. */
function greatestMoment(i: Given): number {
  const span = i.spanMm / 1000;
  const marks = [0, ...i.loads.map(({ atMm }) => atMm / 1000), span].sort((a, b) => a - b);
  const between = marks.slice(1).map((to, n) => {
    const from = marks[n] ?? 0;
    const middle = (from + to) / 2;
    // Between two loads the moment is a parabola: its top from three of its points.
    const [a, m, b] = [from, middle, to].map((x) => bent(i, x).moment) as [number, number, number];
    const curve = a - 2 * m + b;
    const shift = curve < 0 ? (0.25 * (a - b) * (to - from)) / curve : 0;
    return Math.min(to, Math.max(from, middle + shift));
  });
  return Math.max(...[...marks, ...between].map((x) => bent(i, x).moment));
}

export const frameBending = defineCalculator({
  name: 'frame-bending',
  topic: 'strength',
  asks: 'Does the frame sag, and do its shafts stay in line?',
  title: 'A frame member that bends',
  purpose: 'Sag, slope at each shaft, and stress of a rail, tube or sheet on two supports.',
  input,
  output,
  formula:
    'E I y″ = −M;  σ = M h/(2 I);  of one load in the middle y = F L³/(48 E I), of one spread y = 5 q L⁴/(384 E I)',
  symbols: {
    given: { L: 'spanMm', q: 'spreadNPerM', h: 'heightMm', E: 'modulusGPa' },
    found: { y: 'sagMm', σ: 'stressMPa', M: 'momentNm' },
  },
  source: 'bending of slender beams (Euler and Bernoulli); any text of strength of materials',
  limits:
    'Slender members on two supports that do not give, loads at rest: a kerb or a jump doubles them. Rigid bearings bind from a slope of about 0.2° on (common practice, no source); self-aligning ones stand some degrees.',
  examples: [
    {
      origin: 'F L³/(48 E I) and F L²/(16 E I) at I = 10⁶ mm⁴ (closed form)',
      input: {
        spanMm: 1000,
        loads: [{ atMm: 500, forceN: 480 }],
        shape: 'bar',
        widthMm: 12,
        heightMm: 100,
        modulusGPa: 100,
        shaftsMm: [500],
      },
      output: {
        sagMm: 0.1,
        sagAtMm: 500,
        firstSlopeDeg: 0.017188734,
        secondSlopeDeg: 0.017188734,
        shaftSlopesDeg: [0],
        momentNm: 120,
        stressMPa: 6,
      },
      tolerance: 1e-6,
    },
  ],
  run: (i) => {
    const span = i.spanMm / 1000;
    const inertia = i.members * areaMoment(i);
    const stiff = i.modulusGPa * 1e9 * inertia;
    const slopeDeg = (x: number): number => radiansToDegrees(Math.atan(bent(i, x).slope / stiff));
    const bears =
      i.spreadNPerM > 0 || i.loads.some(({ atMm, forceN }) => forceN > 0 && atMm > 0 && atMm < i.spanMm);
    const lowest = bears ? bracketedRoot((x) => bent(i, x).slope, 0, span, 1e-12 * span) : span / 2;
    const momentNm = greatestMoment(i);
    const stressMPa = (momentNm * (i.heightMm / 2000)) / inertia / 1e6;
    return {
      sagMm: Math.max(0, (bent(i, lowest).sag / stiff) * 1000),
      sagAtMm: lowest * 1000,
      firstSlopeDeg: Math.max(0, slopeDeg(0)),
      secondSlopeDeg: Math.max(0, -slopeDeg(span)),
      shaftSlopesDeg: i.shaftsMm.map((at) => slopeDeg(at / 1000)),
      momentNm,
      stressMPa,
      ...(i.allowableMPa === undefined || stressMPa === 0 ? {} : { factor: i.allowableMPa / stressMPa }),
    };
  },
});
