export const MINUTE_S = 60;
export const HOUR_S = 3600;

/** A step as a kind of work states it. Times are usual ones (common practice, no source); the builder may change them. */
export interface StepPlan {
  readonly id: string;
  readonly title: string;
  readonly detail?: string;
  readonly handsOnS: number;
  readonly waitingS?: number;
  readonly waitingFor?: string;
  /** Parts of the same stage, by their ids there. */
  readonly parts?: readonly string[];
  /** Lines of the whole parts list. */
  readonly needs?: readonly string[];
  /** Steps of the same stage that come before. */
  readonly after?: readonly string[];
  readonly caution?: string;
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
