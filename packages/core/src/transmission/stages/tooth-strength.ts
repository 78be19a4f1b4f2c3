import { sumOf } from '../../contract/index.ts';
import type { Quantity } from '../../quantity/index.ts';
import { gearBending } from '../gear-bending.ts';
import { toMm } from './fields.ts';
import type { StageStrength } from './stage-report.ts';

/** Calculators say stresses in megapascals. */
export const PASCALS = 1e6;

/** Teeth at a stall, once: about twice what they stand for good (common practice, no source). */
export const MOMENTARY_OF_TEETH = 2;

interface Cut {
  readonly module: Quantity;
  readonly faceWidth: Quantity;
  readonly allowable: Quantity;
}

/** The gear that gives out first: its teeth, and the torque (N·m) and speed (rpm) that it carries. */
interface Weakest {
  readonly teeth: number;
  readonly torqueNm: number;
  readonly rpm: number;
}

/** Bending of a gear's teeth against what they may carry. */
export function toothStrength({ module, faceWidth, allowable }: Cut, weakest: Weakest): StageStrength {
  const given = {
    moduleMm: toMm(module.value),
    faceWidthMm: toMm(faceWidth.value),
    allowableMPa: allowable.value / PASCALS,
    ...weakest,
  };
  return {
    link: 'tooth-stress',
    needs: gearBending.run(given).stressMPa * PASCALS,
    has: allowable.value,
    sum: {
      ...sumOf(gearBending, given, 'stressMPa'),
      from: { torqueNm: 'load', allowableMPa: allowable },
    },
    momentary: MOMENTARY_OF_TEETH,
  };
}
