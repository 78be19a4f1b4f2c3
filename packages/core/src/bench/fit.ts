import { NotPhysical } from '../contract/index.ts';
import type { BenchReading } from '../motor/index.ts';
import { rpmToRadS } from '../quantity/index.ts';
import { studentCritical } from '../trials/index.ts';

/** A figure, and how far it may be off: 19 times of 20 the true one is within. */
export interface Estimate {
  readonly value: number;
  readonly off: number;
}

/** How good the instruments are, as shares of what they show; only how they stand to each other counts. */
export interface Instruments {
  readonly voltage: number;
  readonly current: number;
  readonly speed: number;
}

/** A common multimeter, a clamp or shunt, and a counter of turns (common practice, no source). */
export const USUAL_INSTRUMENTS: Instruments = { voltage: 0.005, current: 0.01, speed: 0.005 };

/** What a reading leaves: volts that the constants do not explain. */
export interface Residual {
  readonly voltageV: number;
  /** As many times its own usual size. */
  readonly times: number;
  /** Left out of the fit: no chance in a hundred that one of them would stand so far off by itself. */
  readonly outlier: boolean;
}

/** The constants of a motor as its readings have them, and how far off each may be. */
export interface BenchFit {
  readonly resistanceOhm: Estimate;
  /** Back-voltage constant, V·s/rad, which is its torque constant, N·m/A. */
  readonly constant: Estimate;
  readonly noLoadA: Estimate;
  /** The torque constant by the arm, where torques were read. */
  readonly torqueConstant?: Estimate;
  /** In the order of the readings. */
  readonly residuals: readonly Residual[];
  /** Volts that a good reading is usually off. */
  readonly residualV: number;
  /** Of resistance and constant: their variances and covariance. */
  readonly spread: readonly [rr: number, kk: number, rk: number];
}

/** Chance that a sound set of readings has one named an outlier. */
const FALSE_ALARM = 0.01;
const CONFIDENCE = 0.95;
/** Fewer left than this are no fit. */
const LEAST_READINGS = 3;
/** Weights depend on the constants and the constants on the weights: so often settles them. */
const ROUNDS = 6;
/** Below this share of its greatest size the determinant says that all readings are at one load. */
const DEGENERATE = 1e-6;

interface Point {
  readonly v: number;
  readonly i: number;
  readonly w: number;
}
const pointOf = ({ voltageV, currentA, speedRpm }: BenchReading): Point => ({
  v: voltageV,
  i: currentA,
  w: rpmToRadS(speedRpm),
});

interface Line {
  readonly r: number;
  readonly k: number;
  /** Weighted squares of what is left, and the inverse of the normal matrix. */
  readonly squares: number;
  readonly inverse: readonly [rr: number, kk: number, rk: number];
  readonly weightOf: (point: Point) => number;
}

/** V = I R + k ω, each reading weighted by how far off its three instruments make it. */
function lineThrough(points: readonly Point[], by: Instruments): Line | undefined {
  let weightOf = ({ v }: Point): number => 1 / (by.voltage * v) ** 2;
  let line: Line | undefined;
  for (let round = 0; round < ROUNDS; round += 1) {
    let [ii, iw, ww, iv, wv] = [0, 0, 0, 0, 0];
    for (const point of points) {
      const { v, i, w } = point;
      const weight = weightOf(point);
      ii += weight * i * i;
      iw += weight * i * w;
      ww += weight * w * w;
      iv += weight * i * v;
      wv += weight * w * v;
    }
    const determinant = ii * ww - iw * iw;
    if (!(determinant > DEGENERATE * ii * ww)) return undefined;
    const r = (iv * ww - wv * iw) / determinant;
    const k = (wv * ii - iv * iw) / determinant;
    const used = weightOf;
    const squares = points.reduce((sum, point) => sum + used(point) * leftOf(point, r, k) ** 2, 0);
    line = {
      r,
      k,
      squares,
      inverse: [ww / determinant, ii / determinant, -iw / determinant],
      weightOf: used,
    };
    weightOf = ({ v, i, w }) =>
      1 / ((by.voltage * v) ** 2 + (by.current * i * r) ** 2 + (by.speed * w * k) ** 2);
  }
  return line;
}

const leftOf = ({ v, i, w }: Point, r: number, k: number): number => v - i * r - k * w;

/** The reading that stands furthest off the line through the others, in its own usual sizes; by its place. */
function furthest(points: readonly Point[], by: Instruments) {
  let worst = { at: -1, times: 0 };
  points.forEach((point, at) => {
    const others = points.filter((_, n) => n !== at);
    const line = lineThrough(others, by);
    if (!line) return;
    const [rr, kk, rk] = line.inverse;
    const scale = line.squares / (others.length - 2);
    const { i, w } = point;
    const variance = scale * (1 / line.weightOf(point) + i * i * rr + w * w * kk + 2 * i * w * rk);
    const times = variance > 0 ? Math.abs(leftOf(point, line.r, line.k)) / Math.sqrt(variance) : 0;
    if (times > worst.times) worst = { at, times };
  });
  return worst;
}

