import { z } from 'zod';
import { key } from '../contract/index.ts';

/** The constants of Bekker's pressure and sinkage, as calculators take them. */
export const soilKeys = {
  kcKnPerM: key.real('Cohesive modulus of the soil', 'kN/m^(n+1)'),
  kphiKnPerM: key.real('Frictional modulus of the soil', 'kN/m^(n+2)'),
  exponent: z.number().positive().lt(3).meta({ description: 'Exponent of sinkage n', unit: '' }),
} as const;

interface Soft {
  readonly kcKnPerM: number;
  readonly kphiKnPerM: number;
}

/** Ground must resist: kc + b kφ, kN/m^(n+1), for something of a width, m. */
export const resists = ({ kcKnPerM, kphiKnPerM }: Soft, widthM: number): boolean =>
  kcKnPerM + widthM * kphiKnPerM > 0;

/** A soil that resists nothing is none. */
export const MUST_RESIST = { message: 'kc + b kφ must be more than 0', path: ['kphiKnPerM'] };
