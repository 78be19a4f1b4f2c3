/** The rule stands at two thirds of every tape, so that one look down the strip compares them. */
export const RULE_AT = 2 / 3;

export interface TapeMarks {
  /** Filled share of the tape. */
  readonly has: number;
  /** Where 1 × stands. */
  readonly need: number;
  readonly beyond: boolean;
}

/** Where a margin's marks fall on its tape: the rule at two thirds, 0 at the left end. */
export function tapeMarks(ratio: number, rule: number): TapeMarks {
  const scale = RULE_AT / rule;
  const has = ratio * scale;
  return { has: Math.max(0, Math.min(1, has)), need: Math.min(1, scale), beyond: has > 1 };
}
