import { z } from 'zod';
import { quantity, typed } from '../quantity/index.ts';
import { PART_STATES } from './part-state.ts';

/** The days of a week, as a plan names them. */
export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

const DAY_S = 86_400;
const TEN_MINUTES_S = 600;
const id = z.string().regex(/^[a-z0-9][a-z0-9.-]{0,79}$/, 'lower-case letters, digits, dots and hyphens');

const procurement = {
  state: z.enum(PART_STATES).meta({ title: 'State' }),
  arrivesOn: z.iso.date().optional().meta({ title: 'Arrives on' }),
  costEach: z.number().nonnegative().max(1e7).optional().meta({ title: 'Cost each' }),
  massEach: quantity('mass', { least: 0 }, 'Mass each').optional(),
  supplier: z.string().trim().max(80).optional().meta({ title: 'Where to buy it' }),
};

/** What is known of a line of the parts list that follows from the build; chosen parts carry their own. */
const markedLine = z.strictObject({ id, ...procurement }).readonly();

/** A line that the builder adds. */
const ownLine = z
  .strictObject({
    id,
    name: z.string().trim().min(1, 'give it a name').max(120).meta({ title: 'Name' }),
    count: z.int().min(1).max(9999).meta({ title: 'Count' }),
    ...procurement,
  })
  .readonly();

const title = z.string().trim().min(1, 'say what is done').max(160).meta({ title: 'What is done' });
const detail = z.string().trim().max(1000).meta({ title: 'How' });
const hands = z.int().min(1).max(2).meta({ title: 'Pairs of hands' });
const handsOn = quantity('time', { least: 0, most: 10 * DAY_S }, 'Hands-on time');
const waiting = quantity('time', { least: 0, most: 100 * DAY_S }, 'Waiting time');
/** Steps or lines by their ids; one that is gone from the build is told, and does no harm. */
const idsOf = (what: string) => z.array(id).max(100).readonly().meta({ title: what });

/** What is known of a step: when it was done, and what the builder has otherwise than is usual. */
export const markedStep = z
  .strictObject({
    id,
    doneOn: z.iso.date().optional().meta({ title: 'Done on' }),
    handsOn: handsOn.optional(),
    waiting: waiting.optional(),
    title: title.optional(),
    hands: hands.optional(),
    after: idsOf('Also after').optional(),
    removed: z.literal(true).optional().meta({ title: 'Left out' }),
  })
  .readonly();

/** A step of the builder’s own, or the second part of another that was split. */
export const ownStepSchema = z
  .strictObject({
    id,
    title,
    detail: detail.optional(),
    handsOn,
    waiting: waiting.optional(),
    hands: hands.optional(),
    needs: idsOf('What goes in').optional(),
    after: idsOf('After').optional(),
    before: idsOf('Before').optional(),
    /** The step that this is the rest of: what came after that one comes after this. */
    restOf: id.optional().meta({ title: 'The rest of' }),
  })
  .readonly();

/** Somebody who builds, and when. */
export const builderSchema = z
  .strictObject({
    id,
    name: z.string().trim().min(1, 'give a name').max(60).meta({ title: 'Name' }),
    hoursADay: quantity('time', { least: TEN_MINUTES_S, most: DAY_S }, 'Time a working day'),
    workDays: z.array(z.enum(WEEKDAYS)).min(1).max(7).readonly().meta({ title: 'Working days' }),
  })
  .readonly();

/** What was seen at a check of the hand-over. */
const seenCheck = z
  .strictObject({
    id,
    on: z.iso.date().meta({ title: 'Seen on' }),
    passed: z.boolean().meta({ title: 'As it should be' }),
    note: z.string().trim().max(300).optional().meta({ title: 'What was seen' }),
  })
  .readonly();

/** How long it has run, and what was looked after when. */
export const serviceSchema = z
  .strictObject({
    run: quantity('time', { least: 0 }, 'Hours run, in all'),
    outings: z.int().min(0).max(100_000).meta({ title: 'Outings' }),
    done: z
      .array(
        z
          .strictObject({
            id,
            on: z.iso.date().meta({ title: 'Done on' }),
            atRun: quantity('time', { least: 0 }, 'Hours run then'),
            atOutings: z.int().min(0).max(100_000).meta({ title: 'Outings then' }),
          })
          .readonly(),
      )
      .max(200)
      .readonly()
      .meta({ title: 'Looked after' }),
  })
  .readonly();

/** Parts and steps as they stand in the shed. */
export const assemblySchema = z
  .strictObject({
    hoursADay: quantity('time', { least: TEN_MINUTES_S, most: DAY_S }, 'Time a working day'),
    workDays: z.array(z.enum(WEEKDAYS)).min(1).max(7).readonly().meta({ title: 'Working days' }),
    lines: z.array(markedLine).max(300).readonly().meta({ title: 'Parts list' }),
    own: z.array(ownLine).max(300).readonly().meta({ title: 'Own parts' }),
    steps: z.array(markedStep).max(300).readonly().meta({ title: 'Steps' }),
    ownSteps: z.array(ownStepSchema).max(200).readonly().optional().meta({ title: 'Own steps' }),
    /** Who else builds, beside whoever the days above are of. */
    helpers: z.array(builderSchema).max(12).readonly().optional().meta({ title: 'Helpers' }),
    /** Ports that the builder chose, by the wire that ends there. */
    ports: z
      .array(z.strictObject({ id, port: z.string().trim().min(1, 'name the port').max(30) }).readonly())
      .max(200)
      .readonly()
      .optional()
      .meta({ title: 'Ports' }),
    checks: z.array(seenCheck).max(200).readonly().optional().meta({ title: 'Checks' }),
    service: serviceSchema.optional().meta({ title: 'Service' }),
    printers: z.int().min(1).max(20).optional().meta({ title: 'Printers' }),
  })
  .readonly()
  .meta({ title: 'Assembly' });

export type AssemblyPlan = z.output<typeof assemblySchema>;
/** What was noted of a line of the parts list. */
export type MarkedLine = AssemblyPlan['lines'][number];
/** A line that the builder added. */
export type OwnLine = AssemblyPlan['own'][number];
/** A step of the builder’s own. */
export type OwnStep = NonNullable<AssemblyPlan['ownSteps']>[number];
/** What was seen at a check. */
export type SeenCheck = NonNullable<AssemblyPlan['checks']>[number];
/** How long it has run, and what was looked after when. */
export type ServiceLog = NonNullable<AssemblyPlan['service']>;
/** Somebody who builds, and when. */
export type Builder = NonNullable<AssemblyPlan['helpers']>[number];
/** What was noted of a step. */
export type MarkedStep = AssemblyPlan['steps'][number];

/**
 * Nothing marked; two hours on each day of the weekend and one evening.
 *
 * @example newAssemblyPlan().steps // []
 */
export const newAssemblyPlan = (): AssemblyPlan => ({
  hoursADay: typed(2 * 3600, 'h', 'assumed'),
  workDays: ['wed', 'sat', 'sun'],
  lines: [],
  own: [],
  steps: [],
});
