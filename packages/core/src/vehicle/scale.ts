import { STANDARD_GRAVITY } from '../quantity/index.ts';
import type { Build } from './document.ts';
import { layoutKind, trackOf, wheelbaseOf } from './layout/index.ts';

/** How large a vehicle is: what figures that nobody has stated yet are scaled from. */
export interface Scale {
  /** Of its frame: the longer of wheelbase and track, metres. */
  readonly lengthM: number;
  readonly wheelM: number;
  /** Itself, without what it carries. */
  readonly massKg: number;
  /** Somebody rides on it. */
  readonly ridden: boolean;
}

/** A guess as people say one: two figures. */
export const rounded = (x: number): number => Number(x.toPrecision(2));

/** Smaller than this nothing is built here, metres. */
const LEAST_M = 0.01;

/**
 * How large a vehicle is, as usual figures take their size from it: length, mass, speed.
 *
 * @example scaleOf(puffin).massKg // 58
 */
export function scaleOf({ layout, body, masses, people }: Build): Scale {
  const lengthM = Math.max(wheelbaseOf(layout), trackOf(layout).value) || body.length.value * 0.8;
  const largest = Math.max(...layout.axles.map(({ diameter }) => diameter.value));
  return {
    lengthM: Math.max(LEAST_M, lengthM),
    wheelM: layoutKind(layout.kind).onTracks ? largest * 2 : largest,
    massKg: Math.max(masses.own.mass.value, 1e-3),
    ridden: people === 'riding',
  };
}

/** Things alike but for their size go alike at a speed over the root of length times g (Froude number). */
const PACE = 0.4;
/** Who rides wants to go about as fast as one runs, not as one walks (common practice, no source). */
const RIDDEN = 2;

/** Pulled outwards by this share of its weight, a vehicle neither slides nor tips at first (common practice, no source). */
const SIDEWAYS = 0.3;

/** What is usual for a vehicle of this size where nobody has said otherwise: a guess each (common practice, no source). */
export const usual = {
  paceMps: ({ lengthM, ridden }: Scale): number =>
    rounded(PACE * Math.sqrt(STANDARD_GRAVITY * lengthM) * (ridden ? RIDDEN : 1)),
  bendM: ({ lengthM }: Scale): number => rounded(lengthM * 3),
  /** At twice the pace. */
  fastBendM: (scale: Scale): number =>
    Math.max(usual.bendM(scale), rounded((2 * usual.paceMps(scale)) ** 2 / (SIDEWAYS * STANDARD_GRAVITY))),
  upToSpeedM: ({ lengthM }: Scale): number => rounded(lengthM * 3),
  stopM: ({ lengthM, ridden }: Scale): number => rounded(lengthM * (ridden ? 4 : 2)),
  routeM: ({ lengthM }: Scale): number => rounded(lengthM * 70),
  areaM2: ({ lengthM }: Scale): number => rounded((lengthM * 15) ** 2),
  stepM: ({ wheelM }: Scale): number => rounded(wheelM * 0.15),
  pullN: ({ massKg }: Scale): number => rounded(massKg * STANDARD_GRAVITY * 0.2),
  towedKg: ({ massKg }: Scale): number => rounded(massKg),
  payloadKg: ({ massKg }: Scale): number => rounded(massKg * 0.7),
  riderKg: ({ massKg }: Scale): number => rounded(massKg * 1.2),
  partKg: ({ massKg }: Scale): number => rounded(massKg * 0.1),
  bladeM: ({ lengthM }: Scale): number => rounded(lengthM),
  heapM: ({ wheelM }: Scale): number => rounded(wheelM * 0.5),
  liftKg: ({ massKg }: Scale): number => rounded(massKg * 0.3),
  liftM: ({ lengthM }: Scale): number => rounded(lengthM * 0.6),
  /** Of a brush or a tiller. */
  workNm: ({ massKg, lengthM }: Scale): number => rounded(massKg * STANDARD_GRAVITY * lengthM * 0.005),
  workRpm: ({ lengthM }: Scale): number => rounded(160 / Math.sqrt(lengthM)),
  workW: ({ massKg }: Scale): number => rounded(1.5 * massKg),
  besideW: ({ massKg }: Scale): number => rounded(0.4 * massKg ** 0.6),
  /** Resistance of a cable as long as the vehicle, thicker the heavier it is. */
  cableOhm: ({ lengthM }: Scale): number => rounded(0.0035 / lengthM),
  /** From where a motor's mount is held to the line of its pull. */
  leverM: ({ wheelM }: Scale): number => rounded(wheelM * 0.12),
  kingpinM: ({ wheelM }: Scale): number => rounded(wheelM * 0.06),
  armM: ({ lengthM, ridden }: Scale): number => rounded(ridden ? lengthM * 0.3 : lengthM * 0.4),
  /** A run that is long enough to see it veer. */
  trialM: ({ lengthM }: Scale): number => rounded(lengthM * 20),
} as const;

/** The vehicle for which the hours of the assembly's steps are written, metres. */
const WRITTEN_FOR_M = 0.6;
const FIVE_MINUTES_S = 300;

/**
 * Hours of a step on a vehicle of another size: small ones are quicker to handle, though not in proportion.
 *
 * @example scaledTime({ lengthM: 0.1 }, 10) // 300
 */
export const scaledTime = ({ lengthM }: Scale, seconds: number): number =>
  seconds === 0
    ? 0
    : Math.max(1, Math.round((seconds * Math.sqrt(lengthM / WRITTEN_FOR_M)) / FIVE_MINUTES_S)) *
      FIVE_MINUTES_S;
