import { AIR_DENSITY, figure, sentence, STANDARD_GRAVITY } from '../quantity/index.ts';
import { coastDown, meanOf, outliersOf, trendOf } from '../trials/index.ts';
import { amount, partName, choice } from './field.ts';
import type { Protocol } from './protocol.ts';
import { byWord, numberIn, numbersIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';
import { meanOfRuns, outOfLine, present, resultOf, tooFew, type Of } from './summary.ts';

const ROLLING: Of = { key: 'rolling', title: 'Rolling resistance over weight', dimension: 'coefficient' };
const DRAG: Of = { key: 'dragArea', title: 'Drag area', dimension: 'area' };
/** Points that one roll-out takes. */
const POINTS = 5;
/** Roll-outs that the mean takes, half of them each way. */
const ROLLS = 6;
/** Under this speed the air has no say that shows beside the tyres (common practice, no source): only a straight line is fitted. */
const AIR_SPEED = 4;

interface Roll {
  readonly way: string;
  readonly rolling: number;
  readonly dragArea: number;
}

/** What one roll-out gives; undefined where it does not slow down, or has too few points. */
function rollOf(points: readonly TrialReading[], vehicle: Rolling): Roll | undefined {
  const rows = points
    .flatMap((r) => {
      const [tS, speedMps] = [numberIn(r, 'time'), numberIn(r, 'speed')];
      return tS === undefined || speedMps === undefined ? [] : [{ tS, speedMps }];
    })
    .sort((a, b) => a.tS - b.tS)
    .filter((row, at, all) => at === 0 || row.tS > (all[at - 1]?.tS ?? 0));
  const { massKg, rotating } = vehicle;
  const top = Math.max(0, ...rows.map((row) => row.speedMps));
  if (rows.length < POINTS) return undefined;
  try {
    const found =
      top >= AIR_SPEED
        ? coastDown.run({ massKg, rotatingMassFactor: rotating, points: rows, airDensityKgM3: AIR_DENSITY })
        : { rollingCoefficient: slowing(rows) * rotating - airOver(rows, vehicle), dragAreaM2: 0 };
    return {
      way: wordIn(points[0] ?? {}, 'way'),
      rolling: found.rollingCoefficient,
      dragArea: found.dragAreaM2,
    };
  } catch {
    return undefined;
  }
}

interface Rolling {
  readonly massKg: number;
  readonly rotating: number;
  /** What is taken of the air where it is too slow to show, m². */
  readonly dragArea: number;
}

type Rows = readonly { readonly tS: number; readonly speedMps: number }[];

/** Drag of the air over weight, the mean of a slow roll-out. */
const airOver = (rows: Rows, { massKg, dragArea }: Rolling): number =>
  ((AIR_DENSITY / 2) * dragArea * meanOf(rows.map(({ speedMps }) => speedMps ** 2))) /
  (massKg * STANDARD_GRAVITY);

/** Slowing over gravity, by the straight line of least squares. */
function slowing(rows: Rows): number {
  const line = trendOf(
    rows.map(({ tS }) => tS),
    rows.map(({ speedMps }) => speedMps),
  );
  return -(line?.slope ?? 0) / STANDARD_GRAVITY;
}

/** A roll-out one way with one the other way: a slope that nobody saw falls out of their mean. */
function pairedBothWays(rolls: readonly Roll[]): Roll[] {
  const [out, back] = [rolls.filter(({ way }) => way !== 'back'), rolls.filter(({ way }) => way === 'back')];
  return out.slice(0, back.length).map((one, at) => {
    const other = back[at] ?? one;
    return {
      way: '',
      rolling: (one.rolling + other.rolling) / 2,
      dragArea: (one.dragArea + other.dragArea) / 2,
    };
  });
}

function analyseCoasting(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const vehicle = {
    massKg: numberIn(conditions, 'mass') ?? 1,
    rotating: numberIn(conditions, 'rotating') ?? 1,
    dragArea: numberIn(conditions, 'dragArea') ?? 0,
  };
  const rolls = [...byWord(readings, 'roll').values()].flatMap((points) => rollOf(points, vehicle) ?? []);
  const pairs = pairedBothWays(rolls);
  const used = pairs.length >= 2 ? pairs : rolls;
  const values = used.map(({ rolling }) => rolling);
  const rolling = meanOfRuns(values, ROLLING);
  const drag = meanOfRuns(
    used.map(({ dragArea }) => dragArea),
    DRAG,
  );
  const withAir = Math.max(0, ...numbersIn(readings, 'speed')) >= AIR_SPEED;
  const measured: Measured[] = present(rolling, withAir ? drag : undefined);
  const plots: TrialResult['plots'] = [
    {
      kind: 'curve',
      x: { title: 'Time', dimension: 'time' },
      y: { title: 'Speed', dimension: 'speed' },
      series: [...byWord(readings, 'roll')].map(([roll, points]) => ({
        title: roll,
        points: points.map((r) => [numberIn(r, 'time') ?? 0, numberIn(r, 'speed') ?? 0] as const),
        joined: true,
      })),
    },
  ];
  if (!rolling || rolls.length < ROLLS)
    return resultOf(rolls.length, 'too-few', tooFew(rolls.length, ROLLS), {
      measured,
      ...(readings.length > 0 ? { plots } : {}),
    });
  return resultOf(
    rolls.length,
    'measured',
    sentence`It rolls with ${figure(rolling.value, 'coefficient')} of its weight as drag${pairs.length >= 2 ? ', the slope of the floor taken out' : ''}.`,
    {
      measured,
      notes: [
        ...(pairs.length < 2
          ? [
              sentence`All rolled one way: a fall of one in a hundred is ${figure(0.01, 'coefficient')} of it. Roll as often the other way.`,
            ]
          : []),
        ...outOfLine(outliersOf(values)),
      ],
      plots,
    },
  );
}

/** Rolling out. */
export const coasting: Protocol = {
  title: 'Rolling out',
  asks: 'How easily does it roll?',
  why: 'How it slows when nothing drives or brakes it gives the drag of tyres and ground, and of the air where it is fast.',
  aids: [
    'Level ground without wind, the drive disengaged; push it to a run and let go.',
    'Marks every metre and a film of it, or a counter on a wheel: five speeds or more for each roll-out.',
    'As often one way as the other: three each.',
  ],
  cautions: ['Nobody in its way; somebody at the end who can stop it.'],
  next: 'Take the rolling resistance over: every pull and the battery move with it.',
  runs: ROLLS,
  conditions: [
    amount('mass', 'Mass with its load', ['mass', 'kg'], { above: 0 }),
    amount(
      'rotating',
      'Mass sped up over mass',
      ['number', ''],
      { least: 1, most: 10 },
      {
        help: 'Wheels and rotors turn as well: 1.03 is usual with the drive disengaged',
        optional: true,
      },
    ),
    amount(
      'dragArea',
      'Drag area',
      ['area', 'm²'],
      { least: 0 },
      { help: 'Taken off where it rolls too slowly for the air to show', optional: true },
    ),
  ],
  readings: [
    partName('roll', 'Roll-out'),
    choice('way', 'Way', { out: 'there', back: 'back' }),
    amount('time', 'Time', ['time', 's'], { least: 0 }),
    amount('speed', 'Speed then', ['speed', 'm/s'], { least: 0 }),
  ],
  analyse: analyseCoasting,
};
