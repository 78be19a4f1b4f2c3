import { z } from 'zod';
import { assumed, quantity, type Quantity } from '../../quantity/index.ts';
import type { Face, Mismatch, PathChange } from './member.ts';

/** A length of a part of the path. */
export const length = (title: string, description?: string) =>
  quantity('length', { above: 0 }, title, description);
/** Friction between hub and shaft. */
export const friction = quantity('coefficient', { above: 0, most: 2 }, 'Friction', 'Between hub and shaft');
/** The shear that a material may stand. */
export const allowableShear = quantity('stress', { above: 0 }, 'Allowable shear');
/** The bore of a hub. */
export const bore = length('Bore', 'Bore of the hub');

/** What every part of the path has. */
export const common = {
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, 'give it a name').max(60).meta({ title: 'Name' }),
  /** The stage that it comes behind; null where it sits on the motor's own shaft. */
  after: z.string().min(1).max(40).nullable().meta({ title: 'Behind the stage' }),
} as const;

/** A length in millimetres, as the trade's tables have it. */
export const toMm = (quantity: Quantity): number => quantity.value * 1000;
/** A stress in megapascals, as the trade's tables have it. */
export const toMPa = ({ value }: Quantity): number => value / 1e6;
/** A guessed length, from millimetres. */
export const ofMm = (n: number): Quantity => assumed(n / 1000, 'mm');
/** A guessed stress, from megapascals. */
export const ofMPa = (n: number): Quantity => assumed(n * 1e6, 'MPa');

/** Shear and bearing pressure that mild steel may carry where it jerks, MPa (common practice, no source). */
export const STEEL_SHEAR = 60;
/** Pressure that a key of mild steel may bear, MPa (common practice, no source). */
export const STEEL_BEARING = 120;

/** Friction of steel on steel, dry or nearly so (common practice, no source). */
export const usualFriction = (): Quantity => assumed(0.12, '');

/** A hub shows its bore on both sides. */
export const hubFaces = (hub: {
  readonly bore: Quantity;
}): { readonly before: Face; readonly behind: Face } => {
  const face: Face = { kind: 'bore', diameter: hub.bore };
  return { before: face, behind: face };
};

/** A hub bored to the shaft that it does not fit. */
export const boredToShaft = <E extends { readonly name: string; readonly bore: Quantity }>(
  hub: E,
  { what, wants }: Mismatch,
): PathChange<E> | undefined =>
  what === 'bore'
    ? {
        text: `“${hub.name}” bored to the size of its shaft`,
        element: { ...hub, bore: { ...hub.bore, value: wants.value } },
      }
    : undefined;

/** A bore is cut to its shaft: within this they fit, metres. */
const FITS = 0.00005;

/** Whether two sizes are further apart than a fit forgives. */
export const areApart = (a: Quantity, b: Quantity): boolean => Math.abs(a.value - b.value) > FITS;
