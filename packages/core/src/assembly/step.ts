import type { StageStep } from '../transmission/index.ts';

/** A step as a kind of work states it. */
export interface StepPlan extends StageStep {
  /** Nothing goes on until this has been seen. */
  readonly holdPoint?: string;
}

/** A step of the whole build: `after` and `needs` are ids of its steps and of lines of its parts list. */
export interface Step {
  readonly id: string;
  readonly title: string;
  readonly detail?: string;
  readonly handsOnS: number;
  readonly waitingS: number;
  readonly waitingFor?: string;
  readonly needs: readonly string[];
  readonly after: readonly string[];
  readonly caution?: string;
  readonly holdPoint?: string;
  readonly doneOn?: string;
}

/** A step with nothing left unsaid. */
export const whole = ({ needs = [], after = [], waitingS = 0, ...draft }: Omit<StepPlan, 'parts'>): Step => ({
  ...draft,
  waitingS,
  needs,
  after,
});
