import { openBuild, type Build } from '@zubric/core/build';

/** An edit that the server has not confirmed yet, kept by the browser through a reload. */
interface Draft {
  readonly version: number;
  readonly document: Build;
  /** The document of that version, which the edit started from. */
  readonly base: Build;
}

const keyOf = (buildId: string): string => `zubric-draft-${buildId}`;

export const keepDraft = (buildId: string, draft: Draft): void => {
  try {
    localStorage.setItem(keyOf(buildId), JSON.stringify(draft));
  } catch {
    // Where the browser has no room left the edit stays on screen and is sent from there.
  }
};

export const dropDraft = (buildId: string): void => {
  localStorage.removeItem(keyOf(buildId));
};

/** The draft of a build, if there is a readable one. */
export function findDraft(buildId: string): Draft | undefined {
  const text = localStorage.getItem(keyOf(buildId));
  if (text === null) return undefined;
  try {
    const { version, document, base } = JSON.parse(text) as Record<keyof Draft, unknown>;
    const mine = openBuild(document);
    const start = openBuild(base);
    return typeof version === 'number' && mine.ok && start.ok
      ? { version, document: mine.build, base: start.build }
      : undefined;
  } catch {
    return undefined;
  }
}
