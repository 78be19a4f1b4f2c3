import { showNumber } from '../../quantity/index.ts';
import {
  CHAIN_NAMES,
  CHAIN_SIZES,
  freshStage,
  stageFigures,
  stageTitle,
  type Stage,
} from '../../transmission/index.ts';
import { scaled, withStage, type Asked, type Candidate, type Generator } from './candidate.ts';

const LEAST_TEETH = 8;
const MOST_TEETH = 120;
const STEPS = [-2, -1, 1, 2, 4, 8] as const;

type Toothed = Extract<Stage, { teethDriver: number; teethDriven: number }>;
const isToothed = (stage: Stage): stage is Toothed => 'teethDriver' in stage;

/** One or two teeth more or less on any stage that has them. */
export const teeth: Generator = ({ build }) =>
  build.drive.stages.filter(isToothed).flatMap((stage) =>
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

const stageOf = ({ build, link }: Asked): Stage | undefined =>
  build.drive.stages.find(({ id }) => id === link.stageId);

/** Loops that hold by teeth and take any centre distance. */
const TOOTHED = ['chain', 'timing-belt'] as const;

/** The stage by another kind that holds by teeth, near its ratio. */
export const otherKind: Generator = (asked) => {
  const stage = stageOf(asked);
  if (!stage) return [];
  const { ratio } = stageFigures(stage);
  return TOOTHED.filter((kind) => kind !== stage.kind).map((kind) => ({
    text: `A ${stageTitle(kind).toLowerCase()} instead of the ${stageTitle(stage.kind).toLowerCase()}`,
    build: withStage(asked.build, freshStage(kind, stage.id, ratio)),
  }));
};

/** The next larger chain. */
export const largerChain: Generator = (asked) => {
  const stage = stageOf(asked);
  if (stage?.kind !== 'chain') return [];
  const now = CHAIN_SIZES[stage.chain];
  const larger = CHAIN_NAMES.filter((name) => CHAIN_SIZES[name].tensileN > now.tensileN)
    .sort((a, b) => CHAIN_SIZES[a].tensileN - CHAIN_SIZES[b].tensileN)
    .slice(0, 2);
  return larger.map((chain) => ({
    text: `A chain ${CHAIN_SIZES[chain].title} instead of ${now.title}`,
    build: withStage(asked.build, { ...stage, chain }),
  }));
};

/** More of what a stage holds by: tension, press, face width, module, working pull. */
export const stronger: Generator = (asked) => {
  const stage = stageOf(asked);
  const more = (text: string, changed: Stage): Candidate => ({
    text,
    build: withStage(asked.build, changed),
  });
  switch (stage?.kind) {
    case 'friction-belt':
      return [1.5, 2].map((by) =>
        more(`${showNumber(by)} × the belt's tension`, { ...stage, tension: scaled(stage.tension, by) }),
      );
    case 'friction-wheel':
      return [1.5, 2].map((by) =>
        more(`The roller pressed ${showNumber(by)} × as hard`, { ...stage, press: scaled(stage.press, by) }),
      );
    case 'spur':
    case 'bevel':
      return [
        more('Gears one and a half times as wide', { ...stage, faceWidth: scaled(stage.faceWidth, 1.5) }),
        more('A module one third larger', { ...stage, module: scaled(stage.module, 4 / 3) }),
      ];
    case 'timing-belt':
      return [
        more('A belt twice as strong: wider', { ...stage, allowablePull: scaled(stage.allowablePull, 2) }),
      ];
    default:
      return [];
  }
};
