import { isJson, type Json, problemWords } from '../contract/index.ts';
import { BEYOND } from '../quantity/index.ts';
import { asPlaced } from './as-placed.ts';
import { newAssemblyPlan } from './assembly-plan.ts';
import { FORMAT, FORMAT_VERSION, buildSchema, type Build } from './document.ts';
import { toFormat3 } from './to-format-3.ts';
import { toFormat4 } from './to-format-4.ts';
import { toFormat5 } from './to-format-5.ts';
import { toFormat6 } from './to-format-6.ts';
import type { z } from 'zod';

/** One thing wrong with a file: where, and what to change. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

/** A build, or what is wrong with its file. */
export type ReadBuild =
  | { readonly ok: true; readonly build: Build }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** What turns a document of a version into one of the next; the first entry is for version 1. */
const UPGRADES: readonly ((document: Json) => Json)[] = [
  // Format 2 gave the build its parts list, steps and working days.
  (document) => ({ ...document, formatVersion: 2, assembly: newAssemblyPlan() }),
  toFormat3,
  toFormat4,
  toFormat5,
  toFormat6,
];

const refuse = (path: string, message: string): ReadBuild => ({ ok: false, problems: [{ path, message }] });

/**
 * Zod's issues as lines: a path a builder can find in the file, and a sentence.
 *
 * @example problemsOf(buildSchema.safeParse({ ...puffin, name: 3 }).error)[0]?.path // 'name'
 */
export const problemsOf = (error: z.ZodError): readonly Problem[] =>
  error.issues.map((issue) => ({ path: issue.path.join('.') || '(whole)', message: problemWords(issue) }));

/** A document of any version as one of today's, not yet checked; or why it is none. */
function upgraded(json: unknown): ReadBuild | { readonly document: Json } {
  if (!isJson(json) || json.format !== FORMAT)
    return refuse('format', `this is not a Zubric build: "format" must be "${FORMAT}"`);
  const version = json.formatVersion;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse('formatVersion', 'must be a whole number of 1 or more');
  if (version > FORMAT_VERSION)
    return refuse(
      'formatVersion',
      `this file is of format ${version}; this Zubric reads up to ${FORMAT_VERSION}. Update Zubric to open it.`,
    );
  return {
    document: UPGRADES.slice(version - 1).reduce<Json>((document, upgrade) => upgrade(document), json),
  };
}

/**
 * Takes parsed JSON as a build of this format version, upgrading older ones. Never throws; a file that cannot be
 * taken comes back with one problem a line.
 *
 * @example readBuild({ format: 'zubric-build', formatVersion: 99 }).ok // false
 */
export function readBuild(json: unknown): ReadBuild {
  const up = upgraded(json);
  if ('ok' in up) return up;
  const read = buildSchema.safeParse(up.document);
  return read.success
    ? { ok: true, build: asPlaced(read.data) }
    : { ok: false, problems: problemsOf(read.error) };
}

/** The value that an issue says is the nearest that is reckoned with; undefined for other issues. */
const nearestOf = (issue: z.core.$ZodIssue): number | undefined => {
  const nearest = issue.code === 'custom' ? (issue.params?.[BEYOND] as unknown) : undefined;
  return typeof nearest === 'number' ? nearest : undefined;
};

/** A document with something changed at a path. */
function changedAt(
  document: unknown,
  [step, ...rest]: readonly PropertyKey[],
  change: (x: unknown) => unknown,
): unknown {
  if (step === undefined) return change(document);
  if (Array.isArray(document))
    return document.map((item: unknown, at) => (at === step ? changedAt(item, rest, change) : item));
  if (!isJson(document)) return document;
  const key = String(step);
  return { ...document, [key]: changedAt(document[key], rest, change) };
}

/** A quantity, or a figure of a part, brought to what is reckoned with; what it was stays beside it. */
function broughtWithin(document: unknown, path: readonly PropertyKey[], nearest: number): unknown {
  const [key, holder] = [path.at(-1), path.slice(0, -1)];
  return changedAt(document, holder, (x) => {
    if (!isJson(x)) return x;
    if (key === 'value') return { ...x, value: nearest, beyond: x.value };
    const said = `Saved with ${String(key)} ${String(x[String(key)])}, beyond what is reckoned with.`;
    return {
      ...x,
      [String(key)]: nearest,
      ...(typeof x.note === 'string' ? { note: `${x.note} ${said}`.trim() } : {}),
    };
  });
}

/**
 * A build that was saved before, read as `readBuild` does, but opened also where a number of it lies beyond what is
 * reckoned with: that stands at the nearest one that is, marked with what it was.
 *
 * @example openBuild(puffin).ok // true
 */
export function openBuild(json: unknown): ReadBuild {
  const up = upgraded(json);
  if ('ok' in up) return up;
  const read = buildSchema.safeParse(up.document);
  if (read.success) return { ok: true, build: asPlaced(read.data) };
  const mended = read.error.issues.reduce<unknown>((document, issue) => {
    const nearest = nearestOf(issue);
    return nearest === undefined ? document : broughtWithin(document, issue.path, nearest);
  }, up.document);
  const again = buildSchema.safeParse(mended);
  return again.success
    ? { ok: true, build: asPlaced(again.data) }
    : { ok: false, problems: problemsOf(read.error) };
}
