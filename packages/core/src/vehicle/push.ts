import { z } from 'zod';
import { quantity } from '../quantity/index.ts';

/**
 * What a blade pushes: loose density, and friction on the ground or on what it leaves there. Middles of what handbooks
 * of earth moving, of bulk solids and of snow clearing give (from memory).
 */
const MEMBERS = {
  'fresh-snow': { title: 'fresh snow', densityKgM3: 120, friction: 0.3 },
  'wet-snow': { title: 'wet or settled snow', densityKgM3: 400, friction: 0.4 },
  sand: { title: 'sand', densityKgM3: 1600, friction: 0.6 },
  gravel: { title: 'gravel', densityKgM3: 1700, friction: 0.6 },
  soil: { title: 'loose soil', densityKgM3: 1250, friction: 0.7 },
  grain: { title: 'grain', densityKgM3: 750, friction: 0.45 },
  manure: { title: 'manure', densityKgM3: 900, friction: 0.5 },
  leaves: { title: 'leaves', densityKgM3: 80, friction: 0.5 },
} as const satisfies Record<
  string,
  { readonly title: string; readonly densityKgM3: number; readonly friction: number }
>;

export type Pushed = keyof typeof MEMBERS;
/** All that a blade can push. */
export const PUSHED = Object.keys(MEMBERS) as [Pushed, ...Pushed[]];

/**
 * What is known of something that a blade pushes: its density and how it slides.
 *
 * @example pushedOf('wet-snow') // { title: 'wet or settled snow', densityKgM3: 400, friction: 0.4 }
 */
export const pushedOf = (what: Pushed): (typeof MEMBERS)[Pushed] => MEMBERS[what];

const place = {
  height: quantity('length', { least: 0 }, 'Pushes at a height of', 'Middle of the push above the ground'),
  ahead: quantity('length', {}, 'Blade ahead of the rear axle', 'Where it meets what it pushes'),
  load: quantity('force', {}, 'What it pushes presses down with', 'On the blade, downwards'),
};

/** A blade that pushes with a force. */
export const pushForce = z.strictObject({
  kind: z.literal('force'),
  force: quantity('force', { least: 0 }, 'Force on the blade'),
  ...place,
});

/** A blade that pushes a full heap. */
export const pushHeap = z.strictObject({
  kind: z.literal('heap'),
  what: z.enum(PUSHED).meta({ title: 'What it pushes' }),
  width: quantity('length', { above: 0 }, 'Width of the blade'),
  heap: quantity('length', { above: 0 }, 'Heap against the blade', 'How high it heaps up in front'),
  ...place,
});

/** A blade that pushes: with a force, or a heap of something. */
export const pushSchema = z.discriminatedUnion('kind', [pushForce, pushHeap]);

export type Push = z.output<typeof pushSchema>;
