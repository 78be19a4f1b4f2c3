import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';
import { centreInPlan, contactPlaces, hitchAndBlade } from './support-keys.ts';
import { reachTo, supportArea, type GroundPoint } from './support.ts';

const input = z.strictObject({
  contacts: contactPlaces(120),
  ...centreInPlan,
  cgHeightM: key.nonNegative('Height of the centre of gravity', 'm'),
  weightN: key.positive('Weight square to the ground', 'N'),
  backN: key.real('Grade and speeding up: pull at the centre of gravity backwards', 'N').default(0),
  rightN: key.real('Side slope and bend: pull at the centre of gravity to the right', 'N').default(0),
  ...hitchAndBlade,
});

const output = z.strictObject({
  alongRightingNm: key.nonNegative('What holds it on its wheels over the worst edge fore or aft', 'N·m'),
  alongOverturningNm: key.nonNegative('What tips it over that edge', 'N·m'),
  alongTo: z.enum(['front', 'rear']).meta({ description: 'Which way that is', unit: '' }),
  sideRightingNm: key.nonNegative('What holds it on its wheels over the worst edge sideways', 'N·m'),
  sideOverturningNm: key.nonNegative('What tips it over that edge', 'N·m'),
  sideTo: z.enum(['left', 'right']).meta({ description: 'Which way that is', unit: '' }),
});

type Input = z.output<typeof input>;

interface Moments {
  readonly rightingNm: number;
  readonly overturningNm: number;
  /** Outward direction of the edge. */
  readonly out: GroundPoint;
}

/** Shares of a length under which an edge has none. */
const NO_LENGTH = 1e-12;

const ratioOf = ({ rightingNm, overturningNm }: Moments): number =>
  overturningNm > 0 ? rightingNm / overturningNm : Infinity;

/** Nothing tips over an edge that is not there. */
const NO_EDGE: Moments = { rightingNm: 0, overturningNm: 0, out: { aheadM: 1, leftM: 0 } };

/** The edge over which it is nearest to tipping; where nothing tips it, the one that holds it least. */
const worst = (edges: readonly Moments[]): Moments =>
  [...edges].sort((a, b) => nearness(a) - nearness(b) || a.rightingNm - b.rightingNm)[0] ?? NO_EDGE;

/** Finite also where nothing overturns. */
const nearness = (moments: Moments): number => Math.min(ratioOf(moments), Number.MAX_VALUE);

/** Moments about an edge at a reach from the centre of gravity: what rights and what overturns, each by its sign. */
function about(i: Input, out: GroundPoint, reachM: number): Moments {
  const hitchReachM =
    reachM + (i.cgAheadOfRearAxleM + i.hitchBehindRearAxleM) * out.aheadM + i.cgLeftM * out.leftM;
  const bladeReachM =
    reachM + (i.cgAheadOfRearAxleM - i.pushAheadOfRearAxleM) * out.aheadM + i.cgLeftM * out.leftM;
  const signed = [
    i.weightN * reachM,
    i.hitchVerticalN * hitchReachM,
    (i.backN * out.aheadM + i.rightN * out.leftM) * i.cgHeightM,
    i.drawbarN * out.aheadM * i.hitchHeightM,
    i.pushVerticalN * bladeReachM,
    i.pushN * out.aheadM * i.pushHeightM,
  ];
  return {
    rightingNm: signed.reduce((sum, m) => sum + Math.max(0, m), 0),
    overturningNm: signed.reduce((sum, m) => sum + Math.max(0, -m), 0),
    out,
  };
}

/** Every edge of the area on which it stands, with its moments. */
function edgesOf(i: Input): Moments[] {
  const area = supportArea(i.contacts);
  const size = Math.max(...area.map((p) => Math.hypot(p.aheadM, p.leftM)));
  return area.flatMap((a, at) => {
    const b = area[(at + 1) % area.length] ?? a;
    const length = Math.hypot(b.aheadM - a.aheadM, b.leftM - a.leftM);
    if (length <= NO_LENGTH * size) return [];
    const out = { aheadM: (b.leftM - a.leftM) / length, leftM: -(b.aheadM - a.aheadM) / length };
    const reachM = (a.aheadM - i.cgAheadOfRearAxleM) * out.aheadM + (a.leftM - i.cgLeftM) * out.leftM;
    return [about(i, out, reachM)];
  });
}

/** Straight fore or aft, where no edge lies square to that: over the corner, with no pull sideways. */
function overEnds(i: Input): Moments[] {
  const area = supportArea(i.contacts);
  const from = { aheadM: i.cgAheadOfRearAxleM, leftM: i.cgLeftM };
  return [1, -1].map((aheadM) =>
    about({ ...i, rightN: 0 }, { aheadM, leftM: 0 }, reachTo(area, from, { aheadM, leftM: 0 })),
  );
}

export const tippingMoments = defineCalculator({
  name: 'tipping-moments',
  topic: 'ground',
  asks: 'What tips it, and what holds it?',
  title: 'What tips it and what holds it',
  purpose:
    'Over which edge a vehicle is nearest to tipping with grade, side slope, speeding up or slowing, bend and hitch at once.',
  input,
  output,
  formula:
    'about each edge, n outwards, e from the centre of gravity to it: W e, V (e + way from the hitch), (B, R)·n h, D n hd, and a blade’s as the hitch’s; those that turn it back in are righting, the others overturning',
  symbols: {
    given: { W: 'weightN', V: 'hitchVerticalN', h: 'cgHeightM', D: 'drawbarN', hd: 'hitchHeightM' },
    found: {},
  },
  source: 'statics: moments about the edges of the support polygon',
  limits: 'A rigid vehicle on firm, even ground. Soft tyres, bumps and a swinging load tip it sooner.',
  examples: [
    {
      origin: 'a metre square, its weight of 100 N half a metre up, pulled back with 50 N (exact)',
      input: {
        contacts: [
          { aheadM: 0, leftM: 0.5 },
          { aheadM: 0, leftM: -0.5 },
          { aheadM: 1, leftM: 0.5 },
          { aheadM: 1, leftM: -0.5 },
        ],
        cgAheadOfRearAxleM: 0.5,
        cgHeightM: 0.5,
        weightN: 100,
        backN: 50,
      },
      output: { alongRightingNm: 50, alongOverturningNm: 25, alongTo: 'rear', sideOverturningNm: 0 },
    },
  ],
  run: (i) => {
    const edges = edgesOf(i);
    const foreAft = (m: Moments): boolean => Math.abs(m.out.aheadM) > Math.abs(m.out.leftM);
    const along = worst([...edges.filter(foreAft), ...overEnds(i)]);
    const side = worst(edges.filter((m) => !foreAft(m)));
    return {
      alongRightingNm: along.rightingNm,
      alongOverturningNm: along.overturningNm,
      alongTo: along.out.aheadM > 0 ? ('front' as const) : ('rear' as const),
      sideRightingNm: side.rightingNm,
      sideOverturningNm: side.overturningNm,
      sideTo: side.out.leftM > 0 ? ('left' as const) : ('right' as const),
    };
  },
});
