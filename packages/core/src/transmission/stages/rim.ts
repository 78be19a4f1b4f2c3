import { sumOf } from '../../contract/index.ts';
import { rimPull } from '../rim-pull.ts';
import { toMm } from './fields.ts';
import type { StageLoad, StageSum } from './stage-report.ts';

/** Pull at the rim of what rolls, from the share of the torque that gets there. */
export const pullAtRim = (
  rollsM: number,
  { inputTorqueNm }: StageLoad,
  efficiency: number,
): StageSum & { readonly pullN: number } => {
  const given = { torqueNm: inputTorqueNm * efficiency, diameterMm: toMm(rollsM) };
  return {
    ...sumOf(rimPull, given, 'pullN'),
    from:
      efficiency === 1 ? { torqueNm: 'load' } : { torqueNm: { fixed: 'what reaches it, less its losses' } },
    pullN: rimPull.run(given).pullN,
  };
};
