import {
  outingCourse,
  ratioOffers,
  type CourseAsked,
  type OutingCourse,
  type RatioOffer,
  type TeethLimits,
} from '@zubric/core/capability';
import { evaluate, payloadSweep, stageAs, type StageAs, type Sweep } from '@zubric/core/judge';
import { moves, type MovesFor } from '@zubric/core/moves';
import { searchSteps, type SearchAsked, type SearchProgress, type SearchResult } from '@zubric/core/search';
import type { StageKind } from '@zubric/core/transmission';
import { driveOf, type Build, type Part } from '@zubric/core/vehicle';

/** How often a long work tells how far it is, and gives way. */
const TELLS_MS = 80;

/** What is worked out beside the screen: everything that judges a build more than once. */
export const benchWork = {
  moves: (build: Build, shelf: readonly Part[]): MovesFor[] => moves(build, evaluate(build), { shelf }),
  payloadSweep: (build: Build, points: number): Sweep | undefined => payloadSweep(build, points),
  /** A day of outings through time. */
  outingCourse: (build: Build, asked: CourseAsked): OutingCourse | undefined =>
    outingCourse(build, evaluate(build).duties, asked),
  ratioOffers: (build: Build, ratio: number, limits: TeethLimits): RatioOffer[] =>
    ratioOffers(build, ratio, limits),
  /** Every set of parts; tells how far it is, so that one that has died is noticed. */
  search: async (asked: SearchAsked, tells: (progress: SearchProgress) => void): Promise<SearchResult> => {
    const steps = searchSteps(asked);
    let told = performance.now();
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      if (performance.now() - told < TELLS_MS) continue;
      told = performance.now();
      tells(value);
      await new Promise((go) => setTimeout(go));
    }
  },
  /** A stage as it is, and as another kind in its place. */
  asOtherKind: (build: Build, stageId: string, kind: StageKind): AsOtherKind | undefined => {
    const stage = driveOf(build).stages.find(({ id }) => id === stageId);
    const now = stage && stageAs(build, stageId, stage.kind);
    const other = stageAs(build, stageId, kind);
    return now && other && { now, other };
  },
};
export type BenchWork = typeof benchWork;

export interface AsOtherKind {
  readonly now: StageAs;
  readonly other: StageAs;
}
