import { z } from 'zod';
import { FITS, THREADS } from '../making/index.ts';
import { quantity } from '../quantity/index.ts';
import { id, name } from './item.ts';

/** For what a hole is drilled: a screw and how it fits, or a diameter of its own. */
const drilled = {
  thread: z.enum(THREADS).optional().meta({ title: 'Screw' }),
  fit: z.enum(FITS).optional().meta({ title: 'Fit' }),
  diameter: quantity('length', { above: 0 }, 'Diameter', 'Where it is for no screw').optional(),
  depth: quantity('length', { above: 0 }, 'Depth', 'Of a hole that does not go through').optional(),
} as const;

interface Drilled {
  readonly thread?: unknown;
  readonly diameter?: unknown;
}
const saysItsSize = ({ thread, diameter }: Drilled): boolean =>
  (thread === undefined) !== (diameter === undefined);
const SIZE = 'a hole is for a screw, or has a diameter of its own';

/** A hole in a side of a part, from the middle of that side. */
export const holeSchema = z
  .strictObject({
    id,
    side: z.enum(['front', 'back', 'left', 'right', 'top', 'bottom']).meta({ title: 'Side' }),
    right: quantity('length', {}, 'To the right', 'Of the middle of its side, seen from outside'),
    up: quantity('length', {}, 'Upwards', 'Of the middle of its side; on top and bottom towards the front'),
    ...drilled,
  })
  .readonly()
  .refine(saysItsSize, SIZE);

/** Equal holes, or magnets, on a circle. */
export const holeCircleSchema = z
  .strictObject({
    id,
    circle: quantity('length', { above: 0 }, 'Circle, across its holes’ middles'),
    count: z.int().min(1).max(200).meta({ title: 'Holes' }),
    turn: quantity('angle', {}, 'First hole', 'To the left from the right'),
    ...drilled,
  })
  .readonly()
  .refine(saysItsSize, SIZE);

/** A disc or plate of the builder's own: bolt circles, hub adapters, rings of magnets, pulley blanks, motor plates. */
export const ownSheetSchema = z
  .strictObject({
    id,
    name,
    form: z.enum(['disc', 'plate']).meta({ title: 'Form' }),
    length: quantity('length', { above: 0 }, 'Length, or diameter'),
    width: quantity('length', { above: 0 }, 'Width', 'Of a plate').optional(),
    bore: quantity('length', { above: 0 }, 'Bore').optional(),
    key: quantity('length', { above: 0 }, 'Key', 'Its width').optional(),
    travel: quantity(
      'length',
      { above: 0 },
      'Slots, how far',
      'How far what is bolted on moves to tension its loop',
    ).optional(),
    circles: z.array(holeCircleSchema).max(10).readonly().meta({ title: 'Circles of holes' }),
  })
  .readonly()
  .superRefine(({ form, length, width, bore, key, circles }, context) => {
    const say = (at: string, message: string) => context.addIssue({ code: 'custom', path: [at], message });
    if (form === 'plate' && !width) say('width', 'a plate has a width');
    const across = Math.min(length.value, form === 'plate' ? (width?.value ?? length.value) : length.value);
    if (bore && bore.value >= across) say('bore', 'the bore is as wide as the sheet');
    if (key && (!bore || key.value >= bore.value)) say('key', 'a key is narrower than the bore it sits in');
    const repeated = circles.some((one, n) => circles.findIndex((other) => other.id === one.id) < n);
    if (repeated) say('circles', 'an id stands twice');
  });

/** A hole in a side of a part. */
export type Hole = z.output<typeof holeSchema>;
/** Equal holes on a circle. */
export type HoleCircle = z.output<typeof holeCircleSchema>;
/** A disc or plate of the builder's own. */
export type OwnSheet = z.output<typeof ownSheetSchema>;
