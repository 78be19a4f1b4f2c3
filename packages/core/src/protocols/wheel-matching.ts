import { Matrix, pseudoInverse } from 'ml-matrix';
import { figure, sentence } from '../quantity/index.ts';
import { amount, partName, type NamesField } from './field.ts';
import { matched, type Matching } from './matching.ts';
import { saysOf } from './motor-matching.ts';
import { CLEAR, commandedWay, FULL, RIGHT_LEFT, SAME_FLOOR } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { namesIn, numberIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { TrialResult } from './result.ts';
import { resultOf } from './summary.ts';

interface Flip {
  readonly left: string;
  readonly right: string;
  /** Left wheel larger than right, as a share, by where the run ended. */
  readonly larger: number;
}

/** What each run says of its two wheels: a larger left one leads to the right. */
function flipsIn(conditions: TrialConditions, readings: readonly TrialReading[]): Flip[] {
  const [way, track] = [numberIn(conditions, 'commanded') ?? 0, numberIn(conditions, 'track') ?? 0];
  if (!(way > 0 && track > 0)) return [];
  return readings.flatMap((r) => {
    const side = numberIn(r, 'side');
    const [left, right] = [wordIn(r, 'left'), wordIn(r, 'right')];
    // A circle of radius R ends way²/2R to the side, and two wheels so far apart make R = track/share.
    return side === undefined || left === right
      ? []
      : [{ left, right, larger: (2 * side * track) / way ** 2 }];
  });
}

/** Wheels that hang together by runs with the first one. */
function reachable(flips: readonly Flip[]): readonly string[] {
  const found: string[] = [];
  const add = (name: string): void => {
    if (found.includes(name)) return;
    found.push(name);
    for (const { left, right } of flips) {
      if (left === name) add(right);
      if (right === name) add(left);
    }
  };
  add(flips[0]?.left ?? '');
  return found;
}

interface Sizes {
  readonly size: ReadonlyMap<string, number>;
  /** What the vehicle itself leads aside, as a share: it stays through every flip. */
  readonly own: number;
  readonly noise?: number;
}

/** Singular values under this tell nothing: of a pair that was not flipped. */
const SINGULAR = 1e-9;

/** Sizes of wheels about their mean, and what belongs to the vehicle, by least squares over all runs. */
function sizesOf(flips: readonly Flip[]): Sizes | undefined {
  const names = reachable(flips);
  const used = flips.filter(({ left }) => names.includes(left));
  const unknown = names.length + 1;
  if (names.length < 2) return undefined;
  const rows = [
    ...used.map(({ left, right }) => [
      ...names.map((name) => (name === left ? 1 : name === right ? -1 : 0)),
      1,
    ]),
    // Their mean is what the others are measured from.
    [...names.map(() => 1), 0],
  ];
  const a = new Matrix(rows);
  const b = Matrix.columnVector([...used.map(({ larger }) => larger), 0]);
  // By singular values: where no pair was flipped, sizes and vehicle cannot be told apart, and the least answer stands.
  const x = pseudoInverse(a, SINGULAR).mmul(b);
  const left = used.map(({ larger }, at) => {
    const row = rows[at] ?? [];
    return larger - row.reduce((sum, n, k) => sum + n * x.get(k, 0), 0);
  });
  const free = used.length - unknown + 1;
  const scatter = free > 0 ? Math.sqrt(left.reduce((sum, r) => sum + r * r, 0) / free) : undefined;
  // Ends so far aside are no roll of two wheels that are anything alike.
  if (names.some((_, at) => x.get(at, 0) <= -1)) return undefined;
  const each = (2 * used.length) / names.length;
  return {
    size: new Map(names.map((name, at) => [name, 1 + x.get(at, 0)])),
    own: x.get(names.length, 0),
    ...(scatter === undefined ? {} : { noise: scatter * Math.sqrt(2 / each) }),
  };
}

/**
 * Which wheels go together; undefined until two of them have run.
 *
 * @example wheelsMatched({}, []) // undefined
 */
export function wheelsMatched(
  conditions: TrialConditions,
  readings: readonly TrialReading[],
): Matching | undefined {
  const sizes = sizesOf(flipsIn(conditions, readings));
  if (!sizes) return undefined;
  return matched(
    [...sizes.size].map(([label, size]) => ({ label, values: [size] })),
    [1],
    sizes.noise,
  );
}

function analyse(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const sizes = sizesOf(flipsIn(conditions, readings));
  const matching = wheelsMatched(conditions, readings);
  const n = readings.length;
  if (!sizes || !matching)
    return resultOf(n, 'too-few', sentence`Run one pair, then flip it: left for right, and run again.`);
  const rest = namesIn(conditions, 'wheels').filter((name) => !sizes.size.has(name));
  const way = numberIn(conditions, 'commanded') ?? 0;
  const track = numberIn(conditions, 'track') ?? 1;
  const ownSide = (sizes.own * way ** 2) / (2 * track);
  return resultOf(n, rest.length === 0 ? 'matched' : 'matched-so-far', saysOf(matching), {
    measured: [
      {
        ...{ key: 'own', title: 'Veer that stays with the vehicle', dimension: 'length', value: ownSide, n },
        sides: RIGHT_LEFT,
      },
    ],
    notes: [
      ...(rest.length > 0 ? [sentence`Not in it yet: ${rest.join(', ')}.`] : []),
      sentence`Whatever wheels it has, it ends ${figure(Math.abs(ownSide), 'length')} to the ${ownSide < 0 ? 'left' : 'right'}.`,
    ],
  });
}

const names: NamesField = {
  ...{ kind: 'names', key: 'wheels', title: 'Wheels' },
  help: 'Number them with a marker first: 1-6 stands for six',
};

/** Wheels matched by a flip. */
export const wheelMatching: Protocol = {
  title: 'Matching wheels by a flip',
  asks: 'Which wheels go together?',
  why: 'Of two wheels one is larger: what turns round when left and right are flipped is the wheels, what stays is the vehicle.',
  aids: [
    'Run a pair over the same way, flip it, run again; then the next pair, one wheel kept from the last.',
    SAME_FLOOR,
    FULL,
  ],
  cautions: [CLEAR],
  next: 'Fit the best pair; what stays with the vehicle is for motors, slider or weight to answer.',
  runs: 4,
  conditions: [names, commandedWay, amount('track', 'Track', ['length', 'mm'], { above: 0 })],
  readings: [
    partName('left', 'Left wheel'),
    partName('right', 'Right wheel'),
    amount('side', 'Ended to the side', ['length', 'mm'], {}, { sides: RIGHT_LEFT }),
  ],
  analyse,
};
