/** The first answer comes first: what is fetched ahead waits this long, ms. */
const AHEAD_AFTER_MS = 1200;

/**
 * Fetches parts of the interface once the page stands, so that they open at once and without the server. Gives what
 * calls it off.
 */
export function fetchAhead(loads: readonly (() => Promise<unknown>)[]): () => void {
  const timer = setTimeout(() => {
    // One that cannot be had now is fetched when it is opened.
    for (const load of loads) void load().catch(() => undefined);
  }, AHEAD_AFTER_MS);
  return () => clearTimeout(timer);
}
