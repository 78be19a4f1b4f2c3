import { drawn, uncertainIn, type Uncertain } from '../spreads/index.ts';
import type { Build } from '../vehicle/index.ts';
import { FORETOLD, type MadeWith } from './foretold.ts';
import { dutyOfTrial, type Predicted } from './predicted.ts';
import type { ProtocolName } from './protocols.ts';
import type { TrialConditions } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';

/** How a measured number stands beside what was foretold. */
export interface Compared {
  readonly measured: Measured;
  readonly predicted: Predicted;
  /**
   * Whether the two lie within both their spreads together; null where too few runs tell how sure the measured one is.
   */
  readonly agrees: boolean | null;
}

/** Half of what a range covers. */
const half = (low: number, high: number): number => (high - low) / 2;

function agrees(measured: Measured, predicted: Predicted): boolean | null {
  if (measured.atLeast) return predicted.high >= measured.value ? null : false;
  if (measured.low === undefined || measured.high === undefined) return null;
  const foretold = half(predicted.low, predicted.high);
  const apart = Math.abs(measured.value - (predicted.low + predicted.high) / 2);
  return apart <= Math.hypot(foretold, half(measured.low, measured.high));
}

/**
 * Each measured number of a trial that was foretold, beside it.
 *
 * @example compared({ measured: [] }, []) // []
 */
export const compared = (
  { measured }: Pick<TrialResult, 'measured'>,
  predicted: readonly Predicted[],
): Compared[] =>
  measured.flatMap((one) => {
    const other = predicted.find(({ key }) => key === one.key);
    return other ? [{ measured: one, predicted: other, agrees: agrees(one, other) }] : [];
  });

/**
 * Whether a trial as a whole agrees with its build: false where any number does not, null where none can be told.
 *
 * @example allAgree([]) // null
 */
export function allAgree(each: readonly Compared[]): boolean | null {
  if (each.some((one) => one.agrees === false)) return false;
  return each.some((one) => one.agrees === true) ? true : null;
}

/** An input that may be wrong, where a prediction is off. */
export interface Doubted {
  readonly input: Uncertain;
  /** How far it would have to be off for the prediction to be right, in its own spreads. */
  readonly spreads: number;
}

/** An input that would have to be off so many of its spreads is none to doubt. */
const FAR = 4;

/**
 * Which inputs to doubt where a prediction is off by more than both spreads: those that would make it right by moving the
 * least, in their own spreads.
 *
 * @example doubtedOf('coast-down', puffin, {}, { key: 'rolling', value: 0.09 })[0]?.input.path.at(-1) // 'rolling'
 */
export function doubtedOf(
  name: ProtocolName,
  build: Build,
  conditions: TrialConditions,
  { key, value }: Pick<Measured, 'key' | 'value'>,
  measured: MadeWith['measured'] = [],
): readonly Doubted[] {
  const of = FORETOLD[name]?.[key];
  const duty = dutyOfTrial(build, conditions);
  if (!of || !duty) return [];
  const inputs = uncertainIn(build);
  const at = (places: readonly number[]): number | undefined => {
    const one = drawn(build, inputs, places);
    return of(one, { conditions, measured, duty: one.duties.find(({ id }) => id === duty.id) ?? duty });
  };
  const middle = inputs.map(() => MIDDLE);
  const here = at(middle) ?? NaN;
  return inputs
    .map((input, n): Doubted => {
      const end = (place: number): number => at(middle.with(n, place)) ?? NaN;
      const perSpread = (end(1) - end(0)) / 2;
      return { input, spreads: Math.abs((value - here) / perSpread) };
    })
    .filter(({ spreads }) => spreads <= FAR)
    .sort((a, b) => a.spreads - b.spreads);
}

/** An input's place within its spread where it stands as it is stated. */
const MIDDLE = 0.5;
