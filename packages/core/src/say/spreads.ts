import { placeInWords, settling, type Build } from '../vehicle/index.ts';
import type { UnitSystem } from '../quantity/index.ts';
import type { Chance, Decides, Uncertain } from '../spreads/index.ts';
import { numberInWords } from './what-if.ts';

/**
 * How likely something is, as it is said: out of ten, or out of a hundred near the ends.
 *
 * @example chanceInWords(0.42) // 'about 4 times in 10'
 */
export function chanceInWords(chance: number): string {
  if (chance <= 0) return 'never';
  if (chance >= 1) return 'always';
  if (chance < 0.05) return 'hardly ever';
  if (chance > 0.95) return 'nearly always';
  return `about ${Math.round(10 * chance)} times in 10`;
}

/**
 * A number that is not known exactly, as it is called, with its range.
 *
 * @example uncertainInWords(uncertainIn(puffin)[0], puffin) // 'Payload, mass (110 kg to 130 kg)'
 */
export function uncertainInWords(input: Uncertain, build: Build, system: UnitSystem = 'metric'): string {
  const { path, value, spread } = input;
  const say = (n: number): string => numberInWords(input, n, system);
  return `${placeInWords(path, build)} (${say(value - spread)} to ${say(value + spread)})`;
}

/** How a number is measured with what lies in a shed: in words, and by which quick sum, where there is one. */
export interface Measured {
  readonly text: string;
  readonly calculator?: string;
}

/** By the last step of its path (common practice, no source). */
const BY_KEY: Readonly<Record<string, Measured>> = {
  rolling: { text: 'Let it roll out from a walk and measure the way.', calculator: 'coast-down' },
  freeRolling: {
    text: 'Pull it by a spring scale at a walk, the driven wheels lifted.',
    calculator: 'pull-test',
  },
  friction: { text: 'Tilt a board of that ground until a locked wheel slips.', calculator: 'incline-slip' },
  across: {
    text: 'Tilt a board of that ground across the wheel until it slips.',
    calculator: 'incline-slip',
  },
  mass: { text: 'Weigh it: each wheel on a bathroom scale, together.' },
  own: { text: 'Weigh it: each wheel on a bathroom scale, together.' },
};

/**
 * How a number that is not known exactly is measured; undefined where only its maker knows.
 *
 * @example measuredBy(uncertainIn(puffin)[0])?.text // 'Weigh it: each wheel on a bathroom scale, together.'
 */
export function measuredBy({ path }: Uncertain): Measured | undefined {
  const key = path.at(-1) ?? '';
  const [settled] = path[0] === 'parts' ? settling([key]) : [];
  return settled === undefined ? BY_KEY[key] : { text: settled };
}

/**
 * What to measure first of a job, and why.
 *
 * @example measureFirst({ dutyId: null, does: 1, keeps: 1, decides: [] }, puffin) // ''
 */
export function measureFirst(
  { keeps, decides }: Pick<Chance, 'keeps' | 'decides'>,
  build: Build,
  system: UnitSystem = 'metric',
): string {
  const [first] = decides;
  if (!first || keeps >= 1) return '';
  return `${uncertainInWords(first.input, build, system)} decides ${share(first)} of it: ${thirds(first)}.`;
}

const share = ({ share: part }: Decides): string => `${Math.round(100 * part)} %`;

/** What measuring it would tell. */
const thirds = ({ keepsIn: [low, middle, high] }: Decides): string =>
  `in the lowest third of that it keeps its margins ${chanceInWords(low)}, in the middle ${chanceInWords(middle)}, in the highest ${chanceInWords(high)}`;
