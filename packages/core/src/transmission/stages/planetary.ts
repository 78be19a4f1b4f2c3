import { z } from 'zod';
import { notice } from '../../contract/index.ts';
import { sentence } from '../../quantity/index.ts';
import { LEAST_TEETH } from '../gear-bending.ts';
import { planetary as planetarySum } from '../planetary.ts';
import { cutIfKnown, efficiency, orProblem, stageCommon, teeth } from './fields.ts';
import { cutSizes, share } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import type { StageFigures } from './stage-report.ts';
import { toothStrength } from './tooth-strength.ts';
import { allowableOf, strongerTeeth } from './toothed.ts';
import { meshing } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('planetary'),
  sunTeeth: teeth('Sun teeth'),
  ringTeeth: teeth('Ring teeth'),
  planets: z.int().min(1).max(12).meta({ title: 'Planets' }),
  ...cutIfKnown,
  efficiency,
});
export type Planetary = z.output<typeof schema>;

/** Planets never share quite evenly: the hardest carries a quarter more than its part (common practice, no source). */
const UNEVEN = 1.25;
/** More than this one planetary set does not turn down: its planets would outgrow their places (common practice). */
const MOST_OF_A_SET = 11;

const ratioOf = ({ ringTeeth, sunTeeth }: Planetary): number => 1 + ringTeeth / sunTeeth;

function fresh(id: string, ratio: number): Planetary {
  // Ring and sun divide by three planets, and the planets have whole teeth: steps of six.
  const made = Math.min(Math.max(ratio, 2), MOST_OF_A_SET);
  const ring = 18 + 6 * Math.max(1, Math.round((18 * (made - 1) - 18) / 6));
  return {
    id,
    kind: 'planetary',
    sunTeeth: 18,
    ringTeeth: ring,
    planets: 3,
    ...cutSizes(1, 10, 150),
    efficiency: share(0.94),
  };
}

/** Held ring, driven by the sun, out by the carrier. */
export const planetary = {
  schema,
  title: 'Planetary',
  school: {
    good: 'Much reduction and torque on one axis.',
    bad: 'Only some tooth counts go together; hard to make at home.',
  },
  usualPlayDeg: 0.5,
  hubs: ['Sun gear', 'Planet carrier'],
  holdsBy: 'teeth',
  onAxis: true,
  fresh,
  figures: (stage) =>
    orProblem({ ratio: ratioOf(stage), efficiency: stage.efficiency.value }, (): Partial<StageFigures> => {
      const { sunTeeth, ringTeeth, planets } = stage;
      const { planetTeeth, assembles } = planetarySum.run({ sunTeeth, ringTeeth, planets });
      return assembles
        ? {
            facts: [{ title: 'planet teeth', value: planetTeeth, dimension: 'number' }],
            ...(stage.module
              ? {
                  outsideM: {
                    driver: (ringTeeth + 5) * stage.module.value,
                    driven: (ringTeeth + 5) * stage.module.value,
                  },
                }
              : {}),
          }
        : {
            problem: notice(
              'planets-do-not-fit',
              sentence`${planets} planets do not go between ${sunTeeth} and ${ringTeeth} teeth: ring and sun together must divide by the planets, the planets have whole teeth, and neighbours clear each other.`,
            ),
          };
    }),
  /** The smaller of sun and planet gives out first; where module, width and material are known. */
  strength: (stage, load) => {
    const { sunTeeth, ringTeeth, planets, module, faceWidth, allowable } = stage;
    const small = Math.min(sunTeeth, (ringTeeth - sunTeeth) / 2);
    if (!module || !faceWidth || !allowable || load.inputTorqueNm <= 0 || small < LEAST_TEETH)
      return undefined;
    return toothStrength(
      { module, faceWidth, allowable },
      {
        teeth: small,
        torqueNm: ((load.inputTorqueNm * small) / sunTeeth / planets) * (planets > 1 ? UNEVEN : 1),
        // Teeth mesh as fast as the sun turns past the carrier.
        rpm: (load.inputRpm * (1 - 1 / (1 + ringTeeth / sunTeeth)) * sunTeeth) / small,
      },
    );
  },
  stands: allowableOf,
  cures: (stage) => [{ text: 'A set that goes together', stage: fresh(stage.id, ratioOf(stage)) }],
  stronger: strongerTeeth,
  work: meshing(
    (stage) => [
      { id: 'sun', name: `Sun gear, ${stage.sunTeeth} teeth`, count: 1 },
      { id: 'ring', name: `Ring gear, ${stage.ringTeeth} teeth`, count: 1 },
      {
        id: 'planet',
        name: `Planet gear, ${Math.round((stage.ringTeeth - stage.sunTeeth) / 2)} teeth`,
        count: stage.planets,
      },
    ],
    'Put sun, planets and ring together',
    'Planets marked and set in evenly; it must turn freely by hand before the cover goes on.',
  ),
} as const satisfies StageMember<Planetary>;
