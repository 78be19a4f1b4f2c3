import { z } from 'zod';
import { BEYOND } from '../quantity/index.ts';

/** Figures of parts that are reckoned with: from and to, in the unit of the key. */
const LEAST = 1e-9;
const MOST = 1e9;

/** A figure of a part, with its unit; past what is reckoned with it says the nearest that is. */
export const figure = (description: string, unit = '', { zero = false } = {}) =>
  (zero ? z.number().nonnegative() : z.number().positive())
    .check((context) => {
      const { value } = context;
      if ((zero && value === 0) || (value >= LEAST && value <= MOST)) return;
      context.issues.push({
        code: 'custom',
        input: value,
        message: `must be ${zero ? '0 or ' : ''}from ${LEAST} to ${MOST}: beyond that nothing is reckoned with`,
        params: { [BEYOND]: value > MOST ? MOST : LEAST },
      });
    })
    .meta({ description, unit });

/** A figure that may be 0: none of it. */
export const orNone = { zero: true } as const;

/** A count, 1 or more. */
export const counted = (description: string, most = 1000) =>
  z.int().min(1).max(most).meta({ description, unit: '' });

/** A plain fraction, a hundredth or more. */
export const share = (description: string) => z.number().min(0.01).max(1).meta({ description, unit: '' });

/** One of a few words. */
export const oneOf = <const W extends readonly [string, ...string[]]>(description: string, words: W) =>
  z.enum(words).meta({ title: description });

/** Yes or no. */
export const yesNo = (title: string) => z.boolean().meta({ title });

/** A gearhead that is one with a motor. */
export const gearhead = z.strictObject({
  ratio: figure('Turns of the motor for one of the output'),
  efficiency: share('Share of the power that comes through'),
  ratedTorqueNm: figure('Torque its output may carry all day', 'N·m').optional(),
});
