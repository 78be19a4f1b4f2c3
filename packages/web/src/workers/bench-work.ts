import {
  outingCourse,
  ratioOffers,
  type CourseAsked,
  type OutingCourse,
  type RatioOffer,
  type TeethLimits,
} from '@zubric/core/capability';
import {
  driveOnce,
  readyCourse,
  runTold,
  studySteps,
  type CourseEnd,
  type DriveAsk,
  type DriveStudy,
  type RunTold,
  type CloudRuns,
} from '@zubric/core/driving';
import { evaluate, payloadSweep, stageAs, type StageAs, type Sweep } from '@zubric/core/judge';
import {
  findPlaces,
  frameChoices,
  layoutReport,
  type FrameChoice,
  type FreePlace,
  type LayoutFinding,
  type LayoutReport,
} from '@zubric/core/layout';
import { moves, type MovesFor } from '@zubric/core/moves';
import {
  doubtedOf,
  predictedOf,
  type Doubted,
  type Measured,
  type Predicted,
  type TrialSet,
} from '@zubric/core/protocols';
import type { UnitSystem } from '@zubric/core/quantity';
import { layoutFindingInWords } from '@zubric/core/say';
import { searchSteps, type SearchAsked, type SearchProgress, type SearchResult } from '@zubric/core/search';
import {
  balanceReport,
  balanceTrace,
  creepReport,
  creepTrace,
  floorReport,
  floorTrace,
  sphereReport,
  sphereTrace,
  type BalanceAsk,
  type BalanceReport,
  type BalanceSample,
  type CreepAsk,
  type CreepReport,
  type CreepSample,
  type FloorAsk,
  type FloorReport,
  type FloorSample,
  type SphereAsk,
  type SphereReport,
  type SphereSample,
} from '@zubric/core/simulate';
import { chances, chanceSteps, firstToMeasure, type Chances, type ToMeasure } from '@zubric/core/spreads';
import { whatIf, type Span, type WhatIf } from '@zubric/core/sensitivity';
import type { StageKind } from '@zubric/core/transmission';
import { driveOf, type Build, type FrameMember, type NumberAt, type Part } from '@zubric/core/vehicle';

export interface Balanced {
  readonly report: BalanceReport;
  readonly trace: readonly BalanceSample[];
}

export interface OnFloor {
  readonly report: FloorReport;
  readonly trace: readonly FloorSample[];
}

export interface Rolled {
  readonly report: SphereReport;
  readonly trace: readonly SphereSample[];
}

export interface Crept {
  readonly report: CreepReport;
  readonly trace: readonly CreepSample[];
}

/** One run of a course, from moment to moment. */
export interface DrivenOnce {
  readonly run: CourseEnd;
  readonly told: RunTold & { readonly aheadM: number };
  readonly nominalS: number;
}

/** How often a long work tells how far it is, and gives way. */
const TELLS_MS = 80;

/** Draws that tell which number decides the most. */
const FEW_DRAWS = 200;

