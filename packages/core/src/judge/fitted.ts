import type { Notice } from '../contract/index.ts';
import { fittedOf, type FittedPart, type PartKind, type PartOf } from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';
import type { StandingContext } from './finding-context.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** Two parts of a build that do not fit each other, and what joins them. */
    misfit: never;
  }
}

/** What is fitted, all of it and by kind. */
export interface Fitted {
  readonly all: readonly FittedPart[];
  readonly of: <K extends PartKind>(
    kind: K,
  ) => readonly { readonly part: PartOf<K>; readonly count: number }[];
}

/** What is fitted beside motor, driver and battery, and one kind of it. */
export const fittedIn = ({ build }: StandingContext): Fitted => {
  const all = fittedOf(build);
  return { all, of: (kind) => all.filter(({ part }) => part.kind === kind) as never };
};

/** Two parts that do not fit each other, told in one sentence. */
export const misfit = (of: string, said: Notice, severity: 'short' | 'tight' = 'short'): Finding =>
  found('misfit', severity, {}, { of: `${said.code}/${of}`, notice: said });
