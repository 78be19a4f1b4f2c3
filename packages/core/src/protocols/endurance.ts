import { figure, sentence, type Sentence } from '../quantity/index.ts';
import { highestPoint } from '../contract/index.ts';
import { studentCritical, trendOf } from '../trials/index.ts';
import { amount } from './field.ts';
import type { Protocol } from './protocol.ts';
import { numberIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialPlot, TrialResult } from './result.ts';
import { present, resultOf, SIGNIFICANT, tooFew } from './summary.ts';

/** Readings that a curve takes. */
const POINTS = 4;

type Point = readonly [timeS: number, value: number];

const pointsOf = (readings: readonly TrialReading[], key: string): Point[] =>
  readings
    .flatMap((r): Point[] => {
      const [time, value] = [numberIn(r, 'time'), numberIn(r, key)];
      return time === undefined || value === undefined ? [] : [[time, value]];
    })
    .sort(([a], [b]) => a - b);

/** When something came about, and the readings before and after between which it did. */
interface Passed {
  readonly at: number;
  readonly low: number;
  readonly high: number;
}

/** When a falling curve first passes a level, between its points; undefined where it does not. */
function passes(points: readonly Point[], level: number): Passed | undefined {
  for (const [at, [time, value]] of points.entries()) {
    if (value > level) continue;
    const [before, was] = points[at - 1] ?? [time, value];
    const there = was > value ? before + ((was - level) / (was - value)) * (time - before) : time;
    return { at: there, low: before, high: time };
  }
  return undefined;
}

/** Area under the curve up to a time over that time: its mean. */
function meanUpTo(points: readonly Point[], end: number): number {
  let sum = 0;
  points.slice(1).forEach(([time, value], at) => {
    const [before, was] = points[at] ?? [time, value];
    const to = Math.min(time, end);
    if (to <= before) return;
    const there = was + ((value - was) * (to - before)) / (time - before);
    sum += ((was + there) / 2) * (to - before);
  });
  return sum / end;
}

function analyseRunDown(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const points = pointsOf(readings, 'voltage');
  const stopV = numberIn(conditions, 'stopAt') ?? 0;
  const currentA = numberIn(conditions, 'current');
  const plots: TrialPlot[] =
    points.length === 0
      ? []
      : [curveOf([{ title: 'battery', points }], { title: 'Voltage', dimension: 'voltage' })];
  if (points.length < POINTS)
    return resultOf(points.length, 'too-few', tooFew(points.length, POINTS), { plots });
  const end = passes(points, stopV);
  const last = points.at(-1)?.[0] ?? 0;
  const time = end?.at ?? last;
  /** It is known as nearly as it was read, times so much. */
  const known = (times: number) =>
    end === undefined
      ? { value: times * time, atLeast: true as const }
      : { value: times * time, low: times * end.low, high: times * end.high };
  const runTime: Measured = {
    ...{ key: 'runTime', title: 'Time until it was empty', dimension: 'time', n: points.length },
    ...known(1),
  };
  const capacity: Measured | undefined =
    currentA === undefined
      ? undefined
      : {
          ...{ key: 'capacity', title: 'Charge that it gave', dimension: 'charge', n: points.length },
          ...known(currentA),
        };
  return resultOf(
    points.length,
    end === undefined ? 'not-down' : 'measured',
    end === undefined
      ? sentence`After ${figure(last, 'time')} it is still above ${figure(stopV, 'voltage')}.`
      : sentence`It is down to ${figure(stopV, 'voltage')} after ${figure(end.at, 'time')}, at ${figure(meanUpTo(points, end.at), 'voltage')} on average.`,
    { measured: present(runTime, capacity), plots },
  );
}

const curveOf = (
  series: readonly { readonly title: string; readonly points: readonly Point[] }[],
  y: { readonly title: string; readonly dimension: 'voltage' | 'temperature' },
): TrialPlot => ({
  kind: 'curve',
  x: { title: 'Time', dimension: 'time' },
  y,
  series: series.map((each) => ({ ...each, joined: true })),
});

