import { changesBetween, openBuild, type Build } from '@zubric/core/vehicle';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { newId } from '../common/new-id.ts';

/** An edit that the server has not confirmed yet, kept by the browser. */
export interface Draft {
  readonly version: number;
  readonly document: Build;
  /** The document of that version, which the edit started from. */
  readonly base: Build;
}

/** A draft that no window owns any more. */
export interface LeftDraft extends Draft {
  /** The window that it was made in. */
  readonly window: string;
  readonly at: number;
}

interface KeptDraft {
  readonly buildId: string;
  readonly window: string;
  readonly version: number;
  readonly document: unknown;
  readonly base: unknown;
  readonly at: number;
}

interface Kept extends DBSchema {
  drafts: { key: [string, string]; value: KeptDraft; indexes: { build: string } };
}

/** This window, as long as its page lives: two windows never write over each other's drafts. */
const WINDOW: string = newId();
const lockOf = (window: string): string => `zubric-window-${window}`;

let opened: Promise<IDBPDatabase<Kept>> | undefined;
const drafts = (): Promise<IDBPDatabase<Kept>> => {
  opened ??= openDB<Kept>('zubric', 1, {
    upgrade(database) {
      const store = database.createObjectStore('drafts', { keyPath: ['buildId', 'window'] });
      store.createIndex('build', 'buildId');
    },
  }).catch((error: unknown) => {
    // Tried again at the next edit: storage may be allowed by then.
    opened = undefined;
    throw error;
  });
  return opened;
};

let held = false;
/** Holds a lock for as long as this page lives: so that others see that its drafts are owned. */
function holdWindow(): void {
  if (held) return;
  held = true;
  void navigator.locks?.request(lockOf(WINDOW), () => new Promise(() => undefined)).catch(() => undefined);
}

/** Windows that live now; undefined where the browser cannot tell. */
async function livingWindows(): Promise<ReadonlySet<string> | undefined> {
  const locks = await navigator.locks?.query().catch(() => undefined);
  return locks && new Set((locks.held ?? []).map(({ name }) => name ?? ''));
}

/** Keeps the draft of this window. Resolves to whether it is on the disk; where not, the edit is on screen alone. */
export async function keepDraft(buildId: string, draft: Draft): Promise<boolean> {
  holdWindow();
  try {
    const transaction = (await drafts()).transaction('drafts', 'readwrite', { durability: 'strict' });
    await transaction.store.put({ buildId, window: WINDOW, at: Date.now(), ...draft });
    await transaction.done;
    return true;
  } catch {
    return false;
  }
}

/** Whether a draft was made in this window: what was left on the bench before it was opened again. */
export const isOwn = ({ window }: LeftDraft): boolean => window === WINDOW;

/** Drops the draft of a window, this one unless another is named. */
export async function dropDraft(buildId: string, window = WINDOW): Promise<void> {
  try {
    await (await drafts()).delete('drafts', [buildId, window]);
  } catch {
    // What was never kept need not be dropped.
  }
}

/** A draft as earlier versions kept it: one for all windows. It is taken over once. */
function fromBefore(buildId: string): KeptDraft | undefined {
  try {
    const key = `zubric-draft-${buildId}`;
    const text = localStorage.getItem(key);
    localStorage.removeItem(key);
    if (text === null) return undefined;
    const { version, document, base } = JSON.parse(text) as KeptDraft;
    return { buildId, window: 'before', version, document, base, at: 0 };
  } catch {
    return undefined;
  }
}

function readable({ version, document, base, window, at }: KeptDraft): LeftDraft | undefined {
  const [mine, start] = [openBuild(document), openBuild(base)];
  return typeof version === 'number' && mine.ok && start.ok
    ? { version, document: mine.build, base: start.build, window, at }
    : undefined;
}

/** Every draft of a build that can be read, of whichever window, the latest first. */
export async function draftsOf(buildId: string): Promise<readonly LeftDraft[]> {
  try {
    const database = await drafts();
    const before = fromBefore(buildId);
    if (before) await database.put('drafts', before);
    const kept = await database.getAllFromIndex('drafts', 'build', buildId);
    return kept.flatMap((draft) => readable(draft) ?? []).sort((a, b) => b.at - a.at);
  } catch {
    return [];
  }
}

/** A window that was just closed still holds its lock for a moment: so often, and so long, ms, is it looked at again. */
const LOOKS = 5;
const BETWEEN_LOOKS_MS = 100;

/** Drafts that say no more than what is stored: the window went before it could drop them. They are dropped now. */
function notStored(found: readonly LeftDraft[], buildId: string, stored: Build | undefined): LeftDraft[] {
  return found.filter((draft) => {
    const same = stored !== undefined && changesBetween(draft.document, stored).length === 0;
    if (same) void dropDraft(buildId, draft.window);
    return !same;
  });
}

/**
 * The drafts of a build that this window may take up: its own, and those that no living window owns any more, but for
 * what is stored already.
 */
export async function leftDrafts(buildId: string, stored?: Build): Promise<readonly LeftDraft[]> {
  holdWindow();
  const found = notStored(await draftsOf(buildId), buildId, stored);
  for (let look = 1; ; look++) {
    const living = await livingWindows();
    const left = found.filter((draft) => isOwn(draft) || !living?.has(lockOf(draft.window)));
    if (left.length === found.length || look === LOOKS) return left;
    await new Promise((resolve) => setTimeout(resolve, BETWEEN_LOOKS_MS));
  }
}
