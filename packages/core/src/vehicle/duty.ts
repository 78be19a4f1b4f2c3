import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { id, name } from './item.ts';
import { pushSchema } from './push.ts';
import { TASKS } from './tasks.ts';

const slope = { above: -Math.PI / 2, below: Math.PI / 2 } as const;

/** A bend of a radius. */
export const turnRadius = z.strictObject({
  kind: z.literal('radius'),
  radius: quantity('length', { above: 0 }, 'Radius of the bend', 'To the middle of the vehicle'),
});
const turn = z.discriminatedUnion('kind', [z.strictObject({ kind: z.literal('on-the-spot') }), turnRadius]);

/** So many times along a route. */
export const routeExtent = z.strictObject({
  kind: z.literal('route'),
  length: quantity('length', { least: 0 }, 'Length of the leg'),
  times: z.int().min(0).max(100_000).meta({ title: 'Times driven' }),
});
/** An area to be covered in strips. */
export const areaExtent = z.strictObject({
  kind: z.literal('area'),
  area: quantity('area', { least: 0 }, 'Area to cover'),
  width: quantity('length', { above: 0 }, 'Working width'),
  overlap: quantity('share', { least: 0, below: 1 }, 'Overlap', 'Share of each strip that overlaps the last'),
});

const extent = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('time') }),
  routeExtent,
  areaExtent,
]);

/** The duty's speed reached from rest within a distance or a time. */
export const upToSpeedDistance = z.strictObject({
  kind: z.literal('distance'),
  distance: quantity('length', { above: 0 }, 'Up to speed within'),
});
/** Up to speed within a time. */
export const upToSpeedTime = z.strictObject({
  kind: z.literal('time'),
  time: quantity('time', { above: 0 }, 'Up to speed within'),
});
const upToSpeed = z.discriminatedUnion('kind', [upToSpeedDistance, upToSpeedTime]);

/** What hangs at the hitch. */
export const towedSchema = z.strictObject({
  mass: quantity('mass', { least: 0 }, 'Towed mass'),
  rolling: quantity('coefficient', { least: 0, most: 2 }, 'Rolling of the towed', 'Over its weight'),
});

/** A job the vehicle must do. What it does not ask is left away. */
export const dutySchema = z
  .strictObject({
    id,
    name,
    groundId: id.meta({ title: 'Ground' }),
    task: z.enum(TASKS).meta({ title: 'Task' }),
    grade: quantity('angle', slope, 'Grade', 'Uphill positive'),
    speed: quantity('speed', { least: 0 }, 'Speed', 'Speed it must hold'),
    acceleration: quantity('acceleration', {}, 'Speeding up', 'Acceleration while at it'),
    upToSpeed: upToSpeed.optional().meta({ title: 'Up to speed' }),
    payloadShare: quantity(
      'share',
      { least: 0, most: 1 },
      'Payload on board',
      'Share of the payload on board',
    ),
    drawbar: quantity('force', { least: 0 }, 'Pull at the hitch'),
    towed: towedSchema.optional().meta({ title: 'Towed' }),
    push: pushSchema.optional().meta({ title: 'Pushes' }),
    sideSlope: quantity(
      'angle',
      slope,
      'Side slope, right side low',
      'The right side lower positive',
    ).optional(),
    step: quantity('length', { above: 0 }, 'Step or kerb', 'Height of a square step').optional(),
    turn: turn.optional().meta({ title: 'Turn' }),
    stopWithin: quantity('length', { above: 0 }, 'To stop within').optional(),
    lean: quantity('angle', { above: 0, below: Math.PI / 2 }, 'Lean to catch').optional(),
    duration: quantity('time', { least: 0 }, 'Minutes an outing', 'How long in one outing'),
    extent: extent.meta({ title: 'How much of it' }),
    startsAnHour: quantity('number', { least: 0, most: 3600 }, 'Starts an hour').optional(),
    mayRunHot: z.boolean().meta({ title: 'May run hot' }),
  })
  .readonly();

export type Duty = z.output<typeof dutySchema>;
/** A bend, or a turn on the spot. */
export type Turn = NonNullable<Duty['turn']>;
/** How much of a duty there is in an outing. */
export type Extent = Duty['extent'];
/** Within which time or way it must be up to speed. */
export type UpToSpeed = NonNullable<Duty['upToSpeed']>;
