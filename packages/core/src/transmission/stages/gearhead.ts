import { z } from 'zod';
import { quantity } from '../../quantity/index.ts';
import { stageCommon } from './fields.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';

export const gearheadSchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('gearhead'),
  ratio: quantity('ratio', { above: 0 }, 'Ratio', 'Turns in for one turn out'),
  efficiency: quantity('share', { above: 0, most: 1 }, 'Efficiency', 'Share of the power that comes through'),
  ratedTorque: quantity(
    'torque',
    { above: 0 },
    'Rated torque',
    'Torque its output may carry all day',
  ).optional(),
});

export type Gearhead = z.output<typeof gearheadSchema>;

/** What gearheads stand for a moment over what they carry all day (common practice, no source). */
const MOMENTARY_OF_GEARHEAD = 2;

/** A sealed gearhead: nothing inside it is worked out, its maker's figures stand. */
export const gearheadFigures = (stage: Gearhead): StageFigures => ({
  ratio: stage.ratio.value,
  efficiency: stage.efficiency.value,
  warnings: [],
});

export const gearheadStrength = (stage: Gearhead, load: StageLoad): StageStrength | undefined =>
  stage.ratedTorque && {
    link: 'gearhead-torque',
    needs: load.inputTorqueNm * stage.ratio.value * stage.efficiency.value,
    has: stage.ratedTorque.value,
    momentary: MOMENTARY_OF_GEARHEAD,
  };
