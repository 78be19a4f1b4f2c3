import { openBuild, type Build } from '@zubric/core/vehicle';

/** A stored document that cannot be opened, with what is wrong in it. */
export class Unreadable extends Error {
  readonly problems: readonly { readonly path: string; readonly message: string }[];

  constructor(problems: Unreadable['problems']) {
    super(`a stored build cannot be read: ${problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`);
    this.name = 'Unreadable';
    this.problems = problems;
  }
}

/**
 * A document as it was kept, in the format of today.
 *
 * @throws Unreadable where it cannot be opened.
 */
export function current(document: unknown): Build {
  const read = openBuild(document);
  if (!read.ok) throw new Unreadable(read.problems);
  return read.build;
}
