import { z } from 'zod';
import { anyMotor, measuredMotor, MOTOR_TYPES, type MotorTypeName } from '../../motor/index.ts';
import { common, plug, shape } from './common.ts';

interface Impossible {
  readonly key: string;
  readonly why: string;
}

/** The schema of a type of motor: what any part has, its own data sheet, and what any motor has. */
const ofType = <const Name extends MotorTypeName, Shape extends z.ZodRawShape>(
  type: Name,
  member: { readonly shape: Shape; readonly impossible: (figures: never) => Impossible | undefined },
) =>
  z
    .strictObject({
      ...common,
      kind: z.literal('motor'),
      type: z.literal(type),
      ...member.shape,
      ...anyMotor,
      shape,
      plug,
      /** Readings on the bench that its figures were found from. */
      measured: measuredMotor.optional().meta({ title: 'Measured' }),
    })
    .superRefine((part, context) => {
      const problem = member.impossible(part as never);
      if (problem) context.addIssue({ code: 'custom', path: [problem.key], message: problem.why });
    });

/** A motor of any type, with or without gearhead. */
export const motor = z.discriminatedUnion('type', [
  ofType('brushed', MOTOR_TYPES.brushed),
  ofType('brushless', MOTOR_TYPES.brushless),
  ofType('series-wound', MOTOR_TYPES['series-wound']),
  ofType('stepping', MOTOR_TYPES.stepping),
  ofType('servo', MOTOR_TYPES.servo),
  ofType('servo-continuous', MOTOR_TYPES['servo-continuous']),
]);
