import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { pathElementSchema, stageSchema } from '../transmission/index.ts';
import { id, name } from './item.ts';
import { DRIVEN_TOGETHER } from './layout/index.ts';
import { wireSchema } from './supply.ts';
import { workSchema } from './work.ts';

/** How a drive is taken off its wheels: a belt or chain let slack, a dog, a pin that is pulled. */
export const RELEASES = ['none', 'jockey', 'dog', 'pin'] as const;
export type ReleaseKind = (typeof RELEASES)[number];

/** How ways to disengage are called. */
export const RELEASE_TITLES: Readonly<Record<ReleaseKind, string>> = {
  none: 'does not disengage',
  jockey: 'belt or chain let slack by a jockey',
  dog: 'dog clutch',
  pin: 'pin that is pulled',
};

/** Where the motor is mounted, seen from what it pulls. */
export const mountSchema = z
  .strictObject({
    lever: quantity(
      'length',
      { least: 0 },
      'From mount to loop',
      'From the mount to the middle of the first loop',
    ),
    /** Measured by pulling at a bar: how far the mount turns. */
    twist: quantity(
      'angle',
      { least: 0 },
      'Twist under 10 N·m',
      'How far the mount gives under 10 N·m',
    ).optional(),
  })
  .readonly();

/** How the drive disengages. */
export const releaseSchema = z
  .strictObject({
    kind: z.enum(RELEASES).meta({ title: 'Disengages by' }),
    /** The stage that goes slack, or behind which the dog or pin is; null on the motor's own shaft. */
    at: z.string().min(1).max(40).nullable().meta({ title: 'Disengages at' }),
    drag: quantity(
      'torque',
      { least: 0 },
      'Drag left, a wheel',
      'What still drags at each wheel then, beside its rolling',
    ),
  })
  .readonly();

/** What a drive is there for: to move the vehicle, to turn its wheels, or for a work beside. */
export const PURPOSES = ['propels', 'steers', 'works'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** A motor, or a few together, with all between them and what they move. */
export const driveSchema = z
  .strictObject({
    id,
    name,
    does: z.enum(PURPOSES).meta({ title: 'What it does' }),
    /** Axles that it drives or steers; absent where it serves every one that is. */
    axleIds: z.array(z.string().min(1).max(40)).min(1).max(8).readonly().optional().meta({ title: 'Axles' }),
    /** From lock to lock, of a drive that steers. */
    steersWithin: quantity('time', { above: 0 }, 'From lock to lock within').optional(),
    /** Of a drive that works. */
    work: workSchema.optional().meta({ title: 'Work' }),
    driverId: z.string().nullable().meta({ title: 'Driver' }),
    leadResistance: quantity(
      'resistance',
      { least: 0 },
      'Motor lead resistance',
      'Leads of one motor, out and back',
    ),
    /** The leads as a wire, where they are known: their resistance then follows. */
    leads: wireSchema.optional().meta({ title: 'Motor leads' }),
    motorId: z.string().nullable().meta({ title: 'Motor' }),
    /** What one driveline serves. */
    together: z.enum(DRIVEN_TOGETHER).meta({ title: 'Driven together' }),
    differential: z.enum(['open', 'locked']).meta({ title: 'Differential' }),
    motorsPerWheel: z.int().min(1).max(4).meta({ title: 'Motors a driveline' }),
    stages: z.array(stageSchema).max(8).readonly().meta({ title: 'Stages' }),
    /** What else the torque passes: shafts, hubs, bolts and tyre, from motor to ground. */
    path: z.array(pathElementSchema).max(40).readonly().meta({ title: 'Torque path' }),
    mount: mountSchema.meta({ title: 'Motor mount' }),
    release: releaseSchema.meta({ title: 'Disengaging' }),
    room: quantity(
      'length',
      { above: 0 },
      'Axle to frame',
      'From the axle to the nearest part of the frame',
    ).optional(),
  })
  .readonly();

export type Drive = z.output<typeof driveSchema>;
