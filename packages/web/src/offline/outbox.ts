import type { StoredTrialSet } from '@zubric/core/answers';
import type { TrialReading } from '@zubric/core/protocols';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { ApiProblem, call } from '../common/call.ts';
import { onceThere } from '../common/connection.ts';
import { newId } from '../common/new-id.ts';
import { notedDown, noteDown, strikeOut } from './jotter.ts';

/** What was recorded here. Each can be sent again without being kept twice: it names itself. */
export type Recording =
  | { readonly kind: 'step'; readonly stepId: string; readonly doneOn: string | null }
  | {
      readonly kind: 'set';
      readonly setId: string;
      readonly body: Pick<StoredTrialSet, 'protocol' | 'name' | 'conditions'>;
    }
  | { readonly kind: 'run'; readonly setId: string; readonly runId: string; readonly reading: TrialReading }
  | { readonly kind: 'run-removed'; readonly setId: string; readonly runId: string }
  | { readonly kind: 'note'; readonly noteId: string; readonly note: string }
  | { readonly kind: 'photo'; readonly entryId: string; readonly photoId: string; readonly picture: Blob };

/** A recording with the build that it belongs to, and where it stands. */
export type Unsent = Recording & {
  readonly id: string;
  readonly buildId: string;
  readonly at: number;
  /** Why the server will not have it; it stays here until somebody has looked at it. */
  readonly refused?: string;
};

interface Kept extends DBSchema {
  outbox: { key: number; value: Unsent & { seq?: number } };
}

interface Request {
  readonly method: 'PUT' | 'POST' | 'DELETE';
  readonly path: string;
  readonly body?: unknown;
}

/** The door that takes a recording. */
function requestFor(item: Unsent): Request {
  switch (item.kind) {
    case 'step':
      return {
        method: 'PUT',
        path: `/builds/${item.buildId}/steps/${item.stepId}`,
        body: { doneOn: item.doneOn },
      };
    case 'set':
      return {
        method: 'POST',
        path: `/builds/${item.buildId}/trial-sets`,
        body: { id: item.setId, ...item.body },
      };
    case 'run':
      return {
        method: 'PUT',
        path: `/trial-sets/${item.setId}/trials/${item.runId}`,
        body: { reading: item.reading },
      };
    case 'run-removed':
      return { method: 'DELETE', path: `/trial-sets/${item.setId}/trials/${item.runId}` };
    case 'note':
      return {
        method: 'POST',
        path: `/builds/${item.buildId}/log`,
        body: { id: item.noteId, note: item.note },
      };
    case 'photo':
      return {
        method: 'POST',
        path: `/log/${item.entryId}/photos?id=${item.photoId}`,
        body: item.picture,
      };
  }
}

/** What a recording is of: those of the same go in the order in which they were made. */
function subjectOf(item: Unsent): string {
  switch (item.kind) {
    case 'step':
      return `step ${item.buildId} ${item.stepId}`;
    case 'set':
    case 'run':
    case 'run-removed':
      return `set ${item.setId}`;
    case 'note':
      return `entry ${item.noteId}`;
    case 'photo':
      return `entry ${item.entryId}`;
  }
}

/** Sends one; what is gone already need not be taken away again. */
async function sendOne(item: Unsent): Promise<void> {
  try {
    await call(requestFor(item).path, requestFor(item));
  } catch (error) {
    const isGone = error instanceof ApiProblem && error.status === 404 && item.kind === 'run-removed';
    if (!isGone) throw error;
  }
}

const NAME = 'zubric-outbox';
const FIRST_RETRY_MS = 2000;
const LONGEST_RETRY_MS = 30_000;
/** So long a press waits for the answer before it is said to be kept here, ms. */
const PATIENCE_MS = 1500;

let opened: Promise<IDBPDatabase<Kept>> | undefined;
const database = (): Promise<IDBPDatabase<Kept>> => {
  opened ??= openDB<Kept>(NAME, 1, {
    upgrade: (fresh) => void fresh.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true }),
  }).catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
};

/** What waits, as pages show it: the oldest first. */
let waiting: readonly Unsent[] = [];
const listeners = new Set<() => void>();
/** Told of each recording that the server has taken. */
const sentListeners = new Set<(item: Unsent) => void>();
/** What this browser lets nobody keep on its disk: it stays as long as the page does. */
let onlyHere: readonly Unsent[] = [];

const isShown = (items: readonly Unsent[]): boolean =>
  items.length === waiting.length &&
  items.every(({ id, refused }, n) => id === waiting[n]?.id && refused === waiting[n].refused);

/** Told only where something else waits: pages are drawn anew for each. */
function show(items: readonly Unsent[]): void {
  if (isShown(items)) return;
  waiting = items;
  for (const listener of listeners) listener();
}

/** Puts it last in the outbox, once. */
async function store(item: Unsent): Promise<void> {
  const transaction = (await database()).transaction('outbox', 'readwrite', { durability: 'strict' });
  const there = await transaction.store.getAll();
  if (!there.some(({ id }) => id === item.id)) await transaction.store.add(item);
  await transaction.done;
}

/** What an earlier page had noted down and was left before it stood in the outbox. */
let recovered: Promise<void> | undefined;
async function recover(): Promise<void> {
  for (const item of notedDown<Unsent>()) {
    await store(item);
    strikeOut(item.id);
  }
}

