/**
 * Where a recording is noted down in the very moment of the press. The outbox is written behind the page, and a page
 * that is left at once would take with it what does not stand there yet.
 */
const PREFIX = 'zubric-recorded:';

/** Notes it down, before anything else can happen; a browser that keeps nothing is no hindrance. */
export function noteDown(item: { readonly id: string; readonly at: number }): void {
  try {
    localStorage.setItem(PREFIX + item.id, JSON.stringify(item));
  } catch {
    // It stands in the outbox a moment later, or on this page alone.
  }
}

/** It stands in the outbox: the note is no longer needed. */
export function strikeOut(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // Kept once more at the next start, it is known by its name.
  }
}

/** What is still noted down, the oldest first. */
export function notedDown<Item extends { readonly id: string; readonly at: number }>(): readonly Item[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(PREFIX))
      .map((key) => JSON.parse(localStorage.getItem(key) ?? '') as Item)
      .sort((a, b) => a.at - b.at);
  } catch {
    return [];
  }
}
