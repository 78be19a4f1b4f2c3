import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { id, name } from './item.ts';

/** A mass and where its middle is. */
export const placedMassSchema = z.strictObject({
  mass: quantity('mass', { least: 0 }, 'Mass'),
  aheadOfRearAxle: quantity('length', {}, 'Ahead of the rear axle', 'Its middle ahead of the rear axle'),
  left: quantity('length', {}, 'Left of the middle', 'Its middle left of the middle line'),
  height: quantity('length', { least: 0 }, 'Above the ground', 'Its middle above the ground'),
});

/** What a mass beside the vehicle and its payload is. */
export const MASS_KINDS = ['rider', 'ballast', 'part'] as const;

/** A rider, ballast or part. */
export const otherMassSchema = placedMassSchema
  .extend({ id, name, kind: z.enum(MASS_KINDS).meta({ title: 'Kind' }) })
  .readonly();

/** Where it tows. */
export const hitchSchema = z
  .strictObject({
    behind: quantity('length', {}, 'Behind the rear axle', 'Hitch behind the rear axle'),
    height: quantity('length', { least: 0 }, 'Above the ground', 'Hitch above the ground'),
    load: quantity('force', {}, 'Load of the towed on it', 'Downwards'),
  })
  .readonly();

/** Which brake it has, its force, and when it bites. */
export const brakeSchema = z
  .strictObject({
    kind: z.enum(['none', 'electronic', 'friction']).meta({ title: 'Brake' }),
    force: quantity(
      'force',
      { above: 0 },
      'Its force at the ground',
      'Greatest, at the ground, all braked wheels',
    ).optional(),
    reaction: quantity('time', { least: 0 }, 'Time before it bites'),
  })
  .readonly();

/** Steered by hand, at a bar or wheel. */
export const handSchema = z.strictObject({
  arm: quantity('length', { above: 0 }, 'Pivot to hand', 'From the steering’s pivot to the hand'),
  force: quantity('force', { above: 0 }, 'Force of the hand', 'That it may take all day'),
});

/** How its wheels are steered: by an actuator or by hand. */
export const steeringSchema = z
  .strictObject({
    actuatorTorque: quantity('torque', { above: 0 }, 'Torque of its actuator').optional(),
    hand: handSchema.optional().meta({ title: 'Steered by hand' }),
    linkageRatio: quantity(
      'ratio',
      { above: 0 },
      'Turns of it for one of the wheel',
      'Turn of the actuator for one of the wheel',
    ),
    kingpinOffset: quantity(
      'length',
      { least: 0 },
      'Kingpin to tyre middle',
      'From the kingpin to the middle of the tyre',
    ),
    secondsPer60: quantity('time', { above: 0 }, 'Its time for 60°', 'Of the actuator, unloaded').optional(),
    lockToLock: quantity('angle', { above: 0, most: 2 * Math.PI }, 'Lock to lock, at the wheel'),
    knowsPosition: z.boolean().meta({ title: 'Knows its position' }),
  })
  .readonly();

/** What drives a sphere from inside. */
export const innerDriveSchema = z
  .strictObject({
    mass: quantity('mass', { above: 0 }, 'Mass that climbs inside'),
    offset: quantity('length', { above: 0 }, 'Its middle off the sphere’s'),
    shellMass: quantity('mass', { least: 0 }, 'Mass of the shell'),
  })
  .readonly();

/** Its box, and how high it stands over the ground. */
export const bodySchema = z
  .strictObject({
    length: quantity('length', { above: 0 }, 'Length'),
    width: quantity('length', { above: 0 }, 'Width'),
    height: quantity('length', { above: 0 }, 'Height'),
    clearance: quantity('length', { least: 0 }, 'Ground clearance'),
  })
  .readonly();

/** What a build can be told to make the most of. */
export const AIMS = ['none', 'payload-rate', 'haul', 'range'] as const;

/** What the build is to be best at, and what its event allows. */
export const aimsSchema = z
  .strictObject({
    maximise: z.enum(AIMS).meta({ title: 'To make the most of' }),
    mass: quantity('mass', { above: 0 }, 'Mass without payload, at most').optional(),
    length: quantity('length', { above: 0 }, 'Length, at most').optional(),
    width: quantity('length', { above: 0 }, 'Width, at most').optional(),
    height: quantity('length', { above: 0 }, 'Height, at most').optional(),
    voltage: quantity('voltage', { above: 0 }, 'Voltage, at most').optional(),
    cost: quantity('number', { least: 0 }, 'Cost of parts, at most').optional(),
  })
  .readonly();
