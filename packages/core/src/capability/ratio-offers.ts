import { NotPhysical } from '../contract/index.ts';
import { trainStages } from '../drive/index.ts';
import {
  isToothed,
  stageFigures,
  stageName,
  teethForRatio,
  withTeeth,
  type Stage,
  type Toothed,
} from '../transmission/index.ts';
import {
  layoutKind,
  rollingDiameter,
  type Build,
  driveOf,
  changeDrive,
  type Drive,
} from '../vehicle/index.ts';
import { largeWheels } from './large-wheels.ts';
import { onAxleRadius } from './on-axle.ts';

/** Fewest and most teeth that are looked at. */
export interface TeethLimits {
  readonly least: number;
  readonly most: number;
}

/** Tooth counts that come near to a ratio, and the stages with them. */
export interface RatioOffer {
  /** Of the whole train, turns of the motor for one of the wheel. */
  readonly ratio: number;
  /** Off by, as a share of the ratio looked for. */
  readonly deviation: number;
  /** What changes: one sentence a stage. */
  readonly text: string;
  readonly stages: Drive['stages'];
}

/** Offers that are listed. */
const LISTED = 6;
/** Nearer than this a train is as good as exact: nobody feels a quarter of a per cent. */
const ALIKE = 0.0025;
/** Ratios further off than this are no answer. */
const MOST_OFF = 0.06;
/** A first stage is tried this much around what it is, where two are changed. */
const AROUND = [0.7, 0.8, 0.9, 1.1, 1.25, 1.4] as const;

interface Changed {
  readonly stages: readonly Stage[];
  readonly changes: readonly Toothed[];
}

const replaced = (stages: readonly Stage[], stage: Stage): readonly Stage[] =>
  stages.map((s) => (s.id === stage.id ? stage : s));

const ratioOf = (stages: readonly Stage[]): number =>
  stages.reduce((product, stage) => product * stageFigures(stage).ratio, 1);

/** Pairs of whole teeth near a ratio; none where the limits allow none. */
function pairsNear(given: Parameters<typeof teethForRatio.run>[0]) {
  try {
    return teethForRatio.run(given).combinations;
  } catch (error) {
    if (error instanceof NotPhysical) return [];
    throw error;
  }
}

/** A stage with whole teeth near a ratio of its own. */
function near(stage: Toothed, ratio: number, { least, most }: TeethLimits, tolerance: number): Toothed[] {
  if (!(ratio > 0) || !Number.isFinite(ratio)) return [];
  return pairsNear({ ratio, tolerance, teethLeast: least, teethMost: most })
    .filter((c) => c.teethDriver !== stage.teethDriver || c.teethDriven !== stage.teethDriven)
    .map((c) => withTeeth(stage, c.teethDriver, c.teethDriven))
    .filter((s) => stageFigures(s).problem === undefined);
}

/** How many teeth it takes off or puts on: the less, the more of what is in hand stays. */
const effort = (before: readonly Stage[], { changes }: Changed): number =>
  changes.reduce((sum, stage) => {
    const was = before.find((s): s is Toothed => s.id === stage.id && isToothed(s));
    return (
      sum +
      3 +
      Math.abs(stage.teethDriver - (was?.teethDriver ?? 0)) +
      Math.abs(stage.teethDriven - (was?.teethDriven ?? 0))
    );
  }, 0);

/**
 * Whole teeth that bring the train near to a ratio: one stage changed, or two where one alone does not come near. What
 * cannot be built, would touch the ground or outgrow the vehicle is left out; nearest first, less changed first where alike.
 *
 * @example ratioOffers(puffin, 36, { least: 9, most: 60 }).length > 0 // true
 */
export function ratioOffers(build: Build, ratio: number, limits: TeethLimits): RatioOffer[] {
  const { stages } = driveOf(build);
  const fixed = ratioOf(trainStages(build)) / ratioOf(stages);
  const toothed = stages.filter(isToothed);
  const wanted = ratio / fixed;
  const without = (stage: Stage, of: readonly Stage[]): number => ratioOf(of) / stageFigures(stage).ratio;
  const single = toothed.flatMap((stage) =>
    near(stage, wanted / without(stage, stages), limits, MOST_OFF).map((s): Changed => ({
      stages: replaced(stages, s),
      changes: [s],
    })),
  );
  const double = toothed.flatMap((first, at) =>
    toothed.slice(at + 1).flatMap((second) =>
      AROUND.flatMap((by) =>
        near(first, stageFigures(first).ratio * by, limits, 0.04)
          .slice(0, 2)
          .flatMap((one): Changed[] => {
            const on = replaced(stages, one);
            return near(second, wanted / without(second, on), limits, MOST_OFF)
              .slice(0, 2)
              .map((two) => ({ stages: replaced(on, two), changes: [one, two] }));
          }),
      ),
    ),
  );
  const off = (c: Changed): number => (ratioOf(c.stages) * fixed) / ratio - 1;
  const rough = (c: Changed): number => Math.round(Math.abs(off(c)) / ALIKE);
  const seen = new Set<string>();
  return [...single, ...double]
    .filter((c) => Math.abs(off(c)) <= MOST_OFF && clears(build, c.stages))
    .sort((a, b) => rough(a) - rough(b) || effort(stages, a) - effort(stages, b))
    .filter((c) => {
      const key = (ratioOf(c.stages) * fixed).toFixed(3);
      return seen.has(key) ? false : seen.add(key);
    })
    .slice(0, LISTED)
    .map((c) => ({
      ratio: ratioOf(c.stages) * fixed,
      deviation: off(c),
      text: c.changes.map((s) => `${stageName(s.kind)} ${s.teethDriver} to ${s.teethDriven}`).join(', '),
      stages: c.stages,
    }));
}

/** Whether what turns on the axle stays clear of the ground, and no other wheel outgrows the vehicle that did not. */
function clears(build: Build, stages: readonly Stage[]): boolean {
  if (largeWheels(build, stages).length > largeWheels(build).length) return false;
  const hanging = onAxleRadius(changeDrive(build, { stages }));
  return (
    layoutKind(build.layout.kind).pullsByRope ||
    !hanging ||
    hanging.radiusM < rollingDiameter(build).value / 2
  );
}