/** Places of the readings that no line through the others explains. */
function outliersOf(points: readonly Point[], by: Instruments): ReadonlySet<number> {
  const out = new Set<number>();
  for (;;) {
    const places = points.map((_, at) => at).filter((at) => !out.has(at));
    if (places.length <= LEAST_READINGS + 1) return out;
    const { at, times } = furthest(
      places.map((place) => points[place] as Point),
      by,
    );
    const limit = studentCritical(FALSE_ALARM / places.length, places.length - 3);
    const place = places[at];
    if (place === undefined || times <= limit) return out;
    out.add(place);
  }
}

const estimate = (value: number, variance: number, freedom: number): Estimate => ({
  value,
  off: studentCritical(1 - CONFIDENCE, freedom) * Math.sqrt(variance),
});

/** The mean of the currents read unloaded; of one, as far off as its instrument. */
function idleOf(free: readonly BenchReading[], by: Instruments): Estimate {
  const currents = free.map(({ currentA }) => currentA);
  const mean = currents.reduce((sum, a) => sum + a, 0) / currents.length;
  if (currents.length < 2) return { value: mean, off: 2 * by.current * mean };
  const squares = currents.reduce((sum, a) => sum + (a - mean) ** 2, 0);
  const freedom = currents.length - 1;
  return estimate(mean, squares / freedom / currents.length, freedom);
}

/** kt by the arm: T = kt (I − I0), by least squares through the readings that have a torque. */
function torqueConstantOf(readings: readonly BenchReading[], idleA: number): Estimate | undefined {
  const read = readings.flatMap(({ currentA, torqueNm }) =>
    torqueNm === undefined || torqueNm === 0 ? [] : [{ a: currentA - idleA, nm: torqueNm }],
  );
  const aa = read.reduce((sum, { a }) => sum + a * a, 0);
  if (read.length < 2 || !(aa > 0)) return undefined;
  const kt = read.reduce((sum, { a, nm }) => sum + a * nm, 0) / aa;
  const squares = read.reduce((sum, { a, nm }) => sum + (nm - kt * a) ** 2, 0);
  return estimate(kt, squares / (read.length - 1) / aa, read.length - 1);
}

/**
 * The constants of a motor with magnets from readings of voltage, current and speed: least squares weighted by what the
 * instruments are off, readings that no line through the others explains left out and named, and how far each constant may be
 * off. Of the shaft that was read: a gearmotor's are those of its output.
 *
 * Source: weighted least squares; deleted studentised residuals against Student's t (Belsley, Kuh and Welsch, ch. 2, from memory).
 *
 * @throws NotPhysical `too-few-readings`, `none-unloaded`, `degenerate-readings`, `readings-contradict`
 * @example fitReadings(readings).resistanceOhm.value // 0.5
 */
export function fitReadings(
  readings: readonly BenchReading[],
  by: Instruments = USUAL_INSTRUMENTS,
): BenchFit {
  if (readings.length < LEAST_READINGS)
    throw new NotPhysical(
      'too-few-readings',
      'Two unknowns and a spread take three readings at least: free, held back, and one more.',
    );
  const points = readings.map(pointOf);
  const out = outliersOf(points, by);
  const kept = points.filter((_, at) => !out.has(at));
  const line = lineThrough(kept, by);
  if (!line)
    throw new NotPhysical(
      'degenerate-readings',
      'All readings are at one load: take some with the shaft held back more and some with it free.',
    );
  const { r, k, squares, inverse, weightOf } = line;
  if (!(r > 0) || !(k > 0))
    throw new NotPhysical(
      'readings-contradict',
      'No motor gives these readings: more current at a voltage must go with less speed. Check each reading.',
    );
  const free = readings.filter(({ kind }, at) => kind === 'free' && !out.has(at));
  if (free.length === 0)
    throw new NotPhysical(
      'none-unloaded',
      'No reading is with a free shaft: take one, for the current that its own friction takes.',
    );
  const noLoadA = idleOf(free, by);
  const freedom = kept.length - 2;
  const scale = squares / freedom;
  const spread = inverse.map((x) => x * scale) as [number, number, number];
  const torqueConstant = torqueConstantOf(
    readings.filter((_, at) => !out.has(at)),
    noLoadA.value,
  );
  return {
    resistanceOhm: estimate(r, spread[0], freedom),
    constant: estimate(k, spread[1], freedom),
    noLoadA,
    ...(torqueConstant ? { torqueConstant } : {}),
    residuals: points.map((point, at) => {
      const voltageV = leftOf(point, r, k);
      const usual = Math.sqrt(scale / weightOf(point));
      return { voltageV, times: usual > 0 ? Math.abs(voltageV) / usual : 0, outlier: out.has(at) };
    }),
    residualV: Math.sqrt(kept.reduce((sum, point) => sum + leftOf(point, r, k) ** 2, 0) / freedom),
    spread,
  };
}
