import { sumOf } from '../../contract/index.ts';
import { z } from 'zod';
import { HOUR_S, assumed, quantity, show } from '../../quantity/index.ts';
import { deliveredTorque } from '../delivered-torque.ts';
import { efficiency, stageCommon } from './fields.ts';
import { share } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('gearhead'),
  ratio: quantity('ratio', { above: 0 }, 'Ratio', 'Turns in for one turn out'),
  efficiency,
  ratedTorque: quantity(
    'torque',
    { above: 0 },
    'Rated torque',
    'Torque its output may carry all day',
  ).optional(),
});
export type Gearhead = z.output<typeof schema>;

/** What gearheads stand for a moment over what they carry all day (common practice, no source). */
const MOMENTARY_OF_GEARHEAD = 2;

/** A sealed gearhead: nothing inside it is worked out, its maker's figures stand. */
export const gearhead = {
  schema,
  title: 'Gearhead',
  school: {
    good: 'Sealed, aligned and greased by its maker: nothing to tune.',
    bad: 'Its torque is what its maker rates; worn or stripped, all of it is replaced.',
  },
  usualPlayDeg: 1.5,
  hubs: [undefined, undefined],
  holdsBy: 'teeth',
  sealed: true,
  onAxis: true,
  fresh: (id, ratio) => ({ id, kind: 'gearhead', ratio: assumed(ratio, ': 1'), efficiency: share(0.85) }),
  figures: (stage) => ({ ratio: stage.ratio.value, efficiency: stage.efficiency.value, warnings: [] }),
  strength: ({ ratedTorque, ratio, efficiency: through }, { inputTorqueNm }) => {
    if (!ratedTorque) return undefined;
    const given = { torqueNm: inputTorqueNm, motors: 1, ratio: ratio.value, efficiency: through.value };
    return {
      link: 'gearhead-torque',
      needs: deliveredTorque.run(given).deliveredNm,
      has: ratedTorque.value,
      sum: {
        ...sumOf(deliveredTorque, given, 'deliveredNm'),
        from: { torqueNm: 'load', ratio, efficiency: through },
      },
      momentary: MOMENTARY_OF_GEARHEAD,
    };
  },
  stands: ({ ratedTorque }) =>
    ratedTorque && {
      said: ratedTorque,
      dimension: 'torque',
      where: 'the maker’s rated torque of the gearhead',
    },
  work: {
    parts: (stage) => [
      { id: 'gearhead', name: `Gearhead, ${show(stage.ratio.value, 'ratio', 'metric').text}`, count: 1 },
    ],
    before: () => [
      {
        id: 'mesh',
        title: 'Bolt the gearhead to the motor',
        detail:
          'Mesh and align the gears before their set screws are tightened; it must turn freely by hand.',
        handsOnS: HOUR_S,
        parts: ['gearhead'],
        needs: ['motor'],
      },
    ],
    after: () => [],
  },
} as const satisfies StageMember<Gearhead>;
