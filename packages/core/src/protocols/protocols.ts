import { amount, choice, filledIn, type Field } from './field.ts';
import { afterLoad, balancing, firstPower, own, ownReadings } from './checks.ts';
import { coasting } from './coasting.ts';
import { diagnosing } from './diagnosing.ts';
import { distance, square } from './distance.ts';
import { runDown, warming } from './endurance.ts';
import { pull, sideSlope, slipSlope, stopping } from './grip.ts';
import { scoreRuns, withAndWithout } from './loads.ts';
import { motorMatching } from './motor-matching.ts';
import { courseRun } from './over-a-course.ts';
import type { Protocol } from './protocol.ts';
import type { TrialConditions, TrialReading } from './reading.ts';
import { sliderChoice } from './slider-choice.ts';
import { straightRun } from './straight.ts';
import { pivots, steeringReturn } from './turning.ts';
import { wheelMatching } from './wheel-matching.ts';
import { z } from 'zod';

/** Every kind of trial, in the order in which they save runs: parts first, then what runs on them. */
export const PROTOCOLS = {
  'first-power': firstPower,
  'wheel-matching': wheelMatching,
  'motor-matching': motorMatching,
  'slider-choice': sliderChoice,
  'steering-return': steeringReturn,
  'straight-run': straightRun,
  distance,
  pivots,
  square,
  'course-run': courseRun,
  'coast-down': coasting,
  'slip-slope': slipSlope,
  pull,
  stopping,
  'side-slope': sideSlope,
  'with-and-without': withAndWithout,
  score: scoreRuns,
  'after-load': afterLoad,
  'run-down': runDown,
  warming,
  balance: balancing,
  diagnosis: diagnosing,
  own,
} as const satisfies Record<string, Protocol>;

export type ProtocolName = keyof typeof PROTOCOLS;
/** The names of all kinds of trials. */
export const PROTOCOL_NAMES = Object.keys(PROTOCOLS) as [ProtocolName, ...ProtocolName[]];

/**
 * A kind of trial by its name.
 *
 * @example protocolOf('straight-run').title // 'Straight runs'
 */
export const protocolOf = (name: ProtocolName): Protocol => PROTOCOLS[name];

const LONGEST_NOTE = { set: 1000, run: 500 };

/** What every set may say beside what its protocol asks. */
export const COMMON_CONDITIONS: readonly Field[] = [
  amount('batteryBefore', 'Battery before', ['voltage', 'V'], { above: 0 }, { optional: true }),
  amount('batteryAfter', 'Battery after', ['voltage', 'V'], { above: 0 }, { optional: true }),
  choice(
    'batteryRead',
    'Battery is read',
    { ends: 'before and after', each: 'at each run too' },
    { optional: true, help: 'At each run tells whether the result goes with the charge' },
  ),
];

/** What every run may say beside what its protocol reads. */
const BATTERY = amount('battery', 'Battery at this run', ['voltage', 'V'], { above: 0 }, { optional: true });

const schemas = new Map<ProtocolName, z.ZodType<TrialConditions>>();

/**
 * The schema of what is the same for all runs of a set.
 *
 * @throws ZodError from its `parse` where something is missing or past its limits
 * @example conditionsSchema('straight-run').safeParse({}).success // false
 */
export function conditionsSchema(name: ProtocolName): z.ZodType<TrialConditions> {
  const known = schemas.get(name);
  if (known) return known;
  const made = filledIn([...protocolOf(name).conditions, ...COMMON_CONDITIONS], LONGEST_NOTE.set)
    .unwrap()
    .extend({
      floor: z.string().trim().max(120).default(''),
      /** Sets of several builds that belong together: a class, a club. */
      group: z.string().trim().min(1).max(120).optional(),
      /** Which job of the build it is like: its ground and its load. */
      job: z.string().min(1).max(40).optional(),
    })
    .readonly() as unknown as z.ZodType<TrialConditions>;
  schemas.set(name, made);
  return made;
}

/** Whether a field is asked, by the words that are known; undefined where that is not settled yet. */
function isAsked({ shownFor }: Field, words: Readonly<Record<string, unknown>>): boolean | undefined {
  if (!shownFor) return true;
  const [key, those] = shownFor;
  const word = words[key];
  return typeof word === 'string' ? those.split(' ').includes(word) : undefined;
}

/** A field as it is where it is asked: it must be filled in then. */
function mustBe(field: Field): Field {
  if (!field.shownFor) return field;
  const { optional: _optional, shownFor: _shownFor, ...rest } = field;
  return rest as Field;
}

/**
 * What is read at each run of a set, by its conditions and, as far as a run is filled in, by its own words.
 *
 * @example readingFields('straight-run', {}).map(({ key }) => key) // ['side', 'distance']
 */
export function readingFields(
  name: ProtocolName,
  conditions: TrialConditions,
  filled: TrialConditions = {},
): readonly Field[] {
  const all = name === 'own' ? ownReadings(conditions) : protocolOf(name).readings;
  const words = { ...conditions, ...filled };
  const own = all.flatMap((field) => {
    const asked = isAsked(field, words);
    if (asked === undefined) return [field];
    return asked ? [mustBe(field)] : [];
  });
  return words.batteryRead === 'each' ? [...own, BATTERY] : own;
}

/**
 * What is asked of a set before its first run, as far as it is filled in.
 *
 * @example conditionFields('motor-matching', { reads: 'speed' }).some(({ key }) => key === 'turns') // false
 */
export const conditionFields = (name: ProtocolName, filled: TrialConditions): readonly Field[] =>
  protocolOf(name).conditions.flatMap((field) => {
    const asked = isAsked(field, filled);
    if (asked === undefined) return [field];
    return asked ? [mustBe(field)] : [];
  });

/**
 * The schema of a reading of a set: what its own words ask must be there.
 *
 * @throws ZodError from its `parse` where something is missing or past its limits
 * @example readingSchema('straight-run', {}).safeParse({ side: typed(0.01, 'mm'), distance: typed(3, 'm') }).success // true
 */
export function readingSchema(name: ProtocolName, conditions: TrialConditions): z.ZodType<TrialReading> {
  const fields = readingFields(name, conditions);
  const read = filledIn(fields, LONGEST_NOTE.run) as unknown as z.ZodType<TrialReading>;
  if (fields.every(({ shownFor }) => !shownFor)) return read;
  return read.superRefine((reading, context) => {
    for (const { key, title, optional } of readingFields(name, conditions, reading))
      if (!optional && reading[key] === undefined)
        context.addIssue({ code: 'custom', path: [key], message: `${title} is missing` });
  });
}
