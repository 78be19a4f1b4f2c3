import { figure, sentence, type Sentence } from '../quantity/index.ts';
import { trendOf } from '../trials/index.ts';
import type { QuantityField } from './field.ts';
import { protocolOf, type ProtocolName } from './protocols.ts';
import { numberIn, type TrialReading } from './reading.ts';
import { SIGNIFICANT } from './summary.ts';

/** Runs with their voltage before a drift with it is looked for (common practice, no source). */
const LEAST_RUNS = 5;
/** The step of voltage that a drift is told for, V. */
const STEP_V = 0.1;

/** What a protocol is about: the first number that every run of it reads. */
const mainField = (name: ProtocolName): QuantityField | undefined =>
  protocolOf(name).readings.find(
    (field): field is QuantityField => field.kind === 'quantity' && !field.optional,
  );

/**
 * Whether what is read goes with the battery's voltage at each run, as it is told.
 *
 * @example driftWithBattery('straight-run', []) // []
 */
export function driftWithBattery(name: ProtocolName, readings: readonly TrialReading[]): Sentence[] {
  const field = mainField(name);
  if (!field) return [];
  const pairs = readings.flatMap((reading) => {
    const [volts, value] = [numberIn(reading, 'battery'), numberIn(reading, field.key)];
    return volts === undefined || value === undefined ? [] : [{ volts, value }];
  });
  if (pairs.length < LEAST_RUNS) return [];
  const trend = trendOf(
    pairs.map(({ volts }) => volts),
    pairs.map(({ value }) => value),
  );
  if (!trend || trend.luck >= SIGNIFICANT) return [];
  const step = -trend.slope * STEP_V;
  const [less, more] = field.sides ?? ['less', 'more'];
  return [
    sentence`It goes with the battery: for each ${figure(STEP_V, 'voltage')} down it is about ${figure(Math.abs(step), field.dimension, 2)} ${field.sides ? 'further ' : ''}${step < 0 ? less : more}. Compare runs at like voltage, or charge between them.`,
  ];
}
