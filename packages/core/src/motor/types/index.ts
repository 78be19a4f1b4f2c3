import { brushed, brushless, continuousServo } from './magnets.ts';
import { seriesWound } from './series.ts';
import { servo } from './servo.ts';
import { stepping } from './stepping.ts';

export { anyMotor, type MotorNominal, type MotorType } from './member.ts';

/** Every type of motor, in the order in which they are offered. */
export const MOTOR_TYPES = {
  brushed,
  brushless,
  'series-wound': seriesWound,
  stepping,
  servo,
  'servo-continuous': continuousServo,
} as const;

export type MotorTypeName = keyof typeof MOTOR_TYPES;
/** All types of motors. */
export const MOTOR_TYPE_NAMES = Object.keys(MOTOR_TYPES) as [MotorTypeName, ...MotorTypeName[]];
