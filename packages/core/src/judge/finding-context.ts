import type { DutyReport, TrainReport } from '../capability/index.ts';
import type { Driveline } from '../drive/index.ts';
import type { Build } from '../vehicle/index.ts';
import type { LinkReport, Outing } from './report.ts';

/** All that findings look at. */
export interface FindingContext {
  readonly build: Build;
  readonly duties: readonly DutyReport[];
  readonly governing: readonly LinkReport[];
  readonly links: readonly LinkReport[];
  readonly outing?: Outing | undefined;
  readonly train: TrainReport;
  readonly line?: Driveline | undefined;
}
