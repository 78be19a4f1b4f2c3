import type { Words } from '../quantity/index.ts';
import type { Stage } from '../transmission/index.ts';
import { driveOf, drivesOf, type Build } from '../vehicle/index.ts';
import type { Fastener } from './fastener.ts';
import type { Step } from './step.ts';

/** What a rule does to a step: puts it after another, says something of it, or both. */
export interface Bite {
  readonly step: string;
  readonly after?: string;
  readonly says?: Words;
}

/** The steps that a rule looks at. */
export interface Drafted {
  readonly build: Build;
  readonly steps: readonly Step[];
  /** Steps of a role, of whatever stage or drive. */
  readonly of: (...roles: readonly string[]) => readonly Step[];
}

/** A rule of the trade: what it is called, why, and where it bites. */
export interface RuleText {
  readonly title: string;
  /** Why, in one sentence. */
  readonly why: string;
  readonly bites: (drafted: Drafted) => readonly Bite[];
}

/** Each of some steps after each of others. */
export const eachAfter = (steps: readonly Step[], before: readonly Step[]): Bite[] =>
  steps.flatMap(({ id }) => before.map((other): Bite => ({ step: id, after: other.id })));
/** Something that a rule says of each of some steps. */
export const eachSays = (steps: readonly Step[], says: string): Bite[] =>
  steps.map(({ id }): Bite => ({ step: id, says }));

/** What comes before the role of a step: the stage, or the drive beside the first, that it is of. */
export const stemOf = ({ id, role }: Step): string => id.slice(0, id.length - role.length);
/** Each of some steps after those others that belong to the same stage. */
export const sameStage = (steps: readonly Step[], before: readonly Step[]): Bite[] =>
  steps.flatMap((step) =>
    eachAfter(
      [step],
      before.filter((other) => stemOf(other) === stemOf(step)),
    ),
  );

/** Stages with the prefix that their steps' ids have. */
const stagesOf = (build: Build): readonly { readonly stem: string; readonly stage: Stage }[] =>
  drivesOf(build).flatMap((seen) => {
    const of = driveOf(seen).id === driveOf(build).id ? '' : `${driveOf(seen).id}.`;
    return driveOf(seen).stages.map((stage) => ({ stem: `${of}${stage.id}.`, stage }));
  });
/** Steps of a role whose stage is of a kind. */
export const ofStages = (
  drafted: Drafted,
  roles: readonly string[],
  fits: (stage: Stage) => boolean,
): Step[] => {
  const stems = new Set(stagesOf(drafted.build).flatMap(({ stem, stage }) => (fits(stage) ? [stem] : [])));
  return drafted.of(...roles).filter((step) => stems.has(stemOf(step)));
};

/** Whether a loop is tensioned by moving a shaft in slots. */
export const hasSlots = (stage: Stage): boolean => 'tensioner' in stage && stage.tensioner === 'slots';
/** Gears that run in a box that the builder closes. */
export const isOpenGear = ({ kind }: Stage): boolean => ['spur', 'bevel', 'worm', 'planetary'].includes(kind);
/** Whether something turns beside what is bolted on. */
export const turning = ({ steps }: Drafted): boolean =>
  steps.some(({ role }) => ['loop', 'mesh', 'track', 'press'].includes(role));

/** Steps that put in a kind of fastener. */
export const screwedBy = ({ steps }: Drafted, kind: Fastener['kind']): readonly Step[] =>
  steps.filter(({ fasteners }) => fasteners.some((one) => one.kind === kind));
