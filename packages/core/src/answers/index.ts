/**
 * What the server answers, written once for the server that says it and the browser that reads it. An answer of another
 * shape is none. Documents are only told to be objects: whoever opens one reads it by the schema of its own.
 */
// Before the first answer is read: zod asks no browser whether it may evaluate strings.
import '../quantity/index.ts';
import { z } from 'zod';
import { lockSchema } from './devices.ts';
import type { LinkId, Verdict } from '../judge/index.ts';
import type { ProtocolName, TrialConditions, TrialReading } from '../protocols/index.ts';
import type { Build, Part, Problem, VehicleShape } from '../vehicle/index.ts';

export * from './devices.ts';

const document = <T>() => z.custom<T>((json) => typeof json === 'object' && json !== null);
const word = <T extends string>() => z.custom<T>((json) => typeof json === 'string');
const instant = z.iso.datetime();

/** Where a build lies: on the bench, set aside, or thrown away (and still to be had back). */
export const PLACES = ['bench', 'archive', 'bin'] as const;
export type BuildPlace = (typeof PLACES)[number];

/** A build as it is kept, with its version. */
export const storedBuildSchema = z.object({
  id: z.string(),
  version: z.int(),
  updatedAt: instant,
  lock: lockSchema.nullable().optional(),
  document: document<Build>(),
});
export type StoredBuild = Readonly<z.output<typeof storedBuildSchema>>;

/** What a save is answered with: the version that now stands. */
export const savedSchema = z.object({ id: z.string(), version: z.int(), updatedAt: instant.optional() });
export type Saved = Readonly<z.output<typeof savedSchema>>;

const head = { id: z.string(), name: z.string(), version: z.int(), updatedAt: instant };
const judged = z.object({
  ...head,
  purpose: z.string(),
  readyBy: z.string().nullable(),
  massKg: z.number(),
  duties: z.int(),
  stops: z.int(),
  short: z.int(),
  tight: z.int(),
  /** What its drawing is made of. */
  shape: document<VehicleShape>(),
  /** What is next to do, and the station where. */
  next: z.object({ text: z.string(), station: z.string() }),
  worst: z
    .object({
      link: word<LinkId>(),
      title: z.string(),
      duty: z.string().nullable(),
      ratio: z.number(),
      rule: z.number(),
      verdict: word<Verdict>(),
      /** Of the electrical side. */
      electrical: z.boolean(),
      /** The margin in words. */
      says: z.string(),
    })
    .optional(),
});
export type JudgedLine = Readonly<z.output<typeof judged>>;
/** One that cannot be opened or judged stands in the list too. */
const unjudged = z.object({ ...head, problem: z.string() });

/** The list of builds: those that can be judged, and those that cannot be read with their problem. */
export const buildLinesSchema = z.object({ builds: z.array(z.union([judged, unjudged])) });
export type BuildLines = Readonly<z.output<typeof buildLinesSchema>>;
/** A build in the list. */
export type BuildLine = JudgedLine | Readonly<z.output<typeof unjudged>>;

/** A photograph with an entry of the logbook; its picture is fetched by its id. */
export const logPhotoSchema = z.object({ id: z.string(), caption: z.string(), createdAt: instant });
export type LogPhoto = Readonly<z.output<typeof logPhotoSchema>>;

/** What an entry of the logbook is of. */
export const ENTRY_KINDS = ['begun', 'change', 'note', 'snapshot', 'lock', 'trial'] as const;

/** An entry of the logbook: what was changed, what it did to the margins, what was noted. */
export const logEntrySchema = z.object({
  id: z.string(),
  kind: z.enum(ENTRY_KINDS),
  /** The device it came from; empty for the machine itself. */
  by: z.string().optional(),
  title: z.string(),
  note: z.string(),
  changes: z.array(z.string()),
  margins: z.array(z.string()),
  snapshotNumber: z.number().nullable(),
  begunAt: instant,
  endedAt: instant,
  photos: z.array(logPhotoSchema),
});
export type LogEntry = Readonly<z.output<typeof logEntrySchema>>;

/** A page of the logbook; `next` is where the one of earlier entries begins. */
export const logPageSchema = z.object({ entries: z.array(logEntrySchema), next: z.string().nullable() });
export type LogPage = Readonly<z.output<typeof logPageSchema>>;

