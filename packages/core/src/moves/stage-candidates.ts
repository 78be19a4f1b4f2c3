import { show, showNumber } from '../quantity/index.ts';
import {
  BELT_WIDTHS_M,
  CHAIN_NAMES,
  CHAIN_SIZES,
  freshStage,
  isToothed,
  stageFigures,
  stageName,
  stageTitle,
  type Stage,
  type Toothed,
  withTeeth,
} from '../transmission/index.ts';
import type { Build } from '../vehicle/index.ts';
import { scaled, withStage, type Asked, type Candidate, type Generator } from './candidate.ts';

const LEAST_TEETH = 8;
const MOST_TEETH = 120;
const STEPS = [-2, -1, 1, 2] as const;

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

/** A stage by each other kind that holds by teeth, near its ratio; a track on the ground is what it runs on, and stays. */
export const byOtherKinds = (build: Build, stage: Stage): Candidate[] =>
  stage.kind === 'track'
    ? []
    : TOOTHED.filter((kind) => kind !== stage.kind).map((kind) => ({
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
    cost: 'a heavier chain and its sprockets',
    build: withStage(asked.build, { ...stage, chain }),
  }));
};

/** More of what a stage holds by: tension, press, face width, module, working pull. */
export const stronger: Generator = (asked) => {
  const stage = stageOf(asked);
  const wide = (m: number): string => show(m, 'length', asked.system).text;
  const more = (text: string, changed: Stage, cost: string): Candidate => ({
    text,
    cost,
    build: withStage(asked.build, changed),
  });
  switch (stage?.kind) {
    case 'friction-belt':
      return [1.5, 2].map((by) =>
        more(
          `${showNumber(by)} × the belt's tension`,
          { ...stage, tension: scaled(stage.tension, by) },
          `${showNumber(by)} times the pull on its shafts and bearings`,
        ),
      );
    case 'friction-wheel':
      return [1.5, 2].map((by) =>
        more(
          `The roller pressed ${showNumber(by)} × as hard`,
          { ...stage, press: scaled(stage.press, by) },
          `${showNumber(by)} times the load on its bearings, and more wear of the tyre`,
        ),
      );
    case 'spur':
    case 'bevel':
    case 'planetary':
    case 'worm':
      if (!stage.module || !stage.faceWidth) return [];
      return [
        more(
          'Gears one and a half times as wide',
          { ...stage, faceWidth: scaled(stage.faceWidth, 1.5) },
          'other gears, and shafts that hold them in line',
        ),
        more(
          'A module one third larger',
          { ...stage, module: scaled(stage.module, 4 / 3) },
          'other gears, one third larger',
        ),
      ];
    case 'timing-belt':
      return BELT_WIDTHS_M.filter((width) => width > stage.width.value)
        .slice(0, 4)
        .map((width) =>
          more(
            `A belt ${wide(width)} wide instead of ${wide(stage.width.value)}`,
            { ...stage, width: { ...stage.width, value: width, origin: 'typed' } },
            'pulleys as wide',
          ),
        );
    case 'track':
      return [
        more(
          'A track twice as strong',
          { ...stage, allowablePull: scaled(stage.allowablePull, 2) },
          'another track',
        ),
      ];
    case 'spool':
      return [
        more(
          'A rope twice as strong',
          { ...stage, ropeStrength: scaled(stage.ropeStrength, 2) },
          'another rope',
        ),
        more('One layer of rope', { ...stage, layers: 1 }, 'less rope on the drum, or a longer drum'),
      ];
    default:
      return [];
  }
};

/** Teeth of both wheels by one factor: the ratio stays near, the loads on the teeth change. */
export const resized = <S extends Toothed>(stage: S, by: number): S =>
  withTeeth(stage, Math.round(stage.teethDriver * by), Math.round(stage.teethDriven * by));

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
