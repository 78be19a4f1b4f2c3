import { z } from 'zod';
import { quantity } from '../quantity/index.ts';

const share = quantity('share', { least: 0, most: 1 }, 'Share of the time', 'Of the outing, that it runs');

/** A load lifted on a spool, and let down again. */
export const liftSchema = z.strictObject({
  kind: z.literal('lift'),
  load: quantity('mass', { above: 0 }, 'Load lifted', 'With the hook or platform that carries it'),
  height: quantity('length', { above: 0 }, 'Height'),
  within: quantity('time', { above: 0 }, 'Up within'),
  timesAnHour: quantity('number', { least: 0, most: 3600 }, 'Times an hour'),
});

/** What turns at a torque: a brush, a tiller, a blade. */
export const turningSchema = z.strictObject({
  kind: z.literal('turns'),
  torque: quantity('torque', { above: 0 }, 'Torque it takes', 'At its shaft, working'),
  speed: quantity('rotation', { above: 0 }, 'Speed it turns at'),
  share,
  whileDriving: z.boolean().meta({ title: 'Runs while it drives' }),
});

/** What is known by its watts alone. */
export const drawingSchema = z.strictObject({
  kind: z.literal('draws'),
  power: quantity('power', { above: 0 }, 'Power it takes', 'At its motor, from the battery'),
  share,
  whileDriving: z.boolean().meta({ title: 'Runs while it drives' }),
});

/** What a drive does beside moving or steering the vehicle. */
export const workSchema = z.discriminatedUnion('kind', [liftSchema, turningSchema, drawingSchema]);
export type Work = z.output<typeof workSchema>;
