import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { id, name } from './item.ts';

/** What a frame is made of: its modulus of elasticity, what it weighs, and the bending stress it is allowed. */
export interface FrameMaterial {
  readonly title: string;
  readonly modulusGPa: number;
  readonly densityKgM3: number;
  readonly allowableMPa: number;
}

/** Materials of frames: moduli and densities of handbook tables from memory, stresses about half of what they yield or break at (common practice, no source). */
export const FRAME_MATERIALS = {
  steel: { title: 'steel', modulusGPa: 205, densityKgM3: 7850, allowableMPa: 120 },
  aluminium: { title: 'aluminium', modulusGPa: 69, densityKgM3: 2700, allowableMPa: 80 },
  plywood: { title: 'birch plywood', modulusGPa: 9, densityKgM3: 680, allowableMPa: 20 },
  softwood: { title: 'softwood', modulusGPa: 10, densityKgM3: 480, allowableMPa: 12 },
  acrylic: { title: 'acrylic sheet', modulusGPa: 3, densityKgM3: 1190, allowableMPa: 15 },
  polycarbonate: { title: 'polycarbonate', modulusGPa: 2.3, densityKgM3: 1200, allowableMPa: 20 },
  printed: { title: 'printed plastic', modulusGPa: 2.5, densityKgM3: 1240, allowableMPa: 12 },
} as const satisfies Readonly<Record<string, FrameMaterial>>;

/** A material of a frame. */
export type FrameMaterialName = keyof typeof FRAME_MATERIALS;
/** All materials of frames. */
export const FRAME_MATERIAL_NAMES = Object.keys(FRAME_MATERIALS) as [
  FrameMaterialName,
  ...FrameMaterialName[],
];

/** Sections of a frame's members; a sheet is a bar. */
export const SECTIONS = ['tube', 'bar', 'round-tube', 'round-bar'] as const;

/** How a shaft sits on a frame: its bearings bolted square, in bearings that tilt, or its gearbox hung on it with an arm. */
export const MOUNTS = ['rigid', 'self-aligning', 'floating'] as const;

/** Where a shaft, or the gearbox that turns it, is mounted on a member. */
export const frameMountSchema = z
  .strictObject({
    id,
    name,
    at: quantity('length', { least: 0 }, 'From the first support'),
    kind: z.enum(MOUNTS).meta({ title: 'Mounted' }),
    shaft: quantity('length', { above: 0 }, 'Shaft diameter'),
    free: quantity(
      'length',
      { above: 0 },
      'Shaft between its mounts',
      'From the gearbox to the next bearing, over which the shaft can bend',
    ),
    arm: quantity('length', { above: 0 }, 'Torque arm', 'From the shaft to where a floating gearbox is held'),
    torque: quantity('torque', { least: 0 }, 'Torque on the shaft').optional(),
  })
  .readonly();

/** Rails, a tube or a sheet between two supports. */
export const frameMemberSchema = z
  .strictObject({
    id,
    name,
    runs: z.enum(['ahead', 'left']).meta({ title: 'It runs' }),
    from: quantity(
      'length',
      {},
      'First support',
      'Ahead of the rear axle; of one that runs across, left of the middle',
    ),
    span: quantity('length', { above: 0 }, 'Between the supports'),
    material: z.enum(FRAME_MATERIAL_NAMES).meta({ title: 'Material' }),
    section: z.enum(SECTIONS).meta({ title: 'Section' }),
    height: quantity('length', { above: 0 }, 'Height, or diameter'),
    width: quantity('length', { above: 0 }, 'Width').optional(),
    wall: quantity('length', { above: 0 }, 'Wall').optional(),
    members: z.int().min(1).max(12).meta({ title: 'Side by side' }),
    share: quantity(
      'share',
      { least: 0, most: 1 },
      'Share of the weight on it',
      'Of all that lies over it; what others carry is left out',
    ),
    spreads: z.boolean().meta({ title: 'The payload lies spread over it' }),
    mounts: z.array(frameMountSchema).max(12).readonly().meta({ title: 'Shafts on it' }),
  })
  .readonly()
  .superRefine(({ section, height, width, wall }, context) => {
    const say = (key: string, message: string) => context.addIssue({ code: 'custom', path: [key], message });
    const isRound = section === 'round-tube' || section === 'round-bar';
    if (!isRound && !width) say('width', 'a tube, bar or sheet has a width');
    if (section !== 'tube' && section !== 'round-tube') return;
    if (!wall) say('wall', 'a tube has a wall');
    const least = Math.min(height.value, isRound ? height.value : (width?.value ?? height.value));
    if (wall && 2 * wall.value >= least)
      say('wall', 'twice the wall is less than the section: else it is a bar');
  });

/** Rails, a tube or a sheet between two supports. */
export type FrameMember = z.output<typeof frameMemberSchema>;
/** Where a shaft is mounted on a member of a frame. */
export type FrameMount = FrameMember['mounts'][number];