/** A battery run down. */
export const runDown: Protocol = {
  title: 'Running a battery down',
  asks: 'How long does the battery last?',
  why: 'What a battery gives is rarely what is printed on it, least of all an old one: run it down once and watch the voltage.',
  aids: [
    'Full battery, the outing as it will be driven; read the voltage every few minutes under load.',
    'Stop at the voltage that its maker gives as empty: never run a lithium cell below it.',
  ],
  cautions: [
    'Series packs have no shared cut-off: watch each one.',
    'Batteries of unknown age: outdoors, on stone, watched.',
  ],
  next: 'Take the charge over: the run time of every outing moves with it.',
  runs: POINTS,
  conditions: [
    amount('stopAt', 'Empty at', ['voltage', 'V'], { above: 0 }),
    amount('current', 'Mean current', ['current', 'A'], { above: 0 }, { optional: true }),
  ],
  readings: [
    amount('time', 'Time since the start', ['time', 'min'], { least: 0 }),
    amount('voltage', 'Voltage under load', ['voltage', 'V'], { above: 0 }),
  ],
  analyse: analyseRunDown,
};

/** Time constants that are tried for a warming curve: so many, from a tenth of the time read to ten times it. */
const TRIED = 60;
/** The best of them is closed in on to this share. */
const CLOSE = 1e-9;

interface Warming {
  readonly final: number;
  readonly timeConstantS: number;
  /** Ends of the 95 % interval of where it is bound; absent where it scatters by nothing or there are too few readings. */
  readonly low?: number;
  readonly high?: number;
}

/** Rise and sum of squares left of the best curve of one time constant. */
function atTimeConstant(points: readonly Point[], ambient: number, timeConstantS: number) {
  const rows = points.map(([t, value]) => [-Math.expm1(-t / timeConstantS), value - ambient] as const);
  const rise = rows.reduce((s, [x, y]) => s + x * y, 0) / rows.reduce((s, [x]) => s + x * x, 0);
  return { rise, left: rows.reduce((s, [x, y]) => s + (y - rise * x) ** 2, 0) };
}

/** How sure the rise of a fit is, by its tangent plane (Gauss and Newton): its standard error. */
function riseError(points: readonly Point[], rise: number, timeConstantS: number, left: number): number {
  const rows = points.map(([t]) => {
    const fades = Math.exp(-t / timeConstantS);
    return [1 - fades, (-rise * t * fades) / timeConstantS ** 2] as const;
  });
  const sum = (of: (row: readonly [number, number]) => number): number =>
    rows.reduce((all, row) => all + of(row), 0);
  const [uu, uv, vv] = [sum(([u]) => u * u), sum(([u, v]) => u * v), sum(([, v]) => v * v)];
  return Math.sqrt(((left / (points.length - 2)) * vv) / (uu * vv - uv ** 2));
}

/**
 * Where a temperature is bound for that rises as one body does: T = Ta + (Tf − Ta)(1 − e^(−t/τ)), by least squares over both.
 * Undefined where it has not bent yet.
 */
export function warmingOf(points: readonly Point[], ambient: number): Warming | undefined {
  const span = points.at(-1)?.[0] ?? 0;
  if (!(span > 0)) return undefined;
  const tau = (place: number): number => span * 10 ** ((2 * place) / TRIED - 1);
  const leftAt = (place: number): number => atTimeConstant(points, ambient, tau(place)).left;
  let best = 0;
  for (let n = 1; n <= TRIED; n++) if (leftAt(n) < leftAt(best)) best = n;
  const timeConstantS = tau(highestPoint((place) => -leftAt(place), best - 1, best + 1, CLOSE));
  const { rise, left } = atTimeConstant(points, ambient, timeConstantS);
  // At the end of what is tried the curve is a straight line still: bound for nowhere that can be told.
  if (!Number.isFinite(rise) || timeConstantS >= 5 * span) return undefined;
  const final = ambient + rise;
  const error = points.length > 2 ? riseError(points, rise, timeConstantS, left) : NaN;
  if (!(error > 0) || !Number.isFinite(error)) return { final, timeConstantS };
  const half = studentCritical(SIGNIFICANT, points.length - 2) * error;
  return { final, timeConstantS, low: final - half, high: final + half };
}

