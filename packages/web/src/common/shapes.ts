/** What the server answers: a 200 of another shape is no answer. */
import type { LinkId, Verdict } from '@zubric/core/judge';
import type { Build } from '@zubric/core/vehicle';
// Before the first answer is read: zod asks no browser whether it may evaluate strings.
import '@zubric/core/quantity';
import { z } from 'zod';

const document = z.custom<Build>((json) => typeof json === 'object' && json !== null);

export const builtShape = z.object({
  id: z.string(),
  version: z.int(),
  updatedAt: z.string(),
  document,
});
export type StoredBuild = Readonly<z.output<typeof builtShape>>;

export const savedShape = z.object({ id: z.string(), version: z.int() });

const head = { id: z.string(), name: z.string(), version: z.int(), updatedAt: z.string() };
const judged = z.object({
  ...head,
  purpose: z.string(),
  readyBy: z.string().nullable(),
  massKg: z.number(),
  duties: z.int(),
  stops: z.int(),
  short: z.int(),
  tight: z.int(),
  worst: z
    .object({
      link: z.custom<LinkId>((json) => typeof json === 'string'),
      title: z.string(),
      duty: z.string().nullable(),
      ratio: z.number(),
      rule: z.number(),
      verdict: z.custom<Verdict>((json) => typeof json === 'string'),
    })
    .optional(),
});
/** One that cannot be opened or judged stands in the list too. */
const unjudged = z.object({ ...head, problem: z.string() });

export const linesShape = z.object({ builds: z.array(z.union([judged, unjudged])) });
export type JudgedLine = Readonly<z.output<typeof judged>>;
export type BuildLine = JudgedLine | Readonly<z.output<typeof unjudged>>;

const photo = z.object({ id: z.string(), caption: z.string(), createdAt: z.string() });
export type LogPhoto = Readonly<z.output<typeof photo>>;

const entry = z.object({
  id: z.string(),
  kind: z.enum(['begun', 'change', 'note', 'snapshot']),
  title: z.string(),
  note: z.string(),
  changes: z.array(z.string()),
  margins: z.array(z.string()),
  snapshotNumber: z.number().nullable(),
  begunAt: z.string(),
  endedAt: z.string(),
  photos: z.array(photo),
});
export type LogEntry = Readonly<z.output<typeof entry>>;
/** A page of the logbook; `next` is where the one of earlier entries begins. */
export const logShape = z.object({ entries: z.array(entry), next: z.string().nullable() });

export const stateShape = z.object({
  disk: z.object({ freeBytes: z.number(), low: z.boolean(), full: z.boolean() }).nullable(),
  notices: z.array(z.string()),
});
