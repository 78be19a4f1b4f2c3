import {
  STAGE_KINDS,
  freshStage,
  isToothed,
  stageFigures,
  stageKind,
  stageName,
  stageTitle,
  strongerStage,
  type Stage,
  type Toothed,
  withTeeth,
} from '../transmission/index.ts';
import { driveOf, type Build } from '../vehicle/index.ts';
import { withStage, type MoveContext, type Candidate, type Generator } from './candidate.ts';

const LEAST_TEETH = 8;
const MOST_TEETH = 120;
const STEPS = [-2, -1, 1, 2] as const;

/** One or two teeth more or less on any stage that has them. */
export const teeth: Generator = ({ build }) =>
  driveOf(build)
    .stages.filter(isToothed)
    .flatMap((stage) =>
      (['teethDriver', 'teethDriven'] as const).flatMap((key) =>
        STEPS.flatMap((step): Candidate[] => {
          const count = stage[key] + step;
          if (count < LEAST_TEETH || count > MOST_TEETH) return [];
          const changed = { ...stage, [key]: count };
          return [
            {
              text: `${stageTitle(stage.kind)} of ${changed.teethDriver} to ${changed.teethDriven} teeth instead of ${stage.teethDriver} to ${stage.teethDriven}`,
              build: withStage(build, changed),
            },
          ];
        }),
      ),
    );

const stageOf = ({ build, link }: MoveContext): Stage | undefined =>
  driveOf(build).stages.find(({ id }) => id === link.stageId);

/** Loops that hold by teeth and take any centre distance. */
const TOOTHED_LOOPS = STAGE_KINDS.filter(
  (kind) => stageKind(kind).loop && stageKind(kind).holdsBy === 'teeth',
);

/** A stage by each other kind of toothed loop, near its ratio; what ends the drive is what it runs on, and stays. */
export const byOtherKinds = (build: Build, stage: Stage): Candidate[] =>
  stageKind(stage.kind).ends
    ? []
    : TOOTHED_LOOPS.filter((kind) => kind !== stage.kind).map((kind) => ({
        text: `A ${stageName(kind)} instead of the ${stageName(stage.kind)}`,
        build: withStage(build, freshStage(kind, stage.id, stageFigures(stage).ratio)),
      }));

/** The stage by another kind that holds by teeth. */
export const otherKind: Generator = (asked) => {
  const stage = stageOf(asked);
  if (!stage) return [];
  return byOtherKinds(asked.build, stage).map((candidate) => ({
    ...candidate,
    cost: 'another stage to buy in its place',
  }));
};

/** More of what a stage holds by. */
export const stronger: Generator = (asked) => {
  const stage = stageOf(asked);
  if (!stage) return [];
  return strongerStage(stage).map(({ stage: changed, ...said }) => ({
    ...said,
    build: withStage(asked.build, changed),
  }));
};

/** Teeth of both wheels by one factor: the ratio stays near, the loads on the teeth change. */
export const resized = <S extends Toothed>(stage: S, by: number): S =>
  withTeeth(stage, Math.round(stage.teethDriver * by), Math.round(stage.teethDriven * by));

/** Teeth as they are said: "10 to 40". */
export const teethOf = ({ teethDriver, teethDriven }: Toothed): string => `${teethDriver} to ${teethDriven}`;

/** A larger first wheel pulls less at the mount for the same torque. */
export const widerDriver: Generator = (asked) => {
  const stage = stageOf(asked);
  if (!stage || !isToothed(stage)) return [];
  return [1.3, 1.6].map((by) => {
    const larger = resized(stage, by);
    return {
      text: `Larger wheels on the ${stageName(stage.kind)}: ${teethOf(larger)} teeth`,
      cost: 'both its wheels and its loop anew',
      build: withStage(asked.build, larger),
    };
  });
};

/** Smaller wheels of one stage clear ground and frame. */
export const smallerOnAxle: Generator = (asked) => {
  const stage = stageOf(asked);
  if (!stage || !isToothed(stage)) return [];
  return [0.85, 0.7].map((by) => {
    const smaller = resized(stage, by);
    return {
      text: `Smaller wheels on the ${stageName(stage.kind)}: ${teethOf(smaller)} teeth`,
      cost: 'both its wheels and its loop anew',
      build: withStage(asked.build, smaller),
    };
  });
};
