import type { DutyReport, TrainReport } from '../capability/index.ts';
import type { Driveline } from '../drive/index.ts';
import type { Build } from '../vehicle/index.ts';
import type { LinkReport, Outing } from './report.ts';

/** What findings look at that no job has a part in, of a vehicle or of one of its drives: the build has no jobs here. */
export interface StandingContext {
  readonly build: Build;
  readonly train: TrainReport;
  readonly line?: Driveline | undefined;
}

/** All that findings look at. */
export interface FindingContext extends StandingContext {
  readonly duties: readonly DutyReport[];
  readonly governing: readonly LinkReport[];
  readonly links: readonly LinkReport[];
  readonly outing?: Outing | undefined;
}
