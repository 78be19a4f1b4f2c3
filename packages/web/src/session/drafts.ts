import { readBuild, type Build } from '@zubric/core/build';

/** An edit that the server has not confirmed yet, kept by the browser through a reload. */
interface Draft {
  readonly version: number;
  readonly document: Build;
}

const keyOf = (buildId: string): string => `zubric-draft-${buildId}`;

export const keepDraft = (buildId: string, draft: Draft): void => {
  localStorage.setItem(keyOf(buildId), JSON.stringify(draft));
};

export const dropDraft = (buildId: string): void => {
  localStorage.removeItem(keyOf(buildId));
};

/** The draft of a build, if there is a readable one. */
export function findDraft(buildId: string): Draft | undefined {
  const text = localStorage.getItem(keyOf(buildId));
  if (text === null) return undefined;
  try {
    const { version, document } = JSON.parse(text) as { version: unknown; document: unknown };
    const read = readBuild(document);
    return typeof version === 'number' && read.ok ? { version, document: read.build } : undefined;
  } catch {
    return undefined;
  }
}
