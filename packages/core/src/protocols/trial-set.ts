import { z } from 'zod';
import {
  PROTOCOL_NAMES,
  conditionsSchema,
  protocolOf,
  readingSchema,
  type ProtocolName,
} from './protocols.ts';
import type { TrialConditions, TrialReading } from './reading.ts';
import type { TrialResult } from './result.ts';
import { driftWithBattery } from './with-battery.ts';

/** A set of runs as whoever looks at it needs it: kept, recorded a moment ago, or read from a file. */
export interface TrialSet {
  readonly id: string;
  readonly protocol: ProtocolName;
  readonly name: string;
  readonly conditions: TrialConditions;
  readonly trials: readonly { readonly reading: TrialReading }[];
}

/**
 * What a set comes to.
 *
 * @example resultOfSet({ protocol: 'straight-run', conditions: {}, trials: [] }).verdict // 'too-few'
 */
export const resultOfSet = ({
  protocol,
  conditions,
  trials,
}: Pick<TrialSet, 'protocol' | 'conditions' | 'trials'>): TrialResult => {
  const readings = trials.map(({ reading }) => reading);
  const result = protocolOf(protocol).analyse(conditions, readings);
  const drift = driftWithBattery(protocol, readings);
  return drift.length === 0 ? result : { ...result, notes: [...result.notes, ...drift] };
};

const at = z.iso.datetime({ offset: true });
const loose = z.strictObject({
  /** How this file calls it; another where it is brought in. */
  id: z.string().min(1).max(60).optional(),
  protocol: z.enum(PROTOCOL_NAMES),
  name: z.string().trim().min(1).max(120),
  conditions: z.unknown(),
  invented: z.boolean().default(false),
  createdAt: at.optional(),
  trials: z
    .array(
      z.strictObject({
        ordinal: z.int().min(1).optional(),
        reading: z.unknown(),
        recordedAt: at.optional(),
        by: z.string().max(60).default(''),
      }),
    )
    .max(10_000),
});

type Issues = readonly z.core.$ZodIssue[];

/** What is filled in, by its own schema; each problem told with where it stands. */
function checked<T>(
  schema: z.ZodType<T>,
  given: unknown,
  path: readonly PropertyKey[],
  add: (issues: Issues, path: readonly PropertyKey[]) => void,
): T | undefined {
  const read = schema.safeParse(given);
  if (read.success) return read.data;
  add(read.error.issues, path);
  return undefined;
}

/** A set of trials in a file of a build: its conditions and readings as its protocol has them. */
export const trialSetInFile = loose.transform((set, context) => {
  const add = (issues: Issues, path: readonly PropertyKey[]): void => {
    for (const issue of issues)
      context.addIssue({ code: 'custom', message: issue.message, path: [...path, ...issue.path] });
  };
  const conditions = checked(conditionsSchema(set.protocol), set.conditions, ['conditions'], add);
  if (!conditions) return z.NEVER;
  const schema = readingSchema(set.protocol, conditions);
  const trials = set.trials.flatMap((trial, n) => {
    const reading = checked(schema, trial.reading, ['trials', n, 'reading'], add);
    return reading ? [{ ...trial, ordinal: trial.ordinal ?? n + 1, reading }] : [];
  });
  return { ...set, conditions, trials };
});
/** A set of trials as a file has it. */
export type TrialSetInFile = z.output<typeof trialSetInFile>;

/** All sets of trials of a build's file. */
export const trialSetsInFile = z.array(trialSetInFile).max(2000);