/** A snapshot in the list. */
export const snapshotLineSchema = z.object({ number: z.int(), name: z.string(), createdAt: instant });
export type SnapshotLine = Readonly<z.output<typeof snapshotLineSchema>>;
/** The snapshots of a build. */
export const snapshotLinesSchema = z.object({ snapshots: z.array(snapshotLineSchema) });
export type SnapshotLines = Readonly<z.output<typeof snapshotLinesSchema>>;
/** A snapshot with its document. */
export const snapshotSchema = snapshotLineSchema.extend({ document: document<Build>() });
export type Snapshot = Readonly<z.output<typeof snapshotSchema>>;

/** The parts shelf. */
export const partsSchema = z.object({ parts: z.array(document<Part>()) });
export type PartsAnswer = Readonly<z.output<typeof partsSchema>>;

/** Where a part is used: the builds that carry a copy, and whether it is still as the shelf has it. */
export const partUsesSchema = z.object({
  builds: z.array(z.object({ id: z.string(), name: z.string(), asOnShelf: z.boolean() })),
});
export type PartUses = Readonly<z.output<typeof partUsesSchema>>;

/** A part by itself; which version it is stands in the header ETag. */
export const partAnswerSchema = document<Part>();

/** What came of a file of parts, or would come of it. */
export const partsImportSchema = z.object({
  columns: z.array(
    z.object({ heading: z.string(), key: z.string().nullable(), unit: z.string().nullable() }),
  ),
  good: z.int(),
  bad: z.array(z.object({ line: z.int(), problems: z.array(z.string()) })),
  /** The parts themselves where nothing was kept: the first of them. */
  parts: z.array(document<Part>()),
});
export type PartsImport = Readonly<z.output<typeof partsImportSchema>>;

/** The bench meter: what stands on its bench, and what it is set to. */
export const meterAnswerSchema = z.object({
  motors: z.array(z.object({ id: z.string(), name: z.string(), ratedV: z.number() })),
  motor: z.string(),
  voltageV: z.number(),
  hold: z.number(),
  plugged: z.boolean(),
});
export type MeterAnswer = Readonly<z.output<typeof meterAnswerSchema>>;

/** A run as it is kept. */
export const storedTrialSchema = z.object({
  id: z.string(),
  ordinal: z.int(),
  reading: document<TrialReading>(),
  recordedAt: instant,
  /** The device it came from; empty for the machine itself. */
  by: z.string().optional(),
});
export type StoredTrial = Readonly<z.output<typeof storedTrialSchema>>;

/** A set of trials with its runs. */
export const storedTrialSetSchema = z.object({
  id: z.string(),
  buildId: z.string(),
  protocol: word<ProtocolName>(),
  name: z.string(),
  conditions: document<TrialConditions>(),
  invented: z.boolean(),
  version: z.int(),
  createdAt: instant,
  trials: z.array(storedTrialSchema),
});
export type StoredTrialSet = Readonly<z.output<typeof storedTrialSetSchema>>;
/** A set of trials of a class or a club, with the build that it is of. */
export const groupTrialSetSchema = storedTrialSetSchema.extend({ buildName: z.string() });
export type GroupTrialSet = Readonly<z.output<typeof groupTrialSetSchema>>;
/** The sets of trials of every build that belong to a group. */
export const groupTrialSetsSchema = z.object({ trialSets: z.array(groupTrialSetSchema) });
export type GroupTrialSets = Readonly<z.output<typeof groupTrialSetsSchema>>;

/** The sets of trials of a build. */
export const trialSetsSchema = z.object({ trialSets: z.array(storedTrialSetSchema) });

export type TrialSets = Readonly<z.output<typeof trialSetsSchema>>;

/** How the installation stands: room on the disk, and what happened since its start. */
export const stateSchema = z.object({
  disk: z.object({ freeBytes: z.number(), low: z.boolean(), full: z.boolean() }).nullable(),
  notices: z.array(z.string()),
});
export type StateAnswer = Readonly<z.output<typeof stateSchema>>;

/** What the server says where it refuses: RFC 9457, with a code and the paths that are wrong. */
export const refusalSchema = z.looseObject({
  title: z.string(),
  problems: z.array(document<Problem>()).optional(),
});