/** Goes through all steps of a work; tells how far it is now and then, and gives way. */
async function toItsEnd<Progress, Answer>(
  steps: Generator<Progress, Answer>,
  tells: (progress: Progress) => void,
): Promise<Answer> {
  let told = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - told < TELLS_MS) continue;
    told = performance.now();
    tells(step.value);
    await new Promise((go) => setTimeout(go));
  }
}

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
  search: (asked: SearchAsked, tells: (progress: SearchProgress) => void): Promise<SearchResult> =>
    toItsEnd(searchSteps(asked), tells),
  /** How sure a build is of its margins. */
  chances: (build: Build, tells: (share: number) => void): Promise<Chances> =>
    toItsEnd(chanceSteps(build), tells),
  /** The number to go and measure, from so few draws that it is there soon after an edit. */
  firstToMeasure: (build: Build): ToMeasure | undefined =>
    firstToMeasure(chances(build, { samples: FEW_DRAWS })),
  /** What another value of a number would come to. */
  whatIf: (build: Build, number: NumberAt, span: Span): WhatIf => whatIf(build, number, { span }),
  /** Room, reach and weight of where things are. */
  layoutReport: (build: Build): LayoutReport => layoutReport(build),
  /** How a balancer stands, and the run from moment to moment. */
  balance: (build: Build, ask: BalanceAsk): Balanced | undefined => {
    const report = balanceReport(build, ask);
    return report && { report, trace: balanceTrace(build, ask, report.proposed) };
  },
  /** How a balancer drives on the floor, and the drive from moment to moment. */
  onFloor: (build: Build, ask: FloorAsk): OnFloor | undefined => {
    const report = floorReport(build, ask);
    return report && { report, trace: floorTrace(build, ask) };
  },
  /** How a sphere rolls a way, and the run from moment to moment. */
  sphere: (build: Build, ask: SphereAsk): Rolled | undefined => {
    const report = sphereReport(build, ask);
    return report && { report, trace: sphereTrace(build, ask) };
  },
  /** How smoothly a dolly creeps, and the run from moment to moment. */
  creep: (build: Build, ask: CreepAsk): Crept | undefined => {
    const report = creepReport(build, ask);
    return report && { report, trace: creepTrace(build, ask) };
  },
  /** What a build foretells of a trial. */
  predicted: (
    build: Build,
    { protocol, conditions }: Pick<TrialSet, 'protocol' | 'conditions'>,
    measured: readonly Pick<Measured, 'key' | 'value'>[],
  ): Predicted[] => predictedOf(protocol, build, conditions, measured),
  /** Which inputs to doubt where a number came out otherwise than foretold. */
  doubted: (
    build: Build,
    { protocol, conditions }: Pick<TrialSet, 'protocol' | 'conditions'>,
    one: Pick<Measured, 'key' | 'value'>,
    measured: readonly Pick<Measured, 'key' | 'value'>[],
  ): readonly Doubted[] => doubtedOf(protocol, build, conditions, one, measured),
  /** A course driven once. */
  driveOnce: (build: Build, ask: DriveAsk, seed: number): DrivenOnce | undefined => {
    const ready = readyCourse(build, ask);
    const run = ready && driveOnce(ready, seed, { keepsPath: true });
    return run && { run, told: runTold(seed, run), nominalS: ready.nominalS };
  },
  /** A course driven many times, why it ends where it does and what would mend it; tells how far it is. */
  driveStudy: (
    build: Build,
    ask: DriveAsk,
    runs: CloudRuns,
    tells: (progress: { readonly share: number }) => void,
  ): Promise<DriveStudy | undefined> => toItsEnd(studySteps(build, ask, runs), tells),
  /** The worst finding of a layout that is more than a note, in words, and how many there are beside it. */
  inTheWayOfLayout: (build: Build, system: UnitSystem): InTheWay | undefined => {
    const found = layoutReport(build).findings.filter(({ severity }) => severity !== 'note');
    const [worst] = found;
    return (
      worst && {
        severity: worst.severity,
        text: layoutFindingInWords(worst, build, system),
        more: found.length - 1,
      }
    );
  },
  findPlaces: (build: Build, partId: string): FreePlace[] => findPlaces(build, partId),
  /** A member of a frame lighter and heavier, each judged. */
  frameChoices: (build: Build, member: FrameMember): FrameChoice[] => frameChoices(build, member),
  /** A stage as it is, and as another kind in its place. */
  asOtherKind: (build: Build, stageId: string, kind: StageKind): AsOtherKind | undefined => {
    const stage = driveOf(build).stages.find(({ id }) => id === stageId);
    const now = stage && stageAs(build, stageId, stage.kind);
    const other = stageAs(build, stageId, kind);
    return now && other && { now, other };
  },
};
export type BenchWork = typeof benchWork;

/** What stands in the way of a layout, in short. */
export interface InTheWay {
  readonly severity: LayoutFinding['severity'];
  readonly text: string;
  readonly more: number;
}

export interface AsOtherKind {
  readonly now: StageAs;
  readonly other: StageAs;
}
