import type { Words } from '../quantity/index.ts';
import type { StageStep } from '../transmission/index.ts';
import type { Fastener } from './fastener.ts';
import type { RuleId } from './rule-id.ts';

/** A step as a kind of work states it. */
export interface StepPlan extends StageStep {
  /** Nothing goes on until this has been seen. */
  readonly holdPoint?: string;
  /** Pairs of hands that it takes. */
  readonly hands?: 1 | 2;
  /** What runs by itself while it waits, and is taken meanwhile. */
  readonly runsOn?: 'printer';
  /** Lines that are fitted by this step; all that it needs where this is not said. */
  readonly fits?: readonly string[];
}

/** Why one step comes before another: by a rule of the trade, by how the build is put together, or by the builder's own order. */
export interface Reason {
  readonly rule?: RuleId;
  readonly why: string;
}

/** What a rule says of a step. */
export interface Remark {
  readonly rule: RuleId;
  readonly says: Words;
}

/** A step of the whole build: `after`, `needs` and `parts` are ids of its steps and of lines of its parts list. */
export interface Step {
  readonly id: string;
  /** What kind of step it is, whatever stage or drive it belongs to. */
  readonly role: string;
  readonly title: string;
  readonly detail?: string;
  readonly handsOnS: number;
  readonly waitingS: number;
  readonly waitingFor?: string;
  readonly runsOn?: 'printer';
  readonly hands: 1 | 2;
  /** Lines that have to be there. */
  readonly needs: readonly string[];
  /** Those of them that are fitted by it: each line by one step. */
  readonly parts: readonly string[];
  readonly fasteners: readonly Fastener[];
  readonly tools: readonly string[];
  readonly after: readonly string[];
  /** Why each of those comes before it. */
  readonly reasons: Readonly<Record<string, Reason>>;
  readonly remarks: readonly Remark[];
  /** What is built several times over in the same way, and how often. */
  readonly times?: { readonly of: string; readonly count: number };
  readonly caution?: string;
  readonly holdPoint?: string;
  readonly doneOn?: string;
  /** Written by the builder. */
  readonly own?: true;
}

/** A step with nothing left unsaid. */
export const whole = ({
  needs = [],
  after = [],
  waitingS = 0,
  hands = 1,
  fits,
  parts: _ofStage,
  ...draft
}: StepPlan): Step => ({
  ...draft,
  role: draft.id,
  waitingS,
  hands,
  needs,
  parts: fits ?? needs,
  fasteners: [],
  tools: [],
  after,
  reasons: {},
  remarks: [],
});
