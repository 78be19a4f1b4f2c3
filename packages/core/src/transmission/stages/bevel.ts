import { z } from 'zod';
import { remembered, sumOf } from '../../contract/index.ts';
import { bevelPair } from '../bevel-pair.ts';
import { orProblem, stageCommon, toMm } from './fields.ts';
import { mm } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import type { StageFigures } from './stage-report.ts';
import { MOMENTARY_OF_TEETH, PASCALS } from './tooth-strength.ts';
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

const schema = z.strictObject({ ...stageCommon, kind: z.literal('bevel'), ...toothed });
export type Bevel = z.output<typeof schema>;

const inputOf = (stage: Bevel) => ({
  moduleMm: toMm(stage.module.value),
  teethDriver: stage.teethDriver,
  teethDriven: stage.teethDriven,
  faceWidthMm: toMm(stage.faceWidth.value),
  rpm: 0,
});

const figures = remembered((stage: Bevel): StageFigures =>
  orProblem({ ratio: stage.teethDriven / stage.teethDriver, efficiency: stage.efficiency.value }, () => {
    const { coneDistanceMm, warnings } = bevelPair.run(inputOf(stage));
    return {
      warnings,
      facts: [{ title: 'cone distance', value: coneDistanceMm / 1000, dimension: 'length' }],
      outsideM: outsideOf(stage),
    };
  }),
);

/** A face not wider than a third of the cone is long: beyond, its inner end hardly carries. */
function bevelled(ratio: number) {
  const pair = freshPair(ratio);
  const coneMm = ((pair.module.value * 1000) / 2) * Math.hypot(pair.teethDriver, pair.teethDriven);
  return { ...pair, faceWidth: mm(Math.min(pair.faceWidth.value * 1000, Math.floor(coneMm / 3))) };
}

/** Bevel gears. */
export const bevel = {
  schema,
  title: 'Bevel gears',
  school: {
    good: 'Turns the corner with little loss.',
    bad: 'Both shafts must be held in place along and across; shimming takes patience.',
  },
  usualPlayDeg: 1,
  hubs: ['Driver gear', 'Driven gear'],
  holdsBy: 'teeth',
  turnsCorner: true,
  fresh: (id, ratio) => ({ id, kind: 'bevel', ...bevelled(ratio) }),
  figures,
  strength: (stage, load) => {
    if (load.inputTorqueNm <= 0 || figures(stage).problem !== undefined) return undefined;
    const given = { ...inputOf(stage), torqueNm: load.inputTorqueNm, rpm: load.inputRpm };
    const { stressMPa } = bevelPair.run(given);
    if (stressMPa === undefined) return undefined;
    return {
      link: 'tooth-stress',
      needs: stressMPa * PASCALS,
      has: stage.allowable.value,
      sum: { ...sumOf(bevelPair, given, 'stressMPa'), from: { torqueNm: 'load' } },
      momentary: MOMENTARY_OF_TEETH,
    };
  },
  stands: allowableOf,
  pull: toothPull,
  cures: gearCures,
  stronger: strongerTeeth,
  work: meshing(gearParts('Bevel gear'), 'Mesh the bevel gears, still loose', MESH),
} as const satisfies StageMember<Bevel>;
