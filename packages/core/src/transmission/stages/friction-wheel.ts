import { sumOf } from '../../contract/index.ts';
import { z } from 'zod';
import { HOUR_S, assumed, quantity, scaled, showNumber } from '../../quantity/index.ts';
import { frictionWheel as frictionWheelSum } from '../friction-wheel.ts';
import { diameter, efficiency, friction, stageCommon, toMm } from './fields.ts';
import { diameters, share } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import { sizeOf } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('friction-wheel'),
  driverDiameter: diameter('Roller diameter'),
  drivenDiameter: diameter('Wheel diameter'),
  press: quantity('force', { above: 0 }, 'Press', 'Force that presses the roller on'),
  friction: friction(),
  efficiency,
});
export type FrictionWheel = z.output<typeof schema>;

const inputOf = (stage: FrictionWheel, torqueNm: number) => ({
  driverDiameterMm: toMm(stage.driverDiameter.value),
  torqueNm,
  pressN: stage.press.value,
  friction: stage.friction.value,
});

/** A roller pressed on a wheel. */
export const frictionWheel = {
  schema,
  title: 'Friction wheel',
  school: {
    good: 'A roller on the tyre: no hub to alter, lifts off to coast.',
    bad: 'Wears the tyre, slips when wet, and its press loads the axle.',
  },
  usualPlayDeg: 0,
  hubs: ['Roller', undefined],
  holdsBy: 'friction',
  fresh: (id, ratio) => ({
    id,
    kind: 'friction-wheel',
    ...diameters(ratio, 40),
    press: assumed(100, 'N'),
    friction: assumed(0.6, ''),
    efficiency: share(0.88),
  }),
  figures: (stage) => ({
    ratio: stage.drivenDiameter.value / stage.driverDiameter.value,
    efficiency: stage.efficiency.value,
    warnings: [],
    apartM: (stage.driverDiameter.value + stage.drivenDiameter.value) / 2,
  }),
  strength: (stage, { inputTorqueNm }) => {
    if (inputTorqueNm <= 0) return undefined;
    const given = inputOf(stage, inputTorqueNm);
    const { pullN, transmissiblePullN } = frictionWheelSum.run(given);
    return {
      link: 'slip',
      needs: pullN,
      has: transmissiblePullN,
      sum: { ...sumOf(frictionWheelSum, given, 'pullN'), from: { torqueNm: 'load' } },
    };
  },
  /** The press and the pull stand square to each other. */
  pull: (stage, load) => {
    const { pullN } = frictionWheelSum.run(inputOf(stage, Math.max(load.inputTorqueNm, 0)));
    return { tightN: Math.hypot(stage.press.value, pullN), slackN: 0, wrapDeg: 180 };
  },
  stronger: (stage) =>
    [1.5, 2].map((by) => ({
      text: `The roller pressed ${showNumber(by)} × as hard`,
      cost: `${showNumber(by)} times the load on its bearings, and more wear of the tyre`,
      stage: { ...stage, press: scaled(stage.press, by) },
    })),
  work: {
    parts: (stage) => [{ id: 'roller', name: `Roller, ${sizeOf(stage.driverDiameter)}`, count: 1 }],
    before: () => [],
    after: () => [
      {
        id: 'press',
        title: 'Press the roller on the wheel',
        detail: 'Square to the wheel, with the spring set to its press; clean and dry.',
        handsOnS: HOUR_S,
        parts: ['roller'],
        caution: 'The roller draws in cloth and fingers: guard the nip.',
      },
    ],
  },
} as const satisfies StageMember<FrictionWheel>;
