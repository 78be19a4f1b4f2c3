import { newAssemblyPlan } from './assembly-plan.ts';
import type { z } from 'zod';
import { problemWords } from '../contract/index.ts';
import { FORMAT, FORMAT_VERSION, buildSchema, type Build } from './document.ts';
import { toFormat3 } from './to-format-3.ts';
import { toFormat4 } from './to-format-4.ts';
import { toFormat5 } from './to-format-5.ts';

/** One thing wrong with a file: where, and what to change. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

export type ReadBuild =
  | { readonly ok: true; readonly build: Build }
  | { readonly ok: false; readonly problems: readonly Problem[] };

type Json = Readonly<Record<string, unknown>>;

/** What turns a document of a version into one of the next; the first entry is for version 1. */
const UPGRADES: readonly ((document: Json) => Json)[] = [
  // Format 2 gave the build its parts list, steps and working days.
  (document) => ({ ...document, formatVersion: 2, assembly: newAssemblyPlan() }),
  toFormat3,
  toFormat4,
  toFormat5,
];

const isObject = (x: unknown): x is Json => typeof x === 'object' && x !== null && !Array.isArray(x);
const refuse = (path: string, message: string): ReadBuild => ({ ok: false, problems: [{ path, message }] });

/** Zod's issues as lines: a path a builder can find in the file, and a sentence. */
export const problemsOf = (error: z.ZodError): readonly Problem[] =>
  error.issues.map((issue) => ({ path: issue.path.join('.') || '(whole)', message: problemWords(issue) }));

/**
 * Takes parsed JSON as a build of this format version, upgrading older ones. Never throws; a file that cannot be
 * taken comes back with one problem a line.
 */
export function readBuild(json: unknown): ReadBuild {
  if (!isObject(json) || json.format !== FORMAT)
    return refuse('format', `this is not a Zubric build: "format" must be "${FORMAT}"`);
  const version = json.formatVersion;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse('formatVersion', 'must be a whole number of 1 or more');
  if (version > FORMAT_VERSION)
    return refuse(
      'formatVersion',
      `this file is of format ${version}; this Zubric reads up to ${FORMAT_VERSION}. Update Zubric to open it.`,
    );
  const upgraded = UPGRADES.slice(version - 1).reduce<Json>((document, upgrade) => upgrade(document), json);
  const read = buildSchema.safeParse(upgraded);
  return read.success ? { ok: true, build: read.data } : { ok: false, problems: problemsOf(read.error) };
}