/** All that waits, of this page and of others. */
export async function readUnsent(): Promise<readonly Unsent[]> {
  try {
    await (recovered ??= recover());
    return [...(await (await database()).getAll('outbox')), ...onlyHere];
  } catch {
    recovered = undefined;
    return onlyHere;
  }
}

async function keep(item: Unsent): Promise<void> {
  // A page may be left in the moment after the press: a picture alone takes longer, and is waited for.
  if (item.kind !== 'photo') noteDown(item);
  try {
    await store(item);
    strikeOut(item.id);
  } catch {
    onlyHere = [...onlyHere, item];
  }
}

/** The same recording otherwise, or none of it any more. */
async function replace(id: string, by: ((item: Unsent) => Unsent) | undefined): Promise<void> {
  if (!by) strikeOut(id);
  onlyHere = onlyHere.flatMap((item) => (item.id !== id ? [item] : by ? [by(item)] : []));
  try {
    const transaction = (await database()).transaction('outbox', 'readwrite', { durability: 'strict' });
    for (let at = await transaction.store.openCursor(); at; at = await at.continue())
      if (at.value.id === id) await (by ? at.update({ ...by(at.value), seq: at.primaryKey }) : at.delete());
    await transaction.done;
  } catch {
    // It is kept on this page alone.
  }
}

/** One page at a time sends, where the browser can tell; else what is sent twice is kept once. */
const alone = async (work: () => Promise<void>): Promise<void> => {
  if (navigator.locks) await navigator.locks.request(NAME, work);
  else await work();
};

let sending: Promise<void> | undefined;
let failures = 0;
let retry: ReturnType<typeof setTimeout> | undefined;

const isRefusal = (error: unknown): error is ApiProblem =>
  error instanceof ApiProblem && !error.passing && error.status !== 401;

/** The server is there and stumbles over this one: the next may go through. */
const isStumble = (error: unknown): boolean => error instanceof ApiProblem && error.status === 500;

/**
 * Sends what waits in the order in which it was recorded, until one does not go through. One that the server stumbles over
 * is tried again later; until then it holds up only what is of the same.
 */
async function sendAll(): Promise<void> {
  const heldUp = new Set<string>();
  for (;;) {
    const items = await readUnsent();
    show(items);
    const next = items.find((item) => item.refused === undefined && !heldUp.has(subjectOf(item)));
    if (!next) break;
    try {
      await sendOne(next);
    } catch (error) {
      if (isRefusal(error)) await replace(next.id, (item) => ({ ...item, refused: error.message }));
      else if (isStumble(error)) heldUp.add(subjectOf(next));
      else return tryAgainLater();
      continue;
    }
    await replace(next.id, undefined);
    for (const listener of sentListeners) listener(next);
  }
  if (heldUp.size > 0) tryAgainLater();
  else failures = 0;
}

/** Longer each time. */
function tryAgainLater(): void {
  failures += 1;
  clearTimeout(retry);
  const pause = Math.min(LONGEST_RETRY_MS, FIRST_RETRY_MS * 2 ** (failures - 1));
  retry = setTimeout(() => void flush(), pause * (0.8 + 0.4 * Math.random()));
}

/** Sends what waits; at once where nothing is being sent. */
export function flush(): Promise<void> {
  sending ??= alone(sendAll).finally(() => {
    sending = undefined;
  });
  return sending;
}

/** The server is there again: what waits goes now, not at the next try. */
onceThere(() => {
  if (waiting.some(({ refused }) => refused === undefined)) void flush();
});

/**
 * Keeps a recording on this device and sends it. Resolves to whether the server has it yet; where it has not, it is
 * sent later, by itself.
 *
 * @throws ApiProblem where the server will not have it: it is not kept then, and whoever recorded it still has it.
 *   With `keepRefused` it stays listed instead.
 */
export async function record(
  buildId: string,
  recording: Recording,
  { keepRefused = false }: { readonly keepRefused?: boolean } = {},
): Promise<'sent' | 'kept'> {
  const item: Unsent = { ...recording, id: newId(), buildId, at: Date.now() };
  // A busy disk may take its time: that it waits is said with the press.
  show([...waiting, item]);
  await keep(item);
  show(await readUnsent());
  const patience = new Promise<void>((resolve) => setTimeout(resolve, PATIENCE_MS));
  // One that is under way may have read what waits before this was kept.
  await Promise.race([flush().then(flush), patience]);
  const still = (await readUnsent()).find(({ id }) => id === item.id);
  if (still?.refused === undefined || keepRefused) return still ? 'kept' : 'sent';
  await letGo(item.id);
  throw new ApiProblem(422, still.refused);
}

/** Takes a recording out that the server will not have. */
export async function letGo(id: string): Promise<void> {
  await replace(id, undefined);
  show(await readUnsent());
}

/** Tries what was refused once more, too: a device may have another role by now. */
export async function sendAgain(): Promise<void> {
  for (const { id, refused } of await readUnsent())
    if (refused !== undefined) await replace(id, ({ refused: _before, ...item }) => item as Unsent);
  await flush();
}

export const unsentNow = (): readonly Unsent[] => waiting;
export const onUnsent = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
export const onSent = (listener: (item: Unsent) => void): (() => void) => {
  sentListeners.add(listener);
  return () => sentListeners.delete(listener);
};
