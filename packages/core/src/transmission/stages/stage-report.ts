/** What a stage is, whatever its load. Ratio: turns in for one turn out. */
export interface StageFigures {
  readonly ratio: number;
  readonly efficiency: number;
  /** Why the stage cannot be built, in a sentence that says what to change. */
  readonly problem?: string;
  readonly warnings: readonly string[];
}

/** What a load asks of a stage and what it stands. `unit` is that of both figures. */
export interface StageStrength {
  readonly quantity: 'force' | 'torque';
  readonly needs: number;
  readonly has: number;
  /** What `has` is, for the sentence of a finding. */
  readonly standard: string;
}

/** The load on a stage: torque (N·m) and speed (rpm) of its driving side. */
export interface StageLoad {
  readonly inputTorqueNm: number;
  readonly inputRpm: number;
}
