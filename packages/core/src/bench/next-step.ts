import { figure, sentence, type Words } from '../quantity/index.ts';
import type { BenchReading, ReadingKind } from '../motor/index.ts';
import type { BenchFit } from './fit.ts';

/** What to read next: how the shaft is to be, at which voltage, for how long, and how long it must cool before. */
export interface NextStep {
  readonly kind: ReadingKind;
  readonly voltageV: number;
  /** How hard it is held, as a share of what stalls it: nothing free, all of it held fast. */
  readonly hold: number;
  /** Seconds that the motor is under this load at most, and seconds that it rests first. */
  readonly holdS: number;
  readonly restS: number;
  readonly text: Words;
  readonly caution: Words;
}

/** So many free, held back and held fast are asked for (common practice, no source). */
const WANTED = { free: 4, 'held back': 5, 'held fast': 2 } as const;
/** Shares of the voltage at which it runs free, in turn. */
const FREE_AT = [0.3, 1, 0.6, 1] as const;
/** Held fast it is given no more than this of its voltage: what flows grows with it, the heat with its square. */
const FAST_AT = 0.25;
const FAST_S = 2;
const HELD_S = 8;
const FREE_S = 10;
/** A small motor that was held fast cools for a minute at least (common practice, no source). */
const COOLS_S = 60;
/** All constants known to this share are good enough to choose parts by. */
const GOOD_ENOUGH = 0.05;

const countOf = (readings: readonly BenchReading[], kind: ReadingKind): number =>
  readings.filter((reading) => reading.kind === kind).length;

/**
 * How far off the worst of resistance and constant may be, as a share of it.
 *
 * @example worstOff({ resistanceOhm: { value: 1, off: 0.1 }, constant: { value: 0.02, off: 0.001 } }) // 0.1
 */
export const worstOff = ({ resistanceOhm, constant }: BenchFit): number =>
  Math.max(resistanceOhm.off / resistanceOhm.value, constant.off / constant.value);

/**
 * The reading that tells most next; undefined where the constants are known well enough. Free first, for it asks least of the
 * motor, then held back, then held fast for a moment at a low voltage.
 *
 * @example nextStep([], 12)?.kind // 'free'
 */
export function nextStep(
  readings: readonly BenchReading[],
  ratedV: number,
  fit?: BenchFit,
): NextStep | undefined {
  const [free, held, fast] = (['free', 'held back', 'held fast'] as const).map((kind) =>
    countOf(readings, kind),
  ) as [number, number, number];
  const last = readings.at(-1);
  const restS =
    last === undefined || last.kind === 'free' ? 0 : last.kind === 'held fast' ? COOLS_S : COOLS_S / 2;
  if (free < 2) return runFree(free, ratedV, restS);
  if (held < 3) return holdBack(held, readings, ratedV, restS);
  if (fast < 1) return holdFast(ratedV, restS);
  if (fit && worstOff(fit) <= GOOD_ENOUGH && readings.length >= 7) return undefined;
  if (held < WANTED['held back']) return holdBack(held, readings, ratedV, restS);
  if (free < WANTED.free) return runFree(free, ratedV, restS);
  if (fast < WANTED['held fast']) return holdFast(ratedV, restS);
  return fit && worstOff(fit) > GOOD_ENOUGH ? holdBack(held, readings, ratedV, restS) : undefined;
}

const runFree = (already: number, ratedV: number, restS: number): NextStep => {
  const voltageV = ratedV * (FREE_AT[already] ?? 1);
  return {
    kind: 'free',
    voltageV,
    hold: 0,
    holdS: FREE_S,
    restS,
    text: sentence`Clamp the motor, leave its shaft free, and give it ${figure(voltageV, 'voltage')}. Read voltage, current and speed once it runs evenly.`,
    caution:
      'Clamped, eye protection on, nothing loose on the shaft: no sleeve, no hair, no pulley that may fly off. A series-wound motor is never run free.',
  };
};

/** How hard it is held, in turn: shares of what stalls it. */
const LOADS = [0.2, 0.35, 0.5] as const;

function holdBack(
  already: number,
  readings: readonly BenchReading[],
  ratedV: number,
  restS: number,
): NextStep {
  const free = readings.filter(({ kind }) => kind === 'free');
  const quickest = Math.max(0, ...free.map(({ speedRpm, voltageV }) => (speedRpm / voltageV) * ratedV));
  const hold = LOADS[already % LOADS.length] ?? LOADS[0];
  return {
    kind: 'held back',
    voltageV: ratedV,
    hold,
    holdS: HELD_S,
    restS,
    text: sentence`Give it ${figure(ratedV, 'voltage')} and hold it back, by a brake block or an arm that pulls at a scale, until it turns about ${figure(((1 - hold) * quickest * Math.PI) / 30, 'rotation')}. Read, and let go.`,
    caution:
      'Load it by a block or a cord round a drum, never by hand. Seconds only: if it smells, or is too hot to touch, stop.',
  };
}

const holdFast = (ratedV: number, restS: number): NextStep => ({
  kind: 'held fast',
  voltageV: FAST_AT * ratedV,
  hold: 1,
  holdS: FAST_S,
  restS,
  text: sentence`Hold the shaft fast by an arm against a scale, turn the supply down to ${figure(FAST_AT * ratedV, 'voltage')}, switch on for ${figure(FAST_S, 'time')} and read voltage and current.`,
  caution:
    'Held fast it draws the most it ever will: a supply that limits its current, a fuse, two seconds at most, and a minute to cool after it.',
});
