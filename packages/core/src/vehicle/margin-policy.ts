import { z } from 'zod';

const factor = (of: string) =>
  z
    .number()
    .min(1)
    .max(10)
    .meta({ title: `Factor on ${of}` });

/** What the build asks of each margin: the double rule, or factors of its own. */
export const marginPolicySchema = z
  .strictObject({
    school: z.enum(['double-rule', 'itemised']).meta({ title: 'Margin rule' }),
    torque: factor('torque'),
    current: factor('current'),
    grip: factor('grip'),
    energy: factor('energy'),
    speed: factor('speed'),
  })
  .readonly();

export type MarginPolicy = z.output<typeof marginPolicySchema>;

/** Common practice, no source: twice the torque, a quarter more current, a fifth more grip, a tenth more of the rest. */
export const DOUBLE_RULE: MarginPolicy = {
  school: 'double-rule',
  torque: 2,
  current: 1.25,
  grip: 1.2,
  energy: 1.1,
  speed: 1.1,
};

/** Where each uncertainty is counted by itself, less is asked of torque (common practice, no source). */
export const ITEMISED: MarginPolicy = { ...DOUBLE_RULE, school: 'itemised', torque: 1.4 };
