import { controlOf, type Control } from '../vehicle/index.ts';

/**
 * What the trade's schools do, to be run side by side (common practice, no source): a command and a stop watch; counted turns;
 * counted turns with both sides held together; a gyro beside.
 */
export const SCHOOLS = {
  'by time': controlOf({ ends: 'time' }),
  'by counts': controlOf({ ends: 'counts' }),
  'held together': controlOf({ ends: 'counts', sync: { kp: 0.5, ki: 1 } }),
  'by heading': controlOf({ ends: 'counts', heading: { kp: 1.5 } }),
} as const satisfies Record<string, Control>;
export type School = keyof typeof SCHOOLS;
