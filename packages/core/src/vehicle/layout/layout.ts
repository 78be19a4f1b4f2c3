import { z } from 'zod';
import { TYRES } from '../../ground/index.ts';
import { quantity } from '../../quantity/index.ts';
import { layoutKind, LAYOUT_KIND_NAMES } from './kinds.ts';

/** What stands on the ground. */
export const FORMS = ['wheel', 'castor', 'omni', 'slider', 'roller', 'track', 'shell'] as const;
export type Form = (typeof FORMS)[number];

/** What stands on the ground, as it is called. */
export const FORM_TITLES: Readonly<Record<Form, string>> = {
  wheel: 'wheel',
  castor: 'castor',
  omni: 'omni wheel',
  slider: 'slider',
  roller: 'roller',
  track: 'track',
  shell: 'shell',
};

/** An axle: what stands on the ground, where, and whether it is driven or steered. */
export const axleSchema = z
  .strictObject({
    id: z.string().min(1).max(40),
    name: z.string().trim().min(1, 'give it a name').max(60).meta({ title: 'Name' }),
    form: z.enum(FORMS).meta({ title: 'Stands on' }),
    tyre: z.enum(TYRES).meta({ title: 'Tyre' }),
    ahead: quantity('length', {}, 'Ahead of the rear axle', 'Its contact ahead of the rear axle'),
    track: quantity(
      'length',
      { least: 0 },
      'Track',
      'Between left and right, middle to middle; 0: one in the middle',
    ),
    diameter: quantity(
      'length',
      { above: 0 },
      'Diameter',
      'Diameter under load; of a track, that of its sprocket',
    ),
    width: quantity('length', { above: 0 }, 'Width', 'Width of the tyre or track'),
    contactLength: quantity('length', { above: 0 }, 'Length on the ground', 'Of a track').optional(),
    driven: z.boolean().meta({ title: 'Driven' }),
    /** Absent where both wheels of the axle are driven. */
    drivenSide: z.enum(['left', 'right']).optional().meta({ title: 'Only one wheel driven' }),
    steered: z.boolean().meta({ title: 'Steered' }),
    braked: z.boolean().meta({ title: 'Braked' }),
    /** Of sprung wheels. */
    travel: quantity(
      'length',
      { least: 0 },
      'Travel upwards',
      'How far its wheels go up on their springs',
    ).optional(),
  })
  .readonly();

/** How the vehicle stands on the ground: a template fills the axles, the builder moves them. */
export const layoutSchema = z
  .strictObject({
    kind: z.enum(LAYOUT_KIND_NAMES).meta({ title: 'Layout' }),
    axles: z
      .array(axleSchema)
      .min(1, 'a vehicle stands on something')
      .max(8)
      .readonly()
      .meta({ title: 'Axles' }),
    drum: quantity(
      'length',
      { above: 0 },
      'Drum, to the middle of the rope',
      'Diameter of a winch’s drum, to the middle of the rope',
    ).optional(),
  })
  .readonly()
  .superRefine(({ kind, axles, drum }, context) => {
    const say = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    axles.forEach((a, at) => {
      if (axles.findIndex(({ id }) => id === a.id) < at) say(['axles', at, 'id'], 'this id stands twice');
      if (a.form === 'track' && !a.contactLength)
        say(['axles', at, 'contactLength'], 'a track needs its length on the ground');
    });
    if (layoutKind(kind).pullsByRope ? !drum : !axles.some((a) => a.driven))
      say(
        layoutKind(kind).pullsByRope ? ['drum'] : ['axles', 0, 'driven'],
        layoutKind(kind).pullsByRope ? 'a winch needs the diameter of its drum' : 'drive at least one axle',
      );
  });

export type Layout = z.output<typeof layoutSchema>;
/** An axle of a layout. */
export type Axle = Layout['axles'][number];
