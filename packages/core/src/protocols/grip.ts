import { figure, radiansToDegrees, sentence, type Sentence } from '../quantity/index.ts';
import { inclineSlip, outliersOf } from '../trials/index.ts';
import { amount, choice } from './field.ts';
import { CLEAR } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { numberIn, numbersIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';
import {
  meanOfRuns,
  moreRuns,
  outOfLine,
  present,
  resultOf,
  runsPlot,
  through,
  tooFew,
  type Of,
} from './summary.ts';

/** Runs of a trial whose answer is a number and no verdict (common practice, no source). */
const FIVE_RUNS = 5;
/** A number known within this share of itself is near enough (common practice, no source). */
const NEAR = 0.05;

/** What a trial says whose answer is one number: its mean, and how sure it is. */
export function numberTrial(
  values: readonly number[],
  of: Of,
  needed: number,
  says: (measured: Measured) => Sentence,
  more: { readonly measured?: readonly Measured[]; readonly notes?: readonly Sentence[] } = {},
): TrialResult {
  const measured = meanOfRuns(values, of);
  const outliers = outliersOf(values);
  if (!measured || values.length < needed)
    return resultOf(values.length, 'too-few', tooFew(values.length, needed), {
      measured: present(measured),
      plots: values.length === 0 ? [] : [runsPlot(values, of, measured)],
    });
  return resultOf(values.length, 'measured', says(measured), {
    measured: [measured, ...(more.measured ?? [])],
    notes: [
      ...(more.notes ?? []),
      ...moreRuns(measured, NEAR * Math.abs(measured.value), of.dimension),
      ...outOfLine(outliers),
    ],
    plots: [runsPlot(values, of, measured)],
    outliers,
  });
}

const SLOPE: Of = { key: 'angle', title: 'Slope at which it slips', dimension: 'angle' };
const FRICTION = { key: 'friction', title: 'Friction of the held wheels', dimension: 'coefficient' } as const;

function analyseSlip(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const angles = numbersIn(readings, 'angle');
  const mean = meanOfRuns(angles, SLOPE);
  const share = numberIn(conditions, 'heldShare') ?? 1;
  const friction =
    mean &&
    through(
      mean,
      FRICTION,
      (x) => inclineSlip.run({ slipDeg: radiansToDegrees(x), heldShare: share }).friction,
    );
  return numberTrial(
    angles,
    SLOPE,
    FIVE_RUNS,
    ({ value }) =>
      sentence`It slips at ${figure(value, 'angle')}: a friction of ${figure(friction?.value ?? 0, 'coefficient')} under the held wheels.`,
    { measured: present(friction) },
  );
}

const STEEP = 1.5;
const angle = amount('angle', 'Slope', ['angle', '°'], { above: 0, below: STEEP });

/** The slope at which held wheels slide. */
export const slipSlope: Protocol = {
  title: 'Slope at which it slips',
  asks: 'How much grip has it?',
  why: 'A board of the real ground, lifted until a held wheel slides, gives the friction without any force read.',
  aids: [
    'A board with the ground on it, hinged at one end; a level or a phone that reads the angle.',
    'Wheels held so that they cannot turn; lift slowly, read at the first slide.',
  ],
  cautions: ['Somebody below to catch it, never under it; a rope on anything heavy.'],
  next: 'Take the friction over: grip and the grades it can climb move with it.',
  runs: FIVE_RUNS,
  conditions: [
    amount('heldShare', 'Share of the weight on the held wheels', ['share', '%'], { above: 0, most: 1 }),
  ],
  readings: [angle],
  analyse: analyseSlip,
};

const PULL: Of = { key: 'pull', title: 'Pull at standstill', dimension: 'force' };

function analysePull(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const pulls = numbersIn(readings, 'pull');
  const spun = readings.filter((r) => wordIn(r, 'spun') === 'yes').length;
  const all = spun === readings.length;
  const result = numberTrial(pulls, PULL, FIVE_RUNS, ({ value }) =>
    all
      ? sentence`It pulls ${figure(value, 'force')}, and then its wheels spin: that is its grip.`
      : spun === 0
        ? sentence`It pulls ${figure(value, 'force')} and stands: that is what its drive has; its grip is more.`
        : sentence`It pulls ${figure(value, 'force')}; in ${spun} of ${readings.length} pulls its wheels spun: grip and drive end near each other.`,
  );
  if (result.verdict !== 'measured') return result;
  return { ...result, verdict: all ? 'grip' : spun === 0 ? 'drive' : 'both' };
}

/** Pull at standstill. */
export const pull: Protocol = {
  title: 'Pull at standstill',
  asks: 'How hard does it pull?',
  why: 'A spring scale between the hitch and a post shows what the drive and the grip give, and which of them ends first.',
  aids: [
    'A spring or crane scale and a rope at the height of the hitch, level.',
    'Raise the command slowly; read the highest pull. Seconds only: held motors heat fast.',
  ],
  cautions: ['Nobody in line with the rope, and a wheel chock behind.', CLEAR],
  next: 'Take the pull over where the wheels spun; where they did not, the drive is what to mend.',
  runs: FIVE_RUNS,
  conditions: [],
  readings: [
    amount('pull', 'Pull', ['force', 'N'], { above: 0 }),
    choice('spun', 'Did the wheels spin?', { yes: 'yes', no: 'no' }),
  ],
  analyse: analysePull,
};

const STOP: Of = { key: 'distance', title: 'Way to a stand', dimension: 'length' };

function analyseStop(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const ways = numbersIn(readings, 'distance');
  const speed = numberIn(conditions, 'speed') ?? 0;
  const way = meanOfRuns(ways, STOP);
  const slowing =
    way &&
    through(
      way,
      { key: 'slowing', title: 'Slowing, all the way', dimension: 'acceleration' },
      (x) => speed ** 2 / (2 * x),
    );
  return numberTrial(
    ways,
    STOP,
    FIVE_RUNS,
    ({ value }) =>
      sentence`From ${figure(speed, 'speed')} it stands after ${figure(value, 'length')}, ${figure(Math.max(...ways), 'length')} at the longest.`,
    { measured: present(slowing) },
  );
}

/** The way to a stand. */
export const stopping: Protocol = {
  title: 'Stopping distance',
  asks: 'How soon does it stop?',
  why: 'The way to a stand, from the command to the last roll, loaded and on the steepest way down that it will see.',
  aids: [
    'A line where the stop is ordered; measure from there to where it stands.',
    'Empty before loaded, level before slope.',
  ],
  cautions: [
    'Nobody in its way or below it; somebody at the main switch.',
    'A motor or a worm is no parking brake.',
  ],
  next: 'Keep people further away than its longest stop; where that is too far, cap the speed or mend the brake.',
  runs: FIVE_RUNS,
  conditions: [amount('speed', 'Speed at the line', ['speed', 'm/s'], { above: 0 })],
  readings: [amount('distance', 'Way to a stand', ['length', 'm'], { above: 0 })],
  analyse: analyseStop,
};

const SIDE_SLOPE: Of = {
  key: 'angle',
  title: 'Side slope at which a wheel lifts or slides',
  dimension: 'angle',
};

function analyseSideSlope(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const angles = numbersIn(readings, 'angle');
  const slid = readings.filter((r) => wordIn(r, 'ends') === 'slides').length;
  const result = numberTrial(
    angles,
    SIDE_SLOPE,
    FIVE_RUNS,
    ({ value }) =>
      sentence`${slid > readings.length / 2 ? 'It slides sideways' : 'A wheel lifts'} at ${figure(value, 'angle')}, ${figure(Math.min(...angles), 'angle')} at the least.`,
  );
  if (result.verdict !== 'measured') return result;
  return { ...result, verdict: slid > readings.length / 2 ? 'slides' : 'lifts' };
}

/** The side slope at which a wheel lifts. */
export const sideSlope: Protocol = {
  title: 'Side slope',
  asks: 'How far can it lean before a wheel lifts?',
  why: 'Where the weight really is shows at the slope at which the upper wheels go light.',
  aids: [
    'A board or ramp lifted slowly from the side, with the load that it will carry.',
    'A sheet of paper under an upper wheel: it comes out once the wheel is light.',
  ],
  cautions: ['A spotter on the low side with a strap that cannot let it roll over; nobody below.'],
  next: 'Where it lifts sooner than predicted, its weight is higher or further out: weigh it, or lower it.',
  runs: FIVE_RUNS,
  conditions: [],
  readings: [angle, choice('ends', 'What ended it', { lifts: 'a wheel lifted', slides: 'it slid' })],
  analyse: analyseSideSlope,
};
