import {
  applyChanges,
  canBe,
  changesBetween,
  inverseOf,
  type Build,
  type Change,
} from '@zubric/core/vehicle';

/** One step back or forth: what the builder sees as one edit. */
export interface Step {
  readonly changes: readonly Change[];
  /** When it was last added to, ms. */
  readonly at: number;
}

/** What can be undone and redone, the latest last. */
export interface History {
  readonly undo: readonly Step[];
  readonly redo: readonly Step[];
}

export const NO_HISTORY: History = { undo: [], redo: [] };

const MOST_STEPS = 200;
/** Keystrokes on one value within this time of each other are one step. */
const ONE_STEP_MS = 1500;

/** The one place that some changes set, if there is just one. */
const placeOf = ([first, ...more]: readonly Change[]): string | undefined =>
  first?.kind === 'set' && more.length === 0 ? first.path.join('.') : undefined;

/** The history after an edit from one build to the next. What was undone before cannot be redone after it. */
export function remember({ undo }: History, before: Build, after: Build, at: number): History {
  const changes = changesBetween(before, after);
  const last = undo.at(-1);
  const place = placeOf(changes);
  if (last && place !== undefined && place === placeOf(last.changes) && at - last.at < ONE_STEP_MS) {
    const together = changesBetween(applyChanges(before, inverseOf(last.changes)), after);
    const earlier = undo.slice(0, -1);
    return { undo: together.length > 0 ? [...earlier, { changes: together, at }] : earlier, redo: [] };
  }
  return { undo: [...undo, { changes, at }].slice(-MOST_STEPS), redo: [] };
}

interface Moved {
  readonly build: Build;
  readonly history: History;
}

/**
 * One step back, or forth. A step that no longer makes a whole build (what it needs was since removed elsewhere) is
 * passed over, and so is one that changes nothing.
 */
export function move(build: Build, history: History, way: 'undo' | 'redo'): Moved | undefined {
  let { undo, redo } = history;
  for (;;) {
    const step = (way === 'undo' ? undo : redo).at(-1);
    if (!step) return undefined;
    const changes = way === 'undo' ? inverseOf(step.changes) : step.changes;
    const next = applyChanges(build, changes);
    undo = way === 'undo' ? undo.slice(0, -1) : [...undo, step];
    redo = way === 'undo' ? [...redo, step] : redo.slice(0, -1);
    if (canBe(next) && changesBetween(build, next).length > 0)
      return { build: next, history: { undo, redo } };
  }
}

const keyOf = (buildId: string): string => `zubric-history-${buildId}`;

/** Keeps the history of this tab through a reload; where the browser has no room for it, the older half goes. */
export function keepHistory(buildId: string, history: History): void {
  for (let kept = history; ; kept = { undo: kept.undo.slice(Math.ceil(kept.undo.length / 2)), redo: [] })
    try {
      sessionStorage.setItem(keyOf(buildId), JSON.stringify(kept));
      return;
    } catch {
      if (kept.undo.length === 0) return;
    }
}

/** The history that this tab kept of a build. */
export function findHistory(buildId: string): History {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyOf(buildId)) ?? 'null') as Partial<History> | null;
    return Array.isArray(kept?.undo) && Array.isArray(kept.redo) ? (kept as History) : NO_HISTORY;
  } catch {
    return NO_HISTORY;
  }
}
