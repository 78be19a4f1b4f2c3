import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { frameMemberSchema } from './frame.ts';
import { id, name } from './item.ts';
import { holeSchema, ownSheetSchema } from './own-sheet.ts';
import { placedMassSchema } from './vehicle.ts';

/** What a face of a part is there for. */
export const FACE_KINDS = ['plug', 'button', 'lid', 'vent', 'shaft', 'display', 'screw'] as const;
export type FaceKind = (typeof FACE_KINDS)[number];

/** The sides of a part before it is turned. */
export const SIDES = ['front', 'back', 'left', 'right', 'top', 'bottom'] as const;
export type Side = (typeof SIDES)[number];

/** Which way the middle line of a cylinder runs before it is turned. */
export const AXES = ['ahead', 'left', 'up'] as const;
export type Axis = (typeof AXES)[number];

/** A side that something must come to: a hand, a plug, air, or an eye. */
export const faceSchema = z
  .strictObject({
    id,
    kind: z.enum(FACE_KINDS).meta({ title: 'Face' }),
    side: z.enum(SIDES).meta({ title: 'Side' }),
    room: quantity(
      'length',
      { least: 0 },
      'Room before it',
      'What a hand, a plug and the bend of its cable take',
    ),
    across: quantity(
      'length',
      { above: 0 },
      'Width of it',
      'In the middle of the side; the whole side where not said',
    ).optional(),
  })
  .readonly();

/** What a placed part and a zone both have: a box, or the box that a cylinder fills. */
const block = {
  id,
  name,
  length: quantity('length', { above: 0 }, 'Length', 'Along the vehicle, before it is turned'),
  width: quantity('length', { above: 0 }, 'Width', 'Across the vehicle, before it is turned'),
  height: quantity('length', { above: 0 }, 'Height', 'Upwards'),
};

const { mass, aheadOfRearAxle, left, height: above } = placedMassSchema.shape;
const place = { aheadOfRearAxle, left, above };

/** Which wheel of a drive a placed part is: a sprocket, pulley, gear or roller of one of its stages; of none where that stage is gone. */
export const runsSchema = z
  .strictObject({
    driveId: id,
    stageId: id,
    wheel: z.enum(['driver', 'driven']).meta({ title: 'Which of its wheels' }),
    runOut: quantity(
      'length',
      { least: 0 },
      'Run-out at its rim',
      'The whole swing of a dial, or of a pencil held against it, over one turn',
    ).optional(),
  })
  .readonly();

/** A part where it is to sit. */
export const placedPartSchema = z
  .strictObject({
    ...block,
    ...place,
    mass,
    form: z.enum(['box', 'cylinder']).meta({ title: 'Form' }),
    axis: z.enum(AXES).optional().meta({ title: 'Its middle line runs' }),
    turn: quantity('angle', {}, 'Turned', 'About the upright, to the left positive'),
    partId: id.optional().meta({ title: 'Part' }),
    sticksOut: quantity('length', { least: 0 }, 'May stick out', 'Of the body').optional(),
    faces: z.array(faceSchema).max(20).readonly().meta({ title: 'Faces' }),
    runs: runsSchema.optional().meta({ title: 'Runs in' }),
    holes: z.array(holeSchema).max(60).readonly().optional().meta({ title: 'Holes' }),
    printed: z.boolean().optional().meta({ title: 'It is printed' }),
  })
  .readonly();

/** A space that is set aside, or that must stay free. */
export const zoneSchema = z
  .strictObject({
    ...block,
    ...place,
    kind: z.enum(['bay', 'keep-out']).meta({ title: 'Kind' }),
  })
  .readonly();

/** What sits on a shaft. */
export const STACKED = [
  'bearing',
  'spacer',
  'hub',
  'wheel',
  'sprocket',
  'gear',
  'collar',
  'coupler',
] as const;
/** To what a thing on a shaft is held: to the frame, clamped to the shaft, or to neither. */
export const HOLDS = ['frame', 'shaft', 'loose'] as const;

