import type { Build } from '../../build/index.ts';
import { showNumber } from '../../quantity/index.ts';
import {
  BELT_WIDTHS_M,
  CHAIN_NAMES,
  CHAIN_SIZES,
  freshStage,
  isToothed,
  stageFigures,
  stageTitle,
  type Stage,
  type StageOf,
  type Toothed,
  withTeeth,
} from '../../transmission/index.ts';
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

/** The stage by another kind that holds by teeth, near its ratio. */
export const otherKind: Generator = (asked) => {
  const stage = stageOf(asked);
  if (!stage) return [];
  const { ratio } = stageFigures(stage);
  return TOOTHED.filter((kind) => kind !== stage.kind).map((kind) => ({
    text: `A ${stageTitle(kind).toLowerCase()} instead of the ${stageTitle(stage.kind).toLowerCase()}`,
    cost: 'another stage to buy in its place',
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
    cost: 'a heavier chain and its sprockets',
    build: withStage(asked.build, { ...stage, chain }),
  }));
};

/** More of what a stage holds by: tension, press, face width, module, working pull. */
export const stronger: Generator = (asked) => {
  const stage = stageOf(asked);
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
            `A belt ${showNumber(width * 1000)} mm wide instead of ${showNumber(stage.width.value * 1000)} mm`,
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
const resized = <S extends Toothed>(stage: S, by: number): S =>
  withTeeth(stage, Math.round(stage.teethDriver * by), Math.round(stage.teethDriven * by));

const teethOf = ({ teethDriver, teethDriven }: Toothed): string => `${teethDriver} to ${teethDriven}`;

/** A larger first wheel pulls less at the mount for the same torque. */
export const widerDriver: Generator = (asked) => {
  const stage = stageOf(asked);
  if (!stage || !isToothed(stage)) return [];
  return [1.3, 1.6].map((by) => {
    const larger = resized(stage, by);
    return {
      text: `Larger wheels on the ${stageTitle(stage.kind).toLowerCase()}: ${teethOf(larger)} teeth`,
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
      text: `Smaller wheels on the ${stageTitle(stage.kind).toLowerCase()}: ${teethOf(smaller)} teeth`,
      cost: 'both its wheels and its loop anew',
      build: withStage(asked.build, smaller),
    };
  });
};

/** What makes a stage that warns or cannot be built whole again. */
export function stageCures(build: Build, stageId: string): readonly Candidate[] {
  const stage = build.drive.stages.find(({ id }) => id === stageId);
  if (!stage) return [];
  const with_ = (text: string, changed: Stage): Candidate => ({ text, build: withStage(build, changed) });
  const kind = stageTitle(stage.kind).toLowerCase();
  const instead = (['chain', 'timing-belt'] as const)
    .filter((other) => other !== stage.kind)
    .map((other) =>
      with_(
        `A ${stageTitle(other).toLowerCase()} instead of the ${kind}`,
        freshStage(other, stage.id, stageFigures(stage).ratio),
      ),
    );
  switch (stage.kind) {
    case 'chain':
      return [
        ...[1.25, 1.5, 2].map((by) => {
          const larger = resized(stage, by);
          return with_(`Sprockets of ${teethOf(larger)} teeth`, larger);
        }),
        ...[1.5, 2, 3].map((by) =>
          with_(`The shafts ${showNumber(by)} × as far apart`, {
            ...stage,
            centre: scaled(stage.centre, by),
          }),
        ),
      ];
    case 'timing-belt':
      return [1.15, 1.3, 1.6, 2].map((by) => {
        const beltTeeth = Math.ceil(stage.beltTeeth * by);
        return with_(`A belt of ${beltTeeth} teeth`, { ...stage, beltTeeth });
      });
    case 'friction-belt':
      return [
        ...[1.3, 1.6].map((by) =>
          with_(`Pulleys ${showNumber(by)} × as large`, {
            ...stage,
            driverDiameter: scaled(stage.driverDiameter, by),
            drivenDiameter: scaled(stage.drivenDiameter, by),
          }),
        ),
        ...[1.5, 2, 3].map((by) =>
          with_(`The shafts ${showNumber(by)} × as far apart`, {
            ...stage,
            centre: scaled(stage.centre, by),
          }),
        ),
        ...instead,
      ];
    case 'spur':
    case 'bevel':
      return [
        ...[1.15, 1.4, 1.8].map((by) => {
          const larger = resized(stage, by);
          return with_(`Gears of ${teethOf(larger)} teeth`, larger);
        }),
        with_('Gears half as wide', { ...stage, faceWidth: scaled(stage.faceWidth, 0.5) }),
      ];
    case 'planetary':
      return [
        with_('A set that goes together', freshStage('planetary', stage.id, stageFigures(stage).ratio)),
      ];
    case 'worm':
      // Coming down it drives back more easily too.
      return [with_('Two starts and twice the lead', { ...stage, ...twoStarts(stage) })];
    case 'spool':
      return [with_('A thicker core', { ...stage, coreDiameter: scaled(stage.ropeDiameter, 10) })];
    case 'track':
      return [1.3, 1.6].map((by) => {
        const sprocketTeeth = Math.round(stage.sprocketTeeth * by);
        return with_(`A sprocket of ${sprocketTeeth} teeth, its loop longer`, {
          ...stage,
          sprocketTeeth,
          centre: scaled(stage.centre, 1.2),
        });
      });
    default:
      return instead;
  }
}

const twoStarts = ({ starts, wheelTeeth, leadAngle }: StageOf<'worm'>) => ({
  starts: starts * 2,
  wheelTeeth: wheelTeeth * 2,
  leadAngle: scaled(leadAngle, 2),
});
