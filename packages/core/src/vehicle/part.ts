import { z } from 'zod';
import { motor } from './parts/motor.ts';
import * as others from './parts/others.ts';
import { battery, driver } from './parts/supply.ts';

export { WHENCES, type Whence } from './parts/common.ts';

/** A part on the shelf. Families by `kind`; figures as on a data sheet, the unit in the name. */
export const partSchema = z
  .discriminatedUnion('kind', [
    motor,
    driver,
    battery,
    others.source,
    others.controller,
    others.receiver,
    others.sensor,
    others.switchPart,
    others.plugPart,
    others.wire,
    others.fuse,
    others.converter,
    others.wheel,
    others.track,
    others.belt,
    others.chain,
    others.sprocket,
    others.gear,
    others.coupler,
    others.hub,
    others.bearing,
    others.shaft,
    others.spacer,
    others.collar,
    others.fastener,
    others.magnet,
    others.rail,
    others.mount,
  ])
  .readonly();

/** A part as it is sent: what may be left away left away. */
export type PartInput = z.input<typeof partSchema>;
export type Part = z.output<typeof partSchema>;
/** The kinds of parts. */
export type PartKind = Part['kind'];
/** A part of one kind. */
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;

/** What is known of a kind of part beside its schema: what a few are called, and what one usually weighs where nobody says. */
interface PartSort {
  readonly many: string;
  /** kg (common practice, no source); null where it follows from other figures. */
  readonly usualKg: number | null;
}

/** Every kind of part, in the order in which they are offered. */
export const PART_SORTS: Readonly<Record<PartKind, PartSort>> = {
  motor: { many: 'motors', usualKg: null },
  driver: { many: 'drivers', usualKg: null },
  battery: { many: 'batteries', usualKg: null },
  source: { many: 'other sources', usualKg: 0.4 },
  controller: { many: 'controllers', usualKg: 0.03 },
  receiver: { many: 'receivers', usualKg: 0.02 },
  sensor: { many: 'sensors', usualKg: 0.01 },
  switch: { many: 'switches', usualKg: 0.05 },
  plug: { many: 'plugs', usualKg: 0.01 },
  wire: { many: 'wires', usualKg: 0.05 },
  fuse: { many: 'fuses', usualKg: 0.01 },
  converter: { many: 'converters', usualKg: 0.05 },
  wheel: { many: 'wheels and tyres', usualKg: 0.3 },
  track: { many: 'tracks', usualKg: 0.8 },
  belt: { many: 'belts', usualKg: 0.05 },
  chain: { many: 'chains', usualKg: 0.5 },
  sprocket: { many: 'sprockets and pulleys', usualKg: 0.1 },
  gear: { many: 'gears', usualKg: 0.1 },
  coupler: { many: 'couplers', usualKg: 0.05 },
  hub: { many: 'hubs', usualKg: 0.08 },
  bearing: { many: 'bearings', usualKg: 0.03 },
  shaft: { many: 'shafts', usualKg: 0.2 },
  spacer: { many: 'spacers', usualKg: 0.01 },
  collar: { many: 'collars', usualKg: 0.02 },
  fastener: { many: 'fasteners', usualKg: 0.02 },
  magnet: { many: 'magnets', usualKg: 0.005 },
  rail: { many: 'rails and tubes', usualKg: 2 },
  mount: { many: 'motor mounts', usualKg: 0.1 },
};

/** All kinds of parts. */
export const PART_KINDS = Object.keys(PART_SORTS) as [PartKind, ...PartKind[]];

/** Kinds of which a build chooses one; any number of the others may be fitted. */
export const CHOSEN_KINDS = ['motor', 'driver', 'battery'] as const satisfies readonly PartKind[];
export type ChosenKind = (typeof CHOSEN_KINDS)[number];
/** A part of which a build chooses one. */
export type ChosenPart = PartOf<ChosenKind>;
/**
 * Whether a build chooses one of its kind: a motor, a driver, a battery, a source.
 *
 * @example isChosen(motorOf(puffin)) // true
 */
export const isChosen = (part: Part): part is ChosenPart => CHOSEN_KINDS.some((kind) => kind === part.kind);
