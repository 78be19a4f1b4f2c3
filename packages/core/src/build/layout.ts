import { z } from 'zod';
import { quantity } from '../quantity/index.ts';

const twoDrivenCastors = z.strictObject({
  kind: z.literal('two-driven-castors'),
  drivenEnd: z.enum(['front', 'rear']).meta({ title: 'Driven end' }),
  wheelbase: quantity('length', { above: 0 }, 'Wheelbase', 'Driven axle to castors'),
  track: quantity('length', { above: 0 }, 'Track', 'Between the driven wheels, middle to middle'),
  wheelDiameter: quantity(
    'length',
    { above: 0 },
    'Wheel diameter',
    'Diameter of the driven wheels under load',
  ),
});

/** How the vehicle stands on the ground. */
export const layoutSchema = z.discriminatedUnion('kind', [twoDrivenCastors]).readonly();
export type Layout = z.output<typeof layoutSchema>;

/** Wheels that are driven, each by a driveline of its own. */
export const drivenWheels = (_layout: Layout): number => 2;