function analyseWarming(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const ambient = numberIn(conditions, 'ambient') ?? 293.15;
  const most = numberIn(conditions, 'most');
  const parts = (['motor', 'driver'] as const).map((key) => ({ key, points: pointsOf(readings, key) }));
  const n = Math.max(...parts.map(({ points }) => points.length));
  const plots: TrialPlot[] =
    n === 0
      ? []
      : [
          curveOf(
            parts.map(({ key, points }) => ({ title: key, points })),
            { title: 'Temperature', dimension: 'temperature' },
          ),
        ];
  if (n < POINTS) return resultOf(n, 'too-few', tooFew(n, POINTS), { plots });
  const measured: Measured[] = [];
  const notes: Sentence[] = [];
  let hottest = 0;
  for (const { key, points } of parts) {
    if (points.length < POINTS) continue;
    const top = Math.max(...points.map(([, value]) => value));
    const warming = warmingOf(points, ambient);
    const final = Math.max(top, warming?.final ?? top);
    hottest = Math.max(hottest, key === 'motor' ? final : 0);
    measured.push({ key, title: `Highest, ${key}`, dimension: 'temperature', value: top, n: points.length });
    if (warming) {
      measured.push({
        ...{ key: `${key}Final`, title: `Bound for, ${key}`, dimension: 'temperature' },
        ...{ value: warming.final, n: points.length },
        ...(warming.low === undefined ? {} : { low: warming.low, high: warming.high }),
      });
    } else if (rises(points)) notes.push(sentence`The ${key} still warms as fast as at the start: run on.`);
  }
  const tooHot = most !== undefined && hottest > most;
  return resultOf(
    n,
    most === undefined ? 'measured' : tooHot ? 'too-hot' : 'holds',
    tooHot
      ? sentence`Too hot: the motor is bound for ${figure(hottest, 'temperature')}, and ${figure(most, 'temperature')} is allowed.`
      : sentence`The motor is bound for ${figure(hottest, 'temperature')} at most${most === undefined ? '' : sentence`, under the ${figure(most, 'temperature')} that are allowed`}.`,
    { measured, notes, plots },
  );
}

const rises = (points: readonly Point[]): boolean =>
  (trendOf(
    points.map(([t]) => t),
    points.map(([, value]) => value),
  )?.slope ?? 0) > 0;

/** How hot motor and driver become. */
export const warming: Protocol = {
  title: 'Motor and driver, how hot',
  asks: 'Does it stay cool enough?',
  why: 'A job that is done in the shed for two minutes may cook a motor in twenty: read it as it warms, and see where it is bound.',
  aids: [
    'A thermometer taped to the motor’s can, another to the driver’s heat sink; shade from sun and wind.',
    'The hardest job, loaded; read every minute or two until it hardly rises.',
  ],
  cautions: [
    'Stop at once where it smells, or is too hot to touch for a second; let it cool before you look.',
  ],
  next: 'Too hot: less load, more gearing, a fan, or a larger motor.',
  runs: POINTS,
  conditions: [
    amount('ambient', 'Air', ['temperature', '°C'], {}),
    amount('most', 'Motor at most', ['temperature', '°C'], {}, { optional: true }),
  ],
  readings: [
    amount('time', 'Time since the start', ['time', 'min'], { least: 0 }),
    amount('motor', 'Motor', ['temperature', '°C'], {}, { optional: true }),
    amount('driver', 'Driver', ['temperature', '°C'], {}, { optional: true }),
  ],
  analyse: analyseWarming,
};
