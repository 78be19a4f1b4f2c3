/** A page of the application that is open on this device. */
export interface OpenPage {
  readonly id: string;
}
/** What a worker that waits needs of the browser: the pages that are open, and to stand in the earlier one's place. */
export interface WaitingScope {
  readonly clients: {
    readonly matchAll: (of: { includeUncontrolled: boolean }) => Promise<readonly OpenPage[]>;
  };
  readonly skipWaiting: () => Promise<void>;
}

/** A page that is just being left still counts for a moment: so often, and so long, ms, is it looked at again. */
const LOOKS = 10;
const BETWEEN_LOOKS_MS = 200;

/** Whether the page that asks is there still, and is the only one that is open. */
async function isAlone({ clients }: WaitingScope, asking: string | undefined): Promise<boolean> {
  for (let look = 1; ; look++) {
    const pages = await clients.matchAll({ includeUncontrolled: true });
    if (!pages.some(({ id }) => id === asking)) return false;
    if (pages.length === 1 || look === LOOKS) return pages.length === 1;
    await new Promise((resolve) => setTimeout(resolve, BETWEEN_LOOKS_MS));
  }
}

/**
 * Takes over where the page that asks is the only one: else the files of another would be pulled from under it.
 * Resolves to whether it did.
 */
export async function takeOver(place: WaitingScope, asking: string | undefined): Promise<boolean> {
  if (!(await isAlone(place, asking))) return false;
  await place.skipWaiting();
  return true;
}