/** Something on a shaft, and where its middle lies where it is held. */
export const stackedSchema = z
  .strictObject({
    id,
    name,
    kind: z.enum(STACKED).meta({ title: 'Kind' }),
    width: quantity('length', { above: 0 }, 'Width', 'Along the shaft'),
    hold: z.enum(HOLDS).meta({ title: 'Held by' }),
    at: quantity('length', {}, 'Its middle', 'From the first end of the shaft').optional(),
  })
  .readonly();

/** A shaft with what sits on it, from its first end on. */
export const shaftSchema = z
  .strictObject({
    id,
    name,
    length: quantity('length', { above: 0 }, 'Length'),
    float: quantity('length', { least: 0 }, 'Float, at most', 'How far it may go to and fro'),
    stack: z.array(stackedSchema).max(40).readonly().meta({ title: 'On it' }),
  })
  .readonly();

/** How a body closed all round opens: not closed at all, its upper part lifts off, or it parts along or across its length. */
export const OPENS = ['open', 'lid', 'halves-along', 'halves-across'] as const;
export type Opens = (typeof OPENS)[number];

/** A corner of the body's outline, seen from above. */
export const cornerSchema = z.strictObject({ id, ahead: aheadOfRearAxle, left }).readonly();

/** The body where it is more than a box: its outline from above, and how it opens. */
export const shellSchema = z
  .strictObject({
    outline: z
      .array(cornerSchema)
      .min(3, 'an outline has three corners or more')
      .max(60)
      .readonly()
      .optional()
      .meta({ title: 'Outline from above' }),
    opens: z.enum(OPENS).meta({ title: 'It opens' }),
    at: quantity(
      'length',
      {},
      'Parts at',
      'A lid so high above the ground; halves so far left of the middle, or ahead of the rear axle',
    ).optional(),
    wall: quantity('length', { above: 0 }, 'Wall'),
  })
  .readonly();

/** What a printer holds. */
export const printerSchema = z
  .strictObject({
    length: quantity('length', { above: 0 }, 'Bed, length'),
    width: quantity('length', { above: 0 }, 'Bed, width'),
    height: quantity('length', { above: 0 }, 'Height'),
  })
  .readonly();

/** Where everything goes. */
export const arrangementSchema = z
  .strictObject({
    clearance: quantity('length', { least: 0 }, 'Gap between parts, at least'),
    /** Where the middle of all that is not placed lies: as it was typed of the whole. */
    rest: z
      .strictObject({ aheadOfRearAxle, left, height: above })
      .readonly()
      .meta({ title: 'All that is not placed' }),
    parts: z.array(placedPartSchema).max(200).readonly().meta({ title: 'Placed parts' }),
    shafts: z.array(shaftSchema).max(20).readonly().optional().meta({ title: 'Shafts' }),
    zones: z.array(zoneSchema).max(40).readonly().meta({ title: 'Bays and keep-outs' }),
    shell: shellSchema.optional().meta({ title: 'Shell' }),
    frame: z.array(frameMemberSchema).max(12).readonly().optional().meta({ title: 'Frame' }),
    printer: printerSchema.optional().meta({ title: 'Printer' }),
    sheets: z.array(ownSheetSchema).max(40).readonly().optional().meta({ title: 'Own templates' }),
  })
  .readonly();

/** Where everything goes. */
export type Arrangement = z.output<typeof arrangementSchema>;
/** A part where it is to sit; `above` is the height of its middle over the ground. */
export type PlacedPart = Arrangement['parts'][number];
/** A space that is set aside, or that must stay free. */
export type Zone = Arrangement['zones'][number];
/** A side that something must come to. */
export type Face = PlacedPart['faces'][number];
/** A shaft with what sits on it. */
export type Shaft = NonNullable<Arrangement['shafts']>[number];
/** Something on a shaft. */
export type Stacked = Shaft['stack'][number];
/** Which wheel of a drive a placed part is. */
export type WheelOfDrive = NonNullable<PlacedPart['runs']>;
/** The body where it is more than a box. */
export type Shell = NonNullable<Arrangement['shell']>;
/** What a printer holds. */
export type Printer = NonNullable<Arrangement['printer']>;
