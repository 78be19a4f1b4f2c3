import { z } from 'zod';
import { notice, sumOf } from '../../contract/index.ts';
import { HOUR_S, assumed, quantity, scaled } from '../../quantity/index.ts';
import { allowedLoad } from '../allowed-load.ts';
import { spool as spoolSum } from '../spool.ts';
import { diameter, efficiency, stageCommon, toMm } from './fields.ts';
import { mm, share } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import { pullAtRim } from './rim.ts';
import type { StageFigures } from './stage-report.ts';
import { sizeOf } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('spool'),
  coreDiameter: diameter('Core diameter'),
  ropeDiameter: diameter('Rope diameter'),
  layers: z.int().min(1).max(20).meta({ title: 'Layers of rope' }),
  ropeStrength: quantity('force', { above: 0 }, 'Rope strength', 'Pull at which the rope breaks'),
  efficiency,
});
export type Spool = z.output<typeof schema>;

/** Breaking over working load of a winch rope (common practice, no source; the maker’s and local rules stand). */
const SAFETY_OF_ROPE = 5;

/** What the calculator takes of a spool at a layer. */
const spoolInput = (stage: Spool, layer: number) => ({
  torqueNm: 0,
  rpm: 0,
  coreDiameterMm: toMm(stage.coreDiameter.value),
  ropeDiameterMm: toMm(stage.ropeDiameter.value),
  layer,
});

const onLayer = (stage: Spool, layer: number): number =>
  spoolSum.run(spoolInput(stage, layer)).workingDiameterMm / 1000;

const allowedOf = (stage: Spool) => ({ strengthN: stage.ropeStrength.value, safetyFactor: SAFETY_OF_ROPE });

/** The outermost layer asks the most torque: the duty is reckoned on it. */
const figures = (stage: Spool): StageFigures => ({
  ratio: 1,
  efficiency: stage.efficiency.value,
  warnings:
    stage.coreDiameter.value < 8 * stage.ropeDiameter.value
      ? [
          notice(
            'thin-core',
            'A core under eight times the rope’s thickness bends the rope sharply and wears it: take a thicker one.',
          ),
        ]
      : [],
  facts: [
    { title: 'outer layer', value: onLayer(stage, stage.layers), dimension: 'length' },
    { title: 'first layer', value: onLayer(stage, 1), dimension: 'length' },
  ],
  rollsM: onLayer(stage, stage.layers),
});

/** A rope wound up. */
export const spool = {
  schema,
  title: 'Spool and rope',
  school: {
    good: 'Pulls straight and slow, at any angle of the slope.',
    bad: 'Each layer of rope pulls less and runs faster; nobody may stand in line with it.',
  },
  usualPlayDeg: 0,
  hubs: ['Spool', undefined],
  ends: { needs: 'pullsByRope', of: 'winch' },
  fresh: (id) => ({
    id,
    kind: 'spool',
    coreDiameter: mm(60),
    ropeDiameter: mm(5),
    layers: 2,
    ropeStrength: assumed(5000, 'N'),
    efficiency: share(0.95),
  }),
  figures,
  strength: (stage, load) => {
    if (load.inputTorqueNm <= 0) return undefined;
    const { pullN, ...sum } = pullAtRim(onLayer(stage, stage.layers), load, stage.efficiency.value);
    return {
      link: 'rope-pull',
      needs: pullN,
      has: allowedLoad.run(allowedOf(stage)).allowedN,
      sum,
      // At a stall a rope still keeps twice what it takes.
      momentary: SAFETY_OF_ROPE / 2,
    };
  },
  stands: (stage) => ({
    sum: {
      ...sumOf(allowedLoad, allowedOf(stage), 'allowedN'),
      from: { strengthN: stage.ropeStrength, safetyFactor: { fixed: 'common practice' } },
    },
  }),
  cures: (stage) => [
    { text: 'A thicker core', stage: { ...stage, coreDiameter: scaled(stage.ropeDiameter, 10) } },
  ],
  stronger: (stage) => [
    {
      text: 'A rope twice as strong',
      cost: 'another rope',
      stage: { ...stage, ropeStrength: scaled(stage.ropeStrength, 2) },
    },
    {
      text: 'One layer of rope',
      cost: 'less rope on the drum, or a longer drum',
      stage: { ...stage, layers: 1 },
    },
  ],
  work: {
    parts: (stage) => [
      { id: 'spool', name: `Spool, core ${sizeOf(stage.coreDiameter)}`, count: 1 },
      { id: 'rope', name: `Rope, ${sizeOf(stage.ropeDiameter)}, by the metre`, count: 1 },
    ],
    before: () => [],
    after: () => [
      {
        id: 'reeve',
        title: 'Fasten the rope and wind it on under load',
        detail: 'Five turns stay on the spool at full length; layers side by side, never crossed.',
        handsOnS: HOUR_S,
        parts: ['spool', 'rope'],
        caution: 'Nobody in line with the rope; gloves on; the anchor proved first.',
      },
    ],
  },
} as const satisfies StageMember<Spool>;
