import { degreesToRadians, scaled, showNumber, type Quantity } from '../../quantity/index.ts';
import { resizedPair, teethOf, type TeethPair } from './changes.ts';
import { cut, efficiency, teeth } from './fields.ts';
import { cutSizes, pairNear, share, type TeethLimits } from './fresh-sizes.ts';
import type { StageChange } from './member.ts';
import type { ShaftPull, StageLoad, StageStands } from './stage-report.ts';
import type { StagePart } from './work.ts';

/** Fields of two gears that mesh. */
export const toothed = {
  teethDriver: teeth('Driver teeth'),
  teethDriven: teeth('Driven teeth'),
  ...cut,
  efficiency,
} as const;

interface Gears extends TeethPair {
  readonly module: Quantity;
  readonly faceWidth: Quantity;
}

/** Teeth as they are to be had (common practice, no source): no stage turns down by more than eight. */
const TEETH: TeethLimits = { usual: 18, least: 18, most: 144 };
/** Fewest teeth of a gear of 20° that is not undercut: 2/sin²20°, made whole. */
const NOT_UNDERCUT = 18;
/** Teeth press square to their flanks, at 20°. */
const PRESSURE_ANGLE = degreesToRadians(20);

/** A pair as a workshop cuts it, of a plain engineering plastic. */
export const freshPair = (ratio: number) => ({
  ...pairNear(ratio, TEETH),
  ...cutSizes(1.5, 12, 60),
  efficiency: share(0.96),
});

/** Over the tips of the teeth, metres. */
export const outsideOf = ({ teethDriver, teethDriven, module }: Gears) => ({
  driver: (teethDriver + 2) * module.value,
  driven: (teethDriven + 2) * module.value,
});

/** Teeth press across the shafts by their flanks. */
export const toothPull = (stage: Gears, load: StageLoad): ShaftPull | undefined =>
  load.inputTorqueNm <= 0
    ? undefined
    : {
        tightN:
          (2 * load.inputTorqueNm) / (stage.teethDriver * stage.module.value) / Math.cos(PRESSURE_ANGLE),
        slackN: 0,
        wrapDeg: 180,
      };

/** What teeth stand is what their builder says they may carry. */
export const allowableOf = ({
  allowable,
}: {
  readonly allowable?: Quantity | undefined;
}): StageStands | undefined =>
  allowable && { said: allowable, dimension: 'stress', where: 'Drivetrain, what the teeth may carry' };

/** Larger gears, first such that are not undercut, or narrower ones. */
export function gearCures<S extends Gears>(stage: S): readonly StageChange<S>[] {
  const whole = NOT_UNDERCUT / Math.min(stage.teethDriver, stage.teethDriven);
  return [
    ...[whole, 1.15, 1.4, 1.8]
      .filter((by) => by > 1)
      .map((by) => {
        const larger = resizedPair(stage, by);
        return { text: `Gears of ${teethOf(larger)} teeth`, stage: { ...stage, ...larger } };
      }),
    { text: 'Gears half as wide', stage: { ...stage, faceWidth: scaled(stage.faceWidth, 0.5) } },
  ];
}

/** Wider gears or coarser teeth, where they are known. */
export function strongerTeeth<
  S extends { readonly module?: Quantity | undefined; readonly faceWidth?: Quantity | undefined },
>(stage: S): readonly StageChange<S>[] {
  if (!stage.module || !stage.faceWidth) return [];
  return [
    {
      text: 'Gears one and a half times as wide',
      cost: 'other gears, and shafts that hold them in line',
      stage: { ...stage, faceWidth: scaled(stage.faceWidth, 1.5) },
    },
    {
      text: 'A module one third larger',
      cost: 'other gears, one third larger',
      stage: { ...stage, module: scaled(stage.module, 4 / 3) },
    },
  ];
}

/** Both gears as parts. */
export const gearParts =
  (kind: string) =>
  ({ module, teethDriver, teethDriven }: Gears): readonly StagePart[] => {
    const size = `module ${showNumber(module.value * 1000)}`;
    return [
      { id: 'driver', name: `${kind}, ${size}, ${teethDriver} teeth`, count: 1 },
      { id: 'driven', name: `${kind}, ${size}, ${teethDriven} teeth`, count: 1 },
    ];
  };
