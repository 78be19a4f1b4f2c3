import { z } from 'zod';
import { notice } from '../../contract/index.ts';
import { sentence } from '../../quantity/index.ts';
import { LEAST_TEETH } from '../gear-bending.ts';
import { gearPair } from '../gear-pair.ts';
import { orProblem, stageCommon, toMm } from './fields.ts';
import type { StageMember } from './member.ts';
import { toothStrength } from './tooth-strength.ts';
import {
  allowableOf,
  freshPair,
  gearCures,
  gearParts,
  outsideOf,
  strongerTeeth,
  toothed,
  toothPull,
} from './toothed.ts';
import { MESH, meshing } from './work.ts';

const schema = z.strictObject({ ...stageCommon, kind: z.literal('spur'), ...toothed });
export type Spur = z.output<typeof schema>;

/** Spur gears. */
export const spur = {
  schema,
  title: 'Spur gears',
  school: {
    good: 'Small, stiff, lasts long; loses little.',
    bad: 'The mesh must be set to a hair and stay there; grit grinds it; play from the first day.',
  },
  usualPlayDeg: 1,
  hubs: ['Driver gear', 'Driven gear'],
  holdsBy: 'teeth',
  fresh: (id, ratio) => ({ id, kind: 'spur', ...freshPair(ratio) }),
  figures: (stage) =>
    orProblem({ ratio: stage.teethDriven / stage.teethDriver, efficiency: stage.efficiency.value }, () => {
      const { teethDriver, teethDriven } = stage;
      const pair = gearPair.run({
        moduleMm: toMm(stage.module.value),
        teethDriver,
        teethDriven,
        pressureAngleDeg: 20,
        efficiency: stage.efficiency.value,
      });
      return {
        warnings:
          pair.undercutDriver || pair.undercutDriven
            ? [
                notice(
                  'undercut',
                  sentence`A gear of ${Math.min(teethDriver, teethDriven)} teeth is undercut at 20°: weaker at the root, and rough.`,
                ),
              ]
            : [],
        facts: [{ title: 'shafts apart', value: pair.centreDistanceMm / 1000, dimension: 'length' }],
        outsideM: outsideOf(stage),
        apartM: pair.centreDistanceMm / 1000,
      };
    }),
  /** The smaller gear gives out first: its torque and speed, from those of the driver. */
  strength: (stage, load) => {
    const small = Math.min(stage.teethDriver, stage.teethDriven);
    if (load.inputTorqueNm <= 0 || small < LEAST_TEETH) return undefined;
    const turns = stage.teethDriver / small;
    return toothStrength(stage, {
      teeth: small,
      torqueNm: load.inputTorqueNm / turns,
      rpm: load.inputRpm * turns,
    });
  },
  stands: allowableOf,
  pull: toothPull,
  cures: gearCures,
  stronger: strongerTeeth,
  work: meshing(gearParts('Gear'), 'Mesh the gears, still loose', MESH),
} as const satisfies StageMember<Spur>;
